"""Spans as properly nested runs, for formats that open and close marks."""

from __future__ import annotations

from collections.abc import Iterator

from nimble_lantern.core.document.model import Block, Span

Mark = tuple[str, str | None]


def nested(block: Block, spaces: bool = False) -> Iterator[tuple[str, Mark | str]]:
    """("open", mark), ("text", str) and ("close", mark) in order, opened and closed as a stack.

    Marks open behind a space that they cover, unless they may hold `spaces`.
    """
    edges = sorted({0, len(block.text), *(e for s in block.spans for e in (s.start, s.end))})
    stack: list[Mark] = []
    ends: dict[Mark, int] = {}
    for start, end in zip(edges, edges[1:], strict=False):
        active = {(s.mark, s.value): s for s in block.spans if s.start <= start and s.end >= end}
        while stack and not all(m in active for m in stack):
            yield "close", stack.pop()
        fresh = [m for m in active if m not in stack]
        fresh.sort(key=lambda m: (-active[m].end, m[0], m[1] or ""))
        text = block.text[start:end]
        if fresh and not spaces and (space := text[: len(text) - len(text.lstrip(" "))]):
            # Markdown's signs do not open in front of a space.
            yield "text", space
            text = text[len(space) :]
        for mark in fresh:
            ends[mark] = active[mark].end
            stack.append(mark)
            yield "open", mark
        yield "text", text
    while stack:
        yield "close", stack.pop()


def outside_spaces(block: Block) -> Block:
    """The block with its spans drawn in from spaces at their ends."""
    spans = []
    for s in block.spans:
        start, end = s.start, s.end
        while start < end and block.text[start].isspace():
            start += 1
        while end > start and block.text[end - 1].isspace():
            end -= 1
        if start < end:
            spans.append(Span(start, end, s.mark, s.value))
    return Block(block.text, tuple(spans)).formatted(block.format)
