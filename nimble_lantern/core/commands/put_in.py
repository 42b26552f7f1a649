"""When words are said to be put into a cell, and which row and column are told."""

from __future__ import annotations

from nimble_lantern.core.commands.columns import columns_of
from nimble_lantern.core.commands.table_here import (
    OF_THE_SPEAKER,
    column_named,
    fits_the_cell,
    here,
    in_table,
    row_named,
)
from nimble_lantern.core.document.tables import Table
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse
from nimble_lantern.core.lexicon.closed import PREPOSITIONS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.alike import kind_of, of_one_kind
from nimble_lantern.core.targets.words import exact


def a_row_and_a_column(sitting: Sitting, parse: Parse) -> bool:
    """ "In week two put Nell under boat", where there is such a row, and such a column."""
    table = here(sitting)
    row, column = (tuple(parse.args.get(name, ())) for name in ("row", "column"))
    return not isinstance(table, Refusal) and None not in row_and_column(
        sitting, table, row, column
    )


def a_row_and_its_column(sitting: Sitting, parse: Parse) -> bool:
    """ "Set lamp oil due to friday"; "nell's kitchen" is a cell by its owner."""
    owned = parse.args.get("row", ("",))[-1].endswith("'s")
    return not owned and a_row_and_a_column(sitting, parse)


def of_its_kind(sitting: Sitting, parse: Parse) -> bool:
    """ "Plants helper is Ruth", where helpers are names; "books takings are up" tells."""
    if not a_row_and_its_column(sitting, parse):
        return False
    table, text = here(sitting), tuple(parse.args.get("text", ()))
    if isinstance(table, Refusal):
        return False
    c = column_named(sitting, table, tuple(parse.args["column"]))
    return c is not None and columns_of(sitting.document, table)[c].may_say(text)


def without_alike(
    text: tuple[str, ...], old: tuple[str, ...]
) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """ "On thursday not on tuesday" is of the days, and "at eleven not twelve" of the hours."""
    told = len(text) > 1 and text[0] in PREPOSITIONS
    if told and text[0] in old[:1] and len(old) > 1:
        return text[1:], old[1:]
    return (text[1:], old) if told and of_one_kind(text[1:], old) else (text, old)


def says_the_old(sitting: Sitting, parse: Parse) -> bool:
    """ "Tom has eight tickets not seven", where Tom's cell under "Tickets" says so."""
    table = here(sitting)
    if isinstance(table, Refusal):
        return False
    row, column = (parse.args.get(slot, ()) for slot in ("row", "column"))
    _, old = without_alike(parse.args.get("text", ()), parse.args.get("old", ()))
    r, c = row_and_column(sitting, table, row, column)
    if r is None or c is None:
        return False
    b = table.cell(r, c)
    whole = block_range(sitting.document, b)
    return any(found == whole for found in exact(sitting.document, old))


def old_in_row(
    sitting: Sitting, table: Table, row: tuple[str, ...], old: tuple[str, ...]
) -> int | None:
    """The column in which this row says those words and nothing else, if there is but one."""
    r = row_named(sitting, table, row)
    if r is None:
        return None
    said = exact(sitting.document, old)
    wholes = (block_range(sitting.document, table.cell(r, c)) for c in range(table.columns))
    found = [c for c, whole in enumerate(wholes) if whole in said]
    return found[0] if len(found) == 1 else None


def told_column(
    sitting: Sitting,
    table: Table,
    row: tuple[str, ...],
    text: tuple[str, ...],
    old: tuple[str, ...],
) -> int | None:
    """The column where a row says the old words; without any, something of the new one's kind."""
    if old:
        return old_in_row(sitting, table, row, old)
    r, kind = row_named(sitting, table, row), kind_of(text)
    if r is None:
        return None
    held = columns_of(sitting.document, table)
    if kind in ("", "name") and held[0].kinds & {"day", "date"}:
        # A name, where one column holds names and the rows are days: "ruth down for monday".
        people = [c for c in range(1, table.columns) if "name" in held[c].kinds]
        may = [c for c in people if held[c].may_say(text)]
        return may[0] if len(may) == 1 == len(people) else None
    if not kind:
        return None
    said = [sitting.document.blocks[table.cell(r, c)].text for c in range(table.columns)]
    alike = [c for c in range(1, len(said)) if kind_of(tuple(said[c].lower().split())) == kind]
    return alike[0] if len(alike) == 1 else None


def for_one_cell(sitting: Sitting, parse: Parse) -> bool:
    """ "Monday is Ruth now", where one cell of its row has a name; "Tom is six now" may be told
    below the table."""
    table = here(sitting)
    row, text = (tuple(parse.args.get(slot, ())) for slot in ("row", "text"))
    if kind_of(text) == "number" and not in_table(sitting, parse):
        return False
    return not isinstance(table, Refusal) and told_column(sitting, table, row, text, ()) is not None


def of_a_day(sitting: Sitting, parse: Parse) -> bool:
    """ "Give ida the third of march", where the rows are days; "osric should be nell" is of two."""
    table = here(sitting)
    if isinstance(table, Refusal):
        return False
    days = columns_of(sitting.document, table)[0].kinds & {"day", "date"}
    return bool(days) and for_one_cell(sitting, parse)


def row_says_the_old(sitting: Sitting, parse: Parse) -> bool:
    """ "Rope has twelve not fourteen", where one cell of its row says fourteen."""
    table = here(sitting)
    row = parse.args.get("row", ())
    text, old = without_alike(parse.args.get("text", ()), parse.args.get("old", ()))
    if isinstance(table, Refusal) or column_named(sitting, table, tuple(text[-1:])) is not None:
        return False  # "tom has eight tickets not seven" names the column
    return old_in_row(sitting, table, row, old) is not None


def of_words(sitting: Sitting, parse: Parse) -> bool:
    """ "Put me in row two" is said of the writing place."""
    text = tuple(parse.args.get("text", ()))
    return text not in OF_THE_SPEAKER and fits_the_cell(sitting, parse)


def of_words_in_a_table(sitting: Sitting, parse: Parse) -> bool:
    return in_table(sitting, parse) and of_words(sitting, parse)


def row_and_column(
    sitting: Sitting, table: Table, row: tuple[str, ...], column: tuple[str, ...]
) -> tuple[int | None, int | None]:
    return row_named(sitting, table, row), column_named(sitting, table, column)


OF_A_CELL = (
    "(in | for | on | at) {row:words} (put | write | enter | have) {text:words} (under | in"
    " | for | on | at | as) [the] {column:words} [column]",
    "(in | for | under | at) [the] {column:words} [column] (put | write | enter | have)"
    " {text:words} (in | for | on | at) {row:words}",
    "[the] {row:words} <shall> (have | get | be given) {text:words} [(in | under | for)]"
    " [the]"
    " {column:words} [column]",
    "(put | write | enter) {text:words} ((under | in) [the] | [down] as [the])"
    " {column:words} [column] (in | for | on | at) {row:words}",
    "(put | write | enter) {text:words} (in | for) {row:words} (in | for | on | under | at)"
    " [the] {column:words} [column]",
    "(change | replace) what's (in | under | at | for) {row:words} (in | on | under | at)"
    " [the] {column:words} [column] (to | with) {text:words}",
    "(set | make | change) [the] {column:words} (for | of | in | on | at) {row:words}"
    " (to | as | be | say) {text:words}",
    "[the] {column:words} (for | of | in | on | at) {row:words} <shall> (be | say) {text:words}",
)
"""How words are put into the cell of a row and a column that are named."""
OF_A_ROW = (
    "put {text:words} down for [the] {row:words}",
    "[the] {row:words} is now {text:words}",
    "[the] {row:words} is {text:words} now",
)
OF_A_DAY = (
    "(put | have) {text:words} (for | on | down on) [the] {row:words}",
    "give {text:words} the {row:words}",
    "on [the] {row:words} (it should be | it is | it's | it will be | put | have) {text:words}",
    "[the] {row:words} (should be | goes to | is for | is going to be) {text:words}",
)
"""Who or what stands in a row: of its day, where one cell is of that kind."""
OF_A_CELL_TOGETHER = (
    "(put | write | enter | set | add) {text:words} (in | into | for | at | under | on | down for)"
    " [the] {row:words} {column:words} [(cell | box | slot | square | space)]",
    "(make | let) [the] {row:words} {column:words} [be] {text:words}",
)
"""The same, where row and column are named together: "put Ruth in Tuesday evening"."""
