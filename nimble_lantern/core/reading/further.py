"""What goes on from the last command: "further up", "and after winter", "no after it"."""

from __future__ import annotations

from collections.abc import Iterator

from nimble_lantern.core.grammar.catalogue import CATALOGUE
from nimble_lantern.core.lexicon.housed import Phrase
from nimble_lantern.core.reading.following import (
    bare_of,
    beside,
    last_done,
    named_in,
    part_as_well,
    phrases,
)
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Order, Units, Words
from nimble_lantern.core.writing.cardinals import cardinal, in_words, ordinal, ordinal_in_words

_LONGEST = 8
_IT = frozenset("it that this them those these".split())
_SIDES = phrases("before, after, in front of, behind, above, below, under, ahead of")
_IN_FULL = {"in front": ("in", "front", "of"), "ahead": ("ahead", "of")}
_EDGES = frozenset("start beginning top front end bottom foot".split())
_WAYS = frozenset("up down left right".split())
_ONCE_MORE = phrases(
    "one more, once more, again, one more time, once again, further, a bit further, more, and again"
)
_NOT_THAT = phrases(
    "not that one, not this one, no not that one, wrong one, no wrong one, that's the wrong one",
    "not there, no not there, not that, no not that, not like that, no not like that, not this",
)
_OTHER_WAY = phrases(
    "the other way round, no the other way round, the other way, no the other way, not that way",
    "no not that way, other way round, no other way round, the other way around",
)
_ROUND = frozenset("round around about".split())
_A_BIT_MORE = phrases("a bit more, one more, more, some more, a little more, one more word")


def further(sitting: Sitting, words: Phrase) -> Iterator[Phrase]:
    """Commands that words may be as more of the last one, or of another thing beside."""
    if not words or len(words) > _LONGEST or (last := last_done(sitting)) is None:
        return
    before, command, _ = last
    traits = CATALOGUE.commands[command].traits
    if command.startswith("selecting."):
        yield from _selected(words)
    if not sitting.trail[-1].made:
        return
    if traits.moves:
        yield from _moved(before, words)
    for said in dict.fromkeys((tuple(sitting.trail[-1].heard.split()), before)):
        yield from _beside_another(said, words)
    if part := part_as_well(words):
        yield from in_part(before, command, part)
    yield from _counted(before, command, words, traits.destructive)
    if words[:1] == ("with",) and words[-1] in _IT and words[-2] in _ROUND and sitting.that:
        yield ("put", *words[1:-1], "that")


def not_that(sitting: Sitting, words: Phrase) -> Iterator[Phrase]:
    """ "Not that one", "no the other way round": what was just done is taken back."""
    last = last_done(sitting)
    if last is None or not sitting.trail[-1].made:
        return
    if words in _NOT_THAT or CATALOGUE.commands[last[1]].traits.moves and words in _OTHER_WAY:
        yield ("undo", "that")


def goes_on(words: Phrase) -> bool:
    """Whether words to be written are only those of the last command: "and after winter"."""
    return words[:1] == ("and",) and any(words[1 : 1 + len(s)] == s for s in _SIDES)


def _selected(words: Phrase) -> Iterator[Phrase]:
    """ "A bit more", "and the next two words", "not the full stop", of what was selected."""
    if words in _A_BIT_MORE:
        yield ("extend", "by", "one", "word")
    bare = words[words[:1] == ("and",) :]
    if bare[:2] == ("the", "next") and len(bare) > 2:
        many = cardinal(bare, 2)
        yield ("extend", "by", *(() if many else ("one",)), *bare[2:])
    if words[:1] == ("not",):
        yield ("without", *words[1:])


def _moved(before: Phrase, words: Phrase) -> Iterator[Phrase]:
    """ "One more", "further up", after something was moved up."""
    bare = words[words[:1] == ("and",) :]
    told = [word for word in bare if word in _WAYS]
    rest = tuple(word for word in bare if word not in _WAYS)
    way = told[0] if told else next((word for word in before if word in _WAYS), "")
    if way and len(told) < 2 and (rest in _ONCE_MORE or rest in ((), ("back",)) and told):
        yield ("move", "that", way)
        if sum(word in _WAYS for word in before) == 1 and not told:
            yield before  # a row, by its name


def _beside_another(before: Phrase, words: Phrase) -> Iterator[Phrase]:
    """ "And after winter", after a comma was put after another word."""
    if not goes_on(words):
        return
    at = _last_side(before)
    if at is not None:
        yield (*before[: at[0]], *words[1:])


def _last_side(before: Phrase) -> tuple[int, int] | None:
    """Where the last words stand that tell a side: "before", "in front of"."""
    found = [
        (i, i + len(side))
        for i in range(1, len(before))
        for side in _SIDES
        if before[i : i + len(side)] == side
    ]
    return max(found, default=None)


def _counted(before: Phrase, command: str, words: Phrase, gone: bool) -> Iterator[Phrase]:
    """ "And the third", after the second item was made bold, or is gone: it is the second now."""
    bare = words[words[:1] == ("and",) :]
    bare = bare[: len(bare) - (bare[-1:] in (("one",), ("too",)))]
    said = ordinal(bare, 1) if bare[:1] == ("the",) else None
    if said is None or said[1] != len(bare):
        return
    for start, end, target in named_in(before, command):
        if not isinstance(target, Units) or target.order not in (Order.NTH, Order.FIRST):
            continue
        step = said[0] - target.n
        named = before[start:end]
        number = cardinal(named, 1)
        if number is not None and number[1] == len(named):
            n = said[0] - (gone and step > 0)  # "column two", and then "the third"
            yield (*before[:start], named[0], *in_words(n).split("-"), *before[end:])
        for other in beside(before[start:end], target, step - (gone and step > 0)):
            yield (*before[:start], *other, *before[end:])


def placed_otherwise(
    sitting: Sitting, before: Phrase, command: str, rest: Phrase
) -> Iterator[Phrase]:
    """The last command at another place: "no after it", "no at the start", "the other one"."""
    bare = rest[:-1] if rest[-1:] and rest[-1] in _IT else rest
    side = _IN_FULL.get(" ".join(bare), bare)
    at = _last_side(before)
    if at is not None and side in _SIDES:
        yield (*before[: at[0]], *side, *before[at[1] :])
    elif at is not None and any(bare[: len(s)] == s for s in _SIDES):
        yield (*before[: at[0]], *bare)  # "no below flowers"
    if bare[:1] == ("by",) and "by" in before[1:]:
        yield (*before[: before.index("by", 1)], *bare)  # "no by name"
    if bare[:2] == ("at", "the") and bare[-1] in _EDGES:
        for i in range(1, len(before)):
            if before[i] in _EDGES:
                yield (*before[:i], bare[-1], *before[i + 1 :])
    if bare in (("the", "other", "one"), ("the", "other"), ("other", "one")):
        yield from _the_other(sitting, before, command)
    if bare[:1] == ("in",) and len(bare) > 2:
        yield from in_part(before, command, bare[1:])


def in_part(before: Phrase, command: str, part: Phrase) -> Iterator[Phrase]:
    """The last command, of the same words in another part of the page."""
    parses = (p for p in CATALOGUE.parses(before) if p.command.name == command)
    done = next((p for p in parses if isinstance(p.args.get("target"), Words)), None)
    if done is not None and "text" in done.args:
        yield ("replace", *done.args["target"].words, "in", *part, "with", *done.args["text"])
        return
    for start, end, target in named_in(before, command):
        if isinstance(target, Words):
            yield (*before[:start], *target.words, "in", *part, *before[end:])


def _the_other(sitting: Sitting, before: Phrase, command: str) -> Iterator[Phrase]:
    """ "No the other one", after one of two places was chosen."""
    asked = sitting.previous.question if sitting.previous is not None else None
    chosen = sitting.trail[-1].heard.split()
    if asked is None or len(asked.options) != 2:
        return
    numbers = (ordinal(chosen, i) or cardinal(chosen, i) for i in range(len(chosen)))
    number = next((n[0] for n in numbers if n), 0)
    if number not in (1, 2):
        return
    other = ordinal_in_words(3 - number)
    for start, end, target in named_in(before, command):
        if isinstance(target, Words):
            yield (*before[:start], "the", other, *bare_of(before[start:end]), *before[end:])
