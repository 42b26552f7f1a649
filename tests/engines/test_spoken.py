"""What a larger model writes, as the words that were spoken."""

from __future__ import annotations

import unittest

from hypothesis import given, settings
from hypothesis import strategies as st

from nimble_lantern.core.reading.hearing import HeardWord
from nimble_lantern.core.writing.capitals import AsHeard
from nimble_lantern.core.writing.lexer import Manner
from nimble_lantern.core.writing.writer import Place, write
from nimble_lantern.engines.whisper.model import Written
from nimble_lantern.engines.whisper.spoken import names, said, spoken
from tests.engines.readings import text, written


class Spoken(unittest.TestCase):
    def test_figures_are_words_that_would_be_written_so_again(self) -> None:
        for piece, words in (
            ("12", "twelve"),
            ("29,340", "twenty nine thousand three hundred and forty"),
            ("1997", "nineteen ninety seven"),
            ("7:30", "seven thirty"),
            ("£50", "fifty pounds"),
            ("10%", "ten percent"),
            ("2nd", "second"),
            ("01631", "zero one six three one"),
        ):
            self.assertEqual(" ".join(said(piece)), words)

    def test_marks_and_capitals_of_the_model_are_no_words(self) -> None:
        heard = spoken(written("The boat, Hob said, is “late”. I’m cold-hearted."))
        self.assertEqual(text(heard), "the boat hob said is late i'm cold hearted")

    def test_with_marks_they_are_spoken_but_for_the_stop_at_the_end(self) -> None:
        heard = spoken(written("Yes, it is. Why?"), marks=True)
        self.assertEqual(text(heard), "yes comma it is full stop why question mark")
        self.assertEqual(text(spoken(written("It is."), marks=True)), "it is")
        self.assertEqual(text(spoken(written("Mr. Tarrow came"), marks=True)), "mr tarrow came")

    def test_a_mark_that_was_named_is_kept(self) -> None:
        named = HeardWord("comma", 0.3, 0.7)
        self.assertEqual(text(spoken(written("Yes, so"), beside=(named,))), "yes comma so")
        again = spoken(written("It is late. Full stop."), marks=True)
        self.assertEqual(text(again), "it is late full stop")

    def test_a_stop_that_was_named_is_one_where_both_heard_its_name(self) -> None:
        words = written("It is late. Full stop.")
        end = words[-1].end
        named = (HeardWord("full", end - 0.6, end - 0.3), HeardWord("stop", end - 0.3, end))
        for marks in (False, True):
            self.assertEqual(text(spoken(words, marks, named)), "it is late full stop")

    def test_pieces_of_one_word_are_put_together(self) -> None:
        pieces = (Written(" 7", 0, 0.2, 0.9), Written(":", 0.2, 0.2, 1), Written("30", 0.2, 0.5, 1))
        (seven, thirty) = spoken(pieces)
        self.assertEqual((seven.text, thirty.text, thirty.end), ("seven", "thirty", 0.5))
        self.assertEqual(seven.confidence, 0.9)

    def test_rare_words_with_a_capital_inside_a_sentence_are_names(self) -> None:
        self.assertEqual(names(written("We saw Hob Tarrow. The Queen waved")), ("Hob", "Tarrow"))
        self.assertEqual(names(written("Tarrow came")), (), "every sentence begins with a capital")

    def test_so_are_compounds(self) -> None:
        line = "Well-known? A e-mail, w-y-double 10-day"
        self.assertEqual(names(written(line)), ("well-known", "e-mail"))

    def test_what_is_written_comes_back(self) -> None:
        for line in (
            "Mail info@seaview.org or ring 01432 556789",
            "It was −4 degrees and £1.2 million was gone",
            "We sold 63% in the 1960s, not 7.5%",
            "The well-known B&B at GL7 1AB has room 12B",
            "Take the M5 and the A38 to www.seaview.co.uk",
        ):
            with self.subTest(line):
                heard = spoken(written(line))
                again = write(
                    text(heard).split(), Place(), Manner(names=(AsHeard(names(written(line))),))
                ).text
                self.assertEqual(again, line.replace(",", ""))

    def test_a_number_that_is_dialled_is_said_figure_by_figure(self) -> None:
        heard = text(spoken(written("Ring 014 325 566 now")))
        self.assertEqual(heard, "ring oh one four three two five five six six now")
        self.assertEqual(text(spoken(written("10 20 30 40"))), "ten twenty thirty forty")

    @given(st.text("0123456789.,:/-−–£$€°%½@_apmcksAZ’'", min_size=1, max_size=12))
    @settings(deadline=None, max_examples=1500)
    def test_whatever_the_model_writes_can_be_spoken(self, line: str) -> None:
        for word in spoken(written(line)):
            self.assertEqual(word.text, word.text.strip())
            self.assertTrue(word.text)
