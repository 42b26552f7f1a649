"""What it costs to match one utterance against the whole catalogue."""

from __future__ import annotations

import statistics
import time
from collections.abc import Iterator
from contextvars import Context

from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.commands import CATALOGUE

ROUNDS = 20
PROSE = (
    "the stair to the lamp room has twelve broken steps and we would like to meet you on the quay",
    "select committees meet on tuesday in the kitchen and the tea is always cold by then",
    "replace the ferry with the boat and the boat with the barge and the barge with the ferry",
)


def run() -> Iterator[Figure]:
    lines = [c.example for c in CATALOGUE.commands.values()] + list(PROSE)
    CATALOGUE.parses(("nothing",))
    times: list[float] = []
    for line in lines:
        words = line.split()
        began = time.process_time()
        for _ in range(ROUNDS):
            # In a context of its own nothing is known of the words.
            Context().run(CATALOGUE.parses, words)
        times.append((time.process_time() - began) / ROUNDS * 1e3)
    yield Figure("matching_median", statistics.median(times), "ms")
    yield Figure("matching_worst", max(times), "ms")
    yield Figure("matching_utterances", len(lines), "utterances")
