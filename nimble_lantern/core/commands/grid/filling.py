"""Rows that are added with what their cells say: "add a row with hester drew, gull and cox"."""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.commands import tables
from nimble_lantern.core.commands.columns import Said
from nimble_lantern.core.commands.sharing import are_a_row, cells_said, shared_surely
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
from nimble_lantern.core.document.tables import Table, table_at
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command, each
from nimble_lantern.core.lexicon.closed import AUXILIARIES, LITTLE, PREPOSITIONS
from nimble_lantern.core.lexicon.desk import PARTS
from nimble_lantern.core.lexicon.manners import BESIDE
from nimble_lantern.core.lexicon.sentences import VERBS
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Unit
from nimble_lantern.core.targets.words import exact, other_number

_NO_CELL = (
    PREPOSITIONS | BESIDE | frozenset("and is was through into across along under around".split())
)


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
    told = LITTLE.isdisjoint(text) and VERBS.isdisjoint(text)  # "new row tern ola thirty six"
    return sure or _clear_in_the_table(sitting, parse) or told and _clear(sitting, parse)


def _surely_a_row(sitting: Sitting, parse: Parse) -> bool:
    """ "Add teas ruth eleven sixty", which can only be the cells of a row."""
    table, text = here(sitting), tuple(parse.args.get("text", ()))
    return not isinstance(table, Refusal) and are_a_row(sitting.document, table, text)


def _told_by_its_heading(sitting: Sitting, parse: Parse) -> bool:
    """ "Another team ravens four eight", where the first column is that of teams."""
    table, text = here(sitting), tuple(parse.args.get("text", ()))
    said = () if isinstance(table, Refusal) else _behind_its_heading(sitting, table, text)
    return bool(said) and said[0] not in _NO_CELL and (AUXILIARIES | VERBS).isdisjoint(said)


def _behind_its_heading(sitting: Sitting, table: Table, text: Said) -> Said:
    """What is said of a row behind the heading of its first column, which tells what it is."""
    heading = sitting.document.blocks[table.cell(0, 0)].text.lower()
    if not text or text[0] not in (heading, other_number(heading)):
        return ()
    called = text[1:2] in (("called",), ("named",))
    return text[1 + called + (called and text[2:3] == ("the",)) :]


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
        "(another | new | a new | one more) {row:row_or_line} [{ended}] [(with | saying | that"
        " says)] {text}",
        when=_clear_or_sure,
    ),
    Way(
        "{row:adds_a_row} {text:words} [(too | as well)]",
        when=_surely_a_row,
    ),
    Way(
        "[{row:adds_a_row}] (a | an | another | one more) [new] {text:words}",
        when=_told_by_its_heading,
    ),
    Way(
        "[(and | then | next)] {row:row_or_line} [(with | saying | is | has)] {text}",
        when=_clear_or_sure,
    ),
    *each(
        _new_and_clear,
        "(<adding> | put | enter | write) {text:words} (to | in | into) <the_table>",
        "(<adding> | put | enter | write) {text:words} (at | to) the (end | bottom) of <the_table>",
        "(<adding> | put | enter | write) {text:words} (as | in | into | on) (a | another) [new]"
        " row",
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
    named = _behind_its_heading(sitting, table, text)
    said = cells_told(sitting, table, named or text)
    if named and isinstance(said, Refusal):
        said = (named,)
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
