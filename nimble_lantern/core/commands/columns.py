"""What stands in the columns of a table, and what kinds of things they hold."""

from __future__ import annotations

import re
from collections import Counter
from typing import NamedTuple

from nimble_lantern.core.document.model import Document, Position, Range
from nimble_lantern.core.document.tables import Table, table_at
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.lexicon.closed import ARTICLES, ARTICLES_AND_OWNERS
from nimble_lantern.core.lexicon.figures import MONEY
from nimble_lantern.core.lexicon.frequency import zipf
from nimble_lantern.core.lexicon.sentences import TITLES
from nimble_lantern.core.mending.knowing import spoken_words
from nimble_lantern.core.targets.alike import kind_of
from nimble_lantern.core.targets.measures import of_sort
from nimble_lantern.core.targets.tabled import names_several
from nimble_lantern.core.writing.cardinals import SCALES, cardinal
from nimble_lantern.core.writing.persons import a_full_name

Said = tuple[str, ...]
_THERE, _OF_THAT_KIND, _ONE_WORD, _NAME, _NUMBER, LINKED, _LONG = 4.0, 2.0, 1.0, 1.5, 1.5, 1.0, -0.5
"""What speaks for some words being what a cell of a column says: they stand in the column, are of
its kind, are one word, somebody's name or a number, or something is said between them and the
last."""
_NO_AMOUNT = (("nothing",), ("none",), ("nil",), ("nought",))
OF_A_HEADING = {
    name: frozenset(kinds.split())
    for kinds, names in {
        "number": "amount price cost fee sum total number pounds paid takings age score in out due"
        " hours minutes days weeks miles cups seats places pages tins bags boxes people adults"
        " children quantity count points",
        "day date": "day date when",
        "clock hour number": "time at",
        "name": "who name person by whom for maker driver cook helper keeper leader member singer"
        " player reader speaker teacher owner skipper captain cox host guest winner author tutor"
        " baker painter dancer actor volunteer",
    }.items()
    for name in names.split()
}
"""What kinds of things stand below a heading."""


class Column(NamedTuple):
    """What the cells of a column say below its heading, and what kinds of things they are."""

    says: frozenset[Said]
    kinds: frozenset[str]

    def suits(self, said: Said) -> bool:
        """Whether such words stand in this column: the same, or of its kind."""
        return said in self.says or self.likes(said)

    def may_say(self, said: Said) -> bool:
        """Whether such words may stand in this column: names that nobody knows are alike."""
        named = bool(self.says) and all(map(_is_some_name, self.says))
        return self.suits(said) or named and _is_some_name(said)

    def likes(self, said: Said) -> bool:
        """Whether words are of the kind of this column; "nothing" is an amount."""
        if "clock" in self.kinds and _hours_and_minutes(said):
            return True
        kind = "number" if said in _NO_AMOUNT else _kind(said)
        if kind == "number" and self.says and said[-1] not in MONEY:
            # "Twelve best" is no number of a column that has bare ones.
            bare = tuple(w for w in said if w not in ARTICLES)
            number = cardinal(bare, 0)
            counted = number is None or number[1] < len(bare)
            if counted and all(len(words) == 1 for words in self.says):
                return False
        return bool(kind) and kind in self.kinds

    def worth(self, said: Said, behind: str = "") -> float:
        """What speaks for some words standing in this column, by the word behind them as well."""
        alike = self.likes(said)
        named = a_full_name(said) and not any(cardinal((w,), 0) for w in said)
        number = cardinal(said, 0)
        apart = number is not None and number[1] == len(said) and not self.says and not self.kinds
        apart = apart and not names_several(behind)  # "two | forks" are two forks
        counted = number is not None and number[1] == len(said) - 1 and names_several(said[-1])
        return (
            (_THERE if said in self.says else 0.0)
            + (_OF_THAT_KIND if alike else 0.0)
            + (_ONE_WORD if len(said) == 1 or alike or counted else 0.0)
            + (_NUMBER if apart else 0.0)
            + (_NAME if named else 0.0 if alike or counted else _LONG * (len(said) - 1))
        )


def _hours_and_minutes(said: Said) -> bool:
    """ "Ten thirty", of a column of times."""
    hour = cardinal(said[:1], 0)
    minutes = cardinal(said, 1) if hour is not None and len(said) > 1 else None
    if hour is None or minutes is None or minutes[1] != len(said):
        return False
    return 0 < hour[0] <= _HOURS and _FEWEST_MINUTES <= minutes[0] < _MINUTES


_HOURS, _FEWEST_MINUTES, _MINUTES = 12, 10, 60


def _kind(said: Said) -> str:
    """The kind of what a cell says; "mr orr" is a name as well."""
    titled = len(said) > 1 and said[0] in TITLES
    return kind_of(said) or ("name" if titled else "")


def _is_some_name(said: Said) -> bool:
    """A word that is somebody's name, or so rare that it may be one."""
    rare = len(said) == 1 and said[0].isalpha() and zipf(said[0]) < _UNHEARD_OF
    return rare or _kind(said) == "name"


_UNHEARD_OF = 3.1
"""On wordfreq's Zipf scale: what is rarer and stands alone is somebody's or something's name."""


def columns_of(document: Document, table: Table) -> tuple[Column, ...]:
    """What each column of a table holds: the kinds are those of most of its cells, or what its
    heading tells where there are none."""
    found = []
    firsts = (document.blocks[table.cell(r, 0)].text for r in range(table.rows))
    body = [r for r, text in enumerate(firsts) if r and text.strip().lower() != "total"]
    for c in range(table.columns):
        cells = (document.blocks[table.cell(r, c)].text for r in body)
        says = [spoken_words(text) for text in cells if text.strip()]
        kinds = Counter(_kind(words) for words in says)
        usual = frozenset(k for k, count in kinds.items() if k and count * 2 > len(says))
        told = OF_A_HEADING.get(document.blocks[table.cell(0, c)].text.lower(), frozenset())
        if not says or usual & told or not usual and "name" in told:
            # Nothing stands in it yet, or the heading tells of more: "8" below "time", and names
            # that nobody knows below "driver".
            usual |= told
        found.append(Column(frozenset(says), usual))
    return tuple(found)


def amount_of(document: Document, r: Range, said: Said) -> Range | None:
    """The one cell of numbers beside the name of a row, where a number is said of that name: "hall
    should be fifty"."""
    block = document.blocks[r.start.block]
    table = table_at(document.blocks, r.start.block)
    if table is None or block.cell is None or block.cell.column or not block.cell.row:
        return None
    if r != block_range(document, r.start.block) or kind_of(said) != "number":
        return None
    held = columns_of(document, table)
    counted = [c for c, column in enumerate(held) if "number" in column.kinds]
    if len(counted) != 1 or counted == [0]:
        return None
    return block_range(document, table.cell(block.cell.row, counted[0]))


def price_of(document: Document, r: Range, said: Said) -> Range | None:
    """The price right behind what is named, where an amount is said of that: of "the rent of £60",
    "change the rent to sixty five pounds" changes the price."""
    words = document.text(r).lower().split()
    money = not MONEY.keys().isdisjoint(said)  # "entry ... five pounds"
    if kind_of(said) != "number" or not (money or words[0] in ARTICLES_AND_OWNERS):
        return None
    line = Range(r.end, block_range(document, r.end.block).end)
    found = of_sort(document, ("the", "price"), line)
    between = document.text(Range(r.end, found[0].start)) if found else ""
    near = 0 < len(between.split()) <= _FEW_BETWEEN and not set(between) & set(".?!;")
    return found[0] if found and near else None


def value_of(document: Document, r: Range, said: Said) -> Range | None:
    """The number that is said of what is named, where another is: of "the pressure is 130 over 85",
    "change the pressure to one hundred and twenty eight over eighty four" changes that."""
    end = _a_value(said, 0)
    words = document.text(r).lower().split()
    if end != len(said) or words[0] not in ARTICLES_AND_OWNERS:
        return None
    tokens = list(_TOKEN.finditer(document.blocks[r.end.block].text, r.end.offset))
    there = tuple(t.group().lower() for t in tokens)
    links = 2 if there[:2] == ("will", "be") else 1
    if there[:1] not in _IS and links == 1 or not (stop := _a_value(there, links)):
        return None
    here = r.end.block
    return Range(Position(here, tokens[links].start()), Position(here, tokens[stop - 1].end()))


def _a_value(words: Said, start: int) -> int:
    """Where a number, or one over another, ends in words; 0 if there is none."""
    end = start
    while end < len(words) and _numeral(words[end]):
        end += 1
        end += words[end : end + 1] in (("over",), ("and",)) and words[end + 1 : end + 2] != ()
    return end if end > start and _numeral(words[end - 1]) else 0


def _numeral(word: str) -> bool:
    return (
        word[:1].isdigit()
        or word == "hundred"
        or word in SCALES
        or cardinal((word,), 0) is not None
    )


_TOKEN = re.compile(r"[^\s,;:.?!)]+|[,;:.?!)]")
_IS = {(word,) for word in "is was are were of at".split()}
_FEW_BETWEEN = 2
"""Words between a thing and its price: "of", "is now"."""
