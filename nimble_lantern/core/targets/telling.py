"""Parts that are described in other words than they have: "the sentence about nell having a key".

Every word that tells something must stand there, in whatever form.
"""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.document.model import Document, Range
from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.lexicon.inflections import inflections
from nimble_lantern.core.targets import words as spoken

_DULL = LITTLE | frozenset("being having getting".split())
_FEWEST = 2
"""Words that tell something; one alone must be named as it stands."""
_MOST_BLOCKS = 60
"""That have the rarest word: where it stands more often it tells nothing."""


def forms_there(word: str, known: spoken.Vocabulary) -> tuple[str, ...]:
    """The forms of a word that stand in a text, itself first: "floats" for "floating"."""
    near = (word, *inflections(word))
    further = (f for stem in near[1:] if len(stem) < len(word) for f in inflections(stem))
    return tuple(f for f in dict.fromkeys((*near, *further)) if known.holds((f,)))


def told_by(
    document: Document, known: spoken.Vocabulary, words: Sequence[str]
) -> tuple[list[Range], tuple[tuple[str, ...], ...]]:
    """Where the rarest of the telling words stands, and the forms of all that must be with it."""
    telling = [w for w in words if w not in _DULL]
    forms = tuple(forms_there(w, known) for w in telling)
    if len(telling) < _FEWEST or not all(forms):
        return [], ()
    rarest = min(forms, key=lambda some: sum(map(known.blocks_with, some)))
    if sum(map(known.blocks_with, rarest)) > _MOST_BLOCKS:
        return [], ()
    return [r for f in rarest for r in spoken.exact(document, (f,), None, known)], forms


def holds_each(document: Document, part: Range, forms: Sequence[Sequence[str]]) -> list[Range]:
    """Where each of the words stands in a part; nothing if one does not."""
    found: list[Range] = []
    for some in forms:
        there = [r for f in some for r in spoken.exact(document, (f,), part)]
        if not there:
            return []
        found += there[:1]
    return found
