"""Which commands an utterance comes near that is none: what the desk may offer beside the text.

Each pattern of the catalogue is spoken in the words of the utterance as far as they reach: of its
alternatives the one that was said is taken, its target is whatever of the utterance stands in the
text, what is left over is written.  A wording so made is an offer if it is a command on this page;
the fewer telling words it leaves out or puts in, the nearer it is (term weights after Spaerck
Jones, "A statistical interpretation of term specificity", 1972).
"""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Iterator, Sequence, Set
from dataclasses import dataclass, replace
from functools import cache, lru_cache
from typing import Any

from nimble_lantern.core.document.layout import LineIndex
from nimble_lantern.core.document.model import Document, Position, Range
from nimble_lantern.core.document.tables import rows_between
from nimble_lantern.core.grammar import notation
from nimble_lantern.core.grammar.catalogue import CATALOGUE
from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.lexicon.closed import LITTLE, SUBJECT_PRONOUNS
from nimble_lantern.core.lexicon.desk import PLAIN_VERBS, SPOKEN_OF, TRADE_NOUNS, TRADE_VERBS
from nimble_lantern.core.lexicon.meanings import MEANINGS
from nimble_lantern.core.reading.addressing import barest
from nimble_lantern.core.reading.exactly import exactly
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Places, That, Units, Words
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.targets.words import Vocabulary, places
from nimble_lantern.core.writing.cardinals import cardinal

MOST_OFFERS = 3
_MOST_WORDS = 14
_MOST_SPANS, _MOST_COMMANDS, _MOST_WAYS, _MOST_TRIED = 3, 8, 3, 12
_MOST_PATTERNS = 10
"""Of one command, that are tried."""
_ROUND_HERE = 60
"""Paragraphs on either side in which words are looked for."""
_MEANT = 0.8
"""What a word counts that means the same, of its own weight."""
_FARTHER = 0.25
"""Below the best offer, from which another is not worth reading."""
_LEAST_LIKE = 0.5
"""Of the telling words' weight, what an offer has to cover."""
_ADDED = 0.35
"""What a word costs that the offer puts in, for each unit of its weight."""


@dataclass(frozen=True, slots=True)
class Offer:
    """A wording that is a command here; `likeness` from 0 to 1."""

    words: tuple[str, ...]
    command: str
    likeness: float
    destructive: bool
    names: tuple[str, ...] = ()  # those of its words that name a target on the page
    learns: bool = True  # whether taking it makes what was said a wording of it


@dataclass(frozen=True, slots=True)
class _Heard:
    """What of an utterance may fill which slot: a target, a number, words to write."""

    words: tuple[str, ...]
    target: tuple[str, ...]
    rest: tuple[str, ...]
    text: tuple[str, ...]


def addressed(sitting: Sitting, words: Sequence[str]) -> bool:
    """Whether an utterance is plainly said to the desk: a verb of the trade, and what it takes."""
    bare = barest(words)
    if not 2 <= len(bare) <= _MOST_WORDS or any(w in SUBJECT_PRONOUNS for w in bare):
        return False
    first, rest = bare[0], bare[1:]
    trade = sum(w in TRADE_NOUNS or w in TRADE_VERBS for w in rest)
    of_it = any(w in SPOKEN_OF for w in rest)
    looks = any(set(MEANINGS.get(w, ())) & TRADE_NOUNS for w in rest)
    verb = first in PLAIN_VERBS or bool(set(MEANINGS.get(first, ())) & (PLAIN_VERBS | TRADE_VERBS))
    if first in TRADE_VERBS:
        return trade > 0 or of_it or len(bare) <= 6
    if verb and trade:
        return True
    # "Make ferry fat", where the ferry stands: a look, and what it is for.
    return verb and looks and len(bare) <= 6 and bool(_spans(sitting, rest))


def offers(sitting: Sitting, words: Sequence[str], most: int = MOST_OFFERS) -> list[Offer]:
    """The nearest commands that can be done here, the likeliest first."""
    bare = barest(words)
    sitting = round_here(sitting)
    wordings: dict[tuple[str, ...], tuple[float, tuple[str, ...], str]] = {}
    for heard in _readings(sitting, bare):
        speaker = _Speaker(heard)
        for name in _nearest_commands(heard):
            for said in speaker.wordings(name):
                likeness = _likeness(bare, said)
                if likeness >= _LEAST_LIKE and said != tuple(words):
                    kept = (likeness, heard.target, name)
                    wordings[said] = max(kept, wordings.get(said, kept))
    found: dict[str, Offer] = {}
    ranked = sorted(wordings.items(), key=lambda row: (-row[1][0], len(row[0])))
    for said, (likeness, names, made_for) in ranked[:_MOST_TRIED]:
        if len(found) == most or found and likeness < ranked[0][1][0] - _FARTHER:
            break
        if made_for in found:
            continue
        verdict = exactly(sitting, said, whole=False)
        if verdict.kind is not Judged.COMMAND or verdict.parse is None:
            continue
        command = verdict.parse.command
        if command.name not in found:
            found[command.name] = Offer(
                said, command.name, likeness, command.traits.destructive, names
            )
    return list(found.values())


def asked(sitting: Sitting, words: Sequence[str]) -> list[Offer]:
    """The nearest commands to an utterance that may be said to the desk; none to others."""
    bare = barest(words)
    told = 0 < len(bare) <= _MOST_WORDS and bare[0] in TRADE_VERBS
    return offers(sitting, words) if told or addressed(sitting, words) else []


def surely(found: Sequence[Offer], words: Sequence[str]) -> tuple[str, ...] | None:
    """The wording of a harmless command that differs from what was said in nothing that tells.

    "Delete" and its like are never done so: they are offered.
    """
    bare = barest(words)
    if not found or found[0].likeness < _SURE_LIKE or not harmless(found[0].command):
        return None
    if found[1:] and found[1].likeness > found[0].likeness - _FARTHER / 2:
        return None
    said = found[0].words
    return said if _tells_the_same(bare, said) else None


def harmless(name: str) -> bool:
    """Whether a command takes no text away and writes none."""
    command = CATALOGUE.commands[name]
    traits = command.traits
    if ".typing" in name or name.endswith(("_on", "_off")) and name.startswith("marks."):
        return False  # it would run on into the words that come next
    changes = traits.destructive or traits.writes or traits.walks or traits.moves
    if traits.light:
        return True
    writes = any(slot in pattern for pattern in command.patterns for slot in _WRITTEN)
    looks = traits.shows or name.split(".")[0] in _LOOKED_AT
    return looks and not changes and not writes


_LOOKED_AT = frozenset("marks faces blocks selecting moving looking aloud".split())
"""Families that only go somewhere, select, read, or change how words look."""
_WRITTEN = ("{text", "{words", "{letter")
_SURE_LIKE = 0.85


def _tells_the_same(words: Sequence[str], others: Sequence[str]) -> bool:
    """Whether the words that tell something are the same in the same order, or mean the same."""
    mine, theirs = ([w for w in some if w not in LITTLE] for some in (words, others))
    return len(mine) == len(theirs) and all(
        a == b or b in MEANINGS.get(a, ()) or a in MEANINGS.get(b, ())
        for a, b in zip(mine, theirs, strict=True)
    )


def explained(sitting: Sitting, asked: Sequence[str], most: int = MOST_OFFERS) -> list[Offer]:
    """The commands that a question for help is about, each as it could be said of this page."""
    sitting = round_here(sitting)
    known = _known()[0]
    words = tuple(
        w[:-1] if w not in known and w.endswith("s") and w[:-1] in known else w
        for w in asked
        if w not in _ASKING
    )
    here = _something_here(sitting)
    rest = _Heard(words, here, words, ())
    speaker, found = _Speaker(rest), dict[str, Offer]()
    about = _about(words)
    for name in _nearest_commands(rest, about):
        command = CATALOGUE.commands[name]
        example = tuple(command.example.split())
        said = example
        if not _can_be_done(sitting, example):
            said = next((w for w in speaker.wordings(name) if _can_be_done(sitting, w)), example)
        ways = (said, _of_help(command.summary), *speaker.wordings(name))
        likeness = max(_likeness(words, way) for way in ways)
        found[name] = Offer(said, name, likeness, command.traits.destructive)
    ranked = sorted(found.values(), key=lambda o: -o.likeness)[:most]
    return [o for o in ranked if o.likeness >= max(0.2, ranked[0].likeness - 2 * _FARTHER)]


_ASKING = frozenset("a an the some my i you we to do can it this that of in on for with".split())


def _can_be_done(sitting: Sitting, words: tuple[str, ...]) -> bool:
    return exactly(sitting, words, whole=False).kind is Judged.COMMAND


def _something_here(sitting: Sitting) -> tuple[str, ...]:
    """What an example may be about: the last sentence, or what is selected."""
    return ("that",) if sitting.selection is not None else ("the", "last", "sentence")


def _about(words: Sequence[str]) -> Counter[str]:
    """How far each command's help speaks of the words."""
    scores: Counter[str] = Counter()
    meant = _meant(words)
    for name, command in CATALOGUE.commands.items():
        for word in _of_help(command.summary):
            if word in meant and word not in LITTLE:
                scores[name] += int(600 * _weight(word))
    return scores


@cache
def _of_help(summary: str) -> tuple[str, ...]:
    words = "".join(c if c.isalnum() or c == " " else " " for c in summary.lower()).split()
    return tuple(w for w in words if w not in LITTLE)


def _readings(sitting: Sitting, words: tuple[str, ...]) -> Iterator[_Heard]:
    """The utterance with this or that part of it taken for the target, and with none."""
    for i, j in _spans(sitting, words):
        rest = (*words[:i], *words[j:])
        yield _Heard(words, words[i:j], rest, _to_write(words, i, j))
    yield _Heard(words, (), words, ())


def _spans(sitting: Sitting, words: tuple[str, ...]) -> list[tuple[int, int]]:
    """Where words stand that name a target of this page, the most telling first."""
    found: list[tuple[float, int, int]] = []
    match = CATALOGUE.grammar.match(words)
    for i in range(len(words)):
        tried: dict[Any, bool] = {}
        for reading in match.at("target", i):
            j, target = reading.end, reading.value
            if words[j - 1] in LITTLE and words[j - 1] not in SPOKEN_OF:
                continue
            if isinstance(target, Words) and _NO_THING.issuperset(target.words):
                continue
            if target not in tried:
                tried[target] = _stands(sitting, target)
            if tried[target]:
                weight = 0.5 + sum(_weight(w) for w in words[i:j] if w not in LITTLE)
                found.append((weight * (1.5 if isinstance(target, Units) else 1.0), i, j))
    found.sort(key=lambda row: (-row[0], row[1] - row[2]))
    kept: list[tuple[int, int]] = []
    for _, i, j in found:
        if not any(a <= i and j <= b for a, b in kept):
            kept.append((i, j))
    return kept[:_MOST_SPANS]


_NO_THING = (
    LITTLE
    | PLAIN_VERBS
    | TRADE_VERBS
    | frozenset("what what's who who's which how where when why through over about".split())
)
"""Where they stand on the page, nobody speaks of them: "what's in the first paragraph"."""


def _stands(sitting: Sitting, target: Any) -> bool:
    if isinstance(target, Units):
        return True  # whether there are so many, the offer's own reading tells
    if not isinstance(target, Words):
        return isinstance(target, That) and isinstance(resolve(target, sitting, False), Places)
    return bool(places(sitting.document, target.words, None, sitting.vocabulary))


def round_here(sitting: Sitting) -> Sitting:
    """The sitting with the paragraphs round the writing place alone: the rest would cost time.

    Of a long table the rows round it are kept, and the headings.
    """
    blocks, here = sitting.document.blocks, sitting.caret.block
    low, high = max(0, here - _ROUND_HERE), min(len(blocks), here + _ROUND_HERE)
    if low == 0 and high == len(blocks):
        return sitting
    kept, low, high = rows_between(blocks, low, high)
    moved = low - (len(kept) - (high - low))

    def there(r: Range) -> Range | None:
        if r.start.block < low or r.end.block >= high:
            return None
        return Range(*(Position(p.block - moved, p.offset) for p in r))

    return replace(
        sitting,
        document=Document(kept),
        caret=Position(here - moved, sitting.caret.offset),
        selection=there(sitting.selection) if sitting.selection else None,
        that=tuple(m for r in sitting.that if (m := there(r))),
        insertion=None,
        wrote=None,
        stopped=None,
        headed=None,
        choices=(),
        known=Vocabulary(),
        lines=LineIndex(),
    )


def _to_write(words: tuple[str, ...], i: int, j: int) -> tuple[str, ...]:
    """The words that may be meant to be written: those after "to", "with", "as" or "say"."""
    for n in range(len(words) - 1):
        if words[n] in ("to", "with", "as", "say", "by", "into") and not i <= n < j:
            after = words[n + 1 :] if n + 1 >= j else words[n + 1 : i]
            if after:
                return after
    return ()


@cache
def _known() -> tuple[dict[str, frozenset[str]], dict[str, float]]:
    """For each word of the catalogue, the commands it is said in, and how telling it is."""
    used: dict[str, set[str]] = {}
    for name, command in CATALOGUE.commands.items():
        for pattern in command.patterns:
            for word in _words_of(_tree(pattern)):
                used.setdefault(word, set()).add(name)
    total = len(CATALOGUE.commands)
    weights = {w: math.log(1 + total / len(names)) for w, names in used.items()}
    return {w: frozenset(names) for w, names in used.items()}, weights


def words_said() -> Set[str]:
    """The words of the catalogue's patterns."""
    return _known()[0].keys()


@cache
def _said_in(pattern: str) -> frozenset[str]:
    return frozenset(w for w in _words_of(_tree(pattern)) if w not in LITTLE)


@cache
def _sayable(pattern: str) -> frozenset[str]:
    """All words that a pattern may be said with, but for those that its speaker chooses."""
    return frozenset(_words_of(_tree(pattern), _CHOSEN, None))


_CHOSEN = frozenset("target text words number position".split())


@cache
def _of_rule(rule: str) -> tuple[frozenset[str], bool]:
    """The words that a rule may be said with, and whether they are all it takes."""
    within, left = {rule}, [rule]
    while left:
        for production in CATALOGUE.grammar.productions.get(left.pop(), ()):
            slots = _slots(_tree(production.pattern))
            left += (new := slots - within)
            within |= new
    closed = all(r in CATALOGUE.grammar.productions and r not in _CHOSEN for r in within)
    return frozenset(_words_of(notation.Slot(rule, None), _CHOSEN, None)), closed


_Unsaid = tuple[frozenset[str], tuple[str, ...] | None]
_closed: dict[int, _Unsaid | None] = {}
"""By the identity of a group, as the trees of patterns are kept for good."""


def _unchosen(choice: notation.Choice) -> _Unsaid | None:
    """The words of a group of a pattern that takes no others, and how it is said of which none
    was; None for other groups."""
    if id(choice) not in _closed:
        rules = _slots(choice)
        closed = not rules & _CHOSEN and all(
            rule in CATALOGUE.grammar.productions and _of_rule(rule)[1] for rule in rules
        )
        _closed[id(choice)] = None
        if closed:
            said = _Speaker(_Heard((), (), (), ())).chosen(choice)
            _closed[id(choice)] = frozenset(_words_of(choice, _CHOSEN, None)), said
    return _closed[id(choice)]


def _slots(node: notation.Node) -> set[str]:
    match node:
        case notation.Slot(rule, _):
            return {rule}
        case notation.Sequence(parts) | notation.Choice(parts):
            return {slot for part in parts for slot in _slots(part)}
    return set()


@cache
def _unsaid(rule: str) -> tuple[str, ...] | None:
    """How a rule is said of which no word was."""
    return _Speaker(_Heard((), (), (), ())).filled(rule)


def _weight(word: str) -> float:
    if word in LITTLE:
        return 0.1
    weight = _known()[1].get(word)
    return 1.5 if weight is None else weight


_FILLED = frozenset(
    "target text words number position part reach endpoint bound counted unit units".split()
    + ["order", "of"]
)
_MOST_PRODUCTIONS = 12


def _words_of(
    node: notation.Node,
    filled: frozenset[str] = _FILLED,
    most: int | None = _MOST_PRODUCTIONS,
) -> Iterator[str]:
    """The words of a pattern and of so many ways to say each rule in it, but for those `filled`."""
    left, seen = [node], set(filled)
    while left:
        match left.pop():
            case notation.Word(text):
                yield text
            case notation.Sequence(parts) | notation.Choice(parts):
                left += parts
            case notation.Slot(rule, _) if rule not in seen and rule not in CATALOGUE.named:
                seen.add(rule)
                productions = CATALOGUE.grammar.productions.get(rule, ())[:most]
                left += (_tree(production.pattern) for production in productions)


def _meant(words: Sequence[str]) -> Counter[str]:
    """The words, and those of the desk that mean the same."""
    return Counter(m for w in words for m in (w, *MEANINGS.get(w, ())))


def _nearest_commands(heard: _Heard, besides: Counter[str] | None = None) -> list[str]:
    commands, weights = _known()
    scores: Counter[str] = Counter(besides or {})
    for word in heard.rest:
        if word in LITTLE:
            continue
        best: dict[str, float] = {}
        for meant, share in ((word, 1.0), *((m, _MEANT) for m in MEANINGS.get(word, ()))):
            for name in commands.get(meant, ()):
                best[name] = max(best.get(name, 0.0), share * weights[meant])
        for name, weight in best.items():
            scores[name] += int(1000 * weight)
    order = {name: n for n, name in enumerate(CATALOGUE.commands)}
    ranked = sorted(scores, key=lambda name: (-scores[name], order[name]))
    return ranked[:_MOST_COMMANDS]


class _Speaker:
    """Says patterns in the words of one reading of an utterance, as far as they reach."""

    def __init__(self, heard: _Heard) -> None:
        self.heard, self.said = heard, frozenset(heard.rest)
        self.meant = frozenset(_meant(heard.rest))
        filled = {*heard.target, *heard.text, *(_number(heard.rest) or ())}
        telling = [w for w in heard.words if w not in filled]
        self._to_cover = [(_weight(w), (w, *MEANINGS.get(w, ()))) for w in telling]
        self._filled = sum(_weight(w) for w in heard.words if w in filled)
        self._whole = self._filled + sum(weight for weight, _ in self._to_cover)
        self._kept: dict[str, tuple[str, ...] | None] = {}
        self._worth: dict[str, float] = {}

    def wordings(self, name: str) -> Iterator[tuple[str, ...]]:
        """A command's patterns, those that share most with what was said first."""
        ranked: list[tuple[float, tuple[str, ...]]] = []
        for pattern in self._likeliest(CATALOGUE.commands[name].patterns):
            if not self._reaches(pattern):
                continue
            words = self._say(_tree(pattern))
            if words:
                ranked.append((_likeness(self.heard.words, words), words))
        ranked.sort(key=lambda row: -row[0])
        yield from dict.fromkeys(words for _, words in ranked[:_MOST_WAYS])

    def _reaches(self, pattern: str) -> bool:
        """Whether enough of what was said can be in a wording made of this pattern."""
        sayable = _sayable(pattern)
        covered = sum(weight for weight, meant in self._to_cover if not sayable.isdisjoint(meant))
        return self._filled + covered >= _LEAST_LIKE * self._whole

    def _likeliest(self, patterns: Sequence[str]) -> Sequence[str]:
        """Of many patterns those that can share most with what was said, the usual ones first."""
        if len(patterns) <= _MOST_PATTERNS:
            return patterns
        shared = {p: sum(_weight(w) for w in _said_in(p) & self.meant) for p in patterns}
        kept = set(sorted(patterns, key=lambda p: -shared[p])[:_MOST_PATTERNS])
        return [p for p in patterns if p in kept]

    def _say(self, node: notation.Node) -> tuple[str, ...] | None:
        """One way to say it; None if it cannot be said in these words."""
        match node:
            case notation.Word(text):
                return (text,)
            case notation.Sequence(parts):
                made: tuple[str, ...] = ()
                for part in parts:
                    words = self._say(part)
                    if words is None:
                        return None
                    made += words
                return made
            case notation.Choice():
                unsaid = _unchosen(node)
                if unsaid is not None and unsaid[0].isdisjoint(self.meant):
                    return unsaid[1]
                return self.chosen(node)
            case notation.Slot(rule, _):
                if rule not in self._kept:
                    self._kept[rule] = None  # a rule in itself is said without it
                    sayable, closed = _of_rule(rule)
                    none_said = closed and sayable.isdisjoint(self.meant)
                    self._kept[rule] = _unsaid(rule) if none_said else self.filled(rule)
                return self._kept[rule]

    def chosen(self, node: notation.Choice) -> tuple[str, ...] | None:
        """The alternative that says most of what was said."""
        ways = [w for o in node.options if (w := self._say(o)) is not None]
        if not ways:
            return None
        best = max(ways, key=self._shared)
        return () if () in ways and self._shared(best) <= 0.2 else best

    def filled(self, rule: str) -> tuple[str, ...] | None:
        """What was heard for a rule; else the likest way to say it."""
        if rule == "target":
            return self.heard.target or None
        if rule in ("text", "words"):
            return self.heard.text or None
        if rule in ("number", "position"):
            return _number(self.heard.rest)
        if rule in CATALOGUE.named or rule in CATALOGUE.grammar.terminals:
            return None
        productions = CATALOGUE.grammar.productions[rule]
        ways = [w for p in productions if (w := self._say(_tree(p.pattern))) is not None]
        return max(ways, key=self._shared, default=None)

    def _shared(self, words: Sequence[str]) -> float:
        """The weight of the words that were said, less that of those that were not.

        All that only mean the same count alike, so that the first way to say it is taken.
        """
        worth, total = self._worth, 0.0
        for word in words:
            if (value := worth.get(word)) is None:
                value = worth[word] = self._worth_of(word)
            total += value
        return total

    def _worth_of(self, word: str) -> float:
        if word in self.said:
            return _weight(word)
        return 1.0 if word in self.meant else -0.2 * _weight(word)


_tree = cache(notation.parse)


def _number(words: Sequence[str]) -> tuple[str, ...] | None:
    for i in range(len(words)):
        found = cardinal(words, i)
        if found:
            return tuple(words[i : found[1]])
    return None


def _likeness(words: Sequence[str], made: Sequence[str]) -> float:
    """How much of what was said is in a wording, less what was put into it; from 0 to 1."""
    said, whole, meant = _said_as(tuple(words))
    there = Counter(made)
    kept = 0.0
    for word, count in said.items():
        same = there[word] or any(there[m] for m in MEANINGS.get(word, ()))
        kept += _weight(word) * count * bool(same)
    added = sum(_weight(w) * max(0, n - max(said[w], meant[w] > 0)) for w, n in there.items())
    turned = sum(w in _TURNS and not said[w] for w in there)
    turned += sum(w in _TURNS and not there[w] for w in said)
    return max(0.0, (kept - _ADDED * added) / whole - _TURNED * turned)


@lru_cache(maxsize=64)
def _said_as(words: tuple[str, ...]) -> tuple[Counter[str], float, Counter[str]]:
    """The words, the weight of all of them, and what they mean; read only."""
    said = Counter(words)
    return said, sum(_weight(w) * n for w, n in said.items()) or 1.0, _meant(words)


_TURNS = frozenset("not no off without un never but except".split())
_TURNED = 0.4
"""What it costs to put in a word that turns the meaning round, or to leave one out."""
