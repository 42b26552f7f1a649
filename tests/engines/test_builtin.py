"""The built-in recogniser, with real sound."""

from __future__ import annotations

import tempfile
import unittest
from pathlib import Path

from nimble_lantern.core.document.model import Document
from nimble_lantern.engines import Scene, Scripted
from nimble_lantern.engines.builtin.cutter import RATE, Cutter
from nimble_lantern.engines.builtin.files import hear_file, pcm_of, utterances
from nimble_lantern.engines.builtin.recogniser import BuiltIn
from nimble_lantern.engines.builtin.sounds import pronunciation
from nimble_lantern.formats import to_markdown
from nimble_lantern.playing import desk_with
from tests.speaking import speak

LINES = ["the boat is coming to the island", "bold the last two words", "undo that"]
CHUNK = 3200


class SoundCase(unittest.TestCase):
    @classmethod
    def setUpClass(cls) -> None:
        cls.temporary = tempfile.TemporaryDirectory()
        cls.addClassCleanup(cls.temporary.cleanup)
        cls.wav = speak(Path(cls.temporary.name) / "s.wav", LINES, "awb")
        cls.sound = b"".join(pcm_of(cls.wav))


class Cutting(SoundCase):
    def test_a_stream_is_cut_at_the_pauses(self) -> None:
        self.assertEqual(len(list(utterances(iter([self.sound])))), 3)

    def test_the_cut_does_not_depend_on_the_size_of_the_pieces(self) -> None:
        pieces = [self.sound[i : i + 1234] for i in range(0, len(self.sound), 1234)]
        self.assertEqual(list(utterances(iter(pieces))), list(utterances(iter([self.sound]))))

    def test_a_stream_that_ends_in_speech_loses_nothing(self) -> None:
        short = self.sound[: int(2.2 * RATE) * 2]
        self.assertEqual(len(list(utterances(iter([short])))), 1)

    def test_silence_is_no_utterance(self) -> None:
        cuts = list(Cutter().feed(b"\0\0" * RATE * 3))
        self.assertEqual(cuts, [])


class Hearing(SoundCase):
    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        cls.engine = BuiltIn()
        cls.addClassCleanup(cls.engine.close)
        cls.spoken = list(utterances(iter([cls.sound])))
        cls.scene = Scene(view=("The boat is coming to the island",))

    def test_a_hearing_has_words_with_times_confidences_and_alternatives(self) -> None:
        hearing = self.engine.hear(self.spoken[0], self.scene)
        best = hearing.hypotheses[0]
        self.assertIn("is coming to the island", best.text)
        self.assertGreater(len(hearing.hypotheses), 1)
        starts = [w.start for w in best.words]
        self.assertEqual(starts, sorted(starts))
        self.assertTrue(all(0 <= w.confidence <= 1 and w.start < w.end for w in best.words))
        self.assertEqual(hearing.source, "built-in")

    def test_the_command_grammar_wins_where_a_command_was_spoken(self) -> None:
        text = self.engine.hear(self.spoken[0], self.scene)
        command = self.engine.hear(self.spoken[1], self.scene)
        assert command.command is not None and command.margin is not None
        self.assertEqual(command.command.text, LINES[1])
        self.assertGreater(command.margin, text.margin or -9.0)

    def test_a_live_stream_shows_partial_text_and_ends_alike(self) -> None:
        self.engine.begin(self.scene)
        seen = set()
        for i in range(0, len(self.spoken[1]), CHUNK):
            self.engine.sound(self.spoken[1][i : i + CHUNK])
            seen.add(self.engine.partial)
        hearing = self.engine.end()
        assert hearing.command is not None
        self.assertEqual(hearing.command.text, LINES[1])

    def test_a_decoder_that_dies_is_restarted_with_its_sound(self) -> None:
        worker = self.engine.dictation
        before = worker.restarts
        self.engine.begin(self.scene)
        half = len(self.spoken[0]) // 2 // 2 * 2
        self.engine.sound(self.spoken[0][:half])
        worker.process.kill()
        worker.process.join()
        self.engine.sound(self.spoken[0][half:])
        hearing = self.engine.end()
        self.assertIn("coming to the island", hearing.text)
        self.assertEqual(worker.restarts, before + 1)

    def test_while_resting_only_the_waking_phrase_is_searched(self) -> None:
        resting = Scene(view=("The boat",), resting=True)
        hearing = self.engine.hear(self.spoken[0], resting)
        self.assertEqual(hearing.hypotheses, ())
        with tempfile.TemporaryDirectory() as folder:
            wav = speak(Path(folder) / "w.wav", ["start listening"], "awb")
            woken = self.engine.hear(next(utterances(pcm_of(wav))), resting)
        assert woken.command is not None
        self.assertEqual(woken.command.text, "start listening")


class WholeFile(SoundCase):
    def test_a_file_of_three_utterances_becomes_a_page(self) -> None:
        desk = desk_with(Document(), {})
        hear_file(self.wav, desk)
        self.assertEqual(
            [e.command for e in desk.sitting.trail][1:], ["marks.bold", "history.undo"]
        )
        self.assertIn("is coming to the island", to_markdown(desk.sitting.document))


class StandIn(unittest.TestCase):
    def test_the_script_stand_in_hears_a_line_as_it_stands(self) -> None:
        hearing = Scripted().hear(b"the tide ... is high", Scene())
        self.assertEqual(hearing.text, "the tide ... is high")


class Pronouncing(unittest.TestCase):
    KNOWN = {
        "harbor": "HH AA R B ER",
        "board": "B AO R D",
        "salt": "S AO L T",
        "marsh": "M AA R SH",
    }

    def test_other_spellings_inflections_and_compounds_borrow_their_sounds(self) -> None:
        for word, phones in (
            ("harbour", "HH AA R B ER"),
            ("harbours", "HH AA R B ER Z"),
            ("saltmarsh", "S AO L T M AA R SH"),
        ):
            self.assertEqual(pronunciation(word, self.KNOWN.get), phones)

    def test_any_other_word_gets_its_sounds_by_rule(self) -> None:
        self.assertEqual(pronunciation("fenwick", self.KNOWN.get), "F EH N W IH K")
        self.assertIsNone(pronunciation("§", self.KNOWN.get))
