"""What a letter has besides words: addresses, codes, names; and where there is none."""

from __future__ import annotations

import unittest

from hypothesis import given, settings
from hypothesis import strategies as st

from nimble_lantern.core.writing.capitals import AsHeard
from nimble_lantern.core.writing.lexer import Manner
from nimble_lantern.core.writing.writer import Place, write

SAID = (
    "www dot at sign slash org info underscore hyphen a b o p w double two five twelve twenty oh"
    " thousand million point percent pounds the of and to may june sixth ninth last room plan"
    " captain saint mary name is my yours sincerely comma new line quote single spelled ampersand"
    " foot by release in one quay road"
).split()
DIALECTS = ("british", "american")


def written(words: str, place: Place | None = None, names: tuple[str, ...] = ()) -> str:
    manner = Manner(names=(AsHeard(names),))
    return write(words.split(), place or Place(), manner).text


class Letters(unittest.TestCase):
    def each(self, pairs: dict[str, str]) -> None:
        for words, text in pairs.items():
            with self.subTest(words):
                self.assertEqual(written(words), text)

    def test_addresses(self) -> None:
        self.each(
            {
                "write jo dot marsh at sea view dot co dot uk": "Write jo.marsh@seaview.co.uk",
                "the box is ann underscore two at post dot net": "The box is ann_2@post.net",
                "see double u double u double u dot sea view dot org": "See www.seaview.org",
                "mail rota at sign sea hyphen view dot org": "Mail rota@sea-view.org",
                "read it at sea view dot org slash june": "Read it at seaview.org/june",
            }
        )

    def test_no_address(self) -> None:
        self.each(
            {
                "look at the dot on the map": "Look at the dot on the map",
                "we met at sea dot": "We met at sea dot",
                "the office at the end of the quay": "The office at the end of the quay",
            }
        )

    def test_codes(self) -> None:
        self.each(
            {
                "g l seven one a b is ours": "GL7 1AB is ours",
                "take the a three oh three": "Take the A303",
                "seat twenty two c": "Seat 22C",
                "water is h two o": "Water is H2O",
            }
        )

    def test_no_code(self) -> None:
        self.each(
            {
                "we have plan b ten times": "We have plan B 10 times",
                "room two a bed and a chair": "Room 2 a bed and a chair",
                "it is twelve p": "It is 12p",
                "come at nine a m": "Come at 9 am",
                "the b two thousand people came": "The B 2,000 people came",
            }
        )

    def test_people(self) -> None:
        self.each(
            {
                "thank doctor lane for me": "Thank Doctor Lane for me",
                "mr and mrs gill met a dr who left": "Mr and Mrs Gill met a Dr who left",
                "ask dr de souza or mckay and o'neill": "Ask Dr de Souza or McKay and O’Neill",
                "mrs will at five o'clock": "Mrs Will at 5 o’clock",
                "her surname is marsh": "Her surname is Marsh",
                "yours truly comma new line bill of the hill": "Yours truly,\nBill of the Hill",
                "his name is wynn spelled w y double n e": "His name is Wynne",
            }
        )
        self.assertEqual(written("bill hart", Place(above="Kind regards,")), "Bill Hart")
        self.assertEqual(written("yours ever comma new paragraph bill hart")[-9:], "Bill Hart")
        for words in ("your friend peter", "ps please come soon"):
            signed = written(words, Place(above="Kind regards,"))
            self.assertEqual(signed.lower(), words)
            self.assertNotIn(" F", signed)
            self.assertNotIn(" C", signed)
        below = Place("Ida Marlowe", above="Kind regards,")
        self.assertEqual(written("new paragraph boats came", below)[-10:], "Boats came")

    def test_nobody(self) -> None:
        self.each(
            {
                "the doctor lane is shut": "The doctor lane is shut",
                "captain goes first": "Captain goes first",
                "my name is on the list": "My name is on the list",
                "mary wept": "Mary wept",
                "kris spelled with a k": "Kris spelled with a K",
            }
        )
        self.assertEqual(written("bill hart", Place(above="With regards,")), "Bill hart")

    def test_days_and_shares(self) -> None:
        self.each(
            {
                "from the second to the ninth of may": "From 2 to 9 May",
                "from the thirtieth to the first of june": "From the 30th to 1 June",
                "one in ten came": "One in ten came",
                "on the sixth and": "On the sixth and",
                "a room nine foot by twelve": "A room 9 foot by 12",
                "use release three point one point four": "Use release 3.1.4",
            }
        )

    @given(st.lists(st.sampled_from(SAID), min_size=1, max_size=10), st.sampled_from(DIALECTS))
    @settings(deadline=None, max_examples=1500)
    def test_whatever_is_said_is_written(self, words: list[str], dialect: str) -> None:
        self.assertIsInstance(write(words, Place(), Manner(dialect)).text, str)

    def test_quotation_marks_that_are_said_twice(self) -> None:
        self.each(
            {
                "he said quote come in quote full stop": "He said ‘come in’.",
                "single quote yes single quote": "‘Yes’",
                "we got a single quote and one more": "We got a single quote and one more",
            }
        )

    def test_compounds_are_written_as_they_were_heard(self) -> None:
        names = ("well-known", "Osric")
        self.assertEqual(
            written("a well known man met osric", names=names), "A well-known man met Osric"
        )
