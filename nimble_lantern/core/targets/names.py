"""Spoken names to things: documents, passages, whatever the catalogue was told of."""

from __future__ import annotations

from collections.abc import Sequence

from rapidfuzz import fuzz, process

from nimble_lantern.core.targets.sounds import phrase_key
from nimble_lantern.core.targets.words import normal

SURE, NEAR = 85.0, 60.0
"""Of 100: how like a name words must be to stand for it, and to be asked about."""
_MOST = 3
_LEAST_SOUND = 4
"""Signs of a sound key that are enough to tell names apart."""


def look_up(words: Sequence[str], names: Sequence[str]) -> str | None:
    """The name that is meant; None if nothing is called like that."""
    spoken = _spoken(names)
    wanted = " ".join(normal(words))
    for attempt in (wanted, wanted.removeprefix("the ")):
        if attempt in spoken:
            return spoken[attempt]
    best = process.extractOne(_bare(wanted), list(spoken), scorer=fuzz.ratio, score_cutoff=SURE)
    if best:
        return spoken[best[0]]
    # "Open fairy times" sounds like the one that is called ferry times.
    sound = phrase_key(_bare(wanted))
    alike = [name for said, name in spoken.items() if phrase_key(_bare(said)) == sound]
    return alike[0] if len(alike) == 1 and len(sound) >= _LEAST_SOUND else None


def near(words: Sequence[str], names: Sequence[str]) -> list[str]:
    """The few names that are a little like these words, the likeliest first."""
    spoken = _spoken(names)
    wanted = _bare(" ".join(normal(words)))
    found = process.extract(wanted, list(spoken), scorer=fuzz.ratio, limit=_MOST, score_cutoff=NEAR)
    return [spoken[key] for key, _, _ in found]


def _spoken(names: Sequence[str]) -> dict[str, str]:
    return {" ".join(normal(tuple(name.lower().split()))): name for name in names}


def _bare(phrase: str) -> str:
    return " ".join(word for word in phrase.split() if word != "the")
