"""The lines that breaks part a block into, as those of an address or of a verse."""

from __future__ import annotations

from nimble_lantern.core.document.model import Document, Position, Range


def lines(document: Document, b: int) -> list[Range]:
    """The lines of a block, in order; one, if no break is in it."""
    found, start = list[Range](), 0
    for line in document.blocks[b].text.split("\n"):
        found.append(Range(Position(b, start), Position(b, start + len(line))))
        start += len(line) + 1
    return found


def within(document: Document, r: Range) -> list[Range]:
    """The lines that a range has all of."""
    blocks = range(r.start.block, r.end.block + 1)
    every = (line for b in blocks for line in lines(document, b))
    return [line for line in every if r.start <= line.start and line.end <= r.end]


def around(document: Document, r: Range) -> Range:
    """The lines that a range has some of."""
    start = next(x for x in reversed(lines(document, r.start.block)) if x.start <= r.start).start
    end = next(x for x in lines(document, r.end.block) if r.end <= x.end).end
    return Range(start, end)


def parted(document: Document, r: Range) -> bool:
    """Whether a range is one or more of the lines of a block, whole, and not all of them."""
    text = document.blocks[r.start.block].text
    if r.start.block != r.end.block or not document.text(r).strip() or "\n" not in text:
        return False
    whole = r.start.offset == 0 and r.end.offset == len(text)
    return not whole and around(document, r) == r


def with_break(document: Document, r: Range) -> Range:
    """Lines of a block with the break behind them; the last ones with that before them."""
    if r.end.offset < len(document.blocks[r.end.block].text):
        return Range(r.start, r.end._replace(offset=r.end.offset + 1))
    return Range(r.start._replace(offset=r.start.offset - 1), r.end)
