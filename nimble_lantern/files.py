"""Files in and out, by their content first and by their names."""

from __future__ import annotations

from pathlib import Path

from nimble_lantern.core.document.model import Document
from nimble_lantern.core.errors import BadInput, WrongUse
from nimble_lantern.formats import FORMATS, FileFormat, Read

MOST_BYTES = 20_000_000
"""Of a file that is read; a long novel has a million."""


def read_file(path: Path, what: str) -> Read:
    """A document from a file of any known format, told by its suffix; else Markdown.

    BadInput in one sentence, with the file's name, for what cannot be read.
    """
    data = read_bytes(path, what)
    try:
        found = _format_of(path, data)
        if found.read is None:
            raise BadInput(f"A {found.name.upper()} can be written here, but not read.")
        return found.read(data)
    except BadInput as error:
        raise BadInput(f"{what} {path} cannot be opened. {error}") from error


def write_file(path: Path, document: Document) -> tuple[str, ...]:
    """Put a document into a file, whole or not at all; sentences about what is not in it."""
    found = FORMATS.of(path)
    if found.write is None:
        raise WrongUse(f"{found.name.capitalize()} can be read, but not written.")
    made = found.write(document)
    new = path.with_name(path.name + ".new")
    try:
        new.write_bytes(made.data)
        new.replace(path)
    except OSError as error:
        new.unlink(missing_ok=True)
        raise BadInput(
            f"{path} cannot be written: {error.strerror}; name another place."
        ) from error
    return made.losses


def read_text(path: Path, what: str) -> str:
    """A UTF-8 file's text; BadInput in one sentence for what cannot be read."""
    try:
        return read_bytes(path, what).decode("utf-8-sig")
    except UnicodeDecodeError as error:
        raise BadInput(
            f"{what} {path} is not UTF-8 text (byte {error.start + 1}); save it as UTF-8."
        ) from error


def read_bytes(path: Path, what: str) -> bytes:
    """A file's bytes; BadInput in one sentence for what cannot be read, or is too large."""
    try:
        if (size := path.stat().st_size) > MOST_BYTES:
            raise BadInput(
                f"{what} {path} has {size / 1e6:.0f} million bytes, and {MOST_BYTES / 1e6:.0f} are "
                "the most that is read; make it smaller, or several of it."
            )
        return path.read_bytes()
    except IsADirectoryError as error:
        raise BadInput(f"{what} {path} is a folder; name a file in it.") from error
    except OSError as error:
        raise BadInput(
            f"{what} {path} cannot be read: {error.strerror}; check its name."
        ) from error
    except ValueError as error:
        raise BadInput(f"{what} cannot be read: no file has such a name.") from error


def _format_of(path: Path, data: bytes) -> FileFormat:
    """What a file is: told by how it begins, else by its name; WrongUse if nobody knows."""
    head = data[:2000].lstrip().lower()
    if data[:4] == b"PK\x03\x04":
        found = b"mimetypeapplication/vnd.oasis.opendocument.text" in data[:200]
        return FORMATS.named("odt" if found or path.suffix.lower() == ".odt" and
                             b"word/document.xml" not in data else "docx")  # fmt: skip
    if data[:5] == b"%PDF-":
        return FORMATS.named("pdf")
    if head.startswith((b"<!doctype html", b"<html")):
        return FORMATS.named("html")
    found_by_name = FORMATS.of(path) if path.suffix else FORMATS.named("markdown")
    if found_by_name.name in ("docx", "odt") or data[:8] == b"\xd0\xcf\x11\xe0\xa1\xb1\x1a\xe1":
        raise BadInput(f"This is no {found_by_name.name} file, whatever its name says.")
    return found_by_name
