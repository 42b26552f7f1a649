"""Turning a reading over: what was taken for a command was text, or the other way round."""

from __future__ import annotations

from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import command
from nimble_lantern.core.state import Sitting, TurnOver


def _turned(sitting: Sitting, how: str) -> TurnOver | Refusal:
    if sitting.previous is None or not sitting.trail:
        return Refusal("Nothing was just said that could be turned over.")
    was = sitting.trail[-1].read_as
    if was == how:
        return Refusal(f"That was read as {how} already.", "", "“Undo that” takes it back.")
    return TurnOver(how)


@command(
    "that was text",
    "(that was | i meant that as | take that as | read that as) (text | writing | a sentence)",
    "(that was | it was) (not a | no) command",
    "(no | not) a command",
    "write that [down] [instead]",
    "i was (dictating | writing)",
    example="that was text",
    group="repair",
    walks=True,
)
def was_text(sitting: Sitting) -> TurnOver | Refusal:
    """Write the last utterance as text, and take back what it did as a command."""
    return _turned(sitting, "text")


@command(
    "take (it | that | this) anyway",
    "(write | do) (it | that | this) anyway",
    "that was me",
    example="take it anyway",
    group="repair",
    walks=True,
)
def anyway(sitting: Sitting) -> TurnOver | Refusal:
    """Take the last utterance although it was not clear."""
    if sitting.previous is None or not sitting.trail or sitting.trail[-1].read_as != "unclear":
        return Refusal("Nothing unclear was just heard.", "", "Say it again.")
    return TurnOver("anyway")


@command(
    "that was a command",
    "(that was | it was) not text",
    "(i meant that as | take that as | read that as) a command",
    "(do | obey) that [instead]",
    example="that was a command",
    group="repair",
    walks=True,
)
def was_command(sitting: Sitting) -> TurnOver | Refusal:
    """Do the last utterance as a command, and take its words out of the text."""
    return _turned(sitting, "command")
