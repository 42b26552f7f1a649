"""Text or command: from what parses, what exists, and where the pauses are."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Named, Parse
from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.lexicon.closed import PREPOSITIONS
from nimble_lantern.core.lexicon.manners import LEADS, TAILS
from nimble_lantern.core.lexicon.sentences import NEVER_LAST
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Places, That, Words, is_target
from nimble_lantern.core.targets.names import look_up
from nimble_lantern.core.targets.names import near as near_names
from nimble_lantern.core.targets.resolve import Absent, Missing, resolve

_MARK_ENDS = (("full", "stop"), ("question", "mark"), ("exclamation", "mark"), ("period",))
_MOST_WORDS_OF_A_SLIP = 6


@dataclass(frozen=True, slots=True)
class Verdict:
    """How a stretch of words is read."""

    kind: Judged
    parse: Parse | None = None
    args: dict[str, Any] | None = None
    refusal: Refusal | None = None
    slot: str = ""


TEXT = Verdict(Judged.TEXT)


def judge(sitting: Sitting, words: Sequence[str], whole: bool, forced: bool = False) -> Verdict:
    """How `words` are read; `whole` if they are all of the utterance.

    `forced` where the speaker says it is a command: then it is refused rather than text.
    """
    parses = [p for p in CATALOGUE.parses(words) if _fits(sitting, p)]
    found = _best(sitting, parses, near=False)
    if found.kind is Judged.COMMAND:
        return found
    if sitting.selection is not None and sitting.fresh and len(words) <= 2 and whole:
        # With words selected, "bold" alone is said of them.
        said_of_them = _best(sitting, CATALOGUE.parses((*words, "that")), near=False)
        if said_of_them.kind is Judged.COMMAND:
            return said_of_them
    if sitting.question is not None and whole:
        # While something is asked, the words of one option alone choose it: "friday's ferry".
        chosen = _best(
            sitting,
            [p for p in CATALOGUE.parses(("take", *words)) if _fits(sitting, p)],
            near=False,
        )
        if chosen.kind is Judged.COMMAND:
            return chosen
    # Only where nothing fits exactly does it pay to look for what comes near.
    missed: list[Verdict] = []
    refused = found if found.kind is Judged.REFUSED else None
    if refused is None and len(words) <= _MOST_WORDS_OF_A_SLIP * 2:
        nearest = _best(sitting, parses, near=True, missed=missed)
        if nearest.kind is Judged.COMMAND:
            return nearest
    bare = _without_manners(words) if whole else words
    if len(bare) < len(words):
        plain = judge(sitting, bare, whole, forced)
        if _plainly_asked(plain, bare):
            return plain
    if refused and whole:
        return refused
    slip = _slip(missed, words) if whole else TEXT
    return missed[0] if forced and slip is TEXT and missed else slip


def _best(
    sitting: Sitting, parses: Sequence[Parse], near: bool, missed: list[Verdict] | None = None
) -> Verdict:
    """The best of the parses whose targets can be found; else a literal one that is refused."""
    best: tuple[tuple[int, int, int], Verdict] | None = None
    refused = TEXT
    known: dict[Any, Any] = {}
    for parse in parses:
        verdict = _resolved(sitting, parse, known, near)
        if verdict.kind is Judged.COMMAND and not _suits(sitting, parse, verdict):
            continue
        if verdict.kind is Judged.COMMAND:
            if parse.free == 0:
                return verdict
            key = (_nearness(verdict), -_target_words(parse), parse.free)
            if best is None or key < best[0]:
                best = key, verdict
        elif isinstance(verdict.refusal, Absent):
            # "The table" is a thing of the room where no table is in the text.
            continue
        elif isinstance(verdict.refusal, Missing):
            if missed is not None:
                missed.append(verdict)
        elif refused is TEXT and parse.free == 0:
            refused = verdict
    return best[1] if best else refused


def _plainly_asked(verdict: Verdict, words: Sequence[str]) -> bool:
    """Whether a request is surely one: "please bold the ferry", and not "please put it back"."""
    if verdict.kind not in (Judged.COMMAND, Judged.REFUSED) or verdict.parse is None:
        return False
    if words[0] in ("undo", "redo"):
        return True
    targets = [v for v in verdict.parse.args.values() if is_target(v)]
    named = any(not isinstance(t, That) for t in targets)
    return named or bool(targets) and not verdict.parse.command.traits.destructive


def _suits(sitting: Sitting, parse: Parse, verdict: Verdict) -> bool:
    """Whether words said of whole paragraphs are a whole paragraph's: not "number the steps"."""
    if not parse.command.traits.of_blocks or not isinstance(parse.args.get("target"), Words):
        return True
    places = (verdict.args or {}).get("target")
    blocks = sitting.document.blocks
    return isinstance(places, Places) and all(
        r.end.offset - r.start.offset > len(blocks[r.start.block].text) / 2 for r in places.ranges
    )


def _without_manners(words: Sequence[str]) -> Sequence[str]:
    """A request without the words that only make it polite: "could you ... please"."""
    for lead in LEADS:
        if tuple(words[: len(lead)]) == lead and len(words) > len(lead):
            words = words[len(lead) :]
            break
    for tail in TAILS:
        if tuple(words[-len(tail) :]) == tail and len(words) > len(tail):
            words = words[: -len(tail)]
    return words


def _fits(sitting: Sitting, parse: Parse) -> bool:
    if parse.command.traits.answers and sitting.question is None:
        return False
    return parse.makes_sense(sitting)


def _resolved(sitting: Sitting, parse: Parse, known: dict[Any, Any], near: bool) -> Verdict:
    """A parse with its targets looked up."""
    args: dict[str, Any] = {}
    for slot, value in parse.args.items():
        if is_target(value):
            if value not in known:
                known[value] = resolve(value, sitting, near)
            found = known[value]
            if isinstance(found, Refusal):
                return Verdict(Judged.REFUSED, parse, parse.args, found, slot)
            args[slot] = found
        elif isinstance(value, Named):
            there = CATALOGUE.named[value.kind].of(sitting)
            name = look_up(value.words, there)
            if name is None:
                what = f"Nothing is called “{' '.join(value.words)}”."
                close = tuple(near_names(value.words, there))
                hint = f"Did you mean “{close[0]}”?" if close else ""
                missing = Missing(what, "", hint, value.words, names=close)
                return Verdict(Judged.REFUSED, parse, parse.args, missing, slot)
            args[slot] = name
        else:
            args[slot] = value
    return Verdict(Judged.COMMAND, parse, args)


def _nearness(verdict: Verdict) -> int:
    assert verdict.args is not None
    return sum(1 for v in verdict.args.values() if isinstance(v, Places) and v.near)


def _target_words(parse: Parse) -> int:
    return sum(len(v.words) for v in parse.args.values() if isinstance(v, Words))


def _slip(missed: list[Verdict], words: Sequence[str]) -> Verdict:
    """Almost a command: its words are not in the text, but some like them are."""
    if len(words) > _MOST_WORDS_OF_A_SLIP or words[1:2] and words[1] in PREPOSITIONS:
        return TEXT
    close = [
        v
        for v in missed
        if isinstance(v.refusal, Missing) and v.refusal.near and _names_words(v)
        if v.parse is not None and not v.parse.command.traits.of_blocks
    ]
    if not close:
        return TEXT

    def likeness(verdict: Verdict) -> float:
        assert isinstance(verdict.refusal, Missing)
        return verdict.refusal.near[0].likeness

    best = max(close, key=likeness)
    return Verdict(Judged.UNCLEAR, best.parse, best.args, best.refusal, best.slot)


def _names_words(verdict: Verdict) -> bool:
    return verdict.args is not None and isinstance(verdict.args.get(verdict.slot), Words)


def stretches(phrases: Sequence[Sequence[str]]) -> list[tuple[str, ...]]:
    """The phrases of an utterance, cut further where a spoken stop ends a sentence."""
    found: list[tuple[str, ...]] = []
    for phrase in phrases:
        start = 0
        for i in range(1, len(phrase)):
            ended = any(tuple(phrase[max(start, i - len(m)) : i]) == m for m in _MARK_ENDS)
            if ended and i - start > 2:
                found.append(tuple(phrase[start:i]))
                start = i
        found.append(tuple(phrase[start:]))
    return [f for f in found if f]


def may_follow(text: Sequence[str]) -> bool:
    """Whether a command may come right after this text in one breath."""
    return not text or text[-1] not in NEVER_LAST


def two_commands(
    sitting: Sitting, words: Sequence[str]
) -> tuple[tuple[str, ...], tuple[str, ...]] | None:
    """Two commands joined by "and" or "then", where the whole is none: "bold a and delete b"."""
    links = [i for i, w in enumerate(words) if w in ("and", "then") and 0 < i < len(words) - 1]
    links = [i for i in links if CATALOGUE.may_begin(words[i + 1]) or words[i + 1] == "then"]
    if not links or not CATALOGUE.may_begin(words[0]):
        return None
    if judge(sitting, words, whole=True).kind is not Judged.TEXT:
        return None
    for i in links:
        rest = i + 2 if words[i : i + 2] in (("and", "then"), ["and", "then"]) else i + 1
        first, second = tuple(words[:i]), tuple(words[rest:])
        if second and all(_sure(sitting, part) for part in (first, second)):
            return first, second
    return None


def _sure(sitting: Sitting, words: Sequence[str]) -> bool:
    verdict = judge(sitting, words, whole=True)
    return verdict.kind is Judged.COMMAND and verdict.parse is not None and verdict.parse.free < 6
