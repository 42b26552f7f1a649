"""What a format is: its names, and how documents come out of files and go into them.

Whatever a format cannot hold is told in sentences, never left out without a word.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable, Iterable
from dataclasses import dataclass
from pathlib import PurePath
from typing import NamedTuple

from nimble_lantern.core.document.model import Document
from nimble_lantern.core.errors import BadInput, WrongUse


class Read(NamedTuple):
    """A document, and sentences about what of the file was changed or left out."""

    document: Document
    losses: tuple[str, ...] = ()


class Written(NamedTuple):
    """A file's bytes, and sentences about what of the document is not in it."""

    data: bytes
    losses: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class FileFormat:
    """A format of files; without `read` or `write`, it only goes the other way.

    `read` raises BadInput in one sentence for bytes that are not of the format, or too many.
    """

    name: str
    suffixes: tuple[str, ...]
    media_type: str
    read: Callable[[bytes], Read] | None = None
    write: Callable[[Document], Written] | None = None


class Registry:
    """The formats there are, by name and by suffix."""

    def __init__(self, formats: Iterable[FileFormat] = ()) -> None:
        self._formats: dict[str, FileFormat] = {}
        for each in formats:
            self.add(each)

    def add(self, made: FileFormat) -> None:
        """Add a format; ValueError if its name or a suffix is taken."""
        taken = {suffix for f in self._formats.values() for suffix in f.suffixes}
        if made.name in self._formats or taken & set(made.suffixes):
            raise ValueError(f"There is a format with a name or suffix of {made.name!r} already.")
        self._formats[made.name] = made

    def named(self, name: str) -> FileFormat:
        if name not in self._formats:
            raise WrongUse(f"No format is called {name!r}; there are {', '.join(self._formats)}.")
        return self._formats[name]

    def of(self, path: PurePath) -> FileFormat:
        """The format of a file, by its suffix; WrongUse if it has none that is known."""
        for each in self._formats.values():
            if path.suffix.lower() in each.suffixes:
                return each
        known = ", ".join(s for f in self._formats.values() for s in f.suffixes)
        raise WrongUse(f"{path.name} is of no known format; its name can end in {known}.")

    def writing(self) -> tuple[str, ...]:
        """The names of the formats that can be written."""
        return tuple(f.name for f in self._formats.values() if f.write)


def decoded(data: bytes) -> str:
    """UTF-8 text; BadInput for anything else."""
    try:
        return data.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        raise BadInput(
            f"This is not UTF-8 text (byte {error.start + 1}); save it as UTF-8."
        ) from error


def counted(found: Iterable[str], sentence: str) -> tuple[str, ...]:
    """For each thing found, a sentence with `{what}` and `{count}` in it."""
    return tuple(
        sentence.format(what=what, count=f"{count} time{'s' if count > 1 else ''}")
        for what, count in sorted(Counter(found).items())
    )
