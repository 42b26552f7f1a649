"""Ranking alternatives by the words of the page, with made-up probabilities and sounds."""

from __future__ import annotations

import unittest
from collections.abc import Sequence

from nimble_lantern.core.reading.hearing import HeardWord, Hypothesis
from nimble_lantern.engines.builtin.rescoring import Rescorer

FRAMES = 150
SOUNDS = {
    "the": "DH AH",
    "key": "K IY",
    "quay": "K IY",
    "ferry": "F EH R IY",
    "fairy": "F EH R IY",
    "leaves": "L IY V Z",
    "lives": "L IH V Z",
    "tower": "T AW ER",
}
RARE = {"quay"}


def given(words: Sequence[str]) -> float:
    return 1e-7 if words[-1] in RARE else 1e-3


def said(text: str, score: float = -4.0, confidence: float = 0.8) -> Hypothesis:
    words = (HeardWord(w, n * 0.3, n * 0.3 + 0.3, confidence) for n, w in enumerate(text.split()))
    return Hypothesis(tuple(words), score)


class Ranking(unittest.TestCase):
    def setUp(self) -> None:
        self.rescorer = Rescorer(given, SOUNDS.get)

    def best(self, *hypotheses: Hypothesis) -> list[str]:
        return [h.text for h in self.rescorer.best(hypotheses, FRAMES, 5)]

    def look(self, *texts: str) -> None:
        self.rescorer.look([text.split() for text in texts])

    def test_without_a_page_the_order_stays(self) -> None:
        heard = said("the fairy lives"), said("the ferry leaves", -3.0)
        self.assertEqual(self.best(*heard), ["the fairy lives", "the ferry leaves"])

    def test_words_of_the_page_come_first_where_the_sound_is_nearly_as_good(self) -> None:
        self.look("the ferry leaves the quay")
        heard = said("the fairy lives"), said("the ferry leaves", -4.01)
        self.assertEqual(self.best(*heard)[0], "the ferry leaves")

    def test_sound_that_is_far_worse_is_not_made_up_for(self) -> None:
        self.look("the ferry leaves the quay")
        heard = said("the fairy lives"), said("the ferry leaves", -6.0)
        self.assertEqual(self.best(*heard)[0], "the fairy lives")

    def test_a_rare_word_of_the_page_takes_the_place_of_one_that_sounds_the_same(self) -> None:
        self.look("the ferry leaves the quay")
        [best, *_] = self.rescorer.best([said("the key", confidence=0.6)], FRAMES, 5)
        self.assertEqual(best.text, "the quay")
        self.assertEqual((best.words[1].start, best.words[1].confidence), (0.3, 0.6))

    def test_a_page_without_it_changes_nothing(self) -> None:
        self.look("the ferry leaves the tower")
        self.assertEqual(self.best(said("the key"))[0], "the key")

    def test_no_more_come_back_than_were_asked_for(self) -> None:
        self.look("the ferry leaves the quay")
        made = [said(f"the {word}", -4 - n / 10) for n, word in enumerate(SOUNDS)]
        self.assertEqual(len(self.rescorer.best(made, FRAMES, 3)), 3)
        self.assertEqual(self.rescorer.best([], FRAMES, 3), [])


if __name__ == "__main__":
    unittest.main()
