"""Requests said in two breaths, two requests said in one, several parts at once; and sentences that
are said once more, or with courtesy and a mark, and ask for nothing."""

from __future__ import annotations

from nimble_lantern.core.hints import hints
from nimble_lantern.formats import to_markdown
from tests.core.test_at_work import AtWork
from tests.desk import DeskCase

LETTER = (
    "To the harbour office\n\nMy boat has been on the slip since April. I paid for six weeks, but"
    " nobody has moved it. The rope is worn and the cover is torn.\n\nI rang you on Monday and"
    " spoke to Corin. He said the crane was broken. Could you tell me when it will be mended?\n\n"
    "You can write to me at home. My number is on the card."
)
JOBS = "# Jobs\n\n1. ring the dentist\n2. order coal\n3. pay the cleaner\n4. answer Nell"
LIFTS = (
    "Lifts\n\n| Day | Driver | Seats |\n| --- | --- | --- |\n| Friday | Mabel | 3 |\n"
    "| Saturday | Tomas | 5 |\n| Sunday | Ivy | 2 |\n\nRing Ivo the night before."
)


class Unfinished(DeskCase):
    def test_what_comes_next_is_the_rest_of_it(self) -> None:
        desk = self.desk(LIFTS)
        began = desk.hears("replace ivo with")
        self.assertRead("unclear", began)
        self.assertRead("command", desk.hears("mabel"), "replacing.replace_with")
        self.assertIn("Ring Mabel the night", desk.markdown)
        desk.hears("undo that")
        self.assertEqual(desk.markdown, LIFTS)

    def test_a_note_is_said_after_what_it_is_on(self) -> None:
        desk = self.desk(LIFTS)
        desk.hears("i want to comment on the last sentence", "is this true question mark")
        self.assertIn("“Is this true?”", desk.sitting.trail[-1].summary)
        self.assertEqual(desk.markdown, LIFTS)

    def test_another_request_is_done_instead(self) -> None:
        for said in ("bold ivy", "go to the top", "never mind", "undo that"):
            desk = self.desk(LIFTS)
            desk.hears("replace ivo with", said)
            self.assertIn("Ring Ivo the night", desk.markdown, said)
            self.assertFalse(desk.sitting.begun, said)

    def test_it_can_be_left_and_is_heard_of(self) -> None:
        for said in ("never mind", "undo that", "cancel"):
            desk = self.desk(LIFTS)
            desk.hears("bold ivo", "replace ivo with")
            self.assertIn("never mind", hints(desk.sitting))
            desk.hears(said)
            self.assertIn("Ring **Ivo** the night", desk.markdown, said)
            self.assertFalse(desk.sitting.begun, said)
        desk.hears("undo that")
        self.assertEqual(desk.markdown, LIFTS)

    def test_somebody_who_goes_on_with_the_letter_is_written(self) -> None:
        desk = self.desk(LIFTS)
        line = "the meeting was held on tuesday and everyone who had a car came"
        desk.hears("replace ivo with")
        self.assertRead("text", desk.hears(line))
        self.assertIn("Ring Ivo the night before. The meeting was held", desk.markdown)

    def test_it_may_have_been_text(self) -> None:
        desk = self.desk(LIFTS)
        desk.hears("change the night before to", "that was text")
        self.assertTrue(desk.markdown.endswith("before. Change the night before to"))

    def test_sentences_that_stop_so_are_written(self) -> None:
        for said in ("i told her to change ivo to", "write to ivo saying", "put the key by"):
            desk = self.desk(LIFTS)
            self.assertRead("text", desk.hears(said))


class Two(AtWork):
    def test_one_verb_for_two_replacements(self) -> None:
        for said in (
            "change home to work and card to letter",
            "replace home with work and card with letter",
            "swap home for work and card for letter",
        ):
            self.has(LETTER, said, "write to me at work. My number is on the letter.")

    def test_a_request_behind_a_replacement(self) -> None:
        self.has(LETTER, "change home to work and underline card", "at work. My number")
        self.has(LETTER, "change april to may then delete the question", "slip since May. I paid")

    def test_what_only_sounds_like_another_is_of_the_words(self) -> None:
        self.has(LETTER, "change home to work and play", "write to me at work and play. My")
        self.has(LETTER, "change corin to corin and the crane", "to Corin and the crane. He")
        self.has(LETTER, "change home to work and go home", "at work and go home. My")


class Several(AtWork):
    def test_looks_and_deletion_of_several_that_are_selected(self) -> None:
        for said, has in (
            ("bold", "**rope** is worn and the **cover**"),
            ("in capitals", "The ROPE is worn and the COVER is"),
            ("delete", "The is worn and the is torn."),
        ):
            self.has(LETTER, f"select rope and cover / {said}", has)
        self.has(LETTER, "select every is / bold / underline", "rope **<u>is</u>** worn")

    def test_more_is_selected_and_not_written_over(self) -> None:
        self.has(
            LETTER, "select crane / and was broken too / bold", "the **crane was broken**. Could"
        )
        self.has(
            LETTER, "select rope / and the cover too / bold", "**rope** is worn and **the cover**"
        )
        self.has(LETTER, "select rope / no the whole sentence / bold", "**The rope is worn and")
        self.stays(LETTER, "select crane / and a hat too")

    def test_three_at_once(self) -> None:
        self.has(LETTER, "bold rope and cover and card", "the **card**.")

    def test_questions(self) -> None:
        self.has(
            LETTER, "bold the question", "broken. **Could you tell me when it will be mended?**"
        )
        self.has(LETTER, "write please at the start of the question", "Please could you tell me")
        self.has(LETTER, "move the question to the end of the letter", "card. Could you tell me")

    def test_so_many_beside_words(self) -> None:
        self.has(LETTER, "delete the two words after spoke", "Monday and spoke. He said")
        self.has(LETTER, "delete the two words before broken", "He said the broken.")


class Items(AtWork):
    def test_by_number_alone(self) -> None:
        self.has(
            JOBS, "swap one and three", "1. pay the cleaner\n2. order coal\n3. ring the dentist"
        )
        self.has(
            JOBS, "put buy stamps between two and three", "2. order coal\n3. buy stamps\n4. pay"
        )
        self.has(JOBS, "item two should be order logs", "2. order logs\n3.")
        self.has(JOBS, "cross off the first two", "# Jobs\n\n1. pay the cleaner\n2. answer Nell")
        self.has(JOBS, "change dentist to doctor in the first one", "1. ring the doctor\n")

    def test_items_stay_whole(self) -> None:
        page = "- a torch\n- dry socks\n- the map"
        self.has(page, "swap the torch with the map", "- the map\n- dry socks\n- a torch")
        self.has(page, "put milk after dry socks", "- dry socks\n- milk\n- the map")
        self.has(JOBS, "put promptly after pay the cleaner", "3. pay the cleaner promptly\n4.")

    def test_what_it_is_to_be_like_is_not_written(self) -> None:
        for said in ("make number one urgent in red", "item two should be shorter"):
            desk = self.desk(JOBS)
            desk.hears(said)
            self.assertIn("1. ring the dentist\n2. order coal", desk.markdown, said)

    def test_one_more_behind_an_item(self) -> None:
        self.has(JOBS, "add matches", "4. answer Nell\n5. matches")
        self.has(JOBS, "next item / add matches", "4. answer Nell\n5. add matches")
        self.has(JOBS, "make these plain paragraphs", "# Jobs\n\nring the dentist\n\norder coal")


class Grid(AtWork):
    def test_corners_and_cells(self) -> None:
        self.has(LIFTS, "put noon in the bottom right cell", "| Sunday | Ivy | Noon |")
        self.has(LIFTS, "clear the bottom left cell", "|  | Ivy | 2 |")
        self.has(LIFTS, "tomas has six seats not five", "| Saturday | Tomas | 6 |")
        self.has(LIFTS, "in the driver column change ivy to ivor", "| Sunday | Ivor | 2 |")

    def test_rows_go_as_rows(self) -> None:
        self.has(LIFTS, "move sunday to the top of the table", "| --- |\n| Sunday | Ivy | 2 |")
        self.has(
            LIFTS, "copy the saturday row to the bottom", "| Ivy | 2 |\n| Saturday | Tomas | 5 |"
        )
        self.has(
            LIFTS, "copy the sunday row above friday", "| --- |\n| Sunday | Ivy | 2 |\n| Friday"
        )

    def test_parts_that_are_added(self) -> None:
        self.has(LIFTS, "put a total row in", "| Sunday | Ivy | 2 |\n| Total |  | 10 |")
        self.has(LIFTS, "put a column called phone before driver", "| Day | Phone | Driver |")

    def test_a_column_by_what_it_holds(self) -> None:
        self.has(LIFTS, "sort the table by name", "| Sunday | Ivy | 2 |\n| Friday | Mabel | 3 |")
        self.has(LIFTS, "arrange the table alphabetically", "| Friday | Mabel | 3 |\n| Saturday")


class Sentences(DeskCase):
    def test_courtesy_with_a_mark_is_written(self) -> None:
        for said, page in {
            "thank you full stop": "Thank you.",
            "sorry full stop": "Sorry.",
            "well full stop": "Well.",
            "please question mark": "Please?",
            "full stop thank you": ". Thank you",
            "thank you new line": "Thank you\n",
        }.items():
            self.desk().hears(said)
            self.assertText(page)
        for said in ("okay new paragraph", "new paragraph please"):
            self.assertRead("command", self.desk().hears(said), "writing.new_paragraph")

    def test_a_mark_that_ends_a_sentence_is_no_target(self) -> None:
        page = "Thank you for the list. The red table is here."
        for said in (
            "in red ink full stop", "turn left full stop", "please read this full stop",
            "please find it full stop", "note to self full stop", "bold full stop",
        ):  # fmt: skip
            desk = self.desk(page)
            self.assertRead("text", desk.hears(said))
            self.assertTrue(desk.markdown.startswith(page), said)
        self.assertRead("command", self.desk("It is late.").hears("delete the full stop"))

    def test_what_the_page_says_already_asks_for_nothing(self) -> None:
        for said in (
            "hotels are tired of getting ripped off",
            "love is not love till you give it away",
            "whatever you want to do you have to do something else first",
            "the greatest of faults is to be conscious of none",
            "put your brain in gear before starting your mouth in motion",
        ):
            page = f"{said.capitalize()}."
            for there in (page, page.replace(" you ", " they ").replace(" getting ", " being ")):
                desk = self.desk(there)
                self.assertRead("text", desk.hears(said))
                self.assertTrue(desk.markdown.startswith(there), said)
            self.assertIsNone(self.desk(page).sitting.question)

    def test_a_clause_waits_for_its_main_one(self) -> None:
        desk = self.desk("", auto_punctuation="on")
        desk.hears("although it was late", "we went on", "nobody minded")
        self.assertText("Although it was late, we went on. Nobody minded.")

    def test_bullets_below_a_heading(self) -> None:
        desk = self.desk()
        desk.hears("shopping", "make that a heading", "bullet points", "tea", "next", "milk")
        self.assertEqual(desk.markdown, "# Shopping\n\n- Tea\n- Milk")

    def test_parts_of_a_letter_behind_a_sentence(self) -> None:
        desk = self.desk()
        desk.hears("do come full stop yours sincerely comma", "new line", "hattie pell")
        desk.hears("add a ps at the end saying bring tea", "make the ps bold", "bold my name")
        self.assertEqual(desk.marked("bold"), ["Hattie Pell", "PS bring tea"])

    def test_what_was_undone_comes_back(self) -> None:
        for page, said in (
            (LETTER, "change home to work and card to letter"),
            (LETTER, "select rope and cover / delete"),
            (JOBS, "put buy stamps between two and three"),
            (LIFTS, "copy the saturday row to the bottom"),
        ):
            desk = self.desk(page)
            desk.hears(*said.split(" / "))
            made = desk.markdown
            desk.hears("undo everything")
            self.assertEqual(desk.markdown, page, said)
            desk.hears("redo everything")
            self.assertEqual(to_markdown(desk.document).strip(), made.strip(), said)
