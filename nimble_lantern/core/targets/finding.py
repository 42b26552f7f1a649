"""What finding a target takes: a view, the finders of each kind of target, and their answers."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Any, Protocol

from nimble_lantern.core.document import units
from nimble_lantern.core.document.layout import Layout
from nimble_lantern.core.document.model import Document, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.targets import words as spoken
from nimble_lantern.core.targets.model import FLOWING, Order, Places, Target, Unit, Units
from nimble_lantern.core.writing.cardinals import in_words, ordinal_in_words


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
    def holds(self) -> bool: ...
    @property
    def dressing(self) -> bool: ...
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


Answer = Places | Refusal
Finder = Callable[[Any, View, bool], Answer]
FINDERS: dict[type, Finder] = {}


def finds(kind: type) -> Callable[[Finder], Finder]:
    """Register a finder `f(target, view, near)` of a kind of target."""

    def register(finder: Finder) -> Finder:
        FINDERS[kind] = finder
        return finder

    return register


def find(target: Target, view: View, near: bool = True) -> Answer:
    """Where a target stands; `near` matches are looked for only if asked."""
    return FINDERS[type(target)](target, view, near)


def run_of(ranges: Sequence[Range]) -> Range:
    """From the start of the first range to the end of the last."""
    return Range(ranges[0].start, ranges[-1].end)


def reference(view: View) -> Range:
    """Where "this", "next" and "previous" are counted from: the selection, else the caret."""
    return view.selection or Range(view.caret, view.caret)


def no_such(target: Units, have: int) -> Refusal:
    """That there are only `have` of these units."""
    name = target.unit.value
    count = f"There {'is' if have == 1 else 'are'} {in_words(have) if have else 'no'} {name}"
    count += "" if have == 1 else "s"
    if target.order in (Order.THIS, Order.EVERY):
        return Refusal(f"There is no {name} here.", f"{count} in the text." if have else "")
    wanted = ordinal_in_words(target.n) if target.order is Order.NTH else target.order.value
    return Refusal(f"There is no {wanted} {name}.", f"{count} here." if have else "", "")


def all_within(unit: Unit, view: View, scope: Range) -> list[Range]:
    """The units of a kind that lie in a range, in the order of the text.

    A column has no place of its own there: its cells have.
    """
    if unit in FLOWING:
        return list(units.within(view.document, unit.value, scope))
    if unit is Unit.LINE:
        return units.lines(view.layout, scope)
    if unit in (Unit.DOCUMENT, Unit.COLUMN):
        return []
    return units.blocks(view.document, unit.value, scope)


def pick_out(target: Units, found: Sequence[Range]) -> list[Range]:
    """The ranges that order and count pick out of those in scope."""
    if target.order is Order.EVERY:
        return units.disjoint(found)  # sections hold sections
    chosen = chosen_of(target, found)
    return [run_of(chosen)] if chosen else []


def chosen_of(target: Units, found: Sequence[Range]) -> Sequence[Range]:
    """Each of the units that order and count pick out."""
    n, count = target.n, target.count
    match target.order:
        case Order.NTH:
            chosen = found[n - 1 : n - 1 + count] if n > 0 else []
            chosen = chosen if len(chosen) == count else []
        case Order.FROM_END:
            chosen = found[len(found) - n : len(found) - n + count] if 0 < n <= len(found) else []
        case Order.LAST | Order.PREVIOUS:
            chosen = found[-count:]
        case Order.MIDDLE:
            chosen = found[len(found) // 2 :][:1] if len(found) % 2 else []
        case _:
            chosen = found[:count]
    return chosen
