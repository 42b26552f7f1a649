"""HTML that comes in: cleaned by nh3, then read into blocks with the standard library's parser."""

from __future__ import annotations

import re
from html.parser import HTMLParser

import nh3

from nimble_lantern.core.document.layout import LEADING
from nimble_lantern.core.document.model import (
    Align,
    Block,
    Bullets,
    Document,
    Format,
    Kind,
    Piece,
    Span,
    normal_spans,
)
from nimble_lantern.core.document.styles import STYLES
from nimble_lantern.core.document.tables import cells
from nimble_lantern.core.errors import BadInput
from nimble_lantern.formats.building import column_shares, safe_link
from nimble_lantern.formats.registry import Read, decoded

MOST_BYTES = 10_000_000
MOST_PARTS = 80_000
MOST_LEVELS = 9
_MARKS = {
    "b": "bold", "strong": "bold", "i": "italic", "em": "italic", "cite": "italic",
    "u": "underline", "ins": "underline", "s": "strike", "del": "strike", "strike": "strike",
    "sub": "subscript", "sup": "superscript", "mark": "highlight",
}  # fmt: skip
_BLOCKS = frozenset(
    "p div section article header footer main aside address blockquote li ul ol h1 h2 h3 h4 h5 h6"
    " table tr td th colgroup col pre hr dl dt dd figure figcaption nav body".split()
)
_TAGS = _BLOCKS | frozenset(_MARKS) | {"a", "br", "span", "thead", "tbody", "tfoot", "code"}
_EMPTY = frozenset("p li h1 h2 h3".split())
_WHITE = tuple(" \t\r\n")
_ALIGN = {"center": Align.CENTRE, "right": Align.RIGHT, "justify": Align.JUSTIFIED}
_CSS = {"color": "colour", "font-family": "font", "font-size": "size"}
_HANDLER = re.compile(r"<[a-z][^>]*\son[a-z]+\s*=")


def from_html(text: str) -> Read:
    """A document from HTML; what could do harm is left out, and so is what it cannot hold."""
    if len(text) > MOST_BYTES:
        raise BadInput(
            f"This page has {len(text) / 1e6:.0f} million characters, and {MOST_BYTES / 1e6:.0f} "
            "are the most that is opened; make several of it."
        )
    if text.count("<") > MOST_PARTS * 2:
        raise BadInput(f"This page has more than {MOST_PARTS:,} parts; make several of it.")
    losses = set()
    low = text.lower()
    if "<script" in low or "javascript:" in low or _HANDLER.search(low):
        losses.add("Scripts were left out.")
    if "<img" in low or "<video" in low or "<iframe" in low:
        losses.add("Its pictures and embedded pages were left out.")
    cleaned = nh3.clean(
        text,
        tags=set(_TAGS),
        clean_content_tags={"script", "style", "template", "head", "title", "iframe", "svg"},
        attributes={
            "*": {"style", "align"},
            "a": {"href"},
            "td": {"colspan"},
            "th": {"colspan"},
            "col": {"width", "span"},
        },
        url_schemes={"http", "https", "mailto", "tel", "ftp"},
        link_rel=None,
    )
    parser = _Parser(losses)
    try:
        parser.feed(cleaned)
        parser.close()
    except RecursionError as error:
        raise BadInput("This page is nested too deeply to be opened.") from error
    parser.ended()
    return Read(Document(tuple(parser.blocks) or (Block(),)), tuple(sorted(losses)))


class _Parser(HTMLParser):
    def __init__(self, losses: set[str]) -> None:
        super().__init__(convert_charrefs=True)
        self.losses = losses
        self.blocks: list[Block] = []
        self.text, self.spans = "", list[Span]()
        self.open: list[tuple[str, str, str | None, int]] = []
        self.lists: list[Bullets] = []
        self.form = Format()
        self.quoted = 0
        self.pre = False
        self.rows: list[list[tuple[Piece, Format]]] | None = None
        self.widths: list[float] = []
        self.heads = False
        self.tables = 0
        self.fresh = ""  # the element that just began, and nothing in it

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        values = {name: value or "" for name, value in attrs}
        self.fresh = tag if tag in _EMPTY else ""
        if tag == "br":
            self._add("\n")
            return
        if tag in _BLOCKS:
            self._block_starts(tag, values)
            return
        if tag in _MARKS:
            self._opened(tag, _MARKS[tag], None)
        elif tag == "a":
            link = safe_link(values.get("href", ""))
            self._opened(tag, "link" if link else "", link)
        elif tag == "span":
            self._styled(values.get("style", ""))

    def _opened(self, tag: str, mark: str, value: str | None) -> None:
        self.open.append((tag, mark, value, len(self.text)))

    def _styled(self, declarations: str) -> None:
        first = True
        for declaration in declarations.split(";"):
            name, _, value = declaration.partition(":")
            mark = _CSS.get(name.strip().lower())
            if mark is None:
                continue
            known = STYLES[mark](value)
            if known is None:
                self.losses.add(f"The {mark} “{value.strip()[:40]}” is not known and left out.")
            self.open.append(("span" if first else "+", mark if known else "", known,
                              len(self.text)))  # fmt: skip
            first = False
        if first:
            self._opened("span", "", None)

    def _block_starts(self, tag: str, values: dict[str, str]) -> None:
        if self.rows is not None:
            self._in_table_starts(tag, values)
            return
        self.ended()
        if tag in ("ul", "ol"):
            self.lists.append(Bullets.NUMBERED if tag == "ol" else Bullets.BULLETED)
        elif tag == "li":
            level = max(1, min(len(self.lists), MOST_LEVELS))
            kind = self.lists[-1] if self.lists else Bullets.BULLETED
            self.form = Format(Kind.ITEM, level, kind)
        elif tag[0] == "h" and tag[1:].isdigit():
            level = int(tag[1:])
            if level > 3:
                self.losses.add("Headings deeper than the third level were put on that level.")
            self.form = Format(Kind.HEADING, min(3, level))
        elif tag == "blockquote":
            self.quoted += 1
        elif tag == "table":
            self.rows, self.heads, self.widths = [], False, []
            return
        elif tag == "pre":
            self.pre = True
        if tag not in ("ul", "ol", "li") and not (tag[0] == "h" and tag[1:].isdigit()):
            inside = bool(self.lists) and self.form.kind is Kind.ITEM
            if not inside:
                self.form = Format(Kind.QUOTATION if self.quoted else Kind.PARAGRAPH)
        self.form = self._dressed(self.form, values)

    def _dressed(self, form: Format, values: dict[str, str]) -> Format:
        style = values.get("style", "")
        align = values.get("align", "")
        for declaration in style.split(";"):
            name, _, value = declaration.partition(":")
            if name.strip().lower() == "text-align":
                align = value.strip().lower()
            elif name.strip().lower() == "line-height":
                form = form._replace(spacing=_spacing(value.strip()))
        return form._replace(align=_ALIGN[align]) if align in _ALIGN else form

    def _in_table_starts(self, tag: str, values: dict[str, str]) -> None:
        assert self.rows is not None
        if tag == "tr":
            self.rows.append([])
        elif tag == "col":
            self.widths += [_width(values)] * _span(values)
        elif tag in ("td", "th"):
            if not self.rows:
                self.rows.append([])
            self.heads = self.heads or (tag == "th" and len(self.rows) == 1)
            self.text, self.spans = "", []
            self.form = self._dressed(Format(), values)
        elif self.text.strip():
            self._add("\n")

    def handle_endtag(self, tag: str) -> None:
        empty, self.fresh = self.fresh == tag, ""
        if empty and self.rows is None and not self.text:
            self.blocks.append(Block().formatted(self.form))
        if tag in _BLOCKS:
            self._block_ends(tag)
            return
        for k in range(len(self.open) - 1, -1, -1):
            if self.open[k][0] == tag:
                while k < len(self.open):
                    _, mark, value, start = self.open.pop(k)
                    if mark:
                        self.spans.append(Span(start, len(self.text), mark, value))
                    if k >= len(self.open) or self.open[k][0] != "+":
                        break
                return

    def _block_ends(self, tag: str) -> None:
        if self.rows is not None:
            if tag in ("td", "th") and self.rows:
                self.rows[-1].append((self._taken(), self.form))
            elif tag == "table":
                self._table()
            return
        self.ended()
        if tag in ("ul", "ol") and self.lists:
            self.lists.pop()
            self.form = Format()
        elif tag == "blockquote":
            self.quoted = max(0, self.quoted - 1)
            self.form = Format()
        elif tag == "pre":
            self.pre = False
        elif tag == "li" or tag[0] == "h":
            self.form = Format()

    def handle_data(self, data: str) -> None:
        if self.pre:
            self._add(data)
            return
        if data.strip(" \t\r\n"):
            self.fresh = ""
        words = " ".join(data.replace("\r", " ").replace("\n", " ").replace("\t", " ").split(" "))
        words = re.sub(" +", " ", words).strip(" ")
        lead = (
            " " if data[:1] in _WHITE and self.text and not self.text.endswith((" ", "\n")) else ""
        )
        tail = " " if data[-1:] in _WHITE and words else ""
        self._add(f"{lead}{words}{tail}" if words else lead)

    def _add(self, text: str) -> None:
        self.text += text

    def _taken(self) -> Piece:
        """What was read so far, without the space at its ends; marks that are open go on."""
        lead = len(self.text) - len(self.text.lstrip(" "))
        body = self.text.strip(" ").replace("\xa0", " ")
        spans = list(self.spans)
        for k, (tag, mark, value, start) in enumerate(self.open):
            if mark:
                spans.append(Span(start, len(self.text), mark, value))
            self.open[k] = (tag, mark, value, 0)
        moved = (Span(s.start - lead, s.end - lead, s.mark, s.value) for s in spans)
        self.text, self.spans = "", []
        return Piece(body, normal_spans(moved, len(body)))

    def ended(self) -> None:
        """The block that is being read is over."""
        if self.rows is not None:
            self._table()
        piece = self._taken()
        if piece.text:
            self.blocks.append(Block(piece.text, piece.spans).formatted(self.form))
            if self.form.kind is Kind.ITEM:
                # A second paragraph of an item goes on as one.
                self.form = self.form._replace(align=Align.LEFT)

    def _table(self) -> None:
        rows, self.rows = self.rows or [], None
        rows = [row for row in rows if row]
        if not rows:
            return
        self.tables += 1
        wide = max(len(row) for row in rows)
        made = cells([[p for p, _ in row] for row in rows], self.tables, self.heads)
        forms = (f for row in rows for f in [f for _, f in row] + [Format()] * (wide - len(row)))
        shares = column_shares(self.widths, wide)
        for block, form in zip(made, forms, strict=True):
            assert block.cell is not None
            cell = block.cell._replace(share=shares[block.cell.column])
            dressed = Format(Kind.CELL, align=form.align, spacing=form.spacing, cell=cell)
            self.blocks.append(block.formatted(dressed))
        self.form = Format()


_WIDTH = re.compile(r"width\s*:\s*([\d.]+)")


def _width(values: dict[str, str]) -> float:
    """How wide a column is told to be, in percent or pixels; 0 where it is not told."""
    found = _WIDTH.search(values.get("style", "")) or re.match(r"([\d.]+)", values.get("width", ""))
    try:
        return float(found[1]) if found else 0.0
    except ValueError:
        return 0.0


def _span(values: dict[str, str]) -> int:
    told = values.get("span", "1")
    return max(1, min(int(told), MOST_LEVELS)) if told.isdigit() else 1


def _spacing(value: str) -> float:
    try:
        found = float(value)
    except ValueError:
        return 1.0
    spacing = round(found / LEADING, 2)
    return spacing if 0.5 <= spacing <= 4 and abs(spacing - 1) > 0.2 else 1.0


def read(data: bytes) -> Read:
    return from_html(decoded(data))
