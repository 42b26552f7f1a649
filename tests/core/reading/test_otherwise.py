"""Parts of the desk are asked for as people ask for any part; nothing else is taken for that."""

from __future__ import annotations

from tests.corpus.house_world import L, N, T, V
from tests.corpus.plainly import wordings
from tests.desk import DeskCase


class Otherwise(DeskCase):
    def test_it_does_what_the_plain_wording_does(self) -> None:
        for text, before, plain, *others in (
            (L, N, "next note", "on to the next note", "on to the next comment"),
            (L, N, "read the first note", "what does the first note say", "read out note one"),
            (L, N, "delete the second note", "the second note can go", "lose the second comment"),
            (L, N, "change note one to ask nell", "make note one ask nell"),
            (L, N, "go to note two", "take me to the second comment", "jump to note two"),
            (T, [], "delete row two", "row two is not needed", "no need for row two"),
            (T, [], "go to row two column three", "put me in row two column three"),
            (L, V, "show the versions", "what versions have i got", "let me see the versions"),
            (L, [*V, "compare with first draft"], "stop comparing", "enough comparing"),
        ):  # fmt: skip
            with self.subTest(plain):
                wanted = self.desk(text)
                wanted.hears(*before, plain)
                for said in others:
                    desk = self.desk(text)
                    desk.hears(*before, said)
                    self.assertEqual(desk.markdown, wanted.markdown, said)
                    self.assertEqual(desk.sitting.caret, wanted.sitting.caret, said)
                    self.assertEqual(desk.sitting.trail[-1].command,
                                     wanted.sitting.trail[-1].command, said)  # fmt: skip

    def test_sentences_stay_sentences(self) -> None:
        for text, said in (
            (T, "the ferry can go by noon"),
            (T, "nell can go"),
            (T, "on to the next island"),
            (L, "we do not need the ferry"),
            (L, "let me see the stair"),
            (L, "what does the board say"),
            (L, "get the ferry back"),
            (L, "another boat"),
            (L, "make the board wait"),
            (L, "the budget should be smaller"),
            (L, "enough of the tea"),
        ):
            with self.subTest(said):
                self.assertRead("text", self.desk(text).hears(said))

    def test_to_be_done_with_a_table_takes_nothing_from_it(self) -> None:
        desk = self.desk(T)
        desk.hears("go to the cell that says nell")
        before = desk.markdown
        desk.hears("i am done with the table")
        self.assertEqual(desk.markdown.rstrip(), before)


class InTables(DeskCase):
    def test_a_row_that_is_moved_stays_a_row(self) -> None:
        desk = self.desk(T)
        desk.hears("move the row with tom to the top of the table")
        self.assertIn("| Tom | 7 | 8 |", desk.markdown)
        self.assertIn("| Name | Kitchen | Boat |", desk.markdown)

    def test_two_headings_change_places_with_their_columns(self) -> None:
        desk = self.desk(T)
        desk.hears("swap kitchen and boat")
        self.assertIn("| Ida | 12 | 4 |", desk.markdown)

    def test_a_cell_is_called_by_whose_it_is(self) -> None:
        for said in ("make nell's kitchen eleven", "nell's kitchen should be eleven",
                     "set kitchen for nell to eleven"):  # fmt: skip
            desk = self.desk(T)
            desk.hears(said)
            self.assertIn("| Nell | 11 | 3 |", desk.markdown, said)

    def test_sorted_as_people_say_it(self) -> None:
        for said in ("sort by boat largest first", "biggest boat first",
                     "order it by boat in descending order"):  # fmt: skip
            desk = self.desk(T)
            desk.hears(said)
            rows = [r.split("|")[1].strip() for r in desk.markdown.split("\n")[4:7]]
            self.assertEqual(rows, ["Ida", "Tom", "Nell"], said)


class Plainly(DeskCase):
    def test_most_wordings_of_the_house_do_what_the_plain_ones_do(self) -> None:
        every = list(wordings())
        missed = [f"{said.plain}: {said.wording}" for said in every if not said.holds()]
        self.assertGreater(len(every), 380)
        self.assertLess(len(missed), 0.13 * len(every), missed)
