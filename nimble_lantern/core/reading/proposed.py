"""Commands that a larger model proposes for a sound which it read as something else.

They are guessed from the sound of its words (`homophones`), or it reads them when it is told of
commands (`cued`).  Here is how well they must fit the sound to be what was said.
"""

from __future__ import annotations

import math

from nimble_lantern.core.grammar.catalogue import Command
from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.reading import reader
from nimble_lantern.core.reading.exactly import Verdict, exactly
from nimble_lantern.core.reading.hearing import Hearing, Hypothesis
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Words
from nimble_lantern.core.targets.words import exact

Phrase = tuple[str, ...]
_LEAST_FIT, _LEAST_FIT_TO_DESTROY, _LEAST_FIT_IN_DOUBT = -0.75, -0.5, 0.2
"""Mean log probability a token, beside the model's own words, from which a guess was said.

Of the guesses at 264 utterances in three synthetic voices those that were said had -0.83 to 0.72,
others -1.46 to -0.82; no guess was made at a sentence.
"""
_FLUENT, _LEAST_READ, _LEAST_READ_TO_DESTROY = -0.2, -0.3, -0.15
"""The same for what is one of the model's own next readings, where it reads nothing fluently."""
_LEAST_CUED, _LEAST_CUED_BY_BOTH, _MORE_TO_DESTROY = -0.6, -1.75, 0.6
"""The same for what the model reads when told of commands, measured after the same cue.

At 240 sentences in three voices, 40 of them near the sound of a command, it read none; at 190
commands that it had not made out, those that were said had -1.7 to 3.8, two others -1.0.
"""
_LEAST_IN_DOUBT, _LEAST_ALONE_IN_DOUBT = 0.0, 0.5
"""For what was hard to make out: where it was heard twice, and where only the model read it."""
LEAST_SOUND, _TWO_WORDS = -1.0, 2
"""Mean log probability of the model's own words under which a sound is noise; and how many words of
a command are few.

Of music it read "copy the paragraph", 1.9 better than its own words at -1.7; of "quebec", said
alone, "go back".
"""
_A_STRANGE_TARGET = 10.0
_ONLY_LITTLE_WORDS, _NOT_AS_WRITTEN = 0.35, 0.08


def guessed(sitting: Sitting, hearing: Hearing) -> tuple[Phrase, float]:
    """The command that sounds like what was dictated and fits the sound about as well, or none;
    and its fit."""
    if not hearing.guesses:
        return (), -math.inf
    words, fit = max(hearing.guesses, key=lambda guess: guess[1])
    verdict = reader.judge(sitting, words, whole=True)
    if verdict.kind is not Judged.COMMAND or verdict.parse is None:
        return (), fit
    destroys = verdict.parse.command.traits.destructive
    if words in (other.said for other in hearing.hypotheses[1:]):
        # The model itself read it as well, nearly as likely as words that are not fluent.
        few = bool(hearing.doubt) and len(words) <= _TWO_WORDS
        least = _LEAST_READ_TO_DESTROY if destroys else _LEAST_READ
        least = math.inf if few or hearing.hypotheses[0].score > _FLUENT else least
    elif hearing.doubt:
        alone = len(words) <= _TWO_WORDS and words not in _heard(hearing)
        least = math.inf if alone else _LEAST_FIT_IN_DOUBT
    else:
        least = _LEAST_FIT_TO_DESTROY if destroys else _LEAST_FIT
    return words if fit >= least else (), fit


def cued(sitting: Sitting, hearing: Hearing) -> tuple[Phrase, bool] | None:
    """The command that the larger model reads when told of commands, and whether it was said.

    Rather one whose target stands there as it was read.
    """
    ranked = list[tuple[float, Phrase, float, Command]]()
    for words, fit in hearing.cued or ():
        verdict = exactly(sitting, words, whole=True)
        if verdict.parse is not None:
            worth = fit - _A_STRANGE_TARGET * unusual(sitting, verdict)
            ranked.append((worth, words, fit, verdict.parse.command))
    ranked.sort(key=lambda row: -row[0])
    for _, words, fit, command in ranked:
        if fit >= _least_cued(sitting, hearing, words, command):
            return words, True
    return next(((words, False) for _, words, fit, _ in ranked if fit >= _LEAST_CUED_BY_BOTH), None)


def _least_cued(sitting: Sitting, hearing: Hearing, words: Phrase, command: Command) -> float:
    """How well a cued command must fit: less where the grammar heard the same."""
    both = words in _heard(hearing)
    own = hearing.hypotheses[0] if hearing.hypotheses else Hypothesis((), -math.inf)
    few = len(words) <= _TWO_WORDS
    if not hearing.doubt:
        if few and not both and hearing.evidence and hearing.evidence.said == own.said:
            return math.inf  # two engines made out the same other words: "quebec"
        more = _MORE_TO_DESTROY if command.traits.destructive else 0.0
        return (_LEAST_CUED_BY_BOTH if both else _LEAST_CUED) + more
    speech = own.score >= LEAST_SOUND
    guess = not few and words in (guess for guess, _ in hearing.guesses)
    if both or guess or speech and words == own.said:
        return _LEAST_IN_DOUBT
    # A knock is no command, whatever is made of it; but numbers may be waited for.
    awaited = sitting.question is not None and command.traits.answers
    return _LEAST_ALONE_IN_DOUBT if speech and (awaited or not few) else math.inf


def not_cued(hearing: Hearing, words: Phrase) -> bool:
    """Whether the larger model was told of commands, and still did not read this one."""
    return hearing.cued is not None and words not in (cued for cued, _ in hearing.cued)


def _heard(hearing: Hearing) -> set[Phrase]:
    """What the command grammar heard."""
    return {command.said for command in hearing.commands}


def unusual(sitting: Sitting, verdict: Verdict) -> float:
    """What is taken off a command's score for a target that people seldom name."""
    values = (verdict.parse.args if verdict.parse else {}).values()
    cost = 0.0
    for words in (v.words for v in values if isinstance(v, Words)):
        if not set(words) - LITTLE:
            cost += _ONLY_LITTLE_WORDS
        elif not exact(sitting.document, words, vocabulary=sitting.vocabulary):
            cost += _NOT_AS_WRITTEN
    return cost
