"""What is new between two versions: they share the blocks that did not change."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from nimble_lantern.core.document.model import Block


class Changed(NamedTuple):
    """old[start:old_end] gave way to new[start:new_end]; all other blocks are the same objects."""

    start: int
    old_end: int
    new_end: int


def changed(old: Sequence[Block], new: Sequence[Block]) -> Changed:
    """The smallest such stretch; it costs a comparison of two references a block."""
    start, most = 0, min(len(old), len(new))
    while start < most and old[start] is new[start]:
        start += 1
    tail = 0
    while tail < most - start and old[-1 - tail] is new[-1 - tail]:
        tail += 1
    return Changed(start, len(old) - tail, len(new) - tail)
