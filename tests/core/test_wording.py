"""How the trail says what was done."""

from __future__ import annotations

import unittest

from nimble_lantern.core.commands.wording import quoted, shortened


class Shortened(unittest.TestCase):
    def test_long_texts_are_cut_between_words(self) -> None:
        text = "To the chairman of the Saltmarsh Light Trust, Mr Daniel Harker"
        words = set(text.split()) | {"…"}
        self.assertTrue(set(shortened(text).split()) <= words, shortened(text))
        self.assertLessEqual(len(shortened(text)), 48)
        self.assertTrue(shortened(text).startswith("To the"))
        self.assertTrue(shortened(text).endswith("Harker"))
        self.assertEqual(quoted("the  tide"), "“the tide”")

    def test_one_word_without_end_is_cut_somewhere(self) -> None:
        self.assertLessEqual(len(shortened("x" * 500)), 50)
