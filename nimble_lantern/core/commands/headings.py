"""Headings of a table: what they say."""

from __future__ import annotations

from nimble_lantern.core.commands.table_here import (
    column_named,
    heads_a_column,
    here,
    only_as_heading,
    written_in,
)
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, command, each
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, Unit, Units


def _only_a_heading(sitting: Sitting, parse: Parse) -> bool:
    """ "Rename paid to subs", where nothing else is called so."""
    words = parse.args.get("words", ())
    return heads_a_column(sitting, parse) and only_as_heading(sitting, words)


def _one_column(sitting: Sitting, parse: Parse) -> bool:
    """ "Call the third column washing up"."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    table = here(sitting)
    if isinstance(table, Refusal) or not isinstance(target, Units):
        return False
    # "Rename the column skipper to captain" names it.
    named = len(text) > 2 and column_named(sitting, table, text[:1]) is not None
    return target.unit is Unit.COLUMN and target.count == 1 and not named


def _is_a_column(sitting: Sitting, parse: Parse) -> bool:
    return "target" in parse.args or heads_a_column(sitting, parse)


@command(
    "(call | name | rename | head | label) the {words} column [(to | as)] {text:words}",
    "(call | name | rename | head | label | change) the column [(called | named)] {words}"
    " (to | as | into) {text:words}",
    "[the] {words} column is now (called | named | headed) {text:words}",
    "(rename | change | set) the heading [of] {words} [to] {text:words}",
    "[the] heading {words} (<shall> (be | say | read) | becomes | is now | to) {text:words}",
    "[the] {words} column <shall> be [now] (called | named | headed) {text:words}",
    "[the] {words} heading (<shall> (be | say | read) | becomes | is now) {text:words}",
    "(<wish> | let | have) the {words} column [to] [be] (called | named | headed) {text:words}",
    "(call | name) [the] column {words} {text:words} (instead | from now on)",
    *each(
        _only_a_heading,
        "rename [the] {words} [(to | as | into)] {text:words}",
        "(change | alter) the name of [the] {words} [column] (to | into) {text:words}",
        "[the] {words} <shall> be [now] (called | named | headed | renamed [(to | as)])"
        " {text:words}",
    ),
    *each(
        _one_column,
        "(call | name | rename | head | label) {target} [(to | as)] {text:words}",
        "{target} <shall> be [now] (called | named | headed) {text:words}",
        "(let | have) {target} be (called | named | headed) {text:words}",
    ),
    heard=0,
    example="call the cost column price",
    group="format",
    when=_is_a_column,
)
def call(
    sitting: Sitting,
    text: tuple[str, ...],
    words: tuple[str, ...] = (),
    target: Places | None = None,
) -> Done | Refusal:
    """Let the heading of a column say something else."""
    if target is not None:
        return _headed(sitting, target.first.start.block, text)
    table = here(sitting)
    if isinstance(table, Refusal):
        return table
    column = column_named(sitting, table, words)
    if column is None:
        return Refusal(f"No column is called “{' '.join(words)}”.")
    return _headed(sitting, table.cell(0, column), text)


def _headed(sitting: Sitting, b: int, text: tuple[str, ...]) -> Done:
    wrote = written_in(sitting, b, text)
    return Done(wrote.sitting, f"the column is called {quoted(wrote.text)} now")
