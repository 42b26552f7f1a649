"""British and American spellings, and words spelled letter by letter.

Only pairs where each dialect has one ordinary form (Oxford's and Merriam-Webster's main
entries); words whose spelling turns on their part of speech (practice, license, cheque in
"check") are left as heard.
"""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.lexicon.spellings import (
    ALPHABET,
    DOUBLED,
    ISE,
    ONE_WAY,
    OUR,
    OUR_TAILS,
    PAIRS,
    RE,
    SPELLED,
)

# The American form is an everyday British word too, so it is never turned British.


def _build() -> dict[str, str]:
    pairs: dict[str, str] = {}
    for word in OUR.split():
        for tail in OUR_TAILS:
            pairs[word + tail] = word[:-3] + "or" + tail
    for word in RE.split():
        american = word[:-2] + "er"
        pairs |= {word: american, word + "s": american + "s"}
    pairs |= {"centred": "centered", "centring": "centering", "kilometre": "kilometer"}
    pairs |= {"kilometres": "kilometers", "centimetre": "centimeter", "millimetre": "millimeter"}
    pairs |= {"centimetres": "centimeters", "millimetres": "millimeters"}
    for stem in ISE.split():
        for tail in ("ise", "ises", "ised", "ising", "iser", "isers", "isation", "isations"):
            pairs[stem + tail] = stem + tail.replace("is", "iz", 1)
    for stem in DOUBLED.split():
        for tail in ("ed", "ing", "er", "ers"):
            pairs[stem + "l" + tail] = stem + tail
    pairs |= dict(pair.split(":", 1) for pair in PAIRS.split())
    return pairs


TO_AMERICAN = _build()
TO_BRITISH = {a: b for b, a in TO_AMERICAN.items() if a not in ONE_WAY and a != b}


def in_dialect(word: str, dialect: str) -> str:
    """A lower-case word in the dialect's spelling."""
    table = TO_AMERICAN if dialect == "american" else TO_BRITISH
    return table.get(word, word)


def folded(word: str) -> str:
    """One form for both spellings, for comparing."""
    return TO_AMERICAN.get(word, word)


# The spelling alphabet of ICAO and the ITU (Radio Regulations, Appendix 14), with its variants.
_CAPITAL = ("capital", "cap", "uppercase")


def letter(word: str) -> str | None:
    """What one spelling word stands for; None for any other word."""
    if len(word.rstrip(".")) == 1 and word[0].isalnum():
        return word[0]
    return ALPHABET.get(word) or SPELLED.get(word)


def spelled(words: Sequence[str], i: int) -> tuple[str, int]:
    """The letters spoken from `i` on, and the index after them."""
    letters, end = spelled_by(words, i)
    return "".join(c for c, _ in letters), end


def spelled_by(words: Sequence[str], i: int) -> tuple[list[tuple[str, int]], int]:
    """The letters spoken from `i` on, each with the index of its word; and the index after them."""
    words, found = list(words), list[tuple[str, int]]()
    j, upper, all_upper = i, False, False
    while j < len(words):
        word, repeat, k = words[j], 1, j + 1
        if word in _CAPITAL and k < len(words) and (words[k] == "double" or letter(words[k])):
            upper, j = True, k
            continue
        if list(words[j : j + 2]) in (["all", "capitals"], ["all", "caps"]):
            all_upper, j = True, j + 2
            continue
        if word == "double" and words[k : k + 1] == ["u"]:
            word, k = "w", k + 1
        elif word == "double" and k < len(words):
            repeat, word, k = 2, words[k], k + 1
        one = letter(word)
        if one is None:
            break
        said = k - 1
        if list(words[k : k + 2]) in (["as", "in"], ["for", "in"]) and k + 2 < len(words):
            k += 3
        elif words[k : k + 1] == ["for"] and k + 1 < len(words) and words[k + 1][:1] == one:
            k += 2
        found += [(one.upper() if upper or all_upper else one, said)] * repeat
        upper, j = False, k
    return found, j


def behind_spelled(words: Sequence[str]) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """What is named, and how it is spelled: "leeks spelled l e e k s"; else nothing, and all."""
    words = tuple(words)
    for how in ("spelled", "spelt"):
        if how in words[1:-1]:
            at = words.index(how)
            return words[:at], words[at + 1 :]
    at = len(words)
    while at and len(words[at - 1]) == 1 and words[at - 1].isalpha():
        at -= 1
    if 0 < at <= len(words) - _FEWEST_LETTERS and words[at - 1][0] == words[at]:
        # "Stair s t a i r": said, and spelled to be sure of it.
        return words[:at], words[at:]
    return (), words


_FEWEST_LETTERS = 3
