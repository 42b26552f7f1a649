"""What people call by its sort: "the price", "the date", "the phone number"."""

from __future__ import annotations

import re
from collections.abc import Sequence

from nimble_lantern.core.document.model import Document, Position, Range
from nimble_lantern.core.document.units import dated
from nimble_lantern.core.lexicon.names import DAYS, MONTHS

_MONTH = "|".join(name.capitalize() for name in MONTHS)
_COUNT = r"\d+(?:,\d{3})*(?:\.\d+)?"
_HOUR = r"(?:\d{1,2}|[a-z]+)"
_HOURS = "one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|noon|midnight"
_MONEY = (
    rf"[£$€]\s?{_COUNT}(?:[mk]|\s(?:million|thousand))?"
    rf"|{_COUNT}(?:p\b|\s(?:pounds|pence|euros|dollars))"
)
_DAY = r"\d{1,2}(?:st|nd|rd|th)?(?: of)?"
_FROM_DAY = rf"(?:{_DAY}(?: (?:{_MONTH}))?\s?(?:[–-]|to|until|and)\s?(?:the )?)?"
_DATE = (
    rf"{_FROM_DAY}{_DAY} (?:{_MONTH})(?:,? \d{{4}})?"
    rf"|(?:{_MONTH}) \d{{1,2}}(?:[–-]\d{{1,2}})?(?:, \d{{4}})?"
)
_TIME = (
    rf"\d{{1,2}}[:.]\d\d(?:\s?[ap]m)?|\d{{1,2}}\s?[ap]m|(?:half past|quarter (?:past|to)) {_HOUR}"
    rf"|{_HOUR} o[’']clock|(?<=\bat )(?:{_HOURS})\b"
)
A_DATE = re.compile(_DATE)
_SORTS = {
    _MONEY: "price,sum,amount,sum of money,amount of money,figure in pounds,amount in pounds",
    _DATE: "date",
    _TIME: "time",
    r"\b(?:1[5-9]|20)\d\d\b": "year",
    r"\+?\d[\d ]{4,}\d": "phone number,telephone number,phone",
    rf"{_COUNT}(?:\s?%| per cent)": "percentage",
    r"\S+@\S+\w": "email address,email",
}
_NAMED = {
    tuple(name.split()): re.compile(pattern)
    for pattern, names in _SORTS.items()
    for name in (names.split(",") if "," in names else names.split())
}


_WEEKDAYS = re.compile(rf"\b(?:{'|'.join(name.capitalize() for name in DAYS)})s?\b")
_EVERY = {
    **{(*name[:-1], f"{name[-1]}s"): pattern for name, pattern in _NAMED.items()},
    ("days",): _WEEKDAYS,
    ("weekdays",): _WEEKDAYS,
}


_SORTED = _NAMED | _EVERY


def names_a_sort(words: Sequence[str]) -> bool:
    """Whether words are such a name."""
    return words[:1] == ("the",) and tuple(words[1:]) in _NAMED


def is_a_sort(words: Sequence[str]) -> bool:
    """Whether words are such a name, of one or of several: "dates", "the price"."""
    bare = words[1:] if words[:1] in (("the",), ("both",), ("all",), ("every",)) else words
    return tuple(bare) in _SORTED


def names_all_of_a_sort(words: Sequence[str]) -> bool:
    """Whether words name everything of a sort: "the prices", "the dates"."""
    return words[:1] == ("the",) and tuple(words[1:]) in _EVERY


def of_sort(document: Document, words: Sequence[str], within: Range | None = None) -> list[Range]:
    """Every place of what "the price", "the dates" and their like name; none for other words."""
    named = _SORTED.get(tuple(words[1:])) if words[:1] == ("the",) else None
    if named is None:
        return []
    found = [
        Range(Position(b, match.start()), Position(b, match.end()))
        for b, block in enumerate(document.blocks)
        for match in named.finditer(block.text)
    ]
    if tuple(words[1:]) == ("date",):
        # That of a letter stands on a line of its own.
        lines = [r for r in found if dated(document.blocks[r.start.block])]
        found = lines if len(lines) == 1 else found
    if within:
        found = [r for r in found if within.start <= r.start and r.end <= within.end]
    return found
