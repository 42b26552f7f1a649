"""Kills during the first start and during a migration: whether the desk can be used afterwards."""

from __future__ import annotations

import random
import shutil
import signal
import sqlite3
import subprocess
import sys
import tempfile
import time
from collections.abc import Iterator
from contextlib import closing
from pathlib import Path

from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.demo import load_sample_world, sample_documents
from nimble_lantern.store.database import migrate
from nimble_lantern.store.opening import FILE, open_folder

KILLS = 50  # of each kind
SEED = 5
_LINES = [f"boat {n} came in at noon full stop" for n in range(40)]
_OPENS = (
    "import sys; from pathlib import Path\n"
    "from nimble_lantern.demo import load_sample_world\n"
    "from nimble_lantern.store.lock import Lock\n"
    "from nimble_lantern.store.opening import open_folder\n"
    "print('ready', flush=True)\n"
    "Lock(Path(sys.argv[1])); open_folder(Path(sys.argv[1]), load_sample_world)\n"
    "print('open', flush=True)\n"
)


def run() -> Iterator[Figure]:
    """The kills fall evenly over the time that opening takes."""
    rng = random.Random(SEED)
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name)
        older = _older(folder / "older")
        seconds = {
            "first_start": _seconds(folder / "first", None),
            "migration": _seconds(folder / "second", older),
        }
        for kind in seconds:
            usable, broken_off = 0, 0
            for n in range(KILLS):
                place = folder / f"{kind}{n}"
                if kind == "migration":
                    shutil.copytree(older, place)
                broken_off += _killed(place, rng.uniform(0.0, seconds[kind]))
                usable += _usable(place, kind)
                shutil.rmtree(place, ignore_errors=True)
            yield Figure(f"starts_{kind}_usable", usable, "desks", "kills", usable / KILLS)
            yield Figure(f"starts_{kind}_broken_off", broken_off, "starts")


def _older(folder: Path) -> Path:
    """A desk of the first tables, with something on it."""
    journal = open_folder(folder, load_sample_world)
    sitting = journal.begin()
    for line in _LINES:
        hearing = from_line(line)
        sitting = journal.record(sitting, advance(sitting, Heard(hearing)), hearing)
    migrate(journal._engine, "0001")
    journal._engine.dispose()
    return folder


def _begun(folder: Path) -> subprocess.Popen[str]:
    """A process that is about to open a desk."""
    command = [sys.executable, "-c", _OPENS, str(folder)]
    process = subprocess.Popen(command, stdout=subprocess.PIPE, text=True)
    assert process.stdout is not None
    process.stdout.readline()
    return process


def _seconds(folder: Path, older: Path | None) -> float:
    """How long opening takes."""
    if older:
        shutil.copytree(older, folder)
    process = _begun(folder)
    began = time.monotonic()
    assert process.stdout is not None
    process.stdout.readline()
    took = time.monotonic() - began
    with process.stdout:
        process.wait()
    return took


def _killed(folder: Path, after: float) -> bool:
    """Whether the kill came before the desk was open."""
    process = _begun(folder)
    assert process.stdout is not None
    time.sleep(after)
    process.send_signal(signal.SIGKILL)
    process.wait()
    with process.stdout:
        return "open" not in process.stdout.read()


def _usable(folder: Path, kind: str) -> bool:
    """Whether it opens, whole, and can be written on."""
    journal = open_folder(folder, load_sample_world)
    sitting = journal.begin()
    whole = len(journal.titles()) == len(sample_documents())
    if kind == "migration":
        whole = whole and len(sitting.trail) == len(_LINES)
    hearing = from_line("we go on")
    after = journal.record(sitting, advance(sitting, Heard(hearing)), hearing)
    journal._engine.dispose()
    with closing(sqlite3.connect(folder / FILE)) as connection:
        sound = connection.execute("PRAGMA integrity_check").fetchone()[0] == "ok"
    return whole and sound and after.document != sitting.document
