"""Hypothesis strategies: documents, edits made for them, sentences someone might say."""

from __future__ import annotations

from dataclasses import replace

from hypothesis import strategies as st

from nimble_lantern.core.document.edits import (
    AddBlocks,
    DropBlocks,
    Edit,
    Join,
    Reformat,
    Remark,
    Splice,
    Split,
    Step,
    Unpin,
    pin,
)
from nimble_lantern.core.document.model import (
    MARKS,
    Block,
    Document,
    Format,
    Piece,
    Position,
    Range,
    Span,
    normal_spans,
)
from nimble_lantern.core.document.tables import cells, settled_shares

VALUES = {"colour": "#884400", "font": "Literata", "size": "14", "link": "https://example.org"}
FORMATS = (
    Format(),
    Format("heading", 1),
    Format("heading", 3),
    Format("item", 1, "bulleted"),
    Format("item", 2, "numbered"),
    Format("quotation"),
    Format(align="centre"),
)
texts = st.text(alphabet="ab c.\n’é“1", max_size=24)


@st.composite
def spans(draw: st.DrawFn, length: int) -> tuple[Span, ...]:
    found = []
    for _ in range(draw(st.integers(0, 3)) if length else 0):
        start = draw(st.integers(0, length - 1))
        end = draw(st.integers(start + 1, length))
        mark = draw(st.sampled_from(MARKS))
        found.append(Span(start, end, mark, VALUES.get(mark)))
    return normal_spans(found, length)


@st.composite
def pieces(draw: st.DrawFn) -> Piece:
    text = draw(texts)
    return Piece(text, draw(spans(len(text))))


@st.composite
def blocks(draw: st.DrawFn) -> Block:
    piece = draw(pieces())
    return Block(piece.text, piece.spans).formatted(draw(st.sampled_from(FORMATS)))


@st.composite
def tables(draw: st.DrawFn) -> tuple[Block, ...]:
    """The cells of a small table, with columns of any width."""
    columns = draw(st.integers(1, 3))
    row = st.lists(pieces(), min_size=columns, max_size=columns)
    made = cells(draw(st.lists(row, min_size=1, max_size=3)), draw(st.integers(1, 9)))
    widths = draw(st.lists(st.integers(8, 40), min_size=columns, max_size=columns))
    shares = settled_shares(widths)
    return tuple(
        replace(b, cell=b.cell and b.cell._replace(share=shares[b.cell.column])) for b in made
    )


@st.composite
def ranges(draw: st.DrawFn, document: Document) -> Range:
    """Any range of a document, an empty one too."""
    ends = []
    for _ in range(2):
        b = draw(st.integers(0, len(document.blocks) - 1))
        ends.append(Position(b, draw(st.integers(0, len(document.blocks[b].text)))))
    return Range(*sorted(ends))


@st.composite
def _documents(draw: st.DrawFn) -> Document:
    """A document with a few anchors of several kinds."""
    held = draw(st.lists(blocks(), min_size=1, max_size=5))
    if draw(st.booleans()):
        at = draw(st.integers(0, len(held)))
        held[at:at] = draw(tables())
    found = Document(tuple(held))
    for _ in range(draw(st.integers(0, 3))):
        kind = draw(st.sampled_from(("place", "note", "origin")))
        found = pin(found, kind, draw(ranges(found)), name="x").apply(found)
    return found


documents = _documents()
plain_documents = st.lists(blocks(), min_size=1, max_size=5).map(lambda b: Document(tuple(b)))


@st.composite
def steps(draw: st.DrawFn, document: Document, anchors: bool = True) -> Step:
    """A step that fits the document; without `anchors`, one that only changes its blocks."""
    last = len(document.blocks) - 1
    b = draw(st.integers(0, last))
    size = len(document.blocks[b].text)
    kinds = ["splice", "split", "remark", "reformat", "add"]
    kinds += ["join"] if b < last else []
    kinds += ["drop"] if last else []
    kinds += ["pin"] if anchors else []
    kinds += ["unpin"] if anchors and document.anchors else []
    match draw(st.sampled_from(kinds)):
        case "splice":
            start = draw(st.integers(0, size))
            return Splice(b, start, draw(st.integers(start, size)), draw(pieces()))
        case "split":
            return Split(b, draw(st.integers(0, size)), draw(st.sampled_from(FORMATS)))
        case "join":
            return Join(b, size)
        case "remark":
            return Remark(b, draw(spans(size)))
        case "reformat":
            return Reformat(b, draw(st.sampled_from(FORMATS)))
        case "add":
            new = draw(st.lists(blocks(), min_size=1, max_size=2))
            return AddBlocks(draw(st.integers(0, last + 1)), tuple(new))
        case "pin":
            return pin(document, "note", draw(ranges(document))).steps[0]
        case "unpin":
            return Unpin(draw(st.sampled_from(sorted(document.anchors))))
    start = draw(st.integers(0, last))
    most = len(document.blocks) - 1 if start == 0 else len(document.blocks) - start
    return DropBlocks(start, draw(st.integers(1, max(1, min(most, last)))))


@st.composite
def edited(draw: st.DrawFn) -> tuple[Document, Edit]:
    """A document and an edit made for it."""
    document = now = draw(documents)
    made: list[Step] = []
    for _ in range(draw(st.integers(1, 4))):
        step = draw(steps(now))
        made.append(step)
        now = Edit((step,)).apply(now)
    return document, Edit(tuple(made))
