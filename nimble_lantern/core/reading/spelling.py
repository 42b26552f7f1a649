"""What was heard while a word is spelled: letters that sound alike are told by the likely word."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.mending.knowing import own_words
from nimble_lantern.core.mending.tray import Known, letters_of
from nimble_lantern.core.reading import reader
from nimble_lantern.core.reading.hearing import Hearing, Hypothesis
from nimble_lantern.core.state import Sitting

_FARTHEST = 0.3
"""Log score a frame below the grammar's best path from which an alternative is none."""
_LEAST_FIT = -1.5
"""How well what is said of the letters must fit the sound, beside the model's own words."""
_A_RANK = 0.3
"""What each better guess at the letters is worth; a word of one's own is worth three."""
_LONGEST_RUN = 12
"""Letters of a spelled word that may be run together."""
Said = tuple[str, ...]


def spelling_heard(sitting: Sitting, hearing: Hearing) -> Said:
    """The words of the likeliest hypothesis: something said of the letters, or letters."""
    dictated = [_words(h) for h in hearing.hypotheses] if hearing.evidence else []
    if dictated and _of_the_letters(sitting, dictated[0]):
        return dictated[0]
    best = _words(hearing.commands[0]) if hearing.commands else ()
    fit = hearing.fits[0] if hearing.fits else 0.0
    if best and not letters_of(best) and fit >= _LEAST_FIT and _of_the_letters(sitting, best):
        return best
    assert sitting.tray is not None
    before, known = sitting.tray.letters, Known(own_words(sitting))
    guesses = list(dict.fromkeys((*map(_as_letters, dictated), *_near_the_best(hearing))))
    guesses = [said for said in guesses if letters_of(said)]
    if not guesses:
        return dictated[0] if dictated else best

    def worth(guess: tuple[int, Said]) -> float:
        rank, said = guess
        return known.worth(before + letters_of(said)) - _A_RANK * rank

    return max(enumerate(guesses), key=worth)[1]


def _words(hypothesis: Hypothesis) -> Said:
    return tuple(w.text for w in hypothesis.words)


def _near_the_best(hearing: Hearing) -> Iterator[Said]:
    for command in hearing.commands:
        if hearing.commands[0].score - command.score <= _FARTHEST:
            yield _words(command)


def _of_the_letters(sitting: Sitting, words: Sequence[str]) -> bool:
    """Whether words say something about the letters, or answer or leave the question."""
    verdict = reader.judge(sitting, words, whole=True)
    if verdict.kind is not Judged.COMMAND or verdict.parse is None:
        return False
    traits = verdict.parse.command.traits
    return traits.spells or traits.answers or traits.leaves


def _as_letters(words: Said) -> Said:
    """Words that a dictation made of letters, taken apart again: "M-A-RS" is four letters."""
    if letters_of(words):
        return words
    single = sum(len(w) == 1 for w in words)
    if not words or len(words) > 1 and single < len(words) / 2:
        return ()
    return tuple(c for w in words for c in (w if w.isalpha() and len(w) <= _LONGEST_RUN else ()))
