"""What is told by voice of what was done: a few words, so that nobody need look."""

from __future__ import annotations

from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.state import Entry, Sitting

MOST_OPTIONS = 7
_MOST = 220
"""Characters of one answer."""


def answer(sitting: Sitting, entry: Entry) -> str:
    """What is said about an utterance; nothing where text was written."""
    if entry.read_as in (ReadAs.TEXT, ReadAs.IGNORED) and not _asks(sitting):
        return ""
    said = entry.summary.replace("“", "").replace("”", "")
    question = sitting.question
    if question is not None and question.options:
        labels = (
            f"{n}, {option.label}" for n, option in enumerate(question.options[:MOST_OPTIONS], 1)
        )
        said = f"{said}. {'; '.join(labels)}"
    return said if len(said) <= _MOST else said[:_MOST].rsplit(" ", 1)[0]


def _asks(sitting: Sitting) -> bool:
    return sitting.question is not None
