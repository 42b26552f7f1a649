"""HTML: the elements of the living standard that a document needs, no scripts, no classes."""

from __future__ import annotations

from html import escape

from nimble_lantern.core.document.model import Block, Document
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
_ALIGN = {"centre": "center", "right": "right", "justified": "justify"}


def to_html(document: Document) -> str:
    """A fragment: one element a block, items in lists; empty blocks left out."""
    out: list[str] = []
    open_lists: list[str] = []
    for block in document.blocks:
        level = (block.level or 1) if block.kind == "item" else 0
        tag = "ol" if block.list == "numbered" else "ul"
        while len(open_lists) > level or (
            level and len(open_lists) == level and open_lists[-1] != tag
        ):
            out.append(f"</li></{open_lists.pop()}>")
        if not block.text.strip():
            continue
        if level:
            if len(open_lists) == level:
                out.append("</li>")
            while len(open_lists) < level:
                open_lists.append(tag)
                out.append(f"<{tag}>" if len(open_lists) == level else f"<{tag}><li>")
            out.append(f"<li>{_inline(block)}")
        else:
            out.append(_element(block))
    out += [f"</li></{tag}>" for tag in reversed(open_lists)]
    return "\n".join(out)


def _element(block: Block) -> str:
    align = _ALIGN.get(block.align)
    style = f' style="text-align: {align}"' if align else ""
    if block.kind == "heading":
        return f"<h{block.level}{style}>{_inline(block)}</h{block.level}>"
    if block.kind == "quotation":
        return f"<blockquote><p{style}>{_inline(block)}</p></blockquote>"
    if block.kind == "table":
        rows = (row.split("\t") for row in block.text.split("\n"))
        cells = ("".join(f"<td>{escape(c)}</td>" for c in row) for row in rows)
        return "<table>" + "".join(f"<tr>{c}</tr>" for c in cells) + "</table>"
    return f"<p{style}>{_inline(block)}</p>"


def _inline(block: Block) -> str:
    out: list[str] = []
    for step, what in nested(block):
        if step == "text":
            assert isinstance(what, str)
            out.append(escape(what, quote=False).replace("\n", "<br>"))
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
