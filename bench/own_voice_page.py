"""The desk's own voice heard by its page: "stop" said into it, through Chromium's microphone.

As in `own_voice`, but with the whole desk: the page plays what it reads, and the browser's echo
canceller and noise suppression have the microphone's sound first.  That sound is a file with a
request, the desk's voice as it comes back from a room, and "stop" in the midst of it; so the voice
comes to the microphone somewhat later than the page plays it.  Times are by the page's clock, from
the end of the word until the page has fallen silent.
"""

from __future__ import annotations

import random
import tempfile
import time
import urllib.request
from collections.abc import Iterator
from dataclasses import dataclass, field
from pathlib import Path

import numpy as np
from numpy.typing import NDArray
from selenium.webdriver import Chrome

from bench.own_voice import IN_TIME, LEVELS, room
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.engines.cancelling import piece_of
from nimble_lantern.engines.pcm import RATE, sound_of
from nimble_lantern.store.database import connect
from nimble_lantern.store.journal import Journal, open_journal
from tests.browser.chromium import chromium
from tests.server import Server
from tests.speaking import speak, write

READINGS = 8
"""At each level."""
TEXT = (
    "the board met on the island and talked about the stair full stop nobody was pleased with the"
    " paint full stop",
    "new paragraph",
    "the ferry leaves the quay at noon full stop please bring warm clothes and a lamp for the"
    " cellar full stop",
)
SENTENCES = 4
_VOICES = ("slt", "rms", "awb")
_STARTS, _BEGINS, _GOES_ON = 5.0, 3.0, 1.0
"""Seconds before the request, from there until its answer is heard, and after "stop"."""
_SAID = (1.5, 6.5)
"""Seconds into the reading, between which "stop" is said."""
_PAUSE = 0.2
"""Seconds between sentences, as the page makes them."""
_AUDIBLE = 100.0
_MOST_SECONDS = 25.0
_READS = "return !!document.getElementById('voice')?.dataset.voice"
_Samples = NDArray[np.float64]


@dataclass
class _Told:
    heard: int = 0
    taken: int = 0
    late: list[float] = field(default_factory=list)


def run() -> Iterator[Figure]:
    chosen = random.Random(5)
    for down in LEVELS:
        told = _Told()
        for n in range(READINGS):
            _reading(down, chosen.uniform(*_SAID), _VOICES[n % len(_VOICES)], told)
        name = f"own_voice_page_{abs(down):.0f}_dB_down"
        yield Figure(f"{name}_taken_for_speech", told.taken, f"of {READINGS} readings")
        yield Figure(f"{name}_stop_heard", told.heard / READINGS, f"share of {READINGS}")
        if told.late:
            late = sorted(told.late)
            yield Figure(f"{name}_stop_after", late[len(late) // 2], "s at the median")
            in_time = sum(after <= IN_TIME for after in late) / READINGS
            yield Figure(f"{name}_stop_in_time", in_time, f"share of {READINGS}")


def _reading(down: float, at: float, voice: str, told: _Told) -> None:
    """One reading, with "stop" at so many seconds."""
    with tempfile.TemporaryDirectory(ignore_cleanup_errors=True) as name:
        folder = Path(name)
        server = Server(folder / "data")
        try:
            for line in TEXT:
                server.says(line)
            own = np.convolve(_read(server), room())
            stop = _spoken(folder, "stop", voice)
            own *= 10 ** (down / 20) * np.sqrt(np.mean(stop**2) / np.mean(own**2))
            request = _spoken(folder, "read from the top", "rms")
            begins = round((_STARTS + _BEGINS) * RATE) + request.size
            stops = begins + round(at * RATE)
            sound = np.zeros(stops + stop.size + round((_GOES_ON + 2.0) * RATE))
            sound[round(_STARTS * RATE) :][: request.size] += request
            heard = own[: stops - begins + stop.size + round(_GOES_ON * RATE)]
            sound[begins:][: heard.size] += heard
            sound[stops:][: stop.size] += stop
            before = len(_journal(folder).begin().trail)
            with chromium(write(folder / "mixed.wav", sound_of(sound))) as page:
                page.get(server.address)
                silent = _silent_again(page)
            engine = _journal(folder)
            mark, trail = engine.heard_until(), engine.begin().trail[before:]
        finally:
            server.stop()
    done = [entry.command for entry in trail if entry.command]
    told.taken += sum(entry.read_as is ReadAs.TEXT for entry in trail)
    if mark is None or silent is None or done != ["aloud.read_all", "aloud.stop"]:
        return
    said = (stops + int(np.flatnonzero(np.abs(stop) > _AUDIBLE)[-1])) / RATE
    late = silent - (mark.time / 1000 - mark.position / RATE) - said
    told.taken += late < 0
    told.heard += late >= 0
    if late >= 0:
        told.late.append(late)


def _silent_again(page: Chrome) -> float | None:
    """When the page has fallen silent after it read."""
    reads, due = False, time.monotonic() + _MOST_SECONDS
    while time.monotonic() < due:
        now = time.time()
        if page.execute_script(_READS):
            reads = True
        elif reads:
            return now
        time.sleep(0.02)
    return None


def _journal(folder: Path) -> Journal:
    return open_journal(connect(folder / "data" / "lantern.sqlite3"))


def _spoken(folder: Path, words: str, voice: str) -> _Samples:
    name = f"{words[:4]}-{voice}.wav"
    return piece_of(speak(folder / name, [words], voice, pause=0.1).read_bytes())


def _read(server: Server) -> _Samples:
    """What the page will play of the text."""
    server.says("read from the top")
    played: list[_Samples] = []
    for n in range(SENTENCES):
        with urllib.request.urlopen(f"{server.address}/aloud/1/{n}") as answer:
            played += [piece_of(answer.read()), np.zeros(round(_PAUSE * RATE))]
    server.says("stop reading")
    return np.concatenate(played)
