"""Readings as a larger model gives them."""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.reading.hearing import HeardWord
from nimble_lantern.engines.whisper.model import Written


def written(text: str, sure: float = 0.9) -> tuple[Written, ...]:
    """Words as the model writes them, a third of a second each."""
    words = text.split()
    return tuple(Written(" " + w, n / 3, n / 3 + 0.3, sure) for n, w in enumerate(words))


def text(words: Sequence[HeardWord]) -> str:
    return " ".join(w.text for w in words)
