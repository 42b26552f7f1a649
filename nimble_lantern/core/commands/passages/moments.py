"""What the desk knows by itself: the date, the time, the document's name."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands.passage_here import (
    blank_here,
)
from nimble_lantern.core.commands.passages.blanks import filled_in
from nimble_lantern.core.commands.passages.keeping import put_passage
from nimble_lantern.core.commands.when import (
    begins_a_line,
    beside_a_line,
    names_a_block,
    names_a_part,
)
from nimble_lantern.core.commands.wording import named, quoted
from nimble_lantern.core.composing.redating import whole_date
from nimble_lantern.core.composing.replacing import replace_range
from nimble_lantern.core.document.edits import AddBlocks, Edit, insert
from nimble_lantern.core.document.model import Block, Format, Kind, Piece, Position, Range
from nimble_lantern.core.document.tables import outside
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command
from nimble_lantern.core.reviewing.passages import (
    Passage,
    moment_text,
)
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.measures import A_DATE
from nimble_lantern.core.targets.model import Places, That, Words
from nimble_lantern.core.targets.resolve import resolve

_NAME_OF_IT = (
    "([the] (document | letter | document's | letter's | page's) (name | title) | the (name |"
    " title) of (the | this)"
    " (document | letter | page | list | notice))"
)
CATALOGUE.table(
    "moment",
    {
        "(today's date | date today | the date [(of today | today)] | today as a date)": "date",
        "the time [now]": "time",
        f"({_NAME_OF_IT} | the title)": "title",
    },
)


CATALOGUE.table(
    "moment_of_day",
    {
        "(today's date | date today | the date [(of today | today)])": "date",
        "(the time [now] | the time of day | what time it is [now])": "time",
        _NAME_OF_IT: "title",
    },
    heard=False,
)
CATALOGUE.table(
    "moment_told",
    {
        "(today's date | date today | the date (of today | today))": "date",
        "(the time now | the present time | what time it is [now])": "time",
    },
    heard=False,
)
CATALOGUE.table("moment", {"what (time it is | the time is) [now]": "time"}, heard=False)


CATALOGUE.table("is_it", {"time is it": "time", "(day | date) is it": "date"}, heard=False)


def _told(sitting: Sitting, moment: str) -> str | Refusal:
    """What the date, the time or the name is, in words."""
    words = moment_text(moment, sitting.title, sitting.now, sitting.settings.dialect)
    return Refusal("The desk does not know what day it is.") if words is None else words


@command(
    "(insert | put in | write | add | type | fill in) {moment} [here]",
    "(put | set | pop | place | stick | enter | give me) {moment} (in | here | in here | at this"
    " (place | spot) | there)",
    "(<wish> | let me have) {moment:moment_of_day} [written] (here | in here | put in)",
    "{moment:moment_of_day} (here | goes here | comes here | in here)",
    "(what's | what is) {moment:moment_of_day} [(and)] (write | put) it (in | here | in here |"
    " down)",
    "(put | insert) {moment:moment_of_day}",
    "{moment} please",
    "what {moment:is_it} [(and)] (write | put) it (in | here | in here | down)",
    heard=1,
    example="insert today's date",
    group="writing",
)
def moment(sitting: Sitting, moment: str) -> Done | Refusal:
    """Write today's date, the time, or the document's name."""
    text = _told(sitting, moment)
    if isinstance(text, Refusal):
        return text
    pair = blank_here(sitting)
    if pair is not None:
        return filled_in(sitting, pair[1], text, str(pair[0].data["name"]))
    place = sitting.writing_place
    block = sitting.document.blocks[place.block]
    if block.kind is Kind.HEADING and place.offset == 0 and block.text.strip():
        return moment_here(sitting, moment, "before")  # a title stays by itself
    put = put_passage(sitting, Passage(text, ((Piece(text), Block().format),)))
    return replace(put, summary=f"wrote {quoted(text)}")


_GOES = "(<shall> (go | come | stand | be) | goes | comes | belongs)"


def _beside_words(sitting: Sitting, parse: Parse) -> bool:
    """ "Today's date after june", where it says so; "the date before friday" may be words."""
    target = parse.args.get("target")
    return isinstance(target, Words) and isinstance(resolve(target, sitting), Places)


def _just_said(sitting: Sitting, parse: Parse) -> bool:
    """ "And the date underneath it", of what was just written."""
    return isinstance(parse.args.get("target"), That) and bool(sitting.that)


CATALOGUE.table(
    "beside_it",
    {
        "(underneath | below | beneath | (under | below | underneath | beneath) (it | that | this)"
        " | on (the next | a new | the following | a separate | its own) line)": "after",
        "(above | (above | over) (it | that | this))": "before",
    },
    heard=False,
)


def _empty_line(sitting: Sitting, parse: Parse) -> bool:
    return not sitting.document.blocks[sitting.writing_place.block].text.strip()


def _in_a_paragraph(sitting: Sitting, parse: Parse) -> bool:
    return sitting.document.blocks[sitting.writing_place.block].cell is None


@command(
    Way("[and] [now] [then] [<put>] {moment:moment_of_day} {side:beside_it}", when=_in_a_paragraph),
    Way("[and] (now | then | next) {moment:moment_of_day}", when=_empty_line),
    Way("[and] [now] [then] date {side:beside_it}", when=_in_a_paragraph),
    Way("[<put>] date today [here]", when=_in_a_paragraph),
    example="put the date underneath",
    group="writing",
    heard=0,
)
def moment_here(sitting: Sitting, moment: str = "date", side: str = "after") -> Done | Refusal:
    """Write today's date or the time on a line of its own, and go on behind it."""
    words = _told(sitting, moment)
    if isinstance(words, Refusal):
        return words
    b = sitting.writing_place.block
    block = sitting.document.blocks[b]
    if not block.text.strip():
        edit = insert(Position(b, 0), ((Piece(words), Format()),))
    else:
        b += side == "after"
        form = Format(align=block.format.align)
        edit = Edit((AddBlocks(b, (Block(words).formatted(form),)),))
    after = sitting.edited(edit)
    after = after.placed(Position(b, len(after.document.blocks[b].text)))
    there = after.about((block_range(after.document, b),))
    there = replace(there, wrote=there.caret, headed=there.caret)
    return Done(there, f"wrote {quoted(words)} {side} that")


@command(
    "<put> {moment:moment_of_day} (at | to | on) the [very] {edge:docedge}",
    "{moment:moment_of_day} " + _GOES + " (at | to | on) the [very] {edge:docedge}",
    "date (it | this | the <writing>) [(at | on) the [very] {edge:docedge}]",
    "[(the | today's)] date (at | on) [the] [very] {edge:docedge}",
    Way("<put> {moment:moment_of_day} {side:beside} {target}", when=beside_a_line),
    Way("<put> {moment:moment_told} {side:beside} {target}", when=_beside_words),
    Way("{moment:moment_of_day} " + _GOES + " {side:beside} {target}", when=names_a_block),
    Way("{side:beside} {target} <put> {moment:moment_of_day}", when=names_a_block),
    Way(
        "[and] [(put | add | write)] {moment:moment_of_day} {side:beside} {target}",
        when=_just_said,
    ),
    example="put today's date under the title",
    group="writing",
    heard=0,
)
def moment_beside(
    sitting: Sitting,
    moment: str = "date",
    target: Places | None = None,
    side: str = "after",
    edge: str = "start",
) -> Done | Refusal:
    """Write today's date or the time above or below a part.  The writing place stays."""
    words = _told(sitting, moment)
    if isinstance(words, Refusal):
        return words
    document = sitting.document
    if target is not None and target.unit is None and not begins_a_line(sitting, target.first):
        return moment_within(sitting, moment, target, side)
    if target is None:
        side = "before" if edge == "start" else "after"
        block = 0 if edge == "start" else len(document.blocks) - 1
    else:
        block = (target.first.start if side == "before" else target.first.end).block
    at = outside(document.blocks, block + (side == "after"))
    if not document.blocks[block].text:
        after = sitting.edited(insert(Position(block, 0), ((Piece(words), Format()),)))
        after = after.placed(Position(block, len(words)))
        there = after.about((block_range(after.document, block),))
        return Done(there, f"put {quoted(words)} there")
    after = sitting.edited(Edit((AddBlocks(at, (Block(words),)),)))
    where = named(document, (block_range(document, block),))
    after = after.about((block_range(after.document, at),))
    return Done(after, f"put {quoted(words)} {side} {where}")


@command(
    Way(
        "<put> {moment:moment_of_day} (in | into | to | (at | on) the [very] end of) {target}",
        when=names_a_part,
    ),
    example="put today's date in the heading",
    group="writing",
    heard=0,
)
def moment_within(
    sitting: Sitting, moment: str, target: Places, side: str = "after"
) -> Done | Refusal:
    """Write today's date or the time at the end of a part, or beside words.

    The writing place stays.
    """
    words = _told(sitting, moment)
    if isinstance(words, Refusal):
        return words
    end = target.first.start if side == "before" else target.first.end
    text = sitting.document.blocks[end.block].text
    left, right = text[: end.offset], text[end.offset :]
    gap = " " if left and not left[-1].isspace() else ""
    room = " " if right[:1].isalnum() else ""
    after = sitting.edited(insert(end, ((Piece(gap + words + room), Format()),)))
    there = Position(end.block, end.offset + len(gap))
    written = Range(there, there._replace(offset=there.offset + len(words)))
    return Done(after.about((written,)), f"put {quoted(words)} there")


def _of_a_date(sitting: Sitting, parse: Parse) -> bool:
    """ "Change the date to today", of what is a date there; "change the plan to today" tells."""
    found = resolve(parse.args["target"], sitting)
    if not isinstance(found, Places):
        return False
    return all(A_DATE.fullmatch(sitting.document.text(r)) for r in found.ranges)


_THE_DAY = "(today | (today | today's) date | the date [of] today | the present date)"


@command(
    Way(f"<change> {{target}} (to | into | with | by | for) {_THE_DAY}", when=_of_a_date),
    Way(f"(make | set) {{target}} [to] {_THE_DAY}", when=_of_a_date),
    Way(
        f"(<put> | use | say | <wish>) {_THE_DAY} (instead of | in place of | rather than | for)"
        " {target}",
        when=_of_a_date,
    ),
    Way(f"{{target}} <shall> be {_THE_DAY}", when=_of_a_date),
    Way("(update | bring) {target} [up to date]", when=_of_a_date),
    example="change the date to today's date",
    group="writing",
    heard=0,
    destructive=True,
)
def moment_instead(sitting: Sitting, target: Places) -> Done | Refusal:
    """Write today's date in the place of another one.  The writing place stays."""
    words = _told(sitting, "date")
    if isinstance(words, Refusal):
        return words
    r = whole_date(sitting.document, target.first)
    old = sitting.document.text(r)
    wrote = replace_range(sitting, r, (words,), exactly=True)
    return Done(wrote.sitting, f"{quoted(old)} is now {quoted(wrote.text)}")
