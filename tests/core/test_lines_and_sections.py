"""Lines that breaks part, sections that are told by their headings, and what was just said."""

from __future__ import annotations

import unittest

from hypothesis import given, settings
from hypothesis import strategies as st

from nimble_lantern.core.document import broken
from nimble_lantern.core.document.model import Block, Document, Position, Range
from tests.core.test_at_work import AtWork

LETTER = (
    "Rhona Fell\\\n3 Mill Street\\\nTollcross\\\nTelephone 204 118\n\nDear Mr Pole,\n\nThank you"
    " for the flour. It came on Friday."
)
DIARY = (
    "# Monday\n\nRain all day. Peter came at ten. We had soup.\n\n# Tuesday\n\nThe nurse was late."
    " She said the pressure is 130 over 85, which is better. I wrote to Bea.\n\n# Wednesday\n\n"
    "Sun at last! Peter phoned."
)
QUIZ = (
    "Twelve questions.\n\n1. What is the longest river in Wales?\n2. Which king burnt the cakes?\n"
    "3. Who painted the Hay Wain?\n\n| Team | One | Two |\n|---|---|---|\n| Owls | 8 | 7 |\n"
    "| Larks | 9 | 5 |\n\nWinners get the pie."
)
SAID = "she bought the flower for my sister full stop"


class Broken(unittest.TestCase):
    DOCUMENT = Document((Block("one\ntwo\nthree"), Block("four")))

    def at(self, b: int, start: int, end: int) -> Range:
        return Range(Position(b, start), Position(b, end))

    def test_lines_of_a_block(self) -> None:
        lines = [self.at(0, 0, 3), self.at(0, 4, 7), self.at(0, 8, 13)]
        self.assertEqual(broken.lines(self.DOCUMENT, 0), lines)
        self.assertEqual(broken.within(self.DOCUMENT, self.at(0, 2, 13)), lines[1:])
        self.assertEqual(broken.around(self.DOCUMENT, self.at(0, 5, 9)), self.at(0, 4, 13))

    def test_whole_lines_and_not_all_of_them(self) -> None:
        for start, end, whole in ((0, 3, True), (4, 13, True), (4, 6, False), (0, 13, False)):
            self.assertEqual(broken.parted(self.DOCUMENT, self.at(0, start, end)), whole)
        self.assertFalse(broken.parted(self.DOCUMENT, self.at(1, 0, 4)))

    def test_their_break_goes_with_them(self) -> None:
        for start, end, to in ((0, 3, (0, 4)), (4, 7, (4, 8)), (8, 13, (7, 13))):
            found = broken.with_break(self.DOCUMENT, self.at(0, start, end))
            self.assertEqual(found, self.at(0, *to))


class Lines(AtWork):
    def test_one_that_goes_leaves_none_empty(self) -> None:
        self.has(LETTER, "delete the second line", "Rhona Fell\\\nTollcross\\")
        self.has(LETTER, "delete the telephone line", "Tollcross\n\nDear")
        self.has(LETTER, "delete lines two and three", "Rhona Fell\\\nTelephone 204 118")
        self.has(LETTER, "delete tollcross", "3 Mill Street\\\nTelephone")
        self.has(LETTER, "cut line two / undo", LETTER)

    def test_the_one_that_is_written_stays_to_be_written_on(self) -> None:
        self.has("", "tea new line cakes / delete cakes / buns", "Tea\\\nBuns")

    def test_they_are_moved_and_copied_whole(self) -> None:
        self.has(LETTER, "move tollcross above three mill street", "Fell\\\nTollcross\\\n3 Mill")
        self.has(LETTER, "move the first line below line three", "Tollcross\\\nRhona Fell\\\nTel")
        self.has(LETTER, "move line four up", "Street\\\nTelephone 204 118\\\nTollcross\n")
        self.has(LETTER, "move line two down two", "Telephone 204 118\\\n3 Mill Street\n\nDear")
        self.has(LETTER, "swap lines two and three", "Fell\\\nTollcross\\\n3 Mill Street\\\nTel")
        self.has(LETTER, "copy line two below line three", "Tollcross\\\n3 Mill Street\\\nTeleph")
        self.has(LETTER, "repeat the third line", "Tollcross\\\nTollcross\\\nTelephone")
        self.has(LETTER, "move the telephone line to the end", "on Friday.\n\nTelephone 204 118")

    def test_others_are_written_beside_them(self) -> None:
        self.has(LETTER, "put flat two above three mill street", "Fell\\\nFlat 2\\\n3 Mill")
        self.has(LETTER, "write valley end under tollcross", "Tollcross\\\nValley end\\\nTele")
        self.has(LETTER, "between lines one and two put the old mill", "Fell\\\nThe old mill\\\n3")
        self.has(
            LETTER, "put a line after tollcross saying valley end", "Tollcross\\\nValley end\\"
        )
        self.has(LETTER, "add a comma after line two", "3 Mill Street,\\\nTollcross")
        self.has(LETTER, "leave a blank line after tollcross", "Tollcross\\\n\\\nTelephone")

    def test_a_break_behind_words_stays_behind_their_mark(self) -> None:
        self.has("We sang, and danced.", "put a new line after sang", "We sang,\\\nand danced.")

    def test_they_become_blocks_where_they_are_to_look_so(self) -> None:
        self.has(LETTER, "make each line a paragraph", "Rhona Fell\n\n3 Mill Street\n\nTollcross")
        self.has(LETTER, "make the first line a heading", "# Rhona Fell\n\n3 Mill Street\\\nToll")
        self.has(
            LETTER, "make lines two and three a list", "Fell\n\n- 3 Mill Street\n- Tollcross\n"
        )
        self.refused("One line.", "make each line a paragraph")

    def test_words_that_are_moved_within_one_stay_in_it(self) -> None:
        self.has(LETTER, "move mill before three", "Fell\\\nMill 3 Street\\\nTollcross")


NUMBERS = ("one", "two", "three", "four", "five", "six")
WORDS = ("amber", "birch", "cedar", "dove", "ember", "fern")


@st.composite
def said_of_lines(draw: st.DrawFn) -> tuple[str, list[str]]:
    """A request about lines of `WORDS`, and what they are then."""
    lines = list(WORDS)
    a, b = draw(st.permutations(range(len(lines))))[:2]
    one, other = NUMBERS[a], NUMBERS[b]
    match draw(st.sampled_from(("delete", "above", "below", "repeat", "up", "swap", "write"))):
        case "delete":
            said = f"delete line {one}"
            del lines[a]
        case "above" | "below" as side:
            said = f"move line {one} {side} line {other}"
            moved, beside = lines.pop(a), WORDS[b]
            lines.insert(lines.index(beside) + (side == "below"), moved)
        case "repeat":
            said = f"repeat line {one}"
            lines.insert(a, lines[a])
        case "up":
            said = f"move line {one} up"
            if a:
                lines[a - 1 : a + 1] = lines[a], lines[a - 1]
        case "swap":
            first, second = sorted((a, b))
            said = f"swap line {NUMBERS[first]} and line {NUMBERS[second]}"
            lines[first], lines[second] = lines[second], lines[first]
        case _:
            said = f"write gorse under {lines[a]}"
            lines.insert(a + 1, "gorse")
    return said, lines


class AnyLines(AtWork):
    @settings(max_examples=120, deadline=None)
    @given(said_of_lines())
    def test_lines_stay_whole_whatever_is_done_to_them(self, asked: tuple[str, list[str]]) -> None:
        said, lines = asked
        page = "\\\n".join(WORDS) + "\n\nThe end."
        desk = self.desk(page)
        before = desk.markdown
        desk.hears(said)
        self.assertEqual(desk.markdown.split("\n\n")[0].lower(), "\\\n".join(lines), said)
        desk.hears("undo that")
        self.assertEqual(desk.markdown, before, said)


class Sections(AtWork):
    def test_their_parts(self) -> None:
        self.has(DIARY, "bold the last sentence of monday", "**We had soup.**")
        self.has(DIARY, "delete the first sentence of wednesday", "# Wednesday\n\nPeter phoned.")
        self.has(DIARY, "delete everything on wednesday", "I wrote to Bea.\n\n# Wednesday")
        self.has(DIARY, "clear tuesday but keep the heading", "# Tuesday\n\n# Wednesday")
        self.has(DIARY, "at the end of monday put good night", "We had soup. Good night\n\n# Tue")
        self.has(DIARY, "put good night at the end of monday", "We had soup. Good night\n\n# Tue")
        self.has("# To buy\n\n- tea\n- jam\n\nSoon.", "at the end of to buy put rice", "Soon. ")

    def test_sentences_are_no_part_of_a_heading(self) -> None:
        moved = "move the first sentence of tuesday to the end of monday"
        self.has(
            DIARY, moved, "# Monday\n\nRain all day. Peter came at ten. We had soup. The nurse"
        )
        self.has(DIARY, "move the last sentence under monday", "# Monday\n\nPeter phoned.\n\nRain")
        self.has(DIARY, "copy the first sentence to the end of wednesday", "phoned. Rain all day.")
        self.refused(DIARY, "monday and tuesday together please")

    def test_they_are_read_and_counted(self) -> None:
        desk = self.desk(DIARY)
        self.assertIn("Rain all day", desk.hears("read monday").summary)
        self.assertIn("10 words", desk.hears("count the words in monday").summary)

    def test_what_names_none_is_written(self) -> None:
        self.stays(DIARY, "read friday", "at the end of june put the boats away")
        self.stays(DIARY, "empty the bucket on tuesday", "the last sentence of the play was long")

    def test_a_heading_and_what_is_below_it_in_one_breath(self) -> None:
        said = "new heading thursday and under it write nothing much today"
        self.has(DIARY, said, "phoned.\n\n# Thursday\n\nNothing much today")
        self.has(DIARY, "add a heading called arts and crafts", "# Arts and crafts")


class LeftOut(AtWork):
    def test_where_words_are_not_replaced(self) -> None:
        for said in (
            "change peter to pete everywhere except on monday",
            "everywhere it says peter put pete except the first",
            "replace peter with pete everywhere except in the first paragraph",
        ):
            self.has(DIARY, said, "Peter came at ten", "Pete phoned")

    def test_what_is_not_understood_of_it_is_told(self) -> None:
        self.refused(DIARY, "change peter to pete everywhere except when he phones")


class Questions(AtWork):
    def test_another_one(self) -> None:
        self.has(QUIZ, "add a question who wrote emma", "Wain?\n4. Who wrote Emma?")
        self.has(QUIZ, "question four who wrote emma", "Wain?\n4. Who wrote Emma?")
        self.has(QUIZ, "put a question between one and two who wrote emma", "Wales?\n2. Who wrote")
        self.stays(QUIZ, "question nine is too hard", "another question is who pays")
        self.stays("1. Beat the eggs.", "add a question for the board")

    def test_rows_by_what_the_first_column_holds(self) -> None:
        self.has(QUIZ, "add a team ravens four and six", "| Larks | 9 | 5 |\n| Ravens | 4 | 6 |")
        self.has(QUIZ, "another team called the ravens", "| Ravens |  |  |")
        self.has(QUIZ, "duplicate the owls", "| Owls | 8 | 7 |\n| Owls | 8 | 7 |")
        self.stays(QUIZ, "another team won it last year")

    def test_room_after_each(self) -> None:
        self.has(QUIZ, "put a blank line after every question", "Wales?<br>\n2. Which king burnt")


class Values(AtWork):
    def test_the_number_that_is_said_of_a_thing(self) -> None:
        said = "change the pressure to one hundred and twenty over eighty"
        self.has(DIARY, said, "She said the pressure is 120 over 80, which")
        self.has(DIARY, "change the nurse to two nurses", "Two nurses was late.")

    def test_two_things_without_their_commas(self) -> None:
        there = "Bring the basket, and the cat."
        self.has(there, "swap the basket and the cat", "Bring the cat, and the basket.")


class JustSaid(AtWork):
    def test_all_of_it_once_more(self) -> None:
        for lead in ("no", "sorry", "scrap that", "i'll say it again", "no i said"):
            self.has("", f"{SAID} / {lead} she bought the flour for my sister", "the flour for my")
            self.has(
                "", f"{SAID} / {lead} she bought flour for my brother full stop", "t flour for"
            )
        self.has("", f"{SAID} / no she never came", "sister. No she never came")

    def test_whose_brother(self) -> None:
        for said in ("no my brother", "sorry brother", "make that brother", "brother i mean"):
            self.has("", f"{SAID} / {said}", "She bought the flower for my brother.")
        self.has("", f"{SAID} / for my brother", "sister. For my brother")

    def test_how_it_is_spelled(self) -> None:
        for said in ("no flour with a u", "that should be flour as in bread"):
            self.has("", f"{SAID} / {said}", "She bought the flour for my sister.")

    def test_its_marks_and_its_last_bit(self) -> None:
        there = "One. Two. "
        self.has(there, f"{SAID} / take the full stop off again", "for my sister")
        self.has(there, f"{SAID} / with an exclamation mark", "for my sister!")
        self.has(there, f"{SAID} / add and my brother", "for my sister and my brother.")
        self.has(
            there, f"{SAID} / make the last bit bold", "**She bought the flower for my sister.**"
        )
        self.has(
            there, f"{SAID} / that belongs at the start", "She bought the flower for my sister. O"
        )

    def test_a_word_of_courtesy_that_stands_there(self) -> None:
        said = "please send the flower to my sister full stop"
        self.has("", f"{said} / delete please", "Send the flower to my sister.")
        self.has("", f"{said} / delete the please", "Send the flower to my sister.")
        self.has("", f"{said} / put kindly instead of please", "Kindly send the flower")
        self.has("", f"{said} / kindly instead of please", "Kindly send the flower")
        self.has("", f"{said} / put a comma after please", "Please, send the flower")
        self.has("", f"{said} / bold please", "**Please send the flower to my sister.**")

    def test_a_letter_is_begun_and_put_right(self) -> None:
        said = (
            "olga brand new line four fish lane", "put the net loft above four fish lane",
            "new paragraph", "dear mr hale comma new paragraph thank you for the rudder full stop",
            "no thank you for the mast", "with an exclamation mark",
            "we will fetch it on tuesday full stop", "wednesday not tuesday",
            "add and the sail too", "close with kind regards olga brand",
        )  # fmt: skip
        self.has("", " / ".join(said), "Olga brand\\\nThe net loft\\\n4 Fish Lane\n\nDear Mr Hale,",
                 "for the mast! We will fetch it on Wednesday and the sail too.\n\nKind regards,",
                 "Kind regards,\n\nOlga Brand")  # fmt: skip

    def test_one_of_two_things_is_asked_about(self) -> None:
        said = "we will come on friday at ten with two cakes full stop"
        self.has("", f"{said} / make it eleven / one", "on Friday at 11 with two cakes.")
        self.has("", f"{said} / i meant three / two", "at 10 with three cakes.")
        self.has("", f"{said} / saturday i said", "We will come on Saturday at 10")

    def test_what_stands_beside_it(self) -> None:
        there = "We sing. We dance. "
        self.has(
            there, "we eat full stop / swap that with the sentence before", "We eat. We dance."
        )
        self.has(there, "we eat full stop / join that to the one before / one", "dance and we eat.")
        self.has(f"# Songs\n\n{there}", "we eat full stop / make it a list", "dance.\n\n- We eat.")
        self.refused("# Songs\n\nWe sing.", "join the paragraph to the one before")

    def test_no_mark_and_no_new_paragraph(self) -> None:
        self.has("", "we sang full stop / no comma there", "We sang.")
        said = "dear ida comma new paragraph thank you"
        for regretted in ("no new paragraph", "not a new paragraph", "take out the new paragraph"):
            self.has("", f"{said} / {regretted}", "Dear Ida, Thank you")
        self.has("", "ida new line tom / no new line / undo", "Ida\\\nTom")
        self.has("", "ida new line tom / no new line", "Ida Tom")
        self.stays("", "no new paragraph was added to the law")

    def test_marks_beside_its_words(self) -> None:
        said = "thank you for the marmalade which came on tuesday"
        self.has("", f"{said} / comma after marmalade", "marmalade, which came on Tuesday")
        self.has("", f"{said} / a comma before which", "marmalade, which came on Tuesday")
        self.has("", f"{said} / thanks instead of thank you", "Thanks for the marmalade which")
        self.has("", f"{said} / scratch tuesday", "Thank you for the marmalade which came on")
        self.has(
            "", f"{said} / undo the last word / undo", "Thank you for the marmalade which came"
        )

    def test_a_mark_in_the_middle_and_a_number_with_its_thing(self) -> None:
        self.has("", "dear ida comma new paragraph we sang / colon not comma", "Dear Ida:")
        self.has("", "we lost one hive full stop / two hives not one", "We lost two hives.")

    def test_less_of_it_is_forgotten(self) -> None:
        said = "dear ida comma new paragraph we sang full stop we danced full stop"
        self.has("", f"{said} / forget the last sentence", "Dear Ida,\n\nWe sang.")
        self.has("", "we sang / start that again / we danced", "We danced")

    def test_what_goes_on_is_written(self) -> None:
        for before, said in (
            ("chop the garlic", "leave out the garlic if you like"),
            ("the paint was old", "scratch the paint gently"),
            ("we thank you all", "thanks not only to ida but to tom"),
            ("the bus goes at nine or ten", "make it eleven and i will come"),
            ("add the eggs", "add and stir the eggs well"),
            ("she likes tea", "coffee instead of tea would be wrong"),
        ):
            with self.subTest(said):
                desk = self.desk("")
                entries = [desk.hears(words) for words in (f"{before} full stop", said)]
                self.assertEqual([e.read_as for e in entries], ["text", "text"])

    def test_a_table_is_not_cleared_before_monday(self) -> None:
        self.refused(QUIZ, "do that again")
        self.has(f"{QUIZ}\n\nMonday.", "clear the table before monday", "| Owls | 8 | 7 |")


class JustSaidInAList(AtWork):
    LIST = "bullet list / bread / milk"

    def test_the_list_is_meant_by_what_is_said_of_it(self) -> None:
        self.has("", f"{self.LIST} / no bullets", "Bread\n\nMilk")
        self.has("", f"{self.LIST} / delete the list / undo", "- Bread\n- Milk")
        self.has("", f"{self.LIST} / make it oat milk", "- Oat milk")
        self.has("", f"{self.LIST} / finish the list and write thank you", "- Milk\n\nThank you")
        self.has("", f"{self.LIST} / oops not milk", "- Oops not milk")

    def test_what_is_put_before_an_item_is_one(self) -> None:
        there = "- two onions\n- parsley"
        self.has(there, "put eggs before parsley", "- two onions\n- eggs\n- parsley")
        self.has(there, "put one egg before two onions", "- one egg\n- two onions")
        self.has(there, "put fresh before parsley", "- fresh parsley")


class JustSaidInATable(AtWork):
    TABLE = "make a table with name comma boat comma seat / ida / next / tern / next / bow"

    def test_a_cell_and_the_one_of_that_kind_in_its_row(self) -> None:
        self.has("", f"{self.TABLE} / make it stroke", "| Ida | Tern | Stroke |")
        self.has("", f"{self.TABLE} / i meant hester", "| Hester | Tern | Bow |")

    def test_no_heading_takes_in_what_is_put_under_it(self) -> None:
        self.has("", f"{self.TABLE} / move bow under boat", "| Ida | Tern | Bow |", "| Boat |")
        self.has("", f"{self.TABLE} / delete tern / move bow under boat", "| Ida | Bow |  |")


class Selected(AtWork):
    PAGE = "Dear Mr Pole,\n\nThank you for the flour. It came on Friday.\n\nYours,\n\nRhona"
    HELD = "select thank you for the flour"

    def kept(self, selects: str, said: str) -> None:
        """Nothing is changed by what is said then."""
        with self.subTest(said):
            desk = self.desk(self.PAGE)
            before = desk.markdown
            desk.hears(selects, said)
            self.assertEqual(desk.markdown, before)

    def test_less_of_it_is_put_right(self) -> None:
        self.has(self.PAGE, f"{self.HELD} / bread not flour", "Thank you for the bread. It came")
        self.has(
            self.PAGE, f"{self.HELD} / each word with a capital", "Thank You For The Flour. It"
        )
        self.has(self.PAGE, f"{self.HELD} / add and the yeast", "for the flour and the yeast. It")

    def test_no_break_and_no_mark_takes_its_place(self) -> None:
        self.has(self.PAGE, "select it came on friday / new paragraph", "flour.\n\nIt came on Fri")
        self.has(self.PAGE, "select it came on friday / new line", "flour.\\\nIt came on Friday.")
        self.has(self.PAGE, "select thank you / comma", "Thank you, for the flour.")
        self.has(self.PAGE, "select the comma after pole / colon", "Dear Mr Pole:")
        self.has("Tea and cake.", "select the word and / ampersand", "Tea & cake.")
        self.kept(self.HELD, "new paragraph")
        self.kept("select friday", "exclamation mark")

    def test_what_may_be_said_of_it_is_not_written_over_it(self) -> None:
        for said in (
            "with the full stop", "up to flour", "from for", "red", "a new line before it",
            "flour should be bread", "how often is it there",
        ):  # fmt: skip
            self.kept(self.HELD, said)

    def test_it_is_moved_copied_and_changed_as_the_sentence_it_is(self) -> None:
        self.has(
            self.PAGE, f"{self.HELD} / copy it below friday", "Friday. Thank you for the flour."
        )
        self.has(
            self.PAGE, f"{self.HELD} / swap it with the next sentence", "Friday. Thank you for"
        )
        self.has(self.PAGE, f"{self.HELD} / make it a heading", "# Thank you for the flour.\n\nIt")
        self.has(self.PAGE, f"{self.HELD} / put it before dear mr pole", "flour.\n\nDear Mr Pole,")
        self.has(self.PAGE, f"{self.HELD} / delete it and the next word", "Came on Friday.")


class AtTheEdgesOfALetter(AtWork):
    PAGE = "Dear Board,\n\nThe stair is worn. We cannot pay.\n\nYours faithfully,\n\nIda Marlowe"

    def test_a_line_above_its_greeting(self) -> None:
        said = "put private and confidential at the top"
        self.has(self.PAGE, said, "Private and confidential\n\nDear Board,")
        self.has(self.PAGE, "put urgent in bold at the top", "**Urgent**\n\nDear Board,")
        self.has(self.PAGE, "put we are sorry at the top", "We are sorry. The stair is worn.")

    def test_who_has_a_copy(self) -> None:
        self.has(self.PAGE, "cc mr fenwick", "Ida Marlowe\n\nCc Mr Fenwick")
        self.stays("The list is long.", "copy to mr fenwick")

    def test_how_it_looks_is_told_before_where_it_goes(self) -> None:
        self.has(self.PAGE, "put badly in italics after is", "The stair is *badly* worn.")
        self.has(self.PAGE, "put by hand in bold under the greeting", "Board,\n\n**By hand**")

    def test_a_closing_and_a_name_in_one_breath(self) -> None:
        there = "Dear Board,\n\nThe stair is worn."
        closed = "The stair is worn.\n\nYours faithfully,\n\nIda Marlowe"
        self.has(there, "close with yours faithfully ida marlowe", closed)
        self.has(self.PAGE, "finish with kind regards tom", "Kind regards,\n\nTom")
        self.stays(there, "end it with love and a song")

    def test_a_heading_ends_where_a_paragraph_begins(self) -> None:
        said = "heading minutes new paragraph we met at nine full stop"
        self.has("", said, "# Minutes\n\nWe met at nine.")

    def test_it_is_written_in_words_and_not_its_stop(self) -> None:
        said = "i enclose twelve pounds fifty full stop / write it in words"
        self.has("", said, "I enclose twelve pounds fifty.")

    def test_what_is_not_done_here_is_answered(self) -> None:
        for said in ("number the pages", "put a footer with the date", "page break here"):
            self.refused(self.PAGE, said)

    def test_all_headings_do_not_say_the_same(self) -> None:
        self.stays("# One\n\nText.\n\n# Two\n\nMore.", "make the headings match")


class Documents(AtWork):
    def test_another_for_somebody(self) -> None:
        desk = self.desk("Thank you.")
        entry = desk.hears("copy this letter for mrs pole")
        self.assertIn("for Mrs Pole", entry.summary)
        self.assertRead("text", desk.hears("make another one of these for wilf"))
