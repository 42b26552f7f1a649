"""Parts of a page that are told by what was said before, together, or in another order."""

from __future__ import annotations

from collections.abc import Iterator

from nimble_lantern.core.lexicon.desk import COUNTED, COUNTS, TRADE_NOUNS
from nimble_lantern.core.reading.addressing import Plainer
from nimble_lantern.core.writing.cardinals import cardinal

SHALL = frozenset("should must ought".split())
"""They ask for something behind any words: "in the last line pocket should be coat"."""


def in_parts(words: tuple[str, ...]) -> tuple[Plainer, ...]:
    """Parts of a page named in full where a part that was named before tells what they are.

    "The second paragraph should follow the third" goes on with "paragraph", and "begin paragraph
    two with its last sentence" with "the last sentence of paragraph two".
    """
    said = of_the_whole(_with_units(words))
    found = [said] if said != words else []
    named = (*found, *_each_named(words), *_changing_places(words))
    named = (*named, *_with_its_part_first(words))
    bare = (words[:-3],) if len(words) > _LEAST_TABLED and words[-3:] in _IN_THE_TABLE else ()
    return (*map(Plainer, named), *(Plainer(w, tabled=True) for w in bare))


def _with_its_part_first(words: tuple[str, ...]) -> Iterator[tuple[str, ...]]:
    """ "Pocket should be coat in the last line": in the last line it should."""
    shall = next((i for i, word in enumerate(words) if word in SHALL), 0)
    for i in range(len(words) - 2, shall + 2, -1):
        if shall and words[i] in _IN and _PARTS_NAMED & set(words[-2:]):
            yield (*words[i:], *words[:i])
            return


_PARTS_NAMED = COUNTED | {"section", "table", "list", "title", "heading"}
_IN = frozenset(("in", "on"))
_LEAST_TABLED = 5
_IN_THE_TABLE = frozenset((p, d, "table") for p in ("in", "of") for d in ("the", "this", "that"))


def _each_named(words: tuple[str, ...]) -> Iterator[tuple[str, ...]]:
    """ "The monday and tuesday rows", "rows two and three": each with its noun."""
    for i, word in enumerate(words):
        unit = word.removesuffix("s")
        if unit == word or unit not in COUNTED | {"section", "step"}:
            continue
        one = cardinal(words, i + 1)
        if one and words[one[1] : one[1] + 1] == ("and",):
            yield (*words[:i], unit, *words[i + 1 : one[1]], "and", unit, *words[one[1] + 1 :])
        link = next((n for n in range(i - 2, max(0, i - 4) - 1, -1) if words[n] == "and"), 0)
        for start in range(max(0, link - _MOST_NAME), link):
            first, second = _the(words[start:link]), _the(words[link + 1 : i])
            yield (*words[:start], *first, unit, "and", *second, unit, *words[i + 1 :])


def _the(words: tuple[str, ...]) -> tuple[str, ...]:
    return words if words[0] == "the" else ("the", *words)


_THERE = frozenset("is are was stands goes go should".split())
"""Of one of two that change places: "left goes where price is"."""
_MOST_NAME = 3
"""Words of one of two things that are named with one noun."""


def _changing_places(words: tuple[str, ...]) -> Iterator[tuple[str, ...]]:
    """ "Put left where price is and price where left is" has them swapped."""
    bare = tuple(w for w in words if w not in _THERE)
    wheres = [i for i, word in enumerate(bare) if word == "where"]
    if len(wheres) != 2 or "and" not in bare[wheres[0] : wheres[1]]:
        return
    one, other = wheres
    link = bare.index("and", one)
    here, there = bare[link + 1 : other], bare[one + 1 : link]
    first = bare[max(0, one - len(bare[other + 1 :])) : one]
    if first and first == bare[other + 1 :] and here == there and one - len(first) <= 2:
        yield ("swap", "the", *first, "column", "and", "the", *there, "column")
        yield ("swap", *first, "and", *there)


def _with_units(words: tuple[str, ...]) -> tuple[str, ...]:
    units = [w.removesuffix("s") for w in words if w.removesuffix("s") in COUNTED]
    if len(set(units)) != 1:
        return words
    said: list[str] = []
    for i, word in enumerate(words):
        if word == "one" and words[i - 1] in COUNTS and words[i - 2 : i - 1] == ("the",):
            said.append(units[0])
            continue
        said.append(word)
        counted = word in COUNTS and words[i - 1] == "the"
        follows = words[i + 1] if i + 1 < len(words) else ""
        if counted and follows not in ("one", "and") and follows not in TRADE_NOUNS:
            said.append(units[0])
    return tuple(said)


def of_the_whole(words: tuple[str, ...]) -> tuple[str, ...]:
    """What is spoken of as "its" or "that paragraph", by the name it was called before."""
    for i, word in enumerate(words):
        if words[i + 1 : i + 2] == ("own",):
            continue  # "into its own paragraph"
        unit = words[i + 1] if word == "that" and i + 1 < len(words) else ""
        named = _counted(words[:i], unit) if word == "its" or unit in COUNTED else None
        if named is None:
            continue
        if unit:
            return (*words[:i], *named, *words[i + 2 :])
        ends = range(i + 2, min(len(words), i + 4) + 1)
        end = next((j for j in ends if words[j - 1] in TRADE_NOUNS | _EDGES), None)
        if end is not None:
            return (*words[:i], "the", *words[i + 1 : end], "of", *named, *words[end:])
    return words


def _counted(words: tuple[str, ...], unit: str) -> tuple[str, ...] | None:
    """The part that was counted last: "the third paragraph", "paragraph three"."""
    for i in range(len(words) - 1, -1, -1):
        if words[i] not in COUNTED or unit and words[i] != unit:
            continue
        if i > 1 and words[i - 1] in COUNTS and words[i - 2] == "the":
            return words[i - 2 : i + 1]
        if number := cardinal(words, i + 1):
            return words[i : number[1]]
    return None


_EDGES = frozenset("end start top bottom beginning there".split())
