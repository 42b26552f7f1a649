"""Numbers in either form, headings said whole, parts cut down, remarks before a request, and what
is asked for with its words; and sentences that sound like it."""

from __future__ import annotations

from tests.core.test_at_work import FAIR, AtWork

NOTICE = (
    "# Open day\n\nThe tower opens on Saturday. Come and climb it. Tea is in the kitchen.\n\n"
    "- Ferry at 10:00 from the quay\n- Bring shoes that grip\n- Children climb with an adult"
)


class Numbers(AtWork):
    def test_a_number_that_stands_there_is_put_in_digits(self) -> None:
        for said in (
            "four as a number", "the four as a figure", "make four a digit", "four in figures",
            "i meant the number four", "i meant the digit", "change four to a number",
            "four should be a figure", "the number not the word", "make it a number please",
        ):  # fmt: skip
            self.has("", f"she is in class four / {said}", "She is in class 4")

    def test_and_in_words(self) -> None:
        for said in (
            "twelve in words", "the twelve as a word", "make twelve a word", "i meant the word",
            "twelve should be in words", "not the number the word",
        ):  # fmt: skip
            self.has("", f"she has twelve cats / {said}", "She has twelve cats")

    def test_all_of_a_sentence_are_meant_and_one_of_several_places_is(self) -> None:
        self.has(
            "", "eight boats and three cars came / the last sentence in figures", "8 boats and 3"
        )
        self.has(
            "Four of us came.\n\nFour stayed.",
            "go to the end / they took four / four as a number",
            "Four of us came.",
            "Four stayed. They took 4",
        )

    def test_what_is_of_another_kind_is_said_of_something_else(self) -> None:
        said = "we meet at six on saturday / six in digits / sorry i meant friday"
        self.has("", said, "We meet at 6 on Friday")
        said = "new paragraph we meet at six / six in digits / i meant friday"
        self.has(NOTICE, said, "opens on Saturday", "\nWe meet at 6")

    def test_what_is_no_number_is_none(self) -> None:
        self.stays(NOTICE, "the ferry as a number", "make it a number one hit", "tea in words")
        self.refused(NOTICE, "i meant the number nine")


class Headings(AtWork):
    def test_what_is_said_next_stands_below_it(self) -> None:
        for said in (
            "title the weekend / she sails",
            "heading one the weekend / she sails",
            "heading one / the weekend / she sails",
            "title the weekend / bold it / no bold / she sails",
            "title the weekend / new paragraph she sails",
            "title the weekend / he rows / undo that / she sails",
        ):
            self.has("", said, "# The weekend", "\nShe sails")

    def test_it_begins_with_a_capital_where_marks_are_put_by_themselves(self) -> None:
        said = "punctuation on / title bins / where is the key / and the lid"
        self.has("", said, "# Bins\n\nWhere is the key? And the lid")

    def test_marks_and_what_goes_on_belong_to_it(self) -> None:
        self.has("", "title who comes / question mark / all of us", "# Who comes?", "\nAll of us")
        self.has("", "heading one tea / and cake", "# Tea and cake")
        self.has("", "title bins / heading two when / on friday", "## When", "\nOn Friday")

    def test_who_goes_back_to_it_writes_in_it(self) -> None:
        self.has("", "title bins / go to the end of the title / for june", "# Bins for June")


class CutDown(AtWork):
    def test_the_rest_of_a_part_goes(self) -> None:
        for said in (
            "keep only the last sentence of the first paragraph",
            "cut the first paragraph down to its last sentence",
            "delete everything but the last sentence of the first paragraph",
            "please shorten the first paragraph to the last sentence",
        ):
            self.has(NOTICE, said, "# Open day\n\nTea is in the kitchen.\n", "- Ferry at 10:00")
        self.has(NOTICE, "keep only the first two words of the second item", "- Bring shoes\n")

    def test_nothing_goes_where_there_is_no_such_part(self) -> None:
        self.refused(NOTICE, "keep only the first sentence of the title")

    def test_it_comes_back(self) -> None:
        said = "keep only the first sentence of the first paragraph / undo that"
        self.has(NOTICE, said, "Come and climb it. Tea is in the kitchen.")

    def test_a_bit_is_no_more_than_was_said_in_one_breath(self) -> None:
        text = "jory has been ill since monday / the doctor says it is a cold"
        for said in ("take out the bit about the doctor", "delete the sentence about the doctor"):
            desk = self.desk("")
            desk.hears(*text.split(" / "), said)
            self.assertEqual(desk.markdown.strip(), "Jory has been ill since Monday")
        self.has(
            "", "the boat came / at noon full stop / delete the sentence about noon / so", "So"
        )


class Asked(AtWork):
    def test_courtesy_goes_round_what_is_asked_for_with_its_words(self) -> None:
        for lead in ("please", "could you", "now", "finally", "and then"):
            self.has(NOTICE, f"{lead} add a line at the end saying no dogs", "\n\nNo dogs")

    def test_a_list_a_line_or_a_sentence_is_told_without_saying(self) -> None:
        for said in (
            "add one more to the list bring a coat", "add to the list bring a coat",
            "put a reminder at the end of the list bring a coat", "put another item bring a coat",
        ):  # fmt: skip
            self.has(NOTICE, said, "- Bring a coat")
        self.has(NOTICE, "put a line at the end thank you all", "\n\nThank you all")
        self.has(NOTICE, "under the title write one sentence we are open", "day\n\nWe are open")
        self.stays(NOTICE, "add a sentence about the ferry", "add a line thanking the crew")

    def test_a_remark_may_come_before_a_request(self) -> None:
        for said in (
            "bold the title / that is rather old fashioned take it off again",
            "bold the title / oh that reads badly go back one",
            "delete the last item / that was one too many bring it back",
            "delete the last item / hmm no put that back actually",
            "delete the title / undo that cut",
            "bold the title / it was good before",
        ):
            self.has(NOTICE, said, NOTICE.replace("\n\n- ", "\n\n- "))

    def test_two_requests_may_come_politely(self) -> None:
        self.has(NOTICE, "please bold the title and delete the last item", "# **Open day**")
        self.has(FAIR, "the lamp / and put note before it in bold", "**Note** the lamp")

    def test_what_was_just_said_goes_below_the_title(self) -> None:
        for said in ("put it under the title", "put that right below the title", "move it under"
                     " the title"):  # fmt: skip
            self.has(NOTICE, f"new paragraph ring nell / {said}", "# Open day\n\nRing Nell\n")
        self.refused(NOTICE, "put it under the title")

    def test_what_closes_a_letter_goes_on_lines_of_its_own(self) -> None:
        self.has("", "thank you / on the next line nell", "Thank you\\\nNell")
        said = "thank you / then yours sincerely on its own / below that hester thackeray"
        self.has("", said, "Yours sincerely\\\nHester Thackeray")
        self.stays(NOTICE, "and underneath the table", "below the bridge", "on the next page nell")

    def test_what_was_said_is_mended_behind_its_preposition(self) -> None:
        for said, after in (
            ("see you on friday / actually on saturday", "See you on Saturday"),
            ("see you on friday / or rather saturday", "See you on Saturday"),
            ("he comes by friday / no by thursday", "He comes by Thursday"),
            ("from three o'clock / actually from half past two", "From half past two"),
        ):
            desk = self.desk("")
            desk.hears(*said.split(" / "))
            self.assertEqual(desk.markdown.strip(), after)
        self.has("", "see you on friday / actually by saturday", "on Friday actually by Saturday")

    def test_the_headings_of_a_table_are_said_at_once(self) -> None:
        made = "make a table with three columns"
        said = f"{made} / the headings are day and leaves and comes back / monday"
        self.has("", said, "| Day | Leaves | Comes back |", "| Monday |")
        self.has("", f"{made} / call the columns boat crew and day", "| Boat | Crew | Day |")
        self.has("", f"{made} / the headings are too long now", "| The headings are too long now")


class Harmless(AtWork):
    """Each of these took words away, or changed some that nobody had named."""

    def test_the_word_top_is_that_word(self) -> None:
        self.has("The top shelf is dry.", "get rid of the word top", "The shelf is dry.")

    def test_that_in_red_names_no_word(self) -> None:
        self.refused(FAIR, "could we have that in red", "have it in bold", "this in capitals")

    def test_a_note_is_not_written_over_what_is_selected(self) -> None:
        page = NOTICE
        self.has(page, "select the last item / leave a note there to say ask nell", "an adult")

    def test_an_hour_in_the_place_of_a_time_has_its_minutes(self) -> None:
        self.has(NOTICE, "the ferry goes at eleven not ten", "Ferry at 11:00 from")

    def test_words_in_brackets_are_in_brackets(self) -> None:
        self.has(NOTICE, "after shoes write in brackets or boots", "shoes (or boots) that")

    def test_a_gap_is_no_word(self) -> None:
        self.stays(NOTICE, "put a gap before tea")
        self.refused(NOTICE, "put a space before the title")


class Rows(AtWork):
    ROTA = (
        "# Rota\n\n| Week | Lamp | Boat |\n|---|---|---|\n| 1 | Ida | Nell |\n| 2 | Nell | Ida |\n"
        "| 3 | Osric | Wren |\n\nTell Nell."
    )

    def test_a_row_goes_by_what_stands_under_a_heading(self) -> None:
        self.has(self.ROTA, "delete week two", "| 1 | Ida | Nell |\n| 3 | Osric | Wren |")
        self.has(self.ROTA, "move week three above week one", "| 3 | Osric | Wren |\n| 1 | Ida |")
        self.has(self.ROTA, "move week one to the end", "| 3 | Osric | Wren |\n| 1 | Ida | Nell |")
        self.has(self.ROTA, "swap week one and week three", "| 3 | Osric | Wren |\n| 2 | Nell |")
        self.has(self.ROTA, "bold week two", "| **2** | **Nell** | **Ida** |")
        self.has(self.ROTA, "delete week two / undo that", "| 2 | Nell | Ida |")

    def test_nothing_is_put_into_it_for_words_beside_it(self) -> None:
        page = self.ROTA.split("\n\nTell")[0].split("---|\n", 1)[1]
        for said in (
            "put oil after week two", "put the title after week two", "duplicate week two",
            "move week two under the title", "replace week two with holiday", "quote week two",
            "move the last sentence after week two", "delete week nine",
        ):  # fmt: skip
            self.has(self.ROTA, said, page)

    def test_a_request_that_is_not_understood_is_not_written_into_a_full_cell(self) -> None:
        for said in ("swap weeks one and two", "leave the boat empty for now"):
            self.has(self.ROTA, f"go to the table / {said}", "| Week | Lamp | Boat |")
        self.has(self.ROTA, "go to the table / and month", "| And month week |")


class Breaths(AtWork):
    """Sentences of somebody who says no full stops: the last one is what was said last."""

    SAID = "i bought a kettle from you / the kettle cost ten pounds"

    def test_the_last_sentence_is_what_was_said_last(self) -> None:
        self.has("", f"{self.SAID} / delete the last sentence / so", "from you so")
        self.has("", f"{self.SAID} / bold the last sentence", "from you **the kettle cost £10**")

    def test_one_that_is_closed_is_whole_and_a_word_put_right_begins_none(self) -> None:
        desk = self.desk("")
        desk.hears(*f"{self.SAID} full stop / delete the last sentence".split(" / "))
        self.assertEqual(desk.markdown.strip(), "")
        desk.hears("the boat comes", "at ten", "i meant eleven", "delete the last sentence")
        self.assertEqual(desk.markdown.strip(), "")

    def test_a_list_and_a_verse_are_begun_in_a_word(self) -> None:
        self.has("", "serves four / list / a pound of cod", "Serves four\n\n- A pound of cod")
        self.has("", "the tide goes out / new verse / and i stay", "out\n\nAnd I stay")
        self.has("", "it comes in new line the tide goes", "It comes in\\\nThe tide goes")
        self.stays("", "list of names", "we work in new fields", "the list")

    def test_what_is_asked_for_is_no_word_for_what_was_said(self) -> None:
        desk = self.desk("")
        desk.hears("i stay here", "i mean change here to there")
        self.assertIn("I stay here", desk.markdown)
        self.has("", "i make the bet / i meant make the bed", "I make the bed")
        self.has("", "it leaked on monday / full stop missing after monday", "Monday.")
