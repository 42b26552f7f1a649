"""The page in a browser: the prompter, the views, the window of lines, and no hand on the mouse."""

from __future__ import annotations

from tests.browser.cases import BrowserCase
from tests.browser.chromium import wait_until


class Desk(BrowserCase):
    def test_the_prompter_writes_and_revises_a_document(self) -> None:
        driver = self.browser()
        self.waits(driver, ".line .ink", "Ida Marlowe")
        self.presses(driver, "#controls button")
        self.waits(driver, "#controls button", "Stop the prompter")
        self.waits(driver, "#heard", "hearing")
        self.waits(driver, "#controls button", "Play", 90)
        self.assertEqual(self.text(driver, ".mark-bold .mark-bold"), "")
        self.assertIn("sea is calm", self.text(driver, ".line .ink").replace("\n", " "))
        summaries = [e.summary for e in self.kept().trail]
        self.assertIn("“two of our keepers” is now “two keepers”", summaries)

    def test_the_prompter_is_stopped_by_its_button(self) -> None:
        driver = self.browser()
        self.presses(driver, "#controls button")
        self.waits(driver, "#controls button", "Stop the prompter")
        self.presses(driver, "#controls button")
        self.waits(driver, "#controls button", "Play")

    def test_every_view_is_reached_and_left_by_voice(self) -> None:
        driver = self.browser()
        for said, words in (
            ("show the shelf", "The shelf"),
            ("show the settings", "The settings"),
            ("what can i say", "What can be said"),
            ("show the word book", "The word book"),
            ("show my figures", "Your figures"),
        ):
            self.server.says(said)
            self.waits(driver, "#stage", words)
            self.server.says("back to the desk")
            self.waits(driver, "#stage", "Ida Marlowe")

    def test_a_word_is_spelled_in_view(self) -> None:
        driver = self.browser()
        for line in ("new paragraph", "we thank eider marlow", "correct eider marlow", "spell it"):
            self.server.says(line)
        self.waits(driver, ".tray-name", "eider marlow")
        self.server.says("capital i d a space capital m a r l o w e")
        self.waits(driver, ".tray-letters", "M")
        self.assertEqual(self.count(driver, ".tray-letter"), 11)
        self.server.says("that is it")
        self.waits(driver, ".line .ink", "We thank Ida Marlowe")
        self.assertEqual(self.count(driver, ".tray"), 0)

    def test_what_is_on_is_in_view_and_a_setting_shows_at_once(self) -> None:
        driver = self.browser()
        self.server.says("bold on")
        self.waits(driver, "#manner", "bold on")
        self.server.says("show the settings")
        self.server.says("american conventions")
        self.waits(driver, "#stage", "American")

    def test_the_page_keeps_a_window_of_lines(self) -> None:
        driver = self.browser()
        for n in range(30):
            self.server.says(f"new paragraph ... boat {n} came in at noon and left again full stop")
        self.waits(driver, ".line .ink", "Boat 29")
        self.assertLess(self.count(driver, ".row-line"), 25)
        self.server.says("scroll up three pages")
        wait_until(lambda: "Boat 29" not in self.text(driver, ".line .ink"), what="scrolling")
        self.server.says("it rained full stop")
        self.waits(driver, ".line .ink", "It rained.")

    def test_two_pages_show_the_same_desk(self) -> None:
        first, second = self.browser(), self.browser()
        self.server.says("the tide turned full stop")
        for driver in (first, second):
            self.waits(driver, ".line .ink", "The tide turned.")

    def test_zooming_makes_other_lines_of_the_same_text(self) -> None:
        driver = self.browser()
        before = int(self.value(driver, "#stage", "data-lines"))
        self.server.says("zoom in")
        wait_until(
            lambda: int(self.value(driver, "#stage", "data-lines")) > before,
            what="more lines",
        )
