"""What readers of rich formats share: notes put on the text, links that are safe."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass

from nimble_lantern.core.document.edits import Edit
from nimble_lantern.core.document.model import Block, Document, Position, Range
from nimble_lantern.core.document.tables import settled_shares, tables
from nimble_lantern.core.reading.hearing import well_formed
from nimble_lantern.core.reviewing.notes import added, notes_of

MOST_LINK = 2_000
_SCHEME = re.compile(r"^\s*([a-z][a-z0-9+.-]*):", re.IGNORECASE)
_SAFE = frozenset("http https mailto tel ftp sms".split())
_SIGNS = re.compile("[\x00-\x20\x7f-\x9f]")


@dataclass(frozen=True, slots=True)
class NoteAt:
    """A margin note as a file has it: (block, offset) of both its ends, text, whether settled."""

    start: tuple[int, int]
    end: tuple[int, int]
    text: str
    settled: bool


def safe_link(target: str) -> str | None:
    """A link's target, if following it runs nothing: no scripts, no data, no files."""
    bare = _SIGNS.sub("", target)
    found = _SCHEME.match(bare)
    if not bare or len(bare) > MOST_LINK or (found and found[1].lower() not in _SAFE):
        return None
    return target.strip()


def built(blocks: Sequence[Block], notes: Sequence[NoteAt] = ()) -> Document:
    """A document of blocks, with notes pinned where they stand; at least one block."""
    document = Document(tuple(blocks) or (Block(),))
    edit, now = Edit(), document
    for note in notes:
        start, end = (_place(now, *p) for p in (note.start, note.end))
        if start is None or end is None or start >= end or not note.text.strip():
            continue
        text = "\n".join(well_formed(line) for line in note.text.split("\n"))
        step = added(now, Range(start, end), text, note.settled)
        edit, now = edit.then(step), step.apply(now)
    return now


def _place(document: Document, b: int, offset: int) -> Position | None:
    if not 0 <= b < len(document.blocks):
        return None
    return Position(b, min(offset, len(document.blocks[b].text)))


def column_shares(widths: Sequence[float], wide: int) -> list[float]:
    """The widths of `wide` columns as shares of the table; equal where they are not told."""
    if len(widths) != wide or not all(w > 0 for w in widths):
        return [1 / wide] * wide
    return list(settled_shares(widths))


def lowered_and_raised(document: Document) -> tuple[str, ...]:
    """A sentence if some words are both below and above the line: office files have one of them."""
    for block in document.blocks:
        low = [s for s in block.spans if s.mark == "subscript"]
        high = [s for s in block.spans if s.mark == "superscript"]
        if any(a.start < b.end and b.start < a.end for a in low for b in high):
            return ("Words that are both lowered and raised are raised only.",)
    return ()


def notes_lost(document: Document, name: str) -> tuple[str, ...]:
    """A sentence if there are margin notes, which the format of that name cannot hold."""
    count = len(notes_of(document))
    return (f"{name} has no margin notes: {count} left out.",) if count else ()


def widths_lost(document: Document, name: str) -> tuple[str, ...]:
    """A sentence if columns of a table differ in width, and the format of that name has none."""
    uneven = 0
    for table in tables(document.blocks):
        heads = (document.blocks[table.cell(0, c)].cell for c in range(table.columns))
        shares = [cell.share for cell in heads if cell is not None]
        uneven += max(shares) > min(shares)
    if not uneven:
        return ()
    return (f"{name} has no column widths: those of {uneven} table{'s' * (uneven > 1)} left out.",)
