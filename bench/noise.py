"""Loud noises for ten minutes with sentences between, as a page would send them, in real time.

Every sentence has to be kept, or told as lost; and the desk must not be behind for long after a
noise is over.
"""

from __future__ import annotations

import json
import tempfile
import time
import urllib.request
from collections.abc import Iterator
from dataclasses import dataclass, field
from datetime import datetime
from pathlib import Path

import numpy as np
from rapidfuzz import fuzz
from sqlalchemy import select
from sqlalchemy.orm import Session

from bench._speech import VOICES, lines, spoken
from nimble_lantern.benchmarks import Figure
from nimble_lantern.engines.pcm import RATE, mixed, rms, scaled, sound_of
from nimble_lantern.store.journal import now
from nimble_lantern.store.models import UtteranceRow
from nimble_lantern.store.opening import open_folder
from tests.server import Server

MINUTES = 10.0
SENTENCES = 16
SEED = 19
BEHIND_SECONDS = 5.0
_CHUNK = 3200  # bytes
_QUIET_SECONDS, _LOUD = 2.0, 9000.0
_SOON_SECONDS = 12.0
_ALIKE = 45.0
"""Of 100: how like its words what was heard then must be."""
_WRITTEN = ("text", "command", "text+command")
_TOLD = ("unclear",)


@dataclass
class _Heard:
    """When a page began, and at each moment of its sound how late it was answered."""

    began: datetime
    lags: list[tuple[float, float]] = field(default_factory=list)


def run() -> Iterator[Figure]:
    """One long stream: noise, quiet, a sentence, quiet, and so on."""
    rng = np.random.default_rng(SEED)
    said = [line.words for line in lines("sentences")[:SENTENCES]]
    seconds = MINUTES * 60 / SENTENCES
    parts: list[bytes] = []
    over: list[float] = []
    for n, words in enumerate(said):
        speech = spoken(words, VOICES[n % len(VOICES)])
        noise = _NOISES[n % len(_NOISES)](rng, seconds - 2 * _QUIET_SECONDS - len(speech) / 32_000)
        parts += [scaled(noise, _LOUD / rms(noise)), b"\0\0" * round(RATE * _QUIET_SECONDS)]
        over.append(sum(map(len, parts)) / 32_000)
        parts += [speech, b"\0\0" * round(RATE * _QUIET_SECONDS)]
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name)
        server = Server(folder)
        try:
            heard = _streamed(server, b"".join(parts))
        finally:
            server.stop()
        told = _said(folder, heard.began)
    kept = [_kept(words, at, told, _WRITTEN) for words, at in zip(said, over, strict=True)]
    lost = [_kept(words, at, told, _TOLD) for words, at in zip(said, over, strict=True)]
    behind = max(lag for at, lag in heard.lags if any(o - _QUIET_SECONDS <= at < o for o in over))
    yield Figure("noise_sentences_kept", sum(kept), "sentences", "spoken", sum(kept) / SENTENCES)
    only = sum(b and not a for a, b in zip(kept, lost, strict=True))
    yield Figure("noise_sentences_told_as_lost", only, "sentences", "spoken", only / SENTENCES)
    yield Figure("noise_behind_afterwards", behind, "s", "allowed", behind / BEHIND_SECONDS)
    yield Figure("noise_entries", len(told), "utterances")


@dataclass(frozen=True, slots=True)
class _Entry:
    at: float  # seconds of the stream at which it was recorded
    read_as: str
    heard: str


def _said(folder: Path, began: datetime) -> list[_Entry]:
    journal = open_folder(folder)
    try:
        with Session(journal._engine) as session:
            rows = session.scalars(select(UtteranceRow).order_by(UtteranceRow.number))
            return [_Entry((r.spoken_at - began).total_seconds(), r.read_as, r.heard) for r in rows]
    finally:
        journal._engine.dispose()


def _kept(words: str, at: float, entries: list[_Entry], kinds: tuple[str, ...]) -> bool:
    """Whether the desk has something of a sentence that began at a moment, perhaps misheard."""
    soon = (e for e in entries if at < e.at < at + _SOON_SECONDS and e.read_as in kinds)
    return any(fuzz.partial_ratio(words, e.heard) >= _ALIKE or not e.heard for e in soon)


def _streamed(server: Server, sound: bytes) -> _Heard:
    """The sound in real time; what cannot be sent yet waits, as in a page."""
    heard = _Heard(now())
    began = time.monotonic()
    body = json.dumps({"stream": "page", "from": 0, "time": 0}).encode()
    kind = {"Content-Type": "application/json"}
    urllib.request.urlopen(urllib.request.Request(f"{server.address}/streams", body, kind)).close()
    for at in range(0, len(sound), _CHUNK):
        spoken_at = at / 32_000
        time.sleep(max(0.0, began + spoken_at + 0.1 - time.monotonic()))
        url = f"{server.address}/streams/page/{at // 2}?time={spoken_at * 1000}"
        with urllib.request.urlopen(url, sound[at : at + _CHUNK], timeout=60):
            heard.lags.append((spoken_at, time.monotonic() - began - spoken_at - 0.1))
    return heard


def _pulsing(rng: np.random.Generator, seconds: float) -> bytes:
    """Pink noise, six times a second loud and quiet."""
    count = round(seconds * RATE)
    spectrum = np.fft.rfft(rng.standard_normal(count))
    spectrum /= np.sqrt(np.maximum(1, np.arange(len(spectrum))))
    wave = np.fft.irfft(spectrum, count)
    tremolo = 0.55 + 0.45 * np.sin(2 * np.pi * 6 * np.arange(count) / RATE)
    return sound_of(wave / np.abs(wave).max() * tremolo * 20_000)


def _music(rng: np.random.Generator, seconds: float) -> bytes:
    """Notes of a few harmonics, three a second."""
    count = round(seconds * RATE)
    time_of = np.arange(count) / RATE
    notes = 220 * 2 ** (rng.integers(0, 24, round(seconds * 3) + 1) / 12)
    tone = notes[(time_of * 3).astype(int)]
    wave = sum(np.sin(2 * np.pi * tone * k * time_of) / k for k in (1, 2, 3))
    return sound_of(np.asarray(wave) * 6000)


def _babble(rng: np.random.Generator, seconds: float) -> bytes:
    """Several people speaking at once."""
    texts = [line.words for line in lines("sentences")]
    count = round(seconds * RATE) * 2
    babble = b"\0" * count
    for voice in (*VOICES, *VOICES):
        one = b""
        while len(one) < count:
            one += spoken(texts[int(rng.integers(len(texts)))], voice)
        babble = mixed(babble, scaled(one[:count], 0.4))
    return babble


_NOISES = (_pulsing, _music, _babble)
