"""What differs between two versions of a document, word by word.

Blocks are matched first, then the words of those that changed (difflib's matching of Ratcliff and
Obershelp, "Pattern Matching: The Gestalt Approach", 1988).
"""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from difflib import SequenceMatcher
from itertools import zip_longest

from nimble_lantern.core.document.edits import (
    AddBlocks,
    DropBlocks,
    Edit,
    Reformat,
    Remark,
    Splice,
    Step,
)
from nimble_lantern.core.document.model import Block, Document, Position, Range

_TOKEN = re.compile(r"[^\W_]+(?:['’-][^\W_]+)*|\s+|.", re.DOTALL)
_MANY = 4_000
"""Pairs of blocks beyond which a group is paired in order, and not by likeness."""
_LIKE = 0.35
"""Of the words of two blocks, the share that makes them the same block changed."""
_LONG = 1_500
"""Words of a block from which common ones are left out of the matching."""


@dataclass(frozen=True, slots=True)
class Change:
    """A stretch that differs: in the old document and in the new; one of the two may be empty.

    `whole` where a block came or went, and not words within one; `looks` where only marks or the
    format differ.
    """

    old: Range
    new: Range
    was: str
    now: str
    whole: bool = False
    came: bool = False  # a whole block that is new
    looks: bool = False


@dataclass(frozen=True, slots=True)
class Compared:
    """While changes are looked at: since what, how the text was then, and which is looked at."""

    since: str
    base: Document
    at: int = -1


def compare(old: Document, new: Document) -> tuple[Change, ...]:
    """Every change from `old` to `new`, in the order of the text."""
    found: list[Change] = []
    for tag, i1, i2, j1, j2 in _matched(old.blocks, new.blocks):
        if tag == "equal":
            continue
        for i, j in _pairs(old.blocks[i1:i2], new.blocks[j1:j2]):
            found += _of_pair(old, new, (i1, i, i2), (j1, j, j2))
    return tuple(found)


def count_words(changes: Sequence[Change]) -> int:
    """How many words came or went."""
    return sum(max(len(c.was.split()), len(c.now.split())) for c in changes)


def _bare(block: Block) -> Block:
    return replace(block, points=()) if block.points else block


def _matched(
    old: Sequence[Block], new: Sequence[Block]
) -> Iterator[tuple[str, int, int, int, int]]:
    """Groups of blocks that are alike or not, as difflib's opcodes."""
    most = min(len(old), len(new))
    head = 0
    while head < most and _same(old[head], new[head]):
        head += 1
    tail = 0
    while tail < most - head and _same(old[-1 - tail], new[-1 - tail]):
        tail += 1
    some = [_bare(b) for b in old[head : len(old) - tail]]
    others = [_bare(b) for b in new[head : len(new) - tail]]
    for tag, i1, i2, j1, j2 in SequenceMatcher(None, some, others, autojunk=False).get_opcodes():
        yield tag, i1 + head, i2 + head, j1 + head, j2 + head


def _same(a: Block, b: Block) -> bool:
    return a is b or (a.text == b.text and a.spans == b.spans and a.format == b.format)


def _pairs(old: Sequence[Block], new: Sequence[Block]) -> list[tuple[int | None, int | None]]:
    """Which block of a group became which; None for what came or went."""
    found: list[tuple[int | None, int | None]] = []
    if len(old) == len(new) or len(old) * len(new) > _MANY:
        for i, j in zip_longest(range(len(old)), range(len(new))):
            if i is None or j is None or _alike(old[i], new[j]):
                found.append((i, j))
            else:
                found += [(i, None), (None, j)]
        return found
    j = 0
    for i, block in enumerate(old):
        likely = next((k for k in range(j, len(new)) if _alike(block, new[k])), None)
        if likely is None:
            found.append((i, None))
            continue
        found += [(None, k) for k in range(j, likely)]
        found.append((i, likely))
        j = likely + 1
    return found + [(None, k) for k in range(j, len(new))]


def _alike(a: Block, b: Block) -> bool:
    if a.text == b.text or not a.text.strip() or not b.text.strip():
        return a.kind == b.kind or a.text == b.text
    matcher = SequenceMatcher(None, a.text.split(), b.text.split(), autojunk=False)
    return matcher.quick_ratio() >= _LIKE and matcher.ratio() >= _LIKE


def _of_pair(
    old: Document,
    new: Document,
    at: tuple[int, int | None, int],
    now: tuple[int, int | None, int],
) -> list[Change]:
    i1, i, _ = at
    j1, j, _ = now
    if i is None:
        b = j1 + (j or 0)
        text = new.blocks[b].text
        here = Position(min(i1, len(old.blocks) - 1), 0)
        return [Change(Range(here, here), _block(new, b), "", text, whole=True, came=True)]
    a = i1 + i
    if j is None:
        here = Position(min(j1, len(new.blocks) - 1), 0)
        if j1 >= len(new.blocks):
            here = new.end
        return [Change(_block(old, a), Range(here, here), old.blocks[a].text, "", whole=True)]
    return list(_words(old.blocks[a], a, new.blocks[j1 + j], j1 + j))


def _block(document: Document, b: int) -> Range:
    return Range(Position(b, 0), Position(b, len(document.blocks[b].text)))


def _words(old: Block, a: int, new: Block, b: int) -> Iterator[Change]:
    """The changes within a block."""
    some, others = _TOKEN.findall(old.text), _TOKEN.findall(new.text)
    before, after = _starts(some), _starts(others)
    junk = max(len(some), len(others)) > _LONG
    matcher = SequenceMatcher(None, some, others, autojunk=junk)
    groups: list[list[int]] = []
    for tag, i1, i2, j1, j2 in matcher.get_opcodes():
        if tag == "equal":
            continue
        if groups and not "".join(some[groups[-1][1] : i1]).strip():
            # Only a space stands between: one change.
            groups[-1][1], groups[-1][3] = i2, j2
        else:
            groups.append([i1, i2, j1, j2])
    for i1, i2, j1, j2 in groups:
        was, now = "".join(some[i1:i2]), "".join(others[j1:j2])
        yield Change(
            Range(Position(a, before[i1]), Position(a, before[i2])),
            Range(Position(b, after[j1]), Position(b, after[j2])),
            was,
            now,
        )
    if not groups:
        whole = Range(Position(a, 0), Position(a, len(old.text)))
        there = Range(Position(b, 0), Position(b, len(new.text)))
        yield Change(whole, there, old.text, new.text, looks=True)


def _starts(tokens: Sequence[str]) -> list[int]:
    found = [0]
    for token in tokens:
        found.append(found[-1] + len(token))
    return found


def becoming(now: Document, base: Document) -> Edit:
    """The edit that gives `now` the blocks of `base`: blocks between those alike change places.

    Notes and places stay in the blocks that are alike.
    """
    old, new = [_bare(b) for b in now.blocks], [_bare(b) for b in base.blocks]
    most = min(len(old), len(new))
    start = next((i for i in range(most) if old[i] != new[i]), most)
    most -= start
    tail = next((i for i in range(most) if old[-1 - i] != new[-1 - i]), most)
    came, gone = tuple(new[start : len(new) - tail]), len(old) - start - tail
    steps: list[Step] = []
    if came:
        steps.append(AddBlocks(start, came))
    if gone:
        steps.append(DropBlocks(start + len(came), gone))
    return Edit(tuple(steps))


def taken_back(old: Document, new: Document, change: Change) -> Edit:
    """The edit of `new` that makes a change undone."""
    b = change.new.start.block
    if change.looks:
        block = old.blocks[change.old.start.block]
        steps: list[Step] = [Remark(b, block.spans)]
        if block.format != new.blocks[b].format:
            steps.append(Reformat(b, block.format))
        return Edit(tuple(steps))
    if change.came:
        if len(new.blocks) == 1:
            return Edit((Splice(b, 0, len(new.blocks[b].text), Block().piece(0, 0)),))
        return Edit((DropBlocks(b, 1),))
    if change.whole:
        index = b if change.new.start == Position(b, 0) and change.new.start != new.end else b + 1
        return Edit((AddBlocks(index, (_bare(old.blocks[change.old.start.block]),)),))
    (a, start), (_, end) = change.old
    piece = old.blocks[a].piece(start, end)
    return Edit((Splice(b, change.new.start.offset, change.new.end.offset, piece),))
