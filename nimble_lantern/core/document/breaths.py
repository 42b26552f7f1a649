"""Sentences that nobody closed: what was said in one breath is one."""

from __future__ import annotations

from collections.abc import Iterator
from itertools import pairwise

from nimble_lantern.core.document.model import Document, Position, Range

ORIGIN = "origin"
"""The kind of the anchors that tell which utterance wrote what."""
_CLOSING = frozenset(".?!…:;,”’)")
_FEWEST = 3
"""Words that were written together; fewer may have been put there in the place of others."""


def said_apart(document: Document, r: Range) -> list[Range]:
    """A sentence of a block; what each utterance wrote of one that has no mark at its end.

    Where full stops are not said, all of a paragraph would be one "sentence": to take the last one
    away must not take the paragraph.  The sentence itself where it is not known who wrote what, or
    a few words were put into it later.
    """
    block = document.blocks[r.start.block]
    if not block.points or block.text[: r.end.offset].rstrip()[-1:] in _CLOSING:
        return [r]
    said = sorted(_written(document, r))
    cuts: list[Position] = []
    for (_, ended, before), (begun, end, number) in pairwise(said):
        beside = 0 <= begun.offset - ended.offset <= 1
        enough = len(block.text[begun.offset : end.offset].split()) >= _FEWEST
        if not beside or number <= before or not enough:
            return [r]
        cuts.append(begun)
    if not cuts or said[-1][1] != r.end:
        return [r]
    starts = [r.start, *cuts]
    ends = [*(at._replace(offset=at.offset - 1) for at in cuts), r.end]
    return [Range(a, z) for a, z in zip(starts, ends, strict=True)]


def breaths(document: Document, b: int) -> list[Range]:
    """What each utterance wrote of a block, the last ones that follow each other up to its end."""
    whole = Range(Position(b, 0), Position(b, len(document.blocks[b].text)))
    found: list[Range] = []
    begun, later = whole.end, None
    for start, end, number in sorted(_written(document, whole), reverse=True):
        beside = 0 <= begun.offset - end.offset <= 1
        if not beside or later is not None and number >= later:
            break
        found.insert(0, Range(start, end))
        begun, later = start, number
    return found


def _written(document: Document, r: Range) -> list[tuple[Position, Position, int]]:
    """From where to where in a range of one block each utterance wrote, and its number."""
    found = []
    for utterance, where in who_wrote(document, r.start.block):
        start, end = max(where.start, r.start), min(where.end, r.end)
        if start < end:
            found.append((start, end, utterance))
    return found


def who_wrote(document: Document, b: int) -> Iterator[tuple[int, Range]]:
    """What utterances wrote that begins or ends in a block, by their numbers, the last first."""
    for number in sorted({point.anchor for point in document.blocks[b].points}, reverse=True):
        anchor, where = document.anchors.get(number), document.where(number)
        if anchor is not None and anchor.kind == ORIGIN and where and "utterance" in anchor.data:
            yield int(anchor.data["utterance"]), where
