"""What the model writes, as the words that were spoken: figures in words, no marks of its own.

Every engine delivers spoken words, and one set of conventions writes them.  Of the ways to speak a
written piece the first one is taken that would be written so again: "1997" is "nineteen ninety
seven", "29,340" is not "two nine three four oh".
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence
from functools import lru_cache
from itertools import pairwise

from wordfreq import zipf_frequency

from nimble_lantern.core.lexicon.names import ABBREVIATIONS
from nimble_lantern.core.reading.hearing import LONGEST_WORD, HeardWord, well_formed
from nimble_lantern.core.writing.cardinals import SCALES
from nimble_lantern.core.writing.lexer import Manner
from nimble_lantern.core.writing.printed import MONEY, printed
from nimble_lantern.core.writing.spoken import bare, likeliest, one_by_one, spoken_forms
from nimble_lantern.core.writing.writer import Place, write
from nimble_lantern.engines.whisper.model import Written

_MARKS = {
    ",": ("comma",),
    ".": ("full", "stop"),
    "?": ("question", "mark"),
    "!": ("exclamation", "mark"),
    ":": ("colon",),
    ";": ("semicolon",),
    "…": ("ellipsis",),
}
_NAMES_OF: dict[str, tuple[tuple[str, ...], ...]] = {
    ",": (("comma",),),
    ".": (("full", "stop"), ("period",), ("point",), ("dot",)),
    "?": (("question", "mark"),),
    "!": (("exclamation", "mark"),),
    ":": (("colon",),),
    ";": (("semicolon",), ("semi", "colon")),
}
_CLOSING = "”\"'’)]}»"
_KEPT_INSIDE = re.compile(r"[£$€]?\d[\d,.:]*(?:st|nd|rd|th|%)?|[^\W_]+(?:['’.][^\W_]+)*|[&%@+=°]")
_LONGEST_INITIALS = 6
_RARE = 4.2
"""Zipf frequency under which a word that the model writes with a capital is taken for a name."""
_NEAR_SECONDS = 0.35
_VOICED = 0.25
"""Seconds that a spoken mark takes at least; a pause that is written as one takes no word."""


@lru_cache(maxsize=20_000)
def _written_again(words: tuple[str, ...]) -> str:
    return write(("we", *words), Place(""), Manner()).text.removeprefix("We ")


@lru_cache(maxsize=20_000)
def said(piece: str) -> tuple[str, ...]:
    """How a written piece was most likely spoken: lower case, no marks."""
    lower = piece.lower().replace("’", "'")
    letters = piece.isupper() and 1 < len(piece) < _LONGEST_INITIALS
    if likeliest(piece) == (lower,) and not letters:
        return (lower,)
    forms = list(printed(piece) or spoken_forms(lower))
    if letters and piece.isalpha():
        forms.append(tuple(lower))
    again = (form for form in forms if _written_again(form).replace("’", "'") == piece)
    return next(again, forms[0] if forms else (lower,))


def chunks(words: Iterable[Written]) -> list[Written]:
    """The model's pieces, put together to words: "7", ":", "30" are one, and so is "late", "."."""
    found: list[Written] = []
    for word in words:
        if found and not word.text.startswith(" "):
            last = found[-1]
            marks_only = not any(c.isalnum() for c in word.text)
            end = last.end if marks_only else word.end
            sure = last.probability if marks_only else min(last.probability, word.probability)
            found[-1] = Written(last.text + word.text, last.start, end, sure)
        else:
            found.append(word)
    return found


def spoken(
    words: Sequence[Written], marks: bool = False, beside: Sequence[HeardWord] = ()
) -> tuple[HeardWord, ...]:
    """Words of one reading as spoken ones, with their seconds and probabilities.

    With `marks` the model's own punctuation is kept as spoken marks, but for a stop at the end: it
    puts one wherever somebody pauses.  Without, a mark is kept only where another engine heard its
    name at that moment (`beside`): it was spoken, and the model wrote it down.
    """
    found: list[HeardWord] = []
    pieces = chunks(words)
    dialled = _telephone([bare(piece.text.strip()) for piece in pieces])
    owed: tuple[str, ...] = ()
    for n, word in enumerate(pieces):
        text = well_formed(word.text).strip()
        tail = re.search(r"[,.:;?!…]+$", text.rstrip(_CLOSING))
        core = bare(text)
        after = bare(pieces[n + 1].text.strip()) if n + 1 < len(pieces) else ""
        parts = one_by_one(core).split() if n in dialled else [*_parts(text, core, after), *owed]
        owed = (MONEY[core[0]],) if core[:1] in MONEY and after.lower() in SCALES else ()
        step = (word.end - word.start) / max(1, len(parts))
        for k, part in enumerate(parts):
            start = word.start + k * step
            sure = max(0.0, min(1.0, word.probability))
            found.append(HeardWord(part[:LONGEST_WORD], start, start + step, sure))
        if not tail:
            continue
        if tail[0] == "." and (core.lower() in ABBREVIATIONS or parts == ["number"]):
            continue
        last, mark = n + 1 == len(pieces), tail[0][-1]
        until = pieces[n + 1].start if not last else word.end + 1.0
        named = _was_said(mark, word.end, until, beside)
        follows = bare(pieces[n + 1].text.strip()).lower() if not last else ""
        if any(follows.startswith(name[0]) for name in _NAMES_OF.get(mark, ())):
            continue  # "the boat is late. Full stop": it is written and named
        so_far = tuple(w.text for w in found)
        if any(so_far[-len(name) :] == name for name in _NAMES_OF.get(mark, ())):
            continue  # "the boat is late full stop.": it is named, and written
        if named or (marks and not (last and mark in ".,…")):
            found += [HeardWord(w, word.end, word.end, 1.0) for w in _MARKS.get(mark, ())]
    return tuple(found)


def _parts(text: str, core: str, after: str) -> list[str]:
    """The spoken words of one piece that may be hyphenated, or an address, an amount, a range."""
    if text.lower() == "no." and after[:1].isdigit():
        return ["number"]
    below = "-" if re.match(r"[-−]\d", text) else ""
    if core[:1] in MONEY and after.lower() in SCALES:
        return list(said(core[1:]))
    if printed(below + core.lstrip("−")):
        return list(said(below + core.lstrip("−")))
    return [part for piece in _KEPT_INSIDE.findall(core) for part in said(piece)]


def _telephone(pieces: list[str]) -> frozenset[int]:
    """Which pieces are groups of figures of a telephone number: "014 325 566 789"."""
    found: set[int] = set()
    i = 0
    while i < len(pieces):
        j = i
        while j < len(pieces) and pieces[j].isdecimal():
            j += 1
        group = "".join(pieces[i:j])
        if j > i + 1 and group[0] == "0" and len(group) >= _SHORTEST_TELEPHONE:
            found.update(range(i, j))
        i = max(j, i + 1)
    return frozenset(found)


_SHORTEST_TELEPHONE = 7


def _was_said(mark: str, start: float, end: float, beside: Sequence[HeardWord]) -> bool:
    """Whether another engine heard the whole name of a mark between two words."""
    words = [w.text for w in beside]
    for name in _NAMES_OF.get(mark, ()):
        for i in range(len(words) - len(name) + 1):
            if tuple(words[i : i + len(name)]) != name:
                continue
            first, last = beside[i], beside[i + len(name) - 1]
            middle = (first.start + last.end) / 2
            near = start - _NEAR_SECONDS <= middle <= end + _NEAR_SECONDS
            if near and last.end - first.start >= _VOICED:
                return True
    return False


def names(words: Sequence[Written]) -> tuple[str, ...]:
    """What is to be written as the model has it: rare words inside a sentence with a capital, and
    compounds with a hyphen."""
    pieces = [w.text.strip().rstrip(_CLOSING) for w in chunks(words)]
    inside = [
        (bare(b), not a.endswith((".", "?", "!", ":")) and bare(b)[:1].isupper())
        for a, b in pairwise(pieces)
    ]
    found: dict[str, None] = {}
    for k, (word, capital) in enumerate(inside):
        stem = word.removesuffix("’s").removesuffix("'s")
        if not capital or not stem.isalpha() or stem.isupper() or len(stem) < 2:
            continue
        near = [inside[j] for j in (k - 1, k + 1) if 0 <= j < len(inside)]
        rare = zipf_frequency(stem.lower(), "en") < _RARE
        if rare or any(c and w and zipf_frequency(w.lower(), "en") < _RARE for w, c in near):
            found[stem] = None
    return (*found, *_compounds([bare(piece) for piece in pieces]))


def _compounds(pieces: list[str]) -> tuple[str, ...]:
    """The words that the model writes with a hyphen inside, as they are to be written."""
    found: dict[str, None] = {}
    for piece in pieces:
        parts = piece.split("-")
        letters = sum(len(p) == 1 for p in parts)
        if 1 < len(parts) <= _MOST_PARTS and all(p.isalpha() for p in parts) and letters < 2:
            found[piece.lower()] = None
    return tuple(found)


_MOST_PARTS = 4
