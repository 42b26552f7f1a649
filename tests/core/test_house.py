"""The house by voice: the shelf, numbers, lessons, settings, the trail."""

from __future__ import annotations

from datetime import datetime

from nimble_lantern.core.hints import hints
from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.practice.lessons import LESSONS, SHEET
from nimble_lantern.core.reading.reader import judge
from nimble_lantern.core.state import View
from tests.desk import DeskCase

SHELF = {
    "Letter to the harbour board": "The stair is wet and steep.",
    "Ferry times": "Ten past eleven, and the stair is dry.",
    "Rota for June": "Ida keeps the lamp.",
}


class Shelf(DeskCase):
    def titles(self, *said: str, **given: object) -> str:
        desk = self.desk("# Notes\n\nHello.", shelf=SHELF, **given)
        desk.hears(*said)
        return desk.sitting.title

    def test_documents_by_some_words_of_their_names(self) -> None:
        for said in ("switch to the rota", "open the letter", "let me have ferry times"):
            self.assertNotEqual(self.titles(said), "Notes", said)
        self.assertEqual(self.titles("open ferry times", "the other document"), "Notes")
        self.assertEqual(self.titles("show the shelf", "rota for june"), "Rota for June")

    def test_opened_as_people_call_them(self) -> None:
        for said, title in (
            ("open the ferry letter", "Ferry times"),
            ("go back to the one for june", "Rota for June"),
            ("close this and open ferry times", "Ferry times"),
        ):
            self.assertEqual(self.titles(said), title, said)
        there = ("open ferry times", "open the last one i was working on")
        self.assertEqual(self.titles(*there), "Notes")

    def test_named_and_copied_for_somebody(self) -> None:
        self.assertEqual(self.titles("call this the letter to aunt bea"), "Letter to Aunt Bea")
        self.assertEqual(self.titles("give this a better name boat rota"), "Boat rota")
        self.assertEqual(self.titles("copy this letter for mrs pole"), "Notes for Mrs Pole")
        self.assertEqual(self.titles("call this the end"), "Notes")

    def test_in_the_bin_and_out_of_it(self) -> None:
        desk = self.desk("# Notes\n\nHello.", shelf=SHELF)
        desk.hears("open the rota", "put this letter in the bin")
        self.assertIn("Rota for June", desk.hears("what is in the bin").summary)
        desk.hears("back to the desk", "get the rota back from the bin")
        self.assertEqual(desk.sitting.title, "Rota for June")
        letter = self.desk("The bin is green.", shelf=SHELF)
        self.assertRead("text", letter.hears("what is in the bin"))

    def test_searched_in_all_of_them(self) -> None:
        desk = self.desk("# Notes\n\nHello.", shelf=SHELF)
        desk.hears("search for lamp in all my letters")
        self.assertEqual([f.name for f in desk.sitting.found], ["Rota for June"])

    def test_found_by_their_words_and_chosen_by_number(self) -> None:
        desk = self.desk("# Notes\n\nHello.", shelf=SHELF)
        desk.hears("find the letter about the steep stair")
        self.assertEqual([f.name for f in desk.sitting.found], ["Letter to the harbour board"])
        desk.hears("find the document about the stair")
        self.assertEqual(len(desk.sitting.found), 2)
        desk.hears("two")
        self.assertIn(desk.sitting.title, SHELF)
        self.assertEqual(self.titles("open the letter about the steep stair"),
                         "Letter to the harbour board")  # fmt: skip

    def test_what_was_just_written_is_found(self) -> None:
        desk = self.desk("# Notes\n\nHello.", shelf=SHELF)
        desk.hears("the barge is late", "open ferry times", "find the letter about the barge")
        self.assertEqual([f.name for f in desk.sitting.found], ["Notes"])

    def test_put_away_brought_back_and_copied(self) -> None:
        desk = self.desk("# Notes\n\nHello.", shelf=SHELF)
        desk.hears("put the rota away")
        self.assertNotIn("Rota for June", desk.sitting.shelf)
        self.assertIn("Rota for June", desk.hears("what is put away").summary)
        desk.hears("back to the desk", "bring back the rota")
        self.assertEqual(desk.sitting.title, "Rota for June")
        desk.hears("put this document away")
        self.assertNotEqual(desk.sitting.title, "Rota for June")
        desk.hears("undo that")
        self.assertIn("Rota for June", desk.sitting.shelf)
        desk.hears("copy this document")
        self.assertIn("copy", desk.sitting.title)

    def test_by_the_day_it_was_written_on(self) -> None:
        desk = self.desk("# Notes\n\nHello.", shelf=SHELF, now=datetime.now())
        desk.hears("open ferry times", "the barge", "show the shelf", "open what i wrote today")
        self.assertEqual(desk.sitting.title, "Ferry times")

    def test_a_shelf_of_one_leaves_sentences_alone(self) -> None:
        desk = self.desk("# Notes\n\nHello.")
        self.assertRead("text", desk.hears("which letter says that the boat is late"))
        self.assertRead("text", desk.hears("put the kettle away"))


class Views(DeskCase):
    def test_every_view_is_reached_and_left_by_voice(self) -> None:
        for said, view in (
            ("show the shelf", View.SHELF), ("show the settings", View.SETTINGS),
            ("what can i say", View.COMMANDS), ("show the word book", View.WORD_BOOK),
            ("show my figures", View.FIGURES), ("show my passages", View.PASSAGES),
            ("show the lessons", View.PRACTICE), ("show the print tray", View.PRINT_TRAY),
            ("show my versions", View.VERSIONS), ("show more of the trail", View.TRAIL),
        ):  # fmt: skip
            for leaving in ("back to the desk", "cancel"):
                with self.subTest(said, leaving=leaving):
                    desk = self.desk("Hello.")
                    desk.hears("call this version one", said)
                    self.assertEqual(desk.sitting.view, view)
                    self.assertRead("unclear", desk.hears("a plain sentence about the boat"))
                    desk.hears(leaving)
                    self.assertEqual(desk.sitting.view, View.DESK)
        self.assertEqual(set(View) - {View.DESK}, {
            View.SHELF, View.SETTINGS, View.COMMANDS, View.WORD_BOOK, View.FIGURES, View.PASSAGES,
            View.PRACTICE, View.PRINT_TRAY, View.VERSIONS, View.TRAIL,
        })  # fmt: skip

    def test_numbers_do_what_they_stand_at(self) -> None:
        desk = self.desk("Hello.")
        desk.hears("show the settings", "show the numbers")
        labels = [o.label for o in desk.sitting.question.options]  # type: ignore[union-attr]
        desk.hears(str(labels.index("Paper") + 1))
        self.assertEqual(desk.sitting.settings.paper, "dark")
        desk.hears("back to the desk", "flag the words", "one")
        self.assertPage("[Hello].")

    def test_settings_are_undone_by_voice(self) -> None:
        desk = self.desk("Hello.")
        desk.hears("dark paper")
        desk.hears("undo that")
        self.assertEqual(desk.sitting.settings.paper, "light")

    def test_hints_can_be_said_and_known_ones_make_room(self) -> None:
        desk = self.desk("The harbour board met.")
        for hint in hints(desk.sitting):
            self.assertIs(judge(desk.sitting, hint.split(), True).kind, Judged.COMMAND, hint)
        for _ in range(8):
            desk.hears("new paragraph", "the harbour board met")
        self.assertNotIn("new paragraph", hints(desk.sitting)[:3])

    def test_the_trail_tells_what_was_done_and_what_failed(self) -> None:
        desk = self.desk("Hello.")
        desk.hears("select hello", "show my places", "bold that")
        self.assertIn("select hello", desk.hears("what did you do at one").summary)
        self.assertTrue(desk.hears("show what was not understood").summary[0].isdigit())


class Practice(DeskCase):
    def test_every_step_is_reached_by_the_words_it_tells(self) -> None:
        for number, lesson in enumerate(LESSONS, 1):
            with self.subTest(lesson.name):
                desk = self.desk("# Notes\n\nHello.")
                desk.hears("show the lessons", str(number))
                self.assertEqual(desk.sitting.title, SHEET)
                for n, step in enumerate(lesson.steps):
                    assert desk.sitting.practising is not None
                    self.assertEqual(desk.sitting.practising.step, n, step.asks)
                    desk.hears(step.says)
                self.assertIn(lesson.name, desk.sitting.practised)
                desk.hears("leave the lesson")
                self.assertEqual(desk.sitting.title, "Notes")
                self.assertEqual(desk.markdown, "# Notes\n\nHello.")
                self.assertNotIn(SHEET, desk.sitting.shelf)

    def test_help_comes_after_two_tries(self) -> None:
        desk = self.desk("")
        desk.hears("start lesson three", "the boat", "is late")
        practising = desk.sitting.practising
        assert practising is not None
        self.assertEqual((practising.step, practising.failures), (0, 2))
        self.assertIn("replace", desk.hears("what do i say").summary)
