"""Numbers on request: on everything that can be pressed or said here, and on parts of the text."""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.controls import Control
from nimble_lantern.core.grammar.catalogue import command
from nimble_lantern.core.state import Instead, Numbers, Option, Question, Sitting

MOST = 30


@command(
    "(show | put up | give me) [the | some] (numbers | pennants)",
    "number everything",
    "numbers please",
    "(put | turn) the numbers (up | on)",
    "numbers on",
    "(i want | i'd like | let me) [to] (see | have) (numbers | the numbers)",
    "put (numbers | pennants) on (everything | the page | it all | all of it)",
    "number the (page | controls | buttons)",
    "(what | which) (buttons | controls) are there",
    heard=1,
    example="show the numbers",
    group="choosing",
    shows=True,
)
def show(sitting: Sitting) -> Numbers:
    """Put numbers on everything that can be said or pressed here; a number does it."""
    return Numbers()


def numbered(found: Sequence[Control]) -> Question:
    """A question with a number for each of these."""
    options = tuple(Option(c.name, (("words", tuple(c.says.split())),)) for c in found)
    return Question("numbering.press", {}, options, beside=True)


def numbers_of(question: Question | None) -> dict[str, int]:
    """The numbers that were put on what can be said, by its words."""
    if question is None or question.command != "numbering.press":
        return {}
    return {" ".join(dict(o.args)["words"]): n for n, o in enumerate(question.options, 1)}


@command(
    "press [the] [number] {number}",
    heard=1,
    example="press one",
    group="choosing",
)
def press(
    sitting: Sitting, number: int | None = None, words: tuple[str, ...] = ()
) -> Instead | Numbers:
    """Do what stands at a number."""
    return Instead(words) if words else Numbers(number)
