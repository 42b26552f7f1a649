"""A request that gives its reason, or goes on from a thing that it named."""

from __future__ import annotations

from nimble_lantern.core.reading.addressing import reasoned
from nimble_lantern.core.reading.in_parts import in_parts
from nimble_lantern.core.reading.told_before import told_before
from tests.corpus.any_order import in_any_order, near_them
from tests.desk import DeskCase, said

OIL = (
    "# Oil for the lamp\n\n| Month | Tins | Paid |\n| --- | --- | --- |\n| January | 4 | 36 |\n"
    "| February | 6 | 54 |\n| March | 2 | 18 |\n\nAsk the board about April."
)
LETTER = (
    "# To the office\n\nDear Osric,\n\nThe new bell came on Friday. It is too loud.\n\n"
    "We could hang it by the old slipway. Nobody sleeps there.\n\nYours,\n\nIda Marlowe"
)


class OfTheHouse(DeskCase):
    def test_it_does_what_the_plain_wording_does(self) -> None:
        wordings = list(in_any_order("of_the_house.txt"))
        self.assertGreater(len(wordings), 550)
        for wording in wordings[::2]:
            with self.subTest(wording.wording, plain=wording.plain):
                self.assertTrue(wording.holds())

    def test_what_comes_near_is_written(self) -> None:
        before = (
            "note on the new bell colon which one", "keep the last two paragraphs as ending",
            "call this version evening", "go to the end of the document",
        )  # fmt: skip
        kept = ""
        for page, line in near_them("near_the_tables.txt"):
            desk = self.desk(page)
            for first in before if "bell" in page else before[-1:]:
                desk.hears(first)
            kept = desk.markdown.rstrip()
            with self.subTest(line):
                self.assertEqual(desk.hears(line).read_as, "text")
                self.assertEqual(desk.markdown[: len(kept)], kept)


class ToldBefore(DeskCase):
    def test_it_is_the_thing_that_was_named(self) -> None:
        desk = self.desk(OIL)
        desk.hears("nobody needs to know what was paid so take that column away")
        self.assertNotIn("Paid", desk.markdown)
        desk.hears("undo that")
        desk.hears("the january and february rows are the wrong way round swap them")
        self.assertLess(desk.markdown.index("February"), desk.markdown.index("January"))

    def test_a_wrong_column_is_never_taken(self) -> None:
        for line in (
            "nobody needs to know the names so take that column away",
            "we don't buy oil or rope any more so remove both rows",
            "january was cold so take that into account",
            "the last two paragraphs were long so we cut them",
        ):
            desk = self.desk(OIL)
            desk.hears(line)
            self.assertIn("| March | 2 | 18 |", desk.markdown.replace("  ", " "), line)
            self.assertIn("Paid", desk.markdown, line)

    def test_a_part_that_was_named_as_well_leaves_it_open(self) -> None:
        desk = self.desk(LETTER)
        desk.hears("call this version first draft")
        desk.hears("replace loud with quiet")
        desk.hears("i liked the first sentence better in first draft can i have that back")
        self.assertIn("quiet", desk.markdown)

    def test_a_table_that_is_to_be_made_is_none_that_stands_there(self) -> None:
        sitting = self.desk(OIL).sitting
        line = "can you start a table for me with two columns and five rows in it"
        self.assertEqual(list(told_before(sitting, said(line))), [])

    def test_a_reason_before_or_behind(self) -> None:
        words = [p.words for p in reasoned(said("i forgot one so i need another row"))]
        self.assertIn(said("i need another row"), words)
        words = [p.words for p in reasoned(said("mark row two so people notice"))]
        self.assertIn(said("mark row two"), words)
        self.assertEqual(reasoned(said("we did so much that it broke")), ())
        words = [p.words for p in reasoned(said("it was old so we took it out"))]
        self.assertNotIn(said("we took it out"), words)

    def test_two_that_are_named_with_one_noun(self) -> None:
        found = [p.words for p in in_parts(said("delete rows two and three"))]
        self.assertIn(said("delete row two and row three"), found)
        found = [p.words for p in in_parts(said("swap the january and february rows"))]
        self.assertIn(said("swap the january row and the february row"), found)
        desk = self.desk(OIL)
        desk.hears("delete rows two and four")
        self.assertNotIn("January", desk.markdown)
        self.assertNotIn("March", desk.markdown)
        self.assertEqual(desk.markdown.count("\n|"), 3)

    def test_headings_are_columns_where_no_cell_alone_is_meant(self) -> None:
        desk = self.desk(OIL)
        desk.hears("swap tins and paid")
        self.assertIn("| Month | Paid | Tins |", " ".join(desk.markdown.split("\n")[2].split()))
        desk.hears("call the paid column cost")
        self.assertIn("Cost", desk.markdown)
        desk.hears("january should be five tins")
        self.assertIn("| January | 36 | 5 |", " ".join(desk.markdown.split("\n")[4].split()))

    def test_no_name_gives_way_to_a_number_of_its_row(self) -> None:
        for line in ("january should be five tins", "change january to five tins"):
            desk = self.desk(OIL)
            desk.hears(line)
            self.assertIn("January", desk.markdown, line)

    def test_what_is_asked_in_words_not_known_is_offered(self) -> None:
        desk = self.desk(OIL)
        entry = desk.hears("wedge a row in above the february row")
        self.assertEqual(entry.read_as, "text")
        desk.hears("one")
        rows = desk.markdown.split("\n")
        self.assertIn("January", rows[4])
        self.assertEqual(set(rows[5]), set("| "))

    def test_a_note_is_called_by_where_it_stands(self) -> None:
        desk = self.desk(LETTER)
        desk.hears("note on the new bell colon which one")
        desk.hears("note on slipway colon north or south")
        self.assertIn("North or south", desk.hears("read me the note on the slipway").summary)
        self.assertIn("settled", desk.hears("the bell note is done").summary)
        self.assertIn("settled", desk.hears("settle all notes").summary)
        self.assertIn("two notes", desk.hears("reopen all notes").summary)
        self.assertIn("North", desk.hears("take the note off slipway").summary)
        desk.hears("note on the last paragraph colon who is that")
        self.assertIn("Who is", desk.hears("what does the note on the last paragraph say").summary)
        self.assertIn("settled", desk.hears("the note on the last paragraph is done").summary)

    def test_no_is_never_left_out_before_a_thing(self) -> None:
        desk = self.desk(LETTER)
        desk.hears("keep the last two paragraphs as ending")
        before = desk.markdown
        desk.hears("no passage ending")
        self.assertEqual(desk.markdown.count("Ida Marlowe"), before.count("Ida Marlowe"))
