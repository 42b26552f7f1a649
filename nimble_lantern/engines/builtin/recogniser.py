"""Two decodings of the same sound, side by side: the command grammar and the language model."""

from __future__ import annotations

import threading
import time
from calendar import day_name, month_name
from collections.abc import Callable, Sequence
from dataclasses import replace
from functools import cache
from itertools import pairwise

from rapidfuzz.distance import Levenshtein
from wordfreq import top_n_list, word_frequency

from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.grammar.export import (
    Network,
    Page,
    either,
    filled,
    skeleton,
    with_wordings,
)
from nimble_lantern.core.lexicon.spellings import ALPHABET, SPELLED
from nimble_lantern.core.reading.hearing import (
    CUT,
    HeardWord,
    Hearing,
    Hypothesis,
    Might,
    Tail,
    from_line,
)
from nimble_lantern.core.reading.said_over import halts
from nimble_lantern.core.writing.spelling import letter
from nimble_lantern.core.writing.spoken import bare, plain, spoken_forms
from nimble_lantern.engines import Scene
from nimble_lantern.engines.builtin.adaptation import Adaptation
from nimble_lantern.engines.builtin.decoder import SINGLE_LETTERS, Decoded
from nimble_lantern.engines.builtin.kept import kept
from nimble_lantern.engines.builtin.worker import TooSlow, Worker
from nimble_lantern.engines.heap import give_back
from nimble_lantern.engines.pcm import RATE

SOURCE = "built-in"
PATIENCE_SECONDS = 3.0
"""How long after its end an utterance may take: noise that is taken for speech takes for ever."""
TOO_SLOW = "it took too long to make out"
_COST, _MOST_SLOW, _FORGETS = 0.6, 3.0, 0.9
"""Seconds that a second of sound takes to be heard once more, as long as that was never timed; by
how much the patience may grow where it takes more; and what is left of a cost nobody could pay."""
MOST_WORDS_IN_VIEW = 400
_FREE_WORDS = 300
_DATES = tuple(w.lower() for w in (*day_name, *month_name) if w)
_IN_VIEW = 1e-3
"""The share of speech a word has at least, among free ones, if it stands in view."""
_FORMS = 6
_CHOICE = 0.5
"""The share of choices in what is said while the page shows numbers to choose from."""
_LETTERS_SHARE = 0.98
"""The share of letters in what is said while a word is spelled."""
_BESIDE = 0.25
"""Seconds on either side of a letter that are heard with it, if nothing else was said there."""
_ONE_LETTER = 1.2
"""Seconds of an utterance, with some silence on either side, that is not more than a letter."""
_A_SCORE = 0.03
"""What a letter's path score is worth as a log-likelihood: frames are not independent."""
_LEAD_SECONDS = 0.12
"""Of the silence before a tail that is heard with it."""
_LONGEST_TAIL = 8
"""Words: what is longer is seldom a command, and would have to be waited for."""
_LEAST_ALIKE, _LONGEST_DOUBTED = 0.5, 7
"""A command less like the dictation is none; a longer one (in words) has too many alternatives."""
_STOPS = ".,;:!?…)"


LETTERS = tuple(sorted({"a.", *"bcdefghijklmnopqrstuvwxyz", *ALPHABET, *SPELLED}))
"""Words that stand for a letter, a sign or a figure.

"A." is the letter's name in the recogniser's dictionary, "a" the article, too.
"""


def letters() -> Network:
    """Letters one after another, each perhaps capital, double, or with a word that has it."""
    net = Network()
    net.start, net.final = net.state(), net.state()
    capital, double, example, more = (net.state() for _ in range(4))
    net.arc(net.final, more, None)
    net.weights[net.final, more, None] = _ANOTHER_LETTER
    net.arc(net.start, capital, "capital")
    net.arc(more, capital, "capital")
    for here in (net.start, capital, more):
        net.arc(here, double, "double")
    for here in (net.start, capital, double, more):
        for word in LETTERS:
            if here == double and word in _NEVER_DOUBLE:
                continue
            net.arc(here, net.final, word)
            share = _PLAIN_LETTER if word in SINGLE_LETTERS else _OTHER_LETTER
            share = _A_FIGURE if (letter(word) or "").isdecimal() else share
            net.weights[here, net.final, word] = share
    net.path(net.final, example, ("as", "in"), _AN_EXAMPLE)
    for word in _common_words():
        net.arc(example, net.final, word)
    return net


_PLAIN_LETTER, _OTHER_LETTER, _A_FIGURE, _AN_EXAMPLE = 0.03, 0.003, 1e-5, 0.01
"""How likely a letter, a word of the alphabet, a figure and an example ("as in boat") are next."""
_NEVER_DOUBLE = frozenset("hjquvwxy")
"""A "double u" is a letter of its own; a "double q" was one, too."""
_ANOTHER_LETTER = 1e-18
"""How likely another letter follows: with more, the vowel of one becomes another ("k" is "ka")."""


def _answers() -> set[str]:
    """The commands that only answer a question."""
    return {name for name, made in CATALOGUE.commands.items() if made.traits.answers}


def _of_letters() -> set[str]:
    """The commands that are only said while a word is spelled."""
    return {name for name, made in CATALOGUE.commands.items() if made.traits.spells}


@cache
def _skeleton() -> Network:
    skip = _answers() | _of_letters()
    return kept(
        CATALOGUE.grammar, skip, lambda: skeleton(CATALOGUE.grammar, CATALOGUE.named, skip=skip)
    )


@cache
def _spelling() -> Network:
    """Letters, and what is said of them."""
    kept = (
        _of_letters()
        | _answers()
        | {name for name, c in CATALOGUE.commands.items() if c.traits.leaves}
    )
    skip = CATALOGUE.commands.keys() - kept
    said_of_them = filled(
        skeleton(CATALOGUE.grammar, CATALOGUE.named, skip=skip),
        Page(free=dict.fromkeys(LETTERS, 1 / len(LETTERS))),
    )
    return either(letters(), said_of_them, _LETTERS_SHARE)


@cache
def _said_of_reading() -> Network:
    """What ends the reading of a text: the rest is understood by its words."""
    kept = {name for name, c in CATALOGUE.commands.items() if c.traits.ends_reading}
    skip = CATALOGUE.commands.keys() - kept
    return filled(skeleton(CATALOGUE.grammar, CATALOGUE.named, skip=skip), Page())


@cache
def _choices() -> Network:
    """The answers to a question, by themselves."""
    skip = CATALOGUE.commands.keys() - _answers()
    return filled(skeleton(CATALOGUE.grammar, CATALOGUE.named, skip=skip), Page())


@cache
def _common_words() -> dict[str, float]:
    words = (w for w in top_n_list("en", _FREE_WORDS) if w.isalpha() and w.isascii())
    return {w: word_frequency(w, "en") for w in (*words, *_DATES)}


Forms = list[tuple[tuple[str, ...], ...]]


def texts_in(scene: Scene) -> list[Forms]:
    """The words in view, text by text: each word's spoken forms, none for a mark between two."""
    texts: list[Forms] = []
    room = MOST_WORDS_IN_VIEW
    for text in scene.view:
        words = text.split()[:room]
        room -= len(words)
        forms: Forms = []
        for word in words:
            if sayable := tuple(_sayable(word)):
                forms.append(sayable)
            if word[-1] in _STOPS:
                forms.append(())
        texts.append(forms)
    return texts


def grammar_for(scene: Scene) -> Network:
    """The network of everything that can be said now."""
    if scene.spelling:
        return _spelling()
    if scene.reading:
        return _said_of_reading()
    texts = texts_in(scene)
    seen = {w for text in texts for forms in text for form in forms for w in form}
    common = _common_words()
    free = {**common, **{w: max(_IN_VIEW, common.get(w, 0.0)) for w in sorted(seen)}}
    names = {kind: [_said(name) for name in named] for kind, named in scene.names}
    page = Page(texts, names, free)
    net = with_wordings(filled(_skeleton(), page), scene.wordings, texts)
    return either(_choices(), net, _CHOICE) if scene.choosing else net


def _said(name: str) -> tuple[str, ...]:
    """A name as it is spoken most likely."""
    return tuple(w for word in name.split() for w in spoken_forms(word)[0])


def said_in(scene: Scene) -> list[list[str]]:
    """The texts in view as they are spoken most likely, for the model of the document."""
    texts = [[w for forms in text if forms for w in forms[0]] for text in texts_in(scene)]
    names = [list(_said(name)) for _, named in scene.names for name in named]
    return [text for text in (*texts, *names) if text]


def _sayable(word: str) -> list[tuple[str, ...]]:
    if not (core := bare(word)):
        return []
    return [f for f in spoken_forms(core)[:_FORMS] if all(w.isascii() for w in f)]


class BuiltIn:
    """The engine behind `hear` and the desk: one dictation and one command decoder."""

    def __init__(self) -> None:
        self.dictation, self.command = Worker("dictation"), Worker("command")
        self.adaptation = Adaptation(self.dictation, self.command)
        self.lock = threading.RLock()
        self._scene: Scene | None = None
        self._kept: list[bytes] = []  # the sound of the utterance
        self._began = 0.0
        self._cost = _COST

    def look(self, scene: Scene) -> None:
        """Listen for what this scene allows, from the next utterance on."""
        known = replace(scene, beside=False)
        if self._scene is not None and known == replace(self._scene, beside=False):
            self._scene = scene
            return
        self._scene = scene
        if scene.resting:
            self.command.prepare("rest")
            return
        net = grammar_for(scene)
        self.command.prepare("grammar", net.arcs, net.start, net.final, net.weights)
        del net
        give_back()
        self.dictation.prepare("page", said_in(scene))

    def hear(self, sound: bytes, scene: Scene) -> Hearing:
        with self.lock:
            self.look(scene)
            self._kept = [sound]
            self._began = time.monotonic()
            return self._bounded(lambda due: self._whole(sound, due))

    def begin(self, scene: Scene) -> None:
        """An utterance begins in a live stream."""
        self.look(scene)
        self._kept = []
        self._began = time.monotonic()
        if not scene.resting:
            self.dictation.start()
        self.command.start()

    def sound(self, sound: bytes) -> None:
        self._kept.append(sound)
        if not self._resting:
            self.dictation.sound(sound)
        self.command.sound(sound)

    @property
    def partial(self) -> str:
        return "" if self._resting else self.dictation.partial

    def drop(self) -> None:
        """What began was no speech."""
        if not self._resting:
            self.dictation.drop()
        self.command.drop()

    def end(self) -> Hearing:
        """The hearing; what takes much longer than PATIENCE_SECONDS to make out is given up."""
        if self._reading:
            return self._bounded(self._ended_over_reading)
        self.command.ask_end()
        if not self._resting:
            self.dictation.ask_end()
        return self._bounded(self._ended)

    def _ended_over_reading(self, due: float) -> Hearing:
        """What ends the reading is known at once; all else waits for the words of dictation."""
        self.command.ask_whole(b"".join(self._kept))
        commands = self.command.result(due).hypotheses
        if halts(commands):
            self.dictation.drop()
            return Hearing((), commands, source=SOURCE)
        self.dictation.ask_end()
        return Hearing(self.dictation.result(due).hypotheses, commands, source=SOURCE)

    def _bounded(self, find: Callable[[float], Hearing]) -> Hearing:
        """A hearing in time, or one that says that it was given up, with the words so far.

        Sound that came faster than it was spoken, as after a lost connection, may take as long as
        it was spoken.
        """
        ended = time.monotonic()
        for worker in (self.command, self.dictation):
            worker.until_ready()
        spoken = self._seconds
        slow = min(_MOST_SLOW, max(1.0, self._cost / _COST))
        ready = time.monotonic()
        due = max(ready, self._began + spoken) + PATIENCE_SECONDS * slow
        # What was said while they were made ready is yet to be heard, by both at a time.
        due += 2 * self._cost * min(spoken, ready - ended)
        try:
            return find(due)
        except TooSlow:
            words = self.dictation.partial if not self._resting else ""
            self.dictation.give_up()
            self.command.give_up()
            if self._resting:
                return Hearing((), source=SOURCE)
            return replace(from_line(words, source=SOURCE), doubt=TOO_SLOW)

    @property
    def _seconds(self) -> float:
        """How long the utterance is."""
        return sum(map(len, self._kept)) / 2 / RATE

    @property
    def _resting(self) -> bool:
        return self._scene is not None and self._scene.resting

    @property
    def _reading(self) -> bool:
        return self._scene is not None and self._scene.reading

    @property
    def _spelling(self) -> bool:
        return self._scene is not None and self._scene.spelling

    @property
    def _beside(self) -> bool:
        return self._scene is not None and self._scene.beside

    def _ended(self, due: float) -> Hearing:
        """A voice that is new is heard once more, now that its mean is known, if there is time."""
        if self._resting:
            return _awake(self.command.result(due))
        text, command = self.dictation.result(due), self.command.result(due)
        # Letters are too short to tell the mean of a voice.
        known = text.voice_known and command.voice_known or self._beside or self._spelling
        if not known and (seconds := self._seconds):
            if seconds * self._cost < min(w.left(due) for w in (self.dictation, self.command)):
                text, command = self._once_more(seconds, due) or (text, command)
            else:
                self._cost *= _FORGETS
        return self._hearing(text, command, due)

    def _once_more(self, seconds: float, due: float) -> tuple[Decoded, Decoded] | None:
        """The whole heard at once; nothing if that takes too long: what is known must do."""
        begun = time.monotonic()
        try:
            return self._at_once(b"".join(self._kept), due)
        except TooSlow:
            self.dictation.give_up()
            self.command.give_up()
            return None
        finally:
            took = (time.monotonic() - begun) / seconds
            self._cost = (self._cost + took) / 2

    def _whole(self, sound: bytes, due: float) -> Hearing:
        if self._resting:
            self.command.ask_whole(sound)
            return _awake(self.command.result(due))
        return self._hearing(*self._at_once(sound, due), due)

    def _at_once(self, sound: bytes, due: float) -> tuple[Decoded, Decoded]:
        """What a sound comes to as dictation and as a command.  TooSlow after `due`."""
        self.command.ask_whole(sound)
        self.dictation.ask_whole(sound)
        return self.dictation.result(due), self.command.result(due)

    def _hearing(self, text: Decoded, command: Decoded, due: float) -> Hearing:
        if self._reading:
            return Hearing(text.hypotheses, command.hypotheses, source=SOURCE)
        if not text.hypotheses and not (self._spelling and command.hypotheses):
            return Hearing((), source=SOURCE)
        commands, margin = self._weighed(text, command, due), command.score - text.score
        if self._spelling:
            commands, letters = self._spelled(commands, due)
            return Hearing(text.hypotheses, commands, margin, source=SOURCE, letters=letters)
        tail = None if self._beside else self._tail(text.hypotheses[0], due)
        if not commands:
            return Hearing(text.hypotheses, source=SOURCE, tail=tail)
        return Hearing(text.hypotheses, commands, margin, source=SOURCE, tail=tail)

    def _weighed(self, text: Decoded, command: Decoded, due: float) -> tuple[Hypothesis, ...]:
        """The command, and its alternatives where they may tell more: they take time to find."""
        said = text.hypotheses[0] if text.hypotheses else Hypothesis(())
        like = _alike(command.hypotheses[0], said) if command.hypotheses else _LEAST_ALIKE
        doubted = _LEAST_ALIKE <= like < 1 and len(said.words) <= _LONGEST_DOUBTED
        letters = command.hypotheses and all(w.text in LETTERS for w in command.hypotheses[0].words)
        if letters if self._spelling else not doubted:
            return command.hypotheses
        self.command.ask_alternatives()
        try:
            return self.command.result(due).hypotheses or command.hypotheses
        except TooSlow:
            self.command.give_up()
            return command.hypotheses

    def _spelled(
        self, commands: tuple[Hypothesis, ...], due: float
    ) -> tuple[tuple[Hypothesis, ...], tuple[Might, ...]]:
        """The commands, and what each word of the best may be as a letter.

        Something short that is neither letters nor said of them is the likeliest letter.
        """
        sound = b"".join(self._kept)
        seconds = len(sound) / 2 / RATE
        if not commands and seconds < _ONE_LETTER:
            (might,) = self._letters(sound, [(0.0, seconds)], due)
            word = HeardWord(might[0][0] if might else "", 0.0, seconds, 0.0)
            return ((Hypothesis((word,)),), (might,)) if might else ((), ())
        words = commands[0].words if commands else ()
        begins = [0.0, *(w.end for w in words)]
        ends = [*(w.start for w in words[1:]), seconds]
        spans = {
            n: (max(begins[n], w.start - _BESIDE), min(ends[n], w.end + _BESIDE))
            for n, w in enumerate(words)
            if w.text in SINGLE_LETTERS
        }
        found = dict(zip(spans, self._letters(sound, list(spans.values()), due), strict=True))
        commands = tuple(map(_as_said, commands))
        return commands, tuple(found.get(n, ()) for n in range(len(words)))

    def _letters(
        self, sound: bytes, spans: Sequence[tuple[float, float]], due: float
    ) -> list[Might]:
        """What letter was said in each span of a sound; nothing where that takes too long."""
        if not spans:
            return []
        self.command.ask_letters(sound, spans)
        try:
            return [_might(scores) for scores in self.command.result(due)]
        except TooSlow:
            self.command.give_up()
            return [()] * len(spans)

    def _tail(self, best: Hypothesis, due: float) -> Tail | None:
        """What was said behind the last pause, heard by itself: it may be a command."""
        behind = [b.start for a, b in pairwise(best.words) if b.start - a.end >= CUT]
        if not behind or len([w for w in best.words if w.start >= behind[-1]]) > _LONGEST_TAIL:
            return None
        start = max(0.0, behind[-1] - _LEAD_SECONDS)
        sound = b"".join(self._kept)[round(start * RATE) * 2 :]
        self.command.ask_whole(sound)
        self.dictation.ask_whole(sound)
        try:
            text, command = self.dictation.result(due), self.command.result(due)
            if not text.hypotheses or not (commands := self._weighed(text, command, due)):
                return None
        except TooSlow:
            self.dictation.give_up()
            self.command.give_up()
            return None
        return Tail(behind[-1], commands, command.score - text.score)

    def close(self) -> None:
        self.dictation.close()
        self.command.close()


def _as_said(hypothesis: Hypothesis) -> Hypothesis:
    """With the letter "a" as it is written: its name in the dictionary has a point."""
    words = (replace(w, text=w.text.rstrip(".")) for w in hypothesis.words)
    return replace(hypothesis, words=tuple(words))


def _might(scores: dict[str, float]) -> Might:
    costs = ((letter, _A_SCORE * lacks) for letter, lacks in scores.items())
    return tuple(sorted(costs, key=lambda row: row[1]))


def _alike(some: Hypothesis, other: Hypothesis) -> float:
    """How much of their letters is the same, from 0 to 1."""
    letters = ("".join(plain(w.text) for w in h.words) for h in (some, other))
    return Levenshtein.normalized_similarity(*letters)


def _awake(found: Decoded) -> Hearing:
    return Hearing((), found.hypotheses, source=SOURCE)
