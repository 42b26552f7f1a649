"""The document as immutable values: blocks of text with marks.

Offsets are in code points.  A span covers text[start:end] of its block.
"""

from __future__ import annotations

import re
from collections.abc import Iterable
from dataclasses import dataclass, replace
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
KINDS = ("paragraph", "heading", "item", "quotation", "table")
ALIGNMENTS = ("left", "centre", "right", "justified")

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


@dataclass(frozen=True)
class Block:
    """One paragraph, heading (level 1-3), quotation, list item (level from 1) or table.

    A line break inside a block is "\\n".  In a table, "\\n" parts rows and "\\t" parts cells.
    """

    text: str = ""
    spans: tuple[Span, ...] = ()
    kind: str = "paragraph"
    level: int | None = None
    list: str | None = None
    align: str = "left"
    spacing: float = 1.0

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
        """The text and marks of [start:end], as a value of its own."""
        spans = (
            replace(s, start=max(s.start, start) - start, end=min(s.end, end) - start)
            for s in self.spans
            if s.start < end and s.end > start
        )
        return Piece(self.text[start:end], normal_spans(spans, end - start))

    def spliced(self, start: int, end: int, new: Piece) -> Block:
        """This block with `new` in place of [start:end]; spans stretch over a replaced inside."""
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
        return replace(self, text=text, spans=normal_spans(spans, len(text)))

    def marks_at(self, offset: int) -> tuple[Span, ...]:
        """The spans that cover the character at `offset`."""
        return tuple(s for s in self.spans if s.start <= offset < s.end)

    @property
    def format(self) -> Format:
        return Format(self.kind, self.level, self.list, self.align, self.spacing)

    def formatted(self, form: Format) -> Block:
        return replace(self, **form._asdict())


class Format(NamedTuple):
    """What a block is, beside its text and marks."""

    kind: str = "paragraph"
    level: int | None = None
    list: str | None = None
    align: str = "left"
    spacing: float = 1.0


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
    """A sequence of at least one block.  Blocks are shared between versions."""

    blocks: tuple[Block, ...] = (Block(),)

    def __post_init__(self) -> None:
        if not self.blocks:
            raise ValueError("A document has at least one block.")

    @property
    def end(self) -> Position:
        return Position(len(self.blocks) - 1, len(self.blocks[-1].text))

    @property
    def whole(self) -> Range:
        return Range(Position(0, 0), self.end)

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
    for name, value in block.format._asdict().items():
        if value != Format._field_defaults[name]:
            data[name] = value
    return data


def block_from_json(data: dict[str, Any]) -> Block:
    fields = {name: data[name] for name in Format._fields if name in data}
    return Block(data["text"], spans_from_rows(data.get("spans", ())), **fields)


def spans_row(span: Span) -> list[Any]:
    row: list[Any] = [span.start, span.end, span.mark]
    return row if span.value is None else [*row, span.value]


def spans_from_rows(rows: Iterable[list[Any]]) -> tuple[Span, ...]:
    return tuple(Span(*row) for row in rows)
