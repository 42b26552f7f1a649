"""One PocketSphinx decoder, wrapped so that the calls which crash the interpreter cannot be made.

Runs in a process of its own (see worker): every call holds the interpreter's lock, and a decoder
that dies must not take the desk with it.
"""

from __future__ import annotations

import math
import tempfile
from collections import Counter
from collections.abc import Iterable, Iterator, Mapping, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, replace
from difflib import SequenceMatcher
from functools import cached_property
from itertools import count, islice, takewhile
from typing import Any

from pocketsphinx import Decoder

from nimble_lantern.core.mending.pronouncing import KNOWN, pronunciation
from nimble_lantern.core.reading.hearing import HeardWord, Hypothesis
from nimble_lantern.core.writing.spelling import letter
from nimble_lantern.engines.builtin.rescoring import Rescorer
from nimble_lantern.engines.builtin.sounds import VARIANTS
from nimble_lantern.engines.pcm import RATE

FRAMES_A_SECOND = 100
_MOST_PATHS = 200
MOST_TRAILING = 2
_SLACK_FRAMES = 20
_LOG_BASE = math.log(1.0001)
WAKING = "start listening"
WAKING_THRESHOLD = 1e-25
"""Likelihood ratio against all phones from which the waking phrase counts (docs/hearing.md)."""
_NOT_WAKING = (
    "stop listening", "just listening", "start to listen", "they start to listen",
    "start the list", "start the list again", "start lifting", "start lifting the boat",
)  # fmt: skip
_WIDE = {"beam": 1e-48, "pbeam": 1e-48}
_OF_LETTERS = {"beam": 1e-80, "pbeam": 1e-80, "wbeam": 1e-60}
SINGLE_LETTERS = ("a.", *"bcdefghijklmnopqrstuvwxyz", "zed")
"""Their names in the dictionary: "a" is the article, too."""
Letters = dict[str, float]
_QUIET = b"\0\0" * 4800  # a keyword is only found some frames after it
_BEFORE_WAKING, _AFTER_WAKING = 70, 90  # frames of other sound that there may be
_KNOWN_WAYS = 8  # no word of the dictionary has more
LANGUAGE_WEIGHT = 4.5
"""Of the language model's logarithms beside the acoustic ones; 6.5 is the default."""
MOST_WORDS_A_FRAME = 40
"""That may end in a frame.  In speech it changes next to nothing; without it, half a minute of
people talking takes another forty seconds after its end, to find out what it was."""
_RAREST = 1e-8
_LEAST_LOG = -745.0
_BAD_FRAME = -6.0
_SCALE = 1024
"""Path scores are kept divided by this (SENSCR_SHIFT of the decoder)."""
Arc = tuple[int, int, str | None]
VOICE_FRAMES = 500
"""Of speech from which a voice is known: five seconds."""
_FILLERS = frozenset(("<s>", "</s>", "<sil>", "[NOISE]", "[SPEECH]", "[COUGH]", "(NULL)"))


@dataclass(frozen=True, slots=True)
class Decoded:
    """What one decoding came to; `score` is the acoustic log score a frame.

    Until the decoder knows the voice, an utterance is better decoded once more, whole.
    """

    hypotheses: tuple[Hypothesis, ...]
    frames: int
    score: float
    voice_known: bool = True


NOTHING = Decoded((), 0, 0.0)
Voice = tuple[list[float], int]
"""The cepstral mean to go on with, and how many frames of speech it is known from."""


@contextmanager
def _in_file(transform: str | None) -> Iterator[dict[str, str]]:
    """The decoder's option for an adaptation: it is read from a file, at once."""
    if transform is None:
        yield {}
        return
    with tempfile.NamedTemporaryFile("w", suffix=".mllr", encoding="ascii") as file:
        file.write(transform)
        file.flush()
        yield {"mllr": file.name}


def _timed(hypothesis: Hypothesis, best: Hypothesis) -> Hypothesis:
    """An alternative with the times and the confidence of the best one's words in the same places.

    The decoder has neither for alternatives; and a doubt is about the sound, which is the same.
    """
    words, known = list(hypothesis.words), best.words
    matcher = SequenceMatcher(None, [w.text for w in known], [w.text for w in words], False)
    for _, a, b, i, j in matcher.get_opcodes():
        if i == j:
            continue
        least = min((w.confidence for w in known[a:b]), default=0.0)
        start = known[a].start if a < len(known) else known[-1].end
        end = known[b - 1].end if b > a else start
        step = (end - start) / (j - i)
        for n in range(i, j):
            if b - a == j - i:
                like = known[a + n - i]
                words[n] = replace(like, text=words[n].text)
            else:
                at = start + (n - i) * step
                words[n] = replace(words[n], start=at, end=at + step, confidence=least)
    return Hypothesis(tuple(words), hypothesis.score)


class DictationDecoder:
    """The default language model, its alternatives ranked again by the words of the page."""

    settings: Mapping[str, Any] = {"lw": LANGUAGE_WEIGHT, "wip": 0.3, "maxwpf": MOST_WORDS_A_FRAME}
    most = 5
    score_unit = 1
    depth = 40  # how many alternatives are ranked

    def __init__(self, transform: str | None = None, voice: Voice | None = None) -> None:
        """`transform` is an adaptation to a speaker (adapting), `voice` what another one knew."""
        quick = {"samprate": 16000, "fwdflat": False, "maxhmmpf": 3000, **self.settings}
        with _in_file(transform) as adapted:
            self.decoder = Decoder(loglevel="FATAL", logfn=None, **quick, **adapted)
        self._open, self._came_with = False, ""
        self._carried_on: list[float] | None = None  # the mean to stream on with
        self._voice_frames = 0
        if voice is not None:
            mean, self._voice_frames = voice
            self._go_on_with(mean)

    @cached_property
    def rescorer(self) -> Rescorer:
        return Rescorer(self._given, self.decoder.lookup_word)

    @cached_property
    def _language(self) -> Any:
        return self.decoder.get_lm("_default")

    def _given(self, words: Sequence[str]) -> float:
        """The large model's probability of the last word after the others."""
        return max(_RAREST, math.exp(self._language.prob(words[::-1]) * _LOG_BASE))

    def page(self, texts: Sequence[Sequence[str]]) -> None:
        """Expect the words of these texts, as they are spoken, from the next result on."""
        self.rescorer.look(texts)

    def start(self) -> None:
        """Begin; the cepstral mean goes on from the last stream, so a voice is learned."""
        if self._open:
            self.decoder.end_utt()
        if self._carried_on:
            self._streaming_again(self._carried_on)
        self._came_with = self.decoder.get_cmn(False)
        self.decoder.start_utt()
        self._open = True

    def drop(self) -> None:
        """That was no speech: it teaches nothing of the voice."""
        if self._open:
            self.decoder.end_utt()
            self.decoder.set_cmn(self._came_with)
        self._open = False

    def sound(self, sound: bytes) -> None:
        if self._open and sound:
            self.decoder.process_raw(sound, False, False)

    def _mean(self) -> list[float]:
        return [float(value) for value in self.decoder.get_cmn(False).split(",")]

    def partial(self) -> str:
        hypothesis = self.decoder.hyp() if self._open else None
        return str(hypothesis.hypstr) if hypothesis else ""

    def end(self) -> Decoded:
        """The result; start() must come before the next sound."""
        if not self._open:
            return NOTHING
        self.decoder.end_utt()
        self._open = False
        frames = self.decoder.n_frames()
        words, score, covered = self._segments()
        if not words or covered < frames - _SLACK_FRAMES:
            # A grammar's path that gave up before the sound ended explains nothing.
            return Decoded((), frames, score, self._voice_known)
        best = Hypothesis(words, score / max(1, frames))
        return Decoded(self._ranked(best, frames), frames, best.score, self._voice_known)

    @property
    def voice(self) -> Voice:
        """What is known of the voice, for another decoder."""
        return self._carried_on or self._mean(), self._voice_frames

    @property
    def _voice_known(self) -> bool:
        return self._voice_frames >= VOICE_FRAMES

    def _ranked(self, best: Hypothesis, frames: int) -> tuple[Hypothesis, ...]:
        timed = [best, *(_timed(h, best) for h in self._others(best, frames))]
        return tuple(self.rescorer.best(timed, frames, self.most))

    def whole(self, sound: bytes) -> Decoded:
        """One whole utterance at once: its own cepstral mean, so the best words."""
        mean = self._carried_on or self._mean()
        self._at_once(sound)
        found = self.end()
        # Not at once: the alternatives may yet be asked for.
        self._carried_on = self._learned(mean, found.frames)
        return found

    def _learned(self, carried_on: list[float], frames: int) -> list[float]:
        """The mean to go on with: of a new voice, that of the utterances it was heard in at once.

        The decoder moves a running mean slowly, as if five seconds of somebody else had been
        heard before: a new voice would be misheard for as long.
        """
        if not frames or self._voice_known:
            return carried_on
        known, own = self._voice_frames, self._mean()
        self._voice_frames += frames
        return [
            (known * old + frames * new) / self._voice_frames
            for old, new in zip(carried_on, own, strict=True)
        ]

    def _at_once(self, sound: bytes) -> None:
        """Search a whole utterance; it is still open."""
        if self._open:
            self.decoder.end_utt()
        # A stream switches the features to a running mean for good.
        self.decoder.reinit_feat(self.decoder.config)
        self.decoder.start_utt()
        self._open = True
        self.decoder.process_raw(sound, False, True)

    def _streaming_again(self, mean: list[float]) -> None:
        """Back to the running mean: the first stream after a change takes part of the other way."""
        self.decoder.start_utt()
        self.decoder.process_raw(_QUIET, True, False)
        self.decoder.end_utt()
        self._go_on_with(mean)
        self._carried_on = None

    def _go_on_with(self, mean: list[float]) -> None:
        self.decoder.set_cmn(",".join(f"{value:.6g}" for value in mean))

    def _segments(self) -> tuple[tuple[HeardWord, ...], float, int]:
        """(words, acoustic log score of all segments, frames they cover)."""
        segments = self.decoder.seg()
        found: list[HeardWord] = []
        score, covered = 0.0, 0
        logmath = self.decoder.logmath
        for segment in list(segments) if segments else []:
            if segment.ascore > 0:
                score += logmath.log(segment.ascore) * _LOG_BASE * self.score_unit
            else:
                # The linear score of a long, bad stretch is too small for a float.
                length = segment.end_frame + 1 - segment.start_frame
                score += min(_LEAST_LOG, _BAD_FRAME * length)
            covered = segment.end_frame + 1
            word = segment.word.split("(")[0]
            if segment.word in _FILLERS or not word or word[0] in "<[":
                continue
            start = segment.start_frame / FRAMES_A_SECOND
            end = (segment.end_frame + 1) / FRAMES_A_SECOND
            found.append(HeardWord(word, start, end, min(1.0, float(segment.prob))))
        return tuple(found), score, covered

    def _others(self, best: Hypothesis, frames: int) -> list[Hypothesis]:
        """Alternatives; their scores are the best one's less what their path scores less.

        The path scores are compared with that of the best one's words among the alternatives:
        what the decoder gives for the best path itself is on another scale.
        """
        paths: dict[str, float] = {}
        for text, score in self._paths():
            paths[text] = max(paths.get(text, 0.0), score)
            if len(paths) >= self.depth:
                break
        first = paths.pop(best.text, max(paths.values(), default=0.0)) or 1.0
        return [
            Hypothesis(
                tuple(HeardWord(w, confidence=0.0) for w in text.split()),
                best.score + math.log(max(1e-9, path / first)) * _SCALE / frames,
            )
            for text, path in paths.items()
        ]

    def _paths(self) -> Iterator[tuple[str, float]]:
        """The words of the last search's paths, and the score of each, linear."""
        for found in islice(self.decoder.nbest() or (), _MOST_PATHS):
            if found is None:  # as happens in noise
                continue
            words = (w.split("(")[0] for w in found.hypstr.split() if w not in _FILLERS)
            if text := " ".join(words):
                yield text, found.score


class CommandDecoder(DictationDecoder):
    """A finite-state grammar that is changed between utterances.

    Its beams are narrower than the default: a sentence that is no command at all would
    otherwise keep most of the grammar alive, at several times real time.
    """

    settings: Mapping[str, Any] = {
        "beam": 1e-36, "pbeam": 1e-36, "wbeam": 1e-22, "lw": 3.0, "silprob": 0.1, "bestpath": False,
        "fsgusealtpron": False,  # for a grammar made in half the time (see _spoken)
        "lm": None,  # 60 MB
    }  # fmt: skip
    depth = 10
    score_unit = _SCALE  # without a lattice, scores stay as the search keeps them

    def __init__(self, transform: str | None = None, voice: Voice | None = None) -> None:
        super().__init__(transform, voice)
        self._grown = self._ready = self._resting = False
        self._knows_waking = self._knows_letters = False
        self._kept: list[bytes] = []  # the utterance's sound, while resting
        for word, ways in KNOWN.items():
            self.decoder.add_word(word, ways[0], False)
        for word, ways in (VARIANTS | KNOWN).items():
            for n, phones in enumerate(ways, 1):
                self.decoder.add_word(f"{word}({n + _KNOWN_WAYS})", phones, False)
        self.decoder.add_fsg("nothing", self.decoder.create_fsg("nothing", 0, 1, [(0, 1, 1.0)]))
        self._unknown: set[str] = set()
        self._pronounced: dict[str, tuple[str, ...]] = {}
        self._ways: dict[tuple[int, str | None], list[int]] = {}
        self._ends = (0, 0)
        self._ended = NOTHING

    def grammar(
        self, arcs: Sequence[Arc], start: int, final: int, weights: Mapping[Arc, float]
    ) -> None:
        """Search this network from now on; words nobody can pronounce are left out."""
        self._leave()
        self._forget()
        self._learn({word for _, _, word in arcs if word})
        # Where more may follow, each way on is the less likely: short, plain commands come first.
        ways = Counter(a for a, _, _ in arcs)
        kept: list[Any] = [
            (a, b, weights.get((a, b, w)) or 1.0 / ways[a], *spoken)
            for a, b, w in arcs
            if (w or a != b) and w not in self._unknown
            for spoken in (((one,) for one in self._spoken(w)) if w else ((),))
        ]
        fsg = self.decoder.create_fsg("commands", start, final, kept)
        self.decoder.add_fsg("commands", fsg)
        self.decoder.activate_search("commands")
        self._grown, self._ready, self._resting = True, True, False
        self._ends, self._ways = (start, final), {}
        for a, b, word in arcs:
            self._ways.setdefault((a, word), []).append(b)

    def _forget(self) -> None:
        """Make room before a new network is made: each takes 200 MB."""
        if self._grown:
            self.decoder.activate_search("nothing")
            self.decoder.remove_search("commands")
        self._grown, self._ready, self._ways = False, False, {}

    def _spoken(self, word: str) -> tuple[str, ...]:
        """The dictionary's names for all pronunciations of a word: an arc for each.

        The package would find them by going through the whole network for each.
        """
        if word not in self._pronounced:
            found = [word]
            for first in (2, _KNOWN_WAYS + 1):
                names = (f"{word}({n})" for n in count(first))
                found += takewhile(lambda name: self.decoder.lookup_word(name), names)
            self._pronounced[word] = tuple(found)
        return self._pronounced[word]

    def ways_of(self, word: str) -> tuple[str, ...]:
        """All pronunciations of a word, as phones; none if nobody can pronounce it."""
        self._learn((word,))
        found = (self.decoder.lookup_word(name) for name in self._spoken(word))
        return tuple(phones for phones in found if phones)

    def rest(self) -> None:
        """Search for nothing but the waking phrase from now on."""
        self._leave()
        if not self._knows_waking:
            self._learn_waking()
        self.decoder.activate_search("waking")
        self._ready = self._resting = True

    def _leave(self) -> None:
        """The search is changed: what it found cannot be asked for any more."""
        self._ended = NOTHING
        if self._open:
            self.decoder.end_utt()
            self._open = False

    def _learn_waking(self) -> None:
        """A keyword search, and a grammar of the phrase and what it is mistaken for."""
        self.decoder.config["kws_threshold"] = WAKING_THRESHOLD
        with self._beams(_WIDE):
            self.decoder.add_keyphrase("waking", WAKING)
        phrases = [phrase.split() for phrase in (WAKING, *_NOT_WAKING)]
        self._learn({word for phrase in phrases for word in phrase})
        arcs: list[Any] = []
        state = 2
        for phrase in phrases:
            here = 0
            for n, word in enumerate(phrase, 1):
                after = 1 if n == len(phrase) else state
                arcs += [(here, after, 1.0, spoken) for spoken in self._spoken(word)]
                here, state = after, state + 1
        self.decoder.add_fsg("woken", self.decoder.create_fsg("woken", 0, 1, arcs))
        self._knows_waking = True

    def _woken(self) -> Decoded:
        """The waking phrase, if it and nothing else was said: in a longer sentence it is none."""
        self.decoder.process_raw(_QUIET, False, False)
        self.decoder.end_utt()
        self._open = False
        frames = self.decoder.n_frames() - len(_QUIET) * FRAMES_A_SECOND // (2 * 16000)
        spans = [(s.start_frame, s.end_frame + 1) for s in list(self.decoder.seg() or ())]
        if not any(a <= _BEFORE_WAKING and frames - b <= _AFTER_WAKING for a, b in spans):
            return Decoded((), frames, 0.0)
        mean = self._mean()
        self.decoder.activate_search("woken")
        self._at_once(b"".join(self._kept))
        self.decoder.end_utt()
        self._open = False
        words, score, _ = self._segments()
        self._streaming_again(mean)
        self.decoder.activate_search("waking")
        found = Hypothesis(words, score / max(1, frames))
        return Decoded((found,) if found.text == WAKING else (), frames, found.score)

    def _learn(self, words: Iterable[str]) -> None:
        """Give the words that the dictionary lacks a pronunciation."""
        new = [
            w for w in sorted(words)
            if w not in self._unknown and self.decoder.lookup_word(w) is None
        ]  # fmt: skip
        found = [(w, p) for w in new if (p := pronunciation(w, self.decoder.lookup_word))]
        self._unknown.update(set(new) - {w for w, _ in found})
        for i, (word, phones) in enumerate(found):
            self.decoder.add_word(word, phones, i == len(found) - 1)

    def start(self) -> None:
        self._kept, self._ended = [], NOTHING
        if self._ready:
            super().start()

    def sound(self, sound: bytes) -> None:
        if self._resting:
            self._kept.append(sound)
        super().sound(sound)

    def whole(self, sound: bytes) -> Decoded:
        """As for dictation; resting, as if it came in live."""
        if not self._resting:
            return super().whole(sound)
        self.start()
        self.sound(sound)
        return self.end()

    def end(self) -> Decoded:
        """As for dictation; a path that breaks off is taken back to where it was complete."""
        self._ended = NOTHING
        if not self._ready:
            return NOTHING
        if self._resting:
            return self._woken() if self._open else NOTHING
        found = self._ended = super().end()
        return replace(found, hypotheses=self._sayable(found.hypotheses))

    def letters(self, sound: bytes, spans: Sequence[tuple[float, float]]) -> tuple[Letters, ...]:
        """What letter was said in each span (seconds) of a sound: path scores beside the best's.

        With the mean of the voice so far: a lone vowel's own mean would take the vowel away.
        """
        if not self._knows_letters:
            self._learn_letters()
        mean = self._carried_on or self._mean()
        self._leave()
        self.decoder.activate_search("letters")
        self._streaming_again(mean)
        found = []
        for start, end in spans:
            self._go_on_with(mean)
            self.decoder.start_utt()
            cut = sound[round(start * RATE) * 2 : round(end * RATE) * 2]
            if cut:
                self.decoder.process_raw(cut, False, False)
            self.decoder.end_utt()
            found.append(self._one_letter())
        self._go_on_with(mean)
        self.decoder.activate_search("commands")
        return tuple(found)

    def _one_letter(self) -> Letters:
        """The letters of the last search's paths, with the natural log score each lacks."""
        scores: dict[str, float] = {}
        for name, path in self._paths():
            if path > 0:
                named = letter(name) or name
                score = math.log(path) * _SCALE
                scores[named] = max(score, scores.get(named, score))
        best = max(scores.values(), default=0.0)
        return {named: best - score for named, score in scores.items()}

    def _learn_letters(self) -> None:
        """One letter and nothing else, each with an end of its own.

        With one end for all, the search forgets all but the best of those that end alike.
        """
        names = [word for name in SINGLE_LETTERS for word in self._spoken(name)]
        arcs: list[Any] = []
        for n, name in enumerate(names, 2):
            arcs += [(0, n, 1 / len(names), name), (n, 1, 1.0)]
        with self._beams(_OF_LETTERS):
            self.decoder.add_fsg("letters", self.decoder.create_fsg("letters", 0, 1, arcs))
        self._knows_letters = True

    @contextmanager
    def _beams(self, beams: Mapping[str, float]) -> Iterator[None]:
        """With these beams for the searches that are made meanwhile."""
        config = self.decoder.config
        usual = {name: config[name] for name in beams}
        for name, beam in beams.items():
            config[name] = beam
        try:
            yield
        finally:
            for name, beam in usual.items():
                config[name] = beam

    def alternatives(self) -> Decoded:
        """What end() found, and what else the same sound may be: that takes a lattice, and time."""
        found = self._ended
        if not found.hypotheses:
            return found
        best = found.hypotheses[0]
        others = (_timed(h, best) for h in self._others(best, found.frames))
        return replace(found, hypotheses=self._sayable((best, *others)))

    def _ranked(self, best: Hypothesis, frames: int) -> tuple[Hypothesis, ...]:
        return (best,)

    def _sayable(self, found: Sequence[Hypothesis]) -> tuple[Hypothesis, ...]:
        """Those that are whole; of the best, at least the part that is."""
        lengths = [self._complete(h) for h in found]
        whole = [h for h, n in zip(found, lengths, strict=True) if n == len(h.words)]
        if lengths and lengths[0] and len(found[0].words) - lengths[0] <= MOST_TRAILING:
            whole.append(Hypothesis(found[0].words[: lengths[0]], found[0].score))
        unique: dict[str, Hypothesis] = {}
        for hypothesis in whole:
            unique.setdefault(hypothesis.text, hypothesis)
        return tuple(unique.values())

    def _complete(self, hypothesis: Hypothesis) -> int:
        """How many of its first words are the longest whole path through the grammar."""
        start, final = self._ends
        states, complete = self._silently({start}), 0
        for n, word in enumerate(hypothesis.words, 1):
            states = self._silently({b for s in states for b in self._ways.get((s, word.text), ())})
            if final in states:
                complete = n
        return complete

    def _silently(self, states: set[int]) -> set[int]:
        return states | {b for s in states for b in self._ways.get((s, None), ())}
