"""From a spoken file through the browser's microphone to the page and the database."""

from __future__ import annotations

import unittest

from rapidfuzz.fuzz import ratio
from selenium.webdriver import Chrome

from nimble_lantern.engines import ears
from nimble_lantern.formats import to_markdown, to_text
from tests.browser.cases import SOUND_SECONDS, BrowserCase
from tests.server import Server
from tests.speaking import speak


def _watches_for_speech(driver: Chrome) -> None:
    """Keep when the page's microphone last had speech, in its own milliseconds, as `spoke`."""
    driver.execute_script(
        "window.spoke = window.since = 0; setInterval(() => { const level = "
        "Number(getComputedStyle(document.body).getPropertyValue('--level'));"
        "if (level > 0.3) window.spoke = Date.now(); }, 50)"
    )


LINES = ("please come to the meeting", "we would like to meet you on the island")


class TwoLinesCase(BrowserCase):
    """Of two lines that are spoken, which came, and how often."""

    demo = False

    def heard(self) -> list[str]:
        """For each utterance of the trail, the line that it is nearer to than to the other.

        Word for word they are told with the engine's own tests of a restart; a simulated
        microphone leaves some out while a busy machine makes its decoders ready.
        """
        return [self._meant(entry.heard) for entry in self.kept().trail]

    def _meant(self, heard: str) -> str:
        far, near = sorted(LINES, key=lambda line: ratio(line, heard))
        self.assertGreater(ratio(near, heard), ratio(far, heard) + 15, heard)
        return near


class Spoken(BrowserCase):
    demo = False

    def test_a_sentence_is_dictated_its_last_words_are_bold_and_all_is_kept(self) -> None:
        # The way is tested here, not the recogniser's ear: another voice may be heard better.
        heard = []
        for voice in ("awb", "rms", "slt"):
            page = self._dictated(voice)
            heard.append(page)
            exact = "Please come to the meeting" in page and "meet you on the island" in page
            if exact and self._bold("the island"):
                self._same_in_the_database()
                return
            self.server.stop()
            self.folder = self.folder / voice
            self.folder.mkdir()
            self.server = Server(self.folder / "data")
        self.fail(f"no voice was understood: {heard}")

    def _dictated(self, voice: str) -> str:
        lines = ["please come to the meeting", "we would like to meet you on the island",
                 "bold the last two words"]  # fmt: skip
        wav = speak(self.folder / "three.wav", lines, voice, pause=1.5)
        self.page = self.browser(wav)
        self.until(
            self.page,
            lambda: self.count(self.page, ".trail-no") >= 3,
            "utterances",
            SOUND_SECONDS,
        )
        return self.text(self.page, ".line .ink")

    def _bold(self, words: str) -> bool:
        return self.text(self.page, ".mark-bold") == words

    def _same_in_the_database(self) -> None:
        kept, page = self.kept(), self.text(self.page, ".line .ink")
        self.assertIn("marks.bold", [e.command for e in kept.trail])
        self.assertIn("3", self.text(self.page, ".trail-no"))
        self.assertEqual(" ".join(page.split()), " ".join(to_text(kept.document).split()))
        self.assertTrue(to_markdown(kept.document).endswith("meet you on **the island**"))

    def test_listening_begins_without_a_click_and_shows_what_it_hears(self) -> None:
        wav = speak(self.folder / "one.wav", ["we will come to the island"], "awb", pause=2)
        driver = self.browser(wav)
        driver.execute_script(
            "window.seen = []; new MutationObserver(() => window.seen.push("
            "document.querySelector('#heard').textContent)).observe("
            "document.body, {childList: true, subtree: true})"
        )
        self.waits(driver, ".trail-summary", "wrote", SOUND_SECONDS)
        seen = driver.execute_script("return window.seen")
        self.assertTrue(any("hearing" in s for s in seen), "no partial text was shown")
        self.assertEqual(self.text(driver, ".lamp-state"), "listening")

    def test_a_machine_that_is_behind_says_so_and_loses_nothing(self) -> None:
        lines = ["please come to the meeting", "we would like to meet you on the island"]
        wav = speak(self.folder / "two.wav", lines, "awb", pause=2)
        driver = self.browser(wav)
        self.waits(driver, "#heard", "hearing", SOUND_SECONDS)
        driver.execute_script(
            "const lamp = document.querySelector('.lamp-link'); window.links = [lamp.textContent];"
            "new MutationObserver(() => window.links.push(lamp.textContent)).observe("
            "lamp, {childList: true, characterData: true, subtree: true})"
        )
        self.server.pause(5)
        self.waits(driver, ".trail-summary", "island", SOUND_SECONDS)
        links = driver.execute_script("return window.links")
        self.assertIn("catching up: kept", [link.strip() for link in links])
        self.is_linked(driver)
        self.assertEqual(len(self.kept().trail), 2)


class HandsFree(BrowserCase):
    demo = False

    def test_compose_revise_rest_wake_and_undo_by_sound_alone(self) -> None:
        lines = [
            "please come to the meeting",
            "bold the meeting",
            "stop listening",
            "nobody came to the meeting last night",
            "start listening",
            "undo that",
        ]
        wav = speak(self.folder / "day.wav", lines, "rms", pause=2.5)
        driver = self.browser(wav)
        self.waits(driver, ".mark-bold", "meeting", SOUND_SECONDS)
        self.waits(driver, ".lamp-state", "resting", SOUND_SECONDS)
        self.waits(driver, ".lamp-state", "listening", SOUND_SECONDS)
        self.until(
            driver, lambda: self.count(driver, ".mark-bold") == 0, "the undoing", SOUND_SECONDS
        )
        self.assertEqual(self.text(driver, ".line .ink").strip(), "Please come to the meeting")
        trail = [(e.read_as, e.command) for e in self.kept().trail]
        self.assertEqual(
            trail,
            [
                ("text", None),
                ("command", "marks.bold"),
                ("command", "listening.stop_listening"),
                ("command", "listening.start_listening"),
                ("command", "history.undo"),
            ],
        )


@unittest.skipUnless(ears.there(), "no speech model could be fetched to this machine")
class HandsFreeWithTheLargerModel(HandsFree):
    """The same day, heard by both engines."""

    ears = True


class TwoPages(TwoLinesCase):
    def test_the_first_page_goes_on_listening_and_the_second_follows_when_it_is_closed(
        self,
    ) -> None:
        """What is said while one page follows the other is heard, once."""
        # Each page hears the file from when it opened it: the second line comes late enough for
        # the first page to be closed before its own.
        wav = speak(self.folder / "two.wav", LINES, "awb", pause=40)
        driver = self.browser(wav)
        self.is_linked(driver)
        first = driver.current_window_handle
        driver.switch_to.new_window("window")
        driver.get(self.server.address)
        second = driver.current_window_handle
        self.waits(driver, ".lamp-link", "another page listens", SOUND_SECONDS)
        _watches_for_speech(driver)
        self.waits(driver, ".trail-no", "1", SOUND_SECONDS)
        self._first_line_is_over(driver)
        driver.switch_to.window(first)
        # A slow machine may still be catching up with what was said.
        self.is_linked(driver)
        driver.close()
        driver.switch_to.window(second)
        self.is_linked(driver)
        self.assertEqual(self.text(driver, ".lamp-state"), "listening")
        self.waits(driver, ".trail-no", "2", SOUND_SECONDS)
        self.assertEqual(self.heard(), [*LINES])

    # The simulated microphone plays its file to each page from when that one opened it.
    def _first_line_is_over(self, driver: Chrome) -> None:
        # On a busy machine the level is seen seconds late; the next line is 40 s away.
        over = "return window.spoke && Date.now() - window.spoke > 6000"
        self.until(
            driver, lambda: driver.execute_script(over), "the end of the line", SOUND_SECONDS
        )


class Restarting(TwoLinesCase):
    def test_a_page_goes_on_over_ten_restarts_and_hears_what_was_said_meanwhile_once(self) -> None:
        """The server is killed in the middle of each line, as a power cut would."""
        wav = speak(self.folder / "ten.wav", LINES * 5, "awb", pause=9.0)
        driver = self.browser(wav)
        self.waits(driver, ".lamp-state", "listening", SOUND_SECONDS)
        _watches_for_speech(driver)
        speaks = "return window.spoke > window.since"
        newest = (
            "const shown = document.querySelectorAll('.trail-no');"
            "return Math.max(0, ...[...shown].map((no) => parseInt(no.textContent)))"
        )
        for n in range(1, 11):
            # On a slow machine the line may have been spoken during the last restart.
            self.until(
                driver,
                lambda n=n: driver.execute_script(speaks) or len(self.kept().trail) >= n,
                "speech",
                SOUND_SECONDS,
            )
            self.server.kill()
            driver.execute_script("window.since = Date.now() + 4000")
            self.waits(driver, ".lamp-link", "connection lost", SOUND_SECONDS)
            self.server = Server(self.folder / "data", port=self.server.port)
            self.until(
                driver, lambda n=n: len(self.kept().trail) >= n, f"utterance {n}", SOUND_SECONDS
            )
            self.is_linked(driver)
            self.until(
                driver,
                lambda n=n: driver.execute_script(newest) >= n,
                f"line {n}",
                SOUND_SECONDS,
            )
        self.assertEqual(self.heard(), [*LINES * 5])


class Deaf(BrowserCase):
    def test_without_a_microphone_one_line_says_what_to_do(self) -> None:
        driver = self.browser()
        self.waits(driver, "#advice", "microphone")
        self.waits(driver, ".lamp-link", "no microphone")
        self.server.says("the tide is high")
        self.waits(driver, ".line .ink", "tide is high")
