"""Commands that sound like what was dictated: "start slipway with a capitol".

A recogniser that knows no grammar writes what is likely in a text.  Where that is no command, a
word or two of it are exchanged for such as commands have, or as stand on the page, and sound alike
(weighted edit distance over phones).  What is a command then, exactly, is a guess.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from functools import cache, partial
from typing import NamedTuple

from rapidfuzz import process
from rapidfuzz.distance import Levenshtein

from nimble_lantern.core.document.model import Document
from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.lexicon.closed import LITTLE, SUBJECT_PRONOUNS
from nimble_lantern.core.lexicon.manners import LEADS, TAILS
from nimble_lantern.core.mending.phones import distance, phones, spoken
from nimble_lantern.core.mending.vocabulary import words_of
from nimble_lantern.core.reading import reader
from nimble_lantern.core.reading.nearest import words_said
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.sounds import phrase_key

_MOST_WORDS = 12
"""Of an utterance that may be one: longer ones are sentences."""
_LEAST_COST, _COST_A_PHONE = 0.7, 0.3
"""How far words may be from each other by their phones (`mending.phones.distance`)."""
_MOST_OF_KNOWN, _THE_SAME = 1.0, 0.05
_KNOWN = 10.0
"""What is added to the cost of a word for another, where it is one that commands or the page have:
all such come after the others."""
_MOST_READ, MOST_GUESSES = 24, 3
_IN_PAIRS = 8
_ROUND_HERE = 20  # paragraphs


class _Swap(NamedTuple):
    cost: float
    start: int
    end: int
    words: tuple[str, ...]


def guesses(sitting: Sitting, said: Sequence[str]) -> list[tuple[str, ...]]:
    """Up to MOST_GUESSES commands that sound like some words, which are none; the nearest first."""
    words = tuple(said)
    if not 1 < len(words) <= _MOST_WORDS or words[0] in SUBJECT_PRONOUNS:
        return []
    if reader.judge(sitting, words, whole=True).kind is Judged.COMMAND:
        return []
    swaps = sorted(_swaps(words, _index(sitting)))
    likely = _swapped(words, swaps)[:_MOST_READ]
    commands = [w for w in likely if reader.exactly(sitting, w, True).kind is Judged.COMMAND]
    if not commands:
        # The very same sound may be read as far as any other words are.
        same = (_with(words, (swap,)) for swap in swaps if swap.cost % _KNOWN <= _THE_SAME)
        commands = [w for w in same if reader.judge(sitting, w, True).kind is Judged.COMMAND]
    return commands[:MOST_GUESSES]


def _swapped(words: tuple[str, ...], swaps: Sequence[_Swap]) -> list[tuple[str, ...]]:
    """With one of the swaps, or two; the nearest first."""
    made = {_with(words, (one,)): one.cost for one in reversed(swaps)}
    for n, one in enumerate(swaps[:_IN_PAIRS]):
        for other in swaps[n + 1 : _IN_PAIRS]:
            if one.end <= other.start or other.end <= one.start:
                made.setdefault(_with(words, (one, other)), one.cost + other.cost)
    return sorted(made, key=lambda other: made[other])


def _with(words: tuple[str, ...], swaps: Sequence[_Swap]) -> tuple[str, ...]:
    for swap in sorted(swaps, key=lambda s: -s.start):
        words = (*words[: swap.start], *swap.words, *words[swap.end :])
    return words


_Index = dict[str, list[str]]


def _swaps(words: tuple[str, ...], index: _Index) -> Iterator[_Swap]:
    """What one word or two may be instead: a word, or two parted elsewhere."""
    known = LITTLE | {word for found in index.values() for word in found}
    for size in (1, 2):
        for start in range(len(words) - size + 1):
            old = words[start : start + size]
            sound, key = spoken(old), phrase_key(" ".join(old))
            if not key:
                continue
            strange = any(word not in known for word in old)
            most = max(_LEAST_COST, _COST_A_PHONE * len(sound)) if strange else _MOST_OF_KNOWN
            for new in _like(key, size, index):
                cost = distance(sound, spoken(new)) if new != old else most + 1
                if cost <= most:
                    # What commands have, and the page, is mostly heard rightly.
                    yield _Swap(cost if strange else cost + _KNOWN, start, start + size, new)


def _like(key: str, size: int, index: _Index) -> Iterator[tuple[str, ...]]:
    """The words, or pairs of words for two, whose key is the same or nearly."""
    nearly = partial(process.extract, scorer=Levenshtein.distance, score_cutoff=1, limit=None)
    for other, _, _ in nearly(key, index.keys()):
        yield from ((word,) for word in index[other])
    for cut in range(1, len(key)) if size > 1 else ():
        for first in index.get(key[:cut], ()):
            yield from ((first, second) for second in index.get(key[cut:], ()))


def _index(sitting: Sitting) -> _Index:
    """The words of commands and those round the writing place, by the keys of their sounds."""
    at = sitting.writing_place.block
    here = Document(sitting.document.blocks[max(0, at - _ROUND_HERE) : at + _ROUND_HERE])
    index = {key: list(words) for key, words in _of_commands().items()}
    for word in {word.lower() for block in here.blocks for word in words_of(block)}:
        if word not in LITTLE and phones(word):
            found = index.setdefault(phrase_key(word), [])
            if word not in found:
                found.append(word)
    return index


@cache
def _of_commands() -> _Index:
    index: _Index = {}
    courtesies = {word for phrase in (*LEADS, *TAILS) for word in phrase}
    for word in sorted(words_said() | courtesies):
        if phones(word):
            index.setdefault(phrase_key(word), []).append(word)
    return index
