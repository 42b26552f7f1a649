"""Requests in any order of words, each with the plain one that they mean (`any_order.txt`)."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

from tests.corpus.plainly import Said


def in_any_order() -> Iterator[Said]:
    page, before, plain = "", (), ""
    path = Path(__file__).with_name("any_order.txt")
    for line in path.read_text(encoding="utf-8").splitlines():
        mark, rest = line[:2], line[2:]
        if mark == "% ":
            page = rest.replace("\\n", "\n")
        elif mark == "= ":
            plain, _, said = rest.partition(" | ")
            before = tuple(filter(None, said.split(" / ")))
        elif mark == "- ":
            yield Said(page, before, plain, rest)
