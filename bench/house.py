"""What a full house costs: finding, opening, comparing, tables and notes, files, and printing."""

from __future__ import annotations

import shutil
import statistics
import subprocess
import tempfile
import time
from collections.abc import Callable, Iterator
from functools import partial
from pathlib import Path

from sqlalchemy import event

from bench._world import document
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.document.model import Document, Position, Range
from nimble_lantern.core.document.tables import cells
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.reviewing.comparing import compare
from nimble_lantern.core.reviewing.notes import added
from nimble_lantern.files import write_file
from nimble_lantern.formats import FORMATS
from nimble_lantern.formats.pdf import to_pdf
from nimble_lantern.playing import desk_with
from nimble_lantern.shell import LiveDesk
from nimble_lantern.store.database import connect
from nimble_lantern.store.journal import Journal, open_journal
from nimble_lantern.store.opening import FILE

DOCUMENTS, WORDS = 5_000, 2_000
ROUNDS, ROWS, NOTES = 15, 200, 500
_SAID = (
    "the boat came in full stop",
    "delete the last sentence",
    "bold the last word",
    "undo that",
)


def run() -> Iterator[Figure]:
    yield from _shelf()
    yield from _comparing()
    yield from _crowded()
    yield from _files()


def _median(do: Callable[[], object], rounds: int = ROUNDS) -> float:
    """The median of some runs, in milliseconds."""
    times = []
    for _ in range(rounds):
        began = time.perf_counter()
        do()
        times.append((time.perf_counter() - began) * 1000)
    return statistics.median(times)


def _shelf() -> Iterator[Figure]:
    with tempfile.TemporaryDirectory() as name:
        engine = connect(Path(name) / FILE)
        event.listen(engine, "connect", lambda c, _: c.execute("PRAGMA synchronous=OFF"))
        journal = open_journal(engine)
        journal.begin()
        whole = document(WORDS)
        for n in range(DOCUMENTS):
            journal.add(f"Letter {n}", whole)
        engine.dispose()
        desk = LiveDesk(Journal(connect(Path(name) / FILE)))
        numbers = iter(range(0, DOCUMENTS, 7))

        def hears(line: str) -> None:
            desk.hear(from_line(line))

        hears("the keeper of the lighthouse")
        found = _median(lambda: hears("find the letter about the keeper of the lighthouse"))
        yield Figure("find_in_5000", round(found, 1), "ms", "find_in_5000", 1.0)
        opened = _median(lambda: hears(f"open letter {next(numbers)}"))
        yield Figure(
            "open_of_5000", round(opened, 1), "ms", "find_in_5000", round(opened / found, 2)
        )


def _comparing() -> Iterator[Figure]:
    for words in (1_000, 100_000):
        old = document(words)
        desk = desk_with(old, {})
        for line in ("replace the last word with barge", "delete the first sentence",
                     "go to the start", "hello there full stop"):  # fmt: skip
            desk.hear(from_line(line))
        new = desk.sitting.document
        taken = _median(partial(compare, old, new))
        yield Figure(f"compare_{words}", round(taken, 2), "ms", f"compare_{words}", 1.0)


def _all_heard(desk: LiveDesk) -> None:
    for line in _SAID:
        desk.hear(from_line(line))


def _crowded() -> Iterator[Figure]:
    plain = document(10_000)
    row = [block.piece(0, min(12, len(block.text))) for block in plain.blocks[1:4]]
    full = Document((*plain.blocks, *cells([row] * ROWS, 1), plain.blocks[1]))
    for n in range(NOTES):
        b = n % (len(plain.blocks) - 1)
        end = min(5, len(full.blocks[b].text))
        if end:
            where = Range(Position(b, 0), Position(b, end))
            full = added(full, where, f"note {n}").apply(full)
    base = 0.0
    for name, whole in (("plain", plain), ("table_and_notes", full)):
        desk = desk_with(whole, {})
        taken = _median(partial(_all_heard, desk))
        base = base or taken
        per = taken / len(_SAID)
        yield Figure(f"utterance_{name}", round(per, 2), "ms", "utterance_plain",
                     round(taken / base, 2))  # fmt: skip


def _files() -> Iterator[Figure]:
    whole = document(165_000)
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name)
        source = folder / "long.md"
        write_file(source, whole)
        for form in ("docx", "odt"):
            ours = _median(partial(_out_and_in, form, whole), 3)
            ratio = 1.0
            if shutil.which("pandoc"):
                ratio = ours / _median(partial(_pandoc, source, form), 3)
            yield Figure(f"{form}_out_and_in", round(ours), "ms", "pandoc", round(ratio, 2))
        began = time.perf_counter()
        _, pages = to_pdf(whole)
        taken = (time.perf_counter() - began) * 1000
        yield Figure("pdf_300_pages", round(taken * 300 / pages), "ms", "pdf_300_pages", 1.0)


def _out_and_in(form: str, whole: Document) -> None:
    found = FORMATS.named(form)
    assert found.write is not None and found.read is not None
    found.read(found.write(whole).data)


def _pandoc(source: Path, form: str) -> None:
    """The same by another converter: Markdown to the format, and the format to Markdown."""
    out = source.with_suffix(f".{form}")
    subprocess.run(["pandoc", str(source), "-o", str(out)], check=True)
    subprocess.run(["pandoc", str(out), "-o", str(source.with_name("back.md"))], check=True)
