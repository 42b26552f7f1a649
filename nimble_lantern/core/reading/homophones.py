"""Commands that sound like what was dictated: "start slipway with a capitol".

A recogniser that knows no grammar writes what is likely in a text.  Where that is no command, a
word or two of it are exchanged for such as commands have, or as stand on the page, and sound alike
(weighted edit distance over phones).  What is a command then, exactly, is a guess.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from functools import cache
from typing import NamedTuple

from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.lexicon.closed import LITTLE, SUBJECT_PRONOUNS
from nimble_lantern.core.lexicon.manners import LEADS, TAILS
from nimble_lantern.core.mending.by_sound import BySound
from nimble_lantern.core.mending.phones import distance, phones, spoken
from nimble_lantern.core.mending.vocabulary import words_of
from nimble_lantern.core.reading import reader
from nimble_lantern.core.reading.exactly import exactly
from nimble_lantern.core.reading.nearest import words_said
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.sounds import phrase_key

_MOST_WORDS = 12
"""Of an utterance that may be one: longer ones are sentences."""
_LEAST_COST, _COST_A_PHONE = 0.7, 0.3
"""How far words may be from each other by their phones (`mending.phones.distance`)."""
_MOST_OF_KNOWN, _THE_SAME = 1.0, 0.05
_MOST_READ, MOST_GUESSES = 24, 3
_IN_PAIRS = 8
_ROUND_HERE = 20  # paragraphs


class _Swap(NamedTuple):
    """Other words in the place of some.

    `known`: commands or the page have the old ones, which are mostly heard rightly then: such
    swaps come after all others.
    """

    known: bool
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
    swaps = sorted(_swaps(sitting, words))
    likely = _swapped(words, swaps)[:_MOST_READ]
    commands = [w for w in likely if exactly(sitting, w, True).kind is Judged.COMMAND]
    if not commands:
        # The very same sound may be read as far as any other words are.
        same = (_with(words, (swap,)) for swap in swaps if swap.cost <= _THE_SAME)
        commands = [w for w in same if reader.judge(sitting, w, True).kind is Judged.COMMAND]
    return commands[:MOST_GUESSES]


def writing_nothing(sitting: Sitting, said: Sequence[str]) -> tuple[str, ...] | None:
    """The command without words to be written that sounds just like one which has some.

    "Put the carrot after ten" is "put the caret after ten".
    """
    words = tuple(said)
    few = 1 < len(words) <= _MOST_WORDS
    if not few or not reader.judge(sitting, words, whole=True).free_words:
        return None
    for swap in sorted(s for s in _swaps(sitting, words) if s.cost <= _THE_SAME):
        other = _with(words, (swap,))
        verdict = exactly(sitting, other, whole=True)
        if verdict.kind is Judged.COMMAND and not verdict.free_words:
            return other
    return None


def _swapped(words: tuple[str, ...], swaps: Sequence[_Swap]) -> list[tuple[str, ...]]:
    """With one of the swaps, or two; the nearest first."""
    made = {_with(words, (one,)): (int(one.known), one.cost) for one in reversed(swaps)}
    for n, one in enumerate(swaps[:_IN_PAIRS]):
        for other in swaps[n + 1 : _IN_PAIRS]:
            if one.end <= other.start or other.end <= one.start:
                both = one.known + other.known, one.cost + other.cost
                made.setdefault(_with(words, (one, other)), both)
    return sorted(made, key=lambda other: made[other])


def _with(words: tuple[str, ...], swaps: Sequence[_Swap]) -> tuple[str, ...]:
    for swap in sorted(swaps, key=lambda s: -s.start):
        words = (*words[: swap.start], *swap.words, *words[swap.end :])
    return words


def _swaps(sitting: Sitting, words: tuple[str, ...]) -> Iterator[_Swap]:
    """What one word or two may be instead: a word, or two parted elsewhere."""
    sayable = _of_commands() | _round_here(sitting)
    by_sound, known = BySound(phrase_key, lambda: sorted(sayable)), sayable | LITTLE
    for size in (1, 2):
        for start in range(len(words) - size + 1):
            old = words[start : start + size]
            sound, key = spoken(old), phrase_key(" ".join(old))
            if not key:
                continue
            strange = any(word not in known for word in old)
            most = max(_LEAST_COST, _COST_A_PHONE * len(sound)) if strange else _MOST_OF_KNOWN
            for new in _like(by_sound, key, size):
                if new != old and (cost := distance(sound, spoken(new))) <= most:
                    yield _Swap(not strange, cost, start, start + size, new)


def _like(by_sound: BySound, key: str, size: int) -> Iterator[tuple[str, ...]]:
    """The words, or for two words also pairs, whose key is the same or nearly."""
    yield from ((word,) for word in by_sound.near(key))
    if size > 1:
        yield from by_sound.pairs(key)


def _round_here(sitting: Sitting) -> set[str]:
    """The words round the writing place."""
    at = sitting.writing_place.block
    blocks = sitting.document.blocks[max(0, at - _ROUND_HERE) : at + _ROUND_HERE]
    words = {word for block in blocks for word in words_of(block)}
    return {word for word in words - LITTLE if phones(word)}


@cache
def _of_commands() -> frozenset[str]:
    courtesies = {word for phrase in (*LEADS, *TAILS) for word in phrase}
    return frozenset(word for word in words_said() | courtesies if phones(word))
