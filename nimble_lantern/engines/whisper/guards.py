"""What the model invents: it writes words for silence, hiss, knocks, music and babble, too."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise

from rapidfuzz import fuzz

from nimble_lantern.core.reading.hearing import HeardWord
from nimble_lantern.core.writing.cardinals import cardinal
from nimble_lantern.engines.whisper.model import Reading, Transcript

NOBODY, UNSURE = "nobody spoke", "it was hard to make out"
LOOP = "the recogniser repeated itself"
_SILENT, _SURELY_SAID = 0.5, -0.35
"""Probability that nobody spoke, and the mean log probability above which it counts for nothing.

On speech of ten people it was at most 0.25, on eight kinds of noise at least 0.53; babble has 0.3.
"""
_LEAST_SCORE = -1.0
"""Mean log probability a token; speech -0.03 to -0.6, noise and speech run backwards under it."""
_LEAST_PROBABILITY, _DOUBTFUL_SCORE = 0.5, -0.62
_MOST_REPETITION = 2.4  # the package's own
_MOST_TIMES, _MOST_TIMES_ALONE = 3, 4
"""Of the same words in a row, and of one: a siren is "wow wow wow wow"; numbers are not counted."""
_SENTENCE, _ALIKE_SCORE = 4, -0.5
"""Words that nobody says twice in one breath; and the score under which fewer are not believed when
they are ("no no" fits better than a siren)."""
_LONG_SENTENCE, _SAME = 6, 85.0
"""Words of each half that are nearly the same (of a hundred, by letters)."""
_FASTEST = 7.0
"""Words a second that nobody speaks."""
_LEAST_ALIKE = 40.0
"""Of a hundred, by letters: what two engines have in common that heard the same speech."""


def doubt(found: Transcript, beside: Sequence[HeardWord] = ()) -> str:
    """Why the best reading may not be what was said; "" if it is believed.

    `beside`: what another engine heard in the same sound.
    """
    if not found.readings:
        return NOBODY
    best = found.readings[0]
    if found.silence > _SILENT and best.score < _SURELY_SAID:
        return NOBODY
    if found.repetition > _MOST_REPETITION or _loops(best.text) or _is_said_twice(best):
        return LOOP
    if best.score < _LEAST_SCORE or len(best.words) > _FASTEST * max(1.0, found.seconds):
        return UNSURE
    if best.score < _DOUBTFUL_SCORE:
        other = " ".join(w.text for w in beside)
        alike = fuzz.ratio(best.text.lower(), other) if other else 0.0
        if mean_probability(best) < _LEAST_PROBABILITY or alike < _LEAST_ALIKE:
            return UNSURE
    return ""


def mean_probability(reading: Reading) -> float:
    words = [w for w in reading.words if any(c.isalnum() for c in w.text)]
    return sum(w.probability for w in words) / len(words) if words else 0.0


def _words(text: str) -> list[str]:
    return ["".join(c for c in w if c.isalnum()) for w in text.lower().split()]


def _is_said_twice(best: Reading) -> bool:
    """Whether all of it is the same words again: a whole sentence, or a sound ("woohoo woohoo")."""
    words = _words(best.text)
    for size in range(1, len(words) // 2 + 1):
        if words != words[:size] * (len(words) // size):
            continue
        if size >= _SENTENCE or best.score < _ALIKE_SCORE and cardinal(words, 0) is None:
            return True
    half = len(words) // 2
    halves = ((" ".join(words[:at]), " ".join(words[at:])) for at in (half, half + 1))
    return half >= _LONG_SENTENCE and any(fuzz.ratio(a, b) > _SAME for a, b in halves)


def _loops(text: str) -> bool:
    """Whether the same few words come again and again: "ten of clubs, ten of clubs, ..."."""
    words = _words(text)
    for size in (1, 2, 3, 4):
        runs = [tuple(words[i : i + size]) for i in range(len(words) - size + 1)]
        most = _MOST_TIMES if size > 1 else _MOST_TIMES_ALONE
        times = 1
        for earlier, later in pairwise(runs[k] for k in range(0, len(runs), size)):
            times = times + 1 if earlier == later else 1
            if times >= most and (size > 1 or cardinal(earlier, 0) is None):
                return True
    return False


def recites(text: str, names: Sequence[str], before: str = "") -> bool:
    """Whether the model reads out what it was told, the list of names or the text that came
    before, instead of the sound."""
    said, listed = _words(text), [n.lower() for n in names]
    return _shares(said, listed, _OF_NAMES) or _shares(said, _words(before), _OF_A_TEXT)


_OF_NAMES, _OF_A_TEXT = 3, 5
"""Words in the order of what was told."""


def _shares(said: list[str], told: list[str], size: int) -> bool:
    runs = {tuple(told[j : j + size]) for j in range(len(told) - size + 1)}
    return any(tuple(said[i : i + size]) in runs for i in range(len(said) - size + 1))
