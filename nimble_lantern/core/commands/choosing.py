"""Picking one of the places or readings that the desk asks about."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, command
from nimble_lantern.core.state import Done, Question, Sitting


def answered(sitting: Sitting, question: Question, picked: tuple[int, ...]) -> Done | Refusal:
    """Do what was asked about, for the options picked (counted from 0)."""
    ranges = tuple(r for i in picked for r in question.options[i])
    made = CATALOGUE.commands[question.command]
    args = dict(question.args)
    old = args[question.slot]
    args[question.slot] = replace(old, ranges=ranges, ask=False)
    bare = replace(sitting, question=None)
    answer = made.handler(bare, **args)
    assert isinstance(answer, (Done, Refusal))
    return answer


def _question(sitting: Sitting) -> Question | Refusal:
    if sitting.question is None:
        return Refusal("There is nothing to choose from just now.")
    return sitting.question


@command(
    "(choose | pick | take) [number] {number}",
    "[number] {number}",
    "(choose | pick | take) [the] {position} [one]",
    "[the] {position} [one]",
    "[the] number {number}",
    example="choose two",
    group="choosing",
    heard=5,  # they are listened for only while there is something to choose from
)
def choose(
    sitting: Sitting, number: int | None = None, position: int | None = None
) -> Done | Refusal:
    """Pick one of the numbered places."""
    question = _question(sitting)
    if isinstance(question, Refusal):
        return question
    n = number if number is not None else position or 0
    if not 1 <= n <= len(question.options):
        count = len(question.options)
        return Refusal(f"There is no number {n}.", "", f"Say a number from one to {count}.")
    return answered(sitting, question, (n - 1,))


@command("(choose | pick | take) the last [one]", "the last [one]", example="the last one",
         group="choosing")  # fmt: skip
def choose_last(sitting: Sitting) -> Done | Refusal:
    """Pick the last of the numbered places."""
    question = _question(sitting)
    if isinstance(question, Refusal):
        return question
    return answered(sitting, question, (len(question.options) - 1,))


@command("(choose | pick | take) (all | both) [of them]", "(all | both) [of them]", "every one",
         "all of them please", example="all of them", group="choosing")  # fmt: skip
def choose_all(sitting: Sitting) -> Done | Refusal:
    """Take all of the numbered places."""
    question = _question(sitting)
    if isinstance(question, Refusal):
        return question
    return answered(sitting, question, tuple(range(len(question.options))))


@command(
    "cancel [that]",
    "never mind",
    "none [of (them | these)]",
    example="cancel",
    group="choosing",
)
def cancel(sitting: Sitting) -> Done:
    """Leave a question, a selection or a dialog as it was."""
    after = replace(sitting.about(()), question=None, insertion=None)
    return Done(after, "left as it was" if sitting.question else "nothing is selected")


ONLY_WHILE_CHOOSING = frozenset({"choosing.choose", "choosing.choose_last", "choosing.choose_all"})
