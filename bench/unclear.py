"""Noise and other voices in the room: how often they write or do anything unasked."""

from __future__ import annotations

import array
import math
import random
from collections.abc import Callable, Iterator, Sequence
from dataclasses import replace

from bench._speech import VOICES, cut, every, heard, lines, sitting, spoken
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.reading.decision import decide
from nimble_lantern.engines.builtin.files import scene_of
from nimble_lantern.engines.builtin.recogniser import BuiltIn
from nimble_lantern.engines.meter import Meter, level
from nimble_lantern.engines.pcm import RATE, mixed, scaled

DOCUMENT = "1-letter-to-the-harbour-board"
_SPEAKER_DB = -22.0
_FARTHER_DB = 18.0  # another voice, across the room
_SECONDS, _TIMES = 3.0, 12
_FULL = 32767


def run() -> Iterator[Figure]:
    """Shares of the stretches that the voice detector took for speech; then of real sentences."""
    engine, meter = BuiltIn(), _meter()
    try:
        for name, make in NOISES.items():
            sounds = [_at(make(random.Random(f"{name}/{n}")), _SPEAKER_DB) for n in range(_TIMES)]
            yield from _figures(name, engine, meter, sounds)
        voices = [
            _at(spoken(line.words, voice), _SPEAKER_DB - _FARTHER_DB)
            for line, voice in every("sentences")
            if line.held_out and line.document == DOCUMENT
        ]
        yield from _figures("another_voice", engine, meter, voices)
    finally:
        engine.close()
    doubted = [
        bool(decide(sitting(one.line.document), hearing).doubt)
        for one in heard("sentences")
        for hearing in one.hearings
    ]
    unit = f"share of {len(doubted)}"
    yield Figure("sentences_doubted_without_need", sum(doubted) / len(doubted), unit)


def _meter() -> Meter:
    """One that knows how loud the speaker usually is."""
    meter = Meter()
    for line in lines("sentences")[:8]:
        meter.accepted(_at(spoken(line.words, VOICES[0]), _SPEAKER_DB))
    return meter


def _figures(name: str, engine: BuiltIn, meter: Meter, sounds: Sequence[bytes]) -> Iterator[Figure]:
    parts = [part for sound in sounds for part in cut(sound)]
    now = sitting(DOCUMENT)
    written = 0
    for part in parts:
        hearing = replace(engine.hear(part, scene_of(now)), quieter=meter.quieter(part))
        decision = decide(now, hearing)
        written += bool(decision.phrases) and not decision.doubt
    share = written / len(parts) if parts else 0.0
    yield Figure(f"{name}_taken_for_speech", len(parts), f"stretches, of {len(sounds)} sounds")
    yield Figure(f"{name}_written_or_done", share, f"share of {len(parts)}")


def _at(sound: bytes, decibels: float) -> bytes:
    return scaled(sound, 10 ** ((decibels - level(sound)) / 20))


def _made(sample: Callable[[int], float]) -> bytes:
    """Silence, three seconds of samples from -1 to 1, silence."""
    quiet = b"\0\0" * RATE
    samples = (round(8000 * sample(n)) for n in range(round(_SECONDS * RATE)))
    return quiet + array.array("h", samples).tobytes() + quiet


def _hiss(rng: random.Random) -> bytes:
    return _made(lambda n: rng.gauss(0, 0.3))


def _rumble(rng: random.Random) -> bytes:
    """Brown noise, as of a lorry or a fan."""
    at = 0.0

    def sample(n: int) -> float:
        nonlocal at
        at = 0.99 * at + rng.gauss(0, 0.05)
        return max(-1.0, min(1.0, at))

    return _made(sample)


def _knocks(rng: random.Random) -> bytes:
    """Short bursts that die away, as of keys and cups."""
    starts = {rng.randrange(round(_SECONDS * RATE)) for _ in range(14)}
    loud = 0.0

    def sample(n: int) -> float:
        nonlocal loud
        loud = 1.0 if n in starts else loud * math.exp(-1 / 400)
        return rng.gauss(0, 0.5) * loud

    return _made(sample)


def _melody(rng: random.Random) -> bytes:
    """Notes of a few harmonics, a third of a second each."""
    notes = [220 * 2 ** (rng.randrange(24) / 12) for _ in range(12)]

    def sample(n: int) -> float:
        tone = notes[int(n / RATE * 3) % len(notes)]
        return sum(math.sin(2 * math.pi * tone * k * n / RATE) / k for k in (1, 2, 3)) / 2

    return _made(sample)


def _babble(rng: random.Random) -> bytes:
    """Five people speaking at once."""
    texts = rng.sample([line.words for line in lines("sentences")], 5)
    sounds = [spoken(words, rng.choice(VOICES)) for words in texts]
    longest = max(map(len, sounds))
    babble = b"\0" * longest
    for sound in sounds:
        start = rng.randrange(1 + (longest - len(sound)) // 2) * 2
        padded = b"\0" * start + scaled(sound, 0.3) + b"\0" * (longest - start - len(sound))
        babble = mixed(babble, padded)
    return babble


NOISES: dict[str, Callable[[random.Random], bytes]] = {
    "hiss": _hiss,
    "rumble": _rumble,
    "knocks": _knocks,
    "melody": _melody,
    "babble": _babble,
}
