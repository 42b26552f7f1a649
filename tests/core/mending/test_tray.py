"""The spelling tray: letters, putting them right, completions, and where the word goes."""

from __future__ import annotations

import unittest
from dataclasses import replace

from hypothesis import given, settings
from hypothesis import strategies as st

from nimble_lantern.core.mending.letters import as_counted, counted, letters_misheard
from nimble_lantern.core.mending.tray import (
    Tray,
    as_named,
    completions,
    letters_heard,
    letters_of,
    unsure,
)
from nimble_lantern.core.reading.hearing import Hearing, Might, from_line
from tests.desk import DeskCase


class Letters(unittest.TestCase):
    def test_every_way_to_say_letters(self) -> None:
        said = {
            "b o a t": "boat",
            "bravo oscar alpha tango": "boat",
            "b as in boat o a t": "boat",
            "b for bravo o": "bo",
            "capital h o double b": "Hobb",
            "h o hyphen two": "ho-2",
            "o apostrophe capital n": "o’N",
            "a space b": "a b",
        }
        for line, letters in said.items():
            with self.subTest(line):
                self.assertEqual(letters_of(line.split()), letters)

    def test_words_are_no_letters(self) -> None:
        for line in ("the boat", "b o a the", "spell it"):
            self.assertEqual(letters_of(line.split()), "")

    def test_all_capitals_go_on(self) -> None:
        self.assertEqual(Tray(upper=True).more("rn").more("li").letters, "RNLI")


class Completions(unittest.TestCase):
    def test_ones_own_words_go_before_commoner_ones(self) -> None:
        self.assertEqual(completions(Tray("marl"), ["Marlowe", "tide"])[0], "Marlowe")

    def test_a_letter_that_sounds_alike_may_be_another(self) -> None:
        self.assertIn("board", completions(Tray("poard"), []))
        self.assertEqual(unsure(Tray("poard"), []), {0})

    def test_a_word_that_is_known_has_no_doubtful_letters(self) -> None:
        self.assertEqual(unsure(Tray("board"), []), set())
        self.assertEqual(unsure(Tray("tarrow"), ["Tarrow"]), set())

    def test_a_letter_that_was_lost_is_found(self) -> None:
        self.assertIn("Tarrow", completions(Tray("tarow"), ["Tarrow"]))


E_OR_P = (("p", 0.0), ("e", 0.4), ("b", 1.5))
"""What a short "e" is heard as."""


def heard(letters: str) -> tuple[Might, ...]:
    """Letters heard clearly, but each "e" as perhaps a "p"."""
    return tuple(E_OR_P if c == "e" else ((c, 0.0),) for c in letters)


class HeardLetters(unittest.TestCase):
    def test_the_word_decides_what_a_letter_is(self) -> None:
        tray = Tray().more("fp", heard("fe"))
        self.assertEqual(tray.letters, "fe")
        tray = tray.more("rry", heard("rry"))
        self.assertEqual((tray.letters, unsure(tray, [])), ("ferry", set()))

    def test_ones_own_words_decide_first(self) -> None:
        might = ((("t", 0.0), ("d", 0.5)), *heard("arrow"))
        self.assertEqual(Tray().more("tarrow", might, ["Darrow"]).letters, "darrow")
        self.assertEqual(Tray().more("tarrow", might, ["Tarrow"]).letters, "tarrow")

    def test_letters_put_right_are_sure(self) -> None:
        tray = Tray().more("p", heard("e")).with_letter(0, "p")
        self.assertEqual(tray.more("v", heard("v")).letters, "pv")
        self.assertEqual(Tray().more("p", heard("e")).more("v", heard("v")).letters, "ev")

    def test_undo_brings_back_what_they_may_be(self) -> None:
        tray = Tray().more("fp", heard("fe"))
        back = tray.with_letter(1, "x").undone()
        self.assertEqual((back.letters, back.might), ("fe", heard("fe")))

    def test_capitals_stay(self) -> None:
        self.assertEqual(Tray(name=True).more("fp", heard("fe")).letters, "Fe")

    def test_of_doubled_letters_both_are_the_same(self) -> None:
        self.assertEqual(
            letters_heard(("double", "l", "e"), ((), E_OR_P, E_OR_P)), ((), (), E_OR_P)
        )
        self.assertEqual(letters_heard(("l",), ()), ())

    def test_a_double_u_is_a_w(self) -> None:
        self.assertEqual(letters_of("m a r l o double u e".split()), "marlowe")

    def test_what_a_dictation_makes_of_letters(self) -> None:
        self.assertEqual(letters_of(as_named("see you".split())), "cu")
        self.assertEqual(letters_of(as_named("the boat".split())), "")

    @settings(deadline=None)  # the first of them loads the words
    @given(
        st.lists(st.dictionaries(st.sampled_from("abde"), st.floats(0, 6), min_size=1), max_size=6)
    )
    def test_every_sound_becomes_one_letter(self, costs: list[dict[str, float]]) -> None:
        might = tuple(tuple(sorted(c.items(), key=lambda row: row[1])) for c in costs)
        tray = Tray()
        for one in might:
            tray = tray.more(one[0][0], (one,))
        self.assertEqual(len(tray.letters), len(might))
        self.assertEqual(tray.might, might)
        self.assertTrue(unsure(tray, []) <= set(range(len(might))))


L_OR_R = (("l", 0.0), ("r", 6.0))
"""What somebody's "o" is heard as."""


class LettersKnown(unittest.TestCase):
    def test_what_a_letter_was_before_is_weighed_with_its_sound(self) -> None:
        self.assertEqual(as_counted(L_OR_R, ()), L_OR_R)
        known = counted((), (L_OR_R,), "o")
        (first, _), (second, cost), *_ = as_counted(L_OR_R, known)
        self.assertEqual((first, second), ("l", "o"))
        self.assertLess(cost, 2.0)
        for _ in range(4):
            known = counted(known, (L_OR_R,), "o")
        self.assertEqual(as_counted(L_OR_R, known)[0][0], "o")

    def test_what_came_last_weighs_most(self) -> None:
        known = counted((), (L_OR_R,) * 100, "o" * 100)
        for _ in range(60):
            known = counted(known, (L_OR_R,), "l")
        self.assertEqual(as_counted(L_OR_R, known)[0][0], "l")

    def test_only_letters_that_were_heard_and_are_letters_are_counted(self) -> None:
        self.assertEqual(counted((), ((), L_OR_R, L_OR_R), "a7é"), ())

    def test_a_word_tells_of_the_letters_that_it_has_in_the_same_places(self) -> None:
        tray = Tray().more("bllt", (*heard("b"), L_OR_R, L_OR_R, *heard("t")))
        self.assertEqual(tray.teaches((), "boat"), counted((), tray.might, "boat"))
        self.assertEqual(tray.teaches((), "bt"), (("b", "b", 1), ("t", "t", 1)))

    def test_those_taken_for_others_are_told_the_oftenest_first(self) -> None:
        known = (("k", "e", 2), ("l", "l", 9), ("l", "o", 3))
        self.assertEqual(letters_misheard(known, 5), [("o", "l", 3), ("e", "k", 2)])
        self.assertEqual(letters_misheard(known, 1), [("o", "l", 3)])


class OnTheDesk(DeskCase):
    def letter(self, letter: str, dictated: str, *might: tuple[str, float]) -> Hearing:
        """A letter as both engines hear it."""
        best, words = from_line(letter).hypotheses, from_line(dictated).hypotheses
        return replace(
            from_line(dictated), commands=best, evidence=words[0], fits=(-3.0,),
            letters=(might or ((letter, 0.0),),),
        )  # fmt: skip

    def test_letters_are_letters_whatever_a_dictation_makes_of_them(self) -> None:
        self.desk("")
        self.driver.hears("spell a word")
        for letter, dictated in (("t", "tea"), ("a", "hey"), ("r", "are"), ("o", "no")):
            self.driver.desk.hear(self.letter(letter, dictated))
        tray = self.driver.sitting.tray
        assert tray is not None
        self.assertEqual(tray.letters, "taro")

    def test_what_is_said_of_the_letters_is_no_letter(self) -> None:
        self.desk("")
        self.driver.hears("spell a word", "t a r")
        self.driver.desk.hear(self.letter("b", "back one"))
        tray = self.driver.sitting.tray
        assert tray is not None
        self.assertEqual(tray.letters, "ta")

    def test_the_letter_a_takes_no_word_of_the_list(self) -> None:
        self.desk("Mara Tarrow is here.")
        self.driver.hears("spell a word", "t", "a")
        tray = self.driver.sitting.tray
        assert tray is not None
        self.assertEqual(tray.letters, "ta")

    def test_letters_heard_wrongly_are_decided_by_the_page(self) -> None:
        self.desk("Mara Tarrow is here.")
        self.driver.hears("spell a word")
        self.driver.desk.hear(self.letter("d", "d", ("d", 0.0), ("t", 0.7)))
        for letter in "arrow":
            self.driver.desk.hear(self.letter(letter, letter))
        self.driver.hears("that is it")
        self.assertText("Mara Tarrow is here. Tarrow")

    def spells(self, said: str) -> str:
        """What is in the tray when each "o" of a word is heard as an "l"."""
        self.driver.hears("spell a word")
        for letter in said:
            might = L_OR_R if letter == "o" else ((letter, 0.0), ("z", 6.0))
            self.driver.desk.hear(self.letter(might[0][0], might[0][0], *might))
        tray = self.driver.sitting.tray
        assert tray is not None
        return tray.letters

    def test_a_letter_put_right_is_heard_rightly_the_next_time(self) -> None:
        self.desk("")
        self.assertEqual(self.spells("vog"), "vlg")
        self.driver.hears("make the second letter an o", "cancel")
        self.assertEqual(self.driver.sitting.letters_known, (("l", "o", 1),))
        self.assertEqual(self.spells("fog"), "fog")

    def test_a_letter_put_right_decides_the_others(self) -> None:
        self.desk("")
        self.driver.hears("spell a word")
        might = {"b": (("p", 0.0), ("b", 0.6)), "o": L_OR_R}
        for letter in "boat":
            one = might.get(letter, ((letter, 0.0), ("z", 6.0)))
            self.driver.desk.hear(self.letter(one[0][0], one[0][0], *one))
        tray = self.driver.sitting.tray
        assert tray is not None
        self.assertEqual(tray.letters, "plat")
        self.driver.hears("make the second letter an o")
        tray = self.driver.sitting.tray
        assert tray is not None
        self.assertEqual(tray.letters, "boat")

    def test_a_spelled_word_teaches_its_letters_until_they_are_forgotten(self) -> None:
        self.desk("Mara Wottom is here.")
        self.spells("wottom")
        self.driver.hears("that is it")
        self.assertIn(("l", "o", 2), self.driver.sitting.letters_known)
        self.assertIn("letters", self.driver.hears("forget my corrections").summary)
        self.assertEqual(self.driver.sitting.letters_known, ())
        self.driver.hears("undo that")
        self.assertIn(("l", "o", 2), self.driver.sitting.letters_known)

    def test_a_word_on_the_page_is_spelled_anew(self) -> None:
        self.desk("The harbour bord is late.")
        self.driver.hears("spell bord", "b o a r d", "that is it")
        self.assertText("The harbour board is late.")
        self.driver.hears("undo that")
        self.assertText("The harbour bord is late.")

    def test_a_new_word_goes_in_where_the_writing_stopped(self) -> None:
        self.desk("")
        self.driver.hears(
            "we met", "spell a word", "capital t a double r o w", "that's it", "today"
        )
        self.assertText("We met Tarrow today")

    def test_a_name_begins_with_a_capital(self) -> None:
        self.desk("")
        self.driver.hears("we met", "spell a name", "w r e", "n", "that is it")
        self.assertText("We met Wren")

    def test_letters_are_put_right_among_themselves(self) -> None:
        self.desk("")
        self.driver.hears("spell a word", "m a l o e")
        for line, letters in (
            ("insert an r after the second letter", "marloe"),
            ("put a w before the last letter", "marlowe"),
            ("undo that", "marloe"),
            ("insert a w after the fifth letter", "marlowe"),
            ("insert n s after the last letter", "marlowes"),
            ("undo that", "marlowe"),
            ("makes a first letter of white", "yarlowe"),
            ("the first letter is in m", "marlowe"),
            ("insert any after the second letter", "maerlowe"),
            ("undo that", "marlowe"),
            ("make the first letter a t", "tarlowe"),
            ("change the last letter to x", "tarlowx"),
            ("delete the third letter", "talowx"),
            ("back two", "talo"),
            ("undo that", "talowx"),
            ("back four", "ta"),
            ("make that a capital r", "tR"),
            ("start again", ""),
            ("undo that", "tR"),
            ("undo that", "ta"),
        ):
            self.driver.hears(line)
            tray = self.driver.sitting.tray
            assert tray is not None
            with self.subTest(line):
                self.assertEqual(tray.letters, letters)

    def test_a_letter_that_is_not_there_is_told(self) -> None:
        self.desk("")
        self.driver.hears("spell a word", "a b")
        self.assertIn("no letter 5", self.driver.hears("delete the fifth letter").summary)

    def test_a_number_takes_a_word_that_the_letters_begin(self) -> None:
        self.desk("Mara Tarrow is here.")
        self.driver.hears("spell a word", "t a r")
        question = self.driver.sitting.question
        assert question is not None
        self.assertEqual(question.options[0].label, "Tarrow")
        self.driver.hears("one")
        self.assertText("Mara Tarrow is here. Tarrow")

    def test_cancel_leaves_all_as_it_was(self) -> None:
        self.desk("The bord is late.")
        self.driver.hears("spell bord", "b o a", "cancel", "thank you")
        self.assertText("The bord is late. Thank you")

    def test_nothing_is_dictated_while_a_word_is_spelled(self) -> None:
        self.desk("The bord is late.")
        self.driver.hears("spell bord")
        entry = self.driver.hears("we look forward to your answer")
        self.assertRead("unclear", entry)
        self.assertText("The bord is late.")

    def test_going_elsewhere_ends_the_spelling(self) -> None:
        self.desk("The bord is late.")
        self.driver.hears("spell bord", "b o", "bold late")
        self.assertIsNone(self.driver.sitting.tray)
        self.assertEqual(self.driver.marked("bold"), ["late"])

    def test_what_hides_the_tray_ends_the_spelling_and_says_so(self) -> None:
        for line in ("show the shelf", "commands only", "show my figures"):
            with self.subTest(line):
                self.desk("The bord is late.")
                self.driver.hears("spell bord", "b o")
                self.assertIn("not spelled on", self.driver.hears(line).summary)
                self.assertIsNone(self.driver.sitting.tray)

    def test_another_document_has_no_part_in_it(self) -> None:
        """What is spelled has a place in its own document only."""
        self.desk("The bord is late.")
        self.driver.hears("spell bord", "b o a", "new document called rota")
        self.assertIsNone(self.driver.sitting.tray)
        self.driver.hears("we wait")
        self.assertText("We wait")

    def test_sound_that_goes_on_is_not_written_either(self) -> None:
        self.desk("The bord is late.")
        self.driver.hears("spell bord")
        going = replace(from_line("and then a long sentence"), goes_on=True)
        self.driver.desk.hear(going)
        self.assertText("The bord is late.")

    def test_small_letters_stay_small(self) -> None:
        self.desk("")
        self.driver.hears("spell a word", "small letters", "a", "capitals on", "b", "caps off", "c")
        tray = self.driver.sitting.tray
        assert tray is not None
        self.assertEqual(tray.letters, "aBc")

    def test_that_is_it_said_twice_is_not_written(self) -> None:
        self.desk("The bord is late.")
        self.driver.hears("spell bord", "b o a r d", "that is it", "that is it")
        self.assertText("The board is late.")

    def test_sentences_about_spelling_stay_sentences(self) -> None:
        for line in ("spell out the terms of the lease to them", "that is it for today"):
            with self.subTest(line):
                self.desk("The lease is long.")
                self.assertRead("text", self.driver.hears(line))
