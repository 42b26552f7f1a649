"""What was heard while a word is spelled: letters that sound alike are told by the likely word."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from functools import cache, lru_cache

from rapidfuzz.distance import Levenshtein

from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.lexicon.spellings import ALPHABET
from nimble_lantern.core.mending.knowing import own_words
from nimble_lantern.core.mending.letters import Spelling
from nimble_lantern.core.mending.tray import as_named, letters_of
from nimble_lantern.core.mending.vocabulary import common_words
from nimble_lantern.core.reading import reader
from nimble_lantern.core.reading.hearing import Hearing
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.writing.spelling import letter

_FARTHEST = 0.3
"""Log score a frame below the grammar's best path from which an alternative is none."""
_LEAST_FIT = -1.5
_LEAST_FIT_OF_WORDS = -4.0
"""How well what is said of the letters must fit the sound, beside the model's own words; and where
those are no letters."""
_A_RANK = 0.3
"""What each better guess at the letters is worth, as a logarithm of base 10."""
_SENTENCE = 4
"""Words of one that is surely said of the letters."""
_LONGEST_RUN = 12
"""Letters of a spelled word that may be run together."""
_SHORTEST_WORD = 2
"""Longer ones that are common were not spelled: "hey" is an "a"."""
_NAMED = 2.5
"""What letters are worth more that are all said by words of the alphabet."""
_LEAST_LIKE, _SHORTEST_NAME = 0.7, 4
"""Of the letters, how like a word of the alphabet another is; and the fewest letters of one."""
Said = tuple[str, ...]


def spelling_heard(sitting: Sitting, hearing: Hearing) -> Said:
    """The words of the likeliest hypothesis: something said of the letters, or letters."""
    dictated = [h.said for h in hearing.hypotheses] if hearing.evidence else []
    best = hearing.commands[0].said if hearing.commands else ()
    spelled = bool(best) and bool(letters_of(best))
    names = spelled and all(w in ALPHABET for w in best)
    # A dictation takes a lone letter for a word that is like it, as "no" for "o".
    believed = bool(dictated) and (not spelled or len(dictated[0]) > 1 and not names)
    for n, said in enumerate(dictated) if believed else ():
        # Of what was heard less well, only a whole sentence counts.
        if (not n or len(said) >= _SENTENCE) and _of_the_letters(sitting, said):
            return said
    fit = hearing.fits[0] if hearing.fits else 0.0
    letters = any(letters_of(as_named(said)) for said in dictated)
    least = _LEAST_FIT if letters else _LEAST_FIT_OF_WORDS
    if best and not spelled and fit >= least and _of_the_letters(sitting, best):
        return best
    if spelled and any(hearing.letters):
        # Each letter is judged by both engines: only the alphabet's words are better known.
        named = (_alphabet(said) for said in dictated if said)
        return next((said for said in named if all(w in ALPHABET for w in said)), best)
    assert sitting.tray is not None
    before, own = sitting.tray.letters, tuple(own_words(sitting))
    guesses = list(dict.fromkeys((*map(_as_letters, dictated), *_near_the_best(hearing))))
    guesses = [said for said in guesses if letters_of(said)]
    if not guesses:
        return dictated[0] if dictated else best

    def worth(guess: tuple[int, Said]) -> float:
        rank, said = guess
        named = _NAMED * sum(w in ALPHABET for w in said) / len(said)
        letters = before + letters_of(said)
        likely = Spelling(letters, ((),) * len(letters), own).likely
        return likely + named - _A_RANK * rank

    return max(enumerate(guesses), key=worth)[1]


def _near_the_best(hearing: Hearing) -> Iterator[Said]:
    for command in hearing.commands:
        if hearing.commands[0].score - command.score <= _FARTHEST:
            yield command.said


def _of_the_letters(sitting: Sitting, words: Sequence[str]) -> bool:
    """Whether words say something about the letters, or answer or leave the question."""
    verdict = reader.judge(sitting, words, whole=True)
    if verdict.kind is not Judged.COMMAND or verdict.parse is None:
        return False
    traits = verdict.parse.command.traits
    return traits.spells or traits.answers or traits.leaves


def _as_letters(words: Said) -> Said:
    """Words that a dictation made of letters, taken apart again: "M-A-RS" is four letters.

    Nearly the words of the alphabet are those: "fox trot", "julia".
    """
    named = _alphabet(words)
    if letters_of(named):
        return named
    if letters_of(as_named(words)):
        return as_named(words)
    if named != words or any(w in ALPHABET for w in words):
        # A word of the alphabet was misheard: the other engine knows them all.
        return ()
    runs = [w for w in words if letter(w) is None]
    if len(words) > 1 and len(runs) > len(words) / 2 or any(w in _common() for w in runs):
        return ()
    return tuple(c for w in words for c in _apart(w))


@cache
def _common() -> frozenset[str]:
    """Words that are hardly letters run together."""
    return frozenset(w for w in common_words() if len(w) > _SHORTEST_WORD)


def _apart(word: str) -> Said:
    if letter(word) is not None:
        return (word,)
    return tuple(word) if word.isalpha() and len(word) <= _LONGEST_RUN else ()


def _alphabet(words: Said) -> Said:
    """With words that are nearly the alphabet's put in their place, where most words are."""
    found: list[str] = []
    i = known = 0
    while i < len(words):
        one, two = words[i], "".join(words[i : i + 2])
        pair = one not in ALPHABET and (two in ALPHABET or not _nearest(one) and _nearest(two))
        near = _nearest(two) if pair else _nearest(one)
        found.append(near or one)
        known += bool(near)
        i += 2 if pair else 1
    return tuple(found) if known * 2 > len(found) else words


@lru_cache(maxsize=5_000)
def _nearest(word: str) -> str:
    if word in ALPHABET:
        return word
    if len(word) < _SHORTEST_NAME:
        return ""
    best = max(ALPHABET, key=lambda name: Levenshtein.normalized_similarity(word, name))
    return best if Levenshtein.normalized_similarity(word, best) >= _LEAST_LIKE else ""
