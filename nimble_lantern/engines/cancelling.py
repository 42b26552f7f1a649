"""The desk's own voice taken out of the microphone's sound, as what it plays is known.

Where a piece of speech stands in the sound is found by cross-correlation with whitened spectra
(Knapp and Carter, "The generalized correlation method for estimation of time delay", 1976); what
the room and the loudspeaker made of it by least squares over the last second, as a short filter;
its sound is then subtracted.  Speech that has nothing to do with the piece is left as it is.
"""

from __future__ import annotations

import io
from collections.abc import Hashable, Mapping

import numpy as np
import soundfile
import soxr
from numpy.typing import NDArray

from nimble_lantern.engines.pcm import RATE, samples, sound_of

_Samples = NDArray[np.float64]
HELD = 3_200
"""Samples that are held back while something is played: a piece is found as late as that."""
_FOUND_IN = 4_800
"""Samples in which a piece is looked for."""
_FITTED_OVER = 16_000
_LEAST_FITTED, _REFITTED = 3_200, 4_800
_BEFORE, _TAPS, _FEW = 48, 320, 9
"""Of the filter: samples before the direct sound, and all of them; so few of them under speech."""
_SURE, _PEAK = 1.5, 40
"""How much higher than any other further away than so many samples a peak must be."""
_QUIET = 12.0
"""RMS of sound in which nothing is looked for."""
_ALONE = 0.6
"""Share of the sound that a filter explains where the piece is heard alone: it is kept then."""
_FRAME, _ROUND = 320, 2
_MISSED, _SOFTER = 0.05, 0.03
"""A frame with less of the own voice's power is no speech, nor are those not near any."""
_HISS = 40.0
"""RMS of the noise, as soft as that of a good microphone, that hides what is left of the voice."""
_LEAST_EXPLAINED = 0.01
_PATIENCE = 3
"""Chunks in which nothing of a piece is heard, before it is looked for again."""


class Canceller:
    """Fed the microphone's sound in order, with what may be heard in it, by any keys."""

    def __init__(self) -> None:
        self._heard: _Samples = np.zeros(0)
        self._end = 0  # samples fed
        self.held = 0
        """Samples that were not given back yet."""
        self._key: Hashable = None
        self._piece: _Samples = np.zeros(0)
        self._began = 0  # the sample of the stream with which the piece begins
        self._fitted = 0
        self._filter: _Samples | None = None
        self._unheard = 0
        self._hiss = np.random.default_rng(0)

    def feed(self, sound: bytes, pieces: Mapping[Hashable, _Samples]) -> bytes:
        """The sound so far without these pieces, less the last of it: that may be one's beginning.

        Where nothing can be heard any more, all that is left.
        """
        fresh = samples(sound)
        kept = max(_FITTED_OVER, self.held + fresh.size)
        self._heard = np.concatenate((self._heard, fresh))[-kept:]
        self._end += fresh.size
        if not pieces:
            held, self.held = self.held, 0
            self._key = None
            return sound_of(self._heard[-held - fresh.size :]) if held else sound
        since_its_end = self._end - self._began - self._piece.size - _TAPS
        if self._key not in pieces or since_its_end >= HELD + fresh.size:
            self._key = None
        if self._key is None or self._unheard > _PATIENCE or since_its_end >= 0:
            self._look(pieces)
        self._fit()
        size = max(0, self.held + fresh.size - HELD)
        first = self._heard.size - self.held - fresh.size
        self.held += fresh.size - size
        rest = self._rest(first, size)
        return sound_of(rest + self._hiss.normal(0, _HISS, rest.size))

    def _look(self, pieces: Mapping[Hashable, _Samples]) -> None:
        """Find the piece that is heard now, and since when."""
        window = self._heard[-_FOUND_IN:]
        if window.size < _FOUND_IN or np.sqrt(np.mean(window**2)) < _QUIET:
            return
        found = [(*_whitened_peak(window, piece), key) for key, piece in pieces.items()]
        for height, lag, key in sorted(found, key=lambda f: -f[0]):
            if height > _SURE or _explained(window, pieces[key], lag) > _ALONE:
                self._key, self._piece = key, pieces[key]
                self._began = self._end - window.size + lag
                self._unheard = self._fitted = 0
                return

    def _fit(self) -> None:
        """Learn what the loudspeaker and the room make of the piece, where it is heard alone."""
        if self._key is None:
            return
        since = min(self._heard.size, self._end - self._began)
        if self._end - self._fitted < _REFITTED and self._filter is not None:
            return
        if since < _LEAST_FITTED:
            return
        self._fitted = self._end
        heard = self._heard[-since:]
        played = self._played(self._heard.size - since, since)
        made = _least_squares(played, heard, 0, _TAPS)
        own = np.convolve(played, made, "valid")
        alone = np.sum((heard - own) ** 2) < (1 - _ALONE) * np.sum(heard**2)
        if alone:
            self._filter = made
        elif self._filter is None:
            self._filter = _short_filter(played, heard)

    def _played(self, first: int, size: int) -> _Samples:
        """Of the piece, what may be heard in so many samples from one of those kept on."""
        at = self._end - self._heard.size + first - self._began
        return _stretch(self._piece, at + _BEFORE - _TAPS + 1, size + _TAPS - 1)

    def _rest(self, first: int, size: int) -> _Samples:
        """So many of the samples kept, without the piece."""
        heard = self._heard[first : first + size]
        if self._key is None or self._filter is None or not size:
            return heard
        own = np.convolve(self._played(first, size), self._filter, "valid")
        power = float(np.sum(heard**2))
        explained = power - float(np.sum((heard - own) ** 2))
        self._unheard = self._unheard + 1 if explained < _LEAST_EXPLAINED * power else 0
        return _gated(heard - own, own) if explained > 0 else heard


def _explained(window: _Samples, piece: _Samples, lag: int) -> float:
    """The share of a window's power that is a piece which begins with one of its samples."""
    played = _stretch(piece, _BEFORE - _TAPS + 1 - lag, window.size + _TAPS - 1)
    rest = window - np.convolve(played, _short_filter(played, window), "valid")
    return 1 - float(np.sum(rest**2)) / float(np.sum(window**2))


def _gated(rest: _Samples, own: _Samples) -> _Samples:
    """What is left, much softer where it can only be what the filter missed of the own voice."""
    frames = -(-rest.size // _FRAME)
    padded = (np.zeros(frames * _FRAME), np.zeros(frames * _FRAME))
    for values, into in zip((rest, own), padded, strict=True):
        into[: values.size] = values
    left, taken = ((p.reshape(frames, _FRAME) ** 2).mean(axis=1) for p in padded)
    speech = left > _MISSED * taken
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


def _stretch(piece: _Samples, first: int, size: int) -> _Samples:
    """Samples of a piece from `first` on, silence before and after it."""
    out = np.zeros(size)
    low, high = max(0, first), min(piece.size, first + size)
    if high > low:
        out[low - first : high - first] = piece[low:high]
    return out


def _least_squares(played: _Samples, heard: _Samples, first: int, count: int) -> _Samples:
    """The taps from `first` on of the filter that makes of what was played what is heard."""
    size = 1 << (played.size - 1).bit_length()
    spectrum = np.fft.rfft(played, size)
    own = np.fft.irfft(np.abs(spectrum) ** 2, size)[:count]
    # Tap k weighs what was played `_TAPS - 1 - k` samples on in `played`.
    both = np.fft.irfft(np.conj(np.fft.rfft(heard, size)) * spectrum, size)[:_TAPS][::-1]
    square = own[np.abs(np.subtract.outer(np.arange(count), np.arange(count)))]
    square[np.diag_indices(count)] += 1e-4 * own[0] + 1e-9
    return np.asarray(np.linalg.solve(square, both[first : first + count]))


def _short_filter(played: _Samples, heard: _Samples) -> _Samples:
    """One with nothing but the direct sound: that much is learned under speech, too."""
    made, first = np.zeros(_TAPS), _BEFORE - _FEW // 2
    made[first : first + _FEW] = _least_squares(played, heard, first, _FEW)
    return made


def piece_of(wav: bytes) -> _Samples:
    """The samples of a mono sound file at this rate."""
    found, rate = soundfile.read(io.BytesIO(wav), dtype="int16")
    return np.asarray(soxr.resample(found.astype(np.float64), rate, RATE))


class OwnVoice:
    """Takes what is being played, known as WAV by any keys, out of the microphone's sound."""

    def __init__(self) -> None:
        self._canceller = Canceller()
        self._pieces: dict[Hashable, _Samples] = {}

    @property
    def held(self) -> int:
        """Samples that went in and did not come out yet."""
        return self._canceller.held

    def out_of(self, sound: bytes, playing: Mapping[Hashable, bytes]) -> bytes:
        for key in [key for key in self._pieces if key not in playing]:
            del self._pieces[key]
        for key, wav in playing.items():
            if key not in self._pieces:
                self._pieces[key] = piece_of(wav)
        return self._canceller.feed(sound, self._pieces)
