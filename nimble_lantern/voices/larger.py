"""A larger voice on this machine: piper, where it is installed, with voices kept in a folder.

The package `piper-tts` and its voices are no part of this application: whoever wants them installs
the extra `voice`, and puts a voice (its `.onnx` and `.onnx.json` files) where `folder` says, or
adds it with `lantern voices add`.
"""

from __future__ import annotations

import importlib
import importlib.util
import io
import shutil
import threading
import wave
from collections.abc import Iterable, Iterator
from pathlib import Path
from typing import Any

import numpy as np

from nimble_lantern import folders
from nimble_lantern.core.errors import BadInput, VoiceError
from nimble_lantern.voices.speaker import Sound, Voice

PACKAGE = "piper"
_MODEL, _CONFIG = ".onnx", ".onnx.json"
_PAUSE = " "
"""Between the phonemes of two words."""


def folder() -> Path:
    """Where voices are kept, for all desks of a user; LANTERN_VOICES names another place."""
    return folders.kept("voices", "LANTERN_VOICES")


def there() -> dict[str, Path]:
    """The voices on this machine, by name: the file of each model."""
    kept = folder()
    if not kept.is_dir():
        return {}
    models = sorted(kept.glob(f"*{_MODEL}"))
    return {m.name.removesuffix(_MODEL): m for m in models if _config_of(m).is_file()}


def found() -> Path | None:
    """The voice to read with: the first of them; None where there is none, or no piper."""
    installed = importlib.util.find_spec(PACKAGE) is not None
    return next(iter(there().values()), None) if installed else None


def add(source: Path) -> list[str]:
    """Copy the voices of a folder to the others; their names.

    BadInput, and nothing is changed, where it has none, or they cannot be kept.
    """
    models = [m for m in sorted(source.glob(f"*{_MODEL}")) if _config_of(m).is_file()]
    if not models:
        raise BadInput(
            f"{source} holds no voice: one has a file NAME{_MODEL} and a file NAME{_CONFIG}; name "
            "another folder."
        )
    names = [m.name.removesuffix(_MODEL) for m in models]
    if known := sorted(there().keys() & set(names)):
        raise BadInput(f"A voice called {known[0]} is here already; remove it first.")
    copied: list[Path] = []
    try:
        folder().mkdir(parents=True, exist_ok=True)
        for file in (file for model in models for file in (model, _config_of(model))):
            copied.append(folder() / file.name)
            shutil.copyfile(file, copied[-1])
    except OSError as error:
        for file in copied:
            file.unlink(missing_ok=True)
        raise BadInput(
            f"The voice cannot be kept: {error.strerror}; make room, then add it."
        ) from error
    return names


def remove(name: str) -> None:
    """Delete a voice from this machine.  BadInput if there is none of this name."""
    model = there().get(name)
    if model is None:
        known = ", ".join(there()) or "none"
        raise BadInput(f"There is no voice called {name} here; there are: {known}.")
    model.unlink()
    _config_of(model).unlink()


def _config_of(model: Path) -> Path:
    return model.with_name(model.name.removesuffix(_MODEL) + _CONFIG)


class Larger:
    """Speech by piper, whose model is loaded when it is first wanted.

    Where it fails, another voice reads instead: nobody has to come and take it away.
    """

    def __init__(self, model: Path, instead: Voice | None = None) -> None:
        self._instead = instead
        self.name = model.name.removesuffix(_MODEL)
        self._model = model
        self._lock = threading.Lock()
        self._voice: Any = None

    def spoken(self, text: str, rate: float) -> Sound:
        """VoiceError where the model cannot be read, or says nothing, and no other voice reads."""
        try:
            return self._spoken(text, rate)
        except VoiceError:
            if self._instead is None:
                raise
            return self._instead.spoken(text, rate)

    def _spoken(self, text: str, rate: float) -> Sound:
        with self._lock:
            try:
                chunks = list(self._chunks(text, rate))
            except Exception as error:  # whatever the package raises, the text is still there
                why = type(error).__name__
                raise VoiceError(
                    f"The voice {self.name} fails ({why}); the text is on the page."
                ) from error
        if not chunks:
            raise VoiceError(f"The voice {self.name} says nothing; the text is on the page.")
        sounds = [np.asarray(chunk.audio_int16_array) for chunk in chunks]
        begins = np.cumsum([0, *(sound.size for sound in sounds)])
        speed = chunks[0].sample_rate
        starts = [
            float(begin + at) / speed
            for begin, chunk, sound in zip(begins, chunks, sounds, strict=False)
            for at in _starts(chunk, sound.size)
        ]
        seconds = float(begins[-1]) / speed
        return Sound(_wav(sounds, speed), seconds, _of_words(text, starts, seconds))

    def _chunks(self, text: str, rate: float) -> Iterator[Any]:
        piper = importlib.import_module(PACKAGE)
        if self._voice is None:
            self._voice = piper.PiperVoice.load(self._model)
        usual = self._voice.config.length_scale or 1.0
        paced = piper.SynthesisConfig(length_scale=usual / rate)
        yield from self._voice.synthesize(text, paced)


def _starts(chunk: Any, size: int) -> Iterator[float]:
    """The samples with which the words of a chunk begin.

    Where the model tells how long each phoneme is, exactly; else as if all were as long.
    """
    aligned = chunk.phoneme_alignments
    if aligned:
        said = [(a.phoneme, float(a.num_samples)) for a in aligned]
    else:
        said = [(p, size / max(1, len(chunk.phonemes))) for p in chunk.phonemes]
    at, between = 0.0, True
    for phoneme, lasts in said:
        if between and phoneme != _PAUSE:
            yield at
        between = phoneme == _PAUSE
        at += lasts


def _of_words(text: str, starts: list[float], seconds: float) -> tuple[float, ...]:
    """When each word of a text begins; by their letters where as many were not spoken."""
    words = text.split()
    if len(starts) == len(words):
        return tuple(starts)
    letters = np.cumsum([0, *(len(word) + 1 for word in words)])
    return tuple(float(n) / max(1, int(letters[-1])) * seconds for n in letters[:-1])


def _wav(sounds: Iterable[Any], speed: int) -> bytes:
    out = io.BytesIO()
    with wave.open(out, "wb") as file:
        file.setnchannels(1)
        file.setsampwidth(2)
        file.setframerate(speed)
        for sound in sounds:
            file.writeframes(sound.astype("<i2").tobytes())
    return out.getvalue()
