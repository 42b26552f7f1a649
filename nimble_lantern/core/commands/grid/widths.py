"""How wide the columns of a table are."""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.table_here import (
    Part,
    of_part,
    of_table,
    there_is,
)
from nimble_lantern.core.commands.wording import many
from nimble_lantern.core.composing.tabling import (
    rows_of,
    shares_of,
)
from nimble_lantern.core.document.edits import Edit, Reformat
from nimble_lantern.core.document.tables import Table, settled_shares
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command, each
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Unit, unit_named


def one_column(sitting: Sitting, parse: Parse) -> bool:
    return unit_named(parse.args.get("target")) is Unit.COLUMN


def _column_or_table(sitting: Sitting, parse: Parse) -> bool:
    return unit_named(parse.args.get("target")) in (Unit.COLUMN, Unit.TABLE)


@command(
    *each(
        one_column,
        *frames.standing("{target}", "{wide}", stated=False),
        "{target} {wide:too_wide}",
        "(let | have) {target} have {wide:more_room}",
        "{target} (needs | wants | could do with | <shall> have) {wide:more_room}",
        "{wide:widen} {target} [(a bit | a little)]",
    ),
    "{target:column_named} (needs | wants | could do with | <shall> have) {wide:more_room}",
    "(make | set | get) {target:column_named} {wide}",
    Way("{target} <shall> be {wide}", when=one_column),
    Way("{wide:more_room} for {target}", when=one_column),
    Way("{target} {wide}", when=one_column),
    "{wide:widen} {target:grid_part}",
    Way("give {target} {wide:more_room}", when=one_column),
    Way("(make | set | get) {target} {wide}", when=_column_or_table),
    heard=0,
    example="make the first column wider",
    group="format",
    shows=True,
    when=there_is,
)
@of_part
def width(sitting: Sitting, target: Part, wide: float) -> Done | Refusal:
    """Make a column wider or narrower; the others share what is left."""
    table, numbers = target.table, target.numbers
    rows = rows_of(sitting.document.blocks, table)
    parts = shares_of(rows[0])
    if len(numbers) == len(parts) or target.unit is not Unit.COLUMN:
        return Refusal("The columns share the width of the page.", "", "Name one of them.")
    wanted = {n: min(0.85 / len(numbers), max(0.04, parts[n] * wide)) for n in numbers}
    rest = 1 - sum(wanted.values())
    others = sum(p for n, p in enumerate(parts) if n not in wanted)
    new = [wanted[n] if n in wanted else p / others * rest for n, p in enumerate(parts)]
    steps = _shared(sitting, table, new)
    return Done(sitting.edited(Edit(steps)), f"{many(len(numbers), 'column')} changed")


def _shared(sitting: Sitting, table: Table, parts: Sequence[float]) -> tuple[Reformat, ...]:
    steps = []
    for r in range(table.rows):
        for c, share in enumerate(settled_shares(parts)):
            form = sitting.document.blocks[table.cell(r, c)].format
            assert form.cell is not None
            steps.append(Reformat(table.cell(r, c), form._replace(
                cell=form.cell._replace(share=share))))  # fmt: skip
    return tuple(steps)


@command(
    "(make | set) [all] the columns (equal | equally wide | the same width | even)",
    "(equal | even) columns",
    "[(make | set | let | have | give | i want | get)] (all [of] [the] | the | every | each |"
    " these)"
    " (columns | column) [(have | to have | be | to be)] <same_width>",
    "(even | level) [(out | up | off)] the (columns | widths [of the columns] | column widths)",
    "columns (of | with) (equal | the same) (width | widths)",
    "(equal | even | the same) (widths | width) [for [all] the columns]",
    "the columns <shall> [all] be <same_width>",
    "share the (width | room | space) (equally | evenly) [(among | between) the columns]",
    heard=1,
    example="make the columns equally wide",
    group="format",
    shows=True,
    when=there_is,
)
@of_table
def even(sitting: Sitting, table: Table) -> Done | Refusal:
    """Give all columns the same width."""
    steps = _shared(sitting, table, [1 / table.columns] * table.columns)
    return Done(sitting.edited(Edit(steps)), "all columns are equally wide")
