"""How the trail says what was done: short, in words."""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.document.model import Document, Range
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Places
from nimble_lantern.core.writing.cardinals import in_words

_MOST = 48


def quoted(text: str) -> str:
    """The text in quotation marks; of a long one the first and the last words."""
    return f"“{shortened(text)}”"


def shortened(text: str, most: int = _MOST) -> str:
    """Whole words from the start and the end of a text, as many as fit into `most` characters.

    One word that is longer by itself is cut.
    """
    text = " ".join(text.split())
    if len(text) <= most:
        return text
    half = (most - 3) // 2
    first = text[: half + 1].rsplit(" ", 1)[0] if " " in text[: half + 1] else text[:half]
    rest = text[-half - 1 :]
    last = rest.split(" ", 1)[1] if " " in rest else rest[1:]
    return f"{first} … {last}"


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
