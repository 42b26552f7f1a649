"""How words sound, and the words there are."""

from __future__ import annotations

import unittest

from hypothesis import given
from hypothesis import strategies as st

from nimble_lantern.core.document.model import Block
from nimble_lantern.core.mending.forms import figures_and_signs, spellings
from nimble_lantern.core.mending.phones import distance, phones, sound_class, spoken
from nimble_lantern.core.mending.vocabulary import WrittenWords, common_words

SAID = st.lists(st.sampled_from("T D AA IY S M R HH".split()), max_size=6).map(tuple)
BLOCKS = st.lists(
    st.lists(st.sampled_from("The ferry Ida Marlowe don’t wait".split()), max_size=5)
    .map(" ".join)
    .map(Block),
    max_size=5,
).map(tuple)


class Distance(unittest.TestCase):
    @given(SAID, SAID)
    def test_it_is_a_distance(self, a: tuple[str, ...], b: tuple[str, ...]) -> None:
        self.assertEqual(distance(a, a), 0.0)
        self.assertAlmostEqual(distance(a, b), distance(b, a))
        self.assertGreaterEqual(distance(a, b), 0.0)

    def test_what_is_easily_confused_is_nearer(self) -> None:
        pairs = (("ferry", "fairy", "furry"), ("bored", "board", "boat"), ("ten", "den", "men"))
        for word, near, far in pairs:
            with self.subTest(word):
                own = phones(word)
                self.assertLess(distance(own, phones(near)), distance(own, phones(far)))

    def test_two_words_may_sound_as_one(self) -> None:
        self.assertLess(distance(spoken(("a", "tension")), phones("attention")), 0.5)
        self.assertEqual(sound_class(phones("stair")), sound_class(phones("stare")))

    def test_a_word_that_no_dictionary_has_is_spoken_by_rule(self) -> None:
        self.assertTrue(phones("tollesbury"))
        self.assertEqual(phones("harbour"), phones("harbor"))


class Vocabulary(unittest.TestCase):
    @given(st.lists(BLOCKS, max_size=4))
    def test_it_follows_any_change(self, states: list[tuple[Block, ...]]) -> None:
        words = WrittenWords()
        for blocks in states:
            found = {w for b in blocks for w in b.text.split()}
            self.assertEqual(set(words.follow(blocks).forms), found)
            plain = {w.lower().replace("’", "'") for w in found}
            self.assertEqual(set(words.words), plain)

    def test_common_words_are_plain_ones(self) -> None:
        self.assertIn("ferry", common_words())
        self.assertTrue(all(word == word.lower() for word in common_words()))


class Forms(unittest.TestCase):
    def test_numbers_and_marks_have_another_form(self) -> None:
        for text, other in (
            ("8", "eight"), ("twenty-five", "25"), ("3rd", "third"), ("12,500", "twelve thousand "
            "five hundred"), ("comma", ","), (",", "comma"), ("&", "and"), ("per cent", "%"),
        ):  # fmt: skip
            with self.subTest(text):
                self.assertIn(other, [form.written for form in figures_and_signs(text)])

    def test_words_have_other_spellings(self) -> None:
        for text, other in (
            ("colour", "color"), ("Harbor", "Harbour"), ("lamp-room", "lamp room"),
            ("light house", "lighthouse"), ("keeper", "Keeper"), ("RNLI", "rnli"),
        ):  # fmt: skip
            with self.subTest(text):
                self.assertIn(other, [form.written for form in spellings(text)])

    def test_the_same_is_never_another(self) -> None:
        for text in ("8", "colour", "lamp-room", ",", "Ida", "and", ""):
            written = [f.written for f in (*figures_and_signs(text), *spellings(text))]
            self.assertNotIn(text, written)

    def test_little_words_are_not_hyphened(self) -> None:
        self.assertNotIn("and-do", [form.written for form in spellings("and do")])
