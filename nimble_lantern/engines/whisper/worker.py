"""The model in a process of its own: words while somebody speaks, and the readings at the end.

The growing utterance is decoded again and again.  Words that two decodings in a row agree on are
firm, the others may still change: local agreement, after Machacek, Dabre and Bojar, "Turning
Whisper into Real-Time Transcription System", 2023.
"""

from __future__ import annotations

import os
import time
from collections.abc import Sequence
from contextlib import suppress
from multiprocessing.connection import Connection
from pathlib import Path
from typing import Any, Protocol

import numpy as np

from nimble_lantern.core.errors import BadInput
from nimble_lantern.engines.builtin.worker import Message, Worker
from nimble_lantern.engines.heap import share_one_heap
from nimble_lantern.engines.pcm import RATE
from nimble_lantern.engines.whisper.guards import LOOP, doubt, recites
from nimble_lantern.engines.whisper.model import (
    BEAM,
    MORE_SILENCE_SECONDS,
    SILENCE_SECONDS,
    Model,
    Transcript,
)

_BETWEEN_SECONDS, _REST = 0.6, 5.0
"""Between two decodings of what is growing: at least so long, and so many times what one takes."""
_FRAME = RATE // 50
_QUIET_SECONDS, _QUIET = 0.2, 0.08
"""Silence after which an utterance may be over, and how quiet it is beside its loudest frames."""
_MOST_THREADS = 4


def agreed(earlier: Sequence[str], later: Sequence[str]) -> int:
    """How many words two decodings of a growing utterance begin with alike."""
    count = 0
    for one, other in zip(earlier, later, strict=False):
        if one.strip(",.;:?!").lower() != other.strip(",.;:?!").lower():
            break
        count += 1
    return count


def quiet_since(sound: bytes) -> float:
    """Seconds of silence at the end of an utterance, 0 if it is still spoken."""
    samples = np.frombuffer(sound, np.int16).astype(np.float32)
    frames = samples[: len(samples) // _FRAME * _FRAME].reshape(-1, _FRAME)
    if not len(frames):
        return 0.0
    level = np.sqrt((frames**2).mean(axis=1))
    loud = np.flatnonzero(level > max(30.0, _QUIET * float(np.percentile(level, 95))))
    last = int(loud[-1]) if len(loud) else -1
    return (len(frames) - 1 - last) * _FRAME / RATE


class Hears(Protocol):
    """A model, or a stand-in in tests."""

    def heard(
        self,
        sound: bytes,
        names: Sequence[str] = (),
        best: int = BEAM,
        silence: float = SILENCE_SECONDS,
        before: str = "",
    ) -> Transcript: ...


class Growing:
    """An utterance in the process: its sound, what was decoded of it, and when."""

    def __init__(self, model: Hears) -> None:
        self._model = model
        self.names: tuple[str, ...] = ()
        self.before = ""
        self.start(0)

    def start(self, number: int) -> None:
        self.number, self.sound = number, bytearray()
        self._decoded = 0  # bytes that the last decoding heard
        self._words: list[str] = []
        self._cost = 0.0
        self._whole: tuple[int, Transcript] | None = None

    @property
    def wants(self) -> bool:
        """Whether enough is new for the text to be worth decoding again; or it may be over."""
        fresh = (len(self.sound) - self._decoded) / 2 / RATE
        if fresh >= max(_BETWEEN_SECONDS, _REST * self._cost):
            return True
        if fresh < _QUIET_SECONDS / 2 or not self.sound:
            return False
        quiet = quiet_since(bytes(self.sound))
        return _QUIET_SECONDS <= quiet < len(self.sound) / 2 / RATE and not self._known(quiet)

    def _known(self, quiet: float) -> bool:
        """Whether only silence came since the whole was decoded."""
        if self._whole is None:
            return False
        return quiet >= (len(self.sound) - self._whole[0]) / 2 / RATE + _QUIET_SECONDS / 2

    def partial(self) -> tuple[str, str]:
        """The words that are firm, and those that may change."""
        begun = time.monotonic()
        self._decoded = len(self.sound)
        sound = bytes(self.sound)
        if quiet_since(sound) >= _QUIET_SECONDS:
            found = self.end()
        else:
            found = self._model.heard(sound, self.names, best=1, before=self.before)
        self._cost = time.monotonic() - begun
        # What is no speech is not shown.
        words = found.readings[0].text.split() if found.readings and not doubt(found) else []
        firm = agreed(self._words, words)
        self._words = words
        return " ".join(words[:firm]), " ".join(words[firm:])

    def end(self) -> Transcript:
        """The readings of the whole; those of a moment ago if only silence came since."""
        sound = bytes(self.sound)
        if self._whole is not None and self._known(quiet_since(sound)):
            return self._whole[1]
        found = self._model.heard(sound, self.names, before=self.before)
        if found.readings and recites(found.readings[0].text, self.names, self.before):
            found = self._model.heard(sound)
        if doubt(found) == LOOP:
            found = self._model.heard(sound, silence=MORE_SILENCE_SECONDS)
        self._whole = len(sound), found
        return found


def serve(connection: Connection, folder: str) -> None:
    """The process: messages in, readings and growing text out, until the pipe closes."""
    share_one_heap()
    try:
        threads = min(_MOST_THREADS, os.cpu_count() or 1)
        model = Model(Path(folder), threads)
    except BadInput as error:
        connection.send(("failed", str(error)))
        return
    growing, started = Growing(model), False
    # The near end may be gone while an answer is made: then nobody is left to tell.
    with suppress(EOFError, OSError, KeyboardInterrupt):
        while True:
            if not connection.poll(None if not (started and growing.wants) else 0):
                connection.send(("partial", growing.number, growing.partial()))
                continue
            match connection.recv():
                case ("told", request, names, before):
                    growing.names, growing.before = tuple(names), before
                    connection.send(("ready", request))
                case ("start", n):
                    growing.start(n)
                    started = True
                case ("sound", sound):
                    growing.sound += sound
                case ("drop",):
                    started = False
                case ("end", request):
                    started = False
                    connection.send(("done", request, growing.end()))
                case ("fit", request, texts, cue):
                    connection.send(("done", request, tuple(model.fit(t, cue) for t in texts)))
                case ("cued", request, cue):
                    connection.send(("done", request, model.cued(cue)))
                case ("led", request, words):
                    connection.send(("done", request, model.letters(words)))


class ModelWorker(Worker):
    """The near end of the model's process.  BadInput from `result` where it cannot be loaded."""

    def __init__(self, folder: Path) -> None:
        self._failed = ""
        self.firm = ""
        super().__init__(str(folder), serve)

    def start(self) -> None:
        self.firm = ""
        super().start()

    def ask_fit(self, texts: Sequence[str], cue: str = "") -> None:
        """How well texts fit the sound of the utterance that just ended, perhaps after a cue."""
        self._ask("fit", tuple(texts), cue)

    def ask_cued(self, cue: str) -> None:
        """What that sound would be read as after a cue."""
        self._ask("cued", cue)

    def ask_led(self, words: Sequence[str]) -> None:
        """What each of these words would be as a letter, in that sound."""
        self._ask("led", tuple(words))

    def _told(self, message: Message) -> Any:
        match message:
            case ("failed", why):
                self._failed = why
                raise BadInput(why)
            case ("partial", number, (firm, rest)):
                if number == self._number:
                    self.firm = firm
                    self._partial = f"{firm} {rest}".strip()
                return None
        return super()._told(message)

    def _reopen(self) -> None:
        if self._failed:
            raise BadInput(self._failed)
        super()._reopen()
