"""Ways of print that lose their meaning where only letters and figures are spoken.

"£3m", "info@seaview.org", "2001–5", "−4°C", "TR4".
"""

from __future__ import annotations

import re
from collections.abc import Callable

from nimble_lantern.core.lexicon.names import MONTHS
from nimble_lantern.core.lexicon.prose import FILE_ENDINGS, TOP_LEVEL
from nimble_lantern.core.writing.cardinals import in_words, ordinal_in_words

Words = tuple[str, ...]
_LINKS = {".": "dot", "_": "underscore", "-": "hyphen", "/": "slash", "+": "plus"}
_FRACTIONS = {
    "½": "a half", "¼": "a quarter", "¾": "three quarters", "⅓": "a third", "⅔": "two thirds",
    "⅛": "an eighth",
}  # fmt: skip
_PARTS = {2: "half", 3: "third", 4: "quarter", 5: "fifth", 6: "sixth", 8: "eighth", 10: "tenth"}
_UNITS = {
    "m": "metres", "km": "kilometres", "cm": "centimetres", "mm": "millimetres", "kg": "kilograms",
    "g": "grams", "l": "litres", "ml": "millilitres", "ft": "feet", "lb": "pounds", "lbs": "pounds",
    "oz": "ounces", "mph": "miles an hour", "kw": "kilowatts",
}  # fmt: skip
"""Symbols written against a number (SI brochure, BIPM, 2019, and everyday ones)."""
MONEY = {"£": "pounds", "$": "dollars", "€": "euros"}
"""Signs of money, as they are said behind an amount."""
_SCALES = {"m": "million", "bn": "billion", "k": "thousand"}
_DECADES = {
    20: "twenties", 30: "thirties", 40: "forties", 50: "fifties", 60: "sixties", 70: "seventies",
    80: "eighties", 90: "nineties", 0: "hundreds", 10: "tens",
}  # fmt: skip
_TELEPHONE = 5
"""Figures on one side of a hyphen that are no number but part of a telephone's."""


def printed(word: str) -> tuple[Words, ...]:
    """How a printed word is spoken, the likeliest way first; none where its letters and figures
    alone tell."""
    if word.isalpha():
        return ()
    lower = word.lower().replace("’", "'")
    for form, speak in _FORMS:
        match = form.fullmatch(lower)
        if match and not _CODE.fullmatch(word):
            return tuple(tuple(way.replace("-", " ").split()) for way in speak(match) if way)
    return _lettered(word)


Ways = tuple[str, ...]


def _number(text: str) -> str:
    whole, _, rest = text.replace(",", "").partition(".")
    return " ".join((in_words(int(whole)), *(("point",) if rest else ()), *map(_digit, rest)))


def _digit(figure: str) -> str:
    return in_words(int(figure))


def _address(match: re.Match[str]) -> Ways:
    mailbox, domain = map(_linked, match.groups())
    return (f"{mailbox} at {domain}", f"{mailbox} at sign {domain}")


def _linked(text: str) -> str:
    return " ".join(_LINKS.get(part, part) for part in re.split(r"([._\-/+])", text) if part)


def _site(match: re.Match[str]) -> Ways:
    known = match[1].rsplit(".", 1)[-1] in TOP_LEVEL | FILE_ENDINGS
    return (_linked(match[0].removeprefix("https://")),) if known else ()


def _release(match: re.Match[str]) -> Ways:
    numbers = [int(part) for part in match[0].split(".")]
    if len(numbers) == 3 and numbers[2] > 1900 and 0 < numbers[1] <= len(MONTHS):
        day, month, year = numbers
        return (f"{ordinal_in_words(day)} {list(MONTHS)[month - 1]} {in_words(year)}",)
    return (" point ".join(map(in_words, numbers)),)


def _clock(match: re.Match[str]) -> Ways:
    hour, minutes, half = int(match[1]), int(match[2] or 0), match[3]
    past = f"oh {in_words(minutes)}" if minutes < 10 else in_words(minutes)
    return (f"{in_words(hour)} {past if minutes else ''} {half} m",)


def _scaled(match: re.Match[str]) -> Ways:
    sign, number, scale = match.groups()
    return (f"{_number(number)} {_SCALES[scale]} {MONEY[sign]}",)


def _range(match: re.Match[str]) -> Ways:
    first, last = match.groups()
    if first[0] == "0" or max(len(first), len(last)) >= _TELEPHONE:
        return (" ".join(map(_digit, first + last)),)
    return (f"{_year(first)} to {_year(last)}",)


def _year(digits: str) -> str:
    if len(digits) == 4 and digits[2] != "0" and digits[0] in "12":
        return f"{in_words(int(digits[:2]))} {in_words(int(digits[2:]))}"
    return _number(digits)


def _fraction(match: re.Match[str]) -> Ways:
    whole, over, under = match[1], int(match[2]), int(match[3])
    if under not in _PARTS:
        return (f"{in_words(over)} slash {in_words(under)}",)
    many = "halves" if under == 2 else f"{_PARTS[under]}s"
    part = f"a {_PARTS[under]}" if over == 1 else f"{in_words(over)} {many}"
    return (f"{_number(whole)} and {part}" if whole else part,)


def _mixed(match: re.Match[str]) -> Ways:
    part = _FRACTIONS[match[2]]
    return (f"{_number(match[1])} and {part}" if match[1] else part,)


def _decade(match: re.Match[str]) -> Ways:
    century = in_words(int(match[1])) if match[1] else ""
    return (f"{century} {_DECADES[int(match[2])]}",)


def _below_zero(match: re.Match[str]) -> Ways:
    return tuple(f"minus {way}" for way in (_degrees(match) if match[2] else (_number(match[1]),)))


def _degrees(match: re.Match[str]) -> Ways:
    scale = {"°c": "celsius", "°f": "fahrenheit"}.get(match[2], "")
    return (f"{_number(match[1])} degrees {scale}",)


def _measure(match: re.Match[str]) -> Ways:
    return (f"{_number(match[1])} {_UNITS[match[2]]}",)


_N = r"(\d[\d,]*(?:\.\d+)?)"
_FORMS: tuple[tuple[re.Pattern[str], Callable[[re.Match[str]], Ways]], ...] = tuple(
    (re.compile(form), speak)
    for form, speak in (
        (r"([\w.+-]+)@([\w-]+(?:\.[\w-]+)+)", _address),
        (r"(?:https://)?((?:[a-z0-9_-]+\.)+[a-z]{2,})(?:/[\w/.-]*)?", _site),
        (r"\d+(?:\.\d+){2,}", _release),
        (r"(\d{1,2})(?:[:.](\d\d))?\s?([ap])\.?m\.?", _clock),
        (rf"([£$€]){_N}(m|bn|k)", _scaled),
        (r"(\d+)[-–](\d+)", _range),
        (r"(?:(\d+)[ -])?(\d+)/(\d+)", _fraction),
        (r"(\d+)?([½¼¾⅓⅔⅛])", _mixed),
        (r"(\d\d)?(\d0)'?s", _decade),
        (rf"{_N}(°[cf]?)", _degrees),
        (rf"[-−]{_N}(°[cf]?)?", _below_zero),
        (rf"{_N}({'|'.join(_UNITS)})", _measure),
    )
)
_CODE = re.compile(r"\d+[A-Z]")
"""Of "4G", which are no grams."""


def _lettered(word: str) -> tuple[Words, ...]:
    """Capitals and figures in one: "TR4", "9BX", "CO2", a letter or a number at a time."""
    mixed = re.fullmatch(r"(?=.*[A-Z])(?=.*\d)[A-Z\d]{2,8}", word)
    if not mixed and not re.fullmatch(r"[a-z]+\d+[a-z]+[a-z\d]*", word):
        return ()
    words: list[str] = []
    for run in re.findall(r"\d+|[A-Za-z]", word):
        if run.isalpha():
            words.append(run.lower())
        elif len(run) > _LONGEST_NUMBER or run[0] == "0":
            words += map(_digit, run)
        else:
            words += in_words(int(run)).split("-")
    return (tuple(words),)


_LONGEST_NUMBER = 2
"""Figures of a code that are said as a number; more are said one by one."""
