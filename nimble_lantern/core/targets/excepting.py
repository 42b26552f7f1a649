"""A target without a part of it: "everything but the title", "every item but the last two"."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import replace
from typing import Any

from nimble_lantern.core.document.model import Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import rule
from nimble_lantern.core.targets.finding import Answer, View, find, finds
from nimble_lantern.core.targets.model import Except, Order, Places, Target, Unit, Units, Words

BUT = "(except [for] | but [for | not] | apart from | other than | excluding | save | though not)"
EXCEPTED = re.compile(r"\b(except|but not|apart from|other than|excluding)\b")
"""In words that were to be written, if what was to be left out was not understood."""


@rule(
    "target",
    f"{{whole:everything}} {BUT} {{part:endpoint}}",
    f"{{whole:part}} {BUT} {{part:endpoint}}",
    heard=False,
)
def _all_but(whole: Target, part: Any) -> Except | None:
    """ "Everything but the title", "every item except the last one"."""
    left_out = Words(part) if isinstance(part, tuple) else part
    return Except(whole, left_out) if isinstance(whole, Units) else None


@rule(
    "target",
    f"{{whole:part}} {BUT} [the] {{which:nthorder}} [{{number}}] [(one | ones)]",
    heard=False,
)
def _all_but_some(whole: Target, which: tuple[Order, int], number: int = 1) -> Except | None:
    """ "Every item but the last two": of the same kind."""
    if not isinstance(whole, Units) or whole.order is not Order.EVERY:
        return None
    return Except(whole, Units(whole.unit, which[0], number, which[1], of=whole.of))


@rule(
    "target",
    f"{{wordorder}} {{words}} {BUT} [the] {{which:nthorder}} [{{number}}] [(one | ones)]",
    heard=False,
)
def _all_words_but(
    wordorder: tuple[Order, int],
    words: tuple[str, ...],
    which: tuple[Order, int],
    number: int = 1,
) -> Except | None:
    """ "Every lamp but the first"."""
    if wordorder[0] is not Order.EVERY or number != 1:
        return None
    return Except(Words(words, Order.EVERY), Words(words, *which))


def left_out(places: Places, which: tuple[Order, int]) -> Places | Refusal:
    """The places but one of them: the first, the last or the one of that number."""
    order, n = which
    at = {Order.FIRST: 0, Order.LAST: len(places.ranges) - 1}.get(order, n - 1)
    left = tuple(r for i, r in enumerate(places.ranges) if i != at)
    if not 0 <= at < len(places.ranges) or not left:
        return Refusal("Nothing is left then." if not left else "There are not that many.")
    return replace(places, ranges=left, ask=False)


def left_beyond(places: Places, spared: Places) -> Places | Refusal:
    """The places that do not lie in a part that is to stay as it is."""
    held = [(r.start, r.end) for r in spared.ranges]
    left = tuple(r for r in places.ranges if not any(a <= r.start < b for a, b in held))
    if not left:
        return Refusal("Nothing is left then.")
    if len(left) == len(places.ranges):
        return Refusal("Those words do not stand there.", "", "Nothing was changed.")
    return replace(places, ranges=left, ask=False)


@finds(Except)
def _except(target: Except, view: View, near: bool) -> Answer:
    named = target.part
    if isinstance(named, Words) and isinstance(target.whole, Words):
        every = find(target.whole, view, near)
        one = (named.order or Order.FIRST, named.n)
        return every if isinstance(every, Refusal) else left_out(every, one)
    if isinstance(named, Words) and named.of is None:
        named = replace(named, of=target.whole)
    whole, part = find(target.whole, view, near), find(named, view, near)
    for answer in (whole, part):
        if isinstance(answer, Refusal):
            return answer
    assert isinstance(whole, Places) and isinstance(part, Places)
    if part.ask:
        return Refusal("What is to be left out stands in several places.", "", "Say which.")
    if whole.unit in (Unit.ROW, Unit.COLUMN):
        left = _other_lines(view, whole, part.ranges)
    else:
        left = [r for one in whole.ranges for r in _without(view, one, part.ranges)]
    if left == list(whole.ranges):
        return Refusal("What is to be left out is no part of that.")
    if not left:
        return Refusal("Nothing is left then.")
    return Places(tuple(left), unit=whole.unit)


def _other_lines(view: View, whole: Places, parts: Sequence[Range]) -> list[Range]:
    """The rows or columns in which nothing stands that is to be left out.

    The row of the headings is none of "every row but the last".
    """

    def line(b: int) -> tuple[int, int] | None:
        cell = view.document.blocks[b].cell
        return cell and (cell.table, cell.row if whole.unit is Unit.ROW else cell.column)

    kept = {line(b) for r in parts for b in range(r.start.block, r.end.block + 1)}
    left = [one for one in whole.ranges if line(one.start.block) not in kept]
    heads = (view.document.blocks[one.start.block].cell for one in left)
    of_rows = whole.unit is Unit.ROW
    return [r for r, h in zip(left, heads, strict=True) if not (of_rows and h and h.header)]


def _without(view: View, whole: Range, parts: Sequence[Range]) -> Iterator[Range]:
    """What is left of a range, in whole blocks where whole blocks are left out."""
    blocks, start = view.document.blocks, whole.start
    for part in (*sorted(parts), Range(whole.end, whole.end)):
        if part.end < start or part.start > whole.end:
            continue
        end = part.start
        if start.block < end.block:
            if start.offset == len(blocks[start.block].text) and start != whole.start:
                start = Position(start.block + 1, 0)
            if end.offset == 0 and end != whole.end:
                end = Position(end.block - 1, len(blocks[end.block - 1].text))
        if start < end:
            yield Range(start, end)
        start = part.end
