"""The rest of a sentence, past words that stand in it, and words that others stand round."""

from __future__ import annotations

from typing import Any

from nimble_lantern.core.grammar.catalogue import CATALOGUE, rule
from nimble_lantern.core.targets.model import Beyond, Holding, Sign, Unit, Words

CATALOGUE.table("past", {"(after | behind)": True, "(before | in front of)": False}, heard=False)


@rule(
    "target",
    "(the (rest | remainder) | (everything | all)) (of | in) the {unit} {past} {goal:bound}",
    "the (rest | remainder) of (the | that) {unit} from {goal:bound} on",
    heard=False,
)
def _rest_of_its_unit(unit: Unit, goal: Any, past: bool = True) -> Beyond | None:
    """ "The rest of the sentence after keys": of the one that says so."""
    return _past(unit, goal, past)


def _past(unit: Unit, goal: Any, past: bool) -> Beyond | None:
    named = Words(goal) if isinstance(goal, tuple) else goal
    if not isinstance(named, Words | Sign):
        return None
    return Beyond(named, past, Holding(unit, named))


@rule(
    "target",
    "(everything | all | what | the (bit | part | rest)) [(comes | is | stands)] {past}"
    " {goal:bound} in (the | this | that) {unit}",
    heard=False,
)
def _past_in_its_unit(past: bool, goal: Any, unit: Unit) -> Beyond | None:
    """ "Everything after piano in that sentence"."""
    return _past(unit, goal, past)


@rule(
    "target",
    "(what | the (bit | part | rest)) [that] [(comes | is | stands)] {past} {goal:bound}",
    heard=False,
)
def _past_in_its_sentence(past: bool, goal: Any) -> Beyond | None:
    """ "The bit after piano": of the sentence that says so."""
    return _past(Unit.SENTENCE, goal, past)


@rule("target", "the [word] {words} between {a:words} and {b:words}", heard=False)
def _between_two(words: tuple[str, ...], a: tuple[str, ...], b: tuple[str, ...]) -> Words:
    """ "The and between soup and fish"."""
    return Words(words, of=Words((*a, *words, *b)))


@rule(
    "described",
    "what (it says | it said | is said) about {words}",
    heard=False,
)
def _said_about(words: tuple[str, ...]) -> Holding:
    """ "What it says about Marta": the sentence that speaks of her."""
    return Holding(Unit.SENTENCE, Words(words))


@rule("described", "{owner} {unit:said}", heard=False)
def _somebodys(owner: tuple[str, ...], unit: Unit) -> Holding:
    """ "Marta's paragraph": the one that speaks of her."""
    last = owner[-1].removesuffix("'s").removesuffix("’s")
    return Holding(unit, Words((*owner[:-1], last)))
