"""What a mark that closes words asks of the next one: a capital behind a full stop, none behind a
comma."""

from __future__ import annotations

import re

from nimble_lantern.core.composing.placing import keeps_capital
from nimble_lantern.core.document.edits import Edit, Splice
from nimble_lantern.core.document.model import Document, Piece, Position, Range
from nimble_lantern.core.lexicon.names import ABBREVIATIONS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.writing.writer import Written

ENDING, GOING_ON = ".?!", ",;:"
CLOSING = ENDING + GOING_ON
_NEXT = re.compile(r"[”’\"')]*\s+[“‘\"'(]?(\w[\w’'-]*)")
_LAST = re.compile(r"[\w.]+$")


def mark_behind(sitting: Sitting, end: Position) -> Range:
    """The closing mark right before a position or right behind it; empty if there is none."""
    text = sitting.document.blocks[end.block].text
    for start in (end.offset - 1, end.offset):
        if start >= 0 and _closes(text, start):
            return Range(Position(end.block, start), Position(end.block, start + 1))
    return Range(end, end)


def _closes(text: str, at: int) -> bool:
    """Whether a mark closes words there, and stands in no number or name: "10:30", "rota.pdf"."""
    return text[at : at + 1] in tuple(CLOSING) and not text[at + 1 : at + 2].isalnum()


def written_over(document: Document, at: Position, written: Written) -> Edit:
    """The closing mark that stands behind a place goes where words end in one: "again and again
    full stop", said before a full stop."""
    last = next((part for part in reversed(written.parts) if isinstance(part, str)), "")
    if not _closes(document.blocks[at.block].text, at.offset) or last[-1:] not in tuple(CLOSING):
        return Edit()
    return Edit((Splice(at.block, at.offset, at.offset + 1, Piece()),))


def begins_behind(before: Sitting, sitting: Sitting, end: Position) -> Sitting:
    """The word behind a full stop that was just written, with the capital of a beginning."""
    mark = Range(Position(end.block, max(0, end.offset - 1)), end)
    ended = sitting.document.text(mark) in tuple(ENDING)
    return goes_on_behind(before, sitting, mark) if ended else sitting


def goes_on_behind(before: Sitting, sitting: Sitting, mark: Range, old: str = "") -> Sitting:
    """The next word with the capital that a mark asks for.

    `old` stood there `before`, when a capital behind it told of no name.
    """
    b, end = mark.end
    text = sitting.document.blocks[b].text
    new, found = text[mark.start.offset : end], _NEXT.match(text, end)
    last = _LAST.search(text[: mark.start.offset])
    word = last[0].lower() if last else ""
    if found is None or len(word) == 1 or "." in word or word in ABBREVIATIONS:
        return sitting
    letter, start = found[1][0], found.start(1)
    if new in ENDING and letter.islower() and (not old or old not in ENDING):
        # Of one that ended it before, the small letter was meant: “Who is there?” she called.
        piece = letter.upper()
    elif old in tuple(ENDING) and new in GOING_ON and not keeps_capital(before, found[1]):
        piece = letter.lower()
    else:
        return sitting
    marks = ((s.mark, s.value) for s in sitting.document.blocks[b].marks_at(start))
    step = Splice(b, start, start + 1, Piece(piece).marked(marks))
    return sitting.edited(Edit((step,)))
