"""A date in the place of another: what is not said of it stays as it was."""

from __future__ import annotations

import re
from collections.abc import Sequence

from nimble_lantern.core.composing.placing import manner_for
from nimble_lantern.core.document.model import Document, Position, Range
from nimble_lantern.core.lexicon.closed import DETERMINERS
from nimble_lantern.core.lexicon.names import DAYS, MONTHS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.writing.cardinals import ordinal, ordinal_suffix
from nimble_lantern.core.writing.writer import Place, write

_WEEKDAY = rf"(?P<weekday>{'|'.join(name.capitalize() for name in DAYS)})"
_MONTH = rf"(?P<month>{'|'.join(name.capitalize() for name in MONTHS)})\b"
_DAY = r"(?<!\d)(?P<day>\d{1,2})(?P<suffix>st|nd|rd|th)?(?!\d)"
_DATED = tuple(
    re.compile(rf"(?:{_WEEKDAY}(?P<gap>,? (?:the )?))?{form}")
    for form in (rf"{_DAY} {_MONTH}(?P<year>,? \d{{4}})?", rf"{_MONTH} {_DAY}(?P<year>, \d{{4}})?")
)
_YEAR = re.compile(r"\d{4}")


def dates_in(document: Document) -> list[Range]:
    """Every date with a month that is written in a text, with its year and its day of the week."""
    return [
        Range(Position(b, found.start()), Position(b, found.end()))
        for b, block in enumerate(document.blocks)
        for form in _DATED
        for found in form.finditer(block.text)
    ]


def whole_date(document: Document, r: Range) -> Range:
    """The date that a range is a part of, else the range."""
    return next((d for d in dates_in(document) if d.start <= r.start and r.end <= d.end), r)


def has_its_weekday(document: Document, date: Range) -> bool:
    """Whether a date begins with a day of the week."""
    return names_a_weekday([document.text(date).split()[0].rstrip(",")])


def names_a_weekday(words: Sequence[str]) -> bool:
    """Whether words begin with a day of the week."""
    return bool(words) and words[0].lower() in DAYS


def redated(sitting: Sitting, old: str, words: Sequence[str]) -> str | None:
    """A date with what words tell of another: "the tenth" of "2 November 2026" is "10 November
    2026", "sunday the ninth" of "Saturday 8 May" is "Sunday 9 May"; None where one of both is no
    date."""
    was = _read(old)
    bare = tuple(words[1:] if words[:1] and words[0] in DETERMINERS else words)
    if was is None or not bare:
        return None
    if names_a_weekday(bare) and was["weekday"]:
        before = len(was["weekday"] + was["gap"])
        rest = redated(sitting, old[before:], bare[1:]) if bare[1:] else old[before:]
        return None if rest is None else f"{bare[0].capitalize()}{was['gap']}{rest}"
    if was["weekday"]:
        before = len(was["weekday"] + was["gap"])
        rest = redated(sitting, old[before:], bare)
        return None if rest is None else old[:before] + rest
    day = ordinal(bare, 0)
    if day is not None and day[1] == len(bare):
        suffix = ordinal_suffix(day[0]) if was["suffix"] else ""
        start, end = was.span("day")[0], max(was.span("day")[1], was.span("suffix")[1])
        return f"{old[:start]}{day[0]}{suffix}{old[end:]}"
    said = _written(sitting, "on", bare)
    told = _read(said)
    if told is not None:
        return said if told["year"] else said + (was["year"] or "")
    year = _written(sitting, "in", bare)
    if was["year"] and _YEAR.fullmatch(year):
        return f"{old[: was.start('year')]}{was['year'][:-4]}{year}"
    return None


def _read(text: str) -> re.Match[str] | None:
    return next((found for form in _DATED if (found := form.fullmatch(text))), None)


def _written(sitting: Sitting, before: str, words: tuple[str, ...]) -> str:
    """Words as they are written in the middle of a sentence, behind a preposition."""
    place = Place(left="It was")
    text = write((before, *words), place, manner_for(sitting, place, words)).text
    return text.strip().removeprefix(before).strip()
