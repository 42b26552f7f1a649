"""Marks and breaks that are said between words: how many utterances have all of theirs.

By the built-in engine, and by both: with the larger model told how a dictated letter sounds, and
without.  Compared is the written text, letters and spaces left out.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from bench._speech import VOICES, Both, Line, cut, errors, lines, sitting, spoken
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.writing.lexer import Manner
from nimble_lantern.core.writing.writer import Place, write
from nimble_lantern.engines import ears
from nimble_lantern.engines.builtin.files import scene_of


def run() -> Iterator[Figure]:
    both = Both(ears.chosen())
    try:
        for voice in VOICES:
            yield from _of_a_voice(both, voice)
    finally:
        both.close()


def _of_a_voice(both: Both, voice: str) -> Iterator[Figure]:
    right = {"built_in": 0, "untold": 0, "told": 0}
    wrong, words, said = dict.fromkeys(right, 0), 0, lines("dictated")
    for line in said:
        wanted = line.words.split()
        words += len(wanted)
        for way, heard in _heard(both, line, voice).items():
            right[way] += _marks(heard) == _marks(wanted)
            wrong[way] += errors(wanted, heard)
    for way, count in right.items():
        name, against = f"dictated_{voice}_{way}", f"dictated_{voice}_untold"
        ratio = count / max(1, right["untold"])
        yield Figure(f"{name}_marks_right", count / len(said), f"share of {len(said)}",
                     f"{against}_marks_right", ratio)  # fmt: skip
        yield Figure(f"{name}_words_wrong", wrong[way] / words, f"share of {words}")


def _heard(both: Both, line: Line, voice: str) -> dict[str, list[str]]:
    found: dict[str, list[str]] = {"built_in": [], "untold": [], "told": []}
    scene = scene_of(sitting(line.document))
    for sound in cut(spoken(line.words, voice)):
        ours, told = both.hear(sound, scene)
        _, untold = both.hear(sound, replace(scene, punctuated=True))
        for way, hearing in (("built_in", ours), ("told", told), ("untold", untold)):
            found[way] += hearing.text.replace("...", "").split()
    return found


def _marks(words: list[str]) -> list[str]:
    text = write(words, Place(), Manner()).text
    return [c for c in text if not c.isalnum() and c != " "]
