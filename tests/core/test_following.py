"""What goes on from what was just done, and what is asked for together with its words."""

from __future__ import annotations

import unittest

from hypothesis import given, settings
from hypothesis import strategies as st

from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.formats import to_markdown
from tests.desk import DeskCase, Driver

PAGE = (
    "# The garden\n\nThe gate is open on Friday. Bring a chair and a hat. The ferry leaves at ten,"
    " and the ferry comes back at four.\n\nTickets cost £5, and children pay £2. Osric Pell has the"
    " key to the shed.\n\nTea is in the barn.\n\n- apples\n- pears\n- plums"
)


DONE = st.sampled_from(
    (
        "bold the title", "make the first paragraph red", "select ferry", "choose one",
        "go to the second paragraph", "delete the last word", "move pears up", "sort the list",
        "copy the last sentence to the top", "replace friday with monday", "make everything italic",
        "join the last two paragraphs", "insert old before gate", "put today's date at the top",
        "make a table with columns stall amount and who", "we will bring tea", "new paragraph",
        "add a line saying no dogs", "read the first sentence", "scroll down",
    )
)  # fmt: skip
OTHERWISE = st.builds(
    " ".join,
    st.tuples(
        st.sampled_from(("i meant", "no", "sorry", "only", "not", "except", "and", "now", "")),
        st.sampled_from(
            (
                "italic", "the third one", "the first two", "move it", "friday", "red", "the title",
                "on the left", "the next one", "the one before", "everywhere", "more", "in bold",
                "the last sentence", "in its own paragraph", "on its own line", "two", "up",
                "that's too long take it out", "make that big and blue", "wrong place",
            )
        ),
    ),
)  # fmt: skip


class Laws(unittest.TestCase):
    @settings(max_examples=60, deadline=None, derandomize=True)
    @given(st.lists(st.one_of(DONE, OTHERWISE), min_size=2, max_size=6))
    def test_whatever_goes_on_from_what_was_done_comes_back(self, said: list[str]) -> None:
        """No fault; undoing an utterance leaves a text there has been; all of them, the first."""
        sitting = Driver(PAGE).sitting
        first = to_markdown(sitting.document)
        seen = {first}
        for line in said:
            sitting = advance(sitting, Heard(from_line(line))).sitting
            self.assertNotIn("fault", sitting.trail[-1].summary, said)
            seen.add(to_markdown(sitting.document))
            if sitting.trail[-1].made:
                back = advance(sitting, Heard(from_line("undo that"))).sitting
                self.assertIn(to_markdown(back.document), seen, said)
        sitting = advance(sitting, Heard(from_line("undo everything"))).sitting
        self.assertEqual(to_markdown(sitting.document), first, said)


def after(*said: str, page: str = PAGE) -> Driver:
    desk = Driver(page)
    for words in said:
        desk.hears(words)
    return desk


class OfTheNext(DeskCase):
    def test_the_next_one_is_of_what_was_last_gone_to(self) -> None:
        desk = after("go to the first paragraph", "next one", "and the next one")
        self.assertEqual(desk.sitting.caret.block, 3)

    def test_the_one_before(self) -> None:
        desk = after("select the second sentence", "the one before")
        self.assertIn("[The gate is open on Friday.]", desk.page)

    def test_words_that_were_found(self) -> None:
        desk = after("select ferry", "choose one", "the next one")
        start = desk.sitting.selection.start.offset if desk.sitting.selection else 0
        self.assertGreater(start, PAGE.split("\n")[2].index("ferry"))

    def test_a_list_goes_on_where_nothing_was_gone_to(self) -> None:
        desk = after("next one", "cherries")
        self.assertTrue(desk.markdown.lower().endswith("- plums\n- cherries"))


class OfEveryPlace(DeskCase):
    def test_everywhere_else_too(self) -> None:
        desk = after("replace ferry with boat", "choose one", "everywhere")
        self.assertNotIn("ferry", desk.markdown)
        desk.hears("undo that")
        self.assertEqual(desk.markdown.count("ferry"), 1)

    def test_everywhere_alone_is_a_word(self) -> None:
        self.assertTrue(after("there are lamps", "everywhere").markdown.endswith("everywhere"))


class OfMore(DeskCase):
    def test_more_of_what_can_be_more(self) -> None:
        desk = after("make the last paragraph bigger", "more")
        self.assertIn("16pt", desk.markdown)

    def test_more_is_a_word_of_the_text(self) -> None:
        self.assertTrue(after("we need", "more").markdown.endswith("more"))


class OfLooks(DeskCase):
    def test_a_look_for_what_was_just_done_something_to(self) -> None:
        desk = after("put today's date at the top", "on the right hand side")
        self.assertEqual(desk.sitting.document.blocks[0].format.align, "right")

    def test_a_look_alone(self) -> None:
        desk = after("underline the title", "italic", "and bigger")
        self.assertIn("italic", {s.mark for s in desk.sitting.document.blocks[0].spans})
        self.assertIn("24pt", desk.markdown)
        self.assertTrue(after("the boat is late", "italic").markdown.endswith("late italic"))

    def test_all_but_the_title(self) -> None:
        desk = after("make everything italic", "not the title")
        self.assertTrue(desk.markdown.startswith("# The garden"))

    def test_all_of_a_paragraph_but_its_last_sentence(self) -> None:
        desk = after("make the first paragraph red", "except the last sentence")
        self.assertNotIn("red", desk.markdown.split("The ferry")[1])
        self.assertIn("red", desk.markdown)

    def test_but_is_no_word_in_the_place_of_garden(self) -> None:
        self.assertIn("garden", after("bold the title", "but not garden").markdown)


class InItsPlace(DeskCase):
    """The last command is taken back for another, in one utterance."""

    def test_another_look(self) -> None:
        desk = after("bold the title", "i meant italic")
        self.assertTrue(desk.markdown.startswith("# *The garden*"))
        self.assertEqual(after("bold the title", "no italic").markdown, desk.markdown)
        desk.hears("undo that")
        self.assertTrue(desk.markdown.startswith("# The garden"))

    def test_another_verb(self) -> None:
        desk = after("copy tea is in the barn to the top", "i mean move it")
        self.assertEqual(desk.markdown.count("Tea is in the barn"), 1)

    def test_another_part(self) -> None:
        desk = after("delete the second paragraph", "sorry i meant the third one")
        self.assertIn("Tickets", desk.markdown)
        self.assertNotIn("Tea", desk.markdown)

    def test_fewer(self) -> None:
        desk = after("delete the first three words of the second paragraph", "only the first two")
        self.assertIn("£5, and", desk.markdown)

    def test_another_colour(self) -> None:
        self.assertIn("blue", after("make the title red", "no blue").markdown)

    def test_a_word_that_was_just_said_is_mended_as_before(self) -> None:
        self.assertTrue(after("we meet on monday", "sorry friday").markdown.endswith("on Friday"))
        self.assertIn("new gate", after("insert old before gate", "i meant new").markdown)

    def test_where_two_places_are_as_likely_nothing_is_done(self) -> None:
        desk = after("delete the second sentence of the first paragraph", "no the third")
        self.assertTrue(desk.markdown.endswith("no the third"))
        desk = after("put the last paragraph first", "sorry second")
        self.assertTrue(desk.markdown.endswith("sorry second"))

    def test_a_bare_no_takes_no_words_away(self) -> None:
        desk = after("delete the last sentence", "no friday")
        self.assertIn("on Friday.", desk.markdown)

    def test_what_cannot_be_done_instead_takes_nothing_back(self) -> None:
        desk = after("bold the title", "i meant the ninth paragraph")
        self.assertIn("**The garden**", desk.markdown)

    def test_less_of_it(self) -> None:
        desk = after("bold the first sentence", "only the first word i mean")
        self.assertIn("**The** gate", desk.markdown)


class Remarks(DeskCase):
    def test_what_is_thought_of_it_comes_before_what_is_to_be_done(self) -> None:
        desk = after("we want you gone by friday", "that sounds a bit sharp get rid of it")
        self.assertEqual(desk.markdown, PAGE)

    def test_or_after_it(self) -> None:
        desk = after("delete the last paragraph it's too long")
        self.assertNotIn("Tea", desk.markdown)
        desk.hears("undo that that was silly")
        self.assertEqual(desk.markdown, PAGE)

    def test_a_sentence_that_says_so(self) -> None:
        desk = after("it was too long take it out of the oven")
        self.assertTrue(desk.markdown.endswith("take it out of the oven"))


class WithTheirWords(DeskCase):
    def test_a_line_of_its_own(self) -> None:
        desk = after("add a paragraph that says the barn is heated under the second paragraph")
        self.assertIn("shed.\n\nThe barn is heated\n\nTea", desk.markdown)

    def test_a_sentence_after_a_sentence(self) -> None:
        desk = after("put in a sentence after bring a chair and a hat that says bring a torch")
        self.assertIn("a hat. Bring a torch. The ferry", desk.markdown)

    def test_a_sentence_closes_the_one_before(self) -> None:
        desk = after("say dogs are welcome at the end", page="Tea is free")
        self.assertEqual(desk.markdown, "Tea is free. Dogs are welcome.")
        desk.hears("undo that")
        self.assertEqual(desk.markdown, "Tea is free")

    def test_above_a_list_it_is_no_item(self) -> None:
        desk = after("above the list put a line saying bring these")
        self.assertIn("barn.\n\nBring these\n\n- apples", desk.markdown)

    def test_on_the_next_line(self) -> None:
        desk = after("by ida marlowe on the next line", page="# The ferryman")
        self.assertEqual(desk.markdown, "# The ferryman\n\nBy Ida Marlowe")
        desk = after("the answer is on the next line", page="Look")
        self.assertEqual(desk.markdown, "Look the answer is on the next line")

    def test_room_for_a_name(self) -> None:
        desk = after("leave two lines for my signature", "ida marlowe", page="Yours")
        self.assertEqual(desk.sitting.document.blocks[0].text, "Yours\n\n\nIda Marlowe")


class Sorts(DeskCase):
    def test_all_prices(self) -> None:
        self.assertIn("cost **£5**, and children pay **£2**.", after("bold the prices").markdown)

    def test_all_times(self) -> None:
        self.assertIn("at *ten*, and", after("make the times italic").markdown)


class Marks(DeskCase):
    def test_the_stop_at_the_end_of_a_sentence(self) -> None:
        desk = after("change the full stop at the end of the first sentence to an exclamation mark")
        self.assertIn("Friday! Bring", desk.markdown)

    def test_the_comma_in_a_paragraph(self) -> None:
        desk = after("remove the comma in the second paragraph")
        self.assertIn("£5 and", desk.markdown)
        self.assertIn("ten, and", desk.markdown)

    def test_a_stop_after_the_word_just_written(self) -> None:
        desk = after("ida will buy a lock", "full stop after lock", page="Hello.")
        self.assertEqual(desk.markdown, "Hello. Ida will buy a lock.")


class OfOneAnswer(DeskCase):
    def test_going_on_leaves_what_nobody_answered(self) -> None:
        desk = after("replace everything with it", "we will bring the cakes on friday")
        self.assertEqual(desk.markdown, PAGE + " we will bring the cakes on Friday")

    def test_an_article_is_no_letter(self) -> None:
        for said in ("bring a torch and shoes that grip", "bring a coat because it is cold"):
            with self.subTest(said):
                self.assertRead("text", after().hears(said))

    def test_what_may_be_an_answer_is_not_written(self) -> None:
        desk = after("select ferry", "i want the one with the hat")
        self.assertEqual(desk.markdown, PAGE)
        self.assertIsNotNone(desk.sitting.question)

    def test_a_word_alone_is_not_written_over_a_sentence(self) -> None:
        desk = after("select the first sentence", "shorter")
        self.assertEqual(desk.markdown, PAGE)


class ByItsLetters(DeskCase):
    def test_a_word_that_sounds_alike_and_has_a_letter(self) -> None:
        for text, said, then in (
            ("she new it all along", "new with a k", "she knew it all along"),
            ("we meat at the hall", "meat e e", "we meet at the hall"),
            ("we meat at the hall", "meat with two e's", "we meet at the hall"),
            ("it is there boat", "there with an i", "it is their boat"),
            ("the rode is closed", "rode with an a", "the road is closed"),
            ("nell marlow called", "marlow has an e at the end", "Nell Marlowe called"),
        ):
            with self.subTest(said):
                self.assertTrue(after(text, said).markdown.endswith(then))

    def test_letter_by_letter(self) -> None:
        desk = after("we are too book the haul", "too should be t o", "haul is hall h a double l")
        self.assertTrue(desk.markdown.endswith("we are to book the hall"))
        desk.hears("undo twice")
        self.assertTrue(desk.markdown.endswith("we are too book the haul"))

    def test_it_is_learned(self) -> None:
        desk = after("nell marlow called", "marlow has an e at the end", "nell marlow came")
        self.assertTrue(desk.markdown.endswith("Nell Marlowe came"))

    def test_other_places_keep_the_word(self) -> None:
        desk = after("she new it all along", "new with a k", "we need a new boat")
        self.assertTrue(desk.markdown.endswith("we need a new boat"))

    def test_sentences_with_letters(self) -> None:
        for said in ("tea with a biscuit", "plan b", "it is i b m", "pears with a k"):
            with self.subTest(said):
                self.assertRead("text", after("we had tea").hears(said))


class TablesByName(DeskCase):
    def test_columns_by_their_names(self) -> None:
        for said in (
            "make a table with three columns stall amount and who",
            "make a table for stall amount and who",
            "table with columns stall amount who",
        ):
            with self.subTest(said):
                self.assertIn("| Stall | Amount | Who |", after(said, page="").markdown)

    def test_below_a_part_of_the_page(self) -> None:
        desk = after("make a table under the title with names and jobs")
        self.assertIn("# The garden\n\n| Names | Jobs |", desk.markdown)
        desk = after("we need help", "make a table under that with names and jobs", page="")
        self.assertIn("We need help\n\n| Names | Jobs |", desk.markdown)

    def test_rows_go_by_their_headings(self) -> None:
        desk = after(
            "make a table with three columns stall amount and who",
            "first row cakes forty two pounds fifty hester",
            "then plants comma ten pounds comma gus",
            "that's all the rows",
            "we made more",
            page="",
        )
        self.assertIn("| Cakes | £42.50 | Hester |\n| Plants | £10 | Gus |", desk.markdown)
        self.assertTrue(desk.markdown.endswith("We made more"))

    def test_a_table_that_stands_in_a_room(self) -> None:
        for said in (
            "put a table with cups and plates in the hall",
            "a table for two and a chair",
            "i would like a table with flowers and candles",
        ):
            with self.subTest(said):
                self.assertRead("text", after(page="").hears(said))


class Wishes(DeskCase):
    def test_what_would_be_better(self) -> None:
        desk = after("it would be better if the title were a little larger")
        self.assertIn("24pt", desk.markdown)

    def test_two_looks_in_one_breath(self) -> None:
        desk = after("make the title big and in the middle")
        self.assertIn("24pt", desk.markdown)
        self.assertEqual(desk.sitting.document.blocks[0].format.align, "centre")

    def test_a_letter_without_a_name_gets_one(self) -> None:
        desk = after("save it as plumber", page="")
        self.assertEqual(desk.sitting.title, "Plumber")

    def test_a_part_of_it_said_again(self) -> None:
        desk = after(
            "me and my friend gus went to the island", "that should be my friend gus and i", page=""
        )
        self.assertEqual(desk.markdown, "My friend Gus and I went to the island")
        desk = after(
            "the boat to the island is late again", "i meant the ferry to the island", page=""
        )
        self.assertEqual(desk.markdown, "The ferry to the island is late again")

    def test_one_sentence_up(self) -> None:
        desk = after("select the second sentence", "move it up one")
        self.assertIn("Bring a chair and a hat. The gate is open", desk.markdown)

    def test_lines_of_one_paragraph(self) -> None:
        desk = after("join the last two lines", page="One,\\\ntwo,\\\nthree.")
        self.assertEqual(desk.markdown, "One,\\\ntwo, three.")
