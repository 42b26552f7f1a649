"""What is selected, told by its place among its like: "make it the first", "swap it with the next
one", where a sentence or an item is selected."""

from __future__ import annotations

from collections.abc import Iterator

from nimble_lantern.core.document import units
from nimble_lantern.core.document.model import Kind, Range
from nimble_lantern.core.lexicon.desk import SPOKEN_OF
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.ones import place_among

_PUT = {("first",): "before", ("last",): "after", ("final",): "after"}
_MAKE = frozenset("make have let put".split())
_MOST = 8


def among_its_like(sitting: Sitting, words: tuple[str, ...]) -> Iterator[tuple[str, ...]]:
    """The same request with what is selected and the other named in full."""
    held = sitting.selection
    it = next((i for i, word in enumerate(words) if word in SPOKEN_OF), 0)
    if held is None or not it or len(words) > _MOST:
        return
    unit = _unit_of(sitting, held)
    for start in range(it + 1, len(words)):
        order = place_among(words[start:])
        if not order or unit is None:
            continue
        if start == it + 1:
            if words[0] in _MAKE and order in _PUT:
                yield ("move", "that", _PUT[order], "the", *order, unit)
            continue
        yield (*words[:it], "that", *words[it + 1 : start], "the", *order, unit)


def _unit_of(sitting: Sitting, held: Range) -> str | None:
    """What a selection is all of; a paragraph of one sentence is one."""
    document, b = sitting.document, held.start.block
    block = document.blocks[b]
    if held == units.block_range(document, b):
        return {Kind.ITEM: "item", Kind.HEADING: "heading"}.get(block.kind, "paragraph")
    return "sentence" if held in units.in_block(document, b, "sentence") else None
