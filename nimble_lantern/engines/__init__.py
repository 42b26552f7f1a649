"""Engines: what turns sound into Hearings.  Small adapters behind one Protocol."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Protocol, runtime_checkable

from nimble_lantern.core.reading.hearing import HeardWord, Hearing, Hypothesis


@dataclass(frozen=True, slots=True)
class Scene:
    """What the recogniser may know of the page: words in view, names, and what it is waiting for.

    It rests until it is woken; or it has asked, and a choice is the likeliest answer.
    """

    view: tuple[str, ...] = ()
    names: tuple[tuple[str, tuple[str, ...]], ...] = ()  # of each kind of named things
    resting: bool = False
    choosing: bool = False
    beside: bool = False  # another engine has the words of dictation: only commands matter
    reading: bool = False  # a text is read aloud: only what is said of that is listened for
    spelling: bool = False  # letters are said, and what is said of them
    punctuated: bool = False  # marks are put in by themselves: nobody says their names
    wordings: tuple[tuple[str, ...], ...] = ()  # the speaker's own, with a gap for words in view


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


class Acquaintance(Protocol):
    """What an engine learns of its speaker; call it between utterances."""

    @property
    def utterances(self) -> int:
        """How many the voice is known from."""

    @property
    def adapted(self) -> bool:
        """Whether that is enough to hear with."""

    def accustom(self, kept: bytes) -> None:
        """Go on from what was kept; from nothing, if that is damaged."""

    def accepted(self, sound: bytes, words: Sequence[str], sure: Sequence[bool]) -> None:
        """An utterance whose words stand, and which of them are sure."""

    def learned(self) -> bytes | None:
        """What is to be kept, if something was learned since the last time."""

    def forget(self) -> None: ...


@runtime_checkable
class LearnsVoice(Protocol):
    """An engine that gets to know its speaker's voice."""

    @property
    def adaptation(self) -> Acquaintance: ...


@dataclass(frozen=True, slots=True)
class Transcribed:
    """What a transcriber made of an utterance: its readings, the likeliest first.

    `names` are words that it writes with capitals inside sentences; `doubt` is why it may not be
    what was said, `slow` that it was not ready in time.
    """

    hypotheses: tuple[Hypothesis, ...] = ()
    names: tuple[str, ...] = ()
    doubt: str = ""
    slow: bool = False


class Transcriber(Protocol):
    """Dictation with better words than the built-in engine's, perhaps later.

    It hears the same sound, begin to end; every method raises BadInput if it cannot be used.
    """

    @property
    def name(self) -> str: ...

    def warm(self) -> None: ...
    def begin(self, scene: Scene) -> None: ...
    def sound(self, sound: bytes) -> None: ...
    def drop(self) -> None: ...
    def end(self) -> None: ...

    @property
    def partial(self) -> str: ...

    def transcribe(self, marks: bool, beside: Sequence[HeardWord]) -> Transcribed:
        """The words of the utterance that just ended, with marks of its own or without.

        `beside`: what another engine heard in the same sound.
        """

    def fits(self, texts: Sequence[str], cued: bool = False) -> tuple[float, ...]:
        """How well texts fit that sound: mean log probability a token, each.

        `cued`: as if commands had come before.
        """

    def cued(self) -> tuple[tuple[str, ...], ...]:
        """What that sound is read as if commands had come before; the likeliest first."""

    def letters(self, words: Sequence[str]) -> tuple[dict[str, float], ...]:
        """What each of these words would be as a letter there: log probabilities."""

    def close(self) -> None: ...


class Scripted:
    """The stand-in: its "sound" is a line of text, heard as it stands."""

    def hear(self, sound: bytes, scene: Scene) -> Hearing:
        from nimble_lantern.core.reading.hearing import from_line

        return from_line(sound.decode("utf-8"))
