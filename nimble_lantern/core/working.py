"""Working through an utterance: which stretches of it are commands, and doing them."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from typing import Any

from nimble_lantern.core.asking import ambiguous, which_near, which_place
from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.commands.by_letters import spelled_there
from nimble_lantern.core.commands.numbering import numbered
from nimble_lantern.core.commands.spelling import LETTERS, spelled_on
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.controls import pressable
from nimble_lantern.core.document.model import Kind
from nimble_lantern.core.document.tables import kept_whole
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Command
from nimble_lantern.core.hints import hints
from nimble_lantern.core.kinds import Judged, ReadAs
from nimble_lantern.core.lexicon.manners import FILLERS
from nimble_lantern.core.mending.phones import distance, phones
from nimble_lantern.core.mending.tray import as_named, letters_heard, letters_of
from nimble_lantern.core.offering import answer_help, learned_words, offered
from nimble_lantern.core.reading import intents, nearest, pairs, reader, unfinished
from nimble_lantern.core.reading.addressing import (
    barest,
    opens_a_request,
    tells_of_a_part,
    wordings,
)
from nimble_lantern.core.reading.exactly import Verdict
from nimble_lantern.core.reading.hearing import Hearing, Might
from nimble_lantern.core.reading.in_steps import in_steps
from nimble_lantern.core.reading.repeated import stands_there
from nimble_lantern.core.reading.said_better import said_better
from nimble_lantern.core.state import (
    Done,
    Help,
    Instead,
    Numbers,
    Sitting,
    TurnOver,
    View,
)
from nimble_lantern.core.targets.model import Places
from nimble_lantern.core.turn import (
    BROKEN_TABLE,
    NOT_ANSWERED,
    NOT_CHOSEN,
    ONLY_THOUGHT,
    Turn,
    held_back,
    pauses,
)
from nimble_lantern.core.writing.spelling import spelled
from nimble_lantern.core.writing.spoken import plain


def rest(turn: Turn, words: Sequence[str]) -> None:
    """Resting, only the waking phrase counts."""
    for parse in CATALOGUE.parses(words):
        if parse.command.traits.while_resting:
            run(turn, parse.command, parse.args)
            return
    turn.kinds.append(ReadAs.IGNORED)
    turn.summaries.append("not listening: “start listening” lights the lamp")


def text_only(turn: Turn, words: Sequence[str]) -> None:
    for parse in CATALOGUE.parses(words):
        if parse.command.traits.while_text_only:
            run(turn, parse.command, parse.args)
            return
    turn.write((words,))


def read(turn: Turn, phrases: Sequence[Sequence[str]]) -> None:
    """Work through the stretches of an utterance: each a command, or text."""
    begun = turn.sitting.begun
    _read(turn, phrases)
    if begun and turn.sitting.begun is begun:
        turn.sitting = replace(turn.sitting, begun=())


def _read(turn: Turn, phrases: Sequence[Sequence[str]]) -> None:
    words = tuple(w for p in phrases for w in p)
    if words and all(w in FILLERS for w in words):
        turn.kinds.append(ReadAs.IGNORED)
        turn.summaries.append(ONLY_THOUGHT)
        return
    if turn.sitting.tray is not None:
        _spelled(turn, words)
        return
    steps = in_steps(turn.sitting, words) if turn.sitting.question is None else ()
    if steps and reader.judge(turn.sitting, words, whole=True).kind is Judged.TEXT:
        for said in steps:
            _read(turn, (said,))
        return
    if letters := _letters_for_it(turn.sitting, words):
        words = ("it's", "spelled", *letters)
        phrases = (words,)
    elif better := said_better(turn.sitting, words):
        words = ("i", "meant", better[1], "not", better[0])
        phrases = (words,)
    if words and (begun := turn.sitting.begun):
        rest = unfinished.finished(turn.sitting, begun, words)
        if rest is not None:
            obey(turn, rest, (*begun, *words))
            return
    remembered = dict(turn.sitting.overturned).get(" ".join(words))
    if remembered == "text":
        turn.write(phrases)
        return
    if (taken := learned_words(turn.sitting, words)) is not None:
        verdict = reader.judge(turn.sitting, taken, whole=True)
        if verdict.kind is Judged.COMMAND:
            obey(turn, verdict, taken)
            return
    parts = [words] if remembered else reader.stretches(phrases)
    if len(parts) == 1:
        now = turn.sitting
        if both := pairs.taken_back_for(now, words) or pairs.two_commands(now, words):
            _obey_both(turn, both)
            return
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
            turn.write(text)
            text = []
        obey(turn, verdict, [w for p in parts[i:end] for w in p])
        i = end
    if text:
        _gone_on(turn, words)
        if len(text) == len(parts) == 1 and not stands_there(turn.sitting, words):
            held = held_back(turn.sitting) is not None
            if not held and unfinished.is_unfinished(turn.sitting, words):
                turn.sitting = replace(turn.sitting, begun=words, question=None)
                turn.kinds.append(ReadAs.UNCLEAR)
                turn.summaries.append(_SAY_ON)
                return
            near = [] if held else nearest.asked(turn.sitting, words)
            here = nearest.round_here(turn.sitting)
            text_only = held or _ends_as_text_does(words)
            likely = intents.NOTHING if text_only else intents.asked(here, barest(words))
            if _taken_for(turn, words, near, likely):
                return
            offered(turn, words, near, likely.requests)
            before = turn.sitting
            turn.asks = likely.plainly and turn.offers is None
            asking = likely.addressed >= _held_back_from(before) and opens_a_request(words)
            asking = asking or not text_only and tells_of_a_part(words)
            if asking and not held:
                _hold(turn)
                return
        turn.write(text)
        if turn.kinds[-1:] != [ReadAs.TEXT]:
            turn.asks = False
        elif turn.offers is not None:
            turn.sitting = replace(turn.sitting, question=turn.offers)
            turn.summaries.append("or say a number for what was meant")
        elif turn.asks:
            turn.summaries.append("if the desk was meant, say “that was a command”")


_SAY_ON = (
    "and then? What you say next belongs to that; “never mind” drops it, “that was text” writes it"
)


def _letters_for_it(sitting: Sitting, words: tuple[str, ...]) -> tuple[str, ...]:
    """The letters that are said of what is being corrected, or of the word that was just written:
    "spell m a r g e t", "m a r g e t"."""
    asked, bare = sitting.question, words[1:] if words[:1] in _SPELLED else words
    if len(words) > _FEWEST_LETTERS and "".join(words[1:]) == words[0]:
        bare = words[1:]  # "wood w o o d"
    text, end = spelled(bare, 0)
    if end < len(bare) or len(text) < _FEWEST_LETTERS:
        return ()
    if asked is not None and asked.corrects:
        return bare
    # "She lives in perth", and then "p e r t h"; "b b c" is written.
    last = sitting.trail[-1].read_as if sitting.trail else None
    told = asked is None and last is ReadAs.TEXT
    there = spelled_there(sitting, bare) if told else None
    if there is not None and len(text) <= _FEWEST_LETTERS:
        # "Buy", and then "b y": two letters must sound the same.
        sounds = distance(phones(plain(sitting.document.text(there))), phones(text.lower()))
        return bare if sounds == 0 else ()
    return bare if there is not None else ()


_SPELLED = (("spell",), ("spelled",), ("spelt",), ("no",), ("sorry",))
_FEWEST_LETTERS = 2


_GOING_ON = 5
"""Words that are no answer, from which somebody goes on with the letter instead."""


_ANSWERING = frozenset(
    "one ones first second third last both other yes no please not don't".split()
)


def _gone_on(turn: Turn, words: Sequence[str]) -> None:
    """A question that nobody answers is dropped rather than what is said after it."""
    question = turn.sitting.question
    asks = question is not None and not question.beside and not question.corrects
    if not asks or turn.sitting.view is not View.DESK or not _ANSWERING.isdisjoint(words):
        return
    again = _unanswered(turn.sitting)
    if len(words) < _GOING_ON and not again:
        return
    if again or intents.asked(nearest.round_here(turn.sitting), barest(words)).addressed < 0:
        turn.sitting = replace(turn.sitting, question=None)
        turn.summaries.append("nothing was chosen, so that is left as it is")


def _unanswered(sitting: Sitting) -> bool:
    """Whether the last utterance was not written for the sake of a question, either."""
    last = sitting.trail[-1] if sitting.trail else None
    held = last is not None and last.read_as is ReadAs.UNCLEAR
    return held and last is not None and last.summary.endswith((NOT_CHOSEN, NOT_ANSWERED))


def _held_back_from(sitting: Sitting) -> float:
    """How plainly something must be said to the desk not to be written.

    A cell or a heading that says something is seldom gone on with by what begins as a request does.
    """
    place = sitting.writing_place
    block = sitting.document.blocks[place.block]
    full = bool(block.text.strip()) and sitting.headed != place
    told = full and (block.cell is not None or block.kind is Kind.HEADING)
    return intents.HELD_BACK_WHERE_FULL if told else intents.HELD_BACK


def _hold(turn: Turn) -> None:
    """What was plainly said to the desk, and is not understood, is answered and not written."""
    turn.kinds.append(ReadAs.UNCLEAR)
    why = "not written, as it seems to be said to the desk: “that was text” writes it"
    if turn.offers is not None:
        turn.sitting = replace(turn.sitting, question=turn.offers)
        why += ", or say a number"
    turn.summaries.append(why)


def _ends_as_text_does(words: Sequence[str]) -> bool:
    """ "Dear members comma new paragraph" is written, and asks for nothing."""
    return any(tuple(words[-n:]) in _TEXT_ENDINGS and len(words) > n for n in (1, 2))


_TEXT_ENDINGS = frozenset(
    tuple(said.split())
    for said in (
        "comma", "colon", "semicolon", "period", "full stop", "question mark", "exclamation mark",
        "new line", "new paragraph",
    )
)  # fmt: skip


def _taken_for(
    turn: Turn,
    words: tuple[str, ...],
    near: Sequence[nearest.Offer],
    likely: intents.Asked,
) -> bool:
    """Do a harmless command that can only be meant, and tell how it was taken."""
    said = nearest.surely(near, words)
    one = likely.surely
    alone = len({offer.command for offer in near}) < 2
    if said is None and one is not None and alone and nearest.harmless(one.command):
        said = one.words
    verdict = reader.judge(turn.sitting, said, whole=False) if said else None
    if said is None or verdict is None or verdict.kind is not Judged.COMMAND:
        return False
    obey(turn, verdict, said)
    turn.summaries.append(f"taken for “{' '.join(said)}”")
    return True


def _spelled(turn: Turn, words: Sequence[str]) -> None:
    """While a word is spelled: its letters, or what is said of them; nothing is dictated."""
    before = turn.sitting
    verdict = reader.judge(before, words, whole=True)
    command = verdict.parse.command if verdict.parse else None
    lone = len(words) == 1 and len(words[0]) > 1 and before.question is not None
    answers = command is not None and command.traits.answers and lone
    understood = verdict.kind in (Judged.COMMAND, Judged.REFUSED) and command is not None
    letters = letters_of(words if understood else as_named(words))
    if letters and not answers:
        done = spelled_on(before, letters, _may_be(turn.hearing, words))
        turn.sitting = done.sitting
        turn.kinds.append(ReadAs.COMMAND)
        turn.commands.append(LETTERS)
        turn.summaries.append(done.summary)
        return
    if not understood or command is None:
        turn.write((words,))
        return
    obey(turn, verdict, words)
    now = turn.sitting
    if now.tray is not None and not command.traits.spells and _looks_elsewhere(before, now):
        turn.sitting = replace(now, tray=None)
        if now.tray.letters:
            turn.summaries.append(f"{quoted(now.tray.letters)} is not spelled on")


def _may_be(hearing: Hearing | None, words: Sequence[str]) -> tuple[Might, ...]:
    """What each letter that was heard may be, where these words are the ones that were judged."""
    if hearing is None or not hearing.commands:
        return ()
    judged = hearing.commands[0].said
    return letters_heard(words, hearing.letters) if judged == tuple(words) else ()


def _looks_elsewhere(before: Sitting, now: Sitting) -> bool:
    """Whether a command turned away from what is spelled: its letters would go on unseen."""
    if now.document is not before.document or now.selection != before.selection:
        return True
    return (now.view, now.attention) != (before.view, before.attention)


def _command_at(
    turn: Turn, parts: Sequence[Sequence[str]], i: int, text: Sequence[Sequence[str]]
) -> tuple[int, Verdict] | None:
    """The longest command that begins at stretch `i`, with where it ends."""
    if text and not reader.may_follow(text[-1]):
        return None
    for end in range(len(parts), i, -1):
        words = [w for p in parts[i:end] for w in p]
        whole = i == 0 and end == len(parts)
        if not whole and not any(map(CATALOGUE.parses, wordings(words))):
            continue
        state = turn.sitting
        if text and held_back(state) is None:
            written = [w for part in text for w in part]
            state = compose(state, written, pauses(text), turn.pause).sitting
        verdict = reader.judge(state, words, whole)
        if verdict.kind is Judged.TEXT:
            continue
        command = verdict.parse.command if verdict.parse else None
        if not whole and command:
            if verdict.kind is not Judged.COMMAND or command.traits.in_text:
                continue
            if command.traits.destructive and end < len(parts):
                continue
        return end, verdict
    return None


def _obey_both(turn: Turn, both: pairs.Pair) -> None:
    """One request after the other; where the first asks something, the second waits to be said."""
    earlier = turn.sitting.previous
    for said in both:
        asked = turn.sitting.question
        if turn.kinds and asked is not None and not asked.beside:
            turn.summaries.append(f"then “{' '.join(said)}” once more")
            return
        verdict, before = reader.judge(turn.sitting, said, whole=True), turn.sitting.document
        if verdict.kind is Judged.TEXT:
            turn.kinds.append(ReadAs.UNCLEAR)
            turn.summaries.append(f"“{' '.join(said)}” was not understood then")
            continue
        obey(turn, verdict, said)
        if said == pairs.UNDO and earlier is not None and turn.sitting.document == earlier.document:
            turn.sitting = turn.sitting.about(earlier.that)  # "make that red", "i meant bold"
        found = next((v for v in (verdict.args or {}).values() if isinstance(v, Places)), None)
        if found is not None and not turn.sitting.that and turn.sitting.document is before:
            # "Go to the gate and put green before it": it is what was gone to.
            turn.sitting = turn.sitting.about(found.ranges)


def obey(turn: Turn, verdict: Verdict, words: Sequence[str]) -> None:
    if verdict.parse is None:
        turn.kinds.append(ReadAs.UNCLEAR)
        turn.refuse(verdict.refusal)
        return
    assert verdict.args is not None
    command = verdict.parse.command
    if verdict.kind is Judged.REFUSED:
        turn.kinds.append(ReadAs.COMMAND)
        turn.commands.append(command.name)
        turn.refuse(verdict.refusal)
        return
    if verdict.kind is Judged.UNCLEAR:
        _offer(turn, verdict)
        return
    run(turn, command, verdict.args)


def run(turn: Turn, command: Command, args: dict[str, Any]) -> None:
    """Do a command; or ask first, where a target stands in several places."""
    sitting = turn.sitting
    asked = ambiguous(command, args)
    if asked:
        slot, places = asked
        question = which_place(sitting, command, args, slot, places)
        turn.sitting = replace(sitting, question=question)
        turn.kinds.append(ReadAs.COMMAND)
        turn.commands.append(command.name)
        turn.summaries.append(f"which of {many(len(places.ranges), 'place')}? Say a number")
        return
    if command.traits.walks:
        # Text spoken before "undo" in the same breath is a step of its own.
        sitting = turn.committed()
    keeps = command.traits.keeps_question
    answer = command.handler(sitting if keeps else replace(sitting, question=None), **args)
    writes = command.traits.writes
    turn.kinds.append(ReadAs.TEXT if writes else ReadAs.COMMAND)
    if not writes:
        turn.commands.append(command.name)
    if isinstance(answer, TurnOver):
        turn.turns_over = answer
        return
    if isinstance(answer, Numbers):
        answer = _numbers(turn.sitting, answer)
    if isinstance(answer, Refusal):
        turn.refuse(answer)
        return
    if isinstance(answer, Instead):
        turn.kinds.pop()
        turn.commands.pop()
        obey(turn, reader.judge(turn.sitting, answer.words, whole=True), answer.words)
        return
    if isinstance(answer, Help):
        turn.kinds.pop()
        answer_help(turn, answer)
        return
    assert isinstance(answer, Done)
    if not command.traits.walks and not kept_whole(sitting.document, answer.sitting.document):
        turn.summaries.append(BROKEN_TABLE)
        return
    turn.sitting = answer.sitting
    if command.traits.walks and not answer.sitting.pending:
        # What is brought back beside what came since is a version that begins where this one ended.
        turn.caret = answer.sitting.caret
    turn.effects += answer.effects
    turn.summaries.append(answer.summary)


def _numbers(sitting: Sitting, asked: Numbers) -> Done | Instead | Refusal:
    """Numbers on everything that can be said or pressed here; or what stands at one of them."""
    found = pressable(sitting, hints(replace(sitting, question=None)))
    if asked.number is None:
        after = replace(sitting, question=numbered(found))
        return Done(after, f"{many(len(found), 'number')}: say one")
    if not 1 <= asked.number <= len(found):
        return Refusal(f"There is no number {asked.number}.", "", "“Show the numbers” shows them.")
    return Instead(tuple(found[asked.number - 1].says.split()))


def _offer(turn: Turn, verdict: Verdict) -> None:
    """Almost a command: offer the words that come close, by number."""
    assert verdict.parse is not None
    question = which_near(turn.sitting, verdict)
    if question is not None:
        turn.sitting = replace(turn.sitting, question=question)
        turn.commands.append(verdict.parse.command.name)
    turn.kinds.append(ReadAs.UNCLEAR)
    turn.refuse(verdict.refusal)
