"""Names of the page that were heard as other words: "key lane" of Quay Lane, "salt marsh"."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import NamedTuple

from nimble_lantern.core.document.model import Block
from nimble_lantern.core.lexicon.frequency import zipf
from nimble_lantern.core.mending.phones import Phones, distance, phones, sound_class, spoken
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
            if written := _alike(heard, there):
                yield heard, written


class _Name(NamedTuple):
    words: tuple[str, ...]
    written: str
    sound: Phones


def _names(blocks: Sequence[Block]) -> dict[str, dict[tuple[str, ...], _Name]]:
    """The names by a rough key of their sound, and by their words."""
    found: dict[str, dict[tuple[str, ...], _Name]] = {}
    for block in blocks:
        for name in _names_of(block):
            found.setdefault(sound_class(name.sound), {})[name.words] = name
    return found


def _names_of(block: Block) -> tuple[_Name, ...]:
    """The names of a block with their sounds, made once and kept with it."""
    kept: tuple[_Name, ...] | None = block.__dict__.get("_names_sound")
    if kept is None:
        rare = [(w,) for name in names_in(block) for w in name if zipf(w.lower()) < _RARE]
        made = []
        for name in (*names_in(block), *rare):
            words = tuple(word.lower().replace("’", "'") for word in name)
            if all(phones(word) for word in words):
                made.append(_Name(words, " ".join(name), spoken(words)))
        kept = block.__dict__["_names_sound"] = tuple(made)
    return kept


def _alike(heard: tuple[str, ...], there: dict[str, dict[tuple[str, ...], _Name]]) -> str | None:
    said = spoken(heard) if all(phones(word) for word in heard) else ()
    names = there.get(sound_class(said), {}) if said else {}
    if heard in names:
        return None
    for name in names.values():
        if len(name.words) == 1 and len(heard) == 1:
            continue
        most = _NEAR if len(name.words) > 1 and len(name.sound) >= _LONG else 0.0
        if said == name.sound or most and distance(said, name.sound) <= most:
            return name.written
    return None
