"""Takes the pictures under docs/screenshots/ from the sample world."""

from __future__ import annotations

import sqlite3
import tempfile
import time
from contextlib import closing
from pathlib import Path

from selenium.webdriver import Chrome

from nimble_lantern.outside import LOOK_SECONDS
from nimble_lantern.store.opening import FILE
from tests.browser.chromium import chromium
from tests.server import Server

ROOT = Path(__file__).parents[2]
FOLDER = ROOT / "docs" / "screenshots"
SETTLING_SECONDS = 1.2
DAYS_SHOWN = 7
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
    ("desk-pennants", ("undo that", "bold the stair")),
    ("shelf", ("cancel", "show the shelf")),
    ("settings", ("show the settings", "automatic punctuation on")),
    (
        "desk-compared",
        (
            "automatic punctuation off",
            "back to the desk",
            "open letter to the harbour board",
            "call this version first draft",
            "replace send its surveyor with send a surveyor",
            "delete the last sentence of the fourth paragraph",
            "compare with first draft",
            "next change",
        ),
    ),
    (
        "desk-notes",
        (
            "stop comparing",
            "bring back first draft",
            "note on the first sentence colon who signs this",
            "margin note on the first of june ask whether may would do",
            "settle note one",
            "go after quiet",
            "call this place budget",
        ),
    ),
    ("print-tray", ("print two copies", "show it as it prints")),
    ("practice", ("show the lessons",)),
    ("commands", ("what can i say",)),
    (
        "desk-table",
        (
            "open rota",
            "go to the end",
            "make a table with three columns and three rows",
            "name",
            "next",
            "lamp",
            "next",
            "oil",
            "next row",
            "mara tarrow",
            "next",
            "five",
        ),
    ),
    (
        "desk-blanks",
        (
            "open newsletter",
            "go to the end",
            "new paragraph",
            "insert invitation",
            "mr fenwick",
            "next blank",
        ),
    ),
    (
        "desk-offer",
        ("open letter to the harbour board", "nobody reads the second paragraph so out with it"),
    ),
    ("desk-learned", ("one", "what have you learned")),
    ("desk-help", ("none of these", "how do i get rid of a heading")),
    (
        "desk-alternatives",
        (
            "none of these",
            "open newsletter",
            "go to the end",
            "new paragraph",
            "the fairy? crew will bring the roped? rail | the ferry crew will bring the rope rail",
            "next doubt",
        ),
    ),
    (
        "desk-spelling",
        (
            "keep all",
            "new paragraph",
            "we thank eider marlow for the oil",
            "correct eider marlow",
            "spell it",
            "capital i d a space capital n a r l",
            "o w e",
            "make the fifth letter an m",
        ),
    ),
    (
        "word-book",
        (
            "that is it",
            "add ida marlowe to the word book",
            "pronounce ida marlowe as eider marlow",
            "add mara tarrow to the word book",
            "pronounce mara tarrow as mora taro",
            "never write the word fairy",
            "show the word book",
        ),
    ),
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


def arrival(folder: Path) -> None:
    """A file that a helper has put into the inbox comes onto the shelf."""
    text = "# Tide tables for June\n\nHigh water on the first is at ten past six.\n"
    (folder / "inbox" / "Tide tables for June.md").write_text(text, encoding="utf-8")
    time.sleep(3 * LOOK_SECONDS)


def composing(driver: Chrome, server: Server) -> None:
    """Live text: the prompter is caught in the middle of a sentence."""
    driver.execute_script("document.querySelectorAll('#controls button')[1].click()")
    deadline = time.monotonic() + 60
    while time.monotonic() < deadline:
        heard = driver.execute_script("return document.querySelector('#heard').textContent")
        if "hearing" in heard and "because the harbour board" in heard:
            driver.save_screenshot(str(FOLDER / "desk-composing.png"))
            return
        time.sleep(0.05)


def figures(driver: Chrome, server: Server, folder: Path) -> None:
    """What was said above, as if over the last days."""
    with closing(sqlite3.connect(folder / "data" / FILE, isolation_level=None)) as other:
        [(most,)] = other.execute("SELECT max(number) FROM utterance")
        for n in range(1, most + 1):
            back = f"-{(most - n) * DAYS_SHOWN // (most + 1)} days"
            other.execute(
                "UPDATE utterance SET spoken_at = datetime(spoken_at, ?) || '.000000'"
                " WHERE number = ?",
                (back, n),
            )
    picture(driver, server, "figures", ("show my figures",))
    server.says("back to the desk")


def main() -> None:
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name)
        server = Server(folder / "data", demo=True)
        try:
            with chromium(silence(folder)) as driver:
                driver.get(server.address)
                time.sleep(4)
                for view, lines in VIEWS:
                    if view == "shelf":
                        arrival(folder / "data")
                    picture(driver, server, view, lines)
                figures(driver, server, folder)
                composing(driver, server)
        finally:
            server.stop()


if __name__ == "__main__":
    main()
