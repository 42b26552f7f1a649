"""Blocks in another order: a list sorted, or from its last item to the first."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.document import units
from nimble_lantern.core.document.edits import AddBlocks, DropBlocks, Edit
from nimble_lantern.core.document.model import Block, Position, Range
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Places


def turned_round(sitting: Sitting, target: Places) -> Sitting:
    """The items of a list from the last to the first, each with those below it."""
    first, last = target.first.start.block, target.ranges[-1].end.block
    groups = list[list[Block]]()
    for block in sitting.document.blocks[first : last + 1]:
        if groups and (block.format.level or 1) > (groups[0][0].format.level or 1):
            groups[-1].append(block)
        else:
            groups.append([block])
    ordered = [block for group in reversed(groups) for block in group]
    return in_order(sitting, first, ordered)


def in_order(sitting: Sitting, first: int, ordered: Sequence[Block]) -> Sitting:
    """The blocks from `first` on in another order."""
    last = first + len(ordered) - 1
    edit = Edit((AddBlocks(last + 1, tuple(ordered)), DropBlocks(first, len(ordered))))
    caret = sitting.caret
    after = sitting.edited(edit)
    if first <= caret.block <= last:
        at = min(caret.offset, len(after.document.blocks[caret.block].text))
        after = replace(after, caret=Position(caret.block, at))
    whole = Range(Position(first, 0), units.block_range(after.document, last).end)
    return after.about([whole])
