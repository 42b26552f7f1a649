"""What it costs to look for the commands that an utterance comes near, by size of document."""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable, Iterator

from bench._world import document
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.reading.addressing import barest
from nimble_lantern.core.reading.intents import asked, make_ready
from nimble_lantern.core.reading.nearest import offers, round_here
from nimble_lantern.core.state import Sitting

SIZES = (1_000, 100_000)
ROUNDS = 5
SAID = (
    "zap the last sentence", "shove the pointer behind the ferry crew", "make the tower fat",
    "chop off the last word", "paint the oil store blue", "nip back to the beginning",
    "slanted letters for the cat", "turn that paragraph about the tide around",
    "remove line under the harbour", "delete the word that comes after surveyor",
    "give me bigger letters for osric pell", "stick the early boat at the top of everything",
    "rewind the last two things", "the kitchen door with blobs in front of it please",
)  # fmt: skip


WAYS: dict[str, Callable[[Sitting, tuple[str, ...]], object]] = {
    "nearest": offers,
    "likened": lambda desk, said: asked(round_here(desk), barest(said)),
}


def run() -> Iterator[Figure]:
    desks = {}
    make_ready()
    for size in SIZES:
        text = document(size)
        desks[size] = Sitting(document=text, caret=text.end, wrote=text.end)
    times: dict[tuple[str, int], list[float]] = {(way, n): [] for way in WAYS for n in SIZES}
    for n in range(ROUNDS + 1):
        for said in SAID:
            for way, look in WAYS.items():
                for size, desk in desks.items():
                    start = time.process_time()
                    look(desk, tuple(said.split()))
                    if n:
                        times[way, size].append((time.process_time() - start) * 1e3)
    for (way, size), found in times.items():
        base = statistics.median(times[way, SIZES[0]])
        against = f"{way}_{SIZES[0]}_median"
        median = statistics.median(found)
        yield Figure(f"{way}_{size}_median", median, "ms", against, median / base)
        yield Figure(f"{way}_{size}_worst", max(found), "ms")
