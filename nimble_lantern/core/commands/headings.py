"""Headings of a table: what they say, and columns by their headings alone."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands.table_here import (
    Part,
    column_named,
    head_two,
    headed_by,
    heads_a_column,
    of_table,
    reordered,
)
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.document.model import Position, Range
from nimble_lantern.core.document.tables import Table
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, command
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Unit


@command(
    "(call | name | rename | head | label) the {words} column [(to | as)] {text:words}",
    "(rename | change | set) the heading [of] {words} [to] {text:words}",
    "[the] heading {words} (<shall> (be | say | read) | becomes | is now | to) {text:words}",
    "[the] {words} column <shall> be [now] (called | named | headed) {text:words}",
    "[the] {words} heading (<shall> (be | say | read) | becomes | is now) {text:words}",
    "(<wish> | let | have) the {words} column [to] [be] (called | named | headed) {text:words}",
    "(call | name) [the] column {words} {text:words} (instead | from now on)",
    heard=0,
    example="call the cost column price",
    group="format",
    when=heads_a_column,
)
@of_table
def call(
    sitting: Sitting, table: Table, words: tuple[str, ...], text: tuple[str, ...]
) -> Done | Refusal:
    """Let the heading of a column say something else."""
    column = column_named(sitting, table, words)
    if column is None:
        return Refusal(f"No column is called “{' '.join(words)}”.")
    b = table.cell(0, column)
    size = len(sitting.document.blocks[b].text)
    said = Range(Position(b, 0), Position(b, size))
    there = replace(sitting, selection=said if size else None, fresh=bool(size), caret=said.start)
    wrote = compose(there, text)
    away = sitting.caret.block != b
    after = replace(wrote.sitting, caret=sitting.caret if away else wrote.range.end)
    return Done(after, f"the column is called {quoted(wrote.text)} now")


def _heads_two(sitting: Sitting, parse: Parse) -> bool:
    return head_two(sitting, parse.args.get("name", ()), parse.args.get("words", ()))


@command(
    "(swap | exchange | switch) [the] {name:words} (and | with) [the] {words} [columns]",
    "[the] {name:words} and [the] {words} (swapped | the other way round)",
    heard=0,
    example="boat and guide swapped",
    group="format",
    when=_heads_two,
    moves=True,
)
def swap(sitting: Sitting, name: tuple[str, ...], words: tuple[str, ...]) -> Done | Refusal:
    """Put two columns in each other's place, called by their headings alone."""
    one, other = headed_by(sitting, name), headed_by(sitting, words)
    if isinstance(one, Refusal):
        return one
    if isinstance(other, Refusal):
        return other
    table = one.table
    a, b = one.numbers[0], other.numbers[0]
    order = list(range(table.columns))
    order[a], order[b] = b, a
    return reordered(sitting, Part(table, Unit.COLUMN, [a, b]), order)
