"""The desk's own window: opened without a click, listening, restarted and closed by voice."""

from __future__ import annotations

import contextlib
import json
import os
import signal
import subprocess
import sys
import tempfile
import unittest
import urllib.request
from pathlib import Path

from nimble_lantern.store.database import connect
from nimble_lantern.store.journal import open_journal
from tests.browser.cases import SOUND_SECONDS
from tests.browser.chromium import FLAGS, wait_until
from tests.server import free_port
from tests.speaking import speak

SHOWS = (
    "import sys; from pathlib import Path; from nimble_lantern.web.server import show;"
    " show(int(sys.argv[1]), False, Path(sys.argv[2]), sys.argv[3:])"
)
"""What `lantern desk` does, with a sound file for a microphone, and no display."""


class OwnWindow(unittest.TestCase):
    def test_it_listens_without_a_click_and_is_closed_by_voice(self) -> None:
        folder = tempfile.TemporaryDirectory(ignore_cleanup_errors=True)
        self.addCleanup(folder.cleanup)
        data, port = Path(folder.name) / "data", free_port()
        lines = ["please come to the meeting", "close the window", "yes"]
        wav = speak(Path(folder.name) / "day.wav", lines, "awb", pause=3.0)
        # The permission is that of the profile: no flag grants the microphone.
        flags = (*FLAGS, "--use-fake-device-for-media-stream",
                 f"--use-file-for-fake-audio-capture={wav}%noloop")  # fmt: skip
        desk = subprocess.Popen(
            [sys.executable, "-c", SHOWS, str(port), str(data), *flags],
            stdout=subprocess.DEVNULL,
            stderr=subprocess.DEVNULL,
            start_new_session=True,
        )
        self.addCleanup(self._ended, desk)
        wait_until(lambda: self._state(port).get("lamp") == "lit", SOUND_SECONDS, "the desk")
        self.assertEqual(desk.wait(SOUND_SECONDS * 2), 0)
        engine = connect(data / "lantern.sqlite3")
        self.addCleanup(engine.dispose)
        trail = open_journal(engine).begin().trail
        self.assertEqual([e.heard for e in trail], lines)
        self.assertEqual([e.command for e in trail], [None, "outgoing.close", "choosing.yes"])

    def _ended(self, desk: subprocess.Popen[bytes]) -> None:
        """Nothing of it is left, the browser neither."""
        with contextlib.suppress(ProcessLookupError):
            os.killpg(desk.pid, signal.SIGKILL)
        desk.wait(20)

    def _state(self, port: int) -> dict[str, object]:
        try:
            with urllib.request.urlopen(f"http://127.0.0.1:{port}/state", timeout=5) as answer:
                found: dict[str, object] = json.load(answer)
                return found
        except OSError:
            return {}
