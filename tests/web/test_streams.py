"""Sound coming in: nothing lost, nothing twice, whoever goes on after whom."""

from __future__ import annotations

import json
from collections.abc import Callable, Sequence
from dataclasses import asdict
from unittest import mock

from nimble_lantern.core.errors import BadInput, NotKept
from nimble_lantern.core.reading import decision
from nimble_lantern.core.reading.hearing import Hearing, from_line
from nimble_lantern.engines.builtin.cutter import PATIENCE
from nimble_lantern.engines.habits import LEAST, Habits, Measured
from nimble_lantern.voices.speaker import Speaker
from nimble_lantern.web import listening
from nimble_lantern.web.app import create_app
from nimble_lantern.web.listening import CUT_OFF, MOST_UNHEARD, SILENT_SECONDS, Listener
from tests.speaking import voiced
from tests.web.test_pages import BEGAN, SILENCE, Recited, SoundCase

MINUTE = 60.0
SPOKEN = [voiced(0.2)] * 4


class Streams(SoundCase):
    lines = ["the tide is high", "bold the tide", "third line", "fourth line"]

    @property
    def listener(self) -> Listener:
        found = self.app.extensions["listener"]
        assert isinstance(found, Listener)
        return found

    def heard(self) -> list[str]:
        return [e.heard for e in self.desk.sitting.trail]

    def opens(
        self, stream: str, start: int = 0, time: float = 0.0, **more: float
    ) -> dict[str, object]:
        data = {"stream": stream, "from": start, "time": time, **more}
        found: dict[str, object] = self.client.post("/streams", json=data).get_json()
        return found

    def restarts(self) -> None:
        """A new server on the same desk: it knows what is on the disk, and nothing else."""
        self.recited = Recited(self.recited.lines)
        self.app = create_app(self.desk, lambda: self.recited, pace=0)
        self.client = self.app.test_client()

    def later(self, seconds: float) -> Callable[[], float]:
        clock = self.listener._clock
        return lambda: clock() + seconds


class GoingOn(Streams):
    def test_an_error_while_sound_is_heard_is_told_and_listening_goes_on(self) -> None:
        """The page would number its chunks from nought, and be deaf, were it told no number."""
        for broken in ("begin", "sound", "end"):
            with self.subTest(broken):
                engine = self.listener._ready()
                patched = mock.patch.object(engine, broken, side_effect=RuntimeError("x"))
                with patched, mock.patch("traceback.print_exc"):
                    self.speaks()
                self.assertIn("say it again", self.client.get("/").get_data(as_text=True))
                before = len(self.heard())
                self.recited.lines.insert(0, "we go on")
                self.speaks()
                self.assertEqual(self.heard()[before:], ["we go on"])

    def test_a_voice_whose_sound_cannot_be_read_takes_nothing_away(self) -> None:
        with (
            mock.patch.object(Speaker, "sounding", return_value={"piece": (b"no sound", 0.0)}),
            mock.patch("traceback.print_exc") as told,
        ):
            self.desk.speaker = Speaker()
            self.speaks()
        told.assert_called()
        self.assertEqual(self.heard(), ["the tide is high"])

    def test_speech_of_which_nothing_was_made_out_is_told(self) -> None:
        with mock.patch.object(self.listener._ready(), "end", return_value=Hearing(())):
            self.speaks()
            self.assertEqual(self.heard(), [], "that was short")
            for sound in (SILENCE, *SPOKEN, *SPOKEN, *[SILENCE] * 6):
                self.sends(sound)
        entry = self.desk.sitting.trail[-1]
        self.assertEqual((entry.heard, entry.read_as), ("", "unclear"))
        self.assertIn("say it again", entry.summary)

    def test_only_a_gap_is_a_conflict_and_every_other_answer_says_what_is_next(self) -> None:
        engine = self.listener._ready()
        with mock.patch.object(engine, "end", side_effect=BadInput("It stopped; say it again.")):
            for sound in (SILENCE, *SPOKEN, *[SILENCE] * 6):
                before = self.at
                self.assertLess(self.sends(sound), 300)
                self.assertGreater(self.at, before)

    def test_a_chunk_is_confirmed_once_its_utterance_is_decided(self) -> None:
        self.sends(SILENCE)
        for sound in SPOKEN:
            self.sends(sound)
        self.assertLess(self.kept, 3200, "while somebody speaks, the page keeps it from the start")
        for _ in range(6):
            self.sends(SILENCE)
        self.assertGreater(self.kept, 3200 + 4 * 3200)
        self.assertEqual(len(self.heard()), 1)


class Restarted(Streams):
    def test_an_utterance_cut_by_a_restart_is_heard_whole_and_once(self) -> None:
        for sound in (SILENCE, *SPOKEN, *[SILENCE] * 6):
            self.sends(sound)
        whole = b"".join((SILENCE, *SPOKEN, *[SILENCE] * 6, SILENCE, *SPOKEN))
        for at in range(self.at, len(whole) // 2, 3200):
            self.sends(whole[at * 2 : at * 2 + 6400])
        kept = self.kept
        self.assertEqual(self.heard(), ["the tide is high"])
        self.restarts()
        opened = self.opens(self.stream, kept, BEGAN + kept / 16)
        self.assertEqual(opened["next"], kept)
        for at in range(kept, len(whole) // 2, 3200):
            self.sends(whole[at * 2 : at * 2 + 6400], at)
        for _ in range(6):
            self.sends(SILENCE)
        self.assertEqual(self.heard(), ["the tide is high", "bold the tide"])

    def test_what_is_on_the_disk_is_not_heard_again_although_its_answer_was_lost(self) -> None:
        for sound in (SILENCE, *SPOKEN):
            self.sends(sound)
        kept = self.kept
        for _ in range(6):
            self.sends(SILENCE)
        self.restarts()
        opened = self.opens(self.stream, kept, BEGAN + kept / 16)
        self.assertGreater(opened["next"], kept + 3200)  # type: ignore[operator]

    def test_what_cannot_be_heard_whole_is_shown_as_unclear_and_never_done(self) -> None:
        self.recited.lines[0] = "delete the last paragraph"
        before = self.desk.sitting.document
        for sound in (SILENCE, *SPOKEN):
            self.sends(sound)
        self.client.post(f"/streams/{self.stream}/end")
        self.opens("another", 0, BEGAN + 60_000)
        entry = self.desk.sitting.trail[-1]
        self.assertEqual((entry.heard, entry.read_as), ("delete the last paragraph", "unclear"))
        self.assertIn(CUT_OFF, entry.summary)
        self.assertEqual(self.desk.sitting.document, before)


class TwoPages(Streams):
    def test_the_page_that_listens_goes_on_listening(self) -> None:
        self.sends(SILENCE)
        self.assertEqual(self.opens("second", 0, 0.0), {"stream": "second", "listens": False})
        self.speaks()
        self.assertEqual(len(self.heard()), 1)

    def test_a_page_that_waits_for_a_slow_answer_is_not_gone(self) -> None:
        self.sends(SILENCE)
        self.listener._busy = 1
        self.listener._clock = self.later(MINUTE)
        self.assertFalse(self.opens("second")["listens"])
        self.listener._busy = 0
        self.assertTrue(self.opens("second")["listens"])

    def test_a_page_that_is_closed_is_followed_at_once_and_its_utterance_heard_whole(self) -> None:
        """The second page has kept what it heard, and goes on where the first was decided."""
        for sound in (SILENCE, *SPOKEN[:2]):
            self.sends(sound)
        self.client.post(f"/streams/{self.stream}/end")
        opened = self.opens("second", 0, BEGAN - 1000.0)
        self.stream, self.at = "second", int(str(opened["next"]))
        # The second page's clock began a second earlier: what it has from there on is the same.
        self.assertAlmostEqual(self.at, 16_000 + self.kept, delta=16)
        for sound in (SILENCE, *SPOKEN, *[SILENCE] * 6):
            self.sends(sound)
        self.assertEqual(self.heard(), ["the tide is high"])
        self.assertEqual(self.recited.dropped, 1)

    def test_a_page_that_is_gone_is_followed_after_a_while(self) -> None:
        self.sends(SILENCE)
        self.listener._clock = self.later(SILENT_SECONDS + 1)
        self.assertTrue(self.opens("second")["listens"])
        self.assertEqual(self.sends(SILENCE), 410)

    def test_seconds_that_a_page_could_not_keep_are_told(self) -> None:
        self.client.post(f"/streams/{self.stream}/end")
        self.opens("second", 0, 0.0, lost=12)
        self.assertIn("12 seconds of what you said", self.client.get("/").get_data(as_text=True))


class Unrecorded(Streams):
    def full(self) -> mock._patch[mock.Mock]:
        from nimble_lantern.core.errors import NotKept

        return mock.patch.object(
            self.desk._journal, "record", side_effect=NotKept("the disk is full; free some space")
        )

    def test_what_cannot_be_recorded_is_held_told_and_tried_again(self) -> None:
        self.sends(SILENCE)
        with self.full():
            for sound in (*SPOKEN, *[SILENCE] * 6):
                self.assertLess(self.sends(sound), 300)
            self.assertLess(self.kept, 3200, "the page keeps the sound, too")
            html = self.client.get("/").get_data(as_text=True)
            self.assertIn("“the tide is high” could not be recorded: the disk is full", html)
            self.assertIn("tried again", html)
            self.assertNotIn("hearing", html, "no partial text stays on the page")
            self.speaks()
            self.assertEqual(self.heard(), [])
            self.assertEqual(self.desk.holding, 2)
        self.desk.retry()
        self.assertEqual(self.heard(), ["the tide is high", "bold the tide"])
        self.assertNotIn("could not be recorded", self.client.get("/").get_data(as_text=True))
        self.sends(SILENCE)
        self.assertGreater(self.kept, 16_000)

    def test_it_is_tried_again_by_itself(self) -> None:
        with self.full(), mock.patch("nimble_lantern.shell.RETRY_SECONDS", 0.05):
            self.desk.hear(from_line("the tide"))
            self.assertEqual(self.desk.holding, 1)
        retry = self.desk._retry
        assert retry is not None
        retry.join(10)
        self.assertEqual(self.heard(), ["the tide"])

    def test_a_line_that_is_held_is_not_acknowledged(self) -> None:
        with self.full():
            answer = self.client.post("/lines", data={"line": "the tide", "page": self.page})
        self.assertEqual(answer.status_code, 202)
        self.desk.retry()
        self.assertEqual(self.client.post("/lines", data={"line": "is high"}).status_code, 200)
        self.assertEqual(self.heard(), ["the tide", "is high"])

    def test_an_outcome_that_the_store_has_a_fault_with_is_kept_as_not_understood(self) -> None:
        with (
            mock.patch(
                "nimble_lantern.store.states.question_row",
                side_effect=[TypeError, None, None, None],
            ),
            mock.patch("traceback.print_exc"),
        ):
            self.desk.hear(from_line("the tide"))
        self.desk.hear(from_line("is high"))
        self.assertEqual(self.heard(), ["the tide", "is high"])
        self.assertEqual(self.desk.sitting.trail[0].read_as, "unclear")

    def test_an_utterance_that_the_desk_has_a_fault_with_takes_nothing_with_it(self) -> None:
        before = self.desk.sitting.document
        with (
            mock.patch("nimble_lantern.core.sitting.read", side_effect=ZeroDivisionError),
            mock.patch("traceback.print_exc"),
        ):
            self.desk.hear(from_line("the tide"))
        entry = self.desk.sitting.trail[-1]
        self.assertEqual((entry.heard, entry.read_as), ("the tide", "unclear"))
        self.assertEqual(self.desk.sitting.document, before)


class Locks(Streams):
    def test_the_document_is_looked_at_under_the_desks_lock(self) -> None:
        held = []

        def judged(*args: object) -> bool:
            held.append(self.desk.lock._is_owned())  # type: ignore[attr-defined]
            return False

        with mock.patch.object(listening, "is_command", judged):
            self.listener._is_command(Hearing(()))
        self.assertEqual(held, [True])
        self.assertTrue(callable(decision.is_command))


class Pupil:
    """An acquaintance that learns at once, and tells what it was taught."""

    def __init__(self) -> None:
        self.taught: list[tuple[str, ...]] = []
        self.began_with = b""
        self.utterances, self.adapted = 0, False
        self.new = False

    def accustom(self, kept: bytes) -> None:
        self.began_with = kept

    def accepted(self, sound: bytes, words: Sequence[str], sure: Sequence[bool]) -> None:
        assert len(sound) > 6400 and len(words) == len(sure)
        self.taught.append(tuple(words))
        self.utterances, self.new = self.utterances + 1, True

    def learned(self) -> bytes | None:
        found = " / ".join(" ".join(words) for words in self.taught).encode() if self.new else None
        self.new = False
        return found

    def forget(self) -> None:
        self.taught.clear()
        self.utterances = 0


class KnowsAVoice(Recited):
    def __init__(self, lines: list[str]) -> None:
        super().__init__(lines)
        self.adaptation = Pupil()


class GettingToKnowAVoice(Streams):
    lines = ["the tide is high", "and the boat is late", "the ferry waits", "undo that", "we wait"]

    def setUp(self) -> None:
        super().setUp()
        self.recited = knows = KnowsAVoice(self.recited.lines)  # no engine was made so far
        self.pupil = knows.adaptation

    def test_what_stands_is_learned_and_kept_and_what_is_taken_back_is_not(self) -> None:
        for _ in range(5):
            self.speaks()
        self.sends(SILENCE)
        said = [" ".join(words) for words in self.pupil.taught]
        self.assertEqual(said, ["the tide is high", "and the boat is late", "undo that"])
        kept = self.desk.learned_voice()
        self.assertEqual(kept.decode(), " / ".join(said))
        again = KnowsAVoice([])
        create_app(self.desk, lambda: again, pace=0).extensions["listener"].warm()
        self.assertEqual(again.adaptation.began_with, kept)

    def test_it_is_forgotten_by_voice_even_what_was_just_said(self) -> None:
        self.recited.lines[2:] = ["forget my voice", "we wait", "and wait"]
        for _ in range(4):
            self.speaks()
        self.sends(SILENCE)
        self.assertEqual(self.pupil.taught, [])
        self.assertEqual(self.desk.learned_voice(), b"")
        self.speaks()
        self.sends(SILENCE)
        self.assertEqual(self.pupil.taught, [("we", "wait")])

    def test_forgetting_it_is_undone_and_takes_no_text_back(self) -> None:
        self.recited.lines[2:] = ["forget my voice", "undo that"]
        for _ in range(3):
            self.speaks()
        self.sends(SILENCE)
        before, self.pupil.began_with = self.desk.sitting.document, b""
        self.speaks()
        self.sends(SILENCE)
        self.assertEqual(self.desk.sitting.document, before)
        self.assertEqual(self.desk.learned_voice(), b"the tide is high")
        self.assertEqual(self.pupil.began_with, self.desk.learned_voice())

    def test_after_many_that_were_not_made_out_the_voice_is_strange_again(self) -> None:
        """Somebody else speaks, perhaps, and cannot ask for it."""
        for _ in range(2):
            self.speaks()
        self.pupil.adapted = True
        self.sends(SILENCE)
        self.assertNotEqual(self.desk.learned_voice(), b"")
        long = (SILENCE, *SPOKEN, *SPOKEN, *[SILENCE] * 6)
        with mock.patch.object(self.listener._ready(), "end", return_value=Hearing(())):
            for n in range(MOST_UNHEARD):
                self.assertNotEqual(self.desk.learned_voice(), b"", n)
                for sound in long:
                    self.sends(sound)
        self.assertEqual(self.desk.learned_voice(), b"")
        self.assertIn("learned of the voice is forgotten", self.desk.scene().notice)
        self.sends(SILENCE)
        self.assertEqual(self.pupil.taught, [])

    def test_the_desks_own_voice_teaches_nothing(self) -> None:
        self.speaks()
        with mock.patch.object(self.desk, "_without_own_voice", return_value=None):
            self.speaks()
            self.speaks()
        self.recited.lines[:] = ["we wait"]
        self.speaks()
        self.sends(SILENCE)
        self.assertEqual(self.pupil.taught, [("the", "tide", "is", "high")])

    def test_nothing_is_learned_where_the_speaker_does_not_want_it(self) -> None:
        self.recited.lines.insert(0, "do not learn my voice")
        for _ in range(4):
            self.speaks()
        self.sends(SILENCE)
        self.assertEqual(self.pupil.taught, [])

    def test_a_full_disk_takes_nothing_but_what_was_learned(self) -> None:
        with mock.patch.object(self.desk._journal.voice, "put", side_effect=NotKept("full")):
            for _ in range(3):
                self.speaks()
        self.assertEqual(self.heard(), self.lines[:3])
        with mock.patch.object(self.desk._journal.voice, "forget", side_effect=NotKept("full")):
            self.recited.lines.insert(0, "forget my voice")
            self.speaks()
        self.assertIn("as it was: full", self.desk.scene().notice)

    def test_how_the_speaker_sounds_is_kept_and_forgotten_with_the_voice(self) -> None:
        self.recited.lines[2:] = ["we wait", "and wait", "a lamp is lit", "and so is the other"]
        for _ in range(6):
            self.speaks()
        self.sends(SILENCE)
        kept = json.loads(self.desk.learned_habits())
        self.assertEqual(len(kept), 5)
        self.recited.lines[:] = ["forget my voice", "undo that"]
        self.speaks()
        self.assertEqual(self.desk.learned_habits(), b"")
        self.speaks()
        self.assertEqual(json.loads(self.desk.learned_habits()), kept)

    def test_somebody_who_pauses_while_thinking_is_waited_for_a_little_longer(self) -> None:
        slow = Habits()
        for _ in range(LEAST):
            slow.accepted(Measured(0.0, 3.0, 0.35, 0.8, "built-in"))
        self.desk.keep_habits(json.dumps([asdict(m) for m in slow.measured]).encode())
        again = create_app(self.desk, lambda: KnowsAVoice([]), pace=0).extensions["listener"]
        again._new_cutter()
        self.assertAlmostEqual(again._patience.hold, 0.5)
        self.desk.set("patience", "short")
        again._new_cutter()
        self.assertEqual(again._patience, PATIENCE["short"])

    def test_checking_the_microphone_tells_how_well_the_voice_is_known(self) -> None:
        self.recited.lines[2:] = ["check the microphone"]
        for _ in range(3):
            self.speaks()
        with mock.patch.object(self.listener._meter, "report") as report:
            report.return_value.advice.return_value = "All is well."
            told = self.listener._microphone()
        self.assertIn("All is well. Your voice is known from two utterances: not yet enough", told)
