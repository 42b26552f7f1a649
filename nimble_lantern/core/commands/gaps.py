"""Lines that are left empty: before, after and between parts of a page, or to sign on."""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.commands.when import begins_a_line, beside_a_line, names_a_block
from nimble_lantern.core.commands.wording import many, named
from nimble_lantern.core.composing.emptying import (
    Empty,
    beside,
    empty_lines,
    left_here,
    too_many,
    without,
)
from nimble_lantern.core.document import broken
from nimble_lantern.core.document.edits import AddBlocks, Edit, Splice
from nimble_lantern.core.document.model import Block, Format, Kind, Piece, Range
from nimble_lantern.core.document.tables import outside
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import OfLetter, Places, That
from nimble_lantern.core.targets.resolve import resolve

_PUT = "(put | add | insert | make | leave | have | i want | i'd like)"
_EMPTY = "(blank | empty | clear | free | spare)"
_SPACE = f"[{_EMPTY}] (space | gap | room)"
_TO_SIGN = 3
_TO_SIGN_ON = (
    "(for (a | the | my | our) (signature | signatures) | to sign [(it | my name | on | in)])"
)


def _left_empty(sitting: Sitting, index: int, number: int) -> Sitting:
    blocks = (Block().formatted(Format()),) * number
    return sitting.edited(Edit((AddBlocks(outside(sitting.document.blocks, index), blocks),)))


def _a_line(sitting: Sitting, parse: Parse) -> bool:
    """A part, or words that a line of the text begins with, and no cell of a table."""
    if isinstance(parse.args["target"], That):
        return any(begins_a_line(sitting, r) for r in sitting.that[:1])
    if not beside_a_line(sitting, parse):
        return False
    found = resolve(parse.args["target"], sitting)
    cells = isinstance(found, Places) and any(
        sitting.document.blocks[r.start.block].cell for r in found.ranges
    )
    return names_a_block(sitting, parse) or not cells


def _lines(number: int) -> str:
    return "an empty line" if number == 1 else many(number, "empty line")


@command(
    f"{_PUT} {{number}} [{_EMPTY}] lines {{side:beside}} {{target}}",
    f"{{number}} {_EMPTY} lines {{side:beside}} {{target}}",
    f"(a | an | one) {_EMPTY} line {{side:beside}} {{target}}",
    f"{_PUT} (a | an | one) [{_EMPTY}] line {_EMPTY} {{side:beside}} {{target}}",
    f"{_PUT} {{number}} lines {_EMPTY} {{side:beside}} {{target}}",
    f"{_PUT} (a | an | one | some | more) {_SPACE} {{side:beside}} {{target}}",
    f"{_PUT} (a | an | one | an extra) {_EMPTY} line {{side:beside}} {{target}}",
    "leave (a | some | more) (line | space | gap | room) {side:beside} {target}",
    example="leave three lines above my name",
    group="format",
    heard=0,
    when=_a_line,
)
def room_beside(sitting: Sitting, side: str, target: Places, number: int = 1) -> Done | Refusal:
    """Leave one or more lines empty above or below a part, or a line that begins so."""
    if refused := too_many(number):
        return refused
    before = side == "before"
    after = sitting
    for r in reversed(target.ranges):
        after = _left_beside(after, r, before, number)
    where = named(sitting.document, target.ranges)
    return Done(after, f"{_lines(number)} {side} {where}")


def _left_beside(sitting: Sitting, r: Range, before: bool, number: int) -> Sitting:
    """Lines left empty beside a range; inside the block where its lines, or items, go on there."""
    blocks, at = sitting.document.blocks, r.start if before else r.end
    line = broken.around(sitting.document, Range(at, at))
    edge = line.start if before else line.end
    inside = edge.offset > 0 if before else edge.offset < len(blocks[at.block].text)
    first, second = (at.block - 1, at.block) if before else (at.block, at.block + 1)
    items = [b.kind is Kind.ITEM for b in blocks[max(first, 0) : second + 1]]
    if not inside and items == [True, True]:
        edge, inside = block_range(sitting.document, first).end, True
    if inside:
        step = Splice(edge.block, edge.offset, edge.offset, Piece("\n" * number))
        return sitting.edited(Edit((step,)))
    return _left_empty(sitting, second, number)


def _two_parts(sitting: Sitting, parse: Parse) -> bool:
    """Parts of the page, the second right below the first."""
    found = [resolve(parse.args[slot], sitting) for slot in ("a", "b")]
    if not all(isinstance(part, Places) for part in found):
        return False
    first, second = (part.ranges for part in found if isinstance(part, Places))
    between = sitting.document.blocks[first[-1].end.block + 1 : second[0].start.block]
    below = first[-1].end.block < second[0].start.block
    return below and not any(block.text.strip() for block in between)


def _a_pair(sitting: Sitting, parse: Parse) -> bool:
    """ "Between the last two paragraphs"."""
    found = resolve(parse.args["target"], sitting)
    return names_a_block(sitting, parse) and isinstance(found, Places) and len(_held(found)) > 1


def _held(places: Places) -> list[int]:
    return [b for r in places.ranges for b in range(r.start.block, r.end.block + 1)]


@command(
    Way(
        f"{_PUT} (a | an | one) {_EMPTY} line [in] between {{a:target}} and {{b:target}}",
        when=_two_parts,
    ),
    Way(
        f"{_PUT} (a | an | some | more) {_SPACE} [in] between {{a:target}} and {{b:target}}",
        when=_two_parts,
    ),
    Way(
        f"{_PUT} {{number}} [{_EMPTY}] lines [in] between {{a:target}} and {{b:target}}",
        when=_two_parts,
    ),
    example="leave a blank line between the address and the date",
    group="format",
    heard=0,
)
def between(sitting: Sitting, a: Places, b: Places, number: int = 1) -> Done | Refusal:
    """Leave one or more lines empty between two parts that follow each other."""
    return room_beside(sitting, "before", b, number)


@command(
    Way(f"{_PUT} (a | an | one) {_EMPTY} line [in] between {{target}}", when=_a_pair),
    Way(f"{_PUT} a [{_EMPTY}] (gap | room) [in] between {{target}}", when=_a_pair),
    example="leave a blank line between the last two paragraphs",
    group="format",
    heard=0,
)
def between_all(sitting: Sitting, target: Places) -> Done:
    """Leave a line empty between parts that follow each other."""
    held, after = _held(target), sitting
    for b in reversed(held[1:]):
        after = _left_empty(after, b, 1)
    return Done(after, f"{_lines(len(held) - 1)} between them")


def _to_sign(sitting: Sitting) -> Range | None:
    """The name below the closing words of a letter."""
    found = resolve(OfLetter("signature"), sitting)
    return found.first if isinstance(found, Places) else None


@command(
    f"(leave | put | make | add | i need) [(a | some | enough)] {_SPACE} {_TO_SIGN_ON}",
    f"(leave | put | make | add | i need) {{number}} [{_EMPTY}] lines [{_EMPTY}] {_TO_SIGN_ON}",
    f"(leave | put | make | add) (me | us) [(a | some)] {_SPACE} {_TO_SIGN_ON}",
    f"(leave | put | make | add) [(a | some)] {_SPACE} above my name {_TO_SIGN_ON}",
    f"(leave | put | add) {{number}} [{_EMPTY}] lines above my name {_TO_SIGN_ON}",
    example="leave room for my signature",
    group="format",
    heard=0,
)
def room_to_sign(sitting: Sitting, number: int = _TO_SIGN) -> Done | Refusal:
    """Leave lines empty above the name that ends a letter, or here where there is none yet."""
    name = _to_sign(sitting)
    if refused := too_many(number):
        return refused
    if name is None or name.start.offset:
        return Done(left_here(sitting, number), f"left {many(number, 'line')} empty")
    return room_beside(sitting, "before", Places((name,)), number)


def _without(sitting: Sitting, empty: Sequence[Empty]) -> Done | Refusal:
    if not empty:
        return Refusal("No line is empty there.")
    return Done(without(sitting, empty), f"took out {_lines(len(empty))}")


def _beside_empty_lines(sitting: Sitting, parse: Parse) -> bool:
    found = resolve(parse.args["target"], sitting)
    return isinstance(found, Places) and bool(_empty_by(sitting, found, parse.args["side"]))


def _empty_by(sitting: Sitting, target: Places, side: str) -> list[Empty]:
    """The empty lines right above or below a part."""
    before = side == "before"
    return beside(sitting, target.ranges[0] if before else target.ranges[-1], before)


@command(
    f"<remove> [(all | every)] [of] [the] {_EMPTY} (lines | line | paragraphs)",
    f"(close up | close) [(all | every)] [of] [the] {_EMPTY} (lines | gaps)",
    f"[i want | i'd like] no {_EMPTY} lines [anywhere]",
    f"no (space | spaces | gap | gaps | {_EMPTY} lines) between (the | my) paragraphs",
    example="take out the blank lines",
    group="format",
    heard=0,
)
def close_all(sitting: Sitting) -> Done | Refusal:
    """Take out every empty line."""
    return _without(sitting, empty_lines(sitting))


@command(
    f"<remove> [all] [of] [the] {_EMPTY} (line | lines | space) {{side:beside}} {{target}}",
    "<remove> [all] [of] the (space | gap | room) {side:beside} {target}",
    f"[i want | i'd like] no {_EMPTY} (line | lines) {{side:beside}} {{target}}",
    example="take out the blank line above my name",
    group="format",
    heard=0,
    when=_beside_empty_lines,
)
def close_beside(sitting: Sitting, side: str, target: Places) -> Done | Refusal:
    """Take out the empty lines right above or below a part."""
    return _without(sitting, _empty_by(sitting, target, side))
