"""What stands beside one of several places, by which it can be told from the others."""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.document.model import Range
from nimble_lantern.core.document.tables import table_at
from nimble_lantern.core.document.units import in_block
from nimble_lantern.core.state import Option, Sitting
from nimble_lantern.core.targets.words import normal

_BESIDE = 4
"""So many words beside a place may tell it apart: "the one after hanna"."""


def words_round(sitting: Sitting, r: Range) -> tuple[list[str], list[str]]:
    """The words before and behind a place, in its sentence, or in its row of a table."""
    blocks = sitting.document.blocks
    table = table_at(blocks, r.start.block)
    if table is not None and (cell := blocks[r.start.block].cell) is not None:
        row = [blocks[table.cell(cell.row, c)].text for c in range(table.columns)]
        before, behind = " ".join(row[: cell.column]), " ".join(row[cell.column + 1 :])
        text = blocks[r.start.block].text
        before, behind = f"{before} {text[: r.start.offset]}", f"{text[r.end.offset :]} {behind}"
    else:
        sentences = in_block(sitting.document, r.start.block, "sentence")
        around = next((s for s in sentences if s.start <= r.start and r.end <= s.end), r)
        text = blocks[r.start.block].text
        before = text[around.start.offset : r.start.offset]
        behind = text[r.end.offset : around.end.offset]
    return _spoken(before), _spoken(behind)


def _spoken(text: str) -> list[str]:
    return list(normal([bare for word in text.split() if (bare := word.strip(".,;:!?"))]))


def stands_by(sitting: Sitting, option: Option, words: Sequence[str], side: str) -> bool:
    """Whether words stand beside the place of an option: "before" it, "after", on either "beside"
    or, for "", anywhere in its sentence or row."""
    if len(option.ranges) != 1:
        return False
    before, behind = words_round(sitting, option.ranges[0])
    said, size = list(words), len(words)
    left, right = before[-_BESIDE - size :], behind[: _BESIDE + size]
    if side == "":
        left, right = before, behind
    sides = {"before": (right,), "after": (left,)}.get(side, (left, right))
    return any(part[i : i + size] == said for part in sides for i in range(len(part) - size + 1))
