"""The part of a sitting that is neither text nor history, as plain data and back."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import fields
from enum import Enum
from typing import Any, Protocol

from nimble_lantern.core.document.history import Version
from nimble_lantern.core.document.model import (
    Document,
    Format,
    Piece,
    Position,
    Range,
    format_from_row,
    spans_row,
)
from nimble_lantern.core.document.model import spans_from_rows as spans_of
from nimble_lantern.core.kinds import Attention, Capitals, Lamp
from nimble_lantern.core.learning import Wording
from nimble_lantern.core.mending.lessons import Lesson, Lessons
from nimble_lantern.core.mending.tray import Tray
from nimble_lantern.core.mending.word_book import BookEntry, WordBook
from nimble_lantern.core.practice.practising import Practising
from nimble_lantern.core.reading.hearing import Might
from nimble_lantern.core.reviewing.passages import Passage
from nimble_lantern.core.state import Milestone, Option, Question, Sitting, View
from nimble_lantern.core.targets.model import Order, Places, Unit


class Versions(Protocol):
    """Versions by their numbers."""

    def get(self, number: int) -> Version | None: ...


MOST_RANGES = 200
"""Of what "that" is: more would make every utterance after a change in thousands of places dear."""


def document_state(sitting: Sitting) -> dict[str, Any]:
    """What belongs to the document: places, and what redo would bring."""
    return {
        "caret": list(sitting.caret),
        "selection": _range_row(sitting.selection) if sitting.selection else None,
        "fresh": sitting.fresh,
        "insertion": list(sitting.insertion) if sitting.insertion else None,
        "that": [_range_row(r) for r in sitting.that[:MOST_RANGES]],
        "wrote": list(sitting.wrote) if sitting.wrote else None,
        "typing": [list(mark) for mark in sitting.typing],
        "capitals": sitting.capitals,
        "tray": _tray_row(sitting.tray),
        "milestones": [
            [m.name, m.version.number if m.version else 0, m.utterance, m.when, m.words]
            for m in sitting.milestones
        ],
        "ahead": [v.number for v in sitting.history.ahead],
        "left": [v.number for v in sitting.history.left],
    }


def restored(document: Document, data: dict[str, Any]) -> dict[str, Any]:
    """The fields of a Sitting that `document_state` kept; a place outside the text is dropped."""

    def place(row: list[int] | None) -> Position | None:
        return p if row and document.contains(p := Position(*row)) else None

    def stretch(row: list[list[int]] | None) -> Range | None:
        start, end = (place(row[0]), place(row[1])) if row else (None, None)
        return Range(start, end) if start and end else None

    selection = stretch(data.get("selection"))
    return {
        "caret": place(data.get("caret")) or document.end,
        "selection": selection,
        "fresh": bool(data.get("fresh")) and selection is not None,
        "insertion": place(data.get("insertion")),
        "that": tuple(r for row in data.get("that", ()) if (r := stretch(row))),
        "wrote": place(data.get("wrote")),
        "typing": tuple((mark, value) for mark, value in data.get("typing", ())),
        "capitals": Capitals(data.get("capitals", Capitals.NONE)),
        "tray": _tray(data.get("tray"), stretch),
    }


def milestones_of(data: dict[str, Any], versions: Versions) -> tuple[Milestone, ...]:
    """The named versions that `document_state` kept; one that was forgotten is not among them."""
    found = []
    for name, number, utterance, when, words in data.get("milestones", ()):
        version = versions.get(number) if number else None
        if version is not None or not number:
            found.append(Milestone(name, version, utterance, when, words))
    return tuple(found)


def passage_rows(passages: Sequence[Passage]) -> list[list[Any]]:
    return [[p.name, [_piece_row(piece, form) for piece, form in p.pieces]] for p in passages]


def passages_of(rows: list[list[Any]]) -> tuple[Passage, ...]:
    return tuple(Passage(name, tuple(_piece(row) for row in pieces)) for name, pieces in rows)


def _piece_row(piece: Piece, form: Format) -> list[Any]:
    return [piece.text, [spans_row(s) for s in piece.spans], list(form)]


def _piece(row: list[Any]) -> tuple[Piece, Format]:
    text, spans, form = row
    return Piece(text, spans_of(spans)), format_from_row(form)


def desk_state(sitting: Sitting) -> dict[str, Any]:
    """What belongs to the person, whichever document is on the desk."""
    return {
        "number": sitting.number,
        "lamp": sitting.lamp,
        "view": sitting.view,
        "group": sitting.group,
        "attention": sitting.attention,
        "clipped_blocks": sitting.clipped_blocks,
        "overturned": [list(pair) for pair in sitting.overturned],
        "learned": [[list(w.said), list(w.means)] for w in sitting.learned],
        "letters_known": [list(row) for row in sitting.letters_known],
        "put_right": lesson_rows(sitting.put_right),
        "put_right_in": sitting.put_right_in,
        "visited": list(sitting.visited),
        "uses": [list(pair) for pair in sitting.uses],
        "practising": _practising_row(sitting.practising),
        "practised": list(sitting.practised),
    }


def desk_fields(data: dict[str, Any]) -> dict[str, Any]:
    """The fields of a Sitting that `desk_state` kept."""
    return {
        "number": data.get("number", 0),
        "lamp": Lamp(data.get("lamp", Lamp.LIT)),
        "view": View(data.get("view", View.DESK)),
        "group": data.get("group", "revising"),
        "attention": Attention(data.get("attention", Attention.ALL)),
        "clipped_blocks": data.get("clipped_blocks", False),
        "overturned": tuple((words, how) for words, how in data.get("overturned", ())),
        "learned": tuple(Wording(tuple(a), tuple(b)) for a, b in data.get("learned", ())),
        "letters_known": tuple((a, b, n) for a, b, n in data.get("letters_known", ())),
        "put_right": lessons_of(data.get("put_right", [])),
        "put_right_in": data.get("put_right_in", 0),
        "visited": tuple(data.get("visited", ())),
        "uses": tuple((name, count) for name, count in data.get("uses", ())),
        "practising": Practising(*row) if (row := data.get("practising")) else None,
        "practised": tuple(data.get("practised", ())),
    }


def _practising_row(now: Practising | None) -> list[Any] | None:
    return None if now is None else [now.lesson, now.step, now.failures, now.told]


def before_row(sitting: Sitting) -> dict[str, Any]:
    """How all stood before an utterance, so that it can be read the other way after a restart."""
    return {
        "page": sitting.page,
        "title": sitting.title,
        "head": sitting.history.head.number if sitting.history.head else 0,
        "state": document_state(sitting),
        "desk": desk_state(sitting),
        "question": question_row(sitting.question),
    }


def clipboard_rows(sitting: Sitting) -> list[list[Any]]:
    """What was cut or copied; kept apart, since it may be large and seldom changes."""
    return [_piece_row(piece, form) for piece, form in sitting.clipboard]


def clipboard_of(rows: list[list[Any]]) -> tuple[tuple[Piece, Format], ...]:
    return tuple(_piece(row) for row in rows)


def word_book_rows(book: WordBook) -> list[list[Any]]:
    return [[e.written, [list(form) for form in e.spoken], e.forbidden] for e in book.entries]


def word_book_of(rows: list[list[Any]]) -> WordBook:
    return WordBook(
        tuple(BookEntry(w, tuple(tuple(f) for f in forms), out) for w, forms, out in rows)
    )


def lesson_rows(lessons: Lessons) -> list[list[Any]]:
    return [[x.heard, x.meant, x.beside, x.taught, x.named, x.withdrawn] for x in lessons]


def lessons_of(rows: list[list[Any]]) -> Lessons:
    return tuple(
        Lesson(
            tuple(heard),
            tuple(meant),
            tuple((a, b) for a, b in beside),
            tuple(taught),
            named,
            tuple(withdrawn),
        )
        for heard, meant, beside, taught, named, withdrawn in rows
    )


def _tray_row(tray: Tray | None) -> list[Any] | None:
    if tray is None:
        return None
    place = _range_row(tray.place) if tray.place else None
    kept = (tray.heard, tray.upper, tray.past, tray.name, tray.might)
    return [tray.letters, place, *kept]


def _tray(
    row: list[Any] | None, stretch: Callable[[list[list[int]] | None], Range | None]
) -> Tray | None:
    """What was spelled; nothing if its place is not in the text any more."""
    if row is None:
        return None
    letters, kept, heard, upper, past, name, *might = row
    place = stretch(kept)
    if kept and place is None:
        return None
    if not might:  # of before it was kept what letters may be
        past, might = [(some, [[]] * len(some)) for some in past], [[[]] * len(letters)]
    before = tuple((some, _might(rows)) for some, rows in past)
    return Tray(letters, place, tuple(heard), upper, before, name, _might(might[0]))


def _might(rows: list[Any]) -> tuple[Might, ...]:
    return tuple(tuple((letter, cost) for letter, cost in row) for row in rows)


def _range_row(r: Range) -> list[list[int]]:
    return [list(r.start), list(r.end)]


def question_row(question: Question | None) -> dict[str, Any] | None:
    """A question as plain data; `question_of` reads it back."""
    if question is None:
        return None
    return {
        "command": question.command,
        "args": _args_row(question.args.items()),
        "options": [
            [option.label, _args_row(option.args), [_range_row(r) for r in option.ranges]]
            for option in question.options
        ],
        "sure": question.sure,
        "beside": question.beside,
        "about": question.about,
        "corrects": question.corrects,
        "earlier": question.earlier,
    }


def question_of(data: dict[str, Any] | None, document: Document) -> Question | None:
    """The question that `question_row` kept; None if it speaks of text that is not there."""
    if data is None:
        return None
    options = tuple(
        Option(
            label, tuple((name, _value(v)) for name, v in args), tuple(_range(r) for r in ranges)
        )
        for label, args, ranges in data["options"]
    )
    if not all(document.contains(p) for o in options for r in o.ranges for p in r):
        return None
    args = {name: _value(v) for name, v in data["args"]}
    return Question(
        data["command"],
        args,
        options,
        data["sure"],
        data.get("beside", False),
        data.get("about"),
        data.get("corrects", False),
        data.get("earlier", 0),
    )


def _args_row(args: Any) -> list[list[Any]]:
    return [[name, _value_row(value)] for name, value in args]


_ENUMS: dict[str, type[Enum]] = {"unit": Unit, "order": Order}


def _value_row(value: Any) -> Any:
    """An argument of a command as plain data: what is no plain value says what it is."""
    match value:
        case None | bool() | int() | float() | str():
            return value
        case Places():
            kept = {f.name: getattr(value, f.name) for f in fields(value)}
            kept["ranges"] = [_range_row(r) for r in value.ranges]
            kept["unit"] = value.unit.value if value.unit else None
            return {"places": kept}
        case Enum():
            return {type(value).__name__.lower(): value.value}
        case tuple() | list():
            return [_value_row(v) for v in value]
    raise TypeError(f"Nobody knows how to keep a {type(value).__name__}.")


def _value(row: Any) -> Any:
    match row:
        case list():
            return tuple(_value(v) for v in row)
        case {"places": data}:
            ranges = tuple(_range(r) for r in data["ranges"])
            unit = Unit(data["unit"]) if data["unit"] else None
            return Places(**{**data, "ranges": ranges, "unit": unit})
        case dict():
            [(name, value)] = row.items()
            return _ENUMS[name](value)
    return row


def _range(row: list[list[int]]) -> Range:
    start, end = row
    return Range(Position(*start), Position(*end))
