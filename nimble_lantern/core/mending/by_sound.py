"""Words by a key of their sound: those that have the same, or nearly, or two of them together."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator
from functools import cached_property

from rapidfuzz import process
from rapidfuzz.distance import Levenshtein

_SHORTEST_KEY = 2
"""Signs of a key from which words whose sound differs a little are looked for as well."""


class BySound:
    """Some words by a key (`mending.phones.sound_class`, `targets.sounds.phrase_key`).

    `given` is only asked for them when they are first needed.
    """

    def __init__(self, key: Callable[[str], str], given: Callable[[], Iterable[str]]) -> None:
        self.key, self._given = key, given

    @cached_property
    def words(self) -> dict[str, tuple[str, ...]]:
        found: dict[str, list[str]] = {}
        for word in self._given():
            found.setdefault(self.key(word), []).append(word)
        return {key: tuple(words) for key, words in found.items()}

    @cached_property
    def _of_length(self) -> dict[int, tuple[str, ...]]:
        found: dict[int, list[str]] = {}
        for key in self.words:
            found.setdefault(len(key), []).append(key)
        return {size: tuple(keys) for size, keys in found.items()}

    def near(self, key: str, here: Iterable[str] = ()) -> Iterator[str]:
        """Words, and those of `here`, whose key differs in one sign at most."""
        most = 1 if len(key) >= _SHORTEST_KEY else 0
        for word in here:
            if Levenshtein.distance(self.key(word), key, score_cutoff=most) <= most:
                yield word
        yield from self.words.get(key, ())
        for size in (len(key) - 1, len(key), len(key) + 1) if most else ():
            keys = self._of_length.get(size, ())
            like = process.extract(
                key, keys, scorer=Levenshtein.distance, score_cutoff=1, limit=None
            )
            for other in (near for near, _, _ in like if near != key):
                yield from self.words[other]

    def pairs(
        self, key: str, tells: Callable[[str], bool] = lambda _: True
    ) -> Iterator[tuple[str, str]]:
        """Two words that have a key together; only such as tell something, if that is asked."""
        for cut in range(1, len(key)):
            for first in self.words.get(key[:cut], ()):
                if tells(first):
                    for second in self.words.get(key[cut:], ()):
                        if tells(second):
                            yield first, second
