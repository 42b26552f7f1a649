"""Writing the last number or mark in another form, and taking a wrong mark away."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.document.edits import Edit, Splice
from nimble_lantern.core.document.model import Piece, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.state import Done, Sitting, WrittenChoice
from nimble_lantern.core.writing.capitals import capitalised, starts_sentence

_NAMES = {"digits": "digits", "words": "words", "sign": "a sign"}


def rewrite_last(sitting: Sitting, form: str, numbers: bool = False) -> Done | Refusal:
    """The last written number or mark in digits, in words or as a sign; no mark, with `numbers`."""
    for index in range(len(sitting.choices) - 1, -1, -1):
        written = sitting.choices[index]
        text = getattr(written.choice, form)
        if text is None:
            continue
        r = written.range
        block = sitting.document.blocks[r.start.block]
        old = block.text[r.start.offset : r.end.offset]
        if numbers and not any(map(str.isalnum, old)):
            continue
        if form == "words" and starts_sentence(block.text[: r.start.offset]):
            text = capitalised(text)
        if old == text:
            continue
        return _rewritten(sitting, index, r, text)
    return Refusal(
        f"Nothing just written can be put in {_NAMES[form]}.", "", "Say it right after the number."
    )


def _rewritten(sitting: Sitting, index: int, r: Range, text: str) -> Done:
    block = sitting.document.blocks[r.start.block]
    start, end = r.start.offset, r.end.offset
    old = block.text[start:end]
    lead = ""
    # A mark's name needs the space that the mark did without, and the other way round.
    if text.isalpha() or " " in text:
        if start and block.text[start - 1].isalnum() and not old[:1].isalnum():
            lead = " "
    elif not text[:1].isalnum() and old[:1].isalpha() and block.text[:start].endswith(" "):
        start -= 1 if text in ".,;:?!%…" else 0
    marks = {(s.mark, s.value) for s in block.marks_at(r.start.offset)}
    edit = Edit((Splice(r.start.block, start, end, Piece(lead + text).marked(marks)),))
    choices = sitting.choices
    after = sitting.edited(edit)
    begin = start + len(lead)
    found = Range(Position(r.start.block, begin), Position(r.start.block, begin + len(text)))
    # The rewritten one stays changeable: its old range went with the old text.
    kept = tuple(
        WrittenChoice(found, c.choice) if i == index else moved
        for i, c in enumerate(choices)
        if (moved := _moved(edit, c)) or i == index
    )
    after = replace(after.about([found]), choices=tuple(c for c in kept if c))
    return Done(after, f"“{old}” is “{text}” now")


def _moved(edit: Edit, choice: WrittenChoice) -> WrittenChoice | None:
    moved = edit.moved_range(choice.range)
    return WrittenChoice(moved, choice.choice) if moved else None


def drop_last_mark(sitting: Sitting) -> Done | Refusal:
    """Take away the mark right before the writing place."""
    block, offset = sitting.caret
    text = sitting.document.blocks[block].text[:offset]
    bare = text.rstrip(" ")
    if not bare or bare[-1] not in ".,;:?!…":
        return Refusal("There is no mark right before the writing place.")
    edit = Edit((Splice(block, len(bare) - 1, len(bare), Piece()),))
    return Done(sitting.edited(edit).about(()), f"took away “{bare[-1]}”")
