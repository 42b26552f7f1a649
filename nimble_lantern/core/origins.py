"""Which utterance words of the document came from: an anchor for each stretch that was written."""

from __future__ import annotations

from nimble_lantern.core.document.breaths import ORIGIN, who_wrote
from nimble_lantern.core.document.edits import Edit, pin, unpin
from nimble_lantern.core.document.model import Anchor, Document, Position, Range


def of_utterance(document: Document, r: Range, number: int) -> Edit:
    """Keep that a range was written by an utterance; nothing for an empty one.

    What is known of words that are gone from the same blocks goes with it, or years of writing and
    deleting would leave a paragraph full of it.
    """
    if r.empty:
        return Edit()
    return unpin(anchors_gone(document, r, ORIGIN)).then(pin(document, ORIGIN, r, utterance=number))


def anchors_gone(document: Document, r: Range, kind: str) -> list[Anchor]:
    """The anchors of a kind in the blocks of a range whose words are gone."""
    near = {p.anchor for b in document.blocks[r.start.block : r.end.block + 1] for p in b.points}
    found = []
    for number in sorted(near):
        anchor, where = document.anchors.get(number), document.where(number)
        if anchor and anchor.kind == kind and (where is None or where.empty):
            found.append(anchor)
    return found


def utterance_at(document: Document, p: Position) -> int | None:
    """The utterance that wrote the character behind a position, the last one that did.

    Looks at the block's own anchors first: one that reaches over several blocks is older.
    """
    for utterance, where in who_wrote(document, p.block):
        if where.start <= p < where.end:
            return utterance
    for anchor, where in reversed(list(document.anchored(ORIGIN))):
        if where.start <= p < where.end and "utterance" in anchor.data:
            return int(anchor.data["utterance"])
    return None


def written_with(document: Document, r: Range) -> Range | None:
    """Where the words stand that were written by one utterance with those of a range in a block."""
    written = (where for _, where in who_wrote(document, r.start.block))
    return next((w for w in written if w.start <= r.start and r.end <= w.end), None)
