"""Engines: what turns sound into Hearings.  Small adapters behind one Protocol."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Protocol

from nimble_lantern.core.reading.hearing import Hearing, Hypothesis


@dataclass(frozen=True, slots=True)
class Scene:
    """What the recogniser may know of the page: words in view, names, and what it is waiting for.

    It rests until it is woken; or it has asked, and a choice is the likeliest answer.
    """

    view: tuple[str, ...] = ()
    names: tuple[tuple[str, tuple[str, ...]], ...] = ()  # of each kind of named things
    resting: bool = False
    choosing: bool = False


class Engine(Protocol):
    """Anything that hears: a stretch of sound and a scene in, a Hearing out."""

    def hear(self, sound: bytes, scene: Scene) -> Hearing:
        """`sound`: one utterance, 16-bit little-endian mono PCM at 16 kHz."""


class LiveEngine(Protocol):
    """An engine that hears while someone speaks: begin, sound as it comes, end.

    Or begin, sound, drop: that was no speech.
    """

    @property
    def partial(self) -> str:
        """What the utterance seems to be so far."""

    def look(self, scene: Scene) -> None: ...
    def begin(self, scene: Scene) -> None: ...
    def sound(self, sound: bytes) -> None: ...
    def drop(self) -> None: ...
    def end(self) -> Hearing: ...
    def close(self) -> None: ...


class Transcriber(Protocol):
    """Dictation of a whole utterance: better words than the built-in engine's, perhaps later."""

    def transcribe(self, sound: bytes) -> tuple[Hypothesis, ...]:
        """The likeliest words first; `sound` as for an Engine.  BadInput if it cannot be used."""


class Scripted:
    """The stand-in: its "sound" is a line of text, heard as it stands."""

    def hear(self, sound: bytes, scene: Scene) -> Hearing:
        from nimble_lantern.core.reading.hearing import from_line

        return from_line(sound.decode("utf-8"))
