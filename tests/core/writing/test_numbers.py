"""Number words, spelling, capitals and sounds: the small functions, case by case."""

from __future__ import annotations

import unittest

from hypothesis import example, given, settings
from hypothesis import strategies as st

from nimble_lantern.core.targets.sounds import phrase_key, sound_key
from nimble_lantern.core.targets.words import normal
from nimble_lantern.core.writing.capitals import starts_sentence, title_case
from nimble_lantern.core.writing.cardinals import (
    cardinal,
    in_words,
    ordinal,
    ordinal_in_words,
    ordinal_suffix,
)
from nimble_lantern.core.writing.lexer import Manner, lex
from nimble_lantern.core.writing.masking import masked
from nimble_lantern.core.writing.punctuation import is_question
from nimble_lantern.core.writing.spelling import folded, in_dialect, spelled
from nimble_lantern.core.writing.spoken import spoken_forms
from nimble_lantern.core.writing.writer import Place, write


class Cardinals(unittest.TestCase):
    @settings(max_examples=500, deadline=None)
    @given(st.integers(0, 10**12), st.sampled_from(("british", "american")))
    def test_what_is_spelled_out_is_read_back(self, value: int, dialect: str) -> None:
        words = in_words(value, dialect).replace("-", " ").split()
        self.assertEqual(cardinal(words, 0), (value, len(words)))

    @settings(max_examples=300, deadline=None)
    @given(st.integers(1, 9999))
    def test_ordinals_too(self, value: int) -> None:
        words = ordinal_in_words(value).replace("-", " ").split()
        self.assertEqual(ordinal(words, 0), (value, len(words)))

    def test_suffixes(self) -> None:
        found = [f"{n}{ordinal_suffix(n)}" for n in (1, 2, 3, 4, 11, 12, 13, 21, 112)]
        self.assertEqual(" ".join(found), "1st 2nd 3rd 4th 11th 12th 13th 21st 112th")

    def test_where_a_number_ends(self) -> None:
        for said, value, used in (
            ("two hundred and six boats", 206, 4),
            ("two and six", 2, 1),
            ("twenty one", 21, 2),
            ("twenty eleven", 20, 1),
            ("a hundred and one", 101, 4),
            ("three thousand million", 3000, 2),
        ):
            self.assertEqual(cardinal(said.split(), 0), (value, used), said)
        self.assertIsNone(cardinal(["boats"], 0))


class Spoken(unittest.TestCase):
    def forms(self, word: str) -> set[str]:
        return {" ".join(form) for form in spoken_forms(word)}

    def test_how_a_written_word_may_be_spoken(self) -> None:
        for word, said in (
            ("7:30", "half past seven"), ("7:30", "seven thirty"), ("8:45", "a quarter to nine"),
            ("7:05", "seven oh five"), ("12", "twelve"), ("1987", "nineteen eighty seven"),
            ("£5.50", "five pounds fifty"), ("£1", "one pound"), ("20%", "twenty percent"),
            ("3rd", "third"), ("can’t", "cant"), ("can’t", "can not"), ("Mr", "mister"),
            ("well-known", "well known"), ("2.5", "two point five"), ("&", "and"),
            ("harbour", "harbor"),
        ):  # fmt: skip
            self.assertIn(said, self.forms(word), word)

    @settings(max_examples=300, deadline=None)
    @example("¹ND")
    @given(st.text(max_size=12))
    def test_anything_at_all_has_a_form(self, word: str) -> None:
        self.assertTrue(all(isinstance(f, tuple) for f in spoken_forms(word)))

    def test_normal_forms_meet(self) -> None:
        self.assertEqual(normal(("12", "Colour")), normal(("twelve", "color")))
        self.assertEqual(normal(("cannot",)), ("can", "not"))


class Sounds(unittest.TestCase):
    def test_words_that_sound_alike_share_a_key(self) -> None:
        for a, b in (("stair", "stare"), ("board", "bored"), ("key", "quay"), ("right", "write"),
                     ("their", "there"), ("knight", "night"), ("weak", "week")):  # fmt: skip
            self.assertEqual(sound_key(a), sound_key(b), (a, b))

    def test_words_that_do_not_keep_apart(self) -> None:
        for a, b in (("ferry", "lamp"), ("stair", "steps"), ("boat", "tide")):
            self.assertNotEqual(sound_key(a), sound_key(b))
        self.assertEqual(phrase_key("fen wick"), phrase_key("fenwick"))


class Spelling(unittest.TestCase):
    def test_letters_alphabet_words_and_as_in(self) -> None:
        for said, text in (
            ("t e r n", "tern"), ("tango echo romeo november", "tern"),
            ("b as in boat o a t", "boat"), ("capital t o m", "Tom"), ("a double l y", "ally"),
            ("all capitals r n l i", "RNLI"), ("x hyphen r a y", "x-ray"), ("one two zed", "12z"),
        ):  # fmt: skip
            self.assertEqual(spelled(said.split(), 0)[0], text, said)

    def test_it_stops_at_the_first_word_that_is_none(self) -> None:
        self.assertEqual(spelled("t e a is ready".split(), 0), ("tea", 3))

    def test_dialects(self) -> None:
        self.assertEqual(in_dialect("harbor", "british"), "harbour")
        self.assertEqual(in_dialect("harbour", "american"), "harbor")
        self.assertEqual(in_dialect("check", "british"), "check")
        self.assertEqual(folded("colour"), folded("color"))


class Capitals(unittest.TestCase):
    def test_where_a_sentence_starts(self) -> None:
        for left in ("", "It rained. ", "Is it? ", "He said, “", "One\n", "(", "It rained.” "):
            self.assertTrue(starts_sentence(left), left)
        for left in ("It ", "Mr. ", "e.g. ", "It rained, ", "(the ", "at 3.30 "):
            self.assertFalse(starts_sentence(left), left)

    def test_titles(self) -> None:
        self.assertEqual(title_case("the keeper of the light"), "The Keeper of the Light")

    def test_masking_keeps_the_length(self) -> None:
        self.assertEqual(masked("bugger"), "b*****")
        self.assertEqual(masked("harbour"), "harbour")


class Questions(unittest.TestCase):
    def test_by_their_form(self) -> None:
        for said in ("is it late", "where is it", "how many came", "it is late isn't it",
                     "and will they come", "if it rains will it sail", "who knows"):  # fmt: skip
            self.assertTrue(is_question(said.split()), said)
        for said in ("it is late", "what a night", "how to sail", "when it rains we stay",
                     "have a seat", "do come in", "where it leads nobody knows"):  # fmt: skip
            self.assertFalse(is_question(said.split()), said)


class Writing(unittest.TestCase):
    @settings(max_examples=500, deadline=None)
    @given(st.lists(st.sampled_from(
        "the tide twelve may first full stop comma new line quote capital no space literal spell t"
        " e r n at half past seven pounds percent open bracket close dash hundred and a point dot"
        " heading one bullet in words digit double oh saturday mister i'm o'clock".split()
    ), max_size=14), st.text(max_size=6), st.sampled_from(("british", "american")))  # fmt: skip
    def test_no_word_is_lost_and_nothing_fails(
        self, words: list[str], left: str, dialect: str
    ) -> None:
        elements = lex(words, Manner(dialect))
        self.assertEqual([w for e in elements for w in e.spoken], words)
        written = write(words, Place(left), Manner(dialect), frozenset({2, 5}))
        for choice in written.choices:
            self.assertLessEqual(choice.start, choice.end)
            self.assertIsInstance(written.parts[choice.part], str)
