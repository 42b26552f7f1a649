"""Levels, and the advice that is made of them."""

from __future__ import annotations

import array
import math
import random
import unittest

from nimble_lantern.engines.meter import Meter, Report, level

FRAME = 480


def tone(amplitude: float, frames: int = 1) -> bytes:
    """A sine of 200 Hz; its RMS is the amplitude less 3 dB."""
    samples = (amplitude * 32767 * math.sin(2 * math.pi * 200 * n / 16000)
               for n in range(FRAME * frames))  # fmt: skip
    return array.array("h", (max(-32768, min(32767, round(s))) for s in samples)).tobytes()


def hiss(amplitude: float, seed: int = 1) -> bytes:
    rng = random.Random(seed)
    samples = (round(rng.uniform(-amplitude, amplitude) * 32767) for _ in range(FRAME))
    return array.array("h", samples).tobytes()


def report(speech: float, noise: float) -> Report:
    meter = Meter()
    for n in range(40):
        meter.feed(hiss(noise, n), speech=False)
        meter.feed(tone(speech), speech=True)
    found = meter.report()
    assert found is not None
    return found


class Levels(unittest.TestCase):
    def test_a_full_tone_is_three_decibels_below_full_scale(self) -> None:
        self.assertAlmostEqual(level(tone(1.0)), -3.0, delta=0.1)
        self.assertAlmostEqual(level(tone(0.1)), -23.0, delta=0.1)

    def test_silence_has_a_floor_and_no_error(self) -> None:
        self.assertEqual(level(b"\0\0" * FRAME), -96.0)
        self.assertEqual(level(b""), -96.0)

    def test_speech_and_noise_are_told_apart(self) -> None:
        found = report(0.1, 0.001)
        self.assertAlmostEqual(found.speech_db, -23.0, delta=0.5)
        self.assertLess(found.noise_db, -60)
        self.assertEqual(found.clipped, 0.0)

    def test_nothing_is_reported_before_there_is_enough(self) -> None:
        self.assertIsNone(Meter().report())


class Advice(unittest.TestCase):
    def test_each_fault_is_told_with_what_to_do(self) -> None:
        for speech, noise, words in (
            (0.1, 0.0005, "good"),
            (0.005, 0.00005, "too quiet"),
            (0.05, 0.03, "nearly as loud as you"),
            (0.1, 0.02, "it will do"),
            (1.6, 0.001, "too loud"),
        ):
            with self.subTest(words):
                self.assertIn(words, report(speech, noise).advice())


class SomebodyElse(unittest.TestCase):
    def test_how_much_quieter_is_known_after_a_few_utterances(self) -> None:
        meter = Meter()
        self.assertEqual(meter.quieter(tone(0.01, 10)), 0.0)
        for _ in range(5):
            meter.accepted(tone(0.2, 10))
        self.assertAlmostEqual(meter.quieter(tone(0.02, 10)), 20.0, delta=0.5)
        self.assertAlmostEqual(meter.quieter(tone(0.4, 10)), -6.0, delta=0.5)
