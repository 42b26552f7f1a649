"""When parts of a page, items, or words that stand there are said to be moved."""

from __future__ import annotations

from nimble_lantern.core.document import units
from nimble_lantern.core.grammar.catalogue import Parse, rule
from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.alike import kind_of
from nimble_lantern.core.targets.model import (
    Places,
    Sign,
    Unit,
    Units,
    Words,
    of_a_grid,
    of_the_page,
)
from nimble_lantern.core.targets.ones import TOLD_BY_PLACE
from nimble_lantern.core.targets.words import (
    a_whole_line,
    a_whole_sentence,
    exact,
    in_a_list,
    named_as_written,
)


def parts_or_items(sitting: Sitting, parse: Parse) -> bool:
    """ "Put blankets last" is about a list, where there is one; "put the boat up" is a sentence."""
    named = [v for k in ("target", "place") if (v := parse.args.get(k)) is not None]
    if isinstance(named[0], Sign):
        return False  # "full stop at the end" puts one there
    document = sitting.document
    return all(of_the_page(v) or in_a_list(document, v) or _quoted(sitting, v) for v in named)


@rule(
    "the_other",
    "the {words} (one | section | part)",
    "the one (about | on | with | that says | that mentions | where it says) {words}",
    heard=False,
)
def _the_other(words: tuple[str, ...]) -> tuple[str, ...] | None:
    return None if set(words) <= LITTLE | TOLD_BY_PLACE else words


def part_beside_another(sitting: Sitting, parse: Parse) -> bool:
    """ "The music section ahead of the concert one"; rows are moved in their table."""
    return parts_or_items(sitting, parse) and not of_a_grid(parse.args.get("target"))


def at_an_edge_of_a_part(sitting: Sitting, parse: Parse) -> bool:
    """ "The last sentence goes to the end of the first paragraph"; "the ferry goes to the end of
    the quay" is a sentence."""
    return of_the_page(parse.args.get("place")) and parts_or_items(sitting, parse)


def that_has_a_place(sitting: Sitting, parse: Parse) -> bool:
    """ "That should go before the ferry leaves", which stands there; "it should be before friday"
    is a sentence."""
    place = parse.args.get("place")
    stands = isinstance(place, Words) and len(place.words) > 1 and not kind_of(place.words)
    return bool(sitting.that) and (of_the_page(place) or stands and _quoted(sitting, place))


def that_beside_a_block(sitting: Sitting, parse: Parse) -> bool:
    """ "Put it under the title", of what was just said; "put it under the table" goes on."""
    place = parse.args.get("place")
    block = isinstance(place, Units) and place.unit in _BLOCKS
    if isinstance(place, Words) and not kind_of(place.words) and place.words[0] not in LITTLE:
        once = len(exact(sitting.document, place.words)) == 1
        if once and sitting.that:
            return True  # "put that after soup"
    return bool(sitting.that or sitting.selection) and block or that_has_a_place(sitting, parse)


_BLOCKS = (Unit.HEADING, Unit.PARAGRAPH, Unit.SENTENCE, Unit.QUESTION, Unit.ITEM, Unit.LIST)


def _quoted(sitting: Sitting, value: object) -> bool:
    """So many words as stand on the page are quoted from it."""
    if not isinstance(value, Words):
        return False
    if len(value.words) > 1 and a_whole_line(sitting.document, value.words):
        return True
    long = len(value.words) >= _LONG_ENOUGH and named_as_written(sitting.document, value)
    return long or a_whole_sentence(sitting.document, value.words) or _begins_one(sitting, value)


def _begins_one(sitting: Sitting, value: Words) -> bool:
    """ "Before ida will bring", where one sentence begins so."""
    found = exact(sitting.document, value.words) if len(value.words) >= _LONG_ENOUGH - 2 else []
    if len(found) != 1:
        return False
    start = found[0].start
    block = sitting.document.blocks[start.block]
    return any(begin == start.offset for begin, _ in block.sentences)


_LONG_ENOUGH = 5


def both_stand(sitting: Sitting, parse: Parse) -> bool:
    """ "Brass should go before door", where both stand: it is there already, and is moved."""
    named = [parse.args.get("target"), parse.args.get("place")]
    return all(named_as_written(sitting.document, value) for value in named)


def with_all_below(sitting: Sitting, place: Places) -> Places:
    """Beside a heading a section stands beside all that is below it."""
    at = place.first.start
    sections = units.blocks(sitting.document, Unit.SECTION.value, sitting.document.whole)
    found = next((r for r in sections if r.start.block == at.block), None)
    return Places((found,), unit=Unit.SECTION) if found is not None else place
