"""Office Open XML text (ECMA-376, .docx), through python-docx.

What the document holds goes in and comes back the same: marks, paragraphs, lists, tables, links,
and margin notes as comments.  Of files from elsewhere, what the document cannot hold is told.
The package is loaded when a file is read or written.
"""

from __future__ import annotations

from nimble_lantern.core.document.model import Document
from nimble_lantern.formats.registry import FileFormat, Read, Written


def read(data: bytes) -> Read:
    """The document of a file; BadInput if it is none."""
    from nimble_lantern.formats import docx_reader

    return docx_reader.read(data)


def write(document: Document) -> Written:
    """The file of a document, and what of it is left out."""
    from nimble_lantern.formats import docx_writer

    return docx_writer.write(document)


FORMAT = FileFormat(
    "docx",
    (".docx", ".docm"),
    "application/vnd.openxmlformats-officedocument.wordprocessingml.document",
    read,
    write,
)
