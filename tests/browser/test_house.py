"""The house in a browser: reading aloud, with its mark."""

from __future__ import annotations

import json
import os
import time
from unittest import mock

from tests.browser.cases import BrowserCase
from tests.browser.chromium import wait_until

SENTENCE_SECONDS = 30.0


class Reading(BrowserCase):
    def setUp(self) -> None:
        self.enterContext(mock.patch.dict(os.environ, {"LANTERN_VOICE": "stand-in"}))
        super().setUp()

    def aloud(self) -> str | None:
        found: str | None = json.loads(self.server.get("/state"))["aloud"]
        return found

    def test_the_mark_goes_with_the_voice_and_reading_ends_by_itself(self) -> None:
        driver = self.browser()
        self.server.says("read the second paragraph")
        self.appears(driver, ".looks-aloud-word")
        words: list[str] = []
        deadline = time.monotonic() + SENTENCE_SECONDS
        while self.aloud() is not None and time.monotonic() < deadline:
            word = self.text(driver, ".looks-aloud-word").strip()
            if word and word not in words[-1:]:
                words.append(word)
            time.sleep(0.05)
        self.assertIsNone(self.aloud())
        self.assertGreater(len(words), 6)
        text = " ".join(words)
        self.assertLess(text.find("stair"), text.rfind("March") if "March" in text else len(text))

    def test_stop_there_is_where_it_was_read(self) -> None:
        driver = self.browser()
        self.server.says("read from the top")
        self.appears(driver, ".looks-aloud-word")
        time.sleep(1.5)
        self.server.says("stop there")
        state = json.loads(self.server.get("/state"))
        self.assertIsNone(state["aloud"])
        self.assertLess(state["caret"]["block"], 4)
        wait_until(lambda: self.count(driver, ".looks-aloud-word") == 0, what="the mark is gone")
