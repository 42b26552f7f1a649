"""Office Open XML text (ECMA-376, .docx), through python-docx.

What the document holds goes in and comes back the same: marks, paragraphs, lists, tables, links,
and margin notes as comments.  Of files from elsewhere, what the document cannot hold is told.
"""

from __future__ import annotations

from nimble_lantern.formats.docx_reader import read
from nimble_lantern.formats.docx_writer import write
from nimble_lantern.formats.registry import FileFormat

FORMAT = FileFormat(
    "docx",
    (".docx", ".docm"),
    "application/vnd.openxmlformats-officedocument.wordprocessingml.document",
    read,
    write,
)
