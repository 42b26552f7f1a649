"""The larger model as the desk's ear for dictation; commands are heard by the grammar beside it."""

from __future__ import annotations

import threading
import time
from collections.abc import Callable, Sequence
from dataclasses import replace
from functools import lru_cache
from pathlib import Path
from typing import Any, Protocol

from wordfreq import zipf_frequency

from nimble_lantern.core.errors import BadInput
from nimble_lantern.core.mending.letters import FARTHEST
from nimble_lantern.core.reading.cued import Commands, cue
from nimble_lantern.core.reading.hearing import HeardWord, Hearing, Hypothesis, Might
from nimble_lantern.core.writing.spoken import bare
from nimble_lantern.engines import Scene, Transcribed
from nimble_lantern.engines.builtin.worker import TooSlow
from nimble_lantern.engines.whisper.dictated import DICTATED
from nimble_lantern.engines.whisper.guards import NOBODY, doubt
from nimble_lantern.engines.whisper.model import Transcript, Written
from nimble_lantern.engines.whisper.spoken import names, spoken
from nimble_lantern.engines.whisper.worker import ModelWorker

SOURCE = "model"
MOST_NAMES = 30
"""Words of the page that the model is told of; with many more it begins to recite them."""
_RARE = 3.6  # on wordfreq's Zipf scale; what is commoner the model knows how to spell
_SHORTEST = 3
PATIENCE_SECONDS = 8.0
"""How long an answer is waited for, after the end of speech."""


class Process(Protocol):
    """What a ModelWorker is, and a stand-in in tests."""

    firm: str

    @property
    def partial(self) -> str: ...
    def prepare(self, *what: object) -> None: ...
    def start(self) -> None: ...
    def sound(self, sound: bytes) -> None: ...
    def drop(self) -> None: ...
    def give_up(self) -> None: ...
    def ask_end(self) -> None: ...
    def ask_fit(self, texts: Sequence[str], cue: str = "") -> None: ...
    def ask_cued(self, cue: str) -> None: ...
    def ask_led(self, words: Sequence[str]) -> None: ...
    def result(self, due: float) -> object: ...
    def close(self) -> None: ...


class LargerModel:
    """Transcriber with the model of a folder, in a process that is started when first needed."""

    def __init__(self, folder: Path, process: Callable[[Path], Process] = ModelWorker) -> None:
        self.folder, self._open = folder, process
        self._process: Process | None = None
        self._opening = threading.Lock()
        self._told_last: tuple[tuple[str, ...], str] = (), ""
        self._cue = ""
        self._began = False

    @property
    def name(self) -> str:
        return self.folder.name

    def warm(self) -> None:
        """Load the model before anybody speaks."""
        self._ready()

    def begin(self, scene: Scene) -> None:
        process = self._ready()
        dictating = not (scene.punctuated or scene.spelling or scene.resting)
        names, before = hotwords(scene), DICTATED if dictating else ""
        if (names, before) != self._told_last:
            self._told_last = names, before
            process.prepare("told", names, before)
        self._cue = cue(scene.view, names)
        process.start()
        self._began = True

    def sound(self, sound: bytes) -> None:
        if self._began:
            self._ready().sound(sound)

    def drop(self) -> None:
        if self._began:
            self._ready().drop()
        self._began = False

    @property
    def partial(self) -> str:
        return self._ready().partial.lower() if self._began else ""

    def end(self) -> None:
        """The utterance is over: its readings are wanted."""
        if self._began:
            self._ready().ask_end()

    def transcribe(self, marks: bool, beside: Sequence[HeardWord]) -> Transcribed:
        """The words of the utterance that just ended.  BadInput if the model cannot be used.

        Nothing, and no doubt, if it was not listening or is far too slow.
        """
        if not self._began:
            return Transcribed()
        self._began = False
        process = self._ready()
        try:
            found = process.result(time.monotonic() + PATIENCE_SECONDS)
        except TooSlow:
            process.give_up()
            return Transcribed(slow=True)
        assert isinstance(found, Transcript)
        why = doubt(found, beside)
        readings: dict[str, Hypothesis] = {}
        for reading in found.readings:
            # Readings that differ in capitals and marks only are one: the likeliest stands for it.
            if words := spoken(reading.words, marks, beside):
                readings.setdefault(
                    " ".join(w.text for w in words), Hypothesis(words, reading.score)
                )
        if why == NOBODY or not readings:
            return Transcribed(doubt=why or NOBODY)
        best = found.readings[0]
        return Transcribed(tuple(readings.values()), names(best.words), why)

    def fits(self, texts: Sequence[str], cued: bool = False) -> tuple[float, ...]:
        """How well texts fit the sound just transcribed: mean log probability a token, each.

        `cued`: as if commands had come before.
        """
        self._ready().ask_fit(texts, self._cue if cued else "")
        return self._told()

    def cued(self) -> tuple[tuple[str, ...], ...]:
        """What the sound just transcribed is read as if commands had come before."""
        self._ready().ask_cued(self._cue)
        readings = (tuple(Written(f" {w}", 0, 0, 1) for w in t.split()) for t in self._told())
        return tuple(tuple(w.text for w in spoken(reading)) for reading in readings)

    def letters(self, words: Sequence[str]) -> tuple[dict[str, float], ...]:
        """What each of these words would be as a letter there: log probabilities; or nothing."""
        self._ready().ask_led(words)
        return self._told()

    def _told(self) -> tuple[Any, ...]:
        """What was asked for; nothing if it takes too long."""
        process = self._ready()
        try:
            found = process.result(time.monotonic() + PATIENCE_SECONDS)
        except TooSlow:
            process.give_up()
            return ()
        assert isinstance(found, tuple)
        return found

    def close(self) -> None:
        if self._process is not None:
            self._process.close()
            self._process = None

    def _ready(self) -> Process:
        # It is made ready by one thread while another hears the first words: once is enough.
        with self._opening:
            if self._process is None:
                if not (self.folder / "model.bin").is_file():
                    raise BadInput(
                        f"There is no speech model in {self.folder} (no model.bin); “lantern ears” "
                        "lists what there is."
                    )
                self._process, self._told_last = self._open(self.folder), ((), "")
            return self._process


_MOST_FITTED = 3
_MOST_CUED = 2  # each takes an eighth of a second to be fitted
_LEAST_MARGIN = 0.0
"""Of the grammar's command (`Hearing.margin`), under which it is not worth hearing again: at 47
commands that the model had not made out it was 0.2 at least, at half of 158 sentences less than 0.
"""
_ODDS, _UNHEARD = 0.7, 1.0
"""What the model's log probabilities of letters are worth beside the other engine's costs, and what
a letter costs more that engine had no path for.  Fitted to letters of two voices."""


class Judge(Protocol):
    """What is asked of a larger model about the sound that it just heard."""

    def fits(self, texts: Sequence[str], cued: bool = False) -> tuple[float, ...]: ...
    def cued(self) -> tuple[tuple[str, ...], ...]: ...
    def letters(self, words: Sequence[str]) -> tuple[dict[str, float], ...]: ...


Words = tuple[str, ...]


_MOST_GUESSED_FROM = 3
"""Readings; those after it are far from what was said."""


def with_larger(
    hearing: Hearing, made: Transcribed, model: Judge, desk: Commands | None = None
) -> Hearing:
    """A hearing of the built-in engine with a larger model's words in the place of its own.

    The model is asked how well commands that were heard, or are guessed, fit the sound, beside its
    own words; what it reads if it is told of commands; and what letters they are.
    """
    if not made.hypotheses:
        if made.doubt == NOBODY:
            # Whatever the built-in engine made of it, the better ear heard nobody.
            return replace(hearing, hypotheses=(), commands=(), tail=None)
        return hearing
    ours = hearing.hypotheses[0] if hearing.hypotheses else None
    commands = hearing.commands[:_MOST_FITTED]
    said = made.hypotheses[0]
    guessed = _guessed(made, desk) if desk else ()
    fitted = (*(c.text for c in commands), *(" ".join(words) for words in guessed))
    likely = (0.0,) * len(fitted)
    if any(text != said.text for text in fitted):
        own, *others = model.fits((said.text, *fitted)) or (0.0,)
        likely = tuple(other - own for other in others)
    return replace(
        hearing,
        hypotheses=made.hypotheses,
        commands=commands,
        fits=likely[: len(commands)],
        tail=None,
        evidence=ours,
        doubt=made.doubt,
        names=made.names,
        source=SOURCE,
        letters=_letters(hearing, model),
        also=tuple(h.said for h in hearing.hypotheses[1:]),
        guesses=tuple(zip(guessed, likely[len(commands) :], strict=False)),
        cued=_cued(hearing, made, model, desk) if desk else None,
    )


def _guessed(made: Transcribed, desk: Commands) -> tuple[Words, ...]:
    """Commands among the model's next readings, and those that sound like what it read, or like
    its next readings if that is like none."""
    readings = [h.said for h in made.hypotheses[:_MOST_GUESSED_FROM]]
    if not desk.may_be(readings[0]):
        return ()
    read = tuple(words for words in readings[1:] if desk.is_one(words))
    likened = (tuple(desk.sounding_like(words)) for words in readings)
    return tuple(dict.fromkeys((*read, *next((found for found in likened if found), ()))))


def _cued(
    hearing: Hearing, made: Transcribed, model: Judge, desk: Commands
) -> tuple[tuple[Words, float], ...] | None:
    """Commands that the model reads when told of commands, and how much better they fit then.

    None if it was not told, or is too slow: then nothing can be made of what it did not read.
    """
    said = made.hypotheses[0].said
    unlike = not hearing.commands or (hearing.margin or 0.0) < _LEAST_MARGIN
    if unlike or not desk.may_be(said, bool(made.doubt)):
        return None
    heard = [h.said for h in (*made.hypotheses, *hearing.hypotheses)]
    if not (readings := model.cued()):
        return None
    found = desk.among(readings, heard)[:_MOST_CUED]
    likely = model.fits([" ".join(words) for words in (said, *found)], True) if found else ()
    if len(likely) <= len(found):
        return None if found else ()
    return tuple((words, fit - likely[0]) for words, fit in zip(found, likely[1:], strict=True))


def _letters(hearing: Hearing, model: Judge) -> tuple[Might, ...]:
    """What the letters of a spelling may be by both engines: they are wrong in different ways."""
    if not any(hearing.letters):
        return hearing.letters
    told = model.letters([w.text for w in hearing.commands[0].words])
    if len(told) != len(hearing.letters):
        return hearing.letters
    return tuple(
        _both(might, odds) if might else ()
        for might, odds in zip(hearing.letters, told, strict=True)
    )


def _both(might: Might, odds: dict[str, float]) -> Might:
    costs, unheard = dict(might), might[-1][1] + _UNHEARD
    both = {c: costs.get(c, unheard) - _ODDS * odd for c, odd in odds.items()}
    least = min(both.values())
    rows = ((c, cost - least) for c, cost in both.items() if cost - least <= FARTHEST)
    return tuple(sorted(rows, key=lambda row: row[1]))


@lru_cache(maxsize=50_000)
def _rare(word: str) -> bool:
    return len(word) >= _SHORTEST and zipf_frequency(word, "en") < _RARE


def hotwords(scene: Scene) -> tuple[str, ...]:
    """Names and rare words of what is in view, the nearest first, as they are written there."""
    found: dict[str, str] = {}
    for text in (*scene.view, *(name for _, some in scene.names for name in some)):
        for token in text.split():
            word = bare(token).removesuffix("’s").removesuffix("'s")
            if word.isalpha() and _rare(word.lower()):
                found.setdefault(word.lower(), word)
        if len(found) >= MOST_NAMES:
            break
    return tuple(list(found.values())[:MOST_NAMES])
