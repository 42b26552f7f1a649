"""Tables: made, walked through and filled cell by cell, and taken apart again."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands import frames, put_in
from nimble_lantern.core.commands.table_here import (
    ENDED_BY,
    at_cell,
    cell_here,
    column_named,
    heads_a_column,
    here,
    in_table,
    of_table,
    row_is_full,
    table_of,
    there_is,
    whole_out,
    written_in,
)
from nimble_lantern.core.commands.table_made import (
    MADE_OTHERWISE,
    headings_in,
    made_room,
)
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.composing.carrying import carried
from nimble_lantern.core.composing.tabling import (
    MOST_CELLS,
    Rows,
    blocks_of,
    empty_cell,
    rebuilt,
    rows_of,
)
from nimble_lantern.core.document.edits import AddBlocks, DropBlocks, Edit
from nimble_lantern.core.document.model import (
    Block,
    Bullets,
    Format,
    Kind,
    Piece,
    Position,
)
from nimble_lantern.core.document.tables import Table, next_table, outside, tables
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each, rule
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import CellNamed, Places, Unit, Units

CATALOGUE.table(
    "make_table",
    {
        "(<begin> | <put> | <wish> | put in | draw [up] | set (up | out) | build | lay out) [me]"
        " [a] [new]": True,
        "new": True,
    },
)
CATALOGUE.table(
    "placed_here",
    {"(here | in | in here | for (me | this | it | these | them) | for me here)": True},
)
CATALOGUE.table("more", {"(a | another | one more | a new | a further | an extra)": True})


@command(
    "<make_table> table [<placed_here>] <having> {columns:number} (columns | column) [and | by]"
    " {rows:number} (rows | row) [in it] [<placed_here>]",
    "<make_table> table [<placed_here>] <having> {rows:number} (rows | row) [and | by]"
    " {columns:number} (columns | column) [<placed_here>]",
    "[<make_table>] {rows:number} by {columns:number} table [<placed_here>]",
    "(a | an | one) [(small | little | new | empty)] table [of] {rows:number} by {columns:number}",
    "[<make_table>] [a] (small | little | new | empty) table [of] {rows:number} by"
    " {columns:number}",
    "<make_table> table [of] {rows:number} by {columns:number}",
    "[<make_table>] table [<placed_here>] <having> {columns:number} columns",
    "<make_table> table {columns:number} columns wide"
    " [and {rows:number} rows (deep | high | long)]",
    "<make_table> table [<placed_here>] <having> {rows:number} rows",
    "[a] table (with | of) {columns:number} (columns | column) (and | by) {rows:number} (rows |"
    " row)",
    "[a] table (with | of) {rows:number} (rows | row) (and | by) {columns:number} (columns |"
    " column)",
    "<make_table> table {rows:number} [(rows | row)] (deep | high | long | down) [and]"
    " {columns:number} [(columns | column)] (wide | across)",
    "<make_table> {columns:number} column table [(with | of) {rows:number} rows]",
    "<make_table> {columns:number} column [(and | by)] {rows:number} row table [<placed_here>]",
    "<make_table> {rows:number} row [(and | by)] {columns:number} column table [<placed_here>]",
    "<make_table> table [<placed_here>]",
    "[<make_table>] [a] table [<placed_here>] {columns:number} (columns | column) [and | by]"
    " {rows:number} (rows | row)",
    "[<make_table>] [a] table [<placed_here>] {rows:number} (rows | row) [and | by]"
    " {columns:number} (columns | column)",
    "[<make_table>] [a] table [<placed_here>] {columns:number} (across | wide) [and | by]"
    " {rows:number} (down | deep | high | long)",
    "<make_table> table [<placed_here>] <having> [the] columns {names:words}",
    "<make_table> table [<placed_here>] with [the] (columns | headings) (for | called | named)"
    " {names:words}",
    *MADE_OTHERWISE,
    heard=6,
    example="make a table with three columns and four rows",
    group="format",
)
def make(
    sitting: Sitting,
    columns: int = 2,
    rows: int = 3,
    names: tuple[str, ...] | None = None,
    target: Places | None = None,
    side: str = "after",
    what_for: bool = False,
) -> Done | Refusal:
    """Make a table, its first row a heading; what you say goes into its cells.

    Beside a part of the page, or behind the paragraph that is written.
    """
    heads = headings_in(names) if names else []
    if target is not None:
        sitting = made_room(sitting, target, side)
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


@command(
    "[the] next cell",
    "[and] [<go>] [on] (to | into) [the] next (cell | box | field)",
    "(go | move) (on | to the right | right) [one] [cell]",
    Way("(next [one] | across [one] | one (across | on | along | to the right))", when=in_table),
    Way("[<go>] [on] [to] the next [(cell | one)]", when=in_table),
    Way("(one | a) cell (on | along | further | to the right)", when=in_table),
    "[<go>] [on] [to] the cell after [(this | that) [one]]",
    "[<go>] [to] the cell [(to | on)] the right",
    heard=1,
    example="next cell",
    group="format",
    when=in_table,
)
@of_table
def next_cell(sitting: Sitting, table: Table) -> Done | Refusal:
    """Go on to the next cell; what you say goes in there."""
    row, column = cell_here(sitting, table)
    if column + 1 < table.columns:
        return at_cell(sitting, table, row, column + 1)
    if row + 1 < table.rows:
        return at_cell(sitting, table, row + 1, 0)
    return Refusal("That was the last cell.", "", "“Next row” adds one, “end table” goes on below.")


@command(
    "[<go>] [back] [to] [the] (previous | last) cell",
    "[<go>] [back] [to] the cell before [(this | that) [one]]",
    "(one | a) cell (back | before | to the left)",
    "[<go>] [to] the cell [(to | on)] the left",
    Way("(previous [one] | go back [one])", when=in_table),
    Way("[<go>] back (one | a) cell", when=in_table),
    Way("one (back | to the left)", when=in_table),
    heard=1,
    example="previous cell",
    group="format",
    when=in_table,
)
@of_table
def previous_cell(sitting: Sitting, table: Table) -> Done | Refusal:
    """Go back to the cell before."""
    row, column = cell_here(sitting, table)
    if column:
        return at_cell(sitting, table, row, column - 1)
    if row:
        return at_cell(sitting, table, row - 1, table.columns - 1)
    return Refusal("That is the first cell.")


@command(
    "[<go>] [(on | down)] [to] [the] (next | new | another | following) row",
    "[<go>] [to] the next row down",
    "(begin | start) (a | the) (new | next) row",
    "[<go>] [to] [the] (first cell | start | beginning) of (the next | a new) row",
    "[<go>] [on] [down] (to | into) [the] row (below | underneath | beneath | under)"
    " [(this | that)]",
    "[<go>] [on] [to] the row after [(this | that) [one]]",
    "[<go>] [(on | down)] [to] [the] next line",
    heard=1,
    example="next row",
    group="format",
    when=in_table,
)
@of_table
def next_row(sitting: Sitting, table: Table) -> Done | Refusal:
    """Go on to the start of the next row; behind the last, a new one."""
    row, _ = cell_here(sitting, table)
    if row + 1 < table.rows:
        return at_cell(sitting, table, row + 1, 0)
    rows = rows_of(sitting.document.blocks, table)
    rows.append([empty_cell(block) for block in rows[-1]])
    after = rebuilt(sitting, table, rows, at=(row + 1, 0))
    return Done(replace(after, wrote=after.caret), f"a new row, row {row + 2}")


CATALOGUE.table("ways", {"(down | below)": 1, "(up | above)": -1})
CATALOGUE.table(
    "ways",
    {
        "(underneath | down one | one down | down (a | one) (cell | row) | one below)": 1,
        "(up one | one up | up (a | one) (cell | row) | one above)": -1,
    },
    heard=False,
)


@command(
    Way("[<go>] {ways} [(a | one)] [(cell | row)]", when=in_table),
    Way("[<go>] one [(cell | row)] {ways}", when=in_table),
    "[<go>] [to] [the] cell {ways}",
    Way("the one {ways}", when=in_table),
    Way("[<go>] [to] [the] next row (same column | below)", when=in_table),
    heard=1,
    example="the cell below",
    group="format",
    when=in_table,
)
@of_table
def down(sitting: Sitting, table: Table, ways: int = 1) -> Done | Refusal:
    """Go to the cell below, or above."""
    row, column = cell_here(sitting, table)
    if not 0 <= row + ways < table.rows:
        return Refusal(
            "There is no row that way.", "", "“Next row” adds one, “end table” goes on below."
        )
    return at_cell(sitting, table, row + ways, column)


@rule("named_cell", "row {a:number} [and] column {b:number}", "row {a:number} cell {b:number}")
@rule("named_cell", "the {a:position} row [and] the {b:position} column")
def _by_row(a: int, b: int) -> CellNamed:
    return CellNamed(a, b)


@rule("named_cell", "row {a:number} [the] {b:position} (column | cell)", heard=False)
@rule("named_cell", "cell {a:number} {b:number}", heard=False)
def _in_a_row(a: int, b: int) -> CellNamed:
    return CellNamed(a, b)


@rule("named_cell", "[the] {a:position} row [the] {b:position} (column | cell)", heard=False)
@rule("named_cell", "row {a:number} under [the] {b:position} column", heard=False)
def _in_the_nth_row(a: int, b: int) -> CellNamed:
    return CellNamed(a, b)


@rule("named_cell", "column {a:number} (of | in) row {b:number}", heard=False)
@rule("named_cell", "[the] {a:position} cell (of | in) [the] {b:position} row", heard=False)
@rule("named_cell", "[the] {a:position} cell (of | in) row {b:number}", heard=False)
def _of_a_row(a: int, b: int) -> CellNamed:
    return CellNamed(b, a)


@rule("named_cell", "[the] {a:position} column (of | in) [the] {b:position} row", heard=False)
@rule("named_cell", "column {a:number} [and] row {b:number}")
@rule("named_cell", "the {a:position} column [and] the {b:position} row")
def _by_column(a: int, b: int) -> CellNamed:
    return CellNamed(b, a)


@rule("named_cell", "the {a:position} cell [(of | in) (this | the) row]", "cell {a:number}")
def _in_this_row(a: int) -> CellNamed:
    return CellNamed(0, a)


@command(
    Way("[(in | into | go to | go into | <go> [to])] [the cell in] {named_cell}", when=there_is),
    Way("(write | speak | go on) in [the cell in] {named_cell}", when=there_is),
    Way(
        "let me (fill in | write in | be in | go to | do) [the cell in] {named_cell}", when=there_is
    ),
    Way("[(in | into | to)] {crossed}", when=in_table),
    "<go> [back | over | up | down | on] (to | into | in) {crossed:cell_part}",
    Way("(put | place | take | get) me (in | into | at | on | to) {crossed}", when=there_is),
    Way("[(in | into | to | at | <go> [to | in | into])] {crossed:cell_named}", when=there_is),
    Way("<go> [to] where {crossed:row_named} (is | stands | comes)", when=there_is),
    heard=1,
    example="row two column three",
    group="format",
    when=there_is,
)
def to_cell(
    sitting: Sitting, named_cell: CellNamed | None = None, crossed: Places | None = None
) -> Done | Refusal:
    """Go to a cell by its row and column."""
    table = here(sitting) if crossed is None else table_of(sitting, crossed)
    if isinstance(table, Refusal):
        return table
    if named_cell is None:
        assert crossed is not None
        cell = sitting.document.blocks[crossed.first.start.block].cell
        assert cell is not None
        return at_cell(sitting, table, cell.row, cell.column)
    row = named_cell.row or cell_here(sitting, table)[0] + 1
    if not (1 <= row <= table.rows and 1 <= named_cell.column <= table.columns):
        size = f"{many(table.rows, 'row')} and {many(table.columns, 'column')}"
        return Refusal("There is no such cell.", f"The table has {size}.")
    return at_cell(sitting, table, row - 1, named_cell.column - 1)


@command(
    Way("(under | below) {words}", when=heads_a_column),
    Way(
        "(in | to | <go> [on | over | across | back] [(to | in | into)]) the {words} column",
        when=heads_a_column,
    ),
    Way("([over | on] across | over) to [the] {words} [column]", when=heads_a_column),
    heard=1,
    example="under kitchen",
    group="format",
    when=in_table,
)
@of_table
def under(sitting: Sitting, table: Table, words: tuple[str, ...]) -> Done | Refusal:
    """Go to the cell of this row under a heading; from the heading row, to the first empty one."""
    column = column_named(sitting, table, words)
    if column is None:
        return Refusal(f"No column is called “{' '.join(words)}”.")
    row, _ = cell_here(sitting, table)
    blocks = sitting.document.blocks
    if row == 0:
        free = (r for r in range(1, table.rows) if not blocks[table.cell(r, column)].text.strip())
        row = next(free, min(1, table.rows - 1))
    return at_cell(sitting, table, row, column)


@command(
    "<stop> [(the | this)] table",
    "end of [the] table",
    "(out of | leave | below | after | behind) the table",
    "<go> [to] (below | under | after | behind | beneath) the table",
    "(<go_on> | go) (below | under | after | behind | beneath | underneath) [the] [table]",
    "(take | get | let) me out of (the | this) table [(and | to)] [(below | underneath | under it"
    " | after it | behind it)]",
    "[get me] out (below | under | underneath | beneath) (the | this) table",
    *each(in_table, *frames.left("table")),
    Way("[i think] (that's | that is) all the rows [(now | then)]", when=in_table),
    *each(row_is_full, *ENDED_BY),
    Way(
        "(back | on) to (the text | the writing | (ordinary | normal | plain) (text | writing))",
        when=in_table,
    ),
    "(that is | that's) the table (done | finished | complete) (go | carry) on (below | under |"
    " underneath | after) (it | the table)",
    heard=1,
    example="end table",
    group="format",
    when=there_is,
)
@of_table
def end(sitting: Sitting, table: Table) -> Done | Refusal:
    """Go on writing below the table."""
    below = sitting.document.blocks[table.last + 1 : table.last + 2]
    after = sitting
    if not below or below[0].cell is not None or below[0].text.strip():
        after = sitting.edited(Edit((AddBlocks(table.last + 1, (Block(),)),)))
    place = Position(table.last + 1, 0)
    return Done(replace(after.placed(place), wrote=place), "below the table")


CATALOGUE.table("scrap", {"(drop | scrap | lose | bin | ditch | throw (out | away))": True})


@command(
    "(<remove> | <scrap>) (the | this | that) [whole] table",
    "(<remove> | <scrap>) the {position} table",
    "(no more | not have a) table",
    "(take | throw) (the | this | that) [whole] table (out | away)",
    "(the | this | that) [whole] table (can | could | must | should | has to) (go | come out)",
    "(we | i) (do not | don't) (need | want) (the | this | that) table [<any_more>]",
    heard=1,
    example="delete the table",
    group="format",
    when=there_is,
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
        return whole_out(sitting, every[position - 1])
    table = here(sitting)
    return table if isinstance(table, Refusal) else whole_out(sitting, table)


def _of_blocks(sitting: Sitting, parse: Parse) -> bool:
    target = parse.args.get("target")
    return not isinstance(target, Units) or target.unit is not Unit.TABLE


def _of_a_part(sitting: Sitting, parse: Parse) -> bool:
    return isinstance(parse.args.get("target"), Units)


@command(
    "(make | turn | change | convert | put) {target} (into | in | to) a table",
    "(make | build) a [<little>] table (of | from | out of) {target}",
    "make {target} a table",
    "(<wish> | have | show | set out | lay out | set | put | write | arrange) {target} [out] (as"
    " | in"
    " [the form of]) a table",
    "(<wish> | build | create) a table (of | from | out of) {target}",
    "{target} (<shall> be | as | into | in) a table",
    "(make | turn | change) {target} to a table",
    "a table (of | from | out of) {target}",
    Way("{target} to table", when=_of_a_part),
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


CATALOGUE.table(
    "listed",
    {
        "[(plain | ordinary | normal | simple)] (text | paragraphs | lines | writing)": "",
        "a list": "item",
    },
)


@command(
    "(make | turn | change | convert | put) (the | this | that) table [back] [(into | in | to)]"
    " {listed}",
    "(make | create) {listed} [out] (of | from) (the | this | that) table",
    Way("(the | this) table (as | into) {listed}", when=there_is),
    "(<undress> | undo) the table (and | but) (leave | keep) the (words | text)",
    "take (the | this) table [(lines | grid | borders | frame | rules)] (away | off | out) (and |"
    " but) (leave | keep) the (words | text)",
    "(write | put | set | lay) (the | this) table out as [(plain | ordinary)] (text | words)",
    "[(i'd rather have | i would rather have | i prefer | <wish>)] (text | paragraphs) (than | and"
    " no | instead of | rather than) (a | the | this) table",
    "(no table [just] [the] (text | words | paragraphs) | take the table apart)",
    heard=1,
    example="turn the table into text",
    group="format",
    when=there_is,
)
@of_table
def to_text(sitting: Sitting, table: Table, listed: str = "") -> Done | Refusal:
    """Make paragraphs, or a list, of a table: one a row, its cells parted by commas."""
    rows = rows_of(sitting.document.blocks, table)
    form = Format(Kind.ITEM, 1, Bullets.BULLETED) if listed else Format()
    made, moved = [], list[tuple[int, Position]]()
    for r, row in enumerate(rows):
        piece = Piece()
        for c, block in enumerate(row):
            if not block.text.strip():
                continue
            if piece.text:
                piece = piece.joined(Piece(", "))
            moved.append((table.cell(r, c), Position(table.first + r, len(piece.text))))
            piece = piece.joined(Piece(block.text.replace("\n", " "), block.spans))
        made.append(Block(piece.text, piece.spans).formatted(form))
    count = table.last - table.first + 1
    edit = Edit((AddBlocks(table.first, tuple(made)), DropBlocks(table.first + len(made), count)))
    after = sitting.edited(edit).about(())
    for cell, start in moved:
        after = carried(sitting.document, block_range(sitting.document, cell), after, start)
    b = table.first + len(made) - 1
    return Done(after.placed(Position(b, len(made[-1].text))), f"{many(len(made), 'row')} as text")


@command(
    Way("(put | write | type | set) {text:words} (in | into) [the cell] row {rows:number} [and]"
        " column {columns:number}", when=put_in.of_words),
    Way("(in | at) {crossed} (put | write | enter | say) {text}", when=put_in.of_words_in_a_table),
    Way("(put | write | enter) {text:words} (in | into | at | for) {crossed}",
        when=put_in.of_words_in_a_table),
    Way("row {rows:number} column {columns:number} (is | says | should say) {text:words}",
        when=in_table),
    *each(put_in.a_row_and_a_column, *put_in.OF_A_CELL),
    *each(put_in.a_row_and_its_column, *put_in.OF_A_CELL_TOGETHER,
            "(set | make | change) [the] {row:words} {column:words} (to | as | be) {text:words}",
            "[the] {row:words} {column:words} <shall> (be | say) {text:words}"),
    Way("[the] {row:words} {column:words} (is | are) [now] {text:words}", when=put_in.of_its_kind),
    Way("[the] {row:words} (has | have | is | are | gets | takes | needs | pays | costs | cost)"
        " {text:words} not {old:words}", when=put_in.row_says_the_old),
    *each(put_in.for_one_cell, *put_in.OF_A_ROW), *each(put_in.of_a_day, *put_in.OF_A_DAY),
    *each(put_in.says_the_old,
            "[the] {row:words} [(has | have | is | are | gets | takes | needs | pays)]"
            " {column:words} {text:words} not {old:words}",
            "[the] {row:words} (has | have | is | are | gets | takes | needs | pays) {text:words}"
            " {column:words} not {old:words}",
            "[the] {column:words} (for | of) {row:words} (is | are) {text:words} not {old:words}",
    ),
    heard=1,
    example="put noon in row two column three",
    group="format",
    when=there_is,
)  # fmt: skip
@of_table
def put(
    sitting: Sitting,
    table: Table,
    text: tuple[str, ...],
    rows: int = 0,
    columns: int = 0,
    crossed: Places | None = None,
    row: tuple[str, ...] = (),
    column: tuple[str, ...] = (),
    old: tuple[str, ...] = (),
) -> Done | Refusal:
    """Write words into a cell, in the place of what it says."""
    if row:
        text, old = put_in.without_alike(text, old)
        r, c = put_in.row_and_column(sitting, table, row, column)
        c = c if column else put_in.told_column(sitting, table, row, text, old)
        rows, columns = (-1 if n is None else n + 1 for n in (r, c))
    if crossed is not None:
        cell = sitting.document.blocks[crossed.first.start.block].cell
        assert cell is not None
        rows, columns = cell.row + 1, cell.column + 1
    if not (1 <= rows <= table.rows and 1 <= columns <= table.columns):
        return Refusal("There is no such cell.")
    wrote = written_in(sitting, table.cell(rows - 1, columns - 1), text)
    return Done(wrote.sitting, f"row {rows}, column {columns}: {quoted(wrote.text)}")
