"""The browser's words and the built-in engine's hearings, put together by order and time."""

from __future__ import annotations

import unittest

from nimble_lantern.core.errors import BadInput
from nimble_lantern.core.reading.hearing import Hearing, Hypothesis, from_line
from nimble_lantern.engines.browser import (
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

    def texts(self, hearings: list[Hearing]) -> list[str]:
        return [h.text for h in hearings]

    def test_an_utterance_waits_for_the_browsers_words(self) -> None:
        self.assertEqual(self.pairing.heard(heard("the chamber is dry")), [])
        found = self.pairing.result(browser("The timber is dry."), speaking=False)
        self.assertEqual(self.texts(found), ["the timber is dry"])
        self.assertEqual(found[0].source, SOURCE)
        assert found[0].evidence is not None
        self.assertEqual(found[0].evidence.text, "the chamber is dry")

    def test_words_that_come_before_the_end_of_speech_are_kept_for_it(self) -> None:
        self.assertEqual(self.pairing.result(browser("the timber is dry"), speaking=True), [])
        self.assertEqual(
            self.texts(self.pairing.heard(heard("the chamber"))), ["the timber is dry"]
        )

    def test_a_command_is_done_at_once_and_its_words_are_dropped(self) -> None:
        self.assertEqual(
            self.texts(self.pairing.heard(heard("bold the stair"))), ["bold the stair"]
        )
        self.assertEqual(self.pairing.result(browser("Bold the stare"), speaking=False), [])
        self.assertEqual(self.pairing.heard(heard("and so on")), [])

    def test_a_command_whose_words_came_first_is_done_once(self) -> None:
        self.pairing.result(browser("bold the stare"), speaking=True)
        self.assertEqual(
            self.texts(self.pairing.heard(heard("bold the stair"))), ["bold the stair"]
        )
        self.assertEqual(self.pairing.overdue(), [])

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
        self.assertEqual(
            self.texts(self.pairing.result(browser("it rains"), speaking=False)), ["it rains"]
        )

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
