"""Taking noise out: what is taken, what is left alone."""

from __future__ import annotations

import unittest

import numpy as np

from nimble_lantern.engines.builtin.quieting import DELAY, Quieter

RATE = 16_000


def pcm(samples: np.ndarray) -> bytes:
    return bytes(samples.astype("<i2").tobytes())


def level(samples: np.ndarray) -> float:
    """RMS in decibels."""
    return float(10 * np.log10((samples.astype(float) ** 2).mean() + 1e-9))


def quieted(sound: bytes) -> np.ndarray:
    return np.frombuffer(Quieter().feed(sound), "<i2")


class Quietening(unittest.TestCase):
    def setUp(self) -> None:
        time = np.arange(RATE * 5) / RATE
        self.noise = np.random.default_rng(3).normal(0, 200, len(time))
        said = (time > 2) & (time < 3)
        self.tone = np.where(said, 6000 * np.sin(2 * np.pi * 300 * time), 0)

    def test_steady_noise_goes_and_what_is_said_stays(self) -> None:
        before = self.noise + self.tone
        after = quieted(pcm(before))
        alone = slice(RATE, RATE * 2 - DELAY)
        self.assertLess(level(after[alone]), level(before[alone]) - 10)
        said = np.arange(round(2.2 * RATE), round(2.8 * RATE))
        self.assertAlmostEqual(level(after[said + DELAY]), level(before[said]), delta=0.5)

    def test_sound_without_noise_comes_out_as_it_went_in(self) -> None:
        clean = self.tone.astype("<i2")
        after = quieted(pcm(clean))
        np.testing.assert_allclose(after[DELAY:], clean[: len(after) - DELAY], atol=1)

    def test_noise_that_begins_later_is_learned(self) -> None:
        sound = np.concatenate((np.zeros(RATE * 2), self.noise))
        self.assertLess(level(quieted(pcm(sound))[-RATE:]), level(self.noise) - 10)

    def test_the_size_of_the_pieces_does_not_matter(self) -> None:
        sound, quieter = pcm(self.noise + self.tone), Quieter()
        pieces = b"".join(quieter.feed(sound[i : i + 1234]) for i in range(0, len(sound), 1234))
        self.assertEqual(pieces, Quieter().feed(sound))


if __name__ == "__main__":
    unittest.main()
