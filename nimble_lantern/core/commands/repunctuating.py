"""Another mark in the place of the one that was just written: "make that a full stop"."""

from __future__ import annotations

from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.replacing import bare_mark
from nimble_lantern.core.document.edits import Edit, Splice
from nimble_lantern.core.document.model import Piece, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command, each
from nimble_lantern.core.rewriting import drop_last_mark
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.writing.lexer import mark_named

_SWAPPED = ".,;:!?…"
"""Marks that close what stands before them, each of which may stand for another."""


def _sign(sitting: Sitting, words: tuple[str, ...]) -> str:
    """The sign of a mark by its name; nothing for other words, or for a mark of another kind."""
    mark = mark_named(bare_mark(words))
    sign = mark.written(sitting.settings.dialect)[0] if mark else ""
    return sign if sign and sign in _SWAPPED else ""


def _last_mark(sitting: Sitting) -> Range | None:
    """The mark right before the writing place, else at the end of what was just done."""
    places = (sitting.writing_place, *(r.end for r in sitting.that[:1]))
    for b, offset in places:
        left = sitting.document.blocks[b].text[:offset].rstrip()
        if left[-1:] and left[-1] in _SWAPPED:
            return Range(Position(b, len(left) - 1), Position(b, len(left)))
    return None


def _there(sitting: Sitting) -> str:
    last = _last_mark(sitting)
    return sitting.document.text(last) if last else ""


def _another(sitting: Sitting, parse: Parse) -> bool:
    """Whether both are marks: "full stop not comma" is no text, whatever stands there."""
    new, old = (_sign(sitting, tuple(parse.args.get(slot, ()))) for slot in ("text", "old"))
    return bool(new and old) if "old" in parse.args else bool(new) and new != _there(sitting)


def _mark_there(sitting: Sitting, parse: Parse) -> bool:
    sign = _sign(sitting, tuple(parse.args.get("old", ())))
    return bool(sign) and sign == _there(sitting)


@command(
    *each(
        _another,
        "[(no | sorry)] (make (it | that) | i (meant | said | wanted) | (it | that) should be"
        " | (it | that) should have been) [(a | an)] {text:words}",
        "[(no | sorry)] [(i (meant | said | wanted) | (it | that) should be)] [(a | an)]"
        " {text:words} [and] not [(a | an)] {old:words}",
        "[(no | sorry)] not [(a | an)] {old:words} [but] [(a | an)] {text:words}",
    ),
    heard=0,
    example="full stop not comma",
    group="repair",
)
def other_mark(
    sitting: Sitting, text: tuple[str, ...], old: tuple[str, ...] = ()
) -> Done | Refusal:
    """Put another mark in the place of the one that was just written."""
    last = _last_mark(sitting)
    there = sitting.document.text(last) if last else ""
    if last is None or old and _sign(sitting, old) != there:
        what = " ".join(bare_mark(old)) if old else "mark"
        return Refusal(f"There is no {what} right before the writing place.")
    b, offset = last.start
    marks = {(s.mark, s.value) for s in sitting.document.blocks[b].marks_at(offset)}
    new = _sign(sitting, text)
    after = sitting.edited(Edit((Splice(b, offset, offset + 1, Piece(new).marked(marks)),)))
    return Done(after, f"{quoted(there)} is {quoted(new)} now")


@command(
    Way("no [(a | an)] {old:words}", when=_mark_there),
    Way("without (the | a | an) {old:words}", when=_mark_there),
    heard=0,
    example="no exclamation mark",
    group="repair",
)
def no_mark(sitting: Sitting, old: tuple[str, ...]) -> Done | Refusal:
    """Take away the mark that was just written, by its name."""
    return drop_last_mark(sitting)
