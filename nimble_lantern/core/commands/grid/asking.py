"""What a table is asked: "which stall has the most takings", "who has the fewest cups"."""

from __future__ import annotations

from nimble_lantern.core.commands.columns import columns_of
from nimble_lantern.core.commands.put_in import row_and_column
from nimble_lantern.core.commands.sorted_here import is_measured, measured
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
from nimble_lantern.core.targets.tabled import row_called
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
    "(which | what) {kind:words} (is | was | are) [the] {by:outdoing}",
    "(what is | what's | which is | which are | find | show me | tell me | where is) the"
    " {by:outdoing} [{kind:words}]",
    "{who:asks_who} is [the] {by:outdoing}",
    example="which boat is the longest",
    group="format",
    heard=0,
    shows=True,
    when=is_measured,
)
def outdoes(
    sitting: Sitting,
    by: tuple[bool, tuple[str, ...]],
    kind: tuple[str, ...] = (),
    who: bool = False,
) -> Done | Refusal:
    """Tell which row has the most or least of what an adjective measures."""
    table = here(sitting)
    falling, of = by
    if isinstance(table, Refusal):
        return table
    heading = measured(sitting, table, of)
    assert heading is not None
    named = kind if kind != ("one",) else ()
    return most(sitting, words=(heading,), falling=falling, kind=named, who=who)


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


def _gain(sitting: Sitting, of: tuple[str, ...]) -> str | None:
    """The heading of the column that a verb is told of: "takings" of "took"."""
    table = here(sitting)
    return None if isinstance(table, Refusal) else measured(sitting, table, of)


def _gained(sitting: Sitting, parse: Parse) -> bool:
    """ "Which stall took the most", where columns are called stall and takings."""
    kind = tuple(parse.args.get("kind", ("one",)))
    table = here(sitting)
    if isinstance(table, Refusal) or _gain(sitting, parse.args["of"]) is None:
        return False
    return kind == ("one",) or column_named(sitting, table, kind) is not None


@command(
    "(which | what) {kind:words} {of:gained} [the] {falling:extreme}",
    "{who:asks_who} {of:gained} [the] {falling:extreme}",
    example="which stall took the most",
    group="format",
    heard=0,
    shows=True,
    when=_gained,
)
def gained_most(
    sitting: Sitting,
    of: tuple[str, ...],
    falling: bool,
    kind: tuple[str, ...] = (),
    who: bool = False,
) -> Done | Refusal:
    """Tell which row took, made or scored the most or the least."""
    heading = _gain(sitting, of)
    assert heading is not None
    named = kind if kind != ("one",) else ()
    return most(sitting, words=(heading,), falling=falling, kind=named, who=who)


def _gains(sitting: Sitting, parse: Parse) -> bool:
    heading = _gain(sitting, parse.args["of"])
    if heading is None:
        return False
    row = tuple(parse.args["row"])
    return _both(sitting, (heading,), row[1:] if row[0] == "the" else row) is not None


@command(
    "how much (did | does | do) {row:words} {of:gains}",
    "what (did | does | do) {row:words} {of:gains}",
    example="how much did the cakes take",
    group="format",
    heard=0,
    shows=True,
    when=_gains,
)
def gain(sitting: Sitting, of: tuple[str, ...], row: tuple[str, ...]) -> Done | Refusal:
    """Tell what a row took, made, cost or scored."""
    heading = _gain(sitting, of)
    assert heading is not None
    return tell(sitting, (heading,), row[1:] if row[0] == "the" else row)


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


def _told_by_both(sitting: Sitting, parse: Parse) -> bool:
    """ "What time is Ada", where a column is called time and a row has her."""
    return _both(sitting, tuple(parse.args["words"]), tuple(parse.args["row"])) is not None


def _both(sitting: Sitting, words: tuple[str, ...], row: tuple[str, ...]) -> int | None:
    """The block of the cell below a heading in the row that is called so, or says so."""
    table = here(sitting)
    if isinstance(table, Refusal):
        return None
    r, c = row_and_column(sitting, table, row, words)
    return table.cell(r, c) if r and c is not None else None


@command(
    "(what | which) {words} (is | are | has | does | did) {row:words}",
    "(what | which) {words} (has | does) {row:words} (have | get | need | bring | pay)",
    example="what time is ada",
    group="format",
    heard=0,
    shows=True,
    when=_told_by_both,
)
def tell(sitting: Sitting, words: tuple[str, ...], row: tuple[str, ...]) -> Done | Refusal:
    """Tell what a cell says, by its row and its column."""
    b = _both(sitting, words, row)
    if b is None:
        return Refusal("There is no such cell.")
    cell = block_range(sitting.document, b)
    said = sitting.document.text(cell).strip() or "nothing"
    return Done(sitting.about([cell]), f"{' '.join(words)} of {' '.join(row)}: {said}")


def _somebody_there(sitting: Sitting, parse: Parse) -> bool:
    """ "Who is on Monday", of a table with such a row and a column of names beside it."""
    table = here(sitting)
    words = tuple(parse.args.get("words", ()))
    if isinstance(table, Refusal) or not words:
        return False
    row = row_called(sitting.document.blocks, table, words)
    return bool(row) and _whose(sitting, table) > 0


def _whose(sitting: Sitting, table: Table) -> int:
    """The column of names; 0 where the first one is, or there is none."""
    asked = column_named(sitting, table, ("who",))
    return asked if asked is not None else _first(sitting, table, True)


@command(
    "{who:asks_who} is [it] [(down | booked [in])] (on | for | in | doing) [the] {words}",
    "{who:asks_who} (does | has | has got | is doing) [the] {words}",
    "{who:asks_who} (have we | have i | do we have) (got | down) (on | for) [the] {words}",
    example="who is on monday",
    group="format",
    heard=0,
    shows=True,
    when=_somebody_there,
)
@of_table
def whose(
    sitting: Sitting, table: Table, words: tuple[str, ...], who: bool = True
) -> Done | Refusal:
    """Tell who stands in the row of a day or a thing, and speak of that cell."""
    row, column = row_called(sitting.document.blocks, table, words), _whose(sitting, table)
    assert row is not None
    cell = table.cell(row, column)
    told = sitting.document.blocks[cell].text or "nobody yet"
    day = sitting.document.blocks[table.cell(row, 0)].text
    return Done(sitting.about([block_range(sitting.document, cell)]), f"{day}: {told}")
