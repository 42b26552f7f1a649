"""The larger model beside the built-in engine: commands, sentences, noise, waiting.

In voices that nothing was ever fitted to, as many of them as this machine has; and half of the
lines at 20 dB.  Nothing is measured where a speech model cannot be had.
"""

from __future__ import annotations

import random
import sys
from collections.abc import Iterator

from bench._noises import NOISES
from bench._speech import NOISY_DB, Both, Line, cut, lines, outcome, sitting, spoken
from bench._voices import there
from bench.wordings import HALVES, read
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.reading.hearing import Hearing, from_line
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.engines import ears
from nimble_lantern.engines.builtin.files import scene_of
from nimble_lantern.formats import from_markdown
from nimble_lantern.playing import desk_with

VOICES = ("pico-us", "pico-gb", "us1", "us2", "us3", "en1", "slt-hts", "ked")
"""No weight was fitted to them.  When the thresholds for what is heard again were set, every fourth
command in all but us3 and ked was in view; these lines are others."""
_DOCUMENT = "1-letter-to-the-harbour-board"
_EVERY, _NOISES, _EVERY_WORDING = 4, 12, 8


def run() -> Iterator[Figure]:
    folder = ears.chosen()
    if folder is None:
        print("There is no larger model here: “lantern ears get base”.", file=sys.stderr)
        return
    both = Both(folder)
    try:
        yield from _commands(both)
        yield from _wordings(both)
        yield from _noise(both)
        waited = sorted(both.waited)
        yield Figure("model_answer_median", waited[len(waited) // 2], "s")
    finally:
        both.close()


def _commands(both: Both) -> Iterator[Figure]:
    """Commands exactly right, and sentences taken for commands; only lines held out."""
    for voice in filter(there, VOICES):
        for name, noise_db in (("", None), ("_in_noise", NOISY_DB)):
            spoken_ones = lines("commands")[3::_EVERY]
            right = 0
            for line in spoken_ones:
                now, hearings = _heard(both, line, voice, noise_db)
                right += outcome(now, hearings) == outcome(now, [from_line(line.words)])
            share = right / len(spoken_ones)
            yield Figure(f"commands_right{name}_{voice}", share, f"share of {len(spoken_ones)}")
        taken, sentences = 0, (*lines("sentences")[3::_EVERY], *lines("echoes")[3::_EVERY])
        for line in sentences:
            now, hearings = _heard(both, line, voice)
            entries = [advance(now, Heard(h)).entry for h in hearings]
            taken += any(e and e.read_as in (ReadAs.COMMAND, ReadAs.BOTH) for e in entries)
        yield Figure(f"sentences_taken_{voice}", taken, f"of {len(sentences)}")


def _heard(
    both: Both, line: Line, voice: str, noise_db: float | None = None
) -> tuple[Sitting, list[Hearing]]:
    """The desk that a line is said at, and what is heard."""
    now = sitting(line.document, line.before)
    sounds = cut(spoken(line.words, voice, noise_db))
    return now, [both.hear(sound, scene_of(now), now=now)[1] for sound in sounds]


def _wordings(both: Both) -> Iterator[Figure]:
    """Blind wordings, spoken: as right as the words themselves are."""
    cases = [case for half in HALVES for case in read(half)][::_EVERY_WORDING]
    for voice in filter(there, VOICES):
        right, total = 0, 0
        for case in cases:
            now = desk_with(from_markdown(case["doc"]), {}).sitting
            hears, words = list[Hearing](), [from_line(line) for line in case["say"]]
            state = now
            for line in case["say"]:
                for sound in cut(spoken(line.replace(" ... ", ", "), voice)):
                    hears.append(both.hear(sound, scene_of(state), now=state)[1])
                    state = advance(state, Heard(hears[-1])).sitting
            right += outcome(now, hears) == outcome(now, words)
            total += 1
        yield Figure(f"wordings_right_{voice}", right / total, f"share of {total}")


def _noise(both: Both) -> Iterator[Figure]:
    """Stretches of noise that write something."""
    now, written, total = sitting(_DOCUMENT), 0, 0
    for name, make in NOISES.items():
        for n in range(_NOISES):
            for part in cut(make(random.Random(f"{name}/{n}"))):
                entry = advance(now, Heard(both.hear(part, scene_of(now), now=now)[1])).entry
                written += entry is not None and entry.read_as in (ReadAs.TEXT, ReadAs.COMMAND)
                total += 1
    yield Figure("noise_written", written, f"of {total} stretches")
