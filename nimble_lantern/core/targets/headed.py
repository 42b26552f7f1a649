"""How rows, columns and cells are named by what they say."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.grammar.catalogue import CATALOGUE, rule
from nimble_lantern.core.lexicon.closed import DETERMINERS, LITTLE, PREPOSITIONS
from nimble_lantern.core.targets.model import (
    Both,
    CellAt,
    Crossing,
    EmptyCell,
    Headed,
    Holding,
    Inside,
    Order,
    Tabled,
    Target,
    Unit,
    Units,
    Words,
    of_a_grid,
    of_the_page,
    unit_named,
)
from nimble_lantern.core.writing.cardinals import cardinal

CATALOGUE.table("tabled", {"row": Unit.ROW, "column": Unit.COLUMN})
CATALOGUE.table("tabled_several", {"rows": Unit.ROW, "columns": Unit.COLUMN}, heard=False)


def _bare(words: tuple[str, ...]) -> tuple[str, ...]:
    """Words without an article before them, or what makes them a possessor."""
    kept = words[1:] if words[:1] in (("the",), ("my",)) and len(words) > 1 else words
    last = kept[-1].removesuffix("'s").removesuffix("’s")
    return (*kept[:-1], last)


def _meeting(a: tuple[str, ...], b: tuple[str, ...], owned: bool = False) -> Crossing | None:
    """The cell of a row and a column that are called something: "that under the" names none."""
    row, column = _bare(a), _bare(b)
    named = not _NO_NAME.issuperset(row) and not _NO_NAME.issuperset(column)
    return Crossing(row, column, owned=owned) if named else None


_NO_NAME = DETERMINERS | {"it", "them"}


@rule("target", "[the] {words} {unit:tabled}", heard=False)
@rule("target", "[the] {unit:tabled} (called | headed | named | for | of) {words}")
def _by_name(words: tuple[str, ...], unit: Unit) -> Tabled | None:
    return None if words[-1] in DETERMINERS else Tabled(unit, _bare(words))


@rule("scope", "[the] {words} {unit:tabled}", heard=False)
def _in_it(words: tuple[str, ...], unit: Unit) -> Tabled | None:
    """ "In the driver column change ivy to nell"."""
    return None if words[-1] in DETERMINERS else Tabled(unit, _bare(words))


@rule("scope", "[the] {words}", heard=False)
def _in_a_numbered_row(words: tuple[str, ...]) -> Tabled | None:
    """ "In week two put nell instead of ida": a name and a number may be those of a row."""
    named = words[1:] if words[0] == "the" else words
    said = cardinal(named, 1) if 1 < len(named) <= _LONGEST_NAME else None
    return in_a_row(words) if said is not None and said[1] == len(named) else None


def in_a_row(words: tuple[str, ...]) -> Tabled | None:
    """What words after "on", "in" or "for" name if they are a row's: "on saturday"."""
    named = words[1:] if words[:1] == ("the",) else words
    told = 0 < len(named) <= _LONGEST_NAME and named[0] not in _PARTS and not cardinal(named, 0)
    return Tabled(Unit.ROW, named, guessed=True) if told and LITTLE.isdisjoint(named) else None


_LONGEST_NAME = 3
_PARTS = frozenset("row line column item number paragraph sentence page".split())
"""Before a number they name what they are."""


@rule("under_it", "[the] {words} [(section | part | chapter)]", heard=False)
def _headed(words: tuple[str, ...]) -> Headed | None:
    return None if words[0] in PREPOSITIONS else Headed(words)


@rule("nested", "{part} (of | in | on | from | under) {of:under_it}", heard=False)
@rule("nested", "{part} (of | in | on | from | under) {words:owner} (section | part)", heard=False)
def _of_a_section(
    part: Units, of: Headed | None = None, words: tuple[str, ...] = ()
) -> Units | None:
    """ "The last sentence of monday", where a heading says so."""
    if part.unit not in _OF_SECTIONS or part.order is Order.THIS:
        return None
    return Units(part.unit, part.order, part.count, part.n, of or Headed(_bare(words)))


@rule(
    "target",
    "(everything | all | [all] the text) (in | on | of | from) {part:under_it}",
    heard=False,
)
def _all_of_a_section(part: Headed) -> Headed:
    return part


_OF_SECTIONS = (
    Unit.SENTENCE, Unit.QUESTION, Unit.PARAGRAPH, Unit.LINE, Unit.ITEM, Unit.LIST, Unit.TABLE,
)  # fmt: skip


@rule("target", "{words:owner} line", heard=False)
def _line_of(words: tuple[str, ...]) -> Tabled:
    """ "Tom's line", in a table."""
    return Tabled(Unit.ROW, _bare(words))


@rule("target", "{words:owner} (item | bullet | point | bullet point | list item)", heard=False)
def _item_of(words: tuple[str, ...]) -> Holding:
    """ "Ida's item": the one that names her."""
    return Holding(Unit.ITEM, Words(_bare(words)))


@rule(
    "target",
    "[the] column under {words}",
    "[the] column (that (has | says | tells) | with | containing | holding) {words}",
    heard=False,
)
def _column_under(words: tuple[str, ...]) -> Tabled:
    return Tabled(Unit.COLUMN, _bare(words))


@rule("target", "[the] {unit:tabled} {words}", heard=False)
def _by_bare_name(words: tuple[str, ...], unit: Unit) -> Tabled | None:
    """ "The column fee": one word, as more of them go on."""
    return Tabled(unit, words) if len(words) == 1 else None


@rule("target", "[the] {a:words} and [the] {b:words} {unit:tabled_several}", heard=False)
def _two_by_name(a: tuple[str, ...], b: tuple[str, ...], unit: Unit) -> Both:
    return Both(Tabled(unit, _bare(a)), Tabled(unit, _bare(b)))


@rule(
    "target",
    "[the] {a:words} {unit:tabled} and [the] {b:words} {same:tabled}",
    "both [the] {a:words} {unit:tabled} and [the] {b:words} {same:tabled}",
    heard=False,
)
def _two_each_by_name(
    a: tuple[str, ...], b: tuple[str, ...], unit: Unit, same: Unit
) -> Both | None:
    """ "The soap row and the wick row"."""
    return Both(Tabled(unit, _bare(a)), Tabled(unit, _bare(b))) if unit is same else None


@rule("target", "(every | each | all the) (cell | cells) (under | below | in) {words}", heard=False)
@rule(
    "target",
    "everything (under | below) {words}",
    "[all] (the | of the) (cells | numbers | figures | entries) (under | below) {words}",
    heard=False,
)
def _under(words: tuple[str, ...]) -> Tabled:
    kept = words[:-1] if len(words) > 1 and words[-1] in ("column", "heading") else words
    return Tabled(Unit.COLUMN, _bare(kept), below=True)


@rule(
    "target",
    "(everything | all | all that is | what is | [all] [of] the (text | contents | words | cells |"
    " entries | numbers | figures | amounts | names)) (in | of) {part:grid_part}",
    heard=False,
)
def _what_a_row_says(part: Target) -> Target:
    """ "The text in the last row", "everything in the fee column": no row and no column."""
    return replace(part, contents=True) if isinstance(part, Tabled) else Inside(part)


@rule(
    "target",
    "{a:words} (cell | entry) (under | in | for) {b:words}",
    "[the] cell (for | of) {a:words} (under | in | and) {b:words}",
    "[the] cell in {a:words} row (under | below) {b:words}",
    "{a:words} under {b:words}",
    "{a:words} row (under | below) {b:words}",
    "{a:words} row [and] [the] {b:words} column",
    "what {a:words} has (in | under | for) [the] {b:words} [column]",
    "(where | the cell where | the place where) {a:words} and {b:words} (meet | cross)",
    heard=False,
)
def _crossing(a: tuple[str, ...], b: tuple[str, ...]) -> Crossing | None:
    return _meeting(a, b)


@rule(
    "target",
    "[the] {b:words} (cell | entry) (of | for | in | on | at) {a:words} [row]",
    heard=False,
)
def _column_first(a: tuple[str, ...], b: tuple[str, ...]) -> Crossing | None:
    return _meeting(a, b)


@rule("target", "{a:owner} {b:words}", heard=False)
@rule("owned_cell", "{a:owner} {b:words}", heard=False)
def _of_somebody(a: tuple[str, ...], b: tuple[str, ...]) -> Crossing | None:
    """ "Nell's kitchen", where there are such a row and column."""
    return _meeting(a, b, owned=True)


@rule("target", "{a:owner} {b:words} (number | cell | entry | box | figure)", heard=False)
def _owned(a: tuple[str, ...], b: tuple[str, ...]) -> Crossing | None:
    """ "Nell's kitchen number"."""
    return _meeting(a, b)


@rule(
    "target",
    "{b:words} (of | for | in | on) {a:words}",
    "[the] (number | amount | count) of {b:words} (of | for | in | on) [the] {a:words}",
    "{b:words} in ({a:words} | {a:owner}) row",
    heard=False,
)
def _heading_of_row(a: tuple[str, ...], b: tuple[str, ...]) -> Crossing | None:
    """ "The fee of the gull", where there are such a row and column."""
    return _meeting(a, b, owned=True)


@rule(
    "cell_of",
    "[the] {b:words} of [the] {a:words}",
    "[the] (number | amount | count) of {b:words} (of | for | in | on) [the] {a:words}",
    heard=False,
)
def _cell_of_row(a: tuple[str, ...], b: tuple[str, ...]) -> Crossing | None:
    return _meeting(a, b)


@rule("owner", "{words}", heard=False)
def _owner(words: tuple[str, ...]) -> tuple[str, ...] | None:
    return words if words[-1].endswith(("'s", "s'")) else None


@rule(
    "cell_named",
    "[the] {b:words} (cell | entry | box) (of | for | in) {a:words} [row]",
    heard=False,
)
@rule(
    "cell_named",
    "(the | [in] the) cell (where | of | for) {a:words} (and | under) {b:words} [(meet | cross)]",
    "[in] {a:owner} row [and] [the] {b:words} column",
    "[in] {a:owner} row (under | below) [the] {b:words}",
    "where {a:words} and {b:words} (meet | cross)",
    heard=False,
)
def _cell_named(a: tuple[str, ...], b: tuple[str, ...]) -> Crossing | None:
    """A cell so named that nothing else can be meant."""
    return _meeting(a, b)


@rule(
    "cell_named",
    "[the] cell (under | below | in) [the] {b:words} [column] in [the] {a:position_named} row",
    heard=False,
)
def _cell_under(a: str, b: tuple[str, ...]) -> Crossing | None:
    """ "The cell under who in the last row"."""
    return _meeting((a, "row"), b)


CATALOGUE.table(
    "position_named",
    {
        "(last | bottom)": "last", "(first | top)": "first", "second": "second", "third": "third",
        "fourth": "fourth", "fifth": "fifth", "sixth": "sixth",
    },
    heard=False,
)  # fmt: skip


@rule("cell_named", "{a:owner} cell", heard=False)
def _cell_of(a: tuple[str, ...]) -> Holding:
    return Holding(Unit.CELL, Words(_bare(a)))


@rule(
    "cell_named",
    "the cell (with | that has | that says | saying) {words} [in it]",
    "the cell {words} is in",
    heard=False,
)
def _cell_saying(words: tuple[str, ...]) -> Holding:
    return Holding(Unit.CELL, Words(words))


@rule("target", "[the] cell {words}", heard=False)
@rule("target", "[the] {words} cell", heard=False)
def _cell_so_called(words: tuple[str, ...]) -> Holding | None:
    told = not set(words) & (DETERMINERS | PREPOSITIONS) and not words[-1].endswith("'s")
    return Holding(Unit.CELL, Words(words)) if told else None


@rule("target", "[the] {a:nthorder} (cell | entry) (of | in) [the] {words}", heard=False)
def _nth_of_a_row(a: tuple[Order, int], words: tuple[str, ...]) -> Units | None:
    """ "The last cell of linnet", where a row says that."""
    row = None if words[-1] in ("row", "table", "column") else Tabled(Unit.ROW, _bare(words))
    return Units(Unit.CELL, a[0], 1, a[1], of=row) if row is not None else None


@rule("target", "[the] {a:nthorder} (cell | entry) (of | in | under) [the] {words}", heard=False)
def _nth_of_a_column(a: tuple[Order, int], words: tuple[str, ...]) -> Units | None:
    """ "The last cell under minutes"."""
    column = None if words[-1] in ("row", "table", "column") else Tabled(Unit.COLUMN, _bare(words))
    return Units(Unit.CELL, a[0], 1, a[1], of=column) if column is not None else None


@rule("column_named", "[the] {words}", heard=False)
def _column_named(words: tuple[str, ...]) -> Tabled:
    return Tabled(Unit.COLUMN, _bare(words))


@rule("row_named", "[the] {words} [row]", heard=False)
def _row_named(words: tuple[str, ...]) -> Tabled:
    return Tabled(Unit.ROW, _bare(words))


@rule("cell_named", "the row (that | which) (starts | begins) with {words}", heard=False)
def _row_beginning(words: tuple[str, ...]) -> Tabled:
    return Tabled(Unit.ROW, _bare(words))


@rule("target", "[the] row (that | which) (starts | begins) with {words}", heard=False)
def _row_that_begins(words: tuple[str, ...]) -> Tabled:
    return Tabled(Unit.ROW, _bare(words))


@rule(
    "target",
    "[the] (headings | column headings | top row | headers) of (the | this) table",
    "[the] table (headings | headers)",
    "[(the | all the)] (column | columns) (names | titles | headers | headings)",
    "the (column headings | (headings | names | titles) of the columns | column (heads | names) |"
    " heading row | header row)",
    heard=False,
)
def _heading_cells() -> Units:
    return Units(Unit.ROW, Order.FIRST)


@rule("target", "[the cell (in | at)] row {a:number} [and] column {b:number}")
@rule("target", "[the cell in] [the] {a:position} row [and] [the] {b:position} column", heard=False)
def _cell_at(a: int, b: int) -> CellAt:
    return CellAt(a, b)


CATALOGUE.table(
    "corner",
    {
        "top left": (1, 1), "top right": (1, -1),
        "bottom left": (-1, 1), "bottom right": (-1, -1),
    },
    heard=False,
)  # fmt: skip


@rule("corner_cell", "[the] {corner} [hand] (cell | box | corner) [of (the | this) table]")
def _corner(corner: tuple[int, int]) -> CellAt:
    """The cell in a corner of a table, counted from its end where it is negative."""
    return CellAt(*corner)


@rule("target", "{cell:corner_cell}", heard=False)
def _in_a_corner(cell: CellAt) -> CellAt:
    return cell


@rule("target", "[the cell in] column {a:number} (of | in) row {b:number}", heard=False)
@rule("target", "[the cell (in | at)] column {a:number} [and] row {b:number}", heard=False)
@rule("target", "[the cell in] [the] {a:position} column [and] [the] {b:position} row", heard=False)
def _cell_of_column(a: int, b: int) -> CellAt:
    return CellAt(b, a)


@rule("crossed", "{target}", heard=False)
def _crossed(target: Target) -> Target | None:
    return target if isinstance(target, Crossing) else None


@rule("crossed", "{cell:corner_cell}", heard=False)
def _corner_crossed(cell: CellAt) -> CellAt:
    return cell


@rule(
    "empty_cell",
    "(the | that) [only | one] (empty | blank) (cell | box | space | one | place | spot)",
    "(where it is | where it's) (empty | blank)",
    heard=False,
)
def _the_empty_cell() -> EmptyCell:
    return EmptyCell()


@rule("target", "{cell:empty_cell}", heard=False)
@rule("crossed", "{cell:empty_cell}", heard=False)
def _in_the_empty_cell(cell: EmptyCell) -> EmptyCell:
    return cell


@rule("cell_part", "{target}", heard=False)
def _cell_part(target: Target) -> Target | None:
    """A cell, however it is named."""
    cell = isinstance(target, Crossing | CellAt | EmptyCell) or unit_named(target) is Unit.CELL
    return target if cell and of_the_page(target) else None


@rule("target", "the (text | words | contents) (in | of) {part:cell_part}", heard=False)
def _what_a_cell_says(part: Target) -> Target:
    return part


@rule("grid_part", "{target}", heard=False)
def _grid_part(target: Target) -> Target | None:
    # What the cells say is no part of a table.
    said = isinstance(target, Tabled) and (target.below or target.contents)
    said = said or isinstance(target, Inside)
    return target if of_a_grid(target) and not said else None
