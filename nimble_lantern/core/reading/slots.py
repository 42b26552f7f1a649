"""What in an utterance may fill a slot of a command: what it names of the page and of the house.

Besides parts and words of the page these are rows and columns by their names, notes, passages,
places, versions, numbers and colours.  Each is given with the words that name it plainly.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from nimble_lantern.core.grammar.catalogue import CATALOGUE
from nimble_lantern.core.lexicon.asked import COLOURS
from nimble_lantern.core.lexicon.closed import AUXILIARIES, DETERMINERS, DULL, LITTLE
from nimble_lantern.core.lexicon.desk import PLAIN_VERBS, SPOKEN_OF, TRADE_NOUNS, TRADE_VERBS
from nimble_lantern.core.lexicon.housed import Thing
from nimble_lantern.core.reading.housed import named_in
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import (
    CellAt,
    CellNamed,
    Crossing,
    Enclosed,
    Holding,
    Marked,
    Order,
    Places,
    Sign,
    Tabled,
    Target,
    Unit,
    Units,
    Words,
    is_target,
    unit_named,
)
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.writing.cardinals import cardinal

Phrase = tuple[str, ...]
KINDS = "part row column note passage place version number colour".split()
_BY_NAME = {
    Thing.ROW_NAME: "row", Thing.COLUMN_NAME: "column", Thing.NOTE: "note",
    Thing.PASSAGE: "passage", Thing.PLACE: "place", Thing.VERSION: "version",
}  # fmt: skip
_SINGLE = (
    Units, Words, Tabled, Crossing, Holding, CellAt, CellNamed, Enclosed, Sign, Marked,
)  # fmt: skip
"""Targets that name one thing and hold no other request in them."""
_NO_NAME = LITTLE | DULL | AUXILIARIES | frozenset("before after behind above below".split())
_VERBS = TRADE_VERBS | PLAIN_VERBS


@dataclass(frozen=True, slots=True)
class Filler:
    """Words from `start` to `end` of an utterance that name something, and how it is called."""

    start: int
    end: int
    kind: str
    words: Phrase


def fillers(sitting: Sitting, words: Sequence[str]) -> list[Filler]:
    """Everything that is named in an utterance; one for each stretch of words and kind."""
    words = tuple(words)
    found: dict[tuple[int, int, str], Filler] = {}
    for filler in (
        *_by_name(sitting, words),
        *_of_the_house(sitting, words),
        *_of_the_page(sitting, words),
        *_numbers_and_colours(words),
    ):
        if not _any_one(filler, words):
            found.setdefault((filler.start, filler.end, filler.kind), filler)
    return [f for f in found.values() if not any(_is_more_of(o, f, words) for o in found.values())]


def _any_one(filler: Filler, words: Phrase) -> bool:
    """Whether none of the page's own is named: "a line" through something is not this line."""
    before = words[filler.start - 1 : filler.start]
    return before in _INDEFINITE and words[filler.start : filler.end] in _UNITS


_INDEFINITE = (("a",), ("an",), ("another",))


def _is_more_of(other: Filler, filler: Filler, words: Phrase) -> bool:
    """Whether another names the same and more: "the harbour", "the last paragraph"."""
    ends_alike = other.kind == filler.kind and other.end == filler.end
    if not ends_alike or other.start >= filler.start:
        return False
    article = other.start == filler.start - 1 and words[other.start] in DETERMINERS
    return article or words[filler.start : filler.end] in _UNITS


_UNITS = frozenset((unit.value,) for unit in Unit)


def names(sitting: Sitting) -> Iterator[tuple[str, Phrase]]:
    """The names that were given to passages, places and versions, each with its kind."""
    for passage in sitting.passages:
        yield "passage", tuple(passage.name.lower().split())
    for anchor in sitting.document.anchors.values():
        if anchor.kind == "place":
            yield "place", tuple(str(anchor.data["name"]).lower().split())
    for version in sitting.milestones:
        yield "version", tuple(version.name.lower().split())


def _by_name(sitting: Sitting, words: Phrase) -> Iterator[Filler]:
    for kind, name in names(sitting):
        for i in range(len(words) - len(name) + 1):
            if words[i : i + len(name)] == name:
                yield Filler(i, i + len(name), kind, name)


def _of_the_house(sitting: Sitting, words: Phrase) -> Iterator[Filler]:
    for named in named_in(sitting, words, None):
        if kind := _BY_NAME.get(named.thing):
            called = named.words or words[named.start : named.end]
            yield Filler(named.start, named.end, kind, called)


def _of_the_page(sitting: Sitting, words: Phrase) -> Iterator[Filler]:
    match = CATALOGUE.grammar.match(words)
    for i in range(len(words)):
        for reading in match.at("target", i):
            j, value = reading.end, reading.value
            if words[j - 1] in LITTLE and words[j - 1] not in SPOKEN_OF:
                continue
            single = isinstance(value, _SINGLE) and _names(value, words[i])
            if is_target(value) and single and _stands(sitting, value):
                unit = unit_named(value)
                kind = unit.value if unit in (Unit.ROW, Unit.COLUMN) else "part"
                yield Filler(i, j, kind, words[i:j])


def _names(value: object, first: str) -> bool:
    """Whether a target is one that somebody names, and no request that begins with a verb."""
    if isinstance(value, Words):
        said = value.words
        lone = len(said) == 1 and said[0] in TRADE_NOUNS
        return not lone and said[0] != "of" and not all(w in _NO_NAME for w in said)
    if isinstance(value, Units) and (value.unit is Unit.TABLE or value.order is Order.NEXT):
        return False  # "add a row below" names no row that is there
    return first not in _VERBS


def _stands(sitting: Sitting, value: Target) -> bool:
    found = resolve(value, sitting, False)
    return isinstance(found, Places) and bool(found.ranges) and found.near is None


def _numbers_and_colours(words: Phrase) -> Iterator[Filler]:
    for i, word in enumerate(words):
        if word in COLOURS:
            yield Filler(i, i + 1, "colour", (word,))
        if found := cardinal(words, i):
            yield Filler(i, found[1], "number", words[i : found[1]])
