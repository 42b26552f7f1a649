"""The note that a command is about, however it is called; as `table_here.py` for tables."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from functools import wraps
from typing import Concatenate, ParamSpec

from nimble_lantern.core.commands.wording import many
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, rule
from nimble_lantern.core.lexicon.closed import DETERMINERS, DULL
from nimble_lantern.core.lexicon.sentences import ASKS, VERBS
from nimble_lantern.core.reviewing.notes import Note, notes_of
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.writing.spoken import plain

P = ParamSpec("P")


def there_are(sitting: Sitting, parse: Parse) -> bool:
    return bool(notes_of(sitting.document))


def one_is_here(sitting: Sitting, parse: Parse) -> bool:
    """Whether "it" may be a note: one was just made, walked to or read."""
    return current(sitting) is not None and _last_was_a_note(sitting)


def _last_was_a_note(sitting: Sitting) -> bool:
    last = sitting.trail[-1] if sitting.trail else None
    return last is not None and (last.command or "").startswith("notes.")


def current(sitting: Sitting) -> Note | None:
    """The note of the words that are selected or spoken of; else the one at the writing place."""
    found = notes_of(sitting.document)
    for r in (sitting.selection, *sitting.that):
        for note in found:
            if r is not None and note.range == r:
                return note
    here = sitting.caret
    return next((n for n in found if n.range.start <= here <= n.range.end), None)


@dataclass(frozen=True, slots=True)
class NoteNamed:
    """A note as it was called: by its number (0: the one that is here), or by words it has."""

    number: int = 0
    about: tuple[str, ...] = ()
    """Words that it says, or that it stands beside."""


@rule("note", "note [number] {number}")
def _note_n(number: int) -> NoteNamed | None:
    return NoteNamed(number) if number > 0 else None


@rule("note", "[the] [margin] (comment | remark) [number] {number}", heard=False)
@rule("note", "the [margin] note [number] {number}", heard=False)
def _remark_n(number: int) -> NoteNamed | None:
    return NoteNamed(number) if number > 0 else None


@rule("note", "(this | that | the) note")
@rule("note", "my [only] [margin] (note | comment | remark)", heard=False)
@rule("note", "(this | that | the) [margin] (comment | remark)", heard=False)
@rule("note", "(this | that | the) margin note", heard=False)
def _note_here() -> NoteNamed:
    return NoteNamed()


@rule("note", "[(the | that | this)] {position} note")
@rule("note", "the {position} [margin] (comment | remark)", heard=False)
@rule("note", "the {position} (one | of the [margin] (notes | comments))", heard=False)
def _note_nth(position: int) -> NoteNamed:
    return NoteNamed(position)


@rule(
    "note",
    "(the | my | that) last [margin] (note | comment | remark)",
    "the last of the [margin] (notes | comments | remarks)",
    heard=False,
)
def _last_note() -> NoteNamed:
    return NoteNamed(-1)


@rule(
    "note",
    "(the | my | that) [margin] (note | comment | remark) (about | that says | saying | with"
    " | that mentions | mentioning | which says | that (tells | reminds) (me | us) to | to)"
    " {words}",
    heard=False,
)
def _note_about(words: tuple[str, ...]) -> NoteNamed:
    return NoteNamed(about=words)


@rule(
    "note",
    "(the | my | that) [margin] (note | comment | remark) (on | at | by | beside | next to)"
    " {words}",
    heard=False,
)
@rule("note", "(note | comment) (on | about | by) {words}", heard=False)
def _note_beside(words: tuple[str, ...]) -> NoteNamed:
    return NoteNamed(about=words)


@rule("note", "[the] {words} (note | comment)", heard=False)
def _note_so_called(words: tuple[str, ...]) -> NoteNamed | None:
    """ "The cats note", and not "remind me what note"."""
    dull = VERBS | DULL | ASKS | {"note", "comment"}
    return NoteNamed(about=words) if len(words) <= 3 and dull.isdisjoint(words) else None


def called(sitting: Sitting, note: NoteNamed | None) -> Note | Refusal:
    """The note that is called so; without a number, the one that is here, or the only one."""
    found = notes_of(sitting.document)
    if not found:
        return Refusal("There are no margin notes.", "", "“Margin note” and its words make one.")
    if note is not None and note.about:
        said = that_says(found, note.about)
        return said if isinstance(said, Note) else _beside(sitting, found, note.about) or said
    number = note.number if note is not None else 0
    if number == 0:
        here = current(sitting)
        if here is not None:
            return here
        if len(found) == 1:
            return found[0]
        return Refusal(f"There are {len(found)} notes.", "", "Say which: “note two”.")
    if number == -1:
        return found[-1]
    if not 1 <= number <= len(found):
        return Refusal(f"There is no note {number}.", "", f"There are {many(len(found), 'note')}.")
    return found[number - 1]


def _beside(sitting: Sitting, found: Sequence[Note], words: Sequence[str]) -> Note | None:
    """The first note that stands on these words, on a sentence or so with them, or on a part."""
    text = [plain(w) for w in words if w not in DETERMINERS]
    for note in found:
        there = [plain(w) for w in sitting.document.text(note.range).split()]
        if text and any(there[i : i + len(text)] == text for i in range(len(there))):
            return note
    for part in CATALOGUE.grammar.parses("part", tuple(words)):
        place = resolve(part.value, sitting)
        if isinstance(place, Places):
            r = place.first
            on = (n for n in found if n.range.start < r.end and r.start < n.range.end)
            return next(on, None)
    return None


def that_says(found: Sequence[Note], words: Sequence[str]) -> Note | Refusal:
    """The first note that has all of these words; "a" and "the" may be missing."""
    wanted = [w for w in words if w not in ("the", "a", "an")]
    said = [n for n in found if wanted and all(w in n.text.lower() for w in wanted)]
    return said[0] if said else Refusal(f"No note says “{' '.join(words)}”.")


def is_one(sitting: Sitting, parse: Parse) -> bool:
    """Whether what is called by its words is a note: "the note to nell can go" may be a letter."""
    note = parse.args.get("note")
    if not notes_of(sitting.document):
        return False
    return not (note and note.about and isinstance(called(sitting, note), Refusal))


def by_number(sitting: Sitting, parse: Parse) -> bool:
    note = parse.args.get("note")
    return note is not None and note.number != 0 and is_one(sitting, parse)


def by_number_or_words(sitting: Sitting, parse: Parse) -> bool:
    """Whether a note is named by no more than it takes: "note two", "the slipway note"."""
    note = parse.args.get("note")
    return note is not None and bool(note.number or note.about) and is_one(sitting, parse)


def of_note(
    handler: Callable[Concatenate[Sitting, Note, P], Done | Refusal],
) -> Callable[..., Done | Refusal]:
    """Hand a note, however it was called, to a handler; refused where there is none such."""

    @wraps(handler)
    def handled(
        sitting: Sitting, note: NoteNamed | None = None, *args: P.args, **slots: P.kwargs
    ) -> Done | Refusal:
        found = called(sitting, note)
        return found if isinstance(found, Refusal) else handler(sitting, found, *args, **slots)

    return handled
