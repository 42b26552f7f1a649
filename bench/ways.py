"""Every way to ask with every name of a part: how many are done as in the plain wording.

The ways and names were written in three sets, each before it was first played.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator

from nimble_lantern.benchmarks import Figure
from tests.corpus.asking import outcome, pairs

SEED = 7
COUNT = 3_000


def run() -> Iterator[Figure]:
    found = Counter(outcome(pair) for pair in pairs(SEED, COUNT))
    judged = found["done"] + found["missed"] + found["harmed"]
    for how in ("done", "missed", "harmed"):
        yield Figure(f"ways_{how}", found[how], "requests", "all", found[how] / judged)
