"""Numbers, dates, times, money and measures, as an editor writes them.

The rule (New Oxford Style Manual ch. 11; The Chicago Manual of Style ch. 9, where they agree):
words up to nine, digits from 10; digits with units, dates, times, money, percentages and ages;
one style within a list; never a digit at the start of a sentence.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace
from itertools import takewhile

from nimble_lantern.core.lexicon.closed import AUXILIARIES, LITTLE, OF_DEGREE_AND_TIME
from nimble_lantern.core.lexicon.figures import (
    COINS,
    COMPOUNDED,
    DENOMINATORS,
    DIMENSIONS,
    HALVES,
    LABELS,
    MEASURES,
    MONEY,
    STREETS,
)
from nimble_lantern.core.lexicon.names import MONTHS
from nimble_lantern.core.writing.cardinals import (
    DIGITS,
    NUMBER_WORDS,
    ORDINAL_TENS,
    ORDINAL_UNITS,
    REPEATS,
    SCALES,
    UNITS,
    below_hundred,
    cardinal,
    grouped,
    in_words,
    ordinal,
    ordinal_in_words,
    ordinal_suffix,
)
from nimble_lantern.core.writing.codes import lettered
from nimble_lantern.core.writing.dates import clock, date, days, decades, year
from nimble_lantern.core.writing.forms import Around, Number, is_digits
from nimble_lantern.core.writing.shortened import shortened
from nimble_lantern.core.writing.spelling import TO_BRITISH, in_dialect

STARTERS = (
    NUMBER_WORDS
    | frozenset(ORDINAL_UNITS)
    | frozenset(ORDINAL_TENS)
    | frozenset(DIGITS)
    | frozenset(MONTHS)
    | frozenset(REPEATS)
    | {
        "a",
        "the",
        "minus",
        "nineties",
        "quarter",
        "half",
        "hundredth",
        "digit",
        "digits",
        "numeral",
    }
)


def number_at(words: Sequence[str], i: int, around: Around) -> Number | None:
    """The longest number, date, time or amount that begins at `i`."""
    word = words[i]
    if word not in STARTERS and not word[:1].isdigit() and "-" not in word:
        return None
    words = words if isinstance(words, list) else list(words)
    if word in ("digit", "digits", "numeral"):
        return _forced(words, i, around)
    if word == "minus":
        return _below_zero(words, i, around)
    for parse in (
        days,
        date,
        _slashed,
        shortened,
        clock,
        _digit_string,
        year,
        decades,
        _halved,
        _quantity,
    ):
        found = parse(words, i, around)
        if found:
            later = _ordinal(words, i, around) if parse is _quantity else None
            return later if later and later.used > found.used else found
    return _ordinal(words, i, around)


def _forced(words: list[str], i: int, around: Around) -> Number | None:
    if around.last in ("a", "the", "every", "each") or i + 1 >= len(words):
        return None
    found = _digit_string(words, i + 1, around, least=1) or _quantity(words, i + 1, around)
    if not found:
        return None
    return Number(found.used + 1, found.digits, found.words, True)


def _below_zero(words: list[str], i: int, around: Around) -> Number | None:
    """ "minus five degrees" -> −5 degrees; other sums keep the word."""
    found = _quantity(words, i + 1, around) if i + 1 < len(words) else None
    if found is None or not {"°", "d"} & set(found.digits.lstrip("0123456789., ")[:1]):
        return None
    return Number(found.used + 1, f"−{found.digits}", f"minus {found.words}", True)


def _slashed(words: list[str], i: int, around: Around) -> Number | None:
    """ "Twenty four slash seven", "five slash six slash twenty six"."""
    found = cardinal(words, i)
    if not found or words[i] == "a":
        return None
    values, j = [found[0]], found[1]
    while words[j : j + 1] == ["slash"] and (found := cardinal(words, j + 1)):
        values, j = [*values, found[0]], found[1]
    if len(values) < 2:
        return None
    text = "/".join(map(str, values))
    return Number(j - i, text, text, True, code=True)


def _halved(words: list[str], i: int, around: Around) -> Number | None:
    """ "Fifty fifty" is a share, and no two numbers."""
    if words[i : i + 2] != ["fifty", "fifty"] or words[i + 2 : i + 3] == ["fifty"]:
        return None
    return Number(2, "fifty-fifty", "fifty-fifty", False)


def _digit_string(words: list[str], i: int, around: Around, least: int = 3) -> Number | None:
    """Telephone numbers and codes, spoken digit by digit."""
    digits, j = "", i
    if around.last == "hash":
        least = _FEWEST_BY_A_SIGN
    while j < len(words):
        word = words[j]
        hundreds = words[j + 1 : j + 2] == ["hundred"]
        if (
            word in DIGITS
            and not hundreds
            and not (word in ("o", "oh") and not digits and j + 1 >= len(words))
        ):
            digits, j = digits + DIGITS[word], j + 1
        elif word in DIGITS and hundreds and (len(digits) > 3 or digits == "0"):
            digits, j = f"{digits}{DIGITS[word]}00", j + 2
        elif word in REPEATS and j + 1 < len(words) and words[j + 1] in DIGITS:
            digits, j = digits + DIGITS[words[j + 1]] * REPEATS[word], j + 2
        else:
            break
    if len(digits) < least or j < len(words) and (words[j] in SCALES or words[j] == "hundred"):
        return None
    if digits and words[i] in ("o", "oh") and len(digits) < 3:
        return None
    if j < len(words) and words[j] == "point" or is_digits(words[i]):
        return None
    if len(digits) == 3 and not set(words[i:j]) & {"zero", "oh", "double", "triple", "nought"}:
        steps = {int(b) - int(a) for a, b in zip(digits, digits[1:], strict=False)}
        counting = steps in ({1}, {-1}) and around.last not in LABELS | {"code", "hash"}
        if counting:
            return None
    return Number(j - i, _telephone(digits, around.dialect), " ".join(words[i:j]), True, code=True)


_FEWEST_BY_A_SIGN = 2
"""Figures that "hash" makes a code: "hash one two"."""


def _telephone(digits: str, dialect: str) -> str:
    """Grouped as the national numbering plans do (Ofcom; North American Numbering Plan)."""
    if dialect == "british" and digits[0] == "0" and len(digits) == 11:
        if digits[1] == "2":
            return f"{digits[:3]} {digits[3:7]} {digits[7:]}"
        if digits[1] in "389" or digits.startswith("011"):
            return f"{digits[:4]} {digits[4:7]} {digits[7:]}"
        return f"{digits[:5]} {digits[5:]}"
    if dialect == "american" and len(digits) in (7, 10):
        head, tail = digits[:-4], digits[-4:]
        return f"{head[:-3]}-{head[-3:]}-{tail}" if len(head) == 6 else f"{head}-{tail}"
    return digits


def _quantity(words: list[str], i: int, around: Around) -> Number | None:
    """A cardinal, decimal or fraction with whatever unit follows it."""
    found = cardinal(words, i)
    if not found and words[i] in ("nought", "oh") and words[i + 1 : i + 2] == ["point"]:
        found = 0, i + 1
    if not found:
        return None
    value, j = found
    after = words[j] if j < len(words) else ""
    if words[i] == "a" and (j - i == 2 or after in MONEY and j - i < 3):
        return None
    if after == "point" and j + 1 < len(words) and words[j + 1] in DIGITS:
        k, decimals = j + 1, ""
        while k < len(words) and words[k] in DIGITS and words[k] != "o":
            decimals, k = decimals + DIGITS[words[k]], k + 1
        if words[k : k + 1] == ["point"] and k + 1 < len(words) and words[k + 1] in DIGITS:
            return _release(words, i, k, f"{value}.{decimals}")
        text = f"{grouped(value)}.{decimals}"
        scale = words[k] if k < len(words) and words[k] in SCALES else ""
        if scale:
            text, k = f"{text} {scale}", k + 1
        number = _with_unit(words, i, k, text, " ".join(words[i:k]), around, always=True)
        return replace(number, code=number.code or _is_long(number))
    if after in DENOMINATORS and value < 20 and DENOMINATORS[after] > 1:
        plural = after.endswith(("s", "ves"))
        followed = words[j + 1] if j + 1 < len(words) else ""
        if plural == (value != 1) and (plural or followed in ("of", "")):
            text = f"{in_words(value)}-{after}"
            return Number(j + 1 - i, f"{value}/{DENOMINATORS[after]}", text, False)
    if words[j : j + 2] == ["and", "a"] and "".join(words[j + 2 : j + 3]) in HALVES:
        part = words[j + 2]
        spelled = f"{in_words(value, around.dialect)} and a {part}"
        return _with_unit(words, i, j + 3, f"{grouped(value)}{HALVES[part]}", spelled, around)
    digits = grouped(value)
    if value >= 1_000_000 and value % 100_000 == 0:
        name, size = ("billion", 10**9) if value >= 10**9 else ("million", 10**6)
        digits = f"{value / size:g} {name}"
    hundreds = value % 1000 and words[i + 1 : i + 2] == ["hundred"] and words[i] in _HUNDREDS
    as_said = hundreds or words[i] == "a"
    spelled = " ".join(words[i:j]) if as_said else in_words(value, around.dialect)
    number = _with_unit(words, i, j, digits, spelled, around)
    if number.used == j - i:
        if letter := lettered(words, j, around.last) or _of_a_house(words, j, value):
            text = f"{digits}{letter}"
            return Number(j + 1 - i, text, text, True, code=True)
        counted = number.prefer_digits or value >= 10 or around.last in LABELS
        if _one_in_so_many(around, value):
            counted = False
        address = _before_a_street(words, j) and value < 1000
        prefer = counted or address or _by_a_measure(around) or _and_inches(around, value)
        return Number(number.used, digits, number.words, prefer, not address)
    return number


_HUNDREDS = UNITS.keys() - DIGITS.keys()
"""Said in hundreds, written so too where in words: "eighteen hundred letters came"."""


def _of_a_house(words: Sequence[str], j: int, value: int) -> str:
    """The letter behind a house's number: "twelve b north street"."""
    letter = words[j] if j < len(words) else ""
    lone = len(letter) == 1 and letter.isalpha() and value < 1000
    return letter.upper() if lone and _before_a_street(words, j + 1) else ""


def _is_long(number: Number) -> bool:
    """Whether nobody would write a decimal in words: "sixty six point six percent"."""
    figures, *unit = number.digits.split()
    return number.used - len(unit) > _MOST_IN_WORDS and figures[-1] in "0123456789%"


_MOST_IN_WORDS = 3


def _one_in_so_many(around: Around, value: int) -> bool:
    """ "One in ten": both or neither in digits."""
    small = around.before[-2:-1] and UNITS.get(around.before[-2], 99) < 10
    so_many = small and around.last in ("in", "of") or around.before[-2:] == ("out", "of")
    return bool(so_many) and value in _ROUND


_ROUND = (10, 12, 20, 100)
"""Numbers that people say of a share: "one in twelve"."""


def _by_a_measure(around: Around) -> bool:
    """The other side of "six foot by four"."""
    return around.last == "by" and around.before[-2:-1] != () and around.before[-2] in MEASURES


def _and_inches(around: Around, value: int) -> bool:
    """ "Six foot two", "nine stone four"."""
    measured = around.before[-2:-1] and around.before[-2] in NUMBER_WORDS
    return bool(measured) and value < _IN_ONE.get(around.last, 0)


_IN_ONE = {"foot": 12, "feet": 12, "stone": 14}
"""Inches to a foot, pounds to a stone."""


def _release(words: list[str], i: int, k: int, text: str) -> Number:
    """The number of a release or a section, which has more than one point: 3.2.1."""
    while words[k : k + 1] == ["point"] and k + 1 < len(words) and words[k + 1] in DIGITS:
        text, k = f"{text}.{DIGITS[words[k + 1]]}", k + 2
    return Number(k - i, text, " ".join(words[i:k]), True, code=True)


def _before_a_street(words: Sequence[str], j: int) -> bool:
    """ "Quay street", and not "people in the road"."""
    named = [*words[j : j + 1], *takewhile(lambda w: w not in STREETS, words[j + 1 : j + 4])]
    one_way = named == ["way"]
    return len(named) < len(words[j : j + 4]) and not set(named) & LITTLE and not one_way


def _with_unit(
    words: list[str],
    i: int,
    j: int,
    digits: str,
    spelled: str,
    around: Around,
    always: bool = False,
) -> Number:
    """Put the money sign, percent sign, unit or age that follows to a number."""
    after = words[j] if j < len(words) else ""
    if words[j + 1 : j + 2] in (["sign"], ["symbol"]):
        return Number(j - i, digits, spelled, always)
    if after == "pounds" and _is_weight(words, j, around):
        return Number(j + 1 - i, f"{digits} {after}", f"{spelled} {after}", True)
    if after in MONEY:
        return _amount(words, i, j, digits, spelled, around)
    if after == "p" and words[j + 1 : j + 2] != ["m"]:
        return Number(j + 1 - i, f"{digits}p", f"{spelled} pence", True)
    if after in ("pence", "penny"):
        return Number(j + 1 - i, f"{digits}p", f"{spelled} {after}", True)
    if after == "cents":
        return Number(j + 1 - i, f"{digits} cents", f"{spelled} cents", True)
    if after in ("percent", "%"):
        return Number(j + 1 - i, f"{digits}%", f"{spelled} {_percent(around)}", True)
    if words[j : j + 2] == ["per", "cent"]:
        return Number(j + 2 - i, f"{digits}%", f"{spelled} {_percent(around)}", True)
    if after in ("degree", "degrees") and words[j + 1 : j + 2] in _SCALES_OF_HEAT:
        scale = words[j + 1].capitalize()
        return Number(j + 2 - i, f"{digits}°{scale[0]}", f"{spelled} {after} {scale}", True)
    if after in ("year", "month", "week", "day") and words[j + 1 : j + 2] in (["old"], ["olds"]):
        tail = f"-{after}-{words[j + 1]}"
        return Number(j + 2 - i, digits + tail, spelled + tail, True)
    if after in COMPOUNDED and _before_a_thing(words, i, j + 1, around):
        tail = f"-{_unit(after, around.dialect)}"
        figures = always or after in MEASURES or len(digits) > 1
        return Number(j + 1 - i, digits + tail, spelled + tail, figures)
    if after in MEASURES:
        unit = _unit(after, around.dialect)
        return Number(j + 1 - i, f"{digits} {unit}", f"{spelled} {unit}", True)
    if after in ("years", "months", "weeks") and words[j + 1 : j + 2] == ["old"]:
        return Number(j + 2 - i, f"{digits} {after} old", f"{spelled} {after} old", True)
    aged = around.last in ("aged", "age")
    return Number(j - i, digits, spelled, always or aged)


_SCALES_OF_HEAT = (["celsius"], ["fahrenheit"], ["c"], ["f"])


def _is_weight(words: Sequence[str], j: int, around: Around) -> bool:
    """ "Two pounds of flour", "he weighs ten pounds"; in America pounds are no money."""
    return (
        around.dialect == "american"
        or words[j + 1 : j + 2] == ["of"]
        or around.last in ("weigh", "weighs", "weighed", "weighing")
    )


def _before_a_thing(words: Sequence[str], i: int, j: int, around: Around) -> bool:
    """Whether a number and its unit tell of what sort a thing is: "a ten-minute walk".

    After New Hart's Rules (2014), 3.3.4: such a compound has a hyphen before what it tells of.
    """
    thing = words[j] if j < len(words) else ""
    if words[i] in ("one", "a") and around.last != "a":
        return False
    dull = LITTLE | AUXILIARIES | NUMBER_WORDS | MEASURES | DIMENSIONS | OF_DEGREE_AND_TIME
    return bool(thing) and thing.isalpha() and thing not in dull


def _unit(name: str, dialect: str) -> str:
    """A measure in the dialect's spelling; after a number "meter" is never the device."""
    british = "metre" + name[5:] if name in ("meter", "meters") else TO_BRITISH.get(name, name)
    return in_dialect(british, "american") if dialect == "american" else british


def _percent(around: Around) -> str:
    return "percent" if around.dialect == "american" else "per cent"


def _amount(words: list[str], i: int, j: int, digits: str, spelled: str, around: Around) -> Number:
    sign, k = MONEY[words[j]], j + 1
    name = words[j]
    skip = k + 1 if words[k : k + 1] == ["and"] else k
    small = below_hundred(words, skip)
    coin = words[small[1]] if small and small[1] < len(words) else ""
    bare = small and skip == k and 10 <= small[0] <= 99 and coin not in MEASURES | COINS.keys()
    if small and small[0] < 100 and "." not in digits and digits.replace(",", "").isdecimal():
        if coin in COINS:
            end = small[1] + 1
            text = f"{sign}{digits}.{small[0]:02d}"
            return Number(end - i, text, " ".join(words[i:end]), True)
        if bare and (not coin or coin in _AFTER_AMOUNTS):
            text = f"{sign}{digits}.{small[0]:02d}"
            return Number(small[1] - i, text, " ".join(words[i : small[1]]), True)
    return Number(k - i, f"{sign}{digits}", f"{spelled} {name}", True)


_AFTER_AMOUNTS = frozenset(
    "each a an for and per to in on from at or but which this last today apiece all the we"
    " they he she"
    " it i full period comma question exclamation semicolon colon dash new close end"
    " unquote".split()
)
"""After "two pounds fifty" no noun comes that the fifty could count, but a word like these."""


def _ordinal(words: list[str], i: int, around: Around) -> Number | None:
    """Words up to ninth, digits from 10th."""
    found = ordinal(words, i)
    if not found and words[i] == "hundred" and words[i + 1 : i + 2] == ["and"]:
        # "The hundred and fifteenth": the one is left out.
        rest = ordinal(words, i + 2)
        found = (100 + rest[0], rest[1]) if rest and rest[0] < 100 else None
    if not found:
        return None
    value, j = found
    digits = f"{grouped(value)}{ordinal_suffix(value)}"
    return Number(j - i, digits, ordinal_in_words(value, around.dialect), value >= 10)


def clauses(numbers: Sequence[tuple[int, Number]], words: Sequence[str]) -> Iterator[list[int]]:
    """Indexes into `numbers` of the cardinals that stand in one list or range together."""
    run: list[int] = []
    last_end = -1
    links = ({"and"}, {"or"}, {"to"}, {"comma"}, {"comma", "and"}, {"comma", "or"}, {"through"},
             {"till"}, {"until"},
             {"plus"}, {"minus"}, {"equals"})  # fmt: skip
    for index, (start, number) in enumerate(numbers):
        between = set(words[last_end:start]) if last_end >= 0 else {""}
        if number.cardinal and run and between in links:
            run.append(index)
        else:
            if len(run) > 1:
                yield run
            run = [index] if number.cardinal else []
        last_end = start + number.used
    if len(run) > 1:
        yield run
