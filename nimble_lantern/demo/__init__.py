"""The sample world: the Saltmarsh Light Trust, made up."""

from __future__ import annotations

from pathlib import Path

from nimble_lantern.core.document.model import Document
from nimble_lantern.core.reviewing.passages import Passage
from nimble_lantern.formats import from_markdown
from nimble_lantern.outside import passages_of
from nimble_lantern.store.journal import Journal

DOCUMENTS = Path(__file__).parent / "documents"


def sample_documents() -> list[tuple[str, Document]]:
    """(title, document) of every sample, in the order of their files."""
    found = []
    for path in sorted(DOCUMENTS.glob("*.md")):
        title = path.stem.split("-", 1)[1].replace("-", " ")
        found.append((title.capitalize(), from_markdown(path.read_text(encoding="utf-8"))))
    return found


def sample_passages() -> list[Passage]:
    """The Trust's stored texts: a heading with the name of each, and what it says."""
    text = (Path(__file__).parent / "passages.md").read_text(encoding="utf-8")
    return passages_of(from_markdown(text))


def load_sample_world(journal: Journal) -> None:
    for title, document in sample_documents():
        journal.add(title, document)
    journal.begin()
    journal.save_passages(sample_passages())
