"""Passages: stored text with its looks, with blanks to fill and picks to choose from.

In the text of a passage stand
    [day]                    a blank called day
    [tone: kind / short]     a pick called tone, of two
    [thanks? With thanks.]   a part called thanks that appears only if it is wanted
    [today's date] [time now] [document name] [next number]    filled as the passage is called
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from datetime import datetime

from nimble_lantern.core.document.edits import Edit, Splice, in_turn, pin
from nimble_lantern.core.document.model import (
    Anchor,
    Block,
    Document,
    Format,
    Piece,
    Position,
    Range,
)

BLANK = "blank"
"""The kind of anchor that stands on each blank of a document."""
MOST_PASSAGES = 500
_BLANK = re.compile(r"\[([^\[\]\n:?/]{1,40}?)(?:: *([^\[\]\n]{1,400})|\? *([^\[\]\n]{1,400}))?\]")
_FILLED = ("today's date", "time now", "document name", "next number")


@dataclass(frozen=True, slots=True)
class Passage:
    """Stored text: its blocks, each with its format; a lone paragraph is put in within a line."""

    name: str
    pieces: tuple[tuple[Piece, Format], ...]

    @property
    def text(self) -> str:
        return " ".join(piece.text for piece, _ in self.pieces)

    @property
    def inline(self) -> bool:
        return len(self.pieces) == 1 and self.pieces[0][1].kind == "paragraph"


@dataclass(frozen=True, slots=True)
class Blank:
    """A blank in a text: text[start:end], its name, what it may be filled with.

    Of a part that may be wanted, `part` is its text.
    """

    start: int
    end: int
    name: str
    options: tuple[str, ...] = ()
    part: str | None = None


def blanks_in(text: str) -> Iterator[Blank]:
    """The blanks of a text in their order."""
    for found in _BLANK.finditer(text):
        name, options, part = found[1].strip(), found[2], found[3]
        if not name or not any(c.isalpha() for c in name):
            continue
        choices = tuple(o.strip() for o in options.split("/") if o.strip()) if options else ()
        if options and len(choices) < 2:
            continue
        yield Blank(found.start(), found.end(), name, choices, part)


def choices_of(words: Sequence[str]) -> list[str]:
    """Choices with "or" between them, or a last "and"; without, each word is one."""
    if "or" not in words:
        if "and" not in words:
            return list(words)
        last = len(words) - 1 - words[::-1].index("and")
        return choices_of((*words[:last], "or", *words[last + 1 :]))
    found: list[str] = []
    current: list[str] = []
    for word in (*words, "or"):
        if word in ("or", "comma"):
            if current:
                found.append(" ".join(current))
            current = []
        else:
            current.append(word)
    if len(found) == 2 and len(found[0].split()) > 1 and len(found[1].split()) == 1:
        # "Monday tuesday or friday": the words before "or" are one each.
        return [*found[0].split(), found[1]]
    return found


def named(passages: Iterable[Passage], name: str) -> Passage:
    """The passage of a name; there is one."""
    return next(p for p in passages if p.name == name)


def with_passage(passages: Sequence[Passage], new: Passage) -> tuple[Passage, ...]:
    """With one more, which takes the place of one with the same name; the newest are kept."""
    others = [p for p in passages if p.name.casefold() != new.name.casefold()]
    return (*others, new)[-MOST_PASSAGES:]


def of_document(name: str, document: Document, r: Range | None = None) -> Passage:
    """A passage from a range of a document, or from all of it; empty blocks at its ends go."""
    pieces = list(document.pieces(r or document.whole))
    while len(pieces) > 1 and not pieces[-1][0].text.strip():
        pieces.pop()
    while len(pieces) > 1 and not pieces[0][0].text.strip():
        pieces.pop(0)
    if r is not None and r.start.block == r.end.block:
        piece, form = pieces[0]
        whole = piece.text == document.blocks[r.start.block].text
        pieces = [(piece, form if whole else Format())]
    return Passage(name, tuple(pieces))


def filled(
    passage: Passage, title: str, now: datetime | None, numbers: Iterable[int]
) -> tuple[tuple[Piece, Format], ...]:
    """The pieces with what fills itself filled in; `numbers` are those that were given so far."""
    found = []
    for piece, form in passage.pieces:
        block = Block(piece.text, piece.spans)
        for blank in reversed(list(blanks_in(piece.text))):
            value = _value(blank.name.casefold(), title, now, numbers)
            if value is not None and not blank.options and blank.part is None:
                block = block.spliced(blank.start, blank.end, Piece(value))
        found.append((Piece(block.text, block.spans), form))
    return tuple(found)


def date_text(now: datetime, dialect: str) -> str:
    """A date as a letter has it: 14 March 2026, or March 14, 2026."""
    month = now.strftime("%B")
    american = dialect == "american"
    return f"{month} {now.day}, {now.year}" if american else f"{now.day} {month} {now.year}"


def time_text(now: datetime, dialect: str) -> str:
    """A time of day: 10.30 am in British writing, 10:30 am in American."""
    hour, half = now.hour % 12 or 12, "am" if now.hour < 12 else "pm"
    mark = ":" if dialect == "american" else "."
    return f"{hour}{mark}{now.minute:02d} {half}"


def moment_text(moment: str, title: str, now: datetime | None, dialect: str) -> str | None:
    """Today's "date", the "time", or the document's "title"; None where no time is known."""
    if moment == "title":
        return title
    made = date_text if moment == "date" else time_text
    return made(now, dialect) if now else None


def _value(
    name: str, title: str, now: datetime | None, numbers: Iterable[int], dialect: str = "british"
) -> str | None:
    if name == _FILLED[0] and now is not None:
        return date_text(now, dialect)
    if name == _FILLED[1] and now is not None:
        return time_text(now, dialect)
    if name == _FILLED[2]:
        return title
    if name == _FILLED[3]:
        return str(max(numbers, default=0) + 1)
    return None


def pinned(
    document: Document, first: int, last: int, start: int = 0, end: int | None = None
) -> Edit:
    """An anchor on every blank in some blocks, from `start` in the first to `end` in the last."""
    known = {r for _, r in document.anchored(BLANK)}

    def pins() -> Iterator[tuple[Range, Blank]]:
        for b in range(first, last + 1):
            for blank in blanks_in(document.blocks[b].text):
                inside = (b > first or blank.start >= start) and (
                    b < last or end is None or blank.end <= end
                )
                r = Range(Position(b, blank.start), Position(b, blank.end))
                if inside and r not in known:
                    yield r, blank

    makes = [
        lambda d, r=r, blank=blank: pin(
            d, BLANK, r, name=blank.name, options=list(blank.options), part=blank.part,
            text=document.text(r),
        )
        for r, blank in pins()
    ]  # fmt: skip
    return in_turn(document, makes)


def open_blanks(document: Document) -> list[tuple[Anchor, Range]]:
    """The blanks that are not filled yet, in the order of the text."""
    if not any(a.kind == BLANK for a in document.anchors.values()):
        return []
    found = [(a, r) for a, r in document.anchored(BLANK) if document.text(r) == a.data.get("text")]
    return sorted(found, key=lambda pair: pair[1])


def left_out(document: Document, r: Range) -> Range:
    """A blank's range with the space that would be left over without it."""
    (b, start), (_, end) = r
    text = document.blocks[b].text
    before, after = text[:start], text[end:]
    if before.endswith(" ") and (not after or after[0] in " .,;:!?)\n"):
        return Range(Position(b, start - 1), r.end)
    if after.startswith(" ") and (not before or before.endswith(("\n", "(", " "))):
        return Range(r.start, Position(b, end + 1))
    return r


def put_in(document: Document, r: Range, text: str) -> Edit:
    """Text in a blank's place, with the looks of the blank."""
    (b, start), (_, end) = r
    block = document.blocks[b]
    marks = ((s.mark, s.value) for s in block.spans if s.start <= start and s.end >= end)
    return Edit((Splice(b, start, end, Piece(text).marked(marks)),))
