"""The limits that follow from how a speaker usually sounds."""

from __future__ import annotations

import json
import unittest

from nimble_lantern.core.reading.hearing import HeardWord, Hearing, Hypothesis, Usual
from nimble_lantern.engines.habits import LEAST, MOST, Habits, Measured, measured


def of(*utterances: Measured) -> Habits:
    found = Habits()
    for utterance in utterances:
        found.accepted(utterance)
    return found


def said(*words: tuple[str, float, float], sure: float = 0.9, pause: float = 0.0) -> Hearing:
    heard = tuple(HeardWord(w, start, end, sure) for w, start, end in words)
    return Hearing((Hypothesis(heard),), source="built-in", pause=pause)


class OneUtterance(unittest.TestCase):
    line = (("we", 0.0, 0.2), ("wait", 0.3, 0.6), ("for", 1.3, 1.5), ("you", 1.5, 2.0))

    def test_its_pace_and_its_longest_pause(self) -> None:
        found = measured(said(*self.line), goes_on=False, text=True)
        self.assertAlmostEqual(found.pace, 2.0)
        self.assertAlmostEqual(found.pause, 0.7)
        self.assertAlmostEqual(found.sure, 0.9)

    def test_the_pause_before_it_where_a_text_goes_on(self) -> None:
        hearing = said(*self.line[:2], pause=0.6)
        self.assertAlmostEqual(measured(hearing, goes_on=True, text=True).pause, 0.6)
        self.assertAlmostEqual(measured(hearing, goes_on=False, text=True).pause, 0.1)
        far = said(*self.line[:2], pause=9.0)
        self.assertAlmostEqual(measured(far, goes_on=True, text=True).pause, 0.1)

    def test_two_words_have_no_pace_and_a_command_no_posterior(self) -> None:
        found = measured(said(*self.line[:2]), goes_on=False, text=False)
        self.assertEqual((found.pace, found.sure), (0.0, 0.0))
        self.assertEqual(measured(Hearing(()), goes_on=False, text=True).pause, 0.0)


class Limits(unittest.TestCase):
    usual = Measured(0.0, 3.0, 0.1, 0.7, "built-in")

    def test_everybodys_until_enough_was_heard(self) -> None:
        few = of(*[Measured(9.0, 1.0, 0.9, 0.9, "built-in")] * (LEAST - 1))
        self.assertEqual(few.usual("built-in"), Usual())
        self.assertEqual(few.hold, 0.0)
        self.assertFalse(few.known)

    def test_a_speaker_of_even_loudness_is_told_from_somebody_farther(self) -> None:
        even = of(*[self.usual] * LEAST).usual("built-in").most_quieter
        lively = [Measured(n % 10.0, 3.0, 0.1, 0.7, "built-in") for n in range(LEAST * 2)]
        self.assertLess(even, Usual().most_quieter)
        self.assertGreater(of(*lively).usual("built-in").most_quieter, Usual().most_quieter)

    def test_who_is_hardly_understood_is_written_nevertheless(self) -> None:
        hard = of(*[Measured(0.0, 3.0, 0.1, 0.42, "built-in")] * LEAST).usual("built-in")
        clear = of(*[Measured(0.0, 3.0, 0.1, 0.9, "built-in")] * LEAST).usual("built-in")
        self.assertLess(hard.least_confidence, Usual().least_confidence)
        self.assertGreater(clear.least_confidence, Usual().least_confidence)

    def test_each_engine_has_its_own_scale(self) -> None:
        sure = of(*[Measured(0.0, 3.0, 0.1, 0.95, "base")] * LEAST)
        self.assertEqual(sure.usual("built-in").least_confidence, Usual().least_confidence)
        self.assertGreater(sure.usual("base").least_confidence, Usual().least_confidence)

    def test_a_slow_speaker_does_not_say_seven_words_a_second(self) -> None:
        slow = of(*[Measured(0.0, 2.7, 0.1, 0.7, "built-in")] * LEAST).usual("built-in")
        self.assertAlmostEqual(slow.fastest, 4.32)
        fast = of(*[Measured(0.0, 6.0, 0.1, 0.7, "built-in")] * LEAST).usual("built-in")
        self.assertEqual(fast.fastest, Usual().fastest)

    def test_only_pauses_that_are_usual_are_waited_for(self) -> None:
        seldom = [self.usual] * 18 + [Measured(0.0, 3.0, 0.9, 0.7, "built-in")] * 2
        often = [self.usual] * 10 + [Measured(0.0, 3.0, 0.3, 0.7, "built-in")] * 10
        always = [Measured(0.0, 3.0, 1.1, 0.7, "built-in")] * 20
        self.assertEqual(of(*seldom).hold, 0.0)
        self.assertAlmostEqual(of(*often).hold, 0.4)
        self.assertAlmostEqual(of(*always).hold, 0.6)

    def test_the_last_hundred_count(self) -> None:
        loud = [Measured(9.0, 3.0, 0.1, 0.7, "built-in")] * MOST
        self.assertEqual(
            of(*loud, *[self.usual] * MOST).usual("built-in"),
            of(*[self.usual] * MOST).usual("built-in"),
        )


class Kept(unittest.TestCase):
    def test_it_goes_on_from_what_was_kept(self) -> None:
        first, again = of(*[Limits.usual] * LEAST), Habits()
        kept = first.learned()
        assert kept is not None
        self.assertIsNone(first.learned())
        again.accustom(kept)
        self.assertEqual(again.measured, first.measured)
        self.assertNotIn(b"words", kept)

    def test_what_is_damaged_is_forgotten(self) -> None:
        for kept in (
            b"",
            b"no json",
            b"[1]",
            b'[{"below": "x"}]',
            b'{"a": 1}',
            b"\xff",
            json.dumps([{"below": "1", "pace": 1, "pause": 0, "sure": 0}]).encode(),
        ):
            with self.subTest(kept):
                found = of(*[Limits.usual] * LEAST)
                found.accustom(kept)
                self.assertFalse(found.known)


if __name__ == "__main__":
    unittest.main()
