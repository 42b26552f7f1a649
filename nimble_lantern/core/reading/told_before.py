"""Requests that speak of a thing of the house as "it", by what it was called before."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from nimble_lantern.core.grammar.catalogue import CATALOGUE
from nimble_lantern.core.lexicon.closed import LITTLE, SUBJECT_PRONOUNS
from nimble_lantern.core.lexicon.housed import Phrase, Thing
from nimble_lantern.core.reading.housed import (
    ANDS,
    ANY,
    NOTES,
    NOUNS,
    UNIT,
    WHOLE_OF,
    Named,
    has_things,
    named_in,
)
from nimble_lantern.core.state import Sitting

_IT = frozenset("it that this them those these both".split())
_ONE, _BOTH = frozenset(("it", "that", "this")), frozenset(("them", "those", "these", "both"))
_GOING_ON = frozenset("so and then please but".split())
_LONGEST_TOLD = 20
_CALLED = {thing.value: thing for thing in (Thing.ROW, Thing.COLUMN, Thing.TABLE, Thing.NOTE)} | {
    noun: thing for thing, nouns in NOUNS.items() for noun in nouns
}
"""What is said behind "that", of which thing."""


def told_before(sitting: Sitting, words: Phrase) -> Iterator[Phrase]:
    """Requests that speak of a thing as "it" or "that column", by what it was called before.

    "Nobody needs to know the seats so take that column away" asks to take the seats column away.
    """
    spoken = [i for i, word in enumerate(words) if word in _IT and i > 2]
    if not spoken or len(words) > _LONGEST_TOLD or not has_things(sitting):
        return
    cuts = [
        i
        for i in range(2, spoken[-1])
        if words[i - 1] not in SUBJECT_PRONOUNS
        and (words[i - 1] in _GOING_ON or words[i] not in LITTLE and CATALOGUE.may_begin(words[i]))
    ]
    named = list(named_in(sitting, words[: cuts[-1]], None)) if cuts else []
    if any(at.thing is Thing.PART for at in named):
        return  # "i liked the first sentence better in first draft can i have that back"
    things = [
        (at, name, _BOTH if at.thing is Thing.NOTES else _ONE)
        for at in named
        if (name := _called(at)) and words[at.start - 1 : at.start] not in ANY
    ]
    things += [
        (replace(a, end=b.end), (*one, "and", *other), _BOTH)
        for a, one, _ in things
        for b, other, _ in things
        if a.thing in UNIT and a.thing is b.thing and words[a.end : b.start] in ANDS
    ]
    for cut in cuts:
        for at, name, its in things:
            for i in (i for i in spoken if at.end <= cut < i and words[i] in its):
                end = i + 1 + (words[i + 1 : i + 2] == ("one",))
                noun = words[i + 1].removesuffix("s") if i + 1 < len(words) else ""
                if noun in _CALLED:
                    if _CALLED[noun] is not WHOLE_OF.get(at.thing, at.thing):
                        continue
                    end = i + 2
                elif not _is_called(words[at.start : at.end], at.thing):
                    continue
                yield (*words[cut:i], *name, *words[end:])


def _called(at: Named) -> Phrase:
    """The plain name of a thing of the house; () for parts and words of the text."""
    if at.thing in NOUNS:
        return ("the", at.thing.value, *at.words)
    if at.thing is Thing.TABLE:
        return ("the", "table")
    if at.thing is Thing.NOTES:
        return ("all", *at.words)
    if at.thing not in (*UNIT, Thing.NOTE):
        return ()
    bare = len(at.words) <= 2 and at.words[-1] in NOTES | {"row", "column"}
    return () if bare else at.words


def _is_called(words: Phrase, thing: Thing) -> bool:
    """Whether a thing is called what it is, and not by a name alone that may be a word."""
    nouns = NOUNS.get(thing, (thing.value,))
    return not {word.removesuffix("s") for word in words}.isdisjoint(nouns)
