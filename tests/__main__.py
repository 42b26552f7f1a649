"""Runs every test; prints one closing line that machines can read.

Without names, two processes at a time take the groups that need no more than that; those that
listen through a microphone come after them, as they need the machine's time.
"""

from __future__ import annotations

import gc
import os
import re
import subprocess
import sys
import unittest
from collections.abc import Sequence
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

TOGETHER = (
    ("core/test_*.py",),
    ("cli", "formats", "store", "web", "bench"),
    ("engines",),
    ("core/*/test_*.py",),
    ("browser/test_[a-h]*.py",),
    ("browser/test_[i-z]*.py",),
)
"""Folders, or some files of one: taken two at a time, the longest first."""
ALONE = (("sound",),)
PHASES = (TOGETHER, *((group,) for group in ALONE))
AT_ONCE = 2
FOLDERS = tuple(name for phase in PHASES for group in phase for name in group)
_CLOSING = re.compile(r"^(\d+) passed, (\d+) failed, (\d+) skipped$", re.M)


def suites(names: Sequence[str]) -> unittest.TestSuite:
    """The tests of the named folders, or files of theirs."""
    loader = unittest.TestLoader()
    found = unittest.TestSuite()
    here = Path(__file__).parent
    for name in names:
        if (here / name).is_dir():
            found.addTests(loader.discover(str(here / name), "test*.py", str(here.parent)))
        else:
            files = (path.relative_to(here.parent) for path in sorted(here.glob(name)))
            modules = [".".join(file.with_suffix("").parts) for file in files]
            found.addTests(loader.loadTestsFromNames(modules))
    return found


def run(names: Sequence[str]) -> int:
    """Run the tests of some folders here; the exit status."""
    gc.set_threshold(100_000, 20, 20)  # as the application does: the grammar is no garbage
    result = unittest.TextTestRunner(verbosity=1).run(suites(names))
    failed = len(result.failures) + len(result.errors) + len(result.unexpectedSuccesses)
    skipped = len(result.skipped)
    passed = result.testsRun - failed - skipped
    print(f"{passed} passed, {failed} failed, {skipped} skipped")
    return 0 if result.wasSuccessful() and result.testsRun else 1


def run_all() -> int:
    """Run every folder in a process of its own and tell the sum; the exit status."""
    sums, bad = [0, 0, 0], False
    for phase in PHASES:
        with ThreadPoolExecutor(AT_ONCE) as pool:
            for names, done in zip(phase, pool.map(_apart, phase), strict=True):
                print(f"{' '.join(names)}:\n{done.stdout}", flush=True)
                counts = _CLOSING.search(done.stdout)
                bad = bad or done.returncode != 0 or counts is None
                for n in range(3):
                    sums[n] += int(counts[n + 1]) if counts else 0
    print(f"{sums[0]} passed, {sums[1]} failed, {sums[2]} skipped")
    return int(bad)


def _apart(names: Sequence[str]) -> subprocess.CompletedProcess[str]:
    command = [sys.executable, "-m", "tests", *names]
    # Some hundred processes are started: what one of them compiled need not be compiled again.
    around = {**os.environ, "PYTHONDONTWRITEBYTECODE": ""}
    return subprocess.run(
        command,
        stdout=subprocess.PIPE,
        stderr=subprocess.STDOUT,
        text=True,
        errors="replace",
        env=around,
    )


if __name__ == "__main__":
    sys.exit(run(sys.argv[1:]) if sys.argv[1:] else run_all())
