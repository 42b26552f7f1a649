"""The sitting: the whole state of one person at one document."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field, replace
from datetime import datetime
from enum import StrEnum
from functools import cache
from typing import Any

from nimble_lantern.core.document.edits import Edit
from nimble_lantern.core.document.history import History, Version
from nimble_lantern.core.document.layout import Layout, LineIndex, PageStyle
from nimble_lantern.core.document.model import Document, Format, Piece, Position, Range
from nimble_lantern.core.effects import Effect
from nimble_lantern.core.kinds import Attention, Capitals, Lamp, ReadAs
from nimble_lantern.core.learning import Wording
from nimble_lantern.core.mending.lessons import Lessons
from nimble_lantern.core.mending.letters import Counted
from nimble_lantern.core.mending.tray import Tray
from nimble_lantern.core.mending.vocabulary import WrittenWords
from nimble_lantern.core.mending.word_book import WordBook
from nimble_lantern.core.practice.practising import Practising
from nimble_lantern.core.reading.hearing import Hearing
from nimble_lantern.core.reviewing.comparing import Compared
from nimble_lantern.core.reviewing.passages import Passage
from nimble_lantern.core.speaking.aloud import Aloud
from nimble_lantern.core.targets.words import Vocabulary
from nimble_lantern.core.trail import Trail
from nimble_lantern.core.writing.capitals import DocumentNames
from nimble_lantern.core.writing.writer import Choice

Marks = tuple[tuple[str, str | None], ...]


class View(StrEnum):
    """What the page shows: what is said is judged by what is seen."""

    DESK = "desk"
    SHELF = "shelf"
    SETTINGS = "settings"
    COMMANDS = "commands"
    WORD_BOOK = "word_book"
    FIGURES = "figures"
    PASSAGES = "passages"
    PRACTICE = "practice"
    PRINT_TRAY = "print_tray"
    VERSIONS = "versions"
    TRAIL = "trail"


SETTING_CHOICES = {
    "auto_punctuation": ("on", "off"),
    "dialect": ("british", "american"),
    "numbers": ("editor", "digits", "words"),
    "masking": ("on", "off"),
    "text_size": ("16", "18", "20", "24", "28", "32"),
    "patience": ("short", "normal", "long"),
    "engine": ("best", "builtin", "browser", "model"),
    "paper": ("light", "dark"),
    "contrast": ("normal", "high"),
    "answers_aloud": ("on", "off"),
    "reading_pace": ("slowest", "slow", "normal", "fast", "fastest"),
    "learns_voice": ("on", "off"),
}


@dataclass(frozen=True, slots=True)
class Settings:
    """What a person may set, by voice or from outside; names as in the command line."""

    auto_punctuation: bool = False
    dialect: str = "british"
    numbers: str = "editor"
    masking: bool = False
    text_size: str = "20"  # of the text on the page, in CSS pixels
    patience: str = "normal"  # how long a silence ends an utterance
    engine: str = "best"  # what hears dictation; "best" is a larger model where there is one
    paper: str = "light"
    contrast: str = "normal"
    answers_aloud: bool = False  # what a command did is told by voice
    reading_pace: str = "normal"
    learns_voice: bool = True  # whether the built-in engine adapts to whoever speaks


@dataclass(frozen=True, slots=True)
class Option:
    """One answer to a question: `args` take the place of the command's; it may stand somewhere."""

    label: str
    args: tuple[tuple[str, Any], ...]
    ranges: tuple[Range, ...] = ()


@dataclass(frozen=True, slots=True)
class Question:
    """A command that waits for the speaker to pick one of its options.

    Where it asks whether to go on at all (`sure`), the first option is yes and the last is no.
    Where it only stands `beside` the text, going on leaves it; without a command, its options are
    words to be done instead of what was said in the utterance that it is `about`.  Where it
    `corrects`, what is said instead of a number is what was meant; `earlier` options came before.
    """

    command: str
    args: dict[str, Any]  # of the command, but for those that the options bring
    options: tuple[Option, ...]
    sure: bool = False
    beside: bool = False
    about: int | None = None
    corrects: bool = False
    earlier: int = 0

    @classmethod
    def whether(cls, command: str, yes: str, no: str, **args: Any) -> Question:
        """Whether to go on: `yes` and `no` say what the answers do; the handler learns `sure`."""
        options = (Option(yes, (("sure", True),)), Option(no, (("sure", False),)))
        return cls(command, args, options, sure=True)


@dataclass(frozen=True, slots=True)
class Entry:
    """One line of the trail.

    `effects` are the names of what was done outside the text, `back` the effects that undo them.
    """

    number: int
    heard: str
    read_as: ReadAs
    command: str | None
    summary: str
    version: Version | None = None  # what the text was right after it
    made: bool = False  # whether this utterance made that version
    page: int = 0  # which document it was said to
    effects: tuple[str, ...] = ()
    back: tuple[Effect, ...] = ()
    at: datetime | None = None  # the time of day there
    refused: bool = False  # it asked for something that could not be done


@dataclass(frozen=True, slots=True)
class WrittenChoice:
    """A number or mark just written, where it stands and how else it could be written."""

    range: Range
    choice: Choice


@dataclass(frozen=True, slots=True)
class FoundDocument:
    """A document that a search came to: its name, and the words round what was found."""

    name: str
    words: str


EXPORTED = "the last export"
"""The name of the version that went out last; nobody gave it that name."""


@dataclass(frozen=True, slots=True)
class Milestone:
    """A version with a name; `version` is None for the document as it began."""

    name: str
    version: Version | None
    utterance: int
    when: str = ""  # ISO 8601, local
    words: int = 0


@dataclass(frozen=True, slots=True)
class TrailView:
    """What of the trail its page shows: how many screens up, and whether only what failed."""

    screens: int = 0
    missed: bool = False


_PLACES = ("caret", "insertion", "wrote")
"""Fields of a sitting that are a place of the document: they settle where their text goes."""


@cache
def page_style(text_size: str) -> PageStyle:
    return PageStyle(size=float(text_size))


_LOOKS = ("marks.", "faces.", "case.")
_KEEP_SEVERAL = ("selecting.", "marks.", "case.", "faces.")


@dataclass(frozen=True)
class Sitting:
    """Document, caret, selection and all that goes with them.  Changed only by `advance`."""

    document: Document = field(default_factory=Document)
    caret: Position = Position(0, 0)
    selection: Range | None = None
    fresh: bool = False  # the next words replace the selection
    insertion: Position | None = None  # the next words go here, once
    that: tuple[Range, ...] = ()
    wrote: Position | None = None  # where writing stopped
    stopped: Position | None = None  # right behind an automatic stop
    headed: Position | None = None  # right behind a heading that was said whole
    begun: tuple[str, ...] = ()  # a request that lacks its last words
    typing: Marks = ()
    capitals: Capitals = Capitals.NONE
    view: View = View.DESK
    heard_names: tuple[str, ...] = ()  # in what is being heard, as its engine writes them
    group: str = "revising"  # of the commands, where those are shown
    lamp: Lamp = Lamp.LIT
    attention: Attention = Attention.ALL
    question: Question | None = None
    clipboard: tuple[tuple[Piece, Format], ...] = ()
    clipped_blocks: bool = False  # whole paragraphs, to be pasted as such
    choices: tuple[WrittenChoice, ...] = ()
    settings: Settings = field(default_factory=Settings)
    history: History = field(default_factory=History)
    trail: Trail[Entry] = field(default_factory=Trail)
    number: int = 0
    title: str = "Untitled"
    page: int = 0  # which document this is, for the trail
    shelf: tuple[str, ...] = ()  # the names of the documents, the one changed last first
    away: tuple[str, ...] = ()  # of those that were put away
    visited: tuple[str, ...] = ()  # that were on the desk before, the latest first
    found: tuple[FoundDocument, ...] = ()  # what the last search of the shelf came to
    scripts: tuple[str, ...] = ()
    model: str = ""  # the name of the larger model that listens, if one is there
    pending: Edit = field(default_factory=Edit)
    pending_inverse: Edit = field(default_factory=Edit)
    overturned: tuple[tuple[str, str], ...] = ()  # (words, how they are to be read)
    learned: tuple[Wording, ...] = ()
    word_book: WordBook = field(default_factory=WordBook)
    lessons: Lessons = ()  # of corrections
    letters_known: Counted = ()  # what letters that were heard turned out to be
    put_right: Lessons = ()  # those by which the last text was put right
    put_right_in: int = 0  # which utterance that was
    tray: Tray | None = None  # while something is spelled
    previous: Sitting | None = field(default=None, repr=False)  # before the last utterance
    hearings: tuple[tuple[int, Hearing], ...] = ()  # of the last utterances, by their numbers
    names: DocumentNames = field(default_factory=DocumentNames, compare=False, repr=False)
    passages: tuple[Passage, ...] = ()
    milestones: tuple[Milestone, ...] = ()  # the named versions of the document
    compared: Compared | None = None  # while changes are looked at
    uses: tuple[tuple[str, int], ...] = ()  # how often commands were done, for the hints
    practising: Practising | None = None
    practised: tuple[str, ...] = ()  # lessons that were finished
    aloud: Aloud | None = None  # what is read aloud, and where
    trail_view: TrailView = TrailView()
    shown_print: int = 0  # which print of the tray is shown; 0 is the document as it prints
    jobs: tuple[str, ...] = ()  # what lies in the print tray, the newest first
    now: datetime | None = None  # the time of day where the speaker is, at the last utterance
    known: Vocabulary = field(default_factory=Vocabulary, compare=False, repr=False)
    written: WrittenWords = field(default_factory=WrittenWords, compare=False, repr=False)
    lines: LineIndex = field(default_factory=LineIndex, compare=False, repr=False)

    @property
    def style(self) -> PageStyle:
        return page_style(self.settings.text_size)

    @property
    def vocabulary(self) -> Vocabulary:
        return self.known.follow(self.document.blocks)

    @property
    def layout(self) -> Layout:
        return self.lines.layout(self.document, self.style)

    @property
    def mode(self) -> str:
        """writing, choosing, spelling, or resting."""
        if self.lamp is not Lamp.LIT:
            return "resting"
        if self.tray is not None:
            return "spelling"
        return "choosing" if self.question else "writing"

    @property
    def holds(self) -> bool:
        """Whether something was just selected, in one place or in several.

        Several stay so while their looks are changed.
        """
        last = (self.trail[-1].command or "") if self.trail else ""
        several = len(self.that) > 1 and last.startswith(_KEEP_SEVERAL)
        return several or self.selection is not None and self.fresh

    @property
    def dressing(self) -> bool:
        """Whether looks are given to what was selected, one after another: "the text" is that."""
        for said in reversed(self.trail):
            command = said.command or ""
            if command.startswith("selecting."):
                return bool(self.that)
            if not command.startswith(_LOOKS):
                return False
        return False

    @property
    def writing_place(self) -> Position:
        """Where the next dictated words go."""
        if self.selection and self.fresh:
            return self.selection.start
        return self.insertion if self.insertion is not None else self.caret

    def edited(self, edit: Edit) -> Sitting:
        """This sitting after an edit; every place and range in it moves along."""
        if not edit:
            return self
        places = {name: getattr(self, name) for name in _PLACES}
        moved: dict[str, Any] = {
            name: None if p is None else edit.settled(self.document, p)
            for name, p in places.items()
        }
        selection = edit.moved_range(self.selection) if self.selection else None
        choices = ((edit.moved_range(c.range), c.choice) for c in self.choices)
        tray = self.tray
        if tray is not None and tray.place is not None:
            tray = replace(tray, place=edit.moved_range(tray.place))
        return replace(
            self,
            document=edit.apply(self.document),
            selection=selection,
            fresh=self.fresh and selection is not None,
            tray=tray,
            that=tuple(m for r in self.that if (m := edit.moved_range(r))),
            stopped=edit.moved(self.stopped) if self.stopped is not None else None,
            headed=edit.moved(self.headed) if self.headed is not None else None,
            choices=tuple(WrittenChoice(r, choice) for r, choice in choices if r),
            pending=self.pending.then(edit),
            pending_inverse=edit.inverse(self.document).then(self.pending_inverse),
            **moved,
        )

    def about(self, ranges: Iterable[Range]) -> Sitting:
        """With `that` on these ranges, and no selection left to be replaced."""
        kept = tuple(r for r in ranges if not r.empty)
        return replace(self, that=kept, selection=None, fresh=False)

    def placed(self, caret: Position) -> Sitting:
        """With the writing place moved, and nothing selected."""
        moved = replace(self, caret=caret, selection=None, fresh=False, insertion=None, that=())
        return replace(moved, headed=None)


class Turned(StrEnum):
    """How an utterance is taken after the fact: as it is, where it was not clear (`ANYWAY`), with
    other words done in its place (`INSTEAD`), or without what lessons put right (`AS_HEARD`)."""

    TEXT = "text"
    COMMAND = "command"
    ANYWAY = "anyway"
    INSTEAD = "instead"
    AS_HEARD = "as heard"


@dataclass(frozen=True, slots=True)
class TurnOver:
    """What a handler answers to have an utterance read the other way; no number means the last."""

    how: Turned
    number: int | None = None
    words: tuple[str, ...] = ()  # to be done instead of those said
    names: tuple[str, ...] = ()  # those of them that name something on the page
    learns: bool = True  # and are known for what was said from then on


@dataclass(frozen=True, slots=True)
class Help:
    """What a handler answers to have it shown how something is said."""

    words: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Instead:
    """What a handler answers to have other words done in the place of its own."""

    words: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Numbers:
    """What a handler answers to have numbers put on all that can be said here, or one pressed."""

    number: int | None = None


@dataclass(frozen=True, slots=True)
class Done:
    """What a command's handler answers: the next state, one line about it, effects."""

    sitting: Sitting
    summary: str
    effects: tuple[Effect, ...] = ()
