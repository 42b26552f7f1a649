"""Today's date and the time, put where they are asked for."""

from __future__ import annotations

from nimble_lantern.core.commands.when import names_a_block
from nimble_lantern.core.commands.wording import named, quoted
from nimble_lantern.core.document.edits import AddBlocks, Edit, insert
from nimble_lantern.core.document.model import Block, Format, Piece, Position
from nimble_lantern.core.document.tables import outside
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Way, command
from nimble_lantern.core.reviewing.passages import moment_text
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places

_GOES = "(<shall> (go | come | stand | be) | goes | comes | belongs)"


@command(
    "<put> {moment:moment_of_day} (at | to | on) the [very] {edge:docedge}",
    "{moment:moment_of_day} " + _GOES + " (at | to | on) the [very] {edge:docedge}",
    "date (it | this | the <writing>) [(at | on) the [very] {edge:docedge}]",
    Way("<put> {moment:moment_of_day} {side:beside} {target}", when=names_a_block),
    Way("{moment:moment_of_day} " + _GOES + " {side:beside} {target}", when=names_a_block),
    Way("{side:beside} {target} <put> {moment:moment_of_day}", when=names_a_block),
    example="put today's date under the title",
    group="writing",
    heard=0,
)
def put(
    sitting: Sitting,
    moment: str = "date",
    target: Places | None = None,
    side: str = "after",
    edge: str = "start",
) -> Done | Refusal:
    """Write today's date or the time above or below a part.  The writing place stays."""
    words = moment_text(moment, sitting.title, sitting.now, sitting.settings.dialect)
    if words is None:
        return Refusal("The desk does not know what day it is.")
    document = sitting.document
    if target is None:
        side = "before" if edge == "start" else "after"
        block = 0 if edge == "start" else len(document.blocks) - 1
    else:
        block = (target.first.start if side == "before" else target.first.end).block
    at = outside(document.blocks, block + (side == "after"))
    if not document.blocks[block].text:
        after = sitting.edited(insert(Position(block, 0), ((Piece(words), Format()),)))
        return Done(after.placed(Position(block, len(words))), f"put {quoted(words)} there")
    edit = Edit((AddBlocks(at, (Block(words),)),))
    where = named(document, (block_range(document, block),))
    return Done(sitting.edited(edit), f"put {quoted(words)} {side} {where}")
