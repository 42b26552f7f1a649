"""Rows and columns of a table: added, moved, sorted, summed, made wider, taken out."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.commands.table_here import (
    cell_here,
    column_named,
    headed_by,
    heads_a_column,
    here,
    of_table,
    table_of,
    there_is,
    whole_out,
)
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.composing.removing import remove as taken_out
from nimble_lantern.core.composing.tabling import (
    MOST_CELLS,
    empty_cell,
    has_header,
    rebuilt,
    rows_of,
    shares_of,
    sort_key,
    total_text,
)
from nimble_lantern.core.document.edits import Edit, Reformat
from nimble_lantern.core.document.tables import Table
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, Tabled, Unit, Units
from nimble_lantern.core.targets.tabled import row_of

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
        return there_is(sitting, parse)
    return isinstance(target, Units | Tabled) and target.unit in (Unit.ROW, Unit.COLUMN, Unit.CELL)


CATALOGUE.table(
    "new_row",
    {
        "(add | insert | put [in] | <wish> | make room for) [(a | an | another | one | one more)]"
        " [(new | empty | blank | extra)] (row | line)": True,
        "make room for one more [row]": True,
    },
)


def _heads_a_row(sitting: Sitting, parse: Parse) -> bool:
    """ "A row after nell", where a row begins with that name."""
    return _row_named(sitting, parse.args.get("words", ())) is not None


def _row_named(sitting: Sitting, words: tuple[str, ...]) -> tuple[Table, int] | None:
    table = here(sitting)
    if isinstance(table, Refusal) or not words:
        return None
    bare = (*words[:-1], words[-1].removesuffix("'s"))
    found = row_of(sitting.document.blocks, table, bare)
    return (table, found) if found is not None else None


@command(
    Way("<new_row> {side} [the] {words} [row]", when=_heads_a_row),
    Way("<new_row> between [the] {words} and [the] {other:words}", when=_heads_a_row),
    heard=0,
    example="add a row below nell",
    group="format",
    when=there_is,
)
def add_row(
    sitting: Sitting, words: tuple[str, ...], side: int = 1, other: tuple[str, ...] = ()
) -> Done | Refusal:
    """Add a row before or after the one that is called by its first cell."""
    found = _row_named(sitting, words)
    if found is None:
        return Refusal(f"No row begins with “{' '.join(words)}”.")
    table, row = found
    beside = Places((block_range(sitting.document, table.cell(row, 0)),))
    return add(sitting, grid=Unit.ROW, side=side, target=beside)


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
        when=heads_a_column,
    ),
    Way(
        "(add | insert | put [in]) [(a | another)] [new] column between [the] {words} and"
        " [the] {other:words}",
        when=heads_a_column,
    ),
    "(add | insert | put in) (a | another) [new] column (called | named | for | headed) {words}",
    heard=2,
    example="add a row",
    group="format",
    when=there_is,
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
        beside = headed_by(sitting, words)
        if isinstance(beside, Refusal):
            return beside
        b = beside[0].cell(0, beside[2][0])
        target, side, words = Places((block_range(sitting.document, b),)), side or 1, None
    table = here(sitting) if target is None else table_of(sitting, target)
    if isinstance(table, Refusal):
        return table
    rows = rows_of(sitting.document.blocks, table)
    row, column = cell_here(sitting, table)
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
    table = table_of(sitting, target)
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
    "(take | cut | throw | wipe) {target:grid_part} (out | away)",
    "no [more] {target:grid_part}",
    "{target:grid_part} (out | away | goes | is not needed [any more])",
    "(<remove> | take) {target:grid_part} (from | out of | off) the table",
    heard=0,
    example="delete row two",
    group="format",
    when=there_is,
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
        return whole_out(sitting, table)
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
    when=there_is,
    destructive=True,
)
def empty(sitting: Sitting, target: Places) -> Done | Refusal:
    """Take the words out of rows or columns; the cells stay."""
    found = _grid_places(sitting, target)
    if isinstance(found, Refusal):
        return found
    after = taken_out(sitting, target.ranges)
    return Done(after.about(()), f"{many(len(found[2]), found[1].value)} emptied")


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
    Way("<shift> [the] {words} {steps}", when=heads_a_column),
    "<shift> {target:grid_part} {side} {goal:grid_part}",
    heard=0,
    example="move row two up",
    group="format",
    when=there_is,
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
    found = _grid_places(sitting, target) if target is not None else headed_by(sitting, words)
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
    when=there_is,
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
    when=there_is,
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
    when=there_is,
)
def no_heading_row(sitting: Sitting) -> Done | Refusal:
    """Let the table's first row be one like the others."""
    return _headed(sitting, False)


def _headed(sitting: Sitting, header: bool) -> Done | Refusal:
    table = here(sitting)
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


@command(
    "(sort | order | arrange) [(the | this)] (table | rows | it) (by | on) [the] {words}"
    " [(column | numbers | figures)] [{falling}]",
    "(sort | order | arrange) [(the | this)] (table | rows | it) (by | on) column {number}"
    " [{falling}]",
    "(sort | order | arrange) [(the | this)] (table | rows | it) (by | on) the {position} column"
    " [{falling}]",
    "(put | set) (the | this) (table | rows) in [the] order (of | by) [the] {words}"
    " [(column | numbers | figures)] [{falling}]",
    "(sort | order | arrange) by [the] {words} [(column | numbers | figures)] [{falling}]",
    "(sort | order | arrange) by column {number} [{falling}]",
    "(sort | order | arrange) by the {position} column [{falling}]",
    "(sort | order | arrange) the {words} column [{falling}]",
    "sort (the | this) table [{falling}]",
    Way("(smallest | lowest | least) {words} [(number | figure)] first", when=heads_a_column),
    heard=1,
    example="sort the table by the first column",
    group="format",
    when=there_is,
)
@of_table
def sort(
    sitting: Sitting,
    table: Table,
    words: tuple[str, ...] | None = None,
    number: int | None = None,
    position: int | None = None,
    falling: bool = False,
) -> Done | Refusal:
    """Sort the rows of a table by a column: numbers, dates and words each in their order."""
    if words is not None:
        kept = words[:-1] if len(words) > 1 and words[-1] == "column" else words
        column = column_named(sitting, table, kept)
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
    when=there_is,
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
    when=there_is,
)
@of_table
def even(sitting: Sitting, table: Table) -> Done | Refusal:
    """Give all columns the same width."""
    steps = _shared(sitting, table, [1 / table.columns] * table.columns)
    return Done(sitting.edited(Edit(steps)), "all columns are equally wide")


def _column(sitting: Sitting, target: Places | None, words: tuple[str, ...]) -> Places | Refusal:
    """A column as it was named, else the one that these words head."""
    if target is not None:
        return target
    headed = headed_by(sitting, words)
    if isinstance(headed, Refusal):
        return headed
    return Places(headed[0].column(sitting.document.blocks, headed[2][0]), unit=Unit.COLUMN)


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
    Way(
        "(what is | tell me | give me) the (total | sum) (of | for | under | in) {target}",
        when=_one_column,
    ),
    Way(
        "(what is | tell me | give me) the (total | sum) (of | for | under | in) [the] {words}",
        when=heads_a_column,
    ),
    Way("what does {target} (come to | add up to)", when=_one_column),
    Way("how much is {target} [(altogether | in all | in total | together)]", when=_one_column),
    heard=0,
    example="what is the total of column two",
    group="format",
    when=there_is,
)
def tell_total(
    sitting: Sitting, target: Places | None = None, words: tuple[str, ...] = ()
) -> Done | Refusal:
    """Tell the sum of the numbers in a column."""
    column = _column(sitting, target, words)
    found = column if isinstance(column, Refusal) else _summed(sitting, column)
    return found if isinstance(found, Refusal) else Done(sitting, f"together {found[2]}")


@command(
    Way(
        "(total [up] | add up | sum [up] | add the numbers (in | under | of)) {target}",
        when=_one_column,
    ),
    Way("(total [up] | add up | add the numbers under) [the] {words}", when=heads_a_column),
    Way(
        "(put | add | write | insert) (the | a) (total | sum) of {target} [(below | under it"
        " | at the bottom | in the last row | at the end)]",
        when=_one_column,
    ),
    Way(
        "(put | add | write | insert) (the | a) (total | sum) (under | below | for | in) {target}",
        when=_one_column,
    ),
    heard=0,
    example="put the total under column two",
    group="format",
    when=there_is,
)
def write_total(
    sitting: Sitting, target: Places | None = None, words: tuple[str, ...] = ()
) -> Done | Refusal:
    """Write the sum of a column into its last row, or into a row of its own below."""
    of = _column(sitting, target, words)
    if isinstance(of, Refusal):
        return of
    found = _summed(sitting, of)
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
