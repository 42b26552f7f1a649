"""Rows that are added with what their cells say: "add a row with hester drew, gull and cox"."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from nimble_lantern.core.commands import tables
from nimble_lantern.core.commands.columns import LINKED, Column, Said, columns_of
from nimble_lantern.core.commands.table_here import (
    at_cell,
    here,
    in_table,
    of_table,
    there_is,
    written_in,
)
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.composing.tabling import empty_cell, has_header, rebuilt, rows_of
from nimble_lantern.core.document.model import Document
from nimble_lantern.core.document.tables import Table, table_at
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command, each
from nimble_lantern.core.lexicon.closed import AUXILIARIES, PREPOSITIONS
from nimble_lantern.core.lexicon.desk import PARTS
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Unit
from nimble_lantern.core.targets.words import exact
from nimble_lantern.core.writing.cardinals import cardinal

_MARKS = (("comma",), ("semicolon",), ("next", "cell"), ("next",), ("then",))
_LINKS = frozenset("and with in on at for is has gets takes".split())
_CLEARLY = 1.0


def cells_said(document: Document, table: Table, words: Sequence[str]) -> tuple[Said, ...] | None:
    """What each cell of a new row is to say, from the first one on; None if that is not clear.

    Marks part the cells; else each column gets words, such as stand in it or are of its kind.
    """
    words = tuple(words)
    if len(parted := _parted(words)) > 1:
        return parted if len(parted) <= table.columns else None
    bare = tuple(w for w in words if w not in _LINKS)
    if len(bare) == 1:
        return (bare,)
    ways = _best_ways(words, columns_of(document, table))
    if not ways or len(ways) > 1 and ways[0][0] - ways[1][0] < _CLEARLY:
        return None
    return ways[0][1]


def shared_surely(document: Document, table: Table, words: Sequence[str], besides: int = 1) -> bool:
    """Whether words are all the cells of a row, and nobody would share them out otherwise: all
    columns but one, or `besides`, get what stands in them already or is of their kind."""
    said = cells_said(document, table, words)
    if said is None or len(said) != table.columns or len(said) == 1:
        return False
    columns = zip(columns_of(document, table), said, strict=True)
    return sum(column.suits(cell) for column, cell in columns) >= len(said) - besides


def _parted(words: Said) -> tuple[Said, ...]:
    """The words between marks, without an "and" that begins the last of a list."""
    found: list[list[str]] = [[]]
    i = 0
    while i < len(words):
        mark = next((m for m in _MARKS if words[i : i + len(m)] == m), None)
        if mark:
            found.append([])
        elif found[-1] or words[i] != "and":
            found[-1].append(words[i])
        i += len(mark) if mark else 1
    return tuple(tuple(part) for part in found if part)


_Way = tuple[float, tuple[Said, ...]]


def _inside_numbers(words: Said) -> frozenset[int]:
    """Where no cell may end, as a number goes on: "forty five" is one."""
    found: set[int] = set()
    i = 0
    while i < len(words):
        number = cardinal(words, i)
        end = number[1] if number else i + 1
        found |= set(range(i + 1, end))
        i = end
    return frozenset(found)


def _best_ways(words: Said, columns: Sequence[Column]) -> list[_Way]:
    """The two best ways to share all the words out among all the columns, the better one first.

    From the last column back: what the words from each place on are worth in the columns left.
    """
    inside = _inside_numbers(words)
    ways: dict[int, list[_Way]] = {len(words): [(0.0, ())]}
    for n, column in reversed(list(enumerate(columns))):
        ways = {
            start: _two_best(words, start, n > 0, column, ways)
            for start in range(len(words))
            if start not in inside
        }
    return ways.get(0, [])


def _two_best(
    words: Said, start: int, later: bool, column: Column, ways: Mapping[int, list[_Way]]
) -> list[_Way]:
    linked = later and words[start] in _LINKS
    first = start + linked
    found = []
    for end in range(first + 1, len(words) + 1):
        said = words[first:end]
        if said[0] not in _LINKS and said[-1] not in _LINKS:
            worth = column.worth(said) + (LINKED if linked else 0.0)
            found += [(worth + more, (said, *others)) for more, others in ways.get(end, [])]
    return sorted(found, key=lambda way: -way[0])[:2]


_NO_CELL = PREPOSITIONS | frozenset("and is was through into across along under around".split())


def _clear(sitting: Sitting, parse: Parse) -> bool:
    """ "New row hester gull cox", and not "another row of houses"."""
    table, text = here(sitting), tuple(parse.args.get("text", ()))
    if isinstance(table, Refusal) or not text or text[0] in _NO_CELL:
        return False
    said = cells_said(sitting.document, table, text)
    return said is not None and len(said) > 1


def _clear_in_the_table(sitting: Sitting, parse: Parse) -> bool:
    return in_table(sitting, parse) and _clear(sitting, parse)


def _clear_or_sure(sitting: Sitting, parse: Parse) -> bool:
    """ "New row sunday ruth tom", also from outside, where those can only be its cells."""
    table, text = here(sitting), tuple(parse.args.get("text", ()))
    sure = not isinstance(table, Refusal) and shared_surely(sitting.document, table, text)
    return sure or _clear_in_the_table(sitting, parse)


def _no_statement(sitting: Sitting, parse: Parse) -> bool:
    """ "Gull in the next one"; "the sum is in the next column" tells."""
    return tuple(parse.args.get("text", ("is",)))[-1] not in AUXILIARIES


def _no_way(sitting: Sitting, parse: Parse) -> bool:
    """ "The next cell gull"; "the next cell down" is a way to go."""
    return tuple(parse.args.get("text", ("",)))[0] not in _WAYS


_WAYS = frozenset("down up below above along across over to on is says".split())


def _new_and_clear(sitting: Sitting, parse: Parse) -> bool:
    text = tuple(parse.args.get("text", ()))
    told = not PARTS.isdisjoint(text) or bool(exact(sitting.document, text))
    return _clear(sitting, parse) and not told


@command(
    "<add_one> {row:row_or_line} [{ended}] (with | saying | that says | which says | containing |"
    " reading | for) {text}",
    Way(
        "(<adding> | <wish> | <put>) (a | an | another | one more) [new] {row:row_or_line}"
        " [{ended}] {text}",
        when=_clear,
    ),
    *each(
        _clear_in_the_table,
        "[and] [the] (first | next | second | third | last | top) row [(is | has | with | says)]"
        " {text}",
        "[and] then {text}",
    ),
    Way(
        "(another | new | a new) {row:row_or_line} [(with | saying | that says)] {text}",
        when=_clear_or_sure,
    ),
    *each(
        _new_and_clear,
        "(<adding> | put | enter | write) {text:words} (to | in | into) <the_table>",
        "(<adding> | put | enter | write) {text:words} (at | to) the (end | bottom) of <the_table>",
        "(<adding> | put | enter | write) {text:words} as a [new] row",
    ),
    example="add a row with hester comma gull comma cox",
    group="format",
    when=there_is,
    heard=2,
)
@of_table
def fill_row(
    sitting: Sitting, table: Table, text: Said, row: Unit = Unit.ROW, ended: int = 1
) -> Done | Refusal:
    """Add a row and fill its cells, at the end of the table or where the first empty row is."""
    said = cells_told(sitting, table, text)
    if isinstance(said, Refusal):
        return said
    blocks = sitting.document.blocks
    rows = rows_of(blocks, table)
    inside = blocks[sitting.writing_place.block].cell is not None
    empty = (r for r in range(1, table.rows) if not any(b.text.strip() for b in rows[r]))
    at = next(empty, table.rows) if ended > 0 else int(has_header(rows))
    if ended < 0 or at == table.rows:
        sitting, table = with_a_row(sitting, table, at)
    return filled(sitting, table, at, said, go_there=inside)


def with_a_row(sitting: Sitting, table: Table, at: int) -> tuple[Sitting, Table]:
    """The sitting with an empty row at a number, and the table as it is then."""
    rows = rows_of(sitting.document.blocks, table)
    rows.insert(at, [empty_cell(block) for block in rows[-1]])
    after = rebuilt(sitting, table, rows)
    return after, table_at(after.document.blocks, table.first) or table


def cells_told(sitting: Sitting, table: Table, text: Said) -> tuple[Said, ...] | Refusal:
    """What each cell is to say, or that it is not clear."""
    said = cells_said(sitting.document, table, text)
    columns = many(table.columns, "column")
    unclear = f"Which words go into which of {columns}?"
    return said if said is not None else Refusal(unclear, "", "Say a comma between the cells.")


def filled(
    sitting: Sitting, table: Table, row: int, said: Sequence[Said], go_there: bool = True
) -> Done:
    """The cells of a row, written from the first one on."""
    for column, words in enumerate(said):
        sitting = written_in(sitting, table.cell(row, column), words).sitting
    after = at_cell(sitting, table, row, len(said) - 1).sitting if go_there else sitting
    told = (sitting.document.blocks[table.cell(row, c)].text for c in range(len(said)))
    return Done(after, f"row {row + 1}: {', '.join(map(quoted, told))}")


@command(
    Way(
        "[and] [then] {text:words} (in | into | under) [the] next (one | cell | box | column)",
        when=_no_statement,
    ),
    Way(
        "[and] [then] [(in | into | for)] [the] next (cell | box) [(is | says)] {text}",
        when=_no_way,
    ),
    Way("(in | into | for) the next one {text}", when=_no_way),
    "[and] [then] [(in | into | for)] [the] (next (cell | one | box) down | (cell | one | box)"
    " (below | under it | underneath)) [(is | says)] {below:words}",
    example="gull in the next cell",
    group="format",
    when=in_table,
    heard=0,
)
def put_next(sitting: Sitting, text: Said = (), below: Said = ()) -> Done | Refusal:
    """Write words into the next cell, or the one below, and stay there."""
    there = tables.down(sitting, 1) if below else tables.next_cell(sitting)
    text = below or text
    if isinstance(there, Refusal):
        return there
    wrote = written_in(there.sitting, there.sitting.caret.block, text)
    return Done(wrote.sitting, f"wrote {quoted(wrote.text)}")
