"""What revising costs, by size of document: one place of many, every place, undo; and memory."""

from __future__ import annotations

import resource
import statistics
import tempfile
import time
from collections.abc import Callable, Iterator
from pathlib import Path

from bench._world import document
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.document.model import Document
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.engines import LiveEngine
from nimble_lantern.shell import LiveDesk
from nimble_lantern.store.database import connect
from nimble_lantern.store.journal import open_journal

SIZES = (1_000, 100_000)
ROUNDS = 25
UTTERANCES = 5_000
PHRASE = "the harbour board"


def _sitting(text: Document) -> Sitting:
    sitting = Sitting(document=text, caret=text.end, wrote=text.end)
    for line in ("we waited full stop", "bold the last word", "undo two"):
        sitting = advance(sitting, Heard(from_line(line))).sitting
    return sitting


def _costs(
    sittings: dict[int, Sitting], line: str, ready: Callable[[Sitting], Sitting]
) -> dict[int, float]:
    """Milliseconds of CPU at the median, by size; `ready` prepares a sitting for each round."""
    times: dict[int, list[float]] = {size: [] for size in sittings}
    hearing = Heard(from_line(line))
    for _ in range(ROUNDS):
        for size, sitting in sittings.items():
            before = ready(sitting)
            began = time.process_time()
            advance(before, hearing)
            times[size].append(time.process_time() - began)
    return {size: statistics.median(t) * 1e3 for size, t in times.items()}


def _said(*lines: str) -> Callable[[Sitting], Sitting]:
    def ready(sitting: Sitting) -> Sitting:
        for line in lines:
            sitting = advance(sitting, Heard(from_line(line))).sitting
        return sitting

    return ready


SINGLE = {
    "select_one": (f"select the last {PHRASE[4:]}", _said()),
    "replace_one": ("replace the last word with again", _said()),
    "bold_sentence": ("bold the last sentence", _said()),
    "undo_one": ("undo", _said("bold the last sentence")),
}


def run() -> Iterator[Figure]:
    """Sizes take turns, so that a machine that slows down slows them all."""
    places = max(SIZES) // 500
    sittings = {s: _sitting(document(s, planted=(PHRASE, max(2, s // 500)))) for s in SIZES}
    for name, (line, ready) in SINGLE.items():
        costs = _costs(sittings, line, ready)
        base = f"{name}_{SIZES[0]}"
        for size, cost in costs.items():
            yield Figure(f"{name}_{size}", cost, "ms", base, cost / costs[SIZES[0]])
    large = {0: sittings[max(SIZES)]}
    yield Figure(f"find_among_{places}", _costs(large, f"select {PHRASE}", _said())[0], "ms")
    many = {0: _sitting(document(100_000, planted=(PHRASE, 1_000)))}
    replace = f"replace {PHRASE} with the port office everywhere"
    cost = _costs(many, replace, _said())[0]
    yield Figure("replace_1000", cost, "ms")
    undo = _costs(many, "undo", _said(replace))[0]
    yield Figure("undo_of_1000", undo, "ms", "replace_1000", undo / cost)
    yield from _memory()


def _memory() -> Iterator[Figure]:
    """A server's memory with a long document and a long history, without the recogniser."""
    import multiprocessing

    context = multiprocessing.get_context("spawn")
    with context.Pool(1) as pool:
        yield Figure("memory_100000_words_5000_utterances", pool.apply(_held), "MB")


def _held() -> float:
    from nimble_lantern.web.app import create_app

    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "bench.sqlite3"
        journal = open_journal(connect(path))
        journal.add("Bench", document(100_000))
        desk = LiveDesk(journal)
        lines = ("the boat came in full stop", "bold the last two words", "undo that",
                 "delete the last word", "select the last sentence")  # fmt: skip
        for n in range(UTTERANCES):
            desk.hear(from_line(lines[n % len(lines)]))
        desk = LiveDesk(open_journal(connect(path)))
        app = create_app(desk, _no_engine)
        with app.test_request_context("/"):
            app.extensions["pages"].whole(app.extensions["pages"].opened(), desk)
        desk.hear(from_line("select the harbour"))
    return resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024


def _no_engine() -> LiveEngine:
    raise AssertionError("no sound is heard in this benchmark")
