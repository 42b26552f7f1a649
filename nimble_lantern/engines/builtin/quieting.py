"""Taking steady noise out of a stream: sound in, sound out, 24 ms later.

A Wiener filter with the decision-directed estimate of the signal-to-noise ratio (Ephraim and
Malah, IEEE Trans. ASSP 32, 1984, eq. 51).  Noise is what a low quantile of the last seconds has
in each band (Stahl, Fischer and Bippus, ICASSP 2000), so it is followed while somebody speaks.
"""

from __future__ import annotations

import numpy as np

SIZE, HOP = 512, 128  # samples at 16 kHz
DELAY = SIZE - HOP
_SECONDS_KEPT = 4.0
_KEPT = round(_SECONDS_KEPT * 16_000 / HOP)
_LEAST_KEPT = 25  # frames, before which nothing is taken for noise
_ANEW = 16  # frames after which the noise is estimated anew
_SMOOTHED = 5  # frames, and bands
QUANTILE, ABOVE = 0.15, 1.6
"""The quantile, and how much more the mean power of the noise is than it."""
_MEMORY = 0.96
LEAST_GAIN = 0.15
_TINY = 1e-3
_WINDOW = np.sqrt(np.hanning(SIZE + 1)[:SIZE])
_OVERLAP = float((_WINDOW**2).reshape(-1, HOP).sum(axis=0).mean())
_BANDS = SIZE // 2 + 1


class Quieter:
    """Fed 16-bit mono sound at 16 kHz of any length; gives back as much, less what it holds."""

    def __init__(self) -> None:
        self._rest = b""
        self._last = np.zeros(SIZE)
        self._adding = np.zeros(SIZE)
        self._recent = np.zeros((_SMOOTHED, _BANDS))
        self._history = np.zeros((_KEPT, _BANDS))
        self._frames = 0
        self._noise = np.zeros(_BANDS)
        self._clean = np.zeros(_BANDS)  # the power of the frame before, without the noise

    def feed(self, sound: bytes) -> bytes:
        """The sound DELAY samples ago, quieter where there was nothing but noise."""
        self._rest += sound
        made = []
        while len(self._rest) >= HOP * 2:
            piece, self._rest = self._rest[: HOP * 2], self._rest[HOP * 2 :]
            self._last = np.concatenate((self._last[HOP:], np.frombuffer(piece, "<i2")))
            made.append(self._frame())
        if not made:
            return b""
        whole = np.clip(np.rint(np.concatenate(made)), -32768, 32767)
        return bytes(whole.astype("<i2").tobytes())

    def _frame(self) -> np.ndarray:
        spectrum = np.fft.rfft(self._last * _WINDOW)
        self._adding += np.fft.irfft(spectrum * self._gain(np.abs(spectrum) ** 2)) * _WINDOW
        done = self._adding[:HOP] / _OVERLAP
        self._adding = np.concatenate((self._adding[HOP:], np.zeros(HOP)))
        return done

    def _gain(self, power: np.ndarray) -> np.ndarray:
        self._recent[self._frames % _SMOOTHED] = power
        self._history[self._frames % _KEPT] = self._recent.mean(axis=0)
        self._frames += 1
        if self._frames % _ANEW == 0 and self._frames >= _LEAST_KEPT:
            self._noise = self._estimated()
        noise = self._noise + _TINY
        likely = _MEMORY * self._clean / noise
        likely += (1 - _MEMORY) * np.maximum(power / noise - 1, 0)
        gain = np.maximum(likely / (1 + likely), LEAST_GAIN)
        self._clean = gain**2 * power
        return np.asarray(gain)

    def _estimated(self) -> np.ndarray:
        """The power of the noise in each band."""
        low = np.quantile(self._history[: min(self._frames, _KEPT)], QUANTILE, axis=0)
        return np.convolve(low * ABOVE, np.ones(_SMOOTHED) / _SMOOTHED, "same")
