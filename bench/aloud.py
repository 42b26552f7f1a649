"""Reading aloud with espeak-ng: how soon it begins, whether its mark keeps up, an hour of it."""

from __future__ import annotations

import gc
import statistics
import time
from collections.abc import Iterator
from pathlib import Path

from bench._world import document
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.playing import desk_with
from nimble_lantern.shell import LiveDesk
from nimble_lantern.voices import espeak
from nimble_lantern.voices.speaker import Speaker

SIZES = (100, 2_000, 100_000)
ROUNDS, MARKED_WORDS, HOUR = 15, 2_000, 3_600.0
_PAGE = 4096


def run() -> Iterator[Figure]:
    if not espeak.found():
        return
    voice = espeak.Espeak()
    try:
        yield from _beginning(voice)
        yield from _marking(voice)
        yield from _an_hour(voice)
    finally:
        voice.close()


def _desk(voice: espeak.Espeak, words: int) -> LiveDesk:
    desk = desk_with(document(words), {})
    desk.speaker = Speaker(voice)
    return desk


def _beginning(voice: espeak.Espeak) -> Iterator[Figure]:
    """From the request to the first sound that a page can play, as it would fetch it."""
    base = 0.0
    for words in SIZES:
        desk, times = _desk(voice, words), []
        for _ in range(ROUNDS):
            began = time.perf_counter()
            desk.hear(from_line("read from the top"))
            _fetch(desk, 0)
            times.append((time.perf_counter() - began) * 1000)
            desk.hear(from_line("stop"))
        found = statistics.median(times[1:])
        base = base or found
        yield Figure(f"aloud_begins_{words}", round(found, 1), "ms", f"aloud_begins_{SIZES[0]}",
                     round(found / base, 2))  # fmt: skip


def _fetch(desk: LiveDesk, piece: int) -> tuple[float, tuple[float, ...], str]:
    """The seconds of a piece, when its words begin, and its text."""
    assert desk.speaker is not None
    playing = desk.speaker.playing()
    assert playing is not None
    sound = desk.speaker.sound(playing["number"], piece)
    assert sound is not None
    return sound.seconds, sound.words, playing["texts"][piece]


def _marking(voice: espeak.Espeak) -> Iterator[Figure]:
    """Words whose time does not rise, or lies behind the sound: the mark would stand still."""
    desk = _desk(voice, MARKED_WORDS)
    desk.hear(from_line("read from the top"))
    assert desk.speaker is not None
    playing = desk.speaker.playing()
    assert playing is not None
    behind = total = longest = 0
    for piece in range(len(playing["texts"])):
        seconds, times, text = _fetch(desk, piece)
        assert len(times) == len(text.split())
        still = 0
        for before, now in zip(times, (*times[1:], seconds), strict=True):
            total += 1
            still = still + 1 if now <= before else 0
            longest = max(longest, still)
            behind += now < before or now > seconds
    yield Figure("aloud_mark_words_behind", longest, f"words of {total}", "1 word", float(longest))
    yield Figure("aloud_times_out_of_order", behind, "words", "words", behind / total)


def _an_hour(voice: espeak.Espeak) -> Iterator[Figure]:
    """Memory of the desk's process before and after an hour of sound was handed out."""
    desk = _desk(voice, MARKED_WORDS)
    heard, before = 0.0, 0.0
    while heard < HOUR:
        desk.hear(from_line("read from the top"))
        assert desk.speaker is not None
        playing = desk.speaker.playing()
        assert playing is not None
        for piece in range(len(playing["texts"])):
            heard += _fetch(desk, piece)[0]
            desk.spoken(playing["number"], piece, 0, False)
        desk.hear(from_line("stop"))
        before = before or _resident()
    after = _resident()
    yield Figure("aloud_hour_memory", round(after - before, 1), "MB", f"{before:.0f} MB",
                 round(after / before, 3))  # fmt: skip


def _resident() -> float:
    gc.collect()
    pages = int(Path("/proc/self/statm").read_text(encoding="ascii").split()[1])
    return pages * _PAGE / 1e6
