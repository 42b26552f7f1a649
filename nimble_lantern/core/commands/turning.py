"""Turning a reading over: what was taken for a command was text, or the other way round."""

from __future__ import annotations

from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import command
from nimble_lantern.core.state import Sitting, Turned, TurnOver


def _turned(sitting: Sitting, how: Turned, number: int | None) -> TurnOver | Refusal:
    last = reversed(sitting.trail)
    found = next((e for e in last if number is None or e.number == number), None)
    if found is None:
        what = "Nothing was just said" if number is None else f"There is no utterance {number}"
        return Refusal(f"{what} that could be turned over.")
    if found.read_as.value == how.value:
        say = "“Undo that” takes it back." if number is None else ""
        return Refusal(f"That was read as {how} already.", "", say)
    return TurnOver(how, number)


@command(
    "that was text",
    "(that was | i meant that as | take that as | read that as) (text | writing | a sentence)",
    "(that was | it was) (not a | no) command",
    "(not | no) a command",
    "write that [down] [instead]",
    "i was (dictating | writing)",
    "(that | it) was (meant [to be | as] | supposed to be) (text | written | words)",
    "(those were | i meant) [just] words",
    "write (that | it) [down] (as text | as words)",
    "i (meant | wanted) (that | it) as (text | words)",
    "(that | it) wasn't a command",
    "(do not | don't) do (that | it) write (that | it)",
    "[(utterance | number)] {number} was (text | not a command)",
    "(take | read) [(utterance | number)] {number} as text",
    example="that was text",
    group="repair",
    walks=True,
)
def was_text(sitting: Sitting, number: int | None = None) -> TurnOver | Refusal:
    """Write the last utterance, or a numbered one, as text; what it did as a command goes."""
    return _turned(sitting, Turned.TEXT, number)


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
    last = sitting.trail[-1:]
    if not last or last[0].read_as != "unclear" or not last[0].heard:
        return Refusal("Nothing unclear was just heard.", "", "Say it again.")
    return TurnOver(Turned.ANYWAY)


@command(
    "that was a command",
    "(that was | it was) not text",
    "(i meant that as | take that as | read that as) a command",
    "(that | it) was (a command | for the desk)",
    "(that | it) was meant (as a command | for the desk)",
    "i (meant | wanted) (that | it) as a command",
    "i was (talking | speaking) to the desk",
    "(do not | don't) write (that | it) [(just | but)] do (that | it)",
    "[(utterance | number)] {number} was (a command | not text)",
    "(take | read) [(utterance | number)] {number} as a command",
    example="that was a command",
    group="repair",
    walks=True,
)
def was_command(sitting: Sitting, number: int | None = None) -> TurnOver | Refusal:
    """Do the last utterance, or a numbered one, as a command; its words go out of the text."""
    return _turned(sitting, Turned.COMMAND, number)


@command("(do | obey) that [instead]", example="do that instead", group="repair", walks=True)
def obey_that(sitting: Sitting) -> TurnOver | Refusal:
    """Do the last utterance as a command, where it may have been meant as one."""
    last, asked = sitting.trail[-1:], sitting.question
    told = bool(last) and last[0].summary.endswith("“that was a command”")
    if not told and (asked is None or not asked.beside):
        return Refusal("Nothing like a command was just said.", "", "Say what is to be done.")
    return TurnOver(Turned.COMMAND)
