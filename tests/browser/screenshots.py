"""Takes the pictures under docs/screenshots/ from the sample world."""

from __future__ import annotations

import tempfile
import time
from pathlib import Path

from selenium.webdriver import Chrome

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
    ("desk-selection", ("undo that", "select from slipped to march")),
    ("desk-pennants", ("cancel", "bold the stair")),
    ("desk-resting", ("cancel", "stop listening")),
    ("shelf", ("start listening", "show the shelf")),
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
        finally:
            server.stop()


if __name__ == "__main__":
    main()
