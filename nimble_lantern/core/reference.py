"""The command reference, made from the catalogue; the docs and the page print the same."""

from __future__ import annotations

import re
from dataclasses import dataclass

from nimble_lantern.core.commands import CATALOGUE

MOST_WAYS = 4
ENTRIES_A_SCREEN = 5
_SPOKEN = {
    "target": "…", "text": "…", "words": "…", "place": "…", "a": "…", "b": "…", "c": "…",
    "number": "a number", "position": "a place in order",
    "counted": "how many", "headinglevel": "one", "colour": "a colour", "family": "a font",
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
        entries = [
            Entry(c.name, tuple(_way(p) for p in c.patterns[:MOST_WAYS]), c.example, c.help)
            for c in commands
        ]
        found.append((title, entries))
    return found


def screens_of(group: str) -> int:
    """How many screens the commands of a group take."""
    count = sum(c.group == group for c in CATALOGUE.commands.values())
    return max(1, -(-count // ENTRIES_A_SCREEN))


def _way(pattern: str) -> str:
    """A pattern as a person would read it: the first of its alternatives, options left out."""
    text = _SLOT.sub(_slot, pattern)
    previous = ""
    while previous != text:
        previous = text
        text = re.sub(r"\[[^\[\]]*\]", "", text)
        text = re.sub(r"\(([^()|]*)(?:\|[^()]*)?\)", r"\1", text)
    return " ".join(text.split())


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
