"""Tables by voice: made, filled, and changed by rows and columns."""

from __future__ import annotations

from nimble_lantern.core.composing.tabling import sort_key, total_text
from nimble_lantern.core.document.tables import tables
from tests.desk import DeskCase, Driver

CREW = (
    "Before.\n\n| Name | Kitchen | Boat |\n| --- | --- | --- |\n| Ida | 4 | 12 |\n"
    "| Nell | 10 | 3 |\n| Tom | 7 | 8 |\n\nAfter it."
)


def column(desk: Driver, number: int) -> list[str]:
    blocks = desk.document.blocks
    return [b.text for b in blocks if b.cell and b.cell.column == number]


class ColumnsByName(DeskCase):
    """Columns by what stands in them, and beside others."""

    def assertColumns(self, line: str, *heads: str) -> None:
        with self.subTest(line):
            desk = self.desk(CREW)
            desk.hears(line)
            self.assertEqual([b.text for b in desk.document.blocks if b.cell and not b.cell.row],
                             list(heads))  # fmt: skip

    def test_a_column_by_its_heading_by_what_is_in_it_and_beside_another(self) -> None:
        self.assertColumns("lose the column about the kitchen", "Name", "Boat")
        self.assertColumns("delete the column with twelve in it", "Name", "Kitchen")
        self.assertColumns("delete the column after kitchen", "Name", "Kitchen")
        self.assertColumns("delete the column before kitchen", "Kitchen", "Boat")
        self.assertColumns("move the column about boat to the start", "Boat", "Name", "Kitchen")

    def test_a_word_of_the_headings_names_its_column_and_not_the_row_of_headings(self) -> None:
        self.assertColumns("drop kitchen from the table", "Name", "Boat")
        self.assertColumns("take nell out of the table", "Name", "Kitchen", "Boat")

    def test_a_column_by_its_bare_name_and_beside_another(self) -> None:
        self.assertColumns("remove the column boat", "Name", "Kitchen")
        self.assertColumns("put the boat column before the kitchen column",
                           "Name", "Boat", "Kitchen")  # fmt: skip
        for line in (
            "move boat to the left of kitchen",
            "put boat before kitchen",
            "move boat before kitchen",
            "put boat before kitchen in the table",
        ):
            self.assertColumns(line, "Name", "Boat", "Kitchen")
        for line in ("new column phone", "put a phone column in", "add phone as a column",
                     "i need a column for phone"):  # fmt: skip
            self.assertColumns(line, "Name", "Kitchen", "Boat", "Phone")

    def test_rows_are_told_where_they_go(self) -> None:
        for line in ("tom should be the first row", "put tom at the top of the table",
                     "bring the tom row up to the top"):  # fmt: skip
            with self.subTest(line):
                desk = self.desk(CREW)
                desk.hears(line)
                self.assertEqual(column(desk, 0), ["Name", "Tom", "Ida", "Nell"])

    def test_a_figure_in_a_cell_stays_a_figure(self) -> None:
        for line in ("change tom's boat to nine", "tom's boat is nine", "put nine in tom's boat"):
            with self.subTest(line):
                desk = self.desk(CREW)
                desk.hears(line)
                self.assertEqual(column(desk, 2), ["Boat", "12", "3", "9"])

    def test_columns_are_told_where_they_go(self) -> None:
        self.assertColumns("the boat column should come before the kitchen column",
                           "Name", "Boat", "Kitchen")  # fmt: skip
        self.assertColumns("the kitchen column ought to be first", "Kitchen", "Name", "Boat")

    def test_a_cell_by_row_and_column_in_either_order(self) -> None:
        for line in ("second row third cell", "column three of row two",
                     "let me fill in the third cell of the second row"):  # fmt: skip
            with self.subTest(line):
                desk = self.desk(CREW)
                desk.hears(line)
                cell = desk.document.blocks[desk.sitting.caret.block].cell
                assert cell is not None
                self.assertEqual((cell.row, cell.column), (1, 2))

    def test_a_cell_by_the_number_of_its_row(self) -> None:
        page = "| Boat | Oars |\n| --- | --- |\n| Gull | 4 |\n| Tern | 2 |"
        wanted = Driver(page)
        wanted.hears("set row three column two to six")
        self.assertBecomes(
            wanted.markdown, page,
            "put six in the oars of row three", "change the oars of the third row to six",
            "change the oars of the last row to six", "put six in the oars of tern",
        )  # fmt: skip

    def test_cells_and_rows_beside_others(self) -> None:
        for line, bold in (
            ("bold the cell below ida", ["Nell"]),
            ("bold the cell above seven", ["10"]),
            ("bold the cell to the left of twelve", ["4"]),
            ("bold the cell next to nell", ["10"]),
            ("bold the middle row", ["Nell", "10", "3"]),
            ("bold the row under ida", ["Nell", "10", "3"]),
            ("bold the kitchen of nell", ["10"]),
            ("bold the boat in nell's row", ["3"]),
            ("bold the nell cell", ["Nell"]),
            ("bold the headings", ["Name", "Kitchen", "Boat"]),
        ):
            with self.subTest(line):
                desk = self.desk(CREW)
                desk.hears(line)
                self.assertEqual(desk.marked("bold"), bold)

    def test_of_an_even_number_none_is_in_the_middle(self) -> None:
        desk = self.desk("- oil\n- rope\n- flour\n- wick")
        desk.hears("bold the middle item")
        self.assertEqual(desk.marked("bold"), [])
        self.assertIn("There is no middle item", desk.sitting.trail[-1].summary)

    def test_rows_are_added_and_sorted_in_plain_words(self) -> None:
        for line in ("fewest kitchen first", "smallest number of kitchen first",
                     "put the rows in kitchen order"):  # fmt: skip
            with self.subTest(line):
                desk = self.desk(CREW)
                desk.hears(line)
                self.assertEqual(column(desk, 1), ["Kitchen", "4", "7", "10"])
        desk = self.desk(CREW)
        desk.hears("add a line to the table")
        self.assertEqual(len(column(desk, 0)), 5)
        self.assertColumns("boat should come before kitchen", "Name", "Boat", "Kitchen")

    def test_beyond_the_last_column_there_is_none(self) -> None:
        desk = self.desk(CREW)
        self.assertIn("No column", desk.hears("select the column after boat").summary)


class Filling(DeskCase):
    def test_a_table_is_made_and_spoken_into(self) -> None:
        desk = self.desk("Rota")
        desk.hears("make a table with two columns and three rows", "name", "next", "job",
                   "next row", "ida", "next", "five", "down", "nine", "row three column one",
                   "tom", "end table", "it is done")  # fmt: skip
        self.assertEqual(
            desk.markdown,
            "Rota\n\n| Name | Job |\n| --- | --- |\n| Ida | 5 |\n| Tom | 9 |\n\nIt is done",
        )
        desk.hears("undo everything")
        self.assertEqual(desk.markdown, "Rota")

    def test_the_last_cell_is_told_and_the_next_row_is_new(self) -> None:
        desk = self.desk("")
        desk.hears("make a one by two table", "a place", "next", "a thing")
        self.assertIn("last cell", desk.hears("next").summary)
        desk.hears("next row", "more")
        self.assertEqual(column(desk, 0), ["A place", "More"])

    def test_under_a_heading_is_the_cell_of_this_row(self) -> None:
        desk = self.desk(CREW)
        desk.hears("go to the cell that says nell", "under boat")
        cell = desk.document.blocks[desk.sitting.caret.block].cell
        assert cell is not None
        self.assertEqual((cell.row, cell.column), (2, 2))

    def test_next_is_a_word_outside_of_tables(self) -> None:
        desk = self.desk(CREW)
        self.assertRead("text", desk.hears("next"))
        self.assertRead("text", desk.hears("down"))


class Naming(DeskCase):
    def test_rows_columns_and_cells_by_what_they_say(self) -> None:
        for said, marked in (
            ("bold the kitchen column", ["Kitchen", "4", "10", "7"]),
            ("bold every cell under boat", ["12", "3", "8"]),
            ("bold nell's row", ["Nell", "10", "3"]),
            ("bold the row of tom", ["Tom", "7", "8"]),
            ("bold the cell that says ida", ["Ida"]),
        ):
            with self.subTest(said):
                desk = self.desk(CREW)
                desk.hears(said)
                self.assertEqual(desk.marked("bold"), marked)


class Changing(DeskCase):
    def test_rows_and_columns_come_go_and_move(self) -> None:
        for said, names in (
            ("delete row three", ["Name", "Ida", "Tom"]),
            ("remove the row with nell", ["Name", "Ida", "Tom"]),
            ("move row four up", ["Name", "Ida", "Tom", "Nell"]),
            ("move tom's row to the top", ["Name", "Tom", "Ida", "Nell"]),
            ("duplicate row two", ["Name", "Ida", "Ida", "Nell", "Tom"]),
            ("sort the table by name backwards", ["Name", "Tom", "Nell", "Ida"]),
            ("sort the table by boat", ["Name", "Nell", "Tom", "Ida"]),
            ("add a row", ["Name", "Ida", "Nell", "Tom", ""]),
        ):
            with self.subTest(said):
                desk = self.desk(CREW)
                desk.hears(said)
                self.assertEqual(column(desk, 0), names)
                [table] = tables(desk.document.blocks)
                self.assertEqual(table.columns, 3)
                desk.hears("undo that")
                self.assertEqual(desk.markdown, CREW)

    def test_columns_come_go_and_move(self) -> None:
        for said, heads in (
            ("delete the kitchen column", ["Name", "Boat"]),
            ("move the boat column to the start", ["Boat", "Name", "Kitchen"]),
            ("add a column called lamp", ["Name", "Kitchen", "Boat", "Lamp"]),
        ):
            with self.subTest(said):
                desk = self.desk(CREW)
                desk.hears(said)
                head = [b.text for b in desk.document.blocks if b.cell and b.cell.row == 0]
                self.assertEqual(head, heads)

    def test_emptied_is_not_removed(self) -> None:
        desk = self.desk(CREW)
        desk.hears("empty row two")
        self.assertEqual(column(desk, 0), ["Name", "", "Nell", "Tom"])

    def test_totals_heading_rows_widths_and_back_to_text(self) -> None:
        desk = self.desk(CREW)
        self.assertIn("23", desk.hears("what is the total of the boat column").summary)
        desk.hears("put the total under the boat column")
        self.assertEqual(column(desk, 2)[-1], "23")
        self.assertEqual(column(desk, 0)[-1], "Total")
        desk.hears("no heading row")
        self.assertFalse(any(b.cell and b.cell.header for b in desk.document.blocks))
        desk.hears("make the first column wider")
        shares = [b.cell.share for b in desk.document.blocks if b.cell and b.cell.row == 0]
        self.assertGreater(shares[0], shares[1])
        self.assertAlmostEqual(sum(shares), 1)
        desk.hears("turn the table into text")
        self.assertIn("Nell, 10, 3", desk.markdown)

    def test_a_list_becomes_a_table(self) -> None:
        desk = self.desk("- lamp: Ida\n- boat: Tom")
        desk.hears("turn the list into a table")
        self.assertEqual(column(desk, 1), ["Ida", "Tom"])


class Values(DeskCase):
    def test_columns_are_sorted_as_what_they_are(self) -> None:
        for texts, wanted in (
            (["10", "9", "£1,200", ""], ["9", "10", "£1,200", ""]),
            (["3 May", "1 March 2025", "2 April"], ["3 May", "2 April", "1 March 2025"]),
            (["Tuesday", "Monday"], ["Monday", "Tuesday"]),
            (["10.30 am", "2.15 pm", "9.00 am"], ["9.00 am", "10.30 am", "2.15 pm"]),
            (["tea", "Boat"], ["Boat", "tea"]),
        ):
            with self.subTest(texts):
                keys = sort_key(texts)
                ordered = [texts[i] for i in sorted(range(len(texts)), key=keys.__getitem__)]
                if "3 May" in texts:
                    self.assertEqual(ordered[0], "2 April")
                else:
                    self.assertEqual(ordered, wanted)

    def test_totals_are_written_as_what_they_are_of(self) -> None:
        self.assertEqual(total_text(["£1.50", "£2.25", "tea"]), "£3.75")
        self.assertEqual(total_text(["9,000", "2,500"]), "11,500")
        self.assertIsNone(total_text(["tea"]))
