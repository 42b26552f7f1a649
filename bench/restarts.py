"""A page left open while the server is killed, somebody speaking: how soon it listens again."""

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
LINE = "please come to the meeting"
_LINK = "return document.querySelector('.lamp-link').textContent.trim()"
_LOST = "connection lost: kept"


def run() -> Iterator[Figure]:
    """From when the server answers again: until sound goes to it, and until none of it waits."""
    with tempfile.TemporaryDirectory(ignore_cleanup_errors=True) as name:
        folder = Path(name)
        sound = speak(folder / "lines.wav", [LINE] * KILLS, "awb", pause=6.0)
        server = Server(folder / "data")
        starts, listens, caught_up = [], [], []
        try:
            with chromium(sound) as page:
                page.get(server.address)

                def says(link: str) -> bool:
                    return bool(page.execute_script(_LINK) == link)

                wait_until(lambda: says(""), _MOST_SECONDS, "a link")
                for _ in range(KILLS):
                    server.kill()
                    wait_until(lambda: says(_LOST), _MOST_SECONDS, "the loss")
                    began = time.perf_counter()
                    server = Server(folder / "data", port=server.port)
                    answers = time.perf_counter()
                    wait_until(lambda: not says(_LOST), _MOST_SECONDS, "a link")
                    listens.append(time.perf_counter() - answers)
                    wait_until(lambda: says(""), _MOST_SECONDS, "all that waited")
                    caught_up.append(time.perf_counter() - answers)
                    starts.append(answers - began)
        finally:
            server.stop()
    usual = statistics.median(starts)
    for kind, value in (
        ("server_starts", usual),
        ("page_listens", statistics.median(listens)),
        ("page_listens_at_worst", max(listens)),
        ("all_heard", statistics.median(caught_up)),
        ("all_heard_at_worst", max(caught_up)),
    ):
        yield Figure(f"restart_{kind}", round(value, 2), "s", "restart_server_starts",
                     round(value / usual, 2))  # fmt: skip
