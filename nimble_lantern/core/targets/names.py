"""Spoken names to things: documents, passages, whatever the catalogue was told of."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache

from rapidfuzz import fuzz, process

from nimble_lantern.core.targets.sounds import phrase_key
from nimble_lantern.core.targets.words import normal

SURE, NEAR = 85.0, 60.0
"""Of 100: how like a name words must be to stand for it, and to be asked about."""
_MOST = 3
_LEAST_SOUND = 4
"""Signs of a sound key that are enough to tell names apart."""


def look_up(words: Sequence[str], names: Sequence[str], partial: bool = False) -> str | None:
    """The name that is meant; None if nothing is called like that.

    Where `partial`, some words of a name are enough if no other name has them all.
    """
    spoken = _spoken(tuple(names))
    wanted = " ".join(normal(words))
    for attempt in (wanted, wanted.removeprefix("the ")):
        if attempt in spoken:
            return spoken[attempt]
    best = process.extractOne(_bare(wanted), list(spoken), scorer=fuzz.ratio, score_cutoff=SURE)
    if best:
        return spoken[best[0]]
    if partial and (some := _with_words(wanted, spoken)) is not None:
        return some
    # "Open fairy times" sounds like the one that is called ferry times.
    sound = phrase_key(_bare(wanted))
    alike = [name for said, name in spoken.items() if phrase_key(_bare(said)) == sound]
    return alike[0] if len(alike) == 1 and len(sound) >= _LEAST_SOUND else None


def near(words: Sequence[str], names: Sequence[str]) -> list[str]:
    """The few names that are a little like these words, the likeliest first."""
    spoken = _spoken(tuple(names))
    wanted = _bare(" ".join(normal(words)))
    found = process.extract(wanted, list(spoken), scorer=fuzz.ratio, limit=_MOST, score_cutoff=NEAR)
    return [spoken[key] for key, _, _ in found]


def _with_words(wanted: str, spoken: dict[str, str]) -> str | None:
    """The only name that has all of these words: "the letter" of a letter to the harbour board."""
    said = [word for word in wanted.split() if word not in _LEADS]
    if not said:
        return None
    found = [name for key, name in spoken.items() if set(said) <= set(key.split())]
    return found[0] if len(found) == 1 else None


_LEADS = frozenset("the my a an this that document".split())


@lru_cache(maxsize=32)
def _spoken(names: tuple[str, ...]) -> dict[str, str]:
    return {" ".join(normal(tuple(name.lower().split()))): name for name in names}


def _bare(phrase: str) -> str:
    return " ".join(word for word in phrase.split() if word != "the")
