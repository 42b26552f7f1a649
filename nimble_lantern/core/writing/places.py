"""Names of roads, parks and houses that no list has.

After New Hart's Rules (Oxford University Press, 2014), 5.10: what a place is called and its kind
both have capitals where they make one name.
"""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.lexicon.closed import (
    ARTICLES_AND_OWNERS,
    AUXILIARIES,
    DETERMINERS,
    LITTLE,
    PREPOSITIONS,
)
from nimble_lantern.core.lexicon.figures import MEASURES, ROADS
from nimble_lantern.core.lexicon.frequency import zipf
from nimble_lantern.core.lexicon.names import DAYS, GIVEN, KNOWN_NAMES, MONTHS, PROPER
from nimble_lantern.core.writing.cardinals import NUMBER_WORDS

_KINDS = ROADS | frozenset(
    "park square castle cathedral abbey college university hospital school church bridge"
    " court".split()
)
_OF_A_PEOPLE = ("ish", "an", "ese", "ch", "ic")
"""Endings of adjectives, which name no park: "roman roads"."""
_PARTING = PREPOSITIONS | AUXILIARIES | {"", "comma", "and", "or", "full", "period", "semicolon"}
_RARE = 3.3
"""On wordfreq's Zipf scale: commoner words are no town that nobody knows."""
_MARK = frozenset(("comma", "stop", "period", "mark", "colon", "line", "paragraph"))
_PLAIN = frozenset(
    "back way one two every side this that other next last whole only same new old good bad long"
    " short busy quiet wide narrow cross off through middle half".split()
)
"""Before "street" these tell which one it is, and not its name."""


def is_of_a_place(words: Sequence[str], i: int, before: Sequence[str]) -> bool:
    """Whether the word at `i` is of the name of a road or another place.

    `before`: the words before it.
    """
    if _at_a_house(words, i) or _is_kind(words, i, before) or _is_called(words, i, before):
        return True
    return _is_town(words, i)


def _is_town(words: Sequence[str], i: int) -> bool:
    """ "Fourteen quay street comma saltmarsh": a rare word behind the road of an address."""
    after = words[i + 1] if i + 1 < len(words) else ""
    road = i > 2 and words[i - 1] == "comma" and words[i - 2] in ROADS
    ends = after in ("", "comma", "full", "period", "new")
    return road and ends and zipf(words[i]) < _RARE and words[i].isalpha()


def _at_a_house(words: Sequence[str], i: int) -> bool:
    """ "Eighteen quay street": the name of a road after the number of a house."""
    k = next((k for k in range(i, min(i + 3, len(words))) if words[k] in ROADS), None)
    if k is None:
        return False
    for j in range(max(1, k - 2), min(i, k - 1) + 1):
        named = words[j:k]
        if named == ["way"]:
            continue  # "a one way street"
        house = words[j - 1] if len(words[j - 1]) > 1 else words[j - 2]  # "twelve b"
        if house in NUMBER_WORDS and not set(named) & (LITTLE | MEASURES | NUMBER_WORDS):
            return True
    return False


def _is_kind(words: Sequence[str], i: int, before: Sequence[str]) -> bool:
    """ "Victoria park", "Saint Mary's school": what it is, behind what it is called."""
    if words[i] not in _KINDS or not i:
        return False
    named = words[i - 1].removesuffix("'s")
    known = named in GIVEN or named in KNOWN_NAMES or named in PROPER.split()
    if not known or named.endswith(_OF_A_PEOPLE) or named in DAYS or named in MONTHS:
        return _is_called(words, i - 1, words[i - 2 : i - 1] if i > 1 else ())
    owned = named != words[i - 1] and words[i - 2 : i - 1] != ["saint"]
    led = i > 1 and words[i - 2] in ARTICLES_AND_OWNERS | DETERMINERS
    return not owned and not led


def _is_called(words: Sequence[str], i: int, before: Sequence[str]) -> bool:
    """ "In lake street": without an article, it can only be its name."""
    kind = words[i + 1] if i + 1 < len(words) else ""
    if kind not in ROADS and kind != "square":
        return False
    last = before[-1] if before else ""
    after = words[i + 2] if i + 2 < len(words) else ""
    led = not last or last in PREPOSITIONS or last in _MARK or last in ("and", "or")
    plain = words[i] in LITTLE | NUMBER_WORDS | MEASURES | _PLAIN | AUXILIARIES
    return led and not plain and after in _PARTING and words[i].isalpha()
