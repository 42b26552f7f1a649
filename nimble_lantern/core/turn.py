"""One utterance being worked through: what it has come to so far."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from itertools import accumulate

from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.composing.onward import NEXT_ITEM, begins_an_item, next_cell_for
from nimble_lantern.core.document.edits import Edit
from nimble_lantern.core.document.history import Version
from nimble_lantern.core.document.model import Position
from nimble_lantern.core.document.tables import kept_whole
from nimble_lantern.core.doubts import Doubted, marked
from nimble_lantern.core.effects import Effect
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.kinds import Attention, Capitals, ReadAs
from nimble_lantern.core.mending.again import next_sentence, put_right, said_again, words_meant
from nimble_lantern.core.mending.knowing import taught_by
from nimble_lantern.core.reading.hearing import Hearing
from nimble_lantern.core.state import Question, Sitting, TurnOver, View

BROKEN_TABLE = "That would break a table. Name a cell, a row, or the whole table."


@dataclass
class Turn:
    """One utterance being worked through."""

    sitting: Sitting
    caret: Position  # where the version begins that is being made
    pause: float = 0.0  # seconds of silence before it
    effects: list[Effect] = field(default_factory=list)
    kinds: list[ReadAs] = field(default_factory=list)
    commands: list[str] = field(default_factory=list)
    summaries: list[str] = field(default_factory=list)
    versions: list[Version] = field(default_factory=list)
    offers: Question | None = None  # beside what is written
    asks: bool = False  # what is written was said to the desk, and nothing is offered
    meant: tuple[str, ...] = ()  # a command that may have been spoken instead of it
    doubted: Doubted = ()  # words that were not heard well
    hearing: Hearing | None = None
    refused: bool = False  # something was asked that could not be done
    turns_over: TurnOver | None = None  # which utterance is to be read the other way, at the end

    def refuse(self, refusal: Refusal | None) -> None:
        """Tell why what was said is not done."""
        self.refused = True
        self.summaries.append(str(refusal))

    def committed(self) -> Sitting:
        """With what is pending made a version of the history."""
        now = self.sitting
        if not now.pending:
            return now
        history = now.history.commit(
            now.pending, now.pending_inverse, now.number, self.caret, now.caret
        )
        assert history.head is not None
        self.versions.append(history.head)
        self.sitting = replace(now, history=history, pending=Edit(), pending_inverse=Edit())
        return self.sitting

    def write(self, parts: Sequence[Sequence[str]]) -> None:
        """Write stretches of text; where one ends, the speaker paused."""
        if held := held_back(self.sitting):
            self.kinds.append(held[0])
            self.summaries.append(held[1])
            return
        parts = [_without_hesitation(part) for part in parts]
        words = tuple(w for part in parts for w in part)
        if not words:
            self.kinds.append(ReadAs.IGNORED)
            self.summaries.append(ONLY_THOUGHT)
            return
        meant, used = words_meant(self.sitting, self.hearing, words)
        now = self.sitting
        if next_sentence(now, meant):
            now = replace(now, selection=None, fresh=False, question=None)
        asked = now.question
        corrected = now.selection if asked is not None and asked.corrects else None
        if corrected is not None:
            meant, used = said_again(now, self.hearing, corrected, meant), ()
            if not meant:
                self.kinds.append(ReadAs.UNCLEAR)
                self.summaries.append(SAME_AGAIN)
                return
            now = taught_by(now, corrected, meant, sure=True)
        # Going on leaves what was only offered.
        now = replace(now, question=None)
        at_pauses = pauses(parts) if len(meant) == len(words) else frozenset[int]()
        onward = ""
        if corrected is None and begins_an_item(now, meant):
            now, onward = compose(now, NEXT_ITEM).sitting, " as the next item"
        elif corrected is None and (there := next_cell_for(now, meant)) is not now:
            now, onward = there, " in the next cell"
        wrote = compose(now, meant, at_pauses, self.pause)
        if not kept_whole(now.document, wrote.sitting.document):
            self.kinds.append(ReadAs.UNCLEAR)
            self.summaries.append(BROKEN_TABLE)
            return
        after = replace(wrote.sitting, put_right=used, put_right_in=now.number)
        if corrected is not None and asked is not None:
            offered = (option.label for option in asked.options)
            after = put_right(now, corrected, after, wrote.range, *offered)
        if self.doubted:
            after = after.edited(marked(after.document, wrote.range, self.doubted))
        self.sitting = after
        self.kinds.append(ReadAs.TEXT)
        said = f"wrote {quoted(wrote.text)}{onward}" if wrote.text.strip() else "wrote a break"
        if not wrote.text and after.capitals != now.capitals:
            said = _CAPITALS[after.capitals]
        if used:
            learned = ", ".join(map(str, used))
            why = "as you corrected" if set(used) & set(now.lessons) else "as it stands here"
            said = f"{said}; {learned}, {why}: “that was right before” puts it back"
        self.summaries.append(said)


_CAPITALS = {
    Capitals.NONE: "capitals as usual",
    Capitals.TITLE: "each word gets a capital",
    Capitals.UPPER: "all in capitals",
    Capitals.LOWER: "no capitals",
}
ONLY_THOUGHT = "nothing but a pause for thought"
_HESITATING = frozenset("um uh er erm uhm umm ehm".split())
_SAID_OF_THEM = frozenset(
    "literal spell word words say says said saying an a the every each".split()
)
"""Before one they name it."""


def _without_hesitation(words: Sequence[str]) -> tuple[str, ...]:
    """What was said without the sounds of thinking."""
    return tuple(
        w
        for i, w in enumerate(words)
        if w not in _HESITATING or i and words[i - 1] in _SAID_OF_THEM
    )


SAME_AGAIN = "heard the same again: say a number, say it in other words, or “spell it”"


def pauses(parts: Sequence[Sequence[str]]) -> frozenset[int]:
    """How many words had been said at each pause; not at the end."""
    counts = accumulate(len(part) for part in parts[:-1])
    return frozenset(counts)


_SHOWN = {
    View.SHELF: "the shelf is shown",
    View.SETTINGS: "the settings are shown",
    View.COMMANDS: "the list of commands is shown",
    View.WORD_BOOK: "the word book is shown",
    View.FIGURES: "the figures are shown",
    View.PASSAGES: "the passages are shown",
    View.PRACTICE: "the lessons are shown",
    View.PRINT_TRAY: "the print tray is shown",
    View.VERSIONS: "the versions are shown",
    View.TRAIL: "the trail is shown",
}


NOT_CHOSEN = "to choose from; say a number"
NOT_ANSWERED = "say “yes” or “no” first"
"""What is said of an utterance that answers no question; said twice, the question is dropped."""


def held_back(sitting: Sitting) -> tuple[ReadAs, str] | None:
    """Why text is not written just now: how the utterance is read, and what to say of it."""
    if sitting.attention is Attention.COMMANDS:
        return ReadAs.IGNORED, "commands only: not written"
    if sitting.tray is not None:
        return ReadAs.UNCLEAR, "spelling: say letters, “that is it”, or “cancel”"
    if sitting.view is not View.DESK:
        return ReadAs.UNCLEAR, f"not written: {_SHOWN[sitting.view]}; “back to the desk” goes back"
    if sitting.question is not None and sitting.question.sure:
        return ReadAs.UNCLEAR, f"not written: {NOT_ANSWERED}"
    if sitting.question is not None and not sitting.question.beside:
        count = len(sitting.question.options)
        there = f"there {'is' if count == 1 else 'are'} {many(count, 'place')}"
        return ReadAs.UNCLEAR, f"not written: {there} {NOT_CHOSEN}"
    return None
