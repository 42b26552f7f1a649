"""Every way to ask goes with every name of a part, and none does harm."""

from __future__ import annotations

import os
import unittest
from collections import Counter

from tests.corpus.asking import outcome, pairs, ways
from tests.desk import DeskCase

TRIED = int(os.environ.get("LANTERN_FUZZ", "300"))


class EveryWay(unittest.TestCase):
    def test_the_ways_are_many(self) -> None:
        count = {name: sum(map(len, rows.values())) for name, rows in ways().items()}
        self.assertGreater(count["ways"] * count["parts"], 100_000)

    def test_they_are_understood_with_any_part_and_take_nothing_else_away(self) -> None:
        found = Counter[str]()
        harmed = []
        for pair in pairs(20, TRIED):
            how = outcome(pair)
            found[how] += 1
            if how == "harmed":
                harmed.append(pair)
        self.assertEqual(harmed, [])
        self.assertGreater(found["done"], 0.88 * (found["done"] + found["missed"]))


class Courtesy(DeskCase):
    def test_a_please_behind_a_part_is_no_word_of_the_page(self) -> None:
        desk = self.desk("The tide is low. The hall is warm. Please bring cups. Nell is late.")
        desk.hears("go before nell", "select the sentence before please")
        self.assertIn("[Please bring cups.]", desk.page)
