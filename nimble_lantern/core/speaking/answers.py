"""What is told by voice of what was done: a few words, so that nobody need look."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import islice

from nimble_lantern.core.document.model import Range
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.state import Entry, Option, Sitting

MOST_OPTIONS = 7
_MOST = 220
"""Characters of one answer."""
_BESIDE = 3
"""Words before and behind a place, by which it is told from others."""
_LATELY = 50
"""Utterances that are looked through for the one that was taken back."""


def answer(
    before: Sitting,
    sitting: Sitting,
    entry: Entry,
    listed: Sequence[str] = (),
    asks: bool = False,
) -> str:
    """What is said about an utterance; nothing where text was written, unless it `asks` for
    something.

    `listed` is what a page that was just gone to has to choose from.
    """
    if entry.read_as in (ReadAs.TEXT, ReadAs.IGNORED) and not asks and not _asks(sitting):
        return ""
    said = _undone(before, sitting) or entry.summary
    if choices := "; ".join(_to_choose(sitting) or listed[:MOST_OPTIONS]):
        said = f"{said.rstrip('.?')}. {choices}"
    said = said.replace("“", "").replace("”", "")
    return said if len(said) <= _MOST else said[:_MOST].rsplit(" ", 1)[0]


def _asks(sitting: Sitting) -> bool:
    return sitting.question is not None


def _undone(before: Sitting, after: Sitting) -> str:
    """What was taken back, where that was one change: nobody sees its number."""
    version = before.history.head
    if version is None or after.history.head is not version.parent:
        return ""
    lately = islice(reversed(before.trail), _LATELY)
    entry = next((e for e in lately if e.number == version.utterance), None)
    return f"undid: {entry.summary}" if entry else ""


def _to_choose(sitting: Sitting) -> list[str]:
    question = sitting.question
    if question is None:
        return []
    options = question.options[:MOST_OPTIONS]
    alike = _same_words(sitting, options)
    labels = (_by_place(sitting, o.ranges[0]) if alike else o.label for o in options)
    return [f"{n}, {label}" for n, label in enumerate(labels, 1)]


def _same_words(sitting: Sitting, options: Sequence[Option]) -> bool:
    """Whether they are places of the same words, so that only what is beside them differs."""
    places = [option.ranges[0] for option in options if option.ranges]
    texts = {sitting.document.text(place).casefold() for place in places}
    labelled = all(text in option.label.casefold() for text in texts for option in options)
    return len(set(places)) == len(options) > 1 == len(texts) and labelled


def _by_place(sitting: Sitting, place: Range) -> str:
    """One of several places of the same words, by the words next to it."""
    before = sitting.document.blocks[place.start.block].text[: place.start.offset].split()
    behind = sitting.document.blocks[place.end.block].text[place.end.offset :].split()
    if before:
        return f"after {' '.join(before[-_BESIDE:])}"
    return f"before {' '.join(behind[:_BESIDE])}" if behind else "a line of its own"
