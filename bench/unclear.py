"""Noise and other voices in the room: how often they write or do anything unasked."""

from __future__ import annotations

import random
from collections.abc import Iterator, Sequence
from dataclasses import replace

from bench._noises import NOISES
from bench._speech import VOICES, cut, every, heard, lines, sitting, spoken
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.reading.decision import decide
from nimble_lantern.engines.builtin.files import scene_of
from nimble_lantern.engines.builtin.recogniser import BuiltIn
from nimble_lantern.engines.meter import Meter, level
from nimble_lantern.engines.pcm import scaled

DOCUMENT = "1-letter-to-the-harbour-board"
_SPEAKER_DB = -22.0
_FARTHER_DB = 18.0  # another voice, across the room
_TIMES = 12


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
