"""A paragraph parted at its sentences, to be items of a list."""

from __future__ import annotations

from nimble_lantern.core.document import units
from nimble_lantern.core.document.edits import Edit, Splice, Split
from nimble_lantern.core.document.model import Kind, Piece, Range
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Places, Unit


def as_items(
    sitting: Sitting, target: Places | None, here: Range, parted: bool
) -> tuple[Sitting, Places | None]:
    """What is to be items, with the paragraphs that they are made of: sentences where they are
    meant or a paragraph is parted, and lines where it has some.  Without a target, what is here."""
    if target is not None and (parted or target.unit is Unit.SENTENCE):
        return at_its_sentences(sitting, target)
    told = here if target is None else target.first
    several = target is not None and len(target.ranges) > 1
    lines = None if several or told.start.block != told.end.block else told.start.block
    return (lines is not None and _at_its_lines(sitting, lines)) or (sitting, target)


def _at_its_lines(sitting: Sitting, b: int) -> tuple[Sitting, Places] | None:
    """With each line of a paragraph in one of its own; None where it has but one."""
    block = sitting.document.blocks[b]
    breaks = [i for i, c in enumerate(block.text) if c == "\n"]
    if block.kind is not Kind.PARAGRAPH or block.cell or not breaks:
        return None
    steps: list[Splice | Split] = []
    for at in reversed(breaks):
        steps += (Splice(b, at, at + 1, Piece("")), Split(b, at, block.format))
    after = sitting.edited(Edit(tuple(steps)))
    made = (units.block_range(after.document, b + n) for n in range(len(breaks) + 1))
    return after, Places(tuple(made), unit=Unit.PARAGRAPH)


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


_LONGEST_LINE = 8


def lines_above(sitting: Sitting) -> tuple[Range, ...]:
    """The short paragraphs that end here and were said one after another, none of them a sentence:
    what "those" are, that shall be a list."""
    blocks, b = sitting.document.blocks, sitting.caret.block
    found: list[Range] = []
    while b >= 0 and blocks[b].kind is Kind.PARAGRAPH and blocks[b].cell is None:
        text = blocks[b].text.strip()
        if not text or text[-1] in ".?!:," or len(text.split()) > _LONGEST_LINE:
            break
        found.insert(0, units.block_range(sitting.document, b))
        b -= 1
    return tuple(found)


def several_lines(sitting: Sitting) -> bool:
    return sitting.selection is None and len(lines_above(sitting)) > 1
