"""Composing: what a person says while writing, and taking back what was just said."""

from __future__ import annotations

from tests.desk import DeskCase


class TurningOver(DeskCase):
    def test_a_command_was_text(self) -> None:
        desk = self.desk("The boat is late.")
        desk.hears("delete the boat")
        self.assertText("Is late.")
        entry = desk.hears("that was text")
        self.assertRead("command", entry, "turning.was_text")
        self.assertPage("The boat is late. Delete the boat|")

    def test_it_is_one_step_and_remembered_for_the_same_words(self) -> None:
        desk = self.desk("The boat is late.")
        desk.hears("bold the boat", "that was text", "undo that")
        self.assertPage("The boat is late.|")
        self.assertRead("text", desk.hears("bold the boat"), None)

    def test_text_was_a_command(self) -> None:
        desk = self.desk("The boat is late.")
        desk.hears("open day is near", "that was a command")
        self.assertText("The boat is late.")
        self.assertIn("Nothing is called", desk.sitting.trail[-1].summary)
        desk.hears("rub out the kites please")
        self.assertRead("text", desk.sitting.trail[-1])

    def test_text_then_command_was_all_text(self) -> None:
        desk = self.desk()
        desk.hears("the boat is here ... delete that")
        self.assertText("")
        desk.hears("that was text")
        self.assertText("The boat is here delete that")

    def test_a_question_asked_by_mistake_goes_away(self) -> None:
        desk = self.desk("The boat and the boat.")
        desk.hears("select boat")
        self.assertEqual(desk.sitting.mode, "choosing")
        desk.hears("that was text")
        self.assertEqual(desk.sitting.mode, "writing")
        self.assertText("The boat and the boat. Select boat")

    def test_with_nothing_said_it_says_so(self) -> None:
        entry = self.desk().hears("that was text")
        self.assertIn("Nothing was just said", entry.summary)
        desk = self.desk()
        desk.hears("the tide", "that was text")
        self.assertIn("already", desk.sitting.trail[-1].summary)
        self.assertText("The tide")


class Repair(DeskCase):
    def test_what_was_just_said_is_said_otherwise(self) -> None:
        desk = self.desk("It rained.")
        desk.hears("the boat is late", "i meant the ferry is late")
        self.assertText("It rained. The ferry is late")
        desk.hears("no i meant the ferry was late")
        self.assertText("It rained. The ferry was late")

    def test_the_last_sentence_is_said_again_in_one_breath(self) -> None:
        desk = self.desk("It rained. The boat is late.")
        desk.hears("or rather the ferry is late today")
        self.assertPage("It rained. The ferry is late today.|")
        desk.hears("make the last sentence say we waited")
        self.assertPage("It rained. We waited.|")
        desk.hears("undo two")
        self.assertPage("It rained. The boat is late.|")

    def test_how_much_went_is_said(self) -> None:
        desk = self.desk("It rained. The boat is late.")
        self.assertEqual(desk.hears("delete the last two words").summary,
                         "deleted two words: “is late”")  # fmt: skip
        self.assertEqual(desk.hears("backspace four").summary, "took back four characters: “oat.”")
        desk.hears("delete the last sentence")
        self.assertText("It rained.")

    def test_delete_that_takes_no_more_than_was_just_said(self) -> None:
        desk = self.desk("It rained.")
        desk.hears("the boat is late full stop", "we waited full stop", "delete that")
        self.assertPage("It rained. The boat is late.|")

    def test_undo_to_a_number(self) -> None:
        desk = self.desk()
        for word in ("one boat", "two boats", "three boats", "four boats"):
            desk.hears(word)
        desk.hears("undo to two")
        self.assertText("One boat two boats")
        self.assertIn("no utterance 99", desk.hears("undo to ninety nine").summary)

    def test_the_last_number_or_mark_changes_its_form(self) -> None:
        desk = self.desk("At sea.")
        desk.hears("we need eight boats", "as digits")
        self.assertText("At sea. We need 8 boats")
        desk.hears("in words")
        self.assertText("At sea. We need eight boats")
        desk.hears("full stop", "as words")
        self.assertText("At sea. We need eight boats full stop")
        desk.hears("as a sign")
        self.assertText("At sea. We need eight boats.")
        desk.hears("no stop")
        self.assertText("At sea. We need eight boats")


class TypingFormat(DeskCase):
    def test_a_format_is_on_until_it_is_off(self) -> None:
        desk = self.desk()
        desk.hears("the tide", "bold on", "is high", "bold off", "today")
        self.assertEqual(desk.marked("bold"), ["is high"])
        self.assertEqual(desk.sitting.typing, ())

    def test_bold_with_words_never_runs_on(self) -> None:
        desk = self.desk("The tide.")
        desk.hears("bold the tide", "it is high")
        self.assertEqual(desk.marked("bold"), ["The tide"])
        desk = self.desk("The tide")
        desk.hears("bold tide", "is high")
        self.assertEqual(desk.marked("bold"), ["tide"])


class Modes(DeskCase):
    def test_commands_only_writes_nothing_and_is_left_by_voice(self) -> None:
        desk = self.desk("The tide.")
        desk.hears("commands only")
        self.assertRead("ignored", desk.hears("the boat is late"))
        self.assertRead("command", desk.hears("bold the tide"))
        desk.hears("write again", "it rained")
        self.assertText("The tide. It rained")

    def test_text_only_writes_commands_too_and_is_left_by_voice(self) -> None:
        desk = self.desk()
        desk.hears("text only", "undo that", "bold the tide")
        self.assertText("Undo that bold the tide")
        desk.hears("commands again", "undo that")
        self.assertText("Undo that")

    def test_no_mode_survives_its_way_out(self) -> None:
        for into, out in (
            ("commands only", "listen for everything"),
            ("text only", "commands again"),
            ("stop listening", "start listening"),
        ):
            desk = self.desk("The tide.")
            desk.hears(into, out, "it rained")
            self.assertIn("It rained", desk.page, into)


class Settings(DeskCase):
    def test_settings_by_voice(self) -> None:
        desk = self.desk()
        desk.hears("american conventions", "masking on", "digits on", "automatic punctuation on")
        now = desk.sitting.settings
        self.assertEqual((now.dialect, now.masking, now.numbers), ("american", True, "digits"))
        self.assertTrue(now.auto_punctuation)
        desk.hears("the color of three bloody buggers")
        self.assertText("The color of 3 bloody b******.")

    def test_automatic_punctuation_takes_a_hasty_stop_back(self) -> None:
        desk = self.desk(auto_punctuation="on")
        desk.hears("the boat is late")
        self.assertPage("The boat is late.|")
        desk.hears("(pause 0.8)", "but it will come")
        self.assertPage("The boat is late, but it will come.|")
        desk.hears("no stop")
        self.assertPage("The boat is late, but it will come|")

    def test_never_a_stop_in_headings_items_or_the_middle_of_a_sentence(self) -> None:
        desk = self.desk("# Rota", auto_punctuation="on")
        desk.hears("for the summer")
        self.assertText("Rota for the summer")
        desk = self.desk("The boat late.", auto_punctuation="on")
        desk.hears("go after boat", "is very")
        self.assertText("The boat is very late.")
        desk = self.desk("The boat is late.", auto_punctuation="on")
        desk.hears("select late", "here")
        self.assertText("The boat is here.")

    def test_it_is_off_unless_asked_for(self) -> None:
        self.desk().hears("is it late")
        self.assertText("Is it late")
