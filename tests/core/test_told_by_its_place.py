"""What is named by where it stands, by its first words or by what is left out, and what is done to
all of several."""

from __future__ import annotations

from tests.core.test_at_work import AtWork

SHED = (
    "# Shed meeting\n\nPresent: Ruth, Femi and two others. Apologies from Greta.\n\nThe pump broke"
    " in May. Femi offered to look at it. He wants twenty pounds.\n\nWe agreed to buy a hose. Tom"
    " will get the prices.\n\nNext meeting: Thursday, in the shed."
)
AUNT = (
    "Dear Aunt Freda,\n\nThank you for the blue jumper. It fits me and it is very warm. The sleeves"
    " are a bit long.\n\nPlease come at Easter. You can have my room.\n\nLove,\n\nWilf"
)
PACKING = "# Packing\n\n- tent\n- two sleeping bags\n- matches\n\nRuth brings the lamp."
TURNS = (
    "Rota\n\n| Day | Water | Compost |\n|---|---|---|\n| Monday | Ruth | Femi |\n"
    "| Wednesday | Tom | Greta |\n| Saturday | Femi |  |\n\nTell Ruth if you are away."
)


class ByItsRow(AtWork):
    def test_words_are_those_of_a_row(self) -> None:
        for said in (
            "replace femi with greta on saturday",
            "on saturday change femi to greta",
            "put greta in for femi on saturday",
            "swap femi for greta on saturday",
            "for saturday change femi to greta",
            "replace femi on saturday with greta",
        ):
            self.has(TURNS, said, "| Saturday | Greta |  |", "| Monday | Ruth | Femi |")
        self.has(TURNS, "bold femi on saturday", "| Saturday | **Femi** |", "Ruth | Femi |")
        self.has(TURNS, "swap ruth and femi on monday", "| Monday | Femi | Ruth |")
        self.has(TURNS, "replace femi on saturday with nick", "| Saturday | Nick |  |")

    def test_what_is_told_of_somebody_is_written(self) -> None:
        self.stays(
            TURNS,
            "femi on saturday is late",
            "ruth on monday is tired",
            "tell ruth on monday",
            "swap ruth and femi on sunday",
            "we met femi on saturday",
        )

    def test_a_row_without_the_words_is_told(self) -> None:
        desk = self.desk(TURNS)
        self.assertIn("No such words", desk.hears("replace ruth with ida on saturday").summary)
        self.assertEqual(desk.document.blocks[4].text, "Monday")

    def test_the_empty_cell(self) -> None:
        self.has(TURNS, "put tom in the empty box", "| Saturday | Femi | Tom |")
        self.has(TURNS, "go to the empty cell / tom", "| Saturday | Femi | Tom |")
        desk = self.desk(TURNS)
        desk.hears("add a row", "put tom in the empty box")
        assert desk.sitting.question is not None
        self.assertEqual(desk.sitting.question.options[0].label, "row 4, column 3")
        desk.hears("one")
        self.assertIn("| Saturday | Femi | Tom |", desk.markdown)
        self.stays(PACKING, "put the hats in the empty box")

    def test_a_day_begins_the_next_row(self) -> None:
        self.has(
            "",
            "make a table with the headings day and water / monday next ruth next row tuesday",
            "| Monday | Ruth |\n| Tuesday |  |",
        )

    def test_rows_among_others(self) -> None:
        wanted = "Greta |\n| Friday |  |  |\n| Saturday"
        for said in (
            "add a row for friday after wednesday",
            "put a row for friday above saturday",
            "add a row between wednesday and saturday for friday",
            "under wednesday add a row for friday",
            "insert friday between wednesday and saturday",
            "add a friday row after wednesday",
        ):
            self.has(TURNS, said, wanted)
        self.has(
            TURNS,
            "add a row with friday comma ruth comma tom above saturday / undo that",
            "Greta |\n| Saturday",
        )
        self.has(TURNS, "new row sunday ruth tom", "|  |\n| Sunday | Ruth | Tom |")
        desk = self.desk(TURNS)
        told = desk.hears("add a row for friday between monday and saturday").summary
        self.assertIn("side by side", told)
        self.stays(TURNS, "another row about money", "new row of chairs please")


class Made(AtWork):
    def test_headings_may_be_any_words(self) -> None:
        for said in (
            "make a table with the headings who and brings and when",
            "i need a table with headings who brings and when",
            "make a table headed who brings when",
        ):
            self.has("", said, "| Who | Brings | When |")
        self.stays("", "we need a table with headings that people can read")


class ByItsFirstWords(AtWork):
    def test_headings_above_a_paragraph(self) -> None:
        for said in (
            "add a heading repairs above the pump",
            "above the pump put a heading repairs",
            "put a heading above the pump saying repairs",
            "put a heading above the pump repairs",
            "put repairs as a heading above the pump",
            "put a heading above the pump / repairs",
        ):
            self.has(SHED, said, "Greta.\n\n## Repairs\n\nThe pump")
        self.has(SHED, "add a subheading purchases", "shed.\n\n## Purchases")
        self.stays(SHED, "we need a heading dog", "add a heading row", "put a header on the page")

    def test_a_section_is_no_heading(self) -> None:
        desk = self.desk(SHED)
        desk.hears("add a heading for each section")
        self.assertEqual(desk.markdown.strip(), SHED)

    def test_joined_to_its_neighbour(self) -> None:
        for said in (
            "join next meeting onto the paragraph before",
            "attach the last paragraph to the one above",
            "make next meeting part of the previous paragraph",
        ):
            self.has(SHED, said, "prices. Next meeting: Thursday")
        self.has(SHED, "join the pump to the next paragraph", "twenty pounds. We agreed")
        self.stays(SHED, "join the club onto the paragraph before")

    def test_sentences_and_lines_beside_words(self) -> None:
        self.has(
            AUNT, "add a sentence after jumper it came on friday", "jumper. It came on Friday."
        )
        self.has(AUNT, "add a sentence after the sleeves but i like them", "long. But I like them.")
        self.has(AUNT, "add a line before love saying the kettle is on", "\n\nThe kettle is on\n\n")
        self.has(AUNT, "add a sentence after lunch we slept", "After lunch we slept.")

    def test_its_own_paragraph(self) -> None:
        for said in (
            "split off you can have my room",
            "you can have my room is its own paragraph",
            "break you can have my room off into a separate paragraph",
        ):
            self.has(AUNT, said, "Easter.\n\nYou can have my room.")
        self.stays(AUNT, "a room is its own paragraph of life")

    def test_a_line_that_is_a_paragraph_moves_as_one(self) -> None:
        for said in ("move the last line above the pump", "copy the last line above the pump"):
            self.has(SHED, said, "in the shed.\n\nThe pump")
        self.has(
            SHED,
            "copy we agreed to buy a hose to the top",
            "meeting\n\nWe agreed to buy a hose. Present",
        )

    def test_no_sentence_becomes_a_heading_unasked(self) -> None:
        desk = self.desk(SHED)
        desk.hears("femi offered should be a sentence of its own")
        self.assertTrue(desk.markdown.startswith(SHED))


class AllOfThem(AtWork):
    def test_everything_but_a_part(self) -> None:
        for said in (
            "italicise everything except the title",
            "make everything but the title italic",
            "i want everything apart from the title in italics",
        ):
            self.has(SHED, said, "# Shed meeting\n\n*Present: ", "*Next meeting: Thursday, in the")
        self.has(PACKING, "bold every item except the tent", "- tent\n- **two", "- **matches**")
        self.has(
            SHED, "bold the second paragraph except femi", "**The pump broke in May.** Femi **"
        )
        self.has(SHED, "delete everything except the title / thanks", "# Shed meeting")
        desk = self.desk(SHED)
        self.assertIn("no part", desk.hears("bold the title except the last paragraph").summary)
        desk.hears("i want everything except the name in italics")
        self.assertEqual(desk.marked("italic"), [])

    def test_rows_and_columns_but_some(self) -> None:
        heads = "| Day | Water | Compost |"
        for said in ("remove every row but monday", "delete all the rows except the first two"):
            self.has(TURNS, said, f"{heads}\n| --- | --- | --- |\n| Monday | Ruth | Femi |\n\nTell")
        for said in ("delete every column except day", "delete all the columns but the first"):
            self.has(TURNS, said, "| Day |\n| --- |\n| Monday |\n| Wednesday |")
        self.has(TURNS, "bold every row except the last", "**Monday**", heads, "| Saturday |")
        self.has(PACKING, "delete every item except the last two", "- two sleeping bags\n- matches")

    def test_put_beside_each(self) -> None:
        for said in (
            "put a full stop after each item",
            "end each item with a full stop",
            "add full stops to the items",
        ):
            self.has(PACKING, said, "- tent.\n- two sleeping bags.\n- matches.")
        self.has(PACKING, "put quick before every item", "- quick tent\n- quick two")
        self.has(
            PACKING, "add the word please after each item", "- tent please\n- two sleeping bags"
        )
        desk = self.desk(PACKING)
        desk.hears("put a comma after each item")
        self.assertIn("already", desk.hears("put a comma after each item").summary)
        desk.hears("undo that")
        self.assertEqual(desk.markdown.strip(), PACKING)

    def test_sentences_become_items(self) -> None:
        wanted = "- We agreed to buy a hose.\n- Tom will get the prices.\n"
        for said in (
            "break up the third paragraph into bullet points",
            "make each sentence of the third paragraph a bullet",
            "break the third paragraph up into bullets",
        ):
            self.has(SHED, said, f"pounds.\n\n{wanted}\nNext")
        whole = "- We agreed to buy a hose. Tom will get the prices."
        self.has(SHED, "make the third paragraph a bulleted list", whole)
        self.has(SHED, "turn the third paragraph into bullets", whole)
        self.has(
            SHED,
            "make the last sentence of the third paragraph a bullet",
            "a hose.\n\n- Tom will get",
        )
        self.has(
            SHED, "make the last two paragraphs bullets", "- We agreed to buy a hose. Tom will"
        )

    def test_a_look_for_another_as_well(self) -> None:
        self.has(SHED, "put present in bold and apologies too", "**Present**", "**Apologies**")
        self.has(SHED, "make greta red and ruth too", 'red">Ruth', 'red">Greta')

    def test_every_item_begins_with_a_capital(self) -> None:
        for said in ("make the items start with capitals", "have every item begin with a capital"):
            self.has(PACKING, said, "- Tent\n- Two sleeping bags\n- Matches")


class MarksOff(AtWork):
    def test_a_mark_by_what_it_stands_behind(self) -> None:
        self.has(SHED, "take the full stop off shed", "in the shed")
        self.has(AUNT, "take the comma off love", "Love\n\nWilf")
        self.has(AUNT, "that comma after love shouldn't be there", "Love\n\nWilf")
        self.stays(AUNT, "take the weight off my mind", "the cat should not be there")

    def test_a_stretch_named_first(self) -> None:
        self.has(AUNT, "from it fits to very warm cut that", "jumper. The sleeves")
        self.has(AUNT, "from it fits to very warm bold it", "**It fits me and it is very warm**")
        self.stays(AUNT, "from the cat to the mouse cut that")
