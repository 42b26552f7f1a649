"""The larger voice: kept in a folder, spoken by its package, with the times of its words."""

from __future__ import annotations

import importlib.machinery
import io
import sys
import tempfile
import types
import unittest
import wave
from collections.abc import Iterator
from dataclasses import dataclass, field
from pathlib import Path
from unittest import mock

import numpy as np
from click.testing import CliRunner
from numpy.typing import NDArray

from nimble_lantern.cli import lantern
from nimble_lantern.core.errors import BadInput, VoiceError
from nimble_lantern.voices import larger
from nimble_lantern.voices.speaker import Sound
from nimble_lantern.voices.standin import StandIn as Plain
from nimble_lantern.web.server import usual_voice

SPEED, LETTER = 22_050, 1_000
"""Samples a second, and a letter, of the stand-in."""


@dataclass
class Aligned:
    phoneme: str
    num_samples: int


@dataclass
class Chunk:
    """As the package gives them: a sentence, whose letters are its phonemes."""

    phonemes: list[str]
    sample_rate: int = SPEED
    phoneme_alignments: list[Aligned] | None = None
    length: int = LETTER

    @property
    def audio_int16_array(self) -> NDArray[np.int16]:
        return np.ones(len(self.phonemes) * self.length, np.int16)


@dataclass
class Config:
    length_scale: float = 1.0


@dataclass
class Voice:
    """Stands in for the package's voice."""

    model: Path
    aligns: bool = False
    config: Config = field(default_factory=Config)

    @staticmethod
    def load(model: Path) -> Voice:
        if not model.read_bytes():
            raise OSError("no model")
        return Voice(model, model.read_bytes() == b"aligned")

    def synthesize(self, text: str, paced: types.SimpleNamespace) -> Iterator[Chunk]:
        length = round(LETTER * paced.length_scale)
        for sentence in text.split(". "):
            chunk = Chunk(list(sentence), length=length)
            if self.aligns:
                chunk.phoneme_alignments = [Aligned(p, length) for p in sentence]
            yield chunk


class StandIn(types.ModuleType):
    """Stands in for the package."""

    PiperVoice = Voice
    SynthesisConfig = types.SimpleNamespace


def stand_in() -> types.ModuleType:
    module = StandIn(larger.PACKAGE)
    module.__spec__ = importlib.machinery.ModuleSpec(larger.PACKAGE, None)
    return module


class VoiceCase(unittest.TestCase):
    def setUp(self) -> None:
        made = tempfile.TemporaryDirectory()
        self.addCleanup(made.cleanup)
        self.folder = Path(made.name) / "kept"
        self.source = Path(made.name) / "source"
        self.source.mkdir()
        around = {"LANTERN_VOICES": str(self.folder), "LANTERN_VOICE": ""}
        for patched in (
            mock.patch.dict("os.environ", around),
            mock.patch.dict(sys.modules, {larger.PACKAGE: stand_in()}),
        ):
            patched.start()
            self.addCleanup(patched.stop)

    def voice(self, name: str = "nell", model: bytes = b"model") -> None:
        (self.source / f"{name}.onnx").write_bytes(model)
        (self.source / f"{name}.onnx.json").write_text("{}")


class Keeping(VoiceCase):
    def test_it_is_kept_listed_read_with_and_removed(self) -> None:
        self.voice()
        run = CliRunner()
        self.assertIn("nell", run.invoke(lantern, ["voices", "add", str(self.source)]).output)
        self.assertIn("nell, reads", run.invoke(lantern, ["voices"]).output)
        voice = usual_voice()
        assert voice is not None
        self.assertEqual(voice.name, "nell")
        run.invoke(lantern, ["voices", "remove", "nell"])
        self.assertEqual(larger.there(), {})
        self.assertIsNone(larger.found())

    def test_a_folder_without_one_and_an_unknown_name_are_told_in_a_sentence(self) -> None:
        (self.source / "lone.onnx").write_bytes(b"model")
        with self.assertRaisesRegex(BadInput, r"holds no voice: .*name another folder\.$"):
            larger.add(self.source)
        with self.assertRaisesRegex(BadInput, "no voice called ida here; there are: none"):
            larger.remove("ida")
        self.voice()
        larger.add(self.source)
        with self.assertRaisesRegex(BadInput, "nell is here already; remove it first"):
            larger.add(self.source)
        larger.remove("nell")
        with (
            mock.patch("shutil.copyfile", side_effect=[None, OSError(28, "No space left")]),
            self.assertRaisesRegex(BadInput, "cannot be kept: No space left; make room"),
        ):
            larger.add(self.source)
        self.assertEqual(list(self.folder.iterdir()), [])
        self.folder.rmdir()
        self.folder.write_text("in the way")
        with self.assertRaisesRegex(BadInput, "cannot be kept"):
            larger.add(self.source)

    def test_without_the_package_another_voice_reads(self) -> None:
        self.voice()
        larger.add(self.source)
        with mock.patch("importlib.util.find_spec", return_value=None):
            self.assertIsNone(larger.found())
            listed = CliRunner().invoke(lantern, ["voices"]).output
        self.assertIn("nell: needs the package piper-tts", listed)


class Reading(VoiceCase):
    def spoken(self, text: str, rate: float = 1.0, model: bytes = b"model") -> Sound:
        self.voice(model=model)
        for name in larger.there():
            larger.remove(name)
        larger.add(self.source)
        found = larger.found()
        assert found is not None
        return larger.Larger(found).spoken(text, rate)

    def test_the_sound_and_the_times_of_its_words(self) -> None:
        for model in (b"model", b"aligned"):
            sound = self.spoken("the boat. it came in", model=model)
            with wave.open(io.BytesIO(sound.wav)) as file:
                self.assertEqual(file.getframerate(), SPEED)
                self.assertAlmostEqual(file.getnframes() / SPEED, sound.seconds)
            letters = [0, 4, 8, 11, 16]  # the stop and the space after it are not spoken
            for time, at in zip(sound.words, letters, strict=True):
                self.assertAlmostEqual(time, at * LETTER / SPEED)

    def test_a_faster_pace_is_shorter(self) -> None:
        usual, fast = self.spoken("the boat came in"), self.spoken("the boat came in", 2.0)
        self.assertAlmostEqual(fast.seconds, usual.seconds / 2, places=2)

    def test_where_other_words_are_spoken_times_go_by_letters(self) -> None:
        sound = self.spoken("the boat. . came")  # the lone stop is no spoken word
        self.assertEqual(len(sound.words), 4)
        self.assertEqual(list(sound.words), sorted(sound.words))
        self.assertLess(sound.words[-1], sound.seconds)

    def test_what_cannot_be_read_or_says_nothing_is_told(self) -> None:
        with self.assertRaisesRegex(VoiceError, "nell fails .OSError.; the text is on the page"):
            self.spoken("the boat", model=b"")
        with (
            mock.patch.object(Voice, "synthesize", return_value=iter(())),
            self.assertRaisesRegex(VoiceError, "says nothing"),
        ):
            self.spoken("the boat")

    def test_another_voice_reads_where_it_fails(self) -> None:
        self.voice(model=b"")
        larger.add(self.source)
        found, plain = larger.found(), Plain()
        assert found is not None
        sound = larger.Larger(found, plain).spoken("the boat came in", 1.0)
        self.assertEqual(plain.said, ["the boat came in"])
        self.assertEqual(len(sound.words), 4)
