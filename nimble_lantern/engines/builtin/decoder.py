"""One PocketSphinx decoder, wrapped so that the calls which crash the interpreter cannot be made.

Runs in a process of its own (see worker): every call holds the interpreter's lock, and a decoder
that dies must not take the desk with it.
"""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from pocketsphinx import Decoder

from nimble_lantern.core.reading.hearing import HeardWord, Hypothesis
from nimble_lantern.engines.builtin.sounds import pronunciation

FRAMES_A_SECOND = 100
MOST_HYPOTHESES = 5
MOST_TRAILING = 2
_SLACK_FRAMES = 20
_LOG_BASE = math.log(1.0001)
Arc = tuple[int, int, str | None]
_FILLERS = frozenset(("<s>", "</s>", "<sil>", "[NOISE]", "[SPEECH]", "[COUGH]", "(NULL)"))


@dataclass(frozen=True, slots=True)
class Decoded:
    """What one decoding came to; `score` is the acoustic log score a frame."""

    hypotheses: tuple[Hypothesis, ...]
    frames: int
    score: float


class DictationDecoder:
    """The default language model."""

    beams: Mapping[str, float] = {}

    def __init__(self) -> None:
        quick = {"samprate": 16000, "fwdflat": False, "maxhmmpf": 3000, **self.beams}
        self.decoder = Decoder(loglevel="FATAL", logfn=None, **quick)
        self._cmn = self.decoder.get_cmn(False)
        self._open = False

    def start(self) -> None:
        """Begin; the cepstral mean goes on from the last utterance, so a voice is learned."""
        if self._open:
            self.decoder.end_utt()
        self.decoder.start_utt()
        self._open = True

    def forget_voice(self) -> None:
        """Begin again with the model's own cepstral mean; between utterances only."""
        if not self._open:
            self.decoder.set_cmn(self._cmn)

    def sound(self, sound: bytes) -> None:
        if self._open and sound:
            self.decoder.process_raw(sound, False, False)

    def partial(self) -> str:
        hypothesis = self.decoder.hyp() if self._open else None
        return str(hypothesis.hypstr) if hypothesis else ""

    def end(self) -> Decoded:
        """The result; start() must come before the next sound."""
        if not self._open:
            return Decoded((), 0, 0.0)
        self.decoder.end_utt()
        self._open = False
        frames = self.decoder.n_frames()
        words, score, covered = self._segments()
        if not words or covered < frames - _SLACK_FRAMES:
            # A grammar's path that gave up before the sound ended explains nothing.
            return Decoded((), frames, score)
        best = Hypothesis(words, score / max(1, frames))
        return Decoded((best, *self._others(best)), frames, best.score)

    def whole(self, sound: bytes) -> Decoded:
        """One whole utterance at once: its own cepstral mean, so the best words."""
        self.forget_voice()
        self.start()
        self.decoder.process_raw(sound, False, True)
        return self.end()

    def _segments(self) -> tuple[tuple[HeardWord, ...], float, int]:
        """(words, acoustic log score of all segments, frames they cover)."""
        segments = self.decoder.seg()
        found: list[HeardWord] = []
        score, covered = 0.0, 0
        logmath = self.decoder.logmath
        for segment in list(segments) if segments else []:
            score += logmath.log(segment.ascore) * _LOG_BASE if segment.ascore > 0 else -10.0
            covered = segment.end_frame + 1
            word = segment.word.split("(")[0]
            if segment.word in _FILLERS or not word or word[0] in "<[":
                continue
            start = segment.start_frame / FRAMES_A_SECOND
            end = (segment.end_frame + 1) / FRAMES_A_SECOND
            found.append(HeardWord(word, start, end, min(1.0, float(segment.prob))))
        return tuple(found), score, covered

    def _others(self, best: Hypothesis) -> list[Hypothesis]:
        nbest = self.decoder.nbest()
        seen, found = {best.text}, []
        for n, hypothesis in enumerate(nbest or ()):
            if n > 50 or len(found) >= MOST_HYPOTHESES - 1:
                break
            text = " ".join(w.split("(")[0] for w in hypothesis.hypstr.split() if w not in _FILLERS)
            if text and text not in seen:
                seen.add(text)
                words = tuple(HeardWord(w, confidence=0.0) for w in text.split())
                found.append(Hypothesis(words))
        return found


class CommandDecoder(DictationDecoder):
    """A finite-state grammar that is changed between utterances.

    Its beams are narrower than the default: a sentence that is no command at all would
    otherwise keep most of the grammar alive, at several times real time.
    """

    beams: Mapping[str, float] = {"beam": 1e-36, "pbeam": 1e-36, "wbeam": 1e-22, "lw": 3.0}

    def __init__(self) -> None:
        super().__init__()
        self._ready = False
        self._unknown: set[str] = set()
        self._ways: dict[tuple[int, str | None], list[int]] = {}
        self._ends = (0, 0)

    def grammar(self, arcs: Sequence[Arc], start: int, final: int) -> None:
        """Search this network from now on; words nobody can pronounce are left out."""
        if self._open:
            self.decoder.end_utt()
            self._open = False
        self._learn({word for _, _, word in arcs if word})
        # Where more may follow, each way on is the less likely: short, plain commands come first.
        ways = Counter(a for a, _, _ in arcs)
        kept: list[Any] = [
            (a, b, 1.0 / ways[a], *((w,) if w else ()))
            for a, b, w in arcs
            if (w or a != b) and w not in self._unknown
        ]
        fsg = self.decoder.create_fsg("commands", start, final, kept)
        self.decoder.add_fsg("commands", fsg)
        self.decoder.activate_search("commands")
        self._ready = True
        self._ends, self._ways = (start, final), {}
        for a, b, word in arcs:
            self._ways.setdefault((a, word), []).append(b)

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
        if self._ready:
            super().start()

    def end(self) -> Decoded:
        """As for dictation; a path that breaks off is taken back to where it was complete."""
        if not self._ready:
            return Decoded((), 0, 0.0)
        found = super().end()
        whole = [h for h in map(self._completed, found.hypotheses[:1]) if h.words]
        return Decoded(tuple(whole), found.frames, found.score)

    def _completed(self, hypothesis: Hypothesis) -> Hypothesis:
        start, final = self._ends
        states, complete = self._silently({start}), 0
        for n, word in enumerate(hypothesis.words, 1):
            states = self._silently({b for s in states for b in self._ways.get((s, word.text), ())})
            if final in states:
                complete = n
        if len(hypothesis.words) - complete > MOST_TRAILING:
            return hypothesis
        return Hypothesis(hypothesis.words[:complete], hypothesis.score)

    def _silently(self, states: set[int]) -> set[int]:
        return states | {b for s in states for b in self._ways.get((s, None), ())}
