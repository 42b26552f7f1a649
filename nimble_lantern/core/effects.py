"""Effects: what the shell is to do once an utterance is safe; values, so that tests can look."""

from __future__ import annotations

from dataclasses import astuple, dataclass
from typing import Any, ClassVar, get_args


@dataclass(frozen=True, slots=True)
class NewDocument:
    effect: ClassVar[str] = "new"
    name: str


@dataclass(frozen=True, slots=True)
class OpenDocument:
    effect: ClassVar[str] = "open"
    name: str


@dataclass(frozen=True, slots=True)
class NameDocument:
    effect: ClassVar[str] = "name"
    name: str


@dataclass(frozen=True, slots=True)
class DropEmptyDocument:
    """Take a document off the shelf again into which nothing was ever written."""

    effect: ClassVar[str] = "drop_empty"
    name: str


@dataclass(frozen=True, slots=True)
class DeleteForGood:
    """Remove a document with its whole history: nothing brings it back."""

    effect: ClassVar[str] = "delete_for_good"
    name: str


@dataclass(frozen=True, slots=True)
class ForgetUndone:
    """Remove the words of everything that was undone before today, in all documents."""

    effect: ClassVar[str] = "forget_undone"


@dataclass(frozen=True, slots=True)
class Prompt:
    """Let the prompter speak the script called `name`, perhaps misheard; None stops it."""

    effect: ClassVar[str] = "prompt"
    name: str | None
    mistakes: bool = False


@dataclass(frozen=True, slots=True)
class SaveSetting:
    """A setting that the person changed, to be kept for all documents."""

    effect: ClassVar[str] = "save_setting"
    name: str
    value: str


@dataclass(frozen=True, slots=True)
class Scroll:
    """Look so many screens further down, or up for a negative number."""

    effect: ClassVar[str] = "scroll"
    screens: int


@dataclass(frozen=True, slots=True)
class CheckMicrophone:
    """Tell how the microphone sounds."""

    effect: ClassVar[str] = "check_microphone"


@dataclass(frozen=True, slots=True)
class FetchEars:
    """Fetch a larger model to listen with, and listen with it once it is there."""

    effect: ClassVar[str] = "fetch_ears"
    name: str


@dataclass(frozen=True, slots=True)
class SayAgain:
    """Hear words once more, as text: those before opened another document, which is left again."""

    effect: ClassVar[str] = "say_again"
    words: tuple[str, ...]


Kept = (
    NewDocument
    | OpenDocument
    | NameDocument
    | DropEmptyDocument
    | DeleteForGood
    | ForgetUndone
    | SaveSetting
)
"""What the journal does, in the transaction of the utterance."""
Effect = Kept | Scroll | Prompt | CheckMicrophone | FetchEars | SayAgain
_KINDS: dict[str, Any] = {kind.effect: kind for kind in get_args(Effect)}


def effect_row(effect: Effect) -> list[Any]:
    """An effect as plain data, its name first; `effect_of` reads it back."""
    return [effect.effect, *astuple(effect)]


def effect_of(row: list[Any]) -> Effect:
    """The reverse of `effect_row`; KeyError for an effect nobody knows."""
    name, *fields = row
    made: Effect = _KINDS[name](*(tuple(f) if isinstance(f, list) else f for f in fields))
    return made
