"""Wordings for the house that must do what a plain one does, in two sets (`house_plainly.txt`)."""

from __future__ import annotations

import json
from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from nimble_lantern.core.effects import Effect
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.reviewing.passages import of_document
from nimble_lantern.core.sitting import Heard, Outcome, advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.formats import from_markdown
from nimble_lantern.formats.report import sitting_data
from nimble_lantern.playing import desk_with
from tests.corpus.house_world import L, N, P, S, T, V

_PAGES: dict[str, tuple[str, list[str]]] = {"T": (T, []), "L": (L, []), "N": (L, N), "V": (L, V)}


@dataclass(frozen=True, slots=True)
class Said:
    """A wording, what is said before it, and the plain one; `page` is its letter or its text."""

    page: str
    before: tuple[str, ...]
    plain: str
    wording: str

    def holds(self) -> bool:
        """Whether it leaves all as the plain wording does, by the same command or another."""
        found, wanted = (
            advance(prepared(self.page, self.before), Heard(from_line(said)))
            for said in (self.wording, self.plain)
        )
        command = found.entry is not None and found.entry.read_as == "command"
        return command and _left(found) == _left(wanted)


@lru_cache(maxsize=8)
def prepared(page: str, before: tuple[str, ...]) -> Sitting:
    passages = [of_document(name, from_markdown(text)) for name, text in P.items()]
    others = {title: from_markdown(text) for title, text in S.items()}
    document, first = _PAGES.get(page, (page, []))
    desk = desk_with(from_markdown(document), {}, None, others, None, passages)
    for line in (*first, *before):
        desk.hear(from_line(line))
    return desk.sitting


def _left(outcome: Outcome) -> tuple[str, tuple[Effect, ...]]:
    """What is left of the desk, and what is asked of the world outside."""
    kept = {name: value for name, value in sitting_data(outcome.sitting).items() if name != "trail"}
    return json.dumps(kept, sort_keys=True, default=str), outcome.effects


def wordings() -> Iterator[Said]:
    lines = Path(__file__).with_name("house_plainly.txt").read_text(encoding="utf-8").splitlines()
    for line in lines:
        if not line.startswith("#"):
            page, before, plain, others = (part.strip() for part in line.split("|"))
            said = tuple(part.strip() for part in before.split("/") if part.strip())
            for wording in others.split(";"):
                yield Said(page, said, plain, wording.strip())
