"""What stands beside words, and at the ends of the text: asked for and read aloud."""

from __future__ import annotations

from dataclasses import replace
from itertools import islice

from nimble_lantern.core.commands.aloud import read
from nimble_lantern.core.commands.shifted import as_an_item
from nimble_lantern.core.commands.when import stands_here
from nimble_lantern.core.document import units
from nimble_lantern.core.document.model import Kind, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, command
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.finding import run_of
from nimble_lantern.core.targets.model import Order, Places, Unit, Units
from nimble_lantern.core.targets.resolve import resolve

_FEW = 6
"""Words that are read before or after others."""


def _beside(sitting: Sitting, r: Range, before: bool) -> Range | None:
    """The item or the cell beside that of a range, else the next few words of its paragraph."""
    document = sitting.document
    b = r.start.block if before else r.end.block
    block = document.blocks[b]
    if block.kind is Kind.ITEM or block.cell is not None:
        other = b - 1 if before else b + 1
        alike = 0 <= other < len(document.blocks) and document.blocks[other].kind is block.kind
        return units.block_range(document, other) if alike else None
    if before:
        found = list(islice(units.backward(document, "word", r.start), _FEW))[::-1]
    else:
        found = list(islice(units.forward(document, "word", r.end), _FEW))
    here = [word for word in found if word.start.block == b] or found
    return run_of(here) if here else None


@command(
    "(what | which (word | item | one)) (comes | stands | is | goes | do i say | do i have | did i"
    " say | have i got) [(right | just)] {side:beside} {target}",
    "what's [(right | just)] {side:beside} {target}",
    "read [me] what (comes | stands | is) [(right | just)] {side:beside} {target}",
    example="what comes after the harbour board",
    group="reading",
    heard=0,
    every_place=True,
    when=stands_here,
)
def read_beside(sitting: Sitting, target: Places, side: str) -> Done | Refusal:
    """Read the few words before or after others, or the item beside theirs."""
    alone = (r for r in target.ranges if r == units.block_range(sitting.document, r.start.block))
    target = replace(target, ranges=(next(alone, target.first),))
    target = as_an_item(sitting.document, target)
    r = _beside(sitting, target.first, side == "before")
    if r is None:
        return Refusal(f"Nothing stands {side} that.")
    return read(sitting, Places((r,)))


CATALOGUE.table(
    "which_end",
    {"(end | finish | close | stop)": Order.LAST, "(begin | start | open)": Order.FIRST},
    heard=False,
)


def _some_text(sitting: Sitting, parse: Parse) -> bool:
    return bool(sitting.document.text(sitting.document.whole).strip())


@command(
    "how does (it | this | that | [the | my | this] <writing>) {order:which_end}",
    "how does (the | my) (story | essay | article | speech | recipe) {order:which_end}",
    "how did i {order:which_end} [(it | this)]",
    example="how does it end",
    group="reading",
    heard=0,
    when=_some_text,
)
def read_end(sitting: Sitting, order: Order) -> Done | Refusal:
    """Read the first or the last sentence of the text."""
    document = sitting.document
    found = resolve(Units(Unit.SENTENCE, order), sitting.placed(document.end))
    return found if isinstance(found, Refusal) else read(sitting, found)


@command(
    "is there [(a | an | any)] {mark:a_mark} [there]",
    "(did i | have i) (put | say | said | write) [(a | an)] {mark:a_mark}",
    example="is there a comma after the harbour board",
    group="reading",
    heard=0,
)
def is_there(sitting: Sitting, mark: Places) -> Done:
    """Tell whether a mark stands beside words."""
    return Done(sitting, "yes, it stands there" if len(mark.ranges) == 1 else "yes")
