"""The pattern notation: JSGF's (W3C Note, 2000) words, groups, options and rules, with slots.

bold {target}                words, and a slot named after the rule that fills it
(make | turn) {target} bold  alternatives
[the] last <unit>            an optional word; a rule, whose value is not kept
from {first:words} to ...    a slot with a name of its own
"""

from __future__ import annotations

import re
from dataclasses import dataclass

from nimble_lantern.core.errors import CatalogueError

_TOKEN = re.compile(r"\s*([()\[\]|]|\{[^}]*\}|<[^>]*>|[^\s()\[\]|{}<>]+)")


@dataclass(frozen=True, slots=True)
class Word:
    text: str


@dataclass(frozen=True, slots=True)
class Slot:
    """A stretch that `rule` parses; its value is captured under `name`, if it has one."""

    rule: str
    name: str | None


@dataclass(frozen=True, slots=True)
class Sequence:
    parts: tuple[Node, ...]


@dataclass(frozen=True, slots=True)
class Choice:
    options: tuple[Node, ...]


Node = Word | Slot | Sequence | Choice


def parse(pattern: str) -> Node:
    """The tree of a pattern; CatalogueError if it does not add up."""
    tokens: list[str] = []
    at = 0
    pattern = pattern.strip()
    while at < len(pattern):
        match = _TOKEN.match(pattern, at)
        if not match:
            raise CatalogueError(f"{pattern!r}: cannot read {pattern[at:]!r}.")
        tokens.append(match.group(1))
        at = match.end()
    node, rest = _choice(tokens, 0, pattern)
    if rest != len(tokens):
        raise CatalogueError(f"{pattern!r}: {tokens[rest]!r} closes nothing.")
    return node


def captured(node: Node) -> frozenset[str]:
    """The names that are captured whichever way a pattern is said."""
    match node:
        case Slot(_, name):
            return frozenset((name,)) if name else frozenset()
        case Sequence(parts):
            return frozenset(name for part in parts for name in captured(part))
        case Choice(options):
            return frozenset.intersection(*map(captured, options))
    return frozenset()


def _choice(tokens: list[str], i: int, pattern: str) -> tuple[Node, int]:
    options: list[Node] = []
    while True:
        node, i = _sequence(tokens, i, pattern)
        options.append(node)
        if i >= len(tokens) or tokens[i] != "|":
            return (options[0] if len(options) == 1 else Choice(tuple(options))), i
        i += 1


def _sequence(tokens: list[str], i: int, pattern: str) -> tuple[Node, int]:
    parts: list[Node] = []
    while i < len(tokens) and tokens[i] not in ("|", ")", "]"):
        token = tokens[i]
        if token in ("(", "["):
            node, end = _choice(tokens, i + 1, pattern)
            closing = ")" if token == "(" else "]"
            if end >= len(tokens) or tokens[end] != closing:
                raise CatalogueError(f"{pattern!r}: {token!r} is never closed.")
            parts.append(Choice((node, Sequence(()))) if token == "[" else node)
            i = end + 1
            continue
        parts.append(_atom(token))
        i += 1
    return (parts[0] if len(parts) == 1 else Sequence(tuple(parts))), i


def _atom(token: str) -> Node:
    if token[0] == "{":
        name, _, rule = token[1:-1].partition(":")
        return Slot(rule or name, name)
    if token[0] == "<":
        return Slot(token[1:-1], None)
    return Word(token)
