"""What an engine delivers for one stretch of speech."""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence
from dataclasses import astuple, dataclass, replace
from typing import Any

SHORT_PAUSE = 0.4
CUT = 0.25
"""Seconds of silence inside an utterance from which a command may begin or end."""
Might = tuple[tuple[str, float], ...]
"""The letters that a sound may be, the likeliest first, with what each costs: its negative
log-likelihood (natural) beside that of the likeliest.  Empty where it is no letter, or sure."""


@dataclass(frozen=True, slots=True)
class HeardWord:
    """A word with its start and end in seconds of the stream and its posterior, 0 to 1."""

    text: str
    start: float = 0.0
    end: float = 0.0
    confidence: float = 1.0


@dataclass(frozen=True, slots=True)
class Hypothesis:
    """One ranked guess at the words; `score` is its acoustic log score a frame."""

    words: tuple[HeardWord, ...]
    score: float = 0.0

    @property
    def said(self) -> tuple[str, ...]:
        return tuple(w.text for w in self.words)

    @property
    def text(self) -> str:
        return " ".join(self.said)

    def phrases(self) -> tuple[tuple[str, ...], ...]:
        """The words, cut at the pauses."""
        found: list[list[str]] = []
        last: HeardWord | None = None
        for word in self.words:
            if last is None or word.start - last.end >= CUT:
                found.append([])
            found[-1].append(word.text)
            last = word
        return tuple(tuple(p) for p in found)


@dataclass(frozen=True, slots=True)
class Tail:
    """What the command grammar made of the sound behind the last pause, from `start` seconds on."""

    start: float
    commands: tuple[Hypothesis, ...]
    margin: float


@dataclass(frozen=True, slots=True)
class Usual:
    """What is usual of a speaker: beyond these limits it may be somebody else, or no speech.

    The mean posterior of the words, decibels below the usual level, words a second.
    """

    least_confidence: float = 0.3
    most_quieter: float = 14.0
    fastest: float = 7.0


@dataclass(frozen=True, slots=True)
class Hearing:
    """Hypotheses, the likeliest first; perhaps what the command grammar made of the same sound.

    `margin` is the likeliest command's acoustic log score a frame less the dictation's, and None
    where there was no sound to score; where the hypotheses are another engine's, `evidence` is the
    dictation it was compared with.  `pause` is the silence before, in seconds; `quieter` how
    many decibels below the speaker's usual level it was, negative above, and `usual` the limits of
    what is usual of them.  `doubt` is the engine's own reason why it
    may not be what was said: nothing of it is done.  With `goes_on`, it begins in the middle of
    speech that was too long: then it is no command, whatever its words.  `fits` is how much better
    or worse each command fits the sound than the best hypothesis, by the other engine's mean log
    probability a token; `names` are words that engine writes with capitals inside sentences.
    While a word is spelled, `letters` has what each word of the best command may be, nothing where
    that is no letter.  `also` has the words of what that other engine made of it besides, and
    `guesses` commands that sound like its words, which are none, each with its fit; `cued`
    commands that it reads if it is told of commands, the likeliest first, each with its fit then;
    None where it was not told.
    """

    hypotheses: tuple[Hypothesis, ...]
    commands: tuple[Hypothesis, ...] = ()
    margin: float | None = None
    pause: float = 0.0
    source: str = "script"
    tail: Tail | None = None
    quieter: float = 0.0
    evidence: Hypothesis | None = None
    doubt: str = ""
    goes_on: bool = False
    fits: tuple[float, ...] = ()
    names: tuple[str, ...] = ()
    letters: tuple[Might, ...] = ()
    also: tuple[tuple[str, ...], ...] = ()
    guesses: tuple[tuple[tuple[str, ...], float], ...] = ()
    cued: tuple[tuple[tuple[str, ...], float], ...] | None = None
    usual: Usual = Usual()

    @property
    def text(self) -> str:
        """The words of the best hypothesis, with " ... " at the pauses."""
        if not self.hypotheses:
            return ""
        return " ... ".join(" ".join(p) for p in self.hypotheses[0].phrases())


_LEAST_PACED = 4
"""Words of which a pace can be told."""


def pace(words: Sequence[HeardWord]) -> float:
    """Words a second, in a second at least; 0 of too few words, or where no times are known."""
    seconds = words[-1].end - words[0].start if len(words) >= _LEAST_PACED else 0.0
    return len(words) / max(1.0, seconds) if seconds > 0 else 0.0


MOST_WORDS = 1000
"""Of one utterance: nobody says more in one breath, and it would hold up all that follows."""
LONGEST_WORD = 200
_PAUSE = re.compile(r"\(pause\s+(\d+(?:\.\d+)?)\)")
_WORD_SECONDS = 0.3
DOUBTED = 0.4
"""The posterior of a word that a script marks as doubted; under it a recogniser's is, too."""
_NO_TEXT = re.compile("[\x00-\x1f\x7f-\x9f\ud800-\udfff\ufffe\uffff]")


def well_formed(text: str) -> str:
    """Text that can be written and sent anywhere: no control signs, no halves of signs."""
    return _NO_TEXT.sub(" ", text)


def from_line(line: str, pause: float = 0.0, source: str = "script") -> Hearing:
    """A script's line as a Hearing: words of a third of a second, " ... " a short pause.

    Whole alternatives stand behind " | ", best first; a word with "?" right behind it was doubted.
    """
    text = well_formed(line).lower().replace("’", "'")
    readings = [_reading(part.split()) for part in text.split(" | ")]
    best, *others = readings
    return Hearing((best, *(h for h in others if h.words)), pause=pause, source=source)


def _reading(tokens: Iterable[str]) -> Hypothesis:
    words: list[HeardWord] = []
    now = 0.0
    for token in tokens:
        if token in ("...", "…"):
            now += SHORT_PAUSE
            continue
        doubted = len(token) > 1 and token.endswith("?")
        word = token.rstrip("?") or token
        sure = DOUBTED if doubted else 1.0
        words.append(HeardWord(word[:LONGEST_WORD], now, now + _WORD_SECONDS, sure))
        now += _WORD_SECONDS
    return Hypothesis(tuple(words))


def from_lines(lines: Iterable[str]) -> Iterable[Hearing]:
    """A script's lines as Hearings; comments and blank lines left out, pauses kept.

    A line of more than MOST_WORDS is several utterances, each going on with the one before.
    """
    pause = 0.0
    for line in lines:
        bare = line.strip()
        if not bare or bare.startswith("#"):
            continue
        found = _PAUSE.fullmatch(bare)
        if found:
            pause += float(found[1])
            continue
        words = bare.split(maxsplit=MOST_WORDS)
        if len(words) <= MOST_WORDS:
            yield from_line(bare, pause)
        else:
            words = bare.split()
            for at in range(0, len(words), MOST_WORDS):
                piece = from_line(" ".join(words[at : at + MOST_WORDS]), 0.0 if at else pause)
                yield replace(piece, goes_on=at > 0)
        pause = 0.0


def hearing_to_json(hearing: Hearing) -> dict[str, Any]:
    """A Hearing as plain data; `hearing_from_json` reads it back."""
    return {
        "hypotheses": [_hypothesis_row(h) for h in hearing.hypotheses],
        "commands": [_hypothesis_row(h) for h in hearing.commands],
        "margin": hearing.margin,
        "pause": hearing.pause,
        "source": hearing.source,
        "tail": _tail_row(hearing.tail) if hearing.tail else None,
        "quieter": hearing.quieter,
        "evidence": _hypothesis_row(hearing.evidence) if hearing.evidence else None,
        "doubt": hearing.doubt,
        "goes_on": hearing.goes_on,
        "fits": list(hearing.fits),
        "names": list(hearing.names),
        "letters": [[list(row) for row in might] for might in hearing.letters],
        "also": [" ".join(words) for words in hearing.also],
        "guesses": [[" ".join(words), fit] for words, fit in hearing.guesses],
        "cued": None if hearing.cued is None else [[" ".join(w), fit] for w, fit in hearing.cued],
        "usual": list(astuple(hearing.usual)),
    }


def _tail_row(tail: Tail) -> list[Any]:
    return [tail.start, tail.margin, [_hypothesis_row(h) for h in tail.commands]]


def _tail(row: list[Any]) -> Tail:
    start, margin, commands = row
    return Tail(start, tuple(_hypothesis(c) for c in commands), margin)


def hearing_from_json(data: dict[str, Any]) -> Hearing:
    """A Hearing from plain data; in the first form of it there was one command or none."""
    commands = data["commands"] if "commands" in data else [data["command"]]
    return Hearing(
        tuple(_hypothesis(row) for row in data["hypotheses"]),
        tuple(_hypothesis(row) for row in commands if row),
        data["margin"],
        data["pause"],
        data["source"],
        _tail(data["tail"]) if data.get("tail") else None,
        data.get("quieter", 0.0),
        _hypothesis(data["evidence"]) if data.get("evidence") else None,
        data.get("doubt", ""),
        data.get("goes_on", False),
        tuple(data.get("fits", ())),
        tuple(data.get("names", ())),
        tuple(tuple((c, cost) for c, cost in might) for might in data.get("letters", ())),
        tuple(tuple(words.split()) for words in data.get("also", ())),
        _guesses(data.get("guesses", ())),
        None if data.get("cued") is None else _guesses(data["cued"]),
        Usual(*data.get("usual", ())),
    )


def _guesses(rows: Iterable[Sequence[Any]]) -> tuple[tuple[tuple[str, ...], float], ...]:
    return tuple((tuple(words.split()), fit) for words, fit in rows)


def _hypothesis_row(hypothesis: Hypothesis) -> list[Any]:
    words = [[w.text, w.start, w.end, w.confidence] for w in hypothesis.words]
    return [hypothesis.score, words]


def _hypothesis(row: list[Any]) -> Hypothesis:
    score, words = row
    return Hypothesis(tuple(HeardWord(*word) for word in words), score)
