"""Statements that may ask for other words: "visitors should be guests", "guests not visitors".

A letter may well say the same, so they are written, and the replacement is offered beside them.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from nimble_lantern.core.lexicon.closed import DETERMINERS, SUBJECT_PRONOUNS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.words import exact

Words = tuple[str, ...]
_MOST_OLD, _MOST_NEW = 6, 6
_OLD_FIRST = tuple(
    tuple(phrase.split())
    for phrase in (
        "should be", "should say", "should read", "ought to be", "ought to say", "must be",
        "needs to be", "needs to say", "wants to be", "becomes", "has to be", "should become",
        "is meant to be", "was meant to be", "is wrong it should be", "is wrong it is",
    )
)  # fmt: skip
_NEW_FIRST = tuple(tuple(p.split()) for p in ("instead of", "in place of", "rather than", "for"))
_ASKING = tuple(
    tuple(phrase.split())
    for phrase in (
        "it should be", "it should say", "it should read", "i want", "i would like", "i'd like",
        "we want", "we need", "i need", "make it", "let's have", "let's say", "use", "put", "say",
        "write", "have",
    )
)  # fmt: skip
"""May come before the new words."""


def instead(sitting: Sitting, words: Sequence[str]) -> tuple[Words, Words] | None:
    """(old, new): words of the page, and those that may be meant for their place; or none."""
    for old, new in _parted(tuple(words)):
        if not 0 < len(old) <= _MOST_OLD or not 0 < len(new) <= _MOST_NEW or old == new:
            continue
        # "The ferry should be late" speaks of a thing.
        if old[0] in DETERMINERS | SUBJECT_PRONOUNS or new[0] in SUBJECT_PRONOUNS:
            continue
        if exact(sitting.document, old) and not exact(sitting.document, new):
            return old, new
    return None


def _parted(words: Words) -> Iterator[tuple[Words, Words]]:
    for opening in (("it", "isn't"), ("it's", "not"), ("it", "is", "not"), ("not",)):
        if words[: len(opening)] == opening:
            for i in range(len(opening) + 1, len(words)):
                if words[i] in ("it's", "but"):
                    yield words[len(opening) : i], words[i + 1 :]
    for i in range(1, len(words)):
        for phrase in _OLD_FIRST:
            if words[i : i + len(phrase)] == phrase:
                yield words[:i], words[i + len(phrase) :]
        for phrase in _NEW_FIRST:
            if words[i : i + len(phrase)] == phrase:
                asked = next((a for a in _ASKING if words[: len(a)] == a), ())
                if asked or phrase != ("for",):
                    yield words[i + len(phrase) :], words[len(asked) : i]
