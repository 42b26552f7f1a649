"""Empty blocks to write in."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.document.edits import AddBlocks, Edit, Splice, Split
from nimble_lantern.core.document.model import Block, Format, Kind, Piece, Position, Range
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Places, Unit


def empty_beside(sitting: Sitting, b: int, side: str, form: Format) -> Sitting:
    """Go on writing in an empty block of a form, before or after a block."""
    fresh = Block().formatted(form)
    at = b + 1 if side == "after" else b
    after = sitting.edited(Edit((AddBlocks(at, (fresh,)),)))
    place = Position(at, 0)
    return replace(after.placed(place), wrote=place)


def paragraph_at(sitting: Sitting, at: Position) -> tuple[Sitting, Range]:
    """A new paragraph that begins at a place within one, and where it is."""
    block = sitting.document.blocks[at.block]
    left, right = len(block.text[: at.offset].rstrip(" ")), block.text[at.offset :].lstrip(" ")
    end = len(block.text) - len(right)
    steps = (Splice(at.block, left, end, Piece()), Split(at.block, left, block.format))
    after = sitting.edited(Edit(steps))
    return after, block_range(after.document, at.block + 1)


def room_beside(
    sitting: Sitting, target: Places, before: bool, source: Range
) -> tuple[Sitting, Range, Range] | None:
    """An empty paragraph before or after a whole table or list, where it is, and where `source`
    has got to; None beside anything else.  It is what `source` begins with, if that is a heading
    or several paragraphs.

    What is put there is no part of the cell or the item that it stands beside.
    """
    n = source.start.block
    own = sitting.document.blocks[n]
    whole_table = own.cell is not None and source.start.block < source.end.block
    if target.unit not in (Unit.TABLE, Unit.LIST) or whole_table:
        return None
    b = target.first.start.block if before else target.ranges[-1].end.block + 1
    place = Position(b, 0)
    headed = own.kind is Kind.HEADING and source == block_range(sitting.document, n)
    several = source.start.block < source.end.block and own.cell is None
    block = Block().formatted(own.format) if headed or several else Block()
    edit = Edit((AddBlocks(b, (block,)),))
    moved = edit.moved_range(source) or source
    return sitting.edited(edit), Range(place, place), moved
