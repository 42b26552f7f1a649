"""What the page shows of a sitting: a window of lines, cut into pieces that look alike."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from nimble_lantern.core.commands.aloud import word_read
from nimble_lantern.core.commands.places import places_of
from nimble_lantern.core.document.layout import (
    CELL_PAD,
    INDENT,
    Face,
    Line,
    face_of,
    indent,
    runs,
    sign_of,
)
from nimble_lantern.core.document.model import Block, Document, Position, Range, Span
from nimble_lantern.core.document.pages import PrintedLine
from nimble_lantern.core.doubts import doubts
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.mending.word_book import BookEntry
from nimble_lantern.core.reviewing.comparing import compare
from nimble_lantern.core.reviewing.notes import notes_of
from nimble_lantern.core.reviewing.passages import open_blanks
from nimble_lantern.core.state import Settings, Sitting

_MARGIN_LINES = 2
PENNANT = 16.0
"""Pixels that a line with pennants is taller by, so that they cover no words."""


@dataclass(frozen=True, slots=True)
class Segment:
    """A piece of a line that is drawn in one way.

    `edges` tells where a selection begins ("start") and ends ("end") in it; `caret` stands
    before the text; `pennants` are the numbers of the choices that begin with it.
    """

    text: str
    face: Face
    marks: tuple[Span, ...] = ()
    selected: bool = False
    edges: tuple[str, ...] = ()
    caret: bool = False
    pennants: tuple[int, ...] = ()
    chosen: bool = False
    doubted: bool = False  # not heard well
    looks: tuple[str, ...] = ()  # "aloud", "changed", "blank", "noted", "place"


@dataclass(frozen=True, slots=True)
class Part:
    """What of one block stands on a line; `left`, `width` and `indent` in pixels.

    `sign` is an item's bullet or number; `here` where the writing place is in it.
    """

    block: int
    kind: str
    align: str
    left: float
    width: float
    indent: float
    sign: str
    here: bool
    opens: bool  # whether it is the first line of its block
    segments: tuple[Segment, ...]
    header: bool = False


@dataclass(frozen=True, slots=True)
class Row:
    """One line of the page, its parts side by side; `height` in pixels."""

    number: int
    height: float
    here: bool
    opens: bool
    parts: tuple[Part, ...]
    notes: tuple[int, ...] = ()  # of the margin, that begin here
    places: tuple[str, ...] = ()  # that have a name here

    @property
    def kind(self) -> str:
        return self.parts[0].kind


def focus(sitting: Sitting) -> Position:
    """What the person looks at: the question, the selection, the last change, else the caret."""
    if sitting.aloud is not None and (word := word_read(sitting)) is not None:
        return word.start
    if sitting.question:
        asked = sitting.question.options[0].ranges
        return asked[0].start if asked else sitting.writing_place
    if sitting.selection:
        return sitting.selection.start
    last = sitting.trail[-1] if sitting.trail else None
    if last is not None and last.read_as is ReadAs.COMMAND and sitting.that:
        return sitting.that[0].start
    return sitting.writing_place


def top_line(sitting: Sitting, top: int, room: float) -> int:
    """The number of the first line to show, so that the focus and some lines round it are seen.

    It stays at `top` while it can.  `room` is the height of the sheet in pixels.
    """
    layout = sitting.layout
    goal = layout.number(focus(sitting))
    last = _last_line(sitting, top, room)
    seen = top <= max(1, goal - _MARGIN_LINES) and min(goal + _MARGIN_LINES, layout.count) <= last
    if seen and (top == 1 or last < layout.count):
        return top
    start = top if seen else _above(sitting, goal, room / 2)
    # At the end of the text, the sheet is filled from below.
    return min(start, _above(sitting, layout.count, room))


def scrolled(sitting: Sitting, top: int, room: float, screens: int) -> int:
    """The first line to show some screens down or up from `top`, as far as there is text."""
    for _ in range(abs(screens)):
        before = top
        if screens > 0:
            after = _last_line(sitting, top, room)
            top = after if after < sitting.layout.count else top
        else:
            top = _above(sitting, top, room)
        if top == before:
            break
    return top


def _above(sitting: Sitting, number: int, room: float) -> int:
    """The first of the lines up to `number` that fit into `room`."""
    used = _height(sitting, number)
    while number > 1 and (used := used + _height(sitting, number - 1)) <= room:
        number -= 1
    return number


def _height(sitting: Sitting, number: int) -> float:
    return max((line.height for _, line in sitting.layout.parts(number)), default=0.0)


def _last_line(sitting: Sitting, top: int, room: float) -> int:
    used, last = 0.0, top
    for number in range(top, sitting.layout.count + 1):
        used += _height(sitting, number)
        if used > room:
            break
        last = number
    return last


def rows(sitting: Sitting, top: int, room: float) -> list[Row]:
    """The lines from `top` on that have room."""
    layout, place = sitting.layout, sitting.writing_place
    here = layout.number(place)
    pennants = _pennants(sitting)
    unsure = [r for _, r in doubts(sitting.document)]
    marked = _marked(sitting)
    noted = [(n.number, n.range.start) for n in notes_of(sitting.document)]
    named = [(str(a.data["name"]), r.start) for a, r in places_of(sitting.document)]
    found: list[Row] = []
    used = 0.0
    for number, held in layout.rows(top, layout.count):
        caret = place if number == here else None
        parts = tuple(_part(sitting, b, line, caret, pennants, unsure, marked) for b, line in held)
        flagged = any(s.pennants for part in parts for s in part.segments)
        height = max(line.height for _, line in held) + (PENNANT if flagged else 0.0)
        used += height
        if used > room and found:
            break
        opens = any(part.opens for part in parts)
        notes = tuple(n for n, p in noted if _stands(p, held))
        places = tuple(name for name, p in named if _stands(p, held))
        side = _side_by_side(sitting, parts)
        found.append(Row(number, height, number == here, opens, side, notes, places))
    return found


def _side_by_side(sitting: Sitting, parts: tuple[Part, ...]) -> tuple[Part, ...]:
    """The parts of a line with the cells of its row that have no more to say there: each stands
    below its own heading."""
    blocks = sitting.document.blocks
    cell = blocks[parts[0].block].cell if parts else None
    if cell is None:
        return parts
    there = {part.block: part for part in parts}
    found, b = [], parts[0].block - cell.column
    while b < len(blocks) and (other := blocks[b].cell) and other[:2] == cell[:2]:
        end = len(blocks[b].text)
        part = there.get(b) or replace(
            _part(sitting, b, Line(end, end, 0.0, 0.0), None, [], [], []), opens=False
        )
        found.append(part)
        b += 1
    return tuple(found)


def _stands(p: Position, held: Sequence[tuple[int, Line]]) -> bool:
    """Whether a position is on a line."""
    return any(
        p.block == b and line.start <= p.offset and (p.offset < line.end or line.start == line.end)
        for b, line in held
    )


def _marked(sitting: Sitting) -> list[tuple[str, Range]]:
    """What is drawn of ranges of the text, besides its own marks."""
    document = sitting.document
    found = [("blank", r) for _, r in open_blanks(document)]
    found += [("settled" if n.settled else "noted", n.range) for n in notes_of(document)]
    if sitting.compared is not None:
        changes = compare(sitting.compared.base, document)
        found += [("gone" if c.new.empty else "changed", _seen(c.new)) for c in changes]
    if sitting.aloud is not None and (here := sitting.aloud.here) is not None:
        found.append(("aloud", here))
        word = word_read(sitting)
        if word is not None:
            found.append(("aloud-word", word))
    return found


def _seen(r: Range) -> Range:
    """A range to be drawn: of a place where words are gone, the letter before it."""
    if not r.empty or not r.start.offset:
        return r
    return Range(Position(r.start.block, r.start.offset - 1), r.start)


def printed_rows(document: Document, text_size: str, sheet: Sequence[PrintedLine]) -> list[Row]:
    """The lines of a sheet of paper, without anything of the desk's."""
    sitting = Sitting(document=document, settings=Settings(text_size=text_size))
    found = []
    for line in sheet:
        parts = tuple(_part(sitting, b, held, None, [], [], []) for b, held in line.parts)
        opens = any(part.opens for part in parts)
        side = _side_by_side(sitting, parts)
        found.append(Row(line.number, line.height, False, opens, side))
    return found


def _part(
    sitting: Sitting,
    b: int,
    line: Line,
    caret: Position | None,
    pennants: list[tuple[int, Range]],
    unsure: list[Range],
    marked: list[tuple[str, Range]],
) -> Part:
    block = sitting.document.blocks[b]
    opens = line.start == 0
    own = caret if caret is not None and caret.block == b else None
    left, width = _across(sitting, b)
    return Part(
        b,
        block.kind,
        block.align,
        left,
        width,
        indent(block) if block.cell is None else CELL_PAD,
        sign_of(sitting.document.blocks, b) if opens and block.kind == "item" else "",
        own is not None,
        opens,
        tuple(_segments(sitting, b, line, own, pennants, unsure, marked)),
        bool(block.cell and block.cell.header),
    )


def _across(sitting: Sitting, b: int) -> tuple[float, float]:
    """Where a block begins from the column's left edge, and how wide it is, in pixels."""
    blocks, column = sitting.document.blocks, sitting.style.column
    cell = blocks[b].cell
    if cell is None:
        return 0.0, column
    shares = (c.share for block in blocks[b - cell.column : b] if (c := block.cell))
    return column * sum(shares), column * cell.share


SHELF_A_SCREEN = 5
"""Documents that a screen of the shelf has room for."""


def shelf_screens(sitting: Sitting) -> int:
    """How many screens the shelf has."""
    return max(1, -(-len(sitting.shelf) // SHELF_A_SCREEN))


BOOK_A_SCREEN = 7
"""Entries of the word book that a screen has room for."""


def book_screens(sitting: Sitting) -> int:
    """How many screens the word book has."""
    return max(1, -(-len(sitting.word_book.entries) // BOOK_A_SCREEN))


def book_shown(sitting: Sitting, screen: int) -> tuple[BookEntry, ...]:
    """The entries of a screen, in alphabetical order, the forbidden ones last."""
    entries = sorted(sitting.word_book.entries, key=lambda e: (e.forbidden, e.written.lower()))
    return tuple(entries[screen * BOOK_A_SCREEN : (screen + 1) * BOOK_A_SCREEN])


def _pennants(sitting: Sitting) -> list[tuple[int, Range]]:
    if sitting.question is None:
        return []
    options = enumerate(sitting.question.options, 1)
    return [(n, r) for n, option in options for r in option.ranges]


def _segments(
    sitting: Sitting,
    b: int,
    line: Line,
    caret: Position | None,
    pennants: list[tuple[int, Range]],
    unsure: list[Range],
    marked: list[tuple[str, Range]],
) -> Iterator[Segment]:
    block = sitting.document.blocks[b]
    end = line.start + len(block.text[line.start : line.end].rstrip("\n"))
    shown = [sitting.selection] if sitting.selection else []
    flagged = [(n, r) for n, r in pennants if r.start.block <= b <= r.end.block]
    cuts = {line.start, end} | ({caret.offset} if caret else set())
    doubted = [r for r in unsure if r.start.block <= b <= r.end.block]
    looks = [(name, r) for name, r in marked if r.start.block <= b <= r.end.block]
    for r in (*shown, *(r for _, r in flagged), *doubted, *(r for _, r in looks)):
        cuts |= {p.offset for p in r if p.block == b and line.start <= p.offset <= end}
    edges = sorted(cuts)
    pieces = list(zip(edges, edges[1:], strict=False)) or [(line.start, line.start)]
    for start, stop in pieces:
        for a, z, marks in _runs(block, start, stop):
            made = _segment(sitting, b, (a, z), marks, caret, flagged)
            here = any(r.start <= (b, a) and (b, z) <= r.end and z > a for r in doubted)
            own = tuple(
                name for name, r in looks if r.start <= (b, a) and (b, z) <= r.end and z > a
            )
            yield replace(made, doubted=here, looks=own) if here or own else made
    if caret and caret.offset == end and end > line.start:
        yield Segment("", face_of(block.marks_at(end - 1), block, sitting.style), caret=True)


def _runs(block: Block, start: int, stop: int) -> Iterator[tuple[int, int, tuple[Span, ...]]]:
    return iter([(start, stop, ())]) if start == stop else runs(block, start, stop)


def _segment(
    sitting: Sitting,
    b: int,
    at: tuple[int, int],
    marks: tuple[Span, ...],
    caret: Position | None,
    flagged: list[tuple[int, Range]],
) -> Segment:
    block = sitting.document.blocks[b]
    start, stop = Position(b, at[0]), Position(b, at[1])
    selection = sitting.selection
    selected = selection is not None and selection.start <= start and stop <= selection.end
    edges = []
    if selection is not None and selected and stop > start:
        edges += ["start"] if selection.start == start else []
        edges += ["end"] if selection.end == stop else []
    return Segment(
        block.text[at[0] : at[1]],
        face_of(marks, block, sitting.style),
        marks,
        selected and stop > start,
        tuple(edges),
        caret is not None and caret.offset == at[0],
        tuple(n for n, r in flagged if r.start == start),
        any(r.start <= start and stop <= r.end for _, r in flagged),
    )


__all__ = ["INDENT", "Row", "Segment", "focus", "rows", "top_line"]
