"""16-bit little-endian mono sound as bytes: how loud it is, louder, quieter, mixed."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

RATE = 16_000
"""Samples a second, wherever sound is heard."""
_LOWEST, _HIGHEST = -32768, 32767


def samples(sound: bytes) -> NDArray[np.float64]:
    """The samples, a byte too many at the end left out."""
    return np.frombuffer(sound[: len(sound) // 2 * 2], "<i2").astype(np.float64)


def sound_of(values: NDArray[np.floating]) -> bytes:
    """Samples as sound, cut off at the loudest there is."""
    return bytes(np.clip(np.rint(values), _LOWEST, _HIGHEST).astype("<i2").tobytes())


def rms(sound: bytes) -> float:
    """The root of the mean square, 0 for no sound."""
    values = samples(sound)
    return float(np.sqrt(np.mean(values**2))) if values.size else 0.0


def peak(sound: bytes) -> float:
    values = samples(sound)
    return float(np.abs(values).max()) if values.size else 0.0


def scaled(sound: bytes, factor: float) -> bytes:
    return sound_of(samples(sound) * factor)


def mixed(some: bytes, others: bytes) -> bytes:
    """Two sounds of the same length at once."""
    return sound_of(samples(some) + samples(others))
