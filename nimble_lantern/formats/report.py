"""A sitting as plain data, as the command line prints it."""

from __future__ import annotations

from typing import Any

from nimble_lantern.core.commands.places import places_of
from nimble_lantern.core.document.model import Block, Position, Range
from nimble_lantern.core.doubts import doubts
from nimble_lantern.core.reviewing.notes import notes_of
from nimble_lantern.core.sitting import undone
from nimble_lantern.core.state import EXPORTED, Entry, Sitting


def sitting_data(sitting: Sitting) -> dict[str, Any]:
    """The document and all that is shown with it; what there is nothing of is empty."""
    question = sitting.question
    labels = [option.label for option in question.options] if question else []
    return {
        "title": sitting.title,
        "blocks": [_block(b) for b in sitting.document.blocks],
        "caret": _position(sitting.caret),
        "selection": _selection(sitting),
        "choices": [{"number": n, "text": text} for n, text in enumerate(labels, 1)],
        "mode": sitting.mode,
        "view": sitting.view,
        "doubts": [
            {
                "start": _position(r.start),
                "end": _position(r.end),
                "text": sitting.document.text(r),
            }
            for _, r in doubts(sitting.document)
        ],
        "places": [
            {"name": anchor.data["name"], **_position(r.start)}
            for anchor, r in places_of(sitting.document)
        ],
        "notes": [
            {
                "number": note.number,
                "text": note.text,
                "start": _position(note.range.start),
                "end": _position(note.range.end),
                "settled": note.settled,
            }
            for note in notes_of(sitting.document)
        ],
        "versions": [{"name": m.name} for m in sitting.milestones if m.name != EXPORTED],
        "spelling": sitting.tray.letters if sitting.tray is not None else None,
        "aloud": _aloud(sitting),
        "passages": [passage.name for passage in sitting.passages],
        "word_book": list(sitting.word_book.written),
    }


def _aloud(sitting: Sitting) -> str | None:
    here = sitting.aloud.here if sitting.aloud is not None else None
    return sitting.document.text(here) if here is not None else None


def _block(block: Block) -> dict[str, Any]:
    spans = [
        {"start": s.start, "end": s.end, "mark": s.mark, "value": s.value} for s in block.spans
    ]
    cell = block.cell
    where = (
        {"table": cell.table, "row": cell.row, "column": cell.column, "header": cell.header}
        if cell
        else {}
    )
    return {
        "kind": block.kind,
        "level": block.level,
        "list": block.list,
        "align": block.align,
        "text": block.text,
        "spans": spans,
        **where,
    }


def _position(p: Position) -> dict[str, int]:
    return {"block": p.block, "offset": p.offset}


def _selection(sitting: Sitting) -> dict[str, Any] | None:
    r: Range | None = sitting.selection
    if r is None or r.empty:
        return None
    return {
        "start": _position(r.start),
        "end": _position(r.end),
        "text": sitting.document.text(r),
    }


def trail_data(sitting: Sitting) -> list[dict[str, Any]]:
    """Every utterance, the first first."""
    gone = undone(sitting, sitting.trail)
    return [entry_data(e, e.number in gone) for e in sitting.trail]


def entry_data(entry: Entry, is_undone: bool) -> dict[str, Any]:
    return {
        "number": entry.number,
        "heard": entry.heard,
        "read_as": entry.read_as,
        "command": entry.command,
        "summary": entry.summary,
        "undone": is_undone,
        "effects": list(entry.effects),
    }
