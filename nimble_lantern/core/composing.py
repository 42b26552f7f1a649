"""Writing into the document: at the writing place, in place of words, beside them, out of it."""

from __future__ import annotations

import re
from collections.abc import Collection, Iterable, Sequence
from dataclasses import dataclass, replace
from functools import partial

from nimble_lantern.core.document.edits import (
    AddBlocks,
    DropBlocks,
    Edit,
    Reformat,
    Splice,
    delete,
    in_turn,
    insert,
)
from nimble_lantern.core.document.model import (
    Block,
    Bullets,
    Document,
    Format,
    Kind,
    Piece,
    Position,
    Range,
)
from nimble_lantern.core.document.tables import as_pasted, outside
from nimble_lantern.core.lexicon.sentences import COMMON_OPENINGS, CONTINUES, NEEDS_COMMA
from nimble_lantern.core.origins import of_utterance
from nimble_lantern.core.state import Marks, Sitting, WrittenChoice
from nimble_lantern.core.writing.capitals import starts_sentence
from nimble_lantern.core.writing.lexer import Manner, mark_named
from nimble_lantern.core.writing.masking import masked
from nimble_lantern.core.writing.writer import Break, Place, Written, write

_CONTEXT = 240
_ARTICLES = ("the", "a", "an")
_ARTICLE = re.compile(r"\b(?:the|an?) $", re.I)
LONG_PAUSE = 2.5
"""Seconds of silence after which a new utterance never goes on with the sentence before."""


@dataclass(frozen=True, slots=True)
class Wrote:
    """What writing did: the next sitting, the text, and where it stands."""

    sitting: Sitting
    text: str
    range: Range


def place_at(document: Document, p: Position, end: Position | None = None) -> Place:
    """What stands round a position, or round a stretch that is to be replaced."""
    block = document.blocks[p.block]
    after = end or p
    right = document.blocks[after.block].text[after.offset : after.offset + 8]
    return Place(block.text[max(0, p.offset - _CONTEXT) : p.offset], right, block.kind)


def manner_of(sitting: Sitting, left: str) -> Manner:
    settings = sitting.settings
    return Manner(
        settings.dialect,
        settings.numbers,
        (sitting.names.follow(sitting.document.blocks),),
        tuple(left.lower().split()[-2:]),
        masked if settings.masking else None,
    )


def compose(
    sitting: Sitting, words: Sequence[str], pauses: frozenset[int] = frozenset(), pause: float = 0.0
) -> Wrote:
    """Write dictated words where they belong: over the fresh selection, else the writing place.

    `pauses` are the counts of words after which the speaker paused, `pause` the seconds before.
    """
    if sitting.selection and sitting.fresh and not sitting.selection.empty:
        return replace_range(sitting, sitting.selection, words)
    if sitting.settings.auto_punctuation and words and sitting.insertion is None:
        return _compose_marked(sitting, words, pauses, pause)
    return _composed(sitting, words, None, continues=False)


def _compose_marked(
    sitting: Sitting, words: Sequence[str], pauses: frozenset[int], pause: float
) -> Wrote:
    """With automatic punctuation; a stop put too early is taken back when the sentence goes on."""
    block = sitting.document.blocks[sitting.caret.block]
    left = block.text[: sitting.caret.offset]
    open_end = not block.text[sitting.caret.offset :].strip()
    stopped = sitting.stopped == sitting.caret and left.endswith(".")
    if stopped and words[0] in CONTINUES and pause < LONG_PAUSE:
        end = Position(sitting.caret.block, len(left) - 1)
        mark = Piece("," if words[0] in NEEDS_COMMA else "")
        edit = Edit((Splice(end.block, end.offset, len(left), mark),))
        sitting = sitting.edited(edit)
        return _composed(sitting, words, pauses if open_end else None, continues=True)
    going_on = bool(left.strip()) and not starts_sentence(left)
    return _composed(sitting, words, pauses if open_end else None, continues=going_on)


def _composed(
    sitting: Sitting, words: Sequence[str], pauses: frozenset[int] | None, continues: bool
) -> Wrote:
    at = sitting.insertion if sitting.insertion is not None else sitting.caret
    place = replace(place_at(sitting.document, at), capitals=sitting.capitals, continues=continues)
    written = write(words, place, manner_of(sitting, place.left), pauses)
    wrote = _put(replace(sitting, selection=None, fresh=False), at, written, sitting.typing)
    after = replace(wrote.sitting, capitals=written.capitals, insertion=None)
    if pauses is not None:
        after = replace(after, stopped=after.caret)
    if sitting.insertion is None:
        after = replace(after, wrote=after.caret)
    return replace(wrote, sitting=after)


def _put(sitting: Sitting, at: Position, written: Written, marks: Marks) -> Wrote:
    """Put written parts in at `at`; `that` becomes what was written."""
    document = sitting.document
    block = document.blocks[at.block]
    edit = Edit()
    if written.trim:
        edit = Edit((Splice(at.block, at.offset - written.trim, at.offset, Piece()),))
        at = Position(at.block, at.offset - written.trim)
    inherited = _inherited(block, at.offset, marks)
    before = block.marks_at(at.offset - 1) if at.offset else ()
    if block.cell:
        written = _in_a_cell(written)
    pieces, shapes = _pieces(written, block, inherited, {(s.mark, s.value) for s in before})
    if shapes is not None:
        edit = edit.then(Edit((Reformat(at.block, shapes),)))
    edit = edit.then(insert(at, pieces))
    length = len(pieces[-1][0].text)
    base = at.offset if len(pieces) == 1 else 0
    end = Position(at.block + len(pieces) - 1, base + length)
    # What stands exactly at the place moves behind the new text, the writing place too.
    after = sitting.edited(edit)
    r = trimmed(after.document, Range(at, end))
    choices = _choices(written, pieces, at, after.document)
    after = replace(_said_now(after, r), choices=choices).about([r])
    return Wrote(after, after.document.text(r), r)


def _in_a_cell(written: Written) -> Written:
    """A cell is one block: what would begin another is a line break there."""
    parts: list[str | Break] = []
    for part in written.parts:
        text = "\n" if isinstance(part, Break) else part
        if parts and isinstance(parts[-1], str):
            parts[-1] += text
        else:
            parts.append(text)
    whole = len(parts) == len(written.parts)
    return replace(written, parts=tuple(parts), choices=written.choices if whole else ())


def _said_now(sitting: Sitting, r: Range) -> Sitting:
    """With what stands at a range known to come from this utterance."""
    return sitting.edited(of_utterance(sitting.document, r, sitting.number))


def _inherited(block: Block, offset: int, marks: Marks) -> Marks:
    """The marks in whose midst new text stands, and those switched on."""
    before = {(s.mark, s.value) for s in block.marks_at(offset - 1)} if offset else set()
    after = {(s.mark, s.value) for s in block.marks_at(offset)}
    return (*marks, *sorted(before & after - set(marks), key=str))


def _pieces(
    written: Written, block: Block, marks: Marks, before: Collection[tuple[str, str | None]]
) -> tuple[list[tuple[Piece, Format]], Format | None]:
    """Texts with the formats of their blocks; and the first block's new format, if it has one."""
    pieces: list[tuple[Piece, Format]] = [(Piece(), block.format)]
    reshaped: Format | None = None
    form = block.format
    for part in written.parts:
        if isinstance(part, Break):
            form = _form_after(part.kind, form)
            fresh = not pieces[-1][0].text and part.kind not in ("paragraph", "item")
            empty_first = len(pieces) == 1 and not block.text
            if fresh and (len(pieces) > 1 or empty_first):
                pieces[-1] = (pieces[-1][0], form)
                reshaped = form if len(pieces) == 1 else reshaped
                continue
            pieces.append((Piece(), form))
        else:
            # The space in front is marked only where the text before it is.
            bare = len(part) - len(part.lstrip(" "))
            space = Piece(part[:bare]).marked(m for m in marks if m in before)
            pieces[-1] = (
                pieces[-1][0].joined(space.joined(Piece(part[bare:]).marked(marks))),
                form,
            )
    return pieces, reshaped


def _form_after(kind: str, form: Format) -> Format:
    """The format of the block that a break begins."""
    if kind == "paragraph":
        return (
            form if form.kind is Kind.QUOTATION else Format(align=form.align, spacing=form.spacing)
        )
    if kind == "item":
        return form if form.kind is Kind.ITEM else Format(Kind.ITEM, 1, Bullets.BULLETED)
    if kind in ("bulleted", "numbered"):
        level = form.level if form.kind is Kind.ITEM and form.level else 1
        return Format(Kind.ITEM, level, Bullets(kind))
    if kind.startswith("heading"):
        return Format(Kind.HEADING, int(kind[-1]))
    return Format()


def _choices(
    written: Written, pieces: Sequence[tuple[Piece, Format]], at: Position, document: Document
) -> tuple[WrittenChoice, ...]:
    """Where each number and mark stands now.  A part is one text between two breaks."""
    blocks: dict[int, int] = {}
    number, started = 0, False
    for index, part in enumerate(written.parts):
        if isinstance(part, Break):
            skip = len(pieces) < sum(isinstance(p, Break) for p in written.parts) + 1
            number += 0 if skip and not started else 1
        else:
            started = True
        blocks[index] = min(number, len(pieces) - 1)
    found = []
    for choice in written.choices:
        b = blocks.get(choice.part, 0)
        base = at.offset if b == 0 else 0
        start = Position(at.block + b, base + choice.start)
        end = Position(at.block + b, base + choice.end)
        if document.contains(end):
            found.append(WrittenChoice(Range(start, end), choice))
    return tuple(found)


def trimmed(document: Document, r: Range) -> Range:
    """A range without the spaces and empty blocks at its ends."""
    (b1, o1), (b2, o2) = r
    while b1 < b2 and not document.blocks[b1].text[o1:].strip():
        b1, o1 = b1 + 1, 0
    text = document.blocks[b1].text
    limit = o2 if b1 == b2 else len(text)
    while o1 < limit and text[o1] in " \n":
        o1 += 1
    text = document.blocks[b2].text
    floor = o1 if b1 == b2 else 0
    while o2 > floor and text[o2 - 1] in " \n":
        o2 -= 1
    return Range(Position(b1, o1), Position(b2, o2))


_STOPS = (("full", "stop"), ("period",), ("question", "mark"), ("exclamation", "mark"))


def without_stop(document: Document, r: Range, words: Sequence[str]) -> Range:
    """A sentence without its closing mark, which stays unless the new words bring their own."""
    closed = document.text(r)[-1:] in (".", "?", "!")
    if not closed or any(tuple(words[-len(stop) :]) == stop for stop in _STOPS):
        return r
    return Range(r.start, r.end._replace(offset=r.end.offset - 1))


def bare_mark(words: Sequence[str]) -> Sequence[str]:
    """ "a comma" put in or in the place of something is the mark."""
    if len(words) > 1 and words[0] in ("a", "an", "the") and mark_named(words[1:]):
        return words[1:]
    return words


def replace_range(sitting: Sitting, r: Range, words: Sequence[str]) -> Wrote:
    """Words in place of a range, with the marks that all of it had."""
    words = bare_mark(words)
    block = sitting.document.blocks[r.start.block]
    marks: Marks = ()
    if r.start.block == r.end.block and r.start < r.end:
        covering = (s for s in block.spans if s.start <= r.start.offset and s.end >= r.end.offset)
        marks = tuple((s.mark, s.value) for s in covering)
    place = place_at(sitting.document, r.start, r.end)
    if len(words) > 1 and words[0] in _ARTICLES and (article := _ARTICLE.search(place.left)):
        # The new article takes the old one's place: "replace the last cat with a dog".
        start = r.start.offset - len(article[0])
        r = Range(Position(r.start.block, start), r.end)
        place = place_at(sitting.document, r.start, r.end)
    old = sitting.document.text(r)
    if old[:1].islower():
        place = replace(place, continues=True)  # a small letter stays one: in a list, say
    written = write(words, place, manner_of(sitting, place.left))
    if len(written.parts) == 1 and isinstance(written.parts[0], str) and not written.trim:
        return _swap(sitting, r, written, marks)
    bare = sitting.edited(delete(sitting.document, r))
    return _put(replace(bare, selection=None, fresh=False), r.start, written, marks)


def _swap(sitting: Sitting, r: Range, written: Written, marks: Marks) -> Wrote:
    """One text for one range: positions at its edges stay at its edges."""
    edit = Edit()
    text = written.text
    if r.start.block != r.end.block:
        edit = delete(sitting.document, r)
        edit = edit.then(insert(r.start, [(Piece(text).marked(marks), Format())]))
    else:
        b, start, end = r.start.block, r.start.offset, r.end.offset
        edit = Edit((Splice(b, start, end, Piece(text).marked(marks)),))
    end_at = Position(r.start.block, r.start.offset + len(text))
    at_caret = sitting.caret
    after = sitting.edited(edit)
    if at_caret == r.end and r.start.block != r.end.block:
        after = replace(after, caret=end_at)
    found = trimmed(after.document, Range(r.start, end_at))
    choices = _choices(written, [(Piece(text), Format())], r.start, after.document)
    after = replace(_said_now(after, found), choices=choices).about([found])
    return Wrote(after, after.document.text(found), found)


def tidy(document: Document, r: Range) -> Range:
    """A range to be deleted, with the one space that would otherwise be left over."""
    (b1, o1), (b2, o2) = r
    left, right = document.blocks[b1].text[:o1], document.blocks[b2].text[o2:]
    begins = not left.strip() or left.rstrip()[-1] in ".!?"
    if begins and right[:1] in tuple(".!?") and document.blocks[b1].text[o1 : o1 + 1].isalnum():
        # All the words of a sentence go: so does its stop.
        return tidy(document, Range(r.start, Position(b2, o2 + 1)))
    closes = not right or right[0] in " \n,.;:!?)]}’”…"
    if left.endswith(" ") and closes:
        return Range(Position(b1, o1 - 1), r.end)
    if (not left or left.endswith(("\n", "(", "[", "“", "‘"))) and right.startswith(" "):
        return Range(r.start, Position(b2, o2 + 1))
    return r


def remove(sitting: Sitting, ranges: Iterable[Range], blocks: bool = False) -> Sitting:
    """Delete ranges and tidy the spaces; with `blocks`, whole blocks go with their text."""
    removals = (
        partial(_removal, r=r, blocks=blocks, caret=sitting.caret.block)
        for r in sorted(ranges, reverse=True)
    )
    after = sitting.edited(in_turn(sitting.document, removals))
    return replace(after, that=(), selection=None, fresh=False)


def _removal(document: Document, r: Range, blocks: bool, caret: int) -> Edit:
    """`caret` is the block where the writing goes on: it stays, if empty, a place to write."""
    (b1, o1), (b2, o2) = r
    whole = o1 == 0 and o2 == len(document.blocks[b2].text)
    if not whole:
        return delete(document, tidy(document, r))
    count = b2 - b1 + 1
    plain_last = document.blocks[b1].kind == "paragraph" and not blocks
    if any(block.cell for block in document.blocks[b1 : b2 + 1]):
        return delete(document, r)
    if count == len(document.blocks):
        edit = delete(document, r)
        return edit.then(Edit((Reformat(0, Format()),)))
    if plain_last and b1 <= caret <= b2:
        return delete(document, r)
    return Edit((DropBlocks(b1, count),))


def insert_beside(
    sitting: Sitting, r: Range, words: Sequence[str], before: bool, block: bool
) -> Wrote:
    """Words before or after a range; beside a whole block, as a block of their own."""
    words = bare_mark(words)
    document = sitting.document
    if block:
        return _insert_block(sitting, r, words, before)
    at = r.start if before else r.end
    place = place_at(document, at)
    written = write(words, place, manner_of(sitting, place.left))
    edit = _lowered(document, r) if before else Edit()
    bare = sitting.edited(edit)
    caret_there = sitting.caret == at
    wrote = _put(replace(bare, selection=None, fresh=False), at, written, ())
    if caret_there and not before:
        return replace(wrote, sitting=replace(wrote.sitting, caret=wrote.range.end))
    return wrote


def _lowered(document: Document, r: Range) -> Edit:
    """A capital that only marked the sentence's start goes when words come before it."""
    block = document.blocks[r.start.block]
    starts = {start for start, _ in block.sentences}
    start = r.start.offset
    word = next((block.text[s:e] for s, e in block.words if s == start), "")
    if start not in starts or word.lower() not in COMMON_OPENINGS or word == "I":
        return Edit()
    piece = block.piece(start, start + 1)
    return Edit((Splice(r.start.block, start, start + 1, Piece(piece.text.lower(), piece.spans)),))


def _insert_block(sitting: Sitting, r: Range, words: Sequence[str], before: bool) -> Wrote:
    index = outside(sitting.document.blocks, r.start.block if before else r.end.block + 1)
    like = sitting.document.blocks[r.start.block]
    form = like.format if like.kind in ("item", "quotation") else Format()
    added = sitting.edited(Edit((AddBlocks(index, (Block().formatted(form),)),)))
    at = Position(index, 0)
    written = write(words, place_at(added.document, at), manner_of(sitting, ""))
    return _put(replace(added, selection=None, fresh=False), at, written, ())


def replace_many(
    sitting: Sitting, ranges: Sequence[Range], words: Sequence[str]
) -> tuple[Sitting, str]:
    """The same words in place of many ranges, as one edit; each written as its place asks."""
    steps: list[Splice] = []
    kept: dict[tuple[str, str], str] = {}
    written = ""
    shifts: dict[int, int] = {}
    where: list[Range] = []
    manner = manner_of(sitting, "")
    for r in ranges:
        (b, start), (_, end) = r
        block = sitting.document.blocks[b]
        place = place_at(sitting.document, r.start, r.end)
        # Only the last few characters to the left decide spacing and capitals.
        key = (place.left[-12:], place.right)
        if key not in kept:
            kept[key] = write(words, place, manner).text
        written = kept[key]
        covering = (s for s in block.spans if s.start <= start and s.end >= end)
        piece = Piece(written).marked((s.mark, s.value) for s in covering)
        shift = shifts.get(b, 0)
        steps.append(Splice(b, start + shift, end + shift, piece))
        where.append(Range(Position(b, start + shift), Position(b, start + shift + len(written))))
        shifts[b] = shift + len(written) - (end - start)
    after = sitting.edited(Edit(tuple(steps)))
    return after.about(where), written


def paste_at(
    sitting: Sitting, at: Position, pieces: Sequence[tuple[Piece, Format]], block: bool = False
) -> Wrote:
    """Put cut or copied pieces in; with the spaces that their neighbours ask for."""
    document = sitting.document
    text = document.blocks[at.block].text
    pieces = as_pasted(document, pieces)
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


def relocate(sitting: Sitting, source: Range, at: Position, block: bool) -> Wrote:
    """Take a range out and put it in at `at`, a place outside it."""
    pieces = sitting.document.pieces(source)
    bare = remove(sitting, [source], blocks=block)
    edit = Edit(bare.pending.steps[len(sitting.pending.steps) :])
    goal = edit.settled(sitting.document, at)
    return paste_at(bare, goal, pieces, block)
