"""Wordings written for speakers, not for the desk: those that were looked at stay understood."""

from __future__ import annotations

import unittest

from tests.corpus import at_the_letters, house
from tests.corpus.speaking import Wording


class Wordings(unittest.TestCase):
    """Only of the open halves: nobody looks at which of the sealed ones fail."""

    def are_done(self, wordings: list[Wording], least: float) -> None:
        some = [w for w in wordings if w.half == "open"]
        missed = [w.said[-1] for w in some if not w.holds()]
        self.assertLessEqual(len(missed), len(some) * (1 - least), missed)

    def test_those_of_the_house_are_done(self) -> None:
        self.are_done(house.WORDINGS, 0.96)

    def test_those_of_letters_are_done(self) -> None:
        self.are_done(at_the_letters.WORDINGS, 0.84)
