"""The desk's own voice heard again beside the speaker's: what is taken for speech, what is lost.

The desk reads a letter aloud; its voice is mixed into the microphone's sound at -20, -10 and 0 dB
of the speaker's level, and goes through the canceller, the cutter and the built-in engine.  Half of
the readings are left alone; into the other half "stop" is said.  No browser cancels the echo here.
"""

from __future__ import annotations

import math
import time
from collections.abc import Callable, Iterator
from dataclasses import dataclass, field, replace

import numpy as np
from numpy.typing import NDArray

from bench._speech import CHUNK, VOICES, spoken
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.reading.hearing import Hearing, from_line
from nimble_lantern.demo import DOCUMENTS
from nimble_lantern.engines.builtin.cutter import CutKind, Cutter
from nimble_lantern.engines.builtin.files import scene_of
from nimble_lantern.engines.builtin.recogniser import BuiltIn
from nimble_lantern.engines.cancelling import OwnVoice, delayed, piece_of
from nimble_lantern.engines.pcm import RATE, mixed, rms, samples, scaled, sound_of
from nimble_lantern.formats import from_markdown
from nimble_lantern.playing import desk_with
from nimble_lantern.shell import LiveDesk
from nimble_lantern.voices.espeak import Espeak
from nimble_lantern.voices.speaker import Sound, Speaker

LEVELS = (-20.0, -10.0, 0.0)
READINGS = 60
IN_TIME = 0.7
"""Seconds after the word, by which the desk should be silent."""
SAID_AT = (1.2, 2.1, 3.3)
"""Seconds into a reading at which "stop" is said, one after another."""
_LEAD_SECONDS = 0.5
_GAP_SECONDS = 0.2
_DECAY_SECONDS, _NEAREST_SECONDS, _TAIL_DB = 0.3, 0.002, -10.0
"""Of a room: until its sound is 60 dB down, until its nearest wall is heard; all of it, against the
direct sound.
"""
_AUDIBLE = 100.0
_TAIL_SECONDS = 1.5


@dataclass
class _Told:
    """What came of the readings at one level."""

    spoken: int = 0  # sentences that the desk read
    own: int = 0  # utterances that were nobody's
    taken: int = 0  # of those, done or written
    stops: int = 0
    heard: int = 0
    late: list[float] = field(default_factory=list)
    piece: int = -1


class _Clock:
    now = 0.0

    def __call__(self) -> float:
        return self.now


def run() -> Iterator[Figure]:
    voice, engine = Espeak(), BuiltIn()
    level = rms(spoken("stop", VOICES[0]))
    try:
        for down in LEVELS:
            told = _Told()
            for n in range(READINGS):
                _reading(engine, voice, n, level * 10 ** (down / 20), told)
            name = f"own_voice_{abs(down):.0f}_dB_down"
            yield Figure(f"{name}_taken_for_speech", told.taken, f"of {told.spoken} sentences read")
            yield Figure(f"{name}_left_over", told.own, f"of {told.spoken} sentences read")
            yield Figure(f"{name}_stop_heard", told.heard / told.stops, f"share of {told.stops}")
            if told.late:
                late = sorted(told.late)
                yield Figure(f"{name}_stop_after", late[len(late) // 2], "s at the median")
                in_time = sum(after <= IN_TIME for after in late) / told.stops
                yield Figure(f"{name}_stop_in_time", in_time, f"share of {told.stops}")
    finally:
        engine.close()
        voice.close()


def _reading(engine: BuiltIn, voice: Espeak, n: int, level: float, told: _Told) -> None:
    """One reading of a few sentences of a sample document, with "stop" in every second one."""
    desk, clock = _desk(n, voice)
    speaker = desk.speaker
    assert speaker is not None
    desk.hear(from_line("read from the top"))
    now = speaker.playing()
    assert now is not None
    found = (speaker.sound(now["number"], piece) for piece in range(min(3, len(now["texts"]))))
    own, begins = _played([sound for sound in found if sound is not None])
    own = scaled(own, level / rms(own))
    stop = n % 2 == 1
    at = SAID_AT[n // 2 % len(SAID_AT)]
    sound = own
    if stop:
        command = spoken("stop", VOICES[n // 2 % len(VOICES)])
        lead = b"\0\0" * round(at * RATE)
        sound = mixed(own, (lead + command + b"\0\0" * len(own))[: len(own)])
        over = at + _audible(command)
    told.stops += stop

    def plays() -> None:
        for piece, began in enumerate(begins):
            if began <= clock.now + _GAP_SECONDS:
                desk.begins(now["number"], piece, began)
            if began <= clock.now and piece > told.piece:
                desk.spoken(now["number"], piece, 0)
                told.piece = piece

    told.piece, told.spoken = -1, told.spoken + len(begins)
    for utterance in _utterances(sound, clock, speaker, plays):
        before = len(desk.sitting.trail)
        hearing, took = _heard_live(engine, utterance, desk)
        outcome = desk.hear(hearing)
        stopped = desk.sitting.aloud is None
        if stop and stopped:
            told.heard += 1
            told.late.append(clock.now - over + took)
            return
        done = outcome is not None and len(desk.sitting.trail) > before
        told.own += 1
        told.taken += done and desk.sitting.trail[-1].read_as not in (
            ReadAs.UNCLEAR,
            ReadAs.IGNORED,
        )


def _audible(command: bytes) -> float:
    """When the last of a command is said, in seconds."""
    loud = np.abs(samples(command)) > _AUDIBLE
    return float(np.flatnonzero(loud)[-1]) / RATE


def _heard_live(engine: BuiltIn, sound: bytes, desk: LiveDesk) -> tuple[Hearing, float]:
    """The hearing of an utterance that comes as it is spoken, and how long it takes after that."""
    engine.begin(replace(scene_of(desk.sitting), reading=True))
    for i in range(0, len(sound), CHUNK):
        time.sleep(CHUNK / 2 / RATE)
        engine.sound(sound[i : i + CHUNK])
    began = time.monotonic()
    return engine.end(), time.monotonic() - began


def _utterances(
    sound: bytes, clock: _Clock, speaker: Speaker, plays: Callable[[], None]
) -> Iterator[bytes]:
    """What is cut out of the sound as it comes in, without the desk's own voice."""
    own, cutter, kept = OwnVoice(), Cutter(), b""
    for i in range(0, len(sound), CHUNK):
        clock.now = (i + CHUNK) / 2 / RATE
        plays()
        rest = own.out_of(sound[i : i + CHUNK], speaker.sounding())
        cutter.hurried = own.plays
        for cut in cutter.feed(rest):
            if cut.kind is CutKind.PERHAPS:
                own.begins()
                kept = b""
            elif cut.kind is CutKind.ENDED and not own.is_left_over:
                yield kept
            kept += cut.sound


def _played(pieces: list[Sound]) -> tuple[bytes, list[float]]:
    """The desk's voice as a page plays it in a room, and when each piece begins, in seconds."""
    begins, end = [], _LEAD_SECONDS
    for piece in pieces:
        begins.append(end)
        end += piece.seconds + _GAP_SECONDS
    whole = np.zeros(round((end + _TAIL_SECONDS) * RATE))
    for piece, began in zip(pieces, begins, strict=True):
        first = math.floor(began * RATE)
        sound = delayed(piece_of(piece.wav), began * RATE - first)
        whole[first : first + sound.size] += sound
    return sound_of(np.convolve(whole, room())[: whole.size]), begins


def room() -> NDArray[np.float64]:
    """What a furnished room answers to a click: decaying noise behind the direct sound."""
    times = np.arange(round(_DECAY_SECONDS * RATE)) / RATE
    tail = np.random.default_rng(1).normal(0, 1, times.size) * 10 ** (-3 * times / _DECAY_SECONDS)
    tail[: round(_NEAREST_SECONDS * RATE)] = 0
    tail *= 10 ** (_TAIL_DB / 20) / np.sqrt(np.sum(tail**2))
    tail[0] = 1.0
    return tail


def _desk(n: int, voice: Espeak) -> tuple[LiveDesk, _Clock]:
    names = sorted(DOCUMENTS.glob("*.md"))
    document = from_markdown(names[n // 4 % len(names)].read_text(encoding="utf-8"))
    desk, clock = desk_with(document, {}), _Clock()
    desk.speaker = Speaker(voice, clock)
    return desk, clock
