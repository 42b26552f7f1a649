"""Names of the page that were heard as other words: "key lane" of Quay Lane, "salt marsh"."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from nimble_lantern.core.document.model import Block
from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.lexicon.frequency import zipf
from nimble_lantern.core.mending.phones import Phones, distance, spoken
from nimble_lantern.core.writing.capitals import names_in

Heard = tuple[tuple[str, ...], str]
"""Words as they were heard, and the name as it is written."""
_MOST_WORDS = 4
_RARE = 3.0
"""On wordfreq's Zipf scale: a word of a longer name that is one by itself, too."""
_LONG, _NEAR = 8, 0.5
"""A name of two words and so many phones may differ a little: "to bias fenwick"."""


def names_heard(blocks: Sequence[Block], words: Sequence[str]) -> Iterator[Heard]:
    """Runs of heard words that sound just like a name in some blocks, and are not its words.

    A name of one word only where it was heard as several: "quay" may well be the key.
    """
    there = _names(blocks)
    for size in range(1, _MOST_WORDS + 1) if there else ():
        for i in range(len(words) - size + 1):
            heard = tuple(words[i : i + size])
            if heard[0] in LITTLE and size == 1:
                continue
            if written := _alike(heard, there):
                yield heard, written


def _names(blocks: Sequence[Block]) -> dict[tuple[str, ...], tuple[str, Phones]]:
    """The names by their words as they are spoken: as written, and their phones."""
    found = {}
    for block in blocks:
        rare = [(w,) for name in names_in(block) for w in name if zipf(w.lower()) < _RARE]
        for name in (*names_in(block), *rare):
            key = tuple(word.lower().replace("’", "'") for word in name)
            if all(part.isalpha() for part in key) and (said := spoken(key)):
                found[key] = " ".join(name), said
    return found


def _alike(heard: tuple[str, ...], there: dict[tuple[str, ...], tuple[str, Phones]]) -> str | None:
    if heard in there:
        return None
    said = spoken(heard)
    for name, (written, sound) in there.items():
        if len(name) == 1 and len(heard) == 1:
            continue
        most = _NEAR if len(name) > 1 and len(sound) >= _LONG else 0.0
        near = abs(len(said) - len(sound)) <= 1 and distance(said, sound) <= most
        if said == sound or most and near:
            return written
    return None
