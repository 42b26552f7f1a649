"""Wordings for the house that must do what a plain one does, in two sets (`house_plainly.txt`)."""

from __future__ import annotations

import json
from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path
from typing import Any

from nimble_lantern.playing import run_case
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
        found = _played(self.page, self.before, self.wording)
        wanted = _wanted(self.page, self.before, self.plain)
        return found["trail"][-1]["read_as"] == "command" and wanted == _left(found)


def _played(page: str, before: tuple[str, ...], said: str) -> dict[str, Any]:
    document, first = _PAGES.get(page, (page, []))
    says = [*first, *before, said]
    given = {"settings": {}, "passages": P, "shelf": S}
    return run_case({"id": "", "doc": document, "say": says, **given})


@lru_cache
def _wanted(page: str, before: tuple[str, ...], plain: str) -> str:
    return _left(_played(page, before, plain))


def _left(played: dict[str, Any]) -> str:
    kept = {name: value for name, value in played["result"].items() if name != "trail"}
    return json.dumps(kept, sort_keys=True, default=str)


def wordings() -> Iterator[Said]:
    lines = Path(__file__).with_name("house_plainly.txt").read_text(encoding="utf-8").splitlines()
    for line in lines:
        if not line.startswith("#"):
            page, before, plain, others = (part.strip() for part in line.split("|"))
            said = tuple(part.strip() for part in before.split("/") if part.strip())
            for wording in others.split(";"):
                yield Said(page, said, plain, wording.strip())
