"""Anchors that go with words which are moved: their margin notes and places, their doubts."""

from __future__ import annotations

from collections import Counter, defaultdict

from nimble_lantern.core.document.edits import Edit, Pin, Step, Unpin
from nimble_lantern.core.document.model import Document, Point, Position, Range
from nimble_lantern.core.state import Sitting


def carried(before: Document, source: Range, after: Sitting, start: Position) -> Sitting:
    """With the anchors that stood in a range of the text before where its words stand now.

    Those that reach beyond the range stay with what is left.  `start`: where the words begin now;
    nothing is done where others stand there, as of several paragraphs that are put into one cell.
    """
    now = after.document
    end = _shifted(source.end, source.start, start)
    there = end.block < len(now.blocks) and 0 <= end.offset <= len(now.blocks[end.block].text)
    if not there or not _same(before.text(source), now.text(Range(start, end))):
        return after
    steps: list[Step] = []
    for number, points in _inside(before, source).items():
        if number in now.anchors:
            steps.append(Unpin(number))
        moved = [(p, _shifted(Position(b, p.offset), source.start, start)) for b, p in points]
        placed = tuple((to.block, point._replace(offset=to.offset)) for point, to in moved)
        steps.append(Pin(before.anchors[number], placed))
    return after.edited(Edit(tuple(steps))) if steps else after


def _shifted(p: Position, old: Position, new: Position) -> Position:
    offset = p.offset - old.offset + new.offset if p.block == old.block else p.offset
    return Position(p.block - old.block + new.block, offset)


def _same(some: str, others: str) -> bool:
    """But for capitals, which a new place may ask for."""
    return some.casefold() == others.casefold()


def _inside(document: Document, r: Range) -> dict[int, list[tuple[int, Point]]]:
    """The points of the anchors that stand in a range with all they have; an empty one right at its
    end is that of what follows."""
    found: dict[int, list[tuple[int, Point]]] = defaultdict(list)
    for b in range(r.start.block, r.end.block + 1):
        for point in document.blocks[b].points:
            if r.start <= Position(b, point.offset) <= r.end:
                found[point.anchor].append((b, point))
    if not found:
        return {}
    every = Counter(point.anchor for block in document.blocks for point in block.points)
    return {
        number: points
        for number, points in found.items()
        if len(points) == every[number]
        and (r.empty or any(Position(b, p.offset) < r.end for b, p in points))
    }
