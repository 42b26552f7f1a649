"""The built-in recogniser, with real sound."""

from __future__ import annotations

import random
import tempfile
import time
import unittest
from dataclasses import replace
from itertools import chain, cycle, repeat
from pathlib import Path
from unittest import mock

from nimble_lantern.core.document.model import Document
from nimble_lantern.core.mending.pronouncing import KNOWN, pronunciation
from nimble_lantern.core.reading.decision import is_command
from nimble_lantern.core.reading.hearing import HeardWord, Hypothesis, from_line
from nimble_lantern.engines import Scene, Scripted
from nimble_lantern.engines.builtin.cutter import LONG_SECONDS, LONGEST_SECONDS, PATIENCE, Cutter
from nimble_lantern.engines.builtin.decoder import (
    VOICE_FRAMES,
    CommandDecoder,
    Decoded,
    DictationDecoder,
    _timed,
)
from nimble_lantern.engines.builtin.files import hear_file, pcm_of, spoken_in, utterances
from nimble_lantern.engines.builtin.quieting import Quieter
from nimble_lantern.engines.builtin.recogniser import BuiltIn, grammar_for
from nimble_lantern.engines.builtin.sounds import VARIANTS
from nimble_lantern.engines.pcm import RATE, peak
from nimble_lantern.formats import from_markdown, to_markdown
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

    def test_what_may_be_speech_goes_on_at_once_and_is_taken_back_if_it_is_none(self) -> None:
        click = self.sound[RATE * 3 : RATE * 3 + 3200]  # a tenth of a second of a word
        cuts = list(Cutter().feed(b"\0\0" * RATE + click + b"\0\0" * RATE))
        self.assertEqual([c.kind for c in cuts if c.kind != "sound"], ["perhaps", "none"])
        speech = list(Cutter().feed(self.sound[: RATE * 5]))
        kinds = [c.kind for c in speech]
        self.assertLess(kinds.index("perhaps"), kinds.index("began"))
        self.assertEqual(kinds[kinds.index("perhaps") + 1], "sound")

    def test_a_long_patience_keeps_the_sound_of_the_pauses(self) -> None:
        gap = b"\0\0" * (RATE // 5)
        [spoken] = list(utterances(iter([self.sound[: int(2.9 * RATE) * 2]])))
        long = b"\0\0" * RATE + spoken + gap + spoken + b"\0\0" * RATE * 2
        [whole] = [s.sound for s in spoken_in([long], "long")]
        self.assertAlmostEqual(len(whole), len(spoken + gap + spoken), delta=RATE // 2)

    def test_whatever_no_utterance_has_is_silence(self) -> None:
        """Wherever in a pause somebody goes on, no word is lost, cut in two or heard twice."""
        [word] = list(utterances(iter([self.sound[: int(2.9 * RATE) * 2]])))
        for patience, longest in (("short", 11), ("normal", 11), ("long", 17)):
            for tenths in range(longest):
                with self.subTest(patience, seconds=tenths / 10):
                    pause = b"\0\0" * (RATE * tenths // 10)
                    stream = b"\0\0" * RATE + word + pause + word + b"\0\0" * RATE * 2
                    heard = [s.sound for s in spoken_in([stream], patience)]
                    self.assertLess(loudest(left_out(Quieter().feed(stream), heard)), 500)
                    for sound in heard:
                        self.assertLess(loudest(sound[: RATE // 10]), 500, "begins in a word")

    def test_speech_after_half_heard_noise_does_not_begin_with_all_of_it(self) -> None:
        """Noise that keeps the detector in doubt is taken back again and again."""
        cutter, kinds = Cutter(), []
        cutter._voice = mock.Mock()
        cutter._voice.is_speech.side_effect = cycle((True, True, False))
        cutter._endpointer = mock.Mock(in_speech=False)
        for _ in range(10):
            kinds += [c.kind for c in cutter.feed(b"\0\0" * RATE)]
        self.assertGreaterEqual(kinds.count("none"), 7)
        self.assertNotIn("began", kinds)

    def test_noise_after_speech_does_not_keep_it_open(self) -> None:
        cutter = Cutter(PATIENCE["long"])
        cutter._voice = mock.Mock()
        cutter._voice.is_speech.side_effect = cycle((True, True, False))
        cutter._endpointer = mock.Mock(in_speech=True, speech_end=1.0)
        kinds = [c.kind for c in cutter.feed(b"\0\0" * RATE)]
        self.assertIn("began", kinds)
        cutter._endpointer.in_speech = False
        kinds = [c.kind for c in cutter.feed(b"\0\0" * RATE * 2)]
        self.assertIn("ended", kinds)

    def test_in_a_hurry_the_first_short_pause_ends_it_and_nothing_is_lost(self) -> None:
        [word] = list(utterances(iter([self.sound[: int(2.9 * RATE) * 2]])))
        stream = b"\0\0" * RATE + word + b"\0\0" * RATE * 2
        came = {}
        for hurried in (False, True):
            cutter, ended, heard = Cutter(), 0, []
            cutter.hurried = hurried
            for i in range(0, len(stream), 960):
                for cut in cutter.feed(stream[i : i + 960]):
                    heard.append(cut.sound)
                    ended = i if cut.kind == "ended" else ended
            came[hurried] = ended
            self.assertLess(loudest(left_out(Quieter().feed(stream), [b"".join(heard)])), 500)
        self.assertLess(came[True], came[False])

    def test_a_short_letter_is_speech_only_where_letters_are_said(self) -> None:
        for brief, voiced, heard in ((False, 6, 0), (True, 6, 1), (True, 3, 0)):
            cutter = Cutter()
            cutter.brief = brief
            cutter._voice = mock.Mock()
            frames = chain([False] * 20, [True] * voiced, repeat(False))
            cutter._voice.is_speech.side_effect = frames
            cutter._endpointer = mock.Mock(in_speech=False)
            kinds = [cut.kind for cut in cutter.feed(b"\0\0" * RATE * 3)]
            self.assertEqual((kinds.count("began"), kinds.count("ended")), (heard, heard))

    def test_nobody_speaks_for_ever(self) -> None:
        """After half a minute any pause is a cut, a little later there is one without a pause."""
        self.assertLess(LONG_SECONDS, LONGEST_SECONDS)
        speech = b"".join(utterances([self.sound])) * 5
        stream = b"\0\0" * RATE + speech + b"\0\0" * RATE * 3
        module = "nimble_lantern.engines.builtin.cutter"
        for breath, longest in ((4, 7.0), (10_000, 8.5)):
            with mock.patch.multiple(module, _BREATH=breath, LONG_SECONDS=4.0, LONGEST_SECONDS=8.0):
                found = list(spoken_in([stream], "long"))
            self.assertGreater(len(found), 2)
            for spoken in found:
                self.assertLess(len(spoken.sound) / 2 / RATE, longest)
            self.assertEqual([s.goes_on for s in found], [False, *[True] * (len(found) - 1)])
            rest = left_out(Quieter().feed(stream), [s.sound for s in found])
            self.assertLess(loudest(rest), 500, "nothing is lost, nothing doubled")

    def test_a_part_of_a_long_speech_is_never_a_command(self) -> None:
        desk = desk_with(from_markdown("The boat is late."), {})
        desk.hear(replace(from_line("delete the boat"), goes_on=True))
        self.assertIn("Delete the boat", to_markdown(desk.sitting.document))

    def test_silence_is_no_utterance(self) -> None:
        cuts = list(Cutter().feed(b"\0\0" * RATE * 3))
        self.assertEqual(cuts, [])


def left_out(stream: bytes, utterances: list[bytes]) -> bytes:
    """What is in none of the utterances, which are in the stream one after the other."""
    at, rest = 0, b""
    for sound in utterances:
        found = stream.find(sound, at)
        assert found >= at, "not in the stream, or heard twice"
        rest += stream[at:found]
        at = found + len(sound)
    return rest + stream[at:]


def loudest(sound: bytes) -> float:
    return peak(sound)


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
        desk = desk_with(from_markdown(self.scene.view[0]), {})
        command = self.engine.hear(self.spoken[1], self.scene)
        self.assertEqual(command.commands[0].text, LINES[1])
        self.assertTrue(is_command(desk.sitting, command))
        text = self.engine.hear(self.spoken[0], self.scene)
        self.assertFalse(is_command(desk.sitting, text))

    def test_a_live_stream_shows_partial_text_and_ends_alike(self) -> None:
        self.engine.begin(self.scene)
        seen = set()
        for i in range(0, len(self.spoken[1]), CHUNK):
            self.engine.sound(self.spoken[1][i : i + CHUNK])
            seen.add(self.engine.partial)
        hearing = self.engine.end()
        self.assertEqual(hearing.commands[0].text, LINES[1])

    def test_words_of_what_was_dropped_are_not_shown_for_what_comes_next(self) -> None:
        self.engine.begin(self.scene)
        self.engine.sound(self.spoken[0])
        self.engine.drop()
        self.engine.begin(self.scene)
        self.engine.sound(b"\0\0" * RATE)
        self.engine.dictation._near.poll(5)
        time.sleep(0.5)
        self.assertNotIn("boat", self.engine.partial)
        self.engine.sound(self.spoken[1])
        self.assertEqual(self.engine.end().commands[0].text, LINES[1])

    def test_either_decoder_that_dies_is_restarted_with_its_sound(self) -> None:
        for worker in (self.engine.dictation, self.engine.command):
            with self.subTest(worker.kind):
                before = worker.restarts
                self.engine.begin(self.scene)
                half = len(self.spoken[1]) // 2 // 2 * 2
                self.engine.sound(self.spoken[1][:half])
                worker.process.kill()
                worker.process.join()
                self.engine.sound(self.spoken[1][half:])
                hearing = self.engine.end()
                self.assertEqual(hearing.commands[0].text, LINES[1])
                self.assertTrue(hearing.text)
                self.assertEqual(worker.restarts, before + 1)

    def test_a_decoder_that_dies_before_its_alternatives_leaves_what_it_found(self) -> None:
        hearing = self.engine.hear(self.spoken[1], self.scene)
        found = Decoded(hearing.commands[:1], 100, -3.0)
        said = Decoded(from_line("hold the last two words").hypotheses, 100, -4.0)
        self.engine.command.process.kill()
        self.engine.command.process.join()
        due = time.monotonic() + 30
        self.assertEqual(self.engine._weighed(said, found, due), found.hypotheses)
        self.assertEqual(self.engine.hear(self.spoken[1], self.scene).commands[0].text, LINES[1])

    def test_words_of_the_page_are_expected_in_dictation(self) -> None:
        line = "start at the quay and follow the signs"
        [sound] = self.says(line)
        page = Scene(view=("The ferry leaves the quay at ten. Come to the quay early.",))
        self.assertIn("the key", self.engine.hear(sound, Scene(view=("Nothing here",))).text)
        self.assertIn("the quay", self.engine.hear(sound, page).text)

    def test_what_stands_on_the_page_is_the_likelier_alternative(self) -> None:
        best, *others = self.engine.hear(self.spoken[0], self.scene).hypotheses
        self.assertEqual(best.text, LINES[0])
        self.assertTrue(all(abs(h.score - best.score) < 0.5 for h in others))
        self.assertGreater(min(w.confidence for w in best.words), 0, "it is as sure as the sound")
        elsewhere = self.engine.hear(self.spoken[0], Scene(view=("Nothing here",)))
        self.assertNotEqual(elsewhere.text, LINES[0])
        self.assertIn(LINES[0], [h.text for h in elsewhere.hypotheses])

    def test_a_command_behind_a_short_pause_is_heard_by_itself(self) -> None:
        said = [*self.says("the boat is coming to the island"), *self.says("undo that")]
        joined = b"".join((said[0], b"\0\0" * int(0.05 * RATE), said[1]))
        hearing = self.engine.hear(joined, self.scene)
        assert hearing.tail is not None
        self.assertEqual(hearing.tail.commands[0].text, "undo that")
        self.assertGreater(hearing.tail.start, 1.5)

    def says(self, line: str) -> list[bytes]:
        with tempfile.TemporaryDirectory() as folder:
            return list(utterances(pcm_of(speak(Path(folder) / "s.wav", [line], "rms"))))


class Alternatives(unittest.TestCase):
    def test_an_alternative_is_as_sure_as_the_sound_it_is_made_of(self) -> None:
        """Else what the page made likelier would be written as if it could not be made out."""
        sure = [HeardWord(w, n * 0.3, n * 0.3 + 0.3, 0.9 - n / 10) for n, w in enumerate("abcd")]
        best = Hypothesis(tuple(sure), -3.0)
        for text, confidences in (
            ("a x c d", [0.9, 0.8, 0.7, 0.6]),
            ("a x d", [0.9, 0.7, 0.6]),
            ("a x y z c d", [0.9, 0.8, 0.8, 0.8, 0.7, 0.6]),
            ("a b c d e", [0.9, 0.8, 0.7, 0.6, 0.0]),
        ):
            other = Hypothesis(tuple(HeardWord(w, confidence=0.0) for w in text.split()), -3.1)
            timed = _timed(other, best)
            self.assertEqual(timed.text, text)
            for word, confidence in zip(timed.words, confidences, strict=True):
                self.assertAlmostEqual(word.confidence, confidence)
            self.assertEqual(timed.words[0].end, 0.3)
            self.assertEqual(timed.score, -3.1)


class Voice(SoundCase):
    """The cepstral mean, in one decoder of this process."""

    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        cls.spoken = list(utterances(iter([cls.sound])))

    def setUp(self) -> None:
        self.decoder = DictationDecoder()

    def streamed(self, n: int) -> Decoded:
        self.decoder.start()
        for i in range(0, len(self.spoken[n]), CHUNK):
            self.decoder.sound(self.spoken[n][i : i + CHUNK])
        return self.decoder.end()

    def test_a_voice_is_known_once_it_was_heard_at_once(self) -> None:
        new = self.streamed(0).score
        at_best = self.decoder.whole(self.spoken[0]).score
        self.assertLess(new, at_best - 0.5)
        self.assertAlmostEqual(self.streamed(0).score, at_best, delta=0.1)
        self.assertGreater(self.decoder._voice_frames, 0)

    def test_an_utterance_at_once_is_the_same_whatever_was_streamed_before(self) -> None:
        fresh = self.decoder.whole(self.spoken[1])
        self.streamed(0)
        self.streamed(2)
        again = self.decoder.whole(self.spoken[1])
        self.assertEqual(again.hypotheses[0].text, fresh.hypotheses[0].text)
        self.assertAlmostEqual(again.score, fresh.score, delta=0.1)

    def test_what_was_no_speech_teaches_nothing_of_the_voice(self) -> None:
        self.decoder.whole(self.spoken[0])
        before = self.decoder._mean()
        self.decoder.start()
        self.decoder.sound(random.Random(1).randbytes(RATE))
        self.decoder.drop()
        for was, now in zip(before, self.decoder._mean(), strict=True):
            self.assertAlmostEqual(was, now, delta=0.01)
        self.assertEqual(self.decoder.end().hypotheses, (), "it is not open any more")

    def test_a_voice_that_is_known_is_not_learned_anew(self) -> None:
        while self.decoder._voice_frames < VOICE_FRAMES:
            self.decoder.whole(self.spoken[0])
        before = self.streamed(0).score
        self.decoder.whole(self.spoken[2])
        self.assertAlmostEqual(self.streamed(0).score, before, delta=0.1)


class Commands(SoundCase):
    """The grammar's search, in one decoder of this process."""

    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        cls.spoken = list(utterances(iter([cls.sound])))
        cls.decoder = CommandDecoder()
        cls.net = grammar_for(Scene(view=("Tobias saw the boat.",)))

    def setUp(self) -> None:
        net = self.net
        self.decoder.grammar(net.arcs, net.start, net.final, net.weights)

    def test_the_best_path_comes_alone_and_alternatives_when_they_are_asked_for(self) -> None:
        self.assertEqual(self.decoder.whole(self.spoken[1]).hypotheses[0].text, LINES[1])
        unsure = ["select the words", "select the two words", "next word", "bold the fourth word"]
        wav = speak(Path(self.temporary.name) / "unsure.wav", unsure, "rms")
        many = 0
        for sound in (*self.spoken, *utterances(iter([b"".join(pcm_of(wav))]))):
            found = self.decoder.whole(sound)
            self.assertLessEqual(len(found.hypotheses), 1)
            more = self.decoder.alternatives()
            if not found.hypotheses:
                self.assertEqual(more.hypotheses, ())
                continue
            self.assertEqual(more.hypotheses[0].text, found.hypotheses[0].text)
            self.assertAlmostEqual(more.score, found.score)
            for other in more.hypotheses:
                self.assertEqual(self.decoder._complete(other), len(other.words))
            many += len(more.hypotheses) > 1
        self.assertGreater(many, 0)

    def test_what_another_search_has_replaced_has_no_alternatives(self) -> None:
        for leave in (self.setUp, self.decoder.rest, self.decoder.start):
            self.setUp()
            self.decoder.whole(self.spoken[1])
            leave()
            self.assertEqual(self.decoder.alternatives().hypotheses, ())

    def test_scores_are_those_of_the_dictation(self) -> None:
        """A command said in full is explained about as well by either search."""
        dictated = DictationDecoder().whole(self.spoken[1])
        self.assertLess(abs(self.decoder.whole(self.spoken[1]).score - dictated.score), 2.0)
        wrong = self.decoder.whole(self.spoken[0])
        self.assertLess(wrong.score, DictationDecoder().whole(self.spoken[0]).score)

    def test_every_pronunciation_of_a_word_is_listened_for(self) -> None:
        self.assertEqual(self.decoder._spoken("the")[:2], ("the", "the(2)"))
        self.assertEqual(self.decoder._spoken("boat"), ("boat",))
        for word in (*VARIANTS, *KNOWN):
            names = self.decoder._spoken(word)
            phones = [self.decoder.decoder.lookup_word(name) for name in names]
            self.assertTrue(set((VARIANTS | KNOWN)[word]) <= set(phones), word)


class Spelled(SoundCase):
    def test_letters_said_one_by_one_and_in_a_breath(self) -> None:
        """Every letter comes with what it may be as well; the likeliest is right for most."""
        engine = BuiltIn()
        self.addCleanup(engine.close)
        engine.hear(next(utterances([self.sound])), Scene())
        scene, right = Scene(spelling=True), 0
        for word in ("f", "k", "s", "u", "r o y"):
            wav = speak(Path(self.temporary.name) / "letter.wav", [word.replace(" ", ", ")], "rms")
            engine.begin(scene)
            engine.sound(b"".join(spoken for spoken in utterances(pcm_of(wav))))
            hearing = engine.end()
            self.assertEqual(len(hearing.letters), len(hearing.commands[0].words))
            self.assertTrue(all(len(w.text) == 1 for w in hearing.commands[0].words))
            self.assertTrue(all(might[0][1] == 0.0 for might in hearing.letters if might))
            said = " ".join(might[0][0] for might in hearing.letters if might)
            right += said == word
        self.assertGreaterEqual(right, 4)


class Resting(SoundCase):
    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        cls.engine = BuiltIn()
        cls.addClassCleanup(cls.engine.close)

    def woken(self, line: str, voice: str = "rms") -> str:
        """What is heard in a line while the lamp is low, as the sound comes in."""
        with tempfile.TemporaryDirectory() as folder:
            sound = b"".join(utterances(pcm_of(speak(Path(folder) / "s.wav", [line], voice))))
        self.engine.begin(Scene(view=("The boat",), resting=True))
        for i in range(0, len(sound), CHUNK):
            self.engine.sound(sound[i : i + CHUNK])
        self.assertEqual(self.engine.partial, "")
        hearing = self.engine.end()
        self.assertEqual(hearing.hypotheses, ())
        return hearing.commands[0].text if hearing.commands else ""

    def test_the_waking_phrase_is_found_again_and_again_in_every_voice(self) -> None:
        for voice in ("slt", "rms", "awb", "rms"):
            self.assertEqual(self.woken("start listening", voice), "start listening")

    def test_nothing_else_wakes_it(self) -> None:
        for line in ("stop listening", "please come to the meeting",
                     "they start listening to the wind at noon in the old tower"):  # fmt: skip
            self.assertEqual(self.woken(line), "")

    def test_a_decoder_that_dies_at_rest_still_wakes(self) -> None:
        self.assertEqual(self.woken("please come to the meeting"), "")
        self.engine.command.process.kill()
        self.engine.command.process.join()
        self.assertEqual(self.woken("start listening"), "start listening")

    def test_awake_again_it_hears_commands_of_the_page(self) -> None:
        self.woken("start listening")
        spoken = list(utterances(iter([self.sound])))
        hearing = self.engine.hear(spoken[1], Scene(view=("The boat is coming to the island",)))
        self.assertEqual(hearing.commands[0].text, LINES[1])


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

    def test_words_of_the_desk_are_pronounced_as_they_are_said(self) -> None:
        self.assertEqual(pronunciation("caret", self.KNOWN.get), "K AE R AH T")
        self.assertEqual(pronunciation("unboard", self.KNOWN.get), "AH N B AO R D")

    def test_any_other_word_gets_its_sounds_by_rule(self) -> None:
        self.assertEqual(pronunciation("fenwick", self.KNOWN.get), "F EH N W IH K")
        self.assertIsNone(pronunciation("§", self.KNOWN.get))
