"""Passages that are kept, changed, and called by their names."""

from __future__ import annotations

import re
from dataclasses import replace

from nimble_lantern.core.commands.naming import given_name, owned
from nimble_lantern.core.commands.passage_here import (
    blank_names,
    by_name_alone,
    exists,
    exists_and_a_part,
    in_full,
    named_of_selection,
    named_of_something,
    named_short,
    nothing_selected,
    of_a_part,
    of_what_is_here,
    passage_names,
)
from nimble_lantern.core.commands.passages.blanks import at_blank
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.dictating import on_a_new_line
from nimble_lantern.core.composing.placing import manner_of
from nimble_lantern.core.composing.storing import as_blocks, within_line
from nimble_lantern.core.document.edits import AddBlocks, Edit
from nimble_lantern.core.document.model import Block, Format, Kind, Piece, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.reviewing.passages import (
    Passage,
    filled,
    named,
    of_document,
    open_blanks,
    pinned,
    with_passage,
)
from nimble_lantern.core.state import Done, Sitting, View
from nimble_lantern.core.targets.model import Places
from nimble_lantern.core.writing.cardinals import in_words
from nimble_lantern.core.writing.writer import Place, write

CATALOGUE.names("passage", of=passage_names, partial=True, nouns=("passage",))
owned("passage")
CATALOGUE.names("blank", of=lambda sitting: blank_names(sitting), partial=True, nouns=("blank",))
CATALOGUE.table("use", {"(insert | put in | use | paste | drop in | call up)": True})
CATALOGUE.table(
    "use_else",
    {
        "(add | write | type | give me | fill in | bring in | put | set | enter | place"
        " | pop in | start | begin | do)": True
    },
)
MOST_SHOWN = 200


def _there_or_named(sitting: Sitting, parse: Parse) -> bool:
    """Where none is kept, "insert the passage sign off" asks for one all the same."""
    return bool(sitting.passages) or "passage {passage}" in parse.pattern


def _above_a_heading(sitting: Sitting) -> Sitting:
    """At the start of a heading a passage goes above it, and none of it into it."""
    place = sitting.writing_place
    block = sitting.document.blocks[place.block]
    if block.kind is not Kind.HEADING or place.offset or not block.text.strip():
        return sitting
    if sitting.selection is not None:
        return sitting
    after = sitting.edited(Edit((AddBlocks(place.block, (Block().formatted(Format()),)),)))
    return after.placed(Position(place.block, 0))


def put_passage(sitting: Sitting, passage: Passage, alone: bool = False) -> Done:
    """The passage at the writing place, over what is selected; its first blank is selected.

    `alone`: in paragraphs of its own, where a short one would run on in the line.
    """
    numbers = [m.utterance for m in sitting.milestones]
    pieces = filled(passage, sitting.title, sitting.now, numbers)
    sitting = _above_a_heading(sitting) if not alone else sitting
    if passage.inline and not alone:
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
    shown = at_blank(after, *inside[0])
    return Done(shown.sitting, f"{said}; {shown.summary}")


@command(
    "<use> [(my | the)] passage {passage}",
    "<use> [my] {passage} [here]",
    "<use_else> [(my | the)] passage {passage} [here]",
    Way("<use_else> (my | our | the | in my) {passage} [(here | in here | in)]", when=exists),
    Way("<use_else> {passage} (here | in here)", when=exists),
    "(<use> | <use_else>) [(my | our | the)] {passage} passage [here]",
    Way("(<use> | <use_else>) (my | our | the) {passage} text [here]", when=exists),
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
        "(drop | stick | pop | slip) (my | our | the) {passage} (in | in here | here | in there)",
        when=exists,
    ),
    Way("<wish> (my | our | the) {passage} [(here | there | in here | in)]", when=exists),
    "<use> passage number {number}",
    Way(
        "(put | insert | add) (my | our | the) {passage} at the [very] {edge:docedge}", when=exists
    ),
    Way("(my | our | the) {passage} at the [very] {edge:docedge}", when=exists),
    Way("(put | insert) {passage} (at | to) the [very] {edge:docedge}", when=exists),
    Way(
        "<use> [(my | our | the)] [passage] {passage} [(again | in again)] (at | to) the [very]"
        " {edge:docedge}",
        when=exists,
    ),
    Way(
        "<use_else> [(my | our | the)] [passage] {passage} (in | again | in again) (at | to) the"
        " [very] {edge:docedge}",
        when=exists,
    ),
    heard=3,
    example="insert sign off",
    group="writing",
    when=_there_or_named,
)
def call(
    sitting: Sitting, passage: str | None = None, number: int | None = None, edge: str = ""
) -> Done | Refusal:
    """Write a passage where you are; its first blank is selected, to be spoken over."""
    if edge:
        whole = sitting.document.whole
        sitting = sitting.placed(whole.start if edge == "start" else whole.end)
        if edge == "end" and not whole.empty:
            sitting = on_a_new_line(sitting).sitting
    if passage is None:
        n = number or 0
        if not 1 <= n <= len(sitting.passages):
            return Refusal(f"There is no passage {n}.")
        passage = sitting.passages[n - 1].name
    at_desk = replace(sitting, view=View.DESK)
    return put_passage(at_desk, named(sitting.passages, passage), alone=edge == "start")


@command(
    "(keep | save | store | remember | make | put away) ({target} | the selection) (as | into)"
    " [(a | the)] passage [(called | named)] {text:words}",
    "(make | turn) {target} (a | into a) passage [(called | named | and call it)] {text:words}",
    "(save | keep | call) this passage [as] {text:words}",
    Way(
        "(keep | store | remember) this (as | under the name [of] | by the name [of])"
        " {text:words}",
        when=named_short,
    ),
    Way(
        "save this (as | under the name [of] | by the name [of]) {text:words}",
        when=named_of_something,
    ),
    Way("(keep | save | store | remember) (that | the selection) as {text:words}",
        when=named_of_selection),
    Way("(save | store) that as {text:words}", when=named_of_something),
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
    "(keep | save | store | use) ({target} | {target:whole_letter}) (as | for) (a | my | the)"
    " (template | form letter | standard letter | pattern) [(called | named | for)] {text:words}",
    Way(
        "(keep | save | store) ({target:all_of_it} | {target:whole_letter}) as (a | my) (template |"
        " form letter | standard letter | pattern)",
        when=nothing_selected,
    ),
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
def keep(
    sitting: Sitting, text: tuple[str, ...] = (), target: Places | None = None
) -> Done | Refusal:
    """Keep what is selected, or was just said, as a passage to be called by name."""
    if target is not None:
        r = target.first
    elif sitting.selection is not None:
        r = sitting.selection
    elif sitting.that:
        r = Range(sitting.that[0].start, sitting.that[-1].end)
    else:
        return Refusal("Nothing is selected.", "", "Select what the passage should say.")
    untitled = sitting.title.startswith("Untitled")
    name = given_name(text or (("template",) if untitled else (sitting.title.lower(),)))
    new = of_document(name, sitting.document, r)
    if not new.text.strip():
        return Refusal("There are no words to keep.")
    known = name.casefold() in {p.name.casefold() for p in sitting.passages}
    after = replace(sitting, passages=with_passage(sitting.passages, new))
    said = f"the passage {quoted(name)} is {'changed' if known else 'kept'}"
    return Done(after, f"{said}: {quoted(new.text)}")


@command(
    "(make | create | add | start | keep | save) a [new] passage (called | named) {name:words}"
    " (that says | saying | which says | with the words | that reads) {text}",
    "(make | create | add | keep | save) a [new] passage (that says | saying | which says)"
    " {text:words} (called | named | and call it) {name:words}",
    "[a] new passage (called | named) {name:words} (that says | saying | which says) {text}",
    example="make a passage called bye that says see you soon",
    group="writing",
    heard=0,
)
def keep_words(sitting: Sitting, name: tuple[str, ...], text: tuple[str, ...]) -> Done:
    """Keep words that are said as a passage; "blank" among them is one to be filled."""
    called, said = given_name(name), _with_blanks(sitting, text)
    known = called.casefold() in {p.name.casefold() for p in sitting.passages}
    new = Passage(called, ((Piece(said), Format()),))
    after = replace(sitting, passages=with_passage(sitting.passages, new))
    return Done(
        after, f"the passage {quoted(called)} is {'changed' if known else 'kept'}: {quoted(said)}"
    )


def _with_blanks(sitting: Sitting, words: tuple[str, ...]) -> str:
    """Words as they are written, each "blank" as one with a name of its own."""
    text = write(words, Place(), manner_of(sitting, "")).text
    count = len(_A_BLANK.findall(text))
    names = ["blank"] if count == 1 else [f"blank {in_words(n)}" for n in range(1, count + 1)]
    for name in names:
        text = _A_BLANK.sub(f"[{name}]", text, count=1)
    return text


_A_BLANK = re.compile(r"(?<!\[)\b[Bb]lank\b")


@command(
    "(change | set | update) [the] passage {passage} to (say | read) {text:words}",
    *each(
        exists,
        "(change | set | update) (the | my) {passage} [passage] to [say] {text:words}",
        "(the | my) {passage} passage <shall> (say | read) {text:words}",
    ),
    heard=0,
    example="change the passage sign off to say with best wishes",
    group="writing",
)
def reword(sitting: Sitting, passage: str, text: tuple[str, ...]) -> Done:
    """Let a passage say other words."""
    old = named(sitting.passages, passage)
    form = old.pieces[0][1] if len(old.pieces) == 1 else Format()
    piece = Piece(write(text, Place(), manner_of(sitting, "")).text)
    new = Passage(old.name, ((piece, form),))
    after = replace(sitting, passages=with_passage(sitting.passages, new))
    return Done(after, f"the passage {quoted(new.name)} is changed: {quoted(new.text)}")


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
