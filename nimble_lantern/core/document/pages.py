"""Pages: which lines stand on which sheet of paper, the same for print and for its pictures."""

from __future__ import annotations

from dataclasses import dataclass

from nimble_lantern.core.document.layout import Layout, Line
from nimble_lantern.core.document.model import Kind

PAPER = (595.28, 841.89)
"""A4 in points (ISO 216)."""
POINTS = 0.6
"""Of a pixel of the desk's lines: 20 pixels are 12 points."""
TOP, BOTTOM = 72.0, 72.0
ROOM = (PAPER[1] - TOP - BOTTOM) / POINTS
"""The height of the text on a sheet, in the desk's pixels."""


@dataclass(frozen=True, slots=True)
class PrintedLine:
    """A numbered line: where its top is on the sheet, in the desk's pixels, and what is on it."""

    number: int
    top: float
    height: float
    parts: tuple[tuple[int, Line], ...]


def pages(layout: Layout) -> list[list[PrintedLine]]:
    """The lines of each sheet; a heading is not left at the foot of one."""
    found: list[list[PrintedLine]] = [[]]
    used = 0.0
    rows = list(layout.rows(1, layout.count))
    heights = [max(line.height for _, line in parts) for _, parts in rows]
    for i, (number, parts) in enumerate(rows):
        height = heights[i]
        needed = height
        if layout.document.blocks[parts[0][0]].kind == Kind.HEADING and i + 1 < len(rows):
            needed += heights[i + 1]
        if used + needed > ROOM and found[-1]:
            found.append([])
            used = 0.0
        found[-1].append(PrintedLine(number, used, height, tuple(parts)))
        used += height
    return found
