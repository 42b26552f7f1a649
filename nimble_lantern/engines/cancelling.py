"""The desk's own voice taken out of the microphone's sound, as what it plays is known.

Where a piece of speech stands in the sound is found by cross-correlation with whitened spectra
(Knapp and Carter, "The generalized correlation method for estimation of time delay", 1976), and
where the next ones stand by the page's clock; what the room makes of it is learned meanwhile
(`echo_path`) and subtracted.  Speech that has nothing to do with a piece is left as it is.
"""

from __future__ import annotations

import io
import math
from collections import deque
from collections.abc import Hashable, Mapping
from dataclasses import dataclass

import numpy as np
import soundfile
import soxr
from numpy.typing import NDArray

from nimble_lantern.engines.echo_path import BLOCK, PARTS, EchoPath
from nimble_lantern.engines.pcm import RATE, samples, sound_of

_Samples = NDArray[np.float64]
HELD = 8_000
"""Samples that are held back until it is known where a piece begins, and what is heard of it."""
_FOUND_IN, _LEARNED = 4_800, 6_400
"""Samples in which a piece is looked for, and from which it is learned how it is heard."""
_VAIN = 19_200
"""Samples in which a piece is looked for in vain, before nothing is held back any more for it."""
_EARLIER, _FEW = 48, 9
"""Samples by which what is heard may begin before its loudest; those of the direct sound."""
_TIMES_OVER = 12
_SURE, _PEAK = 1.5, 40
"""How much higher than any other further away than so many samples a peak must be."""
_QUIET = 12.0
"""RMS of sound in which nothing is looked for."""
_ALONE = 0.6
"""Share of the sound that the direct sound of a piece explains where it is heard alone."""
_FRAME, _ROUND = 320, 2
_MISSED, _SOFTER = 0.05, 0.03
"""A frame with less of the own voice's power is no speech, nor are those not near any."""
_RINGS, _RINGING, _LEFT_OVER = 15, 0.6, 0.06
"""Frames for which a room rings, and what is left of a frame's power in the next; of the loudest of
the own voice, what is not taken out at most.
"""
_HISS = 40.0
"""RMS of the noise, as soft as that of a good microphone, that hides what is left of the voice."""
_AUDIBLE, _LEAST_EXPLAINED = 0.01, 0.25
"""Of the sound's power, the own voice's where it must be heard; and of that what is found then."""
_PATIENCE = 3
"""Chunks in which nothing of a piece is heard, before it is looked for again."""


@dataclass(frozen=True, slots=True)
class Piece:
    """Speech at this rate, and when it begins by the page's clock, in seconds."""

    samples: _Samples
    begins: float


@dataclass(frozen=True, slots=True)
class _Placed:
    """A piece in the stream: the sample in or before which it begins, and its sound from there."""

    at: float
    first: int
    samples: _Samples

    @classmethod
    def of(cls, piece: Piece, at: float) -> _Placed:
        first = math.floor(at)
        return cls(at, first, delayed(piece.samples, at - first))


class Canceller:
    """Fed the microphone's sound in order, with what may be heard in it, by any keys."""

    def __init__(self) -> None:
        self._heard: _Samples = np.zeros(0)
        self._end = 0  # samples fed
        self.held = 0
        """Samples that were not given back yet."""
        self._clock: float | None = None  # the sample of the stream at which the page's clock is 0
        self._in_vain = 0  # samples in which none was found
        self._placed: dict[Hashable, _Placed] = {}
        self._path: EchoPath | None = None
        self._unheard = 0
        self._hiss = np.random.default_rng(0)
        self._ringing = 0.0  # in the last frame, the power of what rings on
        self._lately: deque[float] = deque(maxlen=_RINGS)  # of each frame, the own voice's power
        self._loudest = [0.0, 0.0]  # in an utterance: what is left, and the own voice

    def begins(self) -> None:
        """An utterance may begin with what comes out now."""
        self._loudest = [0.0, max(self._lately, default=0.0)]

    @property
    def is_left_over(self) -> bool:
        """Whether the utterance is so much softer than the own voice that nobody else said it."""
        left, own = self._loudest
        return left < _LEFT_OVER * own

    def feed(self, sound: bytes, pieces: Mapping[Hashable, Piece]) -> bytes:
        """The sound so far without these pieces, less the last of it: that may be one's beginning.

        Where nothing can be heard any more, all that is left.
        """
        fresh = samples(sound)
        kept = max(_FOUND_IN, self.held + fresh.size)
        self._heard = np.concatenate((self._heard, fresh))[-kept:]
        self._end += fresh.size
        if not pieces:
            held, self.held = self.held, 0
            self._ringing, self._loudest = 0.0, [0.0, 0.0]
            self._lately.clear()
            return sound_of(self._heard[-held - fresh.size :]) if held else sound
        self._place(pieces)
        if self._clock is None or self._unheard > _PATIENCE or not self._sounds():
            self._look(pieces)
        if self._clock is None:
            self._in_vain += fresh.size
        begun = min((p.first for p in self._placed.values()), default=self._end)
        if self._path is None and self._end - begun >= _LEARNED:
            self._begin()
        there = self.held + fresh.size
        size = there if self._knows else max(0, there - HELD)
        size -= size % BLOCK
        self.held = there - size
        rest = self._rest(self._end - there, size)
        return sound_of(rest + self._hiss.normal(0, _HISS, rest.size))

    @property
    def _knows(self) -> bool:
        """Whether nothing has to be waited for: all that may begin has its place.

        Or nothing of it is heard here, as somebody wears a headset.
        """
        if self._clock is None:
            return self._in_vain > _VAIN
        return self._path is not None and self._unheard <= _PATIENCE

    def _place(self, pieces: Mapping[Hashable, Piece]) -> None:
        """Where the pieces stand in the stream, as far as the page's clock is known."""
        placed = {}
        if self._clock is not None:
            for key, piece in pieces.items():
                at = self._clock + piece.begins * RATE
                known = self._placed.get(key)
                placed[key] = known if known and known.at == at else _Placed.of(piece, at)
        self._placed = placed

    def _sounds(self) -> bool:
        """Whether something is being played about now."""
        return any(
            p.first - RATE <= self._end < p.first + p.samples.size + RATE
            for p in self._placed.values()
        )

    def _look(self, pieces: Mapping[Hashable, Piece]) -> None:
        """Find the piece that is heard now, and since when: that tells the page's clock."""
        window = self._heard[-_FOUND_IN:]
        if window.size < _FOUND_IN or np.sqrt(np.mean(window**2)) < _QUIET:
            return
        found = [(*_whitened_peak(window, p.samples), key) for key, p in pieces.items()]
        for height, lag, key in sorted(found, key=lambda f: -f[0]):
            piece = pieces[key]
            if height > _SURE or _explained(window, piece.samples, lag) > _ALONE:
                if self._unheard > _PATIENCE:
                    self._path = None  # what was learned was of something else
                self._unheard = 0
                clock = self._end - window.size + lag - piece.begins * RATE
                if self._clock is None or abs(clock - self._clock) > 1:
                    self._clock = clock
                    self._place(pieces)
                return

    def _begin(self) -> None:
        """Learn what the room makes of a piece, several times over from its first sound."""
        first = self._end - self._heard.size
        blocks = [
            (self._played(at), self._at(at, BLOCK))
            for at in range(first, self._end - BLOCK + 1, BLOCK)
        ]
        played, heard = (sum(float(np.sum(b[n][-BLOCK:] ** 2)) for b in blocks) for n in (0, 1))
        self._path = EchoPath(heard / max(played, 1.0))
        for block in blocks * _TIMES_OVER:
            self._path.heard_of(*block)

    def _at(self, first: int, size: int) -> _Samples:
        """So many samples of the stream, among those kept."""
        start = first - self._end + self._heard.size
        return self._heard[start : start + size]

    def _played(self, first: int) -> _Samples:
        """What was played that may be heard in a block from a sample of the stream on."""
        played = np.zeros((PARTS + 1) * BLOCK)
        for piece in self._placed.values():
            start = first + _EARLIER - PARTS * BLOCK - piece.first
            played += _stretch(piece.samples, start, played.size)
        return played

    def _rest(self, first: int, size: int) -> _Samples:
        """So many samples from one on, without what was played."""
        heard = self._at(first, size)
        if self._path is None or not size:
            return heard
        blocks = range(0, size, BLOCK)
        own = np.concatenate(
            [self._path.heard_of(self._played(first + n), heard[n : n + BLOCK]) for n in blocks]
        )
        power, loud = float(np.sum(heard**2)), float(np.sum(own**2))
        explained = power - float(np.sum((heard - own) ** 2))
        if loud > _AUDIBLE * power:
            self._unheard = self._unheard + 1 if explained < _LEAST_EXPLAINED * loud else 0
        if explained <= 0:
            self._loudest[0] = max(self._loudest[0], *_powers(heard))
            return heard
        taken = _powers(own)
        ringing = np.zeros_like(taken)
        for n, power in enumerate(taken):
            self._ringing = max(power, _RINGING * self._ringing)
            ringing[n] = self._ringing
        rest = _gated(heard - own, ringing)
        self._lately.extend(taken)
        self._loudest = [max(self._loudest[0], *_powers(rest)), max(self._loudest[1], *taken)]
        return rest


def _powers(sound: _Samples) -> NDArray[np.float64]:
    """The mean power of each frame; the last may be filled up with silence."""
    padded = np.zeros(-(-sound.size // _FRAME) * _FRAME)
    padded[: sound.size] = sound
    return np.asarray((padded.reshape(-1, _FRAME) ** 2).mean(axis=1))


def _explained(window: _Samples, piece: _Samples, lag: int) -> float:
    """The share of a window's power that is a piece which begins with one of its samples."""
    edge = _FEW // 2
    played = _stretch(piece, -lag - edge, window.size + 2 * edge)
    direct = np.convolve(played, _least_squares(played, window), "valid")
    return 1 - float(np.sum((window - direct) ** 2)) / max(float(np.sum(window**2)), 1e-9)


def _gated(rest: _Samples, ringing: NDArray[np.float64]) -> _Samples:
    """What is left, much softer where it can only be what was missed of what rings in the room."""
    speech = _powers(rest) > _MISSED * ringing
    near = speech.copy()
    for by in range(1, _ROUND + 1):
        near[by:] |= speech[:-by]
        near[:-by] |= speech[by:]
    gain = np.repeat(np.where(near, 1.0, _SOFTER), _FRAME)[: rest.size]
    return np.asarray(rest * gain)


def _whitened_peak(window: _Samples, piece: _Samples) -> tuple[float, int]:
    """How much higher the highest peak is than the next, and where the piece begins.

    That is a sample of the window, or below 0 where it began before.
    """
    size = 1 << (window.size + piece.size - 1).bit_length()
    edge = window.size // 8
    tapered = window.copy()
    tapered[:edge] *= np.linspace(0, 1, edge)
    tapered[-edge:] *= np.linspace(1, 0, edge)
    cross = np.fft.rfft(tapered, size) * np.conj(np.fft.rfft(piece, size))
    strength = np.abs(cross)
    whitened = np.where(strength > strength.max() * 1e-6, cross / np.maximum(strength, 1e-12), 0)
    found = np.fft.irfft(whitened, size)
    at = int(np.argmax(found))
    highest = float(found[at])
    found[np.arange(at - _PEAK, at + _PEAK + 1) % size] = 0
    height = highest / max(float(found.max()), 1e-12)
    return height, at if at < window.size else at - size


def delayed(piece: _Samples, by: float) -> _Samples:
    """A piece that begins by some part of a sample later."""
    size = 1 << piece.size.bit_length()
    turned = np.exp(-2j * np.pi * by * np.fft.rfftfreq(size))
    return np.asarray(np.fft.irfft(np.fft.rfft(piece, size) * turned, size)[: piece.size + 1])


def _stretch(piece: _Samples, first: int, size: int) -> _Samples:
    """Samples of a piece from `first` on, silence before and after it."""
    out = np.zeros(size)
    low, high = max(0, first), min(piece.size, first + size)
    if high > low:
        out[low - first : high - first] = piece[low:high]
    return out


def _least_squares(played: _Samples, heard: _Samples) -> _Samples:
    """The short filter that makes of what was played what is heard, as far as it can."""
    columns = np.lib.stride_tricks.sliding_window_view(played, heard.size)
    square = columns @ columns.T + np.eye(len(columns)) * (1e-4 * float(np.sum(played**2)) + 1e-9)
    return np.asarray(np.linalg.solve(square, columns @ heard))[::-1]


def piece_of(wav: bytes) -> _Samples:
    """The samples of a mono sound file at this rate."""
    found, rate = soundfile.read(io.BytesIO(wav), dtype="int16")
    return np.asarray(soxr.resample(found.astype(np.float64), rate, RATE))


class OwnVoice:
    """Takes what is being played, known as WAV by any keys, out of the microphone's sound."""

    def __init__(self) -> None:
        self._canceller = Canceller()
        self._samples: dict[Hashable, _Samples] = {}

    @property
    def held(self) -> int:
        """Samples that went in and did not come out yet."""
        return self._canceller.held

    @property
    def plays(self) -> bool:
        """Whether something may be heard that the desk plays."""
        return bool(self._samples)

    def begins(self) -> None:
        """An utterance may begin with what comes out now."""
        self._canceller.begins()

    @property
    def is_left_over(self) -> bool:
        """Whether the utterance is nobody's, but what is left of the own voice."""
        return self._canceller.is_left_over

    def out_of(self, sound: bytes, playing: Mapping[Hashable, tuple[bytes, float]]) -> bytes:
        """The sound without these, each with the time at which it begins by the page's clock."""
        for key in [key for key in self._samples if key not in playing]:
            del self._samples[key]
        for key, (wav, _) in playing.items():
            if key not in self._samples:
                self._samples[key] = piece_of(wav)
        pieces = {key: Piece(self._samples[key], begins) for key, (_, begins) in playing.items()}
        return self._canceller.feed(sound, pieces)
