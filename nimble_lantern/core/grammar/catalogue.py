"""The catalogue: every command with its patterns, help, example and handler in one place."""

from __future__ import annotations

import inspect
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from typing import Any, TypeVar

from nimble_lantern.core.errors import CatalogueError, Refusal
from nimble_lantern.core.grammar.automaton import Found, Grammar
from nimble_lantern.core.grammar.notation import captured, parse
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
    "reading": "Reading aloud",
    "desk": "Desk and documents",
    "listening": "Listening",
}


POSTPOSED, MOST_POSTPOSED = "postposed", 16
"""Commands that name their target first ("the title in capitals"), and the most words of one.

They have a rule of their own: in a long sentence almost any run of words could be their target.
"""
When = Callable[[Any, "Parse"], bool]
"""(sitting, parse) -> whether the words make sense as this command just now."""


@dataclass(frozen=True, slots=True)
class Way:
    """A pattern that counts only at times, where the command's others always do."""

    pattern: str
    when: When


def each(when: When, *patterns: str) -> tuple[Way, ...]:
    """Patterns that count at the same times."""
    return tuple(Way(pattern, when) for pattern in patterns)


@dataclass(frozen=True, slots=True)
class Traits:
    """What is special about a command; `Catalogue.command` explains each."""

    when: When | None = None
    destructive: bool = False
    while_resting: bool = False
    while_text_only: bool = False
    walks: bool = False
    in_text: bool = False
    writes: bool = False
    answers: bool = False
    keeps_question: bool = False
    every_place: bool = False
    moves: bool = False
    of_blocks: bool = False
    here: bool = False
    spells: bool = False
    corrects: bool = False
    leaves: bool = False
    of_rows: bool = False
    reads: bool = False
    ends_reading: bool = False
    hushes: bool = False
    widens: bool = False
    annotates: bool = False
    shows: bool = False
    light: bool = False
    grows: bool = False
    finds: bool = False
    by_rows: bool = False
    puts_on: str = ""
    alone: bool = False


@dataclass(frozen=True)
class Command:
    """A command as the catalogue holds it; `name` is "family.function"."""

    name: str
    patterns: tuple[str, ...]
    example: str
    group: str
    help: str
    handler: Callable[..., Any]
    traits: Traits = Traits()

    @property
    def summary(self) -> str:
        return self.help.split("\n", 1)[0]


@dataclass(frozen=True, slots=True)
class Parse:
    """An utterance read as a command; `free` words would have fitted anything.

    `when` is the pattern's own condition, beside the command's.
    """

    command: Command
    args: dict[str, Any]
    free: int
    pattern: str
    when: When | None = None

    def makes_sense(self, sitting: Any) -> bool:
        """Whether the command, said like this, can be meant just now."""
        tests = (self.command.traits.when, self.when)
        return all(test(sitting, self) for test in tests if test)


@dataclass(frozen=True, slots=True)
class Named:
    """A thing of some kind called by its name, not yet looked up; without words, the newest."""

    kind: str
    words: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Names:
    """Things with names: what there are in a sitting, and how the reference calls one."""

    kind: str
    of: Callable[[Any], Sequence[str]]
    spoken: str
    partial: bool = False
    newest: Callable[[Any], str | Refusal] | None = None
    nouns: tuple[str, ...] = ()


class Catalogue:
    """All commands, and the one grammar made of their patterns."""

    def __init__(self) -> None:
        self.commands: dict[str, Command] = {}
        self.named: dict[str, Names] = {}
        self.grammar = Grammar()
        self.grammar.terminals.update(TERMINALS)

    def command(
        self,
        *ways: str | Way,
        example: str,
        group: str,
        heard: int = HEARD_PATTERNS,
        when: When | None = None,
        destructive: bool = False,
        while_resting: bool = False,
        while_text_only: bool = False,
        walks: bool = False,
        in_text: bool = False,
        writes: bool = False,
        answers: bool = False,
        keeps_question: bool = False,
        every_place: bool = False,
        moves: bool = False,
        of_blocks: bool = False,
        here: bool = False,
        spells: bool = False,
        corrects: bool = False,
        leaves: bool = False,
        of_rows: bool = False,
        reads: bool = False,
        ends_reading: bool = False,
        hushes: bool = False,
        widens: bool = False,
        annotates: bool = False,
        shows: bool = False,
        light: bool = False,
        grows: bool = False,
        finds: bool = False,
        by_rows: bool = False,
        puts_on: str = "",
        alone: bool = False,
    ) -> Callable[[Handler], Handler]:
        """Register a handler `f(sitting, **slots)` under patterns; its docstring is the help.

        The traits, each false unless told:

        heard            recognisers listen for so many of the patterns
        when             makes sense only then: "number two" of a page without a second one is text
        destructive      takes text away, so it is never done from a guess
        while_resting    is obeyed although the lamp is low
        while_text_only  is obeyed although only text is written
        walks            goes through the history instead of adding to it; text said before it in
                         the same breath is a step of its own
        in_text          is part of any text ("comma"), so it does not end the text before it
        writes           what it does counts as text in the trail
        answers          answers a question, and makes sense only while one is asked
        keeps_question   leaves a question as it is, or deals with it itself
        every_place      takes all places where words stand, and does not ask which
        moves            takes text from its place and puts it elsewhere
        of_blocks        is said of whole paragraphs: words name one only if they are most of it
        spells           is said while a word is spelled, and leaves the spelling open
        of_rows          says a row of what is shown, where that has numbers and nothing is asked
        reads            is said of what is read aloud, and meant so while something is
        ends_reading     ends it: the recogniser listens for nothing else while something is read
        hushes           ends or halts reading, and is heard in the middle of it
        widens           is said of what was just selected before it is said of anything else
        annotates        writes beside the text, and none of what is said into it
        shows            only shows something, or goes there: it may be taken from what is like it
        light            leaves text and hearing as they are, and is easily set back: so may it be
        grows            does more of the same when "more" is said after it
        finds            goes to words, and with "the next one" to where they stand next
        by_rows          takes whole rows, too, that words name: "week two"
        puts_on          what it puts on words, as it is called where that is taken off them
        alone            is said with nothing round it: "no bold there" is no "bold"
        leaves           leaves whatever is open: a question, a dialog, the spelling of a word
        corrects         puts right what was misheard: counted in the speaker's own figures
        here             with nothing selected, "this" is the paragraph of the writing place
        """
        traits = Traits(
            when, destructive, while_resting, while_text_only, walks, in_text, writes, answers,
            keeps_question or answers, every_place, moves, of_blocks, here, spells, corrects,
            leaves, of_rows, reads, ends_reading, hushes, widens, annotates, shows,
            light, grows, finds, by_rows, puts_on, alone,
        )  # fmt: skip

        def register(handler: Handler) -> Handler:
            name = f"{_family(handler.__module__)}.{handler.__name__}"
            if name in self.commands:
                raise CatalogueError(f"Two commands are called {name}.")
            if group not in GROUPS:
                raise CatalogueError(f"{name}: no group is called {group!r}.")
            doc = inspect.getdoc(handler)
            if not doc:
                raise CatalogueError(
                    f"{name} has no docstring, so nobody can be told what it does."
                )
            patterns = tuple(w.pattern if isinstance(w, Way) else w for w in ways)
            _check_slots(name, patterns, handler)
            made = Command(name, patterns, example, group, doc, handler, traits)
            self.commands[name] = made
            for rank, way in enumerate(ways):
                own = way.when if isinstance(way, Way) else None
                named = (f"{{{kind}}}" for kind in self.named)
                late = patterns[rank].startswith(("{target}", "{text:words}", *named))
                rule = POSTPOSED if late else "command"
                self.grammar.add(rule, patterns[rank], dict, made, rank < heard, own)
            return handler

        return register

    def names(
        self,
        kind: str,
        of: Callable[[Any], Sequence[str]],
        spoken: str = "a name",
        partial: bool = False,
        newest: Callable[[Any], str | Refusal] | None = None,
        nouns: tuple[str, ...] = (),
    ) -> None:
        """Declare a kind of things with names: `{kind}` in a pattern stands for one of them.

        `of` tells what there are in a sitting.  Where `partial`, some words of a name are enough if
        no other has them.  `newest` tells which one is meant where none is called by its name (a
        Named without words).  Matching, what recognisers listen for, the reference and near misses
        follow.  Of the `nouns`, which are the desk's, the first is what such a thing is called: who
        names one that there is not ("the passage sign off") asks for it all the same.
        """
        if kind in self.named:
            raise CatalogueError(f"Two kinds of named things are called {kind!r}.")
        self.named[kind] = Names(kind, of, spoken, partial, newest, nouns)
        self.grammar.add(kind, "{words}", lambda words: Named(kind, words))

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

    def table(self, name: str, values: dict[str, Any], heard: bool = True) -> None:
        """A rule whose every pattern stands for one value."""
        for pattern, value in values.items():
            self.grammar.add(name, pattern, lambda value=value: value, heard=heard)

    def parses(self, words: Sequence[str]) -> list[Parse]:
        """Every reading of an utterance as a command, the most literal first.

        Of those alike, what takes text away comes last: "remove the bullets" takes off the look.
        "Copy this document" is a command of its own words before it is one with a target.
        """
        found = self.grammar.parses("command", words)
        if len(words) <= MOST_POSTPOSED and POSTPOSED in self.grammar.productions:
            found = found + self.grammar.parses(POSTPOSED, words)
        parses = [self._parse(f) for f in found]

        def rank(p: Parse) -> tuple[int, bool, int, bool]:
            return p.free, p.command.traits.destructive, len(p.args), p.when is not None

        return sorted(parses, key=rank)

    def may_begin(self, word: str) -> bool:
        """Whether some command begins with this very word."""
        return word in self.grammar.states("command")[0].words

    @staticmethod
    def _parse(found: Found) -> Parse:
        assert found.production is not None
        production = found.production
        when = production.when
        return Parse(production.owner, found.value, found.free, production.pattern, when)

    def groups(self) -> Iterator[tuple[str, list[Command]]]:
        """(title, commands) in the order of GROUPS."""
        for key, title in GROUPS.items():
            yield title, [c for c in self.commands.values() if c.group == key]


def _family(module: str) -> str:
    """A module of commands is a family, and so is a package of them."""
    before, _, within = module.partition(".commands.")
    return within.split(".")[0] or before.rsplit(".", 1)[-1]


def _check_slots(name: str, patterns: Sequence[str], handler: Handler) -> None:
    """CatalogueError if some way to say a command leaves out what its handler cannot do without."""
    slots = list(inspect.signature(handler, follow_wrapped=False).parameters.values())[1:]
    named = [p for p in slots if p.kind in (p.POSITIONAL_OR_KEYWORD, p.KEYWORD_ONLY)]
    needed = {p.name for p in named if p.default is p.empty}
    for pattern in patterns if needed else ():
        if missing := needed - captured(parse(pattern)):
            raise CatalogueError(f"{name}: {pattern!r} may leave out {', '.join(sorted(missing))}.")


CATALOGUE = Catalogue()
command = CATALOGUE.command
rule = CATALOGUE.rule
