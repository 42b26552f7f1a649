"""Plain text: blocks parted by a blank line, list items and headings as their bare text."""

from __future__ import annotations

from nimble_lantern.core.document.model import Document


def to_text(document: Document) -> str:
    return "\n\n".join(b.text for b in document.blocks if b.text.strip())
