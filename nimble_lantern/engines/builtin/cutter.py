"""Cutting a stream into utterances with PocketSphinx's voice detector (sound in, frames of 30 ms).

The detector clips weak first words, so a little of the sound before its start is kept; and it
loses the last utterance of a stream that ends on a frame's edge, so silence is put behind it.
It is sure of a beginning, and gives each frame back, a whole window late: so what may be speech
goes on before it is sure, and is taken back if it was none.  In speech, frames go on at once; only
those without a voice wait, as they may be behind the end.
Steady noise is taken out before.  Nobody speaks for ever without a pause: after half a minute any
pause ends an utterance, and a little later none is waited for.
"""

from __future__ import annotations

from collections import deque
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from enum import StrEnum

from pocketsphinx import Endpointer, Vad

from nimble_lantern.engines.builtin.quieting import DELAY, Quieter
from nimble_lantern.engines.pcm import RATE

BEFORE_SECONDS = 0.24
_FRAME_SECONDS = 0.03
_GLANCE, _GLIMPSE = 3, 2
"""Of so many frames, so many must have a voice in them for somebody to speak, perhaps."""
_GIVE_UP, _LONGEST_DOUBT = 5, 33
"""Frames without a voice, or in all, after which it was nobody if the detector is not sure."""


LONG_SECONDS, LONGEST_SECONDS = 30.0, 45.0
"""Of an utterance: from then on any pause ends it; then it is ended without one."""
_HURRIED = 5
"""Frames without a voice that end an utterance where short requests are waited for."""
_BRIEF = 5
"""Frames with a voice that are speech where letters are said: a "b" is over before the detector,
which wants nearly ten, is sure of it."""
_BREATH = 4
"""Frames without a voice that are a pause, in one that is too long."""


class CutKind(StrEnum):
    """What happens in a stream of sound."""

    PERHAPS = "perhaps"  # somebody may begin to speak
    SOUND = "sound"  # goes on, or is what came before it was sure
    BEGAN = "began"  # it is surely speech
    ENDED = "ended"
    NONE = "none"  # it was not speech after all


@dataclass(frozen=True, slots=True)
class Cut:
    """What a stretch of sound brought.

    `goes_on` where it began, or ended, in the middle of speech.
    """

    kind: CutKind
    sound: bytes = b""
    at: float = 0.0  # seconds of the stream
    goes_on: bool = False


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
        self._last: deque[bytes] = deque(maxlen=self._kept + _GLANCE)
        self._hold = round(patience.hold / _FRAME_SECONDS)
        self._window = round(window / _FRAME_SECONDS)
        self._gap = 0  # frames since speech seemed to be over
        self._waiting: list[bytes] = []  # frames since the last with a voice in it
        self._frames = self._start = 0
        self._free = 0  # the first frame that is in no utterance yet
        self._cut_off = False  # the last utterance ended in the middle of speech
        self.hurried = False
        """Whether the first short pause ends an utterance."""
        self.brief = False
        """Whether a sixth of a second is enough to be speech."""
        self._heard = 0  # frames with a voice since somebody may have begun
        self._known_end = False  # whether the detector was sure of this utterance
        self.active = False
        """Whether somebody speaks, or may."""
        self.speaking = False

    def feed(self, sound: bytes) -> Iterator[Cut]:
        self._raw += sound
        self._rest += self._quieter.feed(sound)
        while len(self._rest) >= self._size:
            frame, self._rest = self._rest[: self._size], self._rest[self._size :]
            raw, self._raw = self._raw[: self._size], self._raw[self._size :]
            yield from self._frame(frame, raw)

    @property
    def decided(self) -> int:
        """Samples of the stream before which nothing is needed any more.

        While somebody speaks, or may, that is where they began, with a little before it.
        """
        frame = self._start if self.active else max(self._free, self._frames - self._kept - _GLANCE)
        return int(max(0, frame * self._size // 2 - DELAY))

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
        self._last.append(frame)
        sure = self._endpointer.in_speech
        if self._meter:
            self._meter(raw, sure)
        if self.active:
            self._waiting.append(frame)
            if self._voiced[-1]:
                self._heard += 1
                yield from self._on()
        elif self._glimpsed:
            yield from self._begins()
        self._known_end = self._known_end or self.active and sure
        sure = sure or self._brief_speech
        if self.speaking:
            self._gap = 0 if sure else self._gap + 1
            if self.hurried and len(self._waiting) >= _HURRIED:
                yield from self._ends(self._frames - len(self._waiting))
            elif self._gap > self._hold and (self._too_late or not any(self._voiced)):
                yield from self._ends(self._end)
            elif self._too_long:
                yield from self._ends(self._frames, goes_on=True)
        elif self.active and sure:
            self.speaking = True
            yield Cut(CutKind.BEGAN, at=self._start * _FRAME_SECONDS, goes_on=self._cut_off)
            self._cut_off = False
        elif self.active and self._nobody:
            self._over()
            yield Cut(CutKind.NONE)

    @property
    def _brief_speech(self) -> bool:
        """Whether it is short speech, and may not be over yet."""
        enough = self.brief and self.active and self._heard >= _BRIEF
        return enough and len(self._waiting) < self._window

    @property
    def _end(self) -> int:
        """The frame where the speech ended that seems to be over."""
        if not self._known_end:
            return self._frames - len(self._waiting)
        return int(round(self._endpointer.speech_end / _FRAME_SECONDS))

    @property
    def _glimpsed(self) -> bool:
        return sum(self._voiced) >= _GLIMPSE

    @property
    def _too_late(self) -> bool:
        """Whether the detector would be sure by now of somebody who went on speaking."""
        return self._gap > self._hold + self._window

    @property
    def _too_long(self) -> bool:
        seconds = (self._frames - self._start) * _FRAME_SECONDS
        pause = len(self._waiting) >= _BREATH
        return seconds > LONGEST_SECONDS or pause and seconds > LONG_SECONDS

    @property
    def _nobody(self) -> bool:
        since = self._frames - self._start - self._kept
        return len(self._waiting) >= _GIVE_UP or since > _LONGEST_DOUBT

    def _begins(self) -> Iterator[Cut]:
        """A little of what came before is given with the first sound."""
        self.active, self._heard, self._known_end = True, sum(self._voiced), False
        self._start = max(self._free, self._frames - len(self._voiced) + 1 - self._kept)
        self._waiting = list(self._last)[self._start - self._frames :]
        yield Cut(CutKind.PERHAPS)
        yield from self._on()

    def _on(self, count: int | None = None) -> Iterator[Cut]:
        """The frames that wait, or the first of them, go on."""
        if sound := b"".join(self._waiting[:count]):
            yield Cut(CutKind.SOUND, sound)
        self._waiting = [] if count is None else self._waiting[count:]

    def _ends(self, end: int, goes_on: bool = False) -> Iterator[Cut]:
        """The utterance is over before frame `end`; with `goes_on`, the speech need not be."""
        yield from self._on(max(0, end - self._frames + len(self._waiting)))
        self._free = self._frames - len(self._waiting)
        self._cut_off = goes_on
        self._over()
        yield Cut(CutKind.ENDED, at=end * _FRAME_SECONDS, goes_on=goes_on)

    def _over(self) -> None:
        self._waiting, self._gap = [], 0
        self.active = self.speaking = False
