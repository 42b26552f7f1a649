"""Learning a voice: the statistics, what comes of them in the decoders, and what teaches them."""

from __future__ import annotations

import tempfile
import time
import unittest
from dataclasses import replace
from pathlib import Path
from unittest import mock

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from nimble_lantern.core.document.model import Document
from nimble_lantern.core.reading.hearing import HeardWord, Hearing, Hypothesis
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.engines import LearnsVoice, Scene
from nimble_lantern.engines.builtin import adapting
from nimble_lantern.engines.builtin.acoustics import (
    CEPSTRA,
    GAUSSIANS,
    SILENCE,
    STREAMS,
    acoustics,
    features,
)
from nimble_lantern.engines.builtin.adapting import (
    LEAST_FRAMES,
    MOST_FRAMES,
    Statistics,
    learned,
    nothing_learned,
    statistics_from,
)
from nimble_lantern.engines.builtin.decoder import CommandDecoder
from nimble_lantern.engines.builtin.files import pcm_of, utterances
from nimble_lantern.engines.builtin.recogniser import BuiltIn
from nimble_lantern.engines.teaching import Lesson, Lessons
from nimble_lantern.playing import desk_with
from tests.speaking import speak

LINES = (
    "the boat is coming to the island",
    "we would like to meet you on tuesday evening",
    "please come to the meeting in the hall",
    "nobody has seen the keys of the kitchen",
)
WORDS = dict.fromkeys(("the", "boat"), ("DH AH", "B OW T"))


def drawn(matrix: np.ndarray, offset: np.ndarray, frames: int = 4000) -> Statistics:
    """Of a voice whose sounds lie exactly where a regression takes the model's means to."""
    made, means = nothing_learned(), acoustics().means
    random = np.random.default_rng(7)
    for stream in range(STREAMS):
        some = means[:, stream].reshape(-1, CEPSTRA)
        some = some[random.integers(len(some), size=400)]
        regressors = np.hstack([some, np.ones((len(some), 1))])
        sound = some @ matrix.T + offset
        made.moments[stream] += np.einsum("mi,mj->ij", regressors, regressors)
        made.products[stream] += sound.T @ regressors
    return replace(made, frames=frames, utterances=12)


class TheModel(unittest.TestCase):
    def test_it_is_read_as_the_package_means_it(self) -> None:
        model = acoustics()
        self.assertEqual(model.means.shape, (len(model.phones), STREAMS, GAUSSIANS, CEPSTRA))
        self.assertEqual(model.variances.shape, model.means.shape)
        self.assertGreater(model.variances.min(), 0)
        for phone in (SILENCE, "AA", "ZH", "B"):
            self.assertIn(phone, model.phones)
        # The weights of a state's mixture are a distribution, as far as a byte can say it.
        np.testing.assert_allclose(np.exp(model.weights).sum(1), 1.0, atol=0.15)

    def test_features_are_differences_without_the_mean(self) -> None:
        rising = np.arange(50.0)[:, None] * np.arange(1, CEPSTRA + 1)
        found = features(rising)
        self.assertEqual(found.shape, (50, STREAMS, CEPSTRA))
        np.testing.assert_allclose(found[:, 0].mean(0), 0, atol=1e-9)
        inside = found[5:-5]
        steps = np.broadcast_to(4.0 * np.arange(1, CEPSTRA + 1), inside[:, 1].shape)
        np.testing.assert_allclose(inside[:, 1], steps)
        np.testing.assert_allclose(inside[:, 2], 0, atol=1e-9)
        self.assertEqual(features(np.zeros((0, CEPSTRA))).shape, (0, STREAMS, CEPSTRA))


class Sums(unittest.TestCase):
    def test_a_voice_that_is_a_regression_of_the_model_is_found_exactly(self) -> None:
        random = np.random.default_rng(3)
        matrix = np.eye(CEPSTRA) + 0.1 * random.standard_normal((CEPSTRA, CEPSTRA))
        offset = random.standard_normal(CEPSTRA)
        text = drawn(matrix, offset).transform()
        assert text is not None
        rows = [[float(n) for n in line.split()] for line in text.splitlines()]
        self.assertEqual(rows[:3], [[1], [STREAMS], [CEPSTRA]])
        for stream in range(STREAMS):
            first = 3 + stream * (CEPSTRA + 3)
            np.testing.assert_allclose(rows[first : first + CEPSTRA], matrix, atol=1e-3)
            np.testing.assert_allclose(rows[first + CEPSTRA], offset, atol=1e-3)
            self.assertEqual(rows[first + CEPSTRA + 1], [1.0] * CEPSTRA)

    def test_little_speech_or_one_sound_alone_changes_nothing(self) -> None:
        same = np.eye(CEPSTRA), np.zeros(CEPSTRA)
        self.assertIsNone(drawn(*same, frames=LEAST_FRAMES - 1).transform())
        self.assertIsNotNone(drawn(*same, frames=LEAST_FRAMES).transform())
        self.assertIsNone(nothing_learned().transform())
        self.assertIsNone(replace(nothing_learned(), frames=LEAST_FRAMES).transform())

    def test_what_can_be_no_voice_changes_nothing(self) -> None:
        """A speaker whom the decoders were adapted away from could not ask for an end of it."""
        same, here = np.eye(CEPSTRA), np.zeros(CEPSTRA)
        for matrix, offset in ((0.1 * same, here), (3 * same, here), (same, here + 9)):
            self.assertIsNone(drawn(matrix, offset).transform())
        self.assertIsNone(drawn(same + 2 * np.eye(CEPSTRA, k=1), here).transform())

    def test_what_is_old_counts_less(self) -> None:
        old = drawn(np.eye(CEPSTRA), np.zeros(CEPSTRA), MOST_FRAMES)
        new = drawn(np.eye(CEPSTRA), np.ones(CEPSTRA), MOST_FRAMES // 2)
        both = old + new
        self.assertEqual(both.frames, MOST_FRAMES)
        self.assertEqual(both.utterances, 24)
        np.testing.assert_allclose(both.moments, 0.5 * old.moments + new.moments)
        few = old + replace(old, frames=0.0)
        np.testing.assert_allclose(few.products, 2 * old.products)

    def test_they_are_kept_and_read_again(self) -> None:
        made = drawn(np.eye(CEPSTRA), np.ones(CEPSTRA))
        again = statistics_from(made.to_bytes())
        self.assertEqual((again.frames, again.utterances), (made.frames, made.utterances))
        self.assertEqual(again.transform(), made.transform())

    @given(st.binary(max_size=60), st.integers(0, 2_000))
    def test_what_is_damaged_is_nothing_learned(self, noise: bytes, at: int) -> None:
        whole = nothing_learned().to_bytes()
        at = min(at, len(whole))
        for damaged in (noise, whole[:at] + noise, whole[:at] + noise + whole[at + len(noise) :]):
            self.assertIsNone(statistics_from(damaged).transform())

    def test_sums_of_another_shape_are_nothing_learned(self) -> None:
        other = Statistics(np.zeros((2, 2)), np.zeros(2), 1e6, 1)
        self.assertEqual(statistics_from(other.to_bytes()).frames, 0)
        endless = replace(nothing_learned(), products=np.full((3, 13, 14), np.nan), frames=1e6)
        self.assertEqual(statistics_from(endless.to_bytes()).frames, 0)


class SpokenCase(unittest.TestCase):
    @classmethod
    def setUpClass(cls) -> None:
        temporary = tempfile.TemporaryDirectory()
        cls.addClassCleanup(temporary.cleanup)
        wav = speak(Path(temporary.name) / "s.wav", LINES, "rms")
        cls.sounds = list(utterances(pcm_of(wav)))
        assert len(cls.sounds) == len(LINES)


class Aligned(SpokenCase):
    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        cls.decoder = CommandDecoder()

    def learned(self, line: str, sure: bool = True, n: int = 0) -> Statistics:
        words = line.split()
        return learned(self.sounds[n], words, [sure] * len(words), self.decoder.ways_of)

    def test_an_utterance_and_its_words_teach_as_many_frames_as_are_speech(self) -> None:
        found = self.learned(LINES[0])
        self.assertEqual(found.utterances, 1)
        self.assertTrue(100 < found.frames < len(self.sounds[0]) / 320)

    def test_words_that_are_not_sure_and_silence_teach_nothing(self) -> None:
        self.assertEqual(self.learned(LINES[0], sure=False).frames, 0)
        words = LINES[0].split()
        half = learned(self.sounds[0], words, [n < 3 for n in range(7)], self.decoder.ways_of)
        self.assertTrue(0 < half.frames < self.learned(LINES[0]).frames)

    def test_words_nobody_can_pronounce_or_that_do_not_fit_teach_nothing(self) -> None:
        self.assertEqual(self.learned("the 8 boats").frames, 0)
        self.assertEqual(self.learned("").frames, 0)
        self.assertEqual(self.learned(" ".join(LINES * 4)).frames, 0, "far too long for it")

    def test_nothing_of_the_sound_stays_in_a_file(self) -> None:
        with tempfile.TemporaryDirectory() as folder:
            with mock.patch.object(adapting, "_MEMORY", Path(folder)):
                self.assertGreater(self.learned(LINES[1], n=1).frames, 0)
            self.assertEqual(list(Path(folder).iterdir()), [])


class GettingToKnow(SpokenCase):
    scene = Scene(view=LINES[:1])

    def engine(self) -> BuiltIn:
        engine = BuiltIn()
        self.addCleanup(engine.close)
        engine.look(self.scene)
        return engine

    def taught(self, engine: BuiltIn) -> bytes:
        """Each line four times; what there is to keep."""
        kept = b""
        for _ in range(4):
            for line, sound in zip(LINES, self.sounds, strict=True):
                words = line.split()
                engine.adaptation.accepted(sound, words, [True] * len(words))
        due = time.monotonic() + 60
        while engine.adaptation.utterances < 16 and time.monotonic() < due:
            kept = engine.adaptation.learned() or kept
            time.sleep(0.1)
        return kept

    def fit(self, engine: BuiltIn) -> float:
        hearing = engine.hear(self.sounds[3], self.scene)
        return hearing.hypotheses[0].score

    def test_a_voice_that_is_known_fits_better_and_is_forgotten_again(self) -> None:
        engine = self.engine()
        self.assertIsInstance(engine, LearnsVoice)
        strange = self.fit(engine)
        kept = self.taught(engine)
        self.assertTrue(engine.adaptation.adapted)
        known = self.fit(engine)
        self.assertGreater(known, strange)
        engine.dictation.process.kill()
        self.assertAlmostEqual(self.fit(engine), known, places=2, msg="a new process knows it")
        engine.adaptation.forget()
        self.assertFalse(engine.adaptation.adapted)
        self.assertEqual(engine.adaptation.utterances, 0)
        self.assertAlmostEqual(self.fit(engine), strange, places=2)
        engine.adaptation.accustom(kept)
        self.assertGreater(self.fit(engine), strange, "what was kept is enough")
        self.assertIn("island", engine.hear(self.sounds[0], self.scene).text)

    def test_what_is_no_voice_is_not_used(self) -> None:
        engine = self.engine()
        engine.adaptation.accustom(b"PK\x03\x04 no archive")
        self.assertFalse(engine.adaptation.adapted)
        self.assertIsNone(engine.adaptation.learned())


def heard(line: str, sure: float = 1.0) -> Hearing:
    words = tuple(HeardWord(w, n, n + 0.5, sure) for n, w in enumerate(line.split()))
    return Hearing((Hypothesis(words),), source="built-in")


class WhatTeaches(unittest.TestCase):
    def setUp(self) -> None:
        self.lessons = Lessons()
        self.sitting: Sitting = desk_with(Document(), {}).sitting

    def says(self, line: str, sure: float = 1.0) -> Lesson | None:
        hearing = heard(line, sure)
        done = advance(self.sitting, Heard(hearing))
        self.sitting = done.sitting
        assert done.entry is not None
        return self.lessons.after(done.entry, hearing, line.encode())

    def test_what_was_said_before_once_something_else_is_said(self) -> None:
        self.assertIsNone(self.says("the tide is high"))
        lesson = self.says("and the boat is late")
        assert lesson is not None
        self.assertEqual(lesson.words, ("the", "tide", "is", "high"))
        self.assertEqual((lesson.sound, lesson.sure), (b"the tide is high", (True,) * 4))

    def test_nothing_that_was_taken_back_or_put_right(self) -> None:
        for after in ("undo that", "correct tide", "that was text", "spell tide"):
            with self.subTest(after):
                self.says("the tide is high")
                self.assertIsNone(self.says(after))

    def test_words_that_were_doubtful_are_not_learned_from(self) -> None:
        self.says("the tide is high", sure=0.2)
        self.assertIsNone(self.says("and the boat is late"))

    def test_nothing_that_could_not_be_done_or_was_forgotten(self) -> None:
        self.says("delete the third paragraph")
        self.assertIsNone(self.says("the tide is high"))
        self.lessons.forget()
        self.assertIsNone(self.says("and the boat is late"))

    def test_a_command_that_was_done_is_sure_whatever_dictation_made_of_its_words(self) -> None:
        self.says("the tide is high")
        self.says("bold the tide", sure=0.45)
        lesson = self.says("and the boat is late")
        assert lesson is not None
        self.assertEqual((lesson.words, lesson.sure), (("bold", "the", "tide"), (True,) * 3))
