"""Lines: where each block breaks, the same in the core, on the screen and in print."""

from __future__ import annotations

import re
from bisect import bisect_left, bisect_right
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from itertools import accumulate
from typing import NamedTuple

from nimble_lantern.core.document.changes import changed
from nimble_lantern.core.document.metrics import DEFAULT_FAMILY, advances
from nimble_lantern.core.document.model import Block, Document, Kind, Position, Range, Span
from nimble_lantern.core.document.styles import BASE_POINTS

INDENT = 36.0
CELL_PAD, CELL_LEAD = 10.0, 6.0
"""Pixels of air at either side of a cell's text, and above it."""
HEADING_SCALE = {1: 1.7, 2: 1.4, 3: 1.2}
_SMALL = 0.7
LEADING = 1.7
GAP = 10.0
_BULLETS = "•◦▪"
_CHUNK = re.compile(r"[^ \n-]*-+(?=\w)|[^ \n]+| +|\n")


@dataclass(frozen=True)
class PageStyle:
    """Width of the text column and base size, both in CSS pixels, and the base family."""

    column: float = 700.0
    size: float = 20.0
    family: str = DEFAULT_FAMILY


class Line(NamedTuple):
    """text[start:end] of a block, in pixels: its width without trailing spaces, its height."""

    start: int
    end: int
    width: float
    height: float


class Face(NamedTuple):
    """How one run of characters is drawn; `size` in pixels."""

    family: str
    size: float
    bold: bool
    italic: bool


def face_of(marks: tuple[Span, ...], block: Block, style: PageStyle) -> Face:
    """The face that marks and block kind give."""
    size, family = style.size, style.family
    if block.kind == "heading":
        size *= HEADING_SCALE.get(block.level or 1, 1.0)
    bold, italic, small = block.kind == "heading", False, False
    for span in marks:
        if span.mark == "bold":
            bold = True
        elif span.mark == "italic":
            italic = True
        elif span.mark in ("subscript", "superscript"):
            small = True
        elif span.mark == "font" and span.value:
            family = span.value
        elif span.mark == "size" and span.value:
            # Sizes are points on paper; 12 points are the base size.
            size = float(span.value) / BASE_POINTS * style.size
    return Face(family, size * (_SMALL if small else 1.0), bold, italic)


def runs(block: Block, start: int, end: int) -> Iterator[tuple[int, int, tuple[Span, ...]]]:
    """(start, end, marks) of the stretches of [start:end] whose marks stay the same."""
    edges = {start, end}
    inside = [s for s in block.spans if s.start < end and s.end > start]
    for span in inside:
        edges.update(e for e in (span.start, span.end) if start < e < end)
    cuts = sorted(edges)
    for a, b in zip(cuts, cuts[1:], strict=False):
        yield a, b, tuple(s for s in inside if s.start <= a and s.end >= b)


def stretches(
    document: Document, ranges: Iterable[Range]
) -> Iterator[tuple[Block, Range, tuple[Span, ...]]]:
    """The stretches of ranges whose marks stay the same, each with its block."""
    for r in ranges:
        for b in range(r.start.block, r.end.block + 1):
            block = document.blocks[b]
            start = r.start.offset if b == r.start.block else 0
            end = r.end.offset if b == r.end.block else len(block.text)
            for a, z, marks in runs(block, start, end) if start < end else ():
                yield block, Range(Position(b, a), Position(b, z)), marks


def edges(block: Block, style: PageStyle) -> list[float]:
    """Where each character begins if the block were one line, in pixels, and where it ends."""
    widths: list[float] = []
    for a, b, marks in runs(block, 0, len(block.text)):
        face = face_of(marks, block, style)
        found = advances(block.text[a:b], face.family, face.bold, face.italic)
        widths += [face.size * w for w in found]
    return list(accumulate(widths, initial=0.0))


def indent(block: Block) -> float:
    """How far a block's text stands in from the column's left edge, in pixels."""
    if block.kind == "item":
        return INDENT * (block.level or 1)
    return INDENT if block.kind == "quotation" else 0.0


def sign_of(blocks: Sequence[Block], b: int) -> str:
    """The bullet, or the number of an item among its neighbours of the same level."""
    block, level = blocks[b], blocks[b].level or 1
    if block.list != "numbered":
        return _BULLETS[min(level, 3) - 1]
    number = 1
    for other in reversed(blocks[:b]):
        if other.kind != "item" or (other.level or 1) < level:
            break
        if (other.level or 1) == level:
            if other.list != "numbered":
                break
            number += 1
    return f"{number}."


def room(block: Block, style: PageStyle) -> float:
    """How wide a block's lines may be, in pixels; cells of a row stand side by side."""
    if block.cell:
        return max(1.0, style.column * block.cell.share - 2 * CELL_PAD)
    return style.column - indent(block)


def lines_of(block: Block, style: PageStyle) -> tuple[Line, ...]:
    """The lines of a block, broken at spaces, hyphens and "\\n"; kept with the block."""
    kept: dict[PageStyle, tuple[Line, ...]] = block.__dict__.setdefault("_lines", {})
    if style not in kept:
        kept[style] = tuple(_broken(block, style))
    return kept[style]


def _broken(block: Block, style: PageStyle) -> Iterator[Line]:
    at = edges(block, style)
    for start, end, inked in _breaks(block.text, at, room(block, style)):
        yield Line(start, end, inked - at[start], _height(block, start, end, style))


def _breaks(text: str, at: list[float], room: float) -> Iterator[tuple[int, int, float]]:
    """(start, end, where the ink ends) of each line; `at` is as from `edges`."""
    start, inked = 0, 0.0
    for match in _CHUNK.finditer(text):
        begin, end = match.span()
        if text[begin] == "\n":
            yield start, end, inked
            start, inked = end, at[end]
        elif text[begin] != " ":
            if at[end] - at[start] > room and begin > start:
                yield start, begin, inked
                start = begin
            while at[end] - at[start] > room and end - start > 1:
                # One overlong word is cut wherever the room ends.
                cut = max(start + 1, bisect_right(at, at[start] + room, start, end) - 1)
                yield start, cut, at[cut]
                start = cut
            inked = at[end]
    yield start, len(text), max(inked, at[start])


def _height(block: Block, start: int, end: int, style: PageStyle) -> float:
    """The largest letters and some air; more where a new block opens."""
    sizes = [
        face_of(marks, block, style).size for _, _, marks in runs(block, start, max(end, start + 1))
    ]
    gap = CELL_LEAD if block.cell else GAP
    if start or block.kind is Kind.ITEM:
        gap = 0.0
    return LEADING * max((style.size, *sizes)) * block.spacing + gap


class LineIndex:
    """How many lines each block has, counted anew only where blocks changed.

    A cache: its layouts depend on document and style alone.
    """

    def __init__(self) -> None:
        self._style: PageStyle | None = None
        self._blocks: tuple[Block, ...] = ()
        self._counts: list[int] = []
        self._cells = 0  # how many of the blocks are cells
        self._layout: Layout | None = None

    def layout(self, document: Document, style: PageStyle) -> Layout:
        blocks = document.blocks
        if style is not self._style and style != self._style:
            self._style, self._blocks, self._counts, self._layout = style, (), [], None
            self._cells = 0
        if self._layout is None or blocks is not self._blocks:
            start, old_end, new_end = changed(self._blocks, blocks)
            fresh = [len(lines_of(b, style)) for b in blocks[start:new_end]]
            self._counts[start:old_end] = fresh
            self._cells += sum(b.cell is not None for b in blocks[start:new_end])
            self._cells -= sum(b.cell is not None for b in self._blocks[start:old_end])
            self._blocks = blocks
            before = self._side_by_side() if self._cells else [0, *accumulate(self._counts)]
            self._layout = Layout(document, style, before)
        return self._layout

    def _side_by_side(self) -> list[int]:
        """As added up, but for the cells of a row, which have the same lines above them."""
        found = [0]
        b, blocks = 0, self._blocks
        while b < len(blocks):
            end = b + 1
            while end < len(blocks) and _same_row(blocks[b], blocks[end]):
                end += 1
            above = found.pop()
            found += [above] * (end - b)
            found.append(above + max(self._counts[b:end]))
            b = end
        return found


def _same_row(some: Block, other: Block) -> bool:
    return bool(some.cell and other.cell and some.cell[:2] == other.cell[:2])


@dataclass(frozen=True)
class Layout:
    """All lines of a document, numbered from 1; `before` counts the lines above each block.

    In a table, what stands side by side is one line.
    """

    document: Document
    style: PageStyle
    before: list[int]

    @property
    def count(self) -> int:
        return self.before[-1]

    def number(self, p: Position) -> int:
        """The number of the line that `p` stands on; at a break, the later line."""
        lines = lines_of(self.document.blocks[p.block], self.style)
        row = max(i for i, line in enumerate(lines) if line.start <= p.offset)
        return self.before[p.block] + row + 1

    def line(self, number: int) -> Range | None:
        """What stands on line `number`, without the break at its end; None beyond the last."""
        parts = self.parts(number)
        if not parts:
            return None
        (first, start), (last, end) = parts[0], parts[-1]
        text = self.document.blocks[last].text[end.start : end.end].rstrip(" \n")
        return Range(Position(first, start.start), Position(last, end.start + len(text)))

    def parts(self, number: int) -> list[tuple[int, Line]]:
        """(block index, line) of what stands on line `number`: several in a table, else one."""
        if not 1 <= number <= self.count:
            return []
        last = bisect_left(self.before, number) - 1
        first = last
        blocks = self.document.blocks
        while first and _same_row(blocks[first - 1], blocks[last]):
            first -= 1
        row = number - self.before[last] - 1
        found = ((b, lines_of(blocks[b], self.style)) for b in range(first, last + 1))
        return [(b, lines[row]) for b, lines in found if row < len(lines)]

    def rows(self, first: int, last: int) -> Iterator[tuple[int, list[tuple[int, Line]]]]:
        """(line number, its parts) of lines `first` to `last`."""
        for number in range(max(1, first), min(last, self.count) + 1):
            yield number, self.parts(number)
