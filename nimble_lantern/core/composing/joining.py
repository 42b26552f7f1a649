"""Paragraphs made one."""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.document.edits import Edit, Join, Splice
from nimble_lantern.core.document.model import Block, Kind, Piece
from nimble_lantern.core.state import Sitting

_ENDS = frozenset(".!?")


def stays_apart(blocks: Sequence[Block]) -> str:
    """Why blocks are not made one: cells are in them, or other things stand between paragraphs."""
    if any(block.cell for block in blocks):
        return "A table stands there, and its cells are joined with nothing."
    ends = {blocks[0].kind, blocks[-1].kind}
    between = {block.kind for block in blocks} - ends
    if ends <= {Kind.PARAGRAPH, Kind.QUOTATION} and between & {Kind.HEADING, Kind.ITEM}:
        what = "A heading" if Kind.HEADING in between else "A list"
        return f"{what} stands between them."
    headings = sum(block.kind is Kind.HEADING for block in blocks)
    if 1 < headings < len(blocks):
        return "Each of these headings has its own text."
    last = blocks[-1]
    if headings and last.kind is not Kind.HEADING and not _ENDS.isdisjoint(last.text):
        return "A heading stands there, and a sentence is no part of it."
    return ""


def joined(sitting: Sitting, first: int, last: int) -> Sitting:
    """Blocks `first` to `last` made one, a space where they meet."""
    after = sitting
    for _ in range(last - first):
        text = after.document.blocks[first].text
        space = "" if not text or text.endswith((" ", "\n")) else " "
        steps = (Splice(first, len(text), len(text), Piece(space)), Join(first, len(text + space)))
        after = after.edited(Edit(steps if space else steps[1:]))
    return after
