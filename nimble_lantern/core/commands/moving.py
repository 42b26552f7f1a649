"""Moving the writing place."""

from __future__ import annotations

from bisect import bisect_right
from dataclasses import replace
from itertools import islice

from nimble_lantern.core.commands.table_here import at_cell
from nimble_lantern.core.commands.when import last_command, names_a_part
from nimble_lantern.core.commands.wording import many, named
from nimble_lantern.core.document import units
from nimble_lantern.core.document.layout import edges
from nimble_lantern.core.document.model import Kind, Position
from nimble_lantern.core.document.tables import table_at
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command
from nimble_lantern.core.state import Done, Option, Question, Sitting, View
from nimble_lantern.core.targets.model import FLOWING, Places, Tabled, Unit

_SOMETHING = (
    "(add | write | say | put) (something | a bit | more | some more | a word | a few words)"
    " [(about | on) {text:words}]"
)


def _not_written_yet(sitting: Sitting, parse: Parse) -> bool:
    """ "Add something about parking at the end" says what the next words will be about."""
    return "text" not in parse.args or not sitting.fresh


_OF_REVISING = ("moving", "selecting", "revising", "repair", "reading")


def _revising(sitting: Sitting, parse: Parse) -> bool:
    """ "Top", while nobody is dictating: a command came last."""
    last = last_command(sitting)
    return last is not None and last.group in _OF_REVISING


@command(
    "[<go>] [back] [up] (to | at) [the] <beginning> [<the_text>]",
    "[<go>] [back] [up] (to | at) [the] <beginning> of (everything | it all)",
    Way("[the] [very] top", when=_revising),
    Way(f"{_SOMETHING} (at | to) the [very] (start | beginning | top)", when=_not_written_yet),
    "[go] [the] (start | beginning | top) <the_text>",
    "(go | jump | back) [to] [the] (start | top)",
    "<go> (right | straight | all the way) [back] [up] to [the] <beginning> [<the_text>]",
    "<go> all the way (up | back)",
    "(i want | i need | i'd like | i would like) to be [right] [back] [up] at the [very]"
    " <beginning> [<the_text>]",
    example="go to the start",
    group="moving",
)
def to_start(sitting: Sitting, text: tuple[str, ...] = ()) -> Done:
    """Write at the very start of the text."""
    return Done(sitting.placed(Position(0, 0)), "at the start")


@command(
    "[<go>] [back] [down] (to | at) [the] <finish> [<the_text>]",
    "[<go>] [back] [down] (to | at) [the] <finish> of (everything | it all)",
    Way("[the] [very] bottom", when=_revising),
    Way(f"{_SOMETHING} (at | to) the [very] (end | bottom)", when=_not_written_yet),
    "[go] [the] (end | bottom | finish) <the_text>",
    "(go | jump | back) [to] [the] (end | bottom)",
    "<go_on> at the <finish> [<the_text>]",
    "<go> (right | straight | all the way) [down] to [the] <finish> [<the_text>]",
    "<go> all the way (down | on)",
    "(i want | i need | i'd like | i would like) to be [right] [back] [down] at the [very]"
    " <finish> [<the_text>]",
    example="go to the end",
    group="moving",
)
def to_end(sitting: Sitting, text: tuple[str, ...] = ()) -> Done:
    """Write at the very end of the text."""
    return Done(sitting.placed(sitting.document.end), "at the end")


@command(
    "<go> [back] <exactly> <ahead_of> {target}",
    "[<go>] [back | up | down] (to | at) [the] <beginning> of {target}",
    Way("[find] [the] <beginning> of {target}", when=names_a_part),
    "<exactly> <ahead_of> {target:called}",
    "<go> to the (place | spot | bit | point) <ahead_of> {target}",
    "(<go> | be | start writing) [to] where {target} (starts | begins | started | began)",
    "(i want | i need | i'd like) [to] (be | write | go) <exactly> <ahead_of> {target}",
    Way(
        "(i want | i need | i'd like | let me) [to] (be | go | <go_on>)"
        " (at | from | to) [the] <beginning> of {target}",
        when=names_a_part,
    ),
    Way(
        "(i want | i need | i'd like) to (be | go | write) where {target}"
        " (starts | begins | opens)",
        when=names_a_part,
    ),
    "<caret> (<shall> be | goes | should go) <exactly> <ahead_of> {target}",
    "<wish> <caret> <exactly> <ahead_of> {target}",
    Way(
        "[back | over | up] [to] where {target} (starts | begins | started | began)",
        when=names_a_part,
    ),
    Way("[at | to] [the] front of {target}", when=names_a_part),
    Way("{target} (start | beginning)", when=names_a_part),
    example="go to the start of the last sentence",
    group="moving",
    finds=True,
)
def before(sitting: Sitting, target: Places) -> Done:
    """Write before a target."""
    where = named(sitting.document, target.ranges[:1])
    return Done(sitting.placed(target.first.start), f"before {where}")


def _not_along_the_row(sitting: Sitting, parse: Parse) -> bool:
    """In a table, "go to the count column" stays in the row."""
    inside = sitting.document.blocks[sitting.writing_place.block].cell is not None
    target = parse.args.get("target")
    return not (inside and isinstance(target, Tabled) and target.unit is Unit.COLUMN)


@command(
    Way("<go> [back] [up | down] to {target}", when=_not_along_the_row),
    "(<go> | (put | take | get | bring) me) [to] where it (says | has | reads) {target}",
    Way("[over | on | back | down | up] to {target}", when=names_a_part),
    example="go to the second paragraph",
    group="moving",
    finds=True,
)
def to(sitting: Sitting, target: Places) -> Done:
    """Write at a target: before its words, and in a cell of a table behind them."""
    r = target.first
    table = table_at(sitting.document.blocks, r.start.block)
    cell = sitting.document.blocks[r.start.block].cell
    if table is None or cell is None or r != block_range(sitting.document, r.start.block):
        return before(sitting, target)
    return at_cell(sitting, table, cell.row, cell.column)


def _headings(sitting: Sitting, parse: Parse) -> bool:
    return any(block.format.kind is Kind.HEADING for block in sitting.document.blocks)


@command(
    "(show | list | read | give | tell) [me] [all] [(the | my)] headings [(here | again)]",
    "(what are | what were | which are) [all] (the | my) headings",
    "what headings (are there | do i have | have i got | are here)",
    "what sections (are there | does (this | the (letter | document)) have)",
    "(show | list | give) [me] the (parts | sections | contents | outline) [of (this | it | the"
    " (letter | document))]",
    example="show me the headings",
    group="moving",
    shows=True,
    when=_headings,
)
def headings(sitting: Sitting) -> Done:
    """Show the headings with numbers: say one to go there."""
    found = [
        block_range(sitting.document, b)
        for b, block in enumerate(sitting.document.blocks)
        if block.format.kind is Kind.HEADING and block.text.strip()
    ]
    options = tuple(
        Option(sitting.document.text(r), (("target", Places((r,))),), (r,)) for r in found
    )
    asked = Question("moving.to", {}, options, beside=True)
    said = f"{many(len(found), 'heading')}: say a number to go there"
    return Done(replace(sitting, question=asked), said)


@command(
    "<go> [back] <exactly> <behind> {target}",
    "[<go>] [back | up | down | right | straight] (to | at) [the] <finish> of {target}",
    "(i want | i need | i'd like) [to] (be | write | go) <exactly> <behind> {target}",
    Way(
        "(i want | i need | i'd like | let me) [to] (be | go | <go_on>)"
        " (at | from | to) [the] <finish> of {target}",
        when=names_a_part,
    ),
    "<caret> (<shall> be | goes | should go) <exactly> <behind> {target}",
    "<wish> <caret> <exactly> <behind> {target}",
    Way("[over | on | back | down | up] to the <finish> of {target}", when=names_a_part),
    "<go> <exactly> (to | at) the other side of {target}",
    Way("[find] [the] <finish> of {target}", when=names_a_part),
    "<exactly> <behind> {target:called}",
    Way("[on | over | down] [to] where {target} (ends | stops | finishes)", when=names_a_part),
    Way("{target} end", when=names_a_part),
    "<go> to the (place | spot | bit | point) <behind> {target}",
    "(<go> | be | start writing) [to] where {target} (ends | stops | finishes)",
    example="go after the harbour board",
    group="moving",
    finds=True,
)
def after(sitting: Sitting, target: Places) -> Done:
    """Write after a target."""
    r = max(target.ranges) if target.unit in _TOGETHER else target.first
    where = named(sitting.document, (r,))
    return Done(sitting.placed(r.end), f"after {where}")


_TOGETHER = (Unit.ITEM, Unit.PARAGRAPH, Unit.SENTENCE, Unit.ROW)
"""Of several such, "the end of the bullets" is the end of the last."""


CATALOGUE.table(
    "where_i_was",
    {
        "where (i | we) (was | were | have been | stopped | left off | came from)"
        " [(writing | before | just now | a moment ago)]": True,
    },
)


@command(
    "<go> [back] to <where_i_was>",
    "back (down | up) [again] to <where_i_was>",
    "(back | return) to <where_i_was>",
    "(resume | pick up | carry on | go on | continue) [writing] <where_i_was>",
    "back to [my] (writing | place)",
    "<go> back <where_i_was>",
    "(take | bring | get) me back",
    "back to the (place | spot) [where] (i | we) (was | were | came from) [before]",
    example="go back to where i stopped",
    group="moving",
)
def to_writing(sitting: Sitting) -> Done:
    """Write where you last stopped writing."""
    place = sitting.wrote if sitting.wrote is not None else sitting.document.end
    return Done(sitting.placed(place), "where you stopped writing")


CATALOGUE.table("a_section", {"(section | chapter | heading)": Unit.SECTION}, heard=False)


@command(
    "<go> (forward | forwards | on | ahead | right) [by] {counted}",
    "<go> (forward | forwards | right) [{number}]",
    "(forward | right) {counted}",
    "{counted} (forward | forwards | on | ahead | [to the] right)",
    "<go_over> [(forward | on)] over {counted}",
    "<go> {counted} (forward | forwards | on | right | to the right)",
    "(skip | hop | advance) [by] {counted} [(forward | forwards | on | ahead)]",
    "step (forward | forwards | on | ahead) [by] {counted}",
    "[on to] [the] next {unit:a_section} [down]",
    example="go forward two words",
    group="moving",
    grows=True,
)
def forward(
    sitting: Sitting,
    counted: tuple[int, Unit] = (1, Unit.CHARACTER),
    number: int | None = None,
    unit: Unit | None = None,
) -> Done | Refusal:
    """Move the writing place forward by characters, words, sentences, lines or paragraphs."""
    if unit is not None:
        counted = (1, unit)
    return _moved(sitting, number or counted[0], counted[1], 1)


def _by_places(sitting: Sitting, parse: Parse) -> bool:
    """ "Go back one", right after something was changed, is a change, and no letter; "go back", on
    the shelf, is no letter either."""
    if sitting.view is not View.DESK and "number" not in parse.args:
        return False
    last = last_command(sitting)
    changed = last is not None and bool(sitting.trail[-1].made) and not last.traits.moves
    return parse.args.get("number") != 1 or not changed


@command(
    "<go> (back | backward | backwards | left) [by] {counted}",
    Way("<go> (back | backward | backwards | left) [{number}]", when=_by_places),
    "(back | left) {counted}",
    "[to] [the] previous {unit}",
    "[back] to the {unit} before",
    "[to] [the] {unit:a_section} (above | before)",
    "next {unit:a_section} up",
    "{counted} (back | backward | backwards | [to the] left)",
    "<go_over> back over {counted}",
    "<go> {counted} (back | backwards | left | to the left)",
    "back (up | off) {counted}",
    "back over {counted}",
    "step (back | backward | backwards) [by] {counted}",
    "take me back {counted}",
    example="go back three words",
    group="moving",
    grows=True,
)
def back(
    sitting: Sitting,
    counted: tuple[int, Unit] = (1, Unit.CHARACTER),
    number: int | None = None,
    unit: Unit | None = None,
) -> Done | Refusal:
    """Move the writing place back by characters, words, sentences, lines or paragraphs."""
    if unit is not None:
        counted = (1, unit)
    return _moved(sitting, number or counted[0], counted[1], -1)


def _not_by_cells(sitting: Sitting, parse: Parse) -> bool:
    """ "One cell down", "down a row" in a table are of its cells."""
    counted = parse.args.get("counted")
    cells = isinstance(counted, tuple) and counted[0] == 1 and counted[1] in (Unit.CELL, Unit.ROW)
    return not (cells and sitting.document.blocks[sitting.writing_place.block].cell)


@command("<go> up [by] {counted}", "<go> up [{number}]", "up {counted}", "{counted} up",
         "<go> (back | further | on | right) up [by] {counted}",
         example="go up two lines", group="moving", when=_not_by_cells, grows=True)  # fmt: skip
def up(
    sitting: Sitting, counted: tuple[int, Unit] = (1, Unit.LINE), number: int | None = None
) -> Done | Refusal:
    """Move the writing place up, by lines unless you say otherwise."""
    return _moved(sitting, number or counted[0], counted[1], -1)


@command("<go> down [by] {counted}", "<go> down [{number}]",
         "down {counted}", "{counted} down",
         "<go> (back | further | on | right) down [by] {counted}", example="go down three lines",
         group="moving", when=_not_by_cells, grows=True)  # fmt: skip
def down(
    sitting: Sitting, counted: tuple[int, Unit] = (1, Unit.LINE), number: int | None = None
) -> Done | Refusal:
    """Move the writing place down, by lines unless you say otherwise."""
    return _moved(sitting, number or counted[0], counted[1], 1)


def _moved(sitting: Sitting, count: int, unit: Unit, way: int) -> Done | Refusal:
    if count < 1:
        return Refusal("That is no way to go.", "", "Say a number from one up.")
    if unit is Unit.LINE:
        goal = _by_lines(sitting, count * way)
    elif unit in FLOWING:
        goal = _by_units(sitting, unit.value, count, way)
    else:
        goal = _by_blocks(sitting, unit, count, way)
    if goal is None or goal == sitting.caret:
        return Refusal(f"There is nothing further {'on' if way > 0 else 'back'}.")
    direction = "forward" if way > 0 else "back"
    return Done(sitting.placed(goal), f"{direction} {many(count, unit.value)}")


def _by_units(sitting: Sitting, unit: str, count: int, way: int) -> Position | None:
    document, caret = sitting.document, sitting.caret
    if way > 0:
        ahead = (r for r in units.forward(document, unit, Position(caret.block, 0)))
        found = list(islice((r for r in ahead if r.end > caret), count))
        return found[-1].end if found else None
    found = list(islice(units.backward(document, unit, caret), count))
    return found[-1].start if found else None


def _by_blocks(sitting: Sitting, unit: Unit, count: int, way: int) -> Position | None:
    found = units.blocks(sitting.document, unit.value, sitting.document.whole)
    here = sitting.caret
    if way > 0:
        later = [r.start for r in found if r.start.block > here.block]
        return later[min(count, len(later)) - 1] if later else None
    earlier = [r.start for r in found if r.start.block < here.block]
    return earlier[-min(count, len(earlier))] if earlier else None


def _by_lines(sitting: Sitting, by: int) -> Position | None:
    """The same column, as near as the characters allow, some lines away."""
    layout, caret = sitting.layout, sitting.caret
    now = layout.number(caret)
    goal = layout.parts(max(1, min(layout.count, now + by)))
    here = next((line for b, line in layout.parts(now) if b == caret.block), None)
    if here is None or not goal:
        return None
    blocks, style = sitting.document.blocks, sitting.style
    at = edges(blocks[caret.block], style)
    column = at[caret.offset] - at[here.start]
    own = blocks[caret.block].cell
    # In a table, the same column; out of it or into it, the first.
    same = (p for p in goal if own and (c := blocks[p[0]].cell) and c.column == own.column)
    b, line = next(same, goal[0])
    at = edges(blocks[b], style)
    last = line.start + len(blocks[b].text[line.start : line.end].rstrip(" \n"))
    offset = bisect_right(at, at[line.start] + column + 0.5, line.start, last + 1) - 1
    return Position(b, max(line.start, offset))
