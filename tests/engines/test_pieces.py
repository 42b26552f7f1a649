"""What the larger model writes as print does, spoken again: and written once more, the same."""

from __future__ import annotations

import unittest

from hypothesis import given, settings
from hypothesis import strategies as st

from nimble_lantern.core.writing.capitals import AsHeard
from nimble_lantern.core.writing.lexer import Manner
from nimble_lantern.core.writing.writer import Place, write
from nimble_lantern.engines.whisper.model import Written
from nimble_lantern.engines.whisper.pieces import compounds, telephone, undone
from nimble_lantern.engines.whisper.spoken import names, spoken


def pieces(text: str) -> tuple[Written, ...]:
    return tuple(Written(" " + w, n / 3, n / 3 + 0.3, 0.9) for n, w in enumerate(text.split()))


class Pieces(unittest.TestCase):
    def test_their_meaning_is_kept(self) -> None:
        for piece, words in (
            ("−4", "minus four"),
            ("-4.5", "minus four point five"),
            ("5-10", "five to ten"),
            ("1998–2003", "nineteen ninety eight to two thousand and three"),
            ("2/3", "two thirds"),
            ("1/2", "a half"),
            ("7/11", "seven slash eleven"),
            ("2½", "two and a half"),
            ("1960s", "nineteen sixties"),
            ("20°C", "twenty degrees celsius"),
            ("4m", "four metres"),
            ("£3m", "three million pounds"),
            ("9.05am", "nine oh five a m"),
            ("9p.m", "nine p m"),
            ("3.5.2026", "third may two thousand and twenty six"),
            ("2.0.4", "two point zero point four"),
            ("A38", "a thirty eight"),
            ("www.sea-view.co.uk", "www dot sea hyphen view dot co dot uk"),
            ("rota_june.pdf", "rota underscore june dot pdf"),
        ):
            with self.subTest(piece):
                self.assertEqual(" ".join(undone(piece) or ()), words)

    def test_plain_words_and_numbers_are_left_to_others(self) -> None:
        for piece in ("late", "12", "e.g", "Hob’s", "USA", "1,200", "well-known", "U.S.", ""):
            self.assertIsNone(undone(piece), piece)

    def test_what_is_written_comes_back(self) -> None:
        for text in (
            "Mail info@seaview.org or ring 01432 556789",
            "It was −4 degrees and £1.2 million was gone",
            "We sold 63% in the 1960s, not 7.5%",
            "The well-known B&B at GL7 1AB has room 12B",
            "Take the M5 and the A38 to www.seaview.co.uk",
        ):
            with self.subTest(text):
                heard = spoken(pieces(text))
                again = write([w.text for w in heard], Place(), Manner(names=_names(text))).text
                self.assertEqual(again, text.replace(",", ""))

    def test_a_number_that_is_dialled_is_said_figure_by_figure(self) -> None:
        self.assertEqual(telephone(["ring", "014", "325", "566", "now"]), {1, 2, 3})
        self.assertEqual(telephone(["10", "20", "30", "40"]), frozenset())

    @given(st.text("0123456789.,:/-−–£$€°%½@_apmcksAZ’'", min_size=1, max_size=12))
    @settings(deadline=None, max_examples=1500)
    def test_whatever_the_model_writes_can_be_spoken(self, text: str) -> None:
        for word in spoken(pieces(text)):
            self.assertEqual(word.text, word.text.strip())
            self.assertTrue(word.text)

    def test_compounds(self) -> None:
        self.assertEqual(
            compounds(["Well-known", "w-y-double", "e-mail", "10-day"]), ("well-known", "e-mail")
        )


def _names(text: str) -> tuple[AsHeard, ...]:

    return (AsHeard((tuple(n.lower().split("-")), n) for n in names(pieces(text))),)
