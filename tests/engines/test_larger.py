"""The larger model as an ear: what it writes as spoken words, what it invents, its process."""

from __future__ import annotations

import math
import threading
import time
import unittest
from collections.abc import Sequence
from dataclasses import replace
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import NamedTuple

import numpy as np

from nimble_lantern.core.errors import BadInput
from nimble_lantern.core.reading.cued import Commands
from nimble_lantern.core.reading.hearing import (
    HeardWord,
    from_line,
    hearing_from_json,
    hearing_to_json,
)
from nimble_lantern.engines import Scene, Transcribed, ears
from nimble_lantern.engines.builtin.files import pcm_of
from nimble_lantern.engines.builtin.worker import TooSlow
from nimble_lantern.engines.larger import MOST_NAMES, LargerModel, hotwords, with_larger
from nimble_lantern.engines.pcm import RATE
from nimble_lantern.engines.trying import _SOUND, _WORDS
from nimble_lantern.engines.whisper.dictated import DICTATED, marks_named
from nimble_lantern.engines.whisper.guards import LOOP, NOBODY, UNSURE, doubt, recites
from nimble_lantern.engines.whisper.model import Model, Reading, Transcript
from nimble_lantern.engines.whisper.worker import Growing, ModelWorker, agreed, quiet_since
from tests.desk import Driver
from tests.engines.readings import written
from tests.speaking import speak


def transcript(*texts: str, score: float = -0.2, silence: float = 0.0) -> Transcript:
    readings = tuple(Reading(t, written(t), score - n / 10) for n, t in enumerate(texts))
    return Transcript(readings, silence, 1.0, 3.0)


def loud(seconds: float) -> bytes:
    return (np.sin(np.arange(round(seconds * RATE)) / 5) * 9000).astype(np.int16).tobytes()


class Invented(unittest.TestCase):
    def test_what_is_said_is_believed(self) -> None:
        self.assertEqual(doubt(transcript("The stair is steep.")), "")

    def test_words_for_silence_are_not(self) -> None:
        self.assertEqual(doubt(transcript("you", score=-0.55, silence=0.92)), NOBODY)
        self.assertEqual(doubt(Transcript((), 0.1, 0.0, 2.0)), NOBODY)

    def test_words_that_hardly_fit_are_not(self) -> None:
        self.assertEqual(doubt(transcript("The End", score=-2.0)), UNSURE)
        unlike = doubt(transcript("so we sat", score=-0.8), [HeardWord("bold the ferry")])
        self.assertEqual(unlike, UNSURE)
        self.assertEqual(doubt(transcript("five five", score=-0.8), [HeardWord("five five")]), "")

    def test_loops_are_not(self) -> None:
        self.assertEqual(doubt(transcript("Ten of clubs. Ten of clubs. Ten of clubs.")), LOOP)
        self.assertEqual(doubt(transcript("wow wow wow wow")), LOOP)
        self.assertEqual(doubt(transcript("Woohoo! Woohoo!", score=-0.56)), LOOP)
        self.assertEqual(doubt(transcript("no no")), "")
        self.assertEqual(doubt(transcript("We shall find out. We shall find out.")), LOOP)
        nearly = "Do you need to talk to your friends? Do you need to talk to friends?"
        self.assertEqual(doubt(transcript(nearly)), LOOP)
        for heard in ("far far away and far away", "very very very old", "two two two two"):
            self.assertEqual(doubt(transcript(heard)), "", heard)
        self.assertEqual(doubt(replace(transcript("so so"), repetition=9.8)), LOOP)

    def test_a_recited_list_of_names_is_known(self) -> None:
        listed = ("Tarrow", "Maddern", "Quoyle", "Sprat")
        self.assertTrue(recites("tarrow, Maddern, Quoyle.", listed))
        self.assertFalse(recites("Tarrow met Quoyle and Sprat", listed))
        self.assertTrue(recites("and Tom was cold, full stop", (), DICTATED))
        self.assertFalse(recites("Tom was cold comma and tired", (), DICTATED))

    def test_marks_of_a_reading_are_counted_where_they_would_be_written(self) -> None:
        for text, count in (
            ("We need oil comma bread comma and two lamps full stop", 3),
            ("New paragraph. The boat is late", 0),
            ("He came to a full stop in the long period", 0),
            ("", 0),
        ):
            self.assertEqual(marks_named(text), count, text)


class Names(unittest.TestCase):
    def test_rare_words_in_view_are_told_the_nearest_first(self) -> None:
        scene = Scene(("Hob Tarrow’s log was read.",), (("document", ("Quoyle rota",)),))
        self.assertEqual(hotwords(scene), ("Hob", "Tarrow", "Quoyle", "rota"))

    def test_there_are_never_many(self) -> None:
        many = " ".join(f"Zq{chr(97 + n % 26)}{chr(97 + n // 26)}x" for n in range(90))
        self.assertEqual(len(hotwords(Scene((many,)))), MOST_NAMES)


class Grows:
    """A model that knows a text, and hears as much of it as there is sound for."""

    def __init__(self, said: str, fails: bool = False) -> None:
        self.said, self.calls, self.names = said.split(), [], ()

    def heard(
        self,
        sound: bytes,
        names: Sequence[str] = (),
        best: int = 5,
        silence: float = 5.0,
        before: str = "",
    ) -> Transcript:
        self.calls.append((len(sound), best, tuple(names)))
        count = max(1, len(sound) // 2 // RATE * 2)
        return transcript(" ".join(self.said[:count]))


class GrowingText(unittest.TestCase):
    def test_words_that_two_decodings_agree_on_are_firm(self) -> None:
        growing = Growing(Grows("we met the board on monday"))
        growing.start(1)
        growing.sound += loud(1.0)
        self.assertEqual(growing.partial(), ("", "we met"))
        growing.sound += loud(1.0)
        self.assertEqual(growing.partial(), ("we met", "the board"))

    def test_it_is_not_decoded_before_enough_is_new(self) -> None:
        growing = Growing(Grows("we met"))
        growing.start(1)
        self.assertFalse(growing.wants)
        growing.sound += loud(0.7)
        self.assertTrue(growing.wants)
        growing.partial()
        self.assertFalse(growing.wants)

    def test_what_was_decoded_in_the_silence_after_is_not_decoded_again(self) -> None:
        model = Grows("we met the board")
        growing = Growing(model)
        growing.start(1)
        growing.sound += loud(2.0) + b"\0\0" * round(0.3 * RATE)
        growing.partial()
        growing.sound += b"\0\0" * round(0.3 * RATE)
        found = growing.end()
        self.assertEqual((found.readings[0].text, len(model.calls)), ("we met the board", 1))

    def test_speech_that_goes_on_is_decoded_to_its_end(self) -> None:
        model = Grows("we met the board on monday")
        growing = Growing(model)
        growing.start(1)
        growing.sound += loud(2.0) + b"\0\0" * round(0.3 * RATE)
        growing.partial()
        growing.sound += loud(1.0)
        self.assertEqual(growing.end().readings[0].text, "we met the board on monday")

    def test_a_recital_is_decoded_again_without_the_names(self) -> None:
        model = Grows("Tarrow Maddern Quoyle")
        growing = Growing(model)
        growing.names = ("Tarrow", "Maddern", "Quoyle")
        growing.start(1)
        growing.sound += loud(2.0)
        growing.end()
        self.assertEqual([names for _, _, names in model.calls], [growing.names, ()])

    def test_agreement_is_of_words_not_of_marks(self) -> None:
        self.assertEqual(agreed("The boat, is".split(), "the boat was".split()), 2)

    def test_silence_at_the_end_is_measured(self) -> None:
        self.assertAlmostEqual(quiet_since(loud(1.0) + b"\0\0" * RATE), 1.0, delta=0.05)
        self.assertEqual(quiet_since(b""), 0.0)


class Process:
    """Stands for the model's process: answers what it was told to."""

    firm = partial = ""

    def __init__(self, *answers: object) -> None:
        self.answers, self.told = list(answers), list[tuple[object, ...]]()

    def prepare(self, *what: object) -> None:
        self.told.append(what)

    def start(self) -> None:
        self.told.append(("start",))

    def sound(self, sound: bytes) -> None:
        self.told.append(("sound", len(sound)))

    def drop(self) -> None:
        self.told.append(("drop",))

    def give_up(self) -> None:
        self.told.append(("give up",))

    def ask_end(self) -> None:
        self.told.append(("end",))

    def ask_fit(self, texts: Sequence[str], cue: str = "") -> None:
        self.told.append(("fit", *texts, *([cue] if cue else [])))

    def ask_cued(self, cue: str) -> None:
        self.told.append(("cued", cue))

    def ask_led(self, words: Sequence[str]) -> None:
        self.told.append(("led", *words))

    def result(self, due: float) -> object:
        answer = self.answers.pop(0)
        if isinstance(answer, Exception):
            raise answer
        return answer

    def close(self) -> None:
        self.told.append(("close",))


class Transcribing(unittest.TestCase):
    def setUp(self) -> None:
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        (self.folder / "model.bin").write_bytes(b"")

    def model(self, *answers: object) -> LargerModel:
        self.process = Process(*answers)
        return LargerModel(self.folder, lambda _: self.process)

    def test_two_threads_that_need_it_at_once_load_it_once(self) -> None:
        opened: list[Path] = []

        def slowly(folder: Path) -> Process:
            opened.append(folder)
            time.sleep(0.05)
            return Process()

        model = LargerModel(self.folder, slowly)
        threads = [threading.Thread(target=model.warm) for _ in range(4)]
        for thread in threads:
            thread.start()
        for thread in threads:
            thread.join()
        self.assertEqual(len(opened), 1)

    def test_the_readings_of_an_utterance_with_their_names(self) -> None:
        model = self.model(transcript("We saw Hob Tarrow.", "We saw hob tarrow"))
        model.begin(Scene(("Maddern came.",)))
        model.sound(loud(1))
        model.end()
        found = model.transcribe(False, ())
        self.assertEqual([h.text for h in found.hypotheses], ["we saw hob tarrow"])
        self.assertEqual((found.names, found.doubt), (("Hob", "Tarrow"), ""))
        self.assertEqual(self.process.told[0], ("told", ("Maddern",), DICTATED))

    def test_a_dictated_letter_is_told_where_marks_are_said(self) -> None:
        model = self.model()
        for scene in (
            Scene(punctuated=True), Scene(), Scene(), Scene(spelling=True), Scene(),
            Scene(resting=True),
        ):  # fmt: skip
            model.begin(scene)
        told = [what[2] for what in self.process.told if what[0] == "told"]
        self.assertEqual(told, [DICTATED, "", DICTATED, ""])

    def test_nothing_is_asked_of_what_it_did_not_hear(self) -> None:
        self.assertEqual(self.model().transcribe(False, ()), Transcribed())

    def test_what_is_too_slow_is_given_up(self) -> None:
        model = self.model(TooSlow())
        model.begin(Scene())
        self.assertTrue(model.transcribe(False, ()).slow)
        self.assertEqual(self.process.told[-1], ("give up",))

    def test_a_folder_without_a_model_is_told(self) -> None:
        (self.folder / "model.bin").unlink()
        with self.assertRaisesRegex(BadInput, "no speech model in"):
            self.model().begin(Scene())

    def test_letters_are_judged_by_both(self) -> None:
        might = (("k", 0.0), ("a", 0.5))
        letter = from_line("k").hypotheses
        ours = replace(from_line("kay"), commands=letter, letters=(might,))
        made = with_larger(
            ours, Transcribed(from_line("hey").hypotheses), Asked((-1.0, -1.5), ODDS)
        )
        self.assertEqual(made.letters[0][0], ("a", 0.0))
        self.assertEqual({c for c, _ in made.letters[0]}, {"a", "k", "h"})
        self.assertEqual(hearing_from_json(hearing_to_json(made)), made)

    def test_its_words_take_the_place_of_the_built_in_ones(self) -> None:
        ours = replace(from_line("and do"), commands=from_line("undo").hypotheses, margin=0.1)
        made = Transcribed(from_line("and do that").hypotheses, ("Hob",))
        hearing = with_larger(ours, made, Asked((-1.0, -1.5)))
        self.assertEqual((hearing.text, hearing.source), ("and do that", "model"))
        self.assertEqual((hearing.fits, hearing.names), ((-0.5,), ("Hob",)))
        self.assertEqual(hearing.evidence, ours.hypotheses[0])
        self.assertEqual(hearing_from_json(hearing_to_json(hearing)), hearing)

    def test_what_the_built_in_one_heard_besides_is_kept_for_corrections(self) -> None:
        ours = from_line("the key is full | the quay is full | the keys full")
        hearing = with_larger(ours, Transcribed(from_line("the key was full").hypotheses), Asked())
        also = ("the", "quay", "is", "full"), ("the", "keys", "full")
        self.assertEqual(hearing.also, also)
        self.assertEqual(hearing_from_json(hearing_to_json(hearing)), hearing)

    def test_commands_that_may_be_meant_are_judged_by_the_sound(self) -> None:
        ours, desk = from_line("start the quay"), Commands(Driver("The quay is full.").sitting)
        made = Transcribed(from_line("bold the key").hypotheses)
        hearing = with_larger(ours, made, Asked((-1.0, -1.25)), desk)
        self.assertEqual(hearing.guesses, ((("bold", "the", "quay"), -0.25),))
        self.assertEqual((hearing.fits, hearing.cued), ((), None))
        self.assertEqual(hearing_from_json(hearing_to_json(hearing)), hearing)
        silent = with_larger(ours, made, Asked(()), desk)
        self.assertEqual(silent.guesses, (), "a model that does not answer judges nothing")

    def test_a_command_among_its_next_readings_is_one_that_may_be_meant(self) -> None:
        ours, desk = from_line("start the quay"), Commands(Driver("The quay is full.").sitting)
        made = Transcribed(
            from_line("bald the key | bold the quay | bold the word quay").hypotheses
        )
        hearing = with_larger(ours, made, Asked((-1.0, -1.1, -1.4)), desk)
        self.assertEqual([words for words, _ in hearing.guesses],
                         [("bold", "the", "quay"), ("bold", "the", "word", "quay")])  # fmt: skip
        one = Transcribed(from_line("bold the quay | bald the quay").hypotheses)
        self.assertEqual(with_larger(ours, one, Asked((-1.0,)), desk).guesses, ())

    def test_it_hears_again_what_may_be_a_command(self) -> None:
        desk = Commands(Driver("The quay is full.").sitting)
        ours = replace(from_line("gold the quay"), commands=from_line("bold the quay").hypotheses)
        made = Transcribed(from_line("gold the key").hypotheses)
        model = Asked((-1.0, -2.0), ODDS, ("gold the key", "bold the quay"), (-2.5, -0.5))
        near = with_larger(replace(ours, margin=0.5), made, model, desk)
        self.assertEqual(near.cued, ((("bold", "the", "quay"), 2.0),))
        self.assertEqual(hearing_from_json(hearing_to_json(near)), near)
        far = with_larger(replace(ours, margin=-0.5), made, model, desk)
        self.assertIsNone(far.cued, "the grammar made nothing like it out: it was not asked")
        none = with_larger(
            replace(ours, margin=0.5), made, Asked((-1.0, -2.0), ODDS, ("gold the key",)), desk
        )
        self.assertEqual(none.cued, ())
        self.assertEqual(hearing_from_json(hearing_to_json(none)), none)

    def test_a_model_that_is_too_slow_to_hear_again_tells_nothing_of_commands(self) -> None:
        desk = Commands(Driver("The quay is full.").sitting)
        ours = from_line("bold the quay")
        ours = replace(ours, commands=ours.hypotheses, margin=0.5)
        made = Transcribed(from_line("gold the key").hypotheses)
        for readings, likely in (((), ()), (("bold the quay",), ())):
            model = Asked((-1.0, -2.0), ODDS, readings, likely)
            self.assertIsNone(with_larger(ours, made, model, desk).cued)

    def test_where_it_heard_nobody_nothing_is_heard(self) -> None:
        made = with_larger(from_line("the"), Transcribed(doubt=NOBODY), Asked())
        self.assertEqual(made.hypotheses, ())

    def test_where_it_is_slow_the_built_in_words_stay(self) -> None:
        ours = from_line("the tide")
        self.assertEqual(with_larger(ours, Transcribed(slow=True), Asked()), ours)


ODDS = {"a": -0.2, "k": -2.5, "h": -2.0, "z": -30.0}


class Asked(NamedTuple):
    """Answers to what a model is asked about a sound."""

    likely: tuple[float, ...] = ()
    odds: dict[str, float] = ODDS
    readings: tuple[str, ...] = ()
    likely_then: tuple[float, ...] = ()

    def fits(self, texts: Sequence[str], cued: bool = False) -> tuple[float, ...]:
        return self.likely_then if cued else self.likely

    def cued(self) -> tuple[tuple[str, ...], ...]:
        return tuple(tuple(reading.split()) for reading in self.readings)

    def letters(self, words: Sequence[str]) -> tuple[dict[str, float], ...]:
        return (self.odds,) * len(words)


WITH_A_MODEL = unittest.skipUnless(ears.there(), "no speech model could be fetched here")


class RealProcess(unittest.TestCase):
    def test_a_folder_that_holds_no_model_is_one_sentence(self) -> None:
        with TemporaryDirectory() as name:
            (Path(name) / "model.bin").write_bytes(b"no model")
            worker = ModelWorker(Path(name))
            self.addCleanup(worker.close)
            worker.start()
            worker.sound(loud(1))
            worker.ask_end()
            with self.assertRaisesRegex(BadInput, "cannot be loaded"):
                worker.result(10**9)

    @WITH_A_MODEL
    def test_speech_is_heard_with_times_while_it_is_spoken_and_after(self) -> None:
        sound = b"".join(pcm_of(_SOUND))
        model = LargerModel(next(iter(ears.there().values())))
        self.addCleanup(model.close)
        model.begin(Scene(("Hob Tarrow met the keepers.",)))
        for at in range(0, len(sound), 6400):
            model.sound(sound[at : at + 6400])
        model.end()
        found = model.transcribe(False, ())
        heard = [w.text for w in found.hypotheses[0].words]
        self.assertLessEqual(len(set(_WORDS) - set(heard)), 1, heard)
        self.assertEqual(
            sorted(w.start for w in found.hypotheses[0].words),
            [w.start for w in found.hypotheses[0].words],
        )
        own, other = model.fits((" ".join(heard), "bold the ferry"))
        self.assertGreater(own, other + 1)
        own, other = model.fits((" ".join(heard), "bold the ferry"), cued=True)
        self.assertGreater(own, other + 1)
        self.assertIn(heard, [list(words) for words in model.cued()])
        told = model.letters(("b", "o"))
        self.assertEqual([len(odds) for odds in told], [26, 26])
        for odds in told:
            self.assertAlmostEqual(sum(map(math.exp, odds.values())), 1.0, places=5)

    @WITH_A_MODEL
    def test_marks_that_are_said_between_words_are_heard(self) -> None:
        model = Model(next(iter(ears.there().values())))
        with TemporaryDirectory() as folder:
            line = "we need oil comma bread comma and two lamps full stop"
            sound = b"".join(pcm_of(speak(Path(folder) / "said.wav", [line])))
        untold, told = (model.heard(sound, before=text) for text in ("", DICTATED))
        heard = [marks_named(found.readings[0].text) for found in (untold, told)]
        self.assertGreaterEqual(heard[1], 2)
        self.assertGreater(heard[1], heard[0])

    @WITH_A_MODEL
    def test_noise_is_nobody(self) -> None:
        model = Model(next(iter(ears.there().values())))
        noise = np.random.default_rng(1).normal(0, 900, 2 * RATE).astype(np.int16).tobytes()
        for sound in (b"\0\0" * RATE, noise):
            self.assertIn(doubt(model.heard(sound)), (NOBODY, UNSURE))
