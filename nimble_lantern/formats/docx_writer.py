"""Writes Office Open XML text: see `formats/docx.py`."""

from __future__ import annotations

import io
from collections.abc import Sequence
from typing import Any

import docx
from docx.enum.text import WD_ALIGN_PARAGRAPH, WD_BREAK, WD_COLOR_INDEX
from docx.opc.constants import RELATIONSHIP_TYPE
from docx.oxml import OxmlElement
from docx.oxml.ns import qn
from docx.shared import Pt, RGBColor, Twips
from docx.text.paragraph import Paragraph
from docx.text.run import Run

from nimble_lantern.core.document.layout import runs
from nimble_lantern.core.document.model import (
    Align,
    Bullets,
    Document,
    Kind,
    Span,
)
from nimble_lantern.core.document.styles import shade_of
from nimble_lantern.core.document.tables import Table, table_at
from nimble_lantern.core.reviewing.notes import notes_of
from nimble_lantern.formats.building import lowered_and_raised
from nimble_lantern.formats.registry import Written
from nimble_lantern.formats.zipped import free_of_signs

AUTHOR, SETTLED = "Nimble Lantern", "ok"
WIDTH = 8_400
"""Of the text, in twentieths of a point: 420 points, as the lines are on screen and in print."""
MOST_LEVELS = 9
_ALIGN = {
    Align.CENTRE: WD_ALIGN_PARAGRAPH.CENTER,
    Align.RIGHT: WD_ALIGN_PARAGRAPH.RIGHT,
    Align.JUSTIFIED: WD_ALIGN_PARAGRAPH.JUSTIFY,
}
_STEP = 360  # twips of a list level


class _Writer:
    def __init__(self, document: Document) -> None:
        self.document = document
        self.file: Any = docx.Document()
        self.numbering = self.file.part.numbering_part.element
        self.kinds: dict[Bullets, int] = {}
        self.notes = notes_of(document)
        self.started: dict[int, Run] = {}
        self.ended: dict[int, Run] = {}
        self.ids: dict[str, str] = {}  # of styles, by their names

    def written(self, title: str) -> bytes:
        self._prepared(title)
        b, blocks = 0, self.document.blocks
        while b < len(blocks):
            table = table_at(blocks, b)
            if table is not None:
                self._table(table)
                b = table.last + 1
                if b >= len(blocks) or blocks[b].cell is not None:
                    self._hidden()
                continue
            self._fill(self.file.add_paragraph(), b)
            b += 1
        for note in self.notes:
            first, last = self.started.get(note.number), self.ended.get(note.number)
            if first is not None and last is not None:
                initials = SETTLED if note.settled else ""
                text = free_of_signs(note.text)
                self.file.add_comment([first, last], text, AUTHOR, initials)
        out = io.BytesIO()
        self.file.save(out)
        return out.getvalue()

    def _prepared(self, title: str) -> None:
        properties = self.file.core_properties
        properties.title, properties.author = free_of_signs(title)[:255], ""
        properties.language, properties.comments = "en-GB", ""
        section = self.file.sections[0]
        section.page_width, section.page_height = Pt(595.3), Pt(841.9)
        section.left_margin = section.right_margin = Pt((595.3 - WIDTH / 20) / 2)
        self.file.styles["Normal"].font.size = Pt(12)
        for kind, numbers in ((Bullets.BULLETED, False), (Bullets.NUMBERED, True)):
            self.kinds[kind] = self._abstract(numbers)
        self.lists: dict[Bullets, int] = {}

    def _abstract(self, numbers: bool) -> int:
        """A definition of a list of nine levels, numbered or not; its number."""
        number = 90 + numbers
        made = OxmlElement("w:abstractNum")
        made.set(qn("w:abstractNumId"), str(number))
        for level in range(MOST_LEVELS):
            element = OxmlElement("w:lvl")
            element.set(qn("w:ilvl"), str(level))
            indent = OxmlElement("w:pPr")
            ind = OxmlElement("w:ind")
            ind.set(qn("w:left"), str(_STEP * (level + 1)))
            ind.set(qn("w:hanging"), str(_STEP))
            indent.append(ind)
            values = (
                ("w:start", "1"),
                ("w:numFmt", "decimal" if numbers else "bullet"),
                ("w:lvlText", f"%{level + 1}." if numbers else "•◦▪"[min(level, 2)]),
                ("w:lvlJc", "left"),
            )
            for name, value in values:
                child = OxmlElement(name)
                child.set(qn("w:val"), value)
                element.append(child)
            element.append(indent)
            made.append(element)
        first = self.numbering.find(qn("w:num"))
        if first is not None:
            first.addprevious(made)
        else:
            self.numbering.append(made)
        return number

    def _num(self, kind: Bullets, fresh: bool) -> int:
        """The list that an item is of; a new one begins to count anew."""
        if kind not in self.lists or fresh:
            num = self.numbering.add_num(self.kinds[kind])
            if kind is Bullets.NUMBERED:
                num.add_lvlOverride(0).add_startOverride(1)
            self.lists[kind] = int(num.numId)
        return self.lists[kind]

    def _hidden(self) -> None:
        """A paragraph that is no part of the text: tables are not to touch, nor to be last."""
        paragraph = self.file.add_paragraph()
        properties = paragraph._p.get_or_add_pPr()
        mark = OxmlElement("w:rPr")
        mark.append(OxmlElement("w:vanish"))
        properties.append(mark)

    def _fill(self, paragraph: Paragraph, b: int) -> None:
        block = self.document.blocks[b]
        match block.kind:
            case Kind.HEADING:
                self._styled(paragraph, f"Heading {block.level or 1}")
            case Kind.QUOTATION:
                self._styled(paragraph, "Quote")
            case Kind.ITEM:
                self._item(paragraph, b)
        form = paragraph.paragraph_format
        if block.align in _ALIGN:
            form.alignment = _ALIGN[block.align]
        if block.spacing != 1.0:
            form.line_spacing = block.spacing
        self._runs(paragraph, b)

    def _styled(self, paragraph: Paragraph, name: str) -> None:
        if name not in self.ids:
            self.ids[name] = str(self.file.styles[name].style_id)
        paragraph._p.get_or_add_pPr().style = self.ids[name]

    def _item(self, paragraph: Paragraph, b: int) -> None:
        block = self.document.blocks[b]
        kind = block.list or Bullets.BULLETED
        self._styled(paragraph, "List Paragraph")
        before = self.document.blocks[b - 1] if b else None
        fresh = before is None or before.kind != Kind.ITEM or (
            before.list != kind and (before.level or 1) == (block.level or 1)
        )  # fmt: skip
        properties = paragraph._p.get_or_add_pPr().get_or_add_numPr()
        properties.get_or_add_numId().val = self._num(kind, fresh)
        properties.get_or_add_ilvl().val = min(block.level or 1, MOST_LEVELS) - 1

    def _runs(self, paragraph: Paragraph, b: int) -> None:
        block = self.document.blocks[b]
        cuts = {0, len(block.text)}
        for note in self.notes:
            cuts |= {p.offset for p in note.range if p.block == b}
        edges = sorted(cuts)
        for start, end in zip(edges, edges[1:], strict=False):
            for a, z, marks in runs(block, start, end):
                made = self._run(paragraph, block.text[a:z], marks)
                for note in self.notes:
                    if note.range.start == (b, a) or (
                        note.number not in self.started and note.range.start < (b, z)
                    ):
                        self.started.setdefault(note.number, made)
                    if note.range.start < (b, z) <= note.range.end:
                        self.ended[note.number] = made

    def _run(self, paragraph: Paragraph, text: str, marks: Sequence[Span]) -> Run:
        parent = paragraph._p
        link = next((s.value for s in marks if s.mark == "link" and s.value), None)
        if link is not None:
            parent = OxmlElement("w:hyperlink")
            target = self.file.part.relate_to(link, RELATIONSHIP_TYPE.HYPERLINK, is_external=True)
            parent.set(qn("r:id"), target)
            paragraph._p.append(parent)
        element = OxmlElement("w:r")
        parent.append(element)
        run = Run(element, paragraph)
        for n, line in enumerate(free_of_signs(text).split("\n")):
            if n:
                run.add_break(WD_BREAK.LINE)
            if line:
                run.add_text(line)
        for span in marks:
            _marked(run, span)
        return run

    def _table(self, table: Table) -> None:
        blocks = self.document.blocks
        made = self.file.add_table(table.rows, table.columns)
        made.style = self.file.styles["Table Grid"]
        made.autofit = False
        for c in range(table.columns):
            cell = blocks[table.cell(0, c)].cell
            share = cell.share if cell else 1 / table.columns
            made.columns[c].width = Twips(round(WIDTH * share))
        rows = [row._tr for row in made.rows]
        first = blocks[table.first].cell
        if first is not None and first.header:
            properties = rows[0].get_or_add_trPr()
            properties.append(OxmlElement("w:tblHeader"))
        for r, row in enumerate(rows):
            for c, cell in enumerate(row.tc_lst):
                self._fill(Paragraph(cell.p_lst[0], made), table.cell(r, c))


def _marked(run: Run, span: Span) -> None:
    face = run.font
    match span.mark, span.value:
        case "bold", _:
            face.bold = True
        case "italic", _:
            face.italic = True
        case "underline", _:
            face.underline = True
        case "strike", _:
            face.strike = True
        case "subscript", _:
            face.subscript = True
        case "superscript", _:
            face.superscript = True
        case "highlight", _:
            face.highlight_color = WD_COLOR_INDEX.YELLOW
        case "colour", str(value):
            face.color.rgb = RGBColor.from_string(shade_of(value).lstrip("#").upper())
        case "font", str(value):
            face.name = value
        case "size", str(value):
            face.size = Pt(round(float(value) * 2) / 2)


def to_docx(document: Document) -> bytes:
    """The document as a file of its own, titled by its first heading."""
    return _Writer(document).written(title_of(document))


def title_of(document: Document) -> str:
    headings = (b.text for b in document.blocks if b.kind is Kind.HEADING and b.text.strip())
    return next(headings, "Untitled").replace("\n", " ")


def _losses(document: Document) -> tuple[str, ...]:
    odd = {
        f"A Word document has sizes in half points only: {s.value} is rounded."
        for b in document.blocks
        for s in b.spans
        if s.mark == "size" and s.value and (float(s.value) * 2) % 1
    }
    return (*sorted(odd), *lowered_and_raised(document))


def write(document: Document) -> Written:
    """A file's bytes, and what it cannot hold."""
    return Written(to_docx(document), _losses(document))
