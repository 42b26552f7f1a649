"""What may be joined, sorted and split: parts of the page, and not words of it."""

from __future__ import annotations

from nimble_lantern.core.document import broken, units
from nimble_lantern.core.document.model import Document, Position, Range
from nimble_lantern.core.grammar.catalogue import Parse
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Order, Places, Unit, Units, Words, unit_named


def of_blocks(sitting: Sitting, parse: Parse) -> bool:
    """Whether units were named: "join the committee" and "sort the mail" are sentences."""
    return not isinstance(parse.args.get("target"), Words)


def no_table(sitting: Sitting, parse: Parse) -> bool:
    """A table is sorted by its rows."""
    return of_blocks(sitting, parse) and unit_named(parse.args.get("target")) is not Unit.TABLE


def no_sentences(sitting: Sitting, parse: Parse) -> bool:
    """Sentences of one paragraph are joined in another way: with a mark or a word."""
    unit = getattr(parse.args.get("target"), "unit", None)
    return of_blocks(sitting, parse) and unit is not Unit.SENTENCE


def whole(sitting: Sitting, parse: Parse) -> bool:
    """ "Join the second paragraph to the third"; what is joined is never less than a block."""
    return _named_as(parse, Unit.PARAGRAPH, Unit.HEADING, Unit.ITEM)


def whole_or_sentences(sitting: Sitting, parse: Parse) -> bool:
    """ "Join the first sentence to the second", too."""
    return whole(sitting, parse) or _named_as(parse, Unit.SENTENCE)


def _named_as(parse: Parse, *wanted: Unit) -> bool:
    return all(v.unit in wanted for v in parse.args.values() if isinstance(v, Units))


def named_part(sitting: Sitting, parse: Parse) -> bool:
    """ "Split the second paragraph after the ferry"; "the paragraph" is the one it stands in."""
    part = parse.args.get("whole")
    return whole(sitting, parse) and isinstance(part, Units) and part.order is not Order.THIS


def halves(document: Document, target: Places) -> tuple[Range, Range] | None:
    if len(target.ranges) == 2:
        return target.ranges[0], target.ranges[1]
    if target.unit in (Unit.WORD, Unit.SENTENCE, Unit.CHARACTER):
        found = list(units.within(document, target.unit.value, target.first))
    elif target.unit in (Unit.PARAGRAPH, Unit.HEADING, Unit.ITEM, Unit.ROW, Unit.CELL):
        found = units.blocks(document, target.unit.value, target.first)
    elif target.unit is Unit.LINE:
        found = broken.within(document, target.first)
    else:
        found = _round_and(document, target.first)
    return (found[0], found[1]) if len(found) == 2 else None


def _round_and(document: Document, r: Range) -> list[Range]:
    """The words on either side of an "and"."""
    text = document.text(r)
    one, link, two = text.partition(" and ")
    if not link or r.start.block != r.end.block:
        return []
    middle = r.start.offset + len(one) + len(link)
    cut = r.start.offset + len(one.rstrip(","))
    b = r.start.block
    return [Range(r.start, Position(b, cut)), Range(Position(b, middle), r.end)]


def beside_sentence(sitting: Sitting, target: Places, by: int) -> Places | None:
    """A sentence that is less than its paragraph, and the one before or after it; None for others:
    "join that to the one before"."""
    own = units.in_block(sitting.document, target.first.start.block, "sentence")
    here = own.index(target.first) if target.first in own and len(own) > 1 else -1
    if here < 0 or not 0 <= here + by < len(own):
        return None
    both = sorted((own[here], own[here + by]))
    return Places((Range(both[0].start, both[1].end),), unit=Unit.SENTENCE)
