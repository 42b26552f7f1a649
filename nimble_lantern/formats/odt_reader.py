"""Reads OpenDocument text, as the XML that it is: see `formats/odt.py`."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from xml.etree.ElementTree import Element

from defusedxml.ElementTree import fromstring

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
from nimble_lantern.formats.odt_writer import HIDDEN, MOST_LEVELS, SETTLED
from nimble_lantern.formats.registry import Read
from nimble_lantern.formats.zipped import checked, harmless, part

KIND = "OpenDocument text"
_ALIGNED = {"center": Align.CENTRE, "end": Align.RIGHT, "right": Align.RIGHT,
            "justify": Align.JUSTIFIED}  # fmt: skip
_QUOTED = {"Quotations", "Quote", "Intense_20_Quote", "Block_20_Text"}


_SPACES = {
    "urn:oasis:names:tc:opendocument:xmlns:office:1.0": "office",
    "urn:oasis:names:tc:opendocument:xmlns:text:1.0": "text",
    "urn:oasis:names:tc:opendocument:xmlns:table:1.0": "table",
    "urn:oasis:names:tc:opendocument:xmlns:style:1.0": "style",
    "urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0": "fo",
    "urn:oasis:names:tc:opendocument:xmlns:drawing:1.0": "draw",
    "http://www.w3.org/1999/xlink": "xlink",
    "http://purl.org/dc/elements/1.1/": "dc",
}


def _short(name: str) -> str:
    """An element's or attribute's name with the usual prefix."""
    space, _, local = name[1:].partition("}") if name.startswith("{") else ("", "", name)
    return f"{_SPACES.get(space, '?')}:{local}" if space else local


@dataclass(frozen=True, slots=True)
class _Style:
    parent: str | None
    family: str
    paragraph: dict[str, str]
    text: dict[str, str]
    outline: int | None = None


@dataclass
class _Text:
    parts: list[str] = field(default_factory=list)
    length: int = 0
    spans: list[Span] = field(default_factory=list)

    def add(self, words: str, marks: Sequence[tuple[str, str | None]]) -> None:
        end = self.length + len(words)
        self.spans += (Span(self.length, end, mark, value) for mark, value in marks)
        self.parts.append(words)
        self.length = end


Marks = tuple[tuple[str, str | None], ...]


class _Reader:
    def __init__(self, data: bytes) -> None:
        archive = checked(data, "content.xml", KIND)
        harmless(archive, KIND)
        names = archive.namelist()
        self.losses: set[str] = set()
        if any(n.startswith("Pictures/") for n in names):
            self.losses.add("Its pictures were left out.")
        if any(n.startswith(("Basic/", "Scripts/")) for n in names):
            self.losses.add("The macros in it were left out.")
        try:
            self.content = fromstring(part(archive, "content.xml", KIND))
            extra = fromstring(part(archive, "styles.xml", KIND)) if "styles.xml" in names else None
        except BadInput:
            raise
        except Exception as error:
            raise BadInput(f"This {KIND} is damaged; save it anew where it was written.") from error
        self.styles: dict[tuple[str, str], _Style] = {}
        self.lists: dict[str, dict[int, Bullets]] = {}
        for root in (extra, self.content):
            if root is not None:
                self._learn(root)
        self.blocks: list[Block] = []
        self.notes: list[NoteAt] = []
        self.open_notes: dict[str, tuple[tuple[int, int], str, bool]] = {}
        self.tables = 0

    def read(self) -> Read:
        body = next((e for e in self.content.iter() if _short(e.tag) == "office:text"), None)
        if body is None:
            raise BadInput(f"This is no {KIND}: there is no text in it.")
        self._body(body, 0, None)
        return Read(built(self.blocks, self.notes), tuple(sorted(self.losses)))

    def _learn(self, root: Element) -> None:
        for element in root.iter():
            name = _short(element.tag)
            if name == "style:style":
                values = _attributes(element)
                paragraph, face = {}, {}
                for child in element:
                    if _short(child.tag) == "style:paragraph-properties":
                        paragraph = _attributes(child)
                    elif _short(child.tag) == "style:text-properties":
                        face = _attributes(child)
                    elif _short(child.tag) == "style:table-column-properties":
                        paragraph = _attributes(child)
                level = values.get("style:default-outline-level", "")
                key = (values.get("style:family", ""), values.get("style:name", ""))
                self.styles[key] = _Style(
                    values.get("style:parent-style-name"),
                    key[0],
                    paragraph,
                    face,
                    int(level) if level.isdigit() else None,
                )
            elif name == "text:list-style":
                levels = {}
                for child in element:
                    values = _attributes(child)
                    if (level := values.get("text:level", "")).isdigit():
                        kind = _short(child.tag)
                        form = values.get("style:num-format", "1")
                        if kind == "text:list-level-style-number" and form:
                            levels[int(level)] = Bullets.NUMBERED
                        else:
                            levels[int(level)] = Bullets.BULLETED
                self.lists[_attributes(element).get("style:name", "")] = levels

    def _line(self, family: str, name: str | None) -> Iterator[_Style]:
        """A style and those it is based on."""
        for _ in range(20):
            found = self.styles.get((family, name or ""))
            if found is None:
                return
            yield found
            name = found.parent

    def _names(self, family: str, name: str | None) -> set[str]:
        names = set()
        for _ in range(20):
            if name is None:
                break
            names.add(name)
            found = self.styles.get((family, name))
            name = found.parent if found else None
        return names

    def _body(self, parent: Element, level: int, kind: str | None) -> None:
        for child in parent:
            name = _short(child.tag)
            if name in ("text:p", "text:h"):
                self._paragraph(child, level, kind)
            elif name == "text:list":
                self._list(child, level + 1, kind)
            elif name == "table:table":
                self._table(child)
            elif name == "text:tracked-changes":
                self.losses.add("Tracked changes were taken as they would be accepted.")
            elif name in ("text:section", "text:index-body", "text:table-of-content"):
                self._body(child, level, kind)

    def _list(self, element: Element, level: int, kind: str | None) -> None:
        own = _attributes(element).get("text:style-name") or kind
        for item in element:
            if _short(item.tag) in ("text:list-item", "text:list-header"):
                self._body(item, level, own)

    def _paragraph(self, element: Element, level: int, kind: str | None) -> None:
        values = _attributes(element)
        name = values.get("text:style-name")
        b = len(self.blocks)
        found = _Text()
        self._walk(element, found, b, ())
        joined = "".join(found.parts)
        if name == HIDDEN and not joined:
            return
        form = self._format(element, name, level, kind)
        block = Block(joined, normal_spans(found.spans, len(joined)))
        self.blocks.append(block.formatted(form))

    def _format(self, element: Element, name: str | None, level: int, kind: str | None) -> Format:
        align, space = Align.LEFT, 1.0
        for own in reversed(list(self._line("paragraph", name))):
            align = _ALIGNED.get(own.paragraph.get("fo:text-align", ""), align)
            if own.paragraph.get("fo:text-align") in ("start", "left"):
                align = Align.LEFT
            height = own.paragraph.get("fo:line-height", "")
            if height.endswith("%") and height[:-1].replace(".", "").isdigit():
                space = round(float(height[:-1]) / 100, 2)
        space = space if 0.5 <= space <= 4 else 1.0
        names = self._names("paragraph", name)
        if _short(element.tag) == "text:h":
            outline = _attributes(element).get("text:outline-level", "1")
            deep = int(outline) if outline.isdigit() else 1
            if deep > 3:
                self.losses.add("Headings deeper than the third level were put on that level.")
            return Format(Kind.HEADING, max(1, min(3, deep)), None, align, space)
        if "Title" in names:
            return Format(Kind.HEADING, 1, None, align, space)
        if level:
            if level > MOST_LEVELS:
                self.losses.add(f"Items deeper than level {MOST_LEVELS} were put on that level.")
            bullets = self.lists.get(kind or "", {}).get(min(level, 10), Bullets.BULLETED)
            return Format(Kind.ITEM, min(level, MOST_LEVELS), bullets, align, space)
        if names & _QUOTED:
            return Format(Kind.QUOTATION, None, None, align, space)
        return Format(Kind.PARAGRAPH, None, None, align, space)

    def _walk(self, element: Element, found: _Text, b: int, marks: Marks) -> None:
        found.add(_flat(element.text), marks)
        for child in element:
            self._inside(child, found, b, marks)
            found.add(_flat(child.tail), marks)

    def _inside(self, child: Element, found: _Text, b: int, marks: Marks) -> None:
        values = _attributes(child)
        match _short(child.tag):
            case "text:span":
                own = self._marks(values.get("text:style-name"))
                kept = tuple(m for m in marks if m[0] not in {o[0] for o in own})
                self._walk(child, found, b, (*kept, *own))
            case "text:a":
                link = safe_link(values.get("xlink:href", ""))
                if link is None:
                    self.losses.add("Links that could do harm were left out; their words are here.")
                self._walk(child, found, b, (*marks, ("link", link)) if link else marks)
            case "text:s":
                count = values.get("text:c", "1")
                found.add(" " * min(int(count) if count.isdigit() else 1, 200), marks)
            case "text:tab":
                found.add(" ", marks)
            case "text:line-break":
                found.add("\n", marks)
            case "text:note":
                said = " ".join("".join(p.itertext()).strip() for p in child.iter()
                                if _short(p.tag) == "text:p")  # fmt: skip
                start = max(0, "".join(found.parts).rstrip().rfind(" ") + 1)
                self.notes.append(NoteAt((b, start), (b, found.length), said, False))
                self.losses.add("Footnotes became margin notes.")
            case "office:annotation":
                self._annotation(child, values.get("office:name", ""), found, b)
            case "office:annotation-end":
                opened = self.open_notes.pop(values.get("office:name", ""), None)
                if opened is not None:
                    self.notes.append(NoteAt(opened[0], (b, found.length), *opened[1:]))
            case "draw:frame" | "draw:image" | "draw:custom-shape":
                self.losses.add("Its pictures were left out.")
            case "text:change" | "text:change-start" | "text:change-end":
                self.losses.add("Tracked changes were taken as they would be accepted.")
            case name if name.startswith("text:") and name != "text:soft-page-break":
                self._walk(child, found, b, marks)

    def _annotation(self, child: Element, name: str, found: _Text, b: int) -> None:
        lines = ["".join(p.itertext()) for p in child if _short(p.tag) == "text:p"]
        creator = next((e.text or "" for e in child if _short(e.tag) == "dc:creator"), "")
        note = ((b, found.length), "\n".join(lines), creator == SETTLED)
        if name:
            self.open_notes[name] = note
        else:
            start = max(0, "".join(found.parts).rstrip().rfind(" ") + 1)
            self.notes.append(NoteAt((b, start), (b, found.length), note[1], note[2]))

    def _marks(self, name: str | None) -> Marks:
        found: dict[str, str | None] = {}
        values: dict[str, str] = {}
        for own in reversed(list(self._line("text", name))):
            values |= own.text
        if values.get("fo:font-weight", "") in ("bold", "600", "700", "800", "900"):
            found["bold"] = None
        if values.get("fo:font-style") in ("italic", "oblique"):
            found["italic"] = None
        if values.get("style:text-underline-style", "none") != "none":
            found["underline"] = None
        if values.get("style:text-line-through-style", "none") != "none":
            found["strike"] = None
        position = values.get("style:text-position", "")
        if position.startswith(("sub", "-")):
            found["subscript"] = None
        elif position.startswith("super") or position[:1].isdigit() and position[:1] != "0":
            found["superscript"] = None
        if values.get("fo:background-color", "transparent") not in ("transparent", "#ffffff"):
            found["highlight"] = None
        shade = colour(values.get("fo:color", ""))
        if shade is not None and shade != "#000000":
            found["colour"] = next((n for n, v in SHADES.items() if v == shade), shade)
        face = values.get("fo:font-family") or values.get("style:font-name")
        if face:
            family = font(face)
            if family is None:
                self.losses.add(f"The font {face[:40]} is not here; the desk’s own is used.")
            else:
                found["font"] = family
        points = size(values.get("fo:font-size", ""))
        if points is not None:
            found["size"] = points
        return tuple(found.items())

    def _table(self, element: Element) -> None:
        rows: list[tuple[Element, bool]] = []
        widths: list[float] = []
        self._rows(element, rows, widths, False)
        rows = rows[:5_000]
        wide = max((sum(_repeated(c) for c in row if _is_cell(c)) for row, _ in rows), default=0)
        wide = min(wide, 100)
        if not rows or not wide:
            return
        self.tables += 1
        shares = column_shares(widths, wide)
        for r, (row, heads) in enumerate(rows):
            c = 0
            for child in row:
                if not _is_cell(child):
                    continue
                if _short(child.tag) == "table:covered-table-cell":
                    self.losses.add("Cells that were joined stand apart.")
                for _ in range(min(_repeated(child), wide - c)):
                    self._cell(child, Cell(self.tables, r, c, heads and r == 0, shares[c]))
                    c += 1
            while c < wide:
                self._cell(None, Cell(self.tables, r, c, heads and r == 0, shares[c]))
                c += 1

    def _rows(
        self, element: Element, rows: list[tuple[Element, bool]], widths: list[float], heads: bool
    ) -> None:
        for child in element:
            match _short(child.tag):
                case "table:table-row":
                    rows.append((child, heads))
                case "table:table-header-rows":
                    self._rows(child, rows, widths, True)
                case "table:table-rows" | "table:table-row-group" | "table:table-columns":
                    self._rows(child, rows, widths, heads)
                case "table:table-column":
                    values = _attributes(child)
                    own = self.styles.get(("table-column", values.get("table:style-name", "")))
                    wide = own.paragraph.get("style:column-width", "") if own else ""
                    count = values.get("table:number-columns-repeated", "1")
                    many = min(int(count) if count.isdigit() else 1, 100)
                    widths += [_points(wide)] * many

    def _cell(self, element: Element | None, cell: Cell) -> None:
        b, found, form = len(self.blocks), _Text(), Format()
        if element is not None:
            paragraphs = list(_paragraphs(element))
            for n, paragraph in enumerate(paragraphs):
                if n:
                    found.add("\n", ())
                self._walk(paragraph, found, b, ())
            if paragraphs:
                name = _attributes(paragraphs[0]).get("text:style-name")
                form = self._format(paragraphs[0], name, 0, None)
        joined = "".join(found.parts)
        block = Block(joined, normal_spans(found.spans, len(joined)))
        kept = Format(Kind.CELL, None, None, form.align, form.spacing, cell)
        self.blocks.append(block.formatted(kept))


def _paragraphs(element: Element) -> Iterator[Element]:
    """The paragraphs in a cell, those of its notes left out."""
    for child in element:
        if _short(child.tag) in ("text:p", "text:h"):
            yield child
        elif _short(child.tag) not in ("office:annotation", "text:note"):
            yield from _paragraphs(child)


def _attributes(element: Element) -> dict[str, str]:
    return {_short(name): value for name, value in element.attrib.items()}


def _flat(words: str | None) -> str:
    """Text of the XML, whose runs of white space are one space."""
    if not words:
        return ""
    return "".join(" " if c in "\t\n\r" else c for c in words)


def _is_cell(element: Element) -> bool:
    return _short(element.tag) in ("table:table-cell", "table:covered-table-cell")


def _repeated(element: Element) -> int:
    count = _attributes(element).get("table:number-columns-repeated", "1")
    return min(int(count) if count.isdigit() else 1, 100)


def _points(width: str) -> float:
    found = size(width) if width else None
    if found is not None:
        return float(found)
    number = width.rstrip("abcdefghijklmnopqrstuvwxyz%")
    units = {"pt": 1.0, "cm": 72 / 2.54, "mm": 72 / 25.4, "in": 72.0}
    try:
        return float(number) * units.get(width[len(number) :], 1.0)
    except ValueError:
        return 0.0


def read(data: bytes) -> Read:
    """A document from a file's bytes, and what was lost on the way; BadInput for a damaged one."""
    try:
        return _Reader(data).read()
    except (LookupError, TypeError, ValueError) as error:
        raise BadInput(f"This {KIND} is damaged; save it anew where it was written.") from error
