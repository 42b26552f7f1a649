"""Plain text: blocks parted by a blank line, a table's rows by line ends, its cells by tabs."""

from __future__ import annotations

import re

from nimble_lantern.core.document.model import Align, Block, Document, Kind
from nimble_lantern.core.document.tables import table_at
from nimble_lantern.core.errors import BadInput
from nimble_lantern.core.reading.hearing import well_formed
from nimble_lantern.formats.building import notes_lost, widths_lost
from nimble_lantern.formats.registry import FileFormat, Read, Written, counted, decoded


def to_text(document: Document) -> str:
    """List items and headings as their bare text; empty blocks left out."""
    found: list[str] = []
    b, blocks = 0, document.blocks
    while b < len(blocks):
        table = table_at(blocks, b)
        if table is None:
            found.append(blocks[b].text)
            b += 1
            continue
        rows = (
            "\t".join(blocks[table.cell(row, column)].text.replace("\n", " ")
                      for column in range(table.columns))
            for row in range(table.rows)
        )  # fmt: skip
        found.append("\n".join(rows))
        b = table.last + 1
    return "\n\n".join(text for text in found if text.strip())


def from_text(text: str) -> Document:
    """A paragraph for what stands between blank lines; its single line ends are line breaks."""
    parts = re.split(r"\n(?:[ \t]*\n)+", text.replace("\r\n", "\n").replace("\r", "\n").strip("\n"))
    blocks = tuple(Block(well_formed_lines(part)) for part in parts if part.strip())
    return Document(blocks or (Block(),))


def well_formed_lines(text: str) -> str:
    """Lines without signs that are no text, tabs as spaces."""
    return "\n".join(well_formed(line) for line in text.expandtabs(4).split("\n"))


_SHAPES = {
    Kind.HEADING: "headings",
    Kind.ITEM: "list items",
    Kind.QUOTATION: "quotations",
    Kind.CELL: "table cells",
}


def _losses(document: Document) -> tuple[str, ...]:
    blocks = [b for b in document.blocks if b.text.strip()]
    marks = (span.mark for b in blocks for span in b.spans)
    shapes = (_SHAPES.get(b.kind, str(b.kind)) for b in blocks if b.kind is not Kind.PARAGRAPH)
    aligned = (b.align for b in blocks if b.align is not Align.LEFT)
    spaced = ("wider spacing" for b in blocks if b.spacing != 1.0)
    return (
        *counted(marks, "Plain text has no {what}: it is left out {count}."),
        *counted(shapes, "Plain text has no {what}: their words are written {count}."),
        *counted(aligned, "Plain text is not set {what}: this is left out {count}."),
        *counted(spaced, "Plain text has no {what}: it is left out {count}."),
        *widths_lost(document, "Plain text"),
        *notes_lost(document, "Plain text"),
    )


def _read(data: bytes) -> Read:
    if len(data) > MOST_BYTES:
        raise BadInput(
            f"This text has {len(data) / 1e6:.0f} million bytes, and {MOST_BYTES / 1e6:.0f} "
            "are the most that is opened; make several of it."
        )
    return Read(from_text(decoded(data)))


def _write(document: Document) -> Written:
    return Written(to_text(document).encode(), _losses(document))


MOST_BYTES = 10_000_000
FORMAT = FileFormat("text", (".txt", ".text"), "text/plain", _read, _write)
