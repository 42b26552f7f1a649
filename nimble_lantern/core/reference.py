"""The command reference, made from the catalogue; the docs and the page print the same."""

from __future__ import annotations

import re
from collections.abc import Iterable
from dataclasses import dataclass

from nimble_lantern.core.commands import CATALOGUE

MOST_WAYS = 4
ENTRIES_A_SCREEN = 5
_SPOKEN = {
    "target": "…", "text": "…", "words": "…", "place": "…", "a": "…", "b": "…", "c": "…",
    "number": "twelve", "position": "second", "old": "…", "exactly": "", "extend": "extend",
    "counted": "two words", "headinglevel": "two", "colour": "blue", "family": "courier",
    "ink": "yellow", "whole": "…", "first": "…", "second": "…",
}  # fmt: skip
_SLOT = re.compile(r"\{([^}:]*)(?::[^}]*)?\}|<([^>]*)>")


@dataclass(frozen=True, slots=True)
class Entry:
    """A command as it is explained: how it is said, an example, what it does."""

    name: str
    ways: tuple[str, ...]
    example: str
    help: str


def reference() -> list[tuple[str, list[Entry]]]:
    """(group, entries) in the catalogue's order."""
    found = []
    for title, commands in CATALOGUE.groups():
        entries = [Entry(c.name, _ways(c.patterns), c.example, c.help) for c in commands]
        found.append((title, entries))
    return found


def screens_of(group: str) -> int:
    """How many screens the commands of a group take."""
    count = sum(c.group == group for c in CATALOGUE.commands.values())
    return max(1, -(-count // ENTRIES_A_SCREEN))


_LITTLE = frozenset("the a an in to".split())
"""What may be left out, and is not where it makes the better English."""
_ODD = re.compile(
    r"\b(\w+) (?:and |or )?\1\b|\bevery the\b|\bthe (?:blue|courier|yellow|an?|end"
    r" the)\b|\bun(?!bold|do|der)\w+|\bto before\b|\bto after\b|[|()<>]"
)
"""What no person would read out: a word twice, or a pattern that was not read to its end."""


def _ways(patterns: Iterable[str]) -> tuple[str, ...]:
    """Some ways to say a command, no two alike and none of them odd."""
    read = dict.fromkeys(map(_way, patterns))
    return tuple(way for way in read if not _ODD.search(way))[:MOST_WAYS]


def _way(pattern: str) -> str:
    """A pattern as a person would read it: the first of its alternatives, options left out.

    Little words stay, and a verb that stands first: "go to the start", and not "to start".
    """
    text = re.sub(r"^\[(<[^>]*>)\]", r"\1", pattern)
    text = re.sub(r"\[<[^>]*>\]", "", text)
    text = _SLOT.sub(_slot, text)
    previous = ""
    while previous != text:
        previous = text
        text = re.sub(r"\(([^()|\[\]]*)(?:\|[^()]*)?\)", r"\1", text)
        text = re.sub(r"\[([^\[\]]*)\]", _option, text)
    text = re.sub(r"\bthe (?=the |an? )", "", " ".join(text.split()))
    return re.sub(r"\ba (?=[aeiou])", "an ", text)


def _option(match: re.Match[str]) -> str:
    first = match[1].partition("|")[0].strip(" (")
    return first if first in _LITTLE else ""


def _slot(match: re.Match[str]) -> str:
    name = match[1] or match[2]
    if name in _SPOKEN:
        return _SPOKEN[name]
    if name in CATALOGUE.named:
        return CATALOGUE.named[name].spoken
    productions = CATALOGUE.grammar.productions.get(
        match[0].strip("{}<>").partition(":")[2] or name
    )
    return _way(productions[0].pattern) if productions else name


def markdown() -> str:
    """docs/commands.md."""
    lines = [
        "# What can be said",
        "",
        "Made from the catalogue by `lantern commands`. “…” stands for words of the document,",
        "or for any target: “the last two sentences”, “paragraph four”, “from the tide to the",
        "quay”, “every ferry”, “the quoted words”, “everything bold”, “that”. These are examples,",
        "not a list to learn: say it the way it comes to mind.",
    ]
    for title, entries in reference():
        lines += ["", f"## {title}", "", "| say | for example | it will |", "|---|---|---|"]
        for entry in entries:
            ways = "<br>".join(f"“{way}”" for way in entry.ways)
            lines.append(f"| {ways} | {entry.example} | {' '.join(entry.help.split())} |")
    return "\n".join(lines) + "\n"
