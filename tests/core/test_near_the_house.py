"""Sentences that come near what is said to tables, notes, versions and the shelf stay sentences."""

from __future__ import annotations

import re
import unittest
from collections import Counter
from datetime import datetime
from pathlib import Path

from tests.desk import Driver

SENTENCES = Path(__file__).parents[1] / "corpus" / "near_the_house.txt"
PAGE = (
    "# Rota\n\nThe ferry leaves at noon. The stair is wet. Ida has the key to the lamp room.\n\n"
    "| Name | Kitchen | Boat |\n| --- | --- | --- |\n| Ida | 4 | 12 |\n| Nell | 10 | 3 |\n\n"
    "The board met on Monday about the boat, the oil and the door."
)
SHELF = {"Letter to the harbour board": "The stair is wet.", "Ferry times": "Ten past eleven."}
PASSAGES = {"visit": "We come on [day] at [time].", "sign off": "With kind regards"}


def words(text: str) -> Counter[str]:
    return Counter(re.findall(r"[^\W_]+", text.lower()))


class NearTheHouse(unittest.TestCase):
    """Each is said to a desk on which everything stands that it might be taken for."""

    def desk(self) -> Driver:
        desk = Driver(PAGE, now=datetime(2026, 6, 3, 10, 0), shelf=SHELF, passages=PASSAGES)
        desk.hears(
            "note on the first sentence check the time",
            "call this version first draft",
            "call this place budget",
        )
        return desk

    def test_each_is_written_and_nothing_goes(self) -> None:
        lines = SENTENCES.read_text(encoding="utf-8").splitlines()
        sentences = [line for line in lines if not line.startswith("#")]
        self.assertGreater(len(sentences), 80)
        for sentence in sentences:
            with self.subTest(sentence):
                desk = self.desk()
                before = words(desk.markdown)
                heard = desk.hears(sentence)
                self.assertEqual(str(heard.read_as), "text", heard.summary)
                self.assertFalse(before - words(desk.markdown), "words are gone")
                self.assertFalse(words(sentence) - words(desk.markdown) - numbers(sentence))

    def test_the_place_and_the_version_are_still_there(self) -> None:
        desk = self.desk()
        desk.hears("this place is colder than the last one", "that version is the one they signed")
        self.assertIn("budget", desk.hears("list the places").summary)
        self.assertIn("first draft", desk.hears("list the versions").summary)


def numbers(sentence: str) -> Counter[str]:
    """The words that writing turns into figures."""
    return words(" ".join(re.findall(r"\b(?:forty|four|ten|two|six|third|second)\b", sentence)))
