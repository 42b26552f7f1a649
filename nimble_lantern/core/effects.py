"""Effects: what the shell is to do once an utterance is safe; values, so that tests can look."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class NewDocument:
    name: str | None


@dataclass(frozen=True, slots=True)
class OpenDocument:
    name: str


@dataclass(frozen=True, slots=True)
class NameDocument:
    name: str


@dataclass(frozen=True, slots=True)
class ShowShelf:
    pass


@dataclass(frozen=True, slots=True)
class ShowSettings:
    pass


@dataclass(frozen=True, slots=True)
class ShowDesk:
    pass


@dataclass(frozen=True, slots=True)
class Prompt:
    """Let the prompter speak the script called `name`, perhaps misheard; None stops it."""

    name: str | None
    mistakes: bool = False


@dataclass(frozen=True, slots=True)
class SaveSetting:
    """A setting that the person changed, to be kept for all documents."""

    name: str
    value: str


@dataclass(frozen=True, slots=True)
class ShowCommands:
    """Show what can be said, of one group of the catalogue."""

    group: str


@dataclass(frozen=True, slots=True)
class Scroll:
    """Look so many screens further down, or up for a negative number."""

    screens: int


@dataclass(frozen=True, slots=True)
class CheckMicrophone:
    """Tell how the microphone sounds."""


Shown = ShowShelf | ShowSettings | ShowCommands | ShowDesk | Scroll
Effect = NewDocument | OpenDocument | NameDocument | Shown | Prompt | SaveSetting | CheckMicrophone
