"""The everyday things, said to a desk."""

from __future__ import annotations

from tests.desk import DeskCase

LETTER = """# Letter

The tide is high. The ferry waits at the quay.

The harbour board met. The ferry was late again."""


class Writing(DeskCase):
    def test_words_appear_with_capital_and_spacing(self) -> None:
        desk = self.desk()
        self.assertRead("text", desk.hears("the tide is high full stop"))
        desk.hears("the ferry waits")
        self.assertPage("The tide is high. The ferry waits|")

    def test_marks_and_breaks_alone_and_in_the_middle(self) -> None:
        desk = self.desk()
        desk.hears("dear ida comma new paragraph thank you", "comma", "tobias", "period")
        self.assertPage("Dear Ida,\n\nThank you, Tobias.|")
        desk.hears("new line", "is it late", "question mark", "new paragraph", "yes")
        self.assertPage("Dear Ida,\n\nThank you, Tobias.\nIs it late?\n\nYes|")

    def test_literal_writes_the_name_of_a_mark(self) -> None:
        desk = self.desk()
        desk.hears("the word literal full stop is two words")
        self.assertPage("The word full stop is two words|")

    def test_headings_and_normal_text(self) -> None:
        desk = self.desk()
        desk.hears("ferry times", "heading two")
        self.assertEqual(desk.markdown, "## Ferry times")
        desk.hears("normal text")
        self.assertEqual(desk.markdown, "Ferry times")


class Revising(DeskCase):
    def test_a_deleted_word_comes_back(self) -> None:
        desk = self.desk("The tide is high")
        desk.hears("delete the last word")
        self.assertPage("The tide is|")
        desk.hears("undo that")
        self.assertPage("The tide is high|")

    def test_every_kind_of_target_can_be_bold(self) -> None:
        for said, bold in (
            ("bold the last word", ["again"]),
            ("bold the last two words", ["late again"]),
            ("bold the previous sentence", ["The ferry was late again."]),
            ("bold the second paragraph", ["The harbour board met. The ferry was late again."]),
            ("bold the harbour board", ["The harbour board"]),
            ("bold the last ferry", ["ferry"]),
            ("bold the second sentence of paragraph one", ["The ferry waits at the quay."]),
            ("bold from the tide to high", ["The tide is high"]),
        ):
            desk = self.desk(LETTER)
            entry = desk.hears(said)
            self.assertRead("command", entry, "marks.bold")
            self.assertEqual(desk.marked("bold"), bold, said)

    def test_a_revision_leaves_the_writing_place_alone(self) -> None:
        desk = self.desk(LETTER)
        desk.hears("replace high with low", "italicise the tide", "it waited full stop")
        self.assertIn("The tide is low.", desk.markdown.replace("*", ""))
        self.assertTrue(desk.page.endswith("late again. It waited.|"), desk.page)

    def test_speaking_over_a_selection_replaces_it(self) -> None:
        desk = self.desk("The tide is high.")
        desk.hears("select high")
        self.assertPage("The tide is [high].")
        desk.hears("low")
        self.assertText("The tide is low.")

    def test_words_before_and_after_others(self) -> None:
        desk = self.desk("The ferry waits.")
        desk.hears("insert old before ferry", "insert patiently after waits")
        self.assertText("The old ferry waits patiently.")

    def test_going_somewhere_moves_the_writing_place(self) -> None:
        desk = self.desk("The ferry waits.")
        desk.hears("go after ferry")
        self.assertPage("The ferry| waits.")
        desk.hears("go to the start")
        self.assertPage("|The ferry waits.")
        desk.hears("go to the end")
        self.assertPage("The ferry waits.|")

    def test_that_is_the_selection_or_what_was_just_written(self) -> None:
        desk = self.desk("The tide is high.")
        desk.hears("the boat is in full stop", "underline that")
        self.assertEqual(desk.marked("underline"), ["The boat is in."])
        entry = self.desk().hears("bold that")
        self.assertIn("Say which words", entry.summary)


class Undoing(DeskCase):
    def test_undo_and_redo_any_number(self) -> None:
        desk = self.desk()
        for word in ("one boat", "two boats", "three boats"):
            desk.hears(word)
        desk.hears("undo two")
        self.assertText("One boat")
        desk.hears("redo two")
        self.assertText("One boat two boats three boats")
        desk.hears("undo to one")
        self.assertText("One boat")

    def test_what_was_undone_is_not_lost_when_other_words_follow(self) -> None:
        desk = self.desk()
        desk.hears("the tide", "is high", "undo that", "is low", "undo to two")
        self.assertText("The tide is high")

    def test_nothing_to_undo_is_said_plainly(self) -> None:
        entry = self.desk("The tide.").hears("undo that")
        self.assertEqual(entry.summary, "There is nothing to undo.")


class Asking(DeskCase):
    def test_several_places_are_numbered_and_one_is_picked(self) -> None:
        desk = self.desk(LETTER)
        entry = desk.hears("bold ferry")
        self.assertEqual(desk.sitting.mode, "choosing")
        self.assertIn("two places", entry.summary)
        desk.hears("choose two")
        self.assertEqual(desk.sitting.mode, "writing")
        start = desk.document.blocks[2].spans[0].start
        self.assertEqual((desk.marked("bold"), start), (["ferry"], 27))

    def test_a_question_is_left_by_another_command(self) -> None:
        desk = self.desk(LETTER)
        desk.hears("bold ferry", "go to the start")
        self.assertEqual(desk.sitting.mode, "writing")
        self.assertEqual(desk.marked("bold"), [])

    def test_a_near_miss_is_offered(self) -> None:
        desk = self.desk(LETTER)
        entry = desk.hears("bold the harper bored")
        self.assertRead("unclear", entry)
        self.assertIn("Did you mean", entry.summary)
        desk.hears("one")
        self.assertEqual(desk.marked("bold"), ["harbour board"])

    def test_the_words_of_one_option_choose_it(self) -> None:
        written = "The ferry leaves at nine.\n\nThe ferry is back at ten."
        for said in ("is back", "the one with nine", "take is back", "the one that says ten"):
            with self.subTest(said):
                desk = self.desk(written)
                desk.hears("underline ferry", said)
                self.assertEqual(desk.sitting.mode, "writing")
                place = 0 if "nine" in said else 1
                self.assertTrue(desk.document.blocks[place].spans)
                self.assertFalse(desk.document.blocks[1 - place].spans)

    def test_words_of_several_options_choose_none(self) -> None:
        desk = self.desk("The ferry leaves at nine.\n\nThe ferry is back at ten.")
        entry = desk.hears("underline ferry", "the one with the ferry")
        self.assertIn("2 of them say", entry.summary)
        self.assertEqual(desk.sitting.mode, "choosing")
        self.assertEqual(desk.marked("underline"), [])


class Listening(DeskCase):
    def test_resting_hears_only_the_waking_phrase(self) -> None:
        desk = self.desk("The tide")
        desk.hears("stop listening")
        self.assertRead("ignored", desk.hears("is high"))
        self.assertRead("ignored", desk.hears("delete everything"))
        self.assertEqual(desk.sitting.mode, "resting")
        desk.hears("start listening", "is high")
        self.assertPage("The tide is high|")

    def test_a_sentence_that_begins_like_a_command_stays_a_sentence(self) -> None:
        desk = self.desk("The tide.")
        for said in (
            "select committees meet on tuesday",
            "delete the files when you leave",
            "move over and let the boat come in",
        ):
            self.assertRead("text", desk.hears(said), None)

    def test_text_and_command_in_one_breath(self) -> None:
        desk = self.desk()
        entry = desk.hears("the boat is late ... bold the boat")
        self.assertRead("text+command", entry, "marks.bold")
        self.assertEqual(desk.markdown, "**The boat** is late")


class Documents(DeskCase):
    def test_documents_are_begun_opened_and_keep_their_own_history(self) -> None:
        desk = self.desk("The tide is high.")
        desk.hears("new document called boats", "the barge", "open untitled")
        self.assertText("The tide is high.")
        desk.hears("and falling", "open boats", "undo that")
        self.assertText("")
        self.assertEqual(desk.sitting.title, "Boats")
