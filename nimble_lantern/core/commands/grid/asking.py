"""What a table is asked: "which stall has the most takings", "who has the fewest cups"."""

from __future__ import annotations

from nimble_lantern.core.commands.columns import columns_of
from nimble_lantern.core.commands.table_here import (
    column_named,
    heads_a_column,
    here,
    of_table,
    there_is,
)
from nimble_lantern.core.composing.tabling import has_header, rows_of, value_of
from nimble_lantern.core.document.tables import Table
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.writing.cardinals import cardinal

CATALOGUE.table("asks_who", {"who": True}, heard=False)
_HAS = (
    "(has | had | have | took | takes | makes | needs | gets | got | brings | brought | is | are)"
)


def _two_columns(sitting: Sitting, parse: Parse) -> bool:
    """ "Which day has the most cups", where columns are called day and cups."""
    table, kind = here(sitting), tuple(parse.args.get("kind", ()))
    told = not isinstance(table, Refusal) and column_named(sitting, table, kind) is not None
    return told and heads_a_column(sitting, parse)


@command(
    Way(
        f"(which | what) {{kind:words}} {_HAS} [the] {{falling:extreme}} [(number | amount) of]"
        " {words}",
        when=_two_columns,
    ),
    Way(
        f"{{who:asks_who}} {_HAS} [the] {{falling:extreme}} [(number | amount) of] {{words}}",
        when=heads_a_column,
    ),
    Way(
        "(what is | what's | which is | where is | find | show me) the {falling:extreme} [(number"
        " | amount) of] {words}",
        when=heads_a_column,
    ),
    example="which stall has the most takings",
    group="format",
    heard=0,
    shows=True,
    when=there_is,
)
@of_table
def most(
    sitting: Sitting,
    table: Table,
    words: tuple[str, ...],
    falling: bool,
    kind: tuple[str, ...] = (),
    who: bool = False,
) -> Done | Refusal:
    """Tell in which row a column has its largest or smallest number, and speak of that cell."""
    column = column_named(sitting, table, words)
    assert column is not None
    rows = rows_of(sitting.document.blocks, table)
    body = range(1 if has_header(rows) else 0, table.rows)
    kept = [r for r in body if rows[r][0].text.strip().lower() != "total"]
    found = {r: value for r in kept if (value := _amount(rows[r][column].text)) is not None}
    if not found:
        return Refusal("That column has no numbers.", "", "Name one that has.")
    best = (max if falling else min)(found.values())
    told = column_named(sitting, table, kind) if kind else _first(sitting, table, who)
    at = [r for r, value in found.items() if value == best]
    named = " and ".join(rows[r][told or 0].text for r in at)
    cells = [block_range(sitting.document, table.cell(r, column)) for r in at]
    return Done(sitting.about(cells), f"{named}: {rows[at[0]][column].text}")


def _amount(text: str) -> float | None:
    """The number that a cell holds, in figures or in words: "two forks"."""
    said = cardinal(text.lower().split(), 0)
    return float(said[0]) if said else value_of(text)


def _first(sitting: Sitting, table: Table, who: bool) -> int:
    """The first column, or the one that holds names where somebody is asked for."""
    if not who:
        return 0
    columns = columns_of(sitting.document, table)
    return next((c for c, column in enumerate(columns) if "name" in column.kinds), 0)
