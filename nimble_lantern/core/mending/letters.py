"""Letters that were heard, each perhaps another: decided together, by the word they may be of.

What sounds alike (b, d, e, p, t) is told apart neither by a recogniser nor by a person; the word
tells.  A spelling is the likeliest string under a mixture of the words that there are and of any
letters at all, found by a beam search from its first letter on.

Everybody has letters of their own that are taken for others: what a letter was heard as, and what
it then was, is counted and weighed with the sound.
"""

from __future__ import annotations

import heapq
import math
from bisect import bisect_left
from collections import Counter
from collections.abc import Iterable, Sequence
from functools import cache, lru_cache
from itertools import accumulate
from string import ascii_lowercase

from nimble_lantern.core.lexicon.frequency import frequencies
from nimble_lantern.core.reading.hearing import Might

FARTHEST = 7.0
"""What a letter costs that was not heard at all: recognisers are sometimes quite wrong."""
_BEAM = 120
"""Beginnings that are kept at each letter."""
_KEPT = 256
"""Spellings whose beginnings are remembered: most go on where the last one stopped."""
_ANY = 1 / 18
"""How likely a letter of an unknown word is."""
_OWN, _COMMON, _UNKNOWN = 0.3, 0.6, 0.1
"""How likely a spelled word is of one's own, another known one, or unknown."""
_FLAT = 0.5
"""Power of how common words are: who spells a word says a rare one more often than not."""
_PAST = "{"  # behind all letters
_SOUND_COUNTS = 3.0
"""How often a letter must have been heard for what was counted to weigh as much as the sound."""
_MOST_COUNTED = 40
"""Of one letter: then all are halved, so that what came last weighs most."""
_DOUBTFUL = 2.0
"""What another spelling may cost more, for the letters that differ to be doubtful."""


class WordList:
    """Words in small letters with how likely each is, and how likely each beginning."""

    def __init__(self, words: Iterable[tuple[str, float]]) -> None:
        rows = sorted(words)
        self._words = [word for word, _ in rows]
        self._sums = [0.0, *accumulate(weight for _, weight in rows)]
        self._whole = self._sums[-1] or 1.0

    def beginning(self, letters: str) -> float:
        """The share of words, by weight, that begin so."""
        first = bisect_left(self._words, letters)
        last = bisect_left(self._words, letters + _PAST, first)
        return (self._sums[last] - self._sums[first]) / self._whole

    def whole(self, word: str) -> float:
        """The share of this word."""
        n = bisect_left(self._words, word)
        found = n < len(self._words) and self._words[n] == word
        return (self._sums[n + 1] - self._sums[n]) / self._whole if found else 0.0

    def likeliest(self, letters: str, most: int) -> list[tuple[str, float]]:
        """The likeliest words that begin so, with their shares."""
        first = bisect_left(self._words, letters)
        last = bisect_left(self._words, letters + _PAST, first)
        some = ((self._sums[n + 1] - self._sums[n], self._words[n]) for n in range(first, last))
        best = sorted(some, key=lambda row: (-row[0], row[1]))[:most]
        return [(word, weight / self._whole) for weight, word in best]


@cache
def _common() -> WordList:
    return WordList((word, share**_FLAT) for word, share in frequencies().items())


@lru_cache(maxsize=4)
def _own(words: frozenset[str]) -> WordList:
    return WordList((word, 1.0) for word in words)


Counted = tuple[tuple[str, str, int], ...]
"""What letters were likeliest by their sound, what they were, and how often; in alphabetic order.
"""


def counted(known: Counted, might: Sequence[Might], meant: str) -> Counted:
    """With letters that were heard and now are known: `meant` has one for each."""
    counts = Counter({(heard, was): n for heard, was, n in known})
    for heard, was in zip(might, meant, strict=True):
        if heard and was.isascii() and was.isalpha():
            counts[heard[0][0], was.lower()] += 1
    whole: Counter[str] = Counter()
    for (heard_as, _), n in counts.items():
        whole[heard_as] += n
    rows = ((a, b, n // 2 if whole[a] > _MOST_COUNTED else n) for (a, b), n in counts.items())
    return tuple(sorted(row for row in rows if row[2]))


def letters_misheard(known: Counted, most: int) -> list[tuple[str, str, int]]:
    """Letters that were taken for others: (letter, what for, how often), the oftenest first."""
    wrong = sorted((-n, was, heard) for heard, was, n in known if heard != was)
    return [(was, heard, -n) for n, was, heard in wrong[:most]]


@lru_cache(maxsize=_KEPT)
def as_counted(might: Might, known: Counted) -> Might:
    """What a letter may be, by its sound and by what the same was before: Dirichlet's rule."""
    if not might:
        return might
    counts = {was: n for heard, was, n in known if heard == might[0][0]}
    if not counts:
        return might
    costs = dict(might)
    sound = {c: math.exp(-costs.get(c, FARTHEST)) for c in ascii_lowercase}
    whole = sum(sound.values())
    chances = {c: _SOUND_COUNTS * s / whole + counts.get(c, 0) for c, s in sound.items()}
    most = max(chances.values())
    rows = ((c, math.log(most / chance)) for c, chance in chances.items())
    return tuple(sorted(rows, key=lambda row: row[1]))


Reading = tuple[str, float]
"""Letters, and what they cost by their sound."""


def _beginning(letters: str, own: frozenset[str]) -> float:
    """How likely a spelled word begins with these letters."""
    known = _OWN * _own(own).beginning(letters) + _COMMON * _common().beginning(letters)
    return known + _UNKNOWN * _ANY ** len(letters)


@lru_cache(maxsize=_KEPT)
def _readings(heard: tuple[tuple[str, Might], ...], own: frozenset[str]) -> tuple[Reading, ...]:
    """The likeliest letters for what was heard, the best first: the last is added to the others.

    `heard`: the letter that stands, and what else it may be.
    """
    if not heard:
        return (("", 0.0),)
    stands, might = heard[-1]
    costs = dict(might)
    letters = {c: costs.get(c, FARTHEST) for c in ascii_lowercase} if might else {stands: 0.0}
    grown = [
        (before + cost - math.log(_beginning(said + c, own)), said + c, before + cost)
        for said, before in _readings(heard[:-1], own)
        for c, cost in letters.items()
    ]
    return tuple((said, cost) for _, said, cost in heapq.nsmallest(_BEAM, grown))


class Spelling:
    """A word as far as it is spelled: what each letter may be, one's own words and letters."""

    def __init__(
        self, letters: str, might: Sequence[Might], own: Iterable[str], known: Counted = ()
    ) -> None:
        self.letters = letters.lower()
        # What stands is nothing to what may be: the same was heard if it was decided otherwise.
        pairs = zip(self.letters, might, strict=True)
        self._heard = tuple(("" if m else c, as_counted(m, known)) for c, m in pairs)
        self.own = frozenset(word.lower() for word in own)

    @property
    def readings(self) -> tuple[Reading, ...]:
        """The likeliest strings of letters with what each costs by its sound, the best first."""
        return _readings(self._heard, self.own)

    def best(self) -> str:
        return self.readings[0][0]

    def doubtful(self) -> frozenset[int]:
        """Which letters, counted from 0, may well be others."""
        rows = [(h - math.log(_beginning(said, self.own)), said) for said, h in self.readings]
        least = rows[0][0]
        near = (said for value, said in rows if value - least <= _DOUBTFUL)
        first = rows[0][1]
        return frozenset(i for said in near for i, c in enumerate(said) if c != first[i])

    def worth(self, word: str, heard: float) -> float:
        """Log-likelihood of a whole word, where what was heard costs so much for it."""
        share = _OWN * _own(self.own).whole(word) + _COMMON * _common().whole(word)
        return math.log(max(share, 1e-12)) - heard

    def continued(self, letters: str, most: int) -> list[str]:
        """The likeliest words that these letters begin."""
        lists = (_own(self.own), _common())
        return [word for known in lists for word, _ in known.likeliest(letters, most)]

    @property
    def likely(self) -> float:
        """How likely a word begins with these letters: a logarithm of base 10."""
        return math.log10(_beginning(self.letters, self.own))

    def known(self, word: str) -> bool:
        return word in self.own or _common().whole(word) > 0
