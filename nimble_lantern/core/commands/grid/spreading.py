"""Several cells filled at once: the row here with what its cells say, a column with the same."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands.columns import Said
from nimble_lantern.core.commands.grid.filling import cells_told, filled
from nimble_lantern.core.commands.put_in import a_row_and_a_column, row_and_column
from nimble_lantern.core.commands.sharing import are_a_row, shared_surely
from nimble_lantern.core.commands.table_here import (
    Part,
    at_cell,
    cell_here,
    here,
    in_table,
    of_part,
    of_table,
    there_is,
    written_in,
)
from nimble_lantern.core.commands.table_made import headings_in
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.composing.tabling import (
    MOST_CELLS,
    empty_cell,
    has_header,
    rebuilt,
    rows_of,
)
from nimble_lantern.core.document.tables import Table
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command
from nimble_lantern.core.lexicon.closed import (
    AUXILIARIES,
    DETERMINERS,
    PREPOSITIONS,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.sentences import VERBS
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, Unit
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.writing.cardinals import cardinal

_THE_ROW = "(it | this | that | [(the | this | that)] [new] (row | line))"


def _row_is_empty(sitting: Sitting, table: Table, row: int) -> bool:
    cells = (sitting.document.blocks[table.cell(row, c)] for c in range(table.columns))
    return not any(block.text.strip() for block in cells)


def goes_into_the_row(sitting: Sitting, words: Said) -> bool:
    """Whether words that are said at the start of an empty row are, beyond doubt, all of its cells:
    "thursday order paraffin sid"."""
    table = here(sitting)
    if isinstance(table, Refusal) or sitting.selection is not None:
        return False
    row, column = cell_here(sitting, table)
    if column or not _row_is_empty(sitting, table, row):
        return False
    if not row:
        return _are_headings(sitting, table, words)
    return shared_surely(sitting.document, table, words) or _a_word_each(sitting, table, words)


def _a_word_each(sitting: Sitting, table: Table, words: Said) -> bool:
    """ "Lark mina four", for the first row of a table with three columns: a word for each, and one
    of them a number; "the old boat" is said into one cell."""
    first = all(_row_is_empty(sitting, table, row) for row in range(1, table.rows))
    plain = (VERBS | AUXILIARIES | SUBJECT_PRONOUNS | PREPOSITIONS | DETERMINERS).isdisjoint(words)
    counted = [i for i, word in enumerate(words) if cardinal((word,), 0)]
    enough = len(words) == table.columns > _A_PAIR
    # "Gate number four" is one thing, and so is "forty five".
    return first and plain and enough and len(counted) == 1 and "number" not in words


_A_PAIR = 2


def _are_headings(sitting: Sitting, table: Table, words: Said) -> bool:
    """ "Day person and cups", said to a table that is empty: as many names as it has columns; "a
    place" is said into one."""
    empty = all(_row_is_empty(sitting, table, row) for row in range(table.rows))
    plain = (VERBS | AUXILIARIES | SUBJECT_PRONOUNS | PREPOSITIONS).isdisjoint(words)
    heads = headings_in(words)
    plain = plain and DETERMINERS.isdisjoint(words) and not {"and", "comma"}.isdisjoint(words)
    return empty and plain and "next" not in words and len(heads) == table.columns > 1


def goes_into_the_next_row(sitting: Sitting, words: Said) -> bool:
    """Whether words that are said at the end of a row that is filled are, beyond doubt, the next
    one: if it was not filled by the utterance before, each of its columns must suit them."""
    last = sitting.trail[-1].command if sitting.trail else None
    table = here(sitting)
    if isinstance(table, Refusal) or sitting.selection is not None:
        return False
    row, column = cell_here(sitting, table)
    ended = (
        column == table.columns - 1 and sitting.document.blocks[sitting.caret.block].text.strip()
    )
    if not row or not ended or not _room_below(sitting, table, row):
        return False
    if last in ("grid.fill_here", "grid.fill_next"):
        told = (VERBS | SUBJECT_PRONOUNS | DETERMINERS).isdisjoint(words)
        sure = shared_surely(sitting.document, table, words)
        return sure or told and are_a_row(sitting.document, table, words)
    return shared_surely(sitting.document, table, words, 0)


def goes_into_a_row_more(sitting: Sitting, words: Said) -> bool:
    """Whether words suit each column, right after a row was added and filled from elsewhere."""
    table = here(sitting)
    if isinstance(table, Refusal) or sitting.selection is not None:
        return False
    told = (VERBS | SUBJECT_PRONOUNS | DETERMINERS).isdisjoint(words)
    return told and are_a_row(sitting.document, table, words)


def _room_below(sitting: Sitting, table: Table, row: int) -> bool:
    """Whether the row below is empty, or there is none but a total's."""
    below = row + 1
    last = below == table.rows or _is_a_total(sitting, table, below)
    return last or _row_is_empty(sitting, table, below)


def _is_a_total(sitting: Sitting, table: Table, row: int) -> bool:
    text = sitting.document.blocks[table.cell(row, 0)].text.strip().lower()
    return row == table.rows - 1 and text == "total"


@command(
    f"fill {_THE_ROW} [in | up] with {{text}}",
    f"fill in {_THE_ROW} with {{text}}",
    "(put | write) {text:words} (in | into | across) [(the | this | that)] [new] row",
    example="write hester comma gull comma cox in this row",
    group="format",
    when=in_table,
    heard=1,
)
@of_table
def fill_here(sitting: Sitting, table: Table, text: Said) -> Done | Refusal:
    """Fill the cells of the row here, which is empty so far."""
    row, _ = cell_here(sitting, table)
    if not _row_is_empty(sitting, table, row):
        return Refusal("There are words in this row.", "", "Say “add a row”, or name a cell.")
    if not row and _are_headings(sitting, table, text):
        heads = [tuple(head.lower().split()) for head in headings_in(text)]
        headed = filled(sitting, table, row, heads)
        if table.rows == 1:
            return headed
        return replace(headed, sitting=at_cell(headed.sitting, table, 1, 0).sitting)
    said = cells_told(sitting, table, text)
    return said if isinstance(said, Refusal) else filled(sitting, table, row, said)


@command(
    "fill [in] the next row with {text}",
    "(put | write) {text:words} (in | into | across) the next row",
    example="fill the next row with hester comma gull comma cox",
    group="format",
    when=in_table,
    heard=1,
)
@of_table
def fill_next(sitting: Sitting, table: Table, text: Said) -> Done | Refusal:
    """Fill the cells of the row below this one; behind the last, or before a total, a new one."""
    row = cell_here(sitting, table)[0] + 1
    said = cells_told(sitting, table, text)
    if isinstance(said, Refusal):
        return said
    if not _room_below(sitting, table, row - 1):
        return Refusal("There are words in the next row.", "", "Say “add a row”, or name a cell.")
    if row == table.rows or _is_a_total(sitting, table, row):
        rows = rows_of(sitting.document.blocks, table)
        rows.insert(row, [empty_cell(block) for block in rows[row - 1]])
        sitting = rebuilt(sitting, table, rows, at=(row, 0))
        grown = here(sitting)
        assert not isinstance(grown, Refusal)
        table = grown
    return filled(sitting, table, row, said)


def _empty_here(sitting: Sitting, parse: Parse) -> bool:
    """ "Three columns", said of a table that has nothing in it yet."""
    table = here(sitting)
    if isinstance(table, Refusal):
        return False
    return all(_row_is_empty(sitting, table, row) for row in range(table.rows))


@command(
    "[(with | make it | it needs | i need)] {columns:number} (columns | column) [and {rows:number}"
    " (rows | row)]",
    "[(with | make it | it needs | i need)] {rows:number} (rows | row) [and {columns:number}"
    " (columns | column)]",
    example="three columns",
    group="format",
    when=_empty_here,
    heard=0,
)
@of_table
def of_size(sitting: Sitting, table: Table, columns: int = 0, rows: int = 0) -> Done | Refusal:
    """Give a table that is still empty so many columns or rows."""
    columns, rows = columns or table.columns, rows or table.rows
    if not (1 <= columns <= _MOST_COLUMNS and rows >= 1 and rows * columns <= MOST_CELLS):
        return Refusal("A table has one to twenty columns, and not too many rows.")
    cells = [[empty_cell() for _ in range(columns)] for _ in range(rows)]
    after = rebuilt(sitting, table, cells, True, [1.0] * columns, at=(0, 0))
    size = f"{many(rows, 'row')} and {many(columns, 'column')}"
    return Done(replace(after, wrote=after.caret), f"the table has {size}")


_MOST_COLUMNS = 20


CATALOGUE.table(
    "every_cell",
    {
        "(every | each) [single] (cell | box)": True,
        "(all | all of | all the | all of the) (cells | boxes)": True,
        "[(every | each | all the | the)] empty (cell | cells | box | boxes)": False,
    },
    heard=False,
)


def _headed(sitting: Sitting, parse: Parse) -> bool:
    return there_is(sitting, parse) and isinstance(resolve(parse.args["target"], sitting), Places)


@command(
    "fill [in | up] {target:grid_part} with {text}",
    "fill [in | up] {every:every_cell} (of | in | under) {target:grid_part} with {text}",
    "(put | write | enter) {text:words} (in | into) {every:every_cell} (of | in | under | for)"
    " {target:grid_part}",
    Way(
        "(put | write | enter) {text:words} (in | into) {every:every_cell} (of | in | under | for)"
        " {target:column_named}",
        when=_headed,
    ),
    "(put | write | enter) {text:words} all the way (down | along | across) {target:grid_part}",
    example="fill the boat column with gull",
    group="format",
    when=there_is,
    heard=1,
)
@of_part
def fill_part(sitting: Sitting, target: Part, text: Said, every: bool = False) -> Done | Refusal:
    """Write the same words into the cells of rows or columns: the empty ones, or every one."""
    table, blocks = target.table, sitting.document.blocks
    headed = has_header(rows_of(blocks, table))
    rows = target.numbers if target.unit is Unit.ROW else range(int(headed), table.rows)
    columns = target.numbers if target.unit is Unit.COLUMN else range(table.columns)
    cells = [table.cell(r, c) for r in rows for c in columns]
    chosen = [b for b in cells if every or not blocks[b].text.strip()]
    if not chosen:
        return Refusal(
            "None of those cells is empty.", "", "“Put ... in every cell of” writes over them."
        )
    for b in chosen:
        sitting = written_in(sitting, b, text).sitting
    said = sitting.document.blocks[chosen[0]].text
    return Done(sitting.about(()), f"{quoted(said)} is in {many(len(chosen), 'cell')}")


def _in_an_empty_cell(sitting: Sitting, parse: Parse) -> bool:
    """ "Put paint the rail in friday's job", where nothing stands yet; "put the pot in nell's
    kitchen" says where a thing goes."""
    found = resolve(parse.args["crossed"], sitting)
    text = tuple(parse.args.get("text", ("the",)))
    empty = isinstance(found, Places) and found.first.empty
    return empty and text[0] not in ("the", "it", "that", "this", "my", "your", "them")


def _there(sitting: Sitting, parse: Parse) -> bool:
    return there_is(sitting, parse) and a_row_and_a_column(sitting, parse)


@command(
    Way("(put | write | enter) {text:words} (in | into | for) {crossed}", when=_in_an_empty_cell),
    Way(
        "{text:words} (goes | belongs | should go | needs to go) (in | under | into) [the]"
        " {column:words} [column] (on | for | in | at | of) [the] {row:words} [row]",
        when=_there,
    ),
    example="paint the rail goes in the job column on friday",
    group="format",
    when=there_is,
    heard=0,
)
def put_there(
    sitting: Sitting,
    text: Said,
    crossed: Places | None = None,
    row: Said = (),
    column: Said = (),
) -> Done | Refusal:
    """Write words into a cell that has none yet, by its row and its column."""
    if crossed is not None:
        b = crossed.first.start.block
    else:
        table = here(sitting)
        if isinstance(table, Refusal):
            return table
        r, c = row_and_column(sitting, table, row, column)
        assert r is not None and c is not None
        b = table.cell(r, c)
    if says := sitting.document.blocks[b].text.strip():
        return Refusal(f"That cell says {quoted(says)}.", "", "“Change” it, or empty it first.")
    wrote = written_in(sitting, b, text)
    return Done(wrote.sitting, f"wrote {quoted(wrote.text)} there")
