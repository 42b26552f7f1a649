"""OpenDocument text (ISO/IEC 26300, .odt): written with odfpy, read as the XML that it is.

What the document holds goes in and comes back the same: marks, paragraphs, lists, tables, links,
and margin notes as annotations.  Of files from elsewhere, what the document cannot hold is told.
"""

from __future__ import annotations

from nimble_lantern.formats.odt_reader import read
from nimble_lantern.formats.odt_writer import write
from nimble_lantern.formats.registry import FileFormat

FORMAT = FileFormat("odt", (".odt",), "application/vnd.oasis.opendocument.text", read, write)
