"""The part of a sitting that is neither text nor history, as plain data and back."""

from __future__ import annotations

from typing import Any

from nimble_lantern.core.document.model import Document, Format, Piece, Position, Range, spans_row
from nimble_lantern.core.document.model import spans_from_rows as spans_of
from nimble_lantern.core.state import Sitting


def document_state(sitting: Sitting) -> dict[str, Any]:
    """What belongs to the document: places, and what redo would bring."""
    return {
        "caret": list(sitting.caret),
        "selection": _range_row(sitting.selection) if sitting.selection else None,
        "fresh": sitting.fresh,
        "insertion": list(sitting.insertion) if sitting.insertion else None,
        "that": [_range_row(r) for r in sitting.that],
        "wrote": list(sitting.wrote) if sitting.wrote else None,
        "typing": [list(mark) for mark in sitting.typing],
        "capitals": sitting.capitals,
        "ahead": [v.number for v in sitting.history.ahead],
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
        "capitals": data.get("capitals", "none"),
    }


def desk_state(sitting: Sitting) -> dict[str, Any]:
    """What belongs to the person, whichever document is on the desk."""
    return {
        "number": sitting.number,
        "lamp": sitting.lamp,
        "attention": sitting.attention,
        "clipped_blocks": sitting.clipped_blocks,
        "overturned": [list(pair) for pair in sitting.overturned],
    }


def desk_fields(data: dict[str, Any]) -> dict[str, Any]:
    """The fields of a Sitting that `desk_state` kept."""
    return {
        "number": data.get("number", 0),
        "lamp": data.get("lamp", "lit"),
        "attention": data.get("attention", "all"),
        "clipped_blocks": data.get("clipped_blocks", False),
        "overturned": tuple((words, how) for words, how in data.get("overturned", ())),
    }


def clipboard_rows(sitting: Sitting) -> list[list[Any]]:
    """What was cut or copied; kept apart, since it may be large and seldom changes."""
    return [
        [piece.text, [spans_row(s) for s in piece.spans], list(form)]
        for piece, form in sitting.clipboard
    ]


def clipboard_of(rows: list[list[Any]]) -> tuple[tuple[Piece, Format], ...]:
    return tuple((Piece(text, spans_of(spans)), Format(*form)) for text, spans, form in rows)


def _range_row(r: Range) -> list[list[int]]:
    return [list(r.start), list(r.end)]
