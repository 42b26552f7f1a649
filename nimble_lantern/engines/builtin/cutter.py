"""Cutting a stream into utterances with PocketSphinx's voice detector (sound in, frames of 30 ms).

The detector clips weak first words, so a little of the sound before its start is kept; and it
loses the last utterance of a stream that ends on a frame's edge, so silence is put behind it.
It is sure of a beginning, and gives each frame back, a whole window late: so what may be speech
goes on before it is sure, and is taken back if it was none.  In speech, frames go on at once; only
those without a voice wait, as they may be behind the end.
Steady noise is taken out before.
"""

from __future__ import annotations

from collections import deque
from collections.abc import Callable, Iterator
from dataclasses import dataclass

from pocketsphinx import Endpointer, Vad

from nimble_lantern.engines.builtin.quieting import DELAY, Quieter

RATE = 16_000
BEFORE_SECONDS = 0.24
_FRAME_SECONDS = 0.03
_GLANCE, _GLIMPSE, _GIVE_UP = 3, 2, 5
"""Of so many frames, so many must have a voice in them to begin with; so many without are none."""


@dataclass(frozen=True, slots=True)
class Cut:
    """What a stretch of sound brought.

    Speech began "perhaps", goes on with "sound", surely "began", and "ended"; or it was "none".
    """

    kind: str  # perhaps, sound, began, ended, none
    sound: bytes = b""
    at: float = 0.0  # seconds of the stream


@dataclass(frozen=True, slots=True)
class Patience:
    """How an utterance ends: seconds that the detector looks at, and seconds waited besides."""

    window: float
    hold: float


PATIENCE = {
    "short": Patience(0.2, 0.0),
    "normal": Patience(0.3, 0.0),
    "long": Patience(0.3, 0.7),
}


class Cutter:
    """Feed it sound of any length; it answers what the detector made of each frame."""

    def __init__(
        self,
        patience: Patience = PATIENCE["normal"],
        ratio: float = 0.9,
        mode: int = 2,
        meter: Callable[[bytes, bool], None] | None = None,
    ) -> None:
        window = patience.window
        self._meter = meter
        self._quieter = Quieter()
        self._raw = b"\0" * (DELAY * 2)
        self._endpointer = Endpointer(window, ratio, mode, RATE)
        self._size = self._endpointer.frame_bytes
        self._voice = Vad(mode, RATE, self._size / 2 / RATE)
        self._rest = b""
        self._kept = round(BEFORE_SECONDS / _FRAME_SECONDS)
        self._voiced: deque[bool] = deque(maxlen=_GLANCE)
        # The detector may find speech late by its own window: keep that much more.
        self._before: deque[bytes] = deque(maxlen=self._kept + round(window / _FRAME_SECONDS) + 2)
        self._hold = round(patience.hold / _FRAME_SECONDS)
        self._gap: int | None = None  # frames since speech seemed to be over
        self._waiting: list[bytes] = []  # frames since the last with a voice in it
        self._frames = self._start = 0
        self._perhaps = False
        self.speaking = False

    @property
    def active(self) -> bool:
        """Whether somebody speaks, or may."""
        return self._perhaps

    def feed(self, sound: bytes) -> Iterator[Cut]:
        self._raw += sound
        self._rest += self._quieter.feed(sound)
        while len(self._rest) >= self._size:
            frame, self._rest = self._rest[: self._size], self._rest[self._size :]
            raw, self._raw = self._raw[: self._size], self._raw[self._size :]
            yield from self._frame(frame, raw)

    def finish(self) -> Iterator[Cut]:
        """The stream is over: what was being said is ended by silence."""
        silence = b"\0" * (self._size - len(self._rest) % self._size + DELAY * 2)
        for _ in range(40 + self._hold):
            yield from self.feed(silence)
            if not self.active and not self._rest:
                return
            silence = b"\0" * self._size

    def _frame(self, frame: bytes, raw: bytes) -> Iterator[Cut]:
        """A frame without its noise, and as it came in."""
        self._frames += 1
        self._endpointer.process(frame)
        self._voiced.append(self._voice.is_speech(frame))
        sure = self._endpointer.in_speech
        if self._meter:
            self._meter(raw, sure)
        if not self._perhaps:
            self._before.append(frame)
            if not sure and sum(self._voiced) < _GLIMPSE:
                return
            yield from self._begins()
        else:
            self._waiting.append(frame)
            if self._voiced[-1]:
                yield Cut("sound", b"".join(self._waiting))
                self._waiting = []
        if not self.speaking:
            if sure:
                self.speaking = True
                yield Cut("began", at=self._start * _FRAME_SECONDS)
            elif len(self._waiting) >= _GIVE_UP:
                self._over(0)
                yield Cut("none")
            return
        self._gap = None if sure else (self._gap or 0) + 1
        if self._gap is not None and self._gap > self._hold:
            yield from self._ended()

    def _begins(self) -> Iterator[Cut]:
        """What came before is given with the first sound."""
        self._perhaps = True
        self._start = max(0, self._frames - len(self._voiced) + 1 - self._kept)
        lead = list(self._before)[self._start - self._frames :]
        self._before.clear()
        yield Cut("perhaps")
        yield Cut("sound", b"".join(lead))

    def _ended(self) -> Iterator[Cut]:
        end = round(self._endpointer.speech_end / _FRAME_SECONDS)
        spoken = max(0, end - self._frames + len(self._waiting))
        if spoken:
            yield Cut("sound", b"".join(self._waiting[:spoken]))
        self._over(spoken)
        yield Cut("ended", at=end * _FRAME_SECONDS)

    def _over(self, spoken: int) -> None:
        """So many of the waiting frames belong to what was said."""
        self._before.extend(self._waiting[spoken:])
        self._waiting, self._gap = [], None
        self._perhaps = self.speaking = False
