"""A decoder in a process of its own, restarted with its sound when it dies or does not answer.

Every request that is answered carries a number, and so does its answer: what answers a request
that nobody waits for any more is dropped.
"""

from __future__ import annotations

import multiprocessing
import sys
import threading
import time
import traceback
from collections import deque
from collections.abc import Callable, Sequence
from contextlib import suppress
from itertools import count
from multiprocessing.connection import Connection
from pathlib import Path
from typing import Any

from nimble_lantern.core.errors import BadInput
from nimble_lantern.engines.builtin.adapting import Statistics, learned, nothing_learned
from nimble_lantern.engines.builtin.decoder import CommandDecoder, DictationDecoder
from nimble_lantern.engines.heap import give_back, share_one_heap

_SOON_SECONDS = 0.05
_STUCK_SECONDS = 0.3
"""After an utterance was given up, how long a decoder may take to come back to its work."""
_ENDING_SECONDS = 5.0
_READY_SECONDS = 20.0
"""How long a decoder may be made ready, at a start or for another page, before it hears."""
_MOST_LOST = 30.0
"""How much longer an answer may take, at most, because others had the processors: other programs,
or other machines on the same hardware."""
_CONTEXT = multiprocessing.get_context("spawn")
Message = tuple[Any, ...]


class TooSlow(Exception):
    """The answer did not come in time."""


class _Outbox:
    """Messages to a process, sent by a thread: who puts one in never waits for a busy process."""

    def __init__(self, connection: Connection) -> None:
        self._connection = connection
        self._waiting: deque[Message] = deque()
        self._changed = threading.Condition()
        self.broken = False
        self._thread = threading.Thread(target=self._run, daemon=True)
        self._thread.start()

    def put(self, message: Message) -> None:
        with self._changed:
            self._waiting.append(message)
            self._changed.notify()

    def withdraw(self) -> None:
        """Take back the sound that is not sent yet, and what was to be found out about it."""
        with self._changed:
            kept = [m for m in self._waiting if m[0] not in ("sound", "end", "whole")]
            self._waiting = deque(kept)

    def close(self) -> None:
        with self._changed:
            self.broken = True
            self._changed.notify()

    def ended(self) -> None:
        """Wait until nothing is sent any more; the process at the other end is gone.

        Only then may the connection be closed: a new one gets its number, and would get the rest.
        """
        self._thread.join(_ENDING_SECONDS)

    def _run(self) -> None:
        while True:
            with self._changed:
                while not self._waiting and not self.broken:
                    self._changed.wait()
                if self.broken:
                    return
                message = self._waiting.popleft()
            try:
                self._connection.send(message)
            except (OSError, ValueError, TypeError):  # TypeError: closed while it was sent
                self.broken = True
                return


def serve(connection: Connection, kind: str) -> None:
    """The process: messages in, results and partial texts out, until the pipe closes."""
    share_one_heap()
    made = CommandDecoder if kind == "command" else DictationDecoder
    decoder: DictationDecoder | None = None
    said, number = "", 0
    # The near end may be gone while an answer is made: then nobody is left to tell.
    with suppress(EOFError, OSError, KeyboardInterrupt):
        while True:
            message = connection.recv()
            if message[0] == "adapt":
                voice = decoder.voice if decoder else None
                decoder = None  # there is no room for two
                give_back()
                decoder = made(message[1], voice)
                continue
            decoder = decoder or made()
            match message:
                case ("start", n):
                    decoder.start()
                    said, number = "", n
                case ("sound", sound):
                    decoder.sound(sound)
                    if kind == "dictation" and not connection.poll() and decoder.partial() != said:
                        said = decoder.partial()
                        connection.send(("partial", number, said))
                case ("drop",):
                    decoder.drop()
                case ("end", request):
                    connection.send(("done", request, decoder.end()))
                case ("whole", request, sound):
                    connection.send(("done", request, decoder.whole(sound)))
                case ("alternatives", request):
                    assert isinstance(decoder, CommandDecoder)
                    connection.send(("done", request, decoder.alternatives()))
                case ("letters", request, sound, spans):
                    assert isinstance(decoder, CommandDecoder)
                    connection.send(("done", request, decoder.letters(sound, spans)))
                case ("learn", sound, words, sure):
                    assert isinstance(decoder, CommandDecoder)
                    try:
                        found = learned(sound, words, sure, decoder.ways_of)
                    except Exception:  # whatever is wrong with it must not end who listens
                        traceback.print_exc(file=sys.stderr)
                        found = nothing_learned()
                    connection.send(("aside", found))
                case ("grammar" | "rest" | "page" as name, request, *rest):
                    getattr(decoder, name)(*rest)
                    rest = []  # a network's arcs; the decoder has its own by now
                    give_back()
                    connection.send(("ready", request))


class Worker:
    """The near end of a decoder process, which runs `served`.  One utterance at a time."""

    def __init__(self, kind: str, served: Callable[[Connection, str], None] = serve) -> None:
        self.kind, self._served = kind, served
        self._partial, self._number = "", 0  # of the utterance
        self.restarts = 0
        self._prepared: Message | None = None
        self._adapted: Message | None = None
        self._aside: list[Statistics] = []
        self._ready = True
        self._kept: list[bytes] = []
        self._started = False
        self._requests = count(1)
        self._asked: Message | None = None  # what waits for its answer
        self._given_up: tuple[int, float] | None = None  # a request that may never be answered
        self._queued_before = 0.0
        self._asked_at, self._stood_still = (0.0, 0.0), 0.0
        self._open()

    def _open(self) -> None:
        self._near, far = _CONTEXT.Pipe()
        self._outbox = _Outbox(self._near)
        self.process = _CONTEXT.Process(target=self._served, args=(far, self.kind), daemon=True)
        self.process.start()
        far.close()

    def _reopen(self) -> None:
        """A new process that knows what the old one knew, and has its sound."""
        self.restarts += 1
        self._outbox.close()
        self.process.kill()
        self.process.join()
        self._outbox.ended()
        self._near.close()
        self._given_up, self._queued_before = None, 0.0
        self._open()
        for told in (self._adapted, self._prepared):
            if told:
                self._outbox.put(told)
        self._ready = self._prepared is None
        if self._started:
            self._outbox.put(("start", self._number))
            for sound in self._kept:
                self._outbox.put(("sound", sound))
        if self._asked:
            self._outbox.put(self._asked)
            self._asked_at = time.monotonic(), sum(self._scheduled())

    def _send(self, *message: Any) -> None:
        if self._outbox.broken:
            # What was to be sent is among what a new process is told.
            self._reopen()
        else:
            self._outbox.put(message)

    def prepare(self, *what: Any) -> None:
        """Between utterances: a grammar, the texts of a page, or rest; kept for a new process."""
        name, *rest = what
        self._prepared, self._ready = (name, next(self._requests), *rest), False
        self._unstick()
        self._send(*self._prepared)

    def adapt(self, transform: str | None) -> None:
        """Between utterances: hear with the model's means moved so, or where they were."""
        self._adapted = ("adapt", transform)
        self._unstick()
        self._send(*self._adapted)
        if self._prepared:
            self._ready = False
            self._send(*self._prepared)

    def start(self) -> None:
        self._kept, self._started, self._asked, self._partial = [], True, None, ""
        self._number += 1
        self._unstick()
        self._begins()
        self._send("start", self._number)

    def sound(self, sound: bytes) -> None:
        self._kept.append(sound)
        self._send("sound", sound)

    def drop(self) -> None:
        """What was started was no speech."""
        self._kept, self._started, self._asked = [], False, None
        self._outbox.withdraw()
        self._send("drop")

    def give_up(self) -> None:
        """Nothing more is wanted of this utterance; a process that goes on with it is ended."""
        asked = self._asked[1] if self._asked else 0
        self.drop()
        if asked:
            self._given_up = asked, time.monotonic()

    def _unstick(self) -> None:
        """End a process that is still at what was given up long ago."""
        if self._given_up is None:
            return
        self._told_so_far()
        if self._given_up and time.monotonic() - self._given_up[1] > _STUCK_SECONDS:
            self._reopen()

    @property
    def partial(self) -> str:
        """The words so far; for the first ones, it is worth a moment's waiting."""
        wait = 0 if self._partial or not self._started else _SOON_SECONDS
        self._told_so_far(wait)
        return self._partial

    def _told_so_far(self, wait: float = 0.0) -> None:
        try:
            while self._near.poll(wait):
                self._told(self._near.recv())
                wait = 0.0
        except (EOFError, OSError):
            self._reopen()

    def _told(self, message: Message) -> Any:
        """Words of the utterance, or the answer that is waited for; others come too late."""
        match message:
            case ("partial", number, text) if number == self._number:
                self._partial = str(text)
            case ("ready", request) if self._prepared and request == self._prepared[1]:
                self._ready = True
            case ("aside", found):
                self._aside.append(found)
            case ("done", request, found):
                if self._given_up and request == self._given_up[0]:
                    self._given_up = None
                if self._asked and request == self._asked[1]:
                    return found
        return None

    def until_ready(self) -> None:
        """Wait for what was prepared, for a while; a process that died is found later."""
        if not self._started:
            self._begins()
        due = time.monotonic() + _READY_SECONDS
        try:
            while not self._ready and self._near.poll(max(0.0, due - time.monotonic())):
                self._told(self._near.recv())
        except (EOFError, OSError):
            return

    def ask_end(self) -> None:
        self._ask("end")

    def ask_whole(self, sound: bytes) -> None:
        self._kept, self._started = [], False
        self._ask("whole", sound)

    def ask_alternatives(self) -> None:
        """Of a grammar's last result; a new process has none."""
        self._ask("alternatives")

    def ask_letters(self, sound: bytes, spans: Sequence[tuple[float, float]]) -> None:
        """What letter was said in each span, in seconds of the sound."""
        self._ask("letters", sound, tuple(spans))

    def ask_aside(self, what: str, *rest: Any) -> None:
        """What nobody waits for; if the process dies over it, it is not asked again."""
        self._send(what, *rest)

    def told_aside(self) -> list[Statistics]:
        """What was found out aside since the last time."""
        self._told_so_far()
        found, self._aside = self._aside, []
        return found

    def _ask(self, what: str, *rest: Any) -> None:
        self._asked = (what, next(self._requests), *rest)
        self._send(*self._asked)
        self._asked_at = time.monotonic(), sum(self._scheduled())

    def result(self, due: float) -> Any:
        """The decoding asked for; decoded once more if the process died over it.

        TooSlow if it is not there at `due`, a time of the monotonic clock, or by as much later as
        other programs had the processors, and a new process took to be made ready.  BadInput if
        the process died twice.
        """
        for attempt in range(2):
            try:
                found = self._wait(due)
                self._stood_still += self._standing_still()
                self._started, self._asked = False, None
                return found
            except (EOFError, OSError):
                if attempt:
                    break
                begun = time.monotonic()
                self._reopen()
                self.until_ready()
                due += time.monotonic() - begun
        self._started, self._asked = False, None
        raise BadInput("The recogniser stopped twice over the same sound; say it again.")

    def left(self, due: float) -> float:
        """Seconds until `due`, and those in which the process could not have its turn.

        On a busy machine the decoder is not stuck, it only has its turn later.
        """
        queued = max(0.0, self._scheduled()[1] - self._queued_before)
        lost = queued + self._stood_still + self._standing_still()
        return due + min(_MOST_LOST, lost) - time.monotonic()

    def _begins(self) -> None:
        """From here on it counts what the processors did for others."""
        self._queued_before, self._stood_still = self._scheduled()[1], 0.0

    def _standing_still(self) -> float:
        """Seconds since something was asked in which the process neither ran nor stood in a queue.

        Then the machine itself stood still, or waited for its disk.
        """
        if self._asked is None or not (counted := sum(self._scheduled())):
            return 0.0
        began, before = self._asked_at
        return max(0.0, time.monotonic() - began - (counted - before))

    def _scheduled(self) -> tuple[float, float]:
        """Seconds in all that the process ran, and that it was ready to run and did not.

        Zeros where the system does not tell.  Source: Linux, Documentation/scheduler/sched-stats.
        """
        try:
            ran, queued, *_ = Path(f"/proc/{self.process.pid}/schedstat").read_text().split()
            return int(ran) / 1e9, int(queued) / 1e9
        except (OSError, ValueError):
            return 0.0, 0.0

    def _wait(self, due: float) -> Any:
        while True:
            left = self.left(due)
            if not self._near.poll(max(0.0, min(0.5, left))):
                if not self.process.is_alive():
                    raise EOFError
                if left <= 0:
                    raise TooSlow
                continue
            if (found := self._told(self._near.recv())) is not None:
                return found

    def close(self) -> None:
        self._outbox.close()
        self.process.kill()  # it has nothing to keep, and may be stuck
        self.process.join(5)
        self._outbox.ended()
        self._near.close()
