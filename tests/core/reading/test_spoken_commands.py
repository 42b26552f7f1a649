"""The command grammar and the dictation of the same sound, weighed against each other."""

from __future__ import annotations

import unittest

from nimble_lantern.core.reading.hearing import HeardWord, Hearing, Hypothesis
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Entry, Sitting
from nimble_lantern.formats import from_markdown, to_markdown


def spoken(line: str) -> Hypothesis:
    words = line.split()
    return Hypothesis(tuple(HeardWord(w, n * 0.3, n * 0.3 + 0.3) for n, w in enumerate(words)))


class SpokenCommands(unittest.TestCase):
    page = from_markdown("The joiner mends the stair.")

    def hears(self, dictation: str, command: str, margin: float) -> tuple[str, Entry]:
        sitting = Sitting(document=self.page, caret=self.page.end, wrote=self.page.end)
        hearing = Hearing((spoken(dictation),), (spoken(command),), margin, source="built-in")
        outcome = advance(sitting, Heard(hearing))
        assert outcome.entry is not None
        return to_markdown(outcome.sitting.document), outcome.entry

    def test_a_command_that_scores_well_and_can_be_done_is_done(self) -> None:
        page, entry = self.hears("bolt the stare", "bold the stair", 0.9)
        self.assertEqual((page, entry.read_as), ("The joiner mends **the stair**.", "command"))
        self.assertEqual(entry.heard, "bold the stair")

    def test_one_that_scores_badly_is_not(self) -> None:
        _, entry = self.hears("we walked up the stair", "delete the stair", -0.5)
        self.assertEqual(entry.read_as, "text")

    def test_one_whose_words_are_not_on_the_page_is_not(self) -> None:
        _, entry = self.hears("we went to the ferry", "delete the ferry", 2.0)
        self.assertEqual(entry.read_as, "text")

    def test_a_dictated_command_is_not_bettered_by_a_longer_one(self) -> None:
        page, _ = self.hears("bold the stair", "bold the joiner mends the stair", 1.0)
        self.assertEqual(page, "The joiner mends **the stair**.")

    def test_words_to_be_written_are_taken_from_the_dictation(self) -> None:
        page, entry = self.hears(
            "replace the joyner with the builder", "replace the joiner with the go", 0.6
        )
        self.assertEqual(page, "The builder mends the stair.")
        self.assertEqual(entry.command, "replacing.replace_with")

    def test_while_resting_only_the_waking_phrase_counts(self) -> None:
        sitting = Sitting(document=self.page, lamp="low")
        for command, lamp in (("delete the stair", "low"), ("start listening", "lit")):
            hearing = Hearing((), (spoken(command),), 3.0)
            self.assertEqual(advance(sitting, Heard(hearing)).sitting.lamp, lamp)
