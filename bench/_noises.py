"""Twelve kinds of noise that nobody speaks in; each is three seconds between two of silence.

A maker is given random numbers and returns 16-bit mono sound at 16 kHz, the same for the same seed.
"""

from __future__ import annotations

import random
from collections.abc import Callable

import numpy as np

from bench._speech import VOICES, lines, spoken
from nimble_lantern.engines.pcm import RATE, mixed, scaled, sound_of

SECONDS = 3
_COUNT = SECONDS * RATE
_AT = np.arange(_COUNT) / RATE
_LOUDEST = 8000.0
Maker = Callable[[random.Random], bytes]


def _made(samples: np.ndarray) -> bytes:
    """Silence, the samples as loud as they may be, silence."""
    quiet = b"\0\0" * RATE
    return quiet + sound_of(samples / max(1e-9, float(np.abs(samples).max())) * _LOUDEST) + quiet


def _numbers(rng: random.Random) -> np.random.Generator:
    return np.random.default_rng(rng.randrange(2**32))


def _hiss(rng: random.Random) -> bytes:
    return _made(_numbers(rng).standard_normal(_COUNT))


def _rumble(rng: random.Random) -> bytes:
    """Brown noise, as of a lorry or a fan."""
    return _made(_coloured(rng, 2.0))


def _wind(rng: random.Random) -> bytes:
    """Pink noise that swells and dies away."""
    gusts = np.interp(_AT, np.linspace(0, SECONDS, 7), [rng.uniform(0.05, 1) for _ in range(7)])
    return _made(_coloured(rng, 1.0) * gusts)


def _coloured(rng: random.Random, falls: float) -> np.ndarray:
    """Noise whose power falls with this power of the frequency."""
    spectrum = np.fft.rfft(_numbers(rng).standard_normal(_COUNT))
    frequency = np.maximum(20.0, np.fft.rfftfreq(_COUNT, 1 / RATE))
    return np.asarray(np.fft.irfft(spectrum / frequency ** (falls / 2), _COUNT))


def _bursts(rng: random.Random, starts: list[float], fall: float) -> np.ndarray:
    """Short noises that die away, each within so many seconds."""
    whole = np.zeros(_COUNT)
    for start in starts:
        at = round(start * RATE)
        length = min(_COUNT - at, round(6 * fall * RATE))
        fading = np.exp(-np.arange(length) / RATE / fall)
        whole[at : at + length] += _numbers(rng).standard_normal(length) * fading
    return whole


def _knocks(rng: random.Random) -> bytes:
    """As of keys and cups."""
    return _made(_bursts(rng, [rng.uniform(0, SECONDS) for _ in range(14)], 0.025))


def _clock(rng: random.Random) -> bytes:
    beat = rng.uniform(0.3, 0.6)
    return _made(_bursts(rng, [n * beat for n in range(int(SECONDS / beat))], 0.004))


def _applause(rng: random.Random) -> bytes:
    return _made(_bursts(rng, [rng.uniform(0, SECONDS) for _ in range(160)], 0.008))


def _tones(hertz: np.ndarray, harmonics: int) -> np.ndarray:
    turned = 2 * np.pi * np.cumsum(hertz) / RATE
    return np.asarray(sum(np.sin(k * turned) / k for k in range(1, harmonics + 1)))


def _melody(rng: random.Random) -> bytes:
    """Notes of a few harmonics, a third of a second each."""
    notes = np.array([220 * 2 ** (rng.randrange(24) / 12) for _ in range(3 * SECONDS)])
    return _made(_tones(notes[(_AT * 3).astype(int)], 3))


def _hum(rng: random.Random) -> bytes:
    """The mains, in a bad lead."""
    return _made(_tones(np.full(_COUNT, rng.choice((50.0, 60.0)) * rng.uniform(0.98, 1.02)), 9))


def _siren(rng: random.Random) -> bytes:
    low, high, times = rng.uniform(400, 600), rng.uniform(900, 1400), rng.uniform(0.5, 3)
    swing = (1 + np.sin(2 * np.pi * times * _AT)) / 2
    return _made(_tones(low + (high - low) * swing, 2))


def _bell(rng: random.Random) -> bytes:
    """A telephone: two tones, twenty times a second, with rests."""
    ringing = (np.sin(2 * np.pi * 20 * _AT) > 0) & (_AT % 1.5 < 0.9)
    pitch = rng.uniform(800, 1600)
    both = (np.sin(2 * np.pi * pitch * k * _AT) for k in (1, 1.25))
    return _made(np.asarray(sum(both)) * ringing)


def _birds(rng: random.Random) -> bytes:
    """Chirps between two and five thousand hertz."""
    whole = np.zeros(_COUNT)
    for _ in range(12):
        length = round(rng.uniform(0.06, 0.2) * RATE)
        at = rng.randrange(_COUNT - length)
        hertz = np.linspace(rng.uniform(2000, 5000), rng.uniform(2000, 5000), length)
        whole[at : at + length] += np.sin(2 * np.pi * np.cumsum(hertz) / RATE) * np.hanning(length)
    return _made(whole)


def _babble(rng: random.Random) -> bytes:
    """Five people speaking at once."""
    texts = rng.sample([line.words for line in lines("sentences")], 5)
    sounds = [spoken(words, rng.choice(VOICES)) for words in texts]
    longest = max(map(len, sounds))
    babble = b"\0" * longest
    for sound in sounds:
        start = rng.randrange(1 + (longest - len(sound)) // 2) * 2
        padded = b"\0" * start + scaled(sound, 0.3) + b"\0" * (longest - start - len(sound))
        babble = mixed(babble, padded)
    return babble


NOISES: dict[str, Maker] = {
    "hiss": _hiss,
    "rumble": _rumble,
    "wind": _wind,
    "knocks": _knocks,
    "clock": _clock,
    "applause": _applause,
    "melody": _melody,
    "hum": _hum,
    "siren": _siren,
    "bell": _bell,
    "birds": _birds,
    "babble": _babble,
}
