"""The house in a browser: reading aloud with its mark, a page over restarts, jobs with no hands."""

from __future__ import annotations

import json
import os
import time
from unittest import mock

from tests.browser.cases import BrowserCase
from tests.browser.chromium import wait_until
from tests.speaking import speak

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


class Handless(BrowserCase):
    def test_jobs_are_done_by_sound_alone(self) -> None:
        sound = speak(
            self.folder / "jobs.wav",
            ["show the shelf", "back to the desk", "undo that", "show the settings",
             "back to the desk"],
            "awb",
            pause=3.0,
        )  # fmt: skip
        self.server.says("bold the lease")
        driver = self.browser(sound)
        for wanted in ("the shelf", "undid", "the settings"):
            self.waits(driver, "#trail", wanted, 120)


class Restarting(BrowserCase):
    def test_a_page_left_open_goes_on_over_restarts(self) -> None:
        driver = self.browser()
        self.appears(driver, "#lamp")
        port = self.server.port
        for n in range(3):
            self.server.kill()
            from tests.server import Server

            self.server = Server(self.folder / "data", demo=True, port=port)
            self.server.says(f"show what changed since {n}" if n else "show my passages")
            self.waits(driver, "#heard", "since" if n else "passages", 30)
