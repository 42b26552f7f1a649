"""Names that people give to places, versions and passages, and days that they count back to."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from datetime import date, timedelta

from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse
from nimble_lantern.core.state import Sitting

_LEADS = frozenset("the my called named as".split())


def given_name(words: Sequence[str]) -> str:
    """A name as it is said, without what leads up to it."""
    kept = list(words)
    while len(kept) > 1 and kept[0] in _LEADS:
        kept.pop(0)
    return " ".join(kept)


def short(most: int) -> Callable[[Sitting, Parse], bool]:
    """The condition that a name has so few words: what is longer is a sentence."""
    return lambda sitting, parse: len(parse.args.get("text", ())) <= most


def taken(name: str, names: Iterable[str], kind: str) -> Refusal | None:
    """Refuses a name that another thing of its kind has."""
    if name.casefold() not in {other.casefold() for other in names}:
        return None
    return Refusal(f"Another {kind} is called “{name}”.", "", "Give it another name.")


def day_meant(today: date, day: int | None, ago: int | None) -> date:
    """The last day of that name (0 is Monday) before today, or so many days ago."""
    if ago is None:
        ago = (today.weekday() - (day or 0)) % 7 or 7
    return today - timedelta(days=ago)
