"""The table that a command is about: the one of the writing place, of a target, of a heading."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import replace
from functools import wraps
from typing import Concatenate, NamedTuple, ParamSpec

from nimble_lantern.core.commands.columns import columns_of
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.composing.placing import Wrote
from nimble_lantern.core.composing.tabling import has_header, rebuilt, rows_of, shares_of
from nimble_lantern.core.document.edits import AddBlocks, DropBlocks, Edit, Splice
from nimble_lantern.core.document.model import Block, Document, Piece, Position, Range
from nimble_lantern.core.document.tables import Table, table_at, tables
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.alike import kind_of, of_one_kind
from nimble_lantern.core.targets.model import Crossing, Places, Unit, Words
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.targets.tabled import column_of, row_of
from nimble_lantern.core.targets.words import normal, places
from nimble_lantern.core.writing.cardinals import cardinal

P = ParamSpec("P")
OF_THE_SPEAKER = (("me",), ("the", "cursor"), ("the", "caret"), ("my", "cursor"))
"""Put somewhere, they are no words to be written: "put me in row two"."""


def in_table(sitting: Sitting, parse: Parse | None = None) -> bool:
    return sitting.document.blocks[sitting.writing_place.block].cell is not None


def there_is(sitting: Sitting, parse: Parse) -> bool:
    return any(block.cell for block in sitting.document.blocks)


def here(sitting: Sitting) -> Table | Refusal:
    """The table in which the writing place stands, else the nearest."""
    at = sitting.writing_place.block
    inside = table_at(sitting.document.blocks, at)
    if inside is not None:
        return inside
    every = tables(sitting.document.blocks)
    if not every:
        return Refusal("There is no table here.", "", "“Make a table with two columns” makes one.")
    return min(every, key=lambda t: max(t.first - at, at - t.last, 0))


def of_table(
    handler: Callable[Concatenate[Sitting, Table, P], Done | Refusal],
) -> Callable[Concatenate[Sitting, P], Done | Refusal]:
    """Hand the table of the writing place, or the nearest, to a handler; refused without one."""

    @wraps(handler)
    def handled(sitting: Sitting, /, *args: P.args, **slots: P.kwargs) -> Done | Refusal:
        table = here(sitting)
        if isinstance(table, Refusal):
            return table
        return handler(sitting, table, *args, **slots)

    return handled


def table_of(sitting: Sitting, target: Places) -> Table | Refusal:
    found = table_at(sitting.document.blocks, target.first.start.block)
    return found or Refusal("That stands in no table.")


def cell_here(sitting: Sitting, table: Table) -> tuple[int, int]:
    """The row and column of the writing place, or of the table's first cell."""
    cell = sitting.document.blocks[sitting.writing_place.block].cell
    inside = table.first <= sitting.writing_place.block <= table.last
    return (cell.row, cell.column) if cell is not None and inside else (0, 0)


class Part(NamedTuple):
    """Rows or columns of a table, by their numbers from 0, and what they hold."""

    table: Table
    unit: Unit
    numbers: list[int]
    ranges: tuple[Range, ...] = ()


def part_of(sitting: Sitting, target: Places) -> Part | Refusal:
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
        return Part(table, Unit.COLUMN, sorted({c.column for c in cells}), target.ranges)
    return Part(table, Unit.ROW, sorted({c.row for c in cells}), target.ranges)


def of_part(
    handler: Callable[Concatenate[Sitting, Part, P], Done | Refusal],
) -> Callable[..., Done | Refusal]:
    """Hand a target to a handler as the rows or columns that it is; refused outside of tables."""

    @wraps(handler)
    def handled(
        sitting: Sitting, target: Places, *args: P.args, **slots: P.kwargs
    ) -> Done | Refusal:
        part = part_of(sitting, target)
        if isinstance(part, Refusal):
            return part
        return handler(sitting, part, *args, **slots)

    return handled


def headed_by(sitting: Sitting, words: tuple[str, ...], unit: Unit = Unit.COLUMN) -> Part | Refusal:
    """The column of this table that has these words as its heading, or the row that begins so."""
    table = here(sitting)
    if isinstance(table, Refusal):
        return table
    named = row_named if unit is Unit.ROW else column_named
    number = named(sitting, table, words)
    if number is None:
        return Refusal(f"No {unit.value} is called “{' '.join(words)}”.")
    return Part(table, unit, [number])


def reordered(sitting: Sitting, part: Part, order: list[int]) -> Done | Refusal:
    """The rows or columns of a part's table in another order."""
    table, rows = part.table, rows_of(sitting.document.blocks, part.table)
    if order == sorted(order):
        return Refusal("It stands there already.")
    if part.unit is Unit.ROW:
        after = rebuilt(sitting, table, [rows[n] for n in order])
    else:
        parts = shares_of(rows[0])
        after = rebuilt(
            sitting, table, [[row[n] for n in order] for row in rows],
            shares=[parts[n] for n in order],
        )  # fmt: skip
    return Done(after.about(()), f"{many(len(part.numbers), part.unit.value)} moved")


def written_in(sitting: Sitting, b: int, text: Sequence[str]) -> Wrote:
    """Words written over what a cell says; the caret stays, unless it stood in there."""
    said = block_range(sitting.document, b)
    there = replace(
        sitting,
        selection=None if said.empty else said,
        fresh=not said.empty,
        caret=said.start,
    )
    wrote = compose(there, text)
    away = sitting.caret.block != b
    after = replace(wrote.sitting, caret=sitting.caret if away else wrote.range.end)
    return replace(wrote, sitting=after)


def moved_by(sitting: Sitting, part: Part, steps: int) -> Done | Refusal:
    """Rows or columns so many places on, or back where it is negative; no row over a heading."""
    rows = rows_of(sitting.document.blocks, part.table)
    size = part.table.rows if part.unit is Unit.ROW else part.table.columns
    heads = part.unit is Unit.ROW and has_header(rows) and 0 not in part.numbers
    order = [n for n in range(size) if n not in part.numbers]
    at = min(max(1 if heads else 0, part.numbers[0] + steps), len(order))
    order[at:at] = part.numbers
    return reordered(sitting, part, order)


def row_moved_by(sitting: Sitting, r: Range, steps: int) -> Done | Refusal | None:
    """The row of a whole cell moved up or down; None if it is no such cell, or heads columns."""
    blocks = sitting.document.blocks
    cell, table = blocks[r.start.block].cell, table_at(blocks, r.start.block)
    whole = r == block_range(sitting.document, r.start.block)
    if cell is None or table is None or cell.row == 0 or not whole:
        return None
    return moved_by(sitting, Part(table, Unit.ROW, [cell.row]), steps)


def headed_cells(document: Document, places: Places) -> list[int]:
    """The cells of the column whose heading stands at a place, or of the row that begins there;
    none elsewhere."""
    b = places.first.start.block
    cell, table = document.blocks[b].cell, table_at(document.blocks, b)
    if cell is None or table is None or places.ranges != (block_range(document, b),):
        return []
    if cell.header:
        return [table.cell(row, cell.column) for row in range(table.rows)]
    heading = document.blocks[table.first].cell
    if cell.column or heading is None or not heading.header:
        return []
    return [table.cell(cell.row, column) for column in range(table.columns)]


def column_headed(document: Document, places: Places) -> Places:
    """The column of a heading, where a place is one and is called by its words."""
    heading = document.blocks[places.first.start.block].cell
    if places.unit is not None or heading is None or not heading.header:
        return places
    ranges = tuple(block_range(document, b) for b in headed_cells(document, places))
    return replace(places, ranges=ranges) if ranges else places


def cell_beside(sitting: Sitting, one: Range, other: Range, before: bool) -> Done | Refusal | None:
    """Whole cells that are moved beside each other are rows, or columns by their headings; None
    if they are no such cells."""
    blocks = sitting.document.blocks
    cells = [blocks[r.start.block].cell for r in (one, other)]
    rows = [_is_a_row(sitting, r) for r in (one, other)]
    whole = all(
        row or r == block_range(sitting.document, r.start.block)
        for row, r in zip(rows, (one, other), strict=True)
    )
    table = table_at(blocks, one.start.block)
    if None in cells or not whole or table is None:
        return None
    a, b = (cell for cell in cells if cell is not None)
    if table != table_at(blocks, other.start.block):
        return None
    if not any(rows) and a.row == b.row == 0:
        unit, count, n, m = Unit.COLUMN, table.columns, a.column, b.column
    elif any(rows) or a.column == b.column:
        unit, count, n, m = Unit.ROW, table.rows, a.row, b.row
    elif b.row == 0 and not before:
        return _under_a_heading(sitting, one, table.cell(a.row, b.column))
    else:
        return None
    order = [k for k in range(count) if k != n]
    order.insert(order.index(m) + (not before) if m in order else n, n)
    return reordered(sitting, Part(table, unit, [n]), order)


def _under_a_heading(sitting: Sitting, cell: Range, to: int) -> Done | Refusal:
    """What a cell says in another of its row, if nothing stands there: "move bow under seat"."""
    blocks, here = sitting.document.blocks, cell.start.block
    if there := blocks[to].text.strip():
        return Refusal(f"{quoted(there)} stands there.", "", "“Swap” them, or empty that cell.")
    text = blocks[here].piece(0, len(blocks[here].text))
    steps = (Splice(here, 0, len(text.text), Piece("")), Splice(to, 0, len(blocks[to].text), text))
    after = sitting.edited(Edit(steps))
    return Done(after.about((block_range(after.document, to),)), f"moved {quoted(text.text)}")


def _is_a_row(sitting: Sitting, r: Range) -> bool:
    """Whether a range is all cells of one row."""
    table = table_at(sitting.document.blocks, r.start.block)
    cell = sitting.document.blocks[r.start.block].cell
    return (
        table is not None and cell is not None and r == table.row(sitting.document.blocks, cell.row)
    )


def headed(sitting: Sitting, words: tuple[str, ...]) -> Places | None:
    """The heading of this table that says these words."""
    part = headed_by(sitting, words)
    if isinstance(part, Refusal):
        return None
    b = part.table.cell(0, part.numbers[0])
    return Places((block_range(sitting.document, b),))


def head_two(sitting: Sitting, one: tuple[str, ...], other: tuple[str, ...]) -> bool:
    """Whether two wordings head two columns of this table."""
    table = here(sitting)
    if isinstance(table, Refusal):
        return False
    columns = {column_named(sitting, table, words) for words in (one, other)}
    return len(columns) == 2 and None not in columns


def two_headings(sitting: Sitting, one: object, other: object) -> bool:
    """Whether two wordings are headings of this table, and one of them stands nowhere else.

    "Put fee before boat" is said of their columns then.
    """
    names = _two_names(one, other)
    if names is None:
        return False
    name, goal = names
    if not (only_as_heading(sitting, name) or only_as_heading(sitting, goal)):
        return False
    table = here(sitting)
    named = not isinstance(table, Refusal) and column_named(sitting, table, name) is not None
    return named and not isinstance(headed_by(sitting, goal), Refusal)


def two_rows(sitting: Sitting, one: object, other: object) -> list[Part] | None:
    """The rows that two wordings name by all that their cells in one column say, if they are two:
    the first column, or one that says each of them once."""
    table, names = here(sitting), _two_names(one, other)
    if names is None or isinstance(table, Refusal):
        return None
    said = [normal((*name[:-1], name[-1].removesuffix("'s"))) for name in names]
    for column in range(table.columns):
        cells = _said_in_column(sitting, table, column)
        told = all(words in cells if not column else cells.count(words) == 1 for words in said)
        if told and said[0] != said[1]:
            return [Part(table, Unit.ROW, [cells.index(words)]) for words in said]
    return None


def _said_in_column(sitting: Sitting, table: Table, column: int) -> list[tuple[str, ...]]:
    blocks = sitting.document.blocks
    texts = (blocks[table.cell(r, column)].text for r in range(table.rows))
    return [normal(tuple(text.lower().split())) for text in texts]


def all_of_a_cell(sitting: Sitting, words: tuple[str, ...]) -> bool:
    """Whether words are all that one cell of this table says."""
    table = here(sitting)
    if isinstance(table, Refusal):
        return False
    columns = (_said_in_column(sitting, table, c) for c in range(table.columns))
    return sum(cells.count(normal(words)) for cells in columns) == 1


def _two_names(one: object, other: object) -> list[tuple[str, ...]] | None:
    """The words of two wordings, without an article; None if one has none."""
    found: list[tuple[str, ...]] = []
    for value in (one, other):
        words = value.words if isinstance(value, Words) else value
        if not isinstance(words, tuple) or not words or words == ("the",):
            return None
        found.append(words[1:] if words[0] == "the" else words)
    return found


def only_as_heading(sitting: Sitting, words: tuple[str, ...]) -> bool:
    """Whether words stand in headings of tables, and nowhere else."""
    blocks = sitting.document.blocks
    cells = [blocks[r.start.block].cell for r in places(sitting.document, words)]
    return bool(cells) and all(cell is not None and not cell.row for cell in cells)


def heads_a_row(sitting: Sitting, parse: Parse) -> bool:
    return heads_row(sitting, parse.args.get("words", ()))


def heads_row(sitting: Sitting, words: tuple[str, ...]) -> bool:
    """Whether a row of this table is called so."""
    table = here(sitting)
    return not isinstance(table, Refusal) and row_named(sitting, table, words) is not None


def row_named(sitting: Sitting, table: Table, words: tuple[str, ...]) -> int | None:
    """ "Nell" and "nell's" alike."""
    if not words:
        return None
    bare = (*words[:-1], words[-1].removesuffix("'s"))
    return row_of(sitting.document.blocks, table, bare)


def heads_a_column(sitting: Sitting, parse: Parse) -> bool:
    table = here(sitting)
    words = parse.args.get("words", ())
    return not isinstance(table, Refusal) and column_named(sitting, table, words) is not None


def column_named(sitting: Sitting, table: Table, words: tuple[str, ...]) -> int | None:
    kept = words[1:] if words[:1] == ("the",) else words
    if not kept:
        return None
    kept = (*kept[:-1], kept[-1].removesuffix("'s"))
    found = column_of(sitting.document.blocks, table, kept)
    return table.columns - 1 if found is None and kept in (("last",), ("final",)) else found


def fits_the_cell(sitting: Sitting, parse: Parse) -> bool:
    """ "Nell's kitchen is eleven" tells what stands in a table, "nell's kitchen is cold" does not:
    what is called somebody's is a cell if such a thing stands there."""
    cells = [v for v in parse.args.values() if isinstance(v, Crossing)]
    text = tuple(parse.args.get("text", ()))
    if text in OF_THE_SPEAKER or _of_another_cell(sitting, parse.args.get("target"), text):
        return False
    for cell in (c for c in cells if c.owned and text):
        found = resolve(cell, sitting)
        if isinstance(found, Refusal):
            return False
        if _suits_its_column(sitting, found.first, text) or _stands_beside(sitting, found, text):
            continue
        there = tuple(sitting.document.text(found.first).lower().split())
        if not there and in_table(sitting, parse):
            continue
        if not kind_of(text) or there and not of_one_kind(there, text):
            return False
        if there and len(there) == 1 and kind_of(text) == "number" and not _bare_number(text):
            return False  # "nell's kitchen has ten pans"
    return True


def _stands_beside(sitting: Sitting, found: Places, text: tuple[str, ...]) -> bool:
    """ "Femi on saturday is greta" of words in a row, where greta is in that table as well; "is
    late" tells."""
    table = None if found.unit else table_at(sitting.document.blocks, found.first.start.block)
    if table is None:
        return False
    last = block_range(sitting.document, table.last)
    return bool(places(sitting.document, text, Range(Position(table.first, 0), last.end)))


def _suits_its_column(sitting: Sitting, r: Range, text: tuple[str, ...]) -> bool:
    """ "Ben's paid should be yes", where another one's is; "week two's cook is tom" of names."""
    blocks = sitting.document.blocks
    table, cell = table_at(blocks, r.start.block), blocks[r.start.block].cell
    if table is None or cell is None:
        return False
    return columns_of(sitting.document, table)[cell.column].suits(text)


def _of_another_cell(sitting: Sitting, target: object, text: tuple[str, ...]) -> bool:
    """ "Change cliff to twenty places", of a row and a column, takes the place of no name."""
    if not isinstance(target, Words) or not _bare_number(text[:-1]):
        return False
    table = here(sitting)
    if isinstance(table, Refusal) or column_named(sitting, table, text[-1:]) is None:
        return False
    return row_named(sitting, table, target.words) is not None


def _bare_number(words: tuple[str, ...]) -> bool:
    found = cardinal(words, 0)
    return found is not None and found[1] == len(words)


def at_cell(sitting: Sitting, table: Table, row: int, column: int) -> Done:
    """At the end of what a cell says, to write on there."""
    b = table.cell(row, column)
    block = sitting.document.blocks[b]
    place = Position(b, len(block.text))
    # "Change it to noon" speaks of what the cell says.
    told = () if not block.text else (block_range(sitting.document, b),)
    after = replace(sitting.placed(place), wrote=place, that=told)
    head = sitting.document.blocks[table.cell(0, column)].text if row else ""
    under = f", under {quoted(head)}" if head else ""
    return Done(after, f"row {row + 1}, column {column + 1}{under}")


def part_out(sitting: Sitting, target: Part) -> Done:
    """Take rows or columns out of a table, with what they say."""
    table, unit, numbers = target.table, target.unit, target.numbers
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


def rows_covered(sitting: Sitting, ranges: Sequence[Range]) -> Part | None:
    """The rows of a table that are covered from end to end by some ranges, and nothing else."""
    document = sitting.document
    table = table_at(document.blocks, ranges[0].start.block) if ranges else None
    if table is None:
        return None
    rows = {table.row(document.blocks, n): n for n in range(table.rows)}
    numbers = [rows[r] for r in ranges if r in rows]
    return Part(table, Unit.ROW, numbers) if len(numbers) == len(ranges) else None


def whole_out(sitting: Sitting, table: Table) -> Done:
    document = sitting.document
    count = table.last - table.first + 1
    if count == len(document.blocks):
        edit = Edit((DropBlocks(0, count), AddBlocks(0, (Block(),))))
    else:
        edit = Edit((DropBlocks(table.first, count),))
    after = sitting.edited(edit).about(())
    b = min(table.first, len(after.document.blocks) - 1)
    return Done(after.placed(Position(b, 0)), "the table is taken out")


def row_is_full(sitting: Sitting, parse: Parse) -> bool:
    """ "That's all", said where every cell of the row says something."""
    table = here(sitting)
    if not in_table(sitting, parse) or isinstance(table, Refusal):
        return False
    cell = sitting.document.blocks[sitting.caret.block].cell
    row = cell.row if cell is not None else 0
    blocks = sitting.document.blocks
    return row > 0 and all(blocks[table.cell(row, c)].text.strip() for c in range(table.columns))


ENDED_BY = (
    "[and] (that's | that'll be) (all | it | everything | the lot) [then]",
    "[all] (done | finished) [with (it | that | this)]",
)
"""What is said where a row is full and nothing more is to come."""
