"""What is new between two versions: they share the blocks that did not change."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from nimble_lantern.core.document.model import Block

_STRIDE = 128
"""Blocks compared at once: of tuples, by reference first, and outside of the interpreter."""


class Changed(NamedTuple):
    """old[start:old_end] gave way to new[start:new_end]; all other blocks are equal."""

    start: int
    old_end: int
    new_end: int


def changed(old: Sequence[Block], new: Sequence[Block]) -> Changed:
    """A stretch outside of which nothing changed, as small as the same objects show it."""
    old, new = tuple(old), tuple(new)
    most = min(len(old), len(new))
    start = 0
    while start + _STRIDE <= most and _same(old, new, start, start):
        start += _STRIDE
    while start < most and old[start] is new[start]:
        start += 1
    tail, left = 0, most - start
    while tail + _STRIDE <= left and _same(
        old, new, len(old) - tail - _STRIDE, len(new) - tail - _STRIDE
    ):
        tail += _STRIDE
    while tail < left and old[-1 - tail] is new[-1 - tail]:
        tail += 1
    return Changed(start, len(old) - tail, len(new) - tail)


def _same(old: tuple[Block, ...], new: tuple[Block, ...], i: int, j: int) -> bool:
    return old[i : i + _STRIDE] == new[j : j + _STRIDE]
