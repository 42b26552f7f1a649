"""The words of a document as they are written, counted as its blocks come and go."""

from __future__ import annotations

import re
from collections import Counter
from collections.abc import KeysView

from nimble_lantern.core.document.changes import changed
from nimble_lantern.core.document.model import Block

WORD = re.compile(r"[^\W\d_]+(?:['’][^\W\d_]+)*")


class WrittenWords:
    """Which words, in small letters, stand in a document.

    A cache: its answers depend on the blocks alone, its cost on what changed since last asked.
    """

    def __init__(self) -> None:
        self._blocks: tuple[Block, ...] = ()
        self._counts: Counter[str] = Counter()

    def follow(self, blocks: tuple[Block, ...]) -> WrittenWords:
        if blocks is not self._blocks:
            start, old_end, new_end = changed(self._blocks, blocks)
            for block in blocks[start:new_end]:
                self._counts.update(plain_words(block))
            for block in self._blocks[start:old_end]:
                for word in plain_words(block):
                    self._counts[word] -= 1
                    if not self._counts[word]:
                        del self._counts[word]
            self._blocks = blocks
        return self

    @property
    def words(self) -> KeysView[str]:
        return self._counts.keys()


def plain_words(block: Block) -> frozenset[str]:
    """The words of a block in small letters, with straight apostrophes."""
    kept: frozenset[str] | None = block.__dict__.get("_plain_words")
    if kept is None:
        kept = frozenset(w.lower().replace("’", "'") for w in WORD.findall(block.text))
        block.__dict__["_plain_words"] = kept
    return kept
