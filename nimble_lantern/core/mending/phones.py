"""How words are spoken, phone by phone, and how far apart two wordings sound.

The pronouncing dictionary is the one in the recogniser's package (CMU's, in ARPAbet); what it lacks
is pronounced by rule.
"""

from __future__ import annotations

from collections.abc import Sequence
from functools import cache, lru_cache
from importlib.resources import files
from itertools import accumulate

from nimble_lantern.core.mending.pronouncing import pronunciation

Phones = tuple[str, ...]
_DICTIONARY = "model/en-us/cmudict-en-us.dict"
VOWELS = frozenset("AA AE AH AO AW AY EH ER EY IH IY OW OY UH UW".split())
_CLASSES = {
    **dict.fromkeys("P B".split(), "p"), **dict.fromkeys("T D".split(), "t"),
    **dict.fromkeys("K G".split(), "k"), **dict.fromkeys("F V TH DH".split(), "f"),
    **dict.fromkeys("S Z".split(), "s"), **dict.fromkeys("SH ZH CH JH".split(), "c"),
    **dict.fromkeys("M N NG".split(), "n"), "L": "l", "R": "r", "W": "w", "Y": "y", "HH": "",
    **dict.fromkeys(VOWELS, "a"),
}  # fmt: skip
"""Phones that are easily taken for each other share a class (after Miller and Nicely, 1955)."""
_LIKE_VOWELS = tuple(
    frozenset(group.split())
    for group in (
        "IH IY EH",
        "EH AE EY",
        "AE AA AH",
        "AH AA AO",
        "AO OW OY",
        "UH UW OW",
        "AH ER UH",
        "AY OY",
        "AW OW AO",
        "IH AH",
        "EH AH",
    )  # fmt: skip
)
_FAINT = frozenset("HH R T D Y W".split())
"""Phones that are easily lost, or heard where there are none."""
_SAME_CLASS, _LIKE, _OTHER_VOWEL, _OTHER, _ACROSS = 0.35, 0.3, 0.6, 1.0, 1.6
_LOST_FAINT, _LOST_VOWEL, _LOST = 0.4, 0.7, 0.9


@cache
def _dictionary() -> dict[str, Phones]:
    """The first pronunciation of each word."""
    path = files("pocketsphinx").joinpath(_DICTIONARY)
    found: dict[str, Phones] = {}
    for line in path.read_text(encoding="utf-8").splitlines():
        word, _, said = line.partition(" ")
        if "(" not in word:
            found[word] = tuple(said.split())
    return found


def make_ready() -> None:
    """Read the dictionary before the first utterance needs it: four tenths of a second."""
    _dictionary()


@lru_cache(maxsize=100_000)
def phones(word: str) -> Phones:
    """The phones of a word in small letters."""
    known = _dictionary()
    if word in known:
        return known[word]
    said = pronunciation(word, lambda other: " ".join(known.get(other, ())))
    return tuple(said.split()) if said else ()


def spoken(words: Sequence[str]) -> Phones:
    """The phones of several words, run together."""
    return tuple(phone for word in words for phone in phones(word))


@lru_cache(maxsize=100_000)
def sound_class(said: Phones) -> str:
    """A rough key: what is easily confused has the same, vowels next to each other are one.

    An R behind a vowel is silent in much of English, so it counts for nothing.
    """
    key = ""
    for phone in said:
        sign = _CLASSES.get(phone, "")
        if not (sign == "a" and key.endswith("a")) and not (sign == "r" and key.endswith("a")):
            key += sign
    return key


def _swapped(a: str, b: str) -> float:
    if a == b:
        return 0.0
    if (a in VOWELS) != (b in VOWELS):
        return _ACROSS
    if a in VOWELS:
        return _LIKE if any(a in g and b in g for g in _LIKE_VOWELS) else _OTHER_VOWEL
    return _SAME_CLASS if _CLASSES[a] == _CLASSES[b] else _OTHER


def _lost(phone: str) -> float:
    if phone in _FAINT:
        return _LOST_FAINT
    return _LOST_VOWEL if phone in VOWELS else _LOST


_SWAPPED = {a: {b: _swapped(a, b) for b in _CLASSES} for a in _CLASSES}
_COST = {phone: _lost(phone) for phone in _CLASSES}


def distance(some: Phones, others: Phones) -> float:
    """The weighted edit distance (Wagner and Fischer, 1974) of two wordings; about one a phone."""
    costs = [_COST[b] for b in others]
    row = [0.0, *accumulate(costs)]
    for a in some:
        lost, swapped = _COST[a], _SWAPPED[a]
        across, made = row[0], row[0] + lost
        above, row = row, [made]
        # Comparisons, as a call of min() for each pair took most of the time.
        for j, b in enumerate(others):
            best, made = across + swapped[b], made + costs[j]
            across = above[j + 1]
            if across + lost < best:
                best = across + lost
            if best < made:
                made = best
            row.append(made)
    return row[-1]
