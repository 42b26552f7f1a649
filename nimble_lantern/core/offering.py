"""Offers beside the text: what an utterance may have been meant for, to be taken by its number."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import replace

from nimble_lantern.core.document.model import Kind
from nimble_lantern.core.grammar.catalogue import CATALOGUE
from nimble_lantern.core.kinds import Judged, ReadAs
from nimble_lantern.core.learning import taken_for
from nimble_lantern.core.lexicon.desk import PLAIN_VERBS, TRADE_VERBS
from nimble_lantern.core.reading import intents, nearest, worded
from nimble_lantern.core.reading.addressing import barest, reasoned, wordings
from nimble_lantern.core.reading.exactly import exactly
from nimble_lantern.core.reading.restated import Restated, restated
from nimble_lantern.core.state import Help, Option, Question, Sitting
from nimble_lantern.core.targets.words import exact
from nimble_lantern.core.turn import Turn, held_back

_LEAST_UNASKED = 0.8
"""Of what was said, what the best offer has to cover to be shown beside a text unasked."""


def offered(
    turn: Turn,
    words: Sequence[str],
    near: Sequence[nearest.Offer],
    likely: Sequence[intents.Likened],
) -> None:
    """Beside an utterance that is written, offer what it may have been meant for: the commands
    that come near, if nothing is known better."""
    before = turn.sitting
    if held_back(before) is not None:
        return
    # They are read where the words are not yet written: those would name themselves.
    found = _heard_instead(turn) or _no_two(*_other_words(before, words), *_likened(likely))
    if nearest.addressed(before, words):
        besides = (o for o in near if not found or o.likeness >= _LEAST_UNASKED)
        found = _no_two(*found, *besides)
    if found and found[0].likeness >= _LEAST_UNASKED:
        turn.offers = _question(found, turn.sitting.number)


def _no_two(*offers: nearest.Offer) -> list[nearest.Offer]:
    """As many as are shown, each wording once."""
    return list({offer.words: offer for offer in offers}.values())[: nearest.MOST_OFFERS]


def _heard_instead(turn: Turn) -> list[nearest.Offer]:
    """The command that another engine heard in the same sound, where it can be done."""
    if not turn.meant:
        return []
    offer = _as_offer(turn.sitting, turn.meant)
    # What was misheard is no wording of the speaker's.
    return [replace(offer, learns=False)] if offer else []


def _other_words(sitting: Sitting, words: Sequence[str]) -> list[nearest.Offer]:
    """The replacement that a statement may ask for: "visitors should be guests"."""
    near = nearest.round_here(sitting)
    if named := _names_given(near, barest(words)):
        return named
    again = _changes(near, restated(near, barest(words)))
    if again and "not" in words:
        return again  # "in the hall not the shed": both were named
    instead = _changes(near, worded.maybe_instead(near, barest(words)))[:1]
    said = tuple(words)
    return instead or again or _with_a_reason(near, said) or _of_the_list(near, said)


def _changes(sitting: Sitting, found: Iterable[worded.Asked | Restated]) -> list[nearest.Offer]:
    made = ((change, _as_offer(sitting, change.words)) for change in found)
    return _no_two(*(replace(o, destructive=True, names=c.old, learns=False) for c, o in made if o))


def _of_the_list(sitting: Sitting, words: tuple[str, ...]) -> list[nearest.Offer]:
    """ "Add candles" and "drop the third one", where there is a list and writing is elsewhere."""
    listed = any(block.kind is Kind.ITEM for block in sitting.document.blocks)
    if not listed or not 1 < len(words) <= _LONGEST_OF_A_LIST:
        return []
    ways = [(*words, "to", "the", "list")] if words[0] == "add" else []
    if words[-1] in ("one", "ones"):
        ways.append((*words[:-1], "item" if words[-1] == "one" else "items"))
    found = (_as_offer(sitting, way) for way in ways)
    return [replace(offer, learns=False) for offer in found if offer]


_LONGEST_OF_A_LIST = 6


def _with_a_reason(sitting: Sitting, words: tuple[str, ...]) -> list[nearest.Offer]:
    """ "She came after all so take out apologies from greta", of words that stand there."""
    for plain in reasoned(words):
        if plain.words[0] not in TRADE_VERBS | PLAIN_VERBS or plain.behind:
            continue
        offer = _as_offer(sitting, plain.words)
        instead = offer is not None and offer.command.startswith("replacing.")
        if offer and (instead or exact(sitting.document, plain.words[-_FEWEST_TOLD:])):
            return [replace(offer, learns=False)]
    return []


_FEWEST_TOLD = 2
_CALLED = ("this place", "this version", "this document")


def _names_given(sitting: Sitting, words: tuple[str, ...]) -> list[nearest.Offer]:
    """What may get a name: "call it first draft" may be said of three things."""
    pointed = words[:2] in (("call", "it"), ("name", "it"), ("call", "this"), ("name", "this"))
    if not pointed or not 2 < len(words) <= _LONGEST_NAMING:
        return []
    ways = ((words[0], *called.split(), *words[2:]) for called in _CALLED)
    found = (_as_offer(sitting, way) for way in ways)
    return [replace(offer, learns=False) for offer in found if offer]


_LONGEST_NAMING = 6
"""Words of what gives a name."""


def _likened(likely: Sequence[intents.Likened]) -> list[nearest.Offer]:
    """What other wordings like this one have asked for."""
    return [
        nearest.Offer(like.words, like.command, 1.0, like.destructive, like.names)
        for like in likely
    ]


def _as_offer(sitting: Sitting, words: tuple[str, ...]) -> nearest.Offer | None:
    """Words that are a command which can be done here, as an offer."""
    verdict = exactly(sitting, words, whole=False)
    if verdict.kind is not Judged.COMMAND or verdict.parse is None:
        return None
    command = verdict.parse.command
    return nearest.Offer(words, command.name, 1.0, command.traits.destructive)


def _question(found: Sequence[nearest.Offer], about: int) -> Question:
    options = tuple(
        Option(" ".join(o.words), (("words", o.words), ("names", o.names), ("learns", o.learns)))
        for o in found
    )
    return Question("", {}, options, beside=True, about=about)


def meant_as_command(sitting: Sitting, words: Sequence[str], number: int) -> Question | None:
    """What may be offered where the speaker says that utterance `number` was a command."""
    here = nearest.round_here(sitting)
    likely = intents.likened(here, barest(words)) if len(words) <= intents.LONGEST else []
    near = nearest.offers(sitting, words)
    likely = [like for like in likely if like.odds >= intents.LEAST_ODDS]
    sure = [offer for offer in near[:1] if offer.likeness >= _LEAST_UNASKED]
    found = _no_two(*sure, *_other_words(sitting, words), *_likened(likely), *near)
    return _question(found, number) if found else None


def answer_help(turn: Turn, asked: Help) -> None:
    """Show the commands that a question for help comes near, as they could be said here."""
    found = nearest.explained(turn.sitting, asked.words)
    turn.kinds.append(ReadAs.COMMAND)
    if not found:
        turn.sitting = replace(turn.sitting, question=None)
        turn.summaries.append(
            f"Nothing like “{' '.join(asked.words)}” can be said here. “What can i say” shows all."
        )
        return
    options = tuple(
        Option(
            f"{' '.join(o.words)}: {CATALOGUE.commands[o.command].summary.rstrip('.').lower()}",
            (("words", o.words),),
        )
        for o in found
    )
    question = Question("", {}, options, beside=True, about=turn.sitting.number)
    turn.sitting = replace(turn.sitting, question=question)
    said = ", ".join(f"“{' '.join(o.words)}”" for o in found)
    turn.summaries.append(f"say {said}; or a number, to do it now")


def learned_words(sitting: Sitting, words: Sequence[str]) -> tuple[str, ...] | None:
    """The command that a learned wording stands for, where it can be done."""
    found = (taken_for(sitting.learned, said) for said in wordings(words))
    return next((taken for taken in found if taken is not None), None)
