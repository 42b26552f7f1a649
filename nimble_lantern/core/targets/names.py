"""Spoken names to things: documents, passages, whatever the catalogue was told of."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property, lru_cache

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
        if attempt in spoken.names:
            return spoken.names[attempt]
    said = list(spoken.names)
    best = process.extractOne(_bare(wanted), said, scorer=fuzz.ratio, score_cutoff=SURE)
    if best:
        return spoken.names[best[0]]
    if partial and (some := _with_words(wanted, spoken)) is not None:
        return some
    # "Open fairy times" sounds like the one that is called ferry times.
    sound = phrase_key(_bare(wanted))
    alike = spoken.sounding.get(sound, [])
    return alike[0] if len(alike) == 1 and len(sound) >= _LEAST_SOUND else None


def near(words: Sequence[str], names: Sequence[str]) -> list[str]:
    """The few names that are a little like these words, the likeliest first."""
    spoken = _spoken(tuple(names))
    wanted = _bare(" ".join(normal(words)))
    said = list(spoken.names)
    found = process.extract(wanted, said, scorer=fuzz.ratio, limit=_MOST, score_cutoff=NEAR)
    return [spoken.names[key] for key, _, _ in found]


def with_words(words: Sequence[str], names: Sequence[str]) -> str | None:
    """The only name that has all of these words: "the letter" of a letter to the harbour board."""
    return _with_words(" ".join(normal(words)), _spoken(tuple(names)))


def _with_words(wanted: str, spoken: _Spoken) -> str | None:
    said = [word for word in wanted.split() if word not in _LEADS]
    if not said:
        return None
    every = (spoken.with_word.get(word, frozenset()) for word in said)
    found = frozenset.intersection(*every)
    return next(iter(found)) if len(found) == 1 else None


_LEADS = frozenset("the my a an this that as document".split())


@dataclass(frozen=True)
class _Spoken:
    """Names by how they are said; by their words and sounds, where those are asked for."""

    names: dict[str, str]

    @cached_property
    def with_word(self) -> dict[str, frozenset[str]]:
        found: dict[str, set[str]] = {}
        for said, name in self.names.items():
            for word in said.split():
                found.setdefault(word, set()).add(name)
        return {word: frozenset(names) for word, names in found.items()}

    @cached_property
    def sounding(self) -> dict[str, list[str]]:
        found: dict[str, list[str]] = {}
        for said, name in self.names.items():
            found.setdefault(phrase_key(_bare(said)), []).append(name)
        return found


@lru_cache(maxsize=32)
def _spoken(names: tuple[str, ...]) -> _Spoken:
    return _Spoken({" ".join(normal(tuple(name.lower().split()))): name for name in names})


def _bare(phrase: str) -> str:
    return " ".join(word for word in phrase.split() if word != "the")
