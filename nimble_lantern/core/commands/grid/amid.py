"""Rows that are added among others with what they say: "a row for friday after wednesday"."""

from __future__ import annotations

from nimble_lantern.core.commands.columns import Said
from nimble_lantern.core.commands.grid import parts
from nimble_lantern.core.commands.grid.filling import cells_told, filled, with_a_row
from nimble_lantern.core.commands.sharing import fill_a_row
from nimble_lantern.core.commands.table_here import heads_a_row, heads_row, here, in_table, there_is
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command, each
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Unit

_NAMED = "(for | with | called | named | saying | that says)"
_AMONG = (
    "{side} [the] {words} [row]",
    "[in] between [the] {words} and [the] {other:words}",
)


def _both_head_rows(sitting: Sitting, parse: Parse) -> bool:
    """ "Friday between wednesday and saturday", of which each heads a row."""
    return heads_a_row(sitting, parse) and heads_row(sitting, tuple(parse.args.get("other", ())))


def _fills_one(sitting: Sitting, parse: Parse) -> bool:
    """ "After plants put jam osric ten thirty", where that is all the cells of a row."""
    words, other, text = (tuple(parse.args.get(name, ())) for name in ("words", "other", "text"))
    beside = not other or heads_row(sitting, other)
    return beside and heads_row(sitting, words) and fill_a_row(sitting, text, words)


@command(
    *each(
        heads_a_row,
        *(f"<add_one> {{row:row_or_line}} {_NAMED} {{text:words}} {among}" for among in _AMONG),
        *(f"<add_one> {{row:row_or_line}} {among} {_NAMED} {{text}}" for among in _AMONG),
        *(f"<adding> (a | another) {{text:words}} row {among}" for among in _AMONG),
        *(f"{among} <add_one> {{row:row_or_line}} {_NAMED} {{text}}" for among in _AMONG),
    ),
    Way(
        "(<adding> | put) {text:words} [in] between [the] {words} and [the] {other:words}",
        when=_both_head_rows,
    ),
    *each(
        _fills_one,
        *(f"{among} [<adding>] [a row] {{text}}" for among in _AMONG),
        "(<adding> | put | have) {text:words} {side} {words}",
        *(f"{among} (put | have | comes | goes) {{text}}" for among in _AMONG),
    ),
    example="add a row for friday after the wednesday row",
    group="format",
    when=there_is,
    heard=0,
)
def add_amid(
    sitting: Sitting,
    text: Said,
    words: Said,
    other: Said = (),
    side: int = 0,
    row: Unit = Unit.ROW,
) -> Done | Refusal:
    """Add a row above or below another one, or between two, and fill its cells."""
    table = here(sitting)
    if isinstance(table, Refusal):
        return table
    said = cells_told(sitting, table, text)
    if isinstance(said, Refusal):
        return said
    beside = parts.row_beside(sitting, words, other)
    if isinstance(beside, Refusal):
        return beside
    at = beside + (side > 0 or bool(other))
    grown, larger = with_a_row(sitting, table, at)
    return filled(grown, larger, at, said, go_there=in_table(sitting))
