"""Selecting, so that the next words or commands are about it."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from itertools import islice

from nimble_lantern.core.commands.when import is_selected, names_a_part, stands_here
from nimble_lantern.core.commands.wording import label_at, many, named, near
from nimble_lantern.core.document import units
from nimble_lantern.core.document.model import Document, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.state import Done, Option, Question, Sitting, View
from nimble_lantern.core.targets.finding import all_within
from nimble_lantern.core.targets.model import (
    FLOWING,
    Order,
    Places,
    Reach,
    Unit,
    Units,
    Words,
    of_the_page,
    unit_named,
)
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.targets.words import named_as_written


def _shown(sitting: Sitting, parse: Parse) -> bool:
    """ "Correct the first ferry" and "grab the last line" are asked of the desk; "correct the log"
    and "grab the rope" are sentences, and the next one would take the place of what is selected."""
    target = parse.args.get("target")
    ordered = isinstance(target, Words) and target.order is not None
    return ordered or of_the_page(target)


def _a_part_alone(sitting: Sitting, parse: Parse) -> bool:
    """ "Rewrite the last sentence": a sentence or paragraph, as what it is to say was not said."""
    return unit_named(parse.args.get("target")) in _ALONE and _shown(sitting, parse)


_ALONE = (Unit.SENTENCE, Unit.QUESTION, Unit.PARAGRAPH, Unit.LINE, Unit.HEADING, Unit.ITEM)


def _quoted(sitting: Sitting, parse: Parse) -> bool:
    """ "Mark lamp room", where these words stand; "mark the rope" may be said to somebody."""
    target = parse.args.get("target")
    several = isinstance(target, Words) and len(target.words) > 1
    return several and named_as_written(sitting.document, target)


@command(
    "<select> {target}",
    "select (only | just) {target}",
    "highlight nothing but {target}",
    "i want to (select | change) {target}",
    "<wish> {target} [to be] selected",
    "<select> {target:reach}",
    "select every (word | letter | line)",
    "make {target} the selection",
    "(take | use | have) {target} (as | for) (the | my) selection",
    "<pick> {target:said_last}",
    *each(
        _shown,
        "<pick> {target}",
        "{target} selected",
        "{target:reach} [please] select",
        "{target} [please] select",
        "(<pick> | take) {target:reach}",
    ),
    Way(
        "[let me | i want to | i'd like to] (rewrite | reword | rephrase | redo | edit | change)"
        " {target} [(please | differently | in other words)]",
        when=_a_part_alone,
    ),
    Way(
        "(let me | i want to | i'd like to) (say | put) {target} (differently | in other words"
        " | another way)",
        when=_a_part_alone,
    ),
    Way("take {target}", when=names_a_part),
    Way("mark {target}", when=_quoted),
    example="select the last sentence",
    group="selecting",
    finds=True,
)
def select(sitting: Sitting, target: Places | None = None) -> Done:
    """Select a target.  The next words you say replace it."""
    ranges = target.ranges if target is not None else (sitting.document.whole,)
    after = sitting.about(ranges)
    if len(ranges) == 1:
        after = replace(after, selection=ranges[0], fresh=True, insertion=None)
    how = near(target) if target is not None else ""
    return Done(after, f"selected {named(sitting.document, ranges)}{how}")


CATALOGUE.table(
    "backwards",
    {
        "(back | backward | backwards | to the left | before | before (here | me))": True,
        "(forward | forwards | ahead | on | to the right | after | from here)": False,
    },
)


@command(
    "<select> {counted} [{backwards}]",
    "<select> {backwards} {counted}",
    Way("<pick> {counted} [{backwards}]", when=lambda sitting, parse: "backwards" in parse.args),
    example="select two words",
    group="selecting",
)
def select_counted(
    sitting: Sitting, counted: tuple[int, Unit], backwards: bool | None = None
) -> Done | Refusal:
    """Select so many words or letters from the writing place on; at a paragraph's end, before."""
    count, unit = counted
    if backwards is None:
        block = sitting.document.blocks[sitting.writing_place.block].text
        backwards = not block[sitting.writing_place.offset :].strip()
    found = resolve(Units(unit, Order.LAST if backwards else Order.NEXT, count), sitting)
    return found if isinstance(found, Refusal) else select(sitting, found)


@command(
    "select nothing",
    "(deselect | unselect | let go of) [that | it | this | everything | the selection]",
    "(clear | remove | drop | cancel | lose | undo | forget) [the] selection",
    Way("(unmark | unhighlight) (that | it | this)", when=is_selected),
    "(no | nothing) (selection | selected)",
    "take the selection (off | away)",
    "(do not | don't) select [(anything | that | it | this)]",
    "[i] (do not | don't) (want | need) (that | it | this | anything) selected [<any_more>]",
    "let go",
    example="select nothing",
    group="selecting",
)
def select_nothing(sitting: Sitting) -> Done:
    """Let go of the selection."""
    return Done(sitting.about(()), "nothing is selected")


@command(
    "narrow [(the selection | it)] to {target}",
    Way("(select | take) (only | just) {target}", when=is_selected),
    Way("(only | just) {target}", when=is_selected),
    example="narrow the selection to the last word",
    group="selecting",
)
def narrow(sitting: Sitting, target: Places) -> Done | Refusal:
    """Keep only a part of the selection selected."""
    held = sitting.selection
    if held is None:
        return Refusal("Nothing is selected.", "", "Say “select” and the words.")
    inside = [r for r in target.ranges if held.start <= r.start and r.end <= held.end]
    if not inside:
        return Refusal("Those words are not in the selection.")
    after = replace(sitting.about(inside), selection=inside[0], fresh=True)
    return Done(after, f"the selection is {named(sitting.document, inside[:1])} now")


def _is_fresh(sitting: Sitting, parse: Parse) -> bool:
    """ "Without the last word" is said of what was just selected."""
    return sitting.selection is not None and sitting.fresh


def _just_selected(sitting: Sitting, parse: Parse) -> bool:
    """ "As far as the end of the line", right after something was selected."""
    last = sitting.trail[-1].command or "" if sitting.trail else ""
    whole = parse.args.get("unit") is Unit.DOCUMENT
    return _is_fresh(sitting, parse) and last.startswith("selecting.") and not whole


def _and_selected(sitting: Sitting, parse: Parse) -> bool:
    """ "And the cover too": its "and" is none of the page."""
    target = parse.args.get("target")
    linked = isinstance(target, Words) and target.words[0] == "and"
    return not linked and _just_selected(sitting, parse)


@command(
    Way("[and] {target} (too | as well | also)", when=_and_selected),
    Way("[and] also {target}", when=_just_selected),
    "(include | select) {target} (too | as well | also)",
    Way("add {target} to the selection", when=is_selected),
    heard=0,
    example="include the last word as well",
    group="selecting",
    grows=True,
)
def select_too(sitting: Sitting, target: Places) -> Done:
    """Select a target beside what is selected; what stands next to it makes one with it."""
    document = sitting.document
    held = sitting.that or ((sitting.selection,) if sitting.selection else ())
    joined: list[Range] = []
    for r in units.disjoint((*held, *target.ranges)):
        last = joined[-1] if joined else None
        if last and last.end.block == r.start.block and not _between(document, last, r):
            joined[-1] = Range(last.start, r.end)
        else:
            joined.append(r)
    return select(sitting, replace(target, ranges=tuple(joined)))


def _between(document: Document, a: Range, b: Range) -> str:
    return document.text(Range(a.end, b.start)).strip()


@command(
    Way("[(and | no)] [now] [select] the (whole | entire | full) {unit}", when=_just_selected),
    heard=0,
    example="no the whole sentence",
    group="selecting",
    widens=True,
)
def select_around(sitting: Sitting, unit: Unit) -> Done | Refusal:
    """Select all of the sentence, line or paragraph in which the selection stands."""
    found = resolve(Units(unit, Order.THIS), sitting)
    return found if isinstance(found, Refusal) else select(sitting, found)


CATALOGUE.table(
    "extend",
    {"(extend | stretch | lengthen | grow | expand) [(it | that | this | [the] selection)]": True},
)


def _on_from(sitting: Sitting, unit: Unit, held: Range, forward: bool) -> Iterator[Range]:
    """The units behind what is held, or before it, the nearest first."""
    if unit in FLOWING:
        way = units.forward if forward else units.backward
        return way(sitting.document, unit.value, held.end if forward else held.start)
    every = all_within(unit, sitting, sitting.document.whole)
    if forward:
        return (r for r in every if r.start >= held.end)
    return (r for r in reversed(every) if r.end <= held.start)


def _widened(sitting: Sitting, counted: tuple[int, Unit], forward: bool) -> Range | None:
    held = sitting.selection or (sitting.that[0] if sitting.that else None)
    if held is None:
        return None
    count, unit = counted
    found = list(islice(_on_from(sitting, unit, held, forward), count))
    if len(found) < count:
        return None
    return Range(held.start, found[-1].end) if forward else Range(found[-1].start, held.end)


@command(
    "<extend> [(forward | forwards | right | on)] [by] {counted} [more]",
    "<extend> [by] {counted} (more | forward | forwards | to the right | right)",
    "(select | take) {counted} more",
    "(include | take in | add) [the] next {counted} [(too | as well)]",
    "[make] [(it | that | this | the selection)] {counted} (longer | bigger | wider)",
    "(make | have) (it | that | this | the selection) (longer | bigger | wider) by {counted}",
    "<extend> to the right by {counted}",
    Way("[and] [the] [next] {counted} (more | further | as well | too)", when=_is_fresh),
    Way("plus [the] [next] {counted} [more]", when=_is_fresh),
    Way("[and] [the] [next] {counted} (after | behind) (it | that | them | this)", when=_is_fresh),
    Way("[and] the next {counted}", when=_is_fresh),
    Way("[and] [now] the next {unit} (too | as well | also)", when=_is_fresh),
    Way("[and] [now] the next one (too | as well | also)", when=_is_fresh),
    Way("[and] also the next one", when=_is_fresh),
    Way("(add | take in | include) [the] [next] {counted:counted_more}", when=_is_fresh),
    Way("[and] [the] [next] {counted:counted_more}", when=_is_fresh),
    Way("(go | carry | keep) on [for | by] {counted} [more | further]", when=_is_fresh),
    Way("<extend> (forward | on) [for] {counted}", when=_is_fresh),
    "(include | take in | add) the {unit} after [(it | that | this)] [(too | as well | to the"
    " selection)]",
    example="extend by two words",
    group="selecting",
    widens=True,
    grows=True,
)
def extend_on(
    sitting: Sitting, counted: tuple[int, Unit] | None = None, unit: Unit | None = None
) -> Done | Refusal:
    """Stretch the selection forward by some words, letters, sentences or paragraphs."""
    return _stretched(sitting, _widened(sitting, counted or (1, unit or _selected(sitting)), True))


def _selected(sitting: Sitting) -> Unit:
    """What is selected, where it is one of its kind: a paragraph, a sentence, else words."""
    held = sitting.selection
    if held is None or held.start.block != held.end.block:
        return Unit.WORD
    whole = units.block_range(sitting.document, held.start.block)
    if held == whole:
        return Unit.PARAGRAPH
    return Unit.SENTENCE if held in all_within(Unit.SENTENCE, sitting, whole) else Unit.WORD


@command(
    "<extend> (back | backward | backwards | left) [by] {counted}",
    "<extend> [by] {counted} (back | backward | backwards | to the left)",
    "<extend> (to the left | to the start) by {counted}",
    "(include | take in | add) the {unit} before [(it | that | this)] [(too | as well | to the"
    " selection)]",
    example="extend back by two words",
    group="selecting",
    grows=True,
)
def extend_back(
    sitting: Sitting, counted: tuple[int, Unit] | None = None, unit: Unit = Unit.WORD
) -> Done | Refusal:
    """Stretch the selection backward by some words, letters, sentences or paragraphs."""
    return _stretched(sitting, _widened(sitting, counted or (1, unit), False))


def _stretched(sitting: Sitting, r: Range | None) -> Done | Refusal:
    if r is None:
        return Refusal("The selection cannot be stretched so far.", "", "Select some words first.")
    after = replace(sitting.about([r]), selection=r, fresh=True)
    return Done(after, f"the selection is {named(sitting.document, [r])} now")


@command(
    "(shrink | shorten | reduce | cut) [(it | that | this | the selection)] by {counted}",
    "[make] [(it | that | this | the selection)] {counted} (shorter | smaller | less | fewer)",
    Way("(leave (off | out) | without | drop | not) the last {unit}", when=_is_fresh),
    Way("(leave (off | out) | without | drop | not) the last {counted}", when=_is_fresh),
    Way("(leave (off | out) | without | drop | not) the first {first:unit}", when=_is_fresh),
    example="one word less",
    group="selecting",
    when=is_selected,
    grows=True,
)
def shrink(
    sitting: Sitting,
    counted: tuple[int, Unit] | None = None,
    unit: Unit = Unit.WORD,
    first: Unit | None = None,
) -> Done | Refusal:
    """Let go of some words, letters or sentences at the end of the selection, or of the first."""
    held = sitting.selection
    count, of = counted or (1, first or unit)
    inside = list(units.within(sitting.document, of.value, held)) if held else []
    if held is None or len(inside) <= count:
        return Refusal("There would be nothing left of the selection.", "", "“Select nothing”.")
    kept = inside[1:] if first else inside[:-count]
    return _stretched(sitting, Range(kept[0].start, kept[-1].end))


@command(
    "<extend> {target:reach}",
    "<extend> [up] to {target}",
    "<extend> (as far as | through | until | till) {target}",
    "(select | take) (up to | as far as) {target} too",
    Way("[and] (on | up) to {target:reach}", when=_is_fresh),
    Way(
        "[and] (take it | take that | carry [it] | stretch [it] | <extend> | keep going | run [it])"
        " [(on | right | up | all the way | along)] (to | as far as | up to | until | through to)"
        " ([the] end [of (the | this) {unit}] | the {unit} end)",
        when=_is_fresh,
    ),
    Way(
        "[and] (keep going | go on | carry on | all the way) (till | until | to where) (the | this)"
        " {unit} (ends | stops | finishes)",
        when=_is_fresh,
    ),
    Way(
        "[and] [(on | right | up | all the way | along)] (to | as far as | up to | until | through"
        " to) (the end of (the | this) {unit} | the {unit} end)",
        when=_just_selected,
    ),
    example="extend to the end of the line",
    group="selecting",
    widens=True,
)
def extend(
    sitting: Sitting, target: Places | None = None, unit: Unit = Unit.PARAGRAPH
) -> Done | Refusal:
    """Stretch the selection to take in a target as well, or to the end of what it stands in."""
    if target is None:
        found = resolve(Reach(unit, True), sitting)
        if isinstance(found, Refusal):
            return found
        target = found
    held = sitting.selection or (sitting.that[0] if sitting.that else None)
    if held is None:
        return Refusal("Nothing is selected.", "", "Say “select” and the first words.")
    goal = target.first
    grown = type(held)(min(held.start, goal.start), max(held.end, goal.end))
    after = replace(sitting.about([grown]), selection=grown, fresh=True)
    words = many(sitting.document.count_words(grown), "word")
    return Done(after, f"the selection is {words} now")


@command(
    "(find | look for | search for) {target}",
    "where (is | does it say | do i say | did i say) {target}",
    Way("(find | show) me {target}", when=stands_here),
    "where (have i | do i | did i | does it) (written | said | put | mentioned | write | say | put"
    " | mention) {target}",
    "(find | show me | look for | go through) (every | each | all the) (place | places | time |"
    " times | spot) [(where | that)] it (says | mentions | has) {target}",
    "(find | show me) (everywhere | wherever) [that] (it says | i (say | said | wrote)) {target}",
    "show me the (word | words) {target}",
    "(is there | have i written | do i say | does it say | have i said) (anything | something)"
    " about {target}",
    *each(
        stands_here,
        "(is | are) {target} (in (here | there) | in (this | my) <writing> | anywhere in"
        " (here | there))",
        "(does it | do i | did i) [ever] (say | mention) {target} (anywhere | somewhere | in here"
        " | at all)",
        "have i (mentioned | said | written) {target} (yet | already | anywhere | in here)",
        "is there (a | an | any) {target} in (here | there | it)",
    ),
    example="find the harbour board",
    group="moving",
    when=lambda sitting, parse: sitting.view is not View.SHELF,
    finds=True,
)
def find(sitting: Sitting, target: Places) -> Done:
    """Look at a target; the writing place stays where it is."""
    where = named(sitting.document, target.ranges[:1])
    return Done(sitting.about(target.ranges[:1]), f"found {where}{near(target)}")


MOST_FLAGGED = 30


@command(
    "(show | put up | put | give me) [the] pennants (on | for | beside) [all] the {unit:units}",
    "(show | give me) [the] numbers (for | beside | of) the {unit:units}",
    "flag [all] the {unit:units}",
    "let me (choose | pick) (one of the | from the) {unit:units}",
    heard=1,
    example="flag the paragraphs",
    group="selecting",
    when=lambda sitting, parse: sitting.view is View.DESK,
)
def flag(sitting: Sitting, unit: Unit) -> Done | Refusal:
    """Put numbers on the paragraphs, sentences, items or lines near you; a number selects one."""
    if unit in (Unit.CHARACTER, Unit.DOCUMENT, Unit.LIST):
        return Refusal("Those are too many to number.", "", "Try paragraphs, sentences or words.")
    found = [r for r in _near(sitting, unit) if not r.empty]
    if not found:
        return Refusal(f"There is no {unit.value} here.")
    options = tuple(
        Option(label_at(sitting, r), (("target", Places((r,), unit=unit)),), (r,)) for r in found
    )
    asked = Question("selecting.select", {}, options, beside=True)
    return Done(replace(sitting, question=asked), f"{many(len(options), unit.value)}: say one")


def _near(sitting: Sitting, unit: Unit) -> list[Range]:
    """The units of a kind that are nearest to the writing place, in the order of the text."""
    if unit is Unit.COLUMN:
        return []
    document, here = sitting.document, sitting.writing_place
    first = max(0, here.block - MOST_FLAGGED)
    last = min(len(document.blocks) - 1, here.block + MOST_FLAGGED)
    scope = Range(units.block_range(document, first).start, units.block_range(document, last).end)
    found = all_within(unit, sitting, scope)
    near = sorted(found, key=lambda r: abs(r.start.block - here.block))[:MOST_FLAGGED]
    return sorted(near)
