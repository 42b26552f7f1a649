"""Words that were really misheard: how often what was meant is among the seven, with sound.

Sentences in three voices through the engines; a word or two in the place of others were misheard.
Every second of the first 200 sentences was not looked at while the ranking was made; the others
were written afterwards.  It takes half an hour.
"""

from __future__ import annotations

from collections.abc import Iterator
from difflib import SequenceMatcher

from bench._speech import Both, Line, cut, every, lines, sitting, spoken
from bench.mishearing import rank
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.reading.hearing import Hearing
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.engines import ears
from nimble_lantern.engines.builtin.files import scene_of

_MOST = 2
"""Words on either side of a mistake."""
Group = tuple[str, str]
"""Which engine's words; which sentences."""


def run() -> Iterator[Figure]:
    both = Both(ears.chosen())
    ranks: dict[Group, list[int | None]] = {}
    try:
        afterwards = frozenset(lines("anew"))
        for line, voice in (*every("sentences"), *every("anew")):
            group = "held_out" if line.held_out else "open"
            group = "anew" if line in afterwards else group
            scene = scene_of(sitting(line.document, line.before))
            heard = [both.hear(sound, scene) for sound in cut(spoken(line.words, voice))]
            if len(heard) != 1:
                continue  # cut at a pause: what belongs to what is not told
            for name, hearing in zip(("built_in", "both"), heard[0], strict=True):
                ranks.setdefault((name, group), []).extend(_ranks(line, hearing))
    finally:
        both.close()
    for (name, group), found in sorted(ranks.items()):
        unit, among = f"share of {len(found)}", sum(r is not None for r in found)
        yield Figure(f"misheard_{name}_among_seven_{group}", among / len(found), unit)
        yield Figure(f"misheard_{name}_first_{group}", found.count(1) / len(found), unit)


def _ranks(line: Line, hearing: Hearing) -> Iterator[int | None]:
    """The number under which what was meant is offered, for each mistake that was written."""
    done = advance(sitting(line.document, line.before), Heard(hearing))
    if done.entry is None or done.entry.read_as is not ReadAs.TEXT or not hearing.hypotheses:
        return
    best, words = [w.text for w in hearing.hypotheses[0].words], line.words.split()
    for tag, a, b, i, j in SequenceMatcher(None, best, words, autojunk=False).get_opcodes():
        if tag == "replace" and b - a <= _MOST and j - i <= _MOST:
            yield rank(done.sitting, tuple(best[a:b]), tuple(words[i:j]))
