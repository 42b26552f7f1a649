"""The catalogue: every command with its patterns, help, example and handler in one place."""

from __future__ import annotations

import inspect
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from typing import Any, TypeVar

from nimble_lantern.core.errors import CatalogueError
from nimble_lantern.core.grammar.automaton import Found, Grammar
from nimble_lantern.core.grammar.terminals import TERMINALS

Handler = TypeVar("Handler", bound=Callable[..., Any])
HEARD_PATTERNS = 3
"""Recognisers listen for this many of a command's patterns, so the likeliest stand first."""
GROUPS = {
    "writing": "Writing",
    "moving": "Moving about",
    "selecting": "Selecting",
    "revising": "Revising",
    "format": "Format",
    "repair": "Taking back",
    "choosing": "Choosing",
    "desk": "Desk and documents",
    "listening": "Listening",
}


@dataclass(frozen=True)
class Command:
    """A command as the catalogue holds it; `name` is "family.function"."""

    name: str
    patterns: tuple[str, ...]
    example: str
    group: str
    help: str
    handler: Callable[..., Any]
    destructive: bool = False
    while_resting: bool = False
    walks: bool = False  # goes through the history, instead of adding to it

    @property
    def summary(self) -> str:
        return self.help.split("\n", 1)[0]


@dataclass(frozen=True, slots=True)
class Parse:
    """An utterance read as a command; `free` words would have fitted anything."""

    command: Command
    args: dict[str, Any]
    free: int
    pattern: str


class Catalogue:
    """All commands, and the one grammar made of their patterns."""

    def __init__(self) -> None:
        self.commands: dict[str, Command] = {}
        self.grammar = Grammar()
        self.grammar.terminals.update(TERMINALS)

    def command(
        self,
        *patterns: str,
        example: str,
        group: str,
        destructive: bool = False,
        while_resting: bool = False,
        walks: bool = False,
        heard: int = HEARD_PATTERNS,
    ) -> Callable[[Handler], Handler]:
        """Register a handler `f(sitting, **slots)` under patterns; its docstring is the help."""

        def register(handler: Handler) -> Handler:
            family = handler.__module__.rsplit(".", 1)[-1]
            name = f"{family}.{handler.__name__}"
            if name in self.commands:
                raise CatalogueError(f"Two commands are called {name}.")
            if group not in GROUPS:
                raise CatalogueError(f"{name}: no group is called {group!r}.")
            doc = inspect.getdoc(handler)
            if not doc:
                raise CatalogueError(
                    f"{name} has no docstring, so nobody can be told what it does."
                )
            made = Command(
                name, patterns, example, group, doc, handler, destructive, while_resting, walks
            )
            self.commands[name] = made
            for rank, pattern in enumerate(patterns):
                self.grammar.add("command", pattern, dict, made, rank < heard)
            return handler

        return register

    def rule(
        self, name: str, *patterns: str, heard: bool = True
    ) -> Callable[[Callable[..., Any]], Callable[..., Any]]:
        """Register a function that makes a rule's value out of its captures.

        What is not `heard` is understood, but recognisers do not listen for it.
        """

        def register(build: Callable[..., Any]) -> Callable[..., Any]:
            for pattern in patterns:
                self.grammar.add(name, pattern, build, heard=heard)
            return build

        return register

    def table(self, name: str, values: dict[str, Any]) -> None:
        """A rule whose every pattern stands for one value."""
        for pattern, value in values.items():
            self.grammar.add(name, pattern, lambda value=value: value)

    def parses(self, words: Sequence[str]) -> list[Parse]:
        """Every reading of an utterance as a command, the most literal first."""
        return [self._parse(found) for found in self.grammar.parses("command", words)]

    def may_begin(self, word: str) -> bool:
        """Whether some command begins with this very word."""
        return word in self.grammar.states("command")[0].words

    @staticmethod
    def _parse(found: Found) -> Parse:
        assert found.production is not None
        production = found.production
        return Parse(production.owner, found.value, found.free, production.pattern)

    def groups(self) -> Iterator[tuple[str, list[Command]]]:
        """(title, commands) in the order of GROUPS."""
        for key, title in GROUPS.items():
            yield title, [c for c in self.commands.values() if c.group == key]


CATALOGUE = Catalogue()
command = CATALOGUE.command
rule = CATALOGUE.rule
