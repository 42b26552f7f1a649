"""Versions of a document as a tree: undo and redo walk it, nothing is ever cut off.

A version keeps its edit and the inverse, not the document, so it costs what changed.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, field

from nimble_lantern.core.document.edits import Edit
from nimble_lantern.core.document.model import Document, Position


@dataclass(frozen=True, eq=False)
class Version:
    """One change: made by `utterance`, on top of `parent`."""

    number: int
    parent: Version | None
    utterance: int
    edit: Edit
    inverse: Edit
    caret_before: Position
    caret_after: Position
    depth: int

    def __repr__(self) -> str:
        return f"Version({self.number}, utterance={self.utterance})"


@dataclass(frozen=True)
class History:
    """Where we are in the tree; `ahead` are the versions that redo would bring, next one last.

    `left` is what lay ahead when something new was written: off the path, yet within reach.
    """

    head: Version | None = None
    ahead: tuple[Version, ...] = ()
    count: int = 0
    left: tuple[Version, ...] = ()

    def commit(
        self, edit: Edit, inverse: Edit, utterance: int, before: Position, after: Position
    ) -> History:
        """A new version on the head; what lay ahead stays in the tree, off the path."""
        depth = self.head.depth + 1 if self.head else 1
        number = self.count + 1
        version = Version(number, self.head, utterance, edit, inverse, before, after, depth)
        return History(version, (), number, self.ahead or self.left)

    def path(self) -> Iterator[Version]:
        """From the head to the first version."""
        version = self.head
        while version:
            yield version
            version = version.parent


@dataclass(frozen=True)
class Walk:
    """Where a walk through the tree ended: the document there, and how it got there."""

    history: History
    document: Document
    caret: Position
    undone: tuple[Version, ...] = ()
    redone: tuple[Version, ...] = ()
    edit: Edit = field(default_factory=Edit)


def undo(history: History, document: Document, caret: Position, times: int) -> Walk:
    """Back along the path, at most `times` versions."""
    walk = Walk(history, document, caret)
    for _ in range(times):
        version = walk.history.head
        if version is None:
            break
        walk = _back(walk, version)
    return walk


def redo(history: History, document: Document, caret: Position, times: int) -> Walk:
    """Forward to what was last undone, at most `times` versions."""
    walk = Walk(history, document, caret)
    for _ in range(times):
        if not walk.history.ahead:
            break
        walk = _forward(walk, walk.history.ahead[-1])
    return walk


def go_to(history: History, document: Document, caret: Position, goal: Version | None) -> Walk:
    """To any version of the tree, by way of the nearest common ancestor."""
    walk = Walk(history, document, caret)
    ahead: list[Version] = []
    target = goal
    head = history.head
    while target is not head:
        if head is not None and (target is None or head.depth >= target.depth):
            walk = _back(walk, head)
            head = head.parent
        elif target is not None:
            ahead.append(target)
            target = target.parent
    for version in reversed(ahead):
        walk = _forward(walk, version)
    return walk


def _back(walk: Walk, version: Version) -> Walk:
    now = walk.history
    history = History(version.parent, (*now.ahead, version), now.count, now.left)
    return Walk(
        history,
        version.inverse.apply(walk.document),
        version.caret_before,
        (*walk.undone, version),
        walk.redone,
        walk.edit.then(version.inverse),
    )


def _forward(walk: Walk, version: Version) -> Walk:
    on_path = walk.history.ahead and walk.history.ahead[-1] is version
    ahead = walk.history.ahead[:-1] if on_path else ()
    return Walk(
        History(version, ahead, walk.history.count, walk.history.left),
        version.edit.apply(walk.document),
        version.caret_after,
        walk.undone,
        (*walk.redone, version),
        walk.edit.then(version.edit),
    )
