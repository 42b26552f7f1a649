"""Tables: made, filled cell by cell, changed by rows and columns."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.composing.removing import remove as taken_out
from nimble_lantern.core.composing.tabling import (
    MOST_CELLS,
    Rows,
    blocks_of,
    empty_cell,
    has_header,
    rebuilt,
    rows_of,
    shares_of,
    sort_key,
    total_text,
)
from nimble_lantern.core.document.edits import AddBlocks, DropBlocks, Edit, Reformat
from nimble_lantern.core.document.model import (
    Block,
    Bullets,
    Format,
    Kind,
    Piece,
    Position,
    Range,
)
from nimble_lantern.core.document.tables import Table, next_table, outside, table_at, tables
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, rule
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import CellNamed, Places, Tabled, Unit, Units
from nimble_lantern.core.targets.tabled import column_of

CATALOGUE.table(
    "make_table",
    {
        "(<begin> | <put> | <wish> | put in | draw | set up | build | lay out) [me] [a]"
        " [new]": True,
        "new": True,
    },
)
CATALOGUE.table("placed_here", {"(here | in | in here | for me | for me here)": True})
CATALOGUE.table("more", {"(a | another | one more | a new | a further | an extra)": True})


def _in_table(sitting: Sitting, parse: Parse) -> bool:
    return sitting.document.blocks[sitting.writing_place.block].cell is not None


def _there_is(sitting: Sitting, parse: Parse) -> bool:
    return any(block.cell for block in sitting.document.blocks)


def _here(sitting: Sitting) -> Table | Refusal:
    """The table in which the writing place stands, else the nearest."""
    at = sitting.writing_place.block
    inside = table_at(sitting.document.blocks, at)
    if inside is not None:
        return inside
    every = tables(sitting.document.blocks)
    if not every:
        return Refusal("There is no table here.", "", "“Make a table with two columns” makes one.")
    return min(every, key=lambda t: max(t.first - at, at - t.last, 0))


def _table_of(sitting: Sitting, target: Places) -> Table | Refusal:
    found = table_at(sitting.document.blocks, target.first.start.block)
    return found or Refusal("That stands in no table.")


def _cell(sitting: Sitting, table: Table) -> tuple[int, int]:
    """The row and column of the writing place, or of the table's first cell."""
    cell = sitting.document.blocks[sitting.writing_place.block].cell
    inside = table.first <= sitting.writing_place.block <= table.last
    return (cell.row, cell.column) if cell is not None and inside else (0, 0)


@command(
    "<make_table> table [<placed_here>] (with | of) {columns:number} (columns | column) [and | by]"
    " {rows:number} (rows | row)",
    "<make_table> table [<placed_here>] (with | of) {rows:number} (rows | row) [and | by]"
    " {columns:number} (columns | column)",
    "[<make_table>] {rows:number} by {columns:number} table",
    "<make_table> table [of] {rows:number} by {columns:number}",
    "[<make_table>] table [<placed_here>] (with | of) {columns:number} columns",
    "<make_table> table {columns:number} columns wide"
    " [and {rows:number} rows (deep | high | long)]",
    "<make_table> table [<placed_here>] (with | of) {rows:number} rows",
    "<make_table> {columns:number} column table [(with | of) {rows:number} rows]",
    "<make_table> table [<placed_here>]",
    "<make_table> table [<placed_here>] (with | of) [the] columns {names:words}",
    "<make_table> table [<placed_here>] with [the] (columns | headings) (for | called | named)"
    " {names:words}",
    heard=6,
    example="make a table with three columns and four rows",
    group="format",
)
def make(
    sitting: Sitting,
    columns: int = 2,
    rows: int = 3,
    names: tuple[str, ...] | None = None,
) -> Done | Refusal:
    """Make a table, its first row a heading; what you say goes into its cells."""
    heads = _headings(sitting, names) if names else []
    columns = len(heads) or columns
    if not (1 <= columns <= 20 and rows >= 1 and rows * columns <= MOST_CELLS):
        return Refusal("A table has one to twenty columns, and not too many rows.")
    cells = [[empty_cell() for _ in range(columns)] for _ in range(rows)]
    for c, head in enumerate(heads):
        cells[0][c] = replace(empty_cell(), text=head)
    number = next_table(sitting.document.blocks)
    made = blocks_of(cells, number, True, [1.0] * columns)
    after, first = _placed(sitting, made)
    at = first + (columns if heads and rows > 1 else 0)
    after = replace(after.placed(Position(at, 0)), wrote=Position(at, 0))
    size = f"{many(rows, 'row')} and {many(columns, 'column')}"
    return Done(after, f"a table of {size}: speak into its cells, “next” goes on")


def _headings(sitting: Sitting, names: Sequence[str]) -> list[str]:
    parts: list[list[str]] = [[]]
    linked = "and" in names or "comma" in names
    for word in names:
        if word in ("and", "comma"):
            parts.append([])
        elif linked and "comma" in names:
            parts[-1].append(word)
        else:
            parts[-1].append(word)
    if linked and len(parts) == 2 and len(parts[0]) > 1:
        parts = [[w] for w in parts[0]] + parts[1:]
    elif not linked:
        parts = [[w] for w in names]
    return [" ".join(p).capitalize() for p in parts if p]


def _placed(sitting: Sitting, made: tuple[Block, ...]) -> tuple[Sitting, int]:
    """A table in the place of an empty paragraph, else behind the one of the writing place."""
    blocks = sitting.document.blocks
    at = sitting.writing_place.block
    if not blocks[at].text.strip() and blocks[at].cell is None:
        tail = () if at + 1 < len(blocks) else (Block(),)
        edit = Edit((AddBlocks(at, (*made, *tail)), DropBlocks(at + len(made) + len(tail), 1)))
        return replace(sitting.edited(edit).about(()), insertion=None), at
    index = outside(blocks, at + 1)
    tail = () if index < len(blocks) and blocks[index].cell is None else (Block(),)
    edit = Edit((AddBlocks(index, (*made, *tail)),))
    return replace(sitting.edited(edit).about(()), insertion=None), index


def _at(sitting: Sitting, table: Table, row: int, column: int) -> Done:
    """At the end of what a cell says, to write on there."""
    b = table.cell(row, column)
    block = sitting.document.blocks[b]
    place = Position(b, len(block.text))
    after = replace(sitting.placed(place), wrote=place)
    head = sitting.document.blocks[table.cell(0, column)].text if row else ""
    under = f", under {quoted(head)}" if head else ""
    return Done(after, f"row {row + 1}, column {column + 1}{under}")


@command(
    "[the] next cell",
    "(go | move) (on | to the right | right) [one] [cell]",
    Way("(next | next one | right | across | on | over)", when=_in_table),
    Way("<go> [on] [to] the next (cell | one)", when=_in_table),
    heard=1,
    example="next cell",
    group="format",
    when=_in_table,
)
def next_cell(sitting: Sitting) -> Done | Refusal:
    """Go on to the next cell; what you say goes in there."""
    table = _here(sitting)
    if isinstance(table, Refusal):
        return table
    row, column = _cell(sitting, table)
    if column + 1 < table.columns:
        return _at(sitting, table, row, column + 1)
    if row + 1 < table.rows:
        return _at(sitting, table, row + 1, 0)
    return Refusal("That was the last cell.", "", "“Next row” adds one, “end table” goes on below.")


@command(
    "[the] (previous | last) cell",
    "the cell before [(this | that) [one]]",
    Way("(back | left | previous | go back) [one]", when=_in_table),
    Way("back (one | a) cell", when=_in_table),
    heard=1,
    example="previous cell",
    group="format",
    when=_in_table,
)
def previous_cell(sitting: Sitting) -> Done | Refusal:
    """Go back to the cell before."""
    table = _here(sitting)
    if isinstance(table, Refusal):
        return table
    row, column = _cell(sitting, table)
    if column:
        return _at(sitting, table, row, column - 1)
    if row:
        return _at(sitting, table, row - 1, table.columns - 1)
    return Refusal("That is the first cell.")


@command(
    "[<go>] [on] [to] [the] (next | new | another) row",
    "(begin | start) (a | the) (new | next) row",
    heard=1,
    example="next row",
    group="format",
    when=_in_table,
)
def next_row(sitting: Sitting) -> Done | Refusal:
    """Go on to the start of the next row; behind the last, a new one."""
    table = _here(sitting)
    if isinstance(table, Refusal):
        return table
    row, _ = _cell(sitting, table)
    if row + 1 < table.rows:
        return _at(sitting, table, row + 1, 0)
    rows = rows_of(sitting.document.blocks, table)
    rows.append([empty_cell(block) for block in rows[-1]])
    after = rebuilt(sitting, table, rows, at=(row + 1, 0))
    return Done(replace(after, wrote=after.caret), f"a new row, row {row + 2}")


CATALOGUE.table("ways", {"(down | below)": 1, "(up | above)": -1})


@command(
    Way("[go | move] {ways} [one] [(cell | row)]", when=_in_table),
    "[<go>] [to] the cell {ways}",
    Way("[<go>] [to] [the] next row (same column | below)", when=_in_table),
    heard=1,
    example="the cell below",
    group="format",
    when=_in_table,
)
def down(sitting: Sitting, ways: int = 1) -> Done | Refusal:
    """Go to the cell below, or above."""
    table = _here(sitting)
    if isinstance(table, Refusal):
        return table
    row, column = _cell(sitting, table)
    if not 0 <= row + ways < table.rows:
        return Refusal(
            "There is no row that way.", "", "“Next row” adds one, “end table” goes on below."
        )
    return _at(sitting, table, row + ways, column)


@rule("named_cell", "row {a:number} [and] column {b:number}", "row {a:number} cell {b:number}")
@rule("named_cell", "the {a:position} row [and] the {b:position} column")
def _by_row(a: int, b: int) -> CellNamed:
    return CellNamed(a, b)


@rule("named_cell", "column {a:number} [and] row {b:number}")
@rule("named_cell", "the {a:position} column [and] the {b:position} row")
def _by_column(a: int, b: int) -> CellNamed:
    return CellNamed(b, a)


@rule("named_cell", "the {a:position} cell [(of | in) (this | the) row]", "cell {a:number}")
def _in_this_row(a: int) -> CellNamed:
    return CellNamed(0, a)


@command(
    Way("[(in | into | go to | <go> [to])] [the cell in] {named_cell}", when=_there_is),
    Way("(write | speak | go on) in [the cell in] {named_cell}", when=_there_is),
    Way("[(in | into | to)] {crossed}", when=_in_table),
    heard=1,
    example="row two column three",
    group="format",
    when=_there_is,
)
def to_cell(
    sitting: Sitting, named_cell: CellNamed | None = None, crossed: Places | None = None
) -> Done | Refusal:
    """Go to a cell by its row and column."""
    table = _here(sitting) if crossed is None else _table_of(sitting, crossed)
    if isinstance(table, Refusal):
        return table
    if named_cell is None:
        assert crossed is not None
        cell = sitting.document.blocks[crossed.first.start.block].cell
        assert cell is not None
        return _at(sitting, table, cell.row, cell.column)
    row = named_cell.row or _cell(sitting, table)[0] + 1
    if not (1 <= row <= table.rows and 1 <= named_cell.column <= table.columns):
        size = f"{many(table.rows, 'row')} and {many(table.columns, 'column')}"
        return Refusal("There is no such cell.", f"The table has {size}.")
    return _at(sitting, table, row - 1, named_cell.column - 1)


def _headed_by(sitting: Sitting, words: tuple[str, ...]) -> (
    tuple[Table, Unit, list[int]] | Refusal
):  # fmt: skip
    """The column of this table that has these words as its heading."""
    table = _here(sitting)
    if isinstance(table, Refusal):
        return table
    column = _column(sitting, table, words)
    if column is None:
        return Refusal(f"No column is called “{' '.join(words)}”.")
    return table, Unit.COLUMN, [column]


def _heads_a_column(sitting: Sitting, parse: Parse) -> bool:
    table = _here(sitting)
    words = parse.args.get("words", ())
    return not isinstance(table, Refusal) and _column(sitting, table, words) is not None


def _column(sitting: Sitting, table: Table, words: tuple[str, ...]) -> int | None:
    kept = words[1:] if words[:1] == ("the",) else words
    return column_of(sitting.document.blocks, table, kept) if kept else None


@command(
    Way("(under | below) {words}", when=_heads_a_column),
    Way("(in | to | go to) the {words} column", when=_heads_a_column),
    heard=1,
    example="under kitchen",
    group="format",
    when=_in_table,
)
def under(sitting: Sitting, words: tuple[str, ...]) -> Done | Refusal:
    """Go to the cell of this row under a heading; from the heading row, to the first empty one."""
    table = _here(sitting)
    if isinstance(table, Refusal):
        return table
    column = _column(sitting, table, words)
    if column is None:
        return Refusal(f"No column is called “{' '.join(words)}”.")
    row, _ = _cell(sitting, table)
    blocks = sitting.document.blocks
    if row == 0:
        free = (r for r in range(1, table.rows) if not blocks[table.cell(r, column)].text.strip())
        row = next(free, min(1, table.rows - 1))
    return _at(sitting, table, row, column)


@command(
    "<stop> [(the | this)] table",
    "end of [the] table",
    "(out of | leave | below | after | behind) the table",
    "(go on | carry on | continue | write | go) (below | under | after | behind) [the] [table]",
    Way("(that is | that's) the table [done]", when=_in_table),
    heard=1,
    example="end table",
    group="format",
    when=_there_is,
)
def end(sitting: Sitting) -> Done | Refusal:
    """Go on writing below the table."""
    table = _here(sitting)
    if isinstance(table, Refusal):
        return table
    blocks = sitting.document.blocks
    after = sitting
    if table.last + 1 >= len(blocks) or blocks[table.last + 1].cell is not None:
        after = sitting.edited(Edit((AddBlocks(table.last + 1, (Block(),)),)))
    place = Position(table.last + 1, len(after.document.blocks[table.last + 1].text))
    return Done(replace(after.placed(place), wrote=place), "below the table")


CATALOGUE.table(
    "side",
    {
        "(before | above | left of | to the left of | in front of | over)": -1,
        "(after | below | right of | to the right of | behind | under)": 1,
    },
)
CATALOGUE.table("ended", {"at the (end | bottom | right)": 1, "at the (start | top | left)": -1})
CATALOGUE.table("grid", {"(row | rows)": Unit.ROW, "(column | columns)": Unit.COLUMN})


def _of_grid(sitting: Sitting, parse: Parse) -> bool:
    target = parse.args.get("target")
    if target is None:
        return _there_is(sitting, parse)
    return isinstance(target, Units | Tabled) and target.unit in (Unit.ROW, Unit.COLUMN, Unit.CELL)


@command(
    "(add | insert | put in | make) [(a | another | one more)] [new] {grid} [{ended}]",
    "[(<wish> | <begin> | <put>)] (another | one more | a new | a further | an extra) {grid}"
    " [{ended}]",
    "<wish> a {grid} [{ended}]",
    "(add | insert | put in) (a | another) [new] {words} column",
    "(add | insert | put in) {number} [more] {grid} [{ended}]",
    Way("(add | insert | put) [(a | another)] [new] {grid} {side} {target}", when=_of_grid),
    "(add | insert | put) (a | another) [new] {grid} {side} [(this | it) [one]]",
    Way(
        "(add | insert | put [in]) [(a | another)] [new] column {side} [the] {words}",
        when=_heads_a_column,
    ),
    Way(
        "(add | insert | put [in]) [(a | another)] [new] column between [the] {words} and"
        " [the] {other:words}",
        when=_heads_a_column,
    ),
    "(add | insert | put in) (a | another) [new] column (called | named | for | headed) {words}",
    heard=2,
    example="add a row",
    group="format",
    when=_there_is,
)
def add(
    sitting: Sitting,
    grid: Unit = Unit.COLUMN,
    number: int = 1,
    ended: int = 0,
    side: int = 0,
    target: Places | None = None,
    words: tuple[str, ...] | None = None,
    other: tuple[str, ...] = (),
) -> Done | Refusal:
    """Add a row or column: at the end, or before or after another."""
    if words is not None and (side or other):
        beside = _headed_by(sitting, words)
        if isinstance(beside, Refusal):
            return beside
        b = beside[0].cell(0, beside[2][0])
        target, side, words = Places((block_range(sitting.document, b),)), side or 1, None
    table = _here(sitting) if target is None else _table_of(sitting, target)
    if isinstance(table, Refusal):
        return table
    rows = rows_of(sitting.document.blocks, table)
    row, column = _cell(sitting, table)
    if target is not None:
        cell = sitting.document.blocks[target.first.start.block].cell
        assert cell is not None
        row, column = cell.row, cell.column
    size = table.rows if grid is Unit.ROW else table.columns
    index = row if grid is Unit.ROW else column
    at = size if side == 0 else index + (1 if side > 0 else 0)
    if ended:
        at = size if ended > 0 else 0
    if grid is Unit.ROW:
        if at == 0 and has_header(rows) and ended:
            at = 1
        if number < 1 or (table.rows + number) * table.columns > MOST_CELLS:
            return Refusal("That would be too many rows.")
        for _ in range(number):
            rows.insert(at, [empty_cell(block) for block in rows[-1]])
        after = rebuilt(sitting, table, rows, at=(at, 0))
        return Done(replace(after, wrote=after.caret), f"{many(number, 'row')} added")
    if number < 1 or table.columns + number > 20:
        return Refusal("A table has at most twenty columns.")
    parts = shares_of(rows[0])
    name = " ".join(words).capitalize() if words else ""
    for _ in range(number):
        for r, held in enumerate(rows):
            held.insert(at, replace(empty_cell(), text=name if r == 0 else ""))
        parts.insert(at, sum(parts) / len(parts))
    go = (1 if name and table.rows > 1 else 0, at)
    after = rebuilt(sitting, table, rows, shares=parts, at=go)
    return Done(replace(after, wrote=after.caret), f"{many(number, 'column')} added")


def _grid_places(sitting: Sitting, target: Places) -> tuple[Table, Unit, list[int]] | Refusal:
    """Which rows or columns of which table a target is."""
    table = _table_of(sitting, target)
    if isinstance(table, Refusal):
        return table
    cells = [
        cell
        for r in target.ranges
        for b in range(r.start.block, r.end.block + 1)
        if (cell := sitting.document.blocks[b].cell)
    ]
    if target.unit is Unit.COLUMN:
        return table, Unit.COLUMN, sorted({cell.column for cell in cells})
    return table, Unit.ROW, sorted({cell.row for cell in cells})


@command(
    "(we | i) (do not | don't) (need | want) {target:grid_part} [any more]",
    "{target:grid_part} (can | could | must | should | has to) (go | come out)",
    "(<remove> | drop | lose | scrap | bin | kill | throw out) {target:grid_part}",
    "(take | cut) {target:grid_part} (out | away)",
    "(<remove> | take) {target:grid_part} (from | out of | off) the table",
    heard=0,
    example="delete row two",
    group="format",
    when=_there_is,
    destructive=True,
)
def remove(sitting: Sitting, target: Places) -> Done | Refusal:
    """Take rows or columns out of a table, with what they say."""
    found = _grid_places(sitting, target)
    if isinstance(found, Refusal):
        return found
    table, unit, numbers = found
    rows = rows_of(sitting.document.blocks, table)
    gone = set(numbers)
    size = table.rows if unit is Unit.ROW else table.columns
    if len(gone) == size:
        return _whole_out(sitting, table)
    if unit is Unit.ROW:
        kept = [row for r, row in enumerate(rows) if r not in gone]
        after = rebuilt(sitting, table, kept, header=has_header(rows) and 0 not in gone)
    else:
        kept = [[block for c, block in enumerate(row) if c not in gone] for row in rows]
        parts = [s for c, s in enumerate(shares_of(rows[0])) if c not in gone]
        after = rebuilt(sitting, table, kept, shares=parts)
    what = many(len(gone), unit.value)
    return Done(after.about(()), f"{what} taken out")


@command(
    "(empty | clear | wipe | blank) [out] {target:grid_part}",
    heard=0,
    example="empty row two",
    group="format",
    when=_there_is,
    destructive=True,
)
def empty(sitting: Sitting, target: Places) -> Done | Refusal:
    """Take the words out of rows or columns; the cells stay."""
    found = _grid_places(sitting, target)
    if isinstance(found, Refusal):
        return found
    after = taken_out(sitting, target.ranges)
    return Done(after.about(()), f"{many(len(found[2]), found[1].value)} emptied")


def _whole_out(sitting: Sitting, table: Table) -> Done:
    document = sitting.document
    count = table.last - table.first + 1
    if count == len(document.blocks):
        edit = Edit((DropBlocks(0, count), AddBlocks(0, (Block(),))))
    else:
        edit = Edit((DropBlocks(table.first, count),))
    after = sitting.edited(edit).about(())
    b = min(table.first, len(after.document.blocks) - 1)
    return Done(after.placed(Position(b, 0)), "the table is taken out")


@command(
    "(<remove> | <discard>) (the | this | that) [whole] table",
    "(<remove> | <discard>) the {position} table",
    heard=1,
    example="delete the table",
    group="format",
    when=_there_is,
    destructive=True,
)
def remove_table(sitting: Sitting, position: int | None = None) -> Done | Refusal:
    """Take the whole table out; “undo that” brings it back."""
    if position is not None:
        every = tables(sitting.document.blocks)
        if not 1 <= position <= len(every):
            return Refusal(
                f"There {'is' if len(every) == 1 else 'are'} {many(len(every), 'table')}."
            )
        return _whole_out(sitting, every[position - 1])
    table = _here(sitting)
    return table if isinstance(table, Refusal) else _whole_out(sitting, table)


CATALOGUE.table(
    "steps",
    {
        "(up | left | to the left | forward | one up | one to the left)": -1,
        "(down | right | to the right | back | one down | one to the right)": 1,
        "to the (top | start | front | left end | very top)": -9_999,
        "to the (bottom | end | right end | very end)": 9_999,
    },
)


@command(
    "<shift> {target:grid_part} {steps}",
    Way("<shift> [the] {words} {steps}", when=_heads_a_column),
    "<shift> {target:grid_part} {side} {goal:grid_part}",
    heard=0,
    example="move row two up",
    group="format",
    when=_there_is,
    moves=True,
)
def move(
    sitting: Sitting,
    target: Places | None = None,
    steps: int = 0,
    side: int = 0,
    goal: Places | None = None,
    words: tuple[str, ...] = (),
) -> Done | Refusal:
    """Move a row or a column to another place in its table."""
    found = _grid_places(sitting, target) if target is not None else _headed_by(sitting, words)
    if isinstance(found, Refusal):
        return found
    table, unit, numbers = found
    rows = rows_of(sitting.document.blocks, table)
    heads = has_header(rows)
    first = 1 if unit is Unit.ROW and heads and 0 not in numbers else 0
    size = table.rows if unit is Unit.ROW else table.columns
    order = [n for n in range(size) if n not in numbers]
    if goal is not None:
        there = _grid_places(sitting, goal)
        if isinstance(there, Refusal):
            return there
        if there[0] != table or there[1] is not unit or there[2][0] in numbers:
            return Refusal("Rows go beside rows, and columns beside columns.")
        at = order.index(there[2][0] if side < 0 else there[2][-1]) + (1 if side > 0 else 0)
    else:
        at = min(max(first, numbers[0] + steps), len(order))
    order[at:at] = numbers
    if order == list(range(size)):
        return Refusal("It stands there already.")
    if unit is Unit.ROW:
        after = rebuilt(sitting, table, [rows[n] for n in order])
    else:
        parts = shares_of(rows[0])
        after = rebuilt(
            sitting, table, [[row[n] for n in order] for row in rows],
            shares=[parts[n] for n in order],
        )  # fmt: skip
    return Done(after.about(()), f"{many(len(numbers), unit.value)} moved")


@command(
    "(duplicate | double | repeat) {target:grid_part}",
    "make (a copy | another copy) of {target:grid_part}",
    "copy {target:grid_part} (below | beside | next to) it",
    heard=0,
    example="duplicate row two",
    group="format",
    when=_there_is,
)
def duplicate(sitting: Sitting, target: Places) -> Done | Refusal:
    """Put a copy of a row or column right behind it."""
    found = _grid_places(sitting, target)
    if isinstance(found, Refusal):
        return found
    table, unit, numbers = found
    rows = rows_of(sitting.document.blocks, table)
    behind = numbers[-1] + 1
    if unit is Unit.ROW:
        copies = [[replace(block, points=()) for block in rows[n]] for n in numbers]
        rows[behind:behind] = copies
        after = rebuilt(sitting, table, rows)
    else:
        parts = shares_of(rows[0])
        for row in rows:
            row[behind:behind] = [replace(row[n], points=()) for n in numbers]
        parts[behind:behind] = [parts[n] for n in numbers]
        after = rebuilt(sitting, table, rows, shares=parts)
    return Done(after.about(()), f"{many(len(numbers), unit.value)} copied")


@command(
    "(make | use | take) the (first | top) row [as | into] [(a | the)] (heading | header)"
    " [(row | one)]",
    "(give the table | add | turn on | with) [a | the] (heading | header) row",
    "(heading | header) row on",
    "the (first | top) row is (a | the) (heading | header) [row]",
    heard=1,
    example="make the first row a heading row",
    group="format",
    when=_there_is,
)
def heading_row(sitting: Sitting) -> Done | Refusal:
    """Let the table's first row stand for headings."""
    return _headed(sitting, True)


@command(
    "(no | without | turn off | <remove> | take off) [a | the] (heading | header) row",
    "(heading | header) row off",
    "make the (first | top) row (normal | ordinary | like the others | an ordinary row)",
    "the (first | top) row is no (heading | header) [row]",
    heard=1,
    example="no heading row",
    group="format",
    when=_there_is,
)
def no_heading_row(sitting: Sitting) -> Done | Refusal:
    """Let the table's first row be one like the others."""
    return _headed(sitting, False)


def _headed(sitting: Sitting, header: bool) -> Done | Refusal:
    table = _here(sitting)
    if isinstance(table, Refusal):
        return table
    steps = []
    for c in range(table.columns):
        form = sitting.document.blocks[table.cell(0, c)].format
        assert form.cell is not None
        new = form._replace(cell=form.cell._replace(header=header))
        steps.append(Reformat(table.cell(0, c), new))
    said = "the first row is a heading row" if header else "the first row is one like the others"
    return Done(sitting.edited(Edit(tuple(steps))), said)


CATALOGUE.table(
    "falling",
    {
        "(backwards | descending | in reverse | the other way [round] | from high to low"
        " | largest first | newest first | last first | downwards | from z to a)": True,
        "(ascending | upwards | from low to high | smallest first | from a to z)": False,
    },
)


def _a_column(sitting: Sitting, parse: Parse) -> bool:
    return _there_is(sitting, parse)


@command(
    "(sort | order | arrange) [(the | this)] (table | rows | it) (by | on) [the] {words} [column]"
    " [{falling}]",
    "(sort | order | arrange) [(the | this)] (table | rows | it) (by | on) column {number}"
    " [{falling}]",
    "(sort | order | arrange) [(the | this)] (table | rows | it) (by | on) the {position} column"
    " [{falling}]",
    "(put | set) (the | this) (table | rows) in [the] order (of | by) [the] {words} [column]"
    " [{falling}]",
    "(sort | order | arrange) by [the] {words} [column] [{falling}]",
    "(sort | order | arrange) by column {number} [{falling}]",
    "(sort | order | arrange) by the {position} column [{falling}]",
    "(sort | order | arrange) the {words} column [{falling}]",
    "sort (the | this) table [{falling}]",
    heard=1,
    example="sort the table by the first column",
    group="format",
    when=_a_column,
)
def sort(
    sitting: Sitting,
    words: tuple[str, ...] | None = None,
    number: int | None = None,
    position: int | None = None,
    falling: bool = False,
) -> Done | Refusal:
    """Sort the rows of a table by a column: numbers, dates and words each in their order."""
    table = _here(sitting)
    if isinstance(table, Refusal):
        return table
    if words is not None:
        kept = words[:-1] if len(words) > 1 and words[-1] == "column" else words
        column = _column(sitting, table, kept)
    else:
        column = (number or position or 1) - 1
    if column is None or not 0 <= column < table.columns:
        return Refusal("There is no such column.", "", "Say its heading, or its number.")
    rows = rows_of(sitting.document.blocks, table)
    first = 1 if has_header(rows) else 0
    body = rows[first:]
    keys = sort_key([row[column].text for row in body])
    full = [i for i in range(len(body)) if keys[i][0] == 0]
    empty = [i for i in range(len(body)) if keys[i][0]]
    full.sort(key=lambda i: keys[i][1], reverse=falling)
    ordered = [body[i] for i in (*full, *empty)]
    after = rebuilt(sitting, table, rows[:first] + ordered)
    head = sitting.document.blocks[table.cell(0, column)].text or f"column {column + 1}"
    return Done(after.about(()), f"sorted by {quoted(head)}{', backwards' if falling else ''}")


CATALOGUE.table(
    "wide",
    {
        "(wider | broader | a little wider | bigger)": 1.4,
        "(narrower | thinner | smaller | a little narrower)": 1 / 1.4,
        "(twice | double) (as wide | the width)": 2.0,
        "(much wider | far wider)": 2.0,
        "half (as wide | the width)": 0.5,
        "much narrower": 0.5,
    },
)


CATALOGUE.table("widen", {"(widen | broaden)": 1.4, "narrow": 1 / 1.4})
CATALOGUE.table(
    "more_room", {"more (room | space | width)": 1.4, "less (room | space | width)": 1 / 1.4}
)


def _one_column(sitting: Sitting, parse: Parse) -> bool:
    target = parse.args.get("target")
    return isinstance(target, Units | Tabled) and target.unit is Unit.COLUMN


@command(
    Way("(make | set | get) {target} {wide}", when=_one_column),
    Way("{target} {wide}", when=_one_column),
    "{wide:widen} {target:grid_part}",
    Way("give {target} {wide:more_room}", when=_one_column),
    heard=0,
    example="make the first column wider",
    group="format",
    when=_there_is,
)
def width(sitting: Sitting, target: Places, wide: float) -> Done | Refusal:
    """Make a column wider or narrower; the others share what is left."""
    found = _grid_places(sitting, target)
    if isinstance(found, Refusal):
        return found
    table, _, numbers = found
    rows = rows_of(sitting.document.blocks, table)
    parts = shares_of(rows[0])
    if len(numbers) == len(parts):
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
        for c, share in enumerate(parts):
            form = sitting.document.blocks[table.cell(r, c)].format
            assert form.cell is not None
            steps.append(Reformat(table.cell(r, c), form._replace(
                cell=form.cell._replace(share=share))))  # fmt: skip
    return tuple(steps)


@command(
    "(make | set) [all] the columns (equal | equally wide | the same width | even)",
    "(equal | even) columns",
    heard=1,
    example="make the columns equally wide",
    group="format",
    when=_there_is,
)
def even(sitting: Sitting) -> Done | Refusal:
    """Give all columns the same width."""
    table = _here(sitting)
    if isinstance(table, Refusal):
        return table
    steps = _shared(sitting, table, [1 / table.columns] * table.columns)
    return Done(sitting.edited(Edit(steps)), "all columns are equally wide")


def _summed(sitting: Sitting, target: Places) -> tuple[Table, int, str] | Refusal:
    found = _grid_places(sitting, target)
    if isinstance(found, Refusal):
        return found
    table, unit, numbers = found
    if unit is not Unit.COLUMN or len(numbers) != 1:
        return Refusal("A total is of one column.", "", "Say which: “the total of column two”.")
    rows = rows_of(sitting.document.blocks, table)
    body = rows[1:] if has_header(rows) else rows
    texts = [r[numbers[0]].text for r in body if r[0].text.strip().lower() != "total"]
    total = total_text(texts)
    if total is None:
        return Refusal("There are no numbers in that column.")
    return table, numbers[0], total


@command(
    "what is the (total | sum) of {target}",
    "(what does {target} come to | what does {target} add up to | how much is {target})",
    "tell me the (total | sum) of {target}",
    "how much is {target} (altogether | in all | in total | together)",
    heard=0,
    example="what is the total of column two",
    group="format",
    when=_there_is,
)
def tell_total(sitting: Sitting, target: Places) -> Done | Refusal:
    """Tell the sum of the numbers in a column."""
    found = _summed(sitting, target)
    return found if isinstance(found, Refusal) else Done(sitting, f"together {found[2]}")


@command(
    Way(
        "(total [up] | add up | sum [up] | add the numbers (in | under | of)) {target}",
        when=_one_column,
    ),
    Way("(total [up] | add up | add the numbers under) [the] {words}", when=_heads_a_column),
    "(put | add | write | insert) (the | a) (total | sum) of {target} [(below | under it | at the"
    " bottom | in the last row | at the end)]",
    "(put | add | write | insert) (the | a) (total | sum) (under | below | for | in) {target}",
    heard=0,
    example="put the total under column two",
    group="format",
    when=_there_is,
)
def write_total(
    sitting: Sitting, target: Places | None = None, words: tuple[str, ...] = ()
) -> Done | Refusal:
    """Write the sum of a column into its last row, or into a row of its own below."""
    if target is None:
        headed = _headed_by(sitting, words)
        if isinstance(headed, Refusal):
            return headed
        cells = headed[0].column(sitting.document.blocks, headed[2][0])
        target = Places(cells, unit=Unit.COLUMN)
    found = _summed(sitting, target)
    if isinstance(found, Refusal):
        return found
    table, column, total = found
    rows = rows_of(sitting.document.blocks, table)
    last = rows[-1]
    free = not last[column].text.strip() or last[0].text.strip().lower() == "total"
    if not free:
        rows.append([empty_cell(block) for block in last])
    row = len(rows) - 1
    rows[row][column] = replace(rows[row][column], text=total, spans=())
    if column and not rows[row][0].text.strip():
        rows[row][0] = replace(rows[row][0], text="Total")
    after = rebuilt(sitting, table, rows)
    return Done(after.about(()), f"the total is {total}")


def _of_blocks(sitting: Sitting, parse: Parse) -> bool:
    target = parse.args.get("target")
    return not isinstance(target, Units) or target.unit is not Unit.TABLE


@command(
    "(make | turn | change | convert | put) {target} (into | in | to) a table",
    "(make | build) a table (of | from | out of) {target}",
    "make {target} a table",
    heard=0,
    example="turn the list into a table",
    group="format",
    when=_of_blocks,
)
def from_text(sitting: Sitting, target: Places) -> Done | Refusal:
    """Make a table of lines, items or paragraphs; commas, colons or tabs part their cells."""
    first, last = target.first.start.block, target.ranges[-1].end.block
    blocks = sitting.document.blocks[first : last + 1]
    if any(block.cell for block in blocks):
        return Refusal("That is a table already.")
    lines = [piece for block in blocks for piece in _lines(block) if piece.text.strip()]
    if not lines:
        return Refusal("There are no words for a table.")
    sign = next((s for s in ("\t", ";", ":", ",") if all(s in p.text for p in lines)), None)
    rows = [_cells(piece, sign) for piece in lines]
    wide = max(len(row) for row in rows)
    cells: Rows = [
        [replace(empty_cell(), text=p.text, spans=p.spans) for p in row]
        + [empty_cell() for _ in range(wide - len(row))]
        for row in rows
    ]
    number = next_table(sitting.document.blocks)
    made = blocks_of(cells, number, False, [1.0] * wide)
    tail = () if last + 1 < len(sitting.document.blocks) else (Block(),)
    edit = Edit(
        (AddBlocks(first, (*made, *tail)), DropBlocks(first + len(made) + len(tail), len(blocks)))
    )
    after = sitting.edited(edit).about(())
    after = after.placed(Position(first + len(made) - 1, len(made[-1].text)))
    return Done(after, f"a table of {many(len(cells), 'row')} and {many(wide, 'column')}")


def _lines(block: Block) -> list[Piece]:
    found, at = [], 0
    for line in block.text.split("\n"):
        found.append(block.piece(at, at + len(line)))
        at += len(line) + 1
    return found


def _cells(piece: Piece, sign: str | None) -> list[Piece]:
    block = Block(piece.text, piece.spans)
    if sign is None:
        return [piece]
    found, at = [], 0
    for part in piece.text.split(sign):
        lead = len(part) - len(part.lstrip())
        found.append(block.piece(at + lead, at + len(part.rstrip())))
        at += len(part) + len(sign)
    return found


CATALOGUE.table("listed", {"(text | plain text | paragraphs | lines)": "", "a list": "item"})


@command(
    "(make | turn | change | convert | put) (the | this) table (into | in | to) {listed}",
    "take the table apart",
    heard=1,
    example="turn the table into text",
    group="format",
    when=_there_is,
)
def to_text(sitting: Sitting, listed: str = "") -> Done | Refusal:
    """Make paragraphs, or a list, of a table: one a row, its cells parted by commas."""
    table = _here(sitting)
    if isinstance(table, Refusal):
        return table
    rows = rows_of(sitting.document.blocks, table)
    form = Format(Kind.ITEM, 1, Bullets.BULLETED) if listed else Format()
    made = []
    for row in rows:
        piece = Piece()
        for block in row:
            if not block.text.strip():
                continue
            if piece.text:
                piece = piece.joined(Piece(", "))
            piece = piece.joined(Piece(block.text.replace("\n", " "), block.spans))
        made.append(Block(piece.text, piece.spans).formatted(form))
    count = table.last - table.first + 1
    edit = Edit((AddBlocks(table.first, tuple(made)), DropBlocks(table.first + len(made), count)))
    after = sitting.edited(edit).about(())
    b = table.first + len(made) - 1
    return Done(after.placed(Position(b, len(made[-1].text))), f"{many(len(made), 'row')} as text")


@command(
    "(put | write | type | set) {text:words} (in | into) [the cell] row {rows:number} [and] column"
    " {columns:number}",
    Way("row {rows:number} column {columns:number} (is | says | should say) {text:words}",
        when=_in_table),
    heard=1,
    example="put noon in row two column three",
    group="format",
    when=_there_is,
)  # fmt: skip
def put(sitting: Sitting, text: tuple[str, ...], rows: int, columns: int) -> Done | Refusal:
    """Write words into a cell, in the place of what it says."""
    table = _here(sitting)
    if isinstance(table, Refusal):
        return table
    if not (1 <= rows <= table.rows and 1 <= columns <= table.columns):
        return Refusal("There is no such cell.")
    b = table.cell(rows - 1, columns - 1)
    size = len(sitting.document.blocks[b].text)
    r = Range(Position(b, 0), Position(b, size))
    there = replace(sitting, selection=r if size else None, fresh=bool(size), caret=r.start)
    wrote = compose(there, text)
    after = replace(wrote.sitting, caret=sitting.caret if sitting.caret.block != b else
                    wrote.range.end)  # fmt: skip
    return Done(after, f"row {rows}, column {columns}: {quoted(wrote.text)}")
