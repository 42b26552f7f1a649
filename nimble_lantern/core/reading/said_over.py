"""What is said while the desk itself reads aloud, and its own voice is heard with it."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from rapidfuzz import fuzz

from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.reading import reader
from nimble_lantern.core.reading.exactly import exactly
from nimble_lantern.core.reading.hearing import Hypothesis
from nimble_lantern.core.state import Sitting

OWN_VOICE = "it may have been my own voice"
"""Why nothing is written while a text is read: a recogniser makes other words of that voice."""
_LONGEST = 3
"""Words of what ends a reading."""
_ALIKE = 75.0


LEAST_FITTING = -3.4
"""Log score of a frame: of "stop" said into the desk's voice, one in sixty is below it."""
LEAST_SECONDS = 0.2
"""Of what was said: shorter sounds are what is left of the voice itself."""


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
            verdict = exactly(sitting, span, whole=True)
            hushes = verdict.parse is not None and verdict.parse.command.traits.hushes
            if verdict.kind is Judged.COMMAND and hushes:
                return span
    for whole in (tuple(left or ()), tuple(words)):
        if whole and reader.judge(sitting, whole, whole=True).kind is Judged.COMMAND:
            return whole
    return None


def halts(commands: Sequence[Hypothesis]) -> bool:
    """Whether "stop", or what begins with it, fits the sound of what was said over a reading.

    The recogniser listens for that alone then; dictation's words for so short a sound may be any.
    """
    best = commands[0] if commands else None
    if best is None or not best.words or best.words[0].text != "stop":
        return False
    long = best.words[-1].end - best.words[0].start >= LEAST_SECONDS
    return long and best.score >= LEAST_FITTING


def _spans(words: tuple[str, ...]) -> Iterator[tuple[str, ...]]:
    for size in range(min(_LONGEST, len(words)), 0, -1):
        for i in range(len(words) - size + 1):
            yield words[i : i + size]
