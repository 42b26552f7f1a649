"""What is said for what is written: numbers, dates and names as they are spoken."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from typing import NamedTuple

from nimble_lantern.core.document.model import Block, Document, Kind, Position, Range
from nimble_lantern.core.lexicon.names import MONTHS
from nimble_lantern.core.mending.word_book import WordBook
from nimble_lantern.core.writing.cardinals import in_words, year_in_words
from nimble_lantern.core.writing.spoken import (
    bare,
    decimal_forms,
    likeliest,
    one_by_one,
    ordinal_forms,
)

_TOKEN = re.compile(r"\S+")
_STOPS = ",.;:!?…"
MARKS = {
    ",": "comma", ".": "full stop", ";": "semicolon", ":": "colon", "!": "exclamation mark",
    "?": "question mark", "(": "open bracket", ")": "close bracket", "“": "open quotes",
    "”": "close quotes", "‘": "open quote", "’": "close quote", "…": "dots", "–": "dash",
    "—": "dash",
}  # fmt: skip


class Said(NamedTuple):
    """A word as it is spoken, and where what it stands for is in its block."""

    words: str
    start: int
    end: int


def said_words(
    block: Block, start: int, end: int, book: WordBook | None = None, marks: bool = False
) -> list[Said]:
    """The words of a stretch of a block as they are spoken, each with its place.

    Stops stay behind their words, as a voice pauses there; with `marks` they are named as well.
    """
    found: list[Said] = []
    tokens = [(m[0], m.start() + start) for m in _TOKEN.finditer(block.text[start:end])]
    i = 0
    while i < len(tokens):
        token, at = tokens[i]
        size, own = _from_book(tokens, i, book)
        if own is not None:
            last, place = tokens[i + size - 1]
            tail = "".join(c for c in last[-1:] if c in _STOPS)
            found.append(Said(own + tail, at, place + len(last)))
            i += size
            continue
        before = tokens[i - 1][0] if i else ""
        after = tokens[i + 1][0] if i + 1 < len(tokens) else ""
        found.append(Said(_said(token, marks, before, after), at, at + len(token)))
        i += 1
    return [s for s in found if s.words]


def _from_book(
    tokens: Sequence[tuple[str, int]], i: int, book: WordBook | None
) -> tuple[int, str | None]:
    """How many tokens are an entry of the word book, and how that is spoken."""
    if book is None:
        return 0, None
    for entry in book.entries:
        if entry.forbidden or not entry.spoken:
            continue
        parts = entry.written.split()
        held = [t.strip(_STOPS + "“”‘’()") for t, _ in tokens[i : i + len(parts)]]
        if held == parts:
            return len(parts), " ".join(entry.spoken[0])
    return 0, None


def _said(token: str, marks: bool, left: str = "", right: str = "") -> str:
    """A token as it is spoken between its neighbours, with the stop behind it."""
    if not marks and token.isalpha():
        return token
    core = token.strip(_STOPS + "“”‘’\"'()[]–—…")
    stop = next((c for c in token[::-1] if c in _STOPS), "") if token[-1:] not in core[-1:] else ""
    spoken = _figure(core, left, right) or " ".join(_form(core)) if core else ""
    if not marks:
        return f"{spoken}{stop}" if spoken else ""
    head, _, tail = token.partition(core) if core else ("", "", token)
    before = [MARKS[c] for c in head if c in MARKS]
    behind = [MARKS[c] for c in tail if c in MARKS]
    return " ".join((*before, *((spoken,) if spoken else ()), *behind))


_NTH = re.compile(r"(?<=\d)(?:st|nd|rd|th)$")
_YEAR = re.compile(r"(?:1[1-9]|20)\d\d$")
_PENCE = re.compile(r"(\d{1,2})p$")
_DOTTED = re.compile(r"\d{1,3}\.\d+$")
_AT = frozenset("at from until till by before after about".split())
_HALVES = ("am", "pm", "a.", "p.")
"""Beside a time of the day: "7.30" is one there, and a number elsewhere."""
_CODE = re.compile(r"0\d{2,}$|\d{7,}$")
_CODED = frozenset("code number pin extension ext ring call room reference ref".split())
"""Before digits that are said one by one, as the groups of a telephone number are."""


def _figure(core: str, left: str, right: str) -> str:
    """A day of a month, a year, pence, or digits one by one; nothing for other words."""
    if not core[:1].isdecimal():
        return ""
    if day := ordinal_forms(_NTH.sub("", core)):
        the_of, of, _, the = (" ".join(form) for form in day)
        if _a_month(right):
            return of if left.lower() == "the" else the_of
        if _a_month(left) and left[-1:].isalpha():
            return the
    if _YEAR.match(core):
        return year_in_words(int(core))
    if _DOTTED.match(core) and left.lower() not in _AT and right[:2] not in _HALVES:
        return " ".join(decimal_forms(core)[0])
    if pence := _PENCE.match(core):
        return f"{in_words(int(pence[1]))} {'penny' if pence[1] == '1' else 'pence'}"
    grouped = len(core) > 3 and (left.isdecimal() or left.lower() in _CODED)
    if _CODE.match(core) or grouped and core.isdecimal():
        return one_by_one(core)
    return ""


_FIGURES = frozenset("0123456789£$€%&@")


def _a_month(token: str) -> bool:
    return token.strip(_STOPS).lower() in MONTHS and token[:1].isupper()


def _form(word: str) -> tuple[str, ...]:
    if _FIGURES.isdisjoint(word):
        return (word,)
    return (likeliest(bare(word)) if bare(word) else ()) or (word,)


def opening(document: Document, b: int) -> str:
    """What tells the ear what kind of block begins: a heading, an item with its number."""
    block = document.blocks[b]
    if block.kind == Kind.HEADING:
        return "heading:"
    if block.kind == Kind.ITEM:
        if block.list != "numbered":
            return "item:"
        number = 1
        for other in reversed(document.blocks[:b]):
            if other.kind != Kind.ITEM or (other.level or 1) < (block.level or 1):
                break
            number += (other.level or 1) == (block.level or 1)
        return f"{in_words(number)}:"
    return ""


def stretches(document: Document, r: Range) -> Iterator[Range]:
    """The sentences of a range, one after another; blocks without stops are one each."""
    for b in range(r.start.block, r.end.block + 1):
        block = document.blocks[b]
        low = r.start.offset if b == r.start.block else 0
        high = r.end.offset if b == r.end.block else len(block.text)
        for start, end in block.sentences:
            s, e = max(start, low), min(end, high)
            if s < e and block.text[s:e].strip():
                yield Range(Position(b, s), Position(b, e))


def sentence_said(
    document: Document, r: Range, book: WordBook | None = None, marks: bool = False
) -> str:
    """A sentence as it is read aloud."""
    block = document.blocks[r.start.block]
    words = said_words(block, r.start.offset, r.end.offset, book, marks)
    lead = opening(document, r.start.block) if r.start.offset == 0 else ""
    return " ".join((*((lead,) if lead else ()), *(w.words for w in words)))


def word_range(
    document: Document, r: Range, index: int, book: WordBook | None = None, marks: bool = False
) -> Range | None:
    """Where the word stands that is the `index`-th of those spoken for a sentence."""
    block = document.blocks[r.start.block]
    lead = opening(document, r.start.block) if r.start.offset == 0 else ""
    at = index - len(lead.split())
    for said in said_words(block, r.start.offset, r.end.offset, book, marks):
        size = len(said.words.split())
        if at < size:
            return Range(Position(r.start.block, said.start), Position(r.start.block, said.end))
        at -= size
    return None


def spelled(word: str) -> str:
    """A word letter by letter, for the ear."""
    return ", ".join("capital " + c if c.isupper() else c for c in word)


__all__ = ["Said", "said_words", "sentence_said", "spelled", "stretches", "word_range"]
