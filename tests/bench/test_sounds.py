"""What the benchmarks make people hear: voices, noises and words that are compared."""

from __future__ import annotations

import random
import unittest
from pathlib import Path
from tempfile import TemporaryDirectory

import numpy as np

from bench._noises import NOISES, SECONDS
from bench._voices import FESTIVAL, FLITE, MBROLA, PICO, made_by, there
from bench.people import plain
from nimble_lantern.engines.builtin.files import pcm_of
from nimble_lantern.engines.pcm import RATE


def samples(sound: bytes) -> np.ndarray:
    return np.frombuffer(sound, "<i2").astype(float)


class Noises(unittest.TestCase):
    def test_each_kind_is_another_sound_and_the_same_every_time(self) -> None:
        made = {name: make(random.Random(1)) for name, make in NOISES.items()}
        self.assertEqual(len(set(made.values())), 12)
        for name, make in NOISES.items():
            self.assertTrue(make(random.Random(1)) == made[name], name)
            self.assertFalse(make(random.Random(2)) == made[name], name)

    def test_silence_stands_before_and_behind_what_is_loud(self) -> None:
        for name, make in NOISES.items():
            if name == "babble":
                continue
            sound = samples(make(random.Random(3)))
            self.assertEqual(len(sound), (SECONDS + 2) * RATE, name)
            self.assertFalse(np.any(sound[:RATE]) or np.any(sound[-RATE:]), name)
            self.assertAlmostEqual(np.abs(sound).max(), 8000, delta=2, msg=name)


class Voices(unittest.TestCase):
    def test_a_voice_has_one_program(self) -> None:
        voices = [*FLITE, *FESTIVAL, *PICO, *MBROLA]
        self.assertEqual(len(voices), len(set(voices)))
        self.assertTrue(there("slt"))
        self.assertFalse(there("nobody"))

    def test_what_is_said_is_sound_of_the_right_kind(self) -> None:
        with TemporaryDirectory() as name:
            for manner in ((), ("duration_stretch=1.5",)):
                file = Path(name) / f"{len(manner)}.wav"
                made_by("slt", "the tide is high", file, manner)
                self.assertGreater(np.abs(samples(b"".join(pcm_of(file)))).max(), 1000)
            slow, quick = (sum(map(len, pcm_of(Path(name) / f"{n}.wav"))) for n in (1, 0))
        self.assertGreater(slow, 1.3 * quick)


class Compared(unittest.TestCase):
    def test_words_are_compared_without_marks_and_capitals(self) -> None:
        self.assertEqual(plain("It’s late, ... Mr. Hob!"), ["it's", "late", "mr", "hob"])
