"""Asking back: which of several places is meant, which of the words that come close."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from typing import Any

from nimble_lantern.core.commands.wording import label_at
from nimble_lantern.core.document.model import Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Command
from nimble_lantern.core.reading.exactly import Verdict
from nimble_lantern.core.state import Option, Question, Sitting
from nimble_lantern.core.targets.model import Places, is_target
from nimble_lantern.core.targets.resolve import Missing, resolve

MOST_OPTIONS = 30


def ambiguous(command: Command, args: dict[str, Any]) -> tuple[str, Places] | None:
    """The slot whose words stand in several places, where one of them is meant."""
    if command.traits.every_place:
        return None
    for slot, value in args.items():
        if isinstance(value, Places) and value.ask and len(value.ranges) > 1:
            return slot, value
    return None


def which_place(
    sitting: Sitting, command: Command, args: dict[str, Any], slot: str, places: Places
) -> Question:
    """A question about the places nearest the writing place, numbered in document order."""
    kept: Sequence[Range] = places.ranges
    if len(kept) > MOST_OPTIONS:
        here = sitting.caret
        near = sorted(kept, key=lambda r: abs(r.start.block - here.block))[:MOST_OPTIONS]
        kept = sorted(near)
    options = (_at(slot, places, r, label_at(sitting, r)) for r in kept)
    return Question(command.name, args, tuple(options))


def which_near(sitting: Sitting, verdict: Verdict) -> Question | None:
    """A question about the words that come close to those of an almost command.

    None where another of its targets cannot be found either.
    """
    assert verdict.parse and verdict.args is not None and isinstance(verdict.refusal, Missing)
    args = {slot: value for slot, value in verdict.args.items() if slot != verdict.slot}
    for slot, value in list(args.items()):
        if is_target(value):
            other = resolve(value, sitting)
            if isinstance(other, Refusal):
                return None
            args[slot] = other
    if verdict.refusal.names:
        slot = verdict.slot
        named = tuple(Option(name, ((slot, name),)) for name in verdict.refusal.names)
        return Question(verdict.parse.command.name, args, named)
    near = verdict.refusal.near
    places = Places(tuple(n.range for n in near), ask=True)
    options = tuple(_at(verdict.slot, places, n.range, n.text) for n in near)
    return Question(verdict.parse.command.name, args, options)


def _at(slot: str, places: Places, r: Range, label: str) -> Option:
    return Option(label, ((slot, replace(places, ranges=(r,), ask=False)),), (r,))
