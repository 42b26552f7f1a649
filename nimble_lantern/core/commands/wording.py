"""How the trail says what was done: short, in words."""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.document.model import Document, Range
from nimble_lantern.core.document.tables import table_at
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Places
from nimble_lantern.core.writing.cardinals import in_words

_MOST = 48
_BESIDE = 20
"""Characters on either side of a place that its label shows, at most; whole words only."""


def quoted(text: str) -> str:
    """The text in quotation marks; of a long one the first and the last words."""
    return f"“{shortened(text)}”"


def shortened(text: str, most: int = _MOST) -> str:
    """Whole words from the start and the end of a text, as many as fit into `most` characters.

    One word that is longer by itself is cut.
    """
    text = " ".join(text.split())
    if len(text) <= most:
        return text
    half = (most - 3) // 2
    first = text[: half + 1].rsplit(" ", 1)[0] if " " in text[: half + 1] else text[:half]
    rest = text[-half - 1 :]
    last = rest.split(" ", 1)[1] if " " in rest else rest[1:]
    return f"{first} … {last}"


def many(count: int, noun: str) -> str:
    """ "one word", "14 words"."""
    number = in_words(count) if count < 10 else f"{count:,}"
    return f"{number} {noun}{'' if count == 1 else 's'}"


def named(document: Document, ranges: Sequence[Range]) -> str:
    """What ranges are, for the trail: the words, or how many places."""
    ranges = [r for r in ranges if not r.empty] or ranges  # a cell may be
    if len(ranges) == 1:
        return quoted(document.text(ranges[0]))
    first, *others = (quoted(document.text(r)) for r in ranges[:_MOST_PLACES])
    if others and others[0].lower() != first.lower():
        more = len(ranges) - 2
        rest = f"{more + 1} places more" if more > 1 else " and ".join(others)
        return f"{first} (and {rest})"
    return f"{first} in {many(len(ranges), 'place')}"


_MOST_PLACES = 3
"""So many different ones are told by their words."""


def words_in(sitting: Sitting, ranges: Sequence[Range]) -> str:
    """ "deleted 14 words: …" wants the number."""
    return many(sum(sitting.document.count_words(r) for r in ranges), "word")


def near(places: Places) -> str:
    """The note on a near match; empty where the match was exact."""
    return f" (heard: {places.heard}; taken: {places.near})" if places.near else ""


def label_at(sitting: Sitting, r: Range) -> str:
    """The words at a place, with a few on either side; of a cell, with what its row begins with, or
    where it is if it is empty."""
    block = sitting.document.blocks[r.start.block]
    if block.cell is not None and not block.text.strip():
        return f"row {block.cell.row + 1}, column {block.cell.column + 1}"
    end = r.end.offset if r.end.block == r.start.block else len(block.text)
    start, stop = max(0, r.start.offset - _BESIDE), min(len(block.text), end + _BESIDE)
    while start and block.text[start - 1].isalnum() and start < r.start.offset:
        start += 1
    while stop < len(block.text) and block.text[stop].isalnum() and stop > end:
        stop -= 1
    left = "… " if block.text[:start].strip() else ""
    right = " …" if block.text[stop:].strip() else ""
    row = _row_of(sitting, r)
    return f"{row}{left}{block.text[start:stop].strip()}{right}"


def _row_of(sitting: Sitting, r: Range) -> str:
    blocks = sitting.document.blocks
    cell, table = blocks[r.start.block].cell, table_at(blocks, r.start.block)
    if cell is None or table is None or not cell.column:
        return ""
    first = blocks[table.cell(cell.row, 0)].text.strip()
    return f"{first}: " if first else ""
