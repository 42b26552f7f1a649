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


def heard_alike(one: str, other: str) -> bool:
    """Whether one of two words may have been heard for the other: Gaz and Gary, hey and hay."""
    if one == other or one[:1] != other[:1]:
        return False
    near = Levenshtein.normalized_similarity(one, other) >= _LETTERS_ALIKE
    return near or phrase_key(one) == phrase_key(other)


_LETTERS_ALIKE = 0.5
