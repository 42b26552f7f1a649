"""Open formats, in and out: one module each, and the registry that knows them all."""

from __future__ import annotations

from nimble_lantern.formats import docx, html, markdown, odt, pdf, text
from nimble_lantern.formats.html import to_html
from nimble_lantern.formats.markdown import from_markdown, read_markdown, to_markdown
from nimble_lantern.formats.registry import FileFormat, Read, Registry, Written
from nimble_lantern.formats.text import to_text

FORMATS = Registry((markdown.FORMAT, text.FORMAT, html.FORMAT, docx.FORMAT, odt.FORMAT, pdf.FORMAT))

__all__ = [
    "FORMATS",
    "FileFormat",
    "Read",
    "Registry",
    "Written",
    "from_markdown",
    "read_markdown",
    "to_html",
    "to_markdown",
    "to_text",
]
