"""A part that is only called "one": "the last one", "the second one"."""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.document.model import Document, Kind, Range
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import rule
from nimble_lantern.core.lexicon.closed import DETERMINERS, LITTLE
from nimble_lantern.core.targets.finding import Absent, Answer, View, all_within, find, finds
from nimble_lantern.core.targets.model import Holding, One, Order, Unit, Units, Words
from nimble_lantern.core.writing.cardinals import ordinal


@rule("one", "the {order} one", heard=False)
def _ordered(order: Order) -> One:
    return One(order)


@rule("one", "the {position} one", heard=False)
def _numbered(position: int) -> One:
    return One(Order.NTH, position)


@rule("one", "number {number}", heard=False)
def _by_number(number: int) -> One:
    return One(Order.NTH, number)


@rule("one", "the {order} {count:number} [ones]", heard=False)
def _so_many(order: Order, count: int) -> One | None:
    """ "The first two", of a list."""
    return One(order, count=count) if count > 1 else None


@rule("item_number", "{number}", heard=False)
def _bare_number(number: int) -> One:
    """ "Swap one and three", in a list."""
    return One(Order.NTH, number)


@rule("one", "the middle one", heard=False)
def _middle() -> One:
    return One(Order.MIDDLE)


@rule("one", "the {words} one", heard=False)
def _told(words: tuple[str, ...]) -> One | None:
    """ "The pharmacy one", of a list."""
    plain = not LITTLE.issuperset(words) and len(words) <= _FEW_WORDS
    return One(Order.NEAREST, words=words) if plain else None


_FEW_WORDS = 3


@rule("what_about", "{words}", heard=False)
def _what_about(words: tuple[str, ...]) -> Holding:
    """ "What we said about cleaning"."""
    return Holding(Unit.SENTENCE, Words(words), bit=True)


@rule("described", "the {words} (bit | part)", heard=False)
def _bit_with(words: tuple[str, ...]) -> Holding | None:
    """ "The fishing bit"; "the first part" is told by its place."""
    placed = set(words) <= TOLD_BY_PLACE
    return None if placed else Holding(Unit.SENTENCE, Words(words), bit=True)


TOLD_BY_PLACE = DETERMINERS | frozenset(
    "first second third fourth fifth last next previous other same most main best whole".split()
)


@rule("scope", "{one}", heard=False)
@rule("target", "{one}", heard=False)
def _target(one: One) -> One:
    return one


@finds(One)
def _one(target: One, view: View, near: bool) -> Answer:
    unit = _spoken_of(view)
    if unit is None and target.order is Order.NTH and numbered_alone(view.document):
        unit = Unit.ITEM
    if unit is None:
        return Absent("Nothing was named that there are several of.")
    if target.words:
        held = find(Holding(unit, Words(target.words)), view, False)
        return Absent(str(held)) if isinstance(held, Refusal) else held
    return find(Units(unit, target.order, target.count, target.n), view, near)


def _spoken_of(view: View) -> Unit | None:
    """What kind of part was named last: else an item, in a list."""
    blocks = view.document.blocks
    if len(view.that) == 1:
        last = view.that[0]
        block = blocks[last.start.block]
        if block.kind is Kind.ITEM:
            return Unit.ITEM
        if last == block_range(view.document, last.start.block):
            return {Kind.HEADING: Unit.HEADING, Kind.PARAGRAPH: Unit.PARAGRAPH}.get(block.kind)
        if last in _sentences(view, last):
            return Unit.SENTENCE
    return Unit.ITEM if blocks[view.caret.block].kind is Kind.ITEM else None


def numbered_alone(document: Document) -> bool:
    """Whether the only list of a document has numbers, which can be called from outside it."""
    items = [b for b, block in enumerate(document.blocks) if block.kind is Kind.ITEM]
    one = bool(items) and items[-1] - items[0] == len(items) - 1
    return one and all(document.blocks[b].format.list == "numbered" for b in items)


def _sentences(view: View, last: Range) -> list[Range]:
    return all_within(Unit.SENTENCE, view, block_range(view.document, last.start.block))


_PLACES = frozenset("first last next previous second third other following final".split())
_MOST_COUNTED = 12
"""Sentences or items that somebody counts; beyond, it is a day of the month."""
_ONES = frozenset(("one", "ones"))
_SIDES = {"before": "previous", "above": "previous", "after": "next", "below": "next"}


def place_among(words: Sequence[str]) -> tuple[str, ...]:
    """The order that words tell and nothing else, as "the third one" does; none of other words."""
    bare = tuple(words[1:]) if words[:1] in (("the",), ["the"]) else ()
    if len(bare) == 2 and bare[0] in _ONES and bare[1] in _SIDES:
        return (_SIDES[bare[1]],)
    bare = bare[:-1] if len(bare) > 1 and bare[-1] in _ONES else bare
    counted = ordinal(bare, 0) if bare else None
    whole = bare[0] in _PLACES and len(bare) == 1 if bare else False
    few = counted is not None and counted[1] == len(bare) and counted[0] <= _MOST_COUNTED
    return bare if whole or few else ()
