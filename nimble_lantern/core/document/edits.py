"""Edits as values.

Laws, for every edit `e` made for document `d` (tests/core/document/test_edit_laws.py):
    e.inverse(d).apply(e.apply(d)) == d, the anchors included
    e.moved(p, side) is a position of e.apply(d), or None where p's text went
    moved keeps the order of the positions it does not answer None for
    e.settled(d, p, side) is where moved says; where that is None, a position between those of the
    nearest places before and after p that are left, so never past what was taken out

Anchors move with their blocks.  Where a step cannot be taken back without knowing where they were,
its inverse says so.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from enum import Enum
from typing import Any

from nimble_lantern.core.document.model import (
    Anchor,
    Block,
    Document,
    Edge,
    Format,
    Piece,
    Point,
    Position,
    Range,
    Span,
    anchor_from_row,
    anchor_row,
    block_from_json,
    block_to_json,
    format_from_row,
    points_from_rows,
    spans_from_rows,
    spans_row,
)
from nimble_lantern.core.document.tables import table_at
from nimble_lantern.core.errors import EditError


@dataclass
class Draft:
    """A document while it is being edited."""

    blocks: list[Block]
    anchors: Mapping[int, Anchor]

    @classmethod
    def of(cls, document: Document) -> Draft:
        return cls(list(document.blocks), document.anchors)

    def block(self, index: int) -> Block:
        if not 0 <= index < len(self.blocks):
            raise EditError(f"No block {index} among {len(self.blocks)}.")
        return self.blocks[index]

    def pin(self, placed: Iterable[tuple[int, Point]]) -> None:
        """Put points into their blocks."""
        for b, point in placed:
            block = self.block(b)
            if not 0 <= point.offset <= len(block.text):
                raise EditError(f"No place {point.offset} in block {b}.")
            self.blocks[b] = replace(block, points=tuple(sorted((*block.points, point))))

    def points_of(self, anchor: int) -> tuple[tuple[int, Point], ...]:
        """The points of an anchor, with the blocks they stand in."""
        return tuple(
            (b, point)
            for b, block in enumerate(self.blocks)
            for point in block.points
            if point.anchor == anchor
        )


class Side(Enum):
    """Where a position goes that stands exactly where text comes in."""

    BEFORE = "before"
    AFTER = "after"


@dataclass(frozen=True, slots=True)
class Splice:
    """Put `new` in place of text[start:end] of one block.

    With `points`, those are the anchors' points in the new text and at its edges, from `start` on.
    """

    block: int
    start: int
    end: int
    new: Piece
    points: tuple[Point, ...] | None = None

    def run(self, draft: Draft) -> None:
        block = draft.block(self.block)
        if not 0 <= self.start <= self.end <= len(block.text):
            raise EditError(f"No text {self.start}:{self.end} in block {self.block}.")
        draft.blocks[self.block] = block.spliced(self.start, self.end, self.new, self.points)

    def undo(self, draft: Draft) -> Step:
        block = draft.block(self.block)
        old, size = block.piece(self.start, self.end), len(self.new.text)
        points = block.points_in(self.start, self.end) if block.points or self.points else None
        return Splice(self.block, self.start, self.start + size, old, points)

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
    """Cut a block in two at `offset`; the second half gets `form`.

    Of the anchors' points that stand exactly there, ends of ranges stay in the first half and all
    others go to the second; or `stay` tells which stay, where it is not None.
    """

    block: int
    offset: int
    form: Format
    stay: tuple[tuple[int, Edge], ...] | None = None

    def run(self, draft: Draft) -> None:
        block = draft.block(self.block)
        if not 0 <= self.offset <= len(block.text):
            raise EditError(f"No place {self.offset} in block {self.block}.")
        first, second = block.piece(0, self.offset), block.piece(self.offset, len(block.text))
        ahead = tuple(p for p in block.points if self._stays(p))
        behind = tuple(p.by(-self.offset) for p in block.points if not self._stays(p))
        draft.blocks[self.block : self.block + 1] = [
            Block(first.text, first.spans, points=ahead).formatted(block.format),
            Block(second.text, second.spans, points=behind).formatted(self.form),
        ]

    def _stays(self, point: Point) -> bool:
        if point.offset != self.offset:
            return point.offset < self.offset
        if self.stay is None:
            return point.edge is Edge.END
        return (point.anchor, point.edge) in self.stay

    def undo(self, draft: Draft) -> Step:
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

    def run(self, draft: Draft) -> None:
        first, second = draft.block(self.block), draft.block(self.block + 1)
        if len(first.text) != self.at:
            raise EditError(f"Block {self.block} is {len(first.text)} long, not {self.at}.")
        points = tuple(sorted((*first.points, *(p.by(self.at) for p in second.points))))
        joined = first.spliced(self.at, self.at, Piece(second.text, second.spans))
        draft.blocks[self.block : self.block + 2] = [replace(joined, points=points)]

    def undo(self, draft: Draft) -> Step:
        first, second = draft.block(self.block), draft.block(self.block + 1)
        stay = tuple((p.anchor, p.edge) for p in first.points if p.offset == self.at)
        known = stay if first.points or second.points else None
        return Split(self.block, self.at, second.format, known)

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

    def run(self, draft: Draft) -> None:
        draft.blocks[self.block] = replace(draft.block(self.block), spans=self.spans)

    def undo(self, draft: Draft) -> Step:
        return Remark(self.block, draft.block(self.block).spans)

    def moved(self, p: Position, side: Side) -> Position | None:
        return p


@dataclass(frozen=True, slots=True)
class Reformat:
    """Give a block another format."""

    block: int
    form: Format

    def run(self, draft: Draft) -> None:
        draft.blocks[self.block] = draft.block(self.block).formatted(self.form)

    def undo(self, draft: Draft) -> Step:
        return Reformat(self.block, draft.block(self.block).format)

    def moved(self, p: Position, side: Side) -> Position | None:
        return p


@dataclass(frozen=True, slots=True)
class AddBlocks:
    """Put whole blocks in before block `index`."""

    index: int
    blocks: tuple[Block, ...]

    def run(self, draft: Draft) -> None:
        if not 0 <= self.index <= len(draft.blocks):
            raise EditError(f"No place for a block at {self.index}.")
        draft.blocks[self.index : self.index] = self.blocks

    def undo(self, draft: Draft) -> Step:
        return DropBlocks(self.index, len(self.blocks))

    def moved(self, p: Position, side: Side) -> Position | None:
        return p if p.block < self.index else Position(p.block + len(self.blocks), p.offset)


@dataclass(frozen=True, slots=True)
class DropBlocks:
    """Take whole blocks out, with the anchors' points in them."""

    index: int
    count: int

    def run(self, draft: Draft) -> None:
        if self.index < 0 or self.index + self.count > len(draft.blocks):
            raise EditError(f"No {self.count} blocks at {self.index}.")
        del draft.blocks[self.index : self.index + self.count]

    def undo(self, draft: Draft) -> Step:
        return AddBlocks(self.index, tuple(draft.blocks[self.index : self.index + self.count]))

    def moved(self, p: Position, side: Side) -> Position | None:
        if p.block < self.index:
            return p
        if p.block < self.index + self.count:
            return None
        return Position(p.block - self.count, p.offset)


@dataclass(frozen=True, slots=True)
class Pin:
    """Put an anchor in: what it is, and its points with the blocks they stand in."""

    anchor: Anchor
    points: tuple[tuple[int, Point], ...]

    def run(self, draft: Draft) -> None:
        if self.anchor.id in draft.anchors:
            raise EditError(f"There is an anchor {self.anchor.id} already.")
        draft.anchors = {**draft.anchors, self.anchor.id: self.anchor}
        draft.pin(self.points)

    def undo(self, draft: Draft) -> Step:
        return Unpin(self.anchor.id)

    def moved(self, p: Position, side: Side) -> Position | None:
        return p


@dataclass(frozen=True, slots=True)
class Unpin:
    """Take an anchor out."""

    anchor: int

    def run(self, draft: Draft) -> None:
        if self.anchor not in draft.anchors:
            raise EditError(f"There is no anchor {self.anchor}.")
        draft.anchors = {n: a for n, a in draft.anchors.items() if n != self.anchor}
        for b, _ in draft.points_of(self.anchor):
            block = draft.blocks[b]
            kept = tuple(p for p in block.points if p.anchor != self.anchor)
            draft.blocks[b] = replace(block, points=kept)

    def undo(self, draft: Draft) -> Step:
        return Pin(draft.anchors[self.anchor], draft.points_of(self.anchor))

    def moved(self, p: Position, side: Side) -> Position | None:
        return p


Step = Splice | Split | Join | Remark | Reformat | AddBlocks | DropBlocks | Pin | Unpin


@dataclass(frozen=True, slots=True)
class Edit:
    """Steps done one after the other, as one change."""

    steps: tuple[Step, ...] = ()

    def __bool__(self) -> bool:
        return bool(self.steps)

    def apply(self, document: Document) -> Document:
        draft = Draft.of(document)
        for step in self.steps:
            step.run(draft)
        return Document(tuple(draft.blocks), draft.anchors)

    def inverse(self, document: Document) -> Edit:
        """The edit that takes `apply(document)` back to `document`."""
        draft = Draft.of(document)
        undone: list[Step] = []
        for step in self.steps:
            undone.append(step.undo(draft))
            step.run(draft)
        return Edit(tuple(reversed(undone)))

    def moved(self, position: Position, side: Side = Side.AFTER) -> Position | None:
        """Where `position` is after this edit; None where its text went."""
        found: Position | None = position
        for step in self.steps:
            if found is None:
                return None
            found = step.moved(found, side)
        return found

    def settled(self, document: Document, position: Position, side: Side = Side.AFTER) -> Position:
        """As `moved`; where the text went, the nearest place that is left.

        That is behind what came in its stead, or at the end of the block before those that went.
        """
        if (kept := self.moved(position, side)) is not None:
            return kept
        draft = Draft.of(document)
        before: Position | None = position
        after: Position | None = position
        replaced: bool | None = None
        for step in self.steps:
            if before is not None and (moved := step.moved(before, side)) is None:
                replaced = isinstance(step, Splice) if replaced is None else replaced
                before = _left_before(step, draft.blocks)
            elif before is not None:
                before = moved
            if after is not None:
                after = step.moved(after, side) or _left_behind(step, draft.blocks)
            step.run(draft)
        nearest = (after, before) if replaced else (before, after)
        return next((p for p in nearest if p is not None), Position(0, 0))

    def moved_range(self, r: Range) -> Range | None:
        """Where a range is; text coming in at its very edges stays outside."""
        start, end = self.moved(r.start, Side.AFTER), self.moved(r.end, Side.BEFORE)
        return Range(start, end) if start and end and start <= end else None

    def then(self, other: Edit) -> Edit:
        return Edit(self.steps + other.steps)


def _left_before(step: Step, blocks: Sequence[Block]) -> Position | None:
    """The last place before what a step takes out of `blocks`, if there is one."""
    if isinstance(step, Splice):
        return Position(step.block, step.start)
    assert isinstance(step, DropBlocks)
    above = step.index - 1
    return Position(above, len(blocks[above].text)) if above >= 0 else None


def _left_behind(step: Step, blocks: Sequence[Block]) -> Position | None:
    """The first place behind what a step takes out of `blocks`, if there is one."""
    if isinstance(step, Splice):
        return Position(step.block, step.start + len(step.new.text))
    assert isinstance(step, DropBlocks)
    return Position(step.index, 0) if step.index + step.count < len(blocks) else None


def delete(document: Document, r: Range) -> Edit:
    """Take a range out; the block it starts in keeps its format.

    Nothing is joined across the edge of a table's cell: cells are emptied, or taken out with all of
    their table.
    """
    (b1, o1), (b2, o2) = r
    if b1 == b2:
        return Edit((Splice(b1, o1, o2, Piece()),)) if o1 < o2 else Edit()
    if any(block.cell for block in document.blocks[b1 : b2 + 1]):
        return _emptied(document, r)
    steps: list[Step] = [Splice(b1, o1, len(document.blocks[b1].text), Piece())]
    if b2 - b1 > 1:
        steps.append(DropBlocks(b1 + 1, b2 - b1 - 1))
    steps += [Splice(b1 + 1, 0, o2, Piece()), Join(b1, o1)]
    return Edit(tuple(steps))


def _emptied(document: Document, r: Range) -> Edit:
    (b1, o1), (b2, o2) = r
    blocks = document.blocks
    steps: list[Step] = []
    left = len(blocks)
    for b in range(b2, b1 - 1, -1):
        size = len(blocks[b].text)
        start, end = (o1 if b == b1 else 0), (o2 if b == b2 else size)
        if (start, end) == (0, size) and _goes_whole(blocks, b, r) and left > 1:
            steps.append(DropBlocks(b, 1))
            left -= 1
        elif start < end:
            steps.append(Splice(b, start, end, Piece()))
    if left == 1 and blocks[b1].cell and _goes_whole(blocks, b1, r):
        steps.append(Reformat(0, Format()))
    return Edit(tuple(steps))


def _goes_whole(blocks: Sequence[Block], b: int, r: Range) -> bool:
    """Whether a block in a range goes with it, and not only its text."""
    table = table_at(blocks, b)
    if table is None:
        return True
    whole = table.whole(blocks)
    return r.start <= whole.start and whole.end <= r.end


def pin(document: Document, kind: str, r: Range, **data: Any) -> Edit:
    """An anchor of a kind on a range, or at a place where the range is empty."""
    number = document.next_anchor
    edges = ((r.start, Edge.AT),) if r.empty else ((r.start, Edge.START), (r.end, Edge.END))
    points = tuple((p.block, Point(p.offset, number, edge)) for p, edge in edges)
    return Edit((Pin(Anchor(number, kind, data), points),))


def unpin(anchors: Iterable[Anchor]) -> Edit:
    return Edit(tuple(Unpin(a.id) for a in anchors))


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


def in_turn(document: Document, makes: Iterable[Callable[[Document], Edit]]) -> Edit:
    """Edits made one after another, each of the document as it is then, as one."""
    steps: list[Step] = []
    for make in makes:
        edit = make(document)
        document = edit.apply(document)
        steps += edit.steps
    return Edit(tuple(steps))


def edit_to_json(edit: Edit) -> list[list[Any]]:
    """An edit as rows of plain data, the first of each its kind."""
    return [_row(step) for step in edit.steps]


def _row(step: Step) -> list[Any]:
    match step:
        case Splice(block, start, end, new, points):
            row = ["splice", block, start, end, new.text, _rows(new.spans)]
            return row if points is None else [*row, [list(p) for p in points]]
        case Split(block, offset, form, stay):
            row = ["split", block, offset, list(form)]
            return row if stay is None else [*row, [list(s) for s in stay]]
        case Join(block, at):
            return ["join", block, at]
        case Remark(block, spans):
            return ["remark", block, _rows(spans)]
        case Reformat(block, form):
            return ["reformat", block, list(form)]
        case AddBlocks(index, blocks):
            return ["add", index, [block_to_json(b) for b in blocks]]
        case DropBlocks(index, count):
            return ["drop", index, count]
        case Pin(anchor, placed):
            return ["pin", anchor_row(anchor), [[b, list(p)] for b, p in placed]]
        case Unpin(number):
            return ["unpin", number]


def edit_from_json(rows: Iterable[list[Any]]) -> Edit:
    """The reverse of `edit_to_json`; EditError for a kind of step nobody knows."""
    return Edit(tuple(_step(kind, args) for kind, *args in rows))


def _rows(spans: Iterable[Span]) -> list[list[Any]]:
    return [spans_row(s) for s in spans]


def _placed(block: int, row: list[Any]) -> tuple[int, Point]:
    [point] = points_from_rows([row])
    return block, point


def _step(kind: str, args: list[Any]) -> Step:
    match kind, args:
        case "splice", [block, start, end, text, spans, *more]:
            points = points_from_rows(more[0]) if more else None
            return Splice(block, start, end, Piece(text, spans_from_rows(spans)), points)
        case "split", [block, offset, form, *more]:
            stay = tuple((anchor, Edge(edge)) for anchor, edge in more[0]) if more else None
            return Split(block, offset, format_from_row(form), stay)
        case "join", [block, at]:
            return Join(block, at)
        case "remark", [block, spans]:
            return Remark(block, spans_from_rows(spans))
        case "reformat", [block, form]:
            return Reformat(block, format_from_row(form))
        case "add", [index, blocks]:
            return AddBlocks(index, tuple(block_from_json(b) for b in blocks))
        case "drop", [index, count]:
            return DropBlocks(index, count)
        case "pin", [anchor, placed]:
            return Pin(anchor_from_row(anchor), tuple(_placed(b, p) for b, p in placed))
        case "unpin", [number]:
            return Unpin(number)
    raise EditError(f"Nobody knows the step {kind!r}.")
