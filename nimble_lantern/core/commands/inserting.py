"""Putting words in before or after others."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.commands import inserted
from nimble_lantern.core.commands.when import just_made, names_a_part, numbers_items
from nimble_lantern.core.commands.wording import named, quoted
from nimble_lantern.core.composing.beside import insert_beside
from nimble_lantern.core.composing.closing import (
    CLOSING,
    ENDING,
    goes_on_behind,
    mark_behind,
)
from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.composing.removing import remove
from nimble_lantern.core.composing.replacing import bare_mark, replace_range, without_stop
from nimble_lantern.core.composing.starting import room_beside
from nimble_lantern.core.document import broken, units
from nimble_lantern.core.document.edits import Edit, Splice
from nimble_lantern.core.document.model import Document, Kind, Piece, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.lexicon.closed import AUXILIARIES, SUBJECT_PRONOUNS
from nimble_lantern.core.lexicon.sentences import CLOSINGS, VERBS
from nimble_lantern.core.state import Done, Option, Question, Sitting
from nimble_lantern.core.targets.letter import SIGNATURE, greeting, to_write_in
from nimble_lantern.core.targets.letter import edge as letter_edge
from nimble_lantern.core.targets.model import (
    Places,
    Unit,
    Words,
    of_the_page,
)
from nimble_lantern.core.targets.words import places
from nimble_lantern.core.writing.lexer import mark_named
from nimble_lantern.core.writing.marks import Spacing

_WHOLE = (Unit.PARAGRAPH, Unit.HEADING, Unit.ITEM)


def _beside(
    sitting: Sitting, target: Places, text: tuple[str, ...], before: bool
) -> Done | Refusal:
    """Words or a mark beside a target, or beside each of several: "a full stop after each item"."""
    if len(target.ranges) == 1:
        return _beside_one(sitting, target, text, before)
    text, after = _one_mark(text), sitting
    why = Refusal("That stands there already.")
    # From the last one on: what is put in moves only what comes behind it.
    for r in reversed(target.ranges):
        made = _beside_one(after, Places((r,)), text, before, within=True)
        if isinstance(made, Done):
            after = made.sitting
        else:
            why = made
    if [b.text for b in after.document.blocks] == [b.text for b in sitting.document.blocks]:
        return why
    where = named(sitting.document, target.ranges)
    mark = mark_named(bare_mark(text))
    said = quoted(mark.text if mark else " ".join(text))
    return Done(after, f"put {said} {'before' if before else 'after'} {where}")


def _one_mark(text: tuple[str, ...]) -> tuple[str, ...]:
    """ "Full stops", put in several places, are one in each."""
    one = (*text[:-1], text[-1].removesuffix("s"))
    return one if one != text and mark_named(one) and not mark_named(text) else text


def _beside_one(
    sitting: Sitting, target: Places, text: tuple[str, ...], before: bool, within: bool = False
) -> Done | Refusal:
    if target.named == SIGNATURE:
        target = replace(target, unit=None)  # "adler after my name" goes on with it
    text = inserted.closed(inserted.bare_word(text), target.unit)
    side = "before" if before else "after"
    where = named(sitting.document, target.ranges[:1])
    nothing = Range(target.first.start, target.first.start)
    if (apart := room_beside(sitting, target, before, nothing)) is not None:
        wrote = replace_range(*apart[:2], text)
        return Done(wrote.sitting, f"put {quoted(wrote.text)} {side} {where}")
    mark = mark_named(bare_mark(text)) is not None
    an_item = not within and inserted.is_an_item(sitting, target, text, before)
    line = target.unit is Unit.LINE and broken.parted(sitting.document, target.first)
    whole = not mark and (target.unit in _WHOLE or line) or an_item
    whole = whole or before and inserted.above_the_closing(sitting, target, text)
    if _stands_there(sitting, target.first, text, before):
        return Refusal(f"There is a {' '.join(bare_mark(text))} there already.")
    if not before and (closed := _other_stop(sitting, target.first, text)):
        return closed
    wrote = insert_beside(sitting, target.first, text, before, whole, alike=whole)
    if mark and not before:
        wrote = replace(wrote, sitting=goes_on_behind(sitting, wrote.sitting, wrote.range))
    return Done(wrote.sitting, f"put {quoted(wrote.text)} {side} {where}")


def _stands_there(sitting: Sitting, r: Range, text: tuple[str, ...], before: bool) -> bool:
    """Whether the mark that is asked for is right there: "it needs a comma after friends"."""
    mark = mark_named(bare_mark(text))
    block = sitting.document.blocks[(r.start if before else r.end).block].text
    there = block[: r.start.offset].rstrip() if before else block[r.end.offset :].lstrip()
    return mark is not None and (there.endswith if before else there.startswith)(mark.text)


def _other_stop(sitting: Sitting, r: Range, text: tuple[str, ...]) -> Done | None:
    """ "End the first paragraph with a question mark": it takes the place of the mark there is."""
    mark = mark_named(bare_mark(text))
    closed = mark_behind(sitting, r.end)
    if mark is None or mark.text not in CLOSING or closed.empty:
        return None
    old = sitting.document.text(closed)
    wrote = replace_range(sitting, closed, text)
    after = goes_on_behind(sitting, wrote.sitting, wrote.range, old)
    both = mark.text in ENDING and old in ENDING
    said = f"it ends in {quoted(wrote.text)} now"
    return Done(after, said if both else f"{quoted(old)} is {quoted(wrote.text)} now")


def _beside_ways(side: str, *others: Way) -> tuple[Way, ...]:
    """How words are asked for on one side of a target, and how on this side alone."""
    there = f"<exactly> <{side}>"
    return (
        Way(
            "(insert | add | write | type) [(the word | the words)] {text:words}"
            f" {there} {{target}}",
            when=inserted.plain_words,
        ),
        Way(
            f"<put> [(the word | the words)] {{text:words}} {there} {{target}}",
            when=inserted.new_words,
        ),
        Way(
            "(pop | stick | slip | squeeze | slot | put | get | bung | shove)"
            f" [(the word | the words)] {{text:words}} in {there} {{target}}",
            when=inserted.plain_words,
        ),
        Way(
            f"<{side}> {{target}} [you] (insert | put [in] | add | write [in] | type | say)"
            " {text}",
            when=inserted.not_a_sentence,
        ),
        Way(
            f"<{side}> {{target}} [you] (add | say | write | put | mention) that {{text}}",
            when=inserted.a_told_clause,
        ),
        Way(
            f"<{side}> {{target}} [you] (add | write | put | insert) {{text}}",
            when=inserted.a_closed_clause,
        ),
        Way(
            f"(add | say | write | mention) that {{text:words}} {there} {{target}}",
            when=inserted.a_told_clause,
        ),
        Way(
            f"(there is | there's) (a | an) [(word | the word)] {{text:words}} (missing | left out)"
            f" {there} {{target}}",
            when=inserted.a_word_of_the_text,
        ),
        Way(
            f"there <shall> be [a | an] {{text:words}} {there} {{target}}",
            when=inserted.no_part_of_a_table,
        ),
        Way(
            f"{there} {{target}} (it | that) <shall> (say | read | have) {{text:words}}",
            when=inserted.plain_words,
        ),
        Way(
            f"{there} {{target}} there <shall> be [a | an] {{text:words}}",
            when=inserted.quoted_and_short,
        ),
        Way(
            "(put | pop | stick | write | add | squeeze | slip | slot) in {text:words}"
            f" {there} {{target}}",
            when=inserted.not_in_a_time,
        ),
        Way(
            "{text:words} (goes | belongs | <shall> (go | come | stand | be))"
            f" {there} {{target}}",
            when=inserted.a_word_of_the_text,
        ),
        Way(f"<wish> {{text:words}} {there} {{target}}", when=inserted.wished),
        Way(
            f"[a] {{text:words}} [is] (missing | left out | needed | wanted) {there} {{target}}",
            when=inserted.a_mark_left_out,
        ),
        *each(
            inserted.left_out,
            "(i | we | you) [have] (forgot | missed | left out | missed out | forgot to put)"
            f" [(the word | the words)] {{text:words}} {there} {{target}}",
            f"{{text:words}} (is | was) (missing | left out | missed out) {there} {{target}}",
            f"<go> {there} {{target}} and (write | put | say | type | insert | add) {{text}}",
            f"(drop | work | fit) [(the word | the words)] {{text:words}} in {there} {{target}}",
        ),
        Way(
            f"(it | there | that) <shall> (say | read | have) {{text:words}} {there} {{target}}",
            when=inserted.plain_words,
        ),
        Way(
            f"<{side}> {{target}} (i want | i'd like | i would like | i need) to (say | write | put"
            " | add) {text}",
            when=inserted.quoted_or_part,
        ),
        Way(
            f"<{side}> {{target}} (i want | i'd like | i would like) {{text}}",
            when=inserted.not_a_sentence,
        ),
        Way(
            f"{{target}} (needs | wants | <shall> have) [a | an] {{text:words}} <{side}> it",
            when=inserted.no_furniture,
        ),
        Way(
            "[(a | the | another)] {text:words} [(goes | belongs | should go | comes)]"
            f" <{side}> {{target}}",
            when=inserted.a_mark_here,
        ),
        Way(
            "((i | you | we) [have] (forgot | left out | missed | missed out) | i (want | need)"
            " | needs | we need | there is"
            " | there's | (it | that) (needs | wants | <shall> have | could do with))"
            f" (a | the | another) {{text:words}} [missing] <{side}> {{target}}",
            when=inserted.a_mark,
        ),
        *others,
        Way(f"[just] say {{text:words}} {there} {{target}}", when=inserted.beside_a_run),
        Way(f"<put> <{side}> {{target}} the (word | words) {{text}}", when=inserted.plain_words),
        Way(
            f"{there} {{target}} (insert | put | add | write) {{text}}",
            when=inserted.not_a_sentence,
        ),
        Way(f"(insert | add) <{side}> {{target}} {{text}}", when=inserted.not_a_sentence),
    )


@command(
    *_beside_ways(
        "ahead_of", Way("(prefix | precede) {target} with {text}", when=inserted.quoted_or_part)
    ),
    example="insert old before the ferry",
    group="revising",
    when=inserted.not_there_yet,
)
def insert_before(sitting: Sitting, text: tuple[str, ...], target: Places) -> Done | Refusal:
    """Put words in before a target.  The writing place stays where it is."""
    return _beside(sitting, target, text, before=True)


@command(
    *_beside_ways(
        "behind",
        Way("{target} (needs | wants | could do with) (a | an) {text}", when=inserted.a_mark),
        Way(
            "(tack | add | stick | put | append) {text:words} on <exactly> <behind> {target}",
            when=inserted.plain_words,
        ),
        Way("<behind> {target} (comes | goes | should come) {text}", when=inserted.a_word_or_two),
        Way("{target} <shall> be followed by {text}", when=inserted.quoted_words),
        Way("follow {target} with {text}", when=inserted.quoted_or_part),
    ),
    example="insert every day after the ferry",
    group="revising",
    when=inserted.not_there_yet,
)
def insert_after(sitting: Sitting, text: tuple[str, ...], target: Places) -> Done | Refusal:
    """Put words in after a target.  The writing place stays where it is."""
    return _beside(sitting, target, text, before=False)


def _selected(sitting: Sitting) -> Places:
    """What is selected, as the sentence that it is, or as words."""
    held = sitting.selection
    assert held is not None
    whole = held in units.in_block(sitting.document, held.start.block, "sentence")
    return Places((held,), unit=Unit.SENTENCE if whole else None)


CATALOGUE.table("inner", {"the <finish>": False, "the <beginning>": True})
CATALOGUE.table("in_front", {"in front": True, "behind": False}, heard=False)
CATALOGUE.table("joining", {"append": False, "prepend": True})
CATALOGUE.table("opening", {"(end | finish)": False, "(start | begin)": True})


CATALOGUE.table(
    "of_it",
    {
        "the [very] (start | beginning | top | front)": True,
        "the [very] (end | bottom | close)": False,
    },
    heard=False,
)


@command(
    Way(
        "(insert | add | write | type) {text:words} (at | to | on | in) {inner} of {target}",
        when=inserted.in_prose,
    ),
    Way("<put> {text:words} (at | to | on | in) {inner} of {target}", when=inserted.new_in_prose),
    *each(
        inserted.in_prose,
        "(at | to | on) {inner} of {target} (insert | put | add | write) {text}",
        "(insert | put | add | write) (at | to | on) {inner} of {target} {text}",
    ),
    Way(
        "(in | to | on) {target} (insert | put | add | write) {text:words} (at | to | on)"
        " {inner:of_it}",
        when=inserted.in_prose,
    ),
    Way(
        "{target} <shall> (say | read | have) {text:words} (at | to | on) {inner:of_it}",
        when=inserted.in_prose,
    ),
    Way(
        "<put> (a | an | the | another) {text:words} (at | on | to) {inner} of {target}",
        when=inserted.a_mark,
    ),
    Way("{inner:joining} {text:words} to {target}", when=inserted.plain_words),
    Way("[a | an | the] {text:words} (at | on) {inner} of {target}", when=inserted.a_mark),
    Way("(add | give) (a | an | the) {text:words} to {target}", when=inserted.a_mark),
    Way(
        "(tack | append | stick) {text:words} (on to | onto | on at | to) {inner} of {target}",
        when=inserted.in_prose,
    ),
    Way(
        "{target} (add | put | write) (at | on | to) {inner:of_it} {text}",
        when=inserted.at_an_end_of_it,
    ),
    Way("(add | put | write) {text:words} to {target}", when=inserted.in_prose),
    Way("(add | put) {text:words} in {target:heading_part}", when=inserted.in_a_heading),
    Way("{target} <shall> {inner:opening} with {text}", when=inserted.in_prose),
    Way(
        "{target} <shall> {inner:opening} (with | in) [(a | an)] {text}",
        when=inserted.a_mark_of_words,
    ),
    Way("{inner:opening} {target} with {text}", when=inserted.in_prose),
    Way("{inner:opening} {target:that_alone} with {text}", when=inserted.in_what_was_revised),
    example="add every day at the end of the first paragraph",
    group="revising",
)
def insert_inside(
    sitting: Sitting, text: tuple[str, ...], target: Places, inner: bool = False
) -> Done | Refusal:
    """Put words in at the start or end of a paragraph or sentence.  The writing place stays."""
    if target.unit is None and sitting.selection is not None and target.first == sitting.selection:
        target = _selected(sitting)
    target = to_write_in(sitting.document, target)
    if not inner and inserted.goes_on_with(text, target.unit):
        target = Places(tuple(without_stop(sitting.document, r, ()) for r in target.ranges))
    text = inserted.closed(text, target.unit)
    return _beside(sitting, replace(target, unit=None), text, before=inner)


@command(
    "(insert | type | <go_on>) [(something | words | text)]"
    " <exactly> <ahead_of> {target}",
    "(add | put | say) (something | words | text) <exactly> <ahead_of> {target}",
    "(add | put | insert | write | i need | we need | i want) (a | another | one more | an extra"
    " | a new | a further) sentence <exactly> <ahead_of> {target}",
    "(add | write | put | insert | type) [(a bit | some)] (something | more | text | words)"
    " (at | to) the [very] (start | beginning) of {target}",
    example="insert before the last sentence", group="revising")  # fmt: skip
def write_before(sitting: Sitting, target: Places) -> Done:
    """The next thing you say goes in before a target; then writing goes on where it stopped."""
    after = replace(sitting.about(()), insertion=target.first.start)
    where = named(sitting.document, target.ranges[:1])
    return Done(after, f"the next words go before {where}")


@command(
    "(insert | type | <go_on>) [(something | words | text)]"
    " <exactly> <behind> {target}",
    Way("<go_on> (below | under | underneath | beneath) {target}", when=names_a_part),
    "(add | put | say) (something | words | text) <exactly> <behind> {target}",
    "(add | put | insert | write | i need | we need | i want) (a | another | one more | an extra"
    " | a new | a further) sentence <exactly> <behind> {target}",
    "(add | write | put | insert | type) [(a bit | some)] (something | more | text | words)"
    " (at | to) the [very] (end | close) of {target}",
    example="insert after the last sentence", group="revising")  # fmt: skip
def write_after(sitting: Sitting, target: Places) -> Done:
    """The next thing you say goes in after a target; then writing goes on where it stopped."""
    after = replace(sitting.about(()), insertion=target.first.end)
    where = named(sitting.document, target.ranges[:1])
    return Done(after, f"the next words go after {where}")


def _heads_the_letter(document: Document, text: Sequence[str]) -> bool:
    """ "Private and confidential", put at the top of a letter, is a line above its greeting."""
    few = len(text) <= _LONGEST_HEAD and (VERBS | AUXILIARIES | SUBJECT_PRONOUNS).isdisjoint(text)
    return few and greeting(document) is not None


_LONGEST_HEAD = 5


@command(
    Way(
        "(add | write | put | insert) {text:words} at the [very] {edge:docedge}",
        when=inserted.says_no_thing,
    ),
    Way("put in {text:words} at the [very] {edge:docedge}", when=inserted.says_no_thing),
    "at the [very] {edge:docedge} (add | write | put | insert) {text}",
    Way(
        "(add | write | put | insert | type) (at | to) the [very] {edge:docedge} {text}",
        when=inserted.goes_on_alone,
    ),
    Way("{text:words} (at | on) the [very] {edge:docedge}", when=inserted.a_mark),
    Way(
        "(add | write | put | insert) [(a | an | the)] {text:words} (to | on) the [very]"
        " {edge:docedge}",
        when=inserted.a_mark,
    ),
    example="add with kind regards at the end of the letter",
    group="revising",
    heard=2,
)
def at_edge(
    sitting: Sitting, text: tuple[str, ...], edge: str = "end", again: bool | None = None
) -> Done:
    """Write words at the very start or end of the text; of two stops there, the new one stays."""
    document = sitting.document
    mark = mark_named(tuple(bare_mark(text)))
    closes = mark is not None or tuple(text) in CLOSINGS or text[0] == "ps"
    at = document.end if closes and edge == "end" else letter_edge(document, edge)
    words = text[:-1] if text[-1:] == ("instead",) else text
    stands = places(document, words) if len(words) > 1 else []
    if again is None and len(stands) == 1:
        # Somebody who says words that stand there may want them moved.
        ways = (("move it", False), ("write it again", True))
        options = tuple(Option(label, (("again", other),)) for label, other in ways)
        asked = Question("inserting.at_edge", {"text": words, "edge": edge}, options)
        said = f"{quoted(document.text(stands[0]))} stands there already: say a number"
        return Done(replace(sitting, question=asked), said)
    if again is False:
        sitting = remove(sitting, stands)
        document, text = sitting.document, words
        at = letter_edge(document, edge)
    last = document.blocks[-1].text.rstrip()
    if edge == "end" and mark is not None and mark.text in _STOPS and last[-1:] in _STOPS:
        all_of_it = Range(document.whole.start, Position(at.block, len(last)))
        return ended_with(sitting, all_of_it, bare_mark(text), mark.text)
    if edge == "start" and mark is None and _heads_the_letter(document, text):
        top = units.block_range(document, int(document.blocks[0].kind is Kind.HEADING))
        wrote = insert_beside(sitting, top, text, True, True)
        return Done(wrote.sitting, f"put {quoted(wrote.text)} at the start")
    if at > document.whole.start and edge == "start" and VERBS & set(text) and mark is None:
        text = (*text, "full", "stop")  # a sentence of its own, below the greeting
    wrote = compose(replace(sitting.about(()), insertion=at), bare_mark(text))
    after = replace(wrote.sitting, insertion=None)
    if edge == "end" and sitting.caret == at:
        after = replace(after, caret=after.document.end)
    return Done(after, f"put {quoted(wrote.text)} at the {edge}")


@command(
    *each(
        inserted.in_what_is_selected,
        "{inner:opening} {target:that_alone} with {text:words}",
        "<put> {text:words} (at | on | to) {inner:of_it}",
        "<put> {text:words} {inner:in_front}",
    ),
    Way(
        "<put> {text:words} (at | on | to) {inner} of {target:that_alone}",
        when=inserted.at_an_edge_of_that,
    ),
    Way(
        "(add | put in) {text:words} [(to | onto) {target:that_alone}]",
        when=inserted.goes_on_with_that,
    ),
    example="put luckily in front",
    group="revising",
    heard=0,
)
def insert_at_its_edge(
    sitting: Sitting, text: tuple[str, ...], target: Places | None = None, inner: bool = False
) -> Done | Refusal:
    """Put words in at the start or end of what is selected, or was just said."""
    if sitting.selection is None and not inner:
        own = next(units.backward(sitting.document, "sentence", sitting.writing_place), None)
        if own is None:
            return Refusal("There is no sentence before the writing place.")
        return _beside(
            sitting, Places((without_stop(sitting.document, own, ()),)), text, before=False
        )
    return insert_inside(sitting, text, target or _selected(sitting), inner)


@command(
    Way(
        "[it <shall>] (end | finish | close) [(it | that | this)] (with | on) [(a | an)] {text}",
        when=inserted.a_mark,
    ),
    example="end it with a question mark",
    group="revising",
    heard=0,
)
def end_with(sitting: Sitting, text: tuple[str, ...]) -> Done:
    """Put a mark at the end of what is selected, else of the text."""
    mark = mark_named(tuple(bare_mark(text)))
    if mark is None or sitting.selection is None or not sitting.fresh:
        return at_edge(sitting, text)
    return ended_with(sitting, sitting.selection, bare_mark(text), mark.text)


def ended_with(sitting: Sitting, held: Range, words: Sequence[str], mark: str) -> Done:
    """A stretch of text with a mark at its end; of two stops there, the new one stays."""
    there = sitting.document.text(held)[-1:]
    if there == mark:
        return Done(sitting, f"it ends with {quoted(mark)} already")
    start = held.end._replace(offset=held.end.offset - 1)
    over = there in _STOPS and mark in _STOPS and held.end.offset > 0
    wrote = replace_range(sitting, Range(start if over else held.end, held.end), words)
    return Done(wrote.sitting, f"it ends with {quoted(mark)} now")


_STOPS = tuple(".!?,;:")
_OWN_LINE = "(its own line | a line of its own | a (new | separate | fresh) line | the next line)"


@command("(new line | line break) {side:beside} {target}",
         "(put | insert | add) a (new line | line break) {side:beside} {target}",
         "{side:beside} {target} (start | begin | put | insert | add | make) (a | the) (new line |"
         " line break)",
         f"(put | move | have | start | begin | write) {{target}} on {_OWN_LINE}",
         f"<wish> {{target}} on {_OWN_LINE}",
         f"{{target}} <shall> (be | go | stand | start | begin) on {_OWN_LINE}",
         "(give {target} | {target} (needs | wants)) (its own line | a line of its own)",
         Way("[and] on (its own line | a line (of its own | by itself) | a separate line)",
             when=just_made),
         example="new line after the first sentence", group="revising")  # fmt: skip
def line_beside(
    sitting: Sitting, target: Places | None = None, side: str = "before"
) -> Done | Refusal:
    """Break the line before or after a target, or before what was just written."""
    if target is None:
        target = Places(sitting.that)
    at = target.first.start if side == "before" else target.first.end
    text = sitting.document.blocks[at.block].text
    if side == "after":  # the mark that closes the words stays with them
        at = at._replace(offset=len(text) - len(text[at.offset :].lstrip(".,;:?!)]}’”")))
    left, right = text[: at.offset].rstrip(" "), text[at.offset :].lstrip(" ")
    if left.endswith("\n") or right.startswith("\n") or side == "before" and not left:
        return Refusal("A line begins there already.")
    broken = Splice(at.block, len(left), len(text) - len(right), Piece("\n"))
    where = named(sitting.document, target.ranges[:1])
    return Done(sitting.edited(Edit((broken,))), f"new line {side} {where}")


def gap_between(document: Document, a: Sequence[Range], b: Sequence[Range]) -> Range | None:
    """Where one range stands right before another, with marks between them at most."""
    for x in a:
        for y in b:
            if x.end.block == y.start.block and x.end <= y.start:
                gap = Range(x.end, y.start)
                if not any(c.isalnum() for c in document.text(gap)):
                    return gap
            items = document.blocks[y.end.block].kind is Kind.ITEM and y.start.offset == 0
            if items and x.end.block + 1 == y.start.block:
                return Range(x.end, y.start)
    return None


def side_by_side(sitting: Sitting, parse: Parse) -> bool:
    """ "Between two and slates" names a place of the page; "between the boat and the bell" is one
    of the island."""
    a, b = parse.args.get("a"), parse.args.get("b")
    if not isinstance(a, Words) or not isinstance(b, Words):
        return of_the_page(a) and of_the_page(b)
    document = sitting.document
    return gap_between(document, places(document, a.words), places(document, b.words)) is not None


@command(
    "<put> {text:words} between {a:target} and {b:target}",
    Way("<put> {text:words} between {a:item_number} and {b:item_number}", when=numbers_items),
    "between {a:target} and {b:target} (insert | put | add | write | type) {text}",
    "<go> between {a:target} and {b:target}",
    example="put old between the and boat",
    group="revising",
    every_place=True,
    when=side_by_side,
)
def between(
    sitting: Sitting, a: Places, b: Places, text: tuple[str, ...] | None = None
) -> Done | Refusal:
    """Put words between two others, or write there."""
    gap = gap_between(sitting.document, a.ranges, b.ranges)
    if gap is None:
        return Refusal("They do not stand side by side.", "", "Say one: “after ...”.")
    if text is not None and (mark := mark_named(bare_mark(text))) and mark.spacing is Spacing.JOIN:
        wrote = replace_range(sitting, gap, bare_mark(text))
        return Done(wrote.sitting, f"put {quoted(wrote.text)} between")
    if text is not None:
        behind = next(r for r in a.ranges if r.end == gap.start)
        return insert_after(sitting, text, replace(a, ranges=(behind,)))
    return Done(sitting.placed(gap.start), f"before {quoted(sitting.document.text(b.first))}")
