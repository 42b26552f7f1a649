"""Margin notes: what is said about a stretch of the text, beside it."""

from __future__ import annotations

from dataclasses import dataclass

from nimble_lantern.core.document.edits import Edit, Pin, pin, unpin
from nimble_lantern.core.document.model import Anchor, Document, Range

NOTE = "note"


@dataclass(frozen=True, slots=True)
class Note:
    """A note by its number in the margin, from 1 in the order of the text, and where it stands."""

    number: int
    anchor: Anchor
    range: Range

    @property
    def text(self) -> str:
        return str(self.anchor.data.get("text", ""))

    @property
    def settled(self) -> bool:
        return bool(self.anchor.data.get("settled"))


def notes_of(document: Document) -> list[Note]:
    """The notes whose words still stand."""
    if not any(a.kind == NOTE for a in document.anchors.values()):
        return []
    found = sorted(document.anchored(NOTE), key=lambda pair: (pair[1], pair[0].id))
    return [Note(n, anchor, r) for n, (anchor, r) in enumerate(found, 1)]


def added(document: Document, r: Range, text: str, settled: bool = False) -> Edit:
    return pin(document, NOTE, r, text=text, settled=settled)


def changed(document: Document, note: Note, text: str | None = None,
            settled: bool | None = None) -> Edit:  # fmt: skip
    """The edit that gives a note another text, or settles it, or opens it again."""
    data = dict(note.anchor.data)
    if text is not None:
        data["text"] = text
    if settled is not None:
        data["settled"] = settled
    edit = unpin([note.anchor])
    points = tuple(
        (b, point)
        for b in range(note.range.start.block, note.range.end.block + 1)
        for point in document.blocks[b].points
        if point.anchor == note.anchor.id
    )
    return edit.then(Edit((Pin(Anchor(note.anchor.id, NOTE, data), points),)))


def removed(*notes: Note) -> Edit:
    return unpin(note.anchor for note in notes)
