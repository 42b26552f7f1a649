"""What years of use cost: opening, an utterance, and one edit in very many places."""

from __future__ import annotations

import statistics
import tempfile
import time
from collections.abc import Callable, Iterator, Sequence
from dataclasses import replace
from pathlib import Path

from sqlalchemy import event

from bench._world import document
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Entry, Sitting
from nimble_lantern.core.trail import Trail
from nimble_lantern.playing import desk_with
from nimble_lantern.store.database import connect
from nimble_lantern.store.journal import Journal, open_journal
from nimble_lantern.store.opening import FILE, open_folder

DOCUMENTS, WORDS = 20, 600
UTTERANCES = (400, 40_000)
OPENINGS = 15
TRAILS = (100, 100_000)
SIZES = (1_000, 100_000)
PLACES = 4_000
ROUNDS = 25
_LINES = ("the boat came in before the wind turned full stop", "delete the last sentence")
_SAID = (*_LINES, "bold the last two words", "undo that", "select the last sentence", "cancel")


def run() -> Iterator[Figure]:
    yield from _opening()
    yield from _trails()
    yield from _sizes()
    yield from _places()


def _opening() -> Iterator[Figure]:
    with tempfile.TemporaryDirectory() as name:
        folders = {most: Path(name) / str(most) for most in UTTERANCES}
        for most, folder in folders.items():
            _filled(folder, most)
        yield from _compared("opening", UTTERANCES, lambda n: lambda: _opened(folders[n]), OPENINGS)


def _filled(folder: Path, most: int) -> None:
    """A desk where so much was said, evenly over its documents, which stay as long as they are."""
    folder.mkdir()
    engine = connect(folder / FILE)
    # Only what is in the file counts here, not how safely it got there.
    event.listen(engine, "connect", lambda c, _: c.execute("PRAGMA synchronous=OFF"))
    journal = open_journal(engine)
    journal.begin()
    for n in range(DOCUMENTS):
        title = journal.add(f"Letter {n}", document(WORDS, seed=n))
        _said(journal, journal.open(title), most // DOCUMENTS)
    engine.dispose()


def _said(journal: Journal, sitting: Sitting, times: int) -> None:
    for n in range(times):
        hearing = from_line(_LINES[n % len(_LINES)])
        outcome = advance(sitting, Heard(hearing))
        sitting = journal.record(sitting, outcome, hearing)


def _opened(folder: Path) -> None:
    journal = open_folder(folder)
    assert journal.begin().trail
    journal._engine.dispose()


def _trails() -> Iterator[Figure]:
    """One utterance of several kinds, all said in turn, with a trail of either length."""
    desks: dict[int, Sitting] = {}
    for most in TRAILS:
        sitting = desk_with(document(WORDS), {}).sitting
        entry = Entry(1, "the boat", ReadAs.TEXT, None, "wrote “the boat”", page=sitting.page)
        lines = tuple(replace(entry, number=n) for n in range(1, most + 1))
        trail: Trail[Entry] = Trail()
        for line in lines:
            trail = trail.added(line)
        desks[most] = replace(sitting, trail=trail, number=most)
    yield from _compared("trail", TRAILS, lambda n: lambda: _played(desks[n]))


def _sizes() -> Iterator[Figure]:
    desks = {words: desk_with(document(words), {}).sitting for words in SIZES}
    yield from _compared("words", SIZES, lambda n: lambda: _played(desks[n]))


def _played(sitting: Sitting) -> None:
    for line in _SAID:
        sitting = advance(sitting, Heard(from_line(line))).sitting


def _places() -> Iterator[Figure]:
    """Bold, delete and replace, each in as many places of one document, against one long edit."""
    text = document(PLACES * 40, planted=("the surveyor", PLACES))
    desk = desk_with(text, {}).sitting
    lines = (
        "replace surveyor with inspector everywhere",
        "bold surveyor everywhere",
        "delete surveyor everywhere",
    )
    times = _times({line: lambda line=line: _hear(desk, line) for line in lines}, 5)
    base = times[lines[0]]
    for line in lines:
        name = f"places_{line.split()[0]}"
        yield Figure(name, times[line] * 1e3, "ms", "places_replace", times[line] / base)


def _hear(sitting: Sitting, line: str) -> None:
    after = advance(sitting, Heard(from_line(line)))
    assert after.sitting.document is not sitting.document, after.entry


def _compared(
    name: str, sizes: Sequence[int], act: Callable[[int], Callable[[], None]], rounds: int = ROUNDS
) -> Iterator[Figure]:
    """The sizes take turns, so that a machine that slows down slows them all."""
    times = _times({str(size): act(size) for size in sizes}, rounds)
    base = times[str(sizes[0])]
    for size in sizes:
        value = times[str(size)]
        yield Figure(f"{name}_{size}", value * 1e3, "ms", f"{name}_{sizes[0]}", value / base)


def _times(acts: dict[str, Callable[[], None]], rounds: int) -> dict[str, float]:
    """Seconds of CPU at the median, the first round left out."""
    found: dict[str, list[float]] = {name: [] for name in acts}
    for _ in range(rounds + 1):
        for name, act in acts.items():
            start = time.process_time()
            act()
            found[name].append(time.process_time() - start)
    return {name: statistics.median(times[1:]) for name, times in found.items()}
