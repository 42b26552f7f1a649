"""Offers beside the text, and views in whose place nothing is written."""

from __future__ import annotations

from nimble_lantern.core.state import View
from tests.desk import DeskCase

LETTER = "The ferry is late. The boat is old."
POINTER = "hoist the pointer behind the ferry somewhere"


class Offers(DeskCase):
    def offered(self) -> list[str]:
        asked = self.driver.sitting.question
        return [option.label for option in asked.options] if asked else []

    def test_a_number_does_it_in_the_place_of_the_text(self) -> None:
        desk = self.desk(LETTER)
        desk.hears(POINTER)
        self.assertEqual(len(self.offered()), 1)
        desk.hears("one")
        self.assertPage("The ferry| is late. The boat is old.")
        self.assertEqual(len(desk.sitting.learned), 1)

    def test_a_number_that_is_not_offered_goes_on_with_the_letter(self) -> None:
        self.desk(LETTER).hears(POINTER, "twelve")
        self.assertText(f"{LETTER} Hoist the pointer behind the ferry somewhere 12")

    def test_going_on_leaves_it(self) -> None:
        desk = self.desk(LETTER)
        desk.hears(POINTER, "and the crew was cross")
        self.assertEqual(self.offered(), [])
        self.assertIn("pointer behind the ferry somewhere and the crew", desk.markdown)

    def test_yes_takes_the_only_one(self) -> None:
        self.desk(LETTER).hears(POINTER, "yes")
        self.assertPage("The ferry| is late. The boat is old.")

    def test_an_offer_is_about_its_own_utterance(self) -> None:
        desk = self.desk(LETTER)
        desk.hears(POINTER, "select the wall")  # not understood, and nothing of it stands there
        asked = desk.sitting.question
        if asked is not None and asked.beside:
            self.assertEqual(asked.about, 1)
            desk.hears("one")
            self.assertText(LETTER)

    def test_what_was_undone_meanwhile_is_not_undone_twice(self) -> None:
        desk = self.desk(LETTER)
        desk.hears("we wait full stop", POINTER, "that was a command")
        self.assertText(f"{LETTER} We wait.")
        desk.hears("one")
        self.assertText(f"{LETTER} We wait.")
        self.assertPage("The ferry| is late. The boat is old. We wait.")

    def test_help_is_no_wording_to_be_learned(self) -> None:
        desk = self.desk(LETTER)
        desk.hears("how do i make a list", "one")
        self.assertFalse(desk.sitting.learned)

    def test_words_of_the_letter_are_not_learned(self) -> None:
        desk = self.desk(LETTER)
        desk.hears("shove hob tarrow in behind ferry")
        if self.offered():
            desk.hears("one")
        for wording in desk.sitting.learned:
            self.assertNotIn("tarrow", str(wording))

    def test_only_one_of_the_offers_can_be_done(self) -> None:
        desk = self.desk(LETTER)
        desk.hears("how do i make a list")
        self.assertGreater(len(self.offered()), 1)
        before = desk.sitting.document
        desk.hears("choose number one")
        self.assertEqual(desk.sitting.trail[-1].read_as, "command")
        self.assertNotEqual(desk.sitting.document, before)


class Views(DeskCase):
    def test_nothing_is_written_into_a_document_that_is_not_shown(self) -> None:
        for line, view in (
            ("show the settings", View.SETTINGS),
            ("show the shelf", View.SHELF),
            ("what can i say", View.COMMANDS),
        ):
            desk = self.desk(LETTER)
            desk.hears(line)
            self.assertEqual(desk.sitting.view, view)
            entry = desk.hears("we wait for an answer")
            with self.subTest(line):
                self.assertRead("unclear", entry)
                self.assertIn("back to the desk", entry.summary)
                self.assertText(LETTER)

    def test_it_is_written_if_it_is_wanted(self) -> None:
        desk = self.desk(LETTER)
        entry = desk.hears("show the settings", "we wait for an answer", "take it anyway")
        self.assertText(f"{LETTER} We wait for an answer")
        self.assertRead("text", entry)
        self.assertEqual(desk.sitting.view, View.DESK)

    def test_a_change_shows_the_desk(self) -> None:
        desk = self.desk(LETTER)
        desk.hears("show the settings", "bold the boat")
        self.assertEqual(desk.marked("bold"), ["The boat"])
        self.assertEqual(desk.sitting.view, View.DESK)
        desk.hears("show the shelf", "undo that")
        self.assertEqual(desk.marked("bold"), [])
        self.assertEqual(desk.sitting.view, View.DESK)

    def test_a_setting_leaves_the_view(self) -> None:
        desk = self.desk(LETTER)
        desk.hears("show the settings", "american spelling")
        self.assertEqual(desk.sitting.view, View.SETTINGS)


class Ears(DeskCase):
    def test_what_listens_is_told(self) -> None:
        entry = self.desk(LETTER).hears("which ears are there")
        self.assertIn("built-in recogniser hears everything", entry.summary)
        entry = self.driver.hears("use the built in ears", "which ears are there")
        self.assertIn("the built-in recogniser listens", entry.summary)

    def test_where_nobody_listens_nothing_is_fetched(self) -> None:
        entry = self.desk(LETTER).hears("fetch better ears")
        self.assertEqual(entry.effects, ("fetch_ears",))
        self.assertText(LETTER)


class Gone(DeskCase):
    def test_what_is_known_of_deleted_words_does_not_pile_up(self) -> None:
        desk = self.desk(LETTER)
        first = desk.document
        for _ in range(5):
            desk.hears("the crew came in full stop", "delete the last sentence")
        self.assertLessEqual(len(desk.document.anchors), 1)
        desk.hears("undo ten")
        self.assertEqual(desk.document, first)
