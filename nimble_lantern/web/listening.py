"""One live stream of sound: numbered chunks in, utterances out, none twice and none lost."""

from __future__ import annotations

import secrets
import threading
import time
from collections.abc import Callable

from nimble_lantern.core.reading.hearing import Hearing
from nimble_lantern.engines import LiveEngine
from nimble_lantern.engines.builtin.cutter import Cut, Cutter
from nimble_lantern.engines.builtin.files import scene_of
from nimble_lantern.shell import LiveDesk

SILENT_SECONDS = 3.0
"""A page that has sent nothing for so long listens no more: another may take its place."""
LISTENS = "…"
"""Shown from the first sound of speech until there are words."""


class Gap(Exception):
    """A chunk came too early; `expected` is the number that should come next."""

    def __init__(self, expected: int) -> None:
        super().__init__(f"chunk {expected} is missing")
        self.expected = expected


class UnknownStream(Exception):
    """The stream is not, or no longer, the one that is listened to."""


class Listener:
    """Cuts the stream into utterances and lets the desk hear them.

    Only the stream opened last is heard, so that two pages cannot write everything twice.
    """

    def __init__(self, desk: LiveDesk, engine: Callable[[], LiveEngine]) -> None:
        self._desk, self._make = desk, engine
        self._engine: LiveEngine | None = None
        self._lock = threading.Lock()
        self._stream = ""
        self._expected = 0
        self._last = 0.0  # when its last chunk came
        self._cutter = Cutter()

    @property
    def is_open(self) -> bool:
        """Whether some page's sound still comes in."""
        return bool(self._stream) and time.monotonic() - self._last < SILENT_SECONDS

    def open(self) -> str:
        """A new stream's name; the one before is no longer listened to."""
        with self._lock:
            engine = self._ready()
            if self._cutter.speaking:
                self._take(engine.end())
            self._stream, self._expected = secrets.token_hex(8), 0
            self._last = time.monotonic()
            self._cutter = Cutter()
            return self._stream

    def feed(self, stream: str, number: int, sound: bytes) -> int:
        """Hear chunk `number` (16-bit mono at 16 kHz); the number of the next one.

        A chunk that was heard already is taken for granted.  UnknownStream or Gap otherwise.
        """
        with self._lock:
            if stream != self._stream:
                raise UnknownStream
            self._last = time.monotonic()
            if number > self._expected:
                raise Gap(self._expected)
            if number == self._expected:
                self._expected += 1
                for cut in self._cutter.feed(sound[: len(sound) - len(sound) % 2]):
                    self._heard(cut)
            return self._expected

    def warm(self) -> None:
        """Start the engine before anybody speaks."""
        with self._lock:
            self._ready()

    def close(self) -> None:
        with self._lock:
            if self._engine is not None:
                self._engine.close()
                self._engine = None

    def _ready(self) -> LiveEngine:
        if self._engine is None:
            self._engine = self._make()
            self._engine.look(scene_of(self._desk.sitting))
        return self._engine

    def _heard(self, cut: Cut) -> None:
        engine = self._ready()
        match cut.kind:
            case "began":
                engine.begin(scene_of(self._desk.sitting))
                if self._desk.sitting.lamp == "lit":
                    self._desk.whisper(LISTENS)
            case "sound":
                engine.sound(cut.sound)
                if engine.partial and self._desk.sitting.lamp == "lit":
                    self._desk.whisper(engine.partial)
            case "ended":
                self._take(engine.end())

    def _take(self, hearing: Hearing) -> None:
        if hearing.hypotheses or hearing.command:
            self._desk.hear(hearing)
        else:
            self._desk.whisper("")
        self._ready().look(scene_of(self._desk.sitting))
