"""Patterns compiled to one deterministic automaton a rule, and the matcher that walks them.

An automaton's edges are words and slots.  A slot is filled by another rule's automaton or by a
terminal, a Python function.  Matching costs the utterance: a word is a dictionary look-up,
whatever the size of the catalogue; what a rule finds at a place is found once and kept.
"""

from __future__ import annotations

from collections.abc import Callable, Collection, Iterator, Sequence
from contextvars import ContextVar
from dataclasses import dataclass, field
from typing import Any

from nimble_lantern.core.errors import CatalogueError
from nimble_lantern.core.grammar import notation

Words = Sequence[str]
Terminal = Callable[[Words, int], Iterator[tuple[int, Any, int]]]
"""(words, start) -> (end, value, how many words were free: any word would have done)."""
Label = str | tuple[str, str | None]
Edge = tuple[str, str | None, int]
"""The rule that fills a slot, what the slot is called, the state behind it."""


@dataclass(frozen=True, slots=True)
class Production:
    """One pattern and what to make of its captures."""

    pattern: str
    build: Callable[..., Any]
    owner: Any = None
    heard: bool = True  # whether recognisers listen for it; everything is understood
    when: Callable[..., bool] | None = None  # makes sense only then


@dataclass(slots=True)
class State:
    """`needs` are words of which one must still come; None where none has to."""

    words: dict[str, int] = field(default_factory=dict)
    slots: list[Edge] = field(default_factory=list)
    accepts: list[Production] = field(default_factory=list)
    needs: frozenset[str] | None = None
    before: dict[str, list[Edge]] = field(default_factory=dict)  # the slots that a word can begin


@dataclass(frozen=True, slots=True)
class Found:
    """One reading of words[start:end]; `free` of them were free words."""

    end: int
    value: Any
    free: int
    production: Production | None = None


class _Nfa:
    def __init__(self) -> None:
        self.edges: list[list[tuple[Label | None, int]]] = [[]]
        self.accepts: dict[int, Production] = {}
        self._reached: dict[int, frozenset[int]] = {}

    def state(self) -> int:
        self.edges.append([])
        return len(self.edges) - 1

    def add(self, node: notation.Node, start: int) -> int:
        """Wire `node` in from `start`; where it ends."""
        match node:
            case notation.Word(text):
                end = self.state()
                self.edges[start].append((text, end))
                return end
            case notation.Slot(rule, name):
                end = self.state()
                self.edges[start].append(((rule, name), end))
                return end
            case notation.Sequence(parts):
                for part in parts:
                    start = self.add(part, start)
                return start
            case notation.Choice(options):
                end = self.state()
                for option in options:
                    self.edges[self.add(option, start)].append((None, end))
                return end

    def reached(self, state: int) -> frozenset[int]:
        """The important states that are reached without a word: those with a label, or accepting.

        The others tell no two subsets apart (Aho, Lam, Sethi and Ullman, Compilers, 2006, 3.9.1).
        """
        known = self._reached.get(state)
        if known is not None:
            return known
        found, todo, important = {state}, [state], set()
        while todo:
            here = todo.pop()
            if here in self.accepts:
                important.add(here)
            for label, to in self.edges[here]:
                if label is not None:
                    important.add(here)
                elif to not in found:
                    found.add(to)
                    todo.append(to)
        kept = self._reached[state] = frozenset(important)
        return kept

    def closure(self, states: Collection[int]) -> frozenset[int]:
        reached = [self._reached.get(state) or self.reached(state) for state in states]
        return reached[0] if len(reached) == 1 else frozenset().union(*reached)


def compile_rule(productions: Sequence[Production]) -> list[State]:
    """The subset construction (Rabin and Scott, 1959) over words and slots alike."""
    nfa = _Nfa()
    for production in productions:
        # Each pattern starts in a state of its own, so that groups do not leak into each other.
        first = nfa.state()
        nfa.edges[0].append((None, first))
        nfa.accepts[nfa.add(notation.parse(production.pattern), first)] = production
    start = nfa.reached(0)
    numbers, todo, states = {start: 0}, [start], [State()]
    while todo:
        subset = todo.pop()
        state = states[numbers[subset]]
        moves: dict[Label, set[int]] = {}
        for n in sorted(subset):
            if n in nfa.accepts:
                state.accepts.append(nfa.accepts[n])
            for label, to in nfa.edges[n]:
                if label is not None:
                    moves.setdefault(label, set()).add(to)
        for label, targets in moves.items():
            to_set = nfa.closure(targets)
            if to_set not in numbers:
                numbers[to_set] = len(states)
                states.append(State())
                todo.append(to_set)
            if isinstance(label, str):
                state.words[label] = numbers[to_set]
            else:
                state.slots.append((*label, numbers[to_set]))
    _tell_needs(states)
    return states


def _tell_needs(states: list[State]) -> None:
    """What must still come behind each state.  No pattern repeats, so no state comes again."""
    told: set[int] = set()
    todo = [0]
    while todo:
        number = todo[-1]
        state = states[number]
        behind = [to for _, _, to in state.slots]
        if missing := [to for to in (*behind, *state.words.values()) if to not in told]:
            todo += missing
            continue
        todo.pop()
        told.add(number)
        if not state.accepts and all(states[to].needs is not None for to in behind):
            state.needs = frozenset(state.words).union(*(states[to].needs or () for to in behind))


_recent: ContextVar[dict[tuple[Grammar, tuple[str, ...]], Match]] = ContextVar("recent")
"""The last matches, the oldest first; of each thread its own, as a match is kept while it grows."""
_MOST_RECENT = 32


class Grammar:
    """Rules by name.  Rules are added, then the first match compiles those it needs."""

    def __init__(self) -> None:
        self.productions: dict[str, list[Production]] = {}
        self.terminals: dict[str, Terminal] = {}
        self._compiled: dict[tuple[str, bool], list[State]] = {}
        self._patterns: dict[tuple[str, str], str] = {}
        self._begin: dict[str, frozenset[str] | None] = {}
        self._first: frozenset[str] = frozenset()

    def add(
        self,
        rule: str,
        pattern: str,
        build: Callable[..., Any],
        owner: Any = None,
        heard: bool = True,
        when: Callable[..., bool] | None = None,
    ) -> None:
        """Add a pattern to a rule; CatalogueError if it stands there already."""
        key = (rule, " ".join(pattern.split()))
        if key in self._patterns:
            raise CatalogueError(f"The pattern {pattern!r} stands twice in <{rule}>.")
        self._patterns[key] = pattern
        self.productions.setdefault(rule, []).append(Production(pattern, build, owner, heard, when))
        self._compiled.clear()
        self._begin.clear()
        self._first = frozenset()
        _recent.set({})

    def begin(self, rule: str) -> frozenset[str] | None:
        """The words that a rule can begin with; None where any may, or none is needed."""
        if rule not in self._begin:
            self._begin[rule] = self._beginning(rule, frozenset())
        return self._begin[rule]

    def opening(self, words: Words) -> list[str]:
        """The words, those that no rule begins with as "": they are all alike to a slot."""
        if not self._first:
            begun = (self.begin(rule) for rule in self.productions)
            self._first = frozenset[str]().union(*(words for words in begun if words))
        return [word if word in self._first else "" for word in words]

    def before(self, state: State, word: str) -> list[Edge]:
        """The slots of a state that a word of `opening` can begin."""
        fits = ((edge, self.begin(edge[0])) for edge in state.slots)
        found = [edge for edge, words in fits if words is None or word in words]
        state.before[word] = found
        return found

    def _beginning(self, rule: str, within: frozenset[str]) -> frozenset[str] | None:
        if rule in self.terminals:
            return None
        first = self.states(rule)[0]
        words = set(first.words)
        for name, _, _ in first.slots:
            if name == rule or name in within:
                continue  # what it begins with is told where it stands first
            begun = self._beginning(name, within | {rule})
            if begun is None:
                return None
            words |= begun
        return None if first.accepts else frozenset(words)

    def match(self, words: Words) -> Match:
        """The matching of an utterance: it is read by several rules, one after another."""
        recent = _recent.get(None)
        if recent is None:
            recent = {}
            _recent.set(recent)
        key = self, tuple(words)
        found = recent.pop(key, None) or Match(self, key[1])
        if len(recent) >= _MOST_RECENT:
            del recent[next(iter(recent))]
        recent[key] = found
        return found

    def states(self, rule: str, heard_only: bool = False) -> list[State]:
        """The automaton of a rule, compiled once; perhaps only of what recognisers listen for."""
        key = rule, heard_only
        if key not in self._compiled:
            if rule not in self.productions:
                raise CatalogueError(f"No rule is called <{rule}>.")
            kept = [p for p in self.productions[rule] if p.heard or not heard_only]
            self._compiled[key] = compile_rule(kept)
        return self._compiled[key]

    def check(self) -> None:
        """Compile all of it; CatalogueError if a pattern does not add up or asks for no rule."""
        for rule in list(self.productions):
            for state in self.states(rule):
                for name, _, _ in state.slots:
                    if name not in self.productions and name not in self.terminals:
                        raise CatalogueError(f"<{rule}> asks for <{name}>, which nobody defined.")

    def parses(self, rule: str, words: Words) -> list[Found]:
        """Every reading of all of `words`, fewest free words first."""
        whole = [f for f in self.match(words).at(rule, 0) if f.end == len(words)]
        return sorted(whole, key=lambda f: f.free)


class Match:
    """One utterance's matching: what each rule finds at each place, found once."""

    def __init__(self, grammar: Grammar, words: Words) -> None:
        self.grammar = grammar
        self.words = words
        self._kept: list[dict[str, list[Found]]] = [{} for _ in range(len(words) + 1)]
        self._opening = grammar.opening(words)
        self._ahead = [frozenset(words[i:]) for i in range(len(words) + 1)]

    def at(self, rule: str, start: int) -> list[Found]:
        """What a rule finds from a word on."""
        here = self._kept[start]
        found = here.get(rule)
        if found is None:
            found = here[rule] = []
            begin = self.grammar.begin(rule)
            if begin is None or start < len(self.words) and self.words[start] in begin:
                found = here[rule] = list(self._find(rule, start))
        return found

    def _find(self, rule: str, start: int) -> Iterator[Found]:
        terminal = self.grammar.terminals.get(rule)
        if terminal:
            for end, value, free in terminal(self.words, start):
                yield Found(end, value, free)
            return
        states, words, size = self.grammar.states(rule), self.words, len(self.words)
        ahead, kept, opening = self._ahead, self._kept, self._opening
        todo: list[tuple[int, int, tuple[tuple[str, Any], ...], int]] = [(0, start, (), 0)]
        while todo:
            number, i, captures, free = todo.pop()
            state = states[number]
            for production in state.accepts:
                value = production.build(**dict(captures))
                if value is not None:
                    yield Found(i, value, free, production)
            if i == size:
                continue
            to = state.words.get(words[i])
            if to is not None:
                todo.append((to, i + 1, captures, free))
            if not state.slots:
                continue
            here, behind = kept[i], ahead[i + 1]
            fitting = state.before.get(opening[i])
            if fitting is None:
                fitting = self.grammar.before(state, opening[i])
            for name, capture, to in fitting:
                needs = states[to].needs
                if needs is not None and needs.isdisjoint(behind):
                    # Whatever fills the slot, what has to come behind it does not.
                    continue
                found = here.get(name)
                for reading in self.at(name, i) if found is None else found:
                    held = (*captures, (capture, reading.value)) if capture else captures
                    todo.append((to, reading.end, held, free + reading.free))
