"""How often what was meant is among the words offered for a misheard one, and what they cost.

Simulated mistakes in the sentences of the sample world; the seeds were never used while the ranking
was made.  "alone": only how words sound is known, as after another engine; else the recogniser's
other hypotheses are, too.
"""

from __future__ import annotations

import statistics
import time
from collections.abc import Iterator
from dataclasses import replace
from difflib import SequenceMatcher

from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.document.model import Document, Position, Range
from nimble_lantern.core.mending.alternatives import alternatives
from nimble_lantern.core.reading.hearing import Hearing, from_line
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.words import places
from nimble_lantern.core.writing.spoken import plain
from nimble_lantern.demo import DOCUMENTS
from nimble_lantern.engines.mistakes import Mistakes, Rates
from nimble_lantern.formats import from_markdown
from nimble_lantern.playing import desk_with

SEEDS = tuple(range(7103, 7123))
WANTED = 1_000
_RATES = Rates(alike=0.12, split=0.03, lost=0.0)
Misheard = tuple[Hearing, tuple[str, ...], tuple[str, ...]]


def sentences() -> list[list[str]]:
    """The sentences of the sample world as spoken words."""
    found = []
    for file in sorted(DOCUMENTS.glob("*.md")):
        for block in from_markdown(file.read_text(encoding="utf-8")).blocks:
            for start, end in block.sentences:
                words = [w.strip(".,:;!?()“”‘’").lower() for w in block.text[start:end].split()]
                words = [w for w in words if w.isalpha() and w.isascii()]
                if len(words) > 3:
                    found.append(words)
    return found


def misheard(seed: int) -> Iterator[Misheard]:
    """Hearings with a mistake, what stands for it, and what was meant."""
    mistakes = Mistakes(seed, _RATES)
    for words in sentences():
        hearing = mistakes.made_of(from_line(" ".join(words)))
        best = [w.text for w in hearing.hypotheses[0].words]
        for tag, a, b, i, j in SequenceMatcher(None, best, words, autojunk=False).get_opcodes():
            if tag == "replace" and b - a <= 2 and j - i <= 2:
                yield hearing, tuple(best[a:b]), tuple(words[i:j])


def rank(sitting: Sitting, stands: tuple[str, ...], meant: tuple[str, ...]) -> int | None:
    """The number under which what was meant is offered where `stands` was written."""
    found = places(sitting.document, stands)
    if not found:
        return None
    labels = [plain(a.label) for a in alternatives(sitting, found[-1])]
    goal = plain(" ".join(meant))
    return labels.index(goal) + 1 if goal in labels else None


def run() -> Iterator[Figure]:
    for name, alone in (("mishearing", False), ("mishearing_alone", True)):
        ranks: list[int | None] = []
        for seed in SEEDS:
            for hearing, stands, meant in misheard(seed):
                heard = replace(hearing, hypotheses=hearing.hypotheses[:1]) if alone else hearing
                desk = desk_with(_document(), {})
                desk.hear(heard)
                ranks.append(rank(desk.sitting, stands, meant))
        ranks = ranks[:WANTED]
        among, first = sum(r is not None for r in ranks), ranks.count(1)
        yield Figure(f"{name}_words", len(ranks), "words", "wanted", len(ranks) / WANTED)
        yield Figure(f"{name}_among_seven", among, "words", "all", among / len(ranks))
        yield Figure(f"{name}_first", first, "words", "all", first / len(ranks))
    yield from _cost()


def _document() -> Document:
    return from_markdown((DOCUMENTS / "6-newsletter.md").read_text(encoding="utf-8"))


def _cost() -> Iterator[Figure]:
    """CPU time of the alternatives of a word, in a short document and in one of 100,000 words."""
    short = _document()
    long = Document(short.blocks * (100_000 // sum(len(b.words) for b in short.blocks) + 1))
    times = {}
    for name, document in (("short", short), ("long", long)):
        sitting = desk_with(document, {}).sitting
        words = [(b, s, e) for b, block in enumerate(short.blocks) for s, e in block.words][:60]
        alternatives(sitting, Range(Position(0, 0), Position(0, 1)))
        spent = []
        for b, s, e in words:
            began = time.process_time()
            alternatives(sitting, Range(Position(b, s), Position(b, e)))
            spent.append(time.process_time() - began)
        times[name] = statistics.median(spent)
    for name, value in times.items():
        yield Figure(
            f"alternatives_cpu_{name}", value * 1000, "ms", "short", value / times["short"]
        )
