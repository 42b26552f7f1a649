"""All that a description fits, all but one, places among others, and names that nothing has."""

from __future__ import annotations

from tests.core.test_at_work import AtWork

FETE = (
    "# Boat fete\n\nWe met on Thursday at the quay. Ida brought the ropes. The fete is on 12 June."
    "\n\n| Stall | Who | Boats | Takings |\n|---|---|---|---|\n| Tarts | Ida | 3 | £84.50 |\n"
    "| Ferns | Femi | 2 | £61.00 |\n| Maps | Marta | 4 | £47.20 |\n\n"
    "Please bring mugs for the tea tent. The rain tent is in the loft.\n\n## Money\n\n"
    "The quay costs forty pounds. We took more than last year."
)
BUSES = (
    "| Date | Driver | Bus |\n|---|---|---|\n| 20 March | Ruth | Blue |\n| 3 March | Novak | Red |"
    "\n| 11 March | Ida | Blue |\n\nThe end."
)
SONGS = (
    "Dear Olga,\n\nHere are the songs.\n\n| Song | Singer | Minutes |\n|---|---|---|\n"
    "| Evening tide | Marta | 4 |\n| Linnet | Novak | 3 |\n| The long walk | Ruth | 9 |\n\n"
    "- milk\n- sugar\n- two trays"
)


class Each(AtWork):
    def test_every_part_that_says_so(self) -> None:
        for said in ("every sentence about the tent", "the sentences that mention tent"):
            self.has(FETE, f"bold {said}", "**Please bring", "**The rain tent is in the loft.**")
        self.has(FETE, "delete every sentence with tent", "£47.20 |\n\n## Money")
        self.has(FETE, "bold the paragraphs that mention ida", "**We met on", "| Tarts | Ida |")

    def test_rows_and_cells(self) -> None:
        self.has(BUSES, "delete every row with blue in it", "| --- | --- | --- |\n| 3 March")
        self.has(BUSES, "bold the blue cells", "Ruth | **Blue** |", "Ida | **Blue** |")
        self.has(BUSES, "make all the blue rows red", 'red">11 March', "| 3 March | Novak | Red |")
        self.has(BUSES, "highlight blue everywhere in the table", "Ruth | <mark>Blue</mark>")

    def test_what_is_done_to_one_place_is_not_done_to_the_first_of_several(self) -> None:
        self.refused(
            FETE,
            "move every sentence about the tent to the end",
            "cut all the tents",
            "copy every sentence about the tent",
        )

    def test_wherever_it_says_so(self) -> None:
        self.has(FETE, "put ruth wherever it says ida", "Ruth brought", "| Tarts | Ruth |")
        self.stays(FETE, "put up a sign wherever it rains", "we need chairs before the fete")


class AllButOne(AtWork):
    def test_words(self) -> None:
        self.has(FETE, "bold every tent except the first", "tea tent. The rain **tent** is")
        self.has(FETE, "bold all the tents but the last one", "tea **tent**. The rain tent is")
        self.has(FETE, "delete every tent except the last", "for the tea. The rain tent")

    def test_other_words_for_them(self) -> None:
        self.has(
            FETE, "change every tent to marquee except the first", "tea tent. The rain marquee"
        )
        for said in ("but not the last", "apart from the last one", "except the second one"):
            self.has(FETE, f"change tent to marquee {said}", "tea marquee. The rain tent")


class Counted(AtWork):
    def test_sentences_are_none_of_a_table_or_a_heading(self) -> None:
        self.has(FETE, "bold the fourth sentence", "**Please bring mugs for the tea tent.** The")
        self.has(
            FETE, "delete sentences three to four", "brought the ropes.\n\n| Stall", "\nThe rain"
        )
        self.has(FETE, "delete the last three sentences", "tea tent.\n\n## Money")

    def test_from_the_end(self) -> None:
        self.has(FETE, "bold the second row from the bottom", "| **Ferns** | **Femi** |")
        self.has(FETE, "bold the second paragraph from the bottom", "**Please bring mugs")
        self.has(FETE, "bold the first and last words of the title", "# **Boat** **fete**")

    def test_cells_of_a_row_or_a_column(self) -> None:
        self.has(SONGS, "delete the text in the last cell of linnet", "| Linnet | Novak |  |")
        self.has(SONGS, "bold the last cell of the minutes column", "Ruth | **9** |")
        self.has(SONGS, "bold the last two cells of the minutes column", "**3** |", "**9** |")
        self.has(SONGS, "bold the row after the headings", "| **Evening tide** | **Marta**")

    def test_too_many_is_answered(self) -> None:
        self.refused(FETE, "bold the third tent", "change the comma to a dash")
        self.refused(FETE, "delete the semicolon after ropes")

    def test_the_rest_of_its_unit(self) -> None:
        self.has(FETE, "bold the rest of the paragraph after ropes", "**The fete is on 12 June.**")
        self.has(FETE, "bold everything up to the table", "# **Boat fete**", "| Tarts | Ida |")
        self.has(FETE, "bold everything in the money section", "**The quay costs forty pounds.")
        self.stays(FETE, "close the letter after the ropes")


class Uncalled(AtWork):
    def test_a_name_that_nothing_has_is_answered(self) -> None:
        desk = self.desk(FETE)
        for said, told in (
            ("delete passage sign off", "No passage is called"),
            ("restore version draft", "No version is called"),
            ("remove the place called top", "No place is called"),
        ):
            before = desk.markdown
            self.assertIn(told, desk.hears(said).summary)
            self.assertEqual(desk.markdown, before)

    def test_what_there_is_is_told_or_asked_about(self) -> None:
        desk = self.desk(FETE)
        desk.hears("call this place budget")
        self.assertIn("“budget”", desk.hears("go to the place corner").summary)
        self.assertIn("Did you mean", desk.hears("go to the place budgie").summary)

    def test_sentences_about_places(self) -> None:
        self.stays(
            FETE,
            "remove the place mats",
            "find the place by the church",
            "put the place cards on the table",
            "show the passage to your sister",
        )


class Sorted(AtWork):
    def test_by_what_an_adjective_measures(self) -> None:
        for said in ("longest song first", "put the shortest song last"):
            self.has(SONGS, said, "|\n| The long walk | Ruth | 9 |\n| Evening tide")
        self.has(SONGS, "sort them from shortest to longest", "|\n| Linnet | Novak | 3 |\n| Even")
        self.has(SONGS, "alphabetise the singers", "|\n| Evening tide | Marta | 4 |\n| Linnet")
        self.has(BUSES, "put the most recent date at the top", "|\n| 20 March | Ruth | Blue |")

    def test_headings_swap_their_columns(self) -> None:
        self.has(SONGS, "swap singer with minutes", "| Song | Minutes | Singer |", "| 3 | Novak |")

    def test_a_new_column_beside_another(self) -> None:
        for said in ("insert a key column before minutes", "a new column key before minutes"):
            self.has(SONGS, said, "| Song | Singer | Key | Minutes |")
        self.has(SONGS, "add two columns before minutes", "| Song | Singer |  |  | Minutes |")

    def test_the_heading_row_stays(self) -> None:
        self.stays(SONGS, "please bring the song back")


class Listed(AtWork):
    def test_items_at_a_number(self) -> None:
        self.has(SONGS, "add honey as the second item", "- milk\n- honey\n- sugar")
        self.has(SONGS, "make honey the first item", "- honey\n- milk")
        self.has(SONGS, "put honey before sugar on the list", "- milk\n- honey\n- sugar")
        self.has(SONGS, "put brown before sugar", "- brown sugar")
        self.refused(SONGS, "add honey as the ninth item")


CLUB = (
    "# Boat club\n\n## Boats\n\nPetrel needs a new oar. Tom will buy it before 9 May.\n\n## Money"
    "\n\nThe rent of £60 is due. Olga pays it.\n\n## Next\n\n1. Choose a date\n2. Paint the shed"
    "\n\nThe race is on 14 June at the quay."
)
ROTA = (
    "| Date | Driver | Bus |\n|---|---|---|\n| 20 March | Ruth | Blue |\n| 3 March | Novak | Red |"
    "\n\nRuth cannot drive on Fridays."
)


class Headed(AtWork):
    def test_headings_have_other_names(self) -> None:
        for said in ("rename money to accounts", "call the money heading accounts"):
            self.has(CLUB, said, "## Accounts\n\nThe rent")
        self.has(CLUB, "add a section called weather before money", "## Weather\n\n## Money")

    def test_they_change_places_with_what_is_below_them(self) -> None:
        self.has(CLUB, "swap boats and money", "## Money\n\nThe rent", "## Boats\n\nPetrel")


class Told(AtWork):
    def test_the_price_of_what_is_named(self) -> None:
        self.has(CLUB, "change the rent to sixty five pounds", "The rent of £65 is due.")

    def test_what_stands_below_a_line_leaves_its_mark(self) -> None:
        page = "Come soon.\n\nYours sincerely,\n\nOlga Penrose"
        self.has(page, "remove what stands below yours sincerely", "Yours sincerely,")

    def test_the_day_of_a_date(self) -> None:
        self.has(CLUB, "the race is on the twenty first not the fourteenth", "is on 21 June at")
        self.has(CLUB, "bold all the dates", "before **9 May**.", "on **14 June** at", "a date\n")

    def test_who_stands_in_the_row_of_a_day(self) -> None:
        for said in (
            "put ida down for the third of march",
            "give ida the third of march",
            "on the third of march it should be ida",
        ):
            self.has(ROTA, said, "| 3 March | Ida | Red |")
        self.stays(ROTA, "on monday it should be dry", "put the bus on monday")

    def test_what_ends_in_a_cell_is_no_fault(self) -> None:
        self.has(ROTA, "delete everything up to novak", "|  | Novak | Red |", "Ruth cannot drive")

    def test_columns(self) -> None:
        self.has(ROTA, "take off the right hand column", "| Date | Driver |\n")
        self.has(ROTA, "bus should come before the driver column", "| Date | Bus | Driver |")
        self.has(ROTA, "make paragraphs out of the table", "Date")
