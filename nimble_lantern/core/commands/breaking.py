"""One made several: "break the last sentence after quay", "split soap and tar into two items"."""

from __future__ import annotations

import re

from nimble_lantern.core.commands.when import just_dictated
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.composing.itemising import at_its_lines
from nimble_lantern.core.composing.joining import joined
from nimble_lantern.core.composing.starting import paragraph_at
from nimble_lantern.core.document import units
from nimble_lantern.core.document.edits import Edit, Splice, Split
from nimble_lantern.core.document.model import Kind, Piece, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, command, each
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, Unit, unit_named
from nimble_lantern.core.targets.resolve import resolve

_BETWEEN = " ,;:–—-"


def _a_sentence(sitting: Sitting, parse: Parse) -> bool:
    """A sentence is broken in two; a paragraph is split, which is another thing."""
    return unit_named(parse.args.get("whole")) in (Unit.SENTENCE, Unit.QUESTION)


def _sentences(sitting: Sitting, part: Range) -> list[Range]:
    """The sentences of a part, and of one just written the one before it in its paragraph too."""
    found = list(units.within(sitting.document, "sentence", part))
    before = [
        r for r in units.in_block(sitting.document, part.start.block, "sentence")
        if r.end <= part.start
    ]  # fmt: skip
    return [*before[-1:], *found] if len(found) == 1 else found


def _two_sentences(sitting: Sitting, parse: Parse) -> bool:
    """Whether what was just written, or a part that is named, can be two paragraphs."""
    target = parse.args.get("target")
    if target is not None:
        return unit_named(target) is Unit.PARAGRAPH
    return len(sitting.that) == 1 and len(_sentences(sitting, sitting.that[0])) > 1


def once_inside(sitting: Sitting, whole: Places, target: Places) -> Range | Refusal:
    """Where words stand in a part that is to be broken at them, if they stand in it once."""
    part = whole.first
    inside = [r for r in target.ranges if part.start <= r.start and r.end <= part.end]
    if len(inside) == 1:
        return inside[0]
    what = "does not stand there" if not inside else f"stands there {len(inside)} times"
    return Refusal(f"“{sitting.document.text(target.first)}” {what}.", "", "Say other words.")


@command(
    *each(
        _a_sentence,
        "(split | break | cut | divide | chop) {whole:target} [(up | in two | in half | into two)]"
        " (at | {side:beside}) {target}",
        "(make | turn) {whole:target} [into] two sentences (at | {side:beside}) {target}",
        "make two (sentences | of them | of it) (of | out of | from) {whole:target}"
        " (at | {side:beside}) {target}",
        "(end | finish | stop | close) {whole:target} {side:beside} {target}",
    ),
    example="make two sentences of the last sentence after lamp",
    group="revising",
    every_place=True,
)
def break_sentence(
    sitting: Sitting, whole: Places, target: Places, side: str = "before"
) -> Done | Refusal:
    """Make two sentences of one, before or after words that stand in it once."""
    inside = once_inside(sitting, whole, target)
    if isinstance(inside, Refusal):
        return inside
    part, at = whole.first, inside.end if side == "after" else inside.start
    text = sitting.document.blocks[at.block].text
    left = len(text[: at.offset].rstrip(_BETWEEN))
    right = len(text) - len(text[at.offset :].lstrip(_BETWEEN))
    if left <= part.start.offset or right >= part.end.offset or not text[right].isalnum():
        return Refusal("A sentence ends there already.", "", "Say words in the middle of it.")
    step = Splice(at.block, left, right + 1, Piece(f". {text[right].upper()}"))
    after = sitting.edited(Edit((step,)))
    start = Position(at.block, left + 2)
    longer = len(after.document.blocks[at.block].text) - len(text)
    end = part.end._replace(offset=part.end.offset + longer)
    found = next(units.within(after.document, "sentence", Range(start, end)), Range(start, end))
    return Done(after.about([found]), f"{quoted(after.document.text(found))} is a sentence")


def _within_a_sentence(sitting: Sitting, parse: Parse) -> bool:
    """Words that stand once, and are not all of a sentence."""
    found = resolve(parse.args["target"], sitting, near=False)
    if not isinstance(found, Places) or len(found.ranges) != 1 or found.unit is not None:
        return False
    r = found.first
    around = units.in_block(sitting.document, r.start.block, "sentence")
    if "side" in parse.args:
        return any(s.start <= r.start and r.end < s.end for s in around)
    return any(s.start < r.start and r.end <= s.end for s in around)


CATALOGUE.table("behind_it", {"(after | behind)": "after"}, heard=False)
_APART = "(a | its own | a new | a separate | an extra) [(separate | new | own)] sentence"


@command(
    *each(
        _within_a_sentence,
        "(start | begin | make) a [new | separate] sentence (at | with | from | before) {target}",
        "[a] new sentence (at | from | before) {target}",
        f"(make | put | turn) {{target}} [(in | into)] {_APART}",
        "(make | put | turn) {target} [(in | into)] a sentence of its own",
        f"{{target}} <shall> (be | start | begin) {_APART}",
        "(split | break) the sentence (at | before) {target}",
        "make two sentences (at | before) {target}",
        "(end | finish | stop | close | split | break) the sentence {side:behind_it} {target}",
    ),
    example="start a new sentence at but",
    group="revising",
    heard=0,
)
def begin_sentence(sitting: Sitting, target: Places, side: str = "before") -> Done | Refusal:
    """Make two sentences of one: the second begins with words that stand in it."""
    r = target.first
    around = units.in_block(sitting.document, r.start.block, "sentence")
    whole = next(s for s in around if s.start <= r.start and r.end <= s.end)
    return break_sentence(sitting, Places((whole,)), target, side)


@command(
    "(make | turn | split | break) (it | that | this | them | those | these) [up] [(in | into)]"
    " two paragraphs",
    "(make | turn) {target} [into] two paragraphs",
    example="make that two paragraphs",
    group="revising",
    when=_two_sentences,
    heard=0,
)
def two_paragraphs(sitting: Sitting, target: Places | None = None) -> Done | Refusal:
    """Make two paragraphs of one, or of what was just written: its last sentence begins one."""
    part = target.first if target is not None else sitting.that[0]
    sentences = _sentences(sitting, part)
    if len(sentences) != 2:
        return Refusal(
            f"That has {many(len(sentences), 'sentence')}.",
            "",
            "Say where: “new paragraph at ...”.",
        )
    after, fresh = paragraph_at(sitting, sentences[-1].start)
    return Done(after.about([fresh]), f"new paragraph at {quoted(after.document.text(fresh))}")


_EACH_LINE = "(each | every) line [(of | in) {target}]"
_A_PARAGRAPH = "(a | its own | a new | a separate | an own) paragraph"


def _parted(sitting: Sitting, parse: Parse) -> bool:
    """Lines that were broken by the speaker."""
    return any("\n" in block.text and not block.cell for block in sitting.document.blocks)


@command(
    f"(make | turn | put | start | begin | give) {_EACH_LINE} [(into | in | on)] {_A_PARAGRAPH}",
    f"{_EACH_LINE} <shall> (be | begin | start | have) [in] {_A_PARAGRAPH}",
    f"{_EACH_LINE} (in | as | into | on) {_A_PARAGRAPH}",
    "(make | turn | split | break) the lines [of {target}] [up] into [separate] paragraphs",
    heard=0,
    example="make each line a paragraph",
    group="revising",
    when=_parted,
)
def lines_apart(sitting: Sitting, target: Places | None = None) -> Done | Refusal:
    """Make paragraphs of the lines that breaks part one into: here, of a part, or of all."""
    document, here = sitting.document, sitting.writing_place.block
    if target is not None:
        inside = {b for r in target.ranges for b in range(r.start.block, r.end.block + 1)}
    else:
        alone = "\n" in document.blocks[here].text
        inside = {here} if alone else set(range(len(document.blocks)))
    every = [units.block_range(document, b) for b in inside]
    after, made = at_its_lines(sitting, Places(tuple(every), unit=Unit.LINE))
    if after.document is document:
        return Refusal("No line is broken there.", "", "“New paragraph at” a word begins one.")
    return Done(after.about(()), f"{many(len(made.ranges), 'line')}: each is a paragraph now")


CATALOGUE.table("broken_off", {"paragraph": False, "line": True}, heard=False)


def _just_broken(sitting: Sitting, parse: Parse) -> bool:
    """ "No new paragraph", right after one was begun, or words that began one."""
    last = sitting.trail[-1:]
    said = bool(last) and (just_dictated(sitting) or (last[0].command or "").startswith("writing."))
    return said and _break_before(sitting, bool(parse.args.get("line"))) is not None


def _break_before(sitting: Sitting, line: bool) -> Position | None:
    """The last break before the writing place: where a paragraph begins, or before a line does."""
    here = sitting.writing_place
    if line:
        at = sitting.document.blocks[here.block].text.rfind("\n", 0, here.offset)
        return Position(here.block, at) if at >= 0 else None
    kinds = [block.kind for block in sitting.document.blocks[max(here.block - 1, 0) :][:2]]
    return Position(here.block, 0) if here.block and kinds == [Kind.PARAGRAPH] * 2 else None


@command(
    "(no | not a | without (a | the) | take out the | undo the | <remove> the | i (don't | do not)"
    " want a) new {line:broken_off}",
    heard=0,
    example="no new paragraph",
    group="repair",
    in_text=True,
    when=_just_broken,
)
def no_break(sitting: Sitting, line: bool = False) -> Done | Refusal:
    """Take back the last paragraph or line that was begun: its words go on with those before."""
    at = _break_before(sitting, line)
    if at is None:
        return Refusal("Nothing was begun anew there.")
    if not line:
        after = joined(sitting, at.block - 1, at.block)
        return Done(after.about(()), "joined to the paragraph before")
    text = sitting.document.blocks[at.block].text
    gap = Piece(" " if text[at.offset + 1 :].strip() else "")
    step = Splice(at.block, at.offset, at.offset + 1, gap)
    return Done(sitting.edited(Edit((step,))).about(()), "joined to the line before")


_THINGS = "(items | entries | points | bullets | bullet points | jobs | things | rows | lines)"
_SEVERAL = f"[(two | three | four)] [(separate | different)] {_THINGS}"
_SO_MANY = f"((two | three | four) [(separate | different)] | separate | different) {_THINGS}"
_LINKS = re.compile(r",? and |, | & ", re.IGNORECASE)


@command(
    f"(split | break | separate | divide | part) {{target}} [up] (into | in | as) {_SEVERAL}",
    f"(split | break | divide) up {{target}} into {_SEVERAL}",
    f"(make | put | have | list) {{target}} [(as | into | on | onto)] {_SO_MANY}",
    f"{{target}} <shall> be {_SO_MANY}",
    example="split soap and string into two items",
    group="format",
    when=lambda sitting, parse: any(b.kind is Kind.ITEM for b in sitting.document.blocks),
    in_text=True,
)
def split_items(sitting: Sitting, target: Places) -> Done | Refusal:
    """Make several items of one that names several things."""
    part = target.first
    b, block = part.start.block, sitting.document.blocks[part.start.block]
    if block.kind is not Kind.ITEM or part.end.block != b:
        return Refusal("That is no item of a list.")
    links = [*_LINKS.finditer(block.text, part.start.offset, part.end.offset)]
    if not links:
        return Refusal("No “and” or comma stands there to part it at.", "", "“Split at” a word.")
    steps: list[Splice | Split] = []
    for link in reversed(links):
        first = block.piece(link.end(), min(link.end() + 1, len(block.text)))
        begin = first.text.upper() if block.text[0].isupper() else first.text
        steps += (
            Splice(b, link.start(), link.end() + len(first.text), Piece(begin, first.spans)),
            Split(b, link.start(), block.format),
        )
    after = sitting.edited(Edit(tuple(steps)))
    made = [units.block_range(after.document, b + n) for n in range(len(links) + 1)]
    return Done(after.about(made), f"{many(len(made), 'item')} of {quoted(block.text)}")
