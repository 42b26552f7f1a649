"""The desk's own voice heard again beside the speaker's: what is taken for speech, what is lost.

The desk reads a letter aloud; its voice is mixed into the microphone's sound at -20, -10 and 0 dB
of the speaker's level, and goes through the cutter and the built-in engine.  Half of the readings
are left alone; into the other half "stop" is said.  Nothing cancels the echo here, as a browser
does.
"""

from __future__ import annotations

import tempfile
from collections.abc import Iterator
from dataclasses import dataclass, field
from pathlib import Path

from bench._speech import CHUNK, VOICES, spoken
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.demo import DOCUMENTS
from nimble_lantern.engines.builtin.cutter import RATE
from nimble_lantern.engines.builtin.files import pcm_of, scene_of, spoken_in
from nimble_lantern.engines.builtin.recogniser import BuiltIn
from nimble_lantern.engines.pcm import mixed, rms, scaled
from nimble_lantern.formats import from_markdown
from nimble_lantern.playing import desk_with
from nimble_lantern.shell import LiveDesk
from nimble_lantern.voices.espeak import Espeak
from nimble_lantern.voices.speaker import Sound, Speaker

LEVELS = (-20.0, -10.0, 0.0)
READINGS = 12
SAID_AT = (1.2, 2.1, 3.3)
"""Seconds into a reading at which "stop" is said, one after another."""
_GAP_SECONDS = 0.25
_TAIL_SECONDS = 1.5


@dataclass
class _Told:
    """What came of the readings at one level."""

    own: int = 0  # utterances of the desk's own voice alone
    taken: int = 0  # of those, done or written
    stops: int = 0
    heard: int = 0
    late: list[float] = field(default_factory=list)


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
            yield Figure(f"{name}_taken_for_speech", told.taken / max(1, told.own), "share", None)
            yield Figure(f"{name}_own_utterances", told.own, "utterances")
            yield Figure(f"{name}_stop_heard", told.heard / told.stops, f"share of {told.stops}")
            if told.late:
                late = sorted(told.late)
                yield Figure(f"{name}_stop_after", late[len(late) // 2], "s at the median")
    finally:
        engine.close()
        voice.close()


def _reading(engine: BuiltIn, voice: Espeak, n: int, level: float, told: _Told) -> None:
    """One reading of a few sentences of a sample document, with "stop" in every second one."""
    desk, clock = _desk(n)
    speaker = desk.speaker
    assert speaker is not None
    desk.hear(from_line("read from the top"))
    now = speaker.playing()
    assert now is not None
    pieces = [voice.spoken(text, now["rate"]) for text in now["texts"][:3]]
    own, begins = _played(pieces)
    own = scaled(own, level / rms(own))
    stop = n % 2 == 1
    at = SAID_AT[n // 2 % len(SAID_AT)]
    sound = own
    if stop:
        command = spoken("stop", VOICES[n // 2 % len(VOICES)])
        lead = b"\0\0" * round(at * RATE)
        sound = mixed(own, (lead + command + b"\0\0" * len(own))[: len(own)])
        over = at + len(command) / 2 / RATE
    told.stops += stop
    for utterance in spoken_in(_fed(sound, clock)):
        for piece, began in enumerate(begins):
            if began <= clock.now:
                desk.spoken(now["number"], piece, 0)
        before = len(desk.sitting.trail)
        outcome = desk.hear(engine.hear(utterance.sound, scene_of(desk.sitting)))
        stopped = desk.sitting.aloud is None
        if stop and stopped:
            told.heard += 1
            told.late.append(max(0.0, clock.now - over))
            return
        done = outcome is not None and len(desk.sitting.trail) > before
        told.own += 1
        told.taken += done and desk.sitting.trail[-1].read_as not in (
            ReadAs.UNCLEAR,
            ReadAs.IGNORED,
        )


def _fed(sound: bytes, clock: _Clock) -> Iterator[bytes]:
    """The sound as it comes in, and the time that it is then."""
    for i in range(0, len(sound), CHUNK):
        clock.now = (i + CHUNK) / 2 / RATE
        yield sound[i : i + CHUNK]


def _played(pieces: list[Sound]) -> tuple[bytes, list[float]]:
    """The desk's voice as a page plays it, and when each piece begins, in seconds."""
    whole, begins = b"", []
    for piece in pieces:
        begins.append(len(whole) / 2 / RATE)
        whole += _pcm(piece.wav) + b"\0\0" * round(_GAP_SECONDS * RATE)
    return whole + b"\0\0" * round(_TAIL_SECONDS * RATE), begins


def _pcm(wav: bytes) -> bytes:
    with tempfile.NamedTemporaryFile(suffix=".wav") as file:
        file.write(wav)
        file.flush()
        return b"".join(pcm_of(Path(file.name)))


def _desk(n: int) -> tuple[LiveDesk, _Clock]:
    names = sorted(DOCUMENTS.glob("*.md"))
    document = from_markdown(names[n // 4 % len(names)].read_text(encoding="utf-8"))
    desk, clock = desk_with(document, {}), _Clock()
    desk.speaker = Speaker(None, clock)
    return desk, clock
