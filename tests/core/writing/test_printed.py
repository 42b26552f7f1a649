"""Ways of print, spoken: and found in a letter by them."""

from __future__ import annotations

from nimble_lantern.core.writing.printed import printed
from tests.desk import DeskCase


class Printed(DeskCase):
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
                self.assertEqual(" ".join(printed(piece)[0]), words)

    def test_plain_words_and_numbers_are_left_to_others(self) -> None:
        for piece in ("late", "12", "e.g", "Hob’s", "USA", "1,200", "well-known", "U.S.", "£3", ""):
            self.assertEqual(printed(piece), (), piece)

    def test_they_are_found_by_them(self) -> None:
        page = "Pages 5–10 are of the 1960s. Mail info@seaview.org of TR4 9BX, 12B."
        for said, found in (
            ("five to ten", "5–10"),
            ("nineteen sixties", "1960s"),
            ("info at seaview dot org", "info@seaview.org"),
            ("info at sign seaview dot org", "info@seaview.org"),
            ("t r four nine b x", "TR4 9BX"),
            ("twelve b", "12B"),
        ):
            with self.subTest(said):
                desk = self.desk(page)
                desk.hears(f"select {said}")
                chosen = desk.sitting.selection
                self.assertEqual(desk.document.text(chosen) if chosen else "", found)
