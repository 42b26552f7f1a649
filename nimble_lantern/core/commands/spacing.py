"""The space between words: closed up, opened, or a hyphen in its place."""

from __future__ import annotations

import re

from nimble_lantern.core.commands.inserting import gap_between, side_by_side
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.document.edits import Edit, Splice
from nimble_lantern.core.document.model import Piece, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, command
from nimble_lantern.core.lexicon.closed import ARTICLES_AND_OWNERS
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, Words
from nimble_lantern.core.targets.resolve import resolve

_TAKE = "(<remove> | take out | close [up] | drop | lose)"
_MOST_WORDS = 3
_NOT_SIDE_BY_SIDE = Refusal("They do not stand side by side.", "", "Name words that do.")


def _several_words(sitting: Sitting, parse: Parse) -> bool:
    """ "Make tea tent one word", where those stand side by side; a sentence is none."""
    target = parse.args.get("target")
    if not isinstance(target, Words) or not 2 <= len(target.words) <= _MOST_WORDS:
        return False
    found = resolve(target, sitting)
    return isinstance(found, Places) and all(
        " " in sitting.document.text(r).strip() for r in found.ranges
    )


def _stands(sitting: Sitting, parse: Parse) -> bool:
    """Whether words of the page are named: "a space after the show" is of something else."""
    target = parse.args.get("target")
    if not isinstance(target, Words) or target.words[0] in ARTICLES_AND_OWNERS:
        return False
    return isinstance(resolve(target, sitting), Places)


def _written_over(sitting: Sitting, r: Range, sign: str) -> Sitting:
    """The spaces in a range of one block, each replaced by a sign, from the last to the first."""
    block = sitting.document.blocks[r.start.block]
    steps = [
        Splice(r.start.block, found.start(), found.end(), Piece(sign).marked(set(marks)))
        for found in re.finditer(r"\s+", block.text)
        if r.start.offset <= found.start() and found.end() <= r.end.offset
        for marks in [{(s.mark, s.value) for s in block.marks_at(found.start())}]
    ]
    after = sitting
    for step in reversed(steps):
        after = after.edited(Edit((step,)))
    return after


def _around(sitting: Sitting, gap: Range) -> Range:
    """A gap with the words on both its sides."""
    text, b = sitting.document.blocks[gap.start.block].text, gap.start.block
    start, end = gap.start.offset, gap.end.offset
    while start and text[start - 1].isalnum():
        start -= 1
    while end < len(text) and text[end].isalnum():
        end += 1
    return Range(Position(b, start), Position(b, end))


def _between(sitting: Sitting, a: Places, b: Places) -> Range | Refusal:
    gap = gap_between(sitting.document, a.ranges, b.ranges)
    return _NOT_SIDE_BY_SIDE if gap is None or gap.start.block != gap.end.block else gap


def _with(sitting: Sitting, sign: str, spaces: Range) -> Done:
    """Words with a sign, or with nothing, in the place of the spaces in a range."""
    whole, b = _around(sitting, spaces), spaces.start.block
    after = _written_over(sitting, spaces, sign)
    less = len(sitting.document.blocks[b].text) - len(after.document.blocks[b].text)
    made = Range(whole.start, whole.end._replace(offset=whole.end.offset - less))
    return Done(after.about((made,)), f"it is {quoted(after.document.text(made))} now")


@command(
    f"{_TAKE} the (space | gap) between {{a:target}} and {{b:target}}",
    "(take | get) the (space | gap) (out | away) [from] between {a:target} and {b:target}",
    "no (space | gap) between {a:target} and {b:target}",
    "(join | run | put | write) {a:target} and {b:target} (together as | into | as) one word",
    example="no space between boat and house",
    group="revising",
    heard=0,
    every_place=True,
    when=side_by_side,
)
def close_between(sitting: Sitting, a: Places, b: Places) -> Done | Refusal:
    """Write two words as one: the space between them goes."""
    gap = _between(sitting, a, b)
    return gap if isinstance(gap, Refusal) else _with(sitting, "", gap)


@command(
    "(make | write | put | turn | spell) {target} [(as | into | to)] (one | a single) word",
    "{target} <shall> be [written [as]] (one | a single) word",
    "close up {target}",
    "close {target} up",
    f"{_TAKE} the (space | gap) (in | out of | from) {{target}}",
    example="make boat house one word",
    group="revising",
    heard=0,
    when=_several_words,
)
def close(sitting: Sitting, target: Places) -> Done:
    """Write words as one: the spaces in them go."""
    return _with(sitting, "", target.first)


@command(
    "(hyphenate | hyphen) {target}",
    "(write | spell | put | make) {target} (with a hyphen | hyphenated)",
    "{target} <shall> be (hyphenated | written with a hyphen)",
    "{target} (needs | <shall> have | wants) a hyphen",
    "(put | add | insert) a hyphen (in | into) {target}",
    example="hyphenate boat house",
    group="revising",
    heard=0,
    when=_several_words,
)
def hyphenate(sitting: Sitting, target: Places) -> Done:
    """Write a hyphen in the place of the space between words."""
    return _with(sitting, "-", target.first)


def _opened(sitting: Sitting, at: Position) -> Done | Refusal:
    text = sitting.document.blocks[at.block].text
    if any(c.isspace() for c in text[max(0, at.offset - 1) : at.offset + 1]):
        return Refusal("A space stands there already.")
    after = sitting.edited(Edit((Splice(at.block, at.offset, at.offset, Piece(" ")),)))
    there = Range(at, at._replace(offset=at.offset + 1))
    return Done(after.about((there,)), "a space stands there now")


@command(
    "(<put> | leave) a (space | gap) between {a:target} and {b:target}",
    example="put a space between boat and house",
    group="revising",
    heard=0,
    every_place=True,
    when=side_by_side,
)
def open_between(sitting: Sitting, a: Places, b: Places) -> Done | Refusal:
    """Put a space between two words, where none stands."""
    gap = _between(sitting, a, b)
    return gap if isinstance(gap, Refusal) else _opened(sitting, gap.start)


@command(
    "<put> a space {side:beside} {target}",
    example="put a space after boat",
    group="revising",
    heard=0,
    when=_stands,
)
def open_beside(sitting: Sitting, target: Places, side: str) -> Done | Refusal:
    """Put a space beside words, where none stands."""
    return _opened(sitting, target.first.start if side == "before" else target.first.end)
