"""Words put before or after others."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.composing.articles import in_agreement
from nimble_lantern.core.composing.placing import (
    Wrote,
    keeps_capital,
    manner_for,
    manner_of,
    place_at,
    put,
)
from nimble_lantern.core.composing.replacing import AN_ARTICLE, bare_mark
from nimble_lantern.core.document import broken
from nimble_lantern.core.document.edits import (
    AddBlocks,
    Edit,
    Splice,
)
from nimble_lantern.core.document.model import (
    Block,
    Format,
    Kind,
    Piece,
    Position,
    Range,
)
from nimble_lantern.core.document.tables import outside
from nimble_lantern.core.lexicon.closed import ARTICLES_AND_OWNERS, OWNERS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.writing.writer import Written, write


def _bracketed(words: tuple[str, ...]) -> tuple[str, ...]:
    """ "Write in brackets see below", "put alfred in brackets after burnt": those words, with
    brackets round them; with quotation marks, if so it is said."""
    said = words[1:] if tuple(words[:1]) == ("in",) else words
    if len(said) > 1 and said[0] in ("brackets", "parentheses"):
        return ("open", "bracket", *said[1:], "close", "bracket")
    for end, mark in _ROUND_IT.items():
        if words[-len(end) :] == end and len(words) > len(end):
            return ("open", mark, *words[: -len(end)], "close", mark)
    return words


_ROUND_IT = {
    ("in", "brackets"): "bracket",
    ("in", "parentheses"): "bracket",
    ("in", "quotes"): "quote",
    ("in", "quotation", "marks"): "quote",
}


def insert_beside(
    sitting: Sitting,
    r: Range,
    words: Sequence[str],
    before: bool,
    block: bool,
    alike: bool = False,
) -> Wrote:
    """Words before or after a range; beside a whole block, or a line of one, as one of their own.

    With `alike`, that begins with a small letter if the one beside it does.
    """
    words = bare_mark(_bracketed(tuple(words)))
    document = sitting.document
    if block and broken.parted(document, r):
        return _insert_line(sitting, r, words, before)
    if block:
        return _insert_block(sitting, r, words, before, alike)
    at = r.start if before else r.end
    caret_there = sitting.caret == at
    article = AN_ARTICLE.search(document.blocks[at.block].text[: at.offset])
    if (
        before
        and article
        and (words[0] in OWNERS or words[0] in ARTICLES_AND_OWNERS and len(words) > 1)
    ):
        # "The good before camera", where "a camera" stands: one article is enough.
        at = at._replace(offset=article.start())
        sitting = sitting.edited(Edit((Splice(at.block, at.offset, r.start.offset, Piece()),)))
        document = sitting.document
    place = place_at(document, at)
    if before and document.blocks[at.block].text[at.offset :][:1].islower():
        place = replace(place, continues=True)  # where small letters begin, they still do
    written = write(words, place, manner_for(sitting, place, words))
    bare = sitting.edited(small_behind(sitting, at, written) if before else Edit())
    wrote = in_agreement(put(replace(bare, selection=None, fresh=False), at, written, ()))
    if caret_there and not before:
        return replace(wrote, sitting=replace(wrote.sitting, caret=wrote.range.end))
    return wrote


def _ends_a_sentence(written: Written) -> bool:
    last = next((part for part in reversed(written.parts) if isinstance(part, str)), "")
    return last.rstrip("”’\"') ")[-1:] in tuple(".?!")


def small_behind(sitting: Sitting, at: Position, written: Written) -> Edit:
    """A capital that only marked the start of a sentence goes when words come before it that do
    not end one."""
    document = sitting.document
    block = document.blocks[at.block]
    starts = {start for start, _ in block.sentences}
    start = at.offset + len(block.text[at.offset :]) - len(block.text[at.offset :].lstrip(" "))
    if not isinstance(written.parts[-1], str) or _ends_a_sentence(written):
        return Edit()
    words = [block.text[s:e] for s, e in block.words if s >= start]
    if block.kind is Kind.HEADING and any(w[0].isupper() for w in words[1:]):
        return Edit()  # in a title all words have capitals
    word = next((block.text[s:e] for s, e in block.words if s == start), "")
    if start not in starts or not word or keeps_capital(sitting, word):
        return Edit()
    piece = block.piece(start, start + 1)
    return Edit((Splice(at.block, start, start + 1, Piece(piece.text.lower(), piece.spans)),))


def _insert_line(sitting: Sitting, r: Range, words: Sequence[str], before: bool) -> Wrote:
    at = r.start if before else r.end
    opened = sitting.edited(Edit((Splice(at.block, at.offset, at.offset, Piece("\n")),)))
    at = at if before else at._replace(offset=at.offset + 1)
    written = write(words, place_at(opened.document, at), manner_of(sitting, ""))
    return put(replace(opened, selection=None, fresh=False), at, written, ())


def _insert_block(
    sitting: Sitting, r: Range, words: Sequence[str], before: bool, alike: bool
) -> Wrote:
    index = outside(sitting.document.blocks, r.start.block if before else r.end.block + 1)
    like = sitting.document.blocks[r.start.block]
    form = like.format if like.kind in ("item", "quotation") else Format()
    added = sitting.edited(Edit((AddBlocks(index, (Block().formatted(form),)),)))
    at = Position(index, 0)
    begins_small = alike and like.kind is Kind.ITEM and like.text[:1].islower()
    place = replace(place_at(added.document, at), continues=begins_small)
    written = write(words, place, manner_of(sitting, ""))
    return put(replace(added, selection=None, fresh=False), at, written, ())
