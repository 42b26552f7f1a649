"""A paragraph parted at its sentences, to be items of a list."""

from __future__ import annotations

from dataclasses import replace
from itertools import pairwise, takewhile

from nimble_lantern.core.composing.placing import keeps_capital
from nimble_lantern.core.document import broken, units
from nimble_lantern.core.document.breaths import breaths
from nimble_lantern.core.document.edits import Edit, Splice, Split
from nimble_lantern.core.document.model import Document, Kind, Piece, Position, Range
from nimble_lantern.core.lexicon.closed import AUXILIARIES, SUBJECT_PRONOUNS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Places, Unit


def as_items(
    sitting: Sitting, target: Places | None, here: Range, parted: bool
) -> tuple[Sitting, Places | None]:
    """What is to be items, with the paragraphs that they are made of: sentences where they are
    meant or a paragraph is parted, and lines where it has some.  Without a target, what is here."""
    if target is not None and (parted or target.unit is Unit.SENTENCE):
        return at_its_sentences(sitting, target)
    if target is not None and (own := in_sentences(sitting, target)) is not None:
        return at_its_sentences(sitting, own)  # "make that a list", of the last sentence
    if target is not None and target.unit is Unit.LINE:
        after, made = at_its_lines(sitting, target)
        plain = [r for r in made.ranges if not units.is_a_heading(after.document, r)]
        return after, replace(made, ranges=tuple(plain or made.ranges))
    told = here if target is None else target.first
    several = target is not None and len(target.ranges) > 1
    lines = None if several or told.start.block != told.end.block else told.start.block
    if lines is None:
        return sitting, target
    return _at_its_lines(sitting, lines) or _at_its_breaths(sitting, lines) or (sitting, target)


def in_sentences(sitting: Sitting, target: Places) -> Places | None:
    """The sentences that a target is, with their stops, where they are less than all of a paragraph
    without breaks; None for others."""
    r, document = target.first, sitting.document
    text = document.blocks[r.end.block].text
    if text[r.end.offset : r.end.offset + 1] in (".", "!", "?"):
        r = Range(r.start, r.end._replace(offset=r.end.offset + 1))
    own = units.in_block(document, r.start.block, "sentence")
    whole = r.start in {s.start for s in own} and r.end in {s.end for s in own}
    less = r != units.block_range(document, r.start.block)
    closed = document.text(r).rstrip()[-1:] in (".", "!", "?")
    single = target.unit is None and len(target.ranges) == 1 and "\n" not in text
    return replace(target, ranges=(r,)) if whole and less and closed and single else None


def at_its_lines(sitting: Sitting, target: Places) -> tuple[Sitting, Places]:
    """With the lines that are meant in blocks of their own, and those as the target; as it was
    where no break parts them from others."""
    document, steps = sitting.document, list[Splice | Split]()
    meant = {line for r in target.ranges for line in broken.within(document, r)}
    for b in sorted({line.start.block for line in meant}, reverse=True):
        found, block = broken.lines(document, b), document.blocks[b]
        if len(found) < 2 or block.cell:
            continue
        for one, other in pairwise(reversed(found)):
            if one in meant or other in meant:
                at = other.end.offset
                steps += (Splice(b, at, at + 1, Piece("")), Split(b, at, block.format))
    if not steps:
        return sitting, target
    edit = Edit(tuple(steps))
    after = sitting.edited(edit)
    made = [moved for line in sorted(meant) if (moved := edit.moved_range(line))]
    return after, Places(tuple(made), unit=Unit.PARAGRAPH)


def _at_its_lines(sitting: Sitting, b: int) -> tuple[Sitting, Places] | None:
    """With each line of a paragraph in one of its own; None where it has but one."""
    block = sitting.document.blocks[b]
    if block.kind is not Kind.PARAGRAPH or block.cell or "\n" not in block.text:
        return None
    whole = Places((units.block_range(sitting.document, b),), unit=Unit.LINE)
    return at_its_lines(sitting, whole)


def _names_said(document: Document, b: int) -> list[Range]:
    """What was said in so many breaths at the end of a paragraph that are things and no sentences:
    "milk", "two lemons"; fewer than two are none."""
    block = document.blocks[b]
    if block.kind is not Kind.PARAGRAPH or block.cell is not None:
        return []
    found: list[Range] = []
    for r in reversed(breaths(document, b)):
        text = document.text(r).strip()
        if not text or text[-1] in _MARKS or not _names_a_thing(text.lower().split()):
            break
        found.insert(0, r)
    return found if len(found) > 1 else []


def _names_a_thing(words: list[str]) -> bool:
    return len(words) <= _LONGEST_THING and _TELLING.isdisjoint(words)


_MARKS, _LONGEST_THING = ".?!:,;", 5
_TELLING = AUXILIARIES | SUBJECT_PRONOUNS


def _at_its_breaths(sitting: Sitting, b: int) -> tuple[Sitting, Places] | None:
    """With each thing that was said by itself at the end of a paragraph in one of its own."""
    document, block = sitting.document, sitting.document.blocks[b]
    found = _names_said(document, b)
    if not found:
        return None
    cuts = [r.start.offset for r in found if r.start.offset]
    steps: list[Splice | Split] = []
    for at in reversed(cuts):
        gap = at - (block.text[at - 1] == " ")
        steps += (Splice(b, gap, at, Piece("")), Split(b, gap, block.format))
    begun = block.text[found[0].start.offset :].split(" ", 1)[0]
    small = all(document.text(r)[:1].islower() for r in found[1:])
    if small and begun[:1].isupper() and not keeps_capital(sitting, begun):
        at = found[0].start.offset  # its capital only began a sentence
        piece = block.piece(at, at + 1)
        steps.insert(0, Splice(b, at, at + 1, Piece(piece.text.lower(), piece.spans)))
    after = sitting.edited(Edit(tuple(steps)))
    last = b + len(cuts)
    made = (units.block_range(after.document, n) for n in range(last - len(found) + 1, last + 1))
    return after, Places(tuple(made), unit=Unit.PARAGRAPH)


def apart(sitting: Sitting, target: Places) -> tuple[Sitting, Places]:
    """The same of what is less than its paragraph; a whole one stays one."""
    wholes = (units.block_range(sitting.document, r.start.block) for r in target.ranges)
    less = all(r.start.block == r.end.block and r != whole
               for r, whole in zip(target.ranges, wholes, strict=True))  # fmt: skip
    return at_its_sentences(sitting, target) if less else (sitting, target)


def at_its_sentences(sitting: Sitting, target: Places) -> tuple[Sitting, Places]:
    """With each sentence of one paragraph, or those that are meant, in a paragraph of its own, and
    those as the target; as it was where several paragraphs are meant."""
    b = target.first.start.block
    block, found = sitting.document.blocks[b], units.in_block(sitting.document, b, "sentence")
    inside = all(r.start.block == r.end.block == b for r in target.ranges)
    meant = [
        i for i, one in enumerate(found)
        if any(r.start <= one.start and one.end <= r.end for r in target.ranges)
    ]  # fmt: skip
    if block.kind is not Kind.PARAGRAPH or len(found) < 2 or not inside or not meant:
        return sitting, target
    cuts = [i for i in range(len(found) - 1) if i in meant or i + 1 in meant]
    steps: list[Splice | Split] = []
    for i in reversed(cuts):
        gap = found[i].end.offset, found[i + 1].start.offset
        steps += (Splice(b, *gap, Piece("")), Split(b, gap[0], block.format))
    after = sitting.edited(Edit(tuple(steps)))
    made = tuple(units.block_range(after.document, b + sum(c < i for c in cuts)) for i in meant)
    return after, Places(made, unit=Unit.PARAGRAPH)


_LONGEST_LINE = 8


def lines_above(sitting: Sitting) -> tuple[Range, ...]:
    """The short paragraphs that end here and were said one after another, none of them a sentence:
    what "those" are, that shall be a list."""
    blocks, b = sitting.document.blocks, sitting.caret.block
    found: list[Range] = []
    while b >= 0 and blocks[b].kind is Kind.PARAGRAPH and blocks[b].cell is None:
        text = blocks[b].text.strip()
        if not text or text[-1] in ".?!:," or len(text.split()) > _LONGEST_LINE:
            break
        found.insert(0, units.block_range(sitting.document, b))
        b -= 1
    return tuple(found)


def sentences_above(sitting: Sitting) -> Range | None:
    """The sentences that were said one after another at the end of the paragraph here, each in a
    breath of its own; None where they are fewer than two."""
    document, place = sitting.document, sitting.caret
    block = document.blocks[place.block]
    if block.kind is not Kind.PARAGRAPH or block.cell or place.offset != len(block.text):
        return None
    said: list[Range] = []
    for r in reversed(breaths(document, place.block)):
        if document.text(r).rstrip()[-1:] not in tuple(".?!"):
            break
        said.insert(0, r)
    return Range(said[0].start, said[-1].end) if len(said) > 1 else None


def several_lines(sitting: Sitting) -> bool:
    """Whether "those" are more than what was said last."""
    above = len(lines_above(sitting)) > 1 or sentences_above(sitting) is not None
    return sitting.selection is None and above


def below_a_heading(document: Document, target: Places | None) -> Places | None:
    """The list below a heading, where that is named for it: "number what you need"."""
    named = target is not None and target.unit is None
    if target is None or not named or not units.is_a_heading(document, target.first):
        return target
    first = target.first.start.block + 1
    items = list(takewhile(lambda b: b.kind is Kind.ITEM, document.blocks[first:]))
    if not items:
        return target
    end = Position(first + len(items) - 1, len(items[-1].text))
    return replace(target, ranges=(Range(Position(first, 0), end),), unit=Unit.LIST)
