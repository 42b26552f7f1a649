"""Parts told in other words, bits of a sentence, “the last one”, marks and words put right in a
word or two, rows filled at once; and sentences that sound like it."""

from __future__ import annotations

from nimble_lantern.core.document.clauses import clause_with, with_link
from nimble_lantern.core.document.model import Position, Range
from nimble_lantern.formats import from_markdown
from tests.core.test_at_work import AtWork

JOBS = "# Jobs\n\n- sweep the yard\n- mend the gate\n- feed the hens"
HALL = (
    "# Hall\n\nWe meet on Monday because the hall is shut. Rosa brings the keys, and Amir brings"
    " the lamps. The lamp – it is a big one – stays lit. Nobody minds.\n\nPlease sign the red"
    " book. The red book is for guests."
)
ROTA = (
    "# Rota\n\n| Day | Job | Who |\n| --- | --- | --- |\n| Monday | sweep the stair | Nell |\n"
    "| Tuesday | clean the lamp | Tom |\n| Wednesday |  | Ida |\n\nTell me by Sunday."
)
MINUTES = (
    "# Minutes\n\n## Money\n\nIda has £10. Ida pays on Monday.\n\n## Stairs\n\nIda paints the rail."
)


class Bits(AtWork):
    def test_a_bit_of_a_sentence_is_its_clause_and_its_link_goes_with_it(self) -> None:
        for said, left in (
            ("take out the bit about the lamps", "brings the keys. The lamp"),
            ("take out the bit about the keys", "shut. Amir brings the lamps."),
            ("delete the part where the hall is shut", "We meet on Monday. Rosa"),
            ("lose the bit about a big one", "The lamp stays lit."),
            ("cut the bit about the lamps", "brings the keys. The lamp"),
            ("cut the bit about the keys", "shut. Amir brings the lamps."),
            ("move the bit about the lamps to the end", "brings the keys. The lamp"),
            ("move the bit about the keys to the end", "shut. Amir brings the lamps."),
        ):
            self.has(HALL, said, left)

    def test_a_clause_that_others_hang_on_takes_them_along(self) -> None:
        self.has(HALL, "take out the bit about monday", "# Hall\n\nRosa brings")

    def test_no_paragraph_begins_in_the_middle_of_a_sentence(self) -> None:
        said = "the bit about the lamps can go in a separate paragraph"
        self.has(HALL, said, "is shut.\n\nRosa brings the keys, and Amir")

    def test_what_is_done_to_it_leaves_its_link(self) -> None:
        self.has(HALL, "bold the bit about the lamps", "keys, and **Amir brings the lamps**.")
        self.has(HALL, "replace the bit about the lamps with it is dark", "keys, and it is dark.")

    def test_clauses_of_sentences(self) -> None:
        text = "It is old and the rent is high; we pay it. Bread and milk."
        document = from_markdown(text)

        def found(word: str, sentence: tuple[int, int]) -> str | None:
            at = text.index(word)
            inner = Range(Position(0, at), Position(0, at + len(word)))
            whole = Range(*(Position(0, n) for n in sentence))
            clause = clause_with(document, whole, [inner])
            return None if clause is None else document.text(with_link(document, clause))

        end = text.index(".") + 1
        self.assertEqual(found("rent", (0, end)), " and the rent is high")
        self.assertEqual(found("pay", (0, end)), "; we pay it")
        self.assertEqual(found("old", (0, end)), "It is old and ")
        self.assertIsNone(found("milk", (end + 1, len(text))))

    def test_described_in_other_words(self) -> None:
        for said in (
            "delete the sentence about amir bringing a lamp",
            "delete the sentence about rosa having the keys",
        ):
            self.has(HALL, said, "is shut. The lamp")
        self.has(MINUTES, "bold the sentence about painting", "**Ida paints the rail.**")
        self.stays(HALL, "delete the sentence about the moon being full")


class Places(AtWork):
    def test_a_section_by_its_name_holds_other_targets(self) -> None:
        self.has(MINUTES, "delete the first sentence of the money section", "\n\nIda pays on")
        self.has(MINUTES, "change ida to nell in the stairs section", "Nell paints", "Ida has")
        self.has(MINUTES, "bold ida in the stairs section", "**Ida** paints", "Ida has")

    def test_one_that_is_not_there_is_no_text(self) -> None:
        self.refused(MINUTES, "change rail to lamp in the boat section", "number the headings")

    def test_words_added_to_a_part(self) -> None:
        self.has(MINUTES, "add for june to the heading", "## Stairs for June")
        self.has(JOBS, "put for saturday in the heading", "# Jobs for Saturday")
        self.has(HALL, "add at noon to the first sentence", "is shut at noon. Rosa")
        self.has(HALL, "after the first sentence add that we are cold", "shut. We are cold. Rosa")
        self.has(HALL, "put today's date in the heading", "# Hall 14 June 2026")
        self.refused(HALL, "put more detail in the first paragraph")

    def test_capitals_and_marks_are_right_when_words_go(self) -> None:
        self.has(HALL, "delete please", "\n\nSign the red book.")
        self.has("Bring hats, coats, and tea.", "delete coats", "Bring hats, and tea.")
        self.has("However, we may stop.", "delete however", "We may stop.")
        self.has("Bring tea, and jam.", "delete and jam", "Bring tea.")
        self.has(HALL, "delete please / undo that", "\n\nPlease sign")

    def test_each_of_several_is_one(self) -> None:
        self.has(HALL, "change both red books to green books", "green book. The green book")

    def test_my_name_is_below_the_closing(self) -> None:
        self.has("Dear Sid,\n\nYours\n\nBeth", "bold my name", "**Beth**")
        self.stays(HALL, "my name is on the list")


class Ones(AtWork):
    def test_of_the_list_here(self) -> None:
        for said, lines in (
            ("delete the second one", "yard\n- feed"),
            ("move the last one up", "yard\n- feed the hens\n- mend"),
            ("bold the last one", "- **feed the hens**"),
            ("put the second one first", "- mend the gate\n- sweep"),
            ("change the last one to feed the ducks", "- feed the ducks"),
        ):
            self.has(JOBS, said, lines)

    def test_of_what_was_named_last(self) -> None:
        self.has(HALL, "bold the first sentence / italicise the last one", "*The red book is for")
        self.has(HALL, "bold the first paragraph / centre the second one", "Please sign")

    def test_where_nothing_was_named_it_is_text(self) -> None:
        self.stays(HALL, "delete the last one")

    def test_items_beside_items(self) -> None:
        self.has(
            JOBS, "after sweep the yard add water the beans", "yard\n- water the beans\n- mend"
        )
        self.has(JOBS, "add slowly after sweep the yard", "- sweep the yard slowly")
        said = "insert an item before mend the gate saying find the hammer"
        self.has(JOBS, said, "yard\n- find the hammer\n- mend")

    def test_all_of_the_list_is_meant_in_it(self) -> None:
        for said in ("number them", "make it a numbered list", "turn it into a numbered list"):
            self.has(JOBS, said, "1. sweep the yard\n2. mend the gate\n3. feed the hens")

    def test_a_list_begins_behind_a_colon(self) -> None:
        self.has("", "we need colon / bullet list / oil", "We need:\n\n- Oil")


class PutRight(AtWork):
    def test_spelled_while_it_is_corrected(self) -> None:
        for said in ("spell s i a n", "s i a n", "it's spelled s i a n", "spelled s i a n"):
            self.has("", f"my sister sean is here full stop / correct sean / {said}", "sister Sian")

    def test_spelled_or_hinted_at_right_after(self) -> None:
        for said in ("hay with an a", "no hay as in grass", "hey spelled h a y"):
            self.has("", f"the barn is full of hey full stop / {said}", "full of hay.")
        self.has("", "sean is coming full stop / that's spelled s i a n", "Sian is coming.")
        self.stays(HALL, "we live in a house with a garden", "the sea with a boat")

    def test_words_told_by_their_place(self) -> None:
        jam = "bring two jars of jam too full stop"
        for said, page in (
            ("the last word should be also", "jam also."),
            ("the first two should be the word to", "Bring to jars"),
            ("the word after two should be pots", "two pots of"),
            ("the first word of the last sentence should be fetch", "Fetch two"),
        ):
            self.has("", f"{jam} / {said}", page)
        self.stays("Bring jam.", "the last word should be longer")

    def test_always(self) -> None:
        said = "margit is here full stop / always write it margaret / margit came full stop"
        self.has("", said, "Margaret is here. Margaret came.")
        self.stays(HALL, "my doctor said always write it down")

    def test_another_mark(self) -> None:
        for said, page in (
            ("full stop not exclamation mark", "They left."),
            ("make that a full stop", "They left."),
            ("not an exclamation mark a full stop", "They left."),
            ("i meant a question mark", "They left?"),
            ("no exclamation mark", "They left"),
        ):
            self.has("", f"they left exclamation mark / {said}", page)
        self.refused("They left.", "full stop not comma")
        said = "put a colon after the keys instead of the comma"
        self.has(HALL, said, "brings the keys: and")

    def test_of_what_is_selected(self) -> None:
        self.has(MINUTES, "select the second heading / make it read cash", "## Cash\n\nIda has")

    def test_no_it_should_not(self) -> None:
        self.has(
            "", "the doors stick / doors should have a capital d / no it shouldn't", "The doors"
        )

    def test_leave_it_deleted(self) -> None:
        said = "delete the last sentence / undo that / no leave it deleted"
        self.has(HALL, said, "Please sign the red book.")

    def test_a_question_holds_one_utterance_and_no_more(self) -> None:
        desk = self.desk(HALL)
        desk.hears("bold red", "blue sky")
        self.assertNotIn("lue sky", desk.markdown)
        desk.hears("blue sky")
        self.assertIn("lue sky", desk.markdown)


class AtOnce(AtWork):
    def test_the_empty_row_here(self) -> None:
        row = "| Thursday | order paraffin | Sid |"
        for said in ("fill it with thursday order paraffin sid", "thursday order paraffin sid"):
            self.has(ROTA, f"go to monday / add a row at the bottom / {said}", row)
        said = "go to monday / add a row at the bottom / on monday we sail to york"
        self.has(ROTA, said, "| On Monday we sail to York |")
        desk = self.desk(ROTA)
        desk.hears("go to monday", "fill this row with friday oil sid")
        self.assertEqual(desk.markdown, ROTA)

    def test_columns(self) -> None:
        self.has(ROTA, "fill the job column with rest", "| Wednesday | rest | Ida |", "sweep the")
        said = "put yes in every cell of the who column"
        self.has(ROTA, said, "stair | Yes |", "lamp | Yes |", "| Day | Job | Who |")
        self.has(ROTA, "clear the who column", "| Day | Job | Who |", "| sweep the stair |  |")

    def test_a_cell_by_row_and_column(self) -> None:
        for said in (
            "put paint the rail in wednesday's job",
            "paint the rail goes in the job column on wednesday",
            "go to wednesday's job / wednesday's job is paint the rail",
        ):
            self.has(ROTA, said, "| Wednesday | paint the rail | Ida |")
        self.stays(ROTA, "put the soap in wednesday's job", "wednesday's job is hard")

    def test_the_cell_below(self) -> None:
        said = "go to monday's who / the next cell down is sid"
        self.has(ROTA, said, "| Tuesday | clean the lamp | Sid |", "| Wednesday |  | Ida |")

    def test_the_table_becomes_a_list(self) -> None:
        self.has(ROTA, "turn the table into a list", "- Monday, sweep the stair, Nell")


class Rows(AtWork):
    BOOK = "# Book\n\n| Item | In | Out |\n|---|---|---|\n|  |  |  |\n\nMore."

    def test_numbers_stay_whole(self) -> None:
        said = "go to item / first row hall hire nothing and forty five"
        self.has(self.BOOK, said, "| Hall hire | Nothing | 45 |")

    def test_a_day_of_the_month_is_no_hour(self) -> None:
        said = "we meet on the fourteenth of january at half past seven full stop"
        self.has(
            "", f"{said} / change that to the twenty first", "on 21 January at half past seven"
        )

    def test_below_a_title_that_was_made(self) -> None:
        said = "the lemon cake / make that a title / you need colon / bullet points / eggs"
        self.has("", said, "# The lemon cake\n\nYou need:\n\n- Eggs")


class Asked(AtWork):
    def test_what_is_no_text(self) -> None:
        self.refused(
            HALL, "where was i", "are you listening", "any spelling mistakes", "send it off",
            "that's all for today thank you", "how many pages is it", "is it all on one page",
            "what have i said in the first paragraph", "put a table of contents at the top",
        )  # fmt: skip

    def test_what_is(self) -> None:
        self.stays(HALL, "that is it for today", "i am finished with the boat", "how many pages")

    def test_a_copy(self) -> None:
        desk = self.desk(HALL)
        self.assertRead("command", desk.hears("save a copy called first go"), "shelf.copy_document")

    def test_versions(self) -> None:
        said = "name this version as signed / delete the last sentence / put everything back as it"
        self.has(HALL, f"{said} was in signed", "is for guests.")


class GoingBack(AtWork):
    def test_from_any_page_nothing_moves_behind_it(self) -> None:
        for said in ("go back", "close", "done", "get me out of here", "exit"):
            desk = self.desk(HALL)
            caret = desk.sitting.caret
            desk.hears("show the print preview", said)
            self.assertEqual((str(desk.sitting.view), desk.sitting.caret), ("desk", caret), said)

    def test_to_the_words_that_were_there(self) -> None:
        said = "change minds to cares / no that's too strong go back to minds"
        self.has(HALL, said, "Nobody minds.")

    def test_a_word_like_the_last(self) -> None:
        self.has("", "gaz / no gary", "Gary")
        self.has("", "we need tea / no coffee", "tea no coffee")


class Hesitating(AtWork):
    def test_sounds_of_thinking_are_not_written(self) -> None:
        self.has("", "er it um stopped working", "It stopped working")
        self.has("", "he said er and left", "He said er and left")


class OfALetter(AtWork):
    LETTER = "Dear Mrs Vane,\n\nThe cat is well.\n\nWith love,\n\nHarriet"

    def test_its_parts(self) -> None:
        self.has(self.LETTER, "change the greeting to dear friends", "Dear Friends,\n\nThe cat")
        self.has(self.LETTER, "bold my name", "**Harriet**")
        self.has(self.LETTER, "underline the closing", "<u>With love,</u>")
        self.has("Thanks.\n\nYours\\\nBeth", "bold the signature", "Yours\\\n**Beth**")
        self.stays("# Notes\n\nNo letter.", "bold the greeting")


class Lines(AtWork):
    def test_what_an_item_or_a_heading_says(self) -> None:
        self.has(JOBS, "make item two firewood", "- firewood\n")
        self.has(JOBS, "make the heading jobs for june", "# Jobs for June")
        self.has(JOBS, "make item two bold", "- **mend the gate**")
        self.has(JOBS, "make the last one feed the ducks", "- feed the ducks")
        self.has(JOBS, "make the gate one bold", "- **mend the gate**")
        self.has(JOBS, "make the heading bigger and green", "Jobs")
        self.has(JOBS, "make the second item longer", "- mend the gate\n")

    def test_numbers_of_a_list(self) -> None:
        self.has(JOBS, "delete number two", "yard\n- feed")
        self.stays(HALL, "number two is red")

    def test_it_within_a_request(self) -> None:
        said = "move the last sentence of the first paragraph to the front of it"
        self.has(HALL, said, "# Hall\n\nNobody minds. We meet")

    def test_a_mark_by_its_place(self) -> None:
        said = "turn the last full stop of the first paragraph into a question mark"
        self.has(HALL, said, "Nobody minds?")

    def test_the_next_one_too(self) -> None:
        desk = self.desk(HALL)
        desk.hears("select the first paragraph", "and the next one too", "bold that")
        self.assertIn("**Please sign the red book.", desk.markdown)

    def test_bold_is_taken_off_where_it_is(self) -> None:
        said = "bold rosa / italicise amir / remove the bold"
        self.has(HALL, said, "Rosa brings", "*Amir*")
