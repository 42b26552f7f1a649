"""What is said while the desk itself reads aloud, and its own voice is heard with it."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from rapidfuzz import fuzz

from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.reading import reader
from nimble_lantern.core.state import Sitting

OWN_VOICE = "it may have been my own voice"
"""Why nothing is written while a text is read: a recogniser makes other words of that voice."""
_LONGEST = 3
"""Words of what ends a reading."""
_ALIKE = 75.0


def command_over(
    sitting: Sitting, words: Sequence[str], left: Sequence[str] | None, own: Sequence[str]
) -> tuple[str, ...] | None:
    """The command among heard words that is the speaker's, or None.

    What ends or halts the reading is believed wherever it stands, unless it is like words that are
    being read; any other command only if it is all that was heard, or all that is `left` without
    the words that are `own`.
    """
    for span in _spans(tuple(words)):
        if not any(fuzz.ratio(word, said) >= _ALIKE for word in span for said in own):
            verdict = reader.exactly(sitting, span, whole=True)
            hushes = verdict.parse is not None and verdict.parse.command.traits.hushes
            if verdict.kind is Judged.COMMAND and hushes:
                return span
    for whole in (tuple(left or ()), tuple(words)):
        if whole and reader.judge(sitting, whole, whole=True).kind is Judged.COMMAND:
            return whole
    return None


def _spans(words: tuple[str, ...]) -> Iterator[tuple[str, ...]]:
    for size in range(min(_LONGEST, len(words)), 0, -1):
        for i in range(len(words) - size + 1):
            yield words[i : i + size]
