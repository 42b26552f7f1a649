"""Blocks made of another kind, or set in another way; lines of one become blocks for it."""

from __future__ import annotations

from typing import TypedDict, Unpack

from nimble_lantern.core.composing.itemising import at_its_lines, at_its_sentences, in_sentences
from nimble_lantern.core.document.edits import Edit, Reformat
from nimble_lantern.core.document.model import Align, Bullets, Kind
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.finding import reference
from nimble_lantern.core.targets.model import Places, Unit

_OF_CELLS = frozenset(("align", "spacing"))


class Changes(TypedDict, total=False):
    """The parts of a block's format that become others."""

    kind: Kind
    level: int | None
    list: Bullets | None
    align: Align
    spacing: float


def reformatted(
    sitting: Sitting, target: Places | None, **changes: Unpack[Changes]
) -> tuple[Sitting, int]:
    """The blocks that a target touches with parts of their format changed, and how many there were.

    Without a target, those of the selection, else the caret's; a cell stays one, and is only
    aligned and spaced.  Of lines, a title is none that becomes something else.
    """
    lines = target is not None and target.unit is Unit.LINE
    if target is not None and lines:
        sitting, target = at_its_lines(sitting, target)
    if target is not None and "kind" in changes and (own := in_sentences(sitting, target)):
        sitting, target = at_its_sentences(sitting, own)
    here = (reference(sitting),) if target is None else target.ranges
    touched = sorted({b for r in here for b in range(r.start.block, r.end.block + 1)})
    blocks = sitting.document.blocks
    if not changes.keys() <= _OF_CELLS:
        touched = [b for b in touched if blocks[b].cell is None]
        plain = [b for b in touched if blocks[b].kind is not Kind.HEADING]
        touched = plain if lines and plain else touched
    steps = []
    for b in touched:
        block = blocks[b]
        if target is not None and not block.text and len(touched) > 1:
            continue
        form = block.format._replace(**changes)
        if form != block.format:
            steps.append(Reformat(b, form))
    after = sitting.edited(Edit(tuple(steps)))
    return after.about([block_range(after.document, b) for b in touched]), len(touched)
