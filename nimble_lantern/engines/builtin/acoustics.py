"""The acoustic model that PocketSphinx ships, as arrays, and sound as that model sees it.

A phone has three codebooks, of the cepstra and their first and second differences, with 128
Gaussians each and diagonal variances; all states that are tied to a phone share them, each with
mixture weights of its own (a phonetically tied mixture).
"""

from __future__ import annotations

import struct
from dataclasses import dataclass
from functools import cache
from pathlib import Path
from typing import TypeAlias

import numpy as np
from numpy.typing import NDArray
from pocketsphinx import get_model_path

Floats: TypeAlias = NDArray[np.float64]
STREAMS, CEPSTRA, GAUSSIANS = 3, 13, 128
SILENCE = "SIL"
_MODEL = "en-us/en-us"
_ENDS_HEADER = b"endhdr\n"
_BYTE_ORDER = 0x11223344
_LEAST_VARIANCE = 1e-4
_WEIGHT_STEP = 1024 * np.log(1.0001)
"""A mixture weight is kept as a byte, its negative logarithm to the base 1.0001, shifted by 10."""


@dataclass(frozen=True, slots=True)
class Acoustics:
    """Means and variances [phone, stream, Gaussian, cepstrum] and mixture weights.

    Those are logarithms, [stream, Gaussian, state].  `phones` has the number of a phone's
    codebooks by its name.
    """

    means: Floats
    variances: Floats
    weights: Floats
    phones: dict[str, int]


@cache
def acoustics() -> Acoustics:
    """The model that the package ships."""
    folder = Path(get_model_path()) / _MODEL
    return Acoustics(
        _parameters(folder / "means"),
        np.maximum(_parameters(folder / "variances"), _LEAST_VARIANCE),
        _weights(folder / "sendump"),
        {name: n for n, name in enumerate(_phones(folder / "mdef"))},
    )


def _parameters(file: Path) -> Floats:
    """An S3 parameter file: [codebook, stream, Gaussian, cepstrum]."""
    data = file.read_bytes()
    at = data.index(_ENDS_HEADER) + len(_ENDS_HEADER)
    order, books, streams, gaussians = struct.unpack_from("<4i", data, at)
    if order != _BYTE_ORDER:
        raise ValueError(f"{file.name} is of another byte order")
    (length,) = struct.unpack_from("<i", data, at + 16)  # of a vector, once for each stream
    (count,) = struct.unpack_from("<i", data, at := at + 16 + 4 * streams)
    numbers = np.frombuffer(data, "<f4", count, at + 4).astype(np.float64)
    return numbers.reshape(books, streams, gaussians, length)


def _weights(file: Path) -> Floats:
    """The log mixture weights of a `sendump`: [stream, Gaussian, state]."""
    data, at = file.read_bytes(), 0
    while (length := struct.unpack_from("<i", data, at)[0]) != 0:  # lines of text
        at += 4 + length
    gaussians, states = struct.unpack_from("<2i", data, at + 4)
    found = np.frombuffer(data, np.uint8, STREAMS * gaussians * states, at + 12)
    logs: Floats = -_WEIGHT_STEP * found.reshape(STREAMS, gaussians, states).astype(np.float64)
    return logs


def _phones(file: Path) -> list[str]:
    """The names of the phones by themselves, in the order of their codebooks."""
    data = file.read_bytes()
    (text,) = struct.unpack_from("<i", data, 8)  # how long a description of the format follows
    (count,) = struct.unpack_from("<i", data, 12 + text)
    names = data[12 + text + 10 * 4 :].split(b"\0", count)[:count]
    return [name.decode("ascii") for name in names]


def features(cepstra: Floats) -> Floats:
    """Of cepstra [frame, cepstrum] of one utterance: [frame, stream, cepstrum].

    The cepstral mean is taken out; the differences are those of the model (1s_c_d_dd).
    """
    if not len(cepstra):
        return np.zeros((0, STREAMS, CEPSTRA))
    centred = cepstra - cepstra.mean(0)
    padded = np.vstack([centred[:1]] * 3 + [centred] + [centred[-1:]] * 3)

    def beside(frames: int) -> Floats:
        return padded[3 + frames : 3 + frames + len(centred)]

    first = beside(2) - beside(-2)
    second = beside(3) - beside(-1) - beside(1) + beside(-3)
    return np.stack([centred, first, second], axis=1)
