"""Jobs done with the screen switched off: only what was spoken is known, and decides."""

from __future__ import annotations

import re
from datetime import datetime
from typing import Any

from nimble_lantern.voices.speaker import Speaker
from nimble_lantern.voices.standin import StandIn
from tests.desk import DeskCase, Driver

LETTER = (
    "# The stair\n\nDear Harbour Board,\n\nThe ferry leaves at noon. The stair has 12 steps.\n\n"
    "The board met. Tea was served at 7:30."
)
NUMBERS = "zero one two three four five six seven".split()


class Listener:
    """Somebody who hears the desk and nothing else."""

    def __init__(self, driver: Driver) -> None:
        self._driver = driver
        self._driver.desk.speaker = self._speaker = Speaker(StandIn(), clock=lambda: 0.0)
        self._number = 0
        self.heard = ""

    def says(self, *lines: str, to_the_end: bool = True) -> str:
        """Speak; what the desk says to the last of the lines."""
        for line in lines:
            self._driver.hears(line)
            playing = self._speaker.playing()
            new = playing is not None and playing["number"] > self._number
            self.heard = " / ".join(playing["texts"]) if playing and new else ""
            if playing and new:
                self._number = playing["number"]
                if to_the_end:
                    last = len(playing["texts"]) - 1
                    self._driver.desk.spoken(self._number, last, 0, done=True)
        return self.heard

    def stopped_at(self, sentence: int, word: int, line: str) -> str:
        """Speak when the voice has come to a word of what it reads."""
        self._driver.desk.spoken(self._number, sentence, word)
        return self.says(line)

    def chooses(self, words: str) -> str:
        """Say the number that was told beside some words."""
        found = re.search(rf"(\d), [^;]*{re.escape(words)}", self.heard)
        assert found, f"{words} was not told: {self.heard}"
        return self.says(NUMBERS[int(found[1])])


class EyesShut(DeskCase):
    def listener(self, markdown: str = LETTER, **given: Any) -> Listener:
        now = datetime(2026, 6, 3, 10, 0)
        return Listener(self.desk(markdown, now=now, answers_aloud="on", **given))

    def test_hearing_the_whole_letter(self) -> None:
        heard = self.listener().says("read from the top")
        self.assertTrue(heard.startswith("heading: The stair / Dear Harbour Board, / The ferry"))
        self.assertIn("twelve steps", heard)

    def test_writing_a_sentence_and_hearing_it(self) -> None:
        desk = self.listener("")
        self.assertIn("The lamp is lit", desk.says("the lamp is lit period", "read it back"))

    def test_changing_a_word(self) -> None:
        desk = self.listener()
        self.assertEqual(desk.says("change noon to midnight"), "noon is now midnight")
        self.assertIn("leaves at midnight", desk.says("read the sentence with ferry"))

    def test_taking_a_mistake_back(self) -> None:
        desk = self.listener()
        self.assertIn("Tea was served", desk.says("delete the last sentence"))
        self.assertIn("undid: deleted five words", desk.says("undo that"))
        self.assertIn("Tea was served", desk.says("read the last sentence"))

    def test_choosing_one_of_two_like_words(self) -> None:
        desk = self.listener("A boat by the pier and a boat by the quay.")
        self.assertIn("1, after A; 2, after pier and a", desk.says("delete boat"))
        desk.chooses("pier and a")
        self.assertIn("A boat by the pier and a by the quay", desk.says("read it back"))

    def test_correcting_by_number(self) -> None:
        desk = self.listener()
        desk.says("correct ferry")
        self.assertIn("is now fairy", desk.chooses("fairy"))

    def test_spelling(self) -> None:
        desk = self.listener()
        desk.says("correct ferry", "spell it")
        self.assertIn("spelled ferro", desk.says("f e r r o"))
        self.assertIn("ferro", desk.says("that is it"))

    def test_finding_out_where_one_is_and_moving(self) -> None:
        desk = self.listener()
        self.assertIn("line 4 of 4", desk.says("where am i"))
        desk.says("go to the stair has")
        self.assertIn("before The stair has", desk.says("where am i"))

    def test_stopping_at_a_word_and_writing_there(self) -> None:
        desk = self.listener()
        desk.says("read the second paragraph", to_the_end=False)
        desk.stopped_at(0, 1, "stop there")
        self.assertIn("after The ferry", desk.says("where am i"))

    def test_changing_what_was_just_read(self) -> None:
        desk = self.listener()
        desk.says("read the second paragraph", to_the_end=False)
        desk.stopped_at(1, 3, "change twelve to thirteen")
        self.assertIn("thirteen steps", desk.says("stop", "read the second paragraph"))

    def test_asking_while_it_reads_and_going_on(self) -> None:
        desk = self.listener()
        desk.says("read the second paragraph", to_the_end=False)
        self.assertIn("23 words", desk.stopped_at(1, 2, "how many words are there"))
        self.assertEqual(desk.says("go on"), "The stair has twelve steps.")

    def test_spelling_while_it_reads(self) -> None:
        desk = self.listener()
        desk.says("answers aloud off", "read the second paragraph", to_the_end=False)
        heard = desk.stopped_at(0, 1, "how is ferry spelled")
        self.assertEqual(heard, "ferry: f, e, r, r, y")
        self.assertIn("The ferry leaves", desk.says("go on"))

    def test_waiting_and_going_on(self) -> None:
        desk = self.listener()
        desk.says("read the second paragraph", to_the_end=False)
        self.assertIn("waiting", desk.stopped_at(1, 2, "wait"))
        self.assertEqual(desk.says("go on"), "The stair has twelve steps.")

    def test_selecting_and_knowing_what(self) -> None:
        desk = self.listener()
        desk.says("select the board met")
        self.assertEqual(desk.says("what is selected"), "three words: The board met")
        self.assertIn("is bold", desk.says("bold it"))

    def test_how_long_it_is(self) -> None:
        desk = self.listener()
        self.assertIn("23 words", desk.says("how many words are there"))
        self.assertIn("five words", desk.says("how long is the last sentence"))

    def test_opening_another_letter_by_its_number(self) -> None:
        desk = self.listener(shelf={"Rota for June": "Ida keeps the lamp.", "Notice": "Open day."})
        desk.says("show the shelf")
        self.assertIn("opened Rota", desk.chooses("Rota"))
        self.assertIn("Ida keeps the lamp", desk.says("read from the top"))
        self.assertIn("The stair", desk.says("the other document"))

    def test_a_passage_with_blanks(self) -> None:
        visit = "We come on [day] at [time], [pick: rain / shine]."
        desk = self.listener("", passages={"visit": visit})
        self.assertIn("say day", desk.says("insert visit"))
        self.assertIn("say time", desk.says("tuesday", "next blank"))
        desk.says("noon", "next blank")
        desk.chooses("shine")
        self.assertIn("We come on Tuesday at noon, shine.", desk.says("read from the top"))

    def test_a_table(self) -> None:
        desk = self.listener("")
        self.assertIn("two rows", desk.says("make a table with two columns and two rows"))
        self.assertIn("row 1, column 2", desk.says("name", "next"))
        self.assertIn("under Name", desk.says("boat", "next row"))
        self.assertIn("under Boat", desk.says("ida", "next"))
        self.assertIn("Ida / twelve", desk.says("12", "end table", "what does row two say"))

    def test_a_note_in_the_margin(self) -> None:
        desk = self.listener()
        self.assertIn("Check the time", desk.says("note on the last sentence check the time"))
        self.assertIn("Check the time", desk.says("read the notes"))
        self.assertIn("settled", desk.says("settle the note"))

    def test_going_through_what_changed(self) -> None:
        desk = self.listener()
        desk.says("call this version first draft", "delete the last sentence")
        self.assertIn("one change", desk.says("what changed since first draft"))
        self.assertIn("is gone", desk.says("next change"))
        desk.says("take this one back")
        self.assertIn("Tea was served", desk.says("read the last paragraph"))

    def test_what_can_be_said(self) -> None:
        desk = self.listener()
        self.assertIn("; new paragraph; ", desk.says("what can i say"))

    def test_being_told_what_went_wrong(self) -> None:
        desk = self.listener()
        self.assertIn("no ninetieth line", desk.says("delete line ninety"))
        self.assertEqual(desk.says("what is selected").split(".")[0], "Nothing is selected")

    def test_resting_and_sending_off(self) -> None:
        desk = self.listener()
        self.assertIn("low", desk.says("stop listening"))
        self.assertIn("lit", desk.says("start listening"))
        self.assertIn("outbox", desk.says("save this as a word document"))
        self.assertIn("printing", desk.says("print this"))
