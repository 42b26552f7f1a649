"""Decoders in processes of their own: answers that come late, or never."""

from __future__ import annotations

import os
import signal
import time
import unittest
from multiprocessing.connection import Connection
from unittest import mock

from nimble_lantern.core.errors import BadInput
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.engines import Scene
from nimble_lantern.engines.builtin.decoder import Decoded
from nimble_lantern.engines.builtin.recogniser import TOO_SLOW, BuiltIn
from nimble_lantern.engines.builtin.worker import TooSlow, Worker
from tests.engines.test_builtin import LINES, SoundCase, utterances


def soon(seconds: float = 30.0) -> float:
    return time.monotonic() + seconds


def _made_ready_slowly(connection: Connection, _kind: str) -> None:
    """A process that takes as long to be made ready as it is told, and hears at once."""
    while True:
        match connection.recv():
            case ("page", request, seconds):
                time.sleep(seconds)
                connection.send(("ready", request))
            case ("end", request):
                connection.send(("done", request, "heard"))


def _busy(connection: Connection, _kind: str) -> None:
    """A process that answers after a second's work."""
    while connection.recv()[0] != "end":
        pass
    until = time.process_time() + 1.0
    while time.process_time() < until:
        pass
    connection.send(("done", 1, "done"))
    connection.recv()


class Answers(SoundCase):
    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        cls.engine = BuiltIn()
        cls.addClassCleanup(cls.engine.close)
        cls.spoken = list(utterances([cls.sound]))
        cls.scene = Scene(view=("The boat is coming to the island",))

    def test_after_one_decoder_failed_commands_are_not_one_utterance_behind(self) -> None:
        self.engine.look(self.scene)
        with (
            mock.patch.object(self.engine.dictation, "result", side_effect=BadInput("x")),
            self.assertRaises(BadInput),
        ):
            self.engine.hear(self.spoken[1], self.scene)
        text = self.engine.hear(self.spoken[0], self.scene)
        self.assertNotIn(LINES[1], [c.text for c in text.commands])
        self.assertEqual(self.engine.hear(self.spoken[1], self.scene).commands[0].text, LINES[1])

    def test_an_answer_to_another_request_is_dropped(self) -> None:
        worker = self.engine.dictation
        worker.ask_whole(self.spoken[0])
        first = worker._asked
        worker.ask_whole(self.spoken[1])
        self.assertNotEqual(first, worker._asked)
        found = worker.result(soon())
        self.assertNotIn("island", found.hypotheses[0].text)

    def test_an_utterance_waits_until_its_decoders_are_ready(self) -> None:
        worker = Worker("dictation", _made_ready_slowly)
        self.addCleanup(worker.close)
        worker.prepare("page", 3.0)
        worker.start()
        worker.ask_end()
        began = time.monotonic()
        worker.until_ready()
        self.assertGreater(time.monotonic() - began, 1.0)
        self.assertEqual(worker.result(soon(5.0)), "heard")

    def test_a_new_process_has_the_time_that_it_takes_to_be_made_ready(self) -> None:
        worker = Worker("dictation", _made_ready_slowly)
        self.addCleanup(worker.close)
        worker.prepare("page", 4.0)
        worker.until_ready()
        worker.start()
        worker.process.kill()
        worker.process.join()
        worker.ask_end()
        self.assertEqual(worker.result(soon(2.0)), "heard")
        self.assertEqual(worker.restarts, 1)

    def test_an_answer_may_be_later_by_what_other_programs_took_of_the_machine(self) -> None:
        worker = Worker("dictation", _made_ready_slowly)
        self.addCleanup(worker.close)
        worker.start()
        ran, queued = worker._scheduled()
        with mock.patch.object(worker, "_scheduled", return_value=(ran, queued + 7.0)):
            self.assertAlmostEqual(worker.left(soon(1.0)), 8.0, delta=0.5)
        with mock.patch.object(worker, "_scheduled", return_value=(ran, 9000.0)):
            self.assertLess(worker.left(soon(1.0)), 60, "nobody waits for ever")
        self.assertAlmostEqual(worker.left(soon(1.0)), 1.0, delta=0.5)

    def test_an_answer_may_be_later_by_as_long_as_the_machine_stood_still(self) -> None:
        """As a machine does that shares its processors with others: the decoder did not run."""
        worker = Worker("dictation", _busy)
        self.addCleanup(worker.close)
        worker.start()
        worker.ask_end()
        os.kill(worker.process.pid or 0, signal.SIGSTOP)
        due = soon(0.0)
        time.sleep(1.5)
        self.assertAlmostEqual(worker.left(due), 0.0, delta=0.5)
        os.kill(worker.process.pid or 0, signal.SIGCONT)
        self.assertEqual(worker.result(due + 20.0), "done")
        self.assertLess(worker.left(time.monotonic() - 60), 0, "nobody waits for ever")
        worker.start()
        self.assertAlmostEqual(worker.left(soon(1.0)), 1.0, delta=0.2)

    def test_a_busy_machine_is_told_by_its_queue(self) -> None:
        """Where the system tells it: processes that share one processor wait for it."""
        processor = {next(iter(os.sched_getaffinity(0)))}
        workers = [Worker("dictation", _busy) for _ in range(2)]
        for worker in workers:
            self.addCleanup(worker.close)
            os.sched_setaffinity(worker.process.pid or 0, processor)
        for worker in workers:
            worker.start()
            worker.ask_end()
        for worker in workers:
            self.assertEqual(worker.result(soon(60.0)), "done")
        self.assertGreater(max(soon(0.0) + w.left(0.0) for w in workers), 0.2)

    def test_what_was_heard_as_it_came_must_do_where_hearing_it_once_more_takes_too_long(
        self,
    ) -> None:
        engine = BuiltIn()
        self.addCleanup(engine.close)
        engine.begin(self.scene)
        engine.sound(self.spoken[0])
        with mock.patch.object(engine.command, "ask_whole"):  # never answered
            hearing = engine.end()
        self.assertIn("island", hearing.text)
        self.assertEqual(hearing.doubt, "")

    def test_an_utterance_without_sound_is_nothing(self) -> None:
        engine = BuiltIn()
        self.addCleanup(engine.close)
        engine.begin(self.scene)
        self.assertEqual(engine.end().hypotheses, ())

    def test_a_machine_that_is_slow_is_waited_for_in_proportion(self) -> None:
        """A second hearing that was too slow costs more next time, and its patience grows."""
        engine = BuiltIn()
        self.addCleanup(engine.close)
        dues: list[float] = []
        for cost in (0.1, 1.2, 99.0):
            engine._cost, engine._kept, engine._began = cost, [], time.monotonic()
            engine._bounded(lambda due: dues.append(due - time.monotonic()) or from_line("x"))
        self.assertAlmostEqual(dues[1] / dues[0], 2.0, delta=0.1)
        self.assertAlmostEqual(dues[2] / dues[0], 3.0, delta=0.1)

    def test_what_takes_too_long_is_given_up_and_shown_as_unclear(self) -> None:
        self.engine.look(self.scene)
        with mock.patch("nimble_lantern.engines.builtin.recogniser.PATIENCE_SECONDS", -60.0):
            hearing = self.engine.hear(self.spoken[0], self.scene)
        self.assertEqual(hearing.doubt, TOO_SLOW)
        self.assertEqual(hearing.commands, ())
        self.assertIn("island", self.engine.hear(self.spoken[0], self.scene).text)

    def test_a_decoder_that_does_not_come_back_is_ended(self) -> None:
        worker = self.engine.dictation
        before = worker.restarts
        with mock.patch("nimble_lantern.engines.builtin.worker._STUCK_SECONDS", -1.0):
            for _ in range(20):
                worker.ask_whole(self.spoken[0])
            worker.give_up()
            worker.start()
        self.assertEqual(worker.restarts, before + 1)
        worker.drop()
        self.assertIn("island", self.engine.hear(self.spoken[0], self.scene).text)

    def test_sound_that_comes_faster_than_it_was_spoken_has_the_time_it_was_spoken_in(self) -> None:
        """As after a lost connection, when much of it comes at once."""
        long = b"".join(self.spoken) * 3
        dues: list[float] = []

        def found(due: float) -> object:
            dues.append(due - time.monotonic())
            return from_line("x")

        self.engine._kept, self.engine._began = [long], time.monotonic()
        self.engine._bounded(found)  # type: ignore[arg-type]
        self.assertGreater(dues[0], len(long) / 32_000)


class NearEnd(unittest.TestCase):
    def test_it_does_not_wait_for_a_process_that_is_busy(self) -> None:
        worker = Worker("dictation")
        self.addCleanup(worker.close)
        worker.start()
        began = time.monotonic()
        for _ in range(200):
            worker.sound(b"\1\0" * 16_000)
        self.assertLess(time.monotonic() - began, 10, "two hundred seconds of sound were taken")
        worker.ask_end()
        with self.assertRaises(TooSlow):
            worker.result(time.monotonic())
        worker.give_up()
        worker.ask_whole(b"\0\0" * 1600)
        self.assertIsInstance(worker.result(soon()), Decoded)
