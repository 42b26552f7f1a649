"""The spelling tray: letters said one by one, put right among themselves, until they are a word."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cache

from rapidfuzz import process
from rapidfuzz.distance import Levenshtein

from nimble_lantern.core.document.model import Range
from nimble_lantern.core.lexicon.frequency import zipf
from nimble_lantern.core.mending.vocabulary import common_words
from nimble_lantern.core.writing.capitals import capitalised
from nimble_lantern.core.writing.spelling import spelled

MOST_LETTERS, _MOST_PAST = 60, 40
_CONFUSED = ("bcdegptvz", "mn", "fsx", "ajkh", "iy", "quw", "ln", "lo")
"""Letters whose names sound alike."""
_A_SLIP = 2.5
"""What each letter that was perhaps another costs, on wordfreq's Zipf scale."""
_MOST_SLIPS = 2
_A_MISTAKE = 3.0
"""What a letter costs that is wrong, lost or too many; one that sounds alike costs half."""
_A_LETTER_MORE = 0.15
_OWN = 4.0
"""What a word of the word book or the document is worth more than another."""
_LONGEST_LITTLE = 2
_SURE_LETTERS = 3
"""From so many letters on, words are looked for in which one of them was misheard."""


@dataclass(frozen=True, slots=True)
class Tray:
    """The letters so far; what they take the place of, if anything, and what stood there as heard.

    `upper` while all that follows is in capitals, `name` if the first letter is one;
    `past` are the letters before each change.
    """

    letters: str = ""
    place: Range | None = None
    heard: tuple[str, ...] = ()
    upper: bool = False
    past: tuple[str, ...] = ()
    name: bool = False

    def spelling(self, letters: str) -> Tray:
        """With other letters; the last change can be undone."""
        past = (*self.past, self.letters)[-_MOST_PAST:]
        return replace(self, letters=letters[:MOST_LETTERS], past=past)

    def undone(self) -> Tray:
        """As it was before the last change; the same if there was none."""
        if not self.past:
            return self
        return replace(self, letters=self.past[-1], past=self.past[:-1])

    def more(self, letters: str) -> Tray:
        letters = letters.upper() if self.upper else letters
        begins = self.name and not self.letters
        return self.spelling(self.letters + (capitalised(letters) if begins else letters))

    def without_last(self, count: int = 1) -> Tray:
        return self.spelling(self.letters[: max(0, len(self.letters) - count)])

    def with_letter(self, n: int, new: str, size: int = 1) -> Tray:
        """With the letters from `n` on, counted from 0, taken out and others put in."""
        return self.spelling(self.letters[:n] + new + self.letters[n + size :])


def letters_of(words: Sequence[str]) -> str:
    """What is spelled, if that is all these words do; else nothing."""
    words = [w for w in words if w not in ("and", "then", "comma")] or list(words)
    text, end = spelled(words, 0)
    return text if end == len(words) else ""


def one_letter(words: Sequence[str]) -> str:
    """The one letter or sign that these words name, with "capital" before it; else nothing."""
    text = letters_of(words)
    return text if len(text) == 1 else ""


def completions(letters: str, own: Iterable[str], most: int = 5) -> tuple[str, ...]:
    """Words that these letters begin, or are with letters misheard or lost, the likeliest first.

    `own` are the words of the word book and the document, as they are written.
    """
    said = letters.lower()
    if not said.strip():
        return ()
    worth: dict[str, float] = {}
    mine = frozenset(word for word in own if len(word) > _LONGEST_LITTLE)
    for word in (*mine, *_vocabulary().get(said[:1], ())):
        slips = _slips(said, word.lower())
        if slips is not None and word != letters:
            cost = _A_SLIP * slips + (len(word) - len(said)) * _A_LETTER_MORE
            worth[word] = zipf(word) + _OWN * (word in mine) - cost
    for word in _misspelled(said, mine) if len(said) >= _SURE_LETTERS else ():
        cost = _A_MISTAKE * _mistakes(said, word.lower())
        value = zipf(word) + _OWN * (word in mine) - cost
        worth[word] = max(value, worth.get(word, value))
    seen: dict[str, str] = {}
    for word in sorted(worth, key=lambda w: (-worth[w], w)):
        if word != letters:
            seen.setdefault(word.lower(), word)
    return tuple(seen.values())[:most]


def _misspelled(said: str, own: frozenset[str]) -> Iterator[str]:
    """Known words of which a letter or two are others, lost, or too many in a spelling."""
    most = 1 if len(said) <= _SURE_LETTERS else _MOST_SLIPS
    for word in own:
        if Levenshtein.distance(said, word.lower(), score_cutoff=most) <= most:
            yield word
    like = process.extract(
        said, common_words(), scorer=Levenshtein.distance, score_cutoff=most, limit=None
    )
    yield from (word for word, _, _ in like)


def _mistakes(said: str, word: str) -> float:
    """How many letters of a spelling are wrong; those that sound alike count half."""
    found = 0.0
    for op in Levenshtein.editops(said, word):
        alike = op.tag == "replace" and _sound_alike(said[op.src_pos], word[op.dest_pos])
        found += 0.5 if alike else 1.0
    return found


def _slips(said: str, word: str) -> int | None:
    """How many letters of a spelling were misheard if `word` was meant; None if too many."""
    if len(word) < len(said):
        return None
    slips = 0
    for a, b in zip(said, word, strict=False):
        if a != b:
            if len(said) < _SURE_LETTERS or not _sound_alike(a, b):
                return None
            slips += 1
    return slips if slips <= min(_MOST_SLIPS, len(said) // _SURE_LETTERS) else None


@cache
def _sound_alike(a: str, b: str) -> bool:
    return any(a in group and b in group for group in _CONFUSED)


class Known:
    """The words that letters may be meant for: one's own, and the common ones."""

    def __init__(self, own: Iterable[str]) -> None:
        self._own = {word.lower() for word in own}

    def worth(self, letters: str) -> float:
        """How likely letters are: 3 for a word of one's own, 2 for another or the beginning of
        one's own, 1 for the beginning of another, 0 for none."""
        said = letters.lower()
        if said in self._own:
            return 3.0
        common = _vocabulary().get(said[:1], ())
        if said in common or any(word.startswith(said) for word in self._own):
            return 2.0
        return float(any(word.startswith(said) for word in common))


def unsure(letters: str, own: Iterable[str]) -> tuple[int, ...]:
    """Which letters (counted from 0) were perhaps misheard: those of a known word are others."""
    said = letters.lower()
    known = {w.lower() for w in own}
    if said in known or zipf(said) > 0 or len(said) < _SURE_LETTERS:
        return ()
    best = next((w for w in completions(letters, own) if len(w) == len(said)), "")
    return tuple(i for i, (a, b) in enumerate(zip(said, best.lower(), strict=False)) if a != b)


@cache
def _vocabulary() -> dict[str, tuple[str, ...]]:
    """The common words by their first letter."""
    found: dict[str, list[str]] = {}
    for word in common_words():
        found.setdefault(word[0], []).append(word)
    return {first: tuple(words) for first, words in found.items()}
