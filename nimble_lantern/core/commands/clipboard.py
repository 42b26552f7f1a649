"""Cut, copy, paste, move."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from nimble_lantern.core.commands.onto_lists import as_an_item_at
from nimble_lantern.core.commands.shifted import (
    as_an_item,
    at_an_edge_of_a_part,
    begun_by,
    below_its_heading,
    both_items,
    both_stand,
    fills_a_cell,
    hangs_on_another,
    in_its_list,
    list_of,
    names_the_text,
    no_cutback,
    no_sentence_itself,
    of_whole_sentences,
    part_beside_another,
    parts_or_items,
    past_neighbours,
    that_beside_a_block,
    that_has_a_place,
    that_to_an_edge,
    whole_neighbour,
    whole_sentence,
    with_all_below,
)
from nimble_lantern.core.commands.table_here import (
    cell_beside,
    row_moved_by,
    two_headings,
    two_rows,
)
from nimble_lantern.core.commands.when import names_a_part
from nimble_lantern.core.commands.wording import named, quoted, words_in
from nimble_lantern.core.composing.moving import (
    WHOLE,
    apart_from,
    as_a_line,
    in_the_body,
    paste_at,
    relocate,
    round_the_text,
    stands_alone,
    two_lines,
    within_its_sentence,
)
from nimble_lantern.core.composing.removing import remove
from nimble_lantern.core.composing.starting import room_beside
from nimble_lantern.core.document import units
from nimble_lantern.core.document.clauses import with_link
from nimble_lantern.core.document.edits import AddBlocks, DropBlocks, Edit
from nimble_lantern.core.document.model import Kind, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.letter import head, to_write_in
from nimble_lantern.core.targets.model import (
    Places,
    Unit,
    Units,
    Words,
    of_a_grid,
    of_the_page,
)
from nimble_lantern.core.targets.resolve import nth_like, one_like
from nimble_lantern.core.targets.words import a_whole_heading


def _taken(sitting: Sitting, target: Places) -> Sitting:
    whole = target.unit in WHOLE
    pieces = tuple(piece for r in target.ranges for piece in sitting.document.pieces(r))
    return replace(sitting, clipboard=pieces, clipped_blocks=whole)


@command(
    "copy {target} [to the clipboard]",
    "(take | make | get) a copy of {target}",
    "<wish> {target} copied",
    "copy out {target}",
    "(put | get | take) {target} (on | onto | to) the clipboard",
    Way("(<wish> | grab | pick up) a copy of {target}", when=names_a_part),
    Way("{target} (to | onto) the clipboard", when=names_a_part),
    example="copy the last sentence",
    group="revising",
    light=True,
    by_rows=True,
)
def copy(sitting: Sitting, target: Places) -> Done | Refusal:
    """Copy a target, to be pasted."""
    if refused := apart_from(target):
        return refused
    ranges = target.ranges
    return Done(_taken(sitting, target).about(ranges), f"copied {named(sitting.document, ranges)}")


@command(
    "cut {target} [to the clipboard]",
    "(cut | snip) {target} out",
    "(cut | snip) out {target}",
    example="cut the last sentence",
    group="revising",
    destructive=True,
    when=no_cutback,
)
def cut(sitting: Sitting, target: Places) -> Done | Refusal:
    """Take a target out, to be pasted."""
    if refused := apart_from(target):
        return refused
    target = of_whole_sentences(sitting, target)
    whole, ranges = target.unit in WHOLE, target.ranges
    count, what = words_in(sitting, ranges), named(sitting.document, ranges)
    gone = [with_link(sitting.document, r) if target.clause else r for r in ranges]
    lines = target.unit is Unit.LINE
    after = remove(_taken(sitting, target), gone, blocks=whole or lines, begin=target.clause)
    return Done(after, f"cut {count}: {what}")


def _just_clipped(sitting: Sitting, parse: Parse) -> bool:
    """ "Put it there" is said of what was just cut or copied, with nothing but moving since."""
    for entry in reversed(sitting.trail):
        if not (entry.command or "").startswith(("moving.", "clipboard.")):
            return False
        if entry.command in ("clipboard.cut", "clipboard.copy"):
            return True
    return False


@command(
    "paste [(that | it | this)] [(here | in | in here | there)]",
    "paste [(that | it | this)] {side:beside} {target}",
    "paste [(that | it | this)] at the [very] {edge:docedge}",
    "(put | drop | pop) (that | it | this) in here",
    Way("(put | drop | pop) this here", when=lambda sitting, parse: bool(sitting.clipboard)),
    "paste [what i copied] [from] [the clipboard]",
    "(paste | insert | put in | put | drop in) (what i [just | have | 've] (copied | cut | cut out)"
    " | the copied (text | words | sentence)) [(here | in | in here)]",
    "paste the clipboard",
    Way(
        "(put | drop | pop | stick | place | set | insert) (it | that | them)"
        " [(in | down | there | here)] [(here | there)]",
        when=_just_clipped,
    ),
    *each(
        _just_clipped,
        "(put | drop | pop | stick | place) (it | that | them) {side:beside} {target}",
        "(put | drop | pop | stick | place) (it | that | them) (at | to) the [very] {edge:docedge}",
    ),
    example="paste",
    group="revising",
)
def paste(
    sitting: Sitting, target: Places | None = None, side: str = "after", edge: str = ""
) -> Done | Refusal:
    """Put in what was cut or copied, here or beside a target."""
    if not sitting.clipboard:
        return Refusal("Nothing has been cut or copied.", "", "Say “copy” and the words first.")
    at: Position = sitting.writing_place
    if target is not None:
        at = target.first.start if side == "before" else target.first.end
    if edge:
        at = sitting.document.whole.start if edge == "start" else sitting.document.end
    wrote = paste_at(sitting, at, sitting.clipboard, sitting.clipped_blocks)
    after = wrote.sitting
    if target is None and (not edge or sitting.caret == at):
        after = replace(after, caret=wrote.range.end, wrote=wrote.range.end)
    return Done(after, f"pasted {quoted(wrote.text)}")


def _clipped_last(sitting: Sitting, parse: Parse) -> bool:
    """ "Before the door", said right after something was cut, is where it goes."""
    return bool(sitting.trail) and sitting.trail[-1].command in ("clipboard.cut", "clipboard.copy")


@command("{side:beside} {target}", example="before the last sentence", group="moving",
         heard=0, when=_clipped_last)  # fmt: skip
def beside(sitting: Sitting, target: Places, side: str) -> Done:
    """Write before or after a target, where what was just cut or copied is to go."""
    at = target.first.start if side == "before" else target.first.end
    where = named(sitting.document, target.ranges[:1])
    return Done(sitting.placed(at), f"{side} {where}; “paste” puts it here")


@command(
    Way(
        "(<shift> | <set_down>) {target} <exactly> {side:beside} the {position} [one]",
        when=parts_or_items,
    ),
    Way(
        "{target} [<shall> (come | go | be | stand)] {side:beside} the {position} [one]",
        when=parts_or_items,
    ),
    "(<shift> | <set_down>) {target} (where | to where | in the place of) [the] {position} [one]"
    " (is | was | stands)",
    *each(
        part_beside_another,
        "(<shift> | <set_down> | <wish>) {target} <exactly> {side:beside} {words:the_other}",
        "{target} (<shall> (come | go | be | stand) | goes | belongs) {side:beside}"
        " {words:the_other}",
    ),
    example="put the last paragraph where the first one is",
    group="revising",
    moves=True,
)
def move_to_nth(
    sitting: Sitting,
    target: Places,
    position: int = 0,
    side: str = "before",
    words: tuple[str, ...] = (),
) -> Done | Refusal:
    """Move a paragraph or item to where another of its kind stands, before it or after it."""
    if target.unit not in (Unit.PARAGRAPH, Unit.ITEM, Unit.SENTENCE, Unit.SECTION):
        return Refusal("Say what to move: a paragraph, an item or a sentence.")
    found = one_like(target, words, sitting) if words else nth_like(target, position, sitting)
    if isinstance(found, Refusal):
        return found
    return move(sitting, target, found, side)


def _of_words(sitting: Sitting, parse: Parse) -> bool:
    """Rows and columns go as such, and so do those of two headings: "move boat before lamp"."""
    target, place = parse.args.get("target"), parse.args.get("place")
    of_two = two_headings(sitting, target, place) or two_rows(sitting, target, place)
    return not of_a_grid(target) and not of_two


@command(
    "<shift> {target} <exactly> {side:beside} {place:target}",
    "<shift> [(up | down)] {target} [(up | down | back | right)] to the [very] {edge:docedge}",
    "<shift> {target} {edge:atedge} [(of | on | in) the list]",
    "<shift> {target} (where | to where | in the place of) {place:target} (is | was | stands)",
    *each(
        parts_or_items,
        "<set_down> {target} <exactly> {side:beside} {place:target}",
        "<set_down> {target} [(up | down | back | right)] (to | at) the [very] {edge:docedge}"
        " [<of_list>]",
        "(take | send | push | bring) {target} [(up | down | back | right)] to the [very]"
        " {edge:docedge} [<of_list>]",
        "(<wish> | let) {target} [(to come | come | go)] {edge:atedge} [<of_list>]",
        "(<wish> | i'd rather have | i would rather have) {target} (at | on) the [very]"
        " {edge:docedge} [<of_list>]",
        "{target} (goes | <shall> (go | be | come)) (to | at | on) the [very] {edge:docedge}"
        " [<of_list>]",
        "(let | have) {target} be {edge:atedge} [<of_list>]",
        "make {target} {edge:atedge} [of all] [<of_list>]",
        "(could | can | let | might | may) {target} (go | be | come) (to | at | on) the [very]"
        " {edge:docedge}",
        "<set_down> {target} {edge:atedge} [(of | on | in) the list]",
        "<set_down> {target} (where | in the place of) {place:target} (is | was | stands)",
        "{target} {edge:atedge} [<of_list>]",
        "{target} <shall> (be | come | go) (the | in) {edge:atedge}"
        " [(one | item | point | bullet | place | of all)] [(on | in | of) the list]",
        "{target} <shall> come {edge:atedge} [(on | in | of) the list]",
        "make {target} the [very] {edge:atedge} [(one | item | thing | of all)] [<of_list>]",
        "{target} (should come | should go | goes | belongs) {side:beside} {place:target}",
        "{target} (should be | should go | goes | belongs) {edge:atedge} [(on | in) the list]",
        "{target} <shall> (come | go | be | stand) {side:beside} {place:target}",
        "let {target} (come | go | be | stand) {side:beside} {place:target}",
        "{target} [up | down] to the [very] {edge:docedge} [(of | on) the list]",
        "<wish> {target} moved {side:beside} {place:target}",
        "(take | pick up | lift | grab) {target} and (put | move | place | drop) (it | them)"
        " <exactly> {side:beside} {place:target}",
        "(take | pick up | lift | grab) {target} and (put | move | place | drop) (it | them)"
        " (to | at) the [very] {edge:docedge}",
        "<wish> {target} moved to the [very] {edge:docedge}",
    ),
    Way(
        "<set_down> {target:that_alone} <exactly> {side:beside} {place:target}",
        when=that_beside_a_block,
    ),
    *that_to_an_edge(),
    Way("{target} <shall> (come | go | stand | be) {side:beside} {place:target}", when=both_stand),
    Way(
        "{target:that_alone} (<shall> (go | be | come | stand) | belongs) {side:beside}"
        " {place:target}",
        when=that_has_a_place,
    ),
    example="move the last sentence before the first sentence",
    group="revising",
    moves=True,
    when=_of_words,
    by_rows=True,
)
def move(
    sitting: Sitting,
    target: Places,
    place: Places | None = None,
    side: str = "after",
    edge: str = "end",
) -> Done | Refusal:
    """Move a target before or after another."""
    target = begun_by(sitting, as_an_item(sitting.document, target), place)
    place = None if place is None else as_an_item(sitting.document, place)
    if target.unit is Unit.PARAGRAPH and len(target.ranges) > 1:
        return Refusal("Those paragraphs do not stand together.", "", "Move one of them.")
    if target.unit is not Unit.ITEM and (refused := apart_from(target)):
        return refused
    source = whole_sentence(sitting, target.first)
    if target.clause and hangs_on_another(sitting.document, source):
        here = units.block_range(sitting.document, source.start.block)
        around = units.within(sitting.document, "sentence", here)
        source = next(
            (r for r in around if r.start <= source.start and source.end <= r.end), source
        )
    if place is not None and target.unit is Unit.SECTION:
        place = with_all_below(sitting, place)
    goal = sitting.document.whole if place is None else place.first
    before = (side if place else edge) in ("before", "start")
    if place is not None and (row := cell_beside(sitting, target.first, place.first, before)):
        return row
    if place is not None and Unit.ROW in (target.unit, place.unit):
        return Refusal(
            "A row can only stand beside another row of its table.", "", "Name that row."
        )
    far = len(sitting.document.blocks) * (-1 if before else 1)
    first = units.block_range(sitting.document, target.first.start.block)
    named_row = target.unit is Unit.ROW
    if place is None and (row := row_moved_by(sitting, first if named_row else target.first, far)):
        return row
    if place is not None and two_lines(sitting.document, target.first, place.first, before):
        target = replace(target, unit=Unit.PARAGRAPH)
    whole = stands_alone(sitting.document, target)
    # "Move the date to the top", of one that stands on a line of its own.
    plain = sitting.document.blocks[first.start.block].kind is Kind.PARAGRAPH
    whole = whole or plain and place is None and source == first
    if not whole and (items := both_items(sitting, source, place)):
        # Items stay whole, whichever of their words they are called by.
        source, goal, whole = *items, True
    elif place is None and target.unit is Unit.ITEM:
        goal = list_of(sitting.document, source)
    if place is not None and (apart := room_beside(sitting, place, before, source)):
        sitting, goal, source = apart
    elif place is not None:
        goal = whole_neighbour(sitting, target, source, goal)
    if place is not None and not whole and round_the_text(sitting.document, source, goal):
        goal, whole = units.block_range(sitting.document, goal.start.block), True
    at = goal.start if before else goal.end
    told = target.unit is Unit.PARAGRAPH and not target.named and head(sitting.document)
    if place is None and (not whole or target.unit is Unit.SECTION or told):
        at = in_the_body(sitting, source, at)
    if source.start < at < source.end or whole and source == goal:
        return Refusal("The words cannot go inside themselves.")
    # Below a heading stands a paragraph, and no more of the heading.
    heads = place is not None and units.is_a_heading(sitting.document, place.first)
    headed = heads and goal.start.block != source.start.block
    wrote = relocate(sitting, source, at, whole or headed, target.clause)
    return Done(wrote.sitting, f"moved {quoted(wrote.text)}")


def _less_than_all(sitting: Sitting, parse: Parse) -> bool:
    """ "Copy everything under boat" puts no copy of the whole text there."""
    target = parse.args.get("target")
    return not isinstance(target, Units) or target.unit is not Unit.DOCUMENT


def _to_an_edge_of_it(sitting: Sitting, parse: Parse) -> bool:
    """The end of a part, or of what stands below a heading that says just so."""
    place = parse.args.get("place")
    heads = isinstance(place, Words) and a_whole_heading(sitting.document, place.words)
    part = of_the_page(place) and parts_or_items(sitting, parse)
    return _no_grid(sitting, parse) and (part or heads and names_a_part(sitting, parse))


def _no_grid(sitting: Sitting, parse: Parse) -> bool:
    """A row or a column is copied within its table."""
    return not of_a_grid(parse.args.get("target")) and _less_than_all(sitting, parse)


@command(
    Way("copy {target} {side:beside} {place:target}", when=_no_grid),
    Way("copy {target} (to | at) the [very] {edge:docedge}", when=_no_grid),
    Way("copy {target} (to | at) {inner} of {place:target}", when=_to_an_edge_of_it),
    "(put | give me | make | <wish>) a copy of {target} at the {edge:docedge}",
    "put a copy of {target} {side:beside} {place:target}",
    Way("(repeat | duplicate) {target} at the {edge:docedge}", when=names_a_part),
    Way(
        "(have | put | show | <wish>) {target} at the {edge:docedge} (as well | too | also)",
        when=names_a_part,
    ),
    Way("(repeat | duplicate) {target} {side:beside} {place:target}", when=names_a_part),
    example="copy the last sentence after the first sentence",
    group="revising",
)
def copy_to(
    sitting: Sitting,
    target: Places,
    place: Places | None = None,
    side: str = "after",
    edge: str = "end",
    inner: bool | None = None,
) -> Done:
    """Put a copy of a target before or after another, or at its start or end."""
    if place is not None and inner is not None:
        place = to_write_in(sitting.document, below_its_heading(sitting, target, place))
        side = "after" if inner else "before"
        at = place.first.start if inner else place.first.end
        place = replace(place, ranges=(Range(at, at),), unit=None)
    goal = sitting.document.whole if place is None else place.first
    before = (side if place else edge) in ("before", "start")
    source = whole_sentence(sitting, target.first)
    pieces = sitting.document.pieces(source)
    whole = stands_alone(sitting.document, target)
    if place is not None and inner is None and not whole and source != target.first:
        one = replace(target, unit=Unit.SENTENCE)
        goal = whole_neighbour(sitting, one, source, goal)
    if place and (apart := room_beside(sitting, place, before, target.first)):
        sitting, goal, _ = apart
    at = goal.start if before else goal.end
    if place is None and not whole:
        at = in_the_body(sitting, target.first, at)
    line = as_a_line(sitting.document, target.first, at)
    wrote = paste_at(sitting, at, pieces, whole, line)
    return Done(wrote.sitting, f"copied {quoted(wrote.text)}")


def _in_no_grid(sitting: Sitting, parse: Parse) -> bool:
    """A row or a column, or the one that a cell tells, is copied as such."""
    target = parse.args.get("target")
    return not of_a_grid(target) and not fills_a_cell(sitting, target)


@command(
    "duplicate {target}",
    Way("(repeat | double) {target}", when=names_a_part),
    Way("(make | have | print | show) {target} (twice | a second time)", when=names_a_part),
    "make [a] duplicate of {target}",
    "(put | add | insert) [in] another copy of {target}",
    Way("(i | we) (need | want) {target} (twice | a second time)", when=names_a_part),
    "copy {target} (below | under | underneath | after | behind) (itself | themselves)",
    "(write | put) {target} (twice | a second time)",
    example="duplicate the last sentence",
    group="revising",
    when=_in_no_grid,
)
def duplicate(sitting: Sitting, target: Places) -> Done:
    """Put a copy of a target right behind it."""
    return copy_to(sitting, target, target)


CATALOGUE.table("neighbour", {"(above | before [it])": -1, "(below | after [it])": 1})
CATALOGUE.table("lifting", {"(raise | lift)": -1, "lower": 1})
CATALOGUE.table("upward", {"(up | higher)": -1, "(down | lower)": 1})


@command(
    "<shift> {target} {upward} [one]",
    "<shift> {target} {upward} [by] {number} [(places | place | lines | items)]",
    "<shift> {target} {number} [(places | place)] {upward}",
    Way("(put | move) {target} further {upward}", when=parts_or_items),
    Way(
        "(swap | exchange | switch | change) {target} (with | for) the (one | next one | paragraph"
        " | item | line | sentence) {upward:neighbour}",
        when=parts_or_items,
    ),
    Way("{target} {number} [(places | place | lines | items)] {upward}", when=parts_or_items),
    Way("{target} {upward} (one | a place | one place)", when=parts_or_items),
    Way(
        "(let | have) {target} (go | move | come) {upward} [(one | a place | one place)]",
        when=parts_or_items,
    ),
    Way("{upward:lifting} {target} [by] (one | a) place", when=parts_or_items),
    Way(
        "{target} (goes | <shall> go | <shall> move) {upward} [(one | a place)]",
        when=parts_or_items,
    ),
    Way("<wish> {target} moved {upward} [one]", when=parts_or_items),
    Way(
        "(<set_down> | push | nudge | take | send) {target} [one] {upward}"
        " [(one | a place | one place | a bit)]",
        when=parts_or_items,
    ),
    example="move the last item up",
    group="revising",
    moves=True,
    grows=True,
)
def move_by(sitting: Sitting, target: Places, upward: int, number: int = 1) -> Done | Refusal:
    """Move paragraphs, items or sentences up or down among their neighbours."""
    target = as_an_item(sitting.document, target)
    if (row := row_moved_by(sitting, target.first, upward * number)) is not None:
        return row
    place = past_neighbours(sitting.document, target.first, upward * number)
    if isinstance(place, Refusal):
        return place
    if place is not None:
        side = "before" if upward < 0 else "after"
        return move(sitting, Places(target.ranges[:1]), Places((place,)), side)
    first, last = target.first.start.block, target.first.end.block
    goal = first + upward * number
    if goal < 0 or goal + last - first >= len(sitting.document.blocks) or not number:
        return Refusal(f"It cannot go further {'up' if upward < 0 else 'down'}.")
    blocks = sitting.document.blocks[first : last + 1]
    at = goal if upward < 0 else goal + last - first + 1
    add, drop = AddBlocks(at, blocks), DropBlocks(first + (len(blocks) if upward < 0 else 0),
                                                  len(blocks))  # fmt: skip
    after = sitting.edited(Edit((add, drop)))
    whole = Range(Position(goal, 0), Position(goal + last - first, len(blocks[-1].text)))
    if first <= sitting.caret.block <= last:
        caret = Position(sitting.caret.block + upward * number, sitting.caret.offset)
        after = replace(after, caret=caret)
    return Done(after.about([whole]), f"moved {quoted(after.document.text(whole))}")


def _to_an_edge(of_what: str, stands: Callable[[Sitting, Parse], bool]) -> tuple[Way | str, ...]:
    """The ways to move a target to the edge of something: "its paragraph", "{place:target}"."""
    at_the_edge = "the [very] {edge:docedge} of " + of_what
    along = "[(up | down | over | back | right up | right down)] (to | at)"
    return (
        f"<shift> {{target}} {along} {at_the_edge}",
        Way(f"(<set_down> | take) {{target}} {along} {at_the_edge}", when=parts_or_items),
        Way(f"{{target}} to {at_the_edge}", when=parts_or_items),
        *each(
            stands,
            f"{{target}} (goes | <shall> (go | be | come | stand)) (to | at | on) {at_the_edge}",
            f"{{target}} <shall> (come | be | stand) {{edge:atedge}} in {of_what}",
            f"(make | let | have) {{target}} [be] {{edge:atedge}} in {of_what}",
        ),
    )


@command(
    *_to_an_edge("(its | the | that) [own] paragraph", parts_or_items),
    heard=0,
    example="move the last sentence to the start of its paragraph",
    group="revising",
    moves=True,
)
def move_in_its_paragraph(sitting: Sitting, target: Places, edge: str) -> Done | Refusal:
    """Move a target to the start or the end of the paragraph that it stands in."""
    whole = units.block_range(sitting.document, target.first.start.block)
    return move_to_edge(sitting, target, Places((whole,), unit=Unit.PARAGRAPH), edge)


@command(
    *_to_an_edge("(its | the | that) [own] sentence", no_sentence_itself),
    heard=0,
    example="move the word please to the start of its sentence",
    group="revising",
    moves=True,
)
def move_in_its_sentence(sitting: Sitting, target: Places, edge: str) -> Done | Refusal:
    """Move words to the start or the end of the sentence that they stand in."""
    wrote = within_its_sentence(sitting, target.first, edge == "start")
    if wrote is None:
        return Refusal("It is there already.")
    return Done(wrote.sitting, f"moved {quoted(wrote.text)}")


def _not_within_a_table(sitting: Sitting, parse: Parse) -> bool:
    """Rows and columns keep their cells where they are moved in their table; the top of the
    letter is that of the text."""
    place = parse.args.get("place")
    if names_the_text(place):
        return False
    there = isinstance(place, Units) and place.unit is Unit.TABLE or of_a_grid(place)
    target = parse.args.get("target")
    return not (there and (of_a_grid(target) or fills_a_cell(sitting, target)))


@command(
    *_to_an_edge("{place:target}", at_an_edge_of_a_part),
    *that_to_an_edge(" of {place:target}"),
    example="move the last item to the start of the list",
    group="revising",
    moves=True,
    when=_not_within_a_table,
)
def move_to_edge(sitting: Sitting, target: Places, place: Places, edge: str) -> Done | Refusal:
    """Move a target to the start or the end of another."""
    place = to_write_in(sitting.document, below_its_heading(sitting, target, place))
    target, place = in_its_list(sitting.document, target, place)
    target = begun_by(sitting, target, place)
    whole = target.unit in WHOLE
    source = whole_sentence(sitting, target.first)
    block = sitting.document.blocks[source.start.block]
    inside = block.kind is Kind.ITEM
    if place.unit is Unit.LIST and not inside and block.cell is None:
        return as_an_item_at(sitting, source, place, edge)
    if not whole and inside and place.unit is Unit.LIST:
        source, whole = units.block_range(sitting.document, source.start.block), True
    at = place.first.start if edge == "start" else place.first.end
    if source.start <= at <= source.end:
        return Refusal("It is there already.")
    wrote = relocate(sitting, source, at, whole, target.clause)
    return Done(wrote.sitting, f"moved {quoted(wrote.text)}")
