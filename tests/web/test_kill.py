"""Nothing that was answered is lost, however the server ends."""

from __future__ import annotations

import tempfile
import threading
import unittest
import urllib.error
from http.client import HTTPException
from pathlib import Path

from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.formats import to_markdown
from nimble_lantern.store.database import connect
from nimble_lantern.store.journal import open_journal
from tests.server import Server

SCRIPT = [
    line
    for n in range(60)
    for line in (f"boat {n} came in at noon full stop", "bold the last two words", "undo that")
]


ANSWERED = 9
"""Lines before the kill."""


class Killed(unittest.TestCase):
    def test_a_kill_in_the_middle_of_a_script_loses_no_answered_utterance(self) -> None:
        with tempfile.TemporaryDirectory() as name:
            folder = Path(name)
            server = Server(folder)
            answered: list[str] = []
            for line in SCRIPT:
                if len(answered) == ANSWERED:
                    # While the next is worked on, or one soon after.
                    threading.Timer(0.02, server.kill).start()
                try:
                    server.says(line)
                except (urllib.error.URLError, HTTPException, OSError):
                    break
                answered.append(line)
            self.assertLess(len(answered), len(SCRIPT), "the kill came too late to tell")
            self.assertGreaterEqual(len(answered), ANSWERED)
            self._check(folder, answered)
            again = Server(folder)
            self.assertIn("came in at noon", again.get("/"))
            again.stop()

    def _check(self, folder: Path, answered: list[str]) -> None:
        engine = connect(folder / "lantern.sqlite3")
        journal = open_journal(engine)
        sitting = journal.begin()
        heard = [e.heard for e in sitting.trail]
        # One more may have been kept without its answer getting out.
        self.assertEqual(heard[: len(answered)], answered)
        self.assertLessEqual(len(heard), len(answered) + 1)
        expected = type(sitting)()
        for line in heard:
            expected = advance(expected, Heard(from_line(line))).sitting
        self.assertEqual(sitting.document, expected.document)
        self.assertEqual(sitting.caret, expected.caret)
        for line in ("undo everything", "redo everything"):
            hearing = from_line(line)
            sitting = journal.record(sitting, advance(sitting, Heard(hearing)), hearing)
            expected = advance(expected, Heard(hearing)).sitting
            self.assertEqual(to_markdown(sitting.document), to_markdown(expected.document))
        engine.dispose()
