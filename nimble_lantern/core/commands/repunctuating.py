"""Another mark in the place of the one that was just written: "make that a full stop"."""

from __future__ import annotations

from nimble_lantern.core.commands.inserting import ended_with
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.closing import goes_on_behind
from nimble_lantern.core.document.edits import Edit, Splice
from nimble_lantern.core.document.model import Piece, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, rule
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.rewriting import drop_last_mark
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places

_SWAPPED = ".,;:!?…"
"""Marks that close what stands before them, each of which may stand for another."""


@rule("closing_mark", "[(a | an | the)] {sign}", heard=False)
def _closing_mark(sign: str) -> str | None:
    return sign if sign in _SWAPPED else None


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
    """ "Make that a full stop", where another mark was just written."""
    return _there(sitting) not in ("", parse.args["sign"])


def _just_said(sitting: Sitting, parse: Parse) -> bool:
    """ "With an exclamation mark", right after a sentence that ends in another."""
    last = sitting.trail[-1] if sitting.trail else None
    said = last is not None and last.read_as is ReadAs.TEXT
    mended = last is not None and (last.command or "").startswith(_PUT_RIGHT)
    return (said or mended) and _there(sitting) != parse.args["sign"]


_PUT_RIGHT = ("mending.", "repunctuating.")


def _mark_there(sitting: Sitting, parse: Parse) -> bool:
    """ "No exclamation mark", where one was just written."""
    return bool(_there(sitting) == parse.args["sign"])


def _a_mark_there(sitting: Sitting, parse: Parse) -> bool:
    """ "No question mark", right after words were written with another; later it may be said of
    one that stands elsewhere."""
    last = sitting.trail[-1] if sitting.trail else None
    just = last is not None and (
        last.read_as is not ReadAs.COMMAND or (last.command or "").startswith("writing.")
    )
    return bool(_there(sitting)) and (just or _mark_there(sitting, parse))


@command(
    "[(no | sorry | no sorry)] [(i (meant | said | wanted) | (it | that) should be)]"
    " {sign:closing_mark} [and] not {old:closing_mark}",
    "[(no | sorry | no sorry)] not {old:closing_mark} [but] {sign:closing_mark}",
    Way(
        "[(no | sorry | no sorry)] (make (it | that) | i (meant | said | wanted)"
        " | (it | that) should (be | have been)) {sign:closing_mark}",
        when=_another,
    ),
    Way("(sorry | oops | actually) {sign:closing_mark}", when=_another),
    Way("[(no | sorry)] [(a | an)] {sign:closing_mark} instead", when=_another),
    Way("with {sign:closing_mark}", when=_just_said),
    heard=0,
    example="full stop not comma",
    group="repair",
    in_text=True,
)
def other_mark(sitting: Sitting, sign: str, old: str = "") -> Done | Refusal:
    """Put another mark in the place of the one that was just written."""
    last, there = _last_mark(sitting), _there(sitting)
    if last is None and not old and sitting.that:
        b, end = sitting.that[-1].end
        return Done(
            sitting.edited(Edit((Splice(b, end, end, Piece(sign)),))), f"put {quoted(sign)}"
        )
    if old and old != there and (r := _once_in_that(sitting, old)) is not None:
        return _put(sitting, r, sign)  # "colon not comma", of the one in it
    if last is None or old and old != there:
        return Refusal(f"There is no {quoted(old)} right before the writing place.")
    return _put(sitting, last.start, sign)


def _once_in_that(sitting: Sitting, sign: str) -> Position | None:
    """Where a mark stands in what was just said, if it does so once."""
    blocks = sitting.document.blocks
    found = [
        Position(b, i)
        for r in sitting.that
        for b in range(r.start.block, r.end.block + 1)
        for i, c in enumerate(blocks[b].text)
        if c == sign and r.start <= Position(b, i) < r.end
    ]
    return found[0] if len(found) == 1 else None


def _put(sitting: Sitting, at: Position, sign: str) -> Done:
    """A sign in the place of the one there, looking as that does."""
    b, offset = at
    there = sitting.document.blocks[b].text[offset]
    marks = {(s.mark, s.value) for s in sitting.document.blocks[b].marks_at(offset)}
    after = sitting.edited(Edit((Splice(b, offset, offset + 1, Piece(sign).marked(marks)),)))
    after = goes_on_behind(sitting, after, Range(at, Position(b, offset + 1)), there)
    return Done(after, f"{quoted(there)} is {quoted(sign)} now")


def _a_sentence_said(sitting: Sitting, parse: Parse) -> bool:
    """ "Make it a question", of what was just said or is selected; of a question it is done."""
    held = sitting.selection if sitting.fresh else None
    return bool(held or sitting.that and (sitting.trail and sitting.trail[-1].made))


@command(
    "(make | turn) (it | that | this) [into] a question",
    "(it | that | this) (should be | is) a question",
    "that was a question",
    heard=0,
    example="make that a question",
    group="repair",
    when=_a_sentence_said,
)
def as_a_question(sitting: Sitting) -> Done:
    """End what was just said, or is selected, with a question mark."""
    held = sitting.selection if sitting.selection and sitting.fresh else sitting.that[-1]
    return ended_with(sitting, held, ("question", "mark"), "?")


_USE = "(put | use | write | have | i want | let's have)"
_BEHIND = "(after | behind | at the end of)"
_NOT = "(instead of | rather than | in place of | [and] not)"


@command(
    f"{_USE} {{sign:closing_mark}} {_BEHIND} {{target}} {_NOT} {{old:closing_mark}}",
    f"{{target}} (needs | wants | <shall> have | could do with) {{sign:closing_mark}} {_NOT}"
    " {old:closing_mark}",
    f"(end | finish | close) {{target}} with {{sign:closing_mark}} {_NOT} {{old:closing_mark}}",
    heard=0,
    example="put a colon after dear sir instead of the comma",
    group="revising",
)
def mark_after(sitting: Sitting, sign: str, old: str, target: Places) -> Done | Refusal:
    """Put another mark in the place of the one behind some words."""
    b, end = target.first.end
    text = sitting.document.blocks[b].text
    at = next((n for n in (end, end - 1) if text[n : n + 1] == old), None)
    if at is None:
        return Refusal(f"There is no {quoted(old)} behind {quoted(text[:end][-20:])}.")
    return _put(sitting, Position(b, at), sign)


CATALOGUE.table("there", {"(there | here)": True}, heard=False)


@command(
    Way("without {sign:closing_mark}", when=_mark_there),
    Way("no {sign:closing_mark}", when=_a_mark_there),
    Way("no {sign:closing_mark} {there}", when=_a_mark_there),
    heard=0,
    example="no exclamation mark",
    group="repair",
    in_text=True,
)
def no_mark(sitting: Sitting, sign: str, there: bool = False) -> Done | Refusal:
    """Take away the mark that was just written, by its name; or let another stand there."""
    last = _last_mark(sitting)
    if there and _there(sitting) != sign:
        return Refusal(f"There is no {quoted(sign)} there.")
    if last is not None and sitting.document.text(last) != sign:
        return _put(sitting, last.start, sign)
    return drop_last_mark(sitting)
