"""What may be joined, sorted and split: parts of the page, and not words of it."""

from __future__ import annotations

from nimble_lantern.core.grammar.catalogue import Parse
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Order, Unit, Units, Words, unit_named


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


def _named_as(parse: Parse, *units: Unit) -> bool:
    return all(v.unit in units for v in parse.args.values() if isinstance(v, Units))


def named_part(sitting: Sitting, parse: Parse) -> bool:
    """ "Split the second paragraph after the ferry"; "the paragraph" is the one it stands in."""
    part = parse.args.get("whole")
    return whole(sitting, parse) and isinstance(part, Units) and part.order is not Order.THIS
