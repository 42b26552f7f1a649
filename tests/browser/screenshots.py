"""Takes the pictures under docs/screenshots/ from the sample world."""

from __future__ import annotations

import tempfile
import time
from pathlib import Path

from selenium.webdriver import Chrome
from selenium.webdriver.common.by import By

from tests.browser.chromium import chromium
from tests.server import Server

FOLDER = Path(__file__).parents[2] / "docs" / "screenshots"
SETTLING_SECONDS = 1.2
# name -> what is said before the picture is taken; each goes on from the one before
VIEWS: tuple[tuple[str, tuple[str, ...]], ...] = (
    (
        "desk-listening",
        (
            "replace two of our keepers with two keepers",
            "bold the first of june",
            "we look forward to your answer full stop",
        ),
    ),
    ("desk-selection", ("undo that", "select from the stair has to until march")),
    ("desk-pennants", ("cancel", "bold the stair")),
    ("desk-resting", ("cancel", "stop listening")),
    ("shelf", ("start listening", "show the shelf")),
    ("settings", ("show the settings", "automatic punctuation on")),
    (
        "desk-turned-over",
        (
            "automatic punctuation off",
            "back to the desk",
            "go to the end",
            "new paragraph",
            "open day is on the thirteenth of june full stop",
            "bold on",
            "delete the last word of the notice",
            "delete the last word",
            "that was text",
        ),
    ),
    (
        "desk-formatted",
        (
            "bold off",
            "open open day notice",
            "make thirteen june bold and red",
            "set the last paragraph in courier",
            "make nothing larger",
            "highlight tea in the keepers kitchen",
            "put commas round by hand",
            "undo that",
            "italicise shoes that grip",
            "underline the first item",
            "make the second item deeper",
            "make the last item blue",
            "go to the start",
        ),
    ),
    ("commands", ("what can i say",)),
)


def silence(folder: Path) -> Path:
    """A microphone that hears nothing, so that the lamp is lit."""
    import wave

    path = folder / "silence.wav"
    with wave.open(str(path), "wb") as file:
        file.setnchannels(1)
        file.setsampwidth(2)
        file.setframerate(16_000)
        file.writeframes(b"\0\0" * 16_000 * 60)
    return path


def picture(driver: Chrome, server: Server, name: str, lines: tuple[str, ...]) -> None:
    for line in lines:
        server.says(line)
    time.sleep(SETTLING_SECONDS)
    FOLDER.mkdir(parents=True, exist_ok=True)
    driver.save_screenshot(str(FOLDER / f"{name}.png"))


def composing(driver: Chrome, server: Server) -> None:
    """Live text: the prompter is caught in the middle of a sentence."""
    driver.execute_script("document.querySelector('#script').selectedIndex = 1")
    driver.find_element(By.CSS_SELECTOR, "#prompter button").click()
    deadline = time.monotonic() + 60
    while time.monotonic() < deadline:
        heard = driver.execute_script("return document.querySelector('#heard').textContent")
        if "hearing" in heard and "because the harbour board" in heard:
            driver.save_screenshot(str(FOLDER / "desk-composing.png"))
            return
        time.sleep(0.05)


def main() -> None:
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name)
        server = Server(folder / "data", demo=True)
        try:
            with chromium(silence(folder)) as driver:
                driver.get(server.address)
                time.sleep(4)
                for view, lines in VIEWS:
                    picture(driver, server, view, lines)
                composing(driver, server)
        finally:
            server.stop()


if __name__ == "__main__":
    main()
