"""The slots that no pattern can spell out: numbers and free words."""

from __future__ import annotations

from collections.abc import Iterator

from nimble_lantern.core.grammar.automaton import Terminal, Words
from nimble_lantern.core.writing.cardinals import cardinal, ordinal

_PLURAL_ORDINALS = {"seconds"}
_SO_MANY = {"couple": 2, "pair": 2, "single": 1}
MOST_WORDS = 40


def number(words: Words, i: int) -> Iterator[tuple[int, int, int]]:
    """A cardinal, "a", "a single" and "a couple of" included."""
    article = words[i] in ("a", "an")
    if article:
        yield i + 1, 1, 0
    j = i + article
    many = _SO_MANY.get(words[j]) if j < len(words) else None
    if many:
        of = j + 1 < len(words) and words[j + 1] == "of"
        yield j + (2 if of and many > 1 else 1), many, 0
    elif not article and (found := cardinal(words, i)):
        yield found[1], found[0], 0


def position(words: Words, i: int) -> Iterator[tuple[int, int, int]]:
    """An ordinal: "third" -> 3."""
    found = ordinal(words, i)
    if found and words[i] not in _PLURAL_ORDINALS:
        yield found[1], found[0], 0


def free(words: Words, i: int) -> Iterator[tuple[int, tuple[str, ...], int]]:
    """Any run of words, shortest first."""
    for j in range(i + 1, min(len(words), i + MOST_WORDS) + 1):
        yield j, tuple(words[i:j]), j - i


def text(words: Words, i: int) -> Iterator[tuple[int, tuple[str, ...], int]]:
    """All the words that are left, to be written; however many."""
    yield len(words), tuple(words[i:]), len(words) - i


TERMINALS: dict[str, Terminal] = {
    "number": number,
    "position": position,
    "words": free,
    "text": text,
}
