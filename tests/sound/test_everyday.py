"""Everyday tasks by sound alone: the microphone does what the same words do without it."""

from __future__ import annotations

from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.state import Entry
from nimble_lantern.demo import load_sample_world
from nimble_lantern.shell import LiveDesk
from nimble_lantern.store.opening import open_folder
from tests.browser.cases import SOUND_SECONDS, BrowserCase
from tests.browser.chromium import wait_until
from tests.corpus.everyday import TASKS, missing
from tests.speaking import speak

PAUSE = 2.0
"""Seconds between utterances."""


class Everyday(BrowserCase):
    def test_tasks_are_done_by_sound_alone(self) -> None:
        tasks = [task for task in TASKS if task.heard]
        self.assertGreaterEqual(len(tasks), 12)
        lines = [line for task in tasks for line in task.says]
        driver = self.browser(speak(self.folder / "day.wav", lines, "awb", pause=PAUSE))
        desk = LiveDesk(open_folder(self.folder / "by-words", load_sample_world))
        for task in tasks:
            for line in task.says:
                desk.hear(from_line(line))
            self.assertEqual(missing(task, desk.sitting), [], task.wanted)
        wanted = list(map(_done, desk.sitting.trail))
        for count in range(1, len(wanted) + 1):
            wait_until(lambda n=count: len(self.kept().trail) >= n, SOUND_SECONDS, lines[count - 1])
        self.assertEqual(list(map(_done, self.kept().trail)), wanted)
        self.assertEqual(self.kept().document, desk.sitting.document)
        self.waits(driver, ".lamp-state", "listening")


def _done(entry: Entry) -> tuple[str | None, str]:
    return entry.command, entry.summary
