"""Tables: no ordinary command or word breaks one, and cells are targets as anything else."""

from __future__ import annotations

import unittest

from hypothesis import given, settings
from hypothesis import strategies as st

from nimble_lantern.core.document.edits import delete
from nimble_lantern.core.document.tables import kept_whole, tables
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.formats import from_markdown, to_markdown, to_text
from tests.core.strategies import documents, ranges
from tests.desk import DeskCase

ROTA = (
    "Before.\n\n| day | who | what |\n| --- | --- | --- |\n| monday | ida | tea |\n"
    "| tuesday | nell | oil |\n\nAfter it."
)


def rows(markdown: str) -> list[str]:
    return [line for line in markdown.split("\n") if line.startswith("|")]


class Whole(DeskCase):
    def test_what_is_deleted_across_cells_empties_them(self) -> None:
        desk = self.desk(ROTA)
        desk.hears("delete from ida to tuesday")
        self.assertEqual(rows(desk.markdown)[2:], ["| monday |  |  |", "|  | nell | oil |"])
        desk.hears("undo that")
        self.assertEqual(desk.markdown, ROTA)

    def test_a_table_is_deleted_with_all_its_cells_and_with_everything(self) -> None:
        desk = self.desk(ROTA)
        desk.hears("delete the table")
        self.assertEqual(desk.markdown, "Before.\n\nAfter it.")
        desk.hears("undo that", "delete everything")
        self.assertEqual(desk.markdown, "")
        desk.hears("undo that")
        self.assertEqual(desk.markdown, ROTA)

    def test_a_new_line_or_paragraph_in_a_cell_is_a_line_break(self) -> None:
        desk = self.desk(ROTA)
        desk.hears("go after ida", "new line", "and tobias", "new paragraph", "too")
        self.assertIn("| monday | ida<br>And Tobias<br>Too | tea |", desk.markdown)
        desk.hears("backspace one hundred")
        self.assertIn("| monday |  | tea |", desk.markdown)

    def test_what_would_break_a_table_is_refused_or_goes_round_it(self) -> None:
        for line in ("make monday a heading", "join the last two cells", "make row two a list",
                     "move row two up", "split the paragraph before ida"):  # fmt: skip
            desk = self.desk(ROTA)
            desk.hears(line)
            [table] = tables(desk.document.blocks)
            self.assertEqual((table.rows, table.columns), (3, 3), line)

    def test_cells_that_are_pasted_elsewhere_are_text_and_a_table_another_one(self) -> None:
        desk = self.desk(ROTA)
        desk.hears("copy row two", "go to the end", "paste")
        self.assertEqual(len(tables(desk.document.blocks)), 1)
        desk.hears("undo that", "copy the table", "go to the end", "new paragraph", "paste")
        self.assertEqual(len(tables(desk.document.blocks)), 2)
        numbers = {b.cell.table for b in desk.document.blocks if b.cell}
        self.assertEqual(len(numbers), 2)


class Targets(DeskCase):
    def marked_by(self, target: str, *before: str) -> list[str]:
        desk = self.desk(ROTA)
        desk.hears(*before, f"bold {target}")
        return desk.marked("bold")

    def test_rows_columns_and_cells_are_targets(self) -> None:
        for target, words in (
            ("row two", ["monday", "ida", "tea"]),
            ("the last row", ["tuesday", "nell", "oil"]),
            ("the third column", ["what", "tea", "oil"]),
            ("column one", ["day", "monday", "tuesday"]),
            ("row three column two", ["nell"]),
            ("the cell in row two and column three", ["tea"]),
            ("the cell that says nell", ["nell"]),
            ("the first cell of row three", ["tuesday"]),
            ("the first two rows", ["day", "who", "what", "monday", "ida", "tea"]),
            ("the table", ["day", "who", "what", "monday", "ida", "tea", "tuesday", "nell", "oil"]),
        ):
            self.assertEqual(self.marked_by(target), words, target)

    def test_from_where_the_caret_is(self) -> None:
        self.assertEqual(self.marked_by("the next row", "go to ida"), ["tuesday", "nell", "oil"])
        self.assertEqual(self.marked_by("this column", "go to ida"), ["who", "ida", "nell"])
        self.assertEqual(self.marked_by("the next cell", "go to ida"), ["tea"])
        self.assertEqual(self.marked_by("the previous column", "go to ida"),
                         ["day", "monday", "tuesday"])  # fmt: skip

    def test_a_row_that_is_not_there_is_told(self) -> None:
        desk = self.desk(ROTA)
        self.assertIn("no ninth row", desk.hears("bold row nine").summary)
        self.assertIn(
            "three rows and three columns", desk.hears("bold row one column nine").summary
        )

    def test_where_there_is_no_table_its_words_are_text(self) -> None:
        desk = self.desk("The tide.")
        for line in ("delete the table", "move the table", "clear the last row"):
            self.assertRead("text", desk.hears(line))


class Swapped(unittest.TestCase):
    def test_rows_and_columns_change_places_cell_by_cell(self) -> None:
        table = "| a | b |\n| --- | --- |\n| c | **d** |\n| e | f |"
        for said, expected in (
            ("swap the last two rows", "| a | b |\n| --- | --- |\n| e | f |\n| c | **d** |"),
            ("swap the first row and the last row",
             "| e | f |\n| --- | --- |\n| c | **d** |\n| a | b |"),
            ("swap the first two columns", "| b | a |\n| --- | --- |\n| **d** | c |\n| f | e |"),
            ("turn everything into one paragraph", table),
        ):  # fmt: skip
            document = from_markdown(f"Top.\n\n{table}\n\nEnd.")
            sitting = Sitting(document=document, caret=document.end, wrote=document.end)
            after = advance(sitting, Heard(from_line(said))).sitting
            self.assertEqual(
                to_markdown(after.document).strip(), f"Top.\n\n{expected}\n\nEnd.", said
            )
            back = advance(after, Heard(from_line("undo that"))).sitting
            self.assertEqual(back.document, document)


class Lines(DeskCase):
    def test_what_stands_side_by_side_is_one_line(self) -> None:
        desk = self.desk(ROTA)
        self.assertEqual(desk.sitting.layout.count, 5)
        desk.hears("bold line three")
        self.assertEqual(desk.marked("bold"), ["monday", "ida", "tea"])
        desk.hears("go to ida", "go down one line", "x")
        self.assertIn("x", desk.document.blocks[8].text.lower())


class Formats(unittest.TestCase):
    def test_cells_keep_their_marks_alignment_and_signs(self) -> None:
        text = (
            "| **day** | who |\n| --- | :---: |\n| a\\|b | *ida* and [nell](http://x.org) |\n"
            "| one<br>two |  |"
        )
        document = from_markdown(text)
        self.assertEqual(from_markdown(to_markdown(document)), document)
        self.assertEqual(document.blocks[2].text, "a|b")
        self.assertEqual(document.blocks[3].align, "centre")
        self.assertEqual(document.blocks[4].text, "one\ntwo")
        self.assertTrue(document.blocks[0].cell and document.blocks[0].cell.header)
        self.assertEqual(to_text(document).split("\n")[1], "a|b\tida and nell")


class Laws(unittest.TestCase):
    @settings(max_examples=800, deadline=None)
    @given(st.data())
    def test_deleting_any_range_keeps_every_table_whole(self, data: st.DataObject) -> None:
        document = data.draw(documents)
        r = data.draw(ranges(document))
        edit = delete(document, r)
        after = edit.apply(document)
        self.assertTrue(kept_whole(document, after))
        self.assertEqual(edit.inverse(document).apply(after), document)
        gone = sum(len(p.text) for p, _ in document.pieces(r))
        left = sum(len(b.text) for b in after.blocks)
        self.assertEqual(left + gone, sum(len(b.text) for b in document.blocks))
