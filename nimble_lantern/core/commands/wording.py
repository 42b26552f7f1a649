"""How the trail says what was done: short, in words."""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.document.model import Document, Range
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Places
from nimble_lantern.core.writing.cardinals import in_words

_MOST = 48


def quoted(text: str) -> str:
    """The text in quotation marks, its middle left out if it is long."""
    text = " ".join(text.split())
    if len(text) > _MOST:
        text = f"{text[: _MOST // 2].rstrip()} … {text[-_MOST // 2 :].lstrip()}"
    return f"“{text}”"


def many(count: int, noun: str) -> str:
    """ "one word", "14 words"."""
    number = in_words(count) if count < 10 else f"{count:,}"
    return f"{number} {noun}{'' if count == 1 else 's'}"


def named(document: Document, ranges: Sequence[Range]) -> str:
    """What ranges are, for the trail: the words, or how many places."""
    if len(ranges) == 1:
        return quoted(document.text(ranges[0]))
    return f"{quoted(document.text(ranges[0]))} in {many(len(ranges), 'place')}"


def words_in(sitting: Sitting, ranges: Sequence[Range]) -> str:
    """ "deleted 14 words: …" wants the number."""
    return many(sum(sitting.document.count_words(r) for r in ranges), "word")


def near(places: Places) -> str:
    """The note on a near match; empty where the match was exact."""
    return f" (heard: {places.heard}; taken: {places.near})" if places.near else ""
