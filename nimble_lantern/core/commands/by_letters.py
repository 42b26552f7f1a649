"""What is told of a word's letters, right after it was written: "spelled s i a n", "with an h"."""

from __future__ import annotations

from rapidfuzz import fuzz

from nimble_lantern.core.document import units
from nimble_lantern.core.document.model import Range
from nimble_lantern.core.grammar.catalogue import Parse
from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.mending.phones import distance, phones
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.sounds import phrase_key
from nimble_lantern.core.writing.spelling import spelled


def as_word(text: tuple[str, ...]) -> tuple[str, ...]:
    """Letters as the word that they make, also where they spell the word before them."""
    if len(text) > _A_FEW and "".join(text[1:]) == text[0]:
        return text[:1]
    letters, end = spelled(text, 0)
    return (letters.lower(),) if end == len(text) > 1 else text


def spells_one(sitting: Sitting, parse: Parse) -> bool:
    """ "That's spelled s i a n", where a like word was just said."""
    return spelled_there(sitting, tuple(parse.args.get("text", ()))) is not None


def spelled_there(sitting: Sitting, letters: tuple[str, ...]) -> Range | None:
    """The word that was just written and that letters spell, or nearly so; the last of several."""
    (word, *_) = spelled_word = as_word(letters)
    if spelled_word == letters or len(sitting.that) != 1 or sitting.that[0].empty:
        return None
    there = list(units.within(sitting.document, "word", sitting.that[0]))
    said = [sitting.document.text(r).lower() for r in there]
    alike = [fuzz.ratio(w, word) for w in said]
    best = max(alike, default=0.0)
    return there[len(alike) - 1 - alike[::-1].index(best)] if best >= _SPELLED_ALIKE else None


_SPELLED_ALIKE = 65.0
"""Of a hundred, by letters."""


def told_of(
    sitting: Sitting, text: tuple[str, ...], hint: tuple[str, ...] = (), without: bool = False
) -> list[Range]:
    """Where a word stands in what was just said that this one was meant for: it sounds alike, or
    the letters of the hint are what it lacks, or has too many of."""
    (new, *_), letters = text, _letters_in(hint)
    sound, found = phrase_key(new), list[tuple[float, Range]]()
    for r in (r for last in sitting.that[:1] for r in units.within(sitting.document, "word", last)):
        old = sitting.document.text(r).lower().replace("’", "'")
        far = distance(phones(old), phones(new))
        sounds = phrase_key(old) == sound or far <= _THE_SAME
        sounds = sounds and (old not in LITTLE or new not in LITTLE)
        more, less = (old, new) if without else (new, old)
        spells = bool(letters) and letters in more and letters not in less
        if old != new and (sounds or spells and fuzz.ratio(old, new) >= _HINTED_ALIKE):
            found.append((far, r))
    # "Flour with a u", where both "flower" and "for" may have been meant for it.
    least = min((far for far, _ in found), default=0.0)
    return [r for far, r in found if far - least <= _AS_NEAR]


def _letters_in(hint: tuple[str, ...]) -> str:
    """The letters that a hint names: "h", "p h", "an apostrophe"."""
    if hint == ("apostrophe",):
        return "'"
    return "".join(hint) if all(len(w) <= _A_FEW for w in hint) else ""


def hinted(sitting: Sitting, parse: Parse) -> bool:
    """ "Hay with an a", "hay as in grass", where hey was just written; "wood with a d"."""
    text = tuple(parse.args.get("text", ()))
    hint = tuple(parse.args.get("hint", ()))
    few = len(text) == 1 and len(hint) <= _LONGEST_HINT
    return few and len(told_of(sitting, text, hint, "without" in parse.args)) == 1


_LONGEST_HINT, _A_FEW, _HINTED_ALIKE = 3, 2, 60.0
_THE_SAME, _AS_NEAR = 0.3, 0.7
"""How far words may be from each other by their phones to sound the same, or as near."""
