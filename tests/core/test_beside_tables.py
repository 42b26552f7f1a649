"""Words beside tables and lists, cells told by heading and row, items that are parted."""

from __future__ import annotations

from tests.core.test_at_work import AtWork

ROTA = (
    "Rota\n\n| Week | Cook | Cleaner |\n|---|---|---|\n| 1 | Nell | Gerald |\n"
    "| 2 | Hector | Nell |\n| 3 | Ines | Hector |\n\nSwap with a friend. Tell Ines by Friday."
)
HUT = (
    "# For the hut\n\n- two gas bottles\n- a new kettle\n- soap and towels\n- string\n\n"
    "Nell has the key."
)
COSTS = "| Item | Cost |\n|---|---|\n| paint | 12.50 |\n| brushes | 8 |\n\nThat is all."


class Beside(AtWork):
    def test_no_cell_and_no_item_takes_the_words_in(self) -> None:
        self.has(ROTA, "insert thank you all after the table", "Hector |\n\nThank you all\n\nSwap")
        self.has(ROTA, "insert thank you all before the table", "Rota\n\nThank you all\n\n| Week")
        self.has(ROTA, "move the last sentence above the table",
                 "Rota\n\nTell Ines by Friday.\n\n| Week")  # fmt: skip
        self.has(
            ROTA,
            "copy the last sentence below the table",
            "Hector |\n\nTell Ines by Friday.\n\nSwap",
        )
        self.has(
            ROTA, "move the last paragraph above the table", "Rota\n\nSwap with a friend. Tell"
        )
        self.has(HUT, "insert thanks below the list", "- string\n\nThanks\n\nNell has the key.")
        self.has(HUT, "move the last sentence above the list", "hut\n\nNell has the key.\n\n- two")
        self.has(HUT, "move the heading below the list", "- string\n\n# For the hut\n\nNell")

    def test_one_writes_on_below_them(self) -> None:
        for said in ("go on below the table", "end table", "below the table", "after the table"):
            self.has(ROTA, f"{said} / thank you", "Hector |\n\nThank you\n\nSwap with")
        for said in ("go below the list", "after the list", "go on under the list"):
            self.has(HUT, f"{said} / thank you", "- string\n\nThank you\n\nNell has")
        self.has(ROTA, "write below the table thank you all", "Hector |\n\nThank you all\n\nSwap")
        self.has(
            HUT, "below the list write nell will come", "- string\n\nNell will come\n\nNell has"
        )
        self.has("Soap:\n\n- oil", "below the list write thanks", "- oil\n\nThanks")

    def test_a_heading_is_no_list_to_end(self) -> None:
        desk = self.desk(HUT)
        desk.hears("go to the top", "end list")
        self.assertEqual(desk.markdown.strip(), HUT)

    def test_sentences_about_tables_and_lists_are_written(self) -> None:
        self.stays(HUT, "after the list we had tea", "below the list of names stood a date")
        self.stays(ROTA, "under the table slept the dog", "after the table was laid we sat down")


class Cells(AtWork):
    def test_by_the_heading_and_the_row(self) -> None:
        self.has(
            ROTA, "in week two put ines instead of hector", "| 2 | Ines | Nell |", "Ines | Hector"
        )
        self.has(ROTA, "in week two swap hector and nell", "| 2 | Nell | Hector |")
        self.has(ROTA, "bold the cook in week two", "| 2 | **Hector** | Nell |")
        self.has(ROTA, "change the cook in week two to ines", "| 2 | Ines | Nell |")
        self.has(ROTA, "week two's cook is now gerald", "| 2 | Gerald | Nell |")
        self.has(ROTA, "put gerald down as the cook for week three", "| 3 | Gerald | Hector |")
        self.has(ROTA, "go to the cook in week two / junior", "| 2 | Hector junior | Nell |")

    def test_two_cells_of_a_row_change_places(self) -> None:
        for said in ("swap the cook and the cleaner in week one",
                     "in week one swap the cook and the cleaner"):  # fmt: skip
            self.has(ROTA, said, "| 1 | Gerald | Nell |", "| Week | Cook | Cleaner |")
        self.stays(ROTA, "swap the cook and the gardener in week one")

    def test_what_is_said_of_a_week_stays_a_sentence(self) -> None:
        self.stays(ROTA, "the cook in week two is ill", "in chapter two change comes to us all",
                   "in week two cook for nell")  # fmt: skip

    def test_a_heading_by_another_word(self) -> None:
        self.has(COSTS, "change the price of the brushes to nine", "| brushes | 9 |")
        self.has(COSTS, "the price of paint is thirteen", "| paint | 13 |")
        self.stays(COSTS, "the price of bread is high")

    def test_columns_are_named(self) -> None:
        self.has(ROTA, "call the third column washing up", "| Week | Cook | Washing up |")
        self.has(ROTA, "the third column should be called washing up", "| Washing up |")
        self.has(
            ROTA, "add a column for phone numbers after cook", "| Cook | Phone numbers | Cleaner |"
        )
        self.has(
            ROTA, "put a column for drinks between cook and cleaner", "| Cook | Drinks | Cleaner |"
        )
        for said in ("draw up a table for me with name phone and street at the top",
                     "table with headings name phone and street"):  # fmt: skip
            self.has("", said, "| Name | Phone | Street |")


class Items(AtWork):
    def test_one_that_names_several_is_parted(self) -> None:
        for said in ("split soap and towels into two items", "put soap and towels on two lines",
                     "make soap and towels two separate items",
                     "the third item should be two items"):  # fmt: skip
            self.has(HUT, said, "- soap\n- towels\n- string")
        self.has("- Pickles and chutney", "split the first item into two items", "- Chutney")
        self.refused(HUT, "split the kettle into two items")
        self.has(
            HUT, "make the list numbered / make it bullets again", "- soap and towels\n- string"
        )
        desk = self.desk(HUT)
        desk.hears("split soap and towels into two items", "undo that")
        self.assertEqual(desk.markdown.strip(), HUT)


class Notes(AtWork):
    def test_a_note_just_told_is_dealt_with(self) -> None:
        desk = self.desk(HUT)
        entry = desk.hears("put a note in the margin next to string saying which one")
        self.assertIn("note 1 on “string”", entry.summary)
        self.assertEqual(desk.hears("that's dealt with").command, "notes.settle")
        self.stays(HUT, "that's dealt with")


class InOneBreath(AtWork):
    TABLE = "table with headings week cook washer"

    def test_cells_one_after_another(self) -> None:
        self.has("", f"{self.TABLE} / one next gus next olive next row two next ines",
                 "| One | Gus | Olive |", "| 2 | Ines |  |")  # fmt: skip
        self.has("", f"{self.TABLE} / one / next gus", "| One | Gus |  |")
        self.has("", f"{self.TABLE} / one next gus / undo that", "|  |  |  |\n|  |  |  |")
        for said in ("see you next week", "the next train"):
            self.has("", f"{self.TABLE} / {said}", f"| {said.capitalize()} |  |  |")
        self.has(ROTA, "go to row two column one / or next nell", "| 1 or next Nell | Nell |")

    def test_items_one_after_another(self) -> None:
        self.has(
            "", "start a list / eggs next milk next brown flour", "- Eggs\n- Milk\n- Brown flour"
        )
        self.has(
            "", "start a list / mix the eggs and flour next add the milk slowly", "flour next add"
        )
        self.stays("We wait.", "eggs next milk next flour")
