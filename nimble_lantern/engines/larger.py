"""A larger local model for dictation: faster-whisper, with a model folder that the user names.

An optional extra (`pip install nimble-lantern[model]`).  Nothing is downloaded; the model is loaded
when it is first used.  Commands are still heard by the built-in engine beside it.
"""

from __future__ import annotations

import io
import math
import re
import wave
from collections.abc import Callable, Iterable
from pathlib import Path
from typing import Any

from nimble_lantern.core.errors import BadInput
from nimble_lantern.core.reading.hearing import HeardWord, Hypothesis
from nimble_lantern.core.writing.spoken import spoken_forms
from nimble_lantern.engines.builtin.cutter import RATE

_LANGUAGE = "en"
_BEAM = 5
_WORD = re.compile(r"[^\W_]+(?:[’'.,:/-][^\W_]+)*|[£$€]\d[\d,.]*|&|%")


class LargerModel:
    """Transcriber with a model object of faster-whisper's interface, made when first needed."""

    def __init__(self, folder: Path | None, load: Callable[[Path], Any] | None = None) -> None:
        self._folder, self._load = folder, load or _faster_whisper
        self._model: Any = None

    def transcribe(self, sound: bytes) -> tuple[Hypothesis, ...]:
        """The model's words with their times and probabilities, as they would be spoken."""
        if self._model is None:
            self._model = self._load(self._found())
        segments, _ = self._model.transcribe(
            _wav(sound),
            language=_LANGUAGE,
            beam_size=_BEAM,
            word_timestamps=True,
            condition_on_previous_text=False,
        )
        words, likely, count = [], 0.0, 0
        for segment in segments:
            words += list(_spoken(segment.words or ()))
            likely += segment.avg_logprob
            count += 1
        if not words:
            return ()
        return (Hypothesis(tuple(words), likely / max(1, count)),)

    def _found(self) -> Path:
        if self._folder is None:
            raise BadInput(
                "No folder of a larger model was named; start the desk with --model FOLDER."
            )
        if not (self._folder / "model.bin").is_file():
            raise BadInput(
                f"There is no model in {self._folder} (no model.bin); name the folder of a "
                "faster-whisper model with --model."
            )
        return self._folder


def _faster_whisper(folder: Path) -> Any:
    try:
        from faster_whisper import WhisperModel
    except ImportError as error:
        raise BadInput(
            "The larger model needs the package faster-whisper, which is not installed; "
            "install it, or say “use the usual ears”."
        ) from error
    try:
        return WhisperModel(str(folder), compute_type="int8", local_files_only=True)
    except Exception as error:
        raise BadInput(
            f"The model in {folder} cannot be loaded ({error}); name another folder."
        ) from error


def _wav(sound: bytes) -> io.BytesIO:
    """The sound as a WAV file in memory: the model's package reads it itself."""
    made = io.BytesIO()
    with wave.open(made, "wb") as file:
        file.setnchannels(1)
        file.setsampwidth(2)
        file.setframerate(RATE)
        file.writeframes(sound)
    made.seek(0)
    return made


def _spoken(words: Iterable[Any]) -> Iterable[HeardWord]:
    """Written words, with marks and figures, as the words that were spoken."""
    for word in words:
        for piece in _WORD.findall(word.word):
            forms = spoken_forms(piece.lower().replace("’", "'"))
            parts = [piece.lower()] if piece.isalpha() or not forms else list(forms[0])
            step = (word.end - word.start) / max(1, len(parts))
            for n, part in enumerate(parts):
                start = word.start + n * step
                sure = 0.0 if math.isnan(word.probability) else float(word.probability)
                yield HeardWord(part, start, start + step, min(1.0, sure))
