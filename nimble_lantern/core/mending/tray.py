"""The spelling tray: letters said one by one, put right among themselves, until they are a word."""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from difflib import SequenceMatcher

from rapidfuzz import process
from rapidfuzz.distance import Levenshtein

from nimble_lantern.core.document.model import Range
from nimble_lantern.core.lexicon.spellings import NAMES, NAMES_WITH_ARTICLE
from nimble_lantern.core.mending.letters import Counted, Spelling, counted
from nimble_lantern.core.mending.vocabulary import common_words
from nimble_lantern.core.reading.hearing import Might
from nimble_lantern.core.writing.capitals import capitalised
from nimble_lantern.core.writing.spelling import spelled, spelled_by

MOST_LETTERS, _MOST_PAST = 60, 40
_A_MISTAKE = 4.0
"""What a letter costs that was lost, or is too many (natural log-likelihood)."""
_MOST_MISTAKES = 2
_SURE_LETTERS = 3
"""From so many letters on, words are looked for in which one of them was lost or is too many."""
_ENDED = 0.6
"""How likely a word is whole: else more letters will come."""
_ALIKE = 0.5
"""How like what was spelled a word must be to tell what its letters are."""
_MOST_BEGUN, _MOST_COMPLETED = 8, 5
"""Readings of the letters that are looked for as beginnings of words, and words for each."""
Past = tuple[str, tuple[Might, ...]]


@dataclass(frozen=True, slots=True)
class Tray:
    """The letters so far; what they take the place of, if anything, and what stood there as heard.

    `upper` while all that follows is in capitals, `name` if the first letter is one;
    `past` are the letters before each change.  `might`: what each letter may be, by its sound.
    """

    letters: str = ""
    place: Range | None = None
    heard: tuple[str, ...] = ()
    upper: bool = False
    past: tuple[Past, ...] = ()
    name: bool = False
    might: tuple[Might, ...] = ()

    def __post_init__(self) -> None:
        if not self.might:  # all of them are sure
            object.__setattr__(self, "might", ((),) * len(self.letters))

    def spelling(self, letters: str, might: tuple[Might, ...]) -> Tray:
        """With other letters; the last change can be undone."""
        past = (*self.past, (self.letters, self.might))[-_MOST_PAST:]
        letters, might = letters[:MOST_LETTERS], might[:MOST_LETTERS]
        return replace(self, letters=letters, might=might, past=past)

    def undone(self) -> Tray:
        """As it was before the last change; the same if there was none."""
        if not self.past:
            return self
        letters, might = self.past[-1]
        return replace(self, letters=letters, might=might, past=self.past[:-1])

    def more(
        self,
        letters: str,
        might: Sequence[Might] = (),
        own: Iterable[str] = (),
        known: Counted = (),
    ) -> Tray:
        """With letters added; those that may be others are decided anew, all of them.

        `might`: what each of the new ones may be, nothing if they are sure; `own`: one's own words;
        `known`: what one's letters were before.
        """
        letters = letters.upper() if self.upper else letters
        begins = self.name and not self.letters
        letters = self.letters + (capitalised(letters) if begins else letters)
        heard = (*self.might, *(might or ((),) * (len(letters) - len(self.letters))))
        longer = self.spelling(letters, heard)
        return longer.decided(own, known) if any(might) else longer

    def decided(self, own: Iterable[str], known: Counted) -> Tray:
        """With each letter that may be another the likeliest, beside those that are sure."""
        if not any(self.might):
            return self
        best = self.reading(own, known).best()
        pairs = zip(self.letters, best, strict=True)
        return replace(self, letters="".join(b.upper() if a.isupper() else b for a, b in pairs))

    def without_last(self, count: int = 1) -> Tray:
        left = max(0, len(self.letters) - count)
        return self.spelling(self.letters[:left], self.might[:left])

    def with_letter(self, n: int, new: str, size: int = 1) -> Tray:
        """With the letters from `n` on, counted from 0, taken out and others put in."""
        might = (*self.might[:n], *((),) * len(new), *self.might[n + size :])
        return self.spelling(self.letters[:n] + new + self.letters[n + size :], might)

    def reading(self, own: Iterable[str], known: Counted = ()) -> Spelling:
        """The letters as they were heard, to be decided by one's own words and all others."""
        return Spelling(self.letters, self.might, own, known)

    def teaches(self, before: Counted, word: str) -> Counted:
        """What is known of one's letters when this word is what was spelled.

        A word that has other letters besides tells only of those that it has in the same places,
        and one that is quite another of none.
        """
        said, heard, meant = self.letters.casefold(), list[Might](), ""
        word = word.casefold()
        if len(said) != len(self.letters) or Levenshtein.normalized_similarity(said, word) < _ALIKE:
            return before
        matcher = SequenceMatcher(None, said, word, autojunk=False)
        for _, a, b, i, j in matcher.get_opcodes():
            if b - a == j - i:
                heard += self.might[a:b]
                meant += word[i:j]
        return counted(before, heard, meant)


def letters_of(words: Sequence[str]) -> str:
    """What is spelled, if that is all these words do; else nothing."""
    words = [w for w in words if w not in ("and", "then", "comma")] or list(words)
    text, end = spelled(words, 0)
    return text if end == len(words) else ""


def as_named(words: Sequence[str]) -> tuple[str, ...]:
    """With the letters whose names a dictation may have taken for words: "why", "see"."""
    return tuple(NAMES.get(word, word) for word in words)


def letters_heard(words: Sequence[str], might: Sequence[Might]) -> tuple[Might, ...]:
    """What each letter that these words spell may be, where `might` tells it of each word.

    A doubled letter is sure to be the same twice: that is decided by its best.
    """
    if len(might) != len(words):
        return ()
    letters, end = spelled_by(words, 0)
    if end < len(words):
        return ()
    count = Counter(n for _, n in letters)
    return tuple(might[n] if count[n] == 1 else () for _, n in letters)


def letters_told(words: Sequence[str]) -> str:
    """The letters of which something is said: also as a dictation has them, "any" for "an e"."""
    words = tuple(words)
    if len(words) > 1 and words[0] in _AN:
        # "An s" is heard as "n s".
        text = letters_of(words[1:])
        if len(text) == 1 and text.lower() in _AFTER_AN:
            return text
    for told in (words, as_named(words), tuple(NAMES_WITH_ARTICLE.get(w, w) for w in words)):
        if text := letters_of(told):
            return text
    return ""


_AN = ("n", "in", "on", "and", "ten")
"""What "an" is heard as before a letter."""
_AFTER_AN = frozenset("aefhilmnorsx")
"""Letters whose names begin with a vowel."""


def one_letter(words: Sequence[str]) -> str:
    """The one letter or sign that these words name, with "capital" before it; else nothing."""
    text = letters_told(words)
    return text if len(text) == 1 else ""


def completions(
    tray: Tray, own: Iterable[str], known: Counted = (), most: int = 5
) -> tuple[str, ...]:
    """Words that these letters are or begin, as they may have been heard, the likeliest first.

    `own` are the words of the word book and the document, as they are written.
    """
    if not tray.letters.strip():
        return ()
    forms = {word.lower(): word for word in sorted(own)}
    spelling = tray.reading(forms, known)
    readings = spelling.readings
    worth: dict[str, float] = {}

    def may_be(word: str, value: float) -> None:
        worth[word] = max(value, worth.get(word, value))

    for letters, heard in readings:
        if spelling.known(letters):
            may_be(letters, math.log(_ENDED) + spelling.worth(letters, heard))
    for letters, heard in readings[:_MOST_BEGUN]:
        for word in spelling.continued(letters, _MOST_COMPLETED):
            may_be(word, math.log(1 - _ENDED) + spelling.worth(word, heard))
    letters, heard = readings[0]
    for word in _misspelled(letters, forms) if len(letters) >= _SURE_LETTERS else ():
        cost = _A_MISTAKE * Levenshtein.distance(letters, word)
        may_be(word, math.log(_ENDED) + spelling.worth(word, heard + cost))
    ranked = sorted(worth, key=lambda w: (-worth[w], w))
    found = (forms.get(word, word) for word in ranked)
    return tuple(word for word in found if word != tray.letters)[:most]


def _misspelled(said: str, own: Iterable[str]) -> Iterator[str]:
    """Known words of which a letter or two are others, lost, or too many in a spelling."""
    most = 1 if len(said) <= _SURE_LETTERS else _MOST_MISTAKES
    for known in (tuple(own), common_words()):
        like = process.extract(
            said, known, scorer=Levenshtein.distance, score_cutoff=most, limit=None
        )
        yield from (word for word, _, _ in like)


def unsure(tray: Tray, own: Iterable[str], known: Counted = ()) -> frozenset[int]:
    """Which letters (counted from 0) were perhaps misheard: they are others of a likely word."""
    own = tuple(own)
    spelling = tray.reading(own, known)
    if any(tray.might):
        return spelling.doubtful()
    said = tray.letters.lower()
    if spelling.known(said) or len(said) < _SURE_LETTERS:
        return frozenset()
    like = (w.lower() for w in completions(tray, own))
    best = next((w for w in like if len(w) == len(said)), said)
    return frozenset(i for i, (a, b) in enumerate(zip(said, best, strict=True)) if a != b)
