"""What a loudspeaker, a room and a microphone make of a sound, learned while it is heard.

A partitioned-block Kalman filter in the frequency domain (Enzner and Vary, "Frequency-domain
adaptive Kalman filter for acoustic echo control in hands-free telephones", Signal Processing 86,
2006; in partitions: Kuech, Mabande and Enzner, ICASSP 2014).  It weighs what it hears by how loud
anybody else is, so that speech into it does not spoil what was learned.
"""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

_Samples = NDArray[np.float64]
BLOCK, PARTS = 256, 8
"""Samples that are heard at a time, and how many times so many of the path are known: 128 ms."""
_STAYS = 0.9995
"""How much of the path is as it was, a block later."""
_UNSURE, _SHORTER = 0.5, 0.4
"""The variance of a path that is not known yet, in its power; by how much each part is softer."""
_SMOOTHED = 0.9
_UNTOLD = 0.00003
"""Of the power played, so much is heard that no such path tells of."""
_LEAST = 1e5
"""Power of the microphone's own noise in a band of a block."""


class EchoPath:
    """Tells what is heard of a sound, of which about so much of the power is heard."""

    def __init__(self, loudness: float) -> None:
        falling = (loudness * _UNSURE * _SHORTER ** np.arange(PARTS))[:, None]
        self._path = np.zeros((PARTS, BLOCK + 1), np.complex128)
        self._variance = np.tile(falling, BLOCK + 1)
        self._others = np.zeros(0)  # the power of everything else

    def heard_of(self, played: _Samples, heard: _Samples) -> _Samples:
        """How a block of `heard` would sound with nothing but what was `played`.

        `played` ends with that block, and has PARTS blocks before it.
        """
        parts = (played[(PARTS - 1 - n) * BLOCK : (PARTS + 1 - n) * BLOCK] for n in range(PARTS))
        spectra = np.fft.rfft(np.stack(tuple(parts)), axis=1)
        if not np.any(spectra):
            return np.zeros(BLOCK)
        own = np.fft.irfft((spectra * self._path).sum(axis=0))[BLOCK:]
        self._learn(spectra, np.fft.rfft(np.concatenate((np.zeros(BLOCK), heard - own))))
        return np.asarray(own)

    def _learn(self, spectra: NDArray[np.complex128], missed: NDArray[np.complex128]) -> None:
        power = np.abs(missed) ** 2
        if not self._others.size:
            self._others = power
        self._others = _SMOOTHED * self._others + (1 - _SMOOTHED) * power
        # Half of a frame is new: so much of the variance is heard in it.
        loud = np.abs(spectra) ** 2
        expected = 0.5 * (loud * self._variance).sum(axis=0)
        others = np.maximum(self._others, _UNTOLD * loud.sum(axis=0)) + _LEAST
        gain = self._variance * np.conj(spectra) / (expected + others)
        step = np.fft.irfft(gain * missed, axis=1)
        step[:, BLOCK:] = 0
        self._path = _STAYS * (self._path + np.fft.rfft(step, axis=1))
        known = 1 - 0.5 * np.real(gain * spectra)
        changed = (1 - _STAYS**2) * np.abs(self._path) ** 2
        self._variance = _STAYS**2 * known * self._variance + changed
