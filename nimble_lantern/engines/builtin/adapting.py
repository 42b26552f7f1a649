"""Learning a voice: the acoustic model's means, moved to where this speaker's sounds lie.

One linear regression for each feature stream takes all means to the speaker's (maximum likelihood
linear regression: Leggetter and Woodland, 1995; the statistics as Gales, 1998, has them for
diagonal variances).  It needs the words that were said, and half a minute of speech.  No sound is
kept: only sums, from which none can be made again.
"""

from __future__ import annotations

import io
import tempfile
from collections.abc import Callable, Mapping, Sequence
from contextlib import suppress
from dataclasses import dataclass, replace
from functools import cache
from pathlib import Path
from typing import Any, TypeAlias

import numpy as np
from pocketsphinx import Decoder

from nimble_lantern.engines.builtin.acoustics import (
    CEPSTRA,
    SILENCE,
    STREAMS,
    Floats,
    acoustics,
    features,
)
from nimble_lantern.engines.pcm import RATE

LEAST_FRAMES = 3000
"""Of speech that a voice is adapted to: half a minute, ten to twenty utterances."""
MOST_FRAMES = 60_000
"""Ten minutes; from then on what is older counts less, as a voice and a microphone change."""
_REGRESSORS = CEPSTRA + 1  # the means, and one for the offset
_MEMORY = Path("/dev/shm")
_SUMS = ("moments", "products")


@dataclass(frozen=True, slots=True)
class Statistics:
    """Sums over frames of speech: `moments` [stream, cepstrum, regressor, regressor] of the means,
    `products` [stream, cepstrum, regressor] of means and sound, both weighted by the variances.
    """

    moments: Floats
    products: Floats
    frames: float = 0.0
    utterances: int = 0

    def __add__(self, other: Statistics) -> Statistics:
        """Both together; beyond MOST_FRAMES, this one's share is made smaller."""
        share = 1.0
        if self.frames + other.frames > MOST_FRAMES:
            share = max(0.0, MOST_FRAMES - other.frames) / max(1.0, self.frames)
        return Statistics(
            share * self.moments + other.moments,
            share * self.products + other.products,
            share * self.frames + other.frames,
            self.utterances + other.utterances,
        )

    @property
    def enough(self) -> bool:
        """Whether a voice is known by them."""
        return self.frames >= LEAST_FRAMES

    def transform(self) -> str | None:
        """The regression as the decoder reads it (its option `mllr`); None if there is none yet.

        For each stream the matrix, row by row, the offsets, and factors of the variances.
        """
        if not self.enough:
            return None
        try:
            solved = np.linalg.solve(self.moments, self.products[..., None])
        except np.linalg.LinAlgError:  # too few different sounds
            return None
        found = solved[..., 0].astype(np.float64)
        if not _plausible(found):
            return None
        lines = ["1", str(STREAMS)]
        for stream in found:
            lines.append(str(CEPSTRA))
            rows = (*stream[:, :CEPSTRA], stream[:, CEPSTRA], np.ones(CEPSTRA))
            lines += [" ".join(f"{value:.6f}" for value in row) for row in rows]
        return "\n".join(lines) + "\n"

    def to_bytes(self) -> bytes:
        """For the database."""
        kept = io.BytesIO()
        counts = np.array([self.frames, self.utterances])
        np.savez_compressed(kept, counts=counts, **{name: getattr(self, name) for name in _SUMS})
        return kept.getvalue()


def _plausible(found: Floats) -> bool:
    """Whether a regression [stream, cepstrum, regressor] is that of a voice.

    Of seven voices none scaled a cepstrum by less than 0.6 or more than 1.4, mixed in more than 0.5
    of another or moved one by more than 1.2.  A speaker whom the decoders were adapted away from
    could not even ask for that to be forgotten.
    """
    if not np.isfinite(found).all():
        return False
    matrices, offsets = found[..., :CEPSTRA], found[..., CEPSTRA]
    scales = np.diagonal(matrices, axis1=1, axis2=2)
    mixed = np.abs(matrices - scales[..., None] * np.eye(CEPSTRA)).max()
    scaled = scales.min() >= _LEAST_SCALE and scales.max() <= _MOST_SCALE
    return bool(scaled and mixed <= _MOST_MIXED and np.abs(offsets).max() <= _FARTHEST)


_LEAST_SCALE, _MOST_SCALE, _MOST_MIXED, _FARTHEST = 0.4, 2.0, 1.0, 4.0


def nothing_learned() -> Statistics:
    shape = (STREAMS, CEPSTRA, _REGRESSORS)
    return Statistics(np.zeros((*shape, _REGRESSORS)), np.zeros(shape))


def statistics_from(kept: bytes) -> Statistics:
    """What `to_bytes` made; nothing learned, where it is damaged."""
    empty = nothing_learned()
    with suppress(Exception):  # zipfile's and numpy's own faults are many
        with np.load(io.BytesIO(kept), allow_pickle=False) as found:
            sums = {name: np.asarray(found[name], np.float64) for name in _SUMS}
            frames, utterances = (float(n) for n in found["counts"])
        sound = all(
            sums[name].shape == getattr(empty, name).shape and np.isfinite(sums[name]).all()
            for name in _SUMS
        )
        if sound and frames >= 0:
            return replace(empty, frames=frames, utterances=int(utterances), **sums)
    return empty


def _gathered(frames: Floats, states: Sequence[tuple[int, str] | None]) -> Statistics:
    """Of features [frame, stream, cepstrum] whose tied states and phones are known, or not."""
    model, found = acoustics(), nothing_learned()
    at: dict[str, dict[int, list[int]]] = {}
    for n, known in enumerate(states[: len(frames)]):
        if known is not None:
            state, phone = known
            at.setdefault(phone, {}).setdefault(state, []).append(n)
    for phone, numbers in at.items():
        book = model.phones[phone]
        for stream in range(STREAMS):
            means, variances = model.means[book, stream], model.variances[book, stream]
            weights = np.zeros(len(means))
            sums = np.zeros_like(means)
            for state, those in numbers.items():
                x = frames[those, stream]
                apart = ((x[:, None] - means) ** 2 / variances).sum(-1)
                logs = _log_scales()[book, stream] - 0.5 * apart + model.weights[stream, :, state]
                odds = np.exp(logs - logs.max(1, keepdims=True))
                odds /= odds.sum(1, keepdims=True)
                weights += odds.sum(0)
                sums += odds.T @ x
            regressors = np.hstack([means, np.ones((len(means), 1))])
            pairs = (regressors[:, :, None] * regressors[:, None]).reshape(len(means), -1)
            moments = (weights[:, None] / variances).T @ pairs
            found.moments[stream] += moments.reshape(CEPSTRA, _REGRESSORS, _REGRESSORS)
            found.products[stream] += (sums / variances).T @ regressors
    count = sum(len(those) for numbers in at.values() for those in numbers.values())
    return replace(found, frames=count, utterances=1)


@cache
def _log_scales() -> Floats:
    """Of the Gaussians, without the constant: [phone, stream, Gaussian]."""
    found: Floats = -0.5 * np.log(acoustics().variances).sum(-1)
    return found


Pronunciations: TypeAlias = Callable[[str], Sequence[str]]


def learned(
    sound: bytes, words: Sequence[str], sure: Sequence[bool], pronunciations: Pronunciations
) -> Statistics:
    """From one utterance (16-bit mono at 16 kHz) and its words; of those not sure, nothing.

    `pronunciations` gives those of a word, each as phones parted by spaces.  Nothing is learned
    where there are none, or where the words cannot be what was said.
    """
    said = {word: tuple(pronunciations(word)) for word in words}
    if not all(said.values()):
        return nothing_learned()
    # The decoder gives its cepstra away in files only: those never come onto a disk.
    place = _MEMORY if _MEMORY.is_dir() else None
    with tempfile.TemporaryDirectory(dir=place) as folder:
        return _learned(sound, words, sure, said, Path(folder))


def _learned(
    sound: bytes,
    words: Sequence[str],
    sure: Sequence[bool],
    said: Mapping[str, Sequence[str]],
    folder: Path,
) -> Statistics:
    # One decoder an utterance is made in no time, if its dictionary has no other words.
    rows = (
        f"{word if n == 1 else f'{word}({n})'} {phones}\n"
        for word, ways in said.items()
        for n, phones in enumerate(ways, 1)
    )
    dictionary = folder / "words"
    dictionary.write_text("".join(rows), encoding="utf-8")
    decoder = Decoder(
        loglevel="FATAL", logfn=None, samprate=RATE, lm=None, dict=str(dictionary),
        mfclogdir=str(folder),
    )  # fmt: skip
    try:
        decoder.set_align_text(" ".join(words))
        _searched(decoder, sound)
        decoder.set_alignment()
        _searched(decoder, sound)
        aligned = decoder.get_alignment()
    except RuntimeError:  # the words are not what was said
        return nothing_learned()
    if aligned is None:
        return nothing_learned()
    data = max(folder.glob("*.mfc")).read_bytes()
    cepstra = np.frombuffer(data, ">f4", offset=4).reshape(-1, CEPSTRA)
    return _gathered(features(cepstra.astype(np.float64)), _states(aligned, sure))


def _searched(decoder: Any, sound: bytes) -> None:
    decoder.reinit_feat(decoder.config)
    decoder.start_utt()
    decoder.process_raw(sound, False, True)
    decoder.end_utt()


def _states(aligned: Any, sure: Sequence[bool]) -> list[tuple[int, str] | None]:
    """Of each frame the tied state and its phone; of silence, noise and doubtful words none."""
    found: list[tuple[int, str] | None] = []
    counted = iter(sure)
    for word in aligned:
        counts = word.name[0] not in "<[(" and next(counted, True)
        for phone in word:
            silent = phone.name == SILENCE or phone.name.startswith("+")
            for state in phone:
                one = None if silent or not counts else (int(state.name), phone.name)
                found += [one] * state.duration
    return found
