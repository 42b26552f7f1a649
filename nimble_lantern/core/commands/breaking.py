"""A sentence made two: "break the last sentence after quay", "make two sentences of it at but"."""

from __future__ import annotations

from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.document import units
from nimble_lantern.core.document.edits import Edit, Splice
from nimble_lantern.core.document.model import Piece, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, command, each
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, Unit, unit_named

_BETWEEN = " ,;:–—-"


def _a_sentence(sitting: Sitting, parse: Parse) -> bool:
    """A sentence is broken in two; a paragraph is split, which is another thing."""
    return unit_named(parse.args.get("whole")) in (Unit.SENTENCE, Unit.QUESTION)


def once_inside(sitting: Sitting, whole: Places, target: Places) -> Range | Refusal:
    """Where words stand in a part that is to be broken at them, if they stand in it once."""
    part = whole.first
    inside = [r for r in target.ranges if part.start <= r.start and r.end <= part.end]
    if len(inside) == 1:
        return inside[0]
    what = "does not stand there" if not inside else f"stands there {len(inside)} times"
    return Refusal(f"“{sitting.document.text(target.first)}” {what}.", "", "Say other words.")


@command(
    *each(
        _a_sentence,
        "(split | break | cut | divide | chop) {whole:target} [(up | in two | in half | into two)]"
        " (at | {side:beside}) {target}",
        "(make | turn) {whole:target} [into] two sentences (at | {side:beside}) {target}",
        "make two (sentences | of them | of it) (of | out of | from) {whole:target}"
        " (at | {side:beside}) {target}",
        "(end | finish | stop | close) {whole:target} {side:beside} {target}",
    ),
    example="make two sentences of the last sentence after lamp",
    group="revising",
    every_place=True,
)
def break_sentence(
    sitting: Sitting, whole: Places, target: Places, side: str = "before"
) -> Done | Refusal:
    """Make two sentences of one, before or after words that stand in it once."""
    inside = once_inside(sitting, whole, target)
    if isinstance(inside, Refusal):
        return inside
    part, at = whole.first, inside.end if side == "after" else inside.start
    text = sitting.document.blocks[at.block].text
    left = len(text[: at.offset].rstrip(_BETWEEN))
    right = len(text) - len(text[at.offset :].lstrip(_BETWEEN))
    if left <= part.start.offset or right >= part.end.offset or not text[right].isalnum():
        return Refusal("A sentence ends there already.", "", "Say words in the middle of it.")
    step = Splice(at.block, left, right + 1, Piece(f". {text[right].upper()}"))
    after = sitting.edited(Edit((step,)))
    start = Position(at.block, left + 2)
    longer = len(after.document.blocks[at.block].text) - len(text)
    end = part.end._replace(offset=part.end.offset + longer)
    found = next(units.within(after.document, "sentence", Range(start, end)), Range(start, end))
    return Done(after.about([found]), f"{quoted(after.document.text(found))} is a sentence")
