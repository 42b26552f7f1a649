"""The document as immutable values: blocks of text with marks, and anchors in them.

Offsets are in code points.  A span covers text[start:end] of its block.  An anchor marks a place or
a range that keeps its identity while the text changes: its two ends are points of the blocks they
stand in, so they share the blocks' fate, and a change costs the anchors of the blocks it changes.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, field, replace
from enum import StrEnum
from functools import cached_property
from itertools import groupby
from typing import Any, NamedTuple

MARKS = (
    "bold",
    "italic",
    "underline",
    "strike",
    "subscript",
    "superscript",
    "highlight",
    "colour",
    "font",
    "size",
    "link",
)


class Kind(StrEnum):
    """What a block is."""

    PARAGRAPH = "paragraph"
    HEADING = "heading"
    ITEM = "item"
    QUOTATION = "quotation"
    CELL = "cell"
    TABLE = "table"  # of desks from before cells were blocks; made cells when it is opened


class Bullets(StrEnum):
    """What kind of list an item is of."""

    BULLETED = "bulleted"
    NUMBERED = "numbered"


class Align(StrEnum):
    LEFT = "left"
    CENTRE = "centre"
    RIGHT = "right"
    JUSTIFIED = "justified"


class Edge(StrEnum):
    """Which end of an anchor's range a point is; a place has only one."""

    START = "start"
    END = "end"
    AT = "at"


_ABBREVIATION = re.compile(
    r"(?:^|[\s(“‘\"'])(?:Mr|Mrs|Ms|Dr|St|Prof|Rev|Capt|Sgt|No|vs|etc|approx|dept|est|fig|"
    r"e\.g|i\.e|cf|[A-Z])\.$"
)
_WORD = re.compile(r"[^\W_]+(?:(?:['’.,:/@&_-]|\.-)[^\W_]+)*%?|[£$€]\d+(?:[.,]\d+)*|[&@%+=#*§©°]")
_MONEY = re.compile(r"[£$€]$")
_STOP = re.compile(r"[.!?…]+[”’\"')\]]*(?=\s|$)")


class Position(NamedTuple):
    """A place between two characters: block index and offset in that block's text."""

    block: int
    offset: int


class Range(NamedTuple):
    """The text from `start` up to `end`; start <= end."""

    start: Position
    end: Position

    @property
    def empty(self) -> bool:
        return self.start == self.end


@dataclass(frozen=True, slots=True)
class Span:
    """`mark` (with `value` for colour, font, size and link) over text[start:end]."""

    start: int
    end: int
    mark: str
    value: str | None = None


def normal_spans(spans: Iterable[Span], length: int) -> tuple[Span, ...]:
    """The one canonical form: clipped to 0..length, merged, sorted, none empty."""

    def kind(span: Span) -> tuple[str, str]:
        return span.mark, span.value or ""

    merged: list[Span] = []
    for _, group in groupby(sorted(spans, key=lambda s: (*kind(s), s.start, s.end)), kind):
        last: Span | None = None
        for span in group:
            start, end = max(0, span.start), min(length, span.end)
            if start >= end:
                continue
            if last is not None and start <= last.end:
                last = replace(last, end=max(last.end, end))
                merged[-1] = last
            else:
                last = replace(span, start=start, end=end)
                merged.append(last)
    return tuple(sorted(merged, key=lambda s: (s.start, s.end, s.mark, s.value or "")))


class Point(NamedTuple):
    """One end of the anchor `anchor`, at `offset` of its block's text."""

    offset: int
    anchor: int
    edge: Edge

    def by(self, shift: int) -> Point:
        return Point(self.offset + shift, self.anchor, self.edge)


@dataclass(frozen=True, slots=True)
class Anchor:
    """What an anchor is of, and what is known of it; `data` is plain JSON."""

    id: int
    kind: str
    data: Mapping[str, Any] = field(default_factory=dict)


@dataclass(frozen=True)
class Block:
    """One paragraph, heading (level 1-3), quotation, list item (level from 1) or table cell.

    A line break inside a block is "\\n".  A cell knows its table's number, its row and column from
    0, whether its row is the heading row, and the column's share of the table's width.
    """

    text: str = ""
    spans: tuple[Span, ...] = ()
    kind: Kind = Kind.PARAGRAPH
    level: int | None = None
    list: Bullets | None = None
    align: Align = Align.LEFT
    spacing: float = 1.0
    cell: Cell | None = None
    points: tuple[Point, ...] = ()

    @cached_property
    def words(self) -> tuple[tuple[int, int], ...]:
        """(start, end) of every word: no edge punctuation, hyphens and apostrophes inside."""
        found = []
        for match in _WORD.finditer(self.text):
            start, end = match.span()
            if start and self.text[start].isdigit() and _MONEY.search(self.text[:start][-1:]):
                start -= 1
            found.append((start, end))
        return tuple(found)

    @cached_property
    def sentences(self) -> tuple[tuple[int, int], ...]:
        """(start, end) of every sentence, closing marks included, outer spaces not."""
        found: list[tuple[int, int]] = []
        base = 0
        for line in self.text.split("\n"):
            start = 0
            for match in _STOP.finditer(line):
                if not self._ends_sentence(line, match):
                    continue
                found.append((base + start, base + match.end()))
                start = match.end()
            found.append((base + start, base + len(line)))
            base += len(line) + 1
        return tuple(t for t in (self._trimmed(s, e) for s, e in found) if t[0] < t[1])

    @staticmethod
    def _ends_sentence(line: str, match: re.Match[str]) -> bool:
        rest = line[match.end() :].lstrip().lstrip("“‘\"'([")
        if not rest:
            return True
        if line[match.start()] != ".":
            # "Is it late?’ he asked" goes on; "Is it late? no" does not.
            return match.end() - match.start() < 2 or not rest[0].islower()
        if rest[0].islower():
            return False
        return not _ABBREVIATION.search(line[: match.start() + 1])

    def _trimmed(self, start: int, end: int) -> tuple[int, int]:
        piece = self.text[start:end]
        return start + len(piece) - len(piece.lstrip()), end - len(piece) + len(piece.rstrip())

    def piece(self, start: int, end: int) -> Piece:
        """The text and marks of [start:end], as a value of its own; no anchors."""
        spans = (
            replace(s, start=max(s.start, start) - start, end=min(s.end, end) - start)
            for s in self.spans
            if s.start < end and s.end > start
        )
        return Piece(self.text[start:end], normal_spans(spans, end - start))

    def spliced(
        self, start: int, end: int, new: Piece, points: Iterable[Point] | None = None
    ) -> Block:
        """This block with `new` in place of [start:end]; spans stretch over a replaced inside.

        Anchors' points move along, or are those given, for the new text and its very edges.
        """
        shift = len(new.text) - (end - start)
        spans: list[Span] = []
        for s in self.spans:
            if s.end <= start:
                spans.append(s)
            elif s.start >= end:
                spans.append(replace(s, start=s.start + shift, end=s.end + shift))
            else:
                if s.start < start:
                    spans.append(replace(s, end=start))
                if s.end > end:
                    spans.append(replace(s, start=end + shift, end=s.end + shift))
        spans += (replace(s, start=s.start + start, end=s.end + start) for s in new.spans)
        text = self.text[:start] + new.text + self.text[end:]
        moved = self._points_after(start, end, len(new.text), points)
        return replace(self, text=text, spans=normal_spans(spans, len(text)), points=moved)

    def _points_after(
        self, start: int, end: int, size: int, given: Iterable[Point] | None
    ) -> tuple[Point, ...]:
        if not self.points and given is None:
            return ()
        shift = size - (end - start)
        moved = [p for p in self.points if p.offset < start]
        moved += (p.by(shift) for p in self.points if p.offset > end)
        if given is not None:
            moved += (p.by(start) for p in given)
        else:
            inside = (p for p in self.points if start <= p.offset <= end)
            moved += (p._replace(offset=start + _settles(p, start, end, size)) for p in inside)
        return tuple(sorted(moved))

    def points_in(self, start: int, end: int) -> tuple[Point, ...]:
        """The points in [start:end] and at its very edges, counted from `start`."""
        return tuple(p.by(-start) for p in self.points if start <= p.offset <= end)

    def marks_at(self, offset: int) -> tuple[Span, ...]:
        """The spans that cover the character at `offset`."""
        return tuple(s for s in self.spans if s.start <= offset < s.end)

    @property
    def format(self) -> Format:
        return Format(self.kind, self.level, self.list, self.align, self.spacing, self.cell)

    def formatted(self, form: Format) -> Block:
        return replace(self, **form._asdict())


def _settles(point: Point, start: int, end: int, size: int) -> int:
    """How far behind `start` a point goes when [start:end] gives way to `size` characters.

    What comes in at the edge of a range stays outside it; of a range that lost its end, the rest
    is left.
    """
    if start == end:
        return 0 if point.edge is Edge.END else size
    if point.offset == start:
        return 0
    if point.offset == end:
        return size
    return 0 if point.edge is Edge.END else size


class Cell(NamedTuple):
    """Where a cell stands: in which table, row and column; whether the row heads the table."""

    table: int
    row: int
    column: int
    header: bool = False
    share: float = 1.0


class Format(NamedTuple):
    """What a block is, beside its text and marks."""

    kind: Kind = Kind.PARAGRAPH
    level: int | None = None
    list: Bullets | None = None
    align: Align = Align.LEFT
    spacing: float = 1.0
    cell: Cell | None = None


@dataclass(frozen=True, slots=True)
class Piece:
    """Text with marks, outside any block."""

    text: str = ""
    spans: tuple[Span, ...] = ()

    def joined(self, other: Piece) -> Piece:
        n = len(self.text)
        moved = (replace(s, start=s.start + n, end=s.end + n) for s in other.spans)
        text = self.text + other.text
        return Piece(text, normal_spans((*self.spans, *moved), len(text)))

    def marked(self, marks: Iterable[tuple[str, str | None]]) -> Piece:
        """This text with `marks` over all of it, beside those it has."""
        n = len(self.text)
        more = (Span(0, n, mark, value) for mark, value in marks)
        return Piece(self.text, normal_spans((*self.spans, *more), n))


@dataclass(frozen=True)
class Document:
    """A sequence of at least one block, shared between versions, and what its anchors are."""

    blocks: tuple[Block, ...] = (Block(),)
    anchors: Mapping[int, Anchor] = field(default_factory=dict)

    def __post_init__(self) -> None:
        if not self.blocks:
            raise ValueError("A document has at least one block.")

    @property
    def end(self) -> Position:
        return Position(len(self.blocks) - 1, len(self.blocks[-1].text))

    @property
    def whole(self) -> Range:
        return Range(Position(0, 0), self.end)

    @cached_property
    def _ends(self) -> dict[int, dict[Edge, Position]]:
        found: dict[int, dict[Edge, Position]] = {}
        for b, block in enumerate(self.blocks):
            for point in block.points:
                found.setdefault(point.anchor, {})[point.edge] = Position(b, point.offset)
        return found

    def where(self, anchor: int) -> Range | None:
        """Where an anchor stands: a range, empty for a place; None if its text is gone.

        Of a range with one end gone with its block, what is left in the block of the other.
        """
        ends = self._ends.get(anchor, {})
        if Edge.AT in ends:
            return Range(ends[Edge.AT], ends[Edge.AT])
        start, end = ends.get(Edge.START), ends.get(Edge.END)
        if start is None and end is not None:
            start = Position(end.block, 0)
        elif end is None and start is not None:
            end = Position(start.block, len(self.blocks[start.block].text))
        return Range(start, end) if start and end and start < end else None

    def anchored(self, kind: str) -> Iterator[tuple[Anchor, Range]]:
        """The anchors of a kind that still stand somewhere, by their number, and where."""
        for number, anchor in sorted(self.anchors.items()):
            if anchor.kind == kind and (r := self.where(number)) is not None:
                yield anchor, r

    @property
    def next_anchor(self) -> int:
        """A number that no anchor has."""
        return max(self.anchors, default=0) + 1

    def text(self, r: Range) -> str:
        """The text of a range; blocks parted by "\\n\\n"."""
        (b1, o1), (b2, o2) = r
        if b1 == b2:
            return self.blocks[b1].text[o1:o2]
        inner = [b.text for b in self.blocks[b1 + 1 : b2]]
        parts = [self.blocks[b1].text[o1:], *inner, self.blocks[b2].text[:o2]]
        return "\n\n".join(parts)

    def pieces(self, r: Range) -> tuple[tuple[Piece, Format], ...]:
        """The blocks of a range, cut at its ends, each with its format."""
        (b1, o1), (b2, o2) = r
        found = []
        for index in range(b1, b2 + 1):
            block = self.blocks[index]
            start = o1 if index == b1 else 0
            end = o2 if index == b2 else len(block.text)
            found.append((block.piece(start, end), block.format))
        return tuple(found)

    def contains(self, position: Position) -> bool:
        return 0 <= position.block < len(self.blocks) and 0 <= position.offset <= len(
            self.blocks[position.block].text
        )

    def count_words(self, r: Range) -> int:
        (b1, o1), (b2, o2) = r
        total = 0
        for index in range(b1, b2 + 1):
            low = o1 if index == b1 else 0
            high = o2 if index == b2 else len(self.blocks[index].text)
            total += sum(1 for s, e in self.blocks[index].words if s < high and e > low)
        return total


def block_to_json(block: Block) -> dict[str, Any]:
    """A block as plain data, the fields at their defaults left out."""
    data: dict[str, Any] = {"text": block.text}
    if block.spans:
        data["spans"] = [spans_row(s) for s in block.spans]
    if block.points:
        data["points"] = [list(p) for p in block.points]
    for name, value in block.format._asdict().items():
        if value != Format._field_defaults[name]:
            data[name] = value
    return data


def block_from_json(data: dict[str, Any]) -> Block:
    """The reverse of `block_to_json`."""
    names = ("kind", "level", "list", "align", "spacing", "cell")
    row = [data.get(name, Format._field_defaults[name]) for name in names]
    spans, points = spans_from_rows(data.get("spans", ())), points_from_rows(data.get("points", ()))
    return Block(data["text"], spans, points=points).formatted(format_from_row(row))


def document_to_json(document: Document) -> Any:
    """A document as plain data: its blocks, and what its anchors are."""
    blocks = [block_to_json(b) for b in document.blocks]
    if not document.anchors:
        return blocks
    return {"blocks": blocks, "anchors": [anchor_row(a) for a in document.anchors.values()]}


def document_from_json(data: Any) -> Document:
    """The reverse of `document_to_json`; once there were blocks alone."""
    rows, anchors = (data, ()) if isinstance(data, list) else (data["blocks"], data["anchors"])
    made = (anchor_from_row(row) for row in anchors)
    return Document(tuple(block_from_json(b) for b in rows), {a.id: a for a in made})


def anchor_row(anchor: Anchor) -> list[Any]:
    return [anchor.id, anchor.kind, dict(anchor.data)]


def anchor_from_row(row: list[Any]) -> Anchor:
    number, kind, data = row
    return Anchor(number, kind, data)


def format_from_row(row: Iterable[Any]) -> Format:
    """A format from plain data, the later fields of which may be missing."""
    kind, level, kind_of_list, align, spacing, *cell = row
    return Format(
        Kind(kind),
        level,
        Bullets(kind_of_list) if kind_of_list else None,
        Align(align),
        spacing,
        Cell(*cell[0]) if cell and cell[0] else None,
    )


def points_from_rows(rows: Iterable[list[Any]]) -> tuple[Point, ...]:
    return tuple(Point(offset, anchor, Edge(edge)) for offset, anchor, edge in rows)


def spans_row(span: Span) -> list[Any]:
    row: list[Any] = [span.start, span.end, span.mark]
    return row if span.value is None else [*row, span.value]


def spans_from_rows(rows: Iterable[list[Any]]) -> tuple[Span, ...]:
    return tuple(Span(*row) for row in rows)
