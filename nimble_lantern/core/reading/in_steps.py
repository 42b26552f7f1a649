"""Several cells or items in one breath, with "next" between them."""

from __future__ import annotations

from nimble_lantern.core.commands.columns import Said
from nimble_lantern.core.commands.table_here import here
from nimble_lantern.core.document.model import Kind
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.lexicon.closed import DETERMINERS
from nimble_lantern.core.state import Sitting


def in_steps(sitting: Sitting, words: Said) -> tuple[Said, ...]:
    """What is said into several cells or items in one breath, cut where it goes on to the next:
    "gus next olive next row two"; nothing where "next" is a word of the text, or the cells are not
    empty."""
    place = sitting.writing_place
    block = sitting.document.blocks[place.block]
    item = block.kind is Kind.ITEM and not block.text[place.offset :].strip()
    if not (block.cell or item) or sitting.selection is not None or "next" not in words:
        return ()
    parts: list[Said] = []
    begun = i = 0
    while i < len(words):
        size = next((len(s) for s in _ON if words[i : i + len(s)] == s), 0)
        last = words[i - 1] if i > begun else ""
        goes_on = size == 1 and words[i + 1 : i + 2] in _NO_STEPS
        if not size or last in DETERMINERS or goes_on:
            i += 1
            continue
        parts += (words[begun:i], words[i : i + size])
        begun = i = i + size
    parts.append(words[begun:])
    said = [part for part in parts if part]
    steps = sum(part in _ON for part in said)
    longest = _LONGEST_ITEM if item else _LONGEST_CELL
    short = all(len(part) <= longest for part in said)
    whole = steps and len(said) > steps and short and (item or _cells_ahead(sitting, steps))
    return tuple(said) if whole else ()


def _cells_ahead(sitting: Sitting, steps: int) -> bool:
    """Whether so many cells behind the one here are empty."""
    table, b = here(sitting), sitting.writing_place.block
    if isinstance(table, Refusal):
        return False
    ahead = sitting.document.blocks[b + 1 : table.last + 1]
    return len(ahead) >= steps and not any(block.text.strip() for block in ahead[:steps])


_ON = (
    *(("next", what) for what in ("cell", "row", "item", "point", "bullet")),
    ("next",),
)
_NO_STEPS = frozenset(
    (word,)
    for word in (
        "week weeks year years month months day days time times door to of kin page one line"
        " paragraph sentence column morning evening spring summer autumn winter weekend week's"
        " monday tuesday wednesday thursday friday saturday sunday best most few"
    ).split()
)
"""Behind "next", they make one thing of it: "next week"."""
_LONGEST_CELL, _LONGEST_ITEM = 6, 4
