"""Words that are spoken while the server is gone: heard whole, exactly, and once.

The real engine, and sound that is sent again as the page sends it; without a browser, whose
simulated microphone may leave some out while a machine is busy.
"""

from __future__ import annotations

import tempfile
import unittest
from pathlib import Path

from nimble_lantern.engines.builtin.files import pcm_of
from nimble_lantern.engines.builtin.recogniser import BuiltIn
from nimble_lantern.shell import LiveDesk
from nimble_lantern.store.database import connect
from nimble_lantern.store.journal import open_journal
from nimble_lantern.web.app import create_app
from tests.speaking import speak

LINES = ("please come to the meeting", "we would like to meet you on the island")
CHUNK = 1600
PAUSE, INTO_THE_LINE = 2.0, 1.0


class Restarted(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory(ignore_cleanup_errors=True)
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        self.kept = 0
        self.serves()

    def serves(self) -> None:
        """A server that knows what is on the disk, and nothing else."""
        engine = connect(self.folder / "desk.sqlite3")
        self.addCleanup(engine.dispose)
        self.desk = LiveDesk(open_journal(engine))
        app = create_app(self.desk, BuiltIn, pace=0)
        self.client = app.test_client()
        self.listener = app.extensions["listener"]
        self.addCleanup(self.listener.close)

    def test_lines_that_a_restart_cuts_are_heard_word_for_word(self) -> None:
        spoken = b"".join(pcm_of(speak(self.folder / "lines.wav", LINES, "awb", PAUSE)))
        whole = spoken + b"\0" * 32_000
        self.opens()
        self.sends(whole[: round((PAUSE + INTO_THE_LINE) * 32_000)])
        self.goes_on()
        self.sends(whole)
        self.assertEqual([e.heard for e in self.desk.sitting.trail], list(LINES))
        self.goes_on()
        self.sends(whole)
        self.assertEqual([e.heard for e in self.desk.sitting.trail], list(LINES))

    def goes_on(self) -> None:
        self.listener.close()
        self.serves()
        self.opens()

    def opens(self) -> None:
        what = {"stream": "one", "from": self.kept, "time": self.kept / 16, "lost": 0}
        self.at = self.client.post("/streams", json=what).get_json()["next"]

    def sends(self, sound: bytes) -> None:
        """What of a stream is wanted yet, chunk by chunk."""
        while (self.at + CHUNK) * 2 <= len(sound):
            chunk = sound[self.at * 2 : (self.at + CHUNK) * 2]
            url = f"/streams/one/{self.at}?page=x&time={self.at / 16}"
            answer = self.client.post(url, data=chunk)
            self.at = int(answer.headers["Lantern-Next"])
            self.kept = int(answer.headers.get("Lantern-Kept", self.kept))


if __name__ == "__main__":
    unittest.main()
