"""Empty blocks to write in."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.document.edits import AddBlocks, Edit
from nimble_lantern.core.document.model import Block, Format, Position
from nimble_lantern.core.state import Sitting


def empty_beside(sitting: Sitting, b: int, side: str, form: Format) -> Sitting:
    """Go on writing in an empty block of a form, before or after a block."""
    fresh = Block().formatted(form)
    at = b + 1 if side == "after" else b
    after = sitting.edited(Edit((AddBlocks(at, (fresh,)),)))
    place = Position(at, 0)
    return replace(after.placed(place), wrote=place)
