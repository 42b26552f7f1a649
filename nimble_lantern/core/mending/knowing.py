"""What is known of the speaker's words, where words are written: lessons and forbidden words."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import replace
from difflib import SequenceMatcher

from nimble_lantern.core.document.model import Document, Position, Range
from nimble_lantern.core.mending.lessons import LONGEST, Lesson, alike, found, taught
from nimble_lantern.core.mending.names_here import names_heard
from nimble_lantern.core.origins import utterance_at
from nimble_lantern.core.reading.hearing import Hearing
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.words import places
from nimble_lantern.core.writing.spoken import bare, likeliest, plain

_NEAR = 60
"""Characters on either side of a place in which its neighbours are looked for."""
_ROUND_HERE = 20
"""Blocks before and behind the writing place whose names may have been said."""
_TOKEN = re.compile(r"\S+")


def spoken_words(text: str) -> tuple[str, ...]:
    """The likeliest way to say what stands written."""
    return tuple(p for token in text.split() if (w := bare(token)) for p in likeliest(w))


def as_meant(sitting: Sitting, words: Sequence[str]) -> tuple[tuple[str, ...], tuple[Lesson, ...]]:
    """Dictated words with what was corrected before put right, and the lessons that did it.

    Names round the writing place teach by themselves, but for what is said over a selection.
    """
    made: list[str] = []
    used: list[Lesson] = []
    at, here = 0, sitting.writing_place
    before = _word_before(sitting.document, here)
    near = sitting.document.blocks[max(0, here.block - _ROUND_HERE) : here.block + _ROUND_HERE]
    names = () if sitting.selection else tuple(names_heard(near, words))
    for i, lesson, left, right in found((*names, *sitting.lessons), words, before):
        if left == "literal":
            continue
        stands, known = (bool(places(sitting.document, w)) for w in (lesson.heard, lesson.meant))
        if lesson.trusted(left, right, stands, known) or lesson in names and not stands:
            made += [*words[at:i], *lesson.meant]
            at = i + len(lesson.heard)
            used.append(lesson)
    return (*made, *words[at:]), tuple(used)


def taught_by(sitting: Sitting, r: Range, meant: Sequence[str], sure: bool = False) -> Sitting:
    """What it teaches that `meant` takes the place of a range; nothing if that is no correction.

    It is one if the words there were dictated and sound like the new ones; `sure` where somebody
    says that they were misheard.
    """
    document = sitting.document
    if r.start.block != r.end.block or utterance_at(document, r.start) is None:
        return sitting
    heard, new = spoken_words(document.text(r)), tuple(meant)
    heard, new, left, right = _differing(heard, new)
    if not heard or not new or max(len(heard), len(new)) > LONGEST:
        return sitting
    if not alike(heard, new, sure):
        return sitting
    before, after = beside(document, r)
    before, after = left[-1] if left else before, right[0] if right else after
    named = is_name(sitting, new)
    lessons = taught(sitting.lessons, heard, new, (before, after), named, sitting.number)
    return replace(sitting, lessons=lessons)


Said = tuple[str, ...]


def _differing(heard: Said, meant: Said) -> tuple[Said, Said, Said, Said]:
    """What differs in two wordings, and the words on either side that do not."""
    start = 0
    while start < min(len(heard), len(meant)) and plain(heard[start]) == plain(meant[start]):
        start += 1
    end = 0
    most = min(len(heard), len(meant)) - start
    while end < most and plain(heard[-1 - end]) == plain(meant[-1 - end]):
        end += 1
    stop, finish = len(heard) - end, len(meant) - end
    return heard[start:stop], meant[start:finish], heard[:start], heard[stop:]


def is_name(sitting: Sitting, words: Sequence[str]) -> bool:
    """Whether words are a name of the word book or the document, or part of one."""
    names = (sitting.word_book, sitting.names.follow(sitting.document.blocks))
    return any(
        match[1][:1].isupper()
        for known in names
        for i in range(len(words))
        if (match := known.match(words, i))
    )


def allowed(sitting: Sitting, hearing: Hearing, words: Sequence[str]) -> tuple[str, ...]:
    """The words with each forbidden one as another hypothesis has it, where one has."""
    book = sitting.word_book
    best = hearing.hypotheses[0].said if hearing.hypotheses else ()
    made = tuple(words)
    if not book.forbids_any or best != made:
        return made
    for other in hearing.hypotheses[1:]:
        if not _forbidden_in(sitting, made):
            break
        said = other.said
        for start, end in reversed(list(_forbidden_in(sitting, made))):
            instead = in_place_of(made, said, start, end)
            if instead and not book.forbids(instead):
                made = (*made[:start], *instead, *made[end:])
    return made


def _forbidden_in(sitting: Sitting, words: Sequence[str]) -> list[tuple[int, int]]:
    book = sitting.word_book
    spans = ((i, i + size) for i in range(len(words)) for size in range(1, LONGEST + 1))
    return [(i, j) for i, j in spans if j <= len(words) and book.forbids(words[i:j])]


def in_place_of(best: Sequence[str], other: Sequence[str], start: int, end: int) -> tuple[str, ...]:
    """The words of another hypothesis that stand where [start:end] of the best one stands."""
    first: int | None = None
    last = 0
    for _, a, b, i, j in SequenceMatcher(None, best, other, autojunk=False).get_opcodes():
        if b <= start and not a == b == start or a >= end and not a == b == end:
            continue
        same = b - a == j - i
        begin = i + max(0, start - a) if same else i
        finish = j - max(0, b - end) if same else j
        first = begin if first is None else first
        last = finish
    return tuple(other[first:last]) if first is not None else ()


def own_words(sitting: Sitting) -> Iterator[str]:
    """The words of the word book and of the document, as they are written."""
    yield from sitting.word_book.written
    yield from sitting.written.follow(sitting.document.blocks).forms


def same(some: Sequence[str], others: Sequence[str]) -> bool:
    """Whether two wordings are the same but for spelling."""
    return [plain(w) for w in some] == [plain(w) for w in others]


def beside(document: Document, r: Range) -> tuple[str, str]:
    """The words before and after a range, as they are spoken."""
    return _word_before(document, r.start), _word_after(document, r.end)


def _word_before(document: Document, p: Position) -> str:
    text = document.blocks[p.block].text[max(0, p.offset - _NEAR) : p.offset]
    tokens = _TOKEN.findall(text)
    return _neighbour(tokens[-1]) if tokens else ""


def _word_after(document: Document, p: Position) -> str:
    text = document.blocks[p.block].text[p.offset : p.offset + _NEAR]
    tokens = [t for t in _TOKEN.findall(text) if bare(t)]
    return _neighbour(tokens[0]) if tokens else ""


def _neighbour(token: str) -> str:
    said = spoken_words(token)
    return said[-1] if said else ""
