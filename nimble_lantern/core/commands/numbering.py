"""Numbers on request: on everything that can be pressed or said here, and on parts of the text."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands.wording import label_at, many
from nimble_lantern.core.document import units
from nimble_lantern.core.document.model import Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import command
from nimble_lantern.core.state import Done, Instead, Numbers, Option, Question, Sitting, View
from nimble_lantern.core.targets.finding import all_within
from nimble_lantern.core.targets.model import Places, Unit

MOST = 30


@command(
    "(show | put up | give me) [the | some] (numbers | pennants)",
    "number everything",
    "put (numbers | pennants) on (everything | the page | it all | all of it)",
    "number the (page | controls | buttons)",
    "(what | which) (buttons | controls) are there",
    heard=1,
    example="show the numbers",
    group="choosing",
)
def show(sitting: Sitting) -> Numbers:
    """Put numbers on everything that can be said or pressed here; a number does it."""
    return Numbers()


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


@command(
    "(show | put up | put | give me) [the] pennants (on | for | beside) [all] the {units}",
    "(show | give me) [the] numbers (for | beside | of) the {units}",
    "flag [all] the {units}",
    "let me (choose | pick) (one of the | from the) {units}",
    heard=1,
    example="flag the paragraphs",
    group="choosing",
    when=lambda sitting, parse: sitting.view is View.DESK,
)
def parts(sitting: Sitting, units: Unit) -> Done | Refusal:
    """Put numbers on the paragraphs, sentences, items or lines near you; a number selects one."""
    if units in (Unit.CHARACTER, Unit.DOCUMENT, Unit.LIST):
        return Refusal("Those are too many to number.", "", "Try paragraphs, sentences or words.")
    found = [r for r in _near(sitting, units) if not r.empty]
    if not found:
        return Refusal(f"There is no {units.value} here.")
    options = tuple(
        Option(label_at(sitting, r), (("target", Places((r,), unit=units)),), (r,)) for r in found
    )
    asked = Question("selecting.select", {}, options, beside=True)
    return Done(replace(sitting, question=asked), f"{many(len(options), units.value)}: say one")


def _near(sitting: Sitting, unit: Unit) -> list[Range]:
    """The units of a kind that are nearest to the writing place, in the order of the text."""
    if unit is Unit.COLUMN:
        return []
    document, here = sitting.document, sitting.writing_place
    first, last = max(0, here.block - MOST), min(len(document.blocks) - 1, here.block + MOST)
    scope = Range(units.block_range(document, first).start, units.block_range(document, last).end)
    found = all_within(unit, sitting, scope)
    near = sorted(found, key=lambda r: abs(r.start.block - here.block))[:MOST]
    return sorted(near)
