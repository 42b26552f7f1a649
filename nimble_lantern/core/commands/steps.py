"""The steps of a numbered list, which are told by their numbers."""

from __future__ import annotations

from nimble_lantern.core.commands.lists import ADD_ITEM, SAYING, an_item, item_put
from nimble_lantern.core.commands.wording import many
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.finding import all_within
from nimble_lantern.core.targets.model import Order, Places, Unit, Units
from nimble_lantern.core.writing.lexer import mark_named


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


CATALOGUE.table("numbered_thing", {"step": False, "question": True}, heard=False)


def _a_step(sitting: Sitting, parse: Parse) -> bool:
    """The same, where a list has numbers; a question where each of its items is one."""
    steps = _steps(sitting)
    asked = parse.args.get("asks")
    return an_item(sitting, parse) and bool(steps) and (not asked or _asking(sitting, steps))


def _asking(sitting: Sitting, steps: list[int]) -> bool:
    return all(sitting.document.blocks[b].text.rstrip().endswith("?") for b in steps)


def _the_next(sitting: Sitting, parse: Parse) -> bool:
    """ "Question six who wrote it", behind five."""
    return _a_step(sitting, parse) and parse.args.get("number") == len(_steps(sitting)) + 1


def _steps(sitting: Sitting) -> list[int]:
    return [r.start.block for r in all_within(Unit.STEP, sitting, sitting.document.whole)]


@command(
    *each(
        _a_step,
        f"{ADD_ITEM} [new] {{asks:numbered_thing}} {SAYING} {{text}}",
        f"(another | one more | a further | a new) {{asks:numbered_thing}} {SAYING} {{text}}",
        f"{ADD_ITEM} [new] {{asks:numbered_thing}} (at | to) the [very] (end | bottom) {SAYING}"
        " {text}",
        f"{ADD_ITEM} [new] {{asks:numbered_thing}} [number] {{number}} {SAYING} {{text}}",
        f"{ADD_ITEM} [new] {{asks:numbered_thing}} between {{before:number}} and {{number}}"
        f" {SAYING} {{text}}",
        f"{ADD_ITEM} [new] {{asks:numbered_thing}} {{side:beside}} {{target:that_item}} {SAYING}"
        " {text}",
        f"{{side:beside}} {{target:that_item}} {ADD_ITEM} [new] {{asks:numbered_thing}} {SAYING}"
        " {text}",
    ),
    Way(f"{{asks:numbered_thing}} {{number}} {SAYING} {{text}}", when=_the_next),
    heard=0,
    example="add a step stir it well",
    group="format",
)
def add_step(
    sitting: Sitting,
    text: tuple[str, ...],
    number: int | None = None,
    before: int | None = None,
    target: Places | None = None,
    side: str = "after",
    asks: bool = False,
) -> Done | Refusal:
    """Put an item at the end of a numbered list, where it will have that number, or beside one."""
    steps = _steps(sitting)
    if before is not None and number != before + 1:
        return Refusal("They do not stand side by side.", "", "Say one: “after step two”.")
    if asks and not mark_named(text[-2:]):
        text = (*text, "question", "mark")
    if target is not None:
        return item_put(sitting, target.first.start.block, text, before=side == "before")
    if number is None or number == len(steps) + 1:
        return item_put(sitting, steps[-1], text, before=False)
    if not 1 <= number <= len(steps):
        return Refusal(f"The list has {many(len(steps), 'item')}.", "", "Say a number it reaches.")
    return item_put(sitting, steps[number - 1], text, before=True)
