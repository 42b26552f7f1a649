"""What is spoken, written and read aloud again is what was spoken."""

from __future__ import annotations

import random
import unittest
from collections.abc import Iterator

from nimble_lantern.core.composing.dictating import compose
from nimble_lantern.core.document.model import Position, Range
from nimble_lantern.core.lexicon.names import MONTHS
from nimble_lantern.core.speaking.saying import sentence_said
from nimble_lantern.core.writing.cardinals import in_words, ordinal_in_words, year_in_words
from tests.desk import Driver

SEED = 4711
_UNSAID = frozenset(("the", "of", "and", "a"))


def _words(number: int) -> str:
    return in_words(number).replace("-", " ").replace(",", "")


def phrases() -> Iterator[str]:
    """300 numbers, dates, times, sums, shares, measures and telephone numbers, as spoken."""
    pick = random.Random(SEED)
    months = list(MONTHS)

    def day() -> str:
        which = ordinal_in_words(pick.randint(1, 31)).replace("-", " ")
        return f"the {which} of {pick.choice(months)}"

    def time() -> str:
        hour = in_words(pick.randint(1, 12))
        ways = (f"half past {hour}", f"quarter to {hour}", f"{hour} o'clock",
                f"{hour} {_words(pick.randint(10, 59))}")  # fmt: skip
        return pick.choice(ways)

    def money() -> str:
        few = _words(pick.randint(2, 99))
        ways = (f"{_words(pick.randint(2, 9999))} pounds", f"{few} pence",
                f"{few} pounds {_words(pick.randint(11, 99))}")  # fmt: skip
        return pick.choice(ways)

    for _ in range(60):
        top = pick.choice((99, 999, 9_999, 999_999))
        yield _words(pick.randint(10, top))
    for _ in range(20):
        places = " ".join(in_words(pick.randint(0, 9)) for _ in range(pick.randint(1, 3)))
        yield f"{_words(pick.randint(0, 99))} point {places}"
    for _ in range(40):
        yield day()
    for _ in range(30):
        yield f"{day()} {year_in_words(pick.randint(1801, 2029)).replace('-', ' ')}"
    for _ in range(50):
        yield time()
    for _ in range(50):
        yield money()
    for _ in range(20):
        yield f"{_words(pick.randint(10, 100))} percent"
    for _ in range(15):
        yield "oh " + " ".join(in_words(pick.randint(1, 9)) for _ in range(9))
    for _ in range(15):
        things = pick.choice(("miles", "metres", "kilograms", "litres"))
        yield f"{_words(pick.randint(10, 99))} {things}"


def telling(text: str) -> list[str]:
    """The words that tell one from another; zero is said either way."""
    plain = text.lower().replace("-", " ").replace(",", "").replace("’", "'").replace("zero", "oh")
    return [w for w in plain.replace("per cent", "percent").split() if w not in _UNSAID]


class RoundTrip(unittest.TestCase):
    def test_what_was_spoken_is_read_aloud_again(self) -> None:
        every, begun = list(phrases()), Driver("We saw").sitting
        self.assertEqual(len(every), 300)
        for spoken in every:
            document = compose(begun, spoken.split()).sitting.document
            text = document.blocks[0].text
            whole = Range(Position(0, 0), Position(0, len(text)))
            said = sentence_said(document, whole).rstrip(".")
            self.assertEqual(telling(said), telling(f"we saw {spoken}"), text)

    def test_days_years_and_codes_among_other_words(self) -> None:
        for written, said in (
            ("Come on 3 May 1906.", "Come on the third of May nineteen oh six."),
            ("It was built in 1841.", "It was built in eighteen forty one."),
            ("Since 2006 we ring 01632 960123.",
             "Since two thousand and six we ring oh one six three two nine six oh one two three."),
            ("Come on the 4 boats.", "Come on the four boats."),
            ("It costs 1p or 50p.", "It costs one penny or fifty pence."),
            ("We have 1,206 members.", "We have one thousand two hundred and six members."),
            ("Come at 7.30 with 2.50 m.", "Come at seven thirty with two point five zero m."),
            ("The code 4712 lets 2500 people in.",
             "The code four seven one two lets two thousand five hundred people in."),
            ("On May 3, we met.", "On May the third, we met."),
        ):  # fmt: skip
            document = Driver(written).document
            whole = Range(Position(0, 0), Position(0, len(written)))
            spoken = sentence_said(document, whole).replace("-", " ")
            self.assertEqual(spoken, said)
