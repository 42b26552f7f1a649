"""Rows, columns and cells by what they say: "the kitchen column", "ida's row"."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.document import units
from nimble_lantern.core.document.model import Block, Position, Range
from nimble_lantern.core.document.tables import Table, tables
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.lexicon.names import MONTHS
from nimble_lantern.core.targets.finding import Absent, Answer, View, find, finds, reference
from nimble_lantern.core.targets.model import (
    Beyond,
    Crossing,
    EmptyCell,
    Headed,
    Inside,
    Places,
    Tabled,
    Under,
    Unit,
    Words,
)
from nimble_lantern.core.targets.names import look_up
from nimble_lantern.core.targets.words import exact, normal
from nimble_lantern.core.writing.cardinals import cardinal, ordinal


def near_tables(view: View) -> list[Table]:
    """The tables of a document, the nearest first."""
    here = reference(view).start.block
    every = tables(view.document.blocks)
    return sorted(every, key=lambda t: max(t.first - here, here - t.last, 0))


def _says(texts: Sequence[str], words: tuple[str, ...]) -> int | None:
    """Which of some cells says these words and no others."""
    wanted = normal(words)
    said = [normal(tuple(text.lower().split())) for text in texts]
    for same in (tuple, singular):
        found = [i for i, words in enumerate(said) if words and same(words) == same(wanted)]
        if found and (same is tuple or len(found) == 1):
            return found[0]
    return None


def singular(words: tuple[str, ...]) -> tuple[str, ...]:
    """Words with the last one as one of its kind: "prices" as "price"."""
    plural = bool(words) and names_several(words[-1])
    if plural and words[-1].endswith(_AFTER_A_HISS):
        return (*words[:-1], words[-1][:-2])  # "buses"
    return (*words[:-1], words[-1][:-1]) if plural else words


_AFTER_A_HISS = ("uses", "sses", "xes", "ches", "shes")


def names_several(word: str) -> bool:
    """Whether a word names several of its kind: "forks"."""
    return len(word) > _LEAST_PLURAL and word.endswith("s") and not word.endswith("ss")


_LEAST_PLURAL = 3


def _index(texts: Sequence[str], words: tuple[str, ...]) -> int | None:
    """Which of some cells says these words: all of it, or the only one that has them."""
    whole = _says(texts, words)
    if whole is not None:
        return whole
    name = look_up(words, [t for t in texts if t.strip()], partial=True)
    return list(texts).index(name) if name is not None else None


def column_of(blocks: Sequence[Block], table: Table, words: tuple[str, ...]) -> int | None:
    """The column whose first cell says these words, or the only one that means the same."""
    heads = _column_heads(blocks, table)
    found = _index(heads, words)
    if found is None and len(words) > 1 and words[-1] in _WHAT_A_COLUMN_HAS:
        found = _says(heads, words[:-1])  # "the start times" under "start"
    if found is not None or not words:
        return found
    alike = next((group for group in _ALIKE if singular(words[-1:])[0] in group), frozenset())
    same = [c for c, head in enumerate(heads) if not alike.isdisjoint(head.lower().split())]
    if not same and (written := _WRITTEN.get(singular(words[-1:])[0])) is not None:
        same = [c for c in range(1, table.columns) if _all_written(blocks, table, c, written)]
    return same[0] if len(same) == 1 and len(words) == 1 else None


_WRITTEN = {
    "time": re.compile(r"\d{1,2}([:.]\d\d)?( ?[ap]\.?m\.?)?|noon|midnight|.* o’clock", re.I),
    "date": re.compile(r"(\w+ )?\d{1,2}(st|nd|rd|th)? [A-Z]\w+( \d{4})?"),
}
"""How what a column is called by its kind stands written, where no heading says so."""


def _all_written(blocks: Sequence[Block], table: Table, c: int, written: re.Pattern[str]) -> bool:
    cells = [blocks[table.cell(r, c)].text.strip() for r in range(1, table.rows)]
    said = [cell for cell in cells if cell]
    timed = any(not cell.isdecimal() for cell in said)  # bare numbers may count anything
    return timed and all(written.fullmatch(cell) for cell in said)


_WHAT_A_COLUMN_HAS = frozenset(
    "times time dates date days names numbers figures amounts sums hours prices words".split()
)
PRICES = frozenset(
    "price cost fee charge fare amount rate rent each pound euro dollar money".split()
)
_ALIKE = (
    PRICES,
    *(
        frozenset(group.split())
        for group in (
            "phone telephone mobile tel",
            "name who person whom",
            "date day when",
            "time hour clock",
            "place where venue location",
            "task job work duty what",
            "notes note remarks remark comments comment",
        )
    ),
)
"""What headings of columns are called besides, each in one of its kind."""


def _row_under(
    blocks: Sequence[Block], table: Table, words: tuple[str, ...], heads: Sequence[str]
) -> tuple[int | None, bool]:
    """The row that says so under the heading that words begin with, and whether one does."""
    for size in range(1, len(words)):
        c = _says(heads, words[:size])
        if c is not None:
            cells = [blocks[table.cell(r, c)].text for r in range(1, table.rows)]
            r = _says(cells, words[size:])
            return None if r is None else r + 1, True
    return None, False


def row_under_a_heading(view: View, words: tuple[str, ...]) -> Range | None:
    """The row of "week two", where the first column is headed "Week" and a cell of it says 2."""
    blocks = view.document.blocks
    for table in near_tables(view):
        row, _ = _row_under(blocks, table, words, _column_heads(blocks, table)[:1])
        if row is not None:
            return table.row(blocks, row)
    return None


def cell_of_two_names(view: View, words: tuple[str, ...]) -> Range | None:
    """The cell of "books takings", where a row begins with "books" under such a heading; or of
    "takings books"."""
    bare = words[1:] if words[:1] == ("the",) else words
    if len(bare) < 2:
        return None
    blocks = view.document.blocks
    for table in near_tables(view):
        heads = _column_heads(blocks, table)[1:]
        rows = [blocks[table.cell(r, 0)].text for r in range(1, table.rows)]
        for n in range(1, len(bare)):
            for row, column in ((bare[:n], bare[n:]), (bare[n:], bare[:n])):
                r, c = _says(rows, row), _says(heads, column)
                if r is not None and c is not None:
                    return block_range(view.document, table.cell(r + 1, c + 1))
    return None


def _column_heads(blocks: Sequence[Block], table: Table) -> list[str]:
    return [blocks[table.cell(0, c)].text for c in range(table.columns)]


def _dated(texts: Sequence[str], words: tuple[str, ...]) -> int | None:
    """Which of some cells holds the day that words tell: "8 June" is the eighth of june."""
    bare = tuple(w for w in words if w not in ("the", "of"))
    month = next((w for w in bare if w in MONTHS), "")
    rest = tuple(w for w in bare if w != month)
    day = (ordinal(rest, 0) or cardinal(rest, 0)) if month and rest else None
    if day is None or day[1] != len(rest):
        return None
    wanted = {str(day[0]), month}
    said = (frozenset(re.findall(r"\d+|[a-z]{3,}", text.lower())) for text in texts)
    found = [i for i, tokens in enumerate(said) if wanted <= tokens]
    return found[0] if len(found) == 1 else None


def row_called(blocks: Sequence[Block], table: Table, words: tuple[str, ...]) -> int | None:
    """The row whose first cell says these words and no others, or their day."""
    first = [blocks[table.cell(r, 0)].text for r in range(table.rows)]
    said = _says(first, words)
    return said if said is not None else _dated(first, words)


def row_of(blocks: Sequence[Block], table: Table, words: tuple[str, ...]) -> int | None:
    """The row whose first cell says these words, else the only row that has them.

    "Week two" is the row whose cell under "Week" says so.
    """
    first = _index([blocks[table.cell(r, 0)].text for r in range(table.rows)], words)
    if first is None:
        first = _dated([blocks[table.cell(r, 0)].text for r in range(table.rows)], words)
    if first is not None:
        return first
    under, told = _row_under(blocks, table, words, _column_heads(blocks, table))
    if told:
        return under
    # What stands in the headings names a column.
    heads = blocks[table.cell(0, 0)].cell
    body = 1 if heads is not None and heads.header else 0
    rows = [" ".join(blocks[table.cell(r, c)].text for c in range(table.columns))
            for r in range(body, table.rows)]  # fmt: skip
    found = _index(rows, words)
    return None if found is None else found + body


def _below_a_heading(target: Tabled, view: View) -> Places | None:
    """ "Everything under money", where a heading of the text says so."""
    if not target.below or target.unit is not Unit.COLUMN:
        return None
    found = [r for r in exact(view.document, target.words) if units.is_a_heading(view.document, r)]
    return below_heading(view, found[0]) if len(found) == 1 else None


def below_heading(view: View, heading: Range) -> Places | None:
    """The paragraphs of a heading's section without it; None where nothing stands there."""
    sections = units.blocks(view.document, Unit.SECTION.value, view.document.whole)
    held = [s for s in sections if s.start.block == heading.start.block]
    if not held or held[0].end.block == held[0].start.block:
        return None
    below = range(held[0].start.block + 1, held[0].end.block + 1)
    ranges = (block_range(view.document, b) for b in below)
    return Places(tuple(r for r in ranges if not r.empty), unit=Unit.PARAGRAPH)


@finds(Headed)
def _headed(target: Headed, view: View, near: bool) -> Answer:
    found = [r for r in exact(view.document, target.words) if units.is_a_heading(view.document, r)]
    below = below_heading(view, found[0]) if len(found) == 1 else None
    if below is None:
        return Refusal("No heading says so." if not found else "There is nothing there.")
    return Places((Range(below.ranges[0].start, below.ranges[-1].end),), unit=Unit.SECTION)


@finds(Under)
def _under(target: Under, view: View, near: bool) -> Answer:
    goal = find(target.goal, view, near)
    if isinstance(goal, Refusal):
        return goal
    heads = [r for r in goal.ranges if units.is_a_heading(view.document, r)]
    if len(heads) == 1:
        below = below_heading(view, heads[0])
        if below is None:
            return Refusal("There is nothing there.")
        whole = Range(below.ranges[0].start, below.ranges[-1].end)
        return replace(below, ranges=(whole,)) if target.within else below
    if target.within:
        return Refusal("No heading says so.")
    if isinstance(target.goal, Words):
        column = find(Tabled(Unit.COLUMN, target.goal.words, below=True), view, near)
        if isinstance(column, Places):
            return column
    b, at = goal.ranges[-1].end
    rest = view.document.blocks[b].text[at:]
    if (
        len(goal.ranges) == 1
        and b + 1 < len(view.document.blocks)
        and not any(c.isalnum() for c in rest)
    ):
        # Below "yours sincerely" stands a name, and no comma.
        return Places((Range(Position(b + 1, 0), view.document.end),))
    return find(Beyond(target.goal, True), view, near)


@finds(Inside)
def _inside(target: Inside, view: View, near: bool) -> Answer:
    found = find(target.whole, view, near)
    if isinstance(found, Places) and found.unit is Unit.ROW:
        return replace(found, unit=Unit.CELL)
    return found


@finds(Tabled)
def _tabled(target: Tabled, view: View, near: bool) -> Answer:
    blocks = view.document.blocks
    every = near_tables(view)
    headed = _below_a_heading(target, view)
    if not every:
        return headed or Absent("There is no table here.")
    for table in every:
        if target.unit is Unit.COLUMN:
            c = column_of(blocks, table, target.words)
            if c is not None:
                held = table.column(blocks, c)
                return Places(held[1:] if target.below else held, unit=Unit.COLUMN)
        else:
            r = row_of(blocks, table, target.words)
            if r is not None:
                whole = table.row(blocks, r)
                return Places((whole,), unit=Unit.CELL if target.contents else Unit.ROW)
    if headed is not None:
        return headed
    said = f"No {target.unit.value} is called “{' '.join(target.words)}”."
    return Absent(said) if target.guessed else Refusal(said)


def cells_of_a_kind(view: View, words: tuple[str, ...]) -> tuple[Range, ...]:
    """What stands under the heading that names one of several: "makers" under "maker"."""
    blocks, one = view.document.blocks, singular(words)
    for table in near_tables(view) if one != words else ():
        heads = _column_heads(blocks, table)
        c = _says(heads, one)
        c = _says(heads, words) if c is None else c
        if c is not None:
            return table.column(blocks, c)[1:]
    return ()


def _numbered(words: tuple[str, ...], unit: Unit, count: int) -> int | None:
    """The index of "row two", "the second row" or "the last row", of so many."""
    bare = words[1:] if words[:1] == ("the",) else words
    if len(bare) < 2 or unit.value not in (bare[0], bare[-1]):
        return None
    named = bare[0] == unit.value
    said = bare[1:] if named else bare[:-1]
    if said == ("last",):
        return count - 1
    found = cardinal(said, 0) if named else ordinal(said, 0)
    whole = found is not None and found[1] == len(said) and 1 <= found[0] <= count
    return found[0] - 1 if found and whole else None


@finds(EmptyCell)
def _empty_cell(target: EmptyCell, view: View, near: bool) -> Answer:
    """Of the nearest table that has one; which of several is asked."""
    blocks = view.document.blocks
    for table in near_tables(view):
        empty = [b for b in range(table.first, table.last + 1) if not blocks[b].text.strip()]
        if empty:
            found = tuple(block_range(view.document, b) for b in empty)
            return Places(found, ask=len(found) > 1, unit=Unit.CELL)
    return Absent("No cell of a table is empty here.")


def _only(cells: Sequence[str], text: str) -> bool:
    return sum(cell.strip() == text.strip() for cell in cells) == 1


@finds(Crossing)
def _cross(target: Crossing, view: View, near: bool) -> Answer:
    blocks = view.document.blocks
    every = near_tables(view)
    if not every:
        return Absent("There is no table here.")
    for table in every:
        r = _numbered(target.row, Unit.ROW, table.rows)
        r = row_of(blocks, table, target.row) if r is None else r
        c = _numbered(target.column, Unit.COLUMN, table.columns)
        c = column_of(blocks, table, target.column) if c is None else c
        if r is not None and c is not None:
            b = table.cell(r, c)
            held: Range = block_range(view.document, b)
            return Places((held,), unit=Unit.CELL)
    said = [r for table in every for r in _said_in_a_row(target, view, table)]
    return Places(tuple(said)) if len(said) == 1 else Absent("There is no such cell.")


def _said_in_a_row(target: Crossing, view: View, table: Table) -> list[Range]:
    """ "Femi on saturday": the words in the row whose first cell says so, or the only one that has
    such a cell."""
    blocks = view.document.blocks
    columns = (
        [blocks[table.cell(r, c)].text for r in range(table.rows)] for c in range(table.columns)
    )
    said = ((_says(cells, target.row), cells) for cells in columns if target.owned)
    once = (r for r, cells in said if r is not None and _only(cells, cells[r]))
    r = next(once, None)
    if r is None:
        return []
    if target.column in _A_NUMBER:
        cells = [block_range(view.document, table.cell(r, c)) for c in range(table.columns)]
        return [cell for cell in cells if view.document.text(cell).strip().isdecimal()]
    return exact(view.document, target.column, table.row(blocks, r))


_A_NUMBER = (("number",), ("figure",), ("amount",))
