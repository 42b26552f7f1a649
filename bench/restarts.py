"""A page left open while the server is killed and started: how soon it listens again."""

from __future__ import annotations

import statistics
import tempfile
import time
from collections.abc import Iterator
from pathlib import Path

from nimble_lantern.benchmarks import Figure
from tests.browser.chromium import chromium, wait_until
from tests.server import Server
from tests.speaking import speak

KILLS = 10
_MOST_SECONDS = 60.0
_LAMP = (
    "return ['.lamp-state', '.lamp-link']"
    ".map(s => document.querySelector(s).textContent.trim()).join(' ').trim()"
)


def run() -> Iterator[Figure]:
    """From when the server answers again; and from when it is started."""
    with tempfile.TemporaryDirectory(ignore_cleanup_errors=True) as name:
        folder = Path(name)
        sound = speak(folder / "line.wav", ["please come to the meeting"], "awb")
        server = Server(folder / "data")
        starts, listens = [], []
        try:
            with chromium(sound) as page:
                page.get(server.address)

                def lit() -> bool:
                    return bool(page.execute_script(_LAMP) == "listening")

                wait_until(lit, _MOST_SECONDS, "listening")
                for _ in range(KILLS):
                    server.kill()
                    wait_until(lambda: not lit(), _MOST_SECONDS, "the loss")
                    began = time.perf_counter()
                    server = Server(folder / "data", port=server.port)
                    answers = time.perf_counter()
                    wait_until(lit, _MOST_SECONDS, "listening")
                    starts.append(answers - began)
                    listens.append(time.perf_counter() - answers)
        finally:
            server.stop()
    usual = statistics.median(starts)
    for kind, value in (
        ("server_starts", usual),
        ("page_listens", statistics.median(listens)),
        ("page_listens_at_worst", max(listens)),
    ):
        yield Figure(f"restart_{kind}", round(value, 2), "s", "restart_server_starts",
                     round(value / usual, 2))  # fmt: skip
