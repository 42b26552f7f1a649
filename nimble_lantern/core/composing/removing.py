"""Taking words and blocks out, with the space that would be left over."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace
from functools import partial

from nimble_lantern.core.composing.articles import agreement
from nimble_lantern.core.document import broken
from nimble_lantern.core.document.edits import (
    DropBlocks,
    Edit,
    Reformat,
    Splice,
    delete,
    in_turn,
)
from nimble_lantern.core.document.model import (
    Document,
    Format,
    Piece,
    Position,
    Range,
)
from nimble_lantern.core.document.units import disjoint
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.writing.capitals import starts_sentence


def tidy(document: Document, r: Range) -> Range:
    """A range to be deleted, with the one space that would otherwise be left over."""
    (b1, o1), (b2, o2) = r
    left, right = document.blocks[b1].text[:o1], document.blocks[b2].text[o2:]
    begins = not left.strip() or left.rstrip()[-1] in ".!?"
    if begins and right[:1] in tuple(".!?") and document.blocks[b1].text[o1 : o1 + 1].isalnum():
        # All the words of a sentence go: so does its stop.
        return tidy(document, Range(r.start, Position(b2, o2 + 1)))
    if right[:1] in (",", ";") and (begins or left.rstrip()[-1:] in (",", ";")):
        # No comma begins a sentence, nor stands beside another.
        gap = 1 if right[1:2] == " " and (not left or left[-1:] == " ") else 0
        return tidy(document, Range(r.start, Position(b2, o2 + 1 + gap)))
    if left.rstrip()[-1:] in (",", ";") and right[:1] in tuple(".!?;:"):
        return Range(Position(b1, len(left.rstrip()) - 1), r.end)
    closes = not right or right[0] in " \n,.;:!?)]}’”…"
    if left.endswith(" ") and closes:
        return Range(Position(b1, o1 - 1), r.end)
    if (not left or left.endswith(("\n", "(", "[", "“", "‘"))) and right.startswith(" "):
        return Range(r.start, Position(b2, o2 + 1))
    return r


def remove(
    sitting: Sitting, ranges: Iterable[Range], blocks: bool = False, begin: bool = False
) -> Sitting:
    """Delete ranges and tidy the spaces; with `blocks`, whole blocks and lines go with their text.

    With `begin`, what then begins a sentence has its capital.
    """
    removals = (
        partial(_removal, r=r, blocks=blocks, caret=sitting.caret, begin=begin)
        for r in reversed(_joined(disjoint(ranges)))
    )
    after = sitting.edited(in_turn(sitting.document, removals))
    return replace(after, that=(), selection=None, fresh=False)


def _joined(ranges: Iterable[Range]) -> list[Range]:
    """Ranges that touch as one: what one leaves is not tidied away twice."""
    found: list[Range] = []
    for r in ranges:
        if found and found[-1].end == r.start:
            found[-1] = Range(found[-1].start, r.end)
        else:
            found.append(r)
    return found


def _removal(
    document: Document, r: Range, blocks: bool, caret: Position, begin: bool = False
) -> Edit:
    """`caret` is where the writing goes on: its block or line stays, if empty, a place to write."""
    (b1, o1), (b2, o2) = r
    if broken.parted(document, r) and (blocks or not r.start <= caret <= r.end):
        return delete(document, broken.with_break(document, r))
    whole = o1 == 0 and o2 == len(document.blocks[b2].text)
    if not whole:
        gone = tidy(document, r)
        edit = delete(document, gone).then(_begun(document, gone) if begin else Edit())
        return edit.then(agreement(edit.apply(document), gone.start))
    count = b2 - b1 + 1
    plain_last = document.blocks[b1].kind == "paragraph" and not blocks
    if any(block.cell for block in document.blocks[b1 : b2 + 1]):
        return delete(document, r)
    if count == len(document.blocks):
        edit = delete(document, r)
        return edit.then(Edit((Reformat(0, Format()),)))
    if plain_last and b1 <= caret.block <= b2:
        return delete(document, r)
    return Edit((DropBlocks(b1, count),))


def _begun(document: Document, gone: Range) -> Edit:
    """The capital of the word that begins a sentence when the words before it, which did, go."""
    (b1, o1), (b2, o2) = gone
    if b1 != b2 and any(block.cell for block in document.blocks[b1 : b2 + 1]):
        return Edit()  # nothing is joined across the edge of a cell
    block, rest = document.blocks[b1], document.blocks[b2].text[o2:]
    gap = len(rest) - len(rest.lstrip(" "))
    began = next((c for c in block.text[o1 : o2 if b1 == b2 else None] if c.isalpha()), "")
    word = rest[gap:].split(" ", 1)[0]
    if not began.isupper() or not word.islower() or not starts_sentence(block.text[:o1]):
        return Edit()
    at = o1 + gap
    piece = document.blocks[b2].piece(o2 + gap, o2 + gap + 1)
    return Edit((Splice(b1, at, at + 1, Piece(piece.text.upper(), piece.spans)),))


def with_its_pair(document: Document, r: Range) -> Range:
    """A range and the brackets or quotation marks that hold it and nothing else, or of which it
    has the first one."""
    if r.empty or r.start.block != r.end.block:
        return r
    said, behind = document.text(r), document.blocks[r.end.block].text[r.end.offset :][:1]
    if any(behind == p[1] and said.count(p[0]) == said.count(p[1]) + 1 for p in ("()", "[]", "“”")):
        return Range(r.start, r.end._replace(offset=r.end.offset + 1))
    text, (start, end) = document.blocks[r.start.block].text, (r.start.offset, r.end.offset)
    held = text[max(0, start - 1) : start] + text[end : end + 1]
    if held not in _PAIRS:
        return r
    return Range(r.start._replace(offset=start - 1), r.end._replace(offset=end + 1))


_PAIRS = frozenset(("()", "[]", "{}", "“”", "‘’", '""', "''"))
