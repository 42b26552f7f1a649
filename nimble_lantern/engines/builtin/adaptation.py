"""Two decoders that get to know their speaker: what was learned, and when they are told of it."""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.engines.builtin.adapting import nothing_learned, statistics_from
from nimble_lantern.engines.builtin.worker import Worker

_AGAIN = 1.5
"""By how much more speech than last time must be known for the decoders to be made anew: that
takes a second or two, in which what is said waits."""


class Adaptation:
    """Learns from utterances that the speaker let stand, and adapts the decoders in between."""

    def __init__(self, dictation: Worker, command: Worker) -> None:
        self._dictation, self._command = dictation, command
        self._known = nothing_learned()
        self._told = 0.0  # frames that the decoders were adapted to last

    @property
    def utterances(self) -> int:
        """How many the voice is known from."""
        return self._known.utterances

    @property
    def adapted(self) -> bool:
        """Whether the decoders are adapted to it."""
        return self._told > 0

    def accustom(self, kept: bytes) -> None:
        """Go on from what was learned before."""
        self._known = statistics_from(kept)
        self._tell()

    def accepted(self, sound: bytes, words: Sequence[str], sure: Sequence[bool]) -> None:
        """An utterance whose words stand: what it teaches is found out beside other work."""
        self._command.ask_aside("learn", sound, tuple(words), tuple(sure))

    def learned(self) -> bytes | None:
        """What is to be kept, if something was learned since; call it between utterances."""
        found = [one for one in self._command.told_aside() if one.frames]
        if not found:
            return None
        for one in found:
            self._known += one
        if self._known.frames >= _AGAIN * self._told:
            self._tell()
        return self._known.to_bytes()

    def forget(self) -> None:
        """This was another speaker."""
        self._command.told_aside()
        self._known = nothing_learned()
        if self._told:
            self._told = 0.0
            self._adapt(None)

    def _tell(self) -> None:
        transform = self._known.transform()
        if transform is not None:
            self._told = self._known.frames
            self._adapt(transform)

    def _adapt(self, transform: str | None) -> None:
        for worker in (self._command, self._dictation):
            worker.adapt(transform)
