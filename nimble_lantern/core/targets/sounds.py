"""A rough key of how a word sounds, so that what was misheard still meets what stands written.

In the manner of Soundex (Russell, US patent 1,261,167) and its descendants: letters that sound
alike share a sign, vowels share one, silent letters go.
"""

from __future__ import annotations

import re
from functools import lru_cache

from rapidfuzz.distance import Levenshtein

_RULES: tuple[tuple[re.Pattern[str], str], ...] = tuple(
    (re.compile(pattern), sign)
    for pattern, sign in (
        (r"[^a-z]", ""),
        (r"(?<=[aeiou][b-df-hj-np-tv-z])e(?=d?$)", ""),
        (r"^(kn|gn|pn)", "n"),
        (r"^wr", "r"),
        (r"^wh", "w"),
        (r"^ps", "s"),
        (r"mb$", "m"),
        (r"tch", "ch"),
        (r"dge?", "j"),
        (r"igh|ough|augh|eigh", "a"),
        (r"gh", ""),
        (r"ph", "f"),
        (r"sch", "sk"),
        (r"c(?=[eiy])", "s"),
        (r"g(?=[eiy])", "j"),
        (r"[sc]h|tion|sion|s(?=ure)", "$"),
        (r"th", "t"),
        (r"ck|qu?|c", "k"),
        (r"x", "ks"),
        (r"z", "s"),
        (r"v", "f"),
        (r"d", "t"),
        (r"b", "p"),
        (r"g", "k"),
        (r"j", "$"),
        (r"(?<=.)h", ""),
        (r"[wy](?=[^aeiou]|$)", "a"),
        (r"(?<=[aeiou])r(?=[^aeiou]|$)", ""),
        (r"[aeiouy]+", "a"),
        (r"(.)\1+", r"\1"),
        (r"(?<=.)a$", ""),
    )
)


@lru_cache(maxsize=50_000)
def sound_key(word: str) -> str:
    """ "stair" and "stare" share a key, and so do "bored" and "board"."""
    text = word.lower()
    for pattern, sign in _RULES:
        text = pattern.sub(sign, text)
    return text


def phrase_key(phrase: str) -> str:
    """The keys of a phrase's words, run together as they are spoken."""
    return "".join(sound_key(word) for word in phrase.split())


def sounds_the_same(one: str, other: str) -> bool:
    """Whether two phrases are said alike, as far as spelling tells: "hail" and "hale", "rows" and
    "rose", but neither "stars" and "stairs" nor "week" and "weeks"."""
    if phrase_key(one) != phrase_key(other):
        return False
    pairs = zip(one.lower().split(), other.lower().split(), strict=False)
    return all(_first_vowels(a) & _first_vowels(b) for a, b in pairs)


@lru_cache(maxsize=5_000)
def _first_vowels(word: str) -> frozenset[str]:
    """What the first vowel of a word may be."""
    found = _VOWELS.match(word)
    if found is None:
        return frozenset(("",))
    vowels, r, silent = found["vowels"], found["r"], found["silent"]
    if silent and len(vowels) == 1:
        vowels += "_e"
    return frozenset(_SAID.get(vowels + r, vowels + r).split())


_VOWELS = re.compile(
    r"[^aeiouy]*y?(?P<vowels>[aeiouy]+(?:gh|w)?)(?P<r>r?)(?P<silent>[^aeiouy]?e[ds]?(?![a-z]))?"
)
_SAID = {
    **dict.fromkeys("ai ay a_e aigh".split(), "AY"),
    **dict.fromkeys("ei ey eigh".split(), "AY EE"),
    **dict.fromkeys("ee e_e".split(), "EE"),
    **dict.fromkeys("igh i_e uy ye y_e".split(), "AI"),
    **dict.fromkeys("oa oe o_e".split(), "OH"),
    **dict.fromkeys("ue ew ui u_e eu eew".split(), "OO"),
    **dict.fromkeys("au aw augh ough".split(), "AW OH OO"),
    **dict.fromkeys("air a_er eir".split(), "AIR"),
    **dict.fromkeys("oar oor o_er or our aur".split(), "OR OWR OOR"),
    **dict.fromkeys("er ir ur".split(), "ER"),
    **dict.fromkeys("i_er y_er igher".split(), "IRE"),
    "a": "a AY",
    "e": "e EE",
    "i": "i AI",
    "y": "i AI",
    "o": "o OH u OO",
    "u": "u OO",
    "ea": "EE AY e",
    "ie": "EE AI e",
    "ou": "OW OO u OH",
    "oo": "OO u",
    "ow": "OW OH",
    "ear": "EER AIR ER",
    "e_er": "EER AIR",
    "eer": "EER",
    "ier": "EER",
}
"""Vowels as they are spelled and as they may be said, in rough classes of our own."""


def heard_alike(one: str, other: str) -> bool:
    """Whether one of two words may have been heard for the other: Gaz and Gary, hey and hay."""
    if one == other or one[:1] != other[:1]:
        return False
    near = Levenshtein.normalized_similarity(one, other) >= _LETTERS_ALIKE
    return near or phrase_key(one) == phrase_key(other)


_LETTERS_ALIKE = 0.5
