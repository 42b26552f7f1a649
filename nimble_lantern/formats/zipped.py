"""Office files are ZIP archives of XML: opened only as far as they can do no harm.

Bounded before anything is unpacked: how many parts, how large each and all together unpack, how
often a part is packed over.  XML is looked at for entities and document types before a library
gets it (defusedxml; the attacks are those of its documentation: entity expansion, external
entities, and their like).
"""

from __future__ import annotations

import io
import zipfile
from collections.abc import Iterator
from xml.etree.ElementTree import ParseError

from defusedxml import DefusedXmlException
from defusedxml.ElementTree import iterparse

from nimble_lantern.core.errors import BadInput

MOST_BYTES = 20_000_000
MOST_UNPACKED = 60_000_000
MOST_PARTS = 4_000
MOST_RATIO = 300
"""How much larger a part may unpack than it is packed, if it is not small."""
MOST_ELEMENTS = 400_000
MOST_DEPTH = 120
_SMALL = 200_000


def checked(data: bytes, wanted: str, kind: str) -> zipfile.ZipFile:
    """The archive in `data`, in which the part `wanted` stands; BadInput in one sentence."""
    if len(data) > MOST_BYTES:
        raise BadInput(
            f"This {kind} has {len(data) / 1e6:.0f} million bytes, and {MOST_BYTES / 1e6:.0f} are "
            "the most that is opened; take pictures out of it, or make several of it."
        )
    try:
        archive = zipfile.ZipFile(io.BytesIO(data))
        parts = archive.infolist()
    except (zipfile.BadZipFile, ValueError, OSError, NotImplementedError) as error:
        raise BadInput(
            f"This is no {kind}, or only a part of one; save it anew where it was written."
        ) from error
    if len(parts) > MOST_PARTS:
        raise BadInput(f"This {kind} has {len(parts):,} parts, which is more than is opened.")
    if any(part.flag_bits & 1 for part in parts):
        raise BadInput(f"This {kind} is locked with a password; save it without one.")
    for part in parts:
        large = part.file_size > _SMALL
        if large and part.file_size > MOST_RATIO * max(1, part.compress_size):
            raise BadInput(f"This {kind} unpacks to far more than it holds; it is not opened.")
    if sum(part.file_size for part in parts) > MOST_UNPACKED:
        raise BadInput(f"This {kind} unpacks to more than is opened; make several of it.")
    if wanted not in archive.namelist():
        raise BadInput(f"This is no {kind}: the part {wanted} is not in it.")
    return archive


def part(archive: zipfile.ZipFile, name: str, kind: str) -> bytes:
    """A part's bytes, and no more than it says it has."""
    try:
        with archive.open(name) as file:
            data = file.read(MOST_UNPACKED + 1)
    except (zipfile.BadZipFile, OSError, EOFError, ValueError, NotImplementedError) as error:
        raise BadInput(f"This {kind} is damaged ({name}); save it anew.") from error
    except Exception as error:  # zlib.error has no common base with the others
        raise BadInput(f"This {kind} is damaged ({name}); save it anew.") from error
    if len(data) > MOST_UNPACKED:
        raise BadInput(f"This {kind} unpacks to more than is opened; make several of it.")
    return data


def harmless(archive: zipfile.ZipFile, kind: str) -> None:
    """Look through every XML part; BadInput for entities, document types, depth and masses."""
    for name in archive.namelist():
        if name.endswith((".xml", ".rels", ".rdf")):
            for _ in elements(part(archive, name, kind), kind):
                pass


def elements(data: bytes, kind: str) -> Iterator[str]:
    """The names of the elements of some XML, in their order."""
    depth = count = 0
    try:
        for event, element in iterparse(
            io.BytesIO(data), events=("start", "end"), forbid_dtd=False
        ):
            if event == "start":
                depth, count = depth + 1, count + 1
                if depth > MOST_DEPTH or count > MOST_ELEMENTS:
                    raise BadInput(
                        f"This {kind} is nested too deeply, or has too many parts, to be opened."
                    )
                yield element.tag
            else:
                depth -= 1
                element.clear()
    except DefusedXmlException as error:
        raise BadInput(
            f"This {kind} refers to entities, which may do harm; it is not opened."
        ) from error
    except (ParseError, ValueError, LookupError, RecursionError) as error:
        raise BadInput(f"This {kind} is damaged; save it anew where it was written.") from error


def free_of_signs(text: str) -> str:
    """Text without signs that XML 1.0 cannot hold."""
    return "".join(c for c in text if c in "\t\n" or c >= " " and not _unfit(c))


def _unfit(c: str) -> bool:
    return "\x7f" <= c <= "\x9f" or "\ud800" <= c <= "\udfff" or c in "\ufffe\uffff"
