"""Edits as values.

Laws, for every edit `e` made for document `d` (tests/core/document/test_edit_laws.py):
    e.inverse(d).apply(e.apply(d)) == d
    e.moved(p, side) is a position of e.apply(d), or None where p's text went
    moved keeps the order of the positions it does not answer None for
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from enum import Enum
from typing import Any

from nimble_lantern.core.document.model import (
    Block,
    Document,
    Format,
    Piece,
    Position,
    Range,
    Span,
    block_from_json,
    block_to_json,
    spans_from_rows,
    spans_row,
)
from nimble_lantern.core.errors import EditError

NO_LIMIT = 2**31
"""An offset beyond any text: the end of the block, once the document is known."""


class Side(Enum):
    """Where a position goes that stands exactly where text comes in."""

    BEFORE = "before"
    AFTER = "after"


@dataclass(frozen=True, slots=True)
class Splice:
    """Put `new` in place of text[start:end] of one block."""

    block: int
    start: int
    end: int
    new: Piece

    def run(self, blocks: list[Block]) -> None:
        block = _at(blocks, self.block)
        if not 0 <= self.start <= self.end <= len(block.text):
            raise EditError(f"No text {self.start}:{self.end} in block {self.block}.")
        blocks[self.block] = block.spliced(self.start, self.end, self.new)

    def undo(self, blocks: Sequence[Block]) -> Step:
        old = blocks[self.block].piece(self.start, self.end)
        return Splice(self.block, self.start, self.start + len(self.new.text), old)

    def moved(self, p: Position, side: Side) -> Position | None:
        if p.block != self.block or p.offset < self.start:
            return p
        size = len(self.new.text)
        if p.offset > self.end:
            return Position(p.block, p.offset + size - (self.end - self.start))
        if self.start == self.end:
            return Position(p.block, self.start + (size if side is Side.AFTER else 0))
        if p.offset == self.start:
            return p
        return Position(p.block, self.start + size) if p.offset == self.end else None


@dataclass(frozen=True, slots=True)
class Split:
    """Cut a block in two at `offset`; the second half gets `form`."""

    block: int
    offset: int
    form: Format

    def run(self, blocks: list[Block]) -> None:
        block = _at(blocks, self.block)
        if not 0 <= self.offset <= len(block.text):
            raise EditError(f"No place {self.offset} in block {self.block}.")
        first, second = block.piece(0, self.offset), block.piece(self.offset, len(block.text))
        blocks[self.block : self.block + 1] = [
            Block(first.text, first.spans).formatted(block.format),
            Block(second.text, second.spans).formatted(self.form),
        ]

    def undo(self, blocks: Sequence[Block]) -> Step:
        return Join(self.block, self.offset)

    def moved(self, p: Position, side: Side) -> Position | None:
        if p.block > self.block:
            return Position(p.block + 1, p.offset)
        if p.block < self.block or p.offset < self.offset:
            return p
        if p.offset == self.offset and side is Side.BEFORE:
            return p
        return Position(p.block + 1, p.offset - self.offset)


@dataclass(frozen=True, slots=True)
class Join:
    """Append the next block to this one, whose text is `at` long; this one's format stays."""

    block: int
    at: int

    def run(self, blocks: list[Block]) -> None:
        first, second = _at(blocks, self.block), _at(blocks, self.block + 1)
        if len(first.text) != self.at:
            raise EditError(f"Block {self.block} is {len(first.text)} long, not {self.at}.")
        joined = first.spliced(self.at, self.at, Piece(second.text, second.spans))
        blocks[self.block : self.block + 2] = [joined]

    def undo(self, blocks: Sequence[Block]) -> Step:
        return Split(self.block, self.at, blocks[self.block + 1].format)

    def moved(self, p: Position, side: Side) -> Position | None:
        if p.block <= self.block:
            return p
        if p.block == self.block + 1:
            return Position(self.block, self.at + p.offset)
        return Position(p.block - 1, p.offset)


@dataclass(frozen=True, slots=True)
class Remark:
    """Give a block these spans instead of those it has."""

    block: int
    spans: tuple[Span, ...]

    def run(self, blocks: list[Block]) -> None:
        block = _at(blocks, self.block)
        blocks[self.block] = Block(block.text, self.spans).formatted(block.format)

    def undo(self, blocks: Sequence[Block]) -> Step:
        return Remark(self.block, blocks[self.block].spans)

    def moved(self, p: Position, side: Side) -> Position | None:
        return p


@dataclass(frozen=True, slots=True)
class Reformat:
    """Give a block another format."""

    block: int
    form: Format

    def run(self, blocks: list[Block]) -> None:
        blocks[self.block] = _at(blocks, self.block).formatted(self.form)

    def undo(self, blocks: Sequence[Block]) -> Step:
        return Reformat(self.block, blocks[self.block].format)

    def moved(self, p: Position, side: Side) -> Position | None:
        return p


@dataclass(frozen=True, slots=True)
class AddBlocks:
    """Put whole blocks in before block `index`."""

    index: int
    blocks: tuple[Block, ...]

    def run(self, blocks: list[Block]) -> None:
        if not 0 <= self.index <= len(blocks):
            raise EditError(f"No place for a block at {self.index}.")
        blocks[self.index : self.index] = self.blocks

    def undo(self, blocks: Sequence[Block]) -> Step:
        return DropBlocks(self.index, len(self.blocks))

    def moved(self, p: Position, side: Side) -> Position | None:
        return p if p.block < self.index else Position(p.block + len(self.blocks), p.offset)


@dataclass(frozen=True, slots=True)
class DropBlocks:
    """Take whole blocks out."""

    index: int
    count: int

    def run(self, blocks: list[Block]) -> None:
        if self.index < 0 or self.index + self.count > len(blocks):
            raise EditError(f"No {self.count} blocks at {self.index}.")
        del blocks[self.index : self.index + self.count]

    def undo(self, blocks: Sequence[Block]) -> Step:
        return AddBlocks(self.index, tuple(blocks[self.index : self.index + self.count]))

    def moved(self, p: Position, side: Side) -> Position | None:
        if p.block < self.index:
            return p
        if p.block < self.index + self.count:
            return None
        return Position(p.block - self.count, p.offset)


Step = Splice | Split | Join | Remark | Reformat | AddBlocks | DropBlocks


def _at(blocks: Sequence[Block], index: int) -> Block:
    if not 0 <= index < len(blocks):
        raise EditError(f"No block {index} among {len(blocks)}.")
    return blocks[index]


@dataclass(frozen=True, slots=True)
class Edit:
    """Steps done one after the other, as one change."""

    steps: tuple[Step, ...] = ()

    def __bool__(self) -> bool:
        return bool(self.steps)

    def apply(self, document: Document) -> Document:
        blocks = list(document.blocks)
        for step in self.steps:
            step.run(blocks)
        return Document(tuple(blocks))

    def inverse(self, document: Document) -> Edit:
        """The edit that takes `apply(document)` back to `document`."""
        blocks = list(document.blocks)
        undone: list[Step] = []
        for step in self.steps:
            undone.append(step.undo(blocks))
            step.run(blocks)
        return Edit(tuple(reversed(undone)))

    def moved(self, position: Position, side: Side = Side.AFTER) -> Position | None:
        """Where `position` is after this edit; None where its text went."""
        found: Position | None = position
        for step in self.steps:
            if found is None:
                return None
            found = step.moved(found, side)
        return found

    def settled(self, position: Position, side: Side = Side.AFTER) -> Position:
        """As `moved`; where the text went, the nearest place that is left."""
        found = position
        for step in self.steps:
            found = step.moved(found, side) or _nearest(step, found)
        return found

    def moved_range(self, r: Range) -> Range | None:
        """Where a range is; text coming in at its very edges stays outside."""
        start, end = self.moved(r.start, Side.AFTER), self.moved(r.end, Side.BEFORE)
        return Range(start, end) if start and end and start <= end else None

    def then(self, other: Edit) -> Edit:
        return Edit(self.steps + other.steps)


def _nearest(step: Step, lost: Position) -> Position:
    if isinstance(step, Splice):
        return Position(step.block, step.start + len(step.new.text))
    if isinstance(step, DropBlocks):
        return Position(max(0, step.index - 1), 0 if step.index == 0 else NO_LIMIT)
    raise EditError(f"{step} loses {lost}.")


def delete(document: Document, r: Range) -> Edit:
    """Take a range out; the block it starts in keeps its format."""
    (b1, o1), (b2, o2) = r
    if b1 == b2:
        return Edit((Splice(b1, o1, o2, Piece()),)) if o1 < o2 else Edit()
    steps: list[Step] = [Splice(b1, o1, len(document.blocks[b1].text), Piece())]
    if b2 - b1 > 1:
        steps.append(DropBlocks(b1 + 1, b2 - b1 - 1))
    steps += [Splice(b1 + 1, 0, o2, Piece()), Join(b1, o1)]
    return Edit(tuple(steps))


def insert(p: Position, pieces: Sequence[tuple[Piece, Format]]) -> Edit:
    """Put pieces in at `p`: the first runs on in its block, each further one starts a block."""
    if not pieces:
        return Edit()
    steps: list[Step] = []
    block, offset = p
    for number, (piece, form) in enumerate(pieces):
        if number:
            steps.append(Split(block, offset, form))
            block, offset = block + 1, 0
        if piece.text:
            steps.append(Splice(block, offset, offset, piece))
        offset += len(piece.text)
    return Edit(tuple(steps))


def remark(document: Document, r: Range, spans_of: Iterable[Span], without: set[str]) -> Edit:
    """Take the marks named in `without` off a range, then put `spans_of`'s marks on all of it."""
    added = tuple(spans_of)
    steps: list[Step] = []
    (b1, o1), (b2, o2) = r
    for index in range(b1, b2 + 1):
        block = document.blocks[index]
        start, end = (o1 if index == b1 else 0), (o2 if index == b2 else len(block.text))
        if start >= end:
            continue
        piece = block.piece(start, end)
        kept = tuple(s for s in piece.spans if s.mark not in without)
        new = Piece(piece.text, kept).marked((s.mark, s.value) for s in added)
        spans = block.spliced(start, end, new).spans
        if spans != block.spans:
            steps.append(Remark(index, spans))
    return Edit(tuple(steps))


def edit_to_json(edit: Edit) -> list[list[Any]]:
    """An edit as rows of plain data, the first of each its kind."""
    rows: list[list[Any]] = []
    for step in edit.steps:
        match step:
            case Splice(block, start, end, new):
                rows.append(["splice", block, start, end, new.text, _rows(new.spans)])
            case Split(block, offset, form):
                rows.append(["split", block, offset, list(form)])
            case Join(block, at):
                rows.append(["join", block, at])
            case Remark(block, spans):
                rows.append(["remark", block, _rows(spans)])
            case Reformat(block, form):
                rows.append(["reformat", block, list(form)])
            case AddBlocks(index, blocks):
                rows.append(["add", index, [block_to_json(b) for b in blocks]])
            case DropBlocks(index, count):
                rows.append(["drop", index, count])
    return rows


def edit_from_json(rows: Iterable[list[Any]]) -> Edit:
    """The reverse of `edit_to_json`; EditError for a kind of step nobody knows."""
    return Edit(tuple(_step(kind, args) for kind, *args in rows))


def _rows(spans: Iterable[Span]) -> list[list[Any]]:
    return [spans_row(s) for s in spans]


def _step(kind: str, args: list[Any]) -> Step:
    match kind, args:
        case "splice", [block, start, end, text, spans]:
            return Splice(block, start, end, Piece(text, spans_from_rows(spans)))
        case "split", [block, offset, form]:
            return Split(block, offset, Format(*form))
        case "join", [block, at]:
            return Join(block, at)
        case "remark", [block, spans]:
            return Remark(block, spans_from_rows(spans))
        case "reformat", [block, form]:
            return Reformat(block, Format(*form))
        case "add", [index, blocks]:
            return AddBlocks(index, tuple(block_from_json(b) for b in blocks))
        case "drop", [index, count]:
            return DropBlocks(index, count)
    raise EditError(f"Nobody knows the step {kind!r}.")
