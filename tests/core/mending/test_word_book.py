"""The word book: entries, spoken forms, forbidden words, files."""

from __future__ import annotations

import unittest

from hypothesis import given
from hypothesis import strategies as st

from nimble_lantern.core.errors import BadInput
from nimble_lantern.core.mending.word_book import (
    MOST_ENTRIES,
    BookEntry,
    WordBook,
    entry_from,
    from_text,
)
from tests.desk import DeskCase

NAMES = st.lists(
    st.text("abcdefghijklmnoprst", min_size=2, max_size=9).map(str.capitalize),
    min_size=1,
    max_size=3,
).map(" ".join)


class Entries(unittest.TestCase):
    def test_an_entry_is_found_by_its_letters_and_by_its_further_sounds(self) -> None:
        book = WordBook().added(entry_from("Ida Marlowe = eider marlow", "A line"))
        self.assertEqual(book.match(("to", "ida", "marlowe"), 1), (2, "Ida Marlowe"))
        self.assertEqual(book.match(("eider", "marlow", "came"), 0), (2, "Ida Marlowe"))
        self.assertIsNone(book.match(("eider", "down"), 0))

    def test_the_longest_entry_counts(self) -> None:
        book = from_text("Ida\nIda Marlowe\n")
        self.assertEqual(book.match(("ida", "marlowe"), 0), (2, "Ida Marlowe"))

    def test_an_entry_takes_the_place_of_the_same_in_other_capitals(self) -> None:
        book = from_text("saltmarsh\nSaltmarsh = salt marsh\n")
        self.assertEqual([e.written for e in book.entries], ["Saltmarsh"])

    def test_forbidden_words_are_no_words_to_use(self) -> None:
        book = from_text("never fairy\nferry\n")
        self.assertEqual(book.written, ("ferry",))
        self.assertTrue(book.forbids(("fairy",)))
        self.assertIsNone(book.match(("fairy",), 0))


class Files(unittest.TestCase):
    @given(st.lists(NAMES, max_size=6, unique_by=str.lower))
    def test_what_is_written_is_read_again(self, names: list[str]) -> None:
        book = WordBook(tuple(BookEntry(name, (("as", "said"),)) for name in names))
        self.assertEqual(from_text(book.to_text()), book)

    def test_comments_and_blank_lines_are_no_entries(self) -> None:
        self.assertEqual(from_text("# names\n\n  \nOsric\n").written, ("Osric",))

    def test_what_is_no_word_book_changes_nothing_and_is_told_in_one_sentence(self) -> None:
        known = from_text("Osric\n")
        bad = (
            "Ida\nb\x00d\n",
            "x" * 300,
            "Ida = ???\n",
            "= marlow\n",
            "***\n",
            "\n".join(f"w{n}" for n in range(MOST_ENTRIES + 2)),
        )
        for text in bad:
            with self.subTest(text[:20]), self.assertRaises(BadInput) as caught:
                from_text(text, known)
            self.assertNotIn("\n", str(caught.exception))
        self.assertEqual(known.written, ("Osric",))


class ByVoice(DeskCase):
    def test_a_name_that_was_added_is_written_by_its_sound(self) -> None:
        self.desk("We met Mara Tarrow.")
        self.driver.hears("add ida marlowe to the word book")
        self.driver.hears("pronounce ida marlowe as eider marlow")
        self.driver.hears("eider marlow has the key")
        self.assertText("We met Mara Tarrow. Ida Marlowe has the key")

    def test_a_name_is_kept_as_it_stands_on_the_page(self) -> None:
        self.desk("The keeper is Osric MacLeod.")
        self.driver.hears("add osric macleod to the word book")
        self.assertEqual(self.driver.sitting.word_book.written, ("Osric MacLeod",))

    def test_a_name_that_was_dictated_in_small_letters_is_a_name(self) -> None:
        self.desk("")
        self.driver.hears("we met ida marlowe", "add ida marlowe to the word book")
        self.assertEqual(self.driver.sitting.word_book.written, ("Ida Marlowe",))
        self.desk("We oil the quoin.").hears("add quoin to the word book")
        self.assertEqual(self.driver.sitting.word_book.written, ("quoin",))

    def test_a_spelled_name_is_kept_by_its_letters(self) -> None:
        self.desk("")
        self.driver.hears("add the name h o b b to my word book")
        self.driver.hears("add t a double r o w to the word book")
        self.assertIn("Tarrow", self.driver.sitting.word_book.written)

    def test_a_forbidden_word_gives_way_to_what_else_was_heard(self) -> None:
        self.desk("")
        self.driver.hears("never write the word fairy")
        self.driver.hears("the fairy is late | the ferry is late")
        self.assertText("The ferry is late")
        self.driver.hears("allow the word fairy")
        self.driver.hears("the fairy sings | the ferry sings")
        self.assertText("The ferry is late the fairy sings")

    def test_removing_leaves_the_text(self) -> None:
        self.desk("Osric is here.")
        self.driver.hears("add osric to the word book")
        self.driver.hears("take osric out of the word book")
        self.assertEqual(self.driver.sitting.word_book.entries, ())
        self.assertText("Osric is here.")

    def test_what_was_done_to_the_book_is_undone_and_not_the_text(self) -> None:
        self.desk("")
        self.driver.hears("osric is here", "add osric to the word book", "undo that")
        self.assertEqual(self.driver.sitting.word_book.entries, ())
        self.assertText("Osric is here")
        self.driver.hears("redo that")
        self.assertEqual(self.driver.sitting.word_book.written, ("Osric",))
        self.driver.hears("undo that", "undo that")
        self.assertText("")

    def test_forgotten_corrections_come_back(self) -> None:
        self.desk("We met Ida Marlowe.")
        self.driver.hears("eider marlow came", "correct eider marlow", "ida marlowe")
        self.driver.hears("forget my corrections", "undo that")
        self.assertEqual(len(self.driver.sitting.lessons), 1)
        self.assertIn("Ida Marlowe came", self.driver.document.blocks[-1].text)

    def test_a_name_that_is_not_there_is_told_with_what_is_like_it(self) -> None:
        self.desk("")
        self.driver.hears("add ida marlowe to the word book")
        entry = self.driver.hears("look up ida marley in the word book")
        self.assertIn("Ida Marlowe", entry.summary)

    def test_changing_keeps_the_sounds(self) -> None:
        self.desk("")
        self.driver.hears("add ida marlow to the word book")
        self.driver.hears("change ida marlow to ida marlowe in the word book")
        self.driver.hears("we met ida marlow")
        self.assertText("We met Ida Marlowe")

    def test_sentences_that_speak_of_words_stay_sentences(self) -> None:
        lines = (
            "never write so small that nobody can read it",
            "never write to him again",
            "forget the name of that boat",
            "do you know the name of the keeper",
            "let me spell it out for you",
            "he can be said to know the island well",
            "this word means a small lamp",
            "remember the name of the boat we saw in may",
        )
        for line in lines:
            with self.subTest(line):
                self.desk("The boat is here.")
                self.driver.hears(line)
                self.assertEqual(self.driver.sitting.trail[-1].read_as, "text")
