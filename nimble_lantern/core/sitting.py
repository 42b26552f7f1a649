"""advance(): the only way a sitting changes.

Pure: no clock, no database, no interface.  Replaying the events rebuilds the sitting.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from datetime import datetime

from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.document.edits import Edit
from nimble_lantern.core.document.history import Version
from nimble_lantern.core.doubts import doubted
from nimble_lantern.core.effects import (
    BringBack,
    CopyDocument,
    DropEmptyDocument,
    Effect,
    ForgetVoice,
    KnowVoice,
    NameDocument,
    NewDocument,
    OpenDocument,
    Prompt,
    PutAway,
    ReadAloud,
    SaveSetting,
    Say,
)
from nimble_lantern.core.hints import hints
from nimble_lantern.core.kinds import Attention, Lamp, ReadAs
from nimble_lantern.core.practice.watching import watched
from nimble_lantern.core.reading.decision import decide
from nimble_lantern.core.reading.hearing import Hearing
from nimble_lantern.core.settings import configured, setting_text
from nimble_lantern.core.speaking.answers import answer
from nimble_lantern.core.state import Entry, Sitting, View
from nimble_lantern.core.trail import Trail
from nimble_lantern.core.turn import Turn
from nimble_lantern.core.turning_over import turn_over
from nimble_lantern.core.working import read, rest, text_only

MOST_HEARINGS = 50
"""That are kept with the sitting; older ones are asked for from the journal."""


@dataclass(frozen=True, slots=True)
class Heard:
    """Someone spoke; `at` is the time of day there."""

    hearing: Hearing
    at: datetime | None = None


@dataclass(frozen=True, slots=True)
class Configured:
    """A setting was changed from outside."""

    name: str
    value: str


@dataclass(frozen=True, slots=True)
class Looked:
    """Another view was asked for from outside."""

    view: View


Event = Heard | Configured | Looked


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


def advance(sitting: Sitting, event: Event) -> Outcome:
    """The next sitting, what should happen outside, and the trail's line about it."""
    match event:
        case Configured(name, value):
            settings = configured(sitting.settings, name, value)
            return Outcome(replace(sitting, settings=settings), (), (), None)
        case Looked(view):
            return Outcome(replace(sitting, view=view), (), (), None)
        case Heard(hearing, at):
            return _heard(replace(sitting, now=at or sitting.now), hearing)


def _heard(before: Sitting, hearing: Hearing) -> Outcome:
    number = before.number + 1
    start = replace(
        before,
        number=number,
        pending=Edit(),
        pending_inverse=Edit(),
        heard_names=hearing.names,
    )
    turn = Turn(start, before.caret, hearing.pause)
    decision = decide(start, hearing)
    turn.meant, turn.hearing = decision.offer, hearing
    if not decision.doubt and decision.heard == hearing.text:
        turn.doubted = doubted(hearing)
    phrases = decision.phrases
    words = tuple(w for p in phrases for w in p)
    if before.lamp is not Lamp.LIT:
        rest(turn, words)
    elif decision.doubt:
        turn.kinds.append(ReadAs.UNCLEAR)
        turn.summaries.append(_unclear(decision.heard, decision.doubt))
    elif not words:
        turn.kinds.append(ReadAs.IGNORED)
        turn.summaries.append("nothing was heard")
    elif hearing.goes_on:
        turn.write(phrases)
    elif before.attention is Attention.TEXT:
        text_only(turn, words)
    else:
        read(turn, phrases)
    if turn.turns_over and turn.sitting.document is start.document:
        turn_over(turn, turn.turns_over)
    elif turn.turns_over:
        # Reading it the other way would take along what was said in the same breath.
        turn.summaries.append("how the last utterance was meant has to be said by itself")
    after = turn.committed()
    entry = _entry(before, after, turn, decision.heard)
    shown = after.view if after.view is not before.view else None
    if after.settings.answers_aloud and (
        said := answer(before, after, entry, _listed(after, shown), turn.asks)
    ):
        turn.effects.append(Say(said))
        entry = replace(entry, effects=(*entry.effects, Say.effect))
    aloud = after.aloud
    if aloud is not None and _does(turn, Say) and not _does(turn, ReadAloud):
        # An answer is not spoken into a text, nor kept until its end.
        after = replace(after, aloud=replace(aloud, waiting=True))
        turn.effects.insert(0, ReadAloud(()))
    if after.document is not before.document and after.view is before.view:
        # What was changed, or undone, is looked at; unless something else was asked for.
        after = replace(after, view=View.DESK)
    final = replace(
        after,
        trail=after.trail.added(entry),
        previous=replace(before, previous=None, trail=Trail(), hearings=()),
        uses=_counted(after.uses, turn.commands),
        hearings=(*before.hearings, (after.number, hearing))[-MOST_HEARINGS:],
        heard_names=(),
    )
    final = watched(before, final)
    return Outcome(final, tuple(turn.versions), tuple(turn.effects), entry)


def _does(turn: Turn, effect: type[Effect]) -> bool:
    return any(isinstance(made, effect) for made in turn.effects)


def _listed(sitting: Sitting, shown: View | None) -> tuple[str, ...]:
    """What a page that was just gone to has to choose from."""
    if shown is View.SHELF:
        return tuple(f"{n}, {name}" for n, name in enumerate(sitting.shelf, 1))
    if shown is View.COMMANDS:
        return hints(replace(sitting, view=View.DESK))
    return ()


_MOST_COUNTED = 30
"""Times a command was done after which nobody counts on."""


def _counted(
    uses: tuple[tuple[str, int], ...], commands: Sequence[str]
) -> tuple[tuple[str, int], ...]:
    known = dict(uses)
    if not commands or all(known.get(name, 0) >= _MOST_COUNTED for name in commands):
        return uses
    for name in commands:
        known[name] = min(_MOST_COUNTED, known.get(name, 0) + 1)
    return tuple(known.items())


def _unclear(heard: str, doubt: str) -> str:
    """What is told of words that may not be what was said; perhaps none are known."""
    if not heard:
        return f"something was said and not written: {doubt}; say it again"
    return f"{quoted(heard)} not written: {doubt}; “take it anyway” writes it"


def faulty(before: Sitting, hearing: Hearing) -> Outcome:
    """What an utterance comes to that the desk fails at: it is kept, and nothing is done."""
    number = before.number + 1
    summary = "the desk has a fault with this: nothing was done; say it in another way"
    entry = Entry(number, hearing.text, ReadAs.UNCLEAR, None, summary, before.history.head,
                  page=before.page)  # fmt: skip
    after = replace(before, number=number, trail=before.trail.added(entry))
    return Outcome(after, (), (), entry)


def _read_as(kinds: Sequence[ReadAs]) -> ReadAs:
    if ReadAs.UNCLEAR in kinds:
        return ReadAs.UNCLEAR
    if {ReadAs.TEXT, ReadAs.COMMAND} <= set(kinds):
        return ReadAs.BOTH
    return next((kind for kind in kinds if kind is not ReadAs.IGNORED), ReadAs.IGNORED)


def _entry(before: Sitting, after: Sitting, turn: Turn, heard: str) -> Entry:
    command = turn.commands[-1] if turn.commands else None
    summary = "; ".join(turn.summaries)
    version = after.history.head
    made = version is not None and version.utterance == after.number
    return Entry(
        after.number,
        heard,
        _read_as(turn.kinds),
        command,
        summary,
        version,
        made,
        after.page,
        tuple(e.effect for e in turn.effects),
        tuple(_way_back(before, turn.effects)),
        after.now,
        turn.refused,
    )


def _way_back(before: Sitting, effects: Iterable[Effect]) -> Iterable[Effect]:
    """The effects that undo others, where that can be done."""
    for effect in effects:
        match effect:
            case SaveSetting(name):
                yield SaveSetting(name, setting_text(getattr(before.settings, name)))
            case NameDocument():
                yield NameDocument(before.title)
            case OpenDocument():
                yield OpenDocument(before.title)
            case NewDocument(name):
                yield OpenDocument(before.title)
                yield DropEmptyDocument(name)
            case CopyDocument(_, new):
                yield OpenDocument(before.title)
                yield PutAway(new)
            case PutAway(name):
                yield BringBack(name)
                yield OpenDocument(before.title)
            case BringBack(name):
                yield PutAway(name)
            case Prompt(name) if name:
                yield Prompt(None)
            case ForgetVoice():
                yield KnowVoice()
            case KnowVoice():
                yield ForgetVoice()


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
