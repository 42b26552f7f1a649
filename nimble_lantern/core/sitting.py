"""advance(): the only way a sitting changes.

Pure: no clock, no database, no interface.  Replaying the events rebuilds the sitting.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from itertools import accumulate
from typing import Any

from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.composing import compose
from nimble_lantern.core.document import history
from nimble_lantern.core.document.edits import Edit
from nimble_lantern.core.document.history import Version
from nimble_lantern.core.document.model import Position
from nimble_lantern.core.effects import Effect
from nimble_lantern.core.errors import Refusal, WrongUse
from nimble_lantern.core.grammar.catalogue import Command
from nimble_lantern.core.reading import reader
from nimble_lantern.core.reading.decision import decide
from nimble_lantern.core.reading.hearing import Hearing
from nimble_lantern.core.state import (
    SETTING_CHOICES,
    Done,
    Entry,
    Question,
    Settings,
    Sitting,
    TurnOver,
)
from nimble_lantern.core.targets.model import Places
from nimble_lantern.core.targets.resolve import Missing, resolve

MOST_OPTIONS = 30
MOST_REMEMBERED = 200
"""Readings turned over that are remembered for the same words."""
_WRITES = frozenset({"writing.literal"})


@dataclass(frozen=True, slots=True)
class Heard:
    """Someone spoke."""

    hearing: Hearing


@dataclass(frozen=True, slots=True)
class Configured:
    """A setting was changed from outside."""

    name: str
    value: str


Event = Heard | Configured


@dataclass(frozen=True, slots=True)
class Outcome:
    """What an event came to.

    `versions` are those it made, in order; more than one where a walk through the history stands
    between ("... undo that"), so the last need not be the head.
    """

    sitting: Sitting
    versions: tuple[Version, ...]
    effects: tuple[Effect, ...]
    entry: Entry | None

    @property
    def edit(self) -> Edit:
        """What the last version changed in its parent; empty if none was made."""
        return self.versions[-1].edit if self.versions else Edit()


@dataclass
class _Turn:
    """One utterance being worked through."""

    sitting: Sitting
    caret: Position  # where the version begins that is being made
    pause: float = 0.0  # seconds of silence before it
    effects: list[Effect] = field(default_factory=list)
    kinds: list[str] = field(default_factory=list)
    commands: list[str] = field(default_factory=list)
    summaries: list[str] = field(default_factory=list)
    versions: list[Version] = field(default_factory=list)


def advance(sitting: Sitting, event: Event) -> Outcome:
    """The next sitting, what should happen outside, and the trail's line about it."""
    match event:
        case Configured(name, value):
            settings = configured(sitting.settings, name, value)
            return Outcome(replace(sitting, settings=settings), (), (), None)
        case Heard(hearing):
            return _heard(sitting, hearing)


def configured(settings: Settings, name: str, value: str) -> Settings:
    """Settings with one changed; WrongUse if there is no such setting or value."""
    if name not in SETTING_CHOICES:
        known = ", ".join(sorted(SETTING_CHOICES))
        raise WrongUse(f"There is no setting called {name!r}; there are {known}.")
    choices = SETTING_CHOICES[name]
    if value not in choices:
        raise WrongUse(f"{name} cannot be {value!r}; it can be {' or '.join(choices)}.")
    made: Any = value == "on" if choices == ("on", "off") else value
    return replace(settings, **{name: made})


def _heard(before: Sitting, hearing: Hearing) -> Outcome:
    number = before.number + 1
    start = replace(before, number=number, pending=Edit(), pending_inverse=Edit())
    turn = _Turn(start, before.caret, hearing.pause)
    decision = decide(start, hearing)
    phrases = decision.phrases
    words = tuple(w for p in phrases for w in p)
    if before.lamp != "lit":
        _rest(turn, words)
    elif not words:
        turn.kinds.append("ignored")
        turn.summaries.append("nothing was heard")
    elif decision.doubt:
        turn.kinds.append("unclear")
        heard = quoted(decision.heard)
        turn.summaries.append(f"{heard} not written: {decision.doubt}; “take it anyway” writes it")
    elif before.attention == "text":
        _text_only(turn, words)
    else:
        _read(turn, phrases)
    after = _committed(turn)
    entry = _entry(after, turn, decision.heard)
    final = replace(
        after,
        trail=(*after.trail, entry),
        previous=replace(before, previous=None, trail=()),
        phrases=tuple(tuple(p) for p in phrases),
    )
    return Outcome(final, tuple(turn.versions), tuple(turn.effects), entry)


def _entry(after: Sitting, turn: _Turn, heard: str) -> Entry:
    read_as = "+".join(dict.fromkeys(turn.kinds)) if turn.kinds else "ignored"
    if set(turn.kinds) == {"text", "command"}:
        read_as = "text+command"
    elif "unclear" in turn.kinds:
        read_as = "unclear"
    command = turn.commands[-1] if turn.commands else None
    summary = "; ".join(turn.summaries)
    version = after.history.head
    made = version is not None and version.utterance == after.number
    return Entry(after.number, heard, read_as, command, summary, version, made, after.page)


def _committed(turn: _Turn) -> Sitting:
    """With what is pending made a version of the history."""
    sitting = turn.sitting
    if not sitting.pending:
        return sitting
    history = sitting.history.commit(
        sitting.pending,
        sitting.pending_inverse,
        sitting.number,
        turn.caret,
        sitting.caret,
    )
    assert history.head is not None
    turn.versions.append(history.head)
    turn.sitting = replace(sitting, history=history, pending=Edit(), pending_inverse=Edit())
    return turn.sitting


def _rest(turn: _Turn, words: Sequence[str]) -> None:
    """Resting, only the waking phrase counts."""
    for parse in CATALOGUE.parses(words):
        if parse.command.while_resting:
            _run(turn, parse.command, parse.args)
            return
    turn.kinds.append("ignored")
    turn.summaries.append("not listening: “start listening” lights the lamp")


def _text_only(turn: _Turn, words: Sequence[str]) -> None:
    for parse in CATALOGUE.parses(words):
        if parse.command.name == "listening.both":
            _run(turn, parse.command, parse.args)
            return
    _write(turn, (words,))


def _read(turn: _Turn, phrases: Sequence[Sequence[str]]) -> None:
    """Work through the stretches of an utterance: each a command, or text."""
    words = tuple(w for p in phrases for w in p)
    remembered = dict(turn.sitting.overturned).get(" ".join(words))
    if remembered == "text":
        _write(turn, phrases)
        return
    parts = [words] if remembered else reader.stretches(phrases)
    if len(parts) == 1 and (pair := reader.two_commands(turn.sitting, words)):
        parts = list(pair)
    text: list[Sequence[str]] = []
    i = 0
    while i < len(parts):
        found = _command_at(turn, parts, i, text)
        if found is None:
            text.append(parts[i])
            i += 1
            continue
        end, verdict = found
        if text:
            _write(turn, text)
            text = []
        _obey(turn, verdict, [w for p in parts[i:end] for w in p])
        i = end
    if text:
        _write(turn, text)


def _command_at(
    turn: _Turn, parts: Sequence[Sequence[str]], i: int, text: Sequence[Sequence[str]]
) -> tuple[int, reader.Verdict] | None:
    """The longest command that begins at stretch `i`, with where it ends."""
    if text and not reader.may_follow(text[-1]):
        return None
    for end in range(len(parts), i, -1):
        words = [w for p in parts[i:end] for w in p]
        whole = i == 0 and end == len(parts)
        if not whole and not CATALOGUE.parses(words):
            continue
        state = turn.sitting
        if text and _held(state) is None:
            written = [w for part in text for w in part]
            state = compose(state, written, pauses(text), turn.pause).sitting
        verdict = reader.judge(state, words, whole)
        if verdict.kind == "text":
            continue
        command = verdict.parse.command if verdict.parse else None
        if not whole and command:
            if verdict.kind != "command" or command.name.startswith("writing."):
                continue
            if command.destructive and end < len(parts):
                continue
        return end, verdict
    return None


def pauses(parts: Sequence[Sequence[str]]) -> frozenset[int]:
    """How many words had been said at each pause; not at the end."""
    counts = accumulate(len(part) for part in parts[:-1])
    return frozenset(counts)


def _held(sitting: Sitting) -> tuple[str, str] | None:
    """Why text is not written just now: how the utterance is read, and what to say of it."""
    if sitting.attention == "commands":
        return "ignored", "commands only: not written"
    if sitting.question is not None:
        most = many(len(sitting.question.options), "place")
        return "unclear", f"not written: there are {most} to choose from; say a number"
    return None


def _write(turn: _Turn, parts: Sequence[Sequence[str]]) -> None:
    """Write stretches of text; where one ends, the speaker paused."""
    sitting = turn.sitting
    if held := _held(sitting):
        turn.kinds.append(held[0])
        turn.summaries.append(held[1])
        return
    words = [w for part in parts for w in part]
    wrote = compose(sitting, words, pauses(parts), turn.pause)
    turn.sitting = wrote.sitting
    turn.kinds.append("text")
    turn.summaries.append(f"wrote {quoted(wrote.text)}" if wrote.text.strip() else "wrote a break")


def _obey(turn: _Turn, verdict: reader.Verdict, words: Sequence[str]) -> None:
    assert verdict.parse is not None and verdict.args is not None
    command = verdict.parse.command
    if verdict.kind == "refused":
        turn.kinds.append("command")
        turn.commands.append(command.name)
        turn.summaries.append(str(verdict.refusal))
        return
    if verdict.kind == "unclear":
        _offer(turn, verdict)
        return
    if command.name == "writing.literal" and not _is_literal(turn.sitting, words):
        _write(turn, (words,))
        return
    _run(turn, command, verdict.args)


def _is_literal(sitting: Sitting, words: Sequence[str]) -> bool:
    """Whether "literal" is said to the desk, and is not itself a word of the text."""
    from nimble_lantern.core.writing.lexer import Manner, special

    rest = words[1:]
    if not rest:
        return False
    return special(rest, 0, Manner()) > 0 or reader.judge(sitting, rest, True).kind != "text"


def _run(turn: _Turn, command: Command, args: dict[str, Any]) -> None:
    """Do a command; or ask first, where a target stands in several places."""
    sitting = turn.sitting
    asked = _ambiguous(command, args)
    if asked:
        slot, places = asked
        turn.sitting = _asking(sitting, command, args, slot, places.ranges)
        turn.kinds.append("command")
        turn.commands.append(command.name)
        turn.summaries.append(f"which of {many(len(places.ranges), 'place')}? Say a number")
        return
    if command.walks:
        # Text spoken before "undo" in the same breath is a step of its own.
        sitting = _committed(turn)
    keeps = command.name.startswith("choosing.")
    answer = command.handler(sitting if keeps else replace(sitting, question=None), **args)
    writes = command.name in _WRITES
    turn.kinds.append("text" if writes else "command")
    if not writes:
        turn.commands.append(command.name)
    if isinstance(answer, Refusal):
        turn.summaries.append(str(answer))
        return
    if isinstance(answer, TurnOver):
        _turn_over(turn, answer.how)
        return
    assert isinstance(answer, Done)
    turn.sitting = answer.sitting
    if command.walks:
        turn.caret = answer.sitting.caret
    turn.effects += answer.effects
    turn.summaries.append(answer.summary)


def _turn_over(turn: _Turn, how: str) -> None:
    """Read the last utterance the other way, as if it had been read so at once.

    What it did stays in the tree of versions, off the path.
    """
    now = turn.sitting
    before = now.previous
    assert before is not None
    walk = history.go_to(now.history, now.document, now.caret, before.history.head)
    words = tuple(w for phrase in now.phrases for w in phrase)
    said = (" ".join(words), how)
    kept = tuple(pair for pair in now.overturned if pair[0] != said[0])[-MOST_REMEMBERED:]
    if how != "anyway":
        kept = (*kept, said)
    turn.sitting = replace(
        before,
        history=walk.history,
        number=now.number,
        trail=now.trail,
        lamp=now.lamp,
        overturned=kept,
    )
    turn.caret = before.caret
    if how == "anyway":
        turn.kinds.pop()
        turn.commands.pop()
        _read(turn, now.phrases)
        return
    if how == "text":
        quiet = replace(turn.sitting, question=None)
        wrote = compose(quiet, words, pauses(now.phrases), turn.pause)
        turn.sitting = wrote.sitting
        turn.summaries.append(f"as text: wrote {quoted(wrote.text)}")
        return
    verdict = reader.judge(turn.sitting, words, True, forced=True)
    if verdict.kind == "text":
        turn.summaries.append(f"no command is like {quoted(' '.join(words))}; it is taken out")
        return
    turn.kinds.pop()
    _obey(turn, verdict, words)


def _ambiguous(command: Command, args: dict[str, Any]) -> tuple[str, Places] | None:
    if command.name == "replacing.replace_everywhere":
        return None
    for slot, value in args.items():
        if isinstance(value, Places) and value.ask and len(value.ranges) > 1:
            return slot, value
    return None


def _asking(
    sitting: Sitting, command: Command, args: dict[str, Any], slot: str, ranges: Sequence[Any]
) -> Sitting:
    """With a question about the places nearest the writing place, numbered in document order."""
    kept = ranges
    if len(ranges) > MOST_OPTIONS:
        here = sitting.caret
        near = sorted(ranges, key=lambda r: abs(r.start.block - here.block))[:MOST_OPTIONS]
        kept = sorted(near)
    labels = tuple(_label(sitting, r) for r in kept)
    question = Question(command.name, args, slot, tuple((r,) for r in kept), labels, command.name)
    return replace(sitting, question=question)


def _label(sitting: Sitting, r: Any) -> str:
    """The words at a place, with a few on either side."""
    block = sitting.document.blocks[r.start.block]
    end = r.end.offset if r.end.block == r.start.block else len(block.text)
    start, stop = max(0, r.start.offset - 20), min(len(block.text), end + 20)
    left = "… " if start else ""
    right = " …" if stop < len(block.text) else ""
    return f"{left}{block.text[start:stop].strip()}{right}"


def _offer(turn: _Turn, verdict: reader.Verdict) -> None:
    """Almost a command: offer the words that come close, by number."""
    assert verdict.parse and verdict.args is not None and isinstance(verdict.refusal, Missing)
    near = verdict.refusal.near
    args = dict(verdict.args)
    for slot, value in list(args.items()):
        if slot == verdict.slot:
            args[slot] = Places(tuple(n.range for n in near), ask=True)
        elif not isinstance(value, (Places, tuple, int, str)):
            other = resolve(value, turn.sitting)
            if isinstance(other, Refusal):
                turn.kinds.append("unclear")
                turn.summaries.append(str(verdict.refusal))
                return
            args[slot] = other
    options = tuple((n.range,) for n in near)
    labels = tuple(n.text for n in near)
    name = verdict.parse.command.name
    question = Question(name, args, verdict.slot, options, labels, name)
    turn.sitting = replace(turn.sitting, question=question)
    turn.kinds.append("unclear")
    turn.commands.append(name)
    turn.summaries.append(str(verdict.refusal))


def undone(sitting: Sitting, entries: Sequence[Entry]) -> set[int]:
    """The numbers of those utterances whose change is not in the text now."""
    here = (e for e in entries if e.made and e.page == sitting.page)
    made = {e.version: e.number for e in here if e.version is not None}
    if not made:
        return set()
    lowest = min(v.depth for v in made)
    left = set(made)
    for version in sitting.history.path():
        if version.depth < lowest:
            break
        left.discard(version)
    return {made[v] for v in left}
