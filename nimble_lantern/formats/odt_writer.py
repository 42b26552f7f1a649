"""Writes OpenDocument text, with odfpy: see `formats/odt.py`."""

from __future__ import annotations

import io
from collections.abc import Sequence
from typing import Any

from odf import dc, office, style, table, text
from odf.namespaces import OFFICENS
from odf.opendocument import OpenDocumentText
from odf.teletype import addTextToElement

from nimble_lantern.core.document.layout import runs
from nimble_lantern.core.document.model import (
    Align,
    Block,
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

AUTHOR, SETTLED = "Nimble Lantern", "Nimble Lantern, settled"
WIDTH = 420.0
"""Of the text, in points."""
MOST_LEVELS = 9
HIDDEN = "Between"
_ALIGN = {Align.CENTRE: "center", Align.RIGHT: "end", Align.JUSTIFIED: "justify"}
_PARENTS = {Kind.QUOTATION: "Quotations", Kind.ITEM: "List_20_item"}


class _Writer:
    def __init__(self, document: Document) -> None:
        self.document = document
        self.file = OpenDocumentText()
        self.notes = notes_of(document)
        self.begun: set[int] = set()
        self.done: set[int] = set()
        self.faces: dict[tuple[tuple[str, str | None], ...], str] = {}
        self.shapes: dict[tuple[str, Align, float], str] = {}
        self.list_styles: set[str] = set()
        self.tables = 0

    def written(self, title: str) -> bytes:
        self._prepared(title)
        b, blocks, to = 0, self.document.blocks, self.file.text
        while b < len(blocks):
            found = table_at(blocks, b)
            if found is not None:
                self._table(found)
                b = found.last + 1
                if b >= len(blocks) or blocks[b].cell is not None:
                    to.addElement(text.P(stylename=HIDDEN))
            elif blocks[b].kind == Kind.ITEM:
                b = self._list(b)
            else:
                to.addElement(self._paragraph(b))
                b += 1
        out = io.BytesIO()
        self.file.write(out)
        return out.getvalue()

    def _prepared(self, title: str) -> None:
        self.file.meta.addElement(dc.Title(text=free_of_signs(title)))
        self.file.meta.addElement(dc.Language(text="en-GB"))
        styles = self.file.styles
        base = style.Style(name="Standard", family="paragraph")
        base.addElement(style.TextProperties(fontsize="12pt", language="en", country="GB"))
        styles.addElement(base)
        for level, points in ((1, "20pt"), (2, "17pt"), (3, "14pt")):
            made = style.Style(
                name=f"Heading_20_{level}", displayname=f"Heading {level}", family="paragraph",
                parentstylename="Standard", defaultoutlinelevel=str(level),
            )  # fmt: skip
            made.addElement(style.TextProperties(fontsize=points, fontweight="bold"))
            made.addElement(style.ParagraphProperties(keepwithnext="always", margintop="12pt"))
            styles.addElement(made)
        for name, left in (("Quotations", "28pt"), ("List_20_item", "0pt")):
            made = style.Style(
                name=name, displayname=name.replace("_20_", " "), family="paragraph",
                parentstylename="Standard",
            )  # fmt: skip
            made.addElement(style.ParagraphProperties(marginleft=left))
            styles.addElement(made)
        hidden = style.Style(name=HIDDEN, family="paragraph", parentstylename="Standard")
        hidden.addElement(style.TextProperties(fontsize="1pt"))
        styles.addElement(hidden)
        for kind in Bullets:
            self.file.automaticstyles.addElement(_list_style(kind))
        row = style.Style(name="Cell", family="table-cell")
        row.addElement(style.TableCellProperties(border="0.5pt solid #808080", padding="3pt"))
        self.file.automaticstyles.addElement(row)

    def _paragraph(self, b: int) -> Any:
        block = self.document.blocks[b]
        if block.kind == Kind.HEADING:
            parent = f"Heading_20_{block.level or 1}"
            made = text.H(outlinelevel=str(block.level or 1), stylename=self._shape(parent, block))
        else:
            parent = _PARENTS.get(block.kind, "Standard")
            made = text.P(stylename=self._shape(parent, block))
        self._runs(made, b)
        return made

    def _shape(self, parent: str, block: Block) -> str:
        """The style of a paragraph: its parent's, or one of its own."""
        if block.align is Align.LEFT and block.spacing == 1.0:
            return parent
        key = (parent, block.align, block.spacing)
        if key not in self.shapes:
            name = f"P{len(self.shapes) + 1}"
            made = style.Style(name=name, family="paragraph", parentstylename=parent)
            wanted: dict[str, str] = {}
            if block.align in _ALIGN:
                wanted["textalign"] = _ALIGN[block.align]
            if block.spacing != 1.0:
                wanted["lineheight"] = f"{block.spacing * 100:g}%"
            made.addElement(style.ParagraphProperties(**wanted))
            self.file.automaticstyles.addElement(made)
            self.shapes[key] = name
        return self.shapes[key]

    def _runs(self, to: Any, b: int) -> None:
        block = self.document.blocks[b]
        cuts = {0, len(block.text)}
        for note in self.notes:
            cuts |= {p.offset for p in note.range if p.block == b}
        edges = sorted(cuts)
        for start, end in zip(edges, edges[1:], strict=False):
            self._notes(to, b, start)
            for a, z, marks in runs(block, start, end):
                self._run(to, block.text[a:z], marks)
        self._notes(to, b, len(block.text))

    def _notes(self, to: Any, b: int, offset: int) -> None:
        """The ends and the beginnings of notes at a place."""
        for note in self.notes:
            if note.range.end == (b, offset) and note.number in self.begun - self.done:
                self.done.add(note.number)
                to.addElement(office.AnnotationEnd(name=f"note{note.number}"))
        for note in self.notes:
            if note.range.start == (b, offset) and note.number not in self.begun:
                self.begun.add(note.number)
                made = office.Annotation()
                made.setAttrNS(OFFICENS, "name", f"note{note.number}")
                made.addElement(dc.Creator(text=SETTLED if note.settled else AUTHOR))
                for line in free_of_signs(note.text).split("\n"):
                    made.addElement(text.P(text=line))
                to.addElement(made)

    def _run(self, to: Any, words: str, marks: Sequence[Span]) -> None:
        link = next((s.value for s in marks if s.mark == "link" and s.value), None)
        if link is not None:
            made = text.A(type="simple", href=link)
            to.addElement(made)
            to = made
        faces = tuple((s.mark, s.value) for s in marks if s.mark != "link")
        if faces:
            made = text.Span(stylename=self._face(faces))
            to.addElement(made)
            to = made
        addTextToElement(to, free_of_signs(words))

    def _face(self, marks: tuple[tuple[str, str | None], ...]) -> str:
        if marks not in self.faces:
            name = f"T{len(self.faces) + 1}"
            made = style.Style(name=name, family="text")
            wanted: dict[str, str] = {}
            for mark, value in marks:
                wanted |= _properties(mark, value)
            made.addElement(style.TextProperties(**wanted))
            self.file.automaticstyles.addElement(made)
            self.faces[marks] = name
        return self.faces[marks]

    def _list(self, b: int) -> int:
        """The items from a block on that are of one list; where the next block is."""
        blocks = self.document.blocks
        kind = blocks[b].list or Bullets.BULLETED
        kinds = self._kinds(b)
        outer = text.List(stylename=self._list_style(kinds))
        self.file.text.addElement(outer)
        open_lists: list[tuple[Any, Bullets]] = [(outer, kind)]
        first = b
        while b < len(blocks) and blocks[b].kind == Kind.ITEM:
            block = blocks[b]
            level, kind = block.level or 1, block.list or Bullets.BULLETED
            if level == 1 and open_lists[0][1] != kind and b > first:
                break
            del open_lists[level:]
            if len(open_lists) == level and open_lists[-1][1] != kind and level > 1:
                open_lists.pop()
            while len(open_lists) < level:
                parent = open_lists[-1][0]
                if not parent.childNodes:
                    parent.addElement(text.ListItem())
                at = len(open_lists)
                plain = kinds[min(at, MOST_LEVELS - 1)] == kind
                inner = text.List() if plain else text.List(stylename=_LIST[kind])
                parent.childNodes[-1].addElement(inner)
                open_lists.append((inner, kind))
            item = text.ListItem()
            item.addElement(self._paragraph(b))
            open_lists[-1][0].addElement(item)
            b += 1
        return b

    def _kinds(self, b: int) -> list[Bullets]:
        """The kind of each level of the list that begins at a block, as it first occurs there."""
        blocks = self.document.blocks
        first = blocks[b].list or Bullets.BULLETED
        found: dict[int, Bullets] = {}
        while b < len(blocks) and blocks[b].kind == Kind.ITEM:
            level, kind = blocks[b].level or 1, Bullets(blocks[b].list or Bullets.BULLETED)
            if level == 1 and kind != first:
                break
            found.setdefault(level, kind)
            b += 1
        return [found.get(level, Bullets(first)) for level in range(1, MOST_LEVELS + 1)]

    def _list_style(self, kinds: list[Bullets]) -> str:
        """The style of a list whose levels are of these kinds: one for all that are alike."""
        if len(set(kinds)) == 1:
            return _LIST[kinds[0]]
        name = "".join("N" if kind == Bullets.NUMBERED else "B" for kind in kinds)
        if name not in self.list_styles:
            self.list_styles.add(name)
            self.file.automaticstyles.addElement(_mixed_style(name, kinds))
        return name

    def _table(self, found: Table) -> None:
        self.tables += 1
        blocks = self.document.blocks
        made = table.Table(name=f"Table{self.tables}")
        for c in range(found.columns):
            cell = blocks[found.cell(0, c)].cell
            share = cell.share if cell else 1 / found.columns
            name = f"Table{self.tables}.{c + 1}"
            own = style.Style(name=name, family="table-column")
            own.addElement(style.TableColumnProperties(columnwidth=f"{share * WIDTH:.4f}pt"))
            self.file.automaticstyles.addElement(own)
            made.addElement(table.TableColumn(stylename=name))
        first = blocks[found.first].cell
        for r in range(found.rows):
            row = table.TableRow()
            for c in range(found.columns):
                cell_made = table.TableCell(stylename="Cell", valuetype="string")
                cell_made.addElement(self._paragraph(found.cell(r, c)))
                row.addElement(cell_made)
            if r == 0 and first is not None and first.header:
                heads = table.TableHeaderRows()
                heads.addElement(row)
                made.addElement(heads)
            else:
                made.addElement(row)
        self.file.text.addElement(made)


_LIST = {Bullets.BULLETED: "Bullets", Bullets.NUMBERED: "Numbers"}


def _list_style(kind: Bullets) -> Any:
    return _mixed_style(_LIST[kind], [kind] * MOST_LEVELS)


def _mixed_style(name: str, kinds: Sequence[Bullets]) -> Any:
    made = text.ListStyle(name=name)
    for level, kind in enumerate(kinds, 1):
        if kind == Bullets.BULLETED:
            own = text.ListLevelStyleBullet(level=str(level), bulletchar="•◦▪"[min(level, 3) - 1])
        else:
            own = text.ListLevelStyleNumber(level=str(level), numformat="1", numsuffix=".")
        own.addElement(
            style.ListLevelProperties(spacebefore=f"{18 * (level - 1)}pt", minlabelwidth="18pt")
        )
        made.addElement(own)
    return made


def _properties(mark: str, value: str | None) -> dict[str, str]:
    """A mark as attributes of a text style."""
    match mark, value:
        case "bold", _:
            return {"fontweight": "bold"}
        case "italic", _:
            return {"fontstyle": "italic"}
        case "underline", _:
            return {"textunderlinestyle": "solid", "textunderlinewidth": "auto"}
        case "strike", _:
            return {"textlinethroughstyle": "solid"}
        case "subscript", _:
            return {"textposition": "sub 58%"}
        case "superscript", _:
            return {"textposition": "super 58%"}
        case "highlight", _:
            return {"backgroundcolor": "#ffff00"}
        case "colour", str(shade):
            return {"color": shade_of(shade)}
        case "font", str(family):
            return {"fontfamily": f"'{family}'"}
        case "size", str(points):
            return {"fontsize": f"{float(points):g}pt"}
    return {}


def to_odt(document: Document) -> bytes:
    """The document as a file of its own, titled by its first heading."""
    headings = (b.text for b in document.blocks if b.kind is Kind.HEADING and b.text.strip())
    return _Writer(document).written(next(headings, "Untitled").replace("\n", " "))


def write(document: Document) -> Written:
    """A file's bytes, and what it cannot hold."""
    return Written(to_odt(document), lowered_and_raised(document))
