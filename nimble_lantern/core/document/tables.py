"""Tables: runs of cells, row by row, each cell a block of its own.

A table is whole when its cells stand together in reading order, every row with as many as the
first.  Ordinary edits keep tables whole: they empty cells, or take a table out with all of them.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace

from nimble_lantern.core.document.changes import changed
from nimble_lantern.core.document.model import (
    Block,
    Cell,
    Document,
    Format,
    Kind,
    Piece,
    Position,
    Range,
)


@dataclass(frozen=True, slots=True)
class Table:
    """A table of a document: the index of its first cell's block, its rows and columns."""

    first: int
    rows: int
    columns: int

    @property
    def last(self) -> int:
        """The index of the last cell's block."""
        return self.first + self.rows * self.columns - 1

    def cell(self, row: int, column: int) -> int:
        """The index of a cell's block; rows and columns count from 0."""
        return self.first + row * self.columns + column

    def row(self, blocks: Sequence[Block], row: int) -> Range:
        """From the start of a row's first cell to the end of its last."""
        return _across(blocks, self.cell(row, 0), self.cell(row, self.columns - 1))

    def column(self, blocks: Sequence[Block], column: int) -> tuple[Range, ...]:
        """The cells of a column, a range each."""
        cells = (self.cell(row, column) for row in range(self.rows))
        return tuple(_across(blocks, b, b) for b in cells)

    def whole(self, blocks: Sequence[Block]) -> Range:
        return _across(blocks, self.first, self.last)


def _across(blocks: Sequence[Block], first: int, last: int) -> Range:
    return Range(Position(first, 0), Position(last, len(blocks[last].text)))


def tables(blocks: Sequence[Block]) -> list[Table]:
    """The tables among blocks, in their order."""
    found: list[Table] = []
    b = 0
    while b < len(blocks):
        table = table_at(blocks, b)
        if table is not None:
            found.append(table)
            b = max(b, table.last)
        b += 1
    return found


def table_at(blocks: Sequence[Block], b: int) -> Table | None:
    """The table that a block is a cell of."""
    cell = blocks[b].cell
    if cell is None:
        return None
    first = last = b
    while first and (other := blocks[first - 1].cell) and other.table == cell.table:
        first -= 1
    while last + 1 < len(blocks) and (other := blocks[last + 1].cell) and other.table == cell.table:
        last += 1
    end = blocks[last].cell or cell
    return Table(first, end.row + 1, end.column + 1)


def rows_between(
    blocks: Sequence[Block], low: int, high: int
) -> tuple[tuple[Block, ...], int, int]:
    """Blocks from `low` to `high` and as far round them as makes whole rows; and where those are.

    A table whose first rows are left out begins with its headings, and its rows are counted anew.
    """
    while low and (cell := blocks[low].cell) and cell.column:
        low -= 1
    while high < len(blocks) and (cell := blocks[high].cell) and cell.column:
        high += 1
    cut = blocks[low].cell if low < high else None
    if cut is None or not cut.row:
        return tuple(blocks[low:high]), low, high
    table = table_at(blocks, low)
    assert table is not None
    head = blocks[table.first : table.first + table.columns]
    left_out = cut.row - 1
    rest = (_higher(block, cut.table, left_out) for block in blocks[low:high])
    return (*head, *rest), low, high


def _higher(block: Block, table: int, rows: int) -> Block:
    """A block of a table so many rows higher; any other as it is."""
    cell = block.cell
    if cell is None or cell.table != table or not rows:
        return block
    form = block.format
    return block.formatted(form._replace(cell=cell._replace(row=cell.row - rows)))


def outside(blocks: Sequence[Block], index: int) -> int:
    """Where blocks can be put in at or behind `index` without parting a table's cells."""
    while 0 < index < len(blocks):
        above, below = blocks[index - 1].cell, blocks[index].cell
        if above is None or below is None or above.table != below.table:
            break
        index += 1
    return index


def next_table(blocks: Iterable[Block]) -> int:
    """A number that no table has."""
    return max((b.cell.table for b in blocks if b.cell), default=0) + 1


def cells(rows: Sequence[Sequence[Piece]], table: int, header: bool = True) -> tuple[Block, ...]:
    """The blocks of a table; rows that are shorter are filled up with empty cells."""
    width = max((len(row) for row in rows), default=0)
    found = []
    for r, row in enumerate(rows):
        for c in range(width):
            piece = row[c] if c < len(row) else Piece()
            form = Format(Kind.CELL, cell=Cell(table, r, c, header and r == 0, 1 / width))
            found.append(Block(piece.text, piece.spans).formatted(form))
    return tuple(found)


def settled_shares(widths: Sequence[float]) -> tuple[float, ...]:
    """Widths of columns as shares of the table: thousandths that add up to one, or all the same.

    So they are the same numbers after a file has held them in whole twips (1/20 point).
    """
    total = sum(widths)
    if not widths or total <= 0:
        return (1 / len(widths),) * len(widths) if widths else ()
    wanted = [w / total * _FINEST for w in widths]
    if all(abs(w - _FINEST / len(widths)) < 0.5 for w in wanted):
        return (1 / len(widths),) * len(widths)
    parts = [max(1, int(w)) for w in wanted]
    while (left := _FINEST - sum(parts)) != 0:
        step = 1 if left > 0 else -1
        able = (n for n in range(len(parts)) if parts[n] + step > 0)
        n = max(able, key=lambda n: step * (wanted[n] - parts[n]))
        parts[n] += step
    return tuple(p / _FINEST for p in parts)


_FINEST = 1000
"""Parts of a table's width."""


def kept_whole(before: Document, after: Document) -> bool:
    """Whether every table that an edit touched is whole afterwards."""
    start, _, end = changed(before.blocks, after.blocks)
    blocks = after.blocks
    while start and blocks[start - 1].cell:
        start -= 1
    while end < len(blocks) and blocks[end].cell:
        end += 1
    held = blocks[start:end]
    found = tables(held)
    numbers = [cell.table for t in found if (cell := held[t.first].cell)]
    whole = all(_is_whole(held[t.first : t.last + 1], t) for t in found)
    return whole and len(set(numbers)) == len(numbers)


def _is_whole(held: Sequence[Block], table: Table) -> bool:
    places = [(r, c) for r in range(table.rows) for c in range(table.columns)]
    found = [(b.cell.row, b.cell.column) for b in held if b.cell and b.kind is Kind.CELL]
    numbers = {b.cell.table for b in held if b.cell}
    return found == places and len(numbers) == 1


def as_pasted(
    document: Document, pieces: Iterable[tuple[Piece, Format]]
) -> list[tuple[Piece, Format]]:
    """Pieces as they can stand elsewhere: whole tables as others, lone cells as paragraphs."""
    found = list(pieces)
    blocks = tuple(Block(p.text, p.spans).formatted(f) for p, f in found)
    number = next_table(document.blocks)
    made: dict[int, int] = {}
    for table in tables(blocks):
        held = blocks[table.first : table.last + 1]
        fits = len(held) == table.rows * table.columns and _is_whole(held, table)
        for b in range(table.first, min(table.first + len(held), len(blocks))):
            piece, form = found[b]
            if fits and form.cell and len(held) > 1:
                fresh = made.setdefault(form.cell.table, number + len(made))
                found[b] = piece, form._replace(cell=form.cell._replace(table=fresh))
            else:
                found[b] = piece, Format(align=form.align, spacing=form.spacing)
    return [(p, f if f.cell is None or f.cell.table >= number else Format()) for p, f in found]


def of_old(block: Block, table: int) -> tuple[Block, ...]:
    """The cells of a table of before, which was one text: line breaks and tabs parted its cells."""
    rows: list[list[Piece]] = []
    at = 0
    for line in block.text.split("\n"):
        rows.append([])
        for text in line.split("\t"):
            rows[-1].append(block.piece(at, at + len(text)))
            at += len(text) + 1
    made = cells(rows, table)
    return tuple(replace(b, align=block.align, spacing=block.spacing) for b in made)
