"""A person's own figures, day by day, from what the journal has of them."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from datetime import date, datetime, time, timedelta
from typing import Any

from sqlalchemy import Engine, select
from sqlalchemy.orm import Session

from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.grammar.catalogue import Traits
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.writing.cardinals import cardinal, ordinal
from nimble_lantern.store.models import UtteranceRow

MOST_DAYS = 30


@dataclass(slots=True)
class Day:
    """What was said on a day.

    `words` that were dictated, `corrections` of what was misheard, those that were `offered`
    alternatives, or spelled, and of them where the `first` was right, utterances `taken_back` or
    read the other way, all `utterances`.
    """

    date: date
    words: int = 0
    utterances: int = 0
    corrections: int = 0
    offered: int = 0
    first: int = 0
    taken_back: int = 0

    @property
    def per_hundred(self) -> float:
        """Corrections a hundred dictated words."""
        return 100 * self.corrections / self.words if self.words else 0.0

    @property
    def at_first(self) -> float | None:
        """The share of the offers of which the first was right; None if nothing was offered."""
        return self.first / self.offered if self.offered else None


def days(engine: Engine, now: datetime, most: int = MOST_DAYS) -> list[Day]:
    """The days on which something was said, the last `most` days, the first first."""
    since = datetime.combine(now.date() - timedelta(days=most - 1), time.min)
    query = (
        select(
            UtteranceRow.spoken_at,
            UtteranceRow.heard,
            UtteranceRow.read_as,
            UtteranceRow.command,
            UtteranceRow.made,
        )
        .where(UtteranceRow.spoken_at >= since)
        .order_by(UtteranceRow.number)
    )
    with Session(engine) as session:
        return list(_by_day(tuple(row) for row in session.execute(query)))


def _by_day(rows: Iterable[tuple[Any, ...]]) -> Iterator[Day]:
    day: Day | None = None
    correcting = False
    for spoken_at, heard, read_as, command, made in rows:
        if day is None or day.date != spoken_at.date():
            if day is not None:
                yield day
            day = Day(spoken_at.date())
        day.utterances += 1
        words = [w for w in heard.split() if w != "..."]
        if read_as in (ReadAs.TEXT, ReadAs.BOTH):
            day.words += len(words)
        found = CATALOGUE.commands.get(command or "")
        traits = found.traits if found is not None else Traits()
        if traits.corrects and not correcting:
            # What is corrected and then spelled is one correction.
            day.corrections += 1
            day.offered += not made
        day.taken_back += traits.walks
        day.first += correcting and traits.answers and _number_said(words) == 1
        correcting = traits.corrects and not made
    if day is not None:
        yield day


def _number_said(words: list[str]) -> int | None:
    """The number that words name: "choose two", "the first one"."""
    for i in range(len(words)):
        found = ordinal(words, i) or cardinal(words, i)
        if found:
            return found[0]
    return None
