"""What has to do with files and devices: the outbox, the inbox, paper, backups.

A folder that the desk is kept in has an `outbox` and an `inbox`.  Whatever goes wrong there is a
sentence for the speaker, and nothing of the documents is touched.
"""

from __future__ import annotations

import re
import shutil
import subprocess
import tempfile
import threading
from collections.abc import Callable
from dataclasses import dataclass
from pathlib import Path

from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.document.layout import PageStyle
from nimble_lantern.core.document.model import Block, Document, Kind
from nimble_lantern.core.effects import (
    BackUp,
    CheckAll,
    DropPrints,
    Export,
    ExportPassages,
    Outside,
    PrintDocument,
)
from nimble_lantern.core.errors import BadInput, LanternError
from nimble_lantern.core.reviewing.passages import Passage, of_document
from nimble_lantern.core.state import Sitting
from nimble_lantern.formats import FORMATS, to_markdown
from nimble_lantern.formats.pdf import to_pdf
from nimble_lantern.store.journal import Journal

_UNFIT = re.compile(r'[\x00-\x1f\x7f-\x9f/\\:*?"<>|]+')
_LONGEST = 80
LOOK_SECONDS = 2.0
"""Between two looks into the inbox; a file is read once it has not grown in between."""


def file_name(name: str) -> str:
    """A spoken name as the name of a file: no folders, no signs that a system refuses."""
    bare = _UNFIT.sub(" ", name).strip(" .")
    return " ".join(bare.split())[:_LONGEST].strip(" .") or "Untitled"


def free_place(folder: Path, name: str, suffix: str) -> Path:
    """A path in a folder that nothing has yet."""
    path, n = folder / f"{name}{suffix}", 2
    while path.exists():
        path, n = folder / f"{name} {n}{suffix}", n + 1
    return path


def passages_text(passages: tuple[Passage, ...]) -> str:
    """Passages as Markdown: a heading with the name of each, and below it what it says."""
    parts = []
    for passage in passages:
        held = (Block(piece.text, piece.spans).formatted(form) for piece, form in passage.pieces)
        parts.append(f"# {passage.name}\n\n{to_markdown(Document(tuple(held)))}")
    return "\n\n".join(parts) + "\n"


def passages_of(document: Document) -> list[Passage]:
    """The reverse of `passages_text`: a passage for each heading of the first level."""
    found: list[Passage] = []
    name, held = "", list[Block]()

    def ended() -> None:
        if name and any(b.text.strip() for b in held):
            found.append(of_document(name, Document(tuple(held))))

    for block in document.blocks:
        if block.kind == Kind.HEADING and block.level == 1:
            ended()
            name, held = block.text.strip(), []
        else:
            held.append(block)
    ended()
    return found


@dataclass
class World:
    """The folder's outbox, and the printer, for a desk."""

    folder: Path | None
    journal: Journal
    tell: Callable[[str], None]
    close: Callable[[bool], None] | None = None

    @property
    def outbox(self) -> Path | None:
        return self.folder / "outbox" if self.folder is not None else None

    def do(self, effect: Outside, sitting: Sitting) -> str:
        """Do what was asked for; what to tell of it, in one sentence, if there is anything."""
        try:
            match effect:
                case Export(name, form):
                    return self._exported(sitting, name, form)
                case PrintDocument():
                    return self._printed(sitting, effect)
                case DropPrints(number):
                    self.journal.drop_prints(number)
                    return ""
                case BackUp():
                    return self._backed_up()
                case CheckAll():
                    return "; ".join(self.journal.check()) or "Everything is there and as it was."
                case ExportPassages():
                    return self._passages(sitting)
        except LanternError as error:
            return str(error)
        except OSError as error:
            return f"It could not be written: {error.strerror}; nothing here is lost."
        return ""

    def _place(self, name: str, suffix: str) -> Path:
        outbox = self.outbox
        if outbox is None:
            raise BadInput("This desk has no folder, so nothing can be put out of it.")
        outbox.mkdir(parents=True, exist_ok=True)
        return free_place(outbox, file_name(name), suffix)

    def _exported(self, sitting: Sitting, name: str, form: str) -> str:
        found = FORMATS.named(form)
        assert found.write is not None
        path = self._place(name, found.suffixes[0])
        made = found.write(sitting.document)
        _put(path, made.data)
        return " ".join((f"{quoted(path.name)} is in the outbox.", *made.losses))

    def _printed(self, sitting: Sitting, effect: PrintDocument) -> str:
        style: PageStyle = sitting.style
        data, count = to_pdf(sitting.document, style, sitting.title, effect.first, effect.last)
        if not count:
            return "There are no such pages; nothing was printed."
        self.journal.add_print(sitting, data, count, effect.copies, effect.first)
        copies = f", {effect.copies} copies" if effect.copies > 1 else ""
        queue = self._queued(data, sitting.title, effect.copies)
        where = f"went to the printer {queue} and into" if queue else "is in"
        return f"{quoted(sitting.title)} {where} the print tray: {many(count, 'page')}{copies}."

    @staticmethod
    def _queued(data: bytes, title: str, copies: int) -> str:
        """The printer that a print went to, where the system has a queue."""
        if shutil.which("lp") is None or shutil.which("lpstat") is None:
            return ""
        try:
            asked = subprocess.run(
                ["lpstat", "-d"], capture_output=True, text=True, timeout=5, check=False
            )
            _, sign, queue = asked.stdout.strip().partition(": ")
            if asked.returncode or not sign or not queue:
                return ""
            command = ["lp", "-d", queue, "-n", str(copies), "-t", file_name(title), "-"]
            done = subprocess.run(command, input=data, capture_output=True, timeout=20, check=False)
        except (OSError, subprocess.SubprocessError):
            return ""
        return queue if done.returncode == 0 else ""

    def _backed_up(self) -> str:
        path = self._place(f"Backup {self.journal.today()}", ".lantern")
        self.journal.back_up(path)
        return f"Everything is copied to {quoted(path.name)} in the outbox."

    def _passages(self, sitting: Sitting) -> str:
        path = self._place("Passages", ".md")
        _put(path, passages_text(sitting.passages).encode())
        return f"{quoted(path.name)} is in the outbox."


def _put(path: Path, data: bytes) -> None:
    """Write a file whole, or not at all."""
    with tempfile.NamedTemporaryFile(dir=path.parent, delete=False) as file:
        new = Path(file.name)
        file.write(data)
    new.replace(path)


class Inbox:
    """Watches a folder: what is put there comes onto the shelf, with a sentence about it."""

    def __init__(self, folder: Path, arrived: Callable[[Path], None]) -> None:
        self._folder, self._arrived = folder / "inbox", arrived
        self._seen: dict[Path, tuple[int, float]] = {}
        self._stop = threading.Event()
        self._thread = threading.Thread(target=self._run, daemon=True)

    def start(self) -> None:
        self._folder.mkdir(parents=True, exist_ok=True)
        self._thread.start()

    def stop(self) -> None:
        self._stop.set()

    def look(self) -> None:
        """Take what lies there and does not grow any more."""
        for path in sorted(self._folder.iterdir()):
            if path.name.startswith(".") or not path.is_file() or path.is_symlink():
                continue
            found = path.stat()
            now = (found.st_size, found.st_mtime)
            if self._seen.get(path) != now:
                self._seen[path] = now
                continue
            del self._seen[path]
            self._arrived(path)
            done = self._folder / "taken"
            done.mkdir(exist_ok=True)
            path.replace(free_place(done, path.stem, path.suffix))

    def _run(self) -> None:
        while not self._stop.wait(LOOK_SECONDS):
            try:
                self.look()
            except OSError:
                continue
