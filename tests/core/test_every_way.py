"""Every way to ask goes with every name of a part, and none does harm."""

from __future__ import annotations

import os
import unittest
from collections import Counter

from nimble_lantern.core.lexicon.desk import TRADE_VERBS
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.sitting import Heard, advance
from tests.corpus.asking import outcome, pairs, ways
from tests.desk import DeskCase

TRIED = int(os.environ.get("LANTERN_FUZZ", "300"))


class EveryWay(unittest.TestCase):
    def test_the_ways_are_many(self) -> None:
        count = {name: sum(map(len, rows.values())) for name, rows in ways().items()}
        self.assertGreater(count["ways"] * count["parts"], 100_000)

    def test_they_are_understood_with_any_part_and_take_nothing_else_away(self) -> None:
        found = Counter[str]()
        harmed = []
        for pair in pairs(20, TRIED):
            how = outcome(pair)
            found[how] += 1
            if how == "harmed":
                harmed.append(pair)
        self.assertEqual(harmed, [])
        self.assertGreater(found["done"], 0.88 * (found["done"] + found["missed"]))


class AnyUnit(DeskCase):
    """Of whatever a page is made of, a request is done, refused or written, and is no fault."""

    PAGE = (
        "# Tide\n\nThe tide is low. The hall (new) is warm.\n\n- cups\n- plates\n\n"
        "| a | b |\n| --- | --- |\n| x | 1 |\n\nNell is late."
    )
    VERBS = ("delete", "swap", "join", "bold", "capitalise", "copy", "duplicate", "move up")
    UNITS = (
        "letters", "words", "sentences", "lines", "paragraphs", "items", "headings", "sections",
        "lists", "tables", "rows", "columns", "cells", "documents",
    )  # fmt: skip

    def test_no_verb_stumbles_over_one(self) -> None:
        desk = self.desk(self.PAGE)
        start = desk.sitting
        for verb in self.VERBS:
            for unit in self.UNITS:
                for part in (f"all the {unit}", f"the last two {unit}", f"the {unit[:-1]}"):
                    with self.subTest(f"{verb} {part}"):
                        after = advance(start, Heard(from_line(f"{verb} {part}")))
                        self.assertIsNotNone(after.entry)

    def test_all_letters_go_at_once(self) -> None:
        desk = self.desk("The ferry is late. The boat is old.")
        desk.hears("delete all the letters")
        self.assertText("")
        desk.hears("undo that")
        self.assertText("The ferry is late. The boat is old.")


class Courtesy(DeskCase):
    """On a page that has a "please", too."""

    TEXT = "The tide is low. The hall is warm. Please bring cups. Nell is late."

    def test_behind_a_part_it_is_no_word_of_the_page(self) -> None:
        desk = self.desk(self.TEXT)
        desk.hears("go before nell", "select the sentence before please")
        self.assertIn("[Please bring cups.]", desk.page)

    def test_a_verb_alone_is_said_of_what_is_selected(self) -> None:
        for said, left in (
            ("bold please", self.TEXT.replace("low", "**low**")),
            ("delete", self.TEXT.replace(" low", "")),
            ("delete please", self.TEXT.replace(" low", "")),
            ("backspace", self.TEXT.replace(" low", "")),
            ("remove", self.TEXT.replace(" low", "")),
            ("take back", self.TEXT),
        ):
            with self.subTest(said):
                desk = self.desk(self.TEXT)
                desk.hears("select low", said)
                self.assertEqual(desk.markdown, left)

    def test_no_verb_alone_is_a_fault(self) -> None:
        for verb in sorted(TRADE_VERBS):
            for said in (verb, f"{verb} please"):
                entry = self.desk(self.TEXT).hears("select low", said)
                self.assertNotIn("fault", entry.summary, said)

    def test_with_nothing_selected_it_may_be_that_word(self) -> None:
        desk = self.desk(self.TEXT)
        entry = desk.hears("delete please")
        self.assertEqual(entry.summary, "deleted one word: “Please”")
