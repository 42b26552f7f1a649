"""Characters, words, sentences, lines, paragraphs and larger units of a document.

Every function answers ranges in document order.
"""

from __future__ import annotations

import re
from bisect import bisect_left
from collections.abc import Callable, Iterable, Iterator

from nimble_lantern.core.document.breaths import said_apart
from nimble_lantern.core.document.layout import Layout
from nimble_lantern.core.document.model import Block, Document, Kind, Position, Range
from nimble_lantern.core.document.tables import tables

PROSE = ("paragraph", "quotation")


def block_range(document: Document, b: int) -> Range:
    return Range(Position(b, 0), Position(b, len(document.blocks[b].text)))


def is_a_heading(document: Document, r: Range) -> bool:
    """Whether a range is all of a heading."""
    b = r.start.block
    return document.blocks[b].kind is Kind.HEADING and r == block_range(document, b)


def _inside(block: Block, unit: str) -> tuple[tuple[int, int], ...]:
    if unit == "word":
        return block.words
    if unit == "sentence":
        return block.sentences
    return tuple((i, i + 1) for i in range(len(block.text)))


def in_block(document: Document, b: int, unit: str) -> list[Range]:
    """The characters, words, sentences or questions of one block."""
    if unit == "question":
        return [r for r in in_block(document, b, "sentence") if _asks(document, r)]
    pairs = _inside(document.blocks[b], unit)
    found = [Range(Position(b, s), Position(b, e)) for s, e in pairs]
    if unit == "sentence" and found:
        found[-1:] = said_apart(document, found[-1])
    return found


def _asks(document: Document, sentence: Range) -> bool:
    return document.text(sentence).rstrip("”’\"')] ").endswith("?")


def _counts(block: Block, unit: str, whole: bool) -> bool:
    # A heading is no sentence, nor is "Dear Ida,", unless it is all there is or was asked for.
    return whole or unit != "sentence" or not _apart(block)


_LONGEST_GREETING = 6
_DATE = re.compile(r"(\w+ )?\d{1,2}(st|nd|rd|th)? [A-Z]\w+,? \d{4}\.?")


def dated(block: Block) -> bool:
    """Whether a date, with its year, is all that a block says."""
    return bool(_DATE.fullmatch(block.text.strip()))


def _apart(block: Block) -> bool:
    """Whether a block stands by itself: a heading, a salutation before the text or after it, a
    date alone, or a cell that says a few words."""
    text = block.text.strip()
    if block.cell is not None:
        return not text or text[-1] not in ".!?"
    greets = text.endswith(",") or text.startswith("Dear ") and text[-1] not in ".!?"
    greets = greets and len(block.words) <= _LONGEST_GREETING or dated(block)
    return block.kind == "heading" or greets and block.kind == "paragraph"


def in_prose(document: Document, sentence: Range, one: bool = True) -> bool:
    """Whether a sentence is one of the text, and no cell of a table that says a few words.

    Where several are counted, not `one`, what stands by itself is none of them.
    """
    block = document.blocks[sentence.start.block]
    return one and block.cell is None or not _apart(block)


def forward(document: Document, unit: str, start: Position) -> Iterator[Range]:
    """The units that begin at `start` or later."""
    for b in range(start.block, len(document.blocks)):
        for r in in_block(document, b, unit):
            if r.start >= start:
                yield r


def backward(document: Document, unit: str, end: Position) -> Iterator[Range]:
    """The units that begin before `end`, the nearest first."""
    for b in range(end.block, -1, -1):
        for r in reversed(in_block(document, b, unit)):
            if r.start < end:
                yield r


def within(document: Document, unit: str, scope: Range) -> Iterator[Range]:
    """The characters, words or sentences that lie in a range."""
    headings_only = all(
        _apart(document.blocks[b])
        for b in range(scope.start.block, scope.end.block + 1)
        if document.blocks[b].text
    )
    for b in range(scope.start.block, scope.end.block + 1):
        if not _counts(document.blocks[b], unit, headings_only):
            continue
        for r in in_block(document, b, unit):
            if r.start >= scope.start and r.end <= scope.end:
                yield r


def disjoint(ranges: Iterable[Range]) -> list[Range]:
    """Ranges in the order of the text; those that overlap are one."""
    found: list[Range] = []
    for r in sorted(ranges):
        if found and r.start < found[-1].end:
            found[-1] = Range(found[-1].start, max(found[-1].end, r.end))
        elif r not in found[-1:]:
            found.append(r)
    return found


def blocks(document: Document, unit: str, scope: Range) -> list[Range]:
    """The paragraphs, headings, items, cells, or groups of them, that lie in a range."""
    if unit in _GROUPS:
        found = _GROUPS[unit](document)
    elif unit == "step":
        items = blocks(document, "item", scope)
        found = [r for r in items if document.blocks[r.start.block].format.list == "numbered"]
    else:
        kinds = {"paragraph": PROSE, "heading": ("heading",), "item": ("item",), "cell": ("cell",)}
        found = [
            block_range(document, b)
            for b in range(scope.start.block, scope.end.block + 1)
            if document.blocks[b].kind in kinds[unit]
            and (document.blocks[b].text.strip() or unit == "cell")
        ]
    return [r for r in found if r.end >= scope.start and r.start <= scope.end]


def _lists(document: Document) -> list[Range]:
    found: list[Range] = []
    for b, block in enumerate(document.blocks):
        if block.kind != "item":
            continue
        r = block_range(document, b)
        if found and found[-1].end.block == b - 1:
            found[-1] = Range(found[-1].start, r.end)
        else:
            found.append(r)
    return found


def _sections(document: Document) -> list[Range]:
    """From each heading up to the next one of its level or above."""
    heads = [(b, x.level or 1) for b, x in enumerate(document.blocks) if x.kind == "heading"]
    found = []
    for k, (b, level) in enumerate(heads):
        later = (c for c, other in heads[k + 1 :] if other <= level)
        last = next(later, len(document.blocks)) - 1
        found.append(Range(Position(b, 0), block_range(document, last).end))
    return found


def _rows(document: Document) -> list[Range]:
    return [
        table.row(document.blocks, row)
        for table in tables(document.blocks)
        for row in range(table.rows)
    ]


def _tables(document: Document) -> list[Range]:
    return [table.whole(document.blocks) for table in tables(document.blocks)]


_GROUPS: dict[str, Callable[[Document], list[Range]]] = {
    "list": _lists,
    "section": _sections,
    "row": _rows,
    "table": _tables,
}


def lines(layout: Layout, scope: Range) -> list[Range]:
    """The lines that touch a range; for the whole document, all of them."""
    first, last = layout.number(scope.start), layout.number(scope.end)
    return [r for n in range(first, last + 1) if (r := layout.line(n))]


def at(ranges: list[Range], p: Position) -> int | None:
    """Index of the range that holds `p`, or that ends at or before it and is nearest."""
    i = bisect_left(ranges, (p, p))
    if i < len(ranges) and ranges[i].start == p:
        return i
    return i - 1 if i else (0 if ranges else None)
