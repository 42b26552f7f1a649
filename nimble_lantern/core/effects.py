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
class CopyDocument:
    """Put a copy of a document on the shelf, and on the desk."""

    effect: ClassVar[str] = "copy"
    name: str
    new: str


@dataclass(frozen=True, slots=True)
class PutAway:
    """Take a document off the shelf, to where it can be brought back from."""

    effect: ClassVar[str] = "put_away"
    name: str


@dataclass(frozen=True, slots=True)
class BringBack:
    """Put a document that was put away on the shelf again."""

    effect: ClassVar[str] = "bring_back"
    name: str


@dataclass(frozen=True, slots=True)
class FindDocuments:
    """Look for documents by the words in them; a single one is opened if `opens`."""

    effect: ClassVar[str] = "find"
    words: tuple[str, ...]
    opens: bool = False


@dataclass(frozen=True, slots=True)
class FindWritten:
    """Look for documents that were written in on a day (ISO 8601, local)."""

    effect: ClassVar[str] = "find_written"
    day: str
    opens: bool = False


@dataclass(frozen=True, slots=True)
class BeginPractice:
    """Put the practice sheet on the desk, with the text of a lesson on it."""

    effect: ClassVar[str] = "practise"
    lesson: str


@dataclass(frozen=True, slots=True)
class Export:
    """Put the document into a file of the outbox: its spoken name, and the format's name."""

    effect: ClassVar[str] = "export"
    name: str
    format: str


@dataclass(frozen=True, slots=True)
class PrintDocument:
    """Print the document: how many copies, and which pages (from 1; 0 for all)."""

    effect: ClassVar[str] = "print"
    copies: int = 1
    first: int = 0
    last: int = 0
    tray: bool = True


@dataclass(frozen=True, slots=True)
class DropPrints:
    """Take a print out of the tray by its number there, or all of them (0)."""

    effect: ClassVar[str] = "drop_prints"
    number: int = 0


@dataclass(frozen=True, slots=True)
class ReadAloud:
    """Speak sentences, each with where it stands (block, start, end); none: be silent."""

    effect: ClassVar[str] = "read_aloud"
    sentences: tuple[tuple[str, int, int, int], ...]


@dataclass(frozen=True, slots=True)
class Say:
    """Tell something by voice."""

    effect: ClassVar[str] = "say"
    text: str


@dataclass(frozen=True, slots=True)
class BackUp:
    """Copy everything that is kept into a file beside the outbox."""

    effect: ClassVar[str] = "back_up"


@dataclass(frozen=True, slots=True)
class CheckAll:
    """Build every document anew from what was said, and compare."""

    effect: ClassVar[str] = "check"


@dataclass(frozen=True, slots=True)
class ExportPassages:
    """Put all passages into a file of the outbox."""

    effect: ClassVar[str] = "export_passages"


@dataclass(frozen=True, slots=True)
class Leave:
    """Close the desk's window, or close and open it again."""

    effect: ClassVar[str] = "leave"
    again: bool = False


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
class ForgetVoice:
    """Forget what was learned of the speaker's voice."""

    effect: ClassVar[str] = "forget_voice"


@dataclass(frozen=True, slots=True)
class KnowVoice:
    """Know again what was forgotten of the speaker's voice."""

    effect: ClassVar[str] = "know_voice"


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
    | CopyDocument
    | PutAway
    | BringBack
    | FindDocuments
    | FindWritten
    | BeginPractice
)
"""What the journal does, in the transaction of the utterance."""
Outside = Export | PrintDocument | DropPrints | BackUp | CheckAll | ExportPassages | Leave
"""What has to do with files and devices."""
Effect = (
    Kept
    | Scroll
    | Prompt
    | CheckMicrophone
    | FetchEars
    | ForgetVoice
    | KnowVoice
    | SayAgain
    | ReadAloud
    | Say
    | Outside
)
_KINDS: dict[str, Any] = {kind.effect: kind for kind in get_args(Effect)}


def effect_row(effect: Effect) -> list[Any]:
    """An effect as plain data, its name first; `effect_of` reads it back."""
    return [effect.effect, *astuple(effect)]


def effect_of(row: list[Any]) -> Effect:
    """The reverse of `effect_row`; KeyError for an effect nobody knows."""
    name, *fields = row
    made: Effect = _KINDS[name](*(tuple(f) if isinstance(f, list) else f for f in fields))
    return made
