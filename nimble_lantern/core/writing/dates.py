"""Dates, times of day, years and decades, as an editor writes them."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.lexicon.figures import (
    CLOCK_BEFORE,
    LABELS,
    MEASURES,
    MONEY,
    TIME_BEFORE,
    YEAR_BEFORE,
)
from nimble_lantern.core.lexicon.names import MONTHS
from nimble_lantern.core.writing.cardinals import (
    DIGITS,
    SCALES,
    TENS,
    UNITS,
    below_hundred,
    cardinal,
    in_words,
    ordinal,
    ordinal_in_words,
    year_in_words,
)
from nimble_lantern.core.writing.forms import Around, Number, is_digits


def _month(words: list[str], i: int) -> str | None:
    return MONTHS.get(words[i]) if i < len(words) else None


def _spoken_year(words: list[str], i: int) -> tuple[int, int] | None:
    """ "nineteen eighty four", "two thousand and six", "twenty oh five"; (year, index after)."""
    if i < len(words) and is_digits(words[i]) and len(words[i]) == 4:
        return int(words[i]), i + 1
    head = below_hundred(words, i)
    if head and 10 <= head[0] <= 29 and head[1] < len(words):
        century, j = head
        if words[j] == "hundred" and century != 10:
            return century * 100, j + 1
        if words[j] in ("oh", "o") and j + 1 < len(words):
            unit = UNITS.get(words[j + 1], 0)
            if 0 < unit < 10:
                return century * 100 + unit, j + 2
        rest = below_hundred(words, j)
        if rest and 10 <= rest[0] <= 99:
            return century * 100 + rest[0], rest[1]
    whole = cardinal(words, i)
    if whole and 1000 <= whole[0] <= 2999:
        return whole
    return None


def date(words: list[str], i: int, around: Around) -> Number | None:
    """ "the third of may twenty twenty six" -> 3 May 2026 (American: May 3, 2026)."""
    j = i + 1 if words[i] == "the" else i
    day: int | None = None
    month: str | None = None
    end = i
    first = ordinal(words, j)
    if first and first[0] <= 31:
        k = first[1] + (1 if words[first[1] : first[1] + 1] == ["of"] else 0)
        named = _month(words, k)
        linked = k > first[1] or words[k : k + 1] not in (["may"], ["march"])
        if named and linked:
            day, month, end = first[0], named, k + 1
    if month is None and (named := _month(words, i)):
        k = i + 2 if words[i + 1 : i + 2] == ["the"] else i + 1
        second = ordinal(words, k)
        if second is None and named not in ("May", "March"):
            second = below_hundred(words, k)
            if second and (_spoken_year(words, k) or (0, 0))[1] > second[1]:
                second = None
            if second and second[1] < len(words) and words[second[1]] in ("hundred", "percent"):
                second = None
        if second and 1 <= second[0] <= 31:
            day, month, end = second[0], named, second[1]
        elif (
            (year := _spoken_year(words, i + 1))
            and named not in ("May", "March")
            or named in ("May", "March")
            and (year := _spoken_year(words, i + 1))
        ):
            text = f"{named} {year[0]}"
            return Number(year[1] - i, text, text, True)
    if day is None or month is None:
        return None
    year = _spoken_year(words, end)
    if around.dialect == "american":
        digits = f"{month} {day}" + (f", {year[0]}" if year else "")
    else:
        digits = f"{day} {month}" + (f" {year[0]}" if year else "")
    tail = f" {year[0]}" if year else ""
    spelled = f"the {ordinal_in_words(day, around.dialect)} of {month}{tail}"
    alone = i == 0 and j == i and (year[1] if year else end) == len(words)
    if _month(words, i):
        spelled = f"{month} {day}{tail}"
    elif alone:
        # The date of a letter, and not the beginning of a sentence.
        spelled = digits
    if around.dialect == "american":
        spelled = digits
    return Number((year[1] if year else end) - i, digits, spelled, True)


_BETWEEN_DAYS = {"and": "and", "or": "or", "to": "to", "till": "to", "until": "to"}


def days(words: list[str], i: int, around: Around) -> Number | None:
    """Two days of a month: "the sixth and the ninth of august" -> 6 and 9 August."""
    first = ordinal(words, i + 1 if words[i] == "the" else i)
    if not first or first[1] + 1 >= len(words) or words[first[1]] not in _BETWEEN_DAYS:
        return None
    link = words[first[1]]
    second = date(words, first[1] + 1, replace(around, before=(link,)))
    if second is None or not 0 < first[0] < _day(second.digits):
        return None
    the = "the " if words[i] == "the" else ""
    spelled = f"{the}{ordinal_in_words(first[0], around.dialect)} {link} {second.words}"
    digits = f"{first[0]} {_BETWEEN_DAYS[link]} {second.digits}"
    return Number(first[1] + 1 + second.used - i, digits, spelled, True)


def _day(written: str) -> int:
    """The day of the month that a written date begins with; 0 for an American one."""
    day = written.split(" ", 1)[0]
    return int(day) if day.isdecimal() else 0


_O_CLOCK = (("o'clock",), ("oclock",), ("o’clock",), ("o", "clock"))
"""Whichever way a recogniser hears it."""


def clock(words: list[str], i: int, around: Around) -> Number | None:
    """ "seven thirty", "seven o'clock", "nine p m"; "half past seven" stays in words."""
    after_past = (
        around.last in ("past", "to")
        and around.before[-2:-1]
        and (around.before[-2] in ("half", "quarter", "minutes"))
    )
    head = below_hundred(words, i)
    if head and head[0] == _MOST_PAST and (past := _in_words_past(words, i, head, around)):
        return past
    if not head or head[0] > 23 or words[i] == "zero" or around.last in LABELS | {"code"}:
        return None
    hour, j = head
    if words[i] in TENS and hour > 23:
        return None
    minutes: int | None = None
    k = j
    if words[j : j + 1] in (["oh"], ["o"]) and 0 < UNITS.get("".join(words[j + 1 : j + 2]), 0) < 10:
        minutes, k = UNITS[words[j + 1]], j + 2
    else:
        rest = below_hundred(words, j)
        if rest and 10 <= rest[0] <= 59 and words[j] not in DIGITS:
            minutes, k = rest
    half, k2 = _half_of_day(words, k, around.dialect)
    if half and hour <= 12:
        digits = f"{hour}:{minutes:02d} {half}" if minutes is not None else f"{hour} {half}"
        return Number(k2 - i, digits, " ".join(words[i:k]) + f" {half}", True, code=True)
    on_the_hour = next((n for n in (1, 2) if tuple(words[j : j + n]) in _O_CLOCK), 0)
    if on_the_hour and hour <= 12:
        spelled = f"{in_words(hour)} o’clock"
        return Number(
            j + on_the_hour - i, spelled if after_past else f"{hour} o’clock", spelled, True
        )
    if after_past and hour <= 12:
        return Number(j - i, in_words(hour), in_words(hour), True)
    if past := _in_words_past(words, i, head, around):
        return past
    if minutes is None or hour == 0:
        return None
    followed = words[k] if k < len(words) else ""
    if followed in MEASURES or followed in MONEY or followed in _NO_TIME:
        return None
    if followed in SCALES or (k < len(words) and followed in DIGITS and followed != "o"):
        return None
    timely = around.last in TIME_BEFORE
    if hour > 12 and not timely:
        return None
    if hour >= 20 and around.last not in ("at", "until"):
        return None
    if hour > 12 and around.last not in ("at", "by", "until", "till", "before", "after"):
        return None
    return Number(k - i, f"{hour}:{minutes:02d}", " ".join(words[i:k]), True)


_MOST_PAST = 25
_IT_IS = (("it", "is"), ("it", "was"))


def _in_words_past(
    words: list[str], i: int, head: tuple[int, int], around: Around
) -> Number | None:
    """ "Ten past four", "twenty-five to six": minutes in words, with an hour in words."""
    minutes, j = head
    if words[j : j + 1] not in (["to"], ["past"]) or minutes not in (5, 10, 20, _MOST_PAST):
        return None
    to = below_hundred(words, j + 1) if j + 1 < len(words) else None
    closed = to and (to[1] >= len(words) or words[to[1]] not in MEASURES | {"percent", "people"})
    timed = words[j] == "past" or around.last in CLOCK_BEFORE
    timed = timed or around.before[-2:] in _IT_IS
    if not to or not closed or not 1 <= to[0] <= 12 or not timed:
        return None
    spelled = f"{in_words(minutes)} {words[j]} {in_words(to[0])}"
    return Number(to[1] - i, spelled, spelled, False)


_NO_TIME = frozenset("percent per hundred pence penny cents p".split())
"""Behind two numbers, they are no time of the day."""


def _half_of_day(words: list[str], k: int, dialect: str) -> tuple[str, int]:
    word = words[k] if k < len(words) else ""
    if word.replace(".", "") in ("am", "pm") and (word != "am" or _ends_clock(words, k + 1)):
        half, k = word.replace(".", ""), k + 1
    elif word in ("a", "p") and words[k + 1 : k + 2] == ["m"]:
        half, k = word + "m", k + 2
    else:
        return "", k
    return (half if dialect == "british" else f"{half[0]}.m."), k


def _ends_clock(words: list[str], k: int) -> bool:
    return k >= len(words) or words[k] not in ("i", "the", "not", "going")


_COPYRIGHT = frozenset(("sign", "symbol", "copyright", "©"))
"""Before a year: "copyright sign two thousand and nine"."""


def year(words: list[str], i: int, around: Around) -> Number | None:
    found = _spoken_year(words, i)
    if not found:
        return None
    year, j = found
    named = words[i] in SCALES or words[i + 1 : i + 2] in (["thousand"], ["hundred"])
    if named and not (
        around.last in YEAR_BEFORE | _COPYRIGHT and 1500 <= year <= 2099
        and words[j : j + 1] not in (["people"], ["pounds"], ["dollars"], ["euros"], ["words"])
        and (year % 100 or around.last in ("in", "since", "year", "years"))
    ):  # fmt: skip
        return None
    if is_digits(words[i]) and around.last not in YEAR_BEFORE | set(MONTHS):
        return None
    if words[j : j + 1] and (words[j] in MEASURES or words[j] in MONEY or words[j] == "percent"):
        return None
    return Number(j - i, str(year), year_in_words(year), True)


_DECADES = {word[:-1] + "ies": value for word, value in TENS.items()}


def decades(words: list[str], i: int, around: Around) -> Number | None:
    """ "nineteen nineties" -> 1990s."""
    head = below_hundred(words, i)
    if head and 13 <= head[0] <= 20 and head[1] < len(words) and words[head[1]] in _DECADES:
        text = f"{head[0] * 100 + _DECADES[words[head[1]]]}s"
        return Number(head[1] + 1 - i, text, f"{words[i]} {words[head[1]]}", True)
    if head and 11 <= head[0] <= 20 and words[head[1] : head[1] + 1] == ["hundreds"]:
        return Number(head[1] + 1 - i, f"{head[0] * 100}s", f"{words[i]} hundreds", True)
    return None
