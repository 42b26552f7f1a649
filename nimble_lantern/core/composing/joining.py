"""Paragraphs made one."""

from __future__ import annotations

from nimble_lantern.core.document.edits import Edit, Join, Splice
from nimble_lantern.core.document.model import Piece
from nimble_lantern.core.state import Sitting


def joined(sitting: Sitting, first: int, last: int) -> Sitting:
    """Blocks `first` to `last` made one, a space where they meet."""
    after = sitting
    for _ in range(last - first):
        text = after.document.blocks[first].text
        space = "" if not text or text.endswith((" ", "\n")) else " "
        steps = (Splice(first, len(text), len(text), Piece(space)), Join(first, len(text + space)))
        after = after.edited(Edit(steps if space else steps[1:]))
    return after
