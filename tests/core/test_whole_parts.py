"""Parts that are moved and taken out whole: sentences, sections, cells, what brackets hold."""

from __future__ import annotations

from tests.core.test_at_work import AtWork

REPORT = (
    "# Orchard report\n\n## Trees\n\nWe planted forty apple trees. The rest are well.\n\n"
    "## Money\n\nThe fence cost more; the gate cost less (we asked twice). Hans paid.\n\n"
    "## Plans\n\n1. Mend the pump\n2. Buy a ladder\n3. Thank Hans\n\nSee you in the Spring."
)
LETTER = (
    "Dear Mr Okafor,\n\nThank you for the lamp. We have cleaned it twice, but it is dull.\n\n"
    "Could your shop help? Our boat calls on Tuesdays.\n\nYours sincerely,\n\nWilma Stenness"
)
BOATS = (
    "# Boats\n\n| Boat | Skipper | Fee | Length |\n|---|---|---|---|\n| Heron | Tova | 40 | 7 |\n"
    "| Gannet | Milo | 55 | 9 |\n| Plover | Anders | 25 | 5 |\n\nKeys hang in the office."
)


class Moving(AtWork):
    def test_words_that_begin_a_sentence_take_it_with_them(self) -> None:
        self.has(LETTER, "move our boat to the end of the second paragraph", "dull. Our boat calls")
        self.has(
            LETTER, "put could your shop before thank you for", "Could your shop help? Thank you"
        )

    def test_words_go_within_their_sentence(self) -> None:
        self.has(
            LETTER, "move on tuesdays to the start of the sentence", "On Tuesdays our boat calls."
        )
        self.has(LETTER, "move twice to the end of its sentence", "it is dull twice.")

    def test_to_the_end_is_above_the_closing_words(self) -> None:
        self.has(LETTER, "move thank you to the end", "Tuesdays. Thank you for the lamp.\n\nYours")

    def test_sections_by_their_headings(self) -> None:
        for said in ("move plans before money", "plans should come before money"):
            self.has(REPORT, said, "Spring.\n\n## Money")
        self.has(REPORT, "put the money section first", "# Orchard report\n\n## Money")

    def test_what_was_cut_goes_where_it_is_put(self) -> None:
        self.has(LETTER, "cut our boat calls on tuesdays / put it before thank you", "Tuesdays. Th")


class TakingOut(AtWork):
    def test_brackets_go_with_what_they_hold(self) -> None:
        self.has(REPORT, "delete the bit in brackets", "the gate cost less. Hans")
        self.has(REPORT, "delete we asked twice", "the gate cost less. Hans")

    def test_few_words_are_none_over_the_end_of_a_sentence(self) -> None:
        for said in ("delete trees the rest", "change well fence to gate"):
            desk = self.desk(REPORT)
            before = desk.markdown.strip()
            desk.hears(said)
            self.assertIn(before, desk.markdown)

    def test_quoted_words_are_no_slip(self) -> None:
        self.has(REPORT, "put the rest are well in bold", "**The rest are well**")

    def test_a_mark_for_a_mark(self) -> None:
        for said in ("make the semicolon a full stop", "the semicolon should be a full stop"):
            self.has(REPORT, said, "more. The gate")

    def test_what_stands_below_a_heading(self) -> None:
        self.has(REPORT, "delete everything under trees", "## Trees\n\n## Money")


class Tables(AtWork):
    def test_what_a_column_says_is_no_column(self) -> None:
        for said in ("remove everything in the length column", "delete the numbers under length"):
            self.has(BOATS, said, "| Boat | Skipper | Fee | Length |", "| Heron | Tova | 40 |  |")
        self.has(BOATS, "delete everything in the heron row", "|  |  |  |  |")

    def test_a_cell_by_row_and_column(self) -> None:
        self.has(BOATS, "put sixty in gannet fee", "| Gannet | Milo | 60 | 9 |")
        self.has(BOATS, "make gannet skipper osk", "| Gannet | Osk | 55 | 9 |")

    def test_a_column_called_so_is_renamed(self) -> None:
        for said in (
            "rename the column skipper to captain",
            "the skipper column is now called cap",
        ):
            self.has(BOATS, said, "| Boat | Cap")

    def test_a_row_with_fewer_words_than_columns(self) -> None:
        self.has(BOATS, "new row tern ola thirty six", "| Tern | Ola | 36 |  |")
        self.stays(BOATS, "another row broke out")

    def test_questions_to_a_table(self) -> None:
        for said, told in (
            ("which boat is the longest", "Gannet: 9"),
            ("what is the cheapest", "Plover: 25"),
            ("what skipper has plover", "Anders"),
        ):
            with self.subTest(said):
                self.assertIn(told, self.desk(BOATS).hears(said).summary)

    def test_a_time_in_its_column(self) -> None:
        self.has(
            "",
            "a table with job name and time / setting up tom eight / serving tea ada ten thirty",
            "| Serving tea | Ada | 10:30 |",
        )

    def test_headings_tell_what_stands_below_them(self) -> None:
        songs = (
            "a table with song singer and minutes / the linnet marta four / northern lights oskar"
            " seven"
        )
        self.has("", songs, "| The linnet | Marta | 4 |", "| Northern lights | Oskar | 7 |")
        self.has(
            "", "a table with boat and skipper / old tern / next / milo", "| Old tern | Milo |"
        )
        told = self.desk().hears(*songs.split(" / "), "finished", "which song is the longest")
        self.assertIn("Northern lights: 7", told.summary)


class Lists(AtWork):
    def test_a_list_is_turned_round(self) -> None:
        for said in ("reverse the list", "turn the list upside down"):
            self.has(REPORT, said, "1. Thank Hans\n2. Buy a ladder\n3. Mend the pump")

    def test_a_paragraph_joins_the_list(self) -> None:
        self.has(REPORT, "add the last paragraph to the list", "3. Thank Hans\n4. See you")
        self.has(REPORT, "make the last paragraph a list item", "4. See you in the Spring.")

    def test_room_is_left(self) -> None:
        desk = self.desk(REPORT)
        count = len(desk.document.blocks)
        desk.hears("leave a line after the title")
        self.assertEqual(len(desk.document.blocks), count + 1)
        self.assertFalse(desk.document.blocks[1].text)


class Letters(AtWork):
    def test_a_letter_to_somebody_begins_with_its_greeting(self) -> None:
        self.has("", "new letter to mr novak / thank you", "Dear Mr Novak,\n\nThank you")

    def test_the_name_of_a_paper_has_its_own_line(self) -> None:
        self.has("", "minutes of the club / present were ada and tom", "club\n\nPresent were")
        self.has("", "minutes of the last meeting / were read", "Minutes of the last meeting were")
        self.has(
            "",
            "automatic punctuation on / minutes of the club / present were ada tom and mrs lund",
            "Minutes of the club\n\nPresent were Ada, Tom and Mrs Lund.",
        )

    def test_a_passage_beside_a_part(self) -> None:
        self.has(
            LETTER,
            "keep the last sentence of the third paragraph as boats / insert boats after the first"
            " sentence",
            "the lamp. Our boat calls on Tuesdays. We",
        )

    def test_a_question_that_nobody_answers_lets_go(self) -> None:
        desk = self.desk(LETTER)
        entry = desk.hears("change the second paragraph to gate")
        self.assertIn("yes", entry.summary)
        desk.hears("kind regards")
        desk.hears("lena brodie")
        self.assertIsNone(desk.sitting.question)
        self.assertIn("Lena Brodie", desk.markdown)


class Looks(AtWork):
    def test_of_words_in_a_part(self) -> None:
        for said in (
            "make hans bold in the second paragraph", "put hans in bold in the second paragraph",
        ):  # fmt: skip
            self.has(REPORT, said, "(we asked twice). **Hans** paid.")

    def test_words_without_brackets_may_be_text(self) -> None:
        self.has(REPORT, "we asked twice without brackets", "less we asked twice. Hans")
        self.stays(REPORT, "apple trees without brackets")

    def test_what_no_look_is(self) -> None:
        self.stays(REPORT, "the pump with a shadow")
        self.refused(REPORT, "put hans in small capitals")
