"""Rows and columns that are added, emptied, moved, copied, taken out."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.table_here import (
    Part,
    all_of_a_cell,
    cell_here,
    column_named,
    headed_by,
    heads_a_column,
    heads_a_row,
    heads_row,
    here,
    moved_by,
    of_part,
    part_of,
    part_out,
    reordered,
    table_of,
    there_is,
    two_headings,
    two_rows,
)
from nimble_lantern.core.commands.wording import many
from nimble_lantern.core.composing.removing import remove as taken_out
from nimble_lantern.core.composing.tabling import (
    MOST_CELLS,
    empty_cell,
    has_header,
    rebuilt,
    rows_of,
    shares_of,
)
from nimble_lantern.core.document.model import Range
from nimble_lantern.core.document.tables import Table
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command, each
from nimble_lantern.core.lexicon.closed import DETERMINERS, PREPOSITIONS
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, Tabled, Unit, Words, unit_named
from nimble_lantern.core.targets.resolve import resolve


def _ends_in_a_name(sitting: Sitting, parse: Parse) -> bool:
    """ "A column called spare at the end" is called spare."""
    return tuple(parse.args.get("words", ()))[-3:] not in _AT_THE_END


_AT_THE_END = (("at", "the", "end"), ("on", "the", "right"), ("at", "the", "right"))


def _new_beside_one(sitting: Sitting, parse: Parse) -> bool:
    """ "Add a key column before minutes"; "put the ready column before minutes" moves one."""
    name, table = tuple(parse.args.get("name", ())), here(sitting)
    if isinstance(table, Refusal) or len(name) > _LONGEST_NAME or not _OF_ONE.isdisjoint(name):
        return False
    return column_named(sitting, table, name) is None and heads_a_column(sitting, parse)


_LONGEST_NAME = 3
_OF_ONE = DETERMINERS | PREPOSITIONS | {"column", "new", "empty", "blank"}


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
    Way(
        "(<wish> | <adding>) {number} [(more | extra | new | empty | further)] columns {side}"
        " [the] {words} [column]",
        when=heads_a_column,
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
    Way(
        "<add_one> column (called | named | headed | for) {name:words} {side} [the] {words}"
        " [column]",
        when=heads_a_column,
    ),
    Way(
        "<add_one> column (called | named | headed | for) {name:words} [in] between [the] {words}"
        " and [the] {other:words}",
        when=heads_a_column,
    ),
    *each(
        _new_beside_one,
        "<add_one> {name:words} column {side} [the] {words} [column]",
        "<add_one> column {name:words} {side} [the] {words} [column]",
    ),
    Way("<add_one> column (called | named | headed) {words}", when=_ends_in_a_name),
    "<add_one> column {ended} (called | named | headed | for | with (a | the) heading) {words}",
    "<add_one> column for {words:name_given}",
    "<add_one> column (called | named | for | headed | with (a | the) heading) {words} [(at the"
    " top | as (a | its | the) heading | (at | on) the [far] (end | right | side) | after the last"
    " [one])]",
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
    "[<wish>] (a | another | new) {words} column",
    "<the_table> [also] (needs | wants | could do with | <shall> have) (a | another) {words}"
    " column",
    "give (<the_table> | it) (a | another) {words} column",
    "<adding> (a | another) [new] {words} column (at | on | to) the (end | right | side)",
    "(add | put in) {words} as (a | another | a new | an extra) column",
    "(give | let) <the_table> [have] (a | another | one more | an extra) {grid} [{ended}]",
    Way("<one_more> {grid:a_row} [in] {side} [the] {words} [row]", when=heads_a_row),
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
    name: tuple[str, ...] | None = None,
) -> Done | Refusal:
    """Add a row or column: at the end, or before or after another."""
    grid = Unit.ROW if kind else grid
    if words is not None and not (side or other or ended):
        words, ended = _put_where(words)
    if words is not None and (side or other):
        beside = _beside(sitting, grid, words, other)
        if isinstance(beside, Refusal):
            return beside
        target, side, words = beside, side or 1, name
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
    named = words or ()
    named = named[1:] if named[:1] == ("the",) and len(named) > 1 else named
    head = " ".join(named).capitalize()  # "a column for the phone"
    for _ in range(number):
        for r, held in enumerate(rows):
            held.insert(at, replace(empty_cell(), text=head if r == 0 else ""))
        parts.insert(at, sum(parts) / len(parts))
    go = (1 if head and table.rows > 1 else 0, at)
    after = rebuilt(sitting, table, rows, shares=parts, at=go)
    return Done(replace(after, wrote=after.caret), f"{many(number, 'column')} added")


def row_beside(
    sitting: Sitting, words: tuple[str, ...], other: tuple[str, ...] = ()
) -> int | Refusal:
    """The number of the row of a name; of two side by side that of the upper one."""
    found = _beside(sitting, Unit.ROW, words, other)
    if isinstance(found, Refusal):
        return found
    cell = sitting.document.blocks[found.first.start.block].cell
    assert cell is not None
    return cell.row


def _put_where(words: tuple[str, ...]) -> tuple[tuple[str, ...], int]:
    """A name without what says on which side of the table it goes: "cost on the right"."""
    link, the, edge = words[-3:] if len(words) > _PLACE else ("", "", "")
    if link in ("on", "at") and the == "the" and edge in _EDGES:
        return words[:-3], _EDGES[edge]
    return words, 0


_PLACE = 3
_EDGES = {"right": 1, "end": 1, "left": -1, "start": -1, "beginning": -1}


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


def _by_its_name(sitting: Sitting, parse: Parse) -> bool:
    """ "No start column"; "no the whole row", and "no the hall row" right after something was done,
    put right what was asked for."""
    done = bool(sitting.trail) and bool(sitting.trail[-1].made) and bool(sitting.trail[-1].command)
    return isinstance(parse.args.get("target"), Tabled) and not done


@command(
    "(we | i) (do not | don't) (need | want) {target:grid_part} [<any_more>]",
    "{target:grid_part} (can | could | must | should | has to) (go | come out)",
    "(<remove> | drop | lose | scrap | bin | kill | throw out) {target:grid_part}",
    "(take | cut | throw | wipe) {target:grid_part} (out | away)",
    Way("no [more] {target:grid_part}", when=_by_its_name),
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


def _in_a_cell(sitting: Sitting, parse: Parse) -> bool:
    """ "Clear it", where the writing place was put in a cell and nothing was written since."""
    here = sitting.document.blocks[sitting.writing_place.block]
    moved = bool(sitting.trail) and not sitting.trail[-1].made
    return here.cell is not None and sitting.selection is None and moved


def _below_a_heading(sitting: Sitting, parse: Parse) -> bool:
    target = parse.args.get("target")
    return isinstance(target, Tabled) and target.below


@command(
    "(empty | clear | wipe | blank) [out] {target:grid_part}",
    *frames.standing("{target:grid_part}", "<blank_out>"),
    "(empty | clear | wipe) {target:grid_part} (out | clean)",
    Way("(empty | clear | wipe | blank) [out] {target}", when=_below_a_heading),
    "(wipe | clear | remove | take | delete | throw) [out] (what is | what's | what (stands | it"
    " says) | everything | all [that is] | [all] [of] the (words | contents | text | numbers |"
    " figures | names | amounts)) (in | from | out of | of | for) {target:grid_part}"
    " [(out | away)]",
    "[(i want | put | have | leave)] nothing in {target:grid_part}",
    "(empty | clear | wipe | blank) [out] {target:cell_part} [(out | clean)]",
    "(empty | clear | blank) [out] {target:cell_of}",
    *frames.standing("{target:cell_part}", "<blank_out>"),
    "[(i want | put | have | leave)] nothing in {target:cell_part}",
    "(wipe | clear | remove | take | delete | throw) [out] (what is | what's | everything | the"
    " (words | contents | text)) (in | from | out of | of) {target:cell_part} [(out | away)]",
    Way("(take | get) {target} out of (its | the | that) cell", when=_words_alone),
    Way("(empty | clear | wipe | blank) (it | this | that) [out]", when=_in_a_cell),
    heard=0,
    example="empty row two",
    group="format",
    when=there_is,
    destructive=True,
)
def empty(sitting: Sitting, target: Places | None = None) -> Done | Refusal:
    """Take the words out of rows, columns or a cell; the cells stay."""
    if target is None:
        target = Places((block_range(sitting.document, sitting.writing_place.block),))
    table = table_of(sitting, target)
    if isinstance(table, Refusal):
        return table
    after = taken_out(sitting, _without_headings(sitting, table, target))
    if target.unit not in (Unit.ROW, Unit.COLUMN):
        return Done(after.about(()), "the cell is empty")
    part = part_of(sitting, target)
    assert isinstance(part, Part)
    return Done(after.about(()), f"{many(len(part.numbers), part.unit.value)} emptied")


def _without_headings(sitting: Sitting, table: Table, target: Places) -> tuple[Range, ...]:
    """What is emptied of a part: its heading stays, and what else is named by it."""
    blocks = sitting.document.blocks
    if target.unit is not Unit.COLUMN or not has_header(rows_of(blocks, table)):
        return target.ranges
    return tuple(r for r in target.ranges if (cell := blocks[r.start.block].cell) and cell.row)


def _row_there(sitting: Sitting, parse: Parse) -> bool:
    target = parse.args.get("target")
    if not isinstance(target, Tabled) or not heads_row(sitting, target.words):
        return False
    found = resolve(target, sitting)
    if not isinstance(found, Places):
        return False
    cell = sitting.document.blocks[found.first.start.block].cell
    # "Bring the song up" is of no row, where "Song" is over a column.
    return cell is not None and not cell.header


def _all_of_a_cell(sitting: Sitting, parse: Parse) -> bool:
    """ "Put Ida at the bottom", where a row of the table here has her."""
    target = parse.args.get("target")
    return isinstance(target, Tabled) and all_of_a_cell(sitting, target.words)


def _to_a_row(sitting: Sitting, parse: Parse) -> bool:
    goal, target = parse.args.get("goal"), parse.args.get("target")
    rows = unit_named(target) is Unit.ROW
    return rows and isinstance(goal, Tabled) and heads_row(sitting, goal.words)


def _two_headings(sitting: Sitting, parse: Parse) -> bool:
    named = parse.args.get("name"), parse.args.get("words")
    return two_headings(sitting, *named) or two_rows(sitting, *named) is not None


@command(
    "<shift> {target:grid_part} {steps}",
    "[(<shift> | <set_down>)] {target:grid_part} {steps:ending}",
    Way("<shift> [the] {words} ({steps} | {steps:ending})", when=heads_a_column),
    Way("(<set_down> | have | <wish> | get) [the] {words} {steps:ending}", when=heads_a_column),
    *each(
        heads_a_column,
        "[the] {words} (goes | belongs | <shall> (come | go | be | stand)) ({steps:ending} |"
        " {steps:first_column})",
        "(make | <wish> | have) [the] {words} [(as | to be | be)] {steps:first_column}",
        "[the] {words} {steps:far_column}",
    ),
    Way("{target:row_named} {steps:ending_to}", when=_all_of_a_cell),
    "(<shift> | <set_down>) {target:grid_part} {side} {goal:grid_part}",
    Way(
        "(<shift> | <set_down> | have) [the] {name:words} [(up | down | over)] {side} [the]"
        " {words} [column] [in the table]",
        when=_two_headings,
    ),
    "{target:grid_part} {side} {goal:grid_part}",
    "{target:grid_part} (goes | belongs | <shall> (come | go | be | stand)) {side}"
    " {goal:grid_part}",
    "(let | have) {target:grid_part} (come | go | be | stand) {side} {goal:grid_part}",
    "{target:grid_part} (goes | belongs | <shall> (come | go | be)) {steps:ending}",
    "{target:row_named} <shall> be {steps:first_row}",
    Way("(<shift> | <set_down> | push | bring) {target:row_named} {steps}", when=_row_there),
    Way("<set_down> {target:row_named} {steps:ending}", when=_all_of_a_cell),
    "(push | bring) {target:grid_part} ({steps} | {steps:ending})",
    "(push | bring | get) {target:grid_part} {side} {goal:grid_part}",
    Way(
        "(push | bring | get) [the] {name:words} [(over | across)] {side} [the] {words} [column]",
        when=_two_headings,
    ),
    "{target:grid_part} {steps}",
    "(<shift> | <set_down>) {target:grid_part} {steps:steps_back}",
    "(<shift> | <set_down> | send | push) {target:row_named} {steps:ending_of_table}",
    Way(
        "{steps:at_its_edge} <the_table> with {target:row_named}",
        when=_row_there,
    ),
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
    "(copy | duplicate | repeat | (put | add | insert | make) (a | another) copy of)"
    " {target:grid_part} ({steps:ending} | {steps:ending_of_table})",
    "(copy | duplicate | repeat | put a copy of) {target:grid_part} {side} {goal:grid_part}",
    Way("(copy | duplicate | repeat) {target:grid_part} {side} {goal:row_named}", when=_to_a_row),
    "(copy | duplicate | repeat) {target:row_named} {steps:ending_of_table}",
    Way("(duplicate | make (a | another) copy of) {target:row_named}", when=_all_of_a_cell),
    heard=0,
    example="duplicate row two",
    group="format",
    when=there_is,
)
def duplicate(
    sitting: Sitting, target: Places, steps: int = 0, side: int = 0, goal: Places | None = None
) -> Done | Refusal:
    """Put a copy of a row or column right behind it, at an end of its table, or beside another."""
    part = part_of(sitting, target)
    beside = part_of(sitting, goal) if goal is not None else part
    for found in (part, beside):
        if isinstance(found, Refusal):
            return found
    assert isinstance(part, Part) and isinstance(beside, Part)
    table, unit, numbers = part.table, part.unit, part.numbers
    if beside.table != table or beside.unit is not unit:
        return Refusal("Rows go beside rows, and columns beside columns.")
    rows = rows_of(sitting.document.blocks, table)
    at = beside.numbers[0] if side < 0 else beside.numbers[-1] + 1
    if steps:
        first = int(unit is Unit.ROW and has_header(rows))
        at = first if steps < 0 else table.rows if unit is Unit.ROW else table.columns
    if unit is Unit.ROW:
        copies = [[replace(block, points=()) for block in rows[n]] for n in numbers]
        rows[at:at] = copies
        after = rebuilt(sitting, table, rows)
    else:
        parts = shares_of(rows[0])
        for row in rows:
            row[at:at] = [replace(row[n], points=()) for n in numbers]
        parts[at:at] = [parts[n] for n in numbers]
        after = rebuilt(sitting, table, rows, shares=parts)
    return Done(after.about(()), f"{many(len(numbers), unit.value)} copied")
