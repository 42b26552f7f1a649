"""OpenDocument text (ISO/IEC 26300, .odt): written with odfpy, read as the XML that it is.

What the document holds goes in and comes back the same: marks, paragraphs, lists, tables, links,
and margin notes as annotations.  Of files from elsewhere, what the document cannot hold is told.
The package is loaded when a file is read or written.
"""

from __future__ import annotations

from nimble_lantern.core.document.model import Document
from nimble_lantern.formats.registry import FileFormat, Read, Written


def read(data: bytes) -> Read:
    """The document of a file; BadInput if it is none."""
    from nimble_lantern.formats import odt_reader

    return odt_reader.read(data)


def write(document: Document) -> Written:
    """The file of a document, and what of it is left out."""
    from nimble_lantern.formats import odt_writer

    return odt_writer.write(document)


FORMAT = FileFormat("odt", (".odt",), "application/vnd.oasis.opendocument.text", read, write)
