"""How the microphone sounds: level of speech, noise between it, clipping; and advice in words."""

from __future__ import annotations

import math
from collections import deque
from dataclasses import dataclass

import numpy as np

from nimble_lantern.engines.pcm import rms, samples

_FULL = 32767
_CLIPPED = 32700
_KEPT_FRAMES = 600
"""Of each kind: eighteen seconds of 30 ms."""
_LEAST_SPEECH, _LEAST_NOISE = 10, 10  # frames
_FLOOR_DB = -96.0
QUIET_DB, LOUD_DB = -38.0, -8.0
CLOSE_DB, NOISY_DB = 12.0, 20.0
_MOST_CLIPPED = 0.002
_UTTERANCES = 12


@dataclass(frozen=True, slots=True)
class Report:
    """Levels in dB below full scale (RMS); the share of speech samples that were clipped."""

    speech_db: float
    noise_db: float
    clipped: float

    def advice(self) -> str:
        """What was measured, whether it will do, and what to change if not."""
        distance = self.speech_db - self.noise_db
        found = f"Speech {self.speech_db:.0f} dB, noise {self.noise_db:.0f} dB".replace("-", "−")
        if self.clipped > _MOST_CLIPPED or self.speech_db > LOUD_DB:
            return f"{found}: too loud, and so distorted; turn the microphone's level down."
        if distance < CLOSE_DB:
            return (
                f"{found}: the noise is nearly as loud as you; bring the microphone nearer, "
                "or quieten the room."
            )
        if self.speech_db < QUIET_DB:
            return f"{found}: too quiet; bring the microphone nearer, or turn its level up."
        if distance < NOISY_DB:
            return f"{found}: it will do, but less noise would make for fewer mistakes."
        return f"{found}: good."


class Meter:
    """Fed frames of a live stream, with whether each was speech."""

    def __init__(self) -> None:
        self._speech: deque[float] = deque(maxlen=_KEPT_FRAMES)
        self._noise: deque[float] = deque(maxlen=_KEPT_FRAMES)
        self._clipped: deque[float] = deque(maxlen=_KEPT_FRAMES)
        self._usual: deque[float] = deque(maxlen=_UTTERANCES)

    def feed(self, frame: bytes, speech: bool) -> None:
        """One frame of 16-bit mono sound."""
        power = rms(frame) ** 2
        if not speech:
            self._noise.append(power)
            return
        self._speech.append(power)
        loud = np.abs(samples(frame)) >= _CLIPPED
        self._clipped.append(float(loud.mean()) if loud.size else 0.0)

    def report(self) -> Report | None:
        """What was measured of late; None until there was enough of speech and of silence."""
        if len(self._speech) < _LEAST_SPEECH or len(self._noise) < _LEAST_NOISE:
            return None
        quiet = sorted(self._noise)
        return Report(
            _decibels(sum(self._speech) / len(self._speech)),
            _decibels(quiet[len(quiet) // 2]),
            sum(self._clipped) / len(self._clipped),
        )

    def quieter(self, utterance: bytes) -> float:
        """Decibels that an utterance is below the speaker's usual ones, negative above.

        0 until those are known.
        """
        if len(self._usual) < _UTTERANCES // 3:
            return 0.0
        usual = sorted(self._usual)[len(self._usual) // 2]
        return usual - level(utterance)

    def accepted(self, utterance: bytes) -> None:
        """An utterance that was the speaker's: it tells how loud they usually are."""
        self._usual.append(level(utterance))


def level(sound: bytes) -> float:
    """RMS of 16-bit mono sound in dB below full scale."""
    return _decibels(rms(sound) ** 2)


def _decibels(power: float) -> float:
    return max(_FLOOR_DB, 10 * math.log10(power / _FULL**2)) if power > 0 else _FLOOR_DB
