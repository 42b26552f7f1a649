"""A decoder in a process of its own, restarted with its sound when it dies."""

from __future__ import annotations

import multiprocessing
import time
from multiprocessing.connection import Connection
from typing import Any

from nimble_lantern.core.errors import BadInput
from nimble_lantern.engines.builtin.decoder import CommandDecoder, Decoded, DictationDecoder

_PATIENCE_SECONDS = 60.0
_SOON_SECONDS = 0.05
_CONTEXT = multiprocessing.get_context("spawn")


def serve(connection: Connection, kind: str) -> None:
    """The process: messages in, results and partial texts out, until the pipe closes."""
    decoder = CommandDecoder() if kind == "command" else DictationDecoder()
    said, number = "", 0
    while True:
        try:
            message, *rest = connection.recv()
        except (EOFError, KeyboardInterrupt):
            return
        match message:
            case "start":
                decoder.start()
                said, [number] = "", rest
            case "sound":
                decoder.sound(rest[0])
                if kind == "dictation" and not connection.poll():
                    text = decoder.partial()
                    if text != said:
                        said = text
                        connection.send(("partial", (number, text)))
            case "end":
                connection.send(("done", decoder.end()))
            case "whole":
                connection.send(("done", decoder.whole(rest[0])))
            case "alternatives":
                assert isinstance(decoder, CommandDecoder)
                connection.send(("done", decoder.alternatives()))
            case "grammar" | "rest" | "page" | "drop":
                getattr(decoder, message)(*rest)


class Worker:
    """The near end of a decoder process.  One utterance at a time."""

    def __init__(self, kind: str) -> None:
        self.kind = kind
        self._partial, self._number = "", 0  # of the utterance
        self.restarts = 0
        self._prepared: tuple[Any, ...] | None = None
        self._kept: list[bytes] = []
        self._started = False
        self._asked: tuple[Any, ...] | None = None
        self._open()

    def _open(self) -> None:
        self._near, far = _CONTEXT.Pipe()
        self.process = _CONTEXT.Process(target=serve, args=(far, self.kind), daemon=True)
        self.process.start()
        far.close()

    def _reopen(self) -> None:
        """A new process that knows what the dead one knew, and has its sound."""
        self.restarts += 1
        self.process.kill()
        self.process.join()
        self._near.close()
        self._open()
        if self._prepared:
            self._near.send(self._prepared)
        if self._started:
            self._near.send(("start", self._number))
            for sound in self._kept:
                self._near.send(("sound", sound))
        if self._asked:
            self._near.send(self._asked)

    def _send(self, *message: Any) -> None:
        try:
            self._near.send(message)
        except OSError:
            # What was to be sent is among what a new process is told.
            self._reopen()

    def prepare(self, *what: Any) -> None:
        """Between utterances: a grammar, the texts of a page, or rest; kept for a new process."""
        self._prepared = what
        self._send(*what)

    def start(self) -> None:
        self._kept, self._started, self._asked, self._partial = [], True, None, ""
        self._number += 1
        self._send("start", self._number)

    def sound(self, sound: bytes) -> None:
        self._kept.append(sound)
        self._send("sound", sound)

    def drop(self) -> None:
        """What was started was no speech."""
        self._kept, self._started = [], False
        self._send("drop")

    @property
    def partial(self) -> str:
        """The words so far; for the first ones, it is worth a moment's waiting."""
        try:
            while self._near.poll(0 if self._partial or not self._started else _SOON_SECONDS):
                self._told(*self._near.recv())
        except (EOFError, OSError):
            self._reopen()
        return self._partial

    def _told(self, message: str, value: Any) -> None:
        """Words of the utterance; those of one that was dropped may come late."""
        if message == "partial" and value[0] == self._number:
            self._partial = str(value[1])

    def ask_end(self) -> None:
        self._ask("end")

    def ask_whole(self, sound: bytes) -> None:
        self._kept, self._started = [], False
        self._ask("whole", sound)

    def ask_alternatives(self) -> None:
        """Of a grammar's last result; a new process has none."""
        self._ask("alternatives")

    def _ask(self, *message: Any) -> None:
        self._asked = message
        self._send(*message)

    def result(self) -> Decoded:
        """The decoding asked for; decoded once more if the process died over it."""
        for attempt in range(2):
            try:
                found = self._wait()
                self._started, self._asked = False, None
                return found
            except (EOFError, OSError):
                if attempt:
                    break
                self._reopen()
        self._started, self._asked = False, None
        raise BadInput("The recogniser stopped twice over the same sound; say it again.")

    def _wait(self) -> Decoded:
        deadline = time.monotonic() + _PATIENCE_SECONDS
        while time.monotonic() < deadline:
            if not self._near.poll(0.5):
                if not self.process.is_alive():
                    raise EOFError
                continue
            message, value = self._near.recv()
            if message == "done":
                assert isinstance(value, Decoded)
                return value
            self._told(message, value)
        raise EOFError

    def close(self) -> None:
        self._near.close()
        self.process.terminate()
        self.process.join(5)
