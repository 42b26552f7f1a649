"""Letters and numbers that make one name: "M25", "room 12B", a postcode."""

from __future__ import annotations

import re
from collections.abc import Sequence

from nimble_lantern.core.lexicon.figures import CHOICES, COINS, LETTERED, MEASURES, MONEY
from nimble_lantern.core.lexicon.names import MONTHS
from nimble_lantern.core.writing.cardinals import (
    DIGITS,
    NUMBER_WORDS,
    REPEATS,
    SCALES,
    below_hundred,
)

_POSTCODE = re.compile(r"([A-Z]{1,2}\d[A-Z\d]?)(\d[A-Z]{2})")
"""Royal Mail, Programmers' Guide to the Postcode Address File, 2.3: outward and inward code."""
_WORDS_TOO = frozenset("aio")
"""Letters that are words or noughts as well."""
_COUNTED = MEASURES | MONEY.keys() | COINS.keys() | SCALES.keys() | MONTHS.keys() | {"percent"}
_AFTER_A_NAME = frozenset(
    "is was are were has and or to at on in for with by from full comma period question new"
    " close semicolon colon please".split()
)
"""Behind "seat twelve a" no thing follows that the "a" could belong to."""
_LETTERED = LETTERED | {f"{thing}s" for thing in LETTERED}
_ROADS = frozenset("abm")
"""Classes of British roads: "the M5"."""
_SHORTEST = 3
"""Letters and digits: "at b one of us left", and "b four two"."""


def code(words: Sequence[str], i: int, previous: str) -> tuple[str, int] | None:
    """The code that begins with the letter at `i`, and how many words it takes."""
    if len(words[i]) != 1 or not words[i].isalpha():
        return None
    postcode = _postcode(words, i)
    if postcode:
        return postcode
    told = previous in _LETTERED or _is_next_of_a_row(words, i)
    if words[i] in _WORDS_TOO and not told and previous != "the":
        return None
    j = i
    while j < len(words) and len(words[j]) == 1 and words[j].isalpha():
        j += 1
    letters, (digits, end) = "".join(words[i:j]), _digits(words, j)
    if not digits or end < len(words) and words[end] in _COUNTED:
        return None
    if words[end : end + 1] == ["o"]:
        digits, end = f"{digits}O", end + 1  # "h two o"
    if previous in NUMBER_WORDS or previous in CHOICES:
        return None  # "twelve p", "plan b ten times"
    road = previous == "the" and letters in _ROADS
    if len(letters + digits) < _SHORTEST and not told and not road:
        return None
    return f"{letters.upper()}{digits}", end - i


def _is_next_of_a_row(words: Sequence[str], i: int) -> bool:
    """Whether a letter begins one more of what was told: "seats a one to a twelve"."""
    if not i or words[i - 1] not in ("to", "and", "or", "comma"):
        return False
    earlier = (k for k in range(1, i - 1) if words[k] == words[i] and words[k - 1] in _LETTERED)
    return any(words[k + 1] in NUMBER_WORDS for k in earlier)


def _postcode(words: Sequence[str], i: int) -> tuple[str, int] | None:
    """Two groups of letters and digits; the longest that is one."""
    run, best, j = "", None, i
    while j < len(words):
        digits, end = _digits(words, j)
        if digits:
            run, j = run + digits, end
        elif words[j] == "double" and j + 1 < len(words) and len(words[j + 1]) == 1:
            run, j = run + words[j + 1].upper() * 2, j + 2
        elif len(words[j]) == 1 and words[j].isalpha():
            run, j = run + words[j].upper(), j + 1
        else:
            break
        if match := _POSTCODE.fullmatch(run):
            best = " ".join(match.groups()), j - i
    return best


def _digits(words: Sequence[str], j: int) -> tuple[str, int]:
    """The number said digit by digit, or in tens: "seven four two", "twenty five"."""
    digits = ""
    while j < len(words):
        if words[j] in REPEATS and j + 1 < len(words) and words[j + 1] in DIGITS:
            digits, j = digits + DIGITS[words[j + 1]] * REPEATS[words[j]], j + 2
        elif words[j] == "o" and not (digits and words[j + 1 : j + 2] and words[j + 1] in DIGITS):
            break  # the letter
        elif words[j] in DIGITS:
            digits, j = digits + DIGITS[words[j]], j + 1
        elif found := below_hundred(words, j):
            digits, j = digits + str(found[0]), found[1]
        else:
            break
    return digits, j


def lettered(words: Sequence[str], j: int, previous: str) -> str:
    """The letter at `j` that belongs to the number before it: "room twelve b"; else nothing."""
    letter = words[j] if j < len(words) else ""
    if len(letter) != 1 or not letter.isalpha() or previous not in LETTERED:
        return ""
    after = words[j + 1] if j + 1 < len(words) else ""
    if after == "m" and letter in "ap" or len(after) == 1:
        return ""
    if letter in _WORDS_TOO and after and after not in _AFTER_A_NAME:
        return ""
    return letter.upper()
