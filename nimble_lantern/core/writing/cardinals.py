"""English number words: parsing and spelling out.

All parsers take lower-case words and an index, and answer (value, index after) or None.
"""

from __future__ import annotations

from collections.abc import Sequence

UNITS = {
    word: value
    for value, word in enumerate(
        "zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen"
        " fifteen sixteen seventeen eighteen nineteen".split()
    )
}
TENS = {
    word: 10 * (n + 2)
    for n, word in enumerate("twenty thirty forty fifty sixty seventy eighty ninety".split())
}
REPEATS = {"double": 2, "triple": 3, "treble": 3}
"""Of a digit: "double four"."""
SCALES = {"thousand": 10**3, "million": 10**6, "billion": 10**9, "trillion": 10**12}
DIGITS = {**{w: str(v) for w, v in UNITS.items() if v < 10}, "oh": "0", "o": "0", "nought": "0"}
ORDINAL_UNITS = {
    word: value
    for value, word in enumerate(
        "zeroth first second third fourth fifth sixth seventh eighth ninth tenth eleventh twelfth"
        " thirteenth fourteenth fifteenth sixteenth seventeenth eighteenth nineteenth".split()
    )
    if value
}
ORDINAL_TENS = {
    word: 10 * (n + 2)
    for n, word in enumerate(
        "twentieth thirtieth fortieth fiftieth sixtieth seventieth eightieth ninetieth".split()
    )
}
NUMBER_WORDS = frozenset(UNITS) | frozenset(TENS) | frozenset(SCALES) | {"hundred"}
Found = tuple[int, int] | None


def below_hundred(words: Sequence[str], i: int) -> Found:
    if i >= len(words):
        return None
    word = words[i]
    if word.isascii() and word.isdigit() and len(word) < 16:
        return int(word), i + 1
    if word in UNITS:
        return UNITS[word], i + 1
    if word in TENS:
        unit = UNITS.get(words[i + 1], 0) if i + 1 < len(words) else 0
        return (TENS[word] + unit, i + 2) if 0 < unit < 10 else (TENS[word], i + 1)
    if "-" in word:
        head, _, tail = word.partition("-")
        if head in TENS and 0 < UNITS.get(tail, 0) < 10:
            return TENS[head] + UNITS[tail], i + 1
    return None


def _below_thousand(words: Sequence[str], i: int) -> Found:
    found = below_hundred(words, i)
    if found is None and words[i : i + 1] == ["a"] and words[i + 1 : i + 2] == ["hundred"]:
        found = 1, i + 1
    if found is None:
        return None
    value, j = found
    if 0 < value < 100 and j < len(words) and words[j] == "hundred":
        value, j = value * 100, j + 1
        skip = j + 1 if words[j : j + 1] == ["and"] else j
        rest = below_hundred(words, skip)
        if rest and 0 < rest[0] < 100:
            return value + rest[0], rest[1]
    return value, j


def cardinal(words: Sequence[str], i: int) -> Found:
    """ "two thousand and six" -> 2006.  A bare "a hundred" counts only as part of more."""
    words = words if isinstance(words, list) else list(words)
    total, j, limit = 0, i, 10**15
    while True:
        skip = j + 1 if j > i and words[j : j + 1] == ["and"] else j
        group = _below_thousand(words, skip)
        if group is None and j == i and words[i : i + 1] == ["a"] and words[i + 1 : i + 2]:
            group = (1, i + 1) if words[i + 1] in SCALES else None
        if group is None:
            break
        value, k = group
        scale = SCALES.get(words[k], 1) if k < len(words) else 1
        if scale > 1 and scale < limit:
            total, j, limit = total + value * scale, k + 1, scale
            continue
        if j > i and (value >= limit or value == 0):
            break
        if skip > j and words[k : k + 1] and words[k] in SCALES:
            # "Two thousand and two thousand" are two numbers.
            break
        return total + value, k
    return (total, j) if j > i else None


def ordinal(words: Sequence[str], i: int) -> Found:
    """ "twenty first" -> 21."""
    if i >= len(words):
        return None
    word = words[i]
    if word in ORDINAL_UNITS:
        return ORDINAL_UNITS[word], i + 1
    if word in ORDINAL_TENS:
        return ORDINAL_TENS[word], i + 1
    if word == "hundredth":
        return 100, i + 1
    if word[:-2].isdecimal() and word[-2:] in ("st", "nd", "rd", "th") and len(word) < 12:
        return int(word[:-2]), i + 1
    if word in TENS and i + 1 < len(words) and ORDINAL_UNITS.get(words[i + 1], 99) < 10:
        return TENS[word] + ORDINAL_UNITS[words[i + 1]], i + 2
    if "-" in word:
        head, _, tail = word.partition("-")
        if head in TENS and ORDINAL_UNITS.get(tail, 99) < 10:
            return TENS[head] + ORDINAL_UNITS[tail], i + 1
    return _large_ordinal(words, i)


def _large_ordinal(words: Sequence[str], i: int) -> Found:
    """Hundreds and more: "two hundred and twenty first", "one thousandth"."""
    if word_value(words[i]) is None:
        return None
    for j in range(i + 1, min(len(words), i + _LONGEST_CARDINAL)):
        if words[j].endswith("th") and words[j][:-2] in (*SCALES, "hundred"):
            found = cardinal([*words[i:j], words[j][:-2]], 0)
            return (found[0], j + 1) if found and found[1] == j + 1 - i else None
        if words[j] not in ORDINAL_UNITS and words[j] not in ORDINAL_TENS:
            if word_value(words[j]) is None and words[j] != "and":
                return None
            continue
        k = j - 1 if words[j - 1] in TENS and words[j] in ORDINAL_UNITS else j
        tail = ordinal(words[: j + 1], k)
        head_end = k - 1 if words[k - 1] == "and" else k
        head = cardinal(list(words[i:head_end]), 0)
        if tail and head and head[1] == head_end - i and head[0] % 100 == 0 and head[0]:
            return head[0] + tail[0], tail[1]
        return None
    return None


def word_value(word: str) -> int | None:
    """The value of one number word; None for any other word."""
    if word in ("a", "hundred"):
        return 1 if word == "a" else 100
    return UNITS.get(word, TENS.get(word, SCALES.get(word)))


_LONGEST_CARDINAL = 16
_SMALL = {v: w for w, v in UNITS.items()} | {v: w for w, v in TENS.items()}
_SMALL_ORDINAL = (
    {0: "zeroth"}
    | {v: w for w, v in ORDINAL_UNITS.items()}
    | {v: w for w, v in ORDINAL_TENS.items()}
)


def in_words(value: int, dialect: str = "british") -> str:
    """105 -> "one hundred and five" (American: "one hundred five")."""
    if value < 100:
        if value in _SMALL:
            return _SMALL[value]
        return f"{_SMALL[value // 10 * 10]}-{_SMALL[value % 10]}"
    link = " " if dialect == "american" else " and "
    if value < 1000:
        head = f"{_SMALL[value // 100]} hundred"
        return head + (link + in_words(value % 100, dialect) if value % 100 else "")
    for word, scale in reversed(SCALES.items()):
        if value >= scale:
            head, rest = f"{in_words(value // scale, dialect)} {word}", value % scale
            if not rest:
                return head
            return head + (link if rest < 100 else " ") + in_words(rest, dialect)
    raise ValueError(value)


def ordinal_in_words(value: int, dialect: str = "british") -> str:
    """21 -> "twenty-first"."""
    if value in _SMALL_ORDINAL:
        return _SMALL_ORDINAL[value]
    if value < 100:
        return f"{_SMALL[value // 10 * 10]}-{_SMALL_ORDINAL[value % 10]}"
    if value % 100 == 0:
        return in_words(value, dialect) + "th"
    link = " " if dialect == "american" else " and "
    return in_words(value - value % 100, dialect) + link + ordinal_in_words(value % 100, dialect)


def ordinal_suffix(value: int) -> str:
    """1 -> "st", 11 -> "th"."""
    if value % 100 in (11, 12, 13):
        return "th"
    return {1: "st", 2: "nd", 3: "rd"}.get(value % 10, "th")


def grouped(value: int) -> str:
    """1000 -> "1,000"."""
    return f"{value:,}"


def year_in_words(year: int) -> str:
    """A year as it is said: nineteen oh six, nineteen hundred, two thousand and six."""
    century, rest = divmod(year, 100)
    if not 10 <= century <= 29 or century in (10, 20) and rest < 10:
        return in_words(year)
    return by_hundreds(year)


def by_hundreds(number: int) -> str:
    """A number of four digits as two of two: nineteen oh six, nineteen hundred."""
    head, rest = divmod(number, 100)
    if not rest:
        return f"{in_words(head)} hundred"
    return f"{in_words(head)} {'oh ' if rest < 10 else ''}{in_words(rest)}"
