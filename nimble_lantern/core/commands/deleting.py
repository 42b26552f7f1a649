"""Deleting."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands.shifted import as_an_item
from nimble_lantern.core.commands.table_here import part_out, rows_covered, table_of, whole_out
from nimble_lantern.core.commands.when import in_what_was_dictated, is_found, just_dictated
from nimble_lantern.core.commands.wording import many, named, near, quoted, words_in
from nimble_lantern.core.composing.moving import WHOLE
from nimble_lantern.core.composing.removing import remove, with_its_pair
from nimble_lantern.core.document import edits, units
from nimble_lantern.core.document.clauses import with_link
from nimble_lantern.core.document.model import Kind, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command, each
from nimble_lantern.core.lexicon.closed import PREPOSITIONS
from nimble_lantern.core.state import Done, Option, Question, Sitting
from nimble_lantern.core.targets.alike import kind_of
from nimble_lantern.core.targets.letter import to_write_in
from nimble_lantern.core.targets.model import (
    Beside,
    Beyond,
    Except,
    One,
    Order,
    Places,
    Sign,
    That,
    Unit,
    Units,
    Words,
    no_thing,
    of_a_grid,
    of_the_page,
    unit_named,
)
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.targets.words import a_long_run, apart_by_a_stop, in_a_list


def _of_the_page(sitting: Sitting, parse: Parse) -> bool:
    """ "The last sentence can go" is asked of the desk; "the boat can go" is a sentence.

    What is selected is of the page as well: "drop it".
    """
    target = parse.args.get("target")
    if isinstance(target, Units) and (target.unit, target.order) == (Unit.TABLE, Order.THIS):
        return False  # "wipe the table" is said of one with legs as well
    if isinstance(target, Units) and target.bare and target.unit is Unit.WORD:
        return False  # "we don't need the words any more" is said by a choir
    chosen = isinstance(target, That) and sitting.selection is not None
    return chosen or of_the_page(target) or no_thing(target)


_OF_THE_WORLD = (Unit.LIST, Unit.DOCUMENT, Unit.LINE, Unit.ITEM, Unit.CHARACTER)


def _no_object(sitting: Sitting, parse: Parse) -> bool:
    """ "We don't need at half past nine": no thing is needed that is called so."""
    target = parse.args.get("target")
    words = target.words if isinstance(target, Words) else ()
    if isinstance(target, Words) and unit_named(target.of) is Unit.LIST:
        return False  # "we don't need the flour on the list" takes its item off
    here = isinstance(target, Units) and target.order is Order.THIS
    if here and isinstance(target, Units) and target.unit in _OF_THE_WORLD:
        return False  # "we don't need the list any more"
    return _of_the_page(sitting, parse) or len(words) > 1 and words[0] in PREPOSITIONS


def _item_by_words(sitting: Sitting, parse: Parse) -> bool:
    """ "Cross buy paint off", where an item of a list says so; "cross off the first two"."""
    target = parse.args.get("target")
    told = isinstance(target, One) or isinstance(target, Units) and target.unit is Unit.ITEM
    return told or in_a_list(sitting.document, target) and not _of_long_ones(sitting, target)


def _of_long_ones(sitting: Sitting, target: object) -> bool:
    """ "Tick off tom", where he is one word of what is a paragraph by its length."""
    found = resolve(target, sitting) if isinstance(target, Words) else None
    if not isinstance(target, Words) or not isinstance(found, Places):
        return False
    blocks = [sitting.document.blocks[r.start.block] for r in found.ranges]
    few = len(target.words) < _FEW_OF_IT
    return few and any(len(block.words) > _LONGEST_ITEM for block in blocks)


_LONGEST_ITEM, _FEW_OF_IT = 12, 4
"""Words of an item that may be named by fewer than so many of them."""


def _plainly_named(sitting: Sitting, parse: Parse) -> bool:
    """ "The last item delete", "every really delete"."""
    target = parse.args.get("target")
    every = isinstance(target, Words) and target.order is Order.EVERY
    return every or _of_the_page(sitting, parse)


def _out(sitting: Sitting, parse: Parse) -> bool:
    """ "Take that out" is said of what was just written, and "take the boat out" of a boat."""
    told = isinstance(parse.args.get("target"), That) or _of_the_page(sitting, parse)
    told = told or a_long_run(sitting.document, parse.args.get("target"))
    return told or _no_object(sitting, parse)


def of_degree(target: object) -> bool:
    """ "Drop perfectly", "without really": they say how, and are no thing that is dropped."""
    words = target.words if isinstance(target, Words) else ()
    return bool(words) and all(w.endswith("ly") and len(w) > len("only") for w in words)


def _as_it_stands(sitting: Sitting, parse: Parse) -> bool:
    """ "Take away because the kitchen is shut", which stands there word for word; "drop a line"
    names no part of the page."""
    how = of_degree(parse.args.get("target"))
    return (
        how
        or _of_the_page(sitting, parse)
        or a_long_run(sitting.document, parse.args.get("target"))
    )


def _a_mark_of_it(sitting: Sitting, parse: Parse) -> bool:
    """ "Undo the comma", of what was just dictated; and its last word."""
    target = parse.args.get("target")
    if not isinstance(target, Units | Sign) or not just_dictated(sitting):
        return False
    if isinstance(target, Units) and (target.order, target.unit) != (Order.LAST, Unit.WORD):
        return False
    found = resolve(target, sitting)
    return isinstance(found, Places) and not found.ask


def _says_how(sitting: Sitting, parse: Parse) -> bool:
    """ "Without perfectly", where it stands; "without really knowing" goes on."""
    target = parse.args["target"]
    return of_degree(target) and isinstance(resolve(target, sitting), Places)


def _in_a_part(sitting: Sitting, parse: Parse) -> bool:
    """ "End the second paragraph after dry"; "end the day at the quay" goes on."""
    target = parse.args.get("target")
    return isinstance(target, Beyond) and of_the_page(target.of)


def _of_prose(sitting: Sitting, parse: Parse) -> bool:
    """ "I'd rather not have the last sentence", and not "the last word"."""
    target = parse.args.get("target")
    return isinstance(target, Units) and target.unit in (
        Unit.SENTENCE,
        Unit.QUESTION,
        Unit.PARAGRAPH,
        Unit.HEADING,
    )


def _no_grid(sitting: Sitting, parse: Parse) -> bool:
    """Rows and columns of a table go as such, and not only with their words; what is kept of one
    part is told of that part: "all but the first sentence of the notes"."""
    target = parse.args.get("target")
    if isinstance(target, Beside) and target.unit in _OF_THE_HOUSE and _a_time(target.goal):
        return False  # "clear the table before monday"
    part = target.part if isinstance(target, Except) else None
    kept = isinstance(part, Units) and part.of is not None
    kept = kept or apart_by_a_stop(sitting.document, target)
    return not of_a_grid(target) and not kept


_OF_THE_HOUSE = (Unit.TABLE, Unit.LIST, Unit.ITEM, Unit.LINE)


def _a_time(goal: object) -> bool:
    return isinstance(goal, Words) and kind_of(goal.words) in ("day", "hour", "month", "clock")


def _on_a_list(sitting: Sitting, parse: Parse) -> bool:
    """ "Take the lamps off the list", where an item says so."""
    return _of_the_page(sitting, parse) or in_a_list(sitting.document, parse.args.get("target"))


@command(
    "<remove> {target}",
    "(rub | cross | strike | scratch) {target} out",
    "(delete back | backspace) [over] {target:counted_back}",
    "delete {target:counted_back} back",
    "<discard> {target:said_last}",
    "<discard> {target:adjoining}",
    "<wish> {target} (deleted | removed | erased | taken (out | away) | cut out)",
    Way("(<wish> {target} gone | make {target} (disappear | vanish))", when=_of_the_page),
    "eliminate {target}",
    "(take | leave | cut | get) {target:mark_out}",
    "(<remove> | take | knock | chop | cut) {target:counted_back} off [the end]",
    "(<remove> | take | cross | strike | leave) {target} (off | from | out of) the (text | letter)",
    Way("(take | cut | wipe | throw | leave) {target} out", when=_out),
    Way("leave out {target}", when=_out),
    Way("(clear | empty | blank | wipe) [out] {target:owned_cell}", when=is_found),
    *each(
        _as_it_stands,
        "<discard> {target}",
        "{target} is (rubbish | wrong | no good | nonsense | not right | too long | too much)"
        " (<remove> | <discard> | take it out) [(it | that)]",
    ),
    Way("without {target}", when=_says_how),
    Way("leave off {target}", when=_out),
    Way(
        "(scratch | strike | wipe out | wipe | undo) {target}",
        when=in_what_was_dictated,
    ),
    Way("undo {target}", when=_a_mark_of_it),
    Way("{target} (is not | isn't) (needed | wanted)", when=_says_how),
    Way("(cut | end | stop | finish | break off) {target:cut_short}", when=_in_a_part),
    Way("{target} [please] (delete | remove | erase) [it | them]", when=_plainly_named),
    *each(_of_prose, "(i would | i'd) rather not have {target}", "forget {target}"),
    *each(
        _no_object,
        "(we | i) (do not | don't) (need | want | like) {target}"
        " [(<any_more> | there | here | in there)] [(delete | remove) it]",
    ),
    *each(
        _of_the_page,
        "(chuck | knock | whip | get) {target} out [of (there | here | it)]",
        "take {target} right out",
        "(away | off) with {target}",
        "no need for {target}",
        "no {target:a_mark}",
        "(i | we) (do not | don't) (want | need) [a | the | any] {target:a_mark} [there]",
        "(take | cut | wipe | throw) {target} away",
        "{target} goes [out]",
        "{target} (<shall> | can | could | will have to) (go | come (off | out)) [please]",
        "{target} [is] (deleted | removed | gone | not needed)",
        "{target} (wants | needs | could do with) (deleting | removing | taking (out | away)"
        " | cutting | to be (deleted | removed | cut | taken out))",
        "we (can | could) (lose | do without) {target}",
        "{target} (should not | shouldn't | does not | doesn't) (be | belong) (there | here)",
        "{target} (out | away | off)",
        "{target} (<shall> | can | could | will have to) be"
        " (thrown (out | away) | deleted | removed | dropped | cut | taken out)",
        "{target} (is not | isn't | are not | aren't) (needed | wanted) [(here | there | any"
        " more)]",
        "(cancel | omit) {target}",
    ),
    example="delete the last two words",
    group="revising",
    destructive=True,
    when=_no_grid,
    by_rows=True,
)
def delete(sitting: Sitting, target: Places) -> Done:
    """Delete a target.  The trail says how much went."""
    if target.unit is Unit.TABLE and not isinstance(table := table_of(sitting, target), Refusal):
        return whole_out(sitting, table)
    if (below := to_write_in(sitting.document, target)) != target:
        # "The first paragraph" may be the greeting, or what comes below it.
        either = (replace(target, named="greeting"), replace(below, named="text"))
        options = (
            Option(quoted(sitting.document.text(p.first)), (("target", p),), p.ranges)
            for p in either
        )
        question = Question("deleting.delete", {}, tuple(options))
        return Done(replace(sitting, question=question), "which is the first? Say a number")
    ranges = target.ranges
    if target.clause:
        ranges = tuple(with_link(sitting.document, r) for r in ranges)
    if target.unit in (Unit.LINE, Unit.ROW) and (rows := rows_covered(sitting, ranges)):
        # "The line with tom in it", of a table.
        return part_out(sitting, rows)
    ranges = tuple(with_its_pair(sitting.document, r) for r in ranges)
    how_much, what = words_in(sitting, ranges), named(sitting.document, ranges)
    whole = target.unit in (*WHOLE, Unit.LINE)
    begin = ranges != (sitting.selection,)  # what is said next may take its place
    after = replace(remove(sitting, ranges, blocks=whole, begin=begin), insertion=None)
    marks = not any(sitting.document.count_words(r) for r in ranges)
    return Done(after, f"deleted {what if marks else f'{how_much}: {what}'}{near(target)}")


@command(
    Way(
        "(<remove> | <discard> | take | cross | strike | leave) {target} (off | from | out of)"
        " the list",
        when=_on_a_list,
    ),
    "(<remove> | <discard> | take | cross | strike) {target:counted_thing} (off | from | out of)"
    " the list",
    *each(
        _item_by_words,
        "(cross | tick | take | strike | scratch | score | check) {target} off [the list]",
        "(cross | tick | strike | scratch | score | check) off {target}",
        "tick {target}",
        "{target} (can | could | should) (go | come) off [the list]",
        "(we | i) (do not | don't) need {target} (<any_more> [on the list] | on the list"
        " [<any_more>])",
        "{target} is (done | finished) (<remove> | <discard>) it",
        "{target} is (done | finished) (take | cross | strike) it (off | out)",
    ),
    heard=0,
    example="cross rope off the list",
    group="revising",
    destructive=True,
)
def cross_off(sitting: Sitting, target: Places) -> Done:
    """Take an item off its list, by all its words or some."""
    target = as_an_item(sitting.document, target)
    blocks = sitting.document.blocks
    items = [
        units.block_range(sitting.document, r.start.block)
        if blocks[r.start.block].kind is Kind.ITEM and r.start.block == r.end.block
        else r
        for r in target.ranges
    ]
    return delete(sitting, replace(target, ranges=tuple(units.disjoint(items)), unit=Unit.ITEM))


@command(
    "(delete | remove | erase | rub out) {counted} [{backwards}]",
    "(delete | remove | erase | rub out) {backwards} {counted}",
    example="delete two words",
    group="revising",
    destructive=True,
)
def delete_counted(
    sitting: Sitting, counted: tuple[int, Unit], backwards: bool | None = None
) -> Done | Refusal:
    """Delete so many words or letters: those before the writing place, or those after it."""
    count, unit = counted
    ways = ((f"the {many(count, unit.value)} before", Order.LAST), ("those after", Order.NEXT))
    options = []
    block = sitting.document.blocks[sitting.writing_place.block].text
    at_end = not block[sitting.writing_place.offset :].strip()
    told = backwards if backwards is not None else at_end or None
    for label, order in ways if told is None else ways[:1] if told else ways[1:]:
        found = resolve(Units(unit, order, count), sitting) if count > 0 else None
        if isinstance(found, Places):
            options.append(Option(label, (("target", found),), found.ranges))
    if not options:
        return Refusal("There are not so many here.", "", "Say which: “the last two words”.")
    if len(options) == 1:
        return delete(sitting, dict(options[0].args)["target"])
    asked = Question("deleting.delete", {}, tuple(options))
    return Done(replace(sitting, question=asked), "those before or those after? Say a number")


@command(
    "backspace [{number}]",
    "back space [{number}]",
    "backspace {number} (characters | times)",
    example="backspace three",
    group="repair",
    destructive=True,
)
def backspace(sitting: Sitting, number: int = 1) -> Done | Refusal:
    """Delete what is selected, else the characters just before the writing place."""
    if sitting.selection is not None and number == 1:
        return delete(sitting, Places((sitting.selection,)))
    caret = sitting.caret
    found: list[Range] = []
    for r in units.backward(sitting.document, "character", caret):
        if len(found) == number or r.start.block != caret.block:
            break
        found.append(r)
    if not found:
        return Refusal("There is nothing in this paragraph before the writing place.")
    r = Range(found[-1].start, caret)
    after = sitting.edited(edits.delete(sitting.document, r))
    text = sitting.document.text(r)
    return Done(after.about(()), f"took back {many(len(found), 'character')}: “{text}”")
