"""When parts of a page, items, or words that stand there are said to be moved."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands.when import just_dictated
from nimble_lantern.core.composing.removing import with_its_pair
from nimble_lantern.core.document import broken, units
from nimble_lantern.core.document.model import Document, Kind, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, each, rule
from nimble_lantern.core.lexicon.closed import LITTLE, OF_DEGREE_AND_TIME, PREPOSITIONS
from nimble_lantern.core.lexicon.sentences import SUBORDINATE
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.alike import kind_of
from nimble_lantern.core.targets.counted import THE_LIST
from nimble_lantern.core.targets.finding import run_of
from nimble_lantern.core.targets.measures import names_a_sort
from nimble_lantern.core.targets.model import (
    Places,
    Sign,
    That,
    Unit,
    Units,
    Words,
    of_a_grid,
    of_the_page,
)
from nimble_lantern.core.targets.ones import TOLD_BY_PLACE
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.targets.tabled import below_heading
from nimble_lantern.core.targets.words import (
    a_whole_heading,
    a_whole_line,
    a_whole_sentence,
    exact,
    in_a_list,
    item_called,
    named_as_written,
    places,
)

CATALOGUE.table(
    "atedge",
    {
        "(first | at the (front | top | start | beginning) | to the front | before everything"
        " [else])": "start",
        "(last | at the (end | bottom | back) | to the back | after everything [else])": "end",
    },
)


def parts_or_items(sitting: Sitting, parse: Parse) -> bool:
    """ "Put blankets last" is about a list, where there is one; "put the boat up" is a sentence."""
    named = [v for k in ("target", "place") if (v := parse.args.get(k)) is not None]
    if isinstance(named[0], Sign):
        return False  # "full stop at the end" puts one there
    first = named[0]
    if isinstance(first, Words) and not first.called and LITTLE.issuperset(first.words):
        return False  # "put a after plans" has lost a word
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


def names_the_text(place: object) -> bool:
    """Whether a place is all of the text, by a word that may stand in it as well."""
    return isinstance(place, Words) and place.words[-1] in _TEXTS and len(place.words) <= _FEW


_TEXTS, _FEW = frozenset("letter document text page".split()), 2


def fills_a_cell(sitting: Sitting, target: object) -> bool:
    """Words that are all of a cell: their row is meant by them."""
    found = resolve(target, sitting, near=False) if isinstance(target, Words) else None
    if not isinstance(found, Places) or len(found.ranges) != 1:
        return False
    block = sitting.document.blocks[found.first.start.block]
    whole = units.block_range(sitting.document, found.first.start.block)
    return block.cell is not None and found.first == whole


def that_has_a_place(sitting: Sitting, parse: Parse) -> bool:
    """ "That should go before the ferry leaves", which stands there; "it should be before friday"
    is a sentence."""
    place = parse.args.get("place")
    stands = isinstance(place, Words) and len(place.words) > 1 and not kind_of(place.words)
    return bool(sitting.that) and (of_the_page(place) or stands and _quoted(sitting, place))


def _spoken_of(sitting: Sitting, parse: Parse) -> bool:
    place = parse.args.get("place")
    there = just_dictated(sitting) or sitting.holds
    return there and (place is None or of_the_page(place))


def _held(sitting: Sitting, parse: Parse) -> bool:
    return sitting.holds


@rule("that_said", "(that | this)", heard=False)
def _that_said() -> That:
    return That()


def that_to_an_edge(of_what: str = "") -> tuple[Way, ...]:
    """Said of what is selected or was just written: "put that at the top", "it should be at the
    end of the list"; "put it at the end" goes on with a letter, where nothing is selected."""
    at_the_edge = "the [very] {edge:docedge}" + of_what

    def ways(slot: str) -> tuple[str, ...]:
        return (
            f"(<set_down> | take | send) {{target:{slot}}} (at | to) {at_the_edge}",
            f"{{target:{slot}}} (should | ought to) (go | be | come) (at | to) {at_the_edge}",
            f"{{target:{slot}}} belongs (at | on) {at_the_edge}",
            f"<wish> {{target:{slot}}} [to be] (at | on) {at_the_edge}",
        )

    told = _spoken_of if of_what else _held
    return (*each(_spoken_of, *ways("that_said")), *each(told, *ways("that_alone")))


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
    if a_whole_heading(sitting.document, value.words):
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


def whole_sentence(sitting: Sitting, r: Range) -> Range:
    """All the words of a sentence stand for the sentence, its stop included."""
    if r.start.block != r.end.block:
        return r
    r = with_its_pair(sitting.document, r)
    block = sitting.document.blocks[r.start.block]
    after = block.text[r.end.offset : r.end.offset + 1]
    closed = Position(r.end.block, r.end.offset + 1)
    if after in (".", "?", "!") and (r.start.offset, closed.offset) in block.sentences:
        return Range(r.start, closed)
    return r


def hangs_on_another(document: Document, clause: Range) -> bool:
    """ "Because he held my foot" is no sentence by itself; "and Amir brings the lamps" is."""
    block = document.blocks[clause.start.block]
    before = block.text[: clause.start.offset].split()[-1:]
    words = [*before, *document.text(clause).split()[:1]]
    return any(word.lower().strip(",;") in SUBORDINATE for word in words)


def of_whole_sentences(sitting: Sitting, target: Places) -> Places:
    """Where words are all of a sentence, its stop is taken with them."""
    return replace(target, ranges=tuple(whole_sentence(sitting, r) for r in target.ranges))


def no_sentence_itself(sitting: Sitting, parse: Parse) -> bool:
    """Words of a sentence, and not one or more of them: "move the second sentence to ..."."""
    target = parse.args.get("target")
    whole = isinstance(target, Units) and target.unit is not Unit.WORD
    return not whole and parts_or_items(sitting, parse)


def as_an_item(document: Document, target: Places) -> Places:
    """The item that is called by some words, where these stand in another one as well."""
    if target.unit is not None or len(target.ranges) != 1:
        return target
    item = item_called(document, target.first, target.heard)
    return target if item is None else replace(target, ranges=(item,))


def list_of(document: Document, r: Range) -> Range:
    """All the items that stand together with the one that holds a range."""
    blocks = document.blocks
    first = last = r.start.block
    while first and blocks[first - 1].kind is Kind.ITEM:
        first -= 1
    while last + 1 < len(blocks) and blocks[last + 1].kind is Kind.ITEM:
        last += 1
    return Range(Position(first, 0), Position(last, len(blocks[last].text)))


def in_its_list(document: Document, target: Places, place: Places) -> tuple[Places, Places]:
    """An item and its own list, where it is moved to an edge of "the list" and there are two."""
    if place.named != THE_LIST:
        return target, place
    target = as_an_item(document, target)
    if document.blocks[target.first.start.block].kind is not Kind.ITEM:
        return target, place
    return target, replace(place, ranges=(list_of(document, target.first),))


def begun_by(sitting: Sitting, target: Places, place: Places | None) -> Places:
    """The sentence that words begin, where they are moved beside others: "move the band to the end"
    takes all of "The band plays until noon." there.

    `place`: beside what, or in what; None for the whole text.
    """
    r = target.first
    block = sitting.document.blocks[r.start.block]
    words = sitting.document.text(r).split()
    told = target.unit is None and len(target.ranges) == 1
    if told and units.is_a_heading(sitting.document, r):
        # "Move plans before money": with what is below it.
        sections = units.blocks(sitting.document, Unit.SECTION.value, sitting.document.whole)
        headed = next((s for s in sections if s.start.block == r.start.block), None)
        beside = place is None or units.is_a_heading(sitting.document, place.first)
        return replace(target, ranges=(headed,), unit=Unit.SECTION) if headed and beside else target
    told = told and len(words) > 1 and not target.clause
    if not told or block.cell is not None or block.kind not in (Kind.PARAGRAPH, Kind.QUOTATION):
        return target
    if words[0].lower().strip(",") in PREPOSITIONS | SUBORDINATE | OF_DEGREE_AND_TIME:
        return target  # "on monday" may stand anywhere in its sentence
    sentences = units.in_block(sitting.document, r.start.block, "sentence")
    begun = next((s for s in sentences if s.start == r.start and r.end < s.end), None)
    if begun is None:
        return target
    if place is not None and begun.start <= place.first.start and place.first.end <= begun.end:
        return target
    alone = units.block_range(sitting.document, r.start.block) == begun
    if alone and (place is None or place.unit not in (Unit.SENTENCE, None)):
        return replace(target, ranges=(begun,), unit=Unit.PARAGRAPH)
    return replace(target, ranges=(begun,), unit=Unit.SENTENCE)


def with_all_below(sitting: Sitting, place: Places) -> Places:
    """Beside a heading a section stands beside all that is below it."""
    at = place.first.start
    sections = units.blocks(sitting.document, Unit.SECTION.value, sitting.document.whole)
    found = next((r for r in sections if r.start.block == at.block), None)
    return Places((found,), unit=Unit.SECTION) if found is not None else place


def below_its_heading(sitting: Sitting, target: Places, place: Places) -> Places:
    """The text of a section for its heading: a sentence that is moved to the end of "monday" is no
    part of that heading."""
    if place.unit is not None or not units.is_a_heading(sitting.document, place.first):
        return place
    body = None if target.unit is None else below_heading(sitting, place.first)
    return place if body is None else replace(body, ranges=(run_of(body.ranges),))


def no_cutback(sitting: Sitting, parse: Parse) -> bool:
    """ "Cut the price" asks for another price, where no such word stands."""
    target = parse.args.get("target")
    if not isinstance(target, Words) or not names_a_sort(target.words):
        return True
    return bool(places(sitting.document, target.words))


def past_neighbours(document: Document, r: Range, by: int) -> Range | Refusal | None:
    """The sentence of a paragraph, or the line of a block, that one of them goes past to be so many
    further on or back; None if a range is neither."""
    b = r.start.block
    lines, own = broken.lines(document, b), units.in_block(document, b, "sentence")
    ways = (("block", lines if broken.parted(document, r) else []), ("paragraph", own))
    for name, found in ways:
        here = found.index(r) if r in found else -1
        if here < 0 or len(found) < 2 or not by:
            continue
        if not 0 <= here + by < len(found):
            return Refusal(f"It cannot go further {'up' if by < 0 else 'down'} in its {name}.")
        return found[here + by]
    return None


def both_items(sitting: Sitting, r: Range, place: Places | None) -> tuple[Range, Range] | None:
    """The item that holds a range, and the item, or the list, that it is to be moved beside."""
    blocks = sitting.document.blocks
    b = r.start.block
    if blocks[b].kind is not Kind.ITEM or r.end.block != b:
        return None
    if place is None:
        return units.block_range(sitting.document, b), list_of(sitting.document, r)
    goal = place.first.start.block
    if blocks[goal].kind is not Kind.ITEM or place.first.end.block != goal or goal == b:
        return None
    return units.block_range(sitting.document, b), units.block_range(sitting.document, goal)


def whole_neighbour(sitting: Sitting, target: Places, source: Range, goal: Range) -> Range:
    """What a paragraph, a sentence or a line may stand beside: the one that words are in, and never
    its middle."""
    blocks = sitting.document.blocks
    if broken.parted(sitting.document, source):
        return broken.around(sitting.document, goal)
    if blocks[goal.start.block].cell is not None:
        return goal
    if target.unit in (Unit.PARAGRAPH, Unit.HEADING):
        first = units.block_range(sitting.document, goal.start.block)
        return Range(first.start, units.block_range(sitting.document, goal.end.block).end)
    if target.unit is Unit.SENTENCE:
        sentences = units.in_block(sitting.document, goal.start.block, "sentence")
        return next((s for s in sentences if s.start <= goal.start < s.end), goal)
    return goal
