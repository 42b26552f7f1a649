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
from nimble_lantern.shell import LiveDesk
from nimble_lantern.store.database import connect
from nimble_lantern.store.journal import open_journal
from nimble_lantern.web.app import create_app

SIZES = (1_000, 10_000, 100_000)
ROUNDS = 30
LINES = (
    "the boat came in before the wind turned full stop",
    "bold the last two words",
    "undo that",
    "everybody climbed the stair and looked out over the bar comma as they always do full stop",
    "delete the last word",
    "select the last sentence",
    "cancel",
)


def _engine() -> object:
    raise AssertionError("no sound is heard in this benchmark")


def _medians(words: int) -> tuple[float, float]:
    """(CPU, wall) milliseconds an utterance at the median."""
    cpu, wall = [], []
    with tempfile.TemporaryDirectory() as folder:
        engine = connect(Path(folder) / "bench.sqlite3")
        journal = open_journal(engine)
        journal.add("Bench", document(words))
        desk = LiveDesk(journal)
        app = create_app(desk, _engine)  # type: ignore[arg-type]
        pages = app.extensions["pages"]
        with app.test_request_context("/"):
            name = pages.opened()
            pages.whole(name, desk)
            for n in range(ROUNDS):
                for line in LINES:
                    hearing = from_line(line)
                    c, w = time.process_time(), time.perf_counter()
                    desk.hear(hearing)
                    pages.news(name, desk)
                    if n >= 2:
                        cpu.append(time.process_time() - c)
                        wall.append(time.perf_counter() - w)
        engine.dispose()
    return statistics.median(cpu) * 1e3, statistics.median(wall) * 1e3


def run() -> Iterator[Figure]:
    first: tuple[float, float] | None = None
    for size in SIZES:
        cpu, wall = _medians(size)
        first = first or (cpu, wall)
        base = f"utterance_{SIZES[0]}"
        yield Figure(f"utterance_{size}_cpu", cpu, "ms", f"{base}_cpu", cpu / first[0])
        yield Figure(f"utterance_{size}_wall", wall, "ms", f"{base}_wall", wall / first[1])
