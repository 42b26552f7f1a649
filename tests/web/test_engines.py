"""Which ear is used, and how the desk hears with each: the browser's words, a larger model's."""

from __future__ import annotations

import time
from collections.abc import Callable, Sequence
from pathlib import Path
from tempfile import TemporaryDirectory
from unittest import mock

from nimble_lantern.core.errors import BadInput
from nimble_lantern.core.reading.hearing import HeardWord, from_line
from nimble_lantern.engines import Scene, Transcribed
from nimble_lantern.engines.pcm import scaled
from tests.speaking import voiced
from tests.web.test_pages import SILENCE, SoundCase


class Model:
    """A transcriber that says what it was told to, or fails."""

    name = "small"

    def __init__(self, words: str = "", error: Exception | None = None, doubt: str = "") -> None:
        self.words, self.error, self.doubt, self.heard = words, error, doubt, 0
        self.marks = False
        self.partial = ""

    def warm(self) -> None: ...
    def begin(self, scene: Scene) -> None: ...
    def drop(self) -> None: ...
    def end(self) -> None: ...
    def close(self) -> None: ...

    def sound(self, sound: bytes) -> None:
        self.heard += len(sound)

    def transcribe(self, marks: bool, beside: Sequence[HeardWord]) -> Transcribed:
        self.marks = marks
        if self.error:
            raise self.error
        return Transcribed(from_line(self.words).hypotheses, (), self.doubt)

    def fits(self, texts: Sequence[str], cued: bool = False) -> tuple[float, ...]:
        return (0.0,) * len(texts)

    def letters(self, words: Sequence[str]) -> tuple[dict[str, float], ...]:
        return ()


class OtherEngines(SoundCase):
    lines = ["the tied is hi", "bold the tide", "third line"]

    @property
    def page_text(self) -> str:
        return self.client.get("/").get_data(as_text=True)

    def uses(self, engine: str, model: Model | None = None) -> None:
        self.desk.set("engine", engine)
        if model:
            self.app.extensions["listener"]._larger = model

    def result(self, text: str, final: bool = True) -> int:
        rows = [{"transcript": text, "confidence": 0.9}]
        answer = self.client.post("/results", json={"final": final, "alternatives": rows})
        return answer.status_code

    def heard(self) -> list[str]:
        return [e.heard for e in self.desk.sitting.trail]

    def test_the_browsers_words_are_written_once(self) -> None:
        self.uses("browser")
        self.speaks()
        self.assertEqual(self.heard(), [], "waits for the browser")
        self.assertEqual(self.result("The tide is high"), 204)
        self.assertEqual(self.heard(), ["the tide is high"])

    def test_interim_words_show_while_they_are_spoken(self) -> None:
        self.uses("browser")
        self.result("the tide", final=False)
        self.assertIn("the tide", self.page_text)
        self.assertEqual(self.heard(), [])

    def test_a_browser_that_fails_is_left_for_the_built_in_engine_which_says_so(self) -> None:
        self.uses("browser")
        self.speaks()
        self.client.post("/results", json={"error": "network"})
        self.assertEqual(self.heard(), ["the tied is hi"], "what waited is not lost")
        self.assertEqual(self.desk.sitting.settings.engine, "best")
        self.assertIn("cannot reach its service; the built-in one listens instead", self.page_text)

    def test_silence_is_no_failure(self) -> None:
        self.uses("browser")
        self.client.post("/results", json={"error": "no-speech"})
        self.assertEqual(self.desk.sitting.settings.engine, "browser")

    def test_results_are_refused_while_another_engine_is_used_or_the_lamp_is_low(self) -> None:
        self.result("the tide is high")
        self.uses("browser")
        self.desk.hear(from_line("stop listening"))
        self.result("the tide is high")
        self.assertEqual(self.heard(), ["stop listening"])

    def test_bad_results_are_answered_in_words(self) -> None:
        self.assertEqual(self.client.post("/results", data="x").status_code, 400)
        answer = self.client.post("/results", json={"alternatives": 3})
        self.assertEqual(answer.status_code, 400)
        self.assertIn("list of alternatives", answer.get_data(as_text=True))

    def test_a_larger_model_has_the_words_of_dictation_wherever_there_is_one(self) -> None:
        model = Model("the tide is high")
        for engine in ("best", "model"):
            self.recited.lines.insert(0, "the tied is hi")
            self.uses(engine, model)
            self.speaks()
            self.assertEqual(self.heard()[-1], "the tide is high")
        self.assertGreater(model.heard, 16_000)

    def test_the_built_in_ears_do_without_it(self) -> None:
        self.uses("builtin", Model("the tide is high"))
        self.speaks()
        self.assertEqual(self.heard(), ["the tied is hi"])

    def test_its_marks_are_wanted_where_punctuation_is_automatic(self) -> None:
        model = Model("the tide is high")
        for on in ("on", "off"):
            self.recited.lines.insert(0, "the tied is hi")
            self.desk.set("auto_punctuation", on)
            self.uses("best", model)
            self.speaks()
            self.assertEqual(model.marks, on == "on")

    def test_its_words_show_while_they_are_spoken(self) -> None:
        model = Model("the tide is high")
        model.partial = "the tide"
        self.uses("best", model)
        shown = []
        for sound in (SILENCE, voiced(0.2), voiced(0.2), voiced(0.2)):
            self.sends(sound)
            shown.append(self.answer)
        self.assertIn("the tide", "".join(shown))

    def test_what_it_doubts_is_shown_and_not_written(self) -> None:
        self.uses("best", Model("so we sat", doubt="it was hard to make out"))
        before = self.desk.sitting.document
        self.speaks()
        self.assertEqual(self.desk.sitting.trail[-1].read_as, "unclear")
        self.assertEqual(self.desk.sitting.document, before)

    def test_a_model_that_cannot_be_used_is_told_once_and_nothing_is_lost(self) -> None:
        for error in (BadInput("There is no model in X."), RuntimeError("out of memory")):
            with self.subTest(str(error)):
                self.uses("best", Model(error=error))
                before = len(self.heard())
                self.recited.lines.insert(0, "the tied is hi")
                self.speaks()
                self.assertEqual(len(self.heard()), before + 1)
                self.assertIn(
                    str(error) if isinstance(error, BadInput) else "RuntimeError", self.page_text
                )
                self.assertIn("The built-in recogniser listens instead.", self.page_text)
                self.recited.lines.insert(0, "the tied is hi")
                self.speaks()
                self.assertEqual(len(self.heard()), before + 2, "the next one as well")

    def test_better_ears_are_fetched_by_voice_in_the_background(self) -> None:
        self.desk.hear(from_line("show the settings"))
        self.assertIn("fetch better ears", self.page_text)
        with TemporaryDirectory() as name:
            kept = Path(name) / "base"
            with (
                mock.patch("nimble_lantern.web.listening.ears.get", return_value=kept) as get,
                mock.patch("nimble_lantern.web.listening.LargerModel.warm"),
            ):
                self.desk.hear(from_line("fetch better ears"))
                self.wait_for(lambda: self.desk.sitting.model == "base")
            self.assertEqual(get.call_args[0][0], "base")
            self.assertIn("the larger model base", self.page_text)
            self.desk.hear(from_line("which ears are there"))
            self.assertIn("larger model base is here", self.desk.sitting.trail[-1].summary)

    def test_ears_that_cannot_be_fetched_are_told_in_a_sentence(self) -> None:
        why = BadInput("The speech model base cannot be fetched: no source answers.")
        with mock.patch("nimble_lantern.web.listening.ears.get", side_effect=why):
            self.desk.hear(from_line("fetch better ears"))
            self.wait_for(lambda: "no source answers" in self.page_text)
        self.assertEqual(self.desk.sitting.model, "")

    def wait_for(self, true: Callable[[], bool]) -> None:
        for _ in range(200):
            if true():
                return
            time.sleep(0.02)
        self.fail("it never came true")

    def test_who_asks_for_a_model_that_is_not_there_is_told(self) -> None:
        self.uses("model")
        self.speaks()
        self.assertEqual(self.heard(), ["the tied is hi"])
        self.assertIn("There is no larger model on this machine", self.page_text)

    def test_engines_are_chosen_by_voice_and_kept(self) -> None:
        self.desk.hear(from_line("listen with the browser"))
        self.assertIn('data-engine="browser"', self.page_text)
        self.desk.hear(from_line("use the built in ears"))
        self.assertIn('data-engine="builtin"', self.page_text)
        self.desk.hear(from_line("use the usual ears"))
        self.assertIn('data-engine="best"', self.page_text)


class Listening(SoundCase):
    lines = ["the tide is high"] * 9

    def test_the_microphone_is_measured_and_told_in_words(self) -> None:
        self.desk.hear(from_line("check the microphone"))
        self.assertIn("Too little was heard yet", self.client.get("/").get_data(as_text=True))
        self.speaks()
        self.desk.hear(from_line("check the microphone"))
        self.assertRegex(
            self.client.get("/").get_data(as_text=True), r"Speech −\d+ dB, noise −96 dB"
        )
        self.desk.hear(from_line("it is cold"))
        self.assertNotIn("Speech -", self.client.get("/").get_data(as_text=True))

    def test_a_longer_patience_waits_longer_from_the_next_utterance_on(self) -> None:
        waited = []
        for patience in ("short", "normal", "long"):
            self.desk.set("patience", patience)
            self.speaks()
            before = len(self.desk.sitting.trail)
            for sound in (SILENCE, voiced(0.2), voiced(0.2), voiced(0.2)):
                self.sends(sound)
            chunks = 0
            while len(self.desk.sitting.trail) == before:
                self.sends(SILENCE[: len(SILENCE) // 4])
                chunks += 1
                self.assertLess(chunks, 60)
            waited.append(chunks * 0.05)
        self.assertLess(waited[0], waited[1])
        self.assertLess(waited[1] + 0.3, waited[2])

    def test_a_click_is_neither_shown_nor_written(self) -> None:
        self.sends(SILENCE)
        before = self.desk.revision
        for sound in (voiced(0.08), SILENCE, SILENCE, SILENCE):
            self.sends(sound)
        self.assertEqual(self.recited.dropped, 1)
        self.assertEqual(self.desk.revision, before)

    def test_words_that_come_late_do_not_stop_the_hearing_of_the_next(self) -> None:
        """The grammar is not changed under what is being said."""
        self.desk.set("engine", "browser")
        self.speaks()
        for sound in (SILENCE, voiced(0.2), voiced(0.2), voiced(0.2)):
            self.sends(sound)
        looked = len(self.recited.scenes)
        rows = [{"transcript": "the tide is high", "confidence": 0.9}]
        self.client.post("/results", json={"final": True, "alternatives": rows})
        self.assertEqual(len(self.desk.sitting.trail), 1)
        self.assertEqual(len(self.recited.scenes), looked)

    def test_the_pause_before_an_utterance_is_kept(self) -> None:
        self.speaks()
        for _ in range(5):
            self.sends(SILENCE)
        with mock.patch.object(self.desk, "hear", wraps=self.desk.hear) as hear:
            self.speaks()
        self.assertAlmostEqual(hear.call_args.args[0].pause, 2.4, delta=0.5)

    def test_a_voice_far_quieter_than_the_speakers_is_not_written(self) -> None:
        for _ in range(5):
            self.speaks()
        before = self.desk.sitting.document
        faint = bytes(voiced(0.2))
        for sound in (SILENCE, *[scaled(faint, 0.06)] * 3, *[SILENCE] * 6):
            self.sends(sound)
        last = self.desk.sitting.trail[-1]
        if last.number > 5:  # the detector may not take it for speech at all
            self.assertEqual(last.read_as, "unclear")
        self.assertEqual(self.desk.sitting.document, before)
