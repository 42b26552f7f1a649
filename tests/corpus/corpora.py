"""Reading the corpora, and running a case of each on a desk."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path

from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.document.model import Block, Document
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.sitting import Heard, Outcome, advance, configured
from nimble_lantern.core.state import Settings, Sitting
from nimble_lantern.core.targets.words import normal
from nimble_lantern.demo import sample_documents

FOLDER = Path(__file__).parent
_SPOKEN = re.compile(r"[^\W_]+(?:['’][^\W_]+)*")


@dataclass(frozen=True, slots=True)
class WrittenCase:
    """Spoken words, what they are to become, where they are said and how the desk is set."""

    section: str
    spoken: str
    written: str
    before: str = ""
    settings: tuple[tuple[str, str], ...] = ()


def rows(name: str) -> Iterator[tuple[str, list[str]]]:
    """(section, columns) of every line of a corpus that is no comment."""
    section = ""
    for line in (FOLDER / name).read_text(encoding="utf-8").splitlines():
        if line.startswith("## "):
            section = line[3:].strip()
        elif line.strip() and section:
            yield section, line.split("\t")


def written_cases() -> list[WrittenCase]:
    found = []
    for section, (spoken, written, *more) in rows("written.tsv"):
        options = dict(o.partition("=")[::2] for o in more)
        before = options.pop("before", "")
        found.append(WrittenCase(section, spoken.strip(), written, before, tuple(options.items())))
    return found


def write_case(case: WrittenCase) -> str:
    """What the desk writes, in the corpus's notation; with what stood before, if that is wanted."""
    settings = Settings()
    for name, value in case.settings:
        settings = configured(settings, name, value)
    texts = case.before.split("¶")
    document = Document(tuple(Block(text) for text in texts))
    sitting = Sitting(document=document, caret=document.end, settings=settings)
    after = compose(sitting, case.spoken.split()).sitting.document
    found = "¶".join(_shown(block) for block in after.blocks)
    if case.before and not case.written.startswith(case.before.strip()[:4]):
        return found.removeprefix(case.before)
    return found


@dataclass(frozen=True, slots=True)
class PunctuatedCase:
    """Utterances and the text that automatic punctuation is to make of them."""

    section: str
    said: tuple[str, ...]
    written: str


def punctuated_cases(section: str = "") -> list[PunctuatedCase]:
    found = [PunctuatedCase(s, tuple(u.split(" | ")), w) for s, (u, w) in rows("punctuated.tsv")]
    return [c for c in found if section in ("", c.section)]


def punctuate_case(case: PunctuatedCase) -> str:
    sitting = Sitting(settings=Settings(auto_punctuation=True))
    for line in case.said:
        sitting = advance(sitting, Heard(from_line(line, pause=1.0))).sitting
    return "¶".join(_shown(block) for block in sitting.document.blocks)


@dataclass
class Score:
    """Marks that were put right, put wrongly, and missed."""

    right: int = 0
    wrong: int = 0
    missed: int = 0

    @property
    def f1(self) -> float:
        return 2 * self.right / max(1, 2 * self.right + self.wrong + self.missed)


def mark_scores(section: str) -> dict[str, Score]:
    """For sentence ends (any of .?!), question marks and commas: how a section came out."""
    kinds = {"sentence ends": ".?!", "question marks": "?", "commas": ","}
    scores = {name: Score() for name in kinds}
    for case in punctuated_cases(section):
        wanted, got = _marks(case.written), _marks(punctuate_case(case))
        for name, signs in kinds.items():
            a = {i for i, mark in enumerate(wanted) if mark and mark in signs}
            b = {i for i, mark in enumerate(got) if mark and mark in signs}
            score = scores[name]
            score.right += len(a & b)
            score.wrong += len(b - a)
            score.missed += len(a - b)
    return scores


def _marks(text: str) -> list[str]:
    """The mark behind each word."""
    words = text.replace("¶", " ").split()
    return [w[-1] if w[-1] in ".,?!" else "" for w in words]


def sample_sentences() -> list[str]:
    """Every sentence of the sample documents as it would be spoken."""
    found = []
    for _, document in sample_documents():
        for block in document.blocks:
            for start, end in block.sentences:
                spoken = normal(_SPOKEN.findall(block.text[start:end].lower()))
                found.append(" ".join(spoken))
    return [sentence for sentence in found if sentence]


@dataclass(frozen=True, slots=True)
class ReadingCase:
    """An utterance and how it is to be read."""

    section: str
    read_as: str
    said: str


def reading_cases() -> list[ReadingCase]:
    return [ReadingCase(s, label, said) for s, (label, said) in rows("reading.tsv")]


def read_case(case: ReadingCase) -> Outcome:
    """What the desk makes of it, with the letter on it and a few versions behind and ahead."""
    document = dict(sample_documents())["Letter to the harbour board"]
    sitting = Sitting(document=document, caret=document.end, wrote=document.end)
    for line in ("with kind regards", "undo that", "she wrote"):
        sitting = advance(sitting, Heard(from_line(line))).sitting
    return advance(sitting, Heard(from_line(case.said)))


def _shown(block: Block) -> str:
    text = block.text.replace("\n", "⏎")
    if block.kind == "heading":
        return "#" * (block.level or 1) + " " + text
    if block.kind == "item":
        return ("1. " if block.list == "numbered" else "• ") + text
    return text
