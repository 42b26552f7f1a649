"""What a room makes of a sound is learned, by somebody's speech undisturbed."""

from __future__ import annotations

import unittest

import numpy as np
from numpy.typing import NDArray

from nimble_lantern.engines.echo_path import BLOCK, PARTS, EchoPath

Samples = NDArray[np.float64]
BLOCKS = 200
RANDOM = np.random.default_rng(3)


def room(size: int = 1_200) -> Samples:
    """A direct sound, and a tail that decays."""
    tail = RANDOM.normal(0, 0.05, size) * np.exp(-np.arange(size) / 250)
    tail[30] = 0.6
    return np.asarray(tail)


def left(path: EchoPath, played: Samples, heard: Samples) -> Samples:
    """What is left of each block when the path's guess is taken out."""
    padded = np.concatenate((np.zeros(PARTS * BLOCK), played))
    blocks = range(0, heard.size, BLOCK)
    rest = [
        heard[b : b + BLOCK]
        - path.heard_of(padded[b : b + (PARTS + 1) * BLOCK], heard[b : b + BLOCK])
        for b in blocks
    ]
    return np.concatenate(rest)


def decibels(some: Samples, other: Samples) -> float:
    return float(10 * np.log10(np.mean(some**2) / np.mean(other**2)))


class Learning(unittest.TestCase):
    def setUp(self) -> None:
        self.played = RANDOM.normal(0, 1_000, BLOCKS * BLOCK)
        self.heard = np.convolve(self.played, room())[: self.played.size]
        self.path = EchoPath(0.5)

    def test_a_room_is_learned_within_a_few_seconds(self) -> None:
        rest = left(self.path, self.played, self.heard)
        late = rest.size * 3 // 4
        self.assertLess(decibels(rest[late:], self.heard[late:]), -25)

    def test_speech_into_it_comes_out_as_it_was(self) -> None:
        left(self.path, self.played, self.heard)
        speech = np.zeros(self.heard.size)
        speech[RANDOM.integers(0, speech.size, 4_000)] = 6_000
        rest = left(self.path, self.played, self.heard + speech)
        self.assertLess(decibels(rest - speech, self.heard), -15)
        after = left(self.path, self.played, self.heard)
        self.assertLess(decibels(after, self.heard), -20)

    def test_of_silence_nothing_is_heard_and_nothing_learned(self) -> None:
        left(self.path, self.played, self.heard)
        quiet = self.path.heard_of(np.zeros((PARTS + 1) * BLOCK), np.full(BLOCK, 500.0))
        self.assertEqual(float(np.abs(quiet).max()), 0.0)
        self.assertLess(decibels(left(self.path, self.played, self.heard), self.heard), -20)
