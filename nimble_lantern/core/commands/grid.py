"""Rows and columns of a table: added, moved, sorted, summed, made wider, taken out."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.sorted_here import (
    by_price,
    in_its_table,
    priced,
    priced_rows,
    sortable,
    sorted_by,
)
from nimble_lantern.core.commands.table_here import (
    Part,
    cell_here,
    column_named,
    headed_by,
    heads_a_column,
    heads_a_row,
    heads_row,
    here,
    moved_by,
    of_part,
    of_table,
    part_of,
    part_out,
    reordered,
    table_of,
    there_is,
    two_headings,
    two_rows,
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
from nimble_lantern.core.document.tables import Table, settled_shares
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command, each
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, Tabled, Unit, Words, unit_named


def _of_grid(sitting: Sitting, parse: Parse) -> bool:
    target = parse.args.get("target")
    if target is None:
        return there_is(sitting, parse)
    return unit_named(target) in (Unit.ROW, Unit.COLUMN, Unit.CELL)


def _heads_the_first(sitting: Sitting, parse: Parse) -> bool:
    """ "Add another bus", where the first column says "bus": a row is one of those."""
    kind = tuple(parse.args.get("kind", ()))
    table = here(sitting)
    return not isinstance(table, Refusal) and column_named(sitting, table, kind) == 0


def _one_more(sitting: Sitting, parse: Parse) -> bool:
    """ "A fourth column", where there are three."""
    table = here(sitting)
    if isinstance(table, Refusal):
        return False
    size = table.rows if parse.args.get("grid") is Unit.ROW else table.columns
    return bool(parse.args.get("position") == size + 1)


@command(
    "(<adding> | make) [(a | another | one more)] [new] {grid} [{ended}]",
    "[(a | one | another)] {grid} {ended}",
    "<add_one> {grid} (here | just here | [over] there)",
    "<wish> {number} [(more | extra | new | empty | further)] {grid} [{ended}]",
    "{number} (more | extra | further) {grid} [{ended}]",
    Way(
        "[(<wish> | <adding>)] {number} [(more | extra | new | empty | further)] {grid} {side}"
        " {target}",
        when=_of_grid,
    ),
    *each(
        heads_a_row,
        "(<wish> | <adding>) {number} [(more | extra | new | empty | further)] {grid:a_row} {side}"
        " [the] {words} [row]",
        "{number} (more | extra | further) {grid:a_row} {side} [the] {words} [row]",
    ),
    "[(<wish> | <begin> | <put>)] (another | one more | a new | a further | an extra) {grid}"
    " [{ended}]",
    "<wish> a {grid} [{ended}]",
    Way("(<adding> | <wish> | make) a {position} {grid}", when=_one_more),
    "<the_table> (needs | wants | could do with | <shall> have) (a | another | one more | an extra)"
    " {grid} [{ended}]",
    "(extend | lengthen | widen) <the_table> by (a | one | another) {grid} [{ended}]",
    "<adding> (a | another) [new] {words} column",
    Way("<adding> another {kind:words}", when=_heads_the_first),
    "<add_one> {grid} [{ended}]",
    "{ended} <one_more> {grid}",
    "there <shall> be (a | an | another | one more) [(new | empty | blank)] {grid} [{ended}]",
    Way("there <shall> be (a | another) [new] {grid} {side} {target}", when=_of_grid),
    Way(
        "there <shall> be (a | another) [new] {grid:a_row} {side} [the] {words} [row]",
        when=heads_a_row,
    ),
    Way("there <shall> be (a | another) [new] column {side} [the] {words}", when=heads_a_column),
    "there <shall> be (a | another) [new] column (called | named | headed) {words}",
    "<add_one> {grid:row_or_line} (at | on | to | onto) the [very] (end | bottom | foot) [of"
    " <the_table>]",
    "<adding> {number} [more] {grid} [{ended}]",
    Way("<add_one> {grid} {side} {target}", when=_of_grid),
    "<add_one> {grid} {side} [(this | it) [one]]",
    "<adding> (a | another) [new] {grid} {side} the {ended:outermost} [(one | row | column)]",
    Way(
        "<add_one> column {side} [the] {words}",
        when=heads_a_column,
    ),
    Way(
        "<add_one> column [in] between [the] {words} and [the] {other:words}",
        when=heads_a_column,
    ),
    "<add_one> column (called | named | headed) {words}",
    "<add_one> column for {words:name_given}",
    "<add_one> column (called | named | for | headed | with (a | the) heading) {words} [(at the"
    " top | as (a | its | the) heading)]",
    "<add_one> {words} column (as well | too | in | (to | in) the table)",
    "(new | another | one more | an extra | add | add a | insert | insert a) column"
    " {words:name_given}",
    "(make | create | <add_one>) [(a | another)] [new] column [(more | extra)] (and call it |"
    " called"
    " | named | headed | with [(the | a)] heading | with the name) {words}",
    "(a | another | one | new) column [(more | extra)] (called | named | headed | with [(the | a)]"
    " heading) {words}",
    "(a | another | one | new) column [(more | extra)] for {words:name_given}",
    "column (called | named | headed | for) {words:name_given}",
    "(a | another | new) {words} column",
    "<the_table> [also] (needs | wants | could do with | <shall> have) (a | another) {words}"
    " column",
    "give (<the_table> | it) (a | another) {words} column",
    "<adding> (a | another) [new] {words} column (at | on | to) the (end | right | side)",
    "(add | put in) {words} as a [new] column",
    "(give | let) <the_table> [have] (a | another | one more | an extra) {grid} [{ended}]",
    Way("<one_more> {grid:a_row} {side} [the] {words} [row]", when=heads_a_row),
    "<one_more> {grid:row_or_line} (to | in | on) <the_table>",
    Way(
        "<adding> (a | another) [new] {grid:row_or_line} (to | in) (the | this) table"
        " {side} [the] {words} [row]",
        when=heads_a_row,
    ),
    Way(
        "<one_more> {grid:a_row} [in] between [the] {words} and [the] {other:words}",
        when=heads_a_row,
    ),
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
    position: int = 0,
    kind: tuple[str, ...] = (),
) -> Done | Refusal:
    """Add a row or column: at the end, or before or after another."""
    grid = Unit.ROW if kind else grid
    if words is not None and (side or other):
        beside = _beside(sitting, grid, words, other)
        if isinstance(beside, Refusal):
            return beside
        target, side, words = beside, side or 1, None
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


def _beside(
    sitting: Sitting, grid: Unit, words: tuple[str, ...], other: tuple[str, ...]
) -> Places | Refusal:
    """The row or column of a name; of two side by side the first, whichever was named first."""
    found = headed_by(sitting, words, grid)
    if isinstance(found, Refusal):
        return found
    [n] = found.numbers
    if other:
        second = headed_by(sitting, other, grid)
        if isinstance(second, Refusal):
            return second
        [m] = second.numbers
        if abs(n - m) != 1:
            return Refusal("They do not stand side by side.", "", "Say one: “after ...”.")
        n = min(n, m)
    b = found.table.cell(n, 0) if grid is Unit.ROW else found.table.cell(0, n)
    return Places((block_range(sitting.document, b),))


@command(
    "(we | i) (do not | don't) (need | want) {target:grid_part} [<any_more>]",
    "{target:grid_part} (can | could | must | should | has to) (go | come out)",
    "(<remove> | drop | lose | scrap | bin | kill | throw out) {target:grid_part}",
    "(take | cut | throw | wipe) {target:grid_part} (out | away)",
    "no [more] {target:grid_part}",
    "(i'd | i would) rather not have {target:grid_part}",
    "{target:column_named} (can | could | should | may | must) (go | come) out of <the_table>",
    "{target:grid_part} (out | away | goes | is not needed [<any_more>])",
    "(<remove> | take) {target:grid_part} (from | out of | off) the table",
    "(<remove> | <discard> | take | cross | strike) {target:row_named} (from | out of | off) the"
    " table",
    "(<remove> | <discard> | take | cross | strike) {target:column_named} (from | out of | off) the"
    " table",
    "{target:row_named} (has left | has gone | is leaving | left) (<remove> | <discard>) (her | his"
    " | their | its | that) row",
    heard=0,
    example="delete row two",
    group="format",
    when=there_is,
    destructive=True,
)
@of_part
def remove(sitting: Sitting, target: Part) -> Done | Refusal:
    """Take rows or columns out of a table, with what they say."""
    return part_out(sitting, target)


def _words_alone(sitting: Sitting, parse: Parse) -> bool:
    return isinstance(parse.args.get("target"), Words)


def _below_a_heading(sitting: Sitting, parse: Parse) -> bool:
    target = parse.args.get("target")
    return isinstance(target, Tabled) and target.below


@command(
    "(empty | clear | wipe | blank) [out] {target:grid_part}",
    *frames.standing("{target:grid_part}", "<blank_out>"),
    "(empty | clear | wipe) {target:grid_part} (out | clean)",
    Way("(empty | clear | wipe | blank) [out] {target}", when=_below_a_heading),
    "(wipe | clear | remove | take | delete | throw) [out] (what is | what's | what (stands | it"
    " says) | everything | all [that is] | the words | the contents | the text) (in | from | out of"
    " | of | for) {target:grid_part} [(out | away)]",
    "[(i want | put | have | leave)] nothing in {target:grid_part}",
    "(empty | clear | wipe | blank) [out] {target:cell_part} [(out | clean)]",
    *frames.standing("{target:cell_part}", "<blank_out>"),
    "[(i want | put | have | leave)] nothing in {target:cell_part}",
    "(wipe | clear | remove | take | delete | throw) [out] (what is | what's | everything | the"
    " (words | contents | text)) (in | from | out of | of) {target:cell_part} [(out | away)]",
    Way("(take | get) {target} out of (its | the | that) cell", when=_words_alone),
    heard=0,
    example="empty row two",
    group="format",
    when=there_is,
    destructive=True,
)
def empty(sitting: Sitting, target: Places) -> Done | Refusal:
    """Take the words out of rows, columns or a cell; the cells stay."""
    if (table := table_of(sitting, target)) and isinstance(table, Refusal):
        return table
    after = taken_out(sitting, target.ranges)
    if target.unit not in (Unit.ROW, Unit.COLUMN):
        return Done(after.about(()), "the cell is empty")
    part = part_of(sitting, target)
    assert isinstance(part, Part)
    return Done(after.about(()), f"{many(len(part.numbers), part.unit.value)} emptied")


def _row_there(sitting: Sitting, parse: Parse) -> bool:
    target = parse.args.get("target")
    return isinstance(target, Tabled) and heads_row(sitting, target.words)


def _two_headings(sitting: Sitting, parse: Parse) -> bool:
    named = parse.args.get("name"), parse.args.get("words")
    return two_headings(sitting, *named) or two_rows(sitting, *named) is not None


@command(
    "<shift> {target:grid_part} {steps}",
    "[(<shift> | <set_down>)] {target:grid_part} {steps:ending}",
    Way("<shift> [the] {words} ({steps} | {steps:ending})", when=heads_a_column),
    "(<shift> | <set_down>) {target:grid_part} {side} {goal:grid_part}",
    Way(
        "(<shift> | <set_down> | have) [the] {name:words} {side} [the] {words} [column] [in the"
        " table]",
        when=_two_headings,
    ),
    "{target:grid_part} {side} {goal:grid_part}",
    "{target:grid_part} (goes | belongs | <shall> (come | go | be | stand)) {side}"
    " {goal:grid_part}",
    "(let | have) {target:grid_part} (come | go | be | stand) {side} {goal:grid_part}",
    "{target:grid_part} (goes | belongs | <shall> (come | go | be)) {steps:ending}",
    "{target:row_named} <shall> be {steps:first_row}",
    Way("(<shift> | <set_down> | push | bring) {target:row_named} {steps}", when=_row_there),
    "(push | bring) {target:grid_part} ({steps} | {steps:ending})",
    "(push | bring | get) {target:grid_part} {side} {goal:grid_part}",
    Way(
        "(push | bring | get) [the] {name:words} [(over | across)] {side} [the] {words} [column]",
        when=_two_headings,
    ),
    "{target:grid_part} {steps}",
    "(<shift> | <set_down>) {target:row_named} {steps:ending_of_table}",
    Way("[(<shift> | <set_down>)] {target:grid_part} {side} [the] {words}", when=heads_a_column),
    Way(
        "[the] {name:words} (goes | belongs | <shall> (come | go | be | stand)) {side} [the]"
        " {words} [column]",
        when=_two_headings,
    ),
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
    name: tuple[str, ...] = (),
) -> Done | Refusal:
    """Move a row or a column to another place in its table."""
    rows = two_rows(sitting, name, words) if name and words else None
    if rows is not None and not two_headings(sitting, name, words):
        return _moved_beside(sitting, rows[0], rows[1], side)
    found = part_of(sitting, target) if target is not None else headed_by(sitting, name or words)
    if isinstance(found, Refusal):
        return found
    table, unit, numbers = found.table, found.unit, found.numbers
    if goal is None and not (words and (name or target is not None)):
        return moved_by(sitting, found, steps)
    there = part_of(sitting, goal) if goal is not None else headed_by(sitting, words, unit)
    if isinstance(there, Refusal):
        return there
    if there.table != table or there.unit is not unit or there.numbers[0] in numbers:
        return Refusal("Rows go beside rows, and columns beside columns.")
    return _moved_beside(sitting, found, there, side)


def _moved_beside(sitting: Sitting, found: Part, there: Part, side: int) -> Done | Refusal:
    """Rows or columns, before others of the same table or behind them."""
    size = found.table.rows if found.unit is Unit.ROW else found.table.columns
    order = [n for n in range(size) if n not in found.numbers]
    beside = there.numbers[0] if side < 0 else there.numbers[-1]
    at = order.index(beside) + (1 if side > 0 else 0)
    order[at:at] = found.numbers
    return reordered(sitting, found, order)


@command(
    "(duplicate | double | repeat) {target:grid_part}",
    "(duplicate | double | repeat | copy) {target:grid_part} (below | underneath | beneath |"
    " again |"
    " once more | under it | below it)",
    "(another | one more) copy of {target:grid_part}",
    "make (a copy | another copy) of {target:grid_part}",
    "copy {target:grid_part} (below | beside | next to) it",
    heard=0,
    example="duplicate row two",
    group="format",
    when=there_is,
)
@of_part
def duplicate(sitting: Sitting, target: Part) -> Done | Refusal:
    """Put a copy of a row or column right behind it."""
    table, unit, numbers = target.table, target.unit, target.numbers
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
    "[the] (first | top) row (<shall> be | is | are | as | for) [(a | the)] (headings | headers |"
    " heading | header) [row]",
    "(let | have | use | make | take) (the first row | the top row | row one) [be] [(as | for)]"
    " [(a | the)] (headings | headers | heading | header) [row]",
    "(show | make | turn) the (first | top) row [(as | into)] [the] (headings | headers)",
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
    "the (first | top) row is (no | not a | not the | not) (heading | header | headings | headers)"
    " [row]",
    "[the] (first | top) row (normal | ordinary | like the (others | rest))",
    "(no | without) (headings | headers) (in | for) <the_table>",
    "(no | without) [a] (header | headings | headers)",
    "(i | we) (do not | don't) want the (first | top) row [to be] [(treated | used | seen | shown |"
    " formatted)] [as] (a | the) (heading | header | headings) [row]",
    "(take | get) the (heading | header) row (off | away)",
    "the (first | top) row <shall> be (normal | ordinary | like the (others | rest) | an ordinary"
    " row)",
    "the (first | top) row <should_not> be (a | the) (heading | header | headings) [row]",
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
    Way(
        "(sort | order | arrange) ((the | this) (table | rows) | it | them) by [the] (number |"
        " amount | count) of {words} [{falling}]",
        when=heads_a_column,
    ),
    "(sort | order | arrange) by the {position} column [{falling}]",
    "(sort | order | arrange) the {words} column [{falling}]",
    "(sort | order | arrange) [(the | this)] [(table | rows | it)] {falling} (by | on) [the]"
    " {words} [column]",
    "sort (the | this) table [{falling}]",
    "(sort | order | arrange | put | list) [(them | the rows | everything | the table)] (by | in"
    " order of | in the order of | according to | on) (what they | the (name | names | number |"
    " amount | value) of [the] | how much they | how many) {words} [{falling}]",
    Way("[the] rows (by | in order of) [the] {words} [{falling}]", when=heads_a_column),
    Way("(put | get | list | arrange) [the] {words} (in | into) {falling}", when=heads_a_column),
    Way("(put | get | list | arrange) [the] {words} {falling}", when=heads_a_column),
    Way(
        "[(put | have | <wish>) the] {falling:extreme} [(number | amount | count) of] {words}"
        " [(number | figure)] (first | at the top)",
        when=heads_a_column,
    ),
    Way(
        "(put | set) (the | this) (table | rows) in {words} order [{falling}]", when=heads_a_column
    ),
    Way("[the] {words} [column] (in order [{falling}] | {falling})", when=heads_a_column),
    Way("by [the] {words} [{falling}]", when=in_its_table),
    Way("[(put | have | <wish> | list | sort [it])] [the] {dearest:priced}", when=by_price),
    Way("<wish> (it | them | the table) sorted {dearest:priced}", when=by_price),
    Way("[(<wish> | put)] the {dearest:price} {words} (first | at the top)", when=priced_rows),
    Way("(sort | order | arrange) [the] {words} {falling}", when=heads_a_column),
    Way(
        "<wish> (the | this) (table | rows) (sorted | ordered | in order) [by | of] [the] {words}"
        " [{falling}]",
        when=heads_a_column,
    ),
    heard=1,
    example="sort the table by the first column",
    group="format",
    when=sortable,
)
@of_table
def sort(
    sitting: Sitting,
    table: Table,
    words: tuple[str, ...] | None = None,
    number: int | None = None,
    position: int | None = None,
    falling: bool = False,
    dearest: bool | None = None,
) -> Done | Refusal:
    """Sort the rows of a table by a column: numbers, dates and words each in their order."""
    if dearest is not None:
        column, falling = priced(sitting, table), dearest
    elif words is not None:
        column = sorted_by(sitting, table, words)
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


def _one_column(sitting: Sitting, parse: Parse) -> bool:
    return unit_named(parse.args.get("target")) is Unit.COLUMN


@command(
    Way("(make | set | get) {target} {wide}", when=_one_column),
    *each(
        _one_column,
        *frames.standing("{target}", "{wide}", stated=False),
        "{target} {wide:too_wide}",
        "(let | have) {target} have {wide:more_room}",
        "{target} (needs | wants | could do with | <shall> have) {wide:more_room}",
        "{wide:widen} {target} [(a bit | a little)]",
    ),
    "{target:column_named} (needs | wants | could do with | <shall> have) {wide:more_room}",
    "(make | set | get) {target:column_named} {wide}",
    Way("{target} <shall> be {wide}", when=_one_column),
    Way("{wide:more_room} for {target}", when=_one_column),
    Way("{target} {wide}", when=_one_column),
    "{wide:widen} {target:grid_part}",
    Way("give {target} {wide:more_room}", when=_one_column),
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


def _summed(
    sitting: Sitting, target: Places | None, words: tuple[str, ...]
) -> tuple[Table, int, str] | Refusal:
    """The sum of a column, as it was named or by its heading."""
    part = part_of(sitting, target) if target is not None else headed_by(sitting, words)
    if isinstance(part, Refusal):
        return part
    table, unit, numbers = part.table, part.unit, part.numbers
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
    Way("what (does | do) {target} (come to | add up to | make)", when=_one_column),
    Way("how much is {target} [(altogether | in all | in total | together)]", when=_one_column),
    Way(
        "(what (do | does) [the] {words} (come to | add up to | make) | how (many | much) [of the]"
        " {words} [(are there | is there | do we have | have we)]) [(altogether | in all | in total"
        " | together | all told)]",
        when=heads_a_column,
    ),
    Way(
        "(how much is | what does) (that | it | all | everything) (under | in) [the] {words}"
        " [column] [(come to | add up to)] [(altogether | in all | in total | together)]",
        when=heads_a_column,
    ),
    Way(
        "how (many | much) (is | are) (it | they | there | that) (under | in) [the] {words}"
        " [column] [(altogether | in all | in total | together | all told)]",
        when=heads_a_column,
    ),
    Way("[the] {words} [column] (total | sum)", when=heads_a_column),
    Way("[the] (total | sum) (of | for) [the] {words} [column]", when=heads_a_column),
    heard=0,
    example="what is the total of column two",
    group="format",
    shows=True,
    when=there_is,
)
def tell_total(
    sitting: Sitting, target: Places | None = None, words: tuple[str, ...] = ()
) -> Done | Refusal:
    """Tell the sum of the numbers in a column."""
    found = _summed(sitting, target, words)
    return found if isinstance(found, Refusal) else Done(sitting, f"together {found[2]}")


@command(
    Way(
        "(total [up] | add up | sum [up] | add the numbers (in | under | of)) {target}",
        when=_one_column,
    ),
    Way("(total [up] | add up | add the numbers under) [the] {words}", when=heads_a_column),
    *each(
        heads_a_column,
        "(total | add | sum | count | tot) up [all] [of] [the] {words} [column] [and] (put | write)"
        " (it | that | the (total | sum | result)) [(in | there)] [(at the (bottom | end | foot)"
        " | below [it] | under it | underneath | in the last row)]",
        "(total | add | sum | count | tot) up [all] [of] [the] {words} [column] (at the (bottom"
        " | end | foot) | below [it] | under it | underneath | in the last row)",
        "(total | add | sum) [all] [the] {words} up [and (put | write) it (at the (bottom | end |"
        " foot) | below [it] | under it | underneath | in the last row)]",
    ),
    Way(
        "(put | add | write | insert) (the | a) (total | sum) of {target} [(below | under it"
        " | at the bottom | in the last row | at the end)]",
        when=_one_column,
    ),
    Way(
        "(put | add | write | insert) (the | a) (total | sum) (under | below | for | in) {target}",
        when=_one_column,
    ),
    *each(
        _one_column,
        "(a | the) (total | sum) (under | below | at the (bottom | foot | end) of) {target}",
        "{target} (needs | wants | could do with | <shall> have) a (total | sum) [(under it | at"
        " the"
        " bottom | below [it])]",
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
    found = _summed(sitting, target, words)
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
