"""Blanks and picks: made, walked through, filled."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.passage_here import (
    among_them,
    blank_here,
    blanks_open,
    choices_here,
    is_a_bare_value,
    is_a_blank,
    is_a_blanks_name,
    is_at_blank,
    several,
    was_at_blank,
)
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.document.edits import DropBlocks, Edit, Splice
from nimble_lantern.core.document.model import Anchor, Kind, Piece, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Way, command, each
from nimble_lantern.core.reviewing.passages import (
    choices_of,
    left_out,
    open_blanks,
    pinned,
    put_in,
)
from nimble_lantern.core.state import Done, Option, Question, Sitting
from nimble_lantern.core.targets.model import Places
from nimble_lantern.core.targets.names import look_up


@command(
    "make {target} a blank [(called | named | for | for the)] {text:words}",
    "(make | turn | <wish>) {target} [(to be | into)] a (blank | gap | field) (called | named)"
    " {text:words} (that i fill in | to fill in | to be filled in | for me to fill in)",
    "{target} as a (blank | gap | field) [(called | named | for)] {text:name_given}",
    "make {target} a blank",
    "(turn | change) {target} into a (blank | gap | field)",
    "(make | create) a (blank | gap | field) (out of | from) {target}",
    "{target} <shall> be a (blank | gap | field)",
    "(make | create) a (blank | gap | field) (called | named) {text:words} (out of | from)"
    " {target}",
    "(make | create) a (blank | gap | field) (out of | from) {target} (called | named | and call"
    " it) {text:words}",
    "(turn | change) {target} into a blank [(called | named | for | for the)] {text:words}",
    "(put | insert | leave | make) a blank [here] (called | named | for | for the) {text:words}",
    "(make | turn | change) {target} [into] a (gap | field | blank) [(called | named | for | for"
    " the"
    " | and call it)] {text:words}",
    "{target} (<shall> be | is) a (blank | gap | field) [(too | also | as well)] (called | named |"
    " for the | for | [and] call it) {text:words}",
    "(leave | make | put) a (blank | gap | field) (where it says | for | instead of | in the place"
    " of | at) {target} (called | named | and call it) {text:words}",
    "(where it says | instead of | in the place of | for) {target} (leave | make | put | i want) a"
    " (blank | gap | field) (called | named | and call it) {text:words}",
    "(put | insert | leave | make | add) a (gap | field) [here] (called | named) {text:words}",
    "(leave | make | put | insert | <wish>) a (blank | gap | field) (called | named) {text:words}"
    " (where it says | instead of | in place of | in the place of | for) {target}",
    "(instead of | in place of | in the place of) {target} a (blank | gap | field) (called | named)"
    " {text:words}",
    "{target} <shall> be (left blank | a blank) (and | to be) (called | named) {text:words}",
    "blank out {target} (and call it | as) {text:words}",
    "(let | have) {target} be a (blank | gap | field) (called | named | for the) {text:words}",
    "(replace | change | swap) {target} (with | by | for | to) a (blank | gap | field) (called |"
    " named"
    " | for [the]) {text:words}",
    "(take | cut) {target} out and (leave | put | make) a (blank | gap | field) (called | named)"
    " {text:words}",
    "where {target} (stands | is) (i want | put | leave | make) a (blank | gap | field) (called |"
    " named) {text:words}",
    "[a] (blank | gap | field) (instead of | in place of | in the place of | for | where it says)"
    " {target} (called | named) {text:words}",
    heard=0,
    example="make monday a blank called day",
    group="writing",
    when=is_a_blanks_name,
)
def make_blank(
    sitting: Sitting, target: Places | None = None, text: tuple[str, ...] | None = None
) -> Done | Refusal:
    """Make words a blank, to be filled when the passage is called."""
    if target is None:
        wrote = compose(replace(sitting, fresh=False), text or ("blank",))
        r, now = wrote.range, wrote.sitting
    else:
        r, now = target.first, sitting
    name = " ".join(text) if text else now.document.text(r).lower()
    if r.empty or r.start.block != r.end.block or any(c in name for c in "[]:?/\n"):
        return Refusal("A blank stands in one paragraph, for some words of it.")
    return _blank(now, r, f"[{name}]", f"{quoted(name)} is a blank")


@command(
    "make {target} a (pick | choice) (of | from | between) {options:words}",
    Way("give {target} a (pick | choice) (of | from | between) {options:words}", when=among_them),
    "make {target} a (pick | choice) (called | named) {text:words} (of | from | between)"
    " {options:words}",
    "(make | turn | change) {target} [into] a (pick | choice | choose) (of | from | between |"
    " among) {options:words}",
    "{target} (<shall> be | is | can be | could be) a (pick | choice) (of | from | between | among)"
    " {options:words}",
    Way(
        "(offer | give me) {options:words} (instead of | in place of | for) {target}", when=several
    ),
    "(pick | choice) for {target} (of | from | between | among) {options:words}",
    "(let me | i want to | i'd like to | i will) (choose | pick) (between | from | among | one of)"
    " {options:words} (for | instead of | in the place of | where it says) {target}",
    "(instead of | where it says | in the place of | for) {target} (let me | i want to) (choose |"
    " pick) (between | from | among) {options:words}",
    "[(have | put | i want | make | give me)] a (choice | pick) (of | from | between)"
    " {options:words} (for | instead of | in place of | in the place of) {target}",
    Way(
        "[i want to be able to] (choose | pick) [(between | from | among)] {options:words} for"
        " {target}",
        when=several,
    ),
    "(instead of | in place of | in the place of) {target} a (choice | pick) (of | from | between)"
    " {options:words}",
    "(make | create) a (choice | pick) (of | from | between) {options:words} (out of) {target}",
    "a (choice | pick) (of | from | between) {options:words} (for | instead of | where it says)"
    " {target}",
    "(offer | give) me (a choice of | a choice between | a pick of) {options:words} (for | instead"
    " of | where it says) {target}",
    heard=0,
    example="make monday a pick of monday tuesday or friday",
    group="writing",
)
def make_pick(
    sitting: Sitting,
    target: Places,
    options: tuple[str, ...],
    text: tuple[str, ...] | None = None,
) -> Done | Refusal:
    """Make words a pick: one of several is chosen when the passage is called."""
    r = target.first
    choices = choices_of(options)
    name = " ".join(text) if text else sitting.document.text(r).lower()
    if len(choices) < 2 or r.start.block != r.end.block or any(c in name for c in "[]:?/\n"):
        return Refusal("A pick has several to choose from.", "", "Say “or” between them.")
    likeness = sitting.document.text(r)[:1].isupper()
    shown = [c.capitalize() if likeness else c for c in choices]
    return _blank(sitting, r, f"[{name}: {' / '.join(shown)}]", f"{quoted(name)} is a pick")


def _blank(sitting: Sitting, r: Range, text: str, said: str) -> Done:
    after = sitting.edited(put_in(sitting.document, r, text))
    b, start = r.start
    after = after.edited(pinned(after.document, b, b, start, start + len(text)))
    return Done(after.about([Range(r.start, Position(b, start + len(text)))]), said)


def at_blank(sitting: Sitting, anchor: Anchor, r: Range) -> Done:
    """With a blank selected; where there is something to choose, that is asked."""
    after = replace(sitting.about([r]), selection=r, fresh=True, insertion=None, question=None)
    name, options = str(anchor.data["name"]), anchor.data.get("options") or ()
    part = anchor.data.get("part")
    if part is not None:
        choices = (
            Option(f"with {quoted(part)}", (("wanted", True),), (r,)),
            Option("without it", (("wanted", False),), (r,)),
        )
        asked = Question("passages.want", {}, choices, sure=True, beside=True)
        return Done(replace(after, question=asked), f"{quoted(name)}: with it, or “leave it out”?")
    if options:
        named_options = tuple(Option(str(o), (("choice", str(o)),), (r,)) for o in options)
        asked = Question("passages.pick", {}, named_options, beside=True)
        said = ", ".join(f"{n} {o}" for n, o in enumerate(options, 1))
        return Done(replace(after, question=asked), f"{quoted(name)}: {said}")
    return Done(after, f"say {quoted(name)}")


def _next(sitting: Sitting, at: Position) -> Done:
    """On to the next blank from a place; after the last, the first; else back to writing."""
    found = open_blanks(sitting.document)
    if not found:
        after = replace(sitting.about(()), question=None)
        return Done(after, "all blanks are filled")
    ahead = [pair for pair in found if pair[1].start >= at]
    return at_blank(sitting, *(ahead or found)[0])


@command(
    "(what | which) (blanks | gaps | fields) (are there | are here | are (left | open | empty) | do"
    " i have | have i [got] | does (it | this | the <writing>) have) [(here | in it | left)]",
    "(list | name | tell me) [all] the (blanks | gaps | fields)",
    heard=0,
    example="what blanks are there",
    group="writing",
    shows=True,
    when=blanks_open,
)
def tell(sitting: Sitting) -> Done:
    """Tell the blanks that are still to be filled, in the order of the text."""
    names = [str(anchor.data["name"]) for anchor, _ in open_blanks(sitting.document)]
    said = ", ".join(dict.fromkeys(names))
    return Done(sitting, f"{many(len(names), 'blank')}: {said}")


@command(
    "[(show me | where is | where's)] (what is | what's) (still | left) (blank | empty | open"
    " | to fill in | to be filled in)",
    *frames.walked("(blank | gap | field) [to (fill [in] | be filled [in])]"),
    "[(go on | move on | on)] [to] [the] {step} (blank | gap | field)",
    "[<go>] [to] [the] {position} (blank | gap | field)",
    "[<go>] [to] the last (blank | gap | field)",
    "(fill | complete) [in] [the] (next | following) (blank | gap | field)",
    Way("(next [one] | go on | on | the next one)", when=was_at_blank),
    Way("(skip | leave) (it | this [one] | that [one] | this blank) [for now]", when=is_at_blank),
    heard=1,
    example="next blank",
    group="writing",
    shows=True,
    when=blanks_open,
)
def walk(sitting: Sitting, step: int = 1, position: int | None = None) -> Done | Refusal:
    """Go on to the next blank of a passage; what is said then fills it."""
    found = open_blanks(sitting.document)
    if position is not None:
        if not 1 <= position <= len(found):
            return Refusal(f"There are {many(len(found), 'blank')}.")
        return at_blank(sitting, *found[position - 1])
    here = sitting.selection.start if sitting.selection else _last_filled(sitting)
    current = blank_here(sitting)
    if step > 0:
        at = current[1].end if current else here
        return _next(sitting, at)
    behind = [pair for pair in found if pair[1].start < here]
    return at_blank(sitting, *(behind or found)[-1])


def _last_filled(sitting: Sitting) -> Position:
    """Where the speaker is among the blanks: at what was just said, else at the start."""
    return sitting.that[0].start if sitting.that else Position(0, 0)


@command(
    "(fill [in] | go to | select | do) [the] [blank] {blank} [(blank | gap)]",
    "[the] blank {blank}",
    "[the] {blank} blank",
    "(fill [in] | complete) [the] [blank] {blank} [blank] (with | as) {text:words}",
    "(put | write | say | enter) {text:words} (in | into) [the] [blank] {blank} [blank]",
    "(fill | fill it | fill this | fill that | fill the blank) [in] with {text:words}",
    *each(
        is_a_blank,
        "[the] {blank} (was | shall be | must be | has to be) {text:words}",
        "[(it's | it is)] {text:name_given} [goes in] (for | as) the {blank}",
        "for [the] {blank} (i want | we want | it's | it is | we need) {text:words}",
        "[(the | for the)] {blank} (is | <shall> be | will be | becomes | comes out as)"
        " {text:words}",
        "(put | write | say | enter | use | take) {text:words} (for | in for | in as | as) [the]"
        " {blank}",
        "{text:name_given} goes (in | into | in for) [the] {blank}",
        "(in | into) [the] [blank] {blank} (put | write | say | enter | goes) {text:words}",
        "for [the] {blank} (put | write | say | use | take | fill in | enter) {text:words}",
        "make [the] {blank} {text:name_given}",
    ),
    Way("{text:name_given} for [the] {blank}", when=is_a_bare_value),
    heard=1,
    example="fill in day with tuesday",
    group="writing",
    when=blanks_open,
)
def fill(
    sitting: Sitting, blank: str | None = None, text: tuple[str, ...] | None = None
) -> Done | Refusal:
    """Go to a blank by its name, or fill it at once."""
    found = open_blanks(sitting.document)
    if blank is None:
        pair = blank_here(sitting) or found[0]
    else:
        pair = next(p for p in found if p[0].data["name"] == blank)
    shown = at_blank(sitting, *pair)
    if text is None:
        return shown
    wrote = compose(replace(shown.sitting, question=None), text)
    return Done(wrote.sitting, f"{quoted(str(pair[0].data['name']))} is {quoted(wrote.text)}")


@command(
    "leave (it | this [one] | that [one] | this blank | the blank) out",
    "(leave out | drop | omit) (this | that | the) (blank | one)",
    "leave [the] [blank] {blank} [blank] out",
    "(leave out | omit) [the] [blank] {blank} [blank]",
    "(do not | don't) (want | need) (it | this | that) [one]",
    Way(
        "(nothing | empty | without [it] | nothing (there | here | for (this | that) [one]) | none"
        " | leave (it | that [one] | this [one] | the blank) (empty | off) | not needed | no"
        " (need | thank you))",
        when=is_at_blank,
    ),
    Way(
        "(i don't | i do not | don't) want anything (here | there | in (this | that) [one] | in it)"
        " [leave it (empty | out | blank)]",
        when=is_at_blank,
    ),
    heard=1,
    example="leave it out",
    group="writing",
    when=blanks_open,
)
def leave(sitting: Sitting, blank: str | None = None) -> Done | Refusal:
    """Take a blank out with the space it would leave, and go on to the next."""
    found = open_blanks(sitting.document)
    pair = blank_here(sitting)
    if blank is not None:
        pair = next(p for p in found if p[0].data["name"] == blank)
    if pair is None and len(found) == 1:
        pair = found[0]
    if pair is None:
        return Refusal("No blank is selected.", "", "“Next blank” goes to one.")
    anchor, r = pair
    return _without(sitting, r, str(anchor.data["name"]))


def _without(sitting: Sitting, r: Range, name: str) -> Done:
    gone = left_out(sitting.document, r)
    (b, start), (_, end) = gone
    block = sitting.document.blocks[b]
    if not (block.text[:start] + block.text[end:]).strip() and len(sitting.document.blocks) > 1 \
            and block.kind is not Kind.CELL:  # fmt: skip
        edit = Edit((DropBlocks(b, 1),))
        at = Position(b, 0)
    else:
        edit = Edit((Splice(b, start, end, Piece()),))
        at = gone.start
    after = replace(sitting.edited(edit).about(()), question=None)
    there = _next(after, at) if open_blanks(after.document) else Done(after, "")
    more = f"; {there.summary}" if there.summary else ""
    return Done(there.sitting, f"{quoted(name)} is left out{more}")


CATALOGUE.names("choice", of=choices_here)


@command(
    "pick {text:words} for the blank",
    "(take | use | i want | let's (take | have) | it's | make it | put) {choice}",
    Way("{choice}", when=is_at_blank),
    heard=1,
    example="pick friday for the blank",
    group="writing",
    when=is_at_blank,
)
def pick(
    sitting: Sitting, choice: str | None = None, text: tuple[str, ...] | None = None
) -> Done | Refusal:
    """Fill a blank with one of its choices, and go on to the next."""
    pair = blank_here(sitting)
    if pair is None:
        return Refusal("No blank is selected.", "", "“Next blank” goes to one.")
    anchor, r = pair
    options = [str(o) for o in anchor.data.get("options") or ()]
    if choice is None:
        said = look_up(text or (), options, partial=True)
        if said is None:
            return Refusal(f"“{' '.join(text or ())}” is not among them.", "", "Say a number.")
        choice = said
    return filled_in(sitting, r, choice, str(anchor.data["name"]))


def filled_in(sitting: Sitting, r: Range, text: str, name: str) -> Done:
    after = replace(sitting.edited(put_in(sitting.document, r, text)), question=None)
    end = Position(r.start.block, r.start.offset + len(text))
    after = after.about([Range(r.start, end)])
    said = f"{quoted(name)} is {quoted(text)}"
    if not open_blanks(after.document):
        return Done(after, said)
    there = _next(after, end)
    return Done(there.sitting, f"{said}; {there.summary}")


@command("(with it | keep it in | leave it in | put it in | i want it)", heard=1,
    example="leave it in",
         group="writing", when=is_at_blank)  # fmt: skip
def want(sitting: Sitting, wanted: bool | None = None, sure: bool | None = None) -> Done | Refusal:
    """Keep a part of a passage that appears only if it is wanted."""
    pair = blank_here(sitting)
    if pair is None or pair[0].data.get("part") is None:
        return Refusal("Nothing is asked about here.")
    anchor, r = pair
    if wanted is False or sure is False:
        return _without(sitting, r, str(anchor.data["name"]))
    return filled_in(sitting, r, str(anchor.data["part"]), str(anchor.data["name"]))
