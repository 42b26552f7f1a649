"""The mixture of a large language model and the words in view."""

from __future__ import annotations

import math
import unittest
from collections.abc import Sequence

from hypothesis import given
from hypothesis import strategies as st

from nimble_lantern.core.reading.likely import DocumentModel

VOCABULARY = ("the", "stair", "chair", "is", "steep", "harbor", "board")


def even(_: Sequence[str]) -> float:
    return 1 / 1000


class Mixing(unittest.TestCase):
    def setUp(self) -> None:
        text = "the stair is steep the stair is old".split()
        self.model = DocumentModel([text], even, share=0.2)

    def test_an_empty_document_changes_nothing(self) -> None:
        large, mixed = DocumentModel([], even).likelihoods(["the", "stair"])
        self.assertEqual(large, mixed)
        self.assertAlmostEqual(large, 2 * math.log(1 / 1000))

    def test_words_of_the_document_in_their_order_become_likelier(self) -> None:
        def gain(text: str) -> float:
            large, mixed = self.model.likelihoods(text.split())
            return mixed - large

        self.assertGreater(gain("the stair is"), gain("stair the is"))
        self.assertGreater(gain("stair the is"), gain("chair board harbor"))

    def test_words_elsewhere_lose_no_more_than_the_document_takes(self) -> None:
        large, mixed = self.model.likelihoods(["harbor"])
        self.assertGreaterEqual(mixed - large, math.log(1 - 0.2))

    def test_spelling_and_case_do_not_matter(self) -> None:
        model = DocumentModel([["Harbour", "Board"]], even)
        self.assertEqual(
            model.likelihoods(["harbor", "board"]), model.likelihoods(["harbour", "board"])
        )
        self.assertTrue(model.beside("harbor", "board", None))
        self.assertFalse(model.beside(None, "board", "harbor"))

    @given(st.lists(st.sampled_from(VOCABULARY), max_size=6))
    def test_the_probability_of_what_may_come_next_is_at_most_one(self, before: list[str]) -> None:
        texts = ["the stair is steep".split(), "the harbor board is steep".split()]

        def shared(run: Sequence[str]) -> float:
            return 1 / len(VOCABULARY)

        model = DocumentModel(texts, shared, share=0.3)
        base = model.likelihoods(before)[1]
        total = sum(math.exp(model.likelihoods([*before, w])[1] - base) for w in VOCABULARY)
        self.assertLessEqual(total, 1.0 + 1e-9)
