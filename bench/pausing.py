"""Somebody who pauses while thinking: into how many utterances their sentences are cut, before and
after the desk knows how they speak, and how much longer it waits for everybody's ends then."""

from __future__ import annotations

from collections.abc import Iterator

from bench._speech import VOICES, Line, lines, spoken
from nimble_lantern.benchmarks import Figure
from nimble_lantern.engines.builtin.cutter import PATIENCE, CutKind, Cutter, Patience
from nimble_lantern.engines.habits import Habits, Measured
from nimble_lantern.engines.pcm import RATE

PAUSES = (0.4, 0.6, 0.8)
"""Seconds in the middle of each sentence."""
_SENTENCES, _LEARNED = 24, 8


def run() -> Iterator[Figure]:
    """Utterances a sentence, of sentences that were not learned from."""
    every = [line for line in lines("sentences") if len(line.words.split()) > 5][:_SENTENCES]
    for pause in PAUSES:
        learned, rest = every[:_LEARNED], every[_LEARNED:]
        habits = Habits()
        for line in learned:
            for voice in VOICES:
                parts, gaps = _cut(_hesitant(line, voice, pause), PATIENCE["normal"])
                for gap in (*gaps, *[0.0] * (parts - len(gaps))):
                    habits.accepted(Measured(0.0, 0.0, gap, 0.0))
        named = f"pause_of_{pause:.1f}".replace(".", "_")
        waited = Patience(PATIENCE["normal"].window, habits.hold)
        before = _cuts(rest, pause, PATIENCE["normal"])
        after = _cuts(rest, pause, waited)
        yield Figure(f"{named}_cuts", before, "utterances a sentence")
        yield Figure(f"{named}_cuts_when_known", after, "utterances a sentence")
        yield Figure(f"{named}_waited_more", habits.hold, "s")


def _cuts(rest: list[Line], pause: float, patience: Patience) -> float:
    found = [_cut(_hesitant(line, voice, pause), patience)[0] for line in rest for voice in VOICES]
    return sum(found) / len(found)


def _hesitant(line: Line, voice: str, pause: float) -> bytes:
    words = line.words.split()
    half = len(words) // 2
    first, second = (_bare(spoken(" ".join(w), voice)) for w in (words[:half], words[half:]))
    quiet = b"\0\0" * RATE
    return quiet + first + b"\0\0" * round(pause * RATE) + second + quiet


def _bare(sound: bytes) -> bytes:
    """Without the silence round it."""
    return sound.strip(b"\0") + (b"\0" if len(sound.strip(b"\0")) % 2 else b"")


def _cut(sound: bytes, patience: Patience) -> tuple[int, list[float]]:
    """How many utterances the detector makes of it, and the seconds between them."""
    cutter = Cutter(patience)
    begins: list[float] = []
    ends: list[float] = []
    for cut in (*cutter.feed(sound), *cutter.finish()):
        if cut.kind is CutKind.BEGAN:
            begins.append(cut.at)
        elif cut.kind is CutKind.ENDED:
            ends.append(cut.at)
    return len(ends), [b - e for e, b in zip(ends, begins[1:], strict=False)]
