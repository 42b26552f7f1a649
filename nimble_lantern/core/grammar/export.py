"""The catalogue as a finite-state network for a recogniser, its slots filled with the page.

`{words}` becomes a factor automaton of the words in view: any run of consecutive words is a
path (Mohri, Moreno and Weinstein, 2009).  Each rule's network is built at most three times where
it is called: for calls that end the caller, for those that free words follow, and shared by all the
others; the last accepts a little more than the grammar does, and the matcher, which reads every
result again, says no.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, field

from nimble_lantern.core.grammar.automaton import Grammar, State
from nimble_lantern.core.learning import GAP
from nimble_lantern.core.writing.cardinals import (
    ORDINAL_TENS,
    ORDINAL_UNITS,
    TENS,
    UNITS,
)

MOST_DEEP = 1
Arc = tuple[int, int, str | None]


@dataclass
class Network:
    """Arcs (from, to, word; None takes no time) between a start and one final state.

    `weights` has the probability of those arcs that are not as likely as their state's others.
    """

    arcs: list[Arc] = field(default_factory=list)
    size: int = 0
    start: int = 0
    final: int = 0
    weights: dict[Arc, float] = field(default_factory=dict)

    def state(self) -> int:
        self.size += 1
        return self.size - 1

    def arc(self, a: int, b: int, word: str | None = None) -> None:
        self.arcs.append((a, b, word))

    def path(self, a: int, b: int, words: Sequence[str], share: float | None = None) -> None:
        """A chain of words from `a` to `b`, perhaps of a likelihood of its own."""
        first = a, self.size if len(words) > 1 else b, words[0]
        if share is not None:
            self.weights[first] = share
        for word in words[:-1]:
            c = self.state()
            self.arc(a, c, word)
            a = c
        self.arc(a, b, words[-1] if words else None)

    def vocabulary(self) -> set[str]:
        return {word for _, _, word in self.arcs if word}


@dataclass(frozen=True)
class Page:
    """What the slots may hold: texts in view as spoken forms word by word, names of each kind.

    Between two words of a text, no forms at all stand for a mark of punctuation.
    """

    texts: Sequence[Sequence[Sequence[tuple[str, ...]]]] = ()
    names: Mapping[str, Sequence[Sequence[str]]] = field(default_factory=dict)
    free: Mapping[str, float] = field(default_factory=dict)  # with their share of speech


_NEAR_ENOUGH = 0.01
"""How likely somebody puts "the" before words that are without it on the page."""
_ACROSS = 0.05
"""How likely a run of words goes on over a mark of punctuation."""
HOLE = "\0"
"""Begins the labels that stand for what only the page can fill in."""
Filler = Callable[["_Builder", int, int], None]


class _Builder:
    def __init__(self, grammar: Grammar, named: Iterable[str], skip: frozenset[str]) -> None:
        self.grammar, self.skip = grammar, skip
        self.net = Network()
        holes = ("words", "text", "number", "position", *named)
        self.fillers: dict[str, Filler] = {name: _hole(name) for name in holes}

    def rule(self, name: str, start: int, end: int, depth: dict[str, int]) -> None:
        """Wire the network of a rule in between two states."""
        filler = self.fillers.get(name)
        if filler:
            filler(self, start, end)
            return
        if depth.get(name, 0) >= MOST_DEEP:
            return
        deeper = {**depth, name: depth.get(name, 0) + 1}
        states = self.grammar.states(name, heard_only=True)
        numbers = [self.net.state() for _ in states]
        self.net.arc(start, numbers[0])
        last: dict[tuple[str, str], tuple[int, int]] = {}
        useful = self._useful(states)
        for state, here in zip(states, numbers, strict=True):
            if any(self._kept(p.owner) for p in state.accepts):
                self.net.arc(here, end)
            for word, to in state.words.items():
                if to in useful:
                    self.net.arc(here, numbers[to], word)
            for slot, _, to in state.slots:
                if to not in useful:
                    continue
                key = slot, _what_follows(states, to)
                if key not in last:
                    last[key] = self.net.state(), self.net.state()
                    self.rule(slot, *last[key], deeper)
                enter, leave = last[key]
                self.net.arc(here, enter)
                self.net.arc(leave, numbers[to])

    def _useful(self, states: Sequence[State]) -> set[int]:
        """The states from which something can be said that is not skipped."""
        before: dict[int, list[int]] = {}
        for n, state in enumerate(states):
            for to in (*state.words.values(), *(to for _, _, to in state.slots)):
                before.setdefault(to, []).append(n)
        todo = [n for n, s in enumerate(states) if any(self._kept(p.owner) for p in s.accepts)]
        found = set(todo)
        while todo:
            for n in before.get(todo.pop(), ()):
                if n not in found:
                    found.add(n)
                    todo.append(n)
        return found

    def _kept(self, owner: object) -> bool:
        return getattr(owner, "name", "") not in self.skip


def _what_follows(states: Sequence[State], number: int) -> str:
    """How a rule may go on: not at all, in a word or two with free words, or otherwise."""
    state = states[number]
    if not state.words and not state.slots:
        return "nothing"
    after = (state, *(states[n] for n in state.words.values()))
    return "text" if any(slot == "text" for s in after for slot, _, _ in s.slots) else "more"


def _hole(name: str) -> Filler:
    return lambda builder, start, end: builder.net.arc(start, end, HOLE + name)


def skeleton(grammar: Grammar, named: Iterable[str] = (), skip: Iterable[str] = ()) -> Network:
    """The commands as a minimal deterministic network, its holes still open.  Made once.

    `named` are the kinds of things with names; `skip` commands are left out.
    """
    builder = _Builder(grammar, named, frozenset(skip))
    net = builder.net
    net.start, net.final = net.state(), net.state()
    builder.rule("command", net.start, net.final, {})
    return bundled(minimal(net))


_LEAST_SAVED = 6
"""Arcs, from which a state of its own is worth it."""


def bundled(net: Network) -> Network:
    """The same words with fewer arcs: those that many states have in common stand once.

    After "bold", "select" and "go to" the same targets begin.  Arcs that leave exactly the same
    states become arcs of one new state, which those reach in silence, as likely as they were.
    """
    leaving: dict[int, int] = Counter(a for a, _, _ in net.arcs)
    sources: dict[tuple[int, str | None], list[int]] = {}
    for a, b, word in net.arcs:
        sources.setdefault((b, word), []).append(a)
    together: dict[tuple[int, ...], list[tuple[int, str | None]]] = {}
    for arc, states in sources.items():
        together.setdefault(tuple(sorted(states)), []).append(arc)
    made = Network([], net.size, net.start, net.final)
    for origins, arcs in together.items():
        if (len(origins) - 1) * (len(arcs) - 1) - 1 < _LEAST_SAVED:
            for a in origins:
                for b, word in arcs:
                    made.arc(a, b, word)
                    made.weights[a, b, word] = 1 / leaving[a]
            continue
        hub = made.state()
        for a in origins:
            made.arc(a, hub)
            made.weights[a, hub, None] = len(arcs) / leaving[a]
        made.arcs += [(hub, b, word) for b, word in arcs]
    return made


def filled(bare: Network, page: Page) -> Network:
    """A skeleton with the page in its holes; silent arcs are transitively closed."""
    arcs = [arc for arc in bare.arcs if not (arc[2] or "").startswith(HOLE)]
    net = Network(arcs, bare.size, bare.start, bare.final, dict(bare.weights))
    holes: dict[tuple[str, int], list[int]] = {}
    for a, b, label in bare.arcs:
        if label and label.startswith(HOLE):
            holes.setdefault((label[1:], b), []).append(a)
    for (name, b), origins in holes.items():
        hub = net.state()
        for a in origins:
            net.arc(a, hub)
        _fill(net, name, hub, b, page)
    return _closed(net)


def _fill(net: Network, name: str, hub: int, end: int, page: Page) -> None:
    if name == "words":
        the = net.state()
        net.arc(hub, the, "the")
        net.weights[hub, the, "the"] = _NEAR_ENOUGH
        for text in page.texts:
            _factors(net, text, (hub, the), end)
    elif name == "text":
        loop = net.state()
        for word, share in page.free.items():
            for before in (hub, loop):
                net.arc(before, loop, word)
                net.weights[before, loop, word] = share
        net.arc(loop, end)
    elif name == "number":
        _tens(net, hub, end, UNITS, (), UNITS)
    elif name == "position":
        _tens(net, hub, end, ORDINAL_UNITS, ORDINAL_TENS, ORDINAL_UNITS)
    else:
        for phrase in page.names.get(name, ()):
            if phrase:
                net.path(hub, end, phrase)


def _tens(
    net: Network,
    hub: int,
    end: int,
    small: Mapping[str, int],
    whole: Iterable[str],
    units: Mapping[str, int],
) -> None:
    """Cardinals or ordinals up to ninety-nine."""
    tens = net.state()
    for word in (*(w for w, value in small.items() if value), *whole):
        net.arc(hub, end, word)
    for word in TENS:
        net.arc(hub, tens, word)
        if units is UNITS:
            net.arc(hub, end, word)
    for word, value in units.items():
        if 0 < value < 10:
            net.arc(tens, end, word)


def _factors(
    net: Network, text: Sequence[Sequence[tuple[str, ...]]], hubs: Sequence[int], end: int
) -> None:
    """Every run of consecutive words of a text, each word in each of its spoken forms."""
    here: int | None = None
    share: float | None = None
    for forms in text:
        if not forms:
            share = _ACROSS
            continue
        after = net.state()
        for form in forms:
            for before in (*hubs, *(() if here is None else (here,))):
                net.path(before, after, form, share if before == here else None)
        net.arc(after, end)
        here, share = after, None


def with_wordings(
    net: Network,
    wordings: Iterable[Sequence[str]],
    texts: Sequence[Sequence[Sequence[tuple[str, ...]]]],
) -> Network:
    """A filled network that also accepts a speaker's own wordings, with the page in their gaps."""
    for said in wordings:
        if GAP not in said:
            net.path(net.start, net.final, said)
            continue
        at = said.index(GAP)
        lead, tail = said[:at], said[at + 1 :]
        if not lead:
            continue
        hub, end = net.state(), net.state() if tail else net.final
        net.path(net.start, hub, lead)
        for text in texts:
            _factors(net, text, (hub,), end)
        if tail:
            net.path(end, net.final, tail)
    return net


def _closed(net: Network) -> Network:
    """PocketSphinx follows one silent arc after a word: so give it the closure."""
    silent: dict[int, set[int]] = {}
    for a, b, word in net.arcs:
        if word is None and a != b:
            silent.setdefault(a, set()).add(b)
    arcs = [arc for arc in dict.fromkeys(net.arcs) if arc[2] is not None]
    # Silence that leads to nothing but silence, or begins where no word ends, is no use.
    speaks = {a for a, _, _ in arcs} | {net.final}
    ends = {b for _, b, _ in arcs} | {net.start}
    for a in silent.keys() & ends:
        reached: set[int] = set()
        todo = [a]
        while todo:
            for b in silent.get(todo.pop(), ()):
                if b not in reached and b != a:
                    reached.add(b)
                    todo.append(b)
        arcs += [(a, b, None) for b in sorted(reached & speaks)]
    return Network(arcs, net.size, net.start, net.final, net.weights)


def either(some: Network, others: Network, share: float) -> Network:
    """What one of two filled networks accepts; `share`: how likely it is the first one's."""
    net = Network()
    net.start, net.final = net.state(), net.state()
    for part, likely in ((some, share), (others, 1 - share)):
        here = {part.final: net.final}
        for state in range(part.size):
            if state != part.final:
                here[state] = net.state()
        net.arcs += [(here[a], here[b], word) for a, b, word in part.arcs]
        net.weights |= {(here[a], here[b], w): p for (a, b, w), p in part.weights.items()}
        # A silent arc is followed once: so those at the part's start begin here, too.
        first = [here[b] for a, b, word in part.arcs if a == part.start and word is None]
        ways = sum(a == part.start for a, _, _ in part.arcs)
        for state, weight in ((here[part.start], 1.0), *((b, 1 / ways) for b in first)):
            net.arcs.append((net.start, state, None))
            net.weights[net.start, state, None] = likely * weight
    return net


def minimal(net: Network) -> Network:
    """The smallest deterministic network for the same words (Brzozowski, 1962)."""
    return _determined(_turned(_determined(_turned(net))))


def _turned(net: Network) -> Network:
    return Network([(b, a, w) for a, b, w in net.arcs], net.size, net.final, net.start)


def _determined(net: Network) -> Network:
    """The subset construction; every final subset gets a silent arc to one final state."""
    silent: dict[int, list[int]] = {}
    spoken: dict[int, list[tuple[str, int]]] = {}
    for a, b, word in net.arcs:
        if word is None:
            silent.setdefault(a, []).append(b)
        else:
            spoken.setdefault(a, []).append((word, b))

    reached: dict[int, frozenset[int]] = {}

    def reach(state: int) -> frozenset[int]:
        """The telling states that silence leads to from one, itself among them."""
        if state not in reached:
            seen, todo = {state}, [state]
            while todo:
                for b in silent.get(todo.pop(), ()):
                    if b not in seen:
                        seen.add(b)
                        todo.append(b)
            reached[state] = frozenset(s for s in seen if s in spoken or s == net.final)
        return reached[state]

    def closure(states: set[int]) -> frozenset[int]:
        return frozenset().union(*map(reach, states))

    made = Network()
    first = closure({net.start})
    numbers = {first: made.state()}
    made.start = 0
    made.final = made.state()
    todo = [first]
    while todo:
        subset = todo.pop()
        here = numbers[subset]
        if net.final in subset:
            made.arc(here, made.final)
        moves: dict[str, set[int]] = {}
        for state in subset:
            for word, b in spoken.get(state, ()):
                moves.setdefault(word, set()).add(b)
        for word, targets in moves.items():
            goal = closure(targets)
            if not goal:
                continue
            if goal not in numbers:
                numbers[goal] = made.state()
                todo.append(goal)
            made.arc(here, numbers[goal], word)
    return made
