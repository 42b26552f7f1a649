"""Plain requests of a letter, its tables and the desk, by somebody who does not know it."""

from __future__ import annotations

from collections import Counter

from nimble_lantern.core.document.model import Block, Document
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import View
from tests.corpus.any_order import in_any_order, near_them
from tests.corpus.plainly import prepared
from tests.desk import DeskCase

RINGERS = (
    "# Bell tower\n\n| ringer | bell | years | paid |\n| --- | --- | --- | --- |\n"
    "| Ann Cole | tenor | 12 | yes |\n| Ben Hale | treble | 3 | no |\n| Kit Moss | third | 7 |"
    " yes |\n\nPlease mind the low beam."
)
OUTING = (
    "# Outing\n\nThe coach leaves at nine. Bring a packed lunch.\n\n"
    "Tickets cost twenty pounds. Children go free. Pay Olive Dunn in May.\n\n"
    "If it rains we visit the museum. The museum shuts at five."
)
EVERY = 7


def _words(document: Document) -> Counter[str]:
    return Counter(word for block in document.blocks for word in block.text.lower().split())


class Sample(DeskCase):
    """Every seventh of some two thousand wordings."""

    def test_most_are_done_and_what_is_not_takes_no_words_away(self) -> None:
        done, harmed = 0, []
        sample = list(in_any_order("asked_plainly.txt"))[::EVERY]
        for said in sample:
            if said.holds():
                done += 1
                continue
            before = prepared(said.page, said.before)
            after, meant = (
                advance(before, Heard(from_line(w))) for w in (said.wording, said.plain)
            )
            lost = _words(before.document) - _words(after.sitting.document)
            may_go = _words(before.document) - _words(meant.sitting.document)
            if lost and not may_go and _words(after.sitting.document).total() < lost.total():
                harmed.append(said.wording)
        self.assertEqual(harmed, [])
        self.assertGreater(done, 0.8 * len(sample))


class Ringers(DeskCase):
    """Rows by whole names or one of them, cells, and what is to stay."""

    def names(self) -> list[str]:
        blocks = self.driver.document.blocks
        return [b.text for b in blocks if b.cell and b.cell.column == 0 and b.cell.row]

    def test_rows_change_places_by_their_names(self) -> None:
        for said in ("put kit moss before ben hale", "kit moss goes before ben hale",
                     "move kit's row above ben hale's row"):  # fmt: skip
            with self.subTest(said):
                self.desk(RINGERS).hears(said)
                self.assertEqual(self.names(), ["Ann Cole", "Kit Moss", "Ben Hale"])

    def test_one_of_several_names_is_enough(self) -> None:
        for said in ("put kit first", "kit should come first", "kit moss to the top"):
            with self.subTest(said):
                self.desk(RINGERS).hears(said)
                self.assertEqual(self.names(), ["Kit Moss", "Ann Cole", "Ben Hale"])

    def test_a_row_moves_whole(self) -> None:
        desk = self.desk(RINGERS.replace("Kit Moss", "Kit"))
        desk.hears("move kit up to the top")
        self.assertEqual(self.names(), ["Kit", "Ann Cole", "Ben Hale"])
        self.assertTrue(desk.markdown.startswith("# Bell tower"))

    def test_another_of_them_is_a_row(self) -> None:
        self.desk(RINGERS).hears("add another ringer")
        self.assertEqual(self.names(), ["Ann Cole", "Ben Hale", "Kit Moss", ""])

    def test_columns_change_places_by_their_headings(self) -> None:
        desk = self.desk(RINGERS)
        desk.hears("put paid in front of bell")
        self.assertIn("| ringer | paid | bell |", desk.markdown)
        self.assertTrue(desk.markdown.startswith("# Bell tower"))

    def test_a_cell_is_told_what_it_says(self) -> None:
        for said in ("ben hale paid should be yes", "ben hale paid yes please",
                     "under paid for ben hale write yes"):  # fmt: skip
            with self.subTest(said):
                self.assertIn("| 3 | yes |", self.after(said))
        self.assertIn("| third | 8 |", self.after("change the seven to an eight"))

    def after(self, said: str) -> str:
        desk = self.desk(RINGERS)
        desk.hears(said)
        return desk.markdown

    def test_it_is_what_the_cell_says_that_one_went_to(self) -> None:
        desk = self.desk(RINGERS)
        desk.hears("go to the cell that says treble", "change it to bass")
        self.assertIn("| Ben Hale | bass |", desk.markdown)

    def test_what_is_to_stay_is_emptied_at_most(self) -> None:
        self.assertIn("|  |  |  |  |", self.after("clear the ben hale row but keep it"))
        said = "take everything out of the paid column but leave it there"
        self.assertIn("| paid |", self.after(said))

    def test_what_stands_under_a_heading_is_neither_everything_nor_text(self) -> None:
        for said in ("copy everything under years", "add up the years and put it at the bottom"):
            with self.subTest(said):
                desk = self.desk(RINGERS)
                desk.hears(said)
                self.assertEqual(desk.markdown.count("Bell tower"), 1)
                self.assertNotIn("Up the years", desk.markdown)

    def test_a_heading_is_no_word_of_the_letter(self) -> None:
        self.assertNotIn(
            "heading visits", self.after("heading visits instead of years").lower()[:200]
        )


class Outing(DeskCase):
    """What is put down, ended, replaced and taken out of a letter."""

    def after(self, *said: str) -> str:
        desk = self.desk(OUTING)
        desk.hears(*said)
        return desk.markdown

    def test_the_end_of_what_is_to_be_written_stays(self) -> None:
        self.assertIn("See you there", self.after("at the end write see you there"))
        made = self.after("replace the last sentence with we will see you then")
        self.assertIn("We will see you then.", made)
        made = self.after("in the second paragraph add bring cash at the end")
        self.assertIn("in May. Bring cash", made)
        self.assertNotIn("at the end", made)

    def test_courtesy_behind_a_number_is_none_of_it(self) -> None:
        self.assertIn("cost £30.", self.after("change twenty pounds to thirty pounds there"))

    def test_a_sentence_that_stands_there_is_moved_and_not_written_twice(self) -> None:
        for said in ("put children go free at the end of the second paragraph",
                     "put children go free before pay olive dunn in may"):  # fmt: skip
            self.assertEqual(self.after(said).count("hildren go free"), 1, said)
        said = "insert children go free before the last paragraph"
        self.assertEqual(self.after(said).count("hildren go free"), 2)

    def test_a_closing_mark_takes_the_place_of_another(self) -> None:
        for said in (
            "put an exclamation mark after lunch",
            "lunch should end with an exclamation mark",
            "end the first paragraph with an exclamation mark",
        ):
            self.assertIn("packed lunch!\n", self.after(said), said)

    def test_no_stop_at_the_end_is_no_text(self) -> None:
        made = self.after("no full stop at the end")
        self.assertTrue(made.rstrip().endswith("shuts at five"), made)

    def test_an_article_stays_with_the_number_behind_it(self) -> None:
        desk = self.desk("The lesson is on the fourth of May at ten. Wear soft shoes.")
        desk.hears("the fifth of may not the fourth")
        self.assertIn("on the fifth of May", desk.markdown)

    def test_many_words_are_not_replaced_by_a_few_unasked(self) -> None:
        made = self.after("turn the last two paragraphs into numbers one and two")
        self.assertIn("Tickets cost", made)

    def test_whatever_stands_before_is_not_all_that_does(self) -> None:
        self.assertIn("The coach leaves", self.after("delete whatever stands before lunch"))

    def test_another_form_of_a_word_tells_what_a_part_is_about(self) -> None:
        self.assertNotIn("museum", self.after("remove the paragraph about rain"))

    def test_a_sentence_with_two_things_in_it(self) -> None:
        page = "The hall is warm. Please bring cups, plates and a lamp. We wait."
        desk = self.desk(page)
        desk.hears("replace the sentence with cups and plates with good news")
        self.assertEqual(desk.markdown.rstrip(), page)
        desk.hears("yes")
        self.assertIn("The hall is warm. Good news. We wait.", desk.markdown)

    def test_please_in_a_letter_is_courtesy_behind_a_request(self) -> None:
        desk = self.desk("Please come. We wait.")
        desk.hears("see you on monday", "bold please")
        self.assertIn("**See you on Monday**", desk.markdown)

    def test_please_before_a_request_is_no_word_of_the_letter(self) -> None:
        page = "Please come. We wait."
        for said in ("please no capitals there", "actually no bold there"):
            desk = self.desk(page)
            desk.hears(said)
            self.assertTrue(desk.markdown.startswith("Please come. We wait."), said)
            self.assertFalse(desk.sitting.typing, said)

    def test_what_is_put_first_is_no_part_of_the_title(self) -> None:
        made = self.after("put the last sentence first")
        self.assertTrue(made.startswith("# Outing\n\nThe museum shuts at five. The coach"), made)

    def test_a_list_begins_below_what_is_written(self) -> None:
        desk = self.desk("")
        desk.hears("we need three things full stop", "start a list", "bread", "next item", "milk")
        self.assertEqual(desk.markdown.rstrip(), "We need three things.\n\n- Bread\n- Milk")
        desk.hears("undo twice", "undo twice")
        self.assertEqual(desk.markdown.rstrip(), "We need three things.")

    def test_what_is_denied_is_no_target(self) -> None:
        for said in ("not capitals after all", "not the title"):
            desk = self.desk("It is not open. We wait.")
            desk.hears(said)
            self.assertTrue(desk.markdown.startswith("It is not open. We wait."), said)

    def test_dictated_marks_are_asked_for_nothing(self) -> None:
        desk = self.desk("")
        desk.hears("dear members comma new paragraph")
        self.assertIsNone(desk.sitting.question)

    def test_words_that_deny_are_words(self) -> None:
        desk = self.desk("Lunch is not included.")
        desk.hears("a line under not included please")
        self.assertIn("not included", [s for b in desk.document.blocks for s in self.underlined(b)])

    @staticmethod
    def underlined(block: Block) -> list[str]:
        return [block.text[s.start : s.end] for s in block.spans if s.mark == "underline"]

    def test_a_copy_is_not_printed_unasked(self) -> None:
        for said in ("make a copy of it", "make a copy of this document"):
            self.assertNotIn("printing", self.desk(OUTING).hears(said).summary)

    def test_the_word_book_is_no_word(self) -> None:
        self.assertIn("Olive Dunn", self.after("olive dunn goes in the word book"))


class Desk(DeskCase):
    """Its pages and settings, in many words."""

    def test_its_pages_are_shown(self) -> None:
        for view, ways in {
            View.SETTINGS: (
                "let me see the settings",
                "settings please",
                "i want to change a setting",
            ),
            View.TRAIL: ("show me everything i said", "show what happened"),
            View.SHELF: ("what letters have i written", "take me to the shelf"),
            View.COMMANDS: ("what are the commands", "tell me what i can say"),
            View.PRINT_TRAY: ("let me see the printed page", "print preview"),
        }.items():
            for said in ways:
                with self.subTest(said):
                    desk = self.desk(OUTING)
                    desk.hears(said)
                    self.assertIs(desk.sitting.view, view)
                    self.assertEqual(desk.markdown, self.desk(OUTING).markdown)

    def test_it_is_set(self) -> None:
        for name, value, ways in (
            ("paper", "dark", ("dark mode please", "make the page dark", "the page is too bright")),
            ("contrast", "high", ("turn the contrast up", "i need more contrast")),
            ("patience", "long", ("wait longer before you write", "don't cut me off")),
            ("auto_punctuation", True, ("put the full stops in yourself", "start punctuating")),
            ("numbers", "digits", ("write all the numbers in figures", "i want digits")),
        ):
            for said in ways:
                with self.subTest(said):
                    desk = self.desk(OUTING)
                    desk.hears("automatic punctuation off", said)
                    self.assertEqual(getattr(desk.sitting.settings, name), value)

    def test_what_is_like_it_but_ends_hearing_is_only_offered(self) -> None:
        entry = self.desk(OUTING).hears("someone has come in so please stop taking words down")
        self.assertEqual(entry.read_as, "text")

    def test_sentences_near_it_are_written_and_seldom_offered_anything(self) -> None:
        lines = list(near_them("near_the_pages.txt"))
        offered = 0
        for page, line in lines:
            with self.subTest(line):
                desk = self.desk(page)
                self.assertEqual(str(desk.hears(line).read_as), "text")
                offered += desk.sitting.question is not None
        self.assertLess(offered, len(lines) / 3)
