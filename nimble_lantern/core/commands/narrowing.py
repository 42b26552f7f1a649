"""Picking among numbered places by more than one number: where they stand, what stands beside
them, all but one."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.commands.choosing import (
    Answer,
    answered,
    question_of,
    wants_an_answer,
)
from nimble_lantern.core.commands.neighbours import stands_by
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each, rule
from nimble_lantern.core.state import Done, Question, Sitting
from nimble_lantern.core.targets.model import Places, of_the_page
from nimble_lantern.core.targets.words import normal
from nimble_lantern.core.writing.cardinals import cardinal, in_words, ordinal

_BETWEEN = frozenset("the and one ones number numbers also then".split())

CATALOGUE.table("those_in", {"[(choose | pick | take | only | just)] the one": False}, heard=False)
CATALOGUE.table(
    "those_in",
    {
        "[(choose | pick | take)] [(only | just)] [(all | both | all of (them | those) | the ones |"
        " every one | everything | i (mean | meant) [(the ones | only)])]": True
    },
    heard=False,
)
CATALOGUE.table(
    "on_which_side",
    {
        "(before | in front of)": "before",
        "(after | behind | following)": "after",
        "(next to | beside | near | by)": "beside",
    },
    heard=False,
)


@rule("some_numbers", "{words}", heard=False)
def _numbers(words: tuple[str, ...]) -> frozenset[int] | None:
    """ "One two and four", "the second and the third one"."""
    found, i = set(), 0
    while i < len(words):
        if words[i] in _BETWEEN and not (cardinal(words, i) and words[i] == "one"):
            i += 1
            continue
        number = ordinal(words, i) or cardinal((words[i],), 0)
        if number is None:
            return None
        behind = words[i - 1] if i else ""
        if words[i] != "one" or not ordinal((behind,), 0):
            found.add(number[0])
        i = max(number[1], i + 1) if ordinal(words, i) else i + 1
    return frozenset(found) or None


def _among_places(sitting: Sitting, parse: Parse) -> bool:
    """Of places; "any of them" is no yes to what may be lost."""
    question = sitting.question
    places = question is not None and all(option.ranges for option in question.options)
    return places and wants_an_answer(sitting, parse)


def _of_a_part(sitting: Sitting, parse: Parse) -> bool:
    """ "In the table", of several places to choose from."""
    return _among_places(sitting, parse) and of_the_page(parse.args.get("target"))


def _inside(question: Question, target: Places) -> list[int]:
    """The options (counted from 0) whose place is in a part of the page."""
    return [
        i
        for i, option in enumerate(question.options)
        if option.ranges
        and any(
            r.start <= option.ranges[0].start and option.ranges[0].end <= r.end
            for r in target.ranges
        )
    ]


def _picked(
    sitting: Sitting,
    question: Question,
    some: Sequence[int],
    several: bool,
    spared: bool = False,
) -> Answer:
    """Do it for some of the places, or ask which of them.

    What was only said to be `spared` tells of none that is to be taken away.
    """
    if not some:
        return Refusal("None of them stands there.", "", "Say a number.")
    destructive = CATALOGUE.commands[question.command].traits.destructive if question.command else 0
    if (len(some) > 1 or destructive and spared) and not several:
        fewer = replace(question, options=tuple(question.options[i] for i in some))
        left = "one of them is" if len(some) == 1 else f"{in_words(len(some))} of them are"
        return Done(replace(sitting, question=fewer), f"{left} left: say a number")
    return answered(sitting, question, tuple(some))


@command(
    Way("{several:those_in} (in | from | inside) {target}", when=_of_a_part),
    Way("(in | inside) {target} [(only | please)]", when=_of_a_part),
    Way("only in {target}", when=_of_a_part),
    example="the one in the title",
    group="choosing",
    answers=True,
    heard=0,
)
def within(sitting: Sitting, target: Places, several: bool = True) -> Answer:
    """Pick the numbered places that stand in a part of the page."""
    question = question_of(sitting)
    if isinstance(question, Refusal):
        return question
    return _picked(sitting, question, _inside(question, target), several)


CATALOGUE.table("very_first", {"the very first [one]": 1}, heard=False)
CATALOGUE.table(
    "whichever",
    {"(any | any one | either | whichever) [(one | of them | you like)]": True},
    heard=False,
)


@command(
    *each(
        _among_places,
        "[(choose | pick | take | do)] the first {number} [of them]",
        "[(choose | pick | take | do)] the last {last:number} [of them]",
        "[(choose | pick | take | do | only | just)] {some:some_numbers} [please]",
        "{number:very_first}",
        "{whichever}",
    ),
    example="the first two",
    group="choosing",
    answers=True,
    heard=0,
)
def several(
    sitting: Sitting,
    number: int = 0,
    last: int = 0,
    some: frozenset[int] = frozenset(),
    whichever: bool = False,
) -> Answer:
    """Take some of the numbered places: the first or the last few, or each that is named.

    Whichever it may be is the first, but where something is taken away.
    """
    question = question_of(sitting)
    if isinstance(question, Refusal):
        return question
    if whichever and CATALOGUE.commands[question.command].traits.destructive:
        return Refusal("What is taken away must be told.", "", "Say a number.")
    count = len(question.options)
    named = some or {number or last or 1}
    if not all(1 <= n <= count for n in named):
        return Refusal(f"There are {count} of them.", "", "Say a number.")
    if last:
        return _picked(sitting, question, range(count - last, count), True)
    chosen = sorted(n - 1 for n in some) if some else range(number or 1)
    return _picked(sitting, question, chosen, True)


CATALOGUE.table("not_those", {"not": True}, heard=False)
_ALL = (
    "(all | both | everything | every one | all of (them | those) | the lot | all the others | do"
    " them all | all the rest)"
)
_BUT = "(but | except | except for | apart from | without | but not)"


@command(
    *each(
        _among_places,
        f"{_ALL} {_BUT} {{some:some_numbers}}",
        f"{_ALL} {_BUT} [(the ones | the one | those | that)] (in | inside) {{target}}",
        "{left:not_those} {some:some_numbers}",
        "{left:not_those} [(the ones | the one | those | that)] [(in | inside)] {target}",
    ),
    example="all of them except the first",
    group="choosing",
    answers=True,
    heard=0,
    when=lambda sitting, parse: "target" not in parse.args or _of_a_part(sitting, parse),
)
def others(
    sitting: Sitting,
    some: frozenset[int] = frozenset(),
    target: Places | None = None,
    left: bool = False,
) -> Answer:
    """Take all of the numbered places but some; what is only said not to be meant asks on."""
    question = question_of(sitting)
    if isinstance(question, Refusal):
        return question
    spared = set(_inside(question, target)) if target else {n - 1 for n in some}
    rest = [i for i in range(len(question.options)) if i not in spared]
    if len(rest) == len(question.options):
        return Refusal("None of them stands there.", "", "Say a number.")
    return _picked(sitting, question, rest, not left, spared=left)


@command(
    *each(
        _among_places,
        "[(choose | pick | take | i (mean | meant))] the one {side:on_which_side} [the] {words}",
        "[(choose | pick | take | i (mean | meant))] the one (that | which | who | where [it"
        " says]) {words}",
        "[(choose | pick | take | i (mean | meant))] the [one in the] {words} (one | row | line |"
        " sentence)",
    ),
    example="the one before the ferry",
    group="choosing",
    answers=True,
    heard=0,
)
def by_neighbours(sitting: Sitting, words: tuple[str, ...], side: str = "") -> Answer:
    """Pick the numbered place that has some words beside it, or in its sentence or row."""
    question = question_of(sitting)
    if isinstance(question, Refusal):
        return question
    said = normal(words)
    found = [
        i for i, option in enumerate(question.options) if stands_by(sitting, option, said, side)
    ]
    if not found:
        return Refusal(f"None of them has “{' '.join(words)}” beside it.", "", "Say a number.")
    return _picked(sitting, question, found, False)


@command(
    *each(
        _among_places,
        "(read | tell me | say | list) (them | the (choices | places | options)) [(to me | again |"
        " out | out loud | please)]",
        "(which | what) [ones] are (they | there | those | the (choices | places | options))",
        "what (can i choose | are my choices | is there to choose)",
        "(i don't know | i am not sure | i'm not sure) [which]",
        "which ones [are they]",
    ),
    example="which ones are they",
    group="choosing",
    shows=True,
    keeps_question=True,
    heard=0,
)
def tell(sitting: Sitting) -> Done | Refusal:
    """Tell the places that there are to choose from, each with its number."""
    question = question_of(sitting)
    if isinstance(question, Refusal):
        return question
    said = [f"{in_words(n)} {quoted(option.label)}" for n, option in enumerate(question.options, 1)]
    return Done(sitting, "; ".join(said))
