"""HTML: the elements of the living standard that a document needs, no scripts, no classes."""

from __future__ import annotations

import re
from collections.abc import Sequence
from html import escape

from nimble_lantern.core.document.layout import LEADING
from nimble_lantern.core.document.model import Block, Bullets, Document, Kind
from nimble_lantern.core.document.tables import Table, table_at
from nimble_lantern.formats import incoming
from nimble_lantern.formats.building import notes_lost
from nimble_lantern.formats.registry import FileFormat, Written
from nimble_lantern.formats.runs import nested

_TAGS = {
    "bold": "strong",
    "italic": "em",
    "underline": "u",
    "strike": "s",
    "subscript": "sub",
    "superscript": "sup",
    "highlight": "mark",
}
_STYLES = {"colour": "color", "font": "font-family", "size": "font-size"}
_SPACES = re.compile(r"^ +| +$|  +| +(?=\n)|(?<=\n) +")
"""Spaces that a reader of HTML would take for fewer."""
_ALIGN = {"centre": "center", "right": "right", "justified": "justify"}


def to_html(document: Document, whole: bool = False) -> str:
    """A fragment: one element a block, items in lists, cells in tables.

    Empty blocks are left out, unless it is to come back the same (`whole`).
    """
    out: list[str] = []
    open_lists: list[str] = []
    b, blocks = 0, document.blocks
    while b < len(blocks):
        block = blocks[b]
        level = (block.level or 1) if block.kind == Kind.ITEM else 0
        tag = "ol" if block.list == Bullets.NUMBERED else "ul"
        while len(open_lists) > level or (
            level and len(open_lists) == level and open_lists[-1] != tag
        ):
            out.append(f"</li></{open_lists.pop()}>")
        table = table_at(blocks, b)
        if table is not None:
            out.append(_table(blocks, table))
            b = table.last + 1
            continue
        b += 1
        if not block.text.strip() and not whole:
            continue
        if level:
            if len(open_lists) == level:
                out.append("</li>")
            while len(open_lists) < level:
                open_lists.append(tag)
                out.append(f"<{tag}>" if len(open_lists) == level else f"<{tag}><li>")
            out.append(f"<li{_style(block)}>{_inline(block)}")
        else:
            out.append(_element(block))
    out += [f"</li></{tag}>" for tag in reversed(open_lists)]
    return "\n".join(out)


def _table(blocks: Sequence[Block], table: Table) -> str:
    lines = []
    for row in range(table.rows):
        cells = (blocks[table.cell(row, column)] for column in range(table.columns))
        lines.append("<tr>" + "".join(map(_cell, cells)) + "</tr>")
    return "<table>" + _columns(blocks, table) + "".join(lines) + "</table>"


def _columns(blocks: Sequence[Block], table: Table) -> str:
    """The widths of a table's columns, where they are not all the same."""
    heads = (blocks[table.cell(0, column)].cell for column in range(table.columns))
    shares = [cell.share for cell in heads if cell is not None]
    if max(shares) == min(shares):
        return ""
    made = "".join(f'<col style="width: {100 * share:.1f}%">' for share in shares)
    return f"<colgroup>{made}</colgroup>"


def _cell(block: Block) -> str:
    tag = "th" if block.cell and block.cell.header else "td"
    return f"<{tag}{_style(block)}>{_inline(block)}</{tag}>"


def _style(block: Block) -> str:
    """What a block's format asks for, beside its element."""
    found = []
    if align := _ALIGN.get(block.align):
        found.append(f"text-align: {align}")
    if block.spacing != 1.0:
        found.append(f"line-height: {block.spacing * LEADING:g}")
    return f' style="{"; ".join(found)}"' if found else ""


def _element(block: Block) -> str:
    style = _style(block)
    if block.kind == "heading":
        return f"<h{block.level}{style}>{_inline(block)}</h{block.level}>"
    if block.kind == "quotation":
        return f"<blockquote><p{style}>{_inline(block)}</p></blockquote>"
    return f"<p{style}>{_inline(block)}</p>"


def _inline(block: Block) -> str:
    out: list[str] = []
    for step, what in nested(block, spaces=True):
        if step == "text":
            assert isinstance(what, str)
            kept = _SPACES.sub(lambda m: "\xa0" * len(m[0]), what)
            out.append(escape(kept, quote=False).replace("\n", "<br>"))
            continue
        assert isinstance(what, tuple)
        mark, value = what[0], escape(what[1] or "")
        if mark in _TAGS:
            out.append(f"<{_TAGS[mark]}>" if step == "open" else f"</{_TAGS[mark]}>")
        elif mark == "link":
            out.append(f'<a href="{value}">' if step == "open" else "</a>")
        else:
            unit = "pt" if mark == "size" else ""
            style = f'<span style="{_STYLES[mark]}: {value}{unit}">'
            out.append(style if step == "open" else "</span>")
    return "".join(out)


def _write(document: Document) -> Written:
    losses = notes_lost(document, "HTML")
    return Written(to_html(document, whole=True).encode(), losses)


FORMAT = FileFormat("html", (".html", ".htm"), "text/html", incoming.read, _write)
