"""What one utterance costs from the matcher to the page's fragments, by size of document."""

from __future__ import annotations

import statistics
import tempfile
import time
from collections.abc import Iterator
from pathlib import Path

from bench._world import document
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.engines import LiveEngine
from nimble_lantern.shell import LiveDesk
from nimble_lantern.store.database import connect
from nimble_lantern.store.journal import open_journal
from nimble_lantern.web.app import create_app

SIZES = (1_000, 10_000, 100_000)
ROUNDS = 30
WARMING = 2
LINES = (
    "the boat came in before the wind turned full stop",
    "bold the last two words",
    "undo that",
    "everybody climbed the stair and looked out over the bar comma as they always do full stop",
    "delete the last word",
    "select the last sentence",
    "cancel",
)


def _engine() -> LiveEngine:
    raise AssertionError("no sound is heard in this benchmark")


class _Open:
    """A served desk with a document of some size, in a folder of its own."""

    def __init__(self, words: int, folder: Path) -> None:
        self.engine = connect(folder / f"{words}.sqlite3")
        journal = open_journal(self.engine)
        journal.add("Bench", document(words))
        self.desk = LiveDesk(journal)
        self.app = create_app(self.desk, _engine)
        self.pages = self.app.extensions["pages"]
        self.cpu: list[float] = []
        self.wall: list[float] = []
        with self.app.test_request_context("/"):
            self.name, _, _ = self.pages.opened(self.desk)

    def hear(self, line: str, counts: bool) -> None:
        hearing = from_line(line)
        with self.app.test_request_context("/"):
            cpu, wall = time.process_time(), time.perf_counter()
            self.desk.hear(hearing)
            self.pages.news(self.name, self.desk)
            if counts:
                self.cpu.append(time.process_time() - cpu)
                self.wall.append(time.perf_counter() - wall)


def run() -> Iterator[Figure]:
    """The sizes take turns, so that a machine that slows down slows them all."""
    with tempfile.TemporaryDirectory() as folder:
        opened = {size: _Open(size, Path(folder)) for size in SIZES}
        for n in range(ROUNDS):
            for line in LINES:
                for desk in opened.values():
                    desk.hear(line, n >= WARMING)
        for desk in opened.values():
            desk.engine.dispose()
        for kind in ("cpu", "wall"):
            medians = {s: statistics.median(getattr(d, kind)) * 1e3 for s, d in opened.items()}
            base = medians[SIZES[0]]
            for size, value in medians.items():
                against = f"utterance_{SIZES[0]}_{kind}"
                yield Figure(f"utterance_{size}_{kind}", value, "ms", against, value / base)
