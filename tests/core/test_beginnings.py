"""The first minutes of somebody new: a page is begun, filled in few words, and asked about."""

from __future__ import annotations

from datetime import datetime

from tests.core.test_at_work import AtWork

TENT = (
    "# Thank you from the hall\n\nDear Mrs Okafor,\n\nthank you for the tent. We had forty guests"
    " and it stayed dry until six.\n\nI am bringing it back on Tuesday after lunch. Two of the pegs"
    " are bent. Ida will bring the rest.\n\nEllis Marsh"
)
FAIR = (
    "# Summer fair\n\nThe fair is on the green. Bring a hat.\n\n"
    "| stall | helper | start | takings |\n|---|---|---|---|\n| cakes | Ida | 10 | 84 |\n"
    "| plants | Tom | 11 | 132 |\n| books | Greta | 10 | 47 |\n\nTell Ruth."
)


class Pages(AtWork):
    def test_on_an_empty_page_it_is_told_how_to_begin(self) -> None:
        for said in (
            "i want to write a letter to the council", "could you start some minutes for me please",
            "let us do a notice", "start a letter",
        ):  # fmt: skip
            with self.subTest(said):
                desk = self.desk()
                self.assertEqual(desk.hears(said).command, "documents.empty_page")
                self.assertEqual(desk.markdown.strip(), "")
        self.stays(TENT, "i want to write a letter to the council")

    def test_a_page_in_few_words(self) -> None:
        desk = self.desk(now=datetime(2026, 11, 30))
        desk.hears(
            "title minutes of the lamp club", "date underneath please",
            "present colon ida and tom full stop", "apologies colon femi full stop",
            "make present bold", "and apologies", "next a heading for the accounts",
            "tom told us that the club has two hundred and four pounds full stop",
            "that should be two hundred and forty pounds",
        )  # fmt: skip
        self.assertEqual(
            desk.markdown.strip(),
            "# Minutes of the lamp club\n\n30 November 2026\n\n**Present**: Ida and Tom."
            " **Apologies**: Femi.\n\n## The accounts\n\nTom told us that the club has £240.",
        )

    def test_headings_by_their_words(self) -> None:
        self.has("", "title news / heading what is on / tea at four", "## What is on\n\nTea at")
        self.has(TENT, "heading wanted above i am bringing", "## Wanted\n\nI am bringing")
        self.has("", "we are open on friday full stop / title jumble sale", "# Jumble sale\n\nWe")
        self.stays(TENT, "heading where the light was", "title deeds are kept in the tower")

    def test_a_list_in_few_words(self) -> None:
        begun = "title tea / list please / ida / next item / tom"
        self.has("", f"{begun} / add femi to it", "- Ida\n- Tom\n- Femi")
        self.has(
            "",
            f"{begun} / add femi to it / in alphabetical order / end of list / the hall",
            "- Femi\n- Ida\n- Tom\n\nThe hall",
        )
        self.stays("- a long day by the sea with tom and ida and all of their many friends",
                   "tick off tom")  # fmt: skip

    def test_a_table_in_few_words(self) -> None:
        self.has(
            "",
            "title news / a table with name plot and prize / row greta seven biggest marrow / row"
            " femi twelve best onions / out of the table / we need help",
            "| Greta | 7 | Biggest marrow |\n| Femi | 12 | Best onions |",
            "We need help",
        )
        self.has("", "a table with name job and tools / row ida weeding two forks",
                 "| Ida | Weeding | Two forks |")  # fmt: skip
        self.stays(TENT, "a table with cups and plates")

    def test_a_new_line_is_one_whatever_the_last_one_ends_with(self) -> None:
        desk = self.desk("The fire is on")
        desk.hears("new list", "bullets")
        self.assertNotIn("new paragraph", desk.markdown)
        self.has("The fire is on", "start a list / tea", "The fire is on\n\n- Tea")


class Cells(AtWork):
    def test_a_cell_by_its_row_and_heading(self) -> None:
        for said in ("make the books takings bold", "make takings books bold"):
            self.has(FAIR, said, "| books | Greta | 10 | **47** |")
        self.has(FAIR, "delete the books takings", "| books | Greta | 10 |  |")

    def test_columns_put_first_and_last(self) -> None:
        for said in (
            "put takings first", "takings should be first", "make takings the first column",
            "takings at the far left",
        ):  # fmt: skip
            self.has(FAIR, said, "| takings | stall | helper | start |")
        for said in ("put the helpers last", "helper should be the last column"):
            self.has(FAIR, said, "| stall | start | takings | helper |")
        self.has(FAIR, "biggest takings last", "| books | Greta | 10 | 47 |\n| cakes")
        self.has(FAIR, "books to the top", "takings |\n| --- | --- | --- | --- |\n| books")

    def test_columns_by_what_they_hold(self) -> None:
        for said in (
            "delete the column that has the start times", "lose the column with the start times",
        ):  # fmt: skip
            self.has(FAIR, said, "| cakes | Ida | 84 |")

    def test_rows_beside_others_by_what_they_say(self) -> None:
        row = "| plants | Tom | 11 | 132 |\n| jam | Osric | 10 | 30 |\n| books"
        for said in (
            "after plants put jam osric ten thirty", "put jam osric ten thirty after the plants",
            "between plants and books add jam osric ten thirty",
        ):  # fmt: skip
            self.has(FAIR, said, row, command="grid.add_amid")
        self.has(FAIR, "after plants put and flowers", "| plants and flowers | Tom |")

    def test_all_the_cells_of_a_row(self) -> None:
        self.has(FAIR, "add teas ruth eleven sixty", "| teas | Ruth | 11 | 60 |")
        self.stays(FAIR, "add ruth and tom", "add a little salt at the end")
        self.has(FAIR, "plants helper is ruth", "| plants | Ruth | 11 |")
        self.stays(FAIR, "books takings are up")

    def test_what_a_cell_is_not_any_more(self) -> None:
        self.has(FAIR, "plants is at ten not eleven", "| plants | Tom | 10 | 132 |")


class Asked(AtWork):
    def told(self, page: str, said: str, *words: str) -> None:
        with self.subTest(said):
            desk = self.desk(page)
            *before, last = said.split(" / ")
            if before:
                desk.hears(*before)
            held = desk.markdown
            entry = desk.hears(last)
            self.assertEqual((entry.read_as, desk.markdown), ("command", held))
            for word in words:
                self.assertIn(word, entry.summary)

    def test_of_a_table(self) -> None:
        self.told(FAIR, "which stall has the most takings", "plants: 132")
        self.told(FAIR, "who has the most takings", "Tom: 132")
        self.told(FAIR, "what is the lowest takings", "books: 47")
        page = "| name | tools |\n|---|---|\n| Ida | Two forks |\n| Tom | Three spades |"
        self.told(page, "who has the most tools", "Tom: Three spades")
        self.stays(FAIR, "who has the most fun", "which boat has the most sails")

    def test_to_be_read(self) -> None:
        for said in ("bold forty / read it", "let's hear it", "say that again"):
            self.told(TENT, said, "reading")
        self.stays(TENT, "please read it")

    def test_where_the_writing_place_is(self) -> None:
        self.told(FAIR, "what row am i in", "line")


class Selected(AtWork):
    def test_another_stretch_is_selected(self) -> None:
        for said, selected in (
            ("select from thank to peg / no up to tent", "thank you for the tent"),
            ("select forty guests / no the pegs", "the pegs"),
        ):
            with self.subTest(said):
                desk = self.desk(TENT.replace("pegs are", "peg is the pegs"))
                before = desk.markdown
                desk.hears(*said.split(" / "))
                held = desk.sitting.selection
                self.assertIsNotNone(held)
                self.assertEqual(desk.document.text(held), selected)
                self.assertEqual(desk.markdown, before)

    def test_one_of_its_kind_takes_its_place(self) -> None:
        self.has(TENT, "select forty / no fifty", "We had fifty guests")
        self.has(TENT, "select tuesday / sorry thursday", "back on Thursday after")

    def test_text_takes_its_place(self) -> None:
        self.has(TENT, "select forty guests / no children today", "had no children today and")


class Sizes(AtWork):
    def test_each_part_keeps_its_own(self) -> None:
        desk = self.desk("# Walk\n\nBring a hat.")
        desk.hears("everything bigger")
        self.assertIn('# <span style="font-size: 24pt">Walk', desk.markdown)
        self.assertIn('<span style="font-size: 14pt">Bring', desk.markdown)
        desk.hears("make the letters larger", "that is too large")
        self.assertIn('<span style="font-size: 14pt">Bring', desk.markdown)

    def test_a_part_that_is_too_large(self) -> None:
        self.has(TENT, "the title is too big", "font-size: 18pt")
        self.stays(TENT, "the tent is too big")

    def test_lines_apart(self) -> None:
        desk = self.desk(TENT)
        for said in ("make it double spaced", "double spaced all through"):
            desk.hears(said)
            self.assertEqual({block.format.spacing for block in desk.document.blocks}, {2.0})
            desk.hears("undo that")

    def test_where_a_look_is(self) -> None:
        desk = self.desk(TENT)
        desk.hears("italicise forty", "bold tuesday")
        self.assertIn("“forty”", desk.hears("which words are in italics").summary)
        self.assertIn("Nothing", desk.hears("which words are underlined").summary)
        self.assertIn("“Tuesday”", desk.hears("what is bold").summary)
        self.stays(TENT, "what is red")


class Moved(AtWork):
    def test_a_line_above_another(self) -> None:
        page = f"{TENT}\n\nYours ever"
        self.has(page, "put ellis marsh below yours ever", "Yours ever\n\nEllis Marsh")
        self.has(page, "move yours ever above ellis marsh", "Yours ever\n\nEllis Marsh")

    def test_no_clause_is_torn_from_its_sentence(self) -> None:
        self.has("I was not afraid, because he held my foot. He liked tea.",
                 "move the bit about my foot to the end",
                 "He liked tea. I was not afraid, because he held my foot.")  # fmt: skip

    def test_items_between_items(self) -> None:
        page = "Bring these.\n\n- lights\n- two tents\n- a piano\n\nRing Osric."
        self.has(page, "put benches between the lights and the tents",
                 "- lights\n- benches\n- two tents")  # fmt: skip
        self.has(page, "the list needs chairs on it", "- a piano\n- chairs")
        self.stays(page, "the last sentence should be about the organ")


class House(AtWork):
    def test_one_note_and_another(self) -> None:
        desk = self.desk(TENT)
        desk.hears("put a note by the pegs sentence saying ask nell",
                   "and one on the title is it too long")  # fmt: skip
        listed = desk.hears("what notes are left")
        self.assertEqual(
            (listed.command, "two notes" in listed.summary), ("notes.list_notes", True)
        )
        desk.hears("read the first note")
        self.assertEqual(desk.hears("that one is dealt with").command, "notes.settle")

    def test_a_version_and_its_changes(self) -> None:
        desk = self.desk(TENT)
        desk.hears("keep this letter as it is now under the name tuesday version",
                   "change forty to fifty", "change lunch to tea",
                   "what have i changed since tuesday version")  # fmt: skip
        self.assertEqual(desk.hears("take me through the changes").command, "versions.walk")
        desk.hears("put that back")
        self.assertIn("forty", desk.markdown)
        self.assertEqual(desk.hears("i am done with the changes").command, "versions.stop")

    def test_a_template(self) -> None:
        desk = self.desk(TENT)
        desk.hears("i want to keep this letter as a template called thank you letter")
        self.assertEqual([p.name for p in desk.sitting.passages], ["thank you letter"])

    def test_what_was_just_asked_for_is_put_right(self) -> None:
        desk = self.desk(FAIR)
        desk.hears("colour plants red", "no the whole row")
        self.assertEqual(desk.markdown.count("color: red"), 4)
        self.has(TENT, "bold forty / i meant the whole sentence", "**We had forty guests and it")
        self.stays(FAIR, "make the numbers line up")


class Mending(AtWork):
    def test_a_number_of_what_is_counted(self) -> None:
        for said in ("it's three pegs not two", "it's three pegs that are bent not two"):
            self.has(TENT, said, "Three of the pegs are bent.")
        self.has(TENT, "it's fifty guests not forty", "We had fifty guests and")
        self.has("The stair has 38 steps, and is old.", "it should be forty steps not thirty eight",
                 "The stair has 40 steps, and")  # fmt: skip

    def test_a_title_for_a_title(self) -> None:
        for said in ("not mrs but doctor", "doctor not mrs", "change mrs to doctor"):
            self.has(TENT, said, "Dear Doctor Okafor,")

    def test_said_again_with_a_word_more(self) -> None:
        self.has("", "ida / actually put grandma ida", "Grandma Ida")
        self.has("", "the hall / mill lane / no mill street", "mill Street")
        self.stays("Tea", "no cake for me today")

    def test_not_everywhere_after_all(self) -> None:
        page = "# The walk\n\nWe walk on Sunday."
        self.has(page, "change walk to stroll everywhere / not in the title",
                 "# The walk\n\nWe stroll")  # fmt: skip
        self.has(page, "underline sunday / not underlined just bold", "on **Sunday**.")

    def test_a_capital_is_the_nouns(self) -> None:
        desk = self.desk("We agreed to walk to the weir.")
        desk.hears("i think the weir should have a capital", "all of the boats were late")
        self.assertIn("to the Weir", desk.markdown)
        self.assertIn("All of the boats", desk.markdown)

    def test_before_a_sentence_by_its_first_words(self) -> None:
        self.has(TENT, "tom will drive full stop / put that before ida will bring",
                 "bent. Tom will drive. Ida will")  # fmt: skip
        self.has(TENT, "put ida will bring into a paragraph of its own / and start it with also",
                 "\n\nAlso Ida will bring")  # fmt: skip


class Looks(AtWork):
    def told(self, said: str, *words: str) -> None:
        with self.subTest(said):
            desk = self.desk(TENT)
            *before, last = said.split(" / ")
            desk.hears(*before) if before else None
            held = desk.markdown
            entry = desk.hears(last)
            self.assertEqual(desk.markdown, held)
            for word in words:
                self.assertIn(word, entry.summary)

    def test_they_are_told(self) -> None:
        self.told("what font is the title", "Atkinson Hyperlegible", "heading 1")
        self.told("make the title red / what colour is the title", "red")
        self.told("what font is this in", "12 points")
        self.told("make forty bold / how is the second paragraph formatted", "then", "bold")

    def test_whether_there_is_one(self) -> None:
        self.told("is the title underlined", "no, not underlined")
        self.told("bold forty / is it bold", "yes")
        self.told("bold forty / is the second paragraph bold", "in part")
        self.stays(TENT, "is the tent red", "what size is the tent", "what colour is the boat")

    def test_a_question_is_no_request(self) -> None:
        desk = self.desk("The path is steep.")
        desk.hears("is steep bold")
        self.assertNotIn("**", desk.markdown)
