"""The adapter to a larger model, with a small model object of the same interface."""

from __future__ import annotations

import sys
import tempfile
import unittest
import wave
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path
from typing import Any, BinaryIO
from unittest import mock

from nimble_lantern.core.errors import BadInput
from nimble_lantern.engines.larger import LargerModel

SOUND = b"\1\0" * 16_000


@dataclass
class Word:
    word: str
    start: float
    end: float
    probability: float


@dataclass
class Segment:
    words: list[Word] | None
    avg_logprob: float = -0.2


class SmallModel:
    """Answers as faster-whisper's WhisperModel does, whatever is spoken."""

    def __init__(self, *segments: Segment) -> None:
        self.segments, self.seconds, self.options = segments, 0.0, {}

    def transcribe(self, audio: BinaryIO, **options: Any) -> tuple[Iterator[Segment], object]:
        with wave.open(audio, "rb") as file:
            self.seconds = file.getnframes() / file.getframerate()
        self.options = options
        return iter(self.segments), object()


class Transcribing(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        (self.folder / "model.bin").write_bytes(b"")

    def test_written_words_become_spoken_ones_with_their_times(self) -> None:
        words = [
            Word(" The", 0.0, 0.2, 0.9),
            Word(" 12", 0.2, 0.5, 0.8),
            Word(" steps.", 0.5, 1, 1),
        ]
        model = SmallModel(Segment(words))
        found = LargerModel(self.folder, lambda _: model).transcribe(SOUND)
        self.assertEqual(found[0].text, "the twelve steps")
        self.assertEqual((found[0].words[1].start, found[0].words[1].end), (0.2, 0.5))
        self.assertAlmostEqual(model.seconds, 1.0)
        self.assertTrue(model.options["word_timestamps"])

    def test_segments_follow_each_other(self) -> None:
        segments = (
            Segment([Word("It’s", 0, 1, 1)]),
            Segment(None),
            Segment([Word("cold", 1, 2, 1)]),
        )
        found = LargerModel(self.folder, lambda _: SmallModel(*segments)).transcribe(SOUND)
        self.assertEqual(found[0].text.split()[-1], "cold")

    def test_silence_is_no_hypothesis(self) -> None:
        self.assertEqual(LargerModel(self.folder, lambda _: SmallModel()).transcribe(SOUND), ())

    def test_the_model_is_loaded_once_and_not_before_it_is_needed(self) -> None:
        loaded: list[Path] = []

        def load(folder: Path) -> SmallModel:
            loaded.append(folder)
            return SmallModel()

        model = LargerModel(self.folder, load)
        self.assertEqual(loaded, [])
        model.transcribe(SOUND)
        model.transcribe(SOUND)
        self.assertEqual(loaded, [self.folder])

    def test_a_missing_folder_model_or_package_is_one_clear_sentence(self) -> None:
        cases = (
            (LargerModel(None), "No folder of a larger model was named"),
            (LargerModel(self.folder / "nowhere"), "There is no model in"),
        )
        for model, words in cases:
            with self.subTest(words), self.assertRaisesRegex(BadInput, words):
                model.transcribe(SOUND)
        with (
            mock.patch.dict(sys.modules, {"faster_whisper": None}),
            self.assertRaisesRegex(BadInput, "faster-whisper, which is not installed"),
        ):
            LargerModel(self.folder).transcribe(SOUND)
