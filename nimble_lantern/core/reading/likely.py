"""A recogniser's language model, mixed with a small one of the words in view.

The document's model interpolates runs of one, two and three words (Jelinek and Mercer, 1980); the
mixture with the large model is linear, word by word.
"""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Callable, Iterable, Sequence

from nimble_lantern.core.writing.spoken import plain

Given = Callable[[Sequence[str]], float]
"""The probability of the last of up to three words after the others, in the large model."""
_ORDERS = (0.2, 0.4, 0.4)  # of one, two and three words


class DocumentModel:
    """Counts of words, pairs and triples in texts as they are spoken."""

    def __init__(self, texts: Iterable[Sequence[str]], given: Given, share: float = 0.15) -> None:
        self._given, self._share = given, share
        self._runs: tuple[Counter[tuple[str, ...]], ...] = (Counter(), Counter(), Counter())
        self._before: tuple[Counter[tuple[str, ...]], ...] = (Counter(), Counter(), Counter())
        self.words: set[str] = set()
        for text in texts:
            words = [plain(w) for w in text]
            self.words.update(words)
            for order in range(3):
                for i in range(len(words) - order):
                    run = tuple(words[i : i + order + 1])
                    self._runs[order][run] += 1
                    self._before[order][run[:-1]] += 1

    def beside(self, before: str | None, word: str, after: str | None) -> bool:
        """Whether the document has a word next to one of these neighbours."""
        seen = self._runs[1]
        bare = plain(word)
        return bool(before and seen[plain(before), bare] or after and seen[bare, plain(after)])

    def likelihoods(self, words: Sequence[str]) -> tuple[float, float]:
        """Natural logarithms of the words' probability: in the large model, and in the mixture."""
        large = mixed = 0.0
        for i in range(len(words)):
            run = words[max(0, i - 2) : i + 1]
            known = self._given(run)
            large += math.log(known)
            if not self.words:
                mixed += math.log(known)
                continue
            mixed += math.log((1 - self._share) * known + self._share * self._here(run, known))
        return large, mixed

    def _here(self, run: Sequence[str], known: float) -> float:
        """The probability of the run's last word in the document."""
        bare = tuple(plain(w) for w in run)
        found = 0.0
        for order, weight in enumerate(_ORDERS):
            part = bare[-order - 1 :]
            seen = self._before[order][part[:-1]] if len(part) == order + 1 else 0
            # An order that never saw what comes before leaves its weight to the large model.
            found += weight * (self._runs[order][part] / seen if seen else known)
        return found
