"""Courtesy says nothing of what is asked; a musing may be a sentence of the letter."""

from __future__ import annotations

import unittest

from nimble_lantern.core.grammar.catalogue import CATALOGUE
from nimble_lantern.core.reading.addressing import (
    Plainer,
    barest,
    of_what_is_selected,
    plainer_than,
    wordings,
)
from tests.desk import DeskCase


def said(line: str) -> tuple[str, ...]:
    return tuple(line.split())


class Plainly(unittest.TestCase):
    def test_courtesy_and_hesitation_come_off(self) -> None:
        for line, bare in (
            ("okay could you please bold the ferry", "bold the ferry"),
            ("um bold er the ferry", "bold the ferry"),
            ("bold the ferry for me please", "bold the ferry"),
            ("would you mind deleting the last word", "delete the last word"),
            ("i think we should delete the last word", "delete the last word"),
        ):
            with self.subTest(line):
                self.assertEqual(" ".join(barest(said(line))), bare)

    def test_what_comes_after_is_taken_off_before_what_comes_before(self) -> None:
        ways = [p.words for p in plainer_than(said("no bullets please"))]
        self.assertEqual(ways[0], said("no bullets"))

    def test_a_request_that_is_plain_has_no_plainer_one(self) -> None:
        self.assertEqual(plainer_than(said("bold the ferry")), ())
        self.assertEqual(wordings(said("bold the ferry")), (said("bold the ferry"),))

    def test_courtesy_alone_is_left(self) -> None:
        self.assertEqual(barest(said("please")), said("please"))

    def test_only_thinking_aloud_is_musing(self) -> None:
        for line, mused in (
            ("please delete the boat", False),
            ("could you delete the boat", False),
            ("we should delete the boat", True),
            ("okay i will delete the boat", True),
            ("i think we can please delete the boat", True),
        ):
            with self.subTest(line):
                self.assertEqual(plainer_than(said(line))[-1].mused, mused)


class Musing(DeskCase):
    def allows(self, line: str, stated: bool = False) -> bool:
        parse = CATALOGUE.parses(said(line))[0]
        self.assertTrue(Plainer(said(line)).allows(parse), "asked for outright")
        return Plainer(said(line), mused=True, stated=stated).allows(parse)

    def test_it_removes_moves_and_writes_only_by_parts_of_the_page(self) -> None:
        for line in ("delete the boat", "move the boat to the end", "insert red before the boat"):
            with self.subTest(line):
                self.assertFalse(self.allows(line))
        self.assertTrue(self.allows("delete the last sentence"))

    def test_looks_may_be_thought_of_aloud(self) -> None:
        self.assertTrue(self.allows("bold the boat"))
        self.assertTrue(self.allows("bold the boat", stated=True))

    def test_a_statement_must_be_of_the_page(self) -> None:
        for line, allowed in (
            ("come back", False), ("go back", False), ("print the letter", False),
            ("find the boat", False), ("select the last word", True), 
        ):  # fmt: skip
            with self.subTest(line):
                self.assertTrue(self.allows(line), "wished for")
                self.assertEqual(self.allows(line, stated=True), allowed)

    def test_sentences_of_what_somebody_will_do_are_written(self) -> None:
        for line in ("i will come back", "we can go back", "you should print the letter"):
            with self.subTest(line):
                desk = self.desk("We write to you.")
                desk.hears(line)
                self.assertText(f"We write to you. {line[0].upper()}{line[1:]}")
        desk = self.desk("We write to you.")
        desk.hears("we can bold the first word")
        self.assertEqual(desk.marked("bold"), ["We"])


class Selected(DeskCase):
    def test_what_may_be_said_of_a_selection(self) -> None:
        for line, of_it in (
            ("the other one", True),
            ("bold and italic", True),
            ("extend it a little", True),
            ("the shed by the quay was painted in the spring of that year", False),
            ("the shed", False),
        ):
            with self.subTest(line):
                self.assertEqual(of_what_is_selected(said(line)), of_it)

    def test_it_stays_where_the_desk_may_be_meant(self) -> None:
        desk = self.desk("The hut is old.")
        desk.hears("select the hut", "the other one")
        self.assertPage("[The hut] is old.")
        desk.hears("the shed")
        self.assertText("The shed is old.")
