"""Deleting."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands.wording import many, named, near, words_in
from nimble_lantern.core.composing.removing import remove
from nimble_lantern.core.document import edits, units
from nimble_lantern.core.document.model import Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Holding, Places, Unit, Units


def _of_units(sitting: Sitting, parse: Parse) -> bool:
    """ "The last sentence can go" is asked of the desk; "the boat can go" is a sentence."""
    return isinstance(parse.args.get("target"), Units | Holding)


@command(
    "<remove> {target}",
    "take {target} (out | away)",
    Way("(we | i) (do not | don't) need {target} [any more]", when=_of_units),
    "delete back {target:counted_back}",
    "delete {target:counted_back} back",
    Way(
        "(we | i) (do not | don't) want {target} [(any more | there | here | in there)]",
        when=_of_units,
    ),
    Way("we (can | could) (lose | do without) {target}", when=_of_units),
    "(take | cross | strike | scratch | leave) {target} (off | from | out of) the (list | text"
    " | letter)",
    "<remove> {target} (off | from | out of) the (list | text | letter)",
    "(rub | cross | strike | cut | wipe) {target} out",
    Way(
        "{target} (can | could | must | should | has to | will have to) (go | come out)",
        when=_of_units,
    ),
    "(chuck | knock | whip | throw | get | leave) {target} out",
    Way("(we | i) (do not | don't) like {target} [(delete | remove) it]", when=_of_units),
    Way("{target} out", when=_of_units),
    example="delete the last two words",
    group="revising",
    destructive=True,
)
def delete(sitting: Sitting, target: Places) -> Done:
    """Delete a target.  The trail says how much went."""
    ranges = target.ranges
    how_much, what = words_in(sitting, ranges), named(sitting.document, ranges)
    whole = target.unit in (Unit.PARAGRAPH, Unit.HEADING, Unit.ITEM, Unit.LIST, Unit.SECTION)
    after = replace(remove(sitting, ranges, blocks=whole), insertion=None)
    return Done(after, f"deleted {how_much}: {what}{near(target)}")


@command(
    "backspace [{number}]",
    "back space [{number}]",
    "backspace {number} (characters | times)",
    example="backspace three",
    group="repair",
    destructive=True,
)
def backspace(sitting: Sitting, number: int = 1) -> Done | Refusal:
    """Delete the characters just before the writing place."""
    caret = sitting.caret
    found: list[Range] = []
    for r in units.backward(sitting.document, "character", caret):
        if len(found) == number or r.start.block != caret.block:
            break
        found.append(r)
    if not found:
        return Refusal("There is nothing in this paragraph before the writing place.")
    r = Range(found[-1].start, caret)
    after = sitting.edited(edits.delete(sitting.document, r))
    text = sitting.document.text(r)
    return Done(after.about(()), f"took back {many(len(found), 'character')}: “{text}”")
