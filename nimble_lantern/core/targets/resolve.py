"""Targets to ranges.  What cannot be found is a Refusal; what was misheard is a Missing."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from itertools import islice
from typing import Protocol

from nimble_lantern.core.document import units
from nimble_lantern.core.document.layout import Layout
from nimble_lantern.core.document.model import Document, Position, Range
from nimble_lantern.core.document.tables import Table, table_at, tables
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.targets import words as spoken
from nimble_lantern.core.targets.model import (
    At,
    Beside,
    Beyond,
    Both,
    CellAt,
    Enclosed,
    Holding,
    Marked,
    Order,
    Places,
    Reach,
    Sign,
    Target,
    That,
    Through,
    Unit,
    Units,
    Words,
)
from nimble_lantern.core.writing.cardinals import in_words, ordinal_in_words

SURE = 90.0
_CLOSE_BLOCKS = 20
_PAIRS = {
    "quotes": ('“‘"', '”’"'),
    "brackets": ("(", ")"),
    "square": ("[", "]"),
    "braces": ("{", "}"),
}


class View(Protocol):
    """What a target is resolved against."""

    @property
    def document(self) -> Document: ...
    @property
    def caret(self) -> Position: ...
    @property
    def selection(self) -> Range | None: ...
    @property
    def that(self) -> tuple[Range, ...]: ...
    @property
    def layout(self) -> Layout: ...
    @property
    def vocabulary(self) -> spoken.Vocabulary: ...


@dataclass(frozen=True, slots=True)
class Missing(Refusal):
    """No such words stand in the document, or nothing is called so; some may come close."""

    words: tuple[str, ...] = ()
    near: tuple[spoken.Near, ...] = ()
    names: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Absent(Refusal):
    """There is nothing of the kind in the document: then its name is more likely a plain word."""


_OF_TABLES = (Unit.CELL, Unit.ROW, Unit.COLUMN, Unit.TABLE)
Answer = Places | Refusal


def resolve(target: Target, view: View, near: bool = True) -> Answer:
    """Where a target stands; `near` matches are looked for only if asked."""
    match target:
        case That():
            return _that(view)
        case Units():
            found = _units(target, view)
            return replace(found, unit=target.unit) if isinstance(found, Places) else found
        case Words():
            return _words(target, view, near)
        case Through():
            return _through(target, view, near)
        case Reach():
            return _reach(target, view)
        case Enclosed():
            return _enclosed(target, view)
        case Marked():
            return _marked(target, view)
        case Sign():
            return _sign(target, view)
        case Both():
            return _both(target, view)
        case Holding():
            return _holding_words(target, view, near)
        case Beside():
            return _beside(target, view, near)
        case Beyond():
            return _beyond(target, view, near)
        case CellAt():
            return _cell_at(target, view)


def _that(view: View) -> Answer:
    if view.selection and not view.selection.empty:
        return Places((view.selection,))
    if view.that:
        return Places(view.that)
    return Refusal(
        "Nothing is selected and nothing was just written.", "", "Say which words you mean."
    )


def _joined(ranges: Sequence[Range]) -> Range:
    return Range(ranges[0].start, ranges[-1].end)


def _reference(view: View) -> Range:
    return view.selection or Range(view.caret, view.caret)


def _no_such(target: Units, have: int) -> Refusal:
    name = target.unit.value
    count = f"There {'is' if have == 1 else 'are'} {in_words(have) if have else 'no'} {name}"
    count += "" if have == 1 else "s"
    wanted = ordinal_in_words(target.n) if target.order is Order.NTH else target.order.value
    return Refusal(f"There is no {wanted} {name}.", f"{count} here." if have else "", "")


def _units(target: Units, view: View) -> Answer:
    if target.unit is Unit.DOCUMENT:
        return Places((view.document.whole,))
    if target.unit in _OF_TABLES and not any(b.cell for b in view.document.blocks):
        return Absent("There is no table here.")
    if target.unit is Unit.COLUMN:
        return _columns(target, view)
    if target.unit in (Unit.ROW, Unit.CELL) and target.of is None:
        return _in_table(target, view)
    if target.of is not None:
        return _nested(target, view)
    match target.unit:
        case Unit.CHARACTER | Unit.WORD | Unit.SENTENCE:
            return _flowing(target, view)
        case Unit.LINE:
            return _lines(target, view)
    return _blocks(target, view)


def _nested(target: Units, view: View) -> Answer:
    assert target.of is not None
    outer = resolve(target.of, view)
    if isinstance(outer, Refusal):
        return outer
    found: list[Range] = []
    have = 0
    for scope in outer.ranges:
        inner = _all_within(target.unit, view, scope)
        have = max(have, len(inner))
        found += _picked(target, inner)
    if not found:
        return _no_such(target, have)
    return Places(tuple(found), ask=outer.ask, near=outer.near)


def _all_within(unit: Unit, view: View, scope: Range) -> list[Range]:
    if unit in (Unit.CHARACTER, Unit.WORD, Unit.SENTENCE):
        return list(units.within(view.document, unit.value, scope))
    if unit is Unit.LINE:
        return units.lines(view.layout, scope)
    return units.blocks(view.document, unit.value, scope)


def _picked(target: Units, found: Sequence[Range]) -> list[Range]:
    """The ranges that order and count pick out of those in scope."""
    n, count = target.n, target.count
    match target.order:
        case Order.EVERY:
            return list(found)
        case Order.NTH:
            chosen = found[n - 1 : n - 1 + count] if n > 0 else []
            chosen = chosen if len(chosen) == count else []
        case Order.FROM_END:
            chosen = found[len(found) - n : len(found) - n + count] if 0 < n <= len(found) else []
        case Order.LAST | Order.PREVIOUS:
            chosen = found[-count:]
        case Order.MIDDLE:
            chosen = found[(len(found) - 1) // 2 :][:1]
        case _:
            chosen = found[:count]
    return [_joined(chosen)] if chosen else []


def _flowing(target: Units, view: View) -> Answer:
    """Characters, words and sentences: counted from the caret, or through the document."""
    document, unit, here = view.document, target.unit.value, _reference(view)
    chosen: list[Range] = []
    match target.order:
        case Order.LAST:
            back = units.backward(document, unit, view.caret)
            chosen = list(islice(back, target.count))[::-1]
            if not chosen:
                chosen = list(islice(units.backward(document, unit, document.end), target.count))
                chosen.reverse()
        case Order.PREVIOUS:
            back = units.backward(document, unit, here.start)
            chosen = list(islice((r for r in back if r.end <= here.start), target.count))[::-1]
        case Order.NEXT:
            chosen = list(islice(units.forward(document, unit, here.end), target.count))
        case Order.THIS:
            chosen = _holding(document, unit, here)
        case _:
            every = units.within(document, unit, document.whole)
            if target.order in (Order.NTH, Order.FIRST):
                every = islice(every, target.n - 1 + target.count)
            found = list(every)
            picked = _picked(target, found)
            return Places(tuple(picked)) if picked else _no_such(target, len(found))
    if not chosen:
        return _no_such(target, 0)
    return Places((_joined(chosen),))


def _holding(document: Document, unit: str, here: Range) -> list[Range]:
    inside = units.in_block(document, here.start.block, unit)
    i = units.at(inside, here.start)
    if i is None:
        return []
    last = i
    while last + 1 < len(inside) and inside[last + 1].start < here.end:
        last += 1
    return inside[i : last + 1]


def _lines(target: Units, view: View) -> Answer:
    layout, here = view.layout, _reference(view)
    count, now = target.count, layout.number(view.caret)
    match target.order:
        case Order.LAST:
            line = layout.line(now)
            at_start = line and line.start == view.caret != line.end
            last = now - 1 if at_start and now > 1 else now
            first = max(1, last - count + 1)
        case Order.PREVIOUS:
            last = layout.number(here.start) - 1
            first = max(1, last - count + 1)
        case Order.NEXT:
            first = layout.number(here.end) + 1
            last = min(layout.count, first + count - 1)
        case Order.THIS:
            first, last = layout.number(here.start), layout.number(here.end)
        case Order.NTH:
            first, last = target.n, target.n + count - 1
        case Order.FIRST:
            first, last = 1, count
        case Order.FROM_END:
            first = layout.count - target.n + 1
            last = first + count - 1
        case _:
            found = [r for n in range(1, layout.count + 1) if (r := layout.line(n))]
            return Places(tuple(found))
    a, b = layout.line(first), layout.line(last)
    if not a or not b:
        return _no_such(target, layout.count)
    return Places((Range(a.start, b.end),))


def _blocks(target: Units, view: View) -> Answer:
    document, unit, here = view.document, target.unit.value, _reference(view)
    found = units.blocks(document, unit, document.whole)
    first, last = here.start.block, here.end.block
    match target.order:
        case Order.THIS if target.unit is Unit.PARAGRAPH:
            joined = units.block_range(document, first).start, units.block_range(document, last).end
            return Places((Range(*joined),))
        case Order.THIS:
            holding = [r for r in found if r.start.block <= first <= r.end.block]
            before = [r for r in found if r.end.block < first]
            chosen = holding[-1:] or before[-1:] or found[:1]
        case Order.NEXT:
            chosen = [r for r in found if r.start.block > last][: target.count]
        case Order.PREVIOUS:
            chosen = [r for r in found if r.end.block < first][-target.count :]
        case _:
            picked = _picked(target, found)
            return Places(tuple(picked)) if picked else _no_such(target, len(found))
    return Places((_joined(chosen),)) if chosen else _no_such(target, len(found))


def _table(view: View) -> Table:
    """The table that is spoken of: the one in which the caret stands, else the nearest."""
    here = _reference(view).start.block
    every = tables(view.document.blocks)
    return min(every, key=lambda t: max(t.first - here, here - t.last, 0))


def _in_table(target: Units, view: View) -> Answer:
    """Rows and cells, counted in one table; this, the next and the like from the caret's."""
    document = view.document
    scope = _table(view).whole(document.blocks)
    found = units.blocks(document, target.unit.value, scope)
    found = [r for r in found if scope.start <= r.start and r.end <= scope.end]
    here = _reference(view)
    at = units.at(found, here.start)
    inside = scope.start <= here.start <= scope.end and at is not None
    if not inside or at is None or target.order not in _FROM_HERE:
        picked = _picked(target, found)
        return Places(tuple(picked)) if picked else _no_such(target, len(found))
    first, last = {
        Order.THIS: (at, at + 1),
        Order.NEXT: (at + 1, at + 1 + target.count),
        Order.PREVIOUS: (max(0, at - target.count), at),
    }[target.order]
    chosen = found[first:last]
    return Places((_joined(chosen),)) if chosen else _no_such(target, len(found))


_FROM_HERE = (Order.THIS, Order.NEXT, Order.PREVIOUS)


def _columns(target: Units, view: View) -> Answer:
    """A column is as many ranges as it has cells."""
    blocks = view.document.blocks
    table = _table(view)
    if target.of is not None:
        outer = resolve(target.of, view)
        if isinstance(outer, Refusal):
            return outer
        inside = table_at(blocks, outer.first.start.block)
        if inside is None:
            return Refusal("Columns stand in tables.", "", "Say which table.")
        table = inside
    here = blocks[_reference(view).start.block].cell
    numbers = [Range(Position(c, 0), Position(c, 0)) for c in range(table.columns)]
    now = here.column if here else 0
    steps = {Order.THIS: 0, Order.NEXT: 1, Order.PREVIOUS: -1}
    if target.order in steps and here:
        wanted = now + steps[target.order]
        picked = numbers[wanted : wanted + 1] if wanted >= 0 else []
    else:
        picked = _picked(target, numbers)
    if not picked:
        return _no_such(target, table.columns)
    chosen = range(picked[0].start.block, picked[-1].end.block + 1)
    return Places(tuple(sorted(r for c in chosen for r in table.column(blocks, c))))


def _cell_at(target: CellAt, view: View) -> Answer:
    if not any(b.cell for b in view.document.blocks):
        return Absent("There is no table here.")
    table = _table(view)
    if not (1 <= target.row <= table.rows and 1 <= target.column <= table.columns):
        return Refusal(
            "There is no such cell.",
            f"The table has {in_words(table.rows)} rows and {in_words(table.columns)} columns.",
        )
    b = table.cell(target.row - 1, target.column - 1)
    return Places((units.block_range(view.document, b),))


def _words(target: Words, view: View, near: bool) -> Answer:
    scopes: Iterable[Range | None] = (None,)
    if target.of is not None:
        outer = resolve(target.of, view)
        if isinstance(outer, Refusal):
            return outer
        scopes = outer.ranges
    known = view.vocabulary
    if target.order in (Order.LAST, Order.PREVIOUS) and target.of is None:
        # Most often it is close by: no need then to find all the others.
        start = Position(max(0, view.caret.block - _CLOSE_BLOCKS), 0)
        here = Range(start, _reference(view).start)
        close_by = spoken.places(view.document, target.words, here, known)
        if close_by:
            return Places(tuple(close_by[-1:]))
    every = target.order is Order.EVERY
    found = [
        r
        for scope in scopes
        for r in spoken.places(view.document, target.words, scope, known, every)
    ]
    taken: str | None = None
    if not found:
        wanted = near and target.of is None
        close = spoken.near(view.document, target.words, view.caret) if wanted else []
        if not close or close[0].likeness < SURE or close[1:2] and close[1].likeness >= SURE:
            return _missing(target.words, close)
        taken = close[0].text
        found = spoken.places(view.document, taken.split()) or [close[0].range]
    picked = _one_of(target, found, view)
    if picked is None:
        return Refusal(f"“{' '.join(target.words)}” stands here {in_words(len(found))} times.")
    ask = len(picked) > 1 and target.order is None
    return Places(tuple(picked), ask, near=taken, heard=" ".join(target.words))


def _missing(words: tuple[str, ...], close: list[spoken.Near]) -> Missing:
    what = f"I heard “{' '.join(words)}”."
    hint = f"Did you mean “{close[0].text}”?" if close else ""
    return Missing(what, "No such words are in this text.", hint, words, tuple(close))


def _one_of(target: Words, found: list[Range], view: View) -> list[Range] | None:
    here = _reference(view)
    match target.order:
        case None | Order.EVERY:
            return found
        case Order.FIRST:
            return found[:1]
        case Order.LAST:
            return [r for r in found if r.start < view.caret][-1:] or found[-1:]
        case Order.PREVIOUS:
            return [r for r in found if r.end <= here.start][-1:] or None
        case Order.NEXT:
            return [r for r in found if r.start >= here.end][:1] or None
        case Order.NEAREST:
            return [min(found, key=lambda r: _distance(r, view.caret))]
    return found[target.n - 1 : target.n] or None


def _distance(r: Range, p: Position) -> tuple[int, int]:
    return abs(r.start.block - p.block), abs(r.start.offset - p.offset)


def _through(target: Through, view: View, near: bool) -> Answer:
    firsts, lasts = resolve(target.first, view, near), resolve(target.last, view, near)
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


def _reach(target: Reach, view: View) -> Answer:
    caret = view.caret
    if target.start is not None:
        return _reach_from(target, view)
    if view.selection is not None:
        caret = view.selection.end if target.forward else view.selection.start
    if target.goal is not None:
        goal = resolve(target.goal, view)
        if isinstance(goal, Refusal):
            return goal
        after = [r for r in goal.ranges if r.end > caret]
        if not after:
            return Refusal("Those words do not come after the writing place.")
        return Places((Range(caret, after[0].end),), near=goal.near)
    assert target.unit is not None
    around = resolve(Units(target.unit, Order.THIS), view)
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
    starts = resolve(target.start, view)
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
            around = _all_within(target.unit, view, scope)
            end = next((u.end for u in around if u.start <= r.start < u.end), r.end)
        found.append(Range(r.start, max(end, r.end)))
    return Places(tuple(found), ask=len(found) > 1, near=starts.near)


def _enclosed(target: Enclosed, view: View) -> Answer:
    openers, closers = _PAIRS[target.pair]
    found: list[Range] = []
    for b, block in enumerate(view.document.blocks):
        start: int | None = None
        for i, c in enumerate(block.text):
            if c in openers and start is None and (i == 0 or not block.text[i - 1].isalnum()):
                start = i + 1
            elif c in closers and start is not None and i >= start:
                after = block.text[i + 1 : i + 2]
                if c != "’" or not after.isalnum():
                    found.append(Range(Position(b, start), Position(b, i)))
                    start = None
    if not found:
        return Refusal(f"Nothing stands between {target.pair} here.")
    holding = [r for r in found if r.start <= view.caret <= r.end]
    return Places(tuple(holding or found), ask=len(holding or found) > 1)


def _marked(target: Marked, view: View) -> Answer:
    found = tuple(
        Range(Position(b, s.start), Position(b, s.end))
        for b, block in enumerate(view.document.blocks)
        for s in block.spans
        if s.mark == target.mark
    )
    if not found:
        return Refusal(f"Nothing here is {target.mark}.")
    return Places(found)


def _sign(target: Sign, view: View) -> Answer:
    """Marks are looked for as they are written; those of the caret's paragraph come first."""
    found = [
        Range(Position(b, i), Position(b, i + len(target.text)))
        for b, block in enumerate(view.document.blocks)
        for i in _indexes(block.text, target.text)
    ]
    if target.beside is not None:
        beside = resolve(target.beside, view)
        if isinstance(beside, Refusal):
            return beside
        found = [r for r in found if any(_touches(r, b, target.before) for b in beside.ranges)]
    if not found:
        return Refusal("There is no such mark there.")
    caret = view.caret
    match target.order:
        case Order.LAST | Order.PREVIOUS:
            found = [r for r in found if r.end <= caret][-1:] or found[-1:]
        case Order.NEXT:
            found = [r for r in found if r.start >= caret][:1]
        case Order.FIRST | Order.NTH:
            found = found[target.n - 1 : target.n]
        case Order.EVERY:
            return Places(tuple(found))
    if not found:
        return Refusal("There is no such mark there.")
    return Places(tuple(found), ask=len(found) > 1)


def _indexes(text: str, sign: str) -> list[int]:
    return [i for i in range(len(text)) if text.startswith(sign, i)]


def _touches(mark: Range, words: Range, before: bool) -> bool:
    if mark.start.block != words.start.block:
        return False
    if before:
        return words.start.offset - 2 <= mark.end.offset <= words.start.offset
    return words.end.offset <= mark.start.offset <= words.end.offset + 1


def _both(target: Both, view: View) -> Answer:
    first, second = resolve(target.first, view, False), resolve(target.second, view, False)
    for answer in (first, second):
        if isinstance(answer, Refusal):
            return answer
        if answer.ask:
            return Refusal("Those words stand in several places.", "", "Say them one by one.")
    assert isinstance(first, Places) and isinstance(second, Places)
    return Places(tuple(sorted({*first.ranges, *second.ranges})))


def _holding_words(target: Holding, view: View, near: bool) -> Answer:
    inner = resolve(target.words, view, near)
    if isinstance(inner, Refusal):
        return inner
    found: list[Range] = []
    for r in inner.ranges:
        scope = Range(Position(r.start.block, 0), units.block_range(view.document, r.end.block).end)
        around = _all_within(target.unit, view, scope)
        found += [u for u in around if _stands(view, r, u, target.at) and u not in found]
    if not found:
        where = {None: "are in", At.START: "begin", At.END: "end"}[target.at]
        return Refusal(f"Those words {where} no {target.unit.value}.")
    return Places(tuple(found), ask=len(found) > 1, unit=target.unit)


def _stands(view: View, r: Range, unit: Range, at: At | None) -> bool:
    """Whether a range stands in a unit, and where in it."""
    if not (unit.start <= r.start and r.end <= unit.end):
        return False
    if at is None:
        return True
    rest = Range(unit.start, r.start) if at is At.START else Range(r.end, unit.end)
    return not any(c.isalnum() for c in view.document.text(rest))


def _beside(target: Beside, view: View, near: bool) -> Answer:
    goal = resolve(target.goal, view, near)
    if isinstance(goal, Refusal):
        return goal
    document, unit = view.document, target.unit
    found: list[Range] = []
    for r in goal.ranges:
        if unit in (Unit.CHARACTER, Unit.WORD, Unit.SENTENCE):
            every = (
                (u for u in units.forward(document, unit.value, r.end))
                if target.after
                else (u for u in units.backward(document, unit.value, r.start) if u.end <= r.start)
            )
            beside = next(every, None)
        else:
            all_units = _all_within(unit, view, document.whole)
            after = [u for u in all_units if u.start > r.end]
            before = [u for u in all_units if u.end < r.start]
            beside = next(iter(after if target.after else before[::-1]), None)
        if beside is not None and beside not in found:
            found.append(beside)
    if not found:
        return Refusal(f"No {unit.value} stands {'after' if target.after else 'before'} that.")
    return Places(tuple(found), ask=len(found) > 1, unit=unit, near=goal.near)


def _beyond(target: Beyond, view: View, near: bool) -> Answer:
    goal = resolve(target.goal, view, near)
    if isinstance(goal, Refusal):
        return goal
    whole = view.document.whole
    ends = (
        Range(r.end, whole.end) if target.forward else Range(whole.start, r.start)
        for r in goal.ranges
    )
    found = tuple(r for r in ends if not r.empty)
    if not found:
        return Refusal("There is nothing there.")
    return Places(found, ask=len(found) > 1, near=goal.near, heard=goal.heard)
