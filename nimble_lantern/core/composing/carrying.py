"""Anchors that go with words which are moved: their margin notes and places, their doubts."""

from __future__ import annotations

from collections import Counter, defaultdict
from collections.abc import Sequence

from nimble_lantern.core.document.edits import Edit, Pin, Step, Unpin
from nimble_lantern.core.document.model import Document, Point, Position, Range
from nimble_lantern.core.state import Sitting


def carried(before: Document, source: Range, after: Sitting, start: Position) -> Sitting:
    """With the anchors that stood in a range of the text before where its words stand now.

    Those that reach beyond the range stay with what is left.  `start`: where the words begin now.
    """
    steps: list[Step] = []
    for number, points in _inside(before, source).items():
        placed = tuple((_shifted(b, point, source.start, start)) for b, point in points)
        if not _stands(after.document, placed):
            continue
        if number in after.document.anchors:
            steps.append(Unpin(number))
        steps.append(Pin(before.anchors[number], placed))
    return after.edited(Edit(tuple(steps))) if steps else after


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


def _shifted(b: int, point: Point, old: Position, new: Position) -> tuple[int, Point]:
    by = new.offset - old.offset if b == old.block else 0
    return b - old.block + new.block, point.by(by)


def _stands(document: Document, placed: Sequence[tuple[int, Point]]) -> bool:
    return all(
        b < len(document.blocks) and 0 <= point.offset <= len(document.blocks[b].text)
        for b, point in placed
    )
