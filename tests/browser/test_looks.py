"""What axe-core and a pair of eyes would find wanting: contrast, names, clipping, size."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from selenium.webdriver import Chrome

from tests.browser.cases import BrowserCase
from tests.browser.chromium import wait_until

AXE = (Path(__file__).parent / "vendor" / "axe.min.js").read_text(encoding="utf-8")
CLIPPED = """
return [...document.querySelectorAll('p, li, h1, h2, button, .ink')]
  .filter(e => e.offsetParent && e.scrollWidth > e.clientWidth + 2
          && !['visible', ''].includes(getComputedStyle(e).overflowX)
          && !e.matches('.shelf-opening') && !e.closest('.paper'))
  .map(e => e.className + ': ' + e.textContent.slice(0, 60))
"""
SMALL = """
return [...document.querySelectorAll('body *')]
  .filter(e => e.offsetParent && e.childElementCount === 0 && e.textContent.trim()
          && !e.closest('.visually-hidden, script, style')
          && parseFloat(getComputedStyle(e).fontSize) < 18
          && !e.matches('.mark-subscript, .mark-superscript') && !e.closest('.paper'))
  .map(e => e.className + ': ' + e.textContent.slice(0, 40))
"""
SEEN = """
return ['.here', '.heard-words', '#lamp svg', '#hints li', '#hints li:nth-child(2)']
  .filter(s => {
    const box = document.querySelector(s)?.getBoundingClientRect();
    return !box || box.top < -1 || box.bottom > innerHeight + 1 || box.left < -1;
  })
"""
SIDEWAYS = "return document.documentElement.scrollWidth - document.documentElement.clientWidth"


class Looks(BrowserCase):
    def faults(self, driver: Chrome) -> list[str]:
        driver.execute_script(AXE)
        result: Any = driver.execute_async_script(
            "const done = arguments[0]; axe.run(document, {runOnly: ['wcag2a', 'wcag2aa',"
            " 'wcag21aa', 'best-practice']}).then(r => done(r.violations))"
        )
        return [
            f"{fault['id']}: {node['target']} {node['failureSummary'][:160]}"
            for fault in result
            for node in fault["nodes"]
        ]

    def assertSound(self, driver: Chrome) -> None:
        self.assertEqual(self.faults(driver), [])
        self.assertEqual(driver.execute_script(CLIPPED), [])
        if driver.execute_script("return innerWidth") > 800:
            # Below, the page is zoomed in, and its pixels are larger than they count.
            self.assertEqual(driver.execute_script(SMALL), [])
        self.assertLessEqual(driver.execute_script(SIDEWAYS), 0)

    def test_every_view_is_sound_at_every_size(self) -> None:
        states = (
            (("bold the lease", "the boat is late full stop", "undo that"), ".trail-entry"),
            (("select from two of our keepers to march",), ".chosen-text"),
            (("cancel", "bold the harbour board"), ".pennant"),
            (("cancel", "show the shelf"), ".shelf-entry"),
            (("show the settings",), ".setting"),
            (("add mara tarrow to the word book", "never write the word fairy"), ".setting"),
            (("show the word book",), ".word-entry"),
            (("show my figures",), ".figure-table"),
            (("back to the desk", "spell a word", "p a r r o w"), ".tray-letter"),
            (("cancel", "back to the desk", "stop listening"), ".lamp-low"),
        )
        driver = self.browser()
        for lines, wanted in states:
            for line in lines:
                self.server.says(line)
            for size in ((1280, 800), (1024, 768), (640, 400)):
                driver.execute_cdp_cmd(
                    "Emulation.setDeviceMetricsOverride",
                    {"width": size[0], "height": size[1], "deviceScaleFactor": 1, "mobile": False},
                )
                with self.subTest(state=wanted, size=size):
                    self.appears(driver, wanted)
                    self.assertSound(driver)

    def test_the_house_is_sound_at_every_size_and_on_both_papers(self) -> None:
        states = (
            (("margin note on the lease ask ida", "call this place lease",
              "call this version first", "delete the last sentence", "compare with first",
              "next change"), ".change-here"),
            (("stop comparing", "show the shelf", "find the letter about the stair"),
             ".found-words"),
            (("back to the desk", "select the lease", "keep this as lease words",
              "show my passages"), ".numbered"),
            (("show the lessons",), ".lessons"),
            (("start lesson four",), ".practice"),
            (("leave the lesson", "print two copies", "show the print tray"), ".paper"),
            (("show my versions",), ".numbered"),
            (("show more of the trail",), ".trail-row"),
            (("show the settings", "show the numbers"), ".setting .row-no"),
            (("back to the desk", "open rota", "go to the cell that says lamp"), ".cell-here"),
        )  # fmt: skip
        driver = self.browser()
        for lines, wanted in states:
            for line in lines:
                self.server.says(line)
            for paper, width, height in (("light", 1280, 800), ("dark", 1024, 768),
                                         ("light", 640, 400)):  # fmt: skip
                self.server.says(f"{paper} paper")
                if wanted == ".setting .row-no":
                    self.server.says("show the numbers")
                driver.execute_cdp_cmd(
                    "Emulation.setDeviceMetricsOverride",
                    {"width": width, "height": height, "deviceScaleFactor": 1, "mobile": False},
                )
                with self.subTest(state=wanted, size=(width, height), paper=paper):
                    self.appears(driver, wanted)
                    self.appears(driver, f'#lamp[data-paper="{paper}"]')
                    self.assertSound(driver)

    def test_what_matters_is_in_view_however_far_one_zooms(self) -> None:
        self.server.says("bold the lease")
        driver = self.browser()
        for width, height in ((1280, 800), (1024, 768), (640, 400)):
            driver.execute_cdp_cmd(
                "Emulation.setDeviceMetricsOverride",
                {"width": width, "height": height, "deviceScaleFactor": 1, "mobile": False},
            )
            self.server.says("go to the end")
            self.waits(driver, "#heard", "at the end")
            with self.subTest(size=(width, height)):
                wait_until(lambda: driver.execute_script(SEEN) == [], 10,
                           str(driver.execute_script(SEEN)))  # fmt: skip
