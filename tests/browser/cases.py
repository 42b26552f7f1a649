"""Browser tests: a served desk, a browser, a microphone made of spoken files."""

from __future__ import annotations

import tempfile
import unittest
from collections.abc import Callable
from pathlib import Path

from selenium.webdriver import Chrome

from nimble_lantern.core.state import Sitting
from nimble_lantern.store.database import connect
from nimble_lantern.store.journal import open_journal
from tests.browser.chromium import chromium, wait_until
from tests.server import Server

SOUND_SECONDS = 180.0
"""How long a busy machine may take to hear a few utterances."""

_TELLING = (".lamp-link", "#advice", "#heard")
_MICROPHONE = "return [document.visibilityState, performance.now(), window.spoke]"
"""Whether the page is shown, how long it has been there, and when it last had sound, all in ms."""


class BrowserCase(unittest.TestCase):
    demo = True
    ears = False  # whether it listens with this machine's larger model, too

    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory(ignore_cleanup_errors=True)
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        self.server = Server(self.folder / "data", demo=self.demo, ears=self.ears)
        self.addCleanup(lambda: self.server.stop())

    def browser(
        self, sound: Path | None = None, size: tuple[int, int] = (1280, 800), path: str = "/"
    ) -> Chrome:
        """A browser at the desk; `sound` plays from when the page opens its microphone."""
        driver = self.enterContext(chromium(sound, size))
        driver.get(self.server.address + path)
        return driver

    def text(self, driver: Chrome, selector: str) -> str:
        return str(
            driver.execute_script(
                "return [...document.querySelectorAll(arguments[0])]"
                ".map(e => e.textContent).join('\\n')",
                selector,
            )
        )

    def until(
        self, driver: Chrome, condition: Callable[[], object], what: str, seconds: float = 30.0
    ) -> None:
        """Wait for a condition; if it does not come true, tell how page and server are."""
        try:
            wait_until(condition, seconds, what)
        except AssertionError as error:
            page = [" ".join(self.text(driver, s).split()) for s in _TELLING]
            trail = [(e.number, e.heard, e.read_as) for e in self.kept().trail]
            error.add_note(f"{page}, {driver.execute_script(_MICROPHONE)}; {trail}")
            error.add_note(self.server.stacks())
            raise

    def waits(self, driver: Chrome, selector: str, words: str, seconds: float = 30.0) -> None:
        what = f"“{words}” in {selector}"
        self.until(driver, lambda: words in self.text(driver, selector), what, seconds)

    def is_linked(self, driver: Chrome) -> None:
        """Wait until the page is listened to, and nothing is behind."""
        self.until(
            driver,
            lambda: not self.text(driver, ".lamp-link").strip(),
            "the link",
            SOUND_SECONDS,
        )

    def appears(self, driver: Chrome, selector: str) -> None:
        wait_until(lambda: self.count(driver, selector) > 0, what=selector)

    def presses(self, driver: Chrome, selector: str) -> None:
        """Press what is there now: the page may redraw it between finding and pressing."""
        driver.execute_script("document.querySelector(arguments[0]).click()", selector)

    def value(self, driver: Chrome, selector: str, attribute: str) -> str:
        return str(
            driver.execute_script(
                "return document.querySelector(arguments[0]).getAttribute(arguments[1])",
                selector,
                attribute,
            )
        )

    def count(self, driver: Chrome, selector: str) -> int:
        found = "return document.querySelectorAll(arguments[0]).length"
        return int(driver.execute_script(found, selector))

    def kept(self) -> Sitting:
        """What the database holds, read as a new server would."""
        engine = connect(self.folder / "data" / "lantern.sqlite3")
        self.addCleanup(engine.dispose)
        return open_journal(engine).begin()
