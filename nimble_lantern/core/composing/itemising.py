"""A paragraph parted at its sentences, to be items of a list."""

from __future__ import annotations

from nimble_lantern.core.document import units
from nimble_lantern.core.document.edits import Edit, Splice, Split
from nimble_lantern.core.document.model import Kind, Piece
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Places, Unit


def apart(sitting: Sitting, target: Places) -> tuple[Sitting, Places]:
    """The same of what is less than its paragraph; a whole one stays one."""
    wholes = (units.block_range(sitting.document, r.start.block) for r in target.ranges)
    less = all(r.start.block == r.end.block and r != whole
               for r, whole in zip(target.ranges, wholes, strict=True))  # fmt: skip
    return at_its_sentences(sitting, target) if less else (sitting, target)


def at_its_sentences(sitting: Sitting, target: Places) -> tuple[Sitting, Places]:
    """With each sentence of one paragraph, or those that are meant, in a paragraph of its own, and
    those as the target; as it was where several paragraphs are meant."""
    b = target.first.start.block
    block, found = sitting.document.blocks[b], units.in_block(sitting.document, b, "sentence")
    inside = all(r.start.block == r.end.block == b for r in target.ranges)
    meant = [
        i for i, one in enumerate(found)
        if any(r.start <= one.start and one.end <= r.end for r in target.ranges)
    ]  # fmt: skip
    if block.kind is not Kind.PARAGRAPH or len(found) < 2 or not inside or not meant:
        return sitting, target
    cuts = [i for i in range(len(found) - 1) if i in meant or i + 1 in meant]
    steps: list[Splice | Split] = []
    for i in reversed(cuts):
        gap = found[i].end.offset, found[i + 1].start.offset
        steps += (Splice(b, *gap, Piece("")), Split(b, gap[0], block.format))
    after = sitting.edited(Edit(tuple(steps)))
    made = tuple(units.block_range(after.document, b + sum(c < i for c in cuts)) for i in meant)
    return after, Places(made, unit=Unit.PARAGRAPH)
