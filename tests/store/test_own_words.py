"""What was learned of a speaker survives, and their figures are counted from the journal."""

from __future__ import annotations

import json
import sqlite3
import tempfile
import unittest
from dataclasses import replace
from datetime import datetime, timedelta
from pathlib import Path

from nimble_lantern.core.mending.tray import Tray
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.shell import LiveDesk
from nimble_lantern.store.database import in_memory, migrate
from nimble_lantern.store.journal import Journal
from nimble_lantern.store.opening import FILE, open_folder
from nimble_lantern.store.salvage import salvaged
from nimble_lantern.store.states import _tray, _tray_row

LINES = (
    "we met ida marlowe today",
    "add ida marlowe to the word book",
    "eider marlow came",
    "correct eider marlow",
    "ida marlowe",
    "never write the word fairy",
)


class Restarting(unittest.TestCase):
    def test_a_spelling_from_before_it_was_kept_what_letters_may_be(self) -> None:
        tray = _tray(["bo", None, [], False, ["", "b"], False], lambda row: None)
        self.assertEqual(tray, Tray("bo", past=(("", ()), ("b", ((),))), might=((), ())))

    def test_what_letters_may_be_is_kept(self) -> None:
        tray = Tray("b", might=((("b", 0.0), ("p", 0.5)),)).more("o")
        kept = json.loads(json.dumps(_tray_row(tray)))
        self.assertEqual(_tray(kept, lambda row: None), tray)

    def test_word_book_lessons_and_tray_are_there_after_a_restart(self) -> None:
        with tempfile.TemporaryDirectory() as name:
            desk = LiveDesk(open_folder(Path(name)))
            for line in (*LINES, "spell the last word", "b o a"):
                desk.hear(from_line(line))
            again = LiveDesk(open_folder(Path(name))).sitting
            self.assertEqual(again.word_book, desk.sitting.word_book)
            self.assertEqual(again.lessons, desk.sitting.lessons)
            self.assertEqual(again.tray, desk.sitting.tray)
            self.assertEqual(again.question, desk.sitting.question)

    def test_what_was_learned_of_letters_is_there_after_a_restart(self) -> None:
        with tempfile.TemporaryDirectory() as name:
            desk = LiveDesk(open_folder(Path(name)))
            desk.hear(from_line("spell a word"))
            heard = replace(
                from_line("l"), commands=from_line("l").hypotheses, letters=((("l", 0.0),),)
            )
            for line in (heard, from_line("make the first letter an o"), from_line("that is it")):
                desk.hear(line)
            self.assertEqual(desk.sitting.letters_known, (("l", "o", 1),))
            again = LiveDesk(open_folder(Path(name))).sitting
            self.assertEqual(again.letters_known, (("l", "o", 1),))

    def test_what_is_spelled_stays_with_its_document(self) -> None:
        with tempfile.TemporaryDirectory() as name:
            desk = LiveDesk(open_folder(Path(name)))
            lines = ("the bord is late", "spell bord", "b o", "new document called rota", "hello")
            for line in lines:
                desk.hear(from_line(line))
            self.assertIsNone(desk.sitting.tray)
            self.assertEqual(desk.sitting.document.blocks[0].text, "Hello")
            desk.hear(from_line("open untitled"))
            tray = desk.sitting.tray
            assert tray is not None and tray.place is not None
            self.assertEqual(tray.letters, "bo")
            self.assertEqual(desk.sitting.document.text(tray.place), "bord")

    def test_damaged_columns_cost_only_what_was_in_them(self) -> None:
        with tempfile.TemporaryDirectory() as name:
            desk = LiveDesk(open_folder(Path(name)))
            for line in LINES:
                desk.hear(from_line(line))
            with sqlite3.connect(Path(name) / FILE) as connection:
                connection.execute("UPDATE desk SET word_book = '[[', lessons = '{'")
            made = in_memory()
            migrate(made)
            salvaged(Path(name) / FILE, made)
            sitting = Journal(made).begin()
            self.assertEqual((sitting.word_book.entries, sitting.lessons), ((), ()))
            self.assertIn("Ida Marlowe came", sitting.document.blocks[0].text)


class Figures(unittest.TestCase):
    def setUp(self) -> None:
        self.now = datetime(2026, 3, 14, 10, 30)
        engine = in_memory()
        migrate(engine)
        self.journal = Journal(engine, lambda: self.now)
        self.desk = LiveDesk(self.journal)

    def test_each_day_is_counted(self) -> None:
        for line in ("the fairy is late", "correct fairy", "one", "undo that"):
            self.desk.hear(from_line(line))
        self.now += timedelta(days=1)
        self.desk.hear(from_line("we wait for it"))
        first, second = self.journal.days()
        self.assertEqual((first.words, first.corrections, first.taken_back), (4, 1, 1))
        self.assertEqual((first.offered, first.first, first.at_first), (1, 1, 1.0))
        self.assertEqual((second.words, second.corrections, second.at_first), (4, 0, None))
        self.assertEqual(first.per_hundred, 25.0)

    def test_a_word_spelled_in_many_breaths_is_one_correction(self) -> None:
        for line in ("we met bord", "correct bord", "spell it", "b o a", "r d", "that is it"):
            self.desk.hear(from_line(line))
        [day] = self.journal.days()
        self.assertEqual((day.corrections, day.first), (1, 0))

    def test_long_ago_is_left_out(self) -> None:
        self.desk.hear(from_line("we wait for it"))
        self.now += timedelta(days=60)
        self.assertEqual(self.journal.days(), [])
