"""Taking one change back out of a document although others came after it.

A change can be taken back as long as it is the newest of its place: nothing of what it put there
has been changed since.  Within one block the place is the stretch of text that it changed; where
it made, joined or removed blocks, it is those blocks.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from itertools import takewhile

from nimble_lantern.core.document.changes import changed
from nimble_lantern.core.document.edits import (
    AddBlocks,
    DropBlocks,
    Edit,
    Side,
    Splice,
    Step,
    Unpin,
)
from nimble_lantern.core.document.history import History, Version
from nimble_lantern.core.document.model import Block, Document, Position, Range, Span
from nimble_lantern.core.document.tables import kept_whole


def since(history: History, version: Version) -> list[Version] | None:
    """The versions after `version` on the path to the head, oldest first; None if it is off it."""
    later = list(takewhile(lambda v: v is not version, history.path()))
    on_path = later[-1].parent is version if later else history.head is version
    return later[::-1] if on_path else None


def taken_back(document: Document, version: Version, later: list[Version]) -> Edit | None:
    """The edit that takes `version` out of `document`, which it made together with `later`.

    None where something of what it changed was changed again.
    """
    if not later:
        return version.inverse
    after = document
    for other in reversed(later):
        after = other.inverse.apply(after)
    before = version.inverse.apply(after)
    onwards = Edit(tuple(step for other in later for step in other.edit.steps))
    lost = before.anchors.keys() - after.anchors.keys()
    if any((where := before.where(n)) is not None and not where.empty for n in lost):
        return None
    fresh = (n for n in after.anchors if n not in before.anchors and n in document.anchors)
    off = Edit(tuple(Unpin(n) for n in fresh))
    changes = _blocks_taken_back(document, before, after, onwards)
    return changes.then(off) if changes is not None else None


def brought_back(document: Document, history: History, versions: Sequence[Version]) -> Edit | None:
    """The edit that does to the document of today what `versions` did, oldest first, off the path.

    None where what they changed was changed otherwise.
    """
    on_path = set(map(id, history.path()))
    undone: list[Version] = []
    ancestor = versions[0].parent
    while ancestor is not None and id(ancestor) not in on_path:
        undone.append(ancestor)
        ancestor = ancestor.parent
    later = list(takewhile(lambda v: v is not ancestor, history.path()))
    base = document
    for other in later:
        base = other.inverse.apply(base)
    for other in reversed(undone):
        base = other.edit.apply(base)
    goal = base
    for version in versions:
        goal = version.edit.apply(goal)
    back = (step for other in undone for step in other.inverse.steps)
    onwards = (step for other in reversed(later) for step in other.edit.steps)
    return _blocks_taken_back(document, goal, base, Edit((*back, *onwards)))


def _blocks_taken_back(
    document: Document, before: Document, after: Document, onwards: Edit
) -> Edit | None:
    start, old_end, new_end = changed(before.blocks, after.blocks)
    old, new = before.blocks[start:old_end], after.blocks[start:new_end]
    if len(old) == len(new) == 1 and old[0].format == new[0].format:
        return _in_block(document, start, old[0], new[0], onwards)
    edit = _of_blocks(document, start, old, new, onwards)
    return edit if edit is not None and kept_whole(document, edit.apply(document)) else None


def _in_block(document: Document, b: int, old: Block, new: Block, onwards: Edit) -> Edit | None:
    head, tail = _common(old, new)
    r = Range(Position(b, head), Position(b, len(new.text) - tail))
    if r.empty:
        found = onwards.moved(r.start, Side.BEFORE)
        moved = Range(found, found) if found else None
    else:
        moved = onwards.moved_range(r)
    if moved is None or moved.start.block != moved.end.block:
        return None
    block, (start, end) = moved.start.block, (moved.start.offset, moved.end.offset)
    if document.blocks[block].piece(start, end) != new.piece(r.start.offset, r.end.offset):
        return None
    return Edit((Splice(block, start, end, old.piece(head, len(old.text) - tail)),))


def _of_blocks(
    document: Document, b: int, old: tuple[Block, ...], new: tuple[Block, ...], onwards: Edit
) -> Edit | None:
    if new:
        found = onwards.moved(Position(b, 0), Side.AFTER)
        at = found.block if found and found.offset == 0 else -1
        if at < 0 or _bare(document.blocks[at : at + len(new)]) != _bare(new):
            return None
    else:
        # Nothing is left of them: they stood behind the block before, which must still end there.
        above = onwards.moved(Position(b - 1, 0), Side.BEFORE) if b else Position(-1, 0)
        if above is None:
            return None
        at = above.block + 1
    steps: list[Step] = []
    if old:
        steps.append(AddBlocks(at, old))
    if new:
        steps.append(DropBlocks(at + len(old), len(new)))
    return Edit(tuple(steps))


def _bare(blocks: tuple[Block, ...]) -> list[Block]:
    """Blocks without anchors: those may be new."""
    return [replace(block, points=()) for block in blocks]


def _common(old: Block, new: Block) -> tuple[int, int]:
    """How many characters at the start and at the end have the same letters and marks."""
    some, others = _inked(old), _inked(new)
    most = min(len(some), len(others))
    head = next((i for i in range(most) if some[i] != others[i]), most)
    most -= head
    tail = next((i for i in range(most) if some[-1 - i] != others[-1 - i]), most)
    return head, tail


def _inked(block: Block) -> list[tuple[str, frozenset[tuple[str, str | None]]]]:
    marks: list[list[Span]] = [[] for _ in block.text]
    for span in block.spans:
        for i in range(span.start, span.end):
            marks[i].append(span)
    kinds = (frozenset((s.mark, s.value) for s in spans) for spans in marks)
    return list(zip(block.text, kinds, strict=True))
