"""Commands that a larger model reads in a sound once it was told that there may be one.

A recogniser of general speech writes what people mostly write: "gold everything", "and do that".
Read again as if commands and the words in view had come before, the same sound is "bold
everything", "undo that".  What is read so is a guess: it must be a command exactly as it stands,
and what it would write must have been heard without the cue, too.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.reading.exactly import exactly
from nimble_lantern.core.reading.homophones import guesses
from nimble_lantern.core.state import Sitting

MOST_WORDS = 12
"""Of an utterance that may be one: longer ones are sentences."""
_MOST_IN_VIEW = 300  # letters
_SPOKEN = (
    "Undo that. Redo that. Bold that. Bold the first line. Italic the heading. Underline it. "
    "No bold. Delete the sentence. Select the next word. Move this down. Go to the top. Put the "
    "caret before that. Copy it. Cut. Paste it here. Change one to two. Replace the word with "
    "another. Insert a comma after it. Full stop. Colon. New item. Sort the rows. Heading. Make "
    "the paragraph a list. Capitalise the name. Spelling off."
)
"""What is said to a desk, in its own words; the model's memory of what came before is short."""


def cue(view: Sequence[str], names: Sequence[str]) -> str:
    """What may as well have come before a command: the text in view, its names, and commands."""
    return f"{' '.join(view)[:_MOST_IN_VIEW]} {', '.join(names)}. {_SPOKEN}"


@dataclass(frozen=True, slots=True)
class Commands:
    """What is asked of a desk about words that a larger model heard on it."""

    sitting: Sitting

    def may_be(self, said: Sequence[str], doubted: bool = False) -> bool:
        """Whether words are no command, or `doubted`, and few enough to have been one."""
        if not 0 < len(said) <= MOST_WORDS or self.sitting.tray is not None:
            return False
        return doubted or not self.is_one(said)

    def is_one(self, said: Sequence[str]) -> bool:
        """Whether words are a command, exactly as they stand."""
        return exactly(self.sitting, tuple(said), whole=True).kind is Judged.COMMAND

    def sounding_like(self, said: Sequence[str]) -> list[tuple[str, ...]]:
        """Commands that sound like words which are none; the nearest first."""
        return guesses(self.sitting, said)

    def among(
        self, readings: Iterable[Sequence[str]], heard: Iterable[Sequence[str]]
    ) -> list[tuple[str, ...]]:
        """The readings that are commands, exactly; the likeliest first.

        `heard`: what the sound was read as without a cue.
        """
        known = {word for words in heard for word in words}
        found = []
        # Readings that differ in marks only are one.
        for words in dict.fromkeys(map(tuple, readings)):
            verdict = exactly(self.sitting, words, whole=True)
            if verdict.kind is Judged.COMMAND and known.issuperset(verdict.free_words):
                found.append(words)
        return found
