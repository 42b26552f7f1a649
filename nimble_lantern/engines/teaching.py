"""Which utterances teach an engine its speaker's voice: those whose words the speaker let stand."""

from __future__ import annotations

from dataclasses import dataclass

from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.grammar.catalogue import Traits
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.reading.hearing import Hearing
from nimble_lantern.core.state import Entry
from nimble_lantern.engines.habits import Measured, measured

LEAST_SURE = 0.5
"""Posterior of a word from which it is learned from."""
_DONE = (ReadAs.TEXT, ReadAs.COMMAND, ReadAs.BOTH)
_NO_WORDS = frozenset(("...",))


@dataclass(frozen=True, slots=True)
class Lesson:
    """Sound, the words in it as they were spoken, which of them are sure, and what of the speaker
    was measured in it."""

    sound: bytes
    words: tuple[str, ...]
    sure: tuple[bool, ...]
    measured: Measured


class Lessons:
    """Utterances one by one: each is a lesson once the next shows that it was heard rightly.

    Where none of its words is sure, it tells of the speaker, and nothing of the voice.
    """

    def __init__(self) -> None:
        self._last: Lesson | None = None
        self._wrote = False  # the utterance before is text

    def after(self, entry: Entry, hearing: Hearing, sound: bytes) -> Lesson | None:
        """What the one before teaches, now that this one was heard and is in the trail."""
        last, self._last = self._last, None
        done = entry.read_as in _DONE and not entry.refused
        found = CATALOGUE.commands.get(entry.command or "")
        traits = found.traits if found is not None else Traits()
        if done and not traits.answers:
            self._last = _lesson(entry, hearing, sound, self._wrote)
        self._wrote = entry.read_as is ReadAs.TEXT
        # What is taken back or put right was misheard, perhaps; so was what comes again.
        wrong = traits.corrects or traits.walks or traits.spells or not done
        return None if wrong else last

    def forget(self) -> None:
        self._last = None


def _lesson(entry: Entry, hearing: Hearing, sound: bytes, wrote: bool) -> Lesson:
    written = entry.read_as is ReadAs.TEXT
    words = tuple(w for w in entry.heard.split() if w not in _NO_WORDS)
    heard = hearing.hypotheses[0].words if hearing.hypotheses else ()
    if entry.read_as is ReadAs.COMMAND:
        sure = (True,) * len(words)
    elif tuple(w.text for w in heard) == words:
        sure = tuple(w.confidence >= LEAST_SURE for w in heard)
    else:
        sure = (False,) * len(words)
    return Lesson(sound, words, sure, measured(hearing, wrote and written, written))
