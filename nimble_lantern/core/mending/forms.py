"""The same words written in another way: 8 or eight, & or and, capitals, dialects, hyphens."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass

from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.lexicon.frequency import zipf
from nimble_lantern.core.writing.capitals import capitalised
from nimble_lantern.core.writing.cardinals import cardinal, in_words, ordinal_in_words
from nimble_lantern.core.writing.marks import MARKS
from nimble_lantern.core.writing.spelling import TO_AMERICAN, TO_BRITISH

_KNOWN = 2.0
"""On wordfreq's Zipf scale: two words are written as one only where that is a word."""
_SIGNS = {"&": "and", "%": "per cent", "@": "at", "+": "plus", "=": "equals", "£": "pounds"}


@dataclass(frozen=True, slots=True)
class Form:
    """Another way to write something, and the words to say for it: `exactly` those, or by rule."""

    written: str
    words: tuple[str, ...]
    exactly: bool = True


def figures_and_signs(text: str, dialect: str = "british") -> tuple[Form, ...]:
    """A number in figures or words, a mark as its sign or its name."""
    return _others(text, (*_signs(text, dialect), *_exactly(_figures(text, dialect))))


def spellings(text: str, opens: bool = False) -> tuple[Form, ...]:
    """Words in the other dialect, joined, hyphened or apart, with a capital or without.

    What `opens` a sentence has its capital from there.
    """
    cases = () if opens else _cases(text)
    return _others(text, _exactly((*_spelled(text), *_hyphens(text), *cases)))


def _exactly(written: Iterable[str]) -> Iterator[Form]:
    return (Form(text, (text,)) for text in written)


def _others(text: str, found: Iterable[Form]) -> tuple[Form, ...]:
    return tuple({form.written: form for form in found if form.written != text}.values())


def _figures(text: str, dialect: str) -> Iterator[str]:
    bare = text.replace(",", "")
    if bare.isdecimal() and len(bare) < 10:
        yield in_words(int(bare), dialect)
    elif bare[:-2].isdecimal() and bare[-2:] in ("st", "nd", "rd", "th"):
        yield ordinal_in_words(int(bare[:-2]), dialect)
    words = text.lower().replace("-", " ").split()
    value = cardinal(words, 0) if words else None
    if value and value[1] == len(words) and not bare.isdecimal():
        yield f"{value[0]:,}" if value[0] >= 10_000 else str(value[0])


def _signs(text: str, dialect: str) -> Iterator[Form]:
    said = tuple(text.lower().split())
    mark = MARKS.get(said)
    if mark is not None:
        yield Form(mark.written(dialect)[0], said, exactly=False)
    for name, other in MARKS.items():
        if other.written(dialect)[0] == text:
            yield Form(" ".join(name), ("literal", *name), exactly=False)
            break
    if text in _SIGNS:
        yield Form(_SIGNS[text], (_SIGNS[text],))
    yield from (Form(sign, (sign,)) for sign, name in _SIGNS.items() if name == text.lower())


def _spelled(text: str) -> Iterator[str]:
    lower = text.lower()
    for table in (TO_AMERICAN, TO_BRITISH):
        other = table.get(lower)
        if other:
            yield capitalised(other) if text[:1].isupper() else other


def _hyphens(text: str) -> Iterator[str]:
    parts = text.replace("-", " ").split()
    if len(parts) != 2 or not all(p.isalpha() and p.lower() not in LITTLE for p in parts):
        return
    joined = parts[0] + parts[1].lower()
    yield from ("-".join(parts), " ".join(parts))
    if zipf(joined.lower()) > _KNOWN:
        yield joined


def _cases(text: str) -> Iterator[str]:
    if not text[:1].isalpha():
        return
    yield text[0].lower() + text[1:] if text[0].isupper() else capitalised(text)
    if text.isupper() and len(text) > 1:
        yield text.lower()
