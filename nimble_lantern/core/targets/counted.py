"""Units by order and count: "the last two sentences", "line four", "the next paragraph"."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace
from itertools import islice, pairwise

from nimble_lantern.core.document import units
from nimble_lantern.core.document.model import Document, Kind, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.targets.cells import columns, in_table
from nimble_lantern.core.targets.finding import (
    Absent,
    Answer,
    View,
    all_within,
    chosen_of,
    find,
    finds,
    no_such,
    pick_out,
    reference,
    run_of,
)
from nimble_lantern.core.targets.letter import body, foot, head, to_write_in
from nimble_lantern.core.targets.model import FLOWING, Order, Places, Target, That, Unit, Units

_LONGEST_TITLE = 12
"""Words of a first line that is taken for a title."""
_GREETINGS = ("dear", "hello", "hi")
_OF_TABLES = (Unit.CELL, Unit.ROW, Unit.COLUMN, Unit.TABLE)


@finds(Units)
def _told(target: Units, view: View, near: bool) -> Answer:
    found = _units(target, view)
    if target == _THE_LIST and isinstance(found, Places):
        found = replace(found, named=THE_LIST)
    kind = _KINDS.get(target.unit, target.unit)
    return replace(found, unit=kind) if isinstance(found, Places) else found


THE_LIST = "the list"
"""The one here, of which nobody said which of several it is."""
_THE_LIST = Units(Unit.LIST, Order.THIS)
_KINDS = {Unit.QUESTION: Unit.SENTENCE, Unit.STEP: Unit.ITEM}


def _units(target: Units, view: View) -> Answer:
    if target.unit is Unit.DOCUMENT and target.of is not None and not _in_all(target.of):
        return find(target.of, view)  # "the text in nell's row" is no more than that
    if target.unit is Unit.DOCUMENT and target.bare and (view.holds or view.dressing):
        return find(That(), view)  # "make the text red", while something is selected
    if target.unit is Unit.DOCUMENT:
        return Places((view.document.whole,))
    if target.unit in _OF_TABLES and not any(b.cell for b in view.document.blocks):
        return Absent("There is no table here.")
    if target.unit is Unit.STEP and not units.blocks(view.document, "step", view.document.whole):
        return Absent("There is no numbered list here.")
    if target.unit is Unit.COLUMN:
        return columns(target, view)
    if target.unit in (Unit.ROW, Unit.CELL) and target.of is None:
        return in_table(target, view)
    if target.of is not None and not (_in_all(target.of) and target.order is Order.THIS):
        return _nested(target, view)
    if target.unit in FLOWING:
        return _flowing(target, view)
    if target.unit is Unit.LINE:
        return _lines(target, view)
    if target.unit is Unit.HEADING and target.order is Order.FIRST:
        return _title(target, view)
    if target.unit is Unit.HEADING and target.order is Order.EVERY and _only_columns_headed(view):
        return find(Units(Unit.ROW, Order.FIRST), view)
    return _blocks(target, view)


def _only_columns_headed(view: View) -> bool:
    """Whether "the headings" can only be those of a table: a title is but one."""
    blocks = view.document.blocks
    headed = any(block.cell and block.cell.header for block in blocks)
    return headed and sum(block.kind == Kind.HEADING for block in blocks) <= 1


def _in_all(of: Target) -> bool:
    """ "All the paragraph" is the one here, and not the first of the text."""
    return isinstance(of, Units) and of.unit is Unit.DOCUMENT


def _title(target: Units, view: View) -> Answer:
    """The first heading; in a text without any, its first line, if that looks like a title."""
    blocks = view.document.blocks
    first = next((b for b, block in enumerate(blocks) if block.text.strip()), None)
    if first is None or any(block.kind == Kind.HEADING for block in blocks):
        return _blocks(target, view)
    text = blocks[first].text.strip()
    greets = text.split()[0].lower() in _GREETINGS
    if greets or len(text.split()) > _LONGEST_TITLE or text[-1] in ".,;:!":
        return _blocks(target, view)
    return Places((units.block_range(view.document, first),))


def _nested(target: Units, view: View) -> Answer:
    assert target.of is not None
    outer = find(target.of, view)
    if isinstance(outer, Refusal):
        return outer
    if target.unit is Unit.SENTENCE and isinstance(target.of, Units) and outer.ranges:
        outer = to_write_in(view.document, outer)  # a greeting has no sentences
    found: list[Range] = []
    have = 0
    scopes: list[list[Range]] = [all_within(target.unit, view, r) for r in outer.ranges]
    if outer.unit is Unit.COLUMN:
        # Its cells are one part: "the last cell of the fee column".
        scopes = [[r for inner in scopes for r in inner]]
    for inner in scopes:
        if target.unit is Unit.SENTENCE:
            signed = foot(view.document)
            inner = [r for r in inner if not _signs(r, signed)] or inner
        inner = list(_counted(target, view.document, inner))
        have = max(have, len(inner))
        picked = pick_out(target, inner)
        if outer.unit is Unit.COLUMN and target.count > 1:
            # Between two cells of a column lies the rest of a row.
            runs = picked
            picked = [r for run in runs for r in inner if run.start <= r.start and r.end <= run.end]
        found += picked
    if not found:
        return no_such(target, have)
    return Places(tuple(found), ask=outer.ask, near=outer.near)


def _flowing(target: Units, view: View) -> Answer:
    """Characters, words and sentences: counted from the caret, or through the document."""
    document, unit, here = view.document, target.unit.value, reference(view)
    signed = foot(document) if target.unit is Unit.SENTENCE else None
    chosen: list[Range] = []
    match target.order:
        case Order.LAST:
            behind = (units.backward(document, unit, end) for end in (view.caret, document.end))
            if target.unit is Unit.SENTENCE and document.blocks[view.caret.block].cell is None:
                one = target.count == 1
                behind = ((r for r in back if units.in_prose(document, r, one)) for back in behind)
            chosen = next(
                filter(None, (_nearest_above(r, target.count, signed) for r in behind)), []
            )
        case Order.PREVIOUS:
            back = units.backward(document, unit, here.start)
            chosen = list(islice((r for r in back if r.end <= here.start), target.count))[::-1]
        case Order.NEXT:
            chosen = list(islice(units.forward(document, unit, here.end), target.count))
        case Order.THIS:
            chosen = _holding(document, unit, here)
            if target.unit is Unit.QUESTION:
                chosen = [r for r in chosen if r.end > here.start] or _nearest(document, here)
        case _:
            held = view.selection if target.unit in (Unit.WORD, Unit.CHARACTER) else None
            scope = held if held and target.order is Order.EVERY else document.whole
            every = units.within(document, unit, scope)
            above = head(document) if target.unit is Unit.SENTENCE else None
            every = (r for r in every if not _signs(r, signed) and not _signs(r, above))
            if target.order in (Order.NTH, Order.FIRST):
                every = islice(every, target.n - 1 + target.count)
            found = list(every)
            if target.order is Order.EVERY:
                return Places(tuple(pick_out(target, found))) if found else no_such(target, 0)
            chosen = list(chosen_of(target, found))
            if not chosen:
                return no_such(target, len(found))
    if not chosen:
        return no_such(target, 0)
    return Places(tuple(_runs(document, chosen)))


def _runs(document: Document, chosen: Sequence[Range]) -> Iterator[Range]:
    """Units that follow each other as one; a heading or a table between them is none of them."""
    start = 0
    for i, (one, other) in enumerate(pairwise(chosen), 1):
        between = document.blocks[one.end.block + 1 : other.start.block]
        if any(block.kind is Kind.HEADING or block.cell is not None for block in between):
            yield run_of(chosen[start:i])
            start = i
    yield run_of(chosen[start:])


def _signs(r: Range, around: Range | None) -> bool:
    """Whether a unit lies in what stands round the text of a letter."""
    return around is not None and around.start <= r.start and r.end <= around.end


def _nearest_above(back: Iterator[Range], count: int, foot: Range | None) -> list[Range]:
    """The nearest of some that go back, in the order of the text; a foot only if it is all."""
    found = list(islice(back, count + _FOOT))
    above = [r for r in found if not _signs(r, foot)] or found
    return above[:count][::-1]


_FOOT = 4
"""Lines of a foot, at most."""


def _holding(document: Document, unit: str, here: Range) -> list[Range]:
    inside = units.in_block(document, here.start.block, unit)
    i = units.at(inside, here.start)
    if i is None:
        return []
    last = i
    while last + 1 < len(inside) and inside[last + 1].start < here.end:
        last += 1
    return inside[i : last + 1]


def _nearest(document: Document, here: Range) -> list[Range]:
    """The question that was last asked before the writing place, or the next one."""
    behind = islice(units.backward(document, Unit.QUESTION.value, here.start), 1)
    return list(behind) or list(islice(units.forward(document, Unit.QUESTION.value, here.end), 1))


def _lines(target: Units, view: View) -> Answer:
    layout, here = view.layout, reference(view)
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
            # In a table, a line has what stands side by side: one in each cell.
            return Places(tuple(units.disjoint(found)))
    a, b = layout.line(first), layout.line(last)
    if not a or not b:
        return no_such(target, layout.count)
    return Places((Range(a.start, b.end),))


def _blocks(target: Units, view: View) -> Answer:
    document, unit, here = view.document, target.unit.value, reference(view)
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
            picked = pick_out(target, _counted(target, document, found))
            runs = _of_its_kind(target, document, picked)
            return Places(tuple(runs)) if picked else no_such(target, len(found))
    if not chosen:
        return no_such(target, len(found))
    return Places(tuple(_of_its_kind(target, document, [run_of(chosen)])))


_BY_NUMBER = (Order.FIRST, Order.NTH, Order.LAST, Order.FROM_END)


def _counted(target: Units, document: Document, found: Sequence[Range]) -> Sequence[Range]:
    """The paragraphs that a number tells of: in a letter, those between greeting and closing."""
    by_number = target.unit is Unit.PARAGRAPH and target.order in _BY_NUMBER
    return body(document, found) if by_number else found


def _of_its_kind(target: Units, document: Document, runs: list[Range]) -> list[Range]:
    """Several paragraphs without what stands between them: "delete the last two paragraphs" leaves
    a heading and a list that they stand round."""
    if target.unit is not Unit.PARAGRAPH or target.count < 2:
        return runs
    found: list[Range] = []
    for r in runs:
        begun = False
        for b in range(r.start.block, r.end.block + 1):
            block, whole = document.blocks[b], units.block_range(document, b)
            if block.text.strip() and block.kind not in units.PROSE:
                begun = False
            elif begun:
                found[-1] = Range(found[-1].start, whole.end)
            elif block.text.strip():
                found.append(whole)
                begun = True
    return found
