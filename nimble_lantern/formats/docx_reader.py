"""Reads Office Open XML text, from other programs too: see `formats/docx.py`."""

from __future__ import annotations

import io
import zipfile
from collections.abc import Callable, Sequence
from dataclasses import dataclass, field
from typing import Any

import docx
from docx.enum.style import WD_STYLE_TYPE
from docx.opc.constants import RELATIONSHIP_TYPE as RT
from docx.oxml import parse_xml
from docx.oxml.ns import qn
from docx.text.paragraph import Paragraph
from docx.text.run import Run

from nimble_lantern.core.document.model import (
    Align,
    Block,
    Bullets,
    Cell,
    Format,
    Kind,
    Span,
    normal_spans,
)
from nimble_lantern.core.document.styles import SHADES, colour, font, size
from nimble_lantern.core.errors import BadInput
from nimble_lantern.formats.building import NoteAt, built, column_shares, safe_link
from nimble_lantern.formats.docx_writer import AUTHOR, MOST_LEVELS, SETTLED
from nimble_lantern.formats.registry import Read
from nimble_lantern.formats.zipped import checked, harmless

KIND = "Word document"
_ALIGNED = {
    "center": Align.CENTRE,
    "right": Align.RIGHT,
    "end": Align.RIGHT,
    "both": Align.JUSTIFIED,
    "justify": Align.JUSTIFIED,
    "distribute": Align.JUSTIFIED,
}


@dataclass
class _Text:
    """The text of a paragraph as it is read, with what it carries."""

    parts: list[str] = field(default_factory=list)
    length: int = 0
    spans: list[Span] = field(default_factory=list)

    def add(self, text: str, marks: Sequence[tuple[str, str | None]] = ()) -> None:
        end = self.length + len(text)
        self.spans += (Span(self.length, end, mark, value) for mark, value in marks)
        self.parts.append(text)
        self.length = end


_IN = tuple(map(qn, ("w:ins", "w:smartTag", "w:sdt", "w:sdtContent", "w:fldSimple", "w:moveTo")))
_OUT = tuple(map(qn, ("w:del", "w:moveFrom")))


class _Reader:
    def __init__(self, data: bytes) -> None:
        self.losses: set[str] = set()
        archive = checked(data, "word/document.xml", KIND)
        harmless(archive, KIND)
        names = archive.namelist()
        if any("vbaProject" in name for name in names):
            self.losses.add("The macros in it were left out.")
        if any(name.startswith("word/media/") for name in names):
            self.losses.add("Its pictures were left out.")
        try:
            self.file: Any = docx.Document(io.BytesIO(_as_text(data)))
        except BadInput:
            raise
        except Exception as error:
            raise BadInput(f"This {KIND} is damaged; save it anew where it was written.") from error
        self.styles = {s.style_id: s for s in self.file.styles if s.type == WD_STYLE_TYPE.PARAGRAPH}
        self.usual = self.file.styles.default(WD_STYLE_TYPE.PARAGRAPH)
        self.faces = {s.style_id: s for s in self.file.styles if s.type == WD_STYLE_TYPE.CHARACTER}
        self.formats = self._formats()
        self.blocks: list[Block] = []
        self.tables = 0
        self.started: dict[str, tuple[int, int]] = {}
        self.ranges: dict[str, tuple[tuple[int, int], tuple[int, int]]] = {}
        self.notes: list[NoteAt] = []
        self.footnotes = self._footnotes()

    def read(self) -> Read:
        self._body(self.file.element.body)
        for relation in self.file.part.rels.values():
            if relation.is_external and not relation.reltype.endswith("/hyperlink"):
                self.losses.add("References to other files were left out.")
        self._comments()
        return Read(built(self.blocks, self.notes), tuple(sorted(self.losses)))

    def _body(self, parent: Any) -> None:
        for child in parent:
            if child.tag == qn("w:p"):
                block = self._paragraph(child, len(self.blocks))
                if block is not None:
                    self.blocks.append(block)
            elif child.tag == qn("w:tbl"):
                self._table(child)
            elif child.tag in _IN:
                self._body(child)

    def _paragraph(self, p: Any, b: int) -> Block | None:
        properties = p.pPr
        text = _Text()
        self._walk(p, text, b, None)
        joined = "".join(text.parts)
        if (
            not joined
            and properties is not None
            and properties.find(f".//{qn('w:vanish')}") is not None
        ):
            return None
        paragraph = Paragraph(p, self.file._body)
        spans = normal_spans(text.spans, len(joined))
        return Block(joined, spans).formatted(self._format(paragraph))

    def _format(self, paragraph: Paragraph) -> Format:
        named = paragraph._p.pPr.style if paragraph._p.pPr is not None else None
        style = self.styles.get(named) if named is not None else self.usual
        name = (style.name or "") if style is not None else ""
        jc = paragraph._p.pPr.find(qn("w:jc")) if paragraph._p.pPr is not None else None
        align = _ALIGNED.get(jc.get(qn("w:val"), "") if jc is not None else "", Align.LEFT)
        spacing = _said_by(lambda: paragraph.paragraph_format.line_spacing)
        space = round(spacing, 2) if isinstance(spacing, float) and 0.5 <= spacing <= 4 else 1.0
        if name in ("Title", "Subtitle"):
            return Format(Kind.HEADING, 1 if name == "Title" else 2, None, align, space)
        if name.startswith("Heading ") and name[8:].isdigit():
            level = int(name[8:])
            if level > 3:
                self.losses.add("Headings deeper than the third level were put on that level.")
            return Format(Kind.HEADING, min(3, level), None, align, space)
        listed = self._listed(paragraph, name, style)
        if listed is not None:
            return Format(Kind.ITEM, listed[0], listed[1], align, space)
        if name in ("Quote", "Intense Quote", "Quotations", "Block Text"):
            return Format(Kind.QUOTATION, None, None, align, space)
        return Format(Kind.PARAGRAPH, None, None, align, space)

    def _listed(self, paragraph: Paragraph, name: str, style: Any) -> tuple[int, Bullets] | None:
        numbered: Any = paragraph._p.pPr.numPr if paragraph._p.pPr is not None else None
        level = 0
        if numbered is None and style is not None:
            base = style.element.pPr
            numbered = base.numPr if base is not None else None
        if numbered is not None and numbered.numId is not None:
            if numbered.numId.val == 0:
                return None
            level = numbered.ilvl.val if numbered.ilvl is not None else 0
            kind = self.formats.get((numbered.numId.val, level))
            if kind is None:
                kind = self.formats.get((numbered.numId.val, 0))
            if kind is not None:
                tail = name.rsplit(" ", 1)[-1]
                if name.startswith("List ") and tail.isdigit():
                    level = max(level, int(tail) - 1)
                return min(level + 1, MOST_LEVELS), kind
        for start, kind in (("List Bullet", Bullets.BULLETED), ("List Number", Bullets.NUMBERED)):
            if name.startswith(start):
                rest = name[len(start) :].strip()
                return int(rest) if rest.isdigit() else 1, kind
        return None

    def _formats(self) -> dict[tuple[int, int], Bullets]:
        """The kind of each list's levels."""
        parts = self.file.part.rels.values()
        part = next((r.target_part for r in parts if r.reltype == RT.NUMBERING), None)
        if part is None:
            return {}
        numbering = part.element
        abstract: dict[str, dict[int, Bullets]] = {}
        for made in numbering.findall(qn("w:abstractNum")):
            levels: dict[int, Bullets] = {}
            for level in made.findall(qn("w:lvl")):
                form = level.find(qn("w:numFmt"))
                value = form.get(qn("w:val")) if form is not None else "decimal"
                if value != "none":
                    levels[int(level.get(qn("w:ilvl"), "0"))] = (
                        Bullets.BULLETED if value == "bullet" else Bullets.NUMBERED
                    )
            abstract[made.get(qn("w:abstractNumId"), "")] = levels
        found: dict[tuple[int, int], Bullets] = {}
        for num in numbering.findall(qn("w:num")):
            of = num.find(qn("w:abstractNumId"))
            levels = abstract.get(of.get(qn("w:val"), "") if of is not None else "", {})
            for n, kind in levels.items():
                found[int(num.get(qn("w:numId"), "0")), n] = kind
        return found

    def _walk(self, parent: Any, text: _Text, b: int, link: str | None) -> None:
        for child in parent:
            tag = child.tag
            if tag == qn("w:r"):
                self._run(child, text, b, link)
            elif tag == qn("w:hyperlink"):
                self._walk(child, text, b, self._target(child) or link)
            elif tag in _IN:
                if tag == qn("w:ins"):
                    self.losses.add("Tracked changes were taken as they would be accepted.")
                self._walk(child, text, b, link)
            elif tag in _OUT:
                self.losses.add("Tracked changes were taken as they would be accepted.")
            elif tag == qn("w:commentRangeStart"):
                self.started[child.get(qn("w:id"))] = (b, text.length)
            elif tag == qn("w:commentRangeEnd"):
                number = child.get(qn("w:id"))
                if number in self.started:
                    self.ranges[number] = (self.started[number], (b, text.length))

    def _target(self, link: Any) -> str | None:
        relation = self.file.part.rels.get(link.get(qn("r:id"), ""))
        if relation is None or not relation.is_external:
            return None
        found = safe_link(relation.target_ref)
        if found is None:
            self.losses.add("Links that could do harm were left out; their words are here.")
        return found

    def _run(self, r: Any, text: _Text, b: int, link: str | None) -> None:
        marks = self._marks(r, link)
        for child in r:
            tag = child.tag
            if tag == qn("w:t"):
                text.add(child.text or "", marks)
            elif tag in (qn("w:br"), qn("w:cr")):
                if child.get(qn("w:type")) == "page":
                    self.losses.add("Page breaks were left out.")
                else:
                    text.add("\n", marks)
            elif tag == qn("w:tab"):
                text.add(" ", marks)
            elif tag == qn("w:noBreakHyphen"):
                text.add("-", marks)
            elif tag == qn("w:footnoteReference"):
                self._footnote(child, text, b)
            elif tag in (qn("w:drawing"), qn("w:pict"), qn("w:object")):
                self.losses.add("Its pictures were left out.")

    def _footnote(self, reference: Any, text: _Text, b: int) -> None:
        said = self.footnotes.get(reference.get(qn("w:id"), ""))
        if said:
            start = max(0, "".join(text.parts).rstrip().rfind(" ") + 1)
            self.notes.append(NoteAt((b, start), (b, text.length), said, False))
            self.losses.add("Footnotes became margin notes.")

    def _marks(self, r: Any, link: str | None) -> list[tuple[str, str | None]]:
        face = Run(r, self.file).font
        named = self.faces.get(r.rPr.style) if r.rPr is not None and r.rPr.style else None
        of_style = named.font if named is not None and "Hyperlink" not in named.name else None

        def has(name: str) -> bool:
            own = _said_by(lambda: getattr(face, name))
            style = of_style and _said_by(lambda: getattr(of_style, name))
            return bool(own if own is not None else style)

        found: list[tuple[str, str | None]] = [(mark, None) for mark, name in _FACES if has(name)]
        if _said_by(lambda: face.highlight_color) is not None:
            found.append(("highlight", None))
        rgb = _said_by(lambda: face.color.rgb)
        if rgb is not None:
            shade = colour(f"#{rgb}".lower())
            if shade is not None and shade != "#000000" and not (link and named is not None):
                found.append(("colour", _named_shade(shade)))
        if face.name:
            family = font(face.name)
            if family is None:
                self.losses.add(f"The font {face.name[:40]} is not here; the desk’s own is used.")
            else:
                found.append(("font", family))
        points_said = _said_by(lambda: face.size)
        if points_said is not None:
            points = size(f"{points_said.pt:g}pt")
            if points is not None:
                found.append(("size", points))
        if link:
            found.append(("link", link))
        return found

    def _table(self, tbl: Any) -> None:
        rows = list(tbl.tr_lst)
        grid = [
            int(c.get(qn("w:w"), "0") or 0)
            for c in tbl.findall(f"./{qn('w:tblGrid')}/{qn('w:gridCol')}")
        ]
        wide = max([len(grid), *(sum(_span(tc) for tc in tr.tc_lst) for tr in rows)], default=0)
        if not rows or not wide:
            return
        self.tables += 1
        shares = column_shares(grid, wide)
        for n, tr in enumerate(rows):
            heads = n == 0 and tr.find(f"./{qn('w:trPr')}/{qn('w:tblHeader')}") is not None
            column = 0
            for tc in tr.tc_lst:
                self._cell(tc, n, column, heads, shares)
                column += 1
                for _ in range(1, _span(tc)):
                    self.losses.add("Cells that were joined stand apart.")
                    self._cell(None, n, column, heads, shares)
                    column += 1
            for more in range(column, wide):
                self._cell(None, n, more, heads, shares)

    def _cell(self, tc: Any, row: int, column: int, heads: bool, shares: Sequence[float]) -> None:
        block = Block()
        if tc is not None:
            b = len(self.blocks)
            text = _Text()
            forms = []
            for n, p in enumerate(tc.iter(qn("w:p"))):
                if n:
                    text.add("\n")
                self._walk(p, text, b, None)
                forms.append(self._format(Paragraph(p, self.file._body)))
            joined = "".join(text.parts)
            block = Block(joined, normal_spans(text.spans, len(joined)))
            if forms:
                block = block.formatted(Format(align=forms[0].align, spacing=forms[0].spacing))
        cell = Cell(self.tables, row, column, heads, shares[column])
        self.blocks.append(block.formatted(block.format._replace(kind=Kind.CELL, cell=cell)))

    def _comments(self) -> None:
        if not any("/comments" in r.reltype for r in self.file.part.rels.values()):
            return
        for comment in self.file.comments:
            where = self.ranges.get(str(comment.comment_id))
            if where is None:
                continue
            settled = comment.author == AUTHOR and comment.initials == SETTLED
            self.notes.append(NoteAt(*where, comment.text, settled))

    def _footnotes(self) -> dict[str, str]:
        for relation in self.file.part.rels.values():
            if relation.is_external or not relation.reltype.endswith("/footnotes"):
                continue
            root: Any = parse_xml(relation.target_part.blob)
            return {
                note.get(qn("w:id"), ""): "".join(
                    t.text or "" for t in note.iter(qn("w:t"))
                ).strip()
                for note in root
            }
        return {}


def _said_by(ask: Callable[[], Any]) -> Any:
    """What a file says, or None where it is nothing that python-docx knows."""
    try:
        return ask()
    except (ValueError, AttributeError, KeyError):
        return None


_FACES = (
    ("bold", "bold"), ("italic", "italic"), ("underline", "underline"), ("strike", "strike"),
    ("subscript", "subscript"), ("superscript", "superscript"),
)  # fmt: skip


def _span(tc: Any) -> int:
    return min(int(tc.grid_span), 60)


def _named_shade(shade: str) -> str:
    return next((name for name, value in SHADES.items() if value == shade), shade)


def _as_text(data: bytes) -> bytes:
    """A file with macros has another type; python-docx is told that it is an ordinary one."""
    with zipfile.ZipFile(io.BytesIO(data)) as archive:
        types = archive.read("[Content_Types].xml") if "[Content_Types].xml" in (
            archive.namelist()) else b""  # fmt: skip
        if b"macroEnabled" not in types and b"template.main" not in types:
            return data
        out = io.BytesIO()
        with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as new:
            for item in archive.infolist():
                body = archive.read(item.filename)
                if item.filename == "[Content_Types].xml":
                    body = body.replace(
                        b"application/vnd.ms-word.document.macroEnabled.main+xml",
                        b"application/vnd.openxmlformats-officedocument.wordprocessingml"
                        b".document.main+xml",
                    ).replace(b"wordprocessingml.template.main", b"wordprocessingml.document.main")
                new.writestr(item.filename, body)
        return out.getvalue()


def read(data: bytes) -> Read:
    """A document from a file's bytes, and what was lost on the way; BadInput for a damaged one."""
    try:
        return _Reader(data).read()
    except (AttributeError, LookupError, TypeError, ValueError) as error:
        # python-docx trusts what a file says of itself.
        raise BadInput(f"This {KIND} is damaged; save it anew where it was written.") from error
