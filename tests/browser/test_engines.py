"""The browser's own recogniser, by a stand-in of the standard interface (W3C Web Speech API)."""

from __future__ import annotations

from collections.abc import Sequence

from selenium.webdriver import Chrome

from tests.browser.cases import BrowserCase
from tests.browser.chromium import wait_until

STAND_IN = """
window.ears = [];
class SpeechRecognition extends EventTarget {
  constructor() { super(); this.started = 0; window.ears.push(this); }
  start() {
    if (this.running) throw new DOMException("already started", "InvalidStateError");
    this.running = true;
    this.started += 1;
  }
  stop() { this.end(); }
  abort() { this.end(); }
  end() { this.running = false; setTimeout(() => this.onend && this.onend(new Event("end"))); }
  hear(final, alternatives) {
    const result = alternatives.map(([transcript, confidence]) => ({ transcript, confidence }));
    result.isFinal = final;
    this.onresult({ resultIndex: 0, results: [result] });
  }
  fail(error) { this.onerror({ error }); this.end(); }
}
window.SpeechRecognition = window.webkitSpeechRecognition = SpeechRecognition;
"""
MISSING = "delete window.SpeechRecognition; delete window.webkitSpeechRecognition;"


class BrowserEngine(BrowserCase):
    demo = False

    def at_the_desk(self, before: str = STAND_IN) -> Chrome:
        self.driver = self.browser()
        self.driver.execute_cdp_cmd("Page.addScriptToEvaluateOnNewDocument", {"source": before})
        self.driver.get(self.server.address)
        self.says("listen with the browser")
        return self.driver

    def says(self, line: str) -> None:
        self.driver.execute_script(
            "fetch('/lines', {method: 'POST', body: new URLSearchParams({line: arguments[0]})})",
            line,
        )

    def listens(self) -> None:
        wait_until(
            lambda: self.driver.execute_script(
                "return window.ears.length && window.ears.at(-1).running"
            ),
            what="the browser's recogniser",
        )

    def hears(self, final: bool, *alternatives: Sequence[object]) -> None:
        self.driver.execute_script(
            "window.ears.at(-1).hear(arguments[0], arguments[1])", final, alternatives
        )

    def test_interim_words_show_and_final_ones_are_written(self) -> None:
        driver = self.at_the_desk()
        self.listens()
        ear = "const e = window.ears.at(-1); return [e.lang, e.continuous, e.interimResults]"
        self.assertEqual(driver.execute_script(ear), ["en-GB", True, True])
        self.hears(False, ["the tide", 0.0])
        self.waits(driver, ".heard-live", "the tide")
        self.hears(True, ["The tide is high.", 0.9], ["the tied is high", 0.4])
        self.waits(driver, ".line .ink", "The tide is high")
        self.hears(True, ["Bold the last two words", 0.9])
        self.waits(driver, ".mark-bold", "is high")

    def test_it_starts_again_after_its_own_end_and_rests_with_the_lamp(self) -> None:
        driver = self.at_the_desk()
        self.listens()
        driver.execute_script("window.ears.at(-1).fail('no-speech')")
        wait_until(lambda: driver.execute_script("return window.ears.length") > 1, what="a restart")
        self.listens()
        self.says("stop listening")
        wait_until(
            lambda: not driver.execute_script("return window.ears.some(e => e.running)"),
            what="the rest",
        )
        self.says("start listening")
        self.listens()
        self.assertEqual(self.text(driver, "#heard .advice"), "")

    def test_an_error_falls_back_to_the_built_in_engine_and_says_so(self) -> None:
        for error, words in (
            ("network", "cannot reach its service"),
            ("not-allowed", "does not allow its recogniser"),
        ):
            with self.subTest(error):
                driver = self.at_the_desk()
                self.listens()
                driver.execute_script("window.ears.at(-1).fail(arguments[0])", error)
                self.waits(driver, "#heard .advice", words)
                self.waits(driver, "#heard .advice", "the built-in one listens instead")
                lamp = "return document.getElementById('lamp').dataset.engine"
                self.assertEqual(driver.execute_script(lamp), "best")

    def test_a_browser_without_a_recogniser_says_so(self) -> None:
        driver = self.at_the_desk(MISSING)
        self.waits(driver, "#heard .advice", "no recogniser of its own")
