"""What an editor's hand does to a spoken piece, undone: "£1.2 million", "info@…", "2001–5", "−4°C".

The model writes as print does.  Each form here is one that loses its meaning if only its letters
and figures are kept.
"""

from __future__ import annotations

import re
from collections.abc import Callable

from nimble_lantern.core.lexicon.names import MONTHS
from nimble_lantern.core.lexicon.prose import FILE_ENDINGS, TOP_LEVEL
from nimble_lantern.core.writing.cardinals import SCALES, in_words, ordinal_in_words
from nimble_lantern.core.writing.spoken import decimal_forms

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
_MONEY = {"£": "pounds", "$": "dollars", "€": "euros"}
_SCALES = {"m": "million", "bn": "billion", "k": "thousand"}
_DECADES = {
    20: "twenties", 30: "thirties", 40: "forties", 50: "fifties", 60: "sixties", 70: "seventies",
    80: "eighties", 90: "nineties", 0: "hundreds", 10: "tens",
}  # fmt: skip
_TELEPHONE = 5
"""Figures on one side of a hyphen that are no number but part of a telephone's."""


def undone(piece: str, after: str = "") -> Words | None:
    """How a written piece was spoken; None where its letters and figures alone tell.

    `after`: the next word as it is written, of which "million" is told by the sign of money.
    """
    if re.fullmatch(r"\d+[A-Z]", piece):
        return _lettered(piece)  # "4G" are no grams
    lower = piece.lower().replace("’", "'")
    for form, speak in _FORMS:
        if match := form.fullmatch(lower):
            return tuple(" ".join(speak(match, after.lower())).replace("-", " ").split()) or None
    return _lettered(piece)


def _number(text: str) -> list[str]:
    digits = text.replace(",", "")
    if "." in digits:
        return list(decimal_forms(digits)[0])
    return in_words(int(digits)).split()


def _address(match: re.Match[str], after: str) -> list[str]:
    mailbox, domain = match.groups()
    return [*_linked(mailbox), "at", "sign", *_linked(domain)]


def _linked(text: str) -> list[str]:
    parts = re.split(r"([._\-/+])", text)
    return [_LINKS.get(p, p) for p in parts if p]


def _site(match: re.Match[str], after: str) -> list[str]:
    last = match[1].rsplit(".", 1)[-1]
    file = last in FILE_ENDINGS
    return _linked(match[0].removeprefix("https://")) if last in TOP_LEVEL or file else []


def _release(match: re.Match[str], after: str) -> list[str]:
    numbers = [int(part) for part in match[0].split(".")]
    if len(numbers) == 3 and numbers[2] > 1900 and 0 < numbers[1] <= len(MONTHS):
        month = list(MONTHS)[numbers[1] - 1]
        return [ordinal_in_words(numbers[0]), month, in_words(numbers[2])]
    return " point ".join(map(in_words, numbers)).split()


def _clock(match: re.Match[str], after: str) -> list[str]:
    hour, minutes, half = int(match[1]), int(match[2] or 0), match[3]
    little = ["oh", in_words(minutes)] if 0 < minutes < 10 else [in_words(minutes)]
    return [in_words(hour), *(little if minutes else []), half, "m"]


def _scaled(match: re.Match[str], after: str) -> list[str]:
    sign, number, scale = match.groups()
    if scale:
        return [*_number(number), _SCALES[scale], _MONEY[sign]]
    return [*_number(number)] if after in SCALES else []


def _range(match: re.Match[str], after: str) -> list[str]:
    first, last = match.groups()
    if first[0] == "0" or max(len(first), len(last)) >= _TELEPHONE:
        return [in_words(int(d)) for d in first + last]
    return [*_said_year(first), "to", *_said_year(last)]


def _said_year(digits: str) -> list[str]:
    if len(digits) == 4 and digits[2] != "0" and digits[0] in "12":
        return [in_words(int(digits[:2])), in_words(int(digits[2:]))]
    return _number(digits)


def _fraction(match: re.Match[str], after: str) -> list[str]:
    whole, over, under = match[1], int(match[2]), int(match[3])
    if under not in _PARTS:
        return [in_words(over), "slash", in_words(under)]
    plural = {"half": "halves"}.get(_PARTS[under], _PARTS[under] + "s")
    part = ["a", _PARTS[under]] if over == 1 else [in_words(over), plural]
    return [*_number(whole), "and", *part] if whole else part


def _mixed(match: re.Match[str], after: str) -> list[str]:
    part = _FRACTIONS[match[2]].split()
    return [*_number(match[1]), "and", *part] if match[1] else part


def _decade(match: re.Match[str], after: str) -> list[str]:
    century, tens = match[1], int(match[2])
    return [*([in_words(int(century))] if century else []), _DECADES[tens]]


def _degrees(match: re.Match[str], after: str) -> list[str]:
    scale = {"c": ["celsius"], "f": ["fahrenheit"]}.get(match[2], [])
    return [*_number(match[1]), "degrees", *scale]


_FORMS: tuple[tuple[re.Pattern[str], Callable[[re.Match[str], str], list[str]]], ...] = (
    (re.compile(r"([\w.+-]+)@([\w-]+(?:\.[\w-]+)+)"), _address),
    (re.compile(r"(?:https://)?((?:[a-z0-9_-]+\.)+[a-z]{2,})(?:/[\w/.-]*)?"), _site),
    (re.compile(r"\d+(?:\.\d+){2,}"), _release),
    (re.compile(r"(\d{1,2})(?:[:.](\d\d))?\s?([ap])\.?m\.?"), _clock),
    (re.compile(r"([£$€])(\d[\d,]*(?:\.\d+)?)(m|bn|k)?"), _scaled),
    (re.compile(r"(\d+)[-–](\d+)"), _range),
    (re.compile(r"(?:(\d+)[ -])?(\d+)/(\d+)"), _fraction),
    (re.compile(r"(\d+)?([½¼¾⅓⅔⅛])"), _mixed),
    (re.compile(r"(\d\d)?(\d0)'?s"), _decade),
    (re.compile(r"(\d[\d,]*(?:\.\d+)?)°([cf]?)"), _degrees),
    (re.compile(r"[-−](\d[\d,]*(?:\.\d+)?)°([cf]?)"), lambda m, a: ["minus", *_degrees(m, a)]),
    (re.compile(r"[-−](\d[\d,]*(?:\.\d+)?)"), lambda m, a: ["minus", *_number(m[1])]),
    (
        re.compile(rf"(\d[\d,]*(?:\.\d+)?)({'|'.join(_UNITS)})"),
        lambda m, a: [*_number(m[1]), *_UNITS[m[2]].split()],
    ),
)


def money_of(piece: str) -> Words:
    """What is said behind the scale of an amount: "£1.2 million"."""
    return (_MONEY[piece[0]],) if piece[:1] in _MONEY else ()


def _lettered(piece: str) -> Words | None:
    """Capitals and figures in one: "TR4", "9BX", "CO2", a letter or a number at a time."""
    mixed = re.fullmatch(r"(?=.*[A-Z])(?=.*\d)[A-Z\d]{2,8}", piece)
    if not mixed and not re.fullmatch(r"[a-z]+\d+[a-z]+[a-z\d]*", piece):
        return None
    words: list[str] = []
    for run in re.findall(r"\d+|[A-Za-z]", piece):
        if run.isalpha():
            words.append(run.lower())
        elif len(run) > _LONGEST_NUMBER or run[0] == "0":
            words += [in_words(int(digit)) for digit in run]
        else:
            words += in_words(int(run)).split("-")
    return tuple(words)


_LONGEST_NUMBER = 2
"""Figures of a code that are said as a number; more are said one by one."""


def telephone(pieces: list[str]) -> frozenset[int]:
    """Which pieces are groups of figures of a telephone number: "014 325 566 789"."""
    found: set[int] = set()
    i = 0
    while i < len(pieces):
        j = i
        while j < len(pieces) and pieces[j].isdecimal():
            j += 1
        group = "".join(pieces[i:j])
        if j > i + 1 and group[0] == "0" and len(group) >= _SHORTEST_TELEPHONE:
            found.update(range(i, j))
        i = max(j, i + 1)
    return frozenset(found)


_SHORTEST_TELEPHONE = 7


def compounds(pieces: list[str]) -> tuple[str, ...]:
    """The words that the model writes with a hyphen inside, as they are to be written."""
    found: dict[str, None] = {}
    for piece in pieces:
        parts = piece.split("-")
        letters = sum(len(p) == 1 for p in parts)
        if 1 < len(parts) <= _MOST_PARTS and all(p.isalpha() for p in parts) and letters < 2:
            found[piece.lower()] = None
    return tuple(found)


_MOST_PARTS = 4
