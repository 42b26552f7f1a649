"""What an utterance that no pattern fits may ask for, by the wordings that are known of each.

Some thousand wordings (`core/lexicon/wordings.txt`) are known of some hundred requests; each is
kept as tokens, with what it names left open.  A request is the likelier the more of its tokens and
pairs of tokens are said in an utterance (naive Bayes: Maron, "Automatic indexing", 1961; Lewis,
"Naive (Bayes) at forty", 1998), and the better what it has to name can be found in it.  Whether an
utterance is said to the desk at all is told by weights (`core/lexicon/addressed.txt`; logistic
regression: Cox, 1958) that were fitted to those wordings and to sentences of letters.
"""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from functools import cache
from importlib.resources import files
from itertools import pairwise, product
from typing import Any, NamedTuple

from nimble_lantern.core.grammar.catalogue import CATALOGUE, Command
from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.lexicon.asked import COLOURS
from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.lexicon.desk import OF_THE_DESK, TRADE_NOUNS, TRADE_VERBS
from nimble_lantern.core.lexicon.meanings import MEANINGS
from nimble_lantern.core.reading.exactly import exactly
from nimble_lantern.core.reading.nearest import harmless
from nimble_lantern.core.reading.slots import Filler, Phrase, fillers, names
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places
from nimble_lantern.core.targets.words import normal
from nimble_lantern.core.writing.cardinals import cardinal, ordinal

LONGEST = 16
"""Words of an utterance that may be a request."""
NEW = "{new}"
NUMBER, COLOUR, ON_THE_PAGE, UNKNOWN = "N", "C", "X", "U"
"""Tokens for what may as well be another: a number, a colour, a word of the page, any word."""
_OWN = {"passage": "P", "place": "L", "version": "V"}
_KEPT = LITTLE | TRADE_NOUNS | TRADE_VERBS | frozenset("row column table note last first".split())
"""Words that are kept although they stand on the page: they tell what is asked."""
_SMOOTHED, _PRIOR, _OF_A_PAIR, _OF_THE_WORDING = 1.0, 0.6, 0.3, 0.5
_FARTHEST, _MOST_REQUESTS, _MOST_TRIED = 8.0, 30, 20
_MOST_FILLED, _MANY, _MOST_OF_MANY = 14, 3, 6
"""Ways to fill a slot that are looked at; and where there are many slots."""
_LONGEST_NEW = 8


@dataclass(frozen=True, slots=True)
class Likened:
    """A plain wording that may be meant, and how likely it is beside others (log odds)."""

    words: Phrase
    command: str
    odds: float
    destructive: bool
    names: Phrase = ()
    """Its words that name the one thing that it is about."""
    strange: int = 0
    """How many words of the utterance no wording of the command has, or name a part of a page that
    it says nothing of."""


class Request(NamedTuple):
    """A command, and its plain wording with what it names left open: "delete {part}"."""

    command: str
    wording: str


@dataclass(slots=True)
class Wordings:
    """How often each token is said, of each command and of each request of it."""

    of_commands: dict[str, Counter[str]] = field(default_factory=dict)
    of_requests: dict[Request, Counter[str]] = field(default_factory=dict)
    commands: Counter[str] = field(default_factory=Counter)
    requests: Counter[Request] = field(default_factory=Counter)
    tokens: Counter[str] = field(default_factory=Counter)

    def add(self, request: Request, said: Sequence[str]) -> None:
        command = request.command
        self.commands[command] += 1
        self.requests[request] += 1
        told = features(said)
        self.of_commands.setdefault(command, Counter()).update(told)
        self.of_requests.setdefault(request, Counter()).update(told)
        self.tokens.update(told)

    def meant(self, said: Sequence[str]) -> Phrase:
        """The tokens, with a word of the same meaning for one that no wording has."""
        return tuple(self._like(token) for token in said)

    def _like(self, token: str) -> str:
        others = () if token in self.tokens else MEANINGS.get(token, ())
        return max(
            (w for w in others if w in self.tokens), key=self.tokens.__getitem__, default=token
        )

    def ranked(self, said: Sequence[str]) -> list[tuple[float, Request]]:
        """The requests, the likeliest first, with the logarithm of how likely each is."""
        total = self.commands.total()
        told = [(t, _OF_A_PAIR if " " in t else 1.0) for t in features(said) if t in self.tokens]
        usual = {t: self.tokens[t] / total for t, _ in told}
        within: dict[str, dict[str, float]] = {}
        odds: dict[str, float] = {}
        for command, count in self.commands.items():
            has = self.of_commands[command]
            smooth = count + _SMOOTHED
            within[command] = {t: (has[t] + _SMOOTHED * usual[t]) / smooth for t, _ in told}
            odds[command] = _PRIOR * math.log(count / total) + sum(
                weight * math.log(within[command][t] / usual[t]) for t, weight in told
            )
        best = max(odds.values())
        found = []
        for request, count in self.requests.items():
            command = request.command
            if odds[command] < best - _FARTHEST:
                continue
            has, share = self.of_requests[request], within[command]
            own = _PRIOR * math.log(count / self.commands[command]) + sum(
                weight * math.log((has[t] + share[t]) / (count + 1) / share[t])
                for t, weight in told
            )
            found.append((odds[command] + _OF_THE_WORDING * own, request))
        return sorted(found, reverse=True)


@cache
def known() -> Wordings:
    """The wordings that ship with the desk."""
    found, request = Wordings(), Request("", "")
    for line in _lines("wordings.txt"):
        if line.startswith("= "):
            request = Request(*line[2:].split(" | "))
        else:
            found.add(request, line.split())
    return found


@cache
def _weights() -> Mapping[str, float]:
    rows = (line.rpartition("\t") for line in _lines("addressed.txt"))
    return {name: float(weight) for name, _, weight in rows}


def make_ready() -> None:
    """Read what is known, before the first utterance needs it: about a tenth of a second."""
    known()
    _weights()


def _lines(name: str) -> list[str]:
    text = files("nimble_lantern.core.lexicon").joinpath(name).read_text(encoding="utf-8")
    return [line for line in text.splitlines() if line and not line.startswith("#")]


def tokens(sitting: Sitting, words: Sequence[str]) -> Phrase:
    """The words, with what may as well be another thing of its kind left open."""
    there = sitting.vocabulary
    own = {word: _OWN[kind] for kind, name in names(sitting) for word in name}
    found: list[str] = []
    for i, word in enumerate(words):
        bare = word.removesuffix("'s")
        if ordinal(words, i) or cardinal(words, i):
            found.append(NUMBER)
        elif word in COLOURS:
            found.append(COLOUR)
        elif bare in own and bare not in LITTLE:
            found.append(own[bare])
        elif word not in _KEPT and any(there.holds(normal((w,))) for w in (word, bare)):
            found.append(ON_THE_PAGE)
        else:
            found.append(word)
    return tuple(found)


def features(said: Sequence[str]) -> set[str]:
    """The tokens, and the pairs of them that stand side by side."""
    return {*said, *(f"{a} {b}" for a, b in pairwise(("<", *said, ">")))}


def addressed(said: Sequence[str]) -> float:
    """The log odds that tokens are said to the desk, and are not a sentence of a letter."""
    weights = _weights()
    return sum(weights.get(told, 0.0) for told in telling(said, known().tokens))


def telling(said: Sequence[str], vocabulary: Mapping[str, int]) -> set[str]:
    """What tells whether tokens are said to the desk: they, their pairs, how many there are and
    how many are no words of the desk."""
    told = [t if vocabulary.get(t, 0) >= _USUAL else UNKNOWN for t in said]
    strange = min(told.count(UNKNOWN), _MOST_STRANGE)
    length = f"length {min(len(told), LONGEST)}"
    return features(told) | {"always", length} | {f"strange {n + 1}" for n in range(strange)}


_USUAL, _MOST_STRANGE = 3, 4
"""From how many wordings on a word is the desk's; and how many others are counted."""


@dataclass(frozen=True, slots=True)
class Asked:
    """What an utterance is likely to ask for, and the log odds that it was said to the desk."""

    addressed: float
    requests: tuple[Likened, ...] = ()
    of_the_desk: bool = False
    """Whether a word of it is said of the desk, and seldom of anything else."""
    tells: bool = False
    """Whether it may tell how something is: "hob is a heading"."""
    denies: bool = False
    """Whether something is not to be: "no bold there"."""

    @property
    def plainly(self) -> bool:
        """Whether it was said to the desk, whatever it asks for."""
        return self.addressed >= PLAINLY_ADDRESSED

    @property
    def surely(self) -> Likened | None:
        """The one request that can only be meant."""
        if not self.requests or not self.of_the_desk or self.addressed < SURELY_ADDRESSED:
            return None
        first, *others = self.requests
        lead = first.odds - others[0].odds if others else math.inf
        plainly = self.addressed >= PLAINLY_ADDRESSED and first.odds >= SURE_ODDS
        likely = first.odds >= SURER_ODDS
        if self.tells and not _changes_no_text(first.command):
            return None
        if self.denies != denies(first.words):
            return None  # "no bold there" is not "bold on"
        fits = first.strange <= (plainly and lead >= FAR_LEAD)
        return first if fits and (plainly or likely) and lead >= SURE_LEAD else None


NOTHING = Asked(-math.inf)


def asked(sitting: Sitting, words: Sequence[str]) -> Asked:
    """What an utterance is likely to ask for; nothing of one that may as well be a sentence."""
    told = known().meant(tokens(sitting, words))
    if not 2 <= len(words) <= LONGEST or all(token in _NOTHING for token in told):
        return NOTHING
    said = addressed(told)
    found = likened(sitting, words) if said >= LEAST_ADDRESSED else []
    if not found or said + found[0].odds * _WORTH < LEAST_TOLD:
        return Asked(said)
    told_of = not OF_THE_DESK.isdisjoint(words)
    likely = tuple(one for one in found if one.odds >= LEAST_ODDS)
    return Asked(said, likely, told_of, not _BEING.isdisjoint(words), denies(words))


def denies(words: Sequence[str]) -> bool:
    """Whether words say that something is not to be, or is to end."""
    return not _DENYING.isdisjoint(words)


_DENYING = frozenset(
    "no not don't doesn't didn't isn't aren't can't cannot won't never without off stop end less"
    " nothing none except excluding".split()
)
_BEING = frozenset("is are was were isn't aren't".split())


def _changes_no_text(name: str) -> bool:
    traits = CATALOGUE.commands[name].traits
    return traits.light or traits.shows


_NOTHING = LITTLE | {NUMBER, COLOUR, ON_THE_PAGE}
"""Tokens that ask for nothing by themselves."""
LEAST_ADDRESSED, LEAST_TOLD, _WORTH = 0.5, 2.5, 0.25
"""From which on something is offered: of 240 sentences of prose on two pages, one reaches it."""
PLAINLY_ADDRESSED = 4.0
"""From which on somebody is told how to take the words out again; no prose reaches it."""
HELD_BACK = 4.7
"""From which on what begins as a request does is not written: none of 21,514 sentences of other
people that nothing was fitted to, and none of 2,000 that are made to sound like requests."""
HELD_BACK_WHERE_FULL = 0.6
"""The same, of what would go on with a cell or a heading that says something."""
LEAST_ODDS = -9.0
"""Below it, nothing that is known comes near."""
SURELY_ADDRESSED = 1.5
"""From which on what speaks of something that the desk has is surely said to it."""
SURE_ODDS, SURER_ODDS, SURE_LEAD, FAR_LEAD = 2.5, 5.0, 1.5, 6.0
"""From which on, and by how much likelier than the next, only one thing can be meant: the odds of
what is plainly said to the desk, and of what is likely to be."""


def likened(sitting: Sitting, words: Sequence[str], most: int = 3) -> list[Likened]:
    """The plain wordings that can be done here and may be meant, the likeliest first; of those that
    come to the same, one."""
    words = tuple(words)
    said = known().meant(tokens(sitting, words))
    ranked = known().ranked(said)
    named = fillers(sitting, words)
    ways = sorted(
        (
            filled._replace(odds=odds + filled.odds)
            for odds, request in ranked[:_MOST_REQUESTS]
            if odds >= ranked[0][0] - _FARTHEST
            for filled in _filled(request, words, said, named)
        ),
        reverse=True,
    )
    found: list[Likened] = []
    done: list[tuple[object, ...]] = []
    tried: set[Phrase] = set()
    for way in ways:
        enough = len(found) == most or len(tried) == _MOST_TRIED
        if enough or found and way.odds < found[0].odds - _FARTHEST:
            break
        if way.words in tried:
            continue
        tried.add(way.words)
        verdict = exactly(sitting, way.words, whole=False)
        if verdict.kind is not Judged.COMMAND or verdict.parse is None:
            continue
        command = verdict.parse.command
        comes_to = _comes_to(sitting, command, verdict.args or {})
        if command.name == way.command and comes_to not in done:
            done.append(comes_to)
            destroys = command.traits.destructive
            found.append(
                Likened(way.words, way.command, way.odds, destroys, way.names, way.strange)
            )
    return found


def _comes_to(sitting: Sitting, command: Command, args: dict[str, Any]) -> tuple[object, ...]:
    """What is told of two commands that do the same: what they leave, or where they would ask."""
    asks = any(isinstance(value, Places) and value.ask for value in args.values())
    if asks or not harmless(command.name):
        return command.name, args
    answer = command.handler(sitting, **args)
    if not isinstance(answer, Done):
        return command.name, args
    left = answer.sitting
    return left.document, left.caret, left.selection, left.view, answer.summary


class _Filled(NamedTuple):
    """A request with its slots filled: how well it fits, and what the one thing in it is called."""

    odds: float
    words: Phrase
    names: Phrase
    command: str
    strange: int


def _filled(
    request: Request, words: Phrase, said: Phrase, named: Sequence[Filler]
) -> Iterator[_Filled]:
    """A request with its slots filled from an utterance, in each likely way: what is said and has
    no part in it speaks against it."""
    parts = request.wording.split()
    slots = [part for part in parts if part.startswith("{")]
    most = _MOST_FILLED if len(slots) < _MANY else _MOST_OF_MANY
    choices = [_choices(slot, words, named)[:most] for slot in slots]
    told = known().of_commands[request.command]
    found: list[_Filled] = []
    for chosen in product(*choices):
        taken: set[int] = set()
        for _, filler in chosen:
            taken.update(range(filler.start, filler.end))
        if len(taken) < sum(filler.end - filler.start for _, filler in chosen):
            continue  # two of them share a word
        fit = sum(worth for worth, _ in chosen)
        fit -= _TURNED * sum(a.start > b.start for (_, a), (_, b) in pairwise(chosen))
        unheard = [
            i
            for i, word in enumerate(words)
            if i not in taken and word not in LITTLE and not told[word]
        ]
        fit -= sum(_LEFT_OUT if said[i] == ON_THE_PAGE else _UNHEARD for i in unheard)
        strange = sum(not told[said[i]] for i in unheard)
        fills = iter(chosen)
        plain = [(next(fills)[1].words if p.startswith("{") else (p,)) for p in parts]
        about = chosen[0][1].words if len(chosen) == 1 else ()
        spoken = tuple(word for phrase in plain for word in phrase)
        strange += _ANOTHER * len(_UNITS.intersection(words).difference(spoken))
        found.append(_Filled(fit, spoken, about, request.command, strange))
    yield from sorted(found, reverse=True)[:3]


_ANOTHER = 2
_UNITS = frozenset("word sentence line list table row column item cell".split())
"""A request that says nothing of one that was named is about something else."""
_TURNED, _LEFT_OUT, _UNHEARD = 0.5, 1.0, 0.4
"""What it costs to name two things the other way round, to leave out a word of the page, or one
that is not usual with the command."""
_OF_A_WORD, _OF_ANOTHER_KIND = 0.3, 0.5
_BEHIND, _AT_THE_END, _LITTLE_FIRST, _OF_A_LONG_ONE = 1.0, 1.0, 0.3, 0.3


def _choices(slot: str, words: Phrase, named: Sequence[Filler]) -> list[tuple[float, Filler]]:
    """What may fill a slot, with what it is worth; the best first."""
    found = list(_new(words)) if slot == NEW else []
    for filler in named:
        size = _OF_A_WORD * (filler.end - filler.start)
        if slot == f"{{{filler.kind}}}":
            found.append((size, filler))
        elif slot == "{part}" and filler.kind in ("row", "column"):
            found.append((size - _OF_ANOTHER_KIND, filler))
    return sorted(found, key=lambda row: -row[0])


def _new(words: Phrase) -> Iterator[tuple[float, Filler]]:
    """The stretches of an utterance that may be words to be written, or a name to be given."""
    for i in range(1, len(words)):
        for j in range(i + 1, min(len(words), i + _LONGEST_NEW) + 1):
            worth = _BEHIND * (words[i - 1] in _BEFORE_NEW) + _AT_THE_END * (j == len(words))
            worth -= _LITTLE_FIRST * (words[i] in LITTLE and words[i] not in _MAY_BE_FIRST)
            worth -= _OF_A_LONG_ONE * max(0, j - i - 2)
            yield worth, Filler(i, j, "new", words[i:j])


_BEFORE_NEW = frozenset(
    "to with as say says read reads called name named be at is into for".split()
)
_MAY_BE_FIRST = frozenset("the a an my".split())
