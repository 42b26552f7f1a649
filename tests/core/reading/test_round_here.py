"""What is read near the writing place of a long document: long tables stay tables."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.document.model import Position
from nimble_lantern.core.document.tables import tables
from nimble_lantern.core.reading.nearest import round_here
from tests.desk import DeskCase

ROWS = 200
TABLE = "| boat | crew | leaves |\n| --- | --- | --- |\n" + "".join(
    f"| wren {n} | {n} | nine |\n" for n in range(1, ROWS + 1)
)


class RoundHere(DeskCase):
    def test_a_long_table_is_cut_to_whole_rows_under_its_headings(self) -> None:
        sitting = self.desk(f"Before.\n\n{TABLE}\nBehind.").sitting
        blocks = sitting.document.blocks
        for b in range(0, len(blocks), 7):
            near = round_here(replace(sitting, caret=Position(b, 0)))
            there = near.document.blocks
            self.assertLess(len(there), len(blocks) / 3)
            self.assertEqual(there[near.caret.block].text, blocks[b].text)
            for table in tables(there):
                self.assertEqual(there[table.first].text, "boat")
                for row in range(table.rows):
                    for column in range(table.columns):
                        cell = there[table.cell(row, column)].cell
                        assert cell is not None
                        self.assertEqual((cell.row, cell.column), (row, column))

    def test_a_sentence_said_in_a_long_table_is_written(self) -> None:
        desk = self.desk(TABLE)
        for row in (2, 101, ROWS):
            desk.hears(f"go to row {row} column three")
            for said in ("the crew has seven", "boat fifty leaves at ten"):
                self.assertRead("text", desk.hears(said))

    def test_a_cell_of_a_long_table_is_offered(self) -> None:
        desk = self.desk(f"{TABLE}\nBehind.")
        desk.hears("wren two hundred leaves at ten")
        assert desk.sitting.question is not None
        desk.hears("number one")
        self.assertIn("| wren 200 | 200 | 10 |", desk.markdown)
