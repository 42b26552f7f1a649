"""Targets as values: what the words of a target mean, before anyone looks at the document."""

from __future__ import annotations

from dataclasses import dataclass, field
from enum import Enum
from typing import TypeGuard, get_args

from nimble_lantern.core.document.model import Range
from nimble_lantern.core.lexicon.closed import DETERMINERS, OF_DEGREE_AND_TIME, SUBJECT_PRONOUNS


class Unit(Enum):
    CHARACTER = "character"
    WORD = "word"
    SENTENCE = "sentence"
    QUESTION = "question"
    LINE = "line"
    PARAGRAPH = "paragraph"
    HEADING = "heading"
    ITEM = "item"
    STEP = "step"
    LIST = "list"
    SECTION = "section"
    CELL = "cell"
    ROW = "row"
    COLUMN = "column"
    TABLE = "table"
    DOCUMENT = "document"


FLOWING = (Unit.CHARACTER, Unit.WORD, Unit.SENTENCE, Unit.QUESTION)
"""Those that stand one after another in a paragraph."""


class At(Enum):
    """Where in a unit words stand."""

    START = "start"
    END = "end"


class Order(Enum):
    THIS = "this"
    FIRST = "first"
    LAST = "last"
    NEXT = "next"
    PREVIOUS = "previous"
    NEAREST = "nearest"
    NTH = "nth"
    FROM_END = "nth from the end"
    EVERY = "every"
    MIDDLE = "middle"


@dataclass(frozen=True, slots=True)
class That:
    """The selection; else what the last utterance wrote or changed.

    `several` where it is spoken of as "those"; that alone makes it no other target.
    """

    several: bool = field(default=False, compare=False)


@dataclass(frozen=True, slots=True)
class Units:
    """`count` units by order; for NTH from number `n` on; within `of`, or the document.

    `bare` where EVERY is only told by a plural: "the words"; of the document, where it may be what
    is selected: "the text".
    """

    unit: Unit
    order: Order
    count: int = 1
    n: int = 1
    of: Target | None = None
    bare: bool = False


@dataclass(frozen=True, slots=True)
class Words:
    """Words that stand in the document; with no order, wherever they stand.

    `called` where somebody says that they are words: "the word ferry".
    """

    words: tuple[str, ...]
    order: Order | None = None
    n: int = 1
    of: Target | None = None
    called: bool = False


@dataclass(frozen=True, slots=True)
class Through:
    """From the start of one target to the end of another that comes after it.

    `close`: only within one block, where nobody said "from".
    """

    first: Target
    last: Target
    close: bool = False


@dataclass(frozen=True, slots=True)
class Reach:
    """From the caret to the start (or end) of the unit it stands in, or of a target.

    Where something is selected, from its edge; from `start`, if that is told, to its unit's end.
    """

    unit: Unit | None
    forward: bool
    goal: Target | None = None
    start: Target | None = None


@dataclass(frozen=True, slots=True)
class Enclosed:
    """What stands between a pair of marks: "the quoted words", "between the brackets".

    With no order it is one of them, the one at the caret if there is one there.
    """

    pair: str
    order: Order | None = None
    n: int = 1


@dataclass(frozen=True, slots=True)
class Marked:
    """Everything that carries a mark: "everything bold"."""

    mark: str


@dataclass(frozen=True, slots=True)
class Sign:
    """A punctuation mark, by its name: "the last comma", "the full stop after noon"."""

    text: str
    order: Order | None = None
    n: int = 1
    beside: Target | None = None
    before: bool = False  # the mark stands before `beside`
    within: Target | None = None


@dataclass(frozen=True, slots=True)
class Adjoining:
    """Words where they stand right before others, or after them: "the word old before crane"."""

    words: Words
    beside: Words
    after: bool


@dataclass(frozen=True, slots=True)
class Both:
    """Two targets at once: "the ferry and the quay"."""

    first: Target
    second: Target


@dataclass(frozen=True, slots=True)
class Except:
    """A target without a part of it: "everything but the title"."""

    whole: Target
    part: Target


@dataclass(frozen=True, slots=True)
class Holding:
    """The units in which words or a mark stand: "the sentence about the ferry".

    `at` where they must stand in it: "the line that begins with dear".  A `bit` is no more than
    was said in one breath.
    """

    unit: Unit
    words: Words | Sign
    at: At | None = None
    bit: bool = False


@dataclass(frozen=True, slots=True)
class Beside:
    """The unit right after a target, or before it: "the word after lamp", "the two words after it".

    `upright` if below or above was said: of cells, that is another.
    """

    unit: Unit
    goal: Target
    after: bool
    upright: bool = False
    count: int = 1


@dataclass(frozen=True, slots=True)
class CellAt:
    """The cell in a row and a column of a table, both counted from 1, headings included; from -1
    on, they are counted from the last one."""

    row: int
    column: int


@dataclass(frozen=True, slots=True)
class EmptyCell:
    """The cell that says nothing yet, where there is only one."""


@dataclass(frozen=True, slots=True)
class Each:
    """All that a description fits: "every sentence about the tent", "the empty cells"."""

    of: Holding | EmptyCell


@dataclass(frozen=True, slots=True)
class CellNamed:
    """A cell to go to, counted from 1; row 0 is the one of the writing place."""

    row: int
    column: int


@dataclass(frozen=True, slots=True)
class Tabled:
    """A row or a column by what its first cell says; `below` without that cell; `contents` where
    what it says was named: "everything in the fee column".

    `guessed` where nothing says that it is one: "in week two".
    """

    unit: Unit
    words: tuple[str, ...]
    below: bool = False
    guessed: bool = False
    contents: bool = False


@dataclass(frozen=True, slots=True)
class Crossing:
    """The cell where a row and a column meet, each by what its first cell says.

    `owned` where it is only called somebody's, as things are: "nell's kitchen".
    """

    row: tuple[str, ...]
    column: tuple[str, ...]
    owned: bool = False


@dataclass(frozen=True, slots=True)
class OfLetter:
    """The greeting, the closing words or the signature of a letter."""

    part: str


@dataclass(frozen=True, slots=True)
class One:
    """One of the parts that were spoken of last, or of the list here: "the second one"; with
    `words`, the one that says them."""

    order: Order
    n: int = 1
    words: tuple[str, ...] = ()
    count: int = 1


@dataclass(frozen=True, slots=True)
class Beyond:
    """Everything after a target, or before it; of a part of the text if that is named."""

    goal: Target
    forward: bool
    of: Target | None = None


@dataclass(frozen=True, slots=True)
class Under:
    """What stands below a target: of a heading, no more than its section; `within` if a part of
    that is meant."""

    goal: Target
    within: bool = False


@dataclass(frozen=True, slots=True)
class Headed:
    """The text below the one heading that says just these words: "the end of monday"."""

    words: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Inside:
    """What a row or a column says, and not the row: "the text in the last row"."""

    whole: Target


Target = (
    That
    | Units
    | Words
    | Through
    | Reach
    | Enclosed
    | Marked
    | Sign
    | Adjoining
    | Both
    | Except
    | Holding
    | Beside
    | Beyond
    | Under
    | Headed
    | Inside
    | One
    | OfLetter
    | CellAt
    | EmptyCell
    | Each
    | Tabled
    | Crossing
)


def is_target(value: object) -> TypeGuard[Target]:
    """Whether an argument of a command is a target that is not looked up yet."""
    return isinstance(value, get_args(Target))


def of_the_page(value: object) -> bool:
    """Whether a target can only be a part of a page: "the last sentence", "the word boat".

    "The boat" may be the thing as well, so that "drop the boat" is a sentence of a letter.
    """
    if isinstance(value, Words):
        place = value.of
        return value.called or isinstance(place, Units) and place.unit in _PLACING
    if isinstance(value, Through) and value.close:
        # "It to the island" may be words of a sentence, which nobody called from and to.
        return of_the_page(value.first) and of_the_page(value.last)
    if isinstance(value, Crossing):
        return not value.owned
    if isinstance(value, Units) and (value.unit, value.order) == (Unit.QUESTION, Order.THIS):
        return False  # "we can do without the question"
    if isinstance(value, Both):
        return of_the_page(value.first) and of_the_page(value.second)
    if isinstance(value, Except):
        return of_the_page(value.whole)
    return is_target(value) and not isinstance(value, That)


_PLACING = frozenset((Unit.PARAGRAPH, Unit.SENTENCE, Unit.ITEM, Unit.LIST, Unit.HEADING, Unit.LINE))
"""What no thing of the world lies in: "the price in the second paragraph" is the word."""


def no_thing(value: object) -> bool:
    """Whether words can only be words: "drop very" and "throw out we had a boat" are said of a text
    that has them, as no thing is called by an adverb or by a clause."""
    if not isinstance(value, Words):
        return False
    words = value.words
    clause = len(words) > 2 and words[0] in (SUBJECT_PRONOUNS | _ANYBODY) - {"it"}
    linked = len(words) > 1 and words[0] in ("and", "or", "but")
    if words[-1] in SUBJECT_PRONOUNS - {"it"}:
        return False  # "and says here you can go" goes on
    return clause or linked or all(w in OF_DEGREE_AND_TIME for w in words)


_ANYBODY = frozenset("nobody everybody somebody everyone someone nothing there".split())


def as_things(value: object) -> bool:
    """Whether words are named as things are: "the stair", "the men and the women"."""
    if isinstance(value, Both):
        return as_things(value.first) or as_things(value.second)
    return isinstance(value, Words) and not value.called and value.words[0] in DETERMINERS


def of_a_grid(value: object) -> bool:
    """Whether a target is rows or columns of a table: those go and move as such."""
    if isinstance(value, Tabled) and value.below:
        return False
    return unit_named(value) in (Unit.ROW, Unit.COLUMN)


def unit_named(value: object) -> Unit | None:
    """Of which unit a target is, where it names one: "the last row", "the column about boats"."""
    if isinstance(value, Both):
        unit = unit_named(value.first)
        return unit if unit is unit_named(value.second) else None
    if isinstance(value, Except):
        return unit_named(value.whole)
    if isinstance(value, Inside):
        return unit_named(value.whole)
    unit = value.unit if isinstance(value, Units | Tabled | Holding | Beside) else None
    return Unit.ITEM if unit is Unit.STEP else unit


@dataclass(frozen=True, slots=True)
class Places:
    """Where a target stands.  With `ask`, one of the ranges is meant and nobody said which."""

    ranges: tuple[Range, ...]
    ask: bool = False
    unit: Unit | None = None
    near: str | None = None  # what was taken, where it is not quite what was heard
    heard: str = ""
    named: str = ""  # what it was called by its kind, not by a number: "greeting", "list"
    clause: bool = False  # of a sentence that goes on: its link goes with it

    @property
    def first(self) -> Range:
        return self.ranges[0]
