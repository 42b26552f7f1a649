"""A table in another order: by a column."""

from __future__ import annotations

from nimble_lantern.core.commands.sorted_here import (
    by_price,
    in_its_table,
    is_measured,
    measured,
    priced,
    priced_rows,
    sortable,
    sorted_by,
)
from nimble_lantern.core.commands.table_here import (
    heads_a_column,
    of_table,
)
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.tabling import (
    Rows,
    has_header,
    rebuilt,
    rows_of,
    sort_key,
)
from nimble_lantern.core.document.tables import Table
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command, each
from nimble_lantern.core.state import Done, Sitting


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
    *each(
        heads_a_column,
        "(alphabetise | alphabetize) [the] {words}",
        "(sort | order | arrange) [((the | this) (table | rows) | it | them)] by [the] (number |"
        " amount | count) of {words} [{falling}]",
        "(sort | order | arrange) ((the | this) (table | rows) | it | them) by how (many | much)"
        " {words} ((they | there) (have | are | took) | [each] [of them] has) [{falling}]",
    ),
    "(sort | order | arrange) by the {position} column [{falling}]",
    "(sort | order | arrange) the {words} column [{falling}]",
    "(sort | order | arrange) [(the | this)] [(table | rows | it)] {falling} (by | on) [the]"
    " {words} [column]",
    "(sort | order | arrange) (the | this) table [{falling}]",
    "(alphabetise | alphabetize) (the | this) table",
    "(put | set | arrange) (the | this) (table | rows) (in | into) {falling}",
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
        "[(put | have | <wish>) the] {falling:least_extreme} [(number | amount | count) of] {words}"
        " [(number | figure)] (last | at the bottom)",
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
    "(sort | order | arrange | put) [(it | them | the rows | the table)] (by | in order of | on)"
    " (how much | what) they [each] {of:gained} [{falling}]",
    Way(
        "(sort | order | arrange) [the] {words} by (name | names | their names)",
        when=heads_a_column,
    ),
    *each(
        is_measured,
        "[(put | have | <wish> | list | sort [(it | them | the rows)])] [with] [the] {by:outdoing}"
        " [{kind:words}] (first | at the top)",
        "[(put | have | <wish>)] [the] {by:outdone} [{kind:words}] (last | at the bottom)",
        "(put | sort | order | arrange | list) [(it | them | the rows | the table)] [in order]"
        " [from] [the] {by:outdoing} to [the] {least:outdoing}",
        "(put | sort | order | arrange | list) [the] {kind:words} [in order] [from] [the]"
        " {by:outdoing} to [the] {least:outdoing}",
    ),
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
    by: tuple[bool, tuple[str, ...]] | None = None,
    least: tuple[bool, tuple[str, ...]] | None = None,
    kind: tuple[str, ...] = (),
    of: tuple[str, ...] = (),
) -> Done | Refusal:
    """Sort the rows of a table by a column: numbers, dates and words each in their order."""
    if dearest is not None:
        column, falling = priced(sitting, table), dearest
    elif by is not None:
        falling, of = by
        column = sorted_by(sitting, table, (measured(sitting, table, of) or "",))
    elif words is not None:
        column = sorted_by(sitting, table, words)
    elif of:
        column = sorted_by(sitting, table, (measured(sitting, table, of) or "",))
    else:
        column = (number or position or 1) - 1
    if column is None or not 0 <= column < table.columns:
        return Refusal("There is no such column.", "", "Say its heading, or its number.")
    first, body, last = _parts(rows_of(sitting.document.blocks, table))
    keys = sort_key([row[column].text for row in body])
    full = [i for i in range(len(body)) if keys[i][0] == 0]
    empty = [i for i in range(len(body)) if keys[i][0]]
    full.sort(key=lambda i: keys[i][1], reverse=falling)
    ordered = [body[i] for i in (*full, *empty)]
    after = rebuilt(sitting, table, first + ordered + last)
    head = sitting.document.blocks[table.cell(0, column)].text or f"column {column + 1}"
    return Done(after.about(()), f"sorted by {quoted(head)}{', backwards' if falling else ''}")


def _parts(rows: Rows) -> tuple[Rows, Rows, Rows]:
    """The heading row, the rows that are put in order, and a total that stays below them."""
    first = 1 if has_header(rows) else 0
    total = len(rows) > first and rows[-1][0].text.strip().lower() == "total"
    end = len(rows) - total
    return rows[:first], rows[first:end], rows[end:]


def _just_sorted(sitting: Sitting, parse: Parse) -> bool:
    last = sitting.trail[-1].command if sitting.trail else None
    return last in ("grid.sort", "grid.turn_round")


@command(
    "[no] [(sorry | actually | i meant | i mean | make it | do it | sort it)] [the] other way"
    " [(round | around | up)]",
    "[no] [(i meant | i mean | make it | do it)] (backwards | reversed | in reverse | upside down)",
    "(turn (it | them | the rows) (round | around) | reverse the (order | rows))",
    example="no the other way round",
    group="format",
    heard=0,
    when=_just_sorted,
)
@of_table
def turn_round(sitting: Sitting, table: Table) -> Done:
    """Put the rows that were just sorted in the opposite order."""
    first, body, last = _parts(rows_of(sitting.document.blocks, table))
    after = rebuilt(sitting, table, first + body[::-1] + last)
    return Done(after.about(()), "the rows are the other way round")
