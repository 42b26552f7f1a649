"""Picking one of the places or readings that the desk asks about."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.commands.neighbours import stands_by
from nimble_lantern.core.controls import numbered, row_words
from nimble_lantern.core.document.model import Block, Document
from nimble_lantern.core.effects import ReadAloud
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.lexicon.desk import PLAIN_VERBS
from nimble_lantern.core.state import (
    Done,
    Instead,
    Option,
    Question,
    Sitting,
    Turned,
    TurnOver,
    View,
)
from nimble_lantern.core.targets.model import Places
from nimble_lantern.core.targets.words import exact, normal
from nimble_lantern.core.writing.spoken import plain

Answer = Done | Refusal | TurnOver | Instead


def answered(sitting: Sitting, question: Question, picked: tuple[int, ...]) -> Answer:
    """Do what was asked about, for the options picked (counted from 0)."""
    options = [question.options[i] for i in picked]
    if not question.command:
        chosen = dict(options[0].args)
        if len(options) > 1:
            return Refusal("Only one of them can be done.", "", "Say its number.")
        names, learns = chosen.get("names", ()), chosen.get("learns", True)
        return TurnOver(Turned.INSTEAD, question.about, chosen["words"], names, learns)
    args = question.args | dict(options[0].args)
    for slot, value in options[0].args if len(options) > 1 else ():
        if not isinstance(value, Places):
            return Refusal("Only one of them can be taken.", "", "Say its number.")
        ranges = tuple(r for o in options for r in dict(o.args)[slot].ranges)
        args[slot] = replace(value, ranges=ranges)
    made = CATALOGUE.commands[question.command]
    answer = made.handler(replace(sitting, question=None), **args)
    assert isinstance(answer, (Done, Refusal, Instead))
    return answer


def question_of(sitting: Sitting) -> Question | Refusal:
    if sitting.question is None:
        return Refusal("There is nothing to choose from just now.")
    return sitting.question


def _number_of(parse: Parse) -> int:
    return int(parse.args.get("number") or parse.args.get("position") or 0)


def _may_be_chosen(sitting: Sitting, parse: Parse) -> bool:
    """Beside three offers "two" takes one of them, and "twelve" goes on with the letter."""
    question = sitting.question
    if question is None or not question.beside:
        return True
    if not question.options:
        return False
    return 1 <= _number_of(parse) <= len(question.options)


def _asks(sitting: Sitting, parse: Parse) -> bool:
    """Beside offers "both" and "yes" go on with the letter, unless there is but one offer."""
    question = sitting.question
    return question is None or not question.beside or len(question.options) == 1


def wants_an_answer(sitting: Sitting, parse: Parse) -> bool:
    """Beside a doubted word "keep it" believes the word; with no question, "forget it" is text."""
    return sitting.question is not None and not sitting.question.beside


def _after_a_command(sitting: Sitting, parse: Parse) -> bool:
    """ "Leave it", of what is asked, selected or was just done."""
    last = sitting.trail[-1] if sitting.trail else None
    done = last is not None and last.read_as is ReadAs.COMMAND
    return done or wants_an_answer(sitting, parse)


def _says_it_again(sitting: Sitting, parse: Parse) -> bool:
    """ "Put the second one in bold": what was asked for is said again with the answer."""
    if not wants_an_answer(sitting, parse) or not sitting.trail:
        return False
    asked = set(sitting.trail[-1].heard.split())
    beside = (*parse.args.get("said", ()), *parse.args.get("rest", ()))
    if not _SPARING.isdisjoint(beside):
        return False  # "leave the second one"
    return all(w in asked or w in LITTLE or w in PLAIN_VERBS for w in beside)


_SPARING = frozenset("not no leave keep let drop forget lose cancel stop but off out all".split())


def _one_of_two(sitting: Sitting, parse: Parse) -> bool:
    """ "The other one", of two."""
    question = sitting.question
    return wants_an_answer(sitting, parse) and question is not None and len(question.options) == 2


CATALOGUE.table("other", {"[the] (other | lower | bottom) [one]": True}, heard=False)


@command(
    "(choose | pick | take) [number] {number}",
    Way("[number] {number}", when=_may_be_chosen),
    "(choose | pick | take) [the] {position} [one]",
    Way("[the] {position} [one]", when=_may_be_chosen),
    "[the] number {number}",
    Way("[the] (top | upper) [one]", when=wants_an_answer),
    Way("the one at the (top | start | beginning | front)", when=wants_an_answer),
    "[the] {position} of (them | those | these)",
    Way("{other}", when=_one_of_two),
    Way("i (mean | meant | want | said) [number] {number}", when=wants_an_answer),
    Way(
        "(i (mean | meant | want | said) | it's | it is | that's) the {position} [one]",
        when=wants_an_answer,
    ),
    Way("[the] {position} {rest:words}", when=_says_it_again),
    Way("{number} and {also:number}", when=wants_an_answer),
    Way("not the {first:position} [one] [but] the {position} [one]", when=wants_an_answer),
    Way(
        "(put | make | do | change | take | have | only | just) [only | just] [the] {position}"
        " [one] [only] [please]",
        when=wants_an_answer,
    ),
    Way("[{said:words}] the {position} one [{rest:words}]", when=_says_it_again),
    example="choose two",
    group="choosing",
    answers=True,
    of_rows=True,
    heard=5,  # they are listened for only while there is something to choose from
)
def choose(
    sitting: Sitting,
    number: int | None = None,
    position: int | None = None,
    other: bool = False,
    first: int | None = None,
    said: tuple[str, ...] = (),
    rest: tuple[str, ...] = (),
    also: int | None = None,
) -> Answer:
    """Pick one of the numbered places, or a numbered row of what is shown."""
    if number is None and position is None:
        number = 1 if not other else 2
    if sitting.question is None and numbered(sitting):
        return _row(sitting, number if number is not None else position or 0)
    question = question_of(sitting)
    if isinstance(question, Refusal):
        return question
    n = number if number is not None else position or 0
    if not 1 <= n <= len(question.options):
        count = len(question.options)
        return Refusal(f"There is no number {n}.", "", f"Say a number from one to {count}.")
    return answered(sitting, question, (n - 1,) if not also else (n - 1, also - 1))


def _row(sitting: Sitting, n: int) -> Instead | Refusal:
    """A numbered row of what is shown."""
    if not 1 <= n <= numbered(sitting):
        return Refusal(f"There is no number {n}.", "", f"Say a number up to {numbered(sitting)}.")
    return Instead(row_words(sitting, n))


def _says_one(sitting: Sitting, parse: Parse) -> bool:
    question = sitting.question
    return question is not None and len(_saying(sitting, question, parse.args["words"])) == 1


def _saying(sitting: Sitting, question: Question, words: Sequence[str]) -> list[int]:
    """The options (counted from 0) before whose place these words stand; else in whose labels."""
    beside = [
        i for i, option in enumerate(question.options) if _stand_before(sitting, option, words)
    ]
    if beside:
        return beside
    labels = enumerate(option.label for option in question.options)
    said = [i for i, label in labels if exact(Document((Block(label),)), tuple(words))]
    near = enumerate(question.options)
    words = words[1:] if words[:1] == ("the",) and len(words) > 1 else words
    return said or [i for i, option in near if stands_by(sitting, option, normal(words), "")]


def _stand_before(sitting: Sitting, option: Option, words: Sequence[str]) -> bool:
    """ "The north one", of "the north gate"."""
    if len(option.ranges) != 1:
        return False
    start = option.ranges[0].start
    block = sitting.document.blocks[start.block]
    before = [block.text[a:b] for a, b in block.words if b <= start.offset]
    return [plain(w) for w in before[-len(words) :]] == list(words)


@command(
    "[(choose | pick | take | i mean)] the one (with | that says | about | called | in) {words}",
    Way("(choose | pick | take) {words}", when=_says_one),
    Way("[(choose | pick | take)] the {words} one", when=_says_one),
    example="the one with the ferry",
    group="choosing",
    answers=True,
    heard=2,  # "the ... one" would let any words of the page be heard as an answer
)
def choose_by_words(sitting: Sitting, words: tuple[str, ...]) -> Answer:
    """Pick the numbered place in which these words stand."""
    question = question_of(sitting)
    if isinstance(question, Refusal):
        return question
    said = _saying(sitting, question, words)
    if len(said) != 1:
        there = "None of them says" if not said else f"{len(said)} of them say"
        return Refusal(f"{there} “{' '.join(words)}”.", "", "Say a number.")
    return answered(sitting, question, (said[0],))


@command("(choose | pick | take) the last [one]", "(the | that) last [one]",
         "[(choose | pick | take)] the (last | final) of (them | those | these | all)",
         "[(choose | pick | take)] the [one at the] (bottom | end) [one]",
         Way("the last {rest:words}", when=_says_it_again),
         example="the last one",
         group="choosing", answers=True)  # fmt: skip
def choose_last(sitting: Sitting, rest: tuple[str, ...] = ()) -> Answer:
    """Pick the last of the numbered places."""
    question = question_of(sitting)
    if isinstance(question, Refusal):
        return question
    return answered(sitting, question, (len(question.options) - 1,))


@command("(choose | pick | take) (all | both) [of them]", "(all | both) [of (them | those)]",
         "(every | each) [single] one [of (them | those)]", "all of them please",
         "[(choose | pick | take)] (them (all | both) | the [whole] lot | everything)",
         "[(choose | pick | take | do)] all {number} [of them]",
         "[the] both [of] (them | those)", "[the] {number} of them",
         Way("(both | all) [of] [the] (words | places)", when=wants_an_answer),
         "(<remove> | <discard> | do | <change>) (both | all) [of (them | those)]",
         example="all of them", group="choosing", answers=True, when=_asks)  # fmt: skip
def choose_all(sitting: Sitting, number: int | None = None) -> Answer:
    """Take all of the numbered places."""
    question = question_of(sitting)
    if isinstance(question, Refusal):
        return question
    if number is not None and number != len(question.options):
        return Refusal(f"There are {len(question.options)} of them.", "", "Say “all of them”.")
    return answered(sitting, question, tuple(range(len(question.options))))


@command(
    "cancel [that]",
    "never mind",
    "none [of (them | these | those)]",
    "no matter",
    Way("forget [about] (it | that [one] | those)", when=wants_an_answer),
    Way(
        "(leave | keep) (it | that | them) [(alone | be | as it is | there)]", when=_after_a_command
    ),
    Way("(neither | none) [of (them | these | those)]", when=wants_an_answer),
    example="cancel",
    group="choosing",
    keeps_question=True,
    leaves=True,
)
def cancel(sitting: Sitting) -> Done:
    """Leave a question, a selection or a dialog as it was."""
    after = replace(sitting.about(()), question=None, insertion=None, tray=None)
    asks = sitting.question is not None or sitting.tray is not None
    open_now = asks or bool(sitting.begun)
    if not open_now and sitting.selection is None and sitting.view is View.DESK:
        if sitting.aloud is not None:
            return Done(replace(after, aloud=None), "silent", (ReadAloud(()),))
        if sitting.compared is not None:
            return Done(replace(after, compared=None), "the changes are not shown any more")
    if sitting.view is not View.DESK and not (open_now and not sitting.found):
        return Done(replace(after, view=View.DESK, found=()), "back at the desk")
    return Done(after, "left as it was" if open_now else "nothing is selected")


@command(
    "yes [please]",
    "yes i am sure",
    "i am sure",
    example="yes",
    group="choosing",
    answers=True,
    when=_asks,
)
def yes(sitting: Sitting) -> Answer:
    """Answer yes, where the desk asks whether to go on, or whether the one thing is meant."""
    question = question_of(sitting)
    if isinstance(question, Refusal):
        return question
    if not question.sure and not question.beside and len(question.options) > 1:
        return Refusal("That is not a yes or no.", "", "Say a number.")
    return answered(sitting, question, (0,))


@command(
    "no [thank you]",
    "no (leave it | keep it)",
    Way("keep it", when=wants_an_answer),
    example="no",
    group="choosing",
    answers=True,
)
def no(sitting: Sitting) -> Answer:
    """Answer no, where the desk asks whether to go on."""
    return cancel(sitting)
