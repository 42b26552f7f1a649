"""Simulated mistakes: repeatable, of the kinds that happen, and to be put right."""

from __future__ import annotations

import unittest

from hypothesis import given
from hypothesis import strategies as st

from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.targets.sounds import sound_key
from nimble_lantern.engines.mistakes import Mistakes, Rates, alike

LINE = "the timber is dry and it lies in the boathouse on the quay before the first of june"
OFTEN = Rates(alike=0.5, split=0.2, lost=0.3)


class Mishearing(unittest.TestCase):
    def test_the_same_seed_gives_the_same_mistakes(self) -> None:
        first, second = (Mistakes(5, OFTEN).made_of(from_line(LINE)) for _ in range(2))
        self.assertEqual(first, second)
        other = Mistakes(6, OFTEN).made_of(from_line(LINE))
        self.assertNotEqual(first.text, other.text)

    def test_what_was_said_stays_among_the_alternatives(self) -> None:
        heard = Mistakes(5, OFTEN).made_of(from_line(LINE))
        self.assertNotEqual(heard.hypotheses[0].text, LINE)
        self.assertIn(LINE, [h.text for h in heard.hypotheses[1:]])

    def test_wrong_words_sound_like_the_right_ones_and_are_doubted(self) -> None:
        heard = Mistakes(1, Rates(alike=1.0, split=0.0, lost=0.0)).made_of(from_line(LINE))
        changed = 0
        for said, word in zip(LINE.split(), heard.hypotheses[0].words, strict=True):
            if word.text != said:
                changed += 1
                self.assertIn(word.text, alike(said))
                self.assertLess(word.confidence, 0.5)
        self.assertGreater(changed, 8)

    def test_words_split_in_two_share_the_time_of_the_whole(self) -> None:
        heard = Mistakes(1, Rates(alike=0.0, split=1.0, lost=0.0)).made_of(from_line("boathouse"))
        self.assertEqual(heard.hypotheses[0].text, "boat house")
        first, second = heard.hypotheses[0].words
        self.assertEqual((first.start, first.end, second.end), (0.0, second.start, 0.3))

    def test_only_short_words_are_lost(self) -> None:
        heard = Mistakes(1, Rates(alike=0.0, split=0.0, lost=1.0)).made_of(from_line(LINE))
        left = "timber dry lies boathouse quay before first june"
        self.assertEqual(heard.hypotheses[0].text, left)

    def test_about_as_many_words_are_changed_as_asked_for(self) -> None:
        model, words, wrong = Mistakes(3, Rates(0.1, 0.0, 0.0)), 0, 0
        for _ in range(60):
            heard = model.made_of(from_line(LINE)).hypotheses[0].words
            words += len(heard)
            wrong += sum(a.text != b for a, b in zip(heard, LINE.split(), strict=True))
        self.assertTrue(0.05 < wrong / words < 0.15, wrong / words)

    def test_without_rates_nothing_changes(self) -> None:
        heard = from_line(LINE)
        self.assertEqual(Mistakes(1, Rates(0, 0, 0)).made_of(heard).text, heard.text)

    @given(st.text(alphabet="abcdefghij '", max_size=40), st.integers(0, 50))
    def test_any_line_can_be_misheard(self, line: str, seed: int) -> None:
        heard = Mistakes(seed, OFTEN).made_of(from_line(line))
        self.assertTrue(all(w.text for h in heard.hypotheses for w in h.words))


class SoundingAlike(unittest.TestCase):
    def test_the_nearest_sound_alike_words_are_found(self) -> None:
        self.assertIn("stare", alike("stair"))
        for word in alike("board"):
            self.assertLessEqual(abs(len(sound_key(word)) - len(sound_key("board"))), 1)
