"""Stretches from one target to another, two at once, and what lies beside or beyond one."""

from __future__ import annotations

from collections.abc import Iterator
from itertools import islice

from nimble_lantern.core.document import units
from nimble_lantern.core.document.model import Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.targets.cells import next_in_table
from nimble_lantern.core.targets.finding import Answer, View, all_within, find, finds, run_of
from nimble_lantern.core.targets.model import (
    FLOWING,
    Beside,
    Beyond,
    Both,
    Order,
    Places,
    Reach,
    Sign,
    That,
    Through,
    Unit,
    Units,
    Words,
)
from nimble_lantern.core.writing.cardinals import in_words


@finds(That)
def _that(target: That, view: View, near: bool) -> Answer:
    if view.selection and not view.selection.empty:
        return Places((view.selection,))
    if view.that:
        return Places(view.that)
    return Refusal(
        "Nothing is selected and nothing was just written.", "", "Say which words you mean."
    )


@finds(Through)
def _through(target: Through, view: View, near: bool) -> Answer:
    firsts, lasts = find(target.first, view, near), find(target.last, view, near)
    for end in (firsts, lasts):
        if isinstance(end, Refusal):
            return end
    assert isinstance(firsts, Places) and isinstance(lasts, Places)
    tightest: dict[Position, Range] = {}
    for a in firsts.ranges:
        after = next((b for b in lasts.ranges if b.start >= a.end or b == a), None)
        if after is not None and (after.end.block == a.start.block or not target.close):
            tightest[after.end] = Range(a.start, after.end)
    if not tightest:
        return Refusal("The end that you named does not come after the start.")
    found = tuple(tightest.values())
    return Places(found, ask=len(found) > 1, near=firsts.near or lasts.near)


@finds(Reach)
def _reach(target: Reach, view: View, near: bool) -> Answer:
    caret = view.caret
    if target.start is not None:
        return _reach_from(target, view)
    if view.selection is not None:
        caret = view.selection.end if target.forward else view.selection.start
    if target.goal is not None:
        goal = find(target.goal, view)
        if isinstance(goal, Refusal):
            return goal
        after = [r for r in goal.ranges if r.end > caret]
        if not after:
            return Refusal("Those words do not come after the writing place.")
        return Places((Range(caret, after[0].end),), near=goal.near)
    assert target.unit is not None
    around = find(Units(target.unit, Order.THIS), view)
    if isinstance(around, Refusal):
        return around
    r = around.first
    found = Range(caret, max(caret, r.end)) if target.forward else Range(min(caret, r.start), caret)
    if found.empty:
        side = "end" if target.forward else "start"
        return Refusal(f"The writing place is at the {side} already.")
    return Places((found,))


def _reach_from(target: Reach, view: View) -> Answer:
    """From the start of a target to the end of the unit that it stands in."""
    assert target.start is not None and target.unit is not None
    starts = find(target.start, view)
    if isinstance(starts, Refusal):
        return starts
    found: list[Range] = []
    for r in starts.ranges:
        if target.unit is Unit.DOCUMENT:
            end = view.document.end
        else:
            scope = Range(
                Position(r.start.block, 0), units.block_range(view.document, r.end.block).end
            )
            around = all_within(target.unit, view, scope)
            end = next((u.end for u in around if u.start <= r.start < u.end), r.end)
        found.append(Range(r.start, max(end, r.end)))
    return Places(tuple(found), ask=len(found) > 1, near=starts.near)


@finds(Both)
def _both(target: Both, view: View, near: bool) -> Answer:
    held = view.selection is not None or bool(view.that)
    one = That() if held and target.first in _ITSELF else target.first
    first, second = find(one, view, False), find(target.second, view, False)
    for answer in (first, second):
        if isinstance(answer, Refusal):
            return answer
        if answer.ask:
            return Refusal("Those words stand in several places.", "", "Say them one by one.")
    assert isinstance(first, Places) and isinstance(second, Places)
    unit = first.unit if first.unit is second.unit else None
    return Places(tuple(units.disjoint((*first.ranges, *second.ranges))), unit=unit)


_ITSELF = tuple(Words((word,)) for word in ("it", "that", "this", "them"))
"""In "it and the next word" they are what is selected, or was just said."""


@finds(Beside)
def _beside(target: Beside, view: View, near: bool) -> Answer:
    named = target.goal
    if target.unit is Unit.ROW and isinstance(named, Units) and named.unit is Unit.HEADING:
        named = Units(Unit.ROW, Order.FIRST)  # "the row after the headings"
    goal = find(named, view, near)
    if isinstance(goal, Refusal):
        return goal
    document, unit = view.document, target.unit
    if unit is Unit.COLUMN or target.upright and unit is Unit.CELL:
        return next_in_table(goal.first, view, unit, 1 if target.after else -1)
    found: list[Range] = []
    little = unit in FLOWING
    all_units = [] if little else all_within(unit, view, document.whole)
    for r in goal.ranges:
        if little:
            every: Iterator[Range] = (
                (u for u in units.forward(document, unit.value, r.end))
                if target.after
                else (u for u in units.backward(document, unit.value, r.start) if u.end <= r.start)
            )
        else:
            after = (u for u in all_units if u.start > r.end)
            before = (u for u in reversed(all_units) if u.end < r.start)
            every = after if target.after else before
        run = sorted(islice(every, target.count))
        beside = run_of(run) if len(run) == target.count else None
        if beside is not None and beside not in found:
            found.append(beside)
    if not found:
        where = "after" if target.after else "before"
        if target.count > 1:
            return Refusal(f"There are not {in_words(target.count)} {unit.value}s {where} that.")
        return Refusal(f"No {unit.value} stands {where} that.")
    return Places(tuple(found), ask=len(found) > 1, unit=unit, near=goal.near)


def _past_the_stop(view: View, at: Position, outer: Places | None) -> Position:
    """Of a part that is to end at a word, the stop behind that stays."""
    mark = view.document.blocks[at.block].text[at.offset : at.offset + 1]
    return at._replace(offset=at.offset + 1) if outer is not None and mark in _STOPS else at


def _before_the_stop(view: View, at: Position, outer: Places | None) -> Position:
    """Of a sentence whose end is spoken of, the stop stays as well."""
    mark = view.document.blocks[at.block].text[at.offset - 1 : at.offset]
    sentence = outer is not None and outer.unit is Unit.SENTENCE and mark in _STOPS
    return at._replace(offset=at.offset - 1) if sentence else at


_STOPS = (".", "?", "!")


@finds(Beyond)
def _beyond(target: Beyond, view: View, near: bool) -> Answer:
    goal = find(target.goal, view, near)
    if isinstance(goal, Refusal):
        return goal
    outer = find(target.of, view, near) if target.of is not None else None
    if isinstance(outer, Refusal):
        return outer
    wholes = outer.ranges if outer is not None else (view.document.whole,)
    if outer is None and isinstance(target.goal, Sign):
        # What stands before or behind a mark is of its sentence or paragraph.
        wholes = tuple({units.block_range(view.document, r.start.block): 0 for r in goal.ranges})
    ends = (
        Range(_past_the_stop(view, r.end, outer), _before_the_stop(view, whole.end, outer))
        if target.forward
        else Range(whole.start, r.start)
        for r in goal.ranges
        for whole in wholes
        if whole.start <= r.start and r.end <= whole.end
    )
    found = tuple(r for r in ends if r.start < r.end)
    if not found:
        return Refusal("There is nothing there.")
    return Places(found, ask=len(found) > 1, near=goal.near, heard=goal.heard)
