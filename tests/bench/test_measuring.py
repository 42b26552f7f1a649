"""The measures themselves: a figure is worth no more than what counts it."""

from __future__ import annotations

import array
import math
import random
import unittest
from unittest import mock

from hypothesis import given
from hypothesis import strategies as st

from bench import _speech, calibration
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.demo import DOCUMENTS
from nimble_lantern.engines.pcm import mixed, rms, scaled

WORDS = st.lists(st.sampled_from("the tide is high at noon".split()), max_size=7)
Row = tuple[tuple[float, ...], bool]


class WordErrors(unittest.TestCase):
    def test_substitutions_insertions_and_deletions_count_alike(self) -> None:
        said = "the tide is high".split()
        for heard, wrong in (
            ("the tide is high", 0),
            ("the tied is high", 1),
            ("the tide high", 1),
            ("the tide it is high", 1),
            ("a tied is so high", 3),
            ("", 4),
        ):
            self.assertEqual(_speech.errors(said, heard.split()), wrong, heard)

    @given(WORDS, WORDS, WORDS)
    def test_they_are_a_distance(self, a: list[str], b: list[str], c: list[str]) -> None:
        errors = _speech.errors
        self.assertEqual(errors(a, b) == 0, a == b)
        self.assertEqual(errors(a, b), errors(b, a))
        self.assertLessEqual(errors(a, c), errors(a, b) + errors(b, c))
        self.assertGreaterEqual(errors(a, b), abs(len(a) - len(b)))
        self.assertLessEqual(errors(a, b), max(len(a), len(b)))


class Fitting(unittest.TestCase):
    def rows(self, weights: tuple[float, ...], count: int = 600) -> list[Row]:
        """Made-up evidence, each of a kind by the odds that these weights give it."""
        rng = random.Random(7)
        found = []
        for _ in range(count):
            x = (1.0, *(rng.gauss(0, 1) for _ in weights[1:]))
            odds = sum(w * f for w, f in zip(weights, x, strict=True))
            found.append((x, rng.random() < 1 / (1 + math.exp(-odds))))
        return found

    def test_weights_that_made_the_rows_are_found_again(self) -> None:
        weights = (-0.5, 2.0, -1.0)
        found = calibration.fitted(self.rows(weights))
        for was, now in zip(weights, found, strict=True):
            self.assertAlmostEqual(was, now, delta=0.35)

    def test_no_step_from_them_is_better(self) -> None:
        """Where the penalised likelihood is greatest its slope is nought."""
        rows = self.rows((0.3, -1.5, 0.8))
        weights = calibration.fitted(rows)
        for i, weight in enumerate(weights):
            slope = -calibration._RIDGE * weight
            for x, kind in rows:
                odds = sum(w * f for w, f in zip(weights, x, strict=True))
                slope += (kind - 1 / (1 + math.exp(-odds))) * x[i]
            self.assertAlmostEqual(slope, 0, delta=1e-6)

    def test_rows_that_a_line_parts_have_finite_weights(self) -> None:
        rows = [((1.0, float(n)), n > 0) for n in range(-9, 10)]
        constant, slope = calibration.fitted(rows)
        self.assertGreater(slope, 1)
        self.assertTrue(math.isfinite(constant) and math.isfinite(slope))

    @given(st.lists(st.integers(-5, 5), min_size=3, max_size=3), st.randoms())
    def test_equations_are_solved(self, x: list[int], rng: random.Random) -> None:
        matrix = [[rng.uniform(-1, 1) + 4 * (i == j) for j in range(3)] for i in range(3)]
        right = [sum(a * b for a, b in zip(row, x, strict=True)) for row in matrix]
        for was, now in zip(x, calibration._solved(matrix, right), strict=True):
            self.assertAlmostEqual(was, now, places=6)

    def test_held_out_lines_are_never_fitted_to(self) -> None:
        heard = _heard("bold the timber", "rms", held_out=True)
        self.assertEqual(calibration.examples([heard], True), [])
        self.assertEqual(len(calibration.examples([_heard("bold the timber", "rms")], True)), 1)

    def test_a_command_that_came_out_as_another_teaches_nothing(self) -> None:
        heard = _heard("bold the timber", "rms", words="bold the lease")
        self.assertEqual(calibration.examples([heard], True), [])


def _heard(line: str, voice: str, held_out: bool = False, words: str = "") -> _speech.Heard:
    spoken = _speech.Line(line, "1-letter-to-the-harbour-board", held_out)
    best = from_line(words or line).hypotheses
    timed = from_line(line).hypotheses
    hearing = mock.Mock(hypotheses=timed, commands=best, margin=1.0)
    return _speech.Heard(spoken, voice, (hearing,))


class Lines(unittest.TestCase):
    def test_every_second_line_is_held_out_and_its_document_is_there(self) -> None:
        names = {p.stem for p in DOCUMENTS.glob("*.md")}
        for name in ("commands", "sentences", "echoes", "fresh"):
            lines = _speech.lines(name)
            held_out = [name == "fresh" or n % 2 == 1 for n in range(len(lines))]
            self.assertEqual([x.held_out for x in lines], held_out)
            self.assertLessEqual({x.document for x in lines}, names)

    def test_the_lines_are_what_they_are_counted_as(self) -> None:
        """Without any sound: a command among the sentences could not be told from speech."""
        kinds = {"commands": "command", "fresh": "command", "sentences": "text", "echoes": "text"}
        for name, kind in kinds.items():
            for line in _speech.lines(name):
                with self.subTest(line.words):
                    now = _speech.sitting(line.document, line.before)
                    entry = advance(now, Heard(from_line(line.words))).entry
                    assert entry is not None
                    self.assertEqual(entry.read_as, kind)

    def test_enough_commands_of_all_kinds_are_spoken(self) -> None:
        lines = _speech.lines("commands")
        self.assertGreaterEqual(len({x.words for x in lines}), 150)
        families = set()
        for line in lines:
            now = _speech.sitting(line.document, line.before)
            entry = advance(now, Heard(from_line(line.words))).entry
            assert entry is not None and entry.command is not None
            families.add(entry.command.split(".")[0])
        self.assertGreaterEqual(len(families), 15, families)

    def test_an_outcome_tells_what_was_done_not_how_it_was_said(self) -> None:
        now = _speech.sitting("1-letter-to-the-harbour-board")
        said = ("make the timber bold", "bold the timber", "bold the lease")
        first, same, other = (_speech.outcome(now, [from_line(s)]) for s in said)
        self.assertEqual(first, same)
        self.assertNotEqual(first, other)
        self.assertEqual(_speech.outcome(now, []), ("nothing",))


class Sound(unittest.TestCase):
    def test_noise_is_as_far_below_the_speech_as_it_is_said_to_be(self) -> None:
        clean = _speech.spoken("the tide is high", "rms")
        noisy = _speech.spoken("the tide is high", "rms", 20.0)
        self.assertEqual(len(clean), len(noisy))
        noise = mixed(noisy, scaled(clean, -1))
        speech = _speech._said("the tide is high", "rms")
        ratio = 20 * math.log10(rms(speech) / rms(noise))
        self.assertAlmostEqual(ratio, 20, delta=0.3)

    def test_speech_is_the_same_every_time_and_has_silence_round_it(self) -> None:
        first, second = (_speech.spoken("the tide is high", "slt") for _ in range(2))
        self.assertEqual(first, second)
        samples = array.array("h", first)
        self.assertEqual(max(samples[: 16_000 // 2]), 0)
        self.assertGreater(max(samples), 1000)
        self.assertEqual(len(_speech.cut(first)), 1)


if __name__ == "__main__":
    unittest.main()
