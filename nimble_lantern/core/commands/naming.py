"""Names that people give to places, versions and passages, and days that they count back to."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from datetime import date, timedelta

from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Named, Parse, When, rule
from nimble_lantern.core.lexicon.closed import DETERMINERS, PREPOSITIONS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.words import normal

_LEADS = frozenset("the my called named as".split())


def given_name(words: Sequence[str]) -> str:
    """A name as it is said, without what leads up to it."""
    kept = list(words)
    while len(kept) > 1 and kept[0] in _LEADS:
        kept.pop(0)
    return " ".join(kept)


def owned(kind: str) -> None:
    """A rule for the name of a thing as a possessor: "first draft's"."""

    def name(words: tuple[str, ...]) -> Named | None:
        bare = words[-1].removesuffix("'s")
        return Named(kind, (*words[:-1], bare)) if bare != words[-1] else None

    CATALOGUE.rule(f"owned_{kind}", "[(the | my)] {words}", heard=False)(name)


@rule("name_given", "{words}", heard=False)
def _name_given(words: tuple[str, ...]) -> tuple[str, ...] | None:
    """A name that nothing says is one: a few words that do not go on from those before."""
    goes_on = words[0] in PREPOSITIONS | DETERMINERS or words[0] in ("that", "where", "as", "so")
    return None if goes_on or len(words) > _MOST_WORDS_OF_A_NAME else words


_MOST_WORDS_OF_A_NAME = 4


def short(most: int) -> Callable[[Sitting, Parse], bool]:
    """The condition that a name has so few words: what is longer is a sentence."""
    return lambda sitting, parse: len(parse.args.get("text", ())) <= most


def called_whole(kind: str, of: Callable[[Sitting], Sequence[str]]) -> When:
    """The condition that a name is said whole, and in several words: "first draft", not "draft"."""

    def whole(sitting: Sitting, parse: Parse) -> bool:
        asked = parse.args.get(kind)
        said = tuple(w for w in normal(asked.words) if w not in ("the", "my")) if asked else ()
        names = (normal(tuple(name.lower().split())) for name in of(sitting))
        return len(said) > 1 and said in names

    return whole


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
