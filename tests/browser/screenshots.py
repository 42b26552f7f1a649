"""Takes the pictures under docs/screenshots/ from the sample world."""

from __future__ import annotations

import os
import signal
import sqlite3
import subprocess
import sys
import tempfile
import time
from contextlib import closing
from html import escape
from pathlib import Path
from urllib.parse import quote

from selenium.webdriver import Chrome

from nimble_lantern.store.opening import FILE
from tests.browser.chromium import chromium, wait_until
from tests.server import Server
from tests.speaking import speak

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
    ("desk-resting", ("cancel", "stop listening")),
    ("shelf", ("start listening", "show the shelf")),
    ("settings", ("show the settings", "automatic punctuation on")),
    (
        "desk-formatted",
        (
            "automatic punctuation off",
            "back to the desk",
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
    ("desk-table", ("open rota", "select the third column")),
    ("desk-offer", ("open letter to the harbour board", "shove the pointer behind the lease")),
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


def not_recorded(driver: Chrome, server: Server, folder: Path) -> None:
    """Another program has the file locked while somebody speaks."""
    server.says("stop the prompter")
    server.says("open letter to the harbour board")
    with closing(sqlite3.connect(folder / "data" / FILE, isolation_level=None)) as other:
        other.execute("BEGIN EXCLUSIVE")
        picture(driver, server, "desk-not-recorded", ("we look forward to your answer",))
        other.execute("ROLLBACK")


def given_up(folder: Path) -> None:
    """A recogniser that does not come back: its processes are stopped while somebody speaks."""
    server = Server(folder / "slow", demo=True)
    wav = speak(folder / "slow.wav", ["please come to the meeting on the island"], "awb", pause=3)
    try:
        with chromium(wav) as driver:
            driver.get(server.address)
            _until(driver, "hearing", "meeting")
            decoders = _children(server.process.pid)
            for process in decoders:
                os.kill(process, signal.SIGSTOP)
            _until(driver, "too long to make out")
            time.sleep(SETTLING_SECONDS)
            driver.save_screenshot(str(FOLDER / "desk-given-up.png"))
            for process in decoders:
                os.kill(process, signal.SIGCONT)
    finally:
        server.stop()


def _children(process: int) -> list[int]:
    """The decoders' processes: those that hold a model, not what looks after them."""
    found = Path(f"/proc/{process}/task").glob("*/children")
    ids = [int(child) for path in found for child in path.read_text().split()]
    return [i for i in ids if b"spawn_main" in Path(f"/proc/{i}/cmdline").read_bytes()]


def _until(driver: Chrome, *words: str) -> None:
    text = "return document.querySelector('#heard').textContent"
    wait_until(lambda: all(w in driver.execute_script(text) for w in words), 60, words[-1])


def second_desk(driver: Chrome, server: Server, folder: Path) -> None:
    """What is printed where a second desk is started on the same folder."""
    command = ["lantern", "serve", "--data", "letters", "--port", "8399"]
    (folder / "letters").symlink_to(folder / "data")
    run = subprocess.run(
        [sys.executable, "-m", "nimble_lantern.cli", *command[1:]],
        capture_output=True, text=True, cwd=folder, env={**os.environ, "PYTHONPATH": str(ROOT)},
    )  # fmt: skip
    page = f"$ {' '.join(command)}\n{run.stderr}$ "
    driver.get("data:text/html," + quote(_TERMINAL.format(escape(page))))
    driver.save_screenshot(str(FOLDER / "second-desk.png"))


_TERMINAL = (
    "<body style='margin:0;background:#10161d'><pre style='margin:0;padding:60px;color:#f2ead8;"
    "font:26px/1.7 monospace;white-space:pre-wrap'>{}</pre></body>"
)


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
                figures(driver, server, folder)
                composing(driver, server)
                not_recorded(driver, server, folder)
                second_desk(driver, server, folder)
        finally:
            server.stop()
        given_up(folder)


if __name__ == "__main__":
    main()
