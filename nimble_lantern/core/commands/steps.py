"""The steps of a numbered list, which are told by their numbers."""

from __future__ import annotations

from nimble_lantern.core.commands.lists import ADD_ITEM, SAYING, an_item, item_put
from nimble_lantern.core.commands.wording import many
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, command, each
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.finding import all_within
from nimble_lantern.core.targets.model import Order, Unit, Units


@CATALOGUE.rule("that_item", "[the] {position} step")
@CATALOGUE.rule("that_item", "[(step | number)] {position:number}")
def _nth_step(position: int) -> Units:
    return Units(Unit.STEP, Order.NTH, n=position)


@CATALOGUE.rule("that_item", "[the] last step")
def _last_step() -> Units:
    return Units(Unit.STEP, Order.LAST)


@CATALOGUE.rule("that_item", "[the] first one")
def _first_of_it() -> Units:
    return Units(Unit.STEP, Order.FIRST)


def _a_step(sitting: Sitting, parse: Parse) -> bool:
    """The same, where a list has numbers."""
    return an_item(sitting, parse) and bool(_steps(sitting))


def _steps(sitting: Sitting) -> list[int]:
    return [r.start.block for r in all_within(Unit.STEP, sitting, sitting.document.whole)]


@command(
    *each(
        _a_step,
        f"{ADD_ITEM} [new] step {SAYING} {{text}}",
        f"(another | one more | a further | a new) step {SAYING} {{text}}",
        f"{ADD_ITEM} [new] step (at | to) the [very] (end | bottom) {SAYING} {{text}}",
        f"{ADD_ITEM} [new] step [number] {{number}} {SAYING} {{text}}",
    ),
    heard=0,
    example="add a step stir it well",
    group="format",
)
def add_step(sitting: Sitting, text: tuple[str, ...], number: int | None = None) -> Done | Refusal:
    """Put an item at the end of the numbered list, or where it will have that number."""
    steps = _steps(sitting)
    if number is None or number == len(steps) + 1:
        return item_put(sitting, steps[-1], text, before=False)
    if not 1 <= number <= len(steps):
        return Refusal(f"The list has {many(len(steps), 'item')}.", "", "Say a number it reaches.")
    return item_put(sitting, steps[number - 1], text, before=True)
