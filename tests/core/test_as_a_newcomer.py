"""Letters, minutes, lists and tables by somebody who never heard of a command: what comes to mind,
one thing after the other."""

from __future__ import annotations

from datetime import datetime

from tests.core.test_at_work import AtWork

COUNCIL = (
    "14 Quay Lane\\\nSaltmarsh\n\n30 November 2026\n\nDear Sir or Madam\n\nI am writing about the"
    " street lamp. My neighbour fell on the step last week and she is 82.\n\nCould you please tell"
    " me when it will be mended?\n\nYours faithfully\n\nWilf Harker"
)
ROTA = (
    "# Tea rota\n\nHere is who makes the tea. Please swap among yourselves.\n\n"
    "| day | maker | cups |\n|---|---|---|\n| Monday | Ida | 12 |\n| Tuesday | Tom | 30 |\n"
    "| Friday | Greta | 8 |\n\nThe urn is in the cellar. Ask Tom for the key."
)
NOTICE = (
    "# Open day\n\nThe lamp room will be closed on Monday for painting. Tea is served in the"
    " boathouse from ten.\n\nBring your own gloves and a packed lunch.\n\n- ropes\n- oil\n"
    "- gate keys\n\nYours ever,\n\nMatilda Crane"
)


class Letters(AtWork):
    def written(self, said: str, markdown: str) -> None:
        with self.subTest(said):
            desk = self.desk()
            desk.hears(*said.split(" / "))
            self.assertEqual(desk.markdown.strip(), markdown)

    def test_a_letter_has_its_lines_unasked(self) -> None:
        self.written(
            "fourteen quay lane new line saltmarsh / dear sir or madam / i am writing about the"
            " lamp full stop / could it be mended question mark / yours faithfully / wilf harker",
            "14 Quay Lane\\\nSaltmarsh\n\nDear Sir or Madam\n\nI am writing about the lamp. Could"
            " it be mended?\n\nYours faithfully\n\nWilf Harker",
        )
        self.written("dear ida comma / thank you for the cake full stop / with love / comma / tom",
                     "Dear Ida,\n\nThank you for the cake.\n\nWith love,\n\nTom")  # fmt: skip
        self.written("dear bob / and mary / we are coming", "Dear Bob and Mary\n\nWe are coming")

    def test_lines_that_are_broken_by_the_speaker(self) -> None:
        self.written("dear ida / new paragraph thank you for it", "Dear Ida\n\nThank you for it")
        self.written(
            "dear ida comma / new line / thank you for it", "Dear Ida,\\\nThank you for it"
        )
        self.written("all is well / yours faithfully / new line wilf harker",
                     "All is well\n\nYours faithfully\\\nWilf Harker")  # fmt: skip

    def test_what_goes_on_stays_on_its_line(self) -> None:
        self.written("send him my / best wishes", "Send him my best wishes")
        self.written("she is very / dear to me", "She is very dear to me")
        self.written("all is well full stop / all the best / for your exams",
                     "All is well.\n\nAll the best for your exams")  # fmt: skip
        self.written("dear ida / marlowe", "Dear Ida Marlowe")

    def test_the_date_where_it_is_asked_for(self) -> None:
        today = "14 June 2026"
        for said in ("put today's date at the top right", "put the date in the top right corner"):
            desk = self.desk("Dear Bob", now=datetime(2026, 6, 14))
            desk.hears(said)
            self.assertEqual((desk.document.blocks[0].text, desk.document.blocks[0].align),
                             (today, "right"))  # fmt: skip
        self.has("", "dear bob / put the date underneath", f"Dear Bob\n\n{today}")
        self.has("", "fourteen quay lane / now the date underneath", f"Lane\n\n{today}")
        self.has("", "the tide comes in / put the date on the next line", f"in\n\n{today}")
        self.stays("", "the date underneath the picture was old")

    def test_what_the_desk_was_never_told(self) -> None:
        self.refused(
            "", "put my address at the top right", "insert my address", "put my address in"
        )
        self.has(
            "",
            "fourteen quay lane / keep that as my address / new paragraph / insert my address",
            "14 Quay Lane\n\n14 Quay Lane",
        )
        self.stays("", "keep that as proof", "put my name on the list")

    def test_the_address_of_a_letter(self) -> None:
        self.has(COUNCIL, "bold the address", "**14 Quay Lane\\\nSaltmarsh**", command="marks.bold")
        desk = self.desk(COUNCIL)
        desk.hears("delete the address")
        self.assertTrue(desk.markdown.strip().startswith("30 November 2026"))

    def test_no_sentence_is_a_date_or_a_greeting(self) -> None:
        desk = self.desk("30 November 2026\n\nDear Mr Holm\n\nThank you. It was warm.")
        desk.hears("select the first sentence")
        self.assertIn("[Thank you.]", desk.page)

    def test_lines_are_those_of_the_speaker(self) -> None:
        self.has(COUNCIL, "delete the line about the lamp", "\n\nMy neighbour fell")
        self.has(COUNCIL, "bold the line with saltmarsh in it", "**Saltmarsh**")

    def test_a_bit_is_no_more_than_what_it_is_about(self) -> None:
        self.written("i can pay by cheque or in cash / take out the bit about cash",
                     "I can pay by cheque")  # fmt: skip

    def test_one_stop_at_the_end(self) -> None:
        self.written("it is cold full stop / full stop at the end please", "It is cold.")
        self.written("it is cold full stop / question mark at the end", "It is cold?")
        self.written("is it cold / put a question mark on the end", "Is it cold?")

    def test_ranges_in_one_style(self) -> None:
        self.written("we need it from six till eleven", "We need it from 6 till 11")


class Headings(AtWork):
    def test_a_heading_by_its_word(self) -> None:
        page = "# Garden club\n\nHeld on Tuesday."
        self.has(page, "heading present / ida and tom", "\n\n## Present\n\nIda and Tom")
        self.has(page, "heading present / ida / heading the plant sale", "\n\n## The plant sale")
        self.has("The boat was late.", "heading weather", "# Weather")
        self.has("It was late.", "big heading saying coffee morning", "# Coffee morning")
        self.stays("It was late.", "heading north", "heading home we saw a boat")
        self.stays("It was late.", "heading the queue was ida", "heading towards the quay")
        self.stays("It was late.", "heading inland", "underneath put a layer of cream")
        self.stays("They were", "heading the queue")

    def test_what_was_just_said_is_one_alone(self) -> None:
        for said in ("make that a heading", "that should be a heading", "that's a heading"):
            desk = self.desk("The plan.")
            desk.hears("next meeting", said, "we meet on friday")
            self.assertEqual(
                desk.markdown.strip(), "The plan.\n\n# Next meeting\n\nWe meet on Friday"
            )

    def test_a_look_at_the_end_of_what_it_says(self) -> None:
        self.has("", "add a line at the top saying complaint in capitals", "COMPLAINT")
        self.has("", "add a heading saying complaint in bold", "# **Complaint**")


class Lists(AtWork):
    def test_lines_become_items(self) -> None:
        wanted = "- Flour\n- Eggs\n- Butter"
        self.has("", "flour new line eggs new line butter / make that a list", wanted)
        self.has("", "flour / new line / eggs / new line / butter / put bullets on those", wanted)
        few = "flour / new paragraph / eggs / new paragraph / butter"
        self.has("", f"{few} / make those a list / next item / jam", f"{wanted}\n- Jam")
        self.has("", f"{few} / make that a list", "Flour\n\nEggs\n\n- Butter")
        self.has("We need:", f"new paragraph / {few} / bullets on those", f"We need:\n\n{wanted}")

    def test_one_more_item(self) -> None:
        self.has("- flour\n- eggs", "oh and candles", "\n- candles")
        self.has("- flour\n- eggs", "oh and she was late", "eggs oh and she was late")

    def test_below_the_list(self) -> None:
        self.has("- flour\n- eggs", "below that say tom brings it", "- eggs\n\nTom brings it")
        self.has("", "i'd rather have numbers")
        for said in ("i'd rather have a numbered list", "change the list to one with numbers"):
            self.has(NOTICE, said, "1. ropes\n2. oil")


class Tables(AtWork):
    def test_a_table_as_it_comes_to_mind(self) -> None:
        self.has(
            "",
            "make a table for the tea rota / three columns / day person and cups / monday ida"
            " twelve / tuesday tom thirty / oh and friday greta eight / how many cups is that"
            " altogether / put that at the bottom / sort it by cups / no the other way round",
            "| Day | Person | Cups |",
            "| Tuesday | Tom | 30 |\n| Monday | Ida | 12 |\n| Friday | Greta | 8 |\n"
            "| Total |  | 50 |",
        )

    def test_a_row_behind_one_that_is_filled(self) -> None:
        said = "put a total at the bottom / go to row four column three / we had nine left"
        self.has(ROTA, said, "| Greta | 8 we had nine left |\n| Total |")
        said = "put a total at the bottom / go to row four column three / saturday ida nine"
        self.has(ROTA, said, "| Greta | 8 |\n| Saturday | Ida | 9 |\n| Total |")

    def test_a_row_that_is_none_is_no_row(self) -> None:
        page = "| Day | Person |\n|---|---|\n| Monday | Ida |"
        self.has(page, "go to row two column two / we went home", "Ida we went home")

    def test_cells_by_whose_they_are(self) -> None:
        self.has(ROTA, "greta's eight should be a nine", "| Friday | Greta | 9 |")
        self.has(ROTA, "friday cups are nine now", "| Friday | Greta | 9 |")
        self.has(ROTA, "make tom's number bold", "| **30** |")
        self.has(ROTA, "monday is ruth now", "| Monday | Ruth | 12 |")
        self.has(ROTA, "put ruth down for monday", "| Monday | Ruth | 12 |")
        self.has(ROTA, "ida can't come so make it ruth", "| Monday | Ruth | 12 |")
        self.has(ROTA, "make all the makers bold", "| **Ida** |", "| **Greta** |", "| maker |")
        self.stays(ROTA, "monday is a holiday now", "put the kettle down for tuesday")
        self.stays(ROTA, "tom is six now")

    def test_rows_by_any_of_their_cells(self) -> None:
        first = "| --- | --- | --- |\n| Friday |"
        for said in ("put greta above ida", "move friday up above monday"):
            self.has(ROTA, said, first)
        self.has(ROTA, "put ida at the bottom", "| Greta | 8 |\n| Monday | Ida | 12 |")
        self.has(ROTA, "tuesday can go from the table", "| Ida | 12 |\n| Friday |")

    def test_emptied_and_kept(self) -> None:
        for said in ("clear row two but keep it", "blank out ida's row but keep it",
                     "wipe monday but leave the row"):  # fmt: skip
            self.has(ROTA, said, "|  |  |  |")

    def test_looks_of_a_table(self) -> None:
        self.has(ROTA, "put the headings in bold", "| **day** |", "# Tea rota")
        for said in ("numbers in the last column to the right", "the numbers in the cups column on"
                     " the right"):  # fmt: skip
            desk = self.desk(ROTA)
            self.assertEqual(desk.hears(said).command, "blocks.align", said)
        self.has(ROTA, "i want a column for the phone", "| cups | Phone |")
        self.assertIn("50", self.desk(ROTA).hears("add up the numbers in the last column").summary)


class Revising(AtWork):
    def test_a_replacement_with_its_look(self) -> None:
        for said in (
            "replace painting with repairs and make it bold",
            "replace painting with repairs then embolden it",
            "change painting to repairs in bold",
        ):
            self.has(NOTICE, said, "for **repairs**.")
        self.has(NOTICE, "ropes in bold and oil in italics", "- **ropes**\n- *oil*")
        self.stays(NOTICE, "the bell in bold and the drum in italics")

    def test_words_told_by_those_round_them(self) -> None:
        self.has(NOTICE, "remove own from bring your own gloves", "Bring your gloves and a packed")

    def test_said_again_with_other_words_inside(self) -> None:
        self.has("", "we lost three to nil / i mean three nil", "We lost three nil")
        self.has(
            "", "flour two bags and eggs / flour should be one bag not two", "Flour one bag and"
        )

    def test_another_look_of_what_was_just_said(self) -> None:
        for said in ("i meant bold", "no just bold", "actually not red just bold"):
            self.has("", f"the lamp is old / make that red / {said}", "**The lamp is old**")
        self.has("", "the lamp is old / make that red / try blue", "color: blue")
        self.has("", "it is old / make that red / hmm i don't like the red", "It is old")

    def test_everything_after_a_word_of_a_part(self) -> None:
        page = "We sail at noon. The boat is late.\n\nBring a coat."
        for said in (
            "delete everything after noon in the first paragraph",
            "cut paragraph one off after noon",
            "end the first paragraph at noon",
        ):
            desk = self.desk(page)
            desk.hears(said)
            self.assertEqual(desk.markdown.strip(), "We sail at noon.\n\nBring a coat.", said)
        self.stays(page, "end the day at the boat")

    def test_two_deletions_put_back(self) -> None:
        desk = self.desk(NOTICE)
        desk.hears("delete own", "delete oil", "put both back")
        self.assertEqual(desk.markdown.strip(), NOTICE)

    def test_an_end_named_in_front(self) -> None:
        said = "second paragraph add at the end there will be cake full stop"
        self.has(NOTICE, said, "a packed lunch. There will be cake.")
        said = "tack there will be cake full stop onto the end of paragraph two"
        self.has(NOTICE, said, "a packed lunch. There will be cake.")

    def test_what_is_not_understood_is_not_written(self) -> None:
        self.refused(NOTICE, "start a fresh page")
        self.stays(NOTICE, "leave it to me", "put the kettle on", "take everything with you")
