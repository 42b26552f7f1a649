"""PDF (ISO 32000), written with ReportLab: the desk's own lines, in the fonts that ship with it."""

from __future__ import annotations

import io
from collections.abc import Iterator, Sequence
from functools import cache
from typing import Any

from fontTools.ttLib import TTFont
from reportlab.lib.colors import HexColor
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont as EmbeddedFont
from reportlab.pdfgen.canvas import Canvas

from nimble_lantern.core.document.layout import (
    CELL_PAD,
    Face,
    Layout,
    Line,
    LineIndex,
    PageStyle,
    edges,
    face_of,
    indent,
    runs,
    sign_of,
)
from nimble_lantern.core.document.metrics import DEFAULT_FAMILY, FAMILIES, FONTS
from nimble_lantern.core.document.model import Align, Block, Document, Kind, Span
from nimble_lantern.core.document.pages import PAPER, POINTS, TOP, PrintedLine, pages
from nimble_lantern.core.document.styles import shade_of
from nimble_lantern.formats.building import notes_lost, safe_link
from nimble_lantern.formats.registry import FileFormat, Written

_ASCENT = 1.15
"""Of a face's size, from the line's top to its base line, with the leading round it."""
_GREY = "#808080"
_SUBSETS = ("latin", "latin-ext")


@cache
def _codes(slug: str, bold: bool, italic: bool, subset: str) -> frozenset[int]:
    """The characters that a file of a face has; registers it for embedding."""
    style = f"{700 if bold else 400}-{'italic' if italic else 'normal'}"
    with TTFont(FONTS / f"{slug}-{subset}-{style}.woff") as font:
        font.flavor = None
        made = io.BytesIO()
        font.save(made)
        codes = frozenset(font.getBestCmap())
    made.seek(0)
    pdfmetrics.registerFont(EmbeddedFont(_name(slug, bold, italic, subset), made))
    return codes


def _name(slug: str, bold: bool, italic: bool, subset: str) -> str:
    return f"{slug}-{'b' if bold else ''}{'i' if italic else ''}-{subset}"


def _faces(text: str, face: Face) -> Iterator[tuple[str, int, int]]:
    """(font, start, end) of the stretches of a text that one file of a face has."""
    slug = FAMILIES.get(face.family, FAMILIES[DEFAULT_FAMILY])
    known = [(_codes(slug, face.bold, face.italic, s), s) for s in _SUBSETS]
    start, last = 0, ""
    for i, c in enumerate(text):
        subset = next((s for codes, s in known if ord(c) in codes), _SUBSETS[0])
        if c == " " and last:
            subset = last
        if last and subset != last:
            yield _name(slug, face.bold, face.italic, last), start, i
            start = i
        last = subset
    if text:
        yield _name(slug, face.bold, face.italic, last), start, len(text)


class _Printer:
    def __init__(self, document: Document, style: PageStyle, title: str) -> None:
        self.document, self.style = document, style
        self.out = io.BytesIO()
        self.canvas: Any = Canvas(self.out, pagesize=PAPER, lang="en-GB", invariant=1)
        self.canvas.setTitle(title)
        self.canvas.setAuthor("")
        self.canvas.setCreator("Nimble Lantern")
        self.left = (PAPER[0] - style.column * POINTS) / 2
        self.kept: dict[int, list[float]] = {}

    def printed(self, first: int = 0, last: int = 0) -> tuple[bytes, int]:
        """The PDF, and how many pages it has; of all, or of some from 1 on."""
        layout = LineIndex().layout(self.document, self.style)
        sheets = pages(layout)
        chosen = range((first or 1) - 1, min(last or len(sheets), len(sheets)))
        deepest = 0
        for n in chosen:
            for line in sheets[n]:
                deepest = self._line(layout, line, deepest)
            self.canvas.setFont(_footer(), 9)
            self.canvas.setFillColor(HexColor("#55606a"))
            self.canvas.drawCentredString(PAPER[0] / 2, 36, str(n + 1))
            self.canvas.showPage()
        self.canvas.save()
        return self.out.getvalue(), len(chosen)

    def _line(self, layout: Layout, printed: PrintedLine, deepest: int) -> int:
        top = PAPER[1] - TOP - printed.top * POINTS
        bottom = top - printed.height * POINTS
        for b, line in printed.parts:
            block = self.document.blocks[b]
            if block.kind == Kind.HEADING and line.start == 0 and block.text.strip():
                level = min((block.level or 1) - 1, deepest)
                key = f"block{b}"
                self.canvas.bookmarkHorizontal(key, 0, top)
                self.canvas.addOutlineEntry(block.text.replace("\n", " "), key, level)
                deepest = level + 1
            self._part(b, line, top, bottom)
        return deepest

    def _part(self, b: int, line: Line, top: float, bottom: float) -> None:
        block = self.document.blocks[b]
        left, width = self.left, self.style.column
        if block.cell is not None:
            shares = (c.share for x in self.document.blocks[b - block.cell.column : b]
                      if (c := x.cell))  # fmt: skip
            left += self.style.column * sum(shares) * POINTS
            width = self.style.column * block.cell.share
            self._ruled(left, width * POINTS, top, bottom, block)
        own = CELL_PAD if block.cell is not None else indent(block)
        room = width - own - (CELL_PAD if block.cell is not None else 0.0)
        x = left + own * POINTS
        base = bottom + self.style.size * POINTS * 0.45
        if line.start == 0 and block.kind == Kind.ITEM:
            self._sign(b, x, base)
        text = block.text[line.start : line.end].rstrip(" \n")
        spare = room - line.width
        gaps = text.count(" ")
        ends = line.end >= len(block.text) or block.text[line.end - 1 : line.end] == "\n"
        word_space = 0.0
        if block.align == Align.RIGHT:
            x += spare * POINTS
        elif block.align == Align.CENTRE:
            x += spare * POINTS / 2
        elif block.align == Align.JUSTIFIED and gaps and not ends:
            word_space = spare * POINTS / gaps
        self._ink(b, line, text, x, base, word_space)

    def _ruled(self, left: float, width: float, top: float, bottom: float, block: Block) -> None:
        self.canvas.setStrokeColor(HexColor(_GREY))
        self.canvas.setLineWidth(0.5)
        for x in (left, left + width):
            self.canvas.line(x, top, x, bottom)
        assert block.cell is not None
        self.canvas.line(left, bottom, left + width, bottom)
        if block.cell.row == 0:
            self.canvas.line(left, top, left + width, top)

    def _sign(self, b: int, x: float, base: float) -> None:
        sign = sign_of(self.document.blocks, b)
        face = Face(self.style.family, self.style.size, False, False)
        for name, start, end in _faces(sign, face):
            self.canvas.setFont(name, face.size * POINTS)
            self.canvas.setFillColor(HexColor("#000000"))
            wide = self.canvas.stringWidth(sign[start:end], name, face.size * POINTS)
            self.canvas.drawString(x - wide - 5, base, sign[start:end])

    def _ink(self, b: int, line: Line, text: str, x: float, base: float, word_space: float) -> None:
        block = self.document.blocks[b]
        at = self.kept.get(b)
        if at is None:
            at = self.kept[b] = edges(block, self.style)
            if len(self.kept) > 64:
                self.kept.pop(next(iter(self.kept)))
        for start, end, marks in runs(block, line.start, line.start + len(text)):
            face = face_of(marks, block, self.style)
            spaces = block.text[line.start : start].count(" ")
            begin = x + (at[start] - at[line.start]) * POINTS + spaces * word_space
            inside = block.text[start:end].count(" ")
            width = (at[end] - at[start]) * POINTS + inside * word_space
            self._run(block.text[start:end], face, marks, (begin, base, width), word_space)

    def _run(
        self,
        text: str,
        face: Face,
        marks: Sequence[Span],
        where: tuple[float, float, float],
        word_space: float,
    ) -> None:
        x, base, width = where
        names = {s.mark: s.value for s in marks}
        points = face.size * POINTS
        if "highlight" in names:
            self.canvas.setFillColor(HexColor("#fff2a8"))
            self.canvas.rect(x, base - points * 0.25, width, points * 1.2, stroke=0, fill=1)
        rise = points * 0.45 if "superscript" in names else 0.0
        rise -= points * 0.25 if "subscript" in names else 0.0
        shade = shade_of(names["colour"] or "") if "colour" in names else "#000000"
        self.canvas.setFillColor(HexColor(shade))
        self.canvas.setStrokeColor(HexColor(shade))
        drawn = self.canvas.beginText(x, base + rise)
        drawn.setWordSpace(word_space)
        for name, start, end in _faces(text, face):
            drawn.setFont(name, points)
            drawn.textOut(text[start:end])
        self.canvas.drawText(drawn)
        self.canvas.setLineWidth(points * 0.06)
        if "underline" in names or "link" in names:
            self.canvas.line(x, base - points * 0.14, x + width, base - points * 0.14)
        if "strike" in names:
            self.canvas.line(x, base + points * 0.28, x + width, base + points * 0.28)
        link = safe_link(names.get("link") or "")
        if link is not None:
            self.canvas.linkURL(link, (x, base - 3, x + width, base + points), relative=0)


def _footer() -> str:
    slug = FAMILIES[DEFAULT_FAMILY]
    _codes(slug, False, False, _SUBSETS[0])
    return _name(slug, False, False, _SUBSETS[0])


def to_pdf(
    document: Document,
    style: PageStyle | None = None,
    title: str = "",
    first: int = 0,
    last: int = 0,
) -> tuple[bytes, int]:
    """The document as a PDF, and how many pages it has; some pages only, counted from 1."""
    headings = (b.text for b in document.blocks if b.kind == Kind.HEADING and b.text.strip())
    named = title or next(headings, "Untitled").replace("\n", " ")
    return _Printer(document, style or PageStyle(), named).printed(first, last)


def _write(document: Document) -> Written:
    return Written(to_pdf(document)[0], notes_lost(document, "A PDF"))


FORMAT = FileFormat("pdf", (".pdf",), "application/pdf", None, _write)
