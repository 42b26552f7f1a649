"""Names of the page that are heard as other words: "key lane" of Quay Lane, "salt marsh"."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import NamedTuple

from nimble_lantern.core.document.model import Block
from nimble_lantern.core.lexicon.frequency import zipf
from nimble_lantern.core.mending.lessons import LONGEST, Lesson, Said
from nimble_lantern.core.mending.phones import Phones, distance, phones, sound_class, spoken
from nimble_lantern.core.writing.capitals import names_in

_RARE = 3.0
"""On wordfreq's Zipf scale: a word of a longer name that is one by itself, too."""
_LONG, _NEAR = 8, 0.5
"""A name of two words and so many phones may differ a little in its vowels."""


def names_heard(blocks: Sequence[Block], words: Sequence[str]) -> Iterator[Lesson]:
    """What these words teach that sound just like a name in some blocks, and are not its words.

    A name of one word only where it was heard as several: "quay" may well be the key.
    """
    there = _names(blocks)
    for size in range(1, LONGEST + 1) if there else ():
        for i in range(len(words) - size + 1):
            heard = tuple(words[i : i + size])
            if name := _alike(heard, there):
                yield Lesson(heard, name, named=True, taught=(0,))


class _Name(NamedTuple):
    words: Said
    sound: Phones


def _names(blocks: Sequence[Block]) -> dict[str, dict[Said, Phones]]:
    """The names in small letters by a rough key of their sound, with their phones."""
    found: dict[str, dict[Said, Phones]] = {}
    for block in blocks:
        for name in _names_of(block):
            found.setdefault(sound_class(name.sound), {})[name.words] = name.sound
    return found


def _names_of(block: Block) -> tuple[_Name, ...]:
    """The names of a block with their sounds, made once and kept with it."""
    kept: tuple[_Name, ...] | None = block.__dict__.get("_names_sound")
    if kept is None:
        rare = ((w,) for name in names_in(block) for w in name if zipf(w.lower()) < _RARE)
        names = {tuple(w.lower().replace("’", "'") for w in n) for n in (*names_in(block), *rare)}
        # Whatever has no sound would be swallowed: "boat 29" of the Boat.
        sounding = sorted(name for name in names if all(phones(word) for word in name))
        kept = tuple(_Name(name, spoken(name)) for name in sounding if len(name) <= LONGEST)
        block.__dict__["_names_sound"] = kept
    return kept


def _alike(heard: Said, there: dict[str, dict[Said, Phones]]) -> Said | None:
    said = spoken(heard) if all(phones(word) for word in heard) else ()
    names = there.get(sound_class(said), {}) if said else {}
    if heard in names:
        return None
    for name, sound in names.items():
        if len(name) == len(heard) == 1:
            continue
        most = _NEAR if len(name) > 1 and len(sound) >= _LONG else 0.0
        if said == sound or most and distance(said, sound) <= most:
            return name
    return None
