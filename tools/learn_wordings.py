"""Write what the desk knows of wordings: `python -m tools.learn_wordings`.

From the corpora of the tests come the requests with their wordings (`wordings.txt`), and, with
sentences that come near them, the weights that tell whether something is said to the desk
(`addressed.txt`).  The same corpora give the same files.
"""

from __future__ import annotations

import hashlib
import math
import random
import sys
from collections import Counter
from collections.abc import Iterator
from functools import lru_cache
from pathlib import Path
from typing import NamedTuple

from nimble_lantern.core.grammar.catalogue import Named
from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.lexicon.desk import PLAIN_VERBS, TRADE_VERBS
from nimble_lantern.core.reading.addressing import barest
from nimble_lantern.core.reading.exactly import exactly
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.reading.intents import telling, tokens
from nimble_lantern.core.reading.slots import Phrase, fillers
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import is_target
from nimble_lantern.demo import sample_documents
from nimble_lantern.formats import from_markdown
from nimble_lantern.playing import desk_with
from tests.corpus.any_order import in_any_order, near_them
from tests.corpus.asking import PAGE, ways
from tests.corpus.corpora import reading_cases, sample_sentences
from tests.corpus.plainly import Said
from tests.corpus.revising import page_of, tasks

_ROOT = Path(__file__).parents[1]
LEXICON = _ROOT / "nimble_lantern" / "core" / "lexicon"
_SETS = "any_order of_the_house of_the_desk any_words free_words asked_plainly"
_NEAR = "near_the_words near_the_house near_the_tables near_the_desk"
_LINES = "near_the_margin near_the_letters near_the_stores of_the_world"
_TASKS = "paraphrases.tsv revisions.tsv"
SOURCES = [
    _ROOT / "tests" / "corpus" / name
    for name in (
        *(f"{name}.txt" for name in f"{_SETS} {_NEAR} {_LINES} ways".split()),
        *_TASKS.split(),
        "reading.tsv",
    )
]
"""What is learned from, besides the sample letters."""
_VERBS = PLAIN_VERBS | TRADE_VERBS
_FIRST = ("passage", "place", "version")
_FROM_TO = "from {part} to {part}"
_EPOCHS, _RATE, _SHRINK, _LEAST = 12, 0.15, 1e-4, 0.05
"""Of the fit: how often all is gone through, how far a step goes, how far weights are drawn to
nothing, and from which on they are kept."""


class Known(NamedTuple):
    """A wording as tokens, with the command and the request that it asks for."""

    command: str
    request: str
    tokens: Phrase


def wordings() -> Iterator[Said]:
    """Every wording of the corpora with the plain one."""
    for name in _SETS.split():
        yield from in_any_order(f"{name}.txt")
    for name in _TASKS.split():
        for task in tasks(name):
            page = page_of(task.start)
            for way in task.ways[1:]:
                if "/" not in way + task.ways[0] and "|" not in page:
                    yield Said(page, (), task.ways[0], way)
    pick = random.Random(1)
    parts = list(ways()["parts"])
    for section in ("ways", "ways of whole paragraphs"):
        for job, others in ways()[section].items():
            for way in others:
                part = "the second paragraph" if "whole" in section else pick.choice(parts)
                yield Said(PAGE, (), job.replace("{T}", part), way.replace("{T}", part))


def sentences() -> Iterator[tuple[Sitting, str]]:
    """Sentences that are to be written, with the desk that they are said to."""
    for name in _NEAR.split():
        yield from ((_before(page, ()), line) for page, line in near_them(f"{name}.txt"))
    for name in _LINES.split():
        path = _ROOT / "tests" / "corpus" / f"{name}.txt"
        for line in path.read_text(encoding="utf-8").splitlines():
            if line and line[0] not in "#%":
                yield _before(PAGE, ()), line.removeprefix("- ")
    # Their words stand in some of these letters.
    kept = [case.said for case in reading_cases() if case.read_as == "text"]
    for _, document in sample_documents():
        sitting = Sitting(document=document, caret=document.end, wrote=document.end)
        yield from ((sitting, line) for line in (*sample_sentences(), *kept))


@lru_cache(maxsize=64)
def _before(page: str, said: tuple[str, ...]) -> Sitting:
    desk = desk_with(from_markdown(page), {})
    for line in said:
        desk.hear(from_line(line))
    return desk.sitting


class Asked(NamedTuple):
    """The request of a plain wording, with all that it names left open; and what it comes to:
    "italicise {part}" comes to the same as "make {part} italic"."""

    command: str
    request: str
    comes_to: str


def request_of(sitting: Sitting, plain: str) -> Asked | None:
    """What a plain wording asks for; None if it is no command."""
    words = tuple(plain.split())
    verdict = exactly(sitting, words, whole=False)
    if verdict.kind is not Judged.COMMAND or verdict.parse is None:
        return None
    named = {f.words for f in fillers(sitting, words)}
    slots: dict[int, tuple[int, str]] = {}
    taken: set[int] = set()

    def put(start: int, end: int, kind: str) -> None:
        if taken.isdisjoint(range(start, end)):
            taken.update(range(start, end))
            slots[start] = end, kind

    for value in verdict.parse.args.values():
        new = value.words if isinstance(value, Named) and value.words not in named else value
        if isinstance(new, tuple) and new and all(isinstance(word, str) for word in new):
            for start in range(len(words) - len(new), -1, -1):
                if words[start : start + len(new)] == new:
                    put(start, start + len(new), "new")
                    break
    found = fillers(sitting, words)
    found.sort(key=lambda f: (f.kind not in _FIRST, f.start - f.end, f.kind == "number"))
    for filler in found:
        another = words[filler.start - 1 : filler.start] in (("a",), ("an",), ("another",))
        alone = filler.kind == "part" and filler.end == 1
        verb = filler.start == 0 and (words[0] in _VERBS or alone)
        if not verb and (filler.kind not in ("row", "column") or not another):
            put(filler.start, filler.end, filler.kind)
    plainly: list[str] = []
    i = 0
    while i < len(words):
        end, kind = slots.get(i, (i + 1, ""))
        plainly.append(f"{{{kind}}}" if kind else words[i])
        i = end
    request = " ".join(plainly)
    # "From {part} to {part}" is one part: as two of them it would fit anything.
    if _FROM_TO in request:
        return None
    command = verdict.parse.command.name
    fixed = {k: v for k, v in verdict.parse.args.items() if not _left_open(v)}
    kinds = sorted(part for part in request.split() if part.startswith("{"))
    return Asked(command, request, f"{command} {kinds} {fixed}")


def _left_open(value: object) -> bool:
    words = isinstance(value, tuple) and all(isinstance(word, str) for word in value)
    return words or isinstance(value, Named) or is_target(value)


def known(said: Iterator[Said]) -> list[Known]:
    """The wordings, each with the request that is usual of those that come to the same."""
    rows: list[tuple[Asked, Phrase]] = []
    for one in said:
        sitting = _before(one.page, one.before)
        if asked := request_of(sitting, one.plain):
            rows.append((asked, tokens(sitting, barest(one.wording.split()))))
    often = Counter(asked for asked, _ in rows)
    usual: dict[str, Asked] = {}
    for asked in sorted(often, key=lambda asked: (often[asked], asked)):
        usual[asked.comes_to] = asked
    told = ((usual[asked.comes_to], said) for asked, said in rows)
    return sorted({Known(asked.command, asked.request, said) for asked, said in told})


def weights(told: list[set[str]], text: list[set[str]]) -> dict[str, float]:
    """Logistic regression by stochastic gradient descent, drawn a little towards nothing."""
    pick = random.Random(1)
    rows = [(t, 1.0) for t in told] + [(t, 0.0) for t in text]
    found: Counter[str] = Counter()
    fitted: dict[str, float] = dict.fromkeys((t for row, _ in rows for t in sorted(row)), 0.0)
    for epoch in range(_EPOCHS):
        pick.shuffle(rows)
        for row, wanted in rows:
            odds = sum(fitted[t] for t in row)
            step = _RATE * (wanted - 1 / (1 + math.exp(-max(-30.0, min(30.0, odds)))))
            for t in row:
                fitted[t] += step / (1 + 0.3 * epoch) - _SHRINK * fitted[t]
                found[t] += 1
    return {t: w for t, w in sorted(fitted.items()) if abs(w) >= _LEAST}


def learned(said: Iterator[Said]) -> tuple[str, str]:
    """The two files."""
    rows = known(said)
    digest = hashlib.sha256(b"".join(path.read_bytes() for path in SOURCES)).hexdigest()
    out = [
        "# Wordings by the request they make; written by `python -m tools.learn_wordings`.",
        f"# The corpora: {digest[:16]}",
    ]
    last = ("", "")
    for row in rows:
        if row[:2] != last:
            out.append(f"= {row.command} | {row.request}")
            last = row[:2]
        out.append(" ".join(row.tokens))
    vocabulary = Counter(t for row in rows for t in {*row.tokens})
    told = [telling(row.tokens, vocabulary) for row in rows]
    text = [
        telling(tokens(sitting, barest(line.lower().split())), vocabulary)
        for sitting, line in sentences()
    ]
    head = "# What tells words said to the desk; written by `python -m tools.learn_wordings`."
    fitted = (f"{t}\t{w:.2f}" for t, w in weights(told, text).items())
    return "\n".join(out) + "\n", "\n".join((head, *fitted)) + "\n"


def main() -> None:
    for name, text in zip(("wordings.txt", "addressed.txt"), learned(wordings()), strict=True):
        (LEXICON / name).write_text(text, encoding="utf-8")
        sys.stdout.write(f"{name}: {len(text.splitlines())} lines\n")


if __name__ == "__main__":
    main()
