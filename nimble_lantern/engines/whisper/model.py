"""One utterance decoded by the model: its best readings, word times, and how sure it is of each.

A wrapper round the package's own steps.  The package pads every utterance to thirty seconds; here
the window is the sound and some silence, as the encoder's cost grows with it.
"""

from __future__ import annotations

import math
import zlib
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from pathlib import Path
from string import ascii_lowercase
from typing import Any

import numpy as np

from nimble_lantern.core.errors import BadInput
from nimble_lantern.engines.pcm import RATE
from nimble_lantern.engines.whisper.dictated import MARK_IS_WORTH, marks_named

BEAM = 5
SILENCE_SECONDS, MORE_SILENCE_SECONDS = 5.0, 12.0
"""Behind the sound; with little of it the model sometimes begins to repeat itself."""
_WINDOW_SECONDS = 30.0  # that it was trained on
_LEAST_WINDOW_SECONDS = 11.0  # "five five" in less than that is "five five five five"
_FRAME_SECONDS = 0.01
_LANGUAGE, _TASK = "en", "transcribe"
_LED = 4  # steps more than it is led along
_MOST_TOKENS_A_SECOND, _FEWEST_TOKENS = 12, 24


@dataclass(frozen=True, slots=True)
class Written:
    """A word as the model writes it, marks included, with its seconds and probability."""

    text: str
    start: float
    end: float
    probability: float


@dataclass(frozen=True, slots=True)
class Reading:
    """One way to read an utterance; `score` is its mean log probability a token."""

    text: str
    words: tuple[Written, ...]
    score: float


@dataclass(frozen=True, slots=True)
class Transcript:
    """The best readings, the likeliest first, and what tells speech from noise.

    `silence` is the probability that nobody spoke; `repetition` how far the text can be packed (a
    loop is above 2.4, after the package).
    """

    readings: tuple[Reading, ...]
    silence: float
    repetition: float
    seconds: float


class Model:
    """A model folder, loaded.  Not safe for two threads at once.

    BadInput, in one sentence, if it cannot be loaded.
    """

    def __init__(self, folder: Path, threads: int = 0) -> None:
        if not (folder / "model.bin").is_file():
            raise BadInput(f"There is no speech model in {folder} (no model.bin).")
        try:
            from faster_whisper import WhisperModel
            from faster_whisper.tokenizer import Tokenizer
            from faster_whisper.transcribe import get_suppressed_tokens

            self._model = WhisperModel(
                str(folder), device="cpu", compute_type="int8", cpu_threads=threads,
                local_files_only=True,
            )  # fmt: skip
        except Exception as error:
            raise BadInput(f"The speech model in {folder} cannot be loaded ({error}).") from error
        self._tokens = Tokenizer(
            self._model.hf_tokenizer, self._model.model.is_multilingual, _TASK, _LANGUAGE
        )
        self._suppressed = get_suppressed_tokens(self._tokens, [-1])
        self._encoded: Any = None
        self._frames = 0

    def heard(
        self,
        sound: bytes,
        names: Sequence[str] = (),
        best: int = BEAM,
        silence: float = SILENCE_SECONDS,
        before: str = "",
    ) -> Transcript:
        """Decode an utterance (16-bit mono at 16 kHz), `names` being words that it may hold.

        `silence`: seconds of it that the sound is followed by; `before`: how somebody speaks whose
        words came before it.
        """
        seconds = self._encode(sound, silence)
        found = self._searched(self._prompt(names, before), best)
        readings: dict[str, Reading] = {}
        for tokens, text, mean in self._ranked(found, bool(before)):
            if text and text not in readings:
                words = (
                    _spread(text, seconds, math.exp(mean)) if readings else self._aligned(tokens)
                )
                readings[text] = Reading(text, words, mean)
        kept = tuple(readings.values())
        packed = _repetition(kept[0].text) if kept else 0.0
        return Transcript(kept, found.no_speech_prob, packed, seconds)

    def _ranked(self, found: Any, dictated: bool) -> list[tuple[list[int], str, float]]:
        """The tokens of each reading, its text and mean log probability, the likeliest first."""
        ranked = []
        for ids, score in zip(found.sequences_ids, found.scores, strict=True):
            tokens = [t for t in ids if t < self._tokens.eot]
            text = self._tokens.decode(tokens).strip()
            # The package's own mean: with the end of the text as one token more.
            mean = score * len(tokens) / (len(tokens) + 1)
            worth = MARK_IS_WORTH * marks_named(text) if dictated else 0.0
            ranked.append((mean + worth / (len(tokens) + 1), (tokens, text, mean)))
        return [reading for _, reading in sorted(ranked, key=lambda r: -r[0])]

    def cued(self, cue: str) -> tuple[str, ...]:
        """Readings of the sound that was decoded last, if such words as these had come before it.

        The likeliest first.  What is read so is a guess only: the model would rather go on like the
        cue than hear.
        """
        if self._encoded is None:
            return ()
        found = self._searched(self._prompt(before=cue), BEAM)
        texts = (
            self._tokens.decode([t for t in tokens if t < self._tokens.eot]).strip()
            for tokens in found.sequences_ids
        )
        return tuple(dict.fromkeys(text for text in texts if text))

    def fit(self, text: str, cue: str = "") -> float:
        """How well a text fits the sound that was decoded last: mean log probability a token.

        With a cue, as if those words had come before it.
        """
        tokens = self._tokens.encode(" " + text.strip())
        if not tokens or self._encoded is None:
            return float("-inf")
        # The package's own prompt also says that there are no times, which alignment says itself.
        before = self._prompt(before=cue)[: -len(self._tokens.sot_sequence) - 1] if cue else []
        (found,) = self._model.model.align(
            self._encoded, [*before, *self._tokens.sot_sequence], [tokens], self._frames
        )
        return float(np.mean(np.log(np.maximum(found.text_token_probs, 1e-9))))

    def letters(self, words: Sequence[str]) -> tuple[dict[str, float], ...]:
        """What each of these words would be as a letter, in the sound that was decoded last.

        Log probabilities of the letters among each other, where the words before it were said.
        The model is led along the words and asked at each; it writes what is spelled in capitals.
        """
        if self._encoded is None or not words:
            return ()
        prompt, at = self._prompt(), list[int]()
        begun = len(prompt)
        for word in words:
            at.append(len(prompt) - begun)
            prompt = prompt + self._tokens.encode(f" {word.upper() if len(word) == 1 else word}")
        (found,) = self._model.model.generate(
            self._encoded,
            [prompt],
            beam_size=1,
            max_length=len(prompt) + _LED,
            return_logits_vocab=True,
            suppress_blank=False,
            suppress_tokens=[],
            sampling_temperature=0.0,
        )
        if at[-1] >= len(found.logits[0]):
            return ()  # it would not be led so far
        told = []
        for n in at:
            odds = np.asarray(found.logits[0][n], np.float64).reshape(-1)
            each = [np.logaddexp.reduce(odds[ways]) for ways in self._letter_tokens]
            each -= np.logaddexp.reduce(each)
            told.append(dict(zip(ascii_lowercase, each.tolist(), strict=True)))
        return tuple(told)

    @cached_property
    def _letter_tokens(self) -> list[list[int]]:
        """How each letter may be written at first: a "w" may become a "double u"."""
        ways = {c: [f" {c.upper()}"] for c in ascii_lowercase} | {"w": [" W", " Double", " double"]}
        return [[self._tokens.encode(way)[0] for way in ways[c]] for c in ascii_lowercase]

    def _encode(self, sound: bytes, silence: float) -> float:
        samples = np.frombuffer(sound, np.int16).astype(np.float32) / 32768
        samples = samples[: round(_WINDOW_SECONDS * RATE)]
        seconds = len(samples) / RATE
        window = min(_WINDOW_SECONDS, max(_LEAST_WINDOW_SECONDS, seconds + silence))
        padded = np.zeros(round(window * RATE), np.float32)
        padded[: len(samples)] = samples
        features = self._model.feature_extractor(padded, padding=0)
        self._frames = round(seconds / _FRAME_SECONDS)
        self._encoded = self._model.encode(features[:, : len(features[0]) // 2 * 2])
        return seconds

    def _prompt(self, names: Sequence[str] = (), before: str = "") -> list[int]:
        """What the model is told: words, and a text that came before; of a long one its end."""
        earlier = self._tokens.encode(" " + before.strip()) if before else []
        said = ", ".join(names) or None
        return list(
            self._model.get_prompt(self._tokens, earlier, without_timestamps=True, hotwords=said)
        )

    def _searched(self, prompt: list[int], best: int) -> Any:
        """The package's result for the encoded sound."""
        seconds = self._frames * _FRAME_SECONDS
        most = len(prompt) + _FEWEST_TOKENS + round(_MOST_TOKENS_A_SECOND * seconds)
        (found,) = self._model.model.generate(
            self._encoded,
            [prompt],
            beam_size=BEAM if best > 1 else 1,
            num_hypotheses=best,
            max_length=min(self._model.max_length, most),
            return_scores=True,
            return_no_speech_prob=True,
            suppress_blank=True,
            suppress_tokens=self._suppressed,
            sampling_temperature=0.0,
        )
        return found

    def _aligned(self, tokens: list[int]) -> tuple[Written, ...]:
        (rows,) = self._model.find_alignment(self._tokens, [tokens], self._encoded, self._frames)
        return tuple(
            Written(r["word"], float(r["start"]), float(r["end"]), float(r["probability"]))
            for r in rows
            if r["word"].strip()
        )


def _spread(text: str, seconds: float, probability: float) -> tuple[Written, ...]:
    """Words as long as their letters: near enough where only the best reading is aligned."""
    found, now = list[Written](), 0.0
    step = seconds / max(1, len(text))
    for word in text.split():
        end = now + step * (len(word) + 1)
        found.append(Written(" " + word, now, end, probability))
        now = end
    return tuple(found)


def _repetition(text: str) -> float:
    raw = text.encode()
    return len(raw) / len(zlib.compress(raw))
