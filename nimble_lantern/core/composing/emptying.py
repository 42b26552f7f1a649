"""Lines that are left empty: blocks without a word, and breaks that follow each other in one."""

from __future__ import annotations

import re
from collections.abc import Iterable
from typing import NamedTuple

from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.document.edits import DropBlocks, Edit, Splice
from nimble_lantern.core.document.model import Block, Kind, Piece, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.state import Sitting

MOST_LINES = 12
"""So many lines are left empty at once."""
_EMPTY_LINE = re.compile(r"\n[ \t]*(?=\n|$)")


class Empty(NamedTuple):
    """An empty line: a whole block, or text[start:end] of one."""

    block: int
    start: int = 0
    end: int = 0


def too_many(number: int) -> Refusal | None:
    """Why so many lines are not left empty, if they are too many, or none."""
    if 0 < number <= MOST_LINES:
        return None
    return Refusal(f"At most {MOST_LINES} lines are left at once.")


def left_here(sitting: Sitting, number: int) -> Sitting:
    """So many lines empty before the next words."""
    return compose(sitting, ("new", "line") * (number + 1)).sitting


def empty_lines(sitting: Sitting) -> list[Empty]:
    """Every empty line of a text that stands in no table."""
    found: list[Empty] = []
    for b, block in enumerate(sitting.document.blocks):
        if _is_empty(block):
            found.append(Empty(b))
        elif block.cell is None:
            found += (Empty(b, *m.span()) for m in _EMPTY_LINE.finditer(block.text))
    return found


def _is_empty(block: Block) -> bool:
    return block.kind is Kind.PARAGRAPH and block.cell is None and not block.text.strip()


def beside(sitting: Sitting, r: Range, before: bool) -> list[Empty]:
    """The empty lines that no words part from the start of a range, or from its end."""
    blocks = sitting.document.blocks
    at = r.start if before else r.end
    found: list[Empty] = []
    for empty in empty_lines(sitting):
        b, start, end = empty
        if before:
            between = blocks[b].text[end:] if start != end and b < at.block else ""
            part = blocks[at.block].text[end if b == at.block else 0 : at.offset]
            inside = range(b + 1, at.block)
            ahead = (b, end) <= at
        else:
            between = blocks[b].text[:start] if start != end and b > at.block else ""
            part = blocks[at.block].text[at.offset : start if b == at.block else None]
            inside = range(at.block + 1, b)
            ahead = (b, start) >= at and empty != Empty(at.block)
        words = between + part + "".join(blocks[n].text for n in inside)
        if ahead and not any(c.isalnum() for c in words):
            found.append(empty)
    return found


def without(sitting: Sitting, empty: Iterable[Empty]) -> Sitting:
    """The sitting without some empty lines; a block is left to write in."""
    gone = sorted(empty, reverse=True)
    if len([e for e in gone if e.start == e.end]) == len(sitting.document.blocks):
        gone = gone[:-1]
    steps = tuple(
        DropBlocks(b, 1) if start == end else Splice(b, start, end, Piece(""))
        for b, start, end in gone
    )
    return sitting.edited(Edit(steps)) if steps else sitting
