"""Sixty everyday tasks in the browser, none of which needs a hand."""

from __future__ import annotations

from tests.browser.cases import BrowserCase
from tests.browser.chromium import wait_until
from tests.corpus.everyday import TASKS, missing


class Everyday(BrowserCase):
    def test_sixty_tasks_are_done_and_seen(self) -> None:
        driver = self.browser()
        said = 0
        for task in TASKS:
            with self.subTest(task.wanted):
                for line in task.says:
                    self.server.says(line)
                    said += 1
                self.assertEqual(missing(task, self.kept()), [])
                self.waits(driver, "#heard", task.says[-1])
                if task.shown:
                    shown = task.shown.lower()
                    wait_until(
                        lambda shown=shown: shown in self.text(driver, "main, header").lower(),
                        what=task.shown,
                    )
        least = sum(task.least for task in TASKS)
        self.assertLessEqual(said, 1.1 * least, "utterances besides those that do something")
