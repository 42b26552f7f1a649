"""Rows, columns and cells of tables."""

from __future__ import annotations

from nimble_lantern.core.document import units
from nimble_lantern.core.document.model import Position, Range
from nimble_lantern.core.document.tables import Table, table_at, tables
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.targets.finding import (
    Absent,
    Answer,
    View,
    find,
    finds,
    no_such,
    pick_out,
    reference,
    run_of,
)
from nimble_lantern.core.targets.model import CellAt, Order, Places, Unit, Units
from nimble_lantern.core.writing.cardinals import in_words


def _table(view: View) -> Table:
    """The table that is spoken of: the one in which the caret stands, else the nearest."""
    here = reference(view).start.block
    every = tables(view.document.blocks)
    return min(every, key=lambda t: max(t.first - here, here - t.last, 0))


def in_table(target: Units, view: View) -> Answer:
    """Rows and cells, counted in one table; this, the next and the like from the caret's."""
    document = view.document
    scope = _table(view).whole(document.blocks)
    found = units.blocks(document, target.unit.value, scope)
    found = [r for r in found if scope.start <= r.start and r.end <= scope.end]
    here = reference(view)
    at = units.at(found, here.start)
    inside = scope.start <= here.start <= scope.end and at is not None
    if not inside or at is None or target.order not in _FROM_HERE:
        head = document.blocks[found[0].start.block].cell if found else None
        if target.order is Order.MIDDLE and target.unit is Unit.ROW and head and head.header:
            found = found[1:]  # the row of headings is none of them
        picked = pick_out(target, found)
        return Places(tuple(picked)) if picked else no_such(target, len(found))
    first, last = {
        Order.THIS: (at, at + 1),
        Order.NEXT: (at + 1, at + 1 + target.count),
        Order.PREVIOUS: (max(0, at - target.count), at),
    }[target.order]
    chosen = found[first:last]
    return Places((run_of(chosen),)) if chosen else no_such(target, len(found))


_FROM_HERE = (Order.THIS, Order.NEXT, Order.PREVIOUS)


def columns(target: Units, view: View) -> Answer:
    """A column is as many ranges as it has cells."""
    blocks = view.document.blocks
    table = _table(view)
    if target.of is not None:
        outer = find(target.of, view)
        if isinstance(outer, Refusal):
            return outer
        inside = table_at(blocks, outer.first.start.block)
        if inside is None:
            return Refusal("Columns stand in tables.", "", "Say which table.")
        table = inside
    here = blocks[reference(view).start.block].cell
    numbers = [Range(Position(c, 0), Position(c, 0)) for c in range(table.columns)]
    now = here.column if here else 0
    steps = {Order.THIS: 0, Order.NEXT: 1, Order.PREVIOUS: -1}
    if target.order in steps and here:
        wanted = now + steps[target.order]
        picked = numbers[wanted : wanted + 1] if wanted >= 0 else []
    else:
        picked = pick_out(target, numbers)
    if not picked:
        return no_such(target, table.columns)
    chosen = range(picked[0].start.block, picked[-1].end.block + 1)
    return Places(tuple(sorted(r for c in chosen for r in table.column(blocks, c))))


def next_in_table(r: Range, view: View, unit: Unit, step: int) -> Answer:
    """The column so many on from the one in which a range stands, or the cell so many below."""
    blocks = view.document.blocks
    table, cell = table_at(blocks, r.start.block), blocks[r.start.block].cell
    if table is None or cell is None:
        return Refusal("That stands in no table.")
    down = unit is Unit.CELL
    now, count = (cell.row, table.rows) if down else (cell.column, table.columns)
    if not 0 <= now + step < count:
        sides = ("above", "below") if down else ("before", "after")
        return Refusal(f"No {unit.value} stands {sides[step > 0]} that.")
    if not down:
        return Places(table.column(blocks, now + step), unit=unit)
    b = table.cell(now + step, cell.column)
    return Places((units.block_range(view.document, b),), unit=unit)


@finds(CellAt)
def _cell_at(target: CellAt, view: View, near: bool) -> Answer:
    if not any(b.cell for b in view.document.blocks):
        return Absent("There is no table here.")
    table = _table(view)
    row, column = (
        n if n > 0 else count + 1 + n
        for n, count in ((target.row, table.rows), (target.column, table.columns))
    )
    if not (1 <= row <= table.rows and 1 <= column <= table.columns):
        return Refusal(
            "There is no such cell.",
            f"The table has {in_words(table.rows)} rows and {in_words(table.columns)} columns.",
        )
    b = table.cell(row - 1, column - 1)
    return Places((units.block_range(view.document, b),))
