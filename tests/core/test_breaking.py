"""Sentences made two, what is thought of a part, and days and sums put right."""

from __future__ import annotations

import unittest

from hypothesis import given, settings
from hypothesis import strategies as st

from tests.desk import DeskCase, Driver

GARDEN = (
    "# The garden\n\nDear all,\n\nThe gate is open on Friday. Bring a chair, and bring a hat. We"
    " wanted tea, but the urn is broken.\n\nTickets cost £5. Quay Lane is closed."
)
ROTA = "# Rota\n\n| Week | Lamp |\n| --- | --- |\n| 1 | Ida |\n| 2 | Nell |\n\nTell Nell."


class ASentenceMadeTwo(DeskCase):
    def broken(self, said: str) -> str:
        desk = Driver(GARDEN)
        before = desk.markdown
        desk.hears(said)
        after = desk.markdown
        desk.hears("undo that")
        self.assertEqual(desk.markdown, before, said)
        return after

    def test_at_before_or_after_a_word_in_the_words_people_have_for_it(self) -> None:
        for said in (
            "break the last sentence of the third paragraph at but",
            "split the sentence about tea before but",
            "the sentence about tea is too long break it at but",
            "make two sentences of the sentence about tea at but",
            "cut the sentence about tea in two after tea",
            "end the sentence about tea after tea",
        ):
            with self.subTest(said):
                if "third" in said:
                    said = said.replace("third", "second")
                self.assertIn("We wanted tea. But the urn is broken.", self.broken(said))

    def test_not_at_words_that_stand_elsewhere_twice_or_at_its_end(self) -> None:
        for said in (
            "break the sentence about tea after gate",
            "break the sentence about the chair before bring",
            "break the sentence about tea after broken",
        ):
            with self.subTest(said):
                desk = Driver(GARDEN)
                entry = desk.hears(said)
                self.assertEqual(desk.markdown, GARDEN + "\n" * desk.markdown.endswith("\n"))
                self.assertTrue(entry.refused, entry.summary)

    @settings(max_examples=40, deadline=None, derandomize=True)
    @given(st.sampled_from("gate open chair bring hat wanted tea but urn broken".split()),
           st.sampled_from(("before", "after", "at")))  # fmt: skip
    def test_no_word_is_lost_whatever_word_it_is_broken_at(self, word: str, side: str) -> None:
        desk = Driver(GARDEN)
        desk.hears(f"break the sentence about {word} {side} {word}")
        words = desk.markdown.lower().replace(".", " ").replace(",", " ").split()
        self.assertEqual(words, GARDEN.lower().replace(".", " ").replace(",", " ").split())


class WhatIsThoughtOfAPart(DeskCase):
    def test_it_says_what_is_spoken_of(self) -> None:
        desk = Driver(GARDEN)
        desk.hears("quay lane looks odd make it bold")
        self.assertIn("**Quay Lane** is closed", desk.markdown)
        desk.hears("the title is too small two sizes bigger")
        self.assertIn("The garden", desk.markdown)

    def test_what_may_be_a_sentence_is_written(self) -> None:
        for said in ("the boat looks small make it bigger", "the rain is sad but leave it there"):
            with self.subTest(said):
                self.assertEqual(Driver(GARDEN).hears(said).read_as, "text")

    def test_sizes_up_and_down_of_what_was_just_made(self) -> None:
        desk = Driver(GARDEN)
        desk.hears("bold quay lane", "that's too small two sizes bigger")
        self.assertIn("16pt", desk.markdown)
        desk.hears("one size down")
        self.assertIn("14pt", desk.markdown)
        self.assertEqual(Driver(GARDEN).hears("one size down").read_as, "text")


class DaysAndSums(DeskCase):
    def test_a_day_mends_a_day_and_a_sum_a_sum(self) -> None:
        for said, wanted in (
            ("make that the fourth of march", "We came on 4 March for £400"),
            ("i meant the fourth of april", "We came on 4 April for £400"),
            ("sorry the fourth", "We came on 4 March for £400"),
            ("make that five hundred pounds", "We came on 3 March for £500"),
        ):
            with self.subTest(said):
                desk = Driver()
                desk.hears("we came on the third of march for four hundred pounds", said)
                self.assertEqual(desk.markdown.strip(), wanted)


class WherePartsGo(DeskCase):
    def test_a_paragraph_goes_beside_the_one_that_words_are_in(self) -> None:
        desk = Driver(GARDEN)
        desk.hears("move the last paragraph before the urn")
        text = desk.markdown
        self.assertLess(text.index("Tickets cost"), text.index("The gate is open"))
        self.assertIn("We wanted tea, but the urn is broken.", text)

    def test_a_sentence_goes_beside_the_one_that_words_are_in(self) -> None:
        desk = Driver(GARDEN)
        desk.hears("move the first sentence of the last paragraph before wanted tea")
        self.assertIn("hat. Tickets cost £5. We wanted tea, but", desk.markdown)

    def test_the_first_paragraph_may_be_counted_from_the_first_that_says_something(self) -> None:
        desk = Driver(GARDEN)
        desk.hears("in the first paragraph change friday to monday")
        self.assertIn("open on Monday", desk.markdown)
        desk.hears("in the first paragraph change dear to kind")
        self.assertIn("Kind all,", desk.markdown)


class OfATable(DeskCase):
    def test_what_was_just_put_there_is_taken_away_again(self) -> None:
        for said in ("add a row above row two", "add a column called cost"):
            for away in ("delete it", "remove that again", "get rid of it"):
                with self.subTest(f"{said} / {away}"):
                    desk = Driver(ROTA)
                    before = desk.markdown
                    desk.hears(said, away)
                    self.assertEqual(desk.markdown, before)

    def test_what_was_taken_away_or_moved_does_not_come_back_for_it(self) -> None:
        for said in ("delete the last word", "delete row two", "move row two down", "undo that"):
            with self.subTest(said):
                desk = Driver(ROTA)
                desk.hears("add a row above row two", "undo that", said)
                before = desk.markdown
                desk.hears("delete it")
                self.assertEqual(desk.markdown, before)

    def test_a_cell_that_was_gone_to_is_cleared_as_it(self) -> None:
        desk = Driver(ROTA)
        desk.hears("go to the cell that says nell", "clear it")
        self.assertIn("| 2 |  |", desk.markdown)
        desk.hears("undo that")
        self.assertIn("| 2 | Nell |", desk.markdown)

    def test_a_cell_by_its_column_and_its_row(self) -> None:
        for said in (
            "the lamp in week two should be hob",
            "week two lamp should be hob",
            "change the lamp for week two to hob",
        ):
            with self.subTest(said):
                desk = Driver(ROTA)
                desk.hears(said)
                self.assertIn("| 2 | Hob |", desk.markdown)

    def test_where_a_column_goes_is_no_part_of_its_name(self) -> None:
        desk = Driver(ROTA)
        desk.hears("add a column called spare at the end")
        self.assertIn("| Week | Lamp | Spare |", desk.markdown)


class SaidInOneBreath(DeskCase):
    def test_a_look_behind_what_puts_something_there(self) -> None:
        desk = Driver(GARDEN)
        desk.hears("insert old before gate in italics")
        self.assertIn("The *old* gate", desk.markdown)
        desk.hears("undo that", "undo that")
        self.assertEqual(desk.markdown.strip(), GARDEN)

    def test_two_requests_side_by_side_if_both_are_whole_and_take_nothing_away(self) -> None:
        desk = Driver(GARDEN)
        desk.hears("select the title make it red")
        self.assertIn("red", desk.markdown)
        for said in ("open the door let it cool", "select the title delete it now and again"):
            with self.subTest(said):
                desk = Driver(GARDEN)
                desk.hears(said)
                self.assertIn("The garden", desk.markdown)

    def test_headings_are_shown_to_go_to(self) -> None:
        desk = Driver(GARDEN + "\n\n## Tea\n\nAt four.")
        entry = desk.hears("list the headings")
        self.assertEqual(entry.command, "moving.headings")
        desk.hears("choose two", "cold")
        self.assertIn("## ColdTea", desk.markdown.replace(" ", "").replace("##", "## "))
        desk = Driver("No heading.")
        desk.hears("show me the headings")
        self.assertEqual(desk.markdown, "No heading.")


class InFewerWords(DeskCase):
    def test_a_wish_without_its_to(self) -> None:
        desk = Driver(GARDEN)
        self.assertEqual(desk.hears("i want go to the last paragraph").command, "moving.to")
        self.assertEqual(desk.hears("i need go home early").read_as, "text")

    def test_ones_own_note_and_a_copy_for_the_outbox(self) -> None:
        desk = Driver(GARDEN)
        desk.hears("make a note on the urn ask ida")
        self.assertEqual(desk.hears("my note is done").command, "notes.settle")
        self.assertEqual(desk.hears("remove my note").command, "notes.remove")
        said = "send a copy to the outbox as a word file"
        self.assertEqual(desk.hears(said).command, "outgoing.export")

    def test_what_differs_from_ones_own_version(self) -> None:
        desk = Driver(GARDEN)
        desk.hears("call this version first", "the end is near")
        entry = desk.hears("how much does this differ from my first version")
        self.assertEqual(entry.command, "versions.compare_with")


if __name__ == "__main__":
    unittest.main()
