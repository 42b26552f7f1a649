"""Sentences near commands stay sentences, on a page with all they might be taken for."""

from __future__ import annotations

import re
import unittest
from collections import Counter
from collections.abc import Callable
from datetime import datetime
from pathlib import Path

from tests.desk import Driver

CORPUS = Path(__file__).parents[1] / "corpus"
PAGE = (
    "# Rota\n\nThe ferry leaves at noon. The stair is wet. Ida has the key to the lamp room.\n\n"
    "| Name | Kitchen | Boat |\n| --- | --- | --- |\n| Ida | 4 | 12 |\n| Nell | 10 | 3 |\n\n"
    "The board met on Monday about the boat, the oil and the door."
)
LETTER = (
    "Dear Mrs Penrose,\n\nThank you for your letter. The roof of the boat house leaks again, and "
    "the floor is very wet. We had twelve helpers last year. The stair was slow and the door "
    "red.\n\nCould you send two men with a ladder, or women? Mr Tregear will be there on Thursday "
    "from ten. He has the key. The bell (again) is on the island. Tea and cake at noon after "
    "the ferry.\n\n- paint the roof\n- ask the board\n- clean the boat\n\nYours sincerely,"
)
STORES = (
    "# Stores\n\n| Item | Shelf | Count | Due |\n| --- | --- | --- | --- |\n"
    "| Rope | 3 | 14 | Monday |\n| Lamp oil | 1 | 6 | Friday |\n| Flour | 2 | 30 | Sunday |\n\n"
    "Ask Nell for the key."
)
REPORT = (
    "# The stair\n\nDear member,\n\nThe stair has forty steps and is steep. We close it in a gale."
    "\n\nTickets are six pounds. Ask for Ida at the door.\n\nWith kind regards,\n\nNell Harker"
)
SHELF = {"Letter to the harbour board": "The stair is wet.", "Ferry times": "Ten past eleven."}
PASSAGES = {"visit": "We come on [day] at [time].", "sign off": "With kind regards"}


def words(text: str) -> Counter[str]:
    return Counter(re.findall(r"[^\W_]+", text.lower()))


def sentences(name: str) -> list[str]:
    lines = (CORPUS / name).read_text(encoding="utf-8").splitlines()
    return [line for line in lines if not line.startswith("#")]


class Sentences(unittest.TestCase):
    """Each is said to a desk on which everything stands that it might be taken for."""

    def house(self) -> Driver:
        desk = Driver(PAGE, now=datetime(2026, 6, 3, 10, 0), shelf=SHELF, passages=PASSAGES)
        desk.hears(
            "note on the first sentence check the time",
            "call this version first draft",
            "call this place budget",
        )
        return desk

    def letter(self) -> Driver:
        desk = Driver(LETTER)
        desk.hears("it is late full stop")
        return desk

    def stay_sentences(self, name: str, desk_of: Callable[[], Driver]) -> None:
        found = sentences(name)
        self.assertGreater(len(found), 70)
        for sentence in found:
            with self.subTest(sentence):
                desk = desk_of()
                before = words(desk.markdown)
                heard = desk.hears(sentence)
                self.assertEqual(str(heard.read_as), "text", heard.summary)
                self.assertFalse(before - words(desk.markdown), "words are gone")
                self.assertGreater(words(desk.markdown).total(), before.total())

    def test_those_near_the_house_stay_sentences(self) -> None:
        self.stay_sentences("near_the_house.txt", self.house)

    def stores(self) -> Driver:
        return Driver(STORES)

    def margin(self) -> Driver:
        desk = Driver(REPORT, now=datetime(2026, 6, 3, 10, 0))
        desk.hears(
            "keep the fourth paragraph as sign off",
            "note on the first paragraph ring the board",
            "note on the last sentence ask tom",
            "call this place budget",
            "call this version first draft",
            "replace forty with fifty",
            "go to the end of the document",
        )
        return desk

    def test_those_near_a_table_stay_sentences(self) -> None:
        self.stay_sentences("near_the_stores.txt", self.stores)

    def test_those_near_notes_and_versions_stay_sentences(self) -> None:
        self.stay_sentences("near_the_margin.txt", self.margin)

    def test_those_near_revising_stay_sentences(self) -> None:
        self.stay_sentences("near_the_letters.txt", self.letter)

    def test_the_place_and_the_version_are_still_there(self) -> None:
        desk = self.house()
        desk.hears("this place is colder than the last one", "that version is the one they signed")
        self.assertIn("budget", desk.hears("list the places").summary)
        self.assertIn("first draft", desk.hears("list the versions").summary)
