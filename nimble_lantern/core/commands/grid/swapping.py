"""Two cells of one row that change places: "swap the cook and the cleaner in week one"."""

from __future__ import annotations

from nimble_lantern.core.commands.joining import swap
from nimble_lantern.core.commands.table_here import column_named, here, of_table, row_named
from nimble_lantern.core.document.tables import Table
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, command
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places


def _cells(
    sitting: Sitting, table: Table, row: tuple[str, ...], columns: tuple[tuple[str, ...], ...]
) -> list[int]:
    """The cells of a row under headings; none where one is not called so, or both are one."""
    r = row_named(sitting, table, row)
    found = [column_named(sitting, table, words) for words in columns]
    if r is None or None in found or len({*found}) < len(found):
        return []
    return [table.cell(r, c) for c in found if c is not None]


def _of_one_row(sitting: Sitting, parse: Parse) -> bool:
    table = here(sitting)
    row, *columns = (tuple(parse.args.get(slot, ())) for slot in ("row", "name", "words"))
    return not isinstance(table, Refusal) and bool(_cells(sitting, table, row, tuple(columns)))


@command(
    "(swap | exchange | switch) [the] {name:words} (and | with) [the] {words}"
    " (in | for | on | of) [the] {row:words} [row]",
    "(in | for | on) [the] {row:words} [row] (swap | exchange | switch) [the] {name:words}"
    " (and | with) [the] {words}",
    example="swap the cook and the cleaner in week two",
    group="format",
    when=_of_one_row,
    heard=0,
)
@of_table
def swap_in_row(
    sitting: Sitting,
    table: Table,
    name: tuple[str, ...],
    words: tuple[str, ...],
    row: tuple[str, ...],
) -> Done | Refusal:
    """Let two cells of a row change places, named by their columns."""
    cells = _cells(sitting, table, row, (name, words))
    one, other = (Places((block_range(sitting.document, b),)) for b in cells)
    return swap(sitting, a=one, b=other)
