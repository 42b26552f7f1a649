"""Passages that are written beside something: "put sign off after the last paragraph"."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands.passage_here import exists, in_full
from nimble_lantern.core.commands.passages.keeping import put_passage
from nimble_lantern.core.composing.moving import WHOLE
from nimble_lantern.core.document.edits import AddBlocks, Edit
from nimble_lantern.core.document.model import Block, Format, Position
from nimble_lantern.core.document.tables import outside
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Way, command, each
from nimble_lantern.core.reviewing.passages import named
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, Unit

_PUT = "(<use> | <use_else> | put [in] | insert | add)"


@command(
    *each(
        exists,
        f"{_PUT} (my | our | the) [passage] {{passage}} {{side:beside}} {{target}}",
        f"{_PUT} [(my | our | the)] {{passage}} passage {{side:beside}} {{target}}",
    ),
    Way(f"{_PUT} {{passage}} {{side:beside}} {{target}}", when=in_full),
    Way("(my | our | the) {passage} (goes | comes) {side:beside} {target}", when=exists),
    heard=0,
    example="insert my sign off after the last paragraph",
    group="writing",
    when=lambda sitting, parse: bool(sitting.passages),
)
def call_beside(sitting: Sitting, passage: str, side: str, target: Places) -> Done | Refusal:
    """Write a passage before or after a target: beside a paragraph in one of its own."""
    stored = named(sitting.passages, passage)
    before = side == "before"
    r = target.ranges[0] if before else target.ranges[-1]
    at = r.start if before else r.end
    apart = target.unit in (*WHOLE, Unit.TABLE) or not stored.inline
    if apart:
        index = outside(sitting.document.blocks, at.block + (not before))
        made = sitting.edited(Edit((AddBlocks(index, (Block().formatted(Format()),)),)))
        return _gone_on(sitting, put_passage(made.placed(Position(index, 0)), stored, alone=True))
    return _gone_on(sitting, put_passage(sitting.placed(at), stored))


def _gone_on(sitting: Sitting, done: Done) -> Done:
    """The writing place stays where it was, unless a blank is to be filled."""
    after = done.sitting
    if after.selection is not None or after.insertion is not None:
        return done
    edit = Edit(after.pending.steps[len(sitting.pending.steps) :])
    back = edit.settled(sitting.document, sitting.caret)
    return replace(done, sitting=replace(after, caret=back))
