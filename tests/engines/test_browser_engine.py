"""The browser's words and the built-in engine's hearings, put together by time."""

from __future__ import annotations

import unittest

from nimble_lantern.core.errors import BadInput
from nimble_lantern.core.reading.hearing import Hearing, Hypothesis, from_line
from nimble_lantern.engines.browser import (
    EXPIRES_SECONDS,
    PATIENCE_SECONDS,
    SOURCE,
    Pairing,
    alternatives,
    failure,
    plain_words,
)


def heard(text: str) -> Hearing:
    return from_line(text, source="built-in")


def browser(text: str) -> tuple[Hypothesis, ...]:
    return alternatives([{"transcript": text, "confidence": 0.9}])


class Together(unittest.TestCase):
    def setUp(self) -> None:
        self.now = 100.0
        self.pairing = Pairing(lambda: self.now, lambda h: h.text.startswith("bold"))

    def says(self, text: str, seconds: float = 1.0) -> list[str]:
        """Somebody speaks for so long; what is read when they end."""
        self.pairing.began()
        self.now += seconds
        return self.texts(self.pairing.heard(heard(text)))

    def shows(self, text: str, after: float = 0.0) -> list[str]:
        """The browser's result, its first words shown before; what is read then."""
        self.now += after
        return self.texts(self.pairing.result(browser(text)))

    def texts(self, hearings: list[Hearing]) -> list[str]:
        return [h.text for h in hearings]

    def test_an_utterance_waits_for_the_browsers_words(self) -> None:
        self.assertEqual(self.pairing.heard(heard("the chamber is dry")), [])
        found = self.pairing.result(browser("The timber is dry."))
        self.assertEqual(self.texts(found), ["the timber is dry"])
        self.assertEqual(found[0].source, SOURCE)
        assert found[0].evidence is not None
        self.assertEqual(found[0].evidence.text, "the chamber is dry")

    def test_words_that_come_before_the_end_of_speech_are_kept_for_it(self) -> None:
        self.pairing.began()
        self.pairing.interim()
        self.assertEqual(self.shows("the timber is dry", 1.0), [])
        self.assertEqual(
            self.texts(self.pairing.heard(heard("the chamber"))), ["the timber is dry"]
        )

    def test_a_command_is_done_at_once_and_its_words_are_dropped(self) -> None:
        self.assertEqual(self.says("bold the stair"), ["bold the stair"])
        self.assertEqual(self.shows("Bold the stare", 0.4), [])
        self.assertEqual(self.says("and so on"), [])
        self.assertEqual(self.shows("and so on", 0.4), ["and so on"])

    def test_a_command_whose_words_came_first_is_done_once(self) -> None:
        self.pairing.began()
        self.pairing.interim()
        self.assertEqual(self.shows("bold the stare", 0.8), [])
        self.assertEqual(
            self.texts(self.pairing.heard(heard("bold the stair"))), ["bold the stair"]
        )
        self.assertEqual(self.pairing.overdue(), [])

    def test_two_results_within_one_utterance_do_not_slip_to_the_next(self) -> None:
        self.pairing.began()
        self.pairing.interim()
        self.assertEqual(self.shows("dear ida", 1.0), [])
        self.pairing.interim()
        self.assertEqual(self.shows("the stair is mended", 1.0), [])
        found = self.pairing.heard(heard("deer either the stare is men dead"))
        self.assertEqual(self.texts(found), ["dear ida the stair is mended"])
        self.assertEqual(self.says("it is coal"), [])
        self.assertEqual(self.shows("it is cold", 0.4), ["it is cold"])

    def test_a_result_that_comes_after_the_next_began_is_of_the_one_before(self) -> None:
        self.pairing.began()
        self.pairing.interim()
        self.now += 1.0
        self.assertEqual(self.pairing.heard(heard("it is coal")), [])
        self.pairing.began()
        self.assertEqual(self.shows("it is cold", 0.6), ["it is cold"])
        self.pairing.interim()
        self.now += 1.0
        self.assertEqual(self.pairing.heard(heard("it is whet")), [])
        self.assertEqual(self.shows("it is wet", 0.5), ["it is wet"])

    def test_the_rest_of_an_utterance_is_read_though_its_beginning_was_read_already(self) -> None:
        self.assertEqual(self.says("dear either the stare"), [])
        self.assertEqual(self.shows("dear ida", 0.3), ["dear ida"])
        self.assertEqual(self.shows("the stair is mended", 0.4), ["the stair is mended"])

    def test_words_that_come_too_late_are_not_written_a_second_time(self) -> None:
        self.assertEqual(self.says("it is cold"), [])
        self.now += PATIENCE_SECONDS
        self.assertEqual(self.texts(self.pairing.overdue()), ["it is cold"])
        self.assertEqual(self.shows("it is cold", 0.5), [])

    def test_results_expire(self) -> None:
        self.assertEqual(self.says("it is cold"), [])
        self.assertEqual(self.shows("it is cold", 0.5), ["it is cold"])
        self.assertEqual(self.shows("it rains", EXPIRES_SECONDS + 1), ["it rains"])

    def test_what_was_no_speech_waits_for_no_words(self) -> None:
        self.pairing.began()
        self.pairing.dropped()
        self.assertFalse(self.pairing.waits)
        self.assertEqual(self.shows("it rains", 1.0), ["it rains"])

    def test_text_that_still_waits_is_read_before_a_command(self) -> None:
        self.pairing.heard(heard("it is cold"))
        found = self.pairing.heard(heard("bold the stair"))
        self.assertEqual(self.texts(found), ["it is cold", "bold the stair"])

    def test_without_an_answer_in_time_the_built_in_words_are_read(self) -> None:
        self.pairing.heard(heard("it is cold"))
        self.now += PATIENCE_SECONDS - 0.1
        self.assertEqual(self.pairing.overdue(), [])
        self.now += 0.2
        self.assertEqual(self.texts(self.pairing.overdue()), ["it is cold"])
        self.assertEqual(self.pairing.overdue(), [])

    def test_words_that_belong_to_no_utterance_are_read_by_themselves(self) -> None:
        self.assertEqual(self.texts(self.pairing.result(browser("it rains"))), ["it rains"])

    def test_nothing_that_waits_is_lost_when_the_browser_fails(self) -> None:
        self.pairing.heard(heard("it is cold"))
        self.pairing.heard(heard("it is wet"))
        self.assertEqual(self.texts(self.pairing.flush()), ["it is cold", "it is wet"])


class Results(unittest.TestCase):
    def test_alternatives_keep_their_order_and_confidence(self) -> None:
        found = alternatives(
            [
                {"transcript": "Nell's boat, please.", "confidence": 0.8},
                {"transcript": "nell's boat please", "confidence": 0.5},
                {"transcript": "no boat please", "confidence": 0},
            ]
        )
        self.assertEqual([h.text for h in found], ["nell's boat please", "no boat please"])
        self.assertEqual(found[0].words[0].confidence, 0.8)
        self.assertEqual(found[1].words[0].confidence, 1.0, "0 means that it is not told")

    def test_marks_that_a_browser_puts_in_are_not_spoken(self) -> None:
        self.assertEqual(plain_words("“Well,” she said; no. "), ["well", "she", "said", "no"])

    def test_anything_else_is_refused_in_words(self) -> None:
        for rows in (None, {}, [1], [{"confidence": 1}], "text"):
            with self.subTest(rows), self.assertRaises(BadInput):
                alternatives(rows)

    def test_every_failure_is_one_sentence(self) -> None:
        for code in ("network", "not-allowed", "service-not-allowed", "something-new"):
            self.assertTrue(failure(code).endswith("the built-in one listens instead."))
