"""Words that were just written, said once more where one of them only sounded right: "by the weir",
after "it was standing buy the weir"."""

from __future__ import annotations

from nimble_lantern.core.document import units
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.lexicon.housed import Phrase
from nimble_lantern.core.mending.phones import distance, phones
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.writing.spoken import plain

_FEWEST, _MOST = 2, 6
_THE_SAME, _ALIKE = 0.1, 0.7
"""How far two words may be from each other by their phones: with one word beside them that is said
again, and with more."""


def said_better(sitting: Sitting, words: Phrase) -> tuple[str, str] | None:
    """The one word of what was just written that another takes the place of, and that other.

    All that is said stands at the end of that, but for one word that sounds like it.
    """
    last = sitting.trail[-1] if sitting.trail else None
    written = last is not None and last.read_as is ReadAs.TEXT and len(sitting.that) == 1
    if not written or not _FEWEST <= len(words) <= _MOST:
        return None
    if sitting.that[0].end != sitting.writing_place or sitting.question is not None:
        return None
    there = list(units.within(sitting.document, "word", sitting.that[0]))[-len(words) :]
    if len(there) != len(words):
        return None
    pairs = [(plain(sitting.document.text(r)), new) for r, new in zip(there, words, strict=True)]
    other = [(old, new) for old, new in pairs if old != new]
    if len(other) != 1:
        return None
    old, new = other[0]
    far = _ALIKE if len(words) > _FEWEST else _THE_SAME
    return (old, new) if distance(phones(old), phones(new)) <= far else None
