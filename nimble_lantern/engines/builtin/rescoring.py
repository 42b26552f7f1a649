"""The dictation's alternatives, judged again by a small model of the document.

Words that the language model does not know, or finds unlikely, are put in the place of words that
sound like them; then all alternatives are ranked by the decoder's path score and the document.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace

from rapidfuzz.distance import Levenshtein

from nimble_lantern.core.mending.pronouncing import LookUp, pronunciation
from nimble_lantern.core.reading.hearing import HeardWord, Hypothesis
from nimble_lantern.core.reading.likely import DocumentModel, Given
from nimble_lantern.core.writing.spoken import plain

_MOST_REPLACED = 12
_LONGEST_SPAN = 3
_FEWEST_PHONES = 3
_COMMON = 2e-5
"""The share of speech from which the language model knows a word well enough by itself."""


@dataclass(frozen=True, slots=True)
class Weights:
    """What the parts of a score are worth; found by trying (docs/hearing.md)."""

    language: float = 6.0  # a natural logarithm of the mixture's probability
    decoded: float = 4.5  # one of the large model's, as it went into the decoder's score
    sound: float = 45.0  # taken off for every phone that differs
    farthest: float = 0.34  # phones that may differ, as a share
    word: float = 0.0  # added for each word
    share: float = 0.15  # of the document in the mixture


class Rescorer:
    """Knows the words of the page and how they sound."""

    def __init__(self, given: Given, look_up: LookUp, weights: Weights = Weights()) -> None:
        self._given, self._look_up, self.weights = given, look_up, weights
        self._model = DocumentModel((), given)
        self._phones: dict[str, str] = {}
        self._sounds: dict[str, str | None] = {}

    def look(self, texts: Iterable[Sequence[str]]) -> None:
        """Know these texts, word by word as they are spoken, from now on."""
        self._model = DocumentModel(texts, self._given, self.weights.share)
        self._phones = {}
        for word in sorted(self._model.words):
            rare = self._given((word,)) < _COMMON
            if rare and (phones := self._sound(word)):
                self._phones[word] = phones

    def best(self, hypotheses: Sequence[Hypothesis], frames: int, most: int) -> list[Hypothesis]:
        """The likeliest alternatives, best first; scores are log scores a frame as before."""
        if not self._model.words or not hypotheses:
            return list(hypotheses[:most])
        scored: dict[str, tuple[float, Hypothesis]] = {}
        weights = self.weights
        for rank, hypothesis in enumerate(hypotheses):
            large, _ = self._model.likelihoods([w.text for w in hypothesis.words])
            sounded = hypothesis.score * frames - weights.decoded * large
            for made, cost in self._replaced(hypothesis) if rank < most else ((hypothesis, 0.0),):
                words = [w.text for w in made.words]
                _, mixed = self._model.likelihoods(words)
                total = sounded - cost * weights.sound
                total += weights.language * mixed + weights.word * len(words)
                text = made.text
                if text not in scored or scored[text][0] < total:
                    scored[text] = total, made
        ranked = sorted(scored.values(), key=lambda s: -s[0])
        return [h for _, h in ranked[:most]]

    def _sound(self, word: str) -> str | None:
        """A word's phones, one character each."""
        if word not in self._sounds:
            phones = self._look_up(word) or pronunciation(word, self._look_up)
            self._sounds[word] = _coded(phones) if phones else None
        return self._sounds[word]

    def _replaced(self, hypothesis: Hypothesis) -> Iterator[tuple[Hypothesis, float]]:
        """The hypothesis, and what it is with words of the page for words that sound alike."""
        yield hypothesis, 0.0
        found: list[tuple[float, int, int, str]] = []
        words = hypothesis.words
        for i in range(len(words)):
            for j in range(i + 1, min(len(words), i + _LONGEST_SPAN) + 1):
                sound = "".join(self._sound(w.text) or "" for w in words[i:j])
                before = words[i - 1].text if i else None
                after = words[j].text if j < len(words) else None
                found += [
                    (cost, i, j, word)
                    for word, cost in self._like(sound, words[i:j])
                    if cost == 0 or self._model.beside(before, word, after)
                ]
        found.sort()
        chosen = found[:_MOST_REPLACED]
        for cost, i, j, word in chosen:
            yield _with(hypothesis, i, j, word), cost
        for n, (cost, i, j, word) in enumerate(chosen):
            for other, a, b, second in chosen[n + 1 :]:
                if a >= j:
                    yield _with(_with(hypothesis, a, b, second), i, j, word), cost + other
                elif b <= i:
                    yield _with(_with(hypothesis, i, j, word), a, b, second), cost + other

    def _like(self, sound: str, words: Sequence[HeardWord]) -> Iterator[tuple[str, float]]:
        if not sound:
            return
        said = {plain(w.text) for w in words}
        for word, phones in self._phones.items():
            if word in said:
                continue
            longest = max(len(phones), len(sound))
            most = int(self.weights.farthest * longest) if longest >= _FEWEST_PHONES else 0
            if abs(len(phones) - len(sound)) > most:
                continue
            cost = Levenshtein.distance(sound, phones, score_cutoff=most)
            if cost <= most:
                yield word, float(cost)


_CODES: dict[str, str] = {}


def _coded(phones: str) -> str:
    return "".join(_CODES.setdefault(p, chr(0x100 + len(_CODES))) for p in phones.split())


def _with(hypothesis: Hypothesis, i: int, j: int, word: str) -> Hypothesis:
    words = hypothesis.words
    least = min(w.confidence for w in words[i:j])
    made = HeardWord(word, words[i].start, words[j - 1].end, least)
    return replace(hypothesis, words=(*words[:i], made, *words[j:]))
