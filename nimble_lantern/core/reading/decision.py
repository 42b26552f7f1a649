"""What an engine's hearing is taken for: words as dictated, a spoken command, or too unsure.

The command grammar turns every sound into some command.  How far it is believed is a logistic
regression on how well and how much of the sound it explains, beside the dictation of the same
sound, and how like the two are; and the command must be one that can be done on this page.
`lantern bench calibration` finds the weights anew (docs/hearing.md).
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from rapidfuzz.distance import Levenshtein

from nimble_lantern.core.document.model import Document, Range
from nimble_lantern.core.kinds import Judged, Lamp
from nimble_lantern.core.learning import taken_for
from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.reading import reader
from nimble_lantern.core.reading.exactly import Verdict, exactly
from nimble_lantern.core.reading.hearing import Hearing, Hypothesis, pace
from nimble_lantern.core.reading.homophones import writing_nothing
from nimble_lantern.core.reading.proposed import LEAST_SOUND, cued, guessed, not_cued, unusual
from nimble_lantern.core.reading.spelling import spelling_heard
from nimble_lantern.core.state import Sitting, Turned
from nimble_lantern.core.targets.sounds import phrase_key
from nimble_lantern.core.targets.words import exact, places
from nimble_lantern.core.writing.cardinals import cardinal, ordinal
from nimble_lantern.core.writing.spoken import plain

WEIGHTS = (-9.68, 2.10, 9.83, 9.47, -3.86, -1.57, -9.08)
"""Of `features`, in the same order; their sum is the logarithm of the odds for a command."""
LEAST_BELIEF = 0.13
"""Midway between the likeliest sentence of the calibration and the next command above it."""
LEAST_COVERAGE = 0.75
"""Of the dictated time; all commands of the calibration cover more than nine tenths."""
_LEAST_TO_DESTROY = 3.0
"""For a command that takes words away, and whose verb the dictation has nothing of."""
_HEARD = 0.3
_LEAST_WITH_MODEL = 0.15
"""The belief asked for where a larger model heard the same sound, too.

Fitted by hand to 445 commands and 370 sentences in six synthetic voices and a few people's: without
the model's evidence one sentence in forty was taken, with it none, and as many commands were done.
"""
_FIT_RANGE = (-8.0, 3.0)
_FLUENT, _FLUENCY = -0.2, 20.0
"""Mean log probability from which the model's own words are fluent, and what that counts.

"There is a box by the door" is read at -0.11, "both the last two words" for "bold" at -0.3.
"""
_A_FIT, _A_LIKENESS, _ITS_VERB = 0.15, 1.0, 0.3
_CLOSE, _SURE = -1.0, 2.5
_LONGER = 4  # words
_MOST_OF_ONE = 2
"""Words of a command in one word of the dictation, and one more: four are not heard of one."""
_LEAST_TO_OFFER, _CLOSE_ENOUGH = 1.5, -1.5
"""From which fit and belief the grammar's command goes before the model's own."""
_LEAST_UNCUED = -2.0
"""Fit of the grammar's command under which the model, told of commands, would have read it."""
_LEAST_MARGIN, _MOST_MARGIN = -2.0, 3.0
_FARTHEST = 0.5
"""Log score a frame below the best path from which an alternative is none."""
_A_RANK = 0.02
_DOUBTED = 0.5
_ALMOST = 0.75  # of the letters
_TELLING = 8  # letters
_EDGE = 0.05  # seconds
_MOST_MISHEARD, _LEAST_RUN = 2, 2  # words
_MOST_PLACES = 8
_ROUND_HERE = 60  # paragraphs
_LIKE = 0.4  # of the letters

Phrases = tuple[tuple[str, ...], ...]


@dataclass(frozen=True, slots=True)
class Decision:
    """The words to be read, cut at the pauses, and why they may not be what was said ("").

    `offer` is a command that may have been meant, where two engines do not agree.
    """

    phrases: Phrases
    heard: str
    doubt: str = ""
    offer: tuple[str, ...] = ()


def decide(sitting: Sitting, hearing: Hearing) -> Decision:
    """The words that an utterance is read from."""
    if sitting.lamp is not Lamp.LIT:
        awake = hearing.commands[:1] or hearing.hypotheses[:1]
        words = tuple(w.text for h in awake for w in h.words)
        return Decision((words,) if words else (), " ".join(words))
    if sitting.tray is not None and (hearing.commands or hearing.evidence):
        said = spelling_heard(sitting, hearing)
        # How sure the engines are of words says nothing of letters; those are seen, and undone.
        return Decision((said,), " ".join(said), _quiet(hearing))
    told = hearing.fits or hearing.guesses or hearing.cued
    if hearing.goes_on or hearing.doubt and not told:
        phrases = hearing.hypotheses[0].phrases() if hearing.hypotheses else ()
        return Decision(phrases, hearing.text, _doubt(hearing))
    found, sure = _command_meant(sitting, hearing)
    if dict(sitting.overturned).get(" ".join(found)) == Turned.TEXT:
        found = ()  # it was turned over: what was dictated is written
    if found and sure:
        return Decision((found,), " ".join(found))
    offer = found
    phrases = hearing.hypotheses[0].phrases() if hearing.hypotheses else ()
    if (tail := hearing.tail) and hearing.evidence is None and hearing.hypotheses:
        before, after = _parted(hearing.hypotheses[0], tail.start)
        found = _command(sitting, (after,), tail.commands, tail.margin)
        if found and before.words:
            phrases = (*before.phrases(), found)
            return Decision(phrases, " ... ".join(" ".join(p) for p in phrases))
    return Decision(phrases, hearing.text, _doubt(hearing), offer)


def _command_meant(sitting: Sitting, hearing: Hearing) -> tuple[tuple[str, ...], bool]:
    """The command that may have been spoken by all that was heard, and whether it was."""
    clear = hearing.evidence and hearing.hypotheses and not hearing.doubt
    if clear and (same := writing_nothing(sitting, hearing.hypotheses[0].said)):
        return same, True
    evidence = (hearing.evidence,) if hearing.evidence else hearing.hypotheses
    found, sure = _heard_command(sitting, evidence, hearing)
    guess, fit = guessed(sitting, hearing)
    if guess and not (sure and fit < max(hearing.fits, default=-math.inf)):
        return guess, True
    if found and sure:
        return found, True
    return cued(sitting, hearing) or (found, False)


def is_command(sitting: Sitting, hearing: Hearing) -> bool:
    """Whether the command grammar's words are believed."""
    evidence = (hearing.evidence,) if hearing.evidence else hearing.hypotheses
    return _heard_command(sitting, evidence, hearing)[1]


def _heard_command(
    sitting: Sitting, evidence: Sequence[Hypothesis], hearing: Hearing
) -> tuple[tuple[str, ...], bool]:
    """The words of the command that may have been spoken, and whether it is to be believed.

    Where another engine has the words (`hearing.evidence`), its reading counts as well: what it
    reads fluently is a sentence, and a command of its own has better words to be written.
    """
    said = hearing.hypotheses[0].said if hearing.evidence and hearing.hypotheses else ()
    ours = weighed(sitting, evidence, hearing.commands, hearing.margin, hearing.fits, said)
    if ours is None:
        return (), False
    if hearing.evidence is None or not hearing.hypotheses:
        return ours.words, _believed(ours)
    best = hearing.hypotheses[0]
    words = best.said
    fit = hearing.fits[ours.index] if ours.index < len(hearing.fits) else 0.0
    belief = ours.belief + max(_FIT_RANGE[0], min(_FIT_RANGE[1], fit))
    theirs = reader.judge(sitting, words, whole=True)
    if theirs.kind is Judged.COMMAND and theirs.parse and not hearing.doubt:
        plain = not theirs.free_words
        alike = ours.verdict.parse and ours.verdict.parse.command is theirs.parse.command
        # "And do that" is one only with something taken off: "undo that" may well be meant.
        outright = exactly(sitting, words, whole=True).kind is Judged.COMMAND
        closer = belief >= _SURE and (fit >= _CLOSE or not outright and not alike)
        closer = closer or not outright and not alike and _sound_alike(ours.words, words)
        # "Underline the lamproom" is what it heard, and "underline the lamp room" stands there.
        return (ours.words if closer and (plain or not alike) else words), True
    if _a_number(words) and not hearing.doubt or ours.coverage < LEAST_COVERAGE:
        # "Two", said alone, is text unless something is asked, whatever the grammar makes of it.
        return (), False
    same = _sound_alike(ours.words, words)
    if fit < _LEAST_UNCUED and not same and not_cued(hearing, ours.words):
        return (ours.words if belief >= _LEAST_TO_OFFER else ()), False
    fluent = max(0.0, best.score - _FLUENT)
    destroys = ours.verdict.parse is not None and ours.verdict.parse.command.traits.destructive
    # Speech is seldom taken for a longer command; noise fits any better than the words made of it.
    longer = _LONGER <= len(ours.words) <= _MOST_OF_ONE * len(words) + 1
    clear = longer and fit >= _CLOSE and best.score >= LEAST_SOUND
    if hearing.doubt and not clear and ours.words != words and not_cued(hearing, ours.words):
        return (), False
    careful = hearing.doubt and not clear or (hearing.doubt or fluent) and destroys
    least = _LEAST_TO_DESTROY if careful else _LEAST_WITH_MODEL
    if belief - _FLUENCY * fluent >= _least_belief(ours, least):
        return ours.words, True
    # "And do the last two" is fluent, and so near to a command that it is worth asking.
    return (ours.words if belief >= _LEAST_TO_OFFER and fit >= _CLOSE_ENOUGH else ()), False


def _sound_alike(some: Sequence[str], others: Sequence[str]) -> bool:
    keys = (phrase_key(" ".join(words)) for words in (some, others))
    return Levenshtein.distance(*keys) <= 1


def _a_number(words: Sequence[str]) -> bool:
    found = (cardinal(words, 0), ordinal(words, 0))
    return any(f is not None and f[1] == len(words) for f in found)


def _doubt(hearing: Hearing) -> str:
    if hearing.doubt or not hearing.hypotheses:
        return hearing.doubt
    words = hearing.hypotheses[0].words
    if quiet := _quiet(hearing):
        return quiet
    sure = sum(w.confidence for w in words) / len(words) if words else 1.0
    if sure < hearing.usual.least_confidence or pace(words) > hearing.usual.fastest:
        return "it was hard to make out"
    return ""


def _quiet(hearing: Hearing) -> str:
    """Why it may have been somebody else who spoke."""
    quiet = hearing.quieter > hearing.usual.most_quieter
    return "it was much quieter than you speak" if quiet else ""


def _parted(hypothesis: Hypothesis, at: float) -> tuple[Hypothesis, Hypothesis]:
    """What was said before a moment, and after."""
    before = tuple(w for w in hypothesis.words if (w.start + w.end) / 2 < at)
    return Hypothesis(before), Hypothesis(hypothesis.words[len(before) :])


@dataclass(frozen=True, slots=True)
class Weighed:
    """The likeliest command that can be done: its words, as what it reads, and the evidence.

    `opening` is how like its first word is to the dictation.
    """

    words: tuple[str, ...]
    verdict: Verdict
    evidence: tuple[float, ...]
    opening: float
    index: int = 0  # among the commands heard

    @property
    def coverage(self) -> float:
        """How much of the dictated time is words in the command, too."""
        return self.evidence[2]

    @property
    def belief(self) -> float:
        """The logarithm of the odds that it was said."""
        return sum(w * f for w, f in zip(WEIGHTS, self.evidence, strict=True))


def weighed(
    sitting: Sitting,
    dictated: Sequence[Hypothesis],
    commands: Sequence[Hypothesis],
    margin: float | None,
    fits: Sequence[float] = (),
    said: Sequence[str] = (),
) -> Weighed | None:
    """The command to be weighed against the dictation of the same sound, if there is one.

    `fits` and `said` are of a larger model.
    """
    found = likeliest(sitting, commands, fits, said)
    if found is None or margin is None or not dictated or not dictated[0].words:
        return None
    command, verdict = found
    words = _dictated_alike(sitting, dictated, command, verdict)
    if not words:
        words = _dictated_into(sitting, dictated[0], commands, command, verdict)
    free = bool(verdict.free_words)
    opening = _opening(command, dictated[0])
    evidence = features(sitting, words, command, dictated[0], margin, free, opening)
    return Weighed(words, verdict, evidence, opening, commands.index(command))


def _command(
    sitting: Sitting,
    dictated: Sequence[Hypothesis],
    commands: Sequence[Hypothesis],
    margin: float | None,
) -> tuple[str, ...]:
    """The words of the likeliest command that can be done, if it is to be believed; else none."""
    found = weighed(sitting, dictated, commands, margin)
    return found.words if found is not None and _believed(found) else ()


def _believed(found: Weighed) -> bool:
    return found.coverage >= LEAST_COVERAGE and found.belief >= _least_belief(found, LEAST_BELIEF)


def _dictated_alike(
    sitting: Sitting,
    dictated: Sequence[Hypothesis],
    command: Hypothesis,
    verdict: Verdict,
) -> tuple[str, ...]:
    """The first alternative of the dictation that is the heard command, too; or none.

    It is asked where the command has words to be written, of which the grammar knows few; and where
    the grammar heard more words in it than the likeliest dictation: those nobody said.
    """
    free = bool(verdict.free_words)
    for rank, hypothesis in enumerate(dictated):
        words = hypothesis.said
        if not (free or rank == 0 and _within(words, command)):
            continue
        found = reader.judge(sitting, words, whole=True)
        same = verdict.parse and found.parse and found.parse.command is verdict.parse.command
        if found.kind is Judged.COMMAND and (same or not free):
            return words
    return ()


def _within(words: Sequence[str], command: Hypothesis) -> bool:
    """Whether a command has all of these words, in this order, and others between them."""
    rest = iter(w.text for w in command.words)
    return len(words) < len(command.words) and all(word in rest for word in words)


def _least_belief(found: Weighed, least: float) -> float:
    destroys = bool(found.verdict.parse and found.verdict.parse.command.traits.destructive)
    unheard = found.opening < _HEARD
    return _LEAST_TO_DESTROY if destroys and unheard else least


def likeliest(
    sitting: Sitting,
    commands: Sequence[Hypothesis],
    fits: Sequence[float] = (),
    said: Sequence[str] = (),
) -> tuple[Hypothesis, Verdict] | None:
    """Of the heard commands that can be done, the one that scores best, with what is usual.

    Where there is a larger model, its fits count as well, and how like they are to its words:
    of "start the prunter" it is rather "start the prompter" than "stop the prompter".
    """
    found: list[tuple[float, Hypothesis, Verdict]] = []
    for rank, command in enumerate(commands):
        # The decoder weighed its first path again, so no other is better than it.
        behind = max(commands[0].score - command.score, rank * _A_RANK)
        if behind > _FARTHEST:
            continue
        words = command.said
        meant = taken_for(sitting.learned, words) or words
        verdict = reader.judge(sitting, meant, whole=True)
        alone = verdict.parse is not None and verdict.parse.command.traits.alone
        if verdict.kind is Judged.COMMAND and not alone:  # one word is too little to be sure of
            fit = _A_FIT * fits[rank] if rank < len(fits) else 0.0
            if said:
                fit += _A_LIKENESS * _alike(words, said) + _ITS_VERB * (words[:1] == said[:1])
            found.append((fit - behind - unusual(sitting, verdict), command, verdict))
    if not found:
        return None
    _, command, verdict = max(found, key=lambda f: f[0])
    return command, verdict


def features(
    sitting: Sitting,
    words: Sequence[str],
    command: Hypothesis,
    dictated: Hypothesis,
    margin: float,
    free: bool,
    opening: float,
) -> tuple[float, ...]:
    """The evidence for a command, heard as `command` and to be done as `words`.

    In the order of WEIGHTS: 1, margin, coverage, likeness of the letters, logarithm of the length,
    free words or none, and how much of the dictation is said over from the page: the less, the more
    of the command's verb was heard.
    """
    said = dictated.said
    return (
        1.0,
        max(_LEAST_MARGIN, min(_MOST_MARGIN, margin)),
        min(1.0, coverage(command, dictated)),
        _alike(words, said),
        math.log(max(1, len(words))),
        float(free),
        _said_over(sitting, said, opening) * (1 - opening),
    )


def _alike(some: Sequence[str], others: Sequence[str]) -> float:
    return Levenshtein.normalized_similarity("".join(some), "".join(others))


def _opening(command: Hypothesis, dictated: Hypothesis) -> float:
    """How like the command's first word is to the dictated one, or to what was heard then."""
    first = command.words[0]
    start, end = first.start - _EDGE, first.end + _EDGE
    then = [w.text for w in dictated.words if start <= (w.start + w.end) / 2 <= end]
    return max(_alike([first.text], heard) for heard in (then, [dictated.words[0].text]))


def _said_over(sitting: Sitting, words: Sequence[str], opening: float) -> float:
    """The share of the dictated words, from the first on, that stand on the page in a run.

    A command that names words on the page has a verb before them; a sentence that says over
    what stands there has not, though the grammar hears one in its first word.  The first words
    may be misheard, but must then be more like those on the page than like the verb.
    """
    here, share = _round_here(sitting), 0.0
    for misheard in range(min(_MOST_MISHEARD + 1, len(words))):
        run, where = _run(here, words[misheard:])
        if not misheard:
            share = run / len(words)
        elif run >= _LEAST_RUN:
            like = max(_alike(_before(here, w, misheard), words[:misheard]) for w in where)
            if like >= max(_LIKE, opening):
                share = max(share, (run + like * misheard) / len(words))
    return share


def _round_here(sitting: Sitting) -> Document:
    """The paragraphs before and after the writing place, as many as may be in view and more."""
    at = sitting.writing_place.block
    return Document(sitting.document.blocks[max(0, at - _ROUND_HERE) : at + _ROUND_HERE])


def _run(here: Document, words: Sequence[str]) -> tuple[int, list[Range]]:
    """How many of the words, from the first on, stand there in a run, and where."""
    run, where = 0, list[Range]()
    for end in range(1, len(words) + 1):
        found = exact(here, words[:end])
        if not found:
            break
        run, where = end, found[:_MOST_PLACES]
    return run, where


def _before(here: Document, place: Range, count: int) -> list[str]:
    """So many words before a place in its paragraph."""
    block = here.blocks[place.start.block]
    words = [block.text[s:e] for s, e in block.words if e <= place.start.offset]
    return [plain(w) for w in words[-count:]]


def coverage(command: Hypothesis, dictated: Hypothesis) -> float:
    """How much of the time that the dictated words take is words in the command, too."""
    speech = sum(w.end - w.start for w in dictated.words)
    return sum(w.end - w.start for w in command.words) / speech if speech > 0 else 1.0


def _dictated_into(
    sitting: Sitting,
    dictated: Hypothesis,
    commands: Sequence[Hypothesis],
    command: Hypothesis,
    verdict: Verdict,
) -> tuple[str, ...]:
    """Words to be written, in a spoken command, as the dictation of the same sound has them.

    The grammar knows few words besides those in view; it knows when they were spoken.  Words that
    stand on the page in the same order are believed as the grammar heard them.
    """
    words = command.said
    text = verdict.free_words
    at = _where(words, text)
    if not text or at is None:
        return words
    start, end = command.words[at].start, command.words[at + len(text) - 1].end
    heard = [w for w in dictated.words if start <= (w.start + w.end) / 2 <= end and w.end > w.start]
    opening, said, rest = words[:at], [w.text for w in heard], words[at + len(text) :]
    doubted = min((w.confidence for w in heard), default=0.0) < _DOUBTED
    for other in dict.fromkeys(words_of for c in commands for words_of in _ways(c)):
        found = _written_here(sitting, opening, rest, other)
        if found and (doubted or _alike(found[at:], (*said, *rest)) >= _ALMOST):
            return found
    return (*opening, *said, *rest) if heard else words


def _ways(command: Hypothesis) -> Iterator[tuple[str, ...]]:
    """A command's words, and without little ones at its end: a breath is taken for a word."""
    words = command.said
    yield words
    while len(words) > 1 and words[-1] in LITTLE:
        words = words[:-1]
    yield words


def _where(words: Sequence[str], part: Sequence[str]) -> int | None:
    starts = range(len(words) - len(part) + 1)
    return next((i for i in starts if tuple(words[i : i + len(part)]) == tuple(part)), None)


def _written_here(
    sitting: Sitting, opening: tuple[str, ...], rest: tuple[str, ...], words: tuple[str, ...]
) -> tuple[str, ...] | None:
    """A command between whose opening and rest there are free words that stand on the page."""
    at = len(opening)
    if words[:at] != opening:
        return None
    verdict = reader.judge(sitting, words, whole=True)
    text = verdict.free_words if verdict.kind is Judged.COMMAND else ()
    if _where(words, text) != at or words[at + len(text) :] != rest or not set(text) - LITTLE:
        return None
    if len("".join(text)) < _TELLING or _where(opening, text) is not None:
        return None
    return words if places(sitting.document, text, vocabulary=sitting.vocabulary) else None
