"""What axe-core and a pair of eyes would find wanting: contrast, names, clipping, size."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from selenium.webdriver import Chrome

from tests.browser.cases import BrowserCase

AXE = (Path(__file__).parent / "vendor" / "axe.min.js").read_text(encoding="utf-8")
CLIPPED = """
return [...document.querySelectorAll('p, li, h1, h2, button, .ink')]
  .filter(e => e.offsetParent && e.scrollWidth > e.clientWidth + 2
          && !['visible', ''].includes(getComputedStyle(e).overflowX)
          && !e.matches('.shelf-opening'))
  .map(e => e.className + ': ' + e.textContent.slice(0, 60))
"""
SMALL = """
return [...document.querySelectorAll('body *')]
  .filter(e => e.offsetParent && e.childElementCount === 0 && e.textContent.trim()
          && !e.closest('.visually-hidden, script, style')
          && parseFloat(getComputedStyle(e).fontSize) < 18
          && !e.matches('.mark-subscript, .mark-superscript'))
  .map(e => e.className + ': ' + e.textContent.slice(0, 40))
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
