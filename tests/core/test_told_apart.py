"""Parts that are told by marks, headings and sorts, and what is said of nothing else."""

from __future__ import annotations

from tests.core.test_at_work import AtWork

WORKS = (
    "# Ferry works\n\nThe slipway is closed from 9 to 13 March. Boats must land at the north jetty"
    " (the old one), and crews carry their own ropes.\n\nMarta has the key; she keeps it in a tin."
    " Nobody may row at night.\n\n- Two buckets of tar\n- A new winch\n- Four planks\n\n"
    "| Boat | Berth | Crew |\n|---|---|---|\n| Petrel | 4 | Marta |\n| Curlew | 7 | Ivo |\n\n"
    "Thank you for waiting. The works cost £420, and the board pays half of it."
)
PARTS = (
    "# Works\n\nThe slipway is closed.\n\n## Costs\n\nTar costs £40. Rope costs £25.\n\n## Crew\n\n"
    "Ida and Tom.\n\nBring gloves."
)


class Bounds(AtWork):
    def test_a_mark_ends_what_stands_in_its_paragraph(self) -> None:
        self.has(WORKS, "bold everything after the last comma", "£420, **and the board pays half")
        self.has(WORKS, "delete everything before the last comma", "Four planks", "And the board")
        self.has(WORKS, "bold everything after the semicolon", "key; **she keeps it in a tin.")

    def test_a_described_part_ends_a_stretch(self) -> None:
        self.has(PARTS, "delete everything after the sentence about tar", "Tar costs £40.")
        self.has(PARTS, "delete from the rope sentence on", "Tar costs £40.")
        self.has(WORKS, "bold everything after the phrase north jetty", "jetty **(the old one)")

    def test_what_lies_under_a_heading_is_its_section(self) -> None:
        for said in ("delete everything under costs", "delete the text under the costs heading"):
            self.has(PARTS, said, "## Costs\n\n## Crew")
        self.has(PARTS, "bold the first sentence under costs", "**Tar costs £40.** Rope")
        self.has(PARTS, "italicise the paragraph under the costs heading", "*Tar costs £40. Rope")


class Sorts(AtWork):
    def test_a_date_runs_to_its_end(self) -> None:
        self.has(WORKS, "put the dates in bold", "from **9 to 13 March**.")
        self.has("It was on 2 November.", "make the second of november the third", "on 3 November")
        self.has("It was on 2 May.", "change the second of may to the fifth", "on 5 May.")

    def test_sums(self) -> None:
        self.has(WORKS, "bold the figure in pounds", "cost **£420**")
        self.has(PARTS, "every price should be bold", "Tar costs **£40**. Rope costs **£25**.")

    def test_a_preposition_is_no_words(self) -> None:
        self.has(WORKS, "make the figure in pounds a bit bigger", "keeps it in a tin")


class Tables(AtWork):
    def test_what_a_row_says_is_no_row(self) -> None:
        for said in ("delete the text in the last row", "delete everything in the last row"):
            self.has(WORKS, said, "| Petrel | 4 | Marta |\n|  |  |  |")
        self.has(WORKS, "delete the text in the last column", "| Petrel | 4 |  |")

    def test_the_outermost_column(self) -> None:
        self.has(WORKS, "bold the column on the right", "**Crew** |", "**Ivo** |")

    def test_a_table_by_what_it_is_of(self) -> None:
        self.has(WORKS, "bold the table with the boats", "**Boat**", "**Ivo**")

    def test_a_row_is_no_pick(self) -> None:
        self.refused(WORKS, "pick the row for petrel")

    def test_cells_said_one_by_one(self) -> None:
        said = "make a table with two columns and three rows / plot / rent / one a / twelve pounds"
        self.has("", f"{said} / two b / fifteen pounds", "| One a | £12 |\n| Two B | £15 |")
        self.has("", f"{said} / next row / three / metres", "| 3 metres |  |")
        self.has(
            "", "make a table with two columns and two rows / boat / next / berth / by the wall",
            "| Boat | Berth by the wall |",
        )  # fmt: skip
        self.has("", f"{said} / leave the table / add a total row", "| Total | £12 |")


ROTA = (
    "| Week | Who |\n|---|---|\n| 1 June | Nell |\n| 8 June | Tom and Ida |\n| 15 June | Nobody |"
)


class Rota(AtWork):
    def test_a_row_by_its_day(self) -> None:
        self.has(ROTA, "bold the eighth of june row", "**8 June** | **Tom and Ida**")

    def test_who_is_on(self) -> None:
        desk = self.desk(ROTA)
        self.assertIn("Tom and Ida", desk.hears("who is on the eighth of june").summary)
        desk.hears("who is down for the fifteenth of june", "change it to femi")
        self.assertIn("| 15 June | Femi |", desk.markdown)
        self.stays("No table here.", "who is on monday")

    def test_days_make_no_sum(self) -> None:
        self.refused(ROTA, "total the week column")

    def test_rows_as_many_as_are_said(self) -> None:
        cells = "week / who / first of june / nell / eighth of june / tom / ninth of june / no"
        self.has(
            "", f"make a table with two columns / {cells}", "| 8 June | Tom |\n| 9 June | No |"
        )
        told = "make a table with two columns and one row / week / who / then"
        self.has("", told, "| Week | Who then |")

    def test_an_undone_cell(self) -> None:
        self.has(
            "", "make a table with two columns / boat / berth / undo that / crew", "| Boat | Crew |"
        )


class Meant(AtWork):
    def test_a_few_words_for_a_paragraph_are_asked_about(self) -> None:
        for said in (
            "replace the first paragraph with a good plan",
            "replace the paragraph with marta in it with a good plan",
            "swap paragraph two for a good plan",
        ):
            self.refused(WORKS, said)
        self.has(
            WORKS, "replace the paragraph with marta in it with a good plan / yes", "A good plan\n"
        )

    def test_a_request_for_a_part_is_not_written(self) -> None:
        for said in ("turn the second bullet point into a poem", "make the first sentence sing"):
            self.refused(WORKS, said)

    def test_what_was_said_and_what_was_meant(self) -> None:
        self.has(WORKS, "i said ropes but i meant a lamp", "their own a lamp")
        self.has(WORKS, "change winch to crane sorry", "- A new crane\n")
        self.has(WORKS, "the last sentence should say we are sorry", "waiting. We are sorry")

    def test_words_that_begin_with_thanks(self) -> None:
        self.has(WORKS, "can we underline the line that begins with thank you", "<u>Thank you for")

    def test_a_target_is_not_replaced_by_where_it_goes(self) -> None:
        self.has(WORKS, "put the words nine to thirteen march in bold", "from **9 to 13 March**.")
        self.refused(WORKS, "put the words north jetty to the end of the list in bold")
        self.has(WORKS, "put the item that says a new winch first", "- A new winch\n- Two buckets")

    def test_the_verb_is_no_word_of_the_page(self) -> None:
        page = "1. Close your tap\n2. Cover the seedlings\n3. Move the barrows"
        self.refused(page, "move to the end of cover the seedlings")
        self.has(page, "move move the barrows to the top of the list", "1. Move the barrows")

    def test_two_verbs_for_one_part(self) -> None:
        self.has("# Notice\n\nTea.", "bold and centre the heading", "# **Notice**")

    def test_softening_words_are_written(self) -> None:
        self.has(WORKS, "insert quite soon after paragraph two's last sentence", "Quite soon")

    def test_a_note_on_a_section(self) -> None:
        desk = self.desk(PARTS)
        entry = desk.hears("note on the costs section check with ida")
        self.assertIn("Check with Ida", entry.summary)
        self.assertNotIn("ection check", entry.summary)

    def test_sentences_that_were_said_are_numbered(self) -> None:
        said = "wash the leeks full stop / fry them full stop / number those steps"
        self.has("", said, "1. Wash the leeks.\n2. Fry them.")
