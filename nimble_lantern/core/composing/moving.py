"""Pieces pasted, and moved from one place to another."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.composing.carrying import carried
from nimble_lantern.core.composing.placing import Wrote, keeps_capital, trimmed
from nimble_lantern.core.composing.removing import remove
from nimble_lantern.core.document import broken
from nimble_lantern.core.document.clauses import with_link
from nimble_lantern.core.document.edits import (
    AddBlocks,
    Edit,
    Splice,
    insert,
)
from nimble_lantern.core.document.model import (
    Block,
    Document,
    Format,
    Kind,
    Piece,
    Position,
    Range,
)
from nimble_lantern.core.document.tables import as_pasted, outside
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.letter import foot, greeting
from nimble_lantern.core.targets.model import Places, Unit
from nimble_lantern.core.writing.cardinals import in_words


def paste_at(
    sitting: Sitting,
    at: Position,
    pieces: Sequence[tuple[Piece, Format]],
    block: bool = False,
    line: bool = False,
) -> Wrote:
    """Put cut or copied pieces in; with the spaces that their neighbours ask for.

    As blocks of their own, or as a line of its own of the block there, if that is asked for.
    """
    document = sitting.document
    text = document.blocks[at.block].text
    pieces = as_pasted(document, pieces)
    if line and len(pieces) == 1:
        return _paste_line(sitting, at, pieces[0])
    if document.blocks[at.block].cell:
        pieces, block = [(_one(pieces), Format())], False
    first, last = pieces[0], pieces[-1]
    left, right = text[: at.offset], text[at.offset :]
    many = len(pieces) > 1 or block
    if first[1].cell or last[1].cell:
        return _paste_blocks(sitting, at.block + bool(at.offset or not text), pieces)
    if many and at.offset in (0, len(text)) and text:
        index = at.block if at.offset == 0 else at.block + 1
        return _paste_blocks(sitting, index, pieces)
    lead = " " if left and not left.endswith((" ", "\n", "(", "“", "‘")) else ""
    if first[0].text[:1] in (" ", ",", ".", ";", ":", "?", "!", ")"):
        lead = ""
    tail = " " if right and right[0].isalnum() and not last[0].text.endswith(" ") else ""
    if len(pieces) == 1:
        whole = Piece(lead).joined(first[0]).joined(Piece(tail))
        edit = insert(at, [(whole, first[1])])
        end = Position(at.block, at.offset + len(lead) + len(first[0].text))
    else:
        edit = insert(at, pieces)
        end = Position(at.block + len(pieces) - 1, len(last[0].text))
    after = sitting.edited(edit)
    r = trimmed(after.document, Range(Position(at.block, at.offset + len(lead)), end))
    return Wrote(after.about([r]), after.document.text(r), r)


def _paste_line(sitting: Sitting, at: Position, piece: tuple[Piece, Format]) -> Wrote:
    """Put a line in before the line that begins at a place, or behind the one that ends there."""
    text, new = sitting.document.blocks[at.block].text, piece[0]
    ends = at.offset == len(text) or text[at.offset] == "\n"
    lead = 1 if ends and text else 0
    whole = Piece("\n").joined(new) if lead else new.joined(Piece("\n")) if text else new
    after = sitting.edited(insert(at, [(whole, piece[1])]))
    start = at._replace(offset=at.offset + lead)
    r = Range(start, start._replace(offset=start.offset + len(new.text)))
    return Wrote(after.about([r]), new.text, r)


def as_a_line(document: Document, source: Range, at: Position) -> bool:
    """Whether lines of a block stay lines at a place: at the edge of one there."""
    text = document.blocks[at.block].text
    edge = at.offset in (0, len(text)) or "\n" in text[at.offset - 1 : at.offset + 1]
    return edge and "\n" in text and broken.parted(document, source)


def _paste_blocks(sitting: Sitting, index: int, pieces: Sequence[tuple[Piece, Format]]) -> Wrote:
    """Put pieces in as blocks of their own, before block `index`."""
    index = outside(sitting.document.blocks, index)
    blocks = tuple(Block(p.text, p.spans).formatted(f) for p, f in pieces)
    after = sitting.edited(Edit((AddBlocks(index, blocks),)))
    end = Position(index + len(pieces) - 1, len(pieces[-1][0].text))
    r = Range(Position(index, 0), end)
    return Wrote(after.about([r]), after.document.text(r), r)


def _one(pieces: Sequence[tuple[Piece, Format]]) -> Piece:
    """Pieces as one, for a cell: a line break between them."""
    made = pieces[0][0]
    for piece, _ in pieces[1:]:
        made = made.joined(Piece("\n")).joined(piece)
    return made


def relocate(
    sitting: Sitting, source: Range, at: Position, block: bool, clause: bool = False
) -> Wrote:
    """Take a range out and put it in at `at`, a place outside it.

    A `clause` leaves behind nothing that linked it.
    """
    pieces = sitting.document.pieces(source)
    line = as_a_line(sitting.document, source, at)
    parted = broken.parted(sitting.document, source)
    gone = with_link(sitting.document, source) if clause else source
    bare = remove(sitting, [gone], blocks=block or parted, begin=clause)
    edit = Edit(bare.pending.steps[len(sitting.pending.steps) :])
    goal = edit.settled(sitting.document, at)
    wrote = paste_at(bare, goal, pieces, block or parted, line)
    begins = _begins(wrote, pieces[0][0].text)
    return replace(wrote, sitting=carried(sitting.document, source, wrote.sitting, begins))


def within_its_sentence(sitting: Sitting, source: Range, first: bool) -> Wrote | None:
    """Move words to the start of their sentence, or before the stop that ends it, and the capital
    with which it begins to the word that does so then; None if they are there."""
    block = sitting.document.blocks[source.start.block]
    found = [(a, b) for a, b in block.sentences if a <= source.start.offset < b]
    start, end = found[0] if found else (0, len(block.text))
    text = block.text[start:end].rstrip()
    end = start + len(text.rstrip(".?!…"))
    there = source.start.offset == start if first else source.end.offset >= end
    if there or source.end.offset > start + len(text):
        return None
    led = source.start.offset == start
    wrote = relocate(sitting, source, source.start._replace(offset=start if first else end), False)
    moved = wrote.range
    upper, lower = (moved.start.offset, moved.end.offset + 1) if first else (start, None)
    if led and not first:
        lower = moved.start.offset
    elif not first:
        return wrote
    edit = Edit(_recased(wrote.sitting, moved.start.block, upper, lower))
    return replace(wrote, sitting=wrote.sitting.edited(edit).about([moved]))


def _recased(sitting: Sitting, b: int, upper: int, lower: int | None) -> tuple[Splice, ...]:
    """A capital at one place of a block, and a small letter at another, unless that is a name's."""
    block, made = sitting.document.blocks[b], list[Splice]()
    word = next((block.text[s:e] for s, e in block.words if s == lower), "")
    for at, letter in ((upper, block.text[upper : upper + 1].upper()), (lower, word[:1].lower())):
        if at is None or not letter or at == lower and keeps_capital(sitting, word):
            continue
        made.append(Splice(b, at, at + 1, Piece(letter, block.piece(at, at + 1).spans)))
    return tuple(made)


def _begins(wrote: Wrote, text: str) -> Position:
    """Where words that were put in begin, with the spaces before them."""
    start = wrote.range.start
    led = len(text) - len(text.lstrip())
    there = wrote.sitting.document.blocks[start.block].text
    return (
        start
        if there.startswith(text, start.offset)
        else start._replace(offset=max(0, start.offset - led))
    )


WHOLE = (Unit.PARAGRAPH, Unit.HEADING, Unit.ITEM, Unit.LIST, Unit.SECTION)


def apart_from(target: Places) -> Refusal | None:
    """Refuses stretches in several places that are no whole lines: the first alone is not meant."""
    if len(target.ranges) < 2 or target.unit in WHOLE:
        return None
    return Refusal(
        f"Those stand in {in_words(len(target.ranges))} places.", "", "Name one of them."
    )


def stands_alone(document: Document, target: Places) -> bool:
    """Whether what is moved is a paragraph or more, or a line that is all of one."""
    b = target.first.start.block
    line = target.unit is Unit.LINE and document.blocks[b].kind is Kind.PARAGRAPH
    return target.unit in WHOLE or line and target.first == block_range(document, b)


def two_lines(document: Document, source: Range, goal: Range, before: bool) -> bool:
    """Whether all of one paragraph goes before words that another begins with, or after its last:
    "move ellis marsh above yours sincerely"."""
    b, there = source.start.block, goal.start.block if before else goal.end.block
    if source != block_range(document, b) or b == there:
        return False
    edge = goal.start.offset == 0 if before else goal.end == block_range(document, there).end
    kinds = {document.blocks[n].kind for n in (b, there)}
    return edge and kinds == {Kind.PARAGRAPH}


def round_the_text(document: Document, source: Range, goal: Range) -> bool:
    """Whether a sentence goes beside the greeting of a letter or what is below its text: it is no
    part of that."""
    around = [part for part in (greeting(document), foot(document)) if part is not None]
    there = any(part.start <= goal.start and goal.end <= part.end for part in around)
    closed = document.text(source).rstrip()[-1:] in (".", "!", "?")
    return there and closed and not any(part.start <= source.start < part.end for part in around)


def in_the_body(sitting: Sitting, source: Range, at: Position) -> Position:
    """ "Put the last sentence first" makes it no part of the title, nor of a letter's greeting, and
    "move it to the end" no part of the name below it."""
    signed = foot(sitting.document)
    if signed is not None and at == sitting.document.end and source.end <= signed.start:
        above = signed.start.block - 1
        if signed.start.offset == 0 and above >= 0:
            return block_range(sitting.document, above).end
        return at
    blocks = sitting.document.blocks
    greets = greeting(sitting.document)
    headed = blocks[0].kind is Kind.HEADING
    if greets is not None and greets.start.block < source.start.block and at == Position(0, 0):
        return Position(greets.start.block + 1, 0)
    titled = at == Position(0, 0) and headed and source.start.block > 0
    level = blocks[source.start.block].format.level or 0
    if titled and blocks[source.start.block].kind is Kind.HEADING:
        # A section goes before the first one below the title.
        first = (b for b in range(1, len(blocks)) if blocks[b].kind is Kind.HEADING)
        return Position(next(first), 0) if level > (blocks[0].format.level or 0) else at
    below = (b for b, block in enumerate(blocks) if block.kind is Kind.PARAGRAPH and block.text)
    return Position(next(below, 0), 0) if titled else at
