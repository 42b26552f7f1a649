"""Paragraphs that become items of the list beside them."""

from __future__ import annotations

from nimble_lantern.core.commands.when import just_dictated, there_is_a_list
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.moving import relocate
from nimble_lantern.core.document import units
from nimble_lantern.core.document.edits import Edit, Reformat
from nimble_lantern.core.document.model import (
    Bullets,
    Document,
    Format,
    Kind,
    Position,
    Range,
)
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import (
    Places,
    That,
    Unit,
    Words,
    is_target,
    unit_named,
)
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.targets.words import a_whole_sentence


def _a_paragraph(sitting: Sitting, parse: Parse) -> bool:
    """ "Add the last paragraph to the list", which is no item yet."""
    told = unit_named(parse.args.get("target")) in (Unit.PARAGRAPH, Unit.LINE, Unit.HEADING)
    return told and there_is_a_list(sitting, parse)


def _outside_lists(sitting: Sitting, parse: Parse) -> bool:
    """The same of a sentence, of what is selected, and of what was just said: "put that on the
    list"."""
    target = parse.args.get("target")
    spoken_of = isinstance(target, That) and (just_dictated(sitting) or sitting.holds)
    quoted_whole = isinstance(target, Words) and a_whole_sentence(sitting.document, target.words)
    if (
        not spoken_of
        and not quoted_whole
        and unit_named(target) not in (Unit.PARAGRAPH, Unit.LINE, Unit.HEADING, Unit.SENTENCE)
    ):
        return False
    found = resolve(target, sitting) if is_target(target) else None
    if not isinstance(found, Places) or len(found.ranges) != 1:
        return False
    block = sitting.document.blocks[found.first.start.block]
    return there_is_a_list(sitting, parse) and block.kind is not Kind.ITEM and block.cell is None


def _list_by(document: Document, b: int) -> tuple[int, int] | None:
    """The first and last block of the list that is nearest to a block, above it before below."""
    items = [n for n, block in enumerate(document.blocks) if block.kind is Kind.ITEM and n != b]
    if not items:
        return None
    nearest = min(items, key=lambda n: (abs(n - b), n > b))
    first = last = nearest
    while first - 1 in items:
        first -= 1
    while last + 1 in items:
        last += 1
    return first, last


@command(
    Way(
        "(add | put | move | take | bring | join) {target} (to | into | onto | on | in) the list"
        " [(as well | too)]",
        when=_outside_lists,
    ),
    Way("(make | turn) {target} [into] [a] part of the list", when=_a_paragraph),
    Way("{target} (<shall> be | goes | belongs) (on | in) the list [too]", when=_a_paragraph),
    heard=0,
    example="add the last paragraph to the list",
    group="format",
    moves=True,
)
def into_list(sitting: Sitting, target: Places) -> Done | Refusal:
    """Make a paragraph an item of the list beside it, or the last one of another."""
    return _listed(sitting, target, stays=False)


def as_an_item_at(sitting: Sitting, r: Range, place: Places, edge: str) -> Done:
    """Make what stands in no list the first or the last item of one."""
    first, last = place.first.start.block, place.first.end.block
    at = Position(first, 0) if edge == "start" else _end_of(sitting.document, last)
    return _moved_in(sitting, r, at)


def _end_of(document: Document, b: int) -> Position:
    return Position(b, len(document.blocks[b].text))


def _moved_in(sitting: Sitting, r: Range, at: Position) -> Done:
    form = sitting.document.blocks[at.block].format._replace(level=1)
    wrote = relocate(sitting, r, at, True)
    b = wrote.range.start.block
    after = wrote.sitting.edited(Edit((Reformat(b, form),)))
    return Done(after.about([units.block_range(after.document, b)]), _said(after, b))


@command(
    Way(
        "(make | turn | change) {target} [into] (a | an | another) [list] (item | point | bullet"
        " point | bullet | entry) [(of | on | in) the list]",
        when=_a_paragraph,
    ),
    heard=0,
    example="make the last paragraph a list item",
    group="format",
)
def as_item(sitting: Sitting, target: Places) -> Done | Refusal:
    """Make a paragraph an item, of the list beside it if there is one."""
    return _listed(sitting, target, stays=True)


def _listed(sitting: Sitting, target: Places, stays: bool) -> Done | Refusal:
    b = target.first.start.block
    if len(target.ranges) > 1 or target.first.end.block != b or sitting.document.blocks[b].cell:
        return Refusal("One paragraph can go into a list at a time.", "", "Name one.")
    span = _list_by(sitting.document, b)
    if span is None:
        return Refusal("There is no list here.", "", "“Make it a list” begins one.")
    first, last = span
    if target.first != units.block_range(sitting.document, b):
        return _moved_in(sitting, target.first, _end_of(sitting.document, last))
    form = sitting.document.blocks[last].format._replace(level=1)
    if stays and b not in (first - 1, last + 1):
        form = Format(Kind.ITEM, 1, Bullets.BULLETED)
    if stays or b in (first - 1, last + 1):
        after = sitting.edited(Edit((Reformat(b, form),)))
        return Done(after.about([units.block_range(after.document, b)]), _said(after, b))
    whole = units.block_range(sitting.document, b)
    end = Position(last, len(sitting.document.blocks[last].text))
    wrote = relocate(sitting.edited(Edit((Reformat(b, form),))), whole, end, True)
    return Done(wrote.sitting, f"{quoted(wrote.text)} is on the list")


def _said(sitting: Sitting, b: int) -> str:
    return f"{quoted(sitting.document.blocks[b].text)} is on the list"
