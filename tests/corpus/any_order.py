"""Requests in any order of words, each with the plain one it means; and sentences near them."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

from tests.corpus.plainly import Said


def in_any_order(name: str = "any_order.txt") -> Iterator[Said]:
    """The wordings of a file: "% page", "= plain wording | said before", "- another wording"."""
    page, before, plain = "", (), ""
    for mark, rest in _lines(name):
        if mark == "% ":
            page = rest.replace("\\n", "\n")
        elif mark == "= ":
            plain, _, said = rest.partition(" | ")
            before = tuple(filter(None, said.split(" / ")))
        elif mark == "- ":
            yield Said(page, before, plain, rest)


def near_them(name: str) -> Iterator[tuple[str, str]]:
    """Pages, and sentences to be written on them."""
    page = ""
    for mark, rest in _lines(name):
        if mark == "% ":
            page = rest.replace("\\n", "\n")
        elif mark == "- ":
            yield page, rest


def _lines(name: str) -> Iterator[tuple[str, str]]:
    text = Path(__file__).with_name(name).read_text(encoding="utf-8")
    return ((line[:2], line[2:]) for line in text.splitlines())
