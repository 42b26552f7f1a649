"""What reading and writing an utterance of twenty words costs, by size of document."""

from __future__ import annotations

import statistics
import time
from collections.abc import Iterator
from contextvars import Context

from bench._world import document
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.composing.dictating import compose
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


def _sitting(words: int) -> Sitting:
    text = document(words)
    sitting = Sitting(document=text, caret=text.end, wrote=text.end)
    for line in (*LINES, "undo everything"):
        sitting = advance(sitting, Heard(from_line(line))).sitting
    return sitting


def run() -> Iterator[Figure]:
    """The sizes take turns; milliseconds of CPU at the median."""
    sittings = {size: _sitting(size) for size in SIZES}
    read: dict[int, list[float]] = {size: [] for size in SIZES}
    both: dict[int, list[float]] = {size: [] for size in SIZES}
    for _ in range(ROUNDS):
        for line in LINES:
            said = line.split()
            for size, sitting in sittings.items():
                began = time.process_time()
                # In a context of its own nothing is known of the words.
                Context().run(judge, sitting, said, True)
                middle = time.process_time()
                compose(sitting, said)
                read[size].append(middle - began)
                both[size].append(time.process_time() - began)
    for name, times in (("reading", read), ("reading_and_writing", both)):
        medians = {size: statistics.median(times[size]) * 1e3 for size in SIZES}
        base = medians[SIZES[0]]
        for size, value in medians.items():
            yield Figure(f"{name}_{size}", value, "ms", f"{name}_{SIZES[0]}", value / base)
