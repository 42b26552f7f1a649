"""Open formats, in and out.  Each reader answers a Document, each writer a str."""

from __future__ import annotations

from collections.abc import Callable

from nimble_lantern.core.document.model import Document
from nimble_lantern.formats.html import to_html
from nimble_lantern.formats.markdown import from_markdown, to_markdown
from nimble_lantern.formats.text import to_text

WRITERS: dict[str, Callable[[Document], str]] = {
    "markdown": to_markdown,
    "text": to_text,
    "html": to_html,
}

__all__ = ["WRITERS", "from_markdown", "to_html", "to_markdown", "to_text"]
