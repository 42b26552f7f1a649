"""Simulated mistakes: what a recogniser might have made of words, from a seed.

For practising corrections, and for tests, without sound.  Three kinds happen in recognisers of
speech: a word heard as one that sounds like it, a word split in two or run together, and a short
word lost.  What was really said stays among the alternatives.
"""

from __future__ import annotations

import random
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cache

from rapidfuzz.distance import Levenshtein
from wordfreq import top_n_list, zipf_frequency

from nimble_lantern.core.reading.hearing import HeardWord, Hearing, Hypothesis
from nimble_lantern.core.targets.sounds import sound_key

_VOCABULARY = 12_000
_MOST_ALIKE = 6
_SHORT = frozenset("a an the of to in on and at is it for with was are be our her his its".split())
_LEAST_PART = 2
_PART_ZIPF = 4.0
_SURE, _UNSURE = 0.9, 0.35


@dataclass(frozen=True, slots=True)
class Rates:
    """How often a word is changed in each way, as a share of all words."""

    alike: float = 0.08
    split: float = 0.02
    lost: float = 0.03


class Mistakes:
    """The same seed and the same words give the same mistakes."""

    def __init__(self, seed: int, rates: Rates = Rates()) -> None:
        self._random = random.Random(seed)
        self._rates = rates

    def made_of(self, hearing: Hearing) -> Hearing:
        """A hearing as a recogniser might have had it: the best guess may be wrong."""
        if not hearing.hypotheses:
            return hearing
        said = hearing.hypotheses[0]
        best = Hypothesis(tuple(self._worsened(said.words)), said.score)
        if not best.words or best.text == said.text:
            return hearing
        others = [replace(said, words=tuple(replace(w, confidence=0.0) for w in said.words))]
        for _ in range(2):
            other = Hypothesis(tuple(self._worsened(said.words)), said.score)
            if other.words and other.text not in {best.text, *(o.text for o in others)}:
                others.append(other)
        self._random.shuffle(others)
        return replace(hearing, hypotheses=(best, *others, *hearing.hypotheses[1:]))

    def _worsened(self, words: Sequence[HeardWord]) -> Iterator[HeardWord]:
        rates = self._rates
        for word in words:
            chance = self._random.random()
            if chance < rates.lost and word.text in _SHORT:
                continue
            chance -= rates.lost
            if 0 <= chance < rates.split and (parts := _split(word.text)):
                middle = (word.start + word.end) / 2
                yield replace(word, text=parts[0], end=middle, confidence=_UNSURE)
                yield replace(word, text=parts[1], start=middle, confidence=_UNSURE)
                continue
            chance -= rates.split
            if 0 <= chance < rates.alike and (others := alike(word.text)):
                yield replace(word, text=self._random.choice(others), confidence=_UNSURE)
                continue
            yield replace(word, confidence=min(word.confidence, _SURE))


@cache
def _by_sound() -> dict[str, tuple[str, ...]]:
    found: dict[str, list[str]] = {}
    for word in top_n_list("en", _VOCABULARY):
        if word.isalpha() and word.isascii():
            found.setdefault(sound_key(word), []).append(word)
    return {key: tuple(words) for key, words in found.items()}


@cache
def alike(word: str) -> tuple[str, ...]:
    """Common words that sound like this one, the nearest first."""
    own = sound_key(word)
    near: list[tuple[float, str]] = []
    for key, words in _by_sound().items():
        limit = 0 if len(own) < 3 else 1
        if abs(len(key) - len(own)) > limit:
            continue
        distance = Levenshtein.distance(own, key, score_cutoff=limit)
        if distance <= limit:
            for other in words:
                if other != word:
                    letters = Levenshtein.normalized_distance(word, other)
                    near.append((distance + letters, other))
    return tuple(w for _, w in sorted(near)[:_MOST_ALIKE])


@cache
def _split(word: str) -> tuple[str, str] | None:
    """A word as two common ones: "boathouse" as "boat house"."""
    best: tuple[float, tuple[str, str]] | None = None
    for i in range(_LEAST_PART, len(word) - _LEAST_PART + 1):
        parts = word[:i], word[i:]
        least = min(zipf_frequency(p, "en") for p in parts)
        if least >= _PART_ZIPF and (best is None or least > best[0]):
            best = least, parts
    return best[1] if best else None
