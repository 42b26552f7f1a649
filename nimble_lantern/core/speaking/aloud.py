"""What is read aloud, and which sentence of it is being spoken."""

from __future__ import annotations

from dataclasses import dataclass

from nimble_lantern.core.document.model import Range


@dataclass(frozen=True, slots=True)
class Aloud:
    """Stretches of the document to be read one after another; `at` is the one being read.

    `word` counts the words of it that were spoken when the page told last.
    """

    stretches: tuple[Range, ...]
    at: int = 0
    waiting: bool = False
    word: int = 0
    marks: bool = False  # are named as well

    @property
    def here(self) -> Range | None:
        return self.stretches[self.at] if self.at < len(self.stretches) else None
