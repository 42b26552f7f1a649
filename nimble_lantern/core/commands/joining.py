"""Joining, splitting, swapping and sorting."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands.breaking import once_inside
from nimble_lantern.core.commands.joinable import (
    beside_sentence,
    halves,
    named_part,
    no_sentences,
    no_table,
    of_blocks,
    whole_or_sentences,
)
from nimble_lantern.core.commands.shifted import whole_sentence, with_all_below
from nimble_lantern.core.commands.table_here import head_two, headed, headed_cells
from nimble_lantern.core.commands.when import (
    begins_a_block,
    in_an_item,
    just_made,
    names_no_thing,
    numbers_items,
)
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.composing.carrying import carried
from nimble_lantern.core.composing.joining import joined, stays_apart
from nimble_lantern.core.composing.moving import paste_at
from nimble_lantern.core.composing.ordering import in_order, turned_round
from nimble_lantern.core.composing.placing import keeps_capital
from nimble_lantern.core.composing.starting import empty_beside, paragraph_at
from nimble_lantern.core.document import units
from nimble_lantern.core.document.edits import (
    Edit,
    Splice,
    delete,
)
from nimble_lantern.core.document.model import Document, Format, Kind, Piece, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.lexicon.closed import DETERMINERS
from nimble_lantern.core.state import Done, Option, Question, Sitting
from nimble_lantern.core.targets.model import (
    Both,
    Crossing,
    Order,
    Places,
    That,
    Unit,
    Units,
    Words,
    unit_named,
)
from nimble_lantern.core.targets.resolve import nth_like, resolve
from nimble_lantern.core.targets.words import named_as_written

CATALOGUE.table("neighbour", {"(previous | last | one before)": -1, "(next | following)": 1})
CATALOGUE.table(
    "beside_it",
    {
        "the ((one | paragraph) (before | above) [it] | previous (one | paragraph))": -1,
        "the ((one | paragraph) (after | below) [it] | (next | following) (one | paragraph))": 1,
    },
)


def _joins(sitting: Sitting, parse: Parse) -> bool:
    """Paragraphs or lines; one of them to the one beside it by its first words, too: "join next
    meeting to the paragraph before"."""
    target = parse.args.get("target")
    if isinstance(target, Units) and target.unit in (Unit.WORD, Unit.CHARACTER):
        return False  # "change the last word to one"
    beside = bool(parse.args.get("neighbour")) and begins_a_block(sitting, parse)
    return beside or no_sentences(sitting, parse)


def _as_written(sitting: Sitting, parse: Parse) -> bool:
    """ "You can have my room is its own paragraph", of words that stand there, or of a part."""
    target = parse.args.get("target")
    return of_blocks(sitting, parse) or named_as_written(sitting.document, target)


def _two_parts(sitting: Sitting, parse: Parse) -> bool:
    """ "Exchange the first item for the last", of one unit."""
    a, b = parse.args.get("a"), parse.args.get("b")
    return isinstance(a, Units) and isinstance(b, Units) and a.unit is b.unit


def _of_two(sitting: Sitting, parse: Parse) -> bool:
    """ "Swap tea and coffee" names two things, "swap the tea" none; nor does "reverse that"."""
    target = parse.args.get("target")
    if isinstance(target, That) and sitting.selection is None:
        return len(sitting.that) > 1
    a, b = parse.args.get("a"), parse.args.get("b")
    if isinstance(target, Both):
        a, b = target.first, target.second
    if isinstance(a, Words) and isinstance(b, Words) and head_two(sitting, a.words, b.words):
        return False  # their columns change places
    if isinstance(a, Words) and isinstance(b, Crossing) and b.owned:
        return False  # "the cook and the cleaner in week two" are cells of one row
    if isinstance(a, Crossing) and not isinstance(b, Crossing):
        return False  # "the drivers of monday and friday" are two cells
    return not isinstance(target, Words) or "and" in target.words


def _lines_joined(sitting: Sitting, target: Places | None) -> Done | None:
    """Lines of one paragraph, with a space for the breaks between them."""
    if target is None or target.unit is not Unit.LINE:
        return None
    start, end = target.first.start, target.ranges[-1].end
    text = sitting.document.blocks[start.block].text
    breaks = [i for i in range(start.offset, min(end.offset, len(text))) if text[i] == "\n"]
    if start.block != end.block or not breaks:
        return None
    steps = tuple(Splice(start.block, i, i + 1, Piece(" ")) for i in breaks)
    after = sitting.edited(Edit(steps))
    return Done(after.about(target.ranges), f"joined {many(len(breaks) + 1, 'line')}")


def _a_list(sitting: Sitting, parse: Parse) -> bool:
    return unit_named(parse.args.get("target")) is Unit.LIST


def _heads_two(sitting: Sitting, parse: Parse) -> bool:
    return head_two(sitting, parse.args.get("name", ()), parse.args.get("words", ()))


@command(
    "(join | combine | unite | merge) {target} [(together | into one | into one paragraph)]",
    "{target} <shall> be one [paragraph]",
    "(join | add | attach | merge | run) {target} (to | with | onto | on to | into)"
    " {neighbour:beside_it}",
    "<make> {target} part of {neighbour:beside_it}",
    "(put | run | bring | join | knock | merge) {target} together [(into | as) (one | a single)"
    " [paragraph]]",
    "<make> {target} [<into>] [just] (one | a single) (paragraph | one | piece)",
    "<make> {target} <into> one",
    "(run | knock | pull | push | squash) {target} (into | in) (one | a single paragraph)",
    "<make> (one | a single) paragraph [out] (of | from) {target}",
    "[<into>] (one | a single) paragraph",
    "[there should be] (no | without a) [paragraph] (break | gap) between {target}",
    "(take | leave) out the [paragraph] (break | gap) between {target}",
    "(<wish> | have | let | get) {target} [to be] (together | joined | in one [paragraph] | as"
    " one)",
    "{target} (together | as one paragraph | in one paragraph | into one)",
    "<remove> the [paragraph] (break | gap) between {target}",
    "(join | add) (this | the) paragraph (to | with) the {neighbour} [(paragraph | one)]",
    example="join the last two paragraphs",
    group="revising",
    when=_joins,
)
def join(sitting: Sitting, target: Places | None = None, neighbour: int = 0) -> Done | Refusal:
    """Make several paragraphs one, or several lines of one."""
    if (lines := _lines_joined(sitting, target)) is not None:
        return lines
    here = sitting.writing_place.block
    if target is not None and neighbour and (two := beside_sentence(sitting, target, neighbour)):
        return join_sentences(sitting, two)
    if target is not None and target.first.start.block == target.ranges[-1].end.block:
        # One paragraph is joined to the one before it.
        here, neighbour, target = target.first.start.block, neighbour or -1, None
    top, last = min(here, here + neighbour), max(here, here + neighbour)
    if target is not None:
        top, last = target.first.start.block, target.ranges[-1].end.block
    if top == last or top < 0 or last >= len(sitting.document.blocks):
        return Refusal("There is only one paragraph there.", "", "Name two: “the last two”.")
    if why_apart := stays_apart(sitting.document.blocks[top : last + 1]):
        return Refusal(why_apart)
    after = joined(sitting, top, last)
    whole = units.block_range(after.document, top)
    return Done(after.about([whole]), f"joined {many(last - top + 1, 'paragraph')}")


CATALOGUE.table(
    "link",
    {"[a] comma": ",", "[a] semicolon": ";", "[a] dash": " –", "and": " and", "but": " but"},
)


def _sentences(sitting: Sitting, parse: Parse) -> bool:
    """Sentences were named, which have a mark or a word between them when they are one."""
    return getattr(parse.args.get("target"), "unit", None) is Unit.SENTENCE


@command(
    "(join | combine | unite | merge | connect | link) {target} (with | by | using) {link}",
    "(put | set) {link} between {target}",
    "<make> {target} [<into>] (one | a single | one long) [sentence] [with {link}]",
    "make (one | a single) sentence [out] (of | from) {target} [with {link}]",
    "(join | combine | unite | merge) {target} [(together | into one | into one sentence)]",
    "(put | run | bring | knock | pull) {target} together [(into | as | in) (one | a single)"
    " [sentence]]",
    "{target} <shall> be (one | a single) [sentence]",
    example="join the last two sentences with and",
    group="revising",
    when=_sentences,
)
def join_sentences(sitting: Sitting, target: Places, link: str = "") -> Done | Refusal:
    """Make two sentences one, with a comma, a semicolon, a dash, “and” or “but” between them."""
    document, r = sitting.document, target.first
    found = list(units.within(document, "sentence", r))
    if len(found) != 2 or found[0].end.block != found[1].start.block:
        if len(found) == 2:
            return join(sitting, replace(target, unit=None))
        return Refusal("Two sentences can be made one.", "", "Name two: “the last two sentences”.")
    if not link:
        options = tuple(Option(f"with “{said}”", (("link", sign),)) for said, sign in _LINKS)
        asked = Question("joining.join_sentences", {"target": target}, options)
        return Done(replace(sitting, question=asked), "joined by what? Say a number")
    first, second = found
    text = document.blocks[first.end.block].text
    stop = len(text[: first.end.offset].rstrip(" .!?"))
    opening = text[second.start.offset :].split(" ", 1)[0]
    begins = text[second.start.offset]
    small = begins if keeps_capital(sitting, opening) else begins.lower()
    step = Splice(first.end.block, stop, second.start.offset + 1, Piece(f"{link} {small}"))
    after = sitting.edited(Edit((step,)))
    shorter = second.start.offset + 1 - stop - len(f"{link} {small}")
    whole = Range(first.start, second.end._replace(offset=second.end.offset - shorter))
    return Done(after.about([whole]), f"{quoted(after.document.text(whole))} is one sentence")


_LINKS = (("and", " and"), ("a comma", ","), ("a semicolon", ";"), ("a dash", " –"))


CATALOGUE.table(
    "unbroken",
    {"(no | without a | <remove> the | <discard> the | take out the | leave out the)": True},
    heard=False,
)


def _may_be_joined(sitting: Sitting, parse: Parse) -> bool:
    """ "No break before breakfast", where a paragraph begins so."""
    found = resolve(parse.args["target"], sitting, near=False)
    return isinstance(found, Places) and found.first.start.offset == 0 < found.first.start.block


@command(
    "<unbroken> ([(paragraph | line)] (break | gap) | new (paragraph | line)) (before | in front of"
    " | above | at) {target}",
    heard=0,
    example="no break before the last paragraph",
    group="revising",
    when=_may_be_joined,
)
def unbroken(sitting: Sitting, target: Places) -> Done | Refusal:
    """Join the paragraph that begins with a target to the one before."""
    b = target.first.start.block
    if any(sitting.document.blocks[n].cell for n in (b - 1, b)):
        return Refusal("Cells of a table stay apart.")
    after = joined(sitting, b - 1, b)
    return Done(after.about([units.block_range(after.document, b - 1)]), "joined two paragraphs")


@command(
    "(join | combine | unite | merge) {first:part} (to | with | and | onto) {second:part}",
    "(join | combine | unite | merge) {first:part} (to | with | and | onto) the {position} [one]",
    example="join the second paragraph to the third",
    group="revising",
    when=whole_or_sentences,
)
def join_to(
    sitting: Sitting, first: Places, second: Places | None = None, position: int = 0
) -> Done | Refusal:
    """Make a paragraph and the one before or after it one."""
    other = second if second is not None else nth_like(first, position, sitting)
    if isinstance(other, Refusal):
        return other
    places = sorted((*first.ranges, *other.ranges))
    if first.unit is Unit.SENTENCE:
        both = Range(places[0].start, places[-1].end)
        return join_sentences(sitting, Places((both,), unit=Unit.SENTENCE))
    if places[-1].start.block - places[0].start.block >= len(places):
        return Refusal("They do not stand one after the other.", "", "Move one of them first.")
    return join(sitting, Places(tuple(places)))


@command(
    "(split | break | divide | cut | end | finish | close) (the | this | that) paragraph"
    " {side:beside} {target}",
    "(start | begin) a [new] paragraph {side:beside} {target}",
    "(make | put | insert | add) a new paragraph {side:beside} {target}",
    "split [the paragraph] at {target}",
    "split {side:beside} {target}",
    "(split | break) (it | that | this) (at | {side:beside}) {target}",
    Way("(in | on | as) {target:its} own paragraph", when=just_made),
    Way("(in | on | as) a paragraph of {target:its} own", when=just_made),
    "<wish> {target} to (start | begin) [on] a new paragraph",
    "{target} <shall> (start | begin) a new paragraph",
    Way("{target} (starts | begins) a new paragraph", when=of_blocks),
    "break the paragraph {side:beside} {target}",
    "(split | break | separate) {target} off [(into | to | in | as) <own_paragraph>]",
    "(split | break | separate) off {target} [(into | to | in | as) <own_paragraph>]",
    "<make> {target} [<into>] <own_paragraph>",
    "give {target} <own_paragraph>",
    "(move | shift | take | bring | split | break | pull) {target} [(off | out)] (into | to | in)"
    " <own_paragraph>",
    "(start | begin | put) {target} (on | in) <own_paragraph>",
    Way("{target} (is | goes in | is in | gets | needs | wants) <own_paragraph>", when=_as_written),
    "new paragraph {side:beside} {target}",
    "[a] new paragraph (starting | beginning | that starts) (at | from | with) {target}",
    "[a] new paragraph (from | at) {target}",
    "{side:beside} {target} (start | begin | make | put | insert) a [new]"
    " (paragraph | paragraph break)",
    "break [the paragraph] at {target}",
    "(start | begin) a [new] paragraph at {target}",
    "(put | insert | add | make | start | begin) [a] paragraph break {side:beside} {target}",
    Way(
        "(put | insert | add | make | have | i want | i'd like) a [(line | new)] break"
        " {side:beside} {target}",
        when=names_no_thing,
    ),
    "a [(new | fresh | separate)] paragraph (from | at | starting with | beginning with) {target}"
    " [(on | onwards)]",
    "{target} <shall> (start | begin | open) a [(new | fresh | separate)] paragraph",
    "{target} <shall> be <own_paragraph>",
    "{target} (can | could | should | must) (go | stand | be | be put) (in | into) <own_paragraph>",
    "(put | insert | add) new paragraph {side:beside} {target}",
    example="new paragraph before the last sentence",
    group="revising",
)
def split(sitting: Sitting, target: Places, side: str = "") -> Done | Refusal:
    """Begin a new paragraph before or after a target; an empty one, where it is whole."""
    if target.clause:  # no paragraph begins in the middle of a sentence
        scope = units.block_range(sitting.document, target.first.start.block)
        whole = units.within(sitting.document, "sentence", scope)
        target = Places(tuple(r for r in whole if r.start <= target.first.start < r.end))
    at = target.first.end if side == "after" else target.first.start
    block = sitting.document.blocks[at.block]
    if side == "after":
        size = len(block.text) - len(block.text[at.offset :].lstrip(".,;:?!)]}’”"))
        at = Position(at.block, size)
    left, right = block.text[: at.offset].rstrip(" "), block.text[at.offset :].lstrip(" ")
    if not left or not right:
        if not side or block.cell is not None:
            return Refusal("There is a new paragraph there already.")
        form = _between(sitting.document, at.block, side)
        return Done(empty_beside(sitting, at.block, side, form), "a new paragraph")
    after, fresh = paragraph_at(sitting, at)
    return Done(after.about([fresh]), f"new paragraph at {quoted(after.document.text(fresh))}")


def _between(document: Document, b: int, side: str) -> Format:
    """The form of a paragraph beside a block: that of both its neighbours, else a plain one."""
    own, n = document.blocks[b].format, b + 1 if side == "after" else b - 1
    other = document.blocks[n].format if 0 <= n < len(document.blocks) else None
    within = other is not None and (other.kind, other.list) == (own.kind, own.list)
    return own if within and own.kind is not Kind.HEADING else Format()


@command(
    "(split | divide | break) {whole:target} [up | in two] {side:beside} {target}",
    "(split | divide | break) {whole:target} [up | in two] at {target}",
    example="split the second paragraph after the ferry",
    group="revising",
    when=named_part,
    every_place=True,
)
def split_part(
    sitting: Sitting, whole: Places, target: Places, side: str = "before"
) -> Done | Refusal:
    """Begin a new paragraph before or after words of a paragraph that is named."""
    inside = once_inside(sitting, whole, target)
    if isinstance(inside, Refusal):
        return inside
    return split(sitting, replace(target, ranges=(inside,)), side)


@command(
    "(swap | exchange | switch | transpose | interchange) {a:target} (and | with) {b:target}",
    "(swap | exchange | switch) the [two] (rows | words | names | items) {a:target} (and | with)"
    " {b:target}",
    "(swap | exchange | switch | transpose | interchange) {target}",
    "(swap | exchange | switch | trade) {target:pair_of}",
    "(swap | exchange | switch | change) [the] (place | places | position | positions) of"
    " {a:target} (and | with) {b:target}",
    "(swap | exchange | switch | change) [the] (place | places | position | positions) of {target}",
    Way("trade {a:part} (for | with) {b:part}", when=_two_parts),
    "(swap | switch | turn | change) {target} (over | round | around)",
    "(swap | switch | turn | change) (over | round | around) {target}",
    "{target} the other way (round | around)",
    Way("{a:part} and {b:part} the other way (round | around)", when=_two_parts),
    "{target} <shall> be the other way (round | around)",
    "(change | reverse | swap | turn round) the order of {target}",
    "reverse {target}",
    "turn {target} upside down",
    "{target} in reverse order",
    "put {a:target} where {b:target} is",
    *each(
        _heads_two,
        "(swap | exchange | switch) [the] {name:words} (and | with) [the] {words} [columns]",
        "(swap | exchange | switch) the [two] columns {name:words} (and | with) [the] {words}",
        "[the] {name:words} and [the] {words} (swapped | the other way round)",
    ),
    Way(
        "(swap | exchange | switch) {a:item_number} (and | with) {b:item_number}",
        when=numbers_items,
    ),
    Way("{target} <shall> (change | swap | exchange) places", when=names_no_thing),
    Way("(let | have | make) {target} (change | swap | exchange) places", when=names_no_thing),
    Way("(change | exchange) {a:part} (for | with) {b:part}", when=_two_parts),
    example="swap the first sentence and the last sentence",
    group="revising",
    when=_of_two,
    moves=True,
    by_rows=True,
)
def swap(
    sitting: Sitting,
    target: Places | None = None,
    a: Places | None = None,
    b: Places | None = None,
    name: tuple[str, ...] = (),
    words: tuple[str, ...] = (),
) -> Done | Refusal:
    """Put two targets in each other's place, or turn round the order of two things."""
    if words:
        a, b = headed(sitting, name), headed(sitting, words)
    cells = _cells_of(sitting.document, target, a, b)
    if isinstance(cells, Refusal):
        return cells
    if cells:
        return _cells_swapped(sitting, cells)
    if target is not None and target.unit is Unit.LIST:
        return Done(turned_round(sitting, target), "the list is turned round")
    if target is not None:
        pair = halves(sitting.document, target)
        if pair is None:
            return Refusal("Say which two: “swap the last two words”.")
        first, second = pair
    else:
        assert a is not None and b is not None
        first, second = sorted((a.first, b.first))
    one_item, other_item = (_item_called(sitting.document, r) for r in (first, second))
    if one_item and other_item and one_item != other_item:
        first, second = one_item, other_item  # items change places whole
    if all(units.is_a_heading(sitting.document, r) for r in (first, second)):
        below = [with_all_below(sitting, Places((r,))).first for r in (first, second)]
        first, second = below if below[0].end <= below[1].start else (first, second)
    first, second = (whole_sentence(sitting, r) for r in (first, second))
    if first.end > second.start:
        return Refusal("Those two overlap, so they cannot change places.")
    document = sitting.document
    one, two = document.text(first), document.text(second)
    after = _put(_put(sitting, second, document, first), first, document, second)
    longer = len(two) - len(one) if first.end.block == second.start.block else 0
    fewer = first.end.block - first.start.block
    moved = Position(second.end.block - fewer, second.start.offset + longer)
    after = carried(document, second, carried(document, first, after, moved), first.start)
    return Done(after.about(()), f"swapped {quoted(one)} and {quoted(two)}")


def _item_called(document: Document, r: Range) -> Range | None:
    """The item of which some words are all that tells: "torch" of "a torch"."""
    block = document.blocks[r.start.block]
    rest = block.text[: r.start.offset] + block.text[r.end.offset :]
    if block.kind is not Kind.ITEM or r.start.block != r.end.block:
        return None
    left = set(rest.lower().split())
    return units.block_range(document, r.start.block) if left <= DETERMINERS else None


Pairs = list[tuple[int, int]]


def _cells_of(
    document: Document, target: Places | None, a: Places | None, b: Places | None
) -> Pairs | Refusal:
    """The cells that change places where rows or columns are swapped, pair by pair."""
    if target is not None and target.unit is None and len(target.ranges) == 2:
        # "Shelf and fee the other way round", of headings.
        a, b = (replace(target, ranges=(r,)) for r in target.ranges)
        if len(headed_cells(document, a)) == len(headed_cells(document, b)) > 0:
            target = None
    if target is not None:
        blocks = [n for r in target.ranges for n in range(r.start.block, r.end.block + 1)]
        half = len(blocks) // 2
        if target.unit is Unit.COLUMN or target.unit is None and len(target.ranges) > 2:
            # A column's cells come row by row: every other one is of the second column.
            ordered = sorted(blocks)
            ones, others = ordered[0::2], ordered[1::2]
        else:
            ones, others = blocks[:half], blocks[half:]
    else:
        assert a is not None and b is not None
        headed = headed_cells(document, a), headed_cells(document, b)
        if headed[0] and headed[1]:
            # "Swap kitchen and boat" is said of those columns, "swap monday and friday" of rows.
            return list(zip(*headed, strict=True))
        ones, others = (
            [n for r in places.ranges for n in range(r.start.block, r.end.block + 1)]
            for places in (a, b)
        )
    every = [document.blocks[n] for n in (*ones, *others)]
    if not any(block.cell for block in every) or len(every) == 2:
        return []
    if not all(block.cell for block in every) or len(ones) != len(others):
        return Refusal("Rows swap with rows, and columns with columns; “move” takes the rest.")
    return list(zip(ones, others, strict=True))


def _cells_swapped(sitting: Sitting, pairs: Pairs) -> Done:
    """What stands in cells changed over, each with its marks; the cells stay where they are."""
    blocks = sitting.document.blocks
    steps: list[Splice] = []
    for one, other in pairs:
        for here, there in ((one, other), (other, one)):
            end = len(blocks[here].text)
            new = blocks[there].piece(0, len(blocks[there].text))
            steps.append(Splice(here, 0, end, new))
    after = sitting.edited(Edit(tuple(steps)))
    for one, other in pairs:
        for here, there in ((one, other), (other, one)):
            cell = units.block_range(sitting.document, here)
            after = carried(sitting.document, cell, after, Position(there, 0))
    return Done(after.about(()), f"{many(len(pairs), 'cell')} changed places")


def _put(sitting: Sitting, at: Range, source: Document, what: Range) -> Sitting:
    """What stands in `source` at `what`, in the place of a range; block by block if it must."""
    pieces = source.pieces(what)
    if len(pieces) == 1 and at.start.block == at.end.block:
        step = Splice(at.start.block, at.start.offset, at.end.offset, pieces[0][0])
        return sitting.edited(Edit((step,)))
    bare = sitting.edited(delete(sitting.document, at))
    return paste_at(replace(bare, selection=None), at.start, pieces).sitting


CATALOGUE.table(
    "sorting",
    {"alphabetical order": 1, "order": 1, "alphabetical (order backwards | order reversed)": -1},
)


CATALOGUE.table(
    "sorting",
    {
        "(alphabetic | abc | a b c | a to z | [an] a to (z | zed | zee)) order": 1,
        "(reverse | reversed) (alphabetical | alphabetic | abc) order": -1,
    },
    heard=False,
)


@command(
    "sort {target}",
    "(put | set) {target} in [the] {sorting}",
    "(sort | arrange | order) {target} [from] a to (z | zed | zee)",
    "{target} [from] a to (z | zed | zee)",
    "(sort | arrange | order) {target} alphabetically",
    "alphabetise {target}",
    "(get | arrange) {target} (in | into) [the] {sorting}",
    "{sorting} for {target}",
    "{target} [to be] in [the] {sorting}",
    "alphabetical for {target}",
    Way("(arrange | order) {target}", when=_a_list),
    "sort {target} (backwards | the other way round)",
    Way("(sort | alphabetise) (it | them | these | this) [alphabetically]", when=in_an_item),
    example="sort the list",
    group="revising",
    when=no_table,
)
def sort(sitting: Sitting, target: Places | None = None, sorting: int = 1) -> Done | Refusal:
    """Put the items of a list, or paragraphs, in alphabetical order."""
    there = target.first.start if target else sitting.caret
    alone = target is None or there.block == target.ranges[-1].end.block
    if target is None or alone and sitting.document.blocks[there.block].kind is Kind.ITEM:
        found = resolve(Units(Unit.LIST, Order.THIS), sitting.placed(there))
        if isinstance(found, Refusal):
            return found
        target = found
    first, last = target.first.start.block, target.ranges[-1].end.block
    blocks = sitting.document.blocks[first : last + 1]
    if len(blocks) < 2:
        return Refusal("There is only one thing to sort there.")
    ordered = sorted(blocks, key=lambda b: b.text.casefold(), reverse=sorting < 0)
    return Done(in_order(sitting, first, ordered), f"sorted {many(len(blocks), 'item')}")
