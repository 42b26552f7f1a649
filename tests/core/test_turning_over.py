"""“That was text”, “that was a command”: for the last utterance, for any, and with its effects."""

from __future__ import annotations

from nimble_lantern.core.effects import NameDocument, SaveSetting, effect_of, effect_row
from tests.desk import DeskCase


class LastUtterance(DeskCase):
    def test_a_setting_goes_back_with_the_reading(self) -> None:
        desk = self.desk("The tide.")
        desk.hears("american spelling", "that was text")
        self.assertText("The tide. American spelling")
        self.assertEqual(desk.sitting.settings.dialect, "british")
        stored = desk.desk._journal.open("Untitled").settings
        self.assertEqual(stored.dialect, "british", "on the disk as well")

    def test_a_name_goes_back_with_the_reading(self) -> None:
        desk = self.desk("# Letter\n\nThe tide.")
        desk.hears("name this document spring letter", "that was text")
        self.assertEqual(desk.sitting.title, "Letter")
        self.assertEqual([title for title, _ in desk.desk.documents()], ["Letter"])

    def test_a_document_that_was_opened_is_left_again_and_the_words_are_written(self) -> None:
        desk = self.desk("# Letter\n\nThe tide.")
        desk.hears("new document called rota")
        self.assertEqual(desk.sitting.title, "Rota")
        desk.hears("that was text")
        self.assertEqual(desk.sitting.title, "Letter")
        self.assertText("Letter\n\nThe tide. New document called rota")
        self.assertEqual([title for title, _ in desk.desk.documents()], ["Letter"])

    def test_settings_changed_elsewhere_meanwhile_stay(self) -> None:
        desk = self.desk("The tide.")
        desk.hears("delete the last word")
        desk.desk.set("patience", "long")
        desk.hears("that was text")
        self.assertEqual(desk.sitting.settings.patience, "long")


class NumberedUtterance(DeskCase):
    def test_an_earlier_command_becomes_text_where_it_was_said(self) -> None:
        desk = self.desk("The tide is high.")
        desk.hears("delete the last word", "new paragraph", "the boat is late")
        self.assertText("The tide is.\n\nThe boat is late")
        entry = desk.hears("one was text")
        self.assertPage("The tide is high. Delete the last word\n\nThe boat is late|")
        self.assertRead("command", entry, "turning.was_text")
        desk.hears("undo that")
        self.assertPage("The tide is.\n\nThe boat is late|")

    def test_earlier_text_becomes_a_command(self) -> None:
        desk = self.desk("The tide is high.")
        desk.hears("bold the boat", "new paragraph", "the boat is late")
        self.assertText("The tide is high. Bold the boat\n\nThe boat is late")
        desk.hears("number one was a command")
        self.assertEqual(desk.marked("bold"), ["The boat"])
        self.assertText("The tide is high.\n\nThe boat is late")

    def test_what_was_changed_again_since_is_left_alone(self) -> None:
        desk = self.desk("")
        desk.hears("the tide is high", "replace high with low")
        entry = desk.hears("one was a command")
        self.assertText("The tide is low")
        self.assertIn("changed again since", entry.summary)

    def test_a_setting_that_was_set_anew_since_stays(self) -> None:
        desk = self.desk("The tide.")
        desk.hears("long patience", "short patience", "one was text")
        self.assertEqual(desk.sitting.settings.patience, "short")
        self.assertText("The tide. Long patience")

    def test_an_utterance_that_is_not_there_is_refused(self) -> None:
        entry = self.desk("The tide.").hears("forty was text")
        self.assertIn("There is no utterance 40", entry.summary)


class WaysBack(DeskCase):
    def test_effects_survive_the_store(self) -> None:
        for effect in (SaveSetting("dialect", "british"), NameDocument("Letter")):
            self.assertEqual(effect_of(effect_row(effect)), effect)

    def test_the_trail_names_what_was_done_outside_the_text(self) -> None:
        self.assertEqual(self.desk().hears("long patience").effects, ("save_setting",))
