"""What written words become in the blocks where they are put: texts, marks and formats."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass, replace

from nimble_lantern.core.document.edits import (
    Edit,
    Reformat,
    Splice,
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
from nimble_lantern.core.document.tables import table_at
from nimble_lantern.core.lexicon.closed import DETERMINERS, LITTLE, SUBJECT_PRONOUNS
from nimble_lantern.core.lexicon.frequency import zipf
from nimble_lantern.core.lexicon.names import CAPITALISED
from nimble_lantern.core.lexicon.sentences import COMMON_OPENINGS, VERBS
from nimble_lantern.core.origins import of_utterance
from nimble_lantern.core.state import Marks, Sitting, WrittenChoice
from nimble_lantern.core.writing.capitals import AsHeard, capitalised
from nimble_lantern.core.writing.cardinals import cardinal
from nimble_lantern.core.writing.lexer import Manner, mark_named
from nimble_lantern.core.writing.masking import masked
from nimble_lantern.core.writing.persons import a_full_name
from nimble_lantern.core.writing.writer import Break, Place, Written

_CONTEXT = 240


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
    above = document.blocks[p.block - 1].text[-_CONTEXT:] if p.block else ""
    left = block.text[max(0, p.offset - _CONTEXT) : p.offset]
    small, heading = _small_here(document, p.block), _heading_above(document, p.block)
    return Place(left, right, block.kind, above, small=small, heading=heading)


def _heading_above(document: Document, b: int) -> str:
    cell, table = document.blocks[b].cell, table_at(document.blocks, b)
    if cell is None or table is None or not cell.row:
        return ""
    return document.blocks[table.cell(0, cell.column)].text.strip().lower()


def _names_people(place: Place, words: Sequence[str]) -> bool:
    """Whether a cell below "Name" or "Who" gets somebody's: "mara tarrow", and not "the baker"."""
    few = len(words) <= _LONGEST_NAME and all(word.isalpha() for word in words)
    plain = (LITTLE | VERBS | SUBJECT_PRONOUNS | DETERMINERS | _NO_PERSON).isdisjoint(words)
    return place.heading in _OF_PEOPLE and not place.left.strip() and few and plain


_NO_PERSON = frozenset(
    "nobody none somebody someone everybody everyone anybody anyone both volunteers helpers members"
    " yet still please people person other others free empty open".split()
)
_OF_PEOPLE = frozenset("name names who whom person skipper".split())
_LONGEST_NAME = 3


def _small_here(document: Document, b: int) -> bool:
    """Whether a list or a column goes on here that begins all it says with small letters."""
    block = document.blocks[b]
    if block.cell is not None and (table := table_at(document.blocks, b)) is not None:
        rows = (r for r in range(1, table.rows) if r != block.cell.row)
        others = (document.blocks[table.cell(r, block.cell.column)].text for r in rows)
        begun = [text[0] for text in others if text[:1].isalpha()]
        return block.cell.row > 0 and bool(begun) and all(c.islower() for c in begun)
    beside = block if block.text or not b else document.blocks[b - 1]
    return block.kind == beside.kind == Kind.ITEM and beside.text[:1].islower()


def manner_of(sitting: Sitting, left: str) -> Manner:
    settings = sitting.settings
    return Manner(
        settings.dialect,
        settings.numbers,
        (
            sitting.word_book,
            sitting.names.follow(sitting.document.blocks),
            AsHeard(sitting.heard_names),
        ),
        tuple(left.lower().split()[-2:]),
        masked if settings.masking else None,
    )


def manner_for(sitting: Sitting, place: Place, words: Sequence[str]) -> Manner:
    """How these words are written at a place: in a table, numbers stand in figures."""
    # A mark's name alone is the mark, whatever stands before it: "each comma" is none.
    manner = manner_of(sitting, "" if mark_named(words) else place.left)
    if place.kind is Kind.CELL and manner.numbers == "editor" and _is_number(words):
        return replace(manner, numbers="digits")
    if _names_people(place, words) and not place.small:
        return replace(manner, names=(*manner.names, AsHeard(tuple(map(capitalised, words)))))
    if place.kind in _OF_NAMES and not place.left and a_full_name(words):
        return replace(manner, names=(*manner.names, AsHeard((capitalised(words[-1]),))))
    return manner


def keeps_capital(sitting: Sitting, word: str) -> bool:
    """Whether a sentence's first word has its capital in the middle of one, too."""
    bare = word.strip(",.;:!?").replace("’", "'").lower()
    if bare in COMMON_OPENINGS:
        return False
    named = sitting.names.follow(sitting.document.blocks).match([bare], 0)
    plain = bare in CAPITALISED or bare.split("'")[0] == "i"
    return bool(named) or plain or word[1:2].isupper() or zipf(bare) < _NAME


_NAME = 3.0
"""On wordfreq's Zipf scale; a rarer word at the start of a sentence is taken for a name."""
_OF_NAMES = (Kind.CELL, Kind.ITEM)
"""A name alone may be all that they say."""


def _is_number(words: Sequence[str]) -> bool:
    found = cardinal(words, 0)
    whole = found is not None and found[1] == len(words)
    return whole or len(words) == 1 and words[0].isdigit()


def put(sitting: Sitting, at: Position, written: Written, marks: Marks) -> Wrote:
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
    kept = choices_at(written, pieces, at, after.document)
    after = replace(said_now(after, r), choices=kept).about([r])
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


def said_now(sitting: Sitting, r: Range) -> Sitting:
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


def choices_at(
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
