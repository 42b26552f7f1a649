"""The waking phrase: how often it is found, and how often in other speech."""

from __future__ import annotations

from collections.abc import Iterator
from itertools import product

from bench._speech import NOISY_DB, VOICES, cut, every, spoken
from nimble_lantern.benchmarks import Figure
from nimble_lantern.engines import Scene
from nimble_lantern.engines.builtin.decoder import WAKING
from nimble_lantern.engines.builtin.recogniser import BuiltIn
from nimble_lantern.engines.pcm import RATE

RESTING = Scene(resting=True)
STRETCHES = (0.8, 0.87, 0.93, 1.0, 1.08, 1.16, 1.25)
LEVELS = (None, 35.0, 27.0)


def run() -> Iterator[Figure]:
    """Each voice at seven paces, clean, in faint noise, in noise; then all the sentences."""
    engine = BuiltIn()
    try:
        for name, levels in (("", LEVELS), (f"_at_{NOISY_DB:.0f}_dB", (NOISY_DB,))):
            ways = list(product(VOICES, STRETCHES, levels))
            found = sum(
                _wakes(engine, spoken(WAKING, voice, noise, (f"duration_stretch={stretch}",)))
                for voice, stretch, noise in ways
            )
            yield Figure(f"waking_found{name}", found / len(ways), f"share of {len(ways)}")
        seconds, woken = 0.0, 0
        for line, voice in every("sentences"):
            sound = spoken(line.words, voice)
            seconds += len(sound) / 2 / RATE
            woken += _wakes(engine, sound)
        yield Figure("other_speech", seconds / 60, "minutes")
        yield Figure("woken_by_other_speech", woken, "times")
    finally:
        engine.close()


def _wakes(engine: BuiltIn, sound: bytes) -> bool:
    return any(engine.hear(part, RESTING).commands for part in cut(sound))
