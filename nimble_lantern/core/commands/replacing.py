"""Replacing words by other words."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.commands import becoming, instead, same_words
from nimble_lantern.core.commands import fuller as fuller_words
from nimble_lantern.core.commands.columns import amount_of, price_of, value_of
from nimble_lantern.core.commands.mending import mended
from nimble_lantern.core.commands.shifted import with_all_below
from nimble_lantern.core.commands.table_here import fits_the_cell
from nimble_lantern.core.commands.wording import many, near, quoted
from nimble_lantern.core.composing.closing import CLOSING, goes_on_behind
from nimble_lantern.core.composing.redating import redated, whole_date
from nimble_lantern.core.composing.replacing import (
    but_what_is_counted,
    replace_many,
    replace_range,
    without_stop,
)
from nimble_lantern.core.document.edits import Edit
from nimble_lantern.core.document.model import Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each, rule
from nimble_lantern.core.lexicon.closed import (
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.manners import JUDGED
from nimble_lantern.core.lexicon.sentences import VERBS
from nimble_lantern.core.mending.again import put_right
from nimble_lantern.core.mending.alternatives import Alternative
from nimble_lantern.core.mending.knowing import taught_by
from nimble_lantern.core.state import Done, Option, Question, Sitting
from nimble_lantern.core.targets.alike import kind_of, mends, on_another_day
from nimble_lantern.core.targets.excepting import BUT, EXCEPTED, left_beyond, left_out
from nimble_lantern.core.targets.model import Crossing, Order, Places, Unit
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.targets.words import apart_by_a_stop, other_number
from nimble_lantern.core.writing.lexer import mark_named

_FEW = 20
_MANY_FOR_ONE = 4
"""So many words for each new one are not replaced unasked, if they are paragraphs."""
_LONG_LINE = 8
"""Words of a heading or an item that nobody gives up for one or two."""
_COUNTS = frozenset("two three four several".split())


CATALOGUE.table(
    "judged",
    {
        "[(a bit | a little | a touch | rather | too | far too | much too | very | quite)]"
        f" ({' | '.join(sorted(JUDGED - {'large', 'big', 'small', 'tiny'}))})": True
    },
    heard=False,
)


def _of_several_cells(sitting: Sitting, r: Range) -> bool:
    blocks = sitting.document.blocks[r.start.block : r.end.block + 1]
    return len(blocks) > 1 and any(block.cell for block in blocks)


def _of_much(sitting: Sitting, target: Places, text: tuple[str, ...]) -> bool:
    """Whether a word or two would take the place of a whole sentence or paragraph."""
    words = sum(sitting.document.count_words(r) for r in target.ranges)
    if target.unit is Unit.LIST:
        return words > len(text)
    if target.unit in (Unit.HEADING, Unit.ITEM):
        return words > _LONG_LINE and words > _MANY_FOR_ONE * len(text)
    if target.unit not in (Unit.SENTENCE, Unit.PARAGRAPH, Unit.SECTION, Unit.DOCUMENT):
        return False
    clause = len(text) > 1 and set(text) & (VERBS | SUBJECT_PRONOUNS)  # "make it say we waited"
    if target.unit is not Unit.SENTENCE and words > _MANY_FOR_ONE * len(text) and not clause:
        return True  # "turn the last two paragraphs into numbers one and two"
    return len(text) <= 2 and (words > 3 or text[-1] in _COUNTS) and not clause


@rule("an_amount", "{words}", heard=False)
def _an_amount(words: tuple[str, ...]) -> tuple[str, ...] | None:
    """ "Hall is fifty"; "hall is cold" tells of no number."""
    return words if kind_of(words) == "number" else None


@rule("from_what", "from {words}", heard=False)
def _from_what(words: tuple[str, ...]) -> bool:
    """What a cell says now, and anybody can see."""
    return True


def _fits(sitting: Sitting, parse: Parse) -> bool:
    if apart_by_a_stop(sitting.document, parse.args.get("target")):
        return False
    fits = fits_the_cell(sitting, parse) or _asked_of_a_row(sitting, parse)
    return fits and becoming.keeps_its_link(sitting, parse)


def _asked_of_a_row(sitting: Sitting, parse: Parse) -> bool:
    """ "Replace femi on saturday with nick": a verb asks for it, and the row has those words."""
    target = parse.args.get("target")
    verbs = (instead.no_sentence, instead.in_its_place)
    if parse.when not in verbs or not isinstance(target, Crossing):
        return False
    found = resolve(target, sitting)
    return target.owned and isinstance(found, Places) and found.unit is None


def _alike_or_a_line(sitting: Sitting, parse: Parse) -> bool:
    told = becoming.of_a_told_line(sitting, parse) or becoming.of_a_whole_item(sitting, parse)
    told = told or becoming.within_a_told_part(sitting, parse)
    headed = not told and becoming.of_a_told_heading(sitting, parse)
    return told or headed or instead.alike_or_a_cell(sitting, parse)


@command(
    Way("replace {target} (with | by) {text}", when=instead.in_its_place),
    Way("<change> {target} (to | into | with | by) {text}", when=instead.no_sentence),
    *each(
        instead.in_its_place,
        "put {text:words} (instead of | in place of) {target}",
        "(write | say) {text:words} (instead of | in place of | rather than) {target}",
        "(put | use | have) {text:words} in for {target}",
        "instead of {target} (write | put | say) {text}",
        "swap [out] {target} for {text}",
        "substitute {text:words} for {target}",
    ),
    *each(
        instead.of_a_part,
        "exchange {target} for {text}",
        "<wish> {text:words} (instead of | in place of | rather than) {target}",
    ),
    *each(
        instead.no_sentence,
        "(find | look for) {target} and (replace | change) (it | that | this) (with | to | by)"
        " {text}",
        "(rewrite | reword | rephrase) {target} (as | to) {text}",
        "<remove> {target} and (put | write | say) {text:words} (instead | over it | on top | in"
        " its place | there)",
        "(strike | scratch | strike out | scratch out | cross out) {target} and (put | write | say)"
        " {text:words} (instead | over it | on top | above it | in its place | there)",
        "<wish> {target} (changed | corrected | altered) to {text}",
        "<change> {target} so [that] it (says | reads | is) {text}",
    ),
    *each(
        instead.alike_or_a_part,
        "write {text:words} over {target}",
        "(i would | i'd) rather have {text:words} than {target}",
        "(instead of | in place of) {target} [(write | put | say | have)] {text}",
        "{target} to be replaced (by | with) {text}",
    ),
    Way("put {text:words} for {target}", when=instead.alike_or_no_thing_for_a_part),
    Way("{text:words} (instead of | in place of) {target}", when=becoming.of_a_told_part),
    Way(
        "(rename | retitle | relabel) {target} (as | to | into) {text}",
        when=becoming.names_a_heading,
    ),
    Way(
        "use {text:words} (instead of | in place of | rather than) {target}",
        when=instead.no_things_there,
    ),
    "make (it | that) {text:words} (instead of | rather than | in place of) {target}",
    "<change> {target} (with | by | to | into) the (word | words) {text}",
    "<change> the spelling of {target} to {text}",
    Way("put {text:words} where {target} is", when=instead.plain_words),
    *each(
        instead.words_there,
        "(it | that) (should | ought to) (say | read) {text:words}"
        " ([and] not | rather than | instead of) {target}",
        "it <shall> (say | read | be) {text:words} where it [now] (says | reads | has) {target}",
        "where it [now] (says | reads | has) {target} it <shall> (say | read | be) {text}",
        "(i would | i'd) (rather | sooner | prefer) it (said | says | read) {text:words}"
        " (than | instead of | rather than | to | not) {target}",
        "{target} <shall> be changed to {text}",
        "{target} be changed to {text}",
        "where it (says | has | reads) {target} (put | write | say | make it | it (should | ought"
        " to | must) (be | say | read)) {text}",
        "(change | alter) (the | that) (day | date | time | name | number | word | price"
        " | place | month | year | hour) from {target} to {text}",
        "(put | write | say | have) {text:words} where (it says | i said | i wrote) {target}",
        "where i (said | wrote) {target} i [really | actually] (meant | mean) {text}",
    ),
    *each(
        instead.plainly_there,
        "(i (said | wrote | put) | it (says | said | reads)) {target} [(but | and)] (it | that)"
        " (should | ought to | must) (be | say | read | have been | have said) {text}",
        "(i (said | wrote | put) | it (says | said | reads)) {target} [(but | and)]"
        " (it's | it is | make (it | that) | change (it | that) to) {text}",
        "{target} (needs | wants) (changing | correcting | altering | to be changed | to be"
        " corrected) to {text}",
        "take {target} out and (put | write) {text:words} in",
        "take {target} out and (put | write) in {text}",
        "(<change> | edit | revise) {target} to (read | say) {text}",
        "(update | revise | edit) {target} to {text}",
        "(for | instead of) {target} (read | it should (be | say | read)) {text}",
        "read {text:words} (for | instead of) {target}",
        "(strike | scratch | strike out | scratch out | cross out) {target} [and] (write | put |"
        " say) {text}",
    ),
    *each(
        instead.meant_for_said,
        "i (said | wrote | put) {target} [(but | and)] i (meant | mean | wanted) {text}",
        "i (meant | mean | wanted) {text:words} (when | where) i (said | wrote | put) {target}",
    ),
    Way("{target:signing_off} with {text:words} instead", when=instead.plain_words),
    Way("{target:signing_off} [with] {text:words}", when=becoming.closes_a_letter),
    *each(
        instead.stands_once,
        "(make | have) (it | that) {text:words} [and] not {target}",
        "(end | finish | close | sign off | begin | start | open) [it] with {text:words} ([and]"
        " not | rather than | instead of) {target}",
        "(i would | i'd) (rather | sooner) (write | say | put | use) {text:words} (than |"
        " instead of) {target}",
        "(he | she | it | they) (is | are) called {text:words} [and] not {target}",
        "(he's | she's | it's | they're) called {text:words} [and] not {target}",
        "(i would | i'd) prefer {text:words} (to | over) {target}",
    ),
    Way("not {target} but {text}", when=instead.alike_and_there),
    Way("not {target} {text}", when=instead.not_this),
    Way("rather than {target} (write | put | say | have) {text}", when=instead.alike_and_there),
    Way("(make | turn) {target} {text}", when=instead.alike_or_of_its_sort),
    Way("(make | turn) {target} (a | an) {text}", when=instead.one_for_one),
    Way("(let | could | can) {target} (be | become) {text}", when=instead.much_alike),
    Way(
        "(bump | raise | lower | up | bring | put) {target} [(up | down)] to {text}",
        when=instead.alike_or_raised,
    ),
    Way("{target} <shall> (be | become) {text}", when=_alike_or_a_line),
    Way(
        "{target} (<shall> be | was meant to be) {text:words} [and] not {was:words}",
        when=becoming.not_the_old_one,
    ),
    Way("(put | write | say | have) {text:words} for {target}", when=instead.stretch),
    Way("{target:crossed} (is | are | becomes | has) [now] {text}", when=instead.in_a_cell),
    Way("<change> {target:crossed} <from_what> to {text}", when=instead.in_a_cell),
    Way("{text:words} (is | becomes) [now] {target:crossed} [now]", when=becoming.told_of_a_cell),
    Way(
        "(in | into | under | for) {target:crossed} (put | write | say | type | enter) {text}",
        when=instead.in_a_cell,
    ),
    Way(
        "[just] (write | say | put) {text:words} [and] not {target}",
        when=becoming.one_not_another,
    ),
    Way(
        "(put | write | type | enter) {text:words} (in | into | under) {target:crossed}",
        when=instead.in_a_cell,
    ),
    *each(
        instead.alike_or_a_part,
        "(make | let | have) {target} (read | say) {text}",
        "(fix | switch | exchange | trade | alter | change) {target} (to | for) {text}",
        "(put | use | have | <wish>) {text:words} (instead of | in place of | rather than)"
        " {target}",
        "it (is not | isn't | should not be | shouldn't be) {target} it (is | it's | should be)"
        " {text}",
        "it's not {target} it's {text}",
        "(i would | i'd) (prefer | sooner have) {text:words} (to | than) {target}",
        "(i would | i'd) rather (say | put | write) {text:words} than {target}",
        "(his | her | the | their | my | your | its) name is {text:words} [and] not {target}",
        "(it | that) (was not | wasn't | isn't | is not) {target} (it | that) (was | is | should"
        " have been) {text}",
        "{target} becomes {text}",
        "{target} <shall> (read | say) {text}",
        "<remove> {target} and (put | write | say) {text}",
        "(<discard> | cut) {target} and (put | write | say) {text}",
    ),
    *each(
        instead.not_the_other,
        "[it] (should | ought to) be {text:words} ([and] not | rather than | instead of) {target}",
        "this is {text:words} [and] not {target}",
        "(it ought to be | it has to be) {text:words} [and] not {target}",
        "(it's | it is | that's | make it | make that) {text:words} [and] not {target}",
    ),
    *each(
        instead.named_there,
        "<remove> {target} and (put | write | say) [in] {text}",
        "{target} replace [it | that] (with | by) {text}",
    ),
    Way("replace {target} {text}", when=instead.first_stands),
    Way("{target} change [it | that] (to | into) {text}", when=instead.called_or_quoted),
    Way(
        "[just | only | simply | plain] {text:words} [and] not {target}", when=instead.a_part_of_it
    ),
    Way(
        "[it | that] (should | ought to) (be | say | read) {text}", when=instead.of_what_is_selected
    ),
    Way("<wish> {text:words} (there | here) [instead]", when=instead.of_what_is_selected),
    Way("(overwrite | replace) [it | that] (with | by) {text}", when=instead.of_what_is_selected),
    Way("(change | turn) [it | that] (to | into) {text}", when=instead.of_what_is_selected),
    *each(instead.quoted_and_few, "(exchange | switch) {target} (for | with) {text}"),
    Way("(make | turn) {target} into {text}", when=instead.alike_or_words_for_a_part),
    Way("turn {target} into {text}", when=instead.plain_and_few),
    Way("put {text:words} there [instead]", when=instead.of_what_is_selected),
    Way(
        "(<wish> | i'd rather have | i would rather have | i prefer | give me | use) {text:words}"
        " (instead | in its place) [of (that | it | this | those | them)]",
        when=instead.of_what_is_selected,
    ),
    *each(
        instead.said_to_be_wrong,
        "{target} is (wrong | not right) i (meant | said | want | wanted) {text}",
        "{target} is (wrong | not right) it (<shall> (be | say | read) | is | was) {text}",
        "{target} is (wrong | not right) (make it | put | change it to) {text}",
        "{target} is {judged} (say | put | write | make it | use | change it to) {text}",
    ),
    *each(
        instead.of_a_kind,
        "<change> {target} [in] {text}",
        "for {target} (put | write | say) {text}",
        "(put | write | say) {text:words} for {target}",
    ),
    Way(
        "{text:words} (instead of | in place of | rather than) {target}",
        when=instead.of_a_kind_or_names,
    ),
    Way("{text:words} for {target}", when=instead.day_for_day),
    *each(
        instead.of_an_amount,
        "(put | write | enter | have | use) {text:an_amount} (for | beside | next to) {target}",
        "{target} (costs | cost | is | are | was | were | comes to | took | made | raised | earned"
        " | brought in) [now] {text:an_amount} [now]",
        "{target} (cost | costs | price | amount | figure) (<shall> be | is | was)"
        " {text:an_amount}",
    ),
    Way("{target} to {text:words}", when=becoming.nearly_the_same),
    Way("(make | let) {target} [(say | read | be)] {text}", when=becoming.of_a_line),
    Way("make {target} [into] {text}", when=becoming.of_a_closing),
    Way("(rename | retitle) {target} [(to | as | into)] {text}", when=becoming.of_a_heading),
    Way("call {target} {text:words}", when=becoming.of_a_heading),
    Way(
        "[(no | sorry)] {target} <shall> (be | say | read) [the (word | words)] {text}",
        when=becoming.of_words_told,
    ),
    Way("[(no | sorry)] {target} <shall> be the (word | words) {text}", when=instead.words_there),
    *each(
        instead.mark_for_mark,
        "[(a | an)] {text:words} (instead of | in place of | for) {target:a_mark}",
        "(make | turn) {target:a_mark} [into] [(a | an)] {text}",
        "{target:a_mark} <shall> (be | become) [(a | an)] {text}",
    ),
    *each(
        instead.mark_for_a_mark,
        "(make | turn) {target} [into] [(a | an)] {text}",
        "{target} <shall> (be | become) [(a | an)] {text}",
    ),
    Way(
        "{target} {why:words} so [let's] (make it | make that | change it to | have | put | say)"
        " {text:words} [(instead | in (his | her | their | its) place)]",
        when=becoming.for_a_reason,
    ),
    *each(
        becoming.spelt,
        "spell {target} [as] {text}",
        "{target} (is | should be | must be) (spelt | spelled) {text}",
    ),
    example="replace the ferry with the boat",
    group="revising",
    destructive=True,
    when=_fits,
)
def replace_with(
    sitting: Sitting,
    text: tuple[str, ...],
    target: Places | None = None,
    sure: bool | None = None,
    exactly: bool = False,
    judged: bool = False,
    why: tuple[str, ...] = (),
    was: tuple[str, ...] = (),
) -> Done | Refusal:
    """Put other words in the place of a target.  The writing place stays where it is."""
    if target is None:
        target = Places((sitting.selection,) if sitting.selection else sitting.that)
    if sure is False:
        return Done(replace(sitting, question=None), "left as it is")
    if any(_of_several_cells(sitting, r) for r in target.ranges):
        return Refusal(
            "Words cannot take the place of several cells.", "", "Name one, or delete the table."
        )
    if sure is None and target.ranges == sitting.that and sitting.selection is None:
        # "Change that to monday", of a sentence just said, mends the day in it.
        found = mends(sitting.document, target.first, text) if len(target.ranges) == 1 else []
        if len(found) == 1 and sitting.document.count_words(target.first) > len(text) + 2:
            return mended(sitting, found[0].range, found[0].words)
    if sure is None and _of_much(sitting, target, text):
        return _whether(sitting, target, text, "all of it")
    if len(target.ranges) == 1 and not exactly:
        told = sitting.document.text(target.first)
        numbered = any(map(str.isdigit, told))
        dated = whole_date(sitting.document, target.first) if numbered else target.first
        if (date := redated(sitting, sitting.document.text(dated), text)) is not None:
            target, text, exactly = replace(target, ranges=(dated,), unit=None), (date,), True
    old = sitting.document.text(target.first)
    text = on_another_day(text, target.heard.split()) or text
    text, ranges = _in_number(text, target.heard, old), target.ranges
    if target.unit is Unit.PARAGRAPH and old.endswith(",") and not _ends_in_a_mark(text):
        text = (*text, "comma")  # a greeting stays one
    if target.unit in (Unit.SENTENCE, Unit.ITEM):
        ranges = tuple(without_stop(sitting.document, r, text) for r in ranges)
    if exactly:
        wrote = replace_range(sitting, target.first, text, exactly=True)
        return Done(wrote.sitting, f"{quoted(old)} is now {quoted(wrote.text)}")
    if len(ranges) == 1 and sure is None and target.unit is None:
        amount = amount_of(sitting.document, ranges[0], text)
        amount = amount or price_of(sitting.document, ranges[0], text)
        amount = amount or value_of(sitting.document, ranges[0], text)
        ranges = (amount or but_what_is_counted(sitting.document, ranges[0], text),)
        old = sitting.document.text(ranges[0])
    if len(ranges) == 1:
        sitting = taught_by(sitting, ranges[0], text, sure=sure is True)
    after, written = _replaced(sitting, ranges, text, said_again=sure is None)
    if sure and len(ranges) == 1 and after.that:
        after = put_right(sitting, ranges[0], after, after.that[0])
    count = f" in {many(len(target.ranges), 'place')}" if len(target.ranges) > 1 else ""
    if not old:
        return Done(after, f"wrote {quoted(written)} there")
    return Done(after, f"{quoted(old)} is now {quoted(written)}{count}{near(target)}")


@command(
    Way("{text:words} where it says {old:words}", when=same_words.one_beside_the_same_words),
    Way(
        "[(it should be | it's | it is | make it)] {text:words} ([(and | so)] not [(at | on)] |"
        " rather than | instead of | no longer) {old:words}",
        when=same_words.one_beside_the_same_words,
    ),
    heard=0,
    example="the stair has forty steps where it says thirty eight",
    group="revising",
    destructive=True,
)
def rather_than(sitting: Sitting, text: tuple[str, ...], old: tuple[str, ...]) -> Done | Refusal:
    """Put new words in the place of those that stand beside the same words as the new ones."""
    ((r, new),) = same_words.beside_the_same_words(sitting.document, text, old)
    return replace_with(sitting, new, Places((r,)))


@command(
    Way(
        "(it | that) (should | ought to | must) (say | read) {text:words}",
        when=fuller_words.plainly_fuller,
    ),
    Way("make it (say | read) {text:words}", when=fuller_words.plainly_fuller),
    Way(
        "{text:words} it (should | ought to | must) (say | read | be)",
        when=fuller_words.plainly_fuller,
    ),
    *each(
        fuller_words.of_another_number,
        "(it | that) (should | ought to | must) be {text:words}",
        "make (it | that) {text:words}",
    ),
    heard=0,
    example="it should say the harbour ferry",
    group="revising",
    destructive=True,
)
def fuller(sitting: Sitting, text: tuple[str, ...]) -> Done | Refusal:
    """Say words of the page again with a word or two more, or with another number."""
    r = fuller_words.fuller(sitting.document, text)
    assert r is not None
    return replace_with(sitting, text, Places((r,)))


@command(
    Way("{target} <shall> (become | be) {text}", when=becoming.of_a_part_or_sort),
    Way("make {target} [(be | into)] {text}", when=becoming.of_a_told_sentence),
    example="the last sentence should be we waited an hour",
    group="revising",
)
def should_be(sitting: Sitting, target: Places, text: tuple[str, ...]) -> Done:
    """Ask whether a part of the page is to be these words: it may be said of it in a letter."""
    return _whether(sitting, target, text, quoted(sitting.document.text(target.first)))


def _whether(sitting: Sitting, target: Places, text: tuple[str, ...], what: str) -> Done:
    question = Question.whether(
        "replacing.replace_with", "yes: replace it", "no: leave it", target=target, text=text
    )
    asked = f"replace {what} by “{' '.join(text)}”: “yes” or “no”?"
    return Done(replace(sitting, question=question), asked)


def what_instead(target: Places, others: Sequence[Alternative], earlier: int = 0) -> Question:
    """The question which of its alternatives takes the place of a target, beside other answers."""
    options = (
        Option(a.label, (("text", a.words), *((("exactly", True),) if a.exactly else ())))
        for a in others
    )
    args = {"target": target, "sure": True}
    return Question(
        "replacing.replace_with", args, tuple(options), beside=True, corrects=True, earlier=earlier
    )


_BUT = f"{BUT} ((in | on | under | within) {{spared:target}} | [the] {{which:nthorder}} [one])"


@command(
    "<change> {target} (with | by | to | into | for) {text:words} <everywhere>",
    "<everywhere> <change> {target} (with | to | by | into) {text}",
    "(find | search for | look for) {target} and (replace | change) (it | them) (with | by | to)"
    " {text}",
    "(find | search) and replace {target} (with | by) {text}",
    "(exchange | swap | switch) (every | all | each | any) [of] [the] {target} (for | with) {text}",
    "<change> (every | all | each | any) {target} (with | to | by | into) {text}",
    "<change> (every | all | each | any) [of] [the] <occurrence> {target} (with | to | by |"
    " into) {text}",
    "(wherever | everywhere | every time | each time) [(it (says | has | reads) | you (find | see"
    " | read) | there is | i (said | wrote))] {target} (put"
    " | write | say | make it | use | change (it | that) to | replace (it | that) with | it should"
    " (say | be | read)) {text}",
    Way("{target} to {text:words} <everywhere>", when=instead.few_words_there),
    Way(
        "(<put> | use | say | have | <wish>) {text:words} (wherever | everywhere | every time |"
        " each time) [that] (it (says | has | reads) | there is | i (said | wrote)) {target}",
        when=instead.words_there,
    ),
    Way(
        "(every | each | all [the]) {target} <shall> (be | say | read) {text:words}",
        when=instead.words_there,
    ),
    Way(
        "{text:words} (for | instead of | in place of) {target} <everywhere>",
        when=instead.a_word_there,
    ),
    Way(
        "(put | use | write | say) {text:words} (for | instead of | in place of) {target}"
        " <everywhere>",
        when=instead.words_there,
    ),
    Way(
        "{target} (becomes | is now | <shall> be [(called | named | spelt | spelled)])"
        " {text:words} <everywhere>",
        when=instead.no_things_there,
    ),
    f"<change> {{target}} (with | by | to | into | for) {{text:words}} [<everywhere>] {_BUT}",
    f"<change> (every | all | each | any) [of] [the] {{target}} (with | by | to | into | for)"
    f" {{text:words}} {_BUT}",
    f"(wherever | everywhere) (it (says | has | reads) | you (find | see)) {{target}}"
    f" (put | write | say) {{text:words}} {_BUT}",
    f"<change> {{target}} (with | to | into) {{text:words}} <everywhere> {BUT} {{unknown:words}}",
    example="replace the ferry with the boat everywhere",
    group="revising",
    destructive=True,
    every_place=True,
)
def replace_everywhere(
    sitting: Sitting,
    target: Places,
    text: tuple[str, ...],
    which: tuple[Order, int] | None = None,
    spared: Places | None = None,
    unknown: tuple[str, ...] = (),
) -> Done | Refusal:
    """Put other words in every place where a target stands, or in all but one, or but a part."""
    told = which is not None or spared is not None
    if unknown or not told and EXCEPTED.search(" ".join(text)):
        return Refusal("Nothing was replaced.", "", "Say where not: “except the first”.")
    left = left_out(target, which) if which is not None else target
    if spared is not None:
        left = left_beyond(target, with_all_below(sitting, spared))
    if isinstance(left, Refusal):
        return left
    target = left
    return replace_with(sitting, text, replace(target, ask=False))


def _ends_in_a_mark(text: tuple[str, ...]) -> bool:
    return any(mark_named(text[-n:]) for n in (1, 2))


def _in_number(text: tuple[str, ...], heard: str, old: str) -> tuple[str, ...]:
    """New words for each of several: "both red books" to "green books", where "red book" stands."""
    said, there = heard.split()[-1:], old.lower().split()[-1:]
    each = bool(said) and said != there and [other_number(said[0])] == there
    return (*text[:-1], other_number(text[-1])) if each and text[-1].endswith("s") else text


def _replaced(
    sitting: Sitting, ranges: tuple[Range, ...], words: tuple[str, ...], said_again: bool = False
) -> tuple[Sitting, str]:
    """Replace from the last range to the first, so that those before keep their places."""
    if len(ranges) > _FEW:
        return replace_many(sitting, ranges, words)
    after, written = sitting, ""
    done: list[Range] = []
    for r in reversed(ranges):
        old = after.document.text(r)
        step = replace_range(after, r, words, said_again=said_again)
        if old in CLOSING and step.text in CLOSING:
            step = replace(step, sitting=goes_on_behind(after, step.sitting, step.range, old))
        edit = Edit(step.sitting.pending.steps[len(after.pending.steps) :])
        done = [m for d in done if (m := edit.moved_range(d))]
        done.append(step.range)
        after, written = step.sitting, step.text
    return after.about(sorted(done)), written
