"""Cutting a stream into utterances with PocketSphinx's voice detector (sound in, frames of 30 ms).

The detector clips weak first words, so a little of the sound before its start is kept; and it
loses the last utterance of a stream that ends on a frame's edge, so silence is put behind it.
Steady noise is taken out before.
"""

from __future__ import annotations

from collections import deque
from collections.abc import Callable, Iterator
from dataclasses import dataclass

from pocketsphinx import Endpointer

from nimble_lantern.engines.builtin.quieting import DELAY, Quieter

RATE = 16_000
BEFORE_SECONDS = 0.24
_FRAME_SECONDS = 0.03


@dataclass(frozen=True, slots=True)
class Cut:
    """What a stretch of sound brought: speech began, went on with `sound`, or ended."""

    kind: str  # began, sound, ended
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
        self._rest = b""
        self._kept = round(BEFORE_SECONDS / _FRAME_SECONDS)
        # The detector gives speech back late by its own window: keep that much more.
        self._before: deque[bytes] = deque(maxlen=self._kept + round(window / _FRAME_SECONDS) + 2)
        self._hold = round(patience.hold / _FRAME_SECONDS)
        self._gap: list[bytes] | None = None  # frames since speech seemed to be over
        self._over = 0.0
        self._frames = 0
        self.speaking = False

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
            if not self.speaking and not self._rest:
                return
            silence = b"\0" * self._size

    def _frame(self, frame: bytes, raw: bytes) -> Iterator[Cut]:
        """A frame without its noise, and as it came in."""
        self._frames += 1
        speech = self._endpointer.process(frame)
        if self._meter:
            self._meter(raw, self._endpointer.in_speech)
        if self._gap is not None:
            yield from self._waiting(frame, speech)
            return
        if not self.speaking:
            self._before.append(frame)
            if speech is None:
                return
            self.speaking = True
            start = round(self._endpointer.speech_start / _FRAME_SECONDS)
            oldest = self._frames - len(self._before)
            lead = list(self._before)[max(0, start - self._kept - oldest) : start - oldest]
            self._before.clear()
            yield Cut("began", at=max(0, start - len(lead)) * _FRAME_SECONDS)
            if lead:
                yield Cut("sound", b"".join(lead))
        if speech is not None:
            yield Cut("sound", speech)
        if not self._endpointer.in_speech:
            self._over = self._endpointer.speech_end
            if self._hold:
                self._gap = []
            else:
                self.speaking = False
                yield Cut("ended", at=self._over)

    def _waiting(self, frame: bytes, speech: bytes | None) -> Iterator[Cut]:
        """Speech seemed to be over: wait a while whether it goes on."""
        assert self._gap is not None
        self._gap.append(frame)
        if speech is not None:
            start = round(self._endpointer.speech_start / _FRAME_SECONDS)
            between = self._gap[: max(0, start - (self._frames - len(self._gap)))]
            self._gap = None
            yield Cut("sound", b"".join((*between, speech)))
        elif len(self._gap) >= self._hold and not self._endpointer.in_speech:
            self._before.extend(self._gap[-self._kept :])
            self._gap, self.speaking = None, False
            yield Cut("ended", at=self._over)
