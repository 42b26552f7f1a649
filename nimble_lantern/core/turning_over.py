"""Reading an utterance the other way after the fact: text as a command, a command as text."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import replace
from itertools import takewhile

from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.document import history
from nimble_lantern.core.document.edits import Edit, Side
from nimble_lantern.core.document.history import Version
from nimble_lantern.core.document.model import Position
from nimble_lantern.core.document.taking_back import since, taken_back
from nimble_lantern.core.effects import Effect, SaveSetting, SayAgain
from nimble_lantern.core.kinds import Judged, ReadAs
from nimble_lantern.core.learning import with_learned, wording
from nimble_lantern.core.mending.lessons import forgotten
from nimble_lantern.core.offering import meant_as_command
from nimble_lantern.core.reading import reader
from nimble_lantern.core.reading.addressing import barest
from nimble_lantern.core.reading.exactly import exactly
from nimble_lantern.core.settings import configured
from nimble_lantern.core.state import Entry, Settings, Sitting, Turned, TurnOver
from nimble_lantern.core.turn import Turn, pauses
from nimble_lantern.core.working import obey, read

MOST_REMEMBERED = 200
"""Readings turned over that are remembered for the same words."""


def turn_over(turn: Turn, asked: TurnOver) -> None:
    """Read an utterance the other way, the last one if no number was said."""
    now = turn.sitting
    last = now.trail[-1].number
    if asked.number in (None, last) and now.previous is not None:
        _last(turn, asked.how, asked)
    else:
        _earlier(turn, asked.how, asked.number or last, asked)


def _last(turn: Turn, how: Turned, asked: TurnOver) -> None:
    """Read the last utterance the other way, as if it had been read so at once.

    What it did to the text stays in the tree of versions, off the path; what it did besides is
    undone by effects.
    """
    now = turn.sitting
    before, entry = now.previous, now.trail[-1]
    assert before is not None
    turn.effects += entry.back
    if before.page != now.page:
        _leave_again(turn, entry)
        return
    walk = history.go_to(now.history, now.document, now.caret, before.history.head)
    # What was undone before it can still be done again.
    ahead = before.history.ahead or walk.history.ahead
    turn.sitting = replace(
        before,
        history=replace(walk.history, ahead=ahead),
        number=now.number,
        trail=now.trail,
        lamp=now.lamp,
        settings=_settings_back(now.settings, entry.back),
        shelf=now.shelf,
        scripts=now.scripts,
        overturned=_remembered(now, entry, how),
    )
    if how is Turned.AS_HEARD:
        turn.sitting = _unlearned(turn.sitting, now)
    turn.caret = before.caret
    phrases = _phrases(entry)
    if how is Turned.ANYWAY:
        turn.kinds.pop()
        turn.commands.pop()
        read(turn, phrases)
        if turn.kinds[-1:] == [ReadAs.UNCLEAR] and turn.sitting.question is None:
            # It was kept from a selection: now it is wanted there.
            turn.kinds.pop()
            turn.summaries.pop()
            _write(turn, phrases)
            turn.kinds.append(ReadAs.TEXT)
    elif how in (Turned.TEXT, Turned.AS_HEARD):
        _write(turn, _dictated(now, entry))
    elif how is Turned.INSTEAD:
        _instead(turn, entry, asked)
    else:
        _obey(turn, [w for p in phrases for w in p], entry.number)


def _instead(turn: Turn, entry: Entry, asked: TurnOver) -> None:
    """Do what was chosen in the place of what was said, and know that wording the next time.

    What was asked for help is no wording, nor is one with words for the letter in it.
    """
    instead = asked.words
    verdict = exactly(turn.sitting, instead, True)
    if verdict.kind is not Judged.COMMAND or verdict.parse is None:
        turn.summaries.append(f"“{' '.join(instead)}” cannot be done here now")
        return
    turn.kinds.pop()
    obey(turn, verdict, instead)
    writes = any(isinstance(value, tuple) for value in verdict.parse.args.values())
    if writes or not asked.learns or entry.read_as not in (ReadAs.TEXT, ReadAs.UNCLEAR):
        return
    heard = barest([w for p in _phrases(entry) for w in p])
    new = wording(heard, instead, asked.names)
    turn.sitting = replace(turn.sitting, learned=with_learned(turn.sitting.learned, new))
    turn.summaries.append(f"learned: {new}; “forget that wording” takes it back")


def _earlier(turn: Turn, how: Turned, number: int, asked: TurnOver) -> None:
    """Read an earlier utterance the other way, where nothing changed its place since."""
    now = turn.sitting
    entry = next((e for e in reversed(now.trail) if e.number == number), None)
    if entry is None:
        turn.summaries.append(f"Utterance {number} is not known here any more. Nothing was done.")
        return
    if entry.page != now.page and entry.number == now.trail[-1].number:
        turn.effects += entry.back
        _leave_again(turn, entry)
        return
    if entry.page != now.page:
        turn.summaries.append(f"Utterance {number} was said to another document. Open it first.")
        return
    place: Position | None = now.caret
    after = now
    if entry.made and (version := entry.version):
        later = since(now.history, version)
        edit = taken_back(now.document, version, later) if later is not None else None
        if later is None and how is Turned.INSTEAD:
            # It was undone meanwhile: there is nothing left of it to take back.
            edit, later, place = Edit(), [], None
        if later is None or edit is None:
            why = "is undone" if later is None else "changed was changed again since"
            turn.summaries.append(f"What utterance {number} {why}. Nothing was done.")
            return
        after = now.edited(edit)
        place = place and _carried_on(now, version, later, edit)
    back = tuple(e for e in entry.back if not _changed_since(now, entry, e))
    turn.effects += back
    settings = _settings_back(now.settings, back)
    overturned = _remembered(now, entry, how)
    turn.sitting = replace(after, settings=settings, overturned=overturned)
    if how is Turned.AS_HEARD:
        turn.sitting = _unlearned(turn.sitting, now)
    phrases = _phrases(entry)
    if how is Turned.ANYWAY:
        read(turn, phrases)
    elif how in (Turned.TEXT, Turned.AS_HEARD):
        # Where it was said; the writing place stays where it is now.
        at = None if place == after.caret else place
        _write(turn, _dictated(now, entry), at)
    elif how is Turned.INSTEAD:
        _instead(turn, entry, asked)
    else:
        _obey(turn, [w for p in phrases for w in p], number)


def _unlearned(sitting: Sitting, now: Sitting) -> Sitting:
    """Without the lessons that put the last text right."""
    return replace(sitting, lessons=forgotten(now.lessons, now.put_right), put_right=())


def _carried_on(now: Sitting, version: Version, later: Sequence[Version], edit: Edit) -> Position:
    """Where the writing place before a version is, now that the version is taken back."""
    document, place = now.document, version.caret_before
    for other in (*reversed(later), version):
        document = other.inverse.apply(document)
    for step in (version.edit, *(v.edit for v in later), edit):
        place = step.settled(document, place, Side.BEFORE)
        document = step.apply(document)
    return place


def _changed_since(now: Sitting, entry: Entry, effect: Effect) -> bool:
    """Whether what an effect would set back was set anew after an utterance."""
    later = takewhile(lambda e: e.number > entry.number, reversed(now.trail))
    same = (other for e in later for other in e.back if type(other) is type(effect))
    if isinstance(effect, SaveSetting):
        return any(isinstance(o, SaveSetting) and o.name == effect.name for o in same)
    return any(True for _ in same)


def _leave_again(turn: Turn, entry: Entry) -> None:
    """What was said opened another document: it is left, and the words are text in the first."""
    words = tuple(w for p in _phrases(entry) for w in p)
    turn.sitting = replace(turn.sitting, overturned=_remembered(turn.sitting, entry, Turned.TEXT))
    turn.effects.append(SayAgain(words))
    turn.summaries.append("back to the document before, and written there")


def _settings_back(settings: Settings, effects: Iterable[Effect]) -> Settings:
    for effect in effects:
        if isinstance(effect, SaveSetting):
            settings = configured(settings, effect.name, effect.value)
    return settings


def _remembered(now: Sitting, entry: Entry, how: Turned) -> tuple[tuple[str, str], ...]:
    """The readings turned over, with this one, so that the same words are read so next time."""
    if how in (Turned.ANYWAY, Turned.INSTEAD, Turned.AS_HEARD):
        return now.overturned
    said = " ".join(w for p in _phrases(entry) for w in p)
    kept = tuple(pair for pair in now.overturned if pair[0] != said)[-MOST_REMEMBERED:]
    return (*kept, (said, how))


def _phrases(entry: Entry) -> tuple[tuple[str, ...], ...]:
    """The words of an utterance, cut at its pauses."""
    return tuple(tuple(p.split()) for p in entry.heard.split(" ... "))


def _dictated(sitting: Sitting, entry: Entry) -> Sequence[Sequence[str]]:
    """The words of an utterance as text: a command's may be the grammar's, or a guess by sound."""
    hearing = dict(sitting.hearings).get(entry.number)
    if hearing is None or not hearing.hypotheses or entry.read_as is not ReadAs.COMMAND:
        return _phrases(entry)
    return hearing.hypotheses[0].phrases()


def _write(turn: Turn, phrases: Sequence[Sequence[str]], at: Position | None = None) -> None:
    quiet = replace(turn.sitting, question=None)
    words = [w for p in phrases for w in p]
    if at is None:
        wrote = compose(quiet, words, pauses(phrases), turn.pause)
        turn.sitting = wrote.sitting
    else:
        there = replace(quiet, insertion=at, selection=None, fresh=False)
        wrote = compose(there, words, pauses(phrases), turn.pause)
        turn.sitting = wrote.sitting
    turn.summaries.append(f"as text: wrote {quoted(wrote.text)}")


def _obey(turn: Turn, words: Sequence[str], number: int) -> None:
    verdict = reader.judge(turn.sitting, words, True, forced=True)
    if verdict.kind is Judged.TEXT:
        if (asked := meant_as_command(turn.sitting, words, number)) is not None:
            turn.sitting = replace(turn.sitting, question=asked)
            turn.summaries.append("say a number for what was meant")
            return
        turn.summaries.append(f"no command is like {quoted(' '.join(words))}; it is taken out")
        return
    turn.kinds.pop()
    obey(turn, verdict, words)
