"""A date in the place of another: what is not said of it stays as it was."""

from __future__ import annotations

import re
from collections.abc import Sequence

from nimble_lantern.core.composing.placing import manner_for
from nimble_lantern.core.document.model import Document, Range
from nimble_lantern.core.lexicon.closed import DETERMINERS
from nimble_lantern.core.lexicon.names import MONTHS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.writing.cardinals import ordinal, ordinal_suffix
from nimble_lantern.core.writing.writer import Place, write

_MONTH = rf"(?P<month>{'|'.join(name.capitalize() for name in MONTHS)})"
_DAY = r"(?P<day>\d{1,2})(?P<suffix>st|nd|rd|th)?"
_DATED = tuple(
    re.compile(form)
    for form in (rf"{_DAY} {_MONTH}(?P<year>,? \d{{4}})?", rf"{_MONTH} {_DAY}(?P<year>, \d{{4}})?")
)
_YEAR_BEHIND = re.compile(r",? \d{4}\b")
_YEAR = re.compile(r"\d{4}")


def with_its_year(document: Document, r: Range) -> Range:
    """A date, with the year that stands behind it."""
    year = _YEAR_BEHIND.match(document.blocks[r.end.block].text, r.end.offset)
    return Range(r.start, r.end._replace(offset=year.end())) if year is not None else r


def redated(sitting: Sitting, old: str, words: Sequence[str]) -> str | None:
    """A date with what words tell of another: "the tenth" of "2 November 2026" is "10 November
    2026"; None where one of both is no date."""
    was = _read(old)
    bare = tuple(words[1:] if words[:1] and words[0] in DETERMINERS else words)
    if was is None or not bare:
        return None
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
