"""What reading and writing an utterance of twenty words costs, by size of document."""

from __future__ import annotations

import statistics
import time
from collections.abc import Iterator

from bench._world import document
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.composing import compose
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.reading.reader import judge
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Sitting

SIZES = (1_000, 10_000, 100_000)
ROUNDS = 40
LINES = (
    "the stair to the lamp room has twelve broken steps and we would like to meet you on the third"
    " of may",
    "select committees meet in the kitchen at half past seven on every second tuesday of the month"
    " and always have tea",
    "replace the oil in the lamp before the end of june and tell the crew what it cost in pounds"
    " please",
    "please let the harbour board know by thursday that the boat will be late because of the wind"
    " and the tide",
)


def _medians(words: int) -> tuple[float, float]:
    """(reading, reading and writing) of an utterance, milliseconds of CPU at the median."""
    text = document(words)
    sitting = Sitting(document=text, caret=text.end, wrote=text.end)
    for line in (*LINES, "undo everything"):
        sitting = advance(sitting, Heard(from_line(line))).sitting
    read, both = [], []
    for _ in range(ROUNDS):
        for line in LINES:
            said = line.split()
            began = time.process_time()
            judge(sitting, said, True)
            middle = time.process_time()
            compose(sitting, said)
            read.append(middle - began)
            both.append(time.process_time() - began)
    return statistics.median(read) * 1e3, statistics.median(both) * 1e3


def run() -> Iterator[Figure]:
    first: tuple[float, float] | None = None
    for size in SIZES:
        read, both = _medians(size)
        first = first or (read, both)
        base = f"reading_{SIZES[0]}"
        yield Figure(f"reading_{size}", read, "ms", base, read / first[0])
        base = f"reading_and_writing_{SIZES[0]}"
        yield Figure(f"reading_and_writing_{size}", both, "ms", base, both / first[1])
