"""The words there are: the commonest of English, and those of a document, as they are written."""

from __future__ import annotations

import re
from collections import Counter
from collections.abc import Iterable, Iterator, KeysView
from functools import cache

from nimble_lantern.core.document.changes import changed
from nimble_lantern.core.document.model import Block
from nimble_lantern.core.lexicon.frequency import commonest

_COMMON = 40_000
_WORD = re.compile(r"[^\W\d_]+(?:['’][^\W\d_]+)*")


@cache
def common_words() -> tuple[str, ...]:
    """The commonest English words, in small letters, the commonest first."""
    words = commonest(_COMMON)
    return tuple(word for word in words if _WORD.fullmatch(word) and word.isascii())


class WrittenWords:
    """Which words stand in a document.

    A cache: its answers depend on the blocks alone, its cost on what changed since last asked.
    """

    def __init__(self) -> None:
        self._blocks: tuple[Block, ...] = ()
        self._plain: Counter[str] = Counter()
        self._written: Counter[str] = Counter()

    def follow(self, blocks: tuple[Block, ...]) -> WrittenWords:
        if blocks is not self._blocks:
            start, old_end, new_end = changed(self._blocks, blocks)
            for block in blocks[start:new_end]:
                self._count(block, 1)
            for block in self._blocks[start:old_end]:
                self._count(block, -1)
            self._blocks = blocks
        return self

    def _count(self, block: Block, by: int) -> None:
        for counts, words in ((self._plain, words_of(block)), (self._written, _written(block))):
            for word in words:
                counts[word] += by
                if not counts[word]:
                    del counts[word]

    @property
    def words(self) -> KeysView[str]:
        """In small letters, with straight apostrophes."""
        return self._plain.keys()

    @property
    def forms(self) -> KeysView[str]:
        """As they are written."""
        return self._written.keys()


def words_of(block: Block) -> Iterator[str]:
    """The words of a block in their order, in small letters, with straight apostrophes."""
    return (word.lower().replace("’", "'") for word in _written(block))


def _written(block: Block) -> Iterable[str]:
    kept: tuple[str, ...] | None = block.__dict__.get("_written")
    if kept is None:
        kept = block.__dict__["_written"] = tuple(_WORD.findall(block.text))
    return kept
