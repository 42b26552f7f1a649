"""Passages: stored text called by its name, with blanks to fill and picks to choose from."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.naming import called_whole, given_name, owned, taken
from nimble_lantern.core.commands.passage_here import (
    among_them,
    blank_here,
    blank_names,
    blanks_open,
    by_name_alone,
    choices_here,
    exists,
    exists_and_a_part,
    exists_any,
    in_full,
    is_a_bare_value,
    is_a_blank,
    is_a_blanks_name,
    is_at_blank,
    named_of_selection,
    named_short,
    of_a_part,
    of_what_is_here,
    passage_names,
    several,
    was_at_blank,
)
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.composing.storing import as_blocks, within_line
from nimble_lantern.core.document.edits import DropBlocks, Edit, Splice
from nimble_lantern.core.document.model import Anchor, Block, Kind, Piece, Position, Range
from nimble_lantern.core.effects import ExportPassages
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Way, command, each
from nimble_lantern.core.reviewing.passages import (
    Passage,
    choices_of,
    filled,
    left_out,
    moment_text,
    named,
    of_document,
    open_blanks,
    pinned,
    put_in,
    with_passage,
)
from nimble_lantern.core.state import Done, Option, Question, Sitting, View
from nimble_lantern.core.targets.model import Places
from nimble_lantern.core.targets.names import look_up

CATALOGUE.names("passage", of=passage_names, partial=True)
owned("passage")
CATALOGUE.names("blank", of=lambda sitting: blank_names(sitting), partial=True)
CATALOGUE.table("use", {"(insert | put in | use | paste | drop in | call up)": True})
CATALOGUE.table(
    "use_else",
    {
        "(add | write | type | give me | fill in | bring in | put | set | enter | place"
        " | pop in | start | begin | do)": True
    },
)
MOST_SHOWN = 200


def _put(sitting: Sitting, passage: Passage) -> Done:
    """The passage at the writing place, over what is selected; its first blank is selected."""
    numbers = [m.utterance for m in sitting.milestones]
    pieces = filled(passage, sitting.title, sitting.now, numbers)
    if passage.inline:
        after, first, last, start, end = within_line(sitting, pieces[0][0])
    else:
        after, first, last = as_blocks(sitting, pieces)
        start, end = 0, None
    after = after.edited(pinned(after.document, first, last, start, end))
    stop = Position(last, len(after.document.blocks[last].text) if end is None else end)
    after = replace(after.about([Range(Position(first, start), stop)]), insertion=None)
    if sitting.insertion is None:
        after = replace(after, caret=stop, wrote=stop)
    inside = [
        (a, r)
        for a, r in open_blanks(after.document)
        if (first, start) <= r.start and r.end <= stop
    ]
    said = f"the passage {quoted(passage.name)}"
    if not inside:
        return Done(after, said)
    shown = _at_blank(after, *inside[0])
    return Done(shown.sitting, f"{said}; {shown.summary}")


@command(
    "<use> [(my | the)] passage {passage}",
    "<use> [my] {passage} [here]",
    "<use_else> [(my | the)] passage {passage} [here]",
    Way("<use_else> (my | the | in my) {passage} [(here | in here | in)]", when=exists),
    Way("<use_else> {passage} (here | in here)", when=exists),
    "(<use> | <use_else>) [(my | the)] {passage} passage [here]",
    Way("(<use> | <use_else>) (my | the) {passage} text [here]", when=exists),
    "passage {passage}",
    Way("[(the | my)] {passage} (here | goes here | comes here | in here)", when=exists),
    Way(
        "(let me have | give me | i want | i need) (the | my) {passage} (here | there)",
        when=exists,
    ),
    Way("(close | end | finish) with (the | my) {passage}", when=exists),
    Way("[the] {passage} passage", when=in_full),
    Way("{passage}", when=by_name_alone),
    Way("(let me have | give me | i want | i need) {passage} here", when=by_name_alone),
    Way(
        "(drop | stick | pop | slip) (my | the) {passage} (in | in here | here | in there)",
        when=exists,
    ),
    Way("<wish> (my | the) {passage} [(here | there | in here | in)]", when=exists),
    "<use> passage number {number}",
    Way("(put | insert | add) (my | the) {passage} at the [very] {edge:docedge}", when=exists),
    Way("(my | the) {passage} at the [very] {edge:docedge}", when=exists),
    heard=3,
    example="insert sign off",
    group="writing",
    when=lambda sitting, parse: bool(sitting.passages),
)
def call(
    sitting: Sitting, passage: str | None = None, number: int | None = None, edge: str = ""
) -> Done | Refusal:
    """Write a passage where you are; its first blank is selected, to be spoken over."""
    if edge:
        whole = sitting.document.whole
        sitting = sitting.placed(whole.start if edge == "start" else whole.end)
        if edge == "end" and not whole.empty:
            sitting = compose(sitting, ("new", "paragraph")).sitting
    if passage is None:
        n = number or 0
        if not 1 <= n <= len(sitting.passages):
            return Refusal(f"There is no passage {n}.")
        passage = sitting.passages[n - 1].name
    return _put(replace(sitting, view=View.DESK), named(sitting.passages, passage))


@command(
    "(keep | save | store | remember | make | put away) ({target} | the selection) (as | into)"
    " [(a | the)] passage [(called | named)] {text:words}",
    "(make | turn) {target} (a | into a) passage [(called | named | and call it)] {text:words}",
    "(save | keep | call) this passage [as] {text:words}",
    Way(
        "(keep | save | store | remember) this (as | under the name [of] | by the name [of])"
        " {text:words}",
        when=named_short,
    ),
    Way("(keep | save | store | remember) (that | the selection) as {text:words}",
        when=named_of_selection),
    "(add | put | take) {target} (to | into | among | in) (my | the) passages (as | called | under)"
    " {text:words}",
    "make a passage (of | from | out of) {target} [and] (called | named | call it) {text:words}",
    *each(
        of_what_is_here,
        "(keep | save | store | remember) ({target} | the selection)"
        " (for (later | next time | another time | again) | so [that] i can use it (again | later))"
        " (as | [and] call it | under the name [of] | called) {text:words}",
        "(keep | save | store | remember) {target} under the name [of] {text:words}",
        "(i want to | i'll | i will | i would like to) (reuse | re use) {target} [and] (call it |"
        " keep it as | save it as) {text:words}",
        "(i want to | i'll | i will | i may | i might) (use | need) {target} again [so | and]"
        " (call it | keep it as | save it as) {text:words}",
    ),
    *each(
        of_a_part,
        "(keep | save | store | remember) {target} (as | under [the name [of]]) {text:words}",
        "[<wish>] {target} (as | to be | <shall> be) [(a | the)] passage [(called | named)]"
        " {text:words}",
        "(i'll | i will | i shall) (need | want) {target} again [so] (keep | save | store) (it |"
        " them)"
        " as {text:words}",
        "(hang on to | hold on to | put by | put aside | set aside | keep | save | store) {target}"
        " (and | comma) (call | name) (it | them | that) {text:words}",
        "{target} (<shall> be | is to be) (kept | saved | stored | remembered) (as | under)"
        " {text:words}",
        "(i want | i'd like | i would like | i shall want | i need) {target} (again | for later"
        " | another time | for next time) [(and | comma | so)] (call | name) (it | them | that)"
        " {text:words}",
        "(i want to | i'd like to | i would like to | i'll | i will | let me) (reuse | re use | use"
        " again | keep for later | use more often) {target} [(and | comma | so)] (call | name)"
        " (it |"
        " them | that) {text:words}",
    ),
    *each(
        named_of_selection,
        "(keep | save | store | remember) (what is | what's | the words | what (i | i have | i've)"
        " | the words i) selected (as | under) {text:words}",
        "(keep | save | store | remember) (it | this | that) (and call it | as | under [the name])"
        " {text:words}",
        "(keep | save | store) as [a] [new] passage [(called | named)] {text:words}",
        "new passage {text:name_given}",
        "(i want to | i'd like to | i would like to | i'll | i will) (use | need | reuse)"
        " (this | that | it) [again] [(and | comma | so)] (call | name) it {text:words}",
    ),
    "(make | save | keep | add) a passage (called | named) {text:words}",
    Way(
        "(make | save | keep | create) a passage (called | named) {text:words} (out of | from | of"
        " | with) {target}",
        when=of_what_is_here,
    ),
    Way("{target} (keep | save | store | remember) as {text:words}", when=of_a_part),
    "(call | name) (this | that | the selection | {target}) [the] passage {text:words}",
    heard=1,
    example="keep this as sign off",
    group="writing",
)  # fmt: skip
def keep(sitting: Sitting, text: tuple[str, ...], target: Places | None = None) -> Done | Refusal:
    """Keep what is selected, or was just said, as a passage to be called by name."""
    if target is not None:
        r = target.first
    elif sitting.selection is not None:
        r = sitting.selection
    elif sitting.that:
        r = Range(sitting.that[0].start, sitting.that[-1].end)
    else:
        return Refusal("Nothing is selected.", "", "Select what the passage should say.")
    name = given_name(text)
    new = of_document(name, sitting.document, r)
    if not new.text.strip():
        return Refusal("There are no words to keep.")
    known = name.casefold() in {p.name.casefold() for p in sitting.passages}
    after = replace(sitting, passages=with_passage(sitting.passages, new))
    said = f"the passage {quoted(name)} is {'changed' if known else 'kept'}"
    return Done(after, f"{said}: {quoted(new.text)}")


@command(
    "(change | set) the passage {passage} to ({target} | the selection)",
    "(change | update) the passage {passage}",
    "(change | set | update | replace) (the | my) {passage} passage (to | with | by) {target}",
    *each(
        exists_and_a_part,
        "[from now on] [(the | my)] {passage} [passage] <shall> be {target} [from now on]",
        "[from now on] (make | let) [(the | my)] {passage} [passage] [be] {target} [(instead | from"
        " now on)]",
        "(keep | save | store | use | take) {target} as [(the | my)] {passage} (instead | from now"
        " on)",
        "(keep | save | store | use | take) {target} for [(the | my)] {passage} [(instead | from"
        " now"
        " on)]",
    ),
    heard=0,
    example="change the passage sign off to the last paragraph",
    group="writing",
)
def change(sitting: Sitting, passage: str, target: Places | None = None) -> Done | Refusal:
    """Let a passage say something else: what is named, selected, or was just said."""
    return keep(sitting, tuple(passage.split()), target)


@command(
    "make {target} a blank [(called | named | for | for the)] {text:words}",
    "(make | turn | <wish>) {target} [(to be | into)] a (blank | gap | field) (called | named)"
    " {text:words} (that i fill in | to fill in | to be filled in | for me to fill in)",
    "{target} as a (blank | gap | field) [(called | named | for)] {text:name_given}",
    "make {target} a blank",
    "(turn | change) {target} into a blank [(called | named | for | for the)] {text:words}",
    "(put | insert | leave | make) a blank [here] (called | named | for | for the) {text:words}",
    "(make | turn | change) {target} [into] a (gap | field | blank) [(called | named | for | for"
    " the"
    " | and call it)] {text:words}",
    "{target} (<shall> be | is) a (blank | gap | field) (called | named | for the | for)"
    " {text:words}",
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
    "[i want to be able to] (choose | pick) [(between | from | among)] {options:words} for"
    " {target}",
    "(instead of | in place of | in the place of) {target} a (choice | pick) (of | from | between)"
    " {options:words}",
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


def _at_blank(sitting: Sitting, anchor: Anchor, r: Range) -> Done:
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
    return _at_blank(sitting, *(ahead or found)[0])


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
        return _at_blank(sitting, *found[position - 1])
    here = sitting.selection.start if sitting.selection else _last_filled(sitting)
    current = blank_here(sitting)
    if step > 0:
        at = current[1].end if current else here
        return _next(sitting, at)
    behind = [pair for pair in found if pair[1].start < here]
    return _at_blank(sitting, *(behind or found)[-1])


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
    shown = _at_blank(sitting, *pair)
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
    return _filled(sitting, r, choice, str(anchor.data["name"]))


def _filled(sitting: Sitting, r: Range, text: str, name: str) -> Done:
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
    return _filled(sitting, r, str(anchor.data["part"]), str(anchor.data["name"]))


@command(
    *frames.listed("[stored] passages"),
    "(what | which) (passages | texts | bits of text | pieces [of text]) (have i | did i | do i"
    " have) [(stored | kept | saved | got | store | keep | save)]",
    "(list | show [me] | tell me | read [me]) (everything | all | what) [that] (i've | i have)"
    " (stored | kept | saved)",
    "(show | list | read) [me] (the | my) (texts | bits | pieces | words) [that] i [have] (stored"
    " | kept | saved)",
    "open [my | the] passages",
    Way("what can i (insert | put in)", when=exists_any),
    heard=1,
    example="show my passages",
    group="writing",
    shows=True,
)
def show(sitting: Sitting) -> Done:
    """Show the passages; a number or a name writes one."""
    count = many(len(sitting.passages), "passage")
    return Done(replace(sitting, view=View.PASSAGES), f"there {_are(sitting)} {count}")


def _are(sitting: Sitting) -> str:
    return "is" if len(sitting.passages) == 1 else "are"


@command(
    "(show | preview | read | see | hear | look at) [me] [(the | my)] (passage {passage}"
    " | {passage} passage)",
    "what does [the] [passage] {passage} say",
    "what is in [the] passage {passage}",
    Way("(what is | what's) in [(the | my)] {passage}", when=exists),
    Way(
        "(show | tell | read) [me] what [(the | my)] [passage] {passage} [passage] (says | is | has"
        " in it)",
        when=exists,
    ),
    Way(
        "(let me (see | hear) | show me | read [me] | tell me | preview | how does) [(the | my)]"
        " {passage} [passage] [(go | read | sound)]",
        when=exists,
    ),
    Way(
        "what (have i got | did i (put | write | keep | store)) (in | as | for) [(the | my)]"
        " {passage} [passage]",
        when=exists,
    ),
    heard=1,
    example="show the passage sign off",
    group="writing",
    shows=True,
)
def preview(sitting: Sitting, passage: str) -> Done:
    """Tell what a passage says, without writing it."""
    text = named(sitting.passages, passage).text
    return Done(replace(sitting, view=View.PASSAGES), f"{quoted(passage)}: {quoted(text)}")


@command(
    "(<remove> | <discard> | forget) [the] passage [called] {passage}",
    *frames.unnamed("passage", "passage", "passages"),
    *each(called_whole("passage", passage_names), *frames.unnamed_alone("passage")),
    heard=1,
    example="remove the passage sign off",
    group="writing",
)
def remove(sitting: Sitting, passage: str) -> Done:
    """Take a passage away; what was written with it stays."""
    kept = tuple(p for p in sitting.passages if p.name != passage)
    return Done(replace(sitting, passages=kept), f"the passage {quoted(passage)} is gone")


@command(
    "(rename | call) the passage {passage} [(to | as)] {text:words}",
    *frames.renamed("passage", "passage"),
    *each(called_whole("passage", passage_names), *frames.renamed_alone("passage")),
    heard=1,
    example="rename the passage sign off to farewell",
    group="writing",
)
def rename(sitting: Sitting, passage: str, text: tuple[str, ...]) -> Done | Refusal:
    """Give a passage another name."""
    name = given_name(text)
    others = (p.name for p in sitting.passages if p.name != passage)
    if refused := taken(name, others, "passage"):
        return refused
    kept = tuple(replace(p, name=name) if p.name == passage else p for p in sitting.passages)
    return Done(replace(sitting, passages=kept), f"{quoted(passage)} is called {quoted(name)} now")


@command(
    "(export | save) [all] [(my | the)] passages [(as | to) (markdown | a file)]",
    "(write | put | send | get | save) [(all | all of)] (my | the) passages (to | in | into | as) a"
    " file",
    "[all] [(my | the)] passages (to | into | as) (a file | markdown)",
    heard=1,
    example="export my passages",
    group="writing",
)
def export(sitting: Sitting) -> Done | Refusal:
    """Put all passages into a file of the outbox."""
    if not sitting.passages:
        return Refusal("There are no passages.")
    count = many(len(sitting.passages), "passage")
    return Done(sitting, f"{count} put into the outbox", (ExportPassages(),))


_NAME_OF_IT = (
    "([the] (document | letter | document's | letter's | page's) name | the name of (the | this)"
    " (document | letter | page | list | notice))"
)
CATALOGUE.table(
    "moment",
    {
        "(today's date | the date [(of today | today)] | today as a date)": "date",
        "the time [now]": "time",
        f"({_NAME_OF_IT} | the title)": "title",
    },
)


CATALOGUE.table(
    "moment_of_day",
    {
        "(today's date | the date [(of today | today)])": "date",
        "(the time [now] | the time of day | what time it is [now])": "time",
        _NAME_OF_IT: "title",
    },
    heard=False,
)
CATALOGUE.table("moment", {"what (time it is | the time is) [now]": "time"}, heard=False)


CATALOGUE.table("is_it", {"time is it": "time", "(day | date) is it": "date"}, heard=False)


@command(
    "(insert | put in | write | add | type | fill in) {moment} [here]",
    "(put | set | pop | place | stick | enter | give me) {moment} (in | here | in here | at this"
    " (place | spot) | there)",
    "(<wish> | let me have) {moment:moment_of_day} [written] (here | in here | put in)",
    "{moment:moment_of_day} (here | goes here | comes here | in here)",
    "(what's | what is) {moment:moment_of_day} [(and)] (write | put) it (in | here | in here |"
    " down)",
    "{moment} please",
    "what {moment:is_it} [(and)] (write | put) it (in | here | in here | down)",
    heard=1,
    example="insert today's date",
    group="writing",
)
def moment(sitting: Sitting, moment: str) -> Done | Refusal:
    """Write today's date, the time, or the document's name."""
    text = moment_text(moment, sitting.title, sitting.now, sitting.settings.dialect)
    if text is None:
        return Refusal("The desk does not know what day it is.")
    pair = blank_here(sitting)
    if pair is not None:
        return _filled(sitting, pair[1], text, str(pair[0].data["name"]))
    return _put(sitting, Passage(text, ((Piece(text), Block().format),)))
