"""Runs every test, the quick ones first; prints one closing line that machines can read."""

from __future__ import annotations

import sys
import unittest
from pathlib import Path

ORDER = ("core", "formats", "store", "cli", "web", "bench", "engines", "browser")


def suites(names: list[str]) -> unittest.TestSuite:
    """All tests, or those of the named folders."""
    loader = unittest.TestLoader()
    found = unittest.TestSuite()
    top = Path(__file__).parents[1]
    for name in ORDER:
        folder = Path(__file__).parent / name
        if folder.is_dir() and (not names or name in names):
            found.addTests(loader.discover(str(folder), top_level_dir=str(top)))
    return found


def main() -> int:
    result = unittest.TextTestRunner(verbosity=1).run(suites(sys.argv[1:]))
    failed = len(result.failures) + len(result.errors) + len(result.unexpectedSuccesses)
    skipped = len(result.skipped)
    passed = result.testsRun - failed - skipped
    print(f"{passed} passed, {failed} failed, {skipped} skipped")
    return 0 if result.wasSuccessful() and result.testsRun else 1


if __name__ == "__main__":
    sys.exit(main())
