"""What people ask of the desk's own things and of parts of a page, in whatever order.

Each phrase raises a sign, and the signs that are raised together tell what is asked: "total" asks
for a sum, "total" and "below" for one that is written.  So no word order is held to.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from enum import Enum

from nimble_lantern.core.lexicon.asked import COLOURS
from nimble_lantern.core.lexicon.asked_of import OF_PARTS, OF_THINGS, SHARED

Phrase = tuple[str, ...]


class Thing(Enum):
    """The kinds of things that are spoken of."""

    ROW = "row"
    COLUMN = "column"
    ROW_NAME = "name of a row"
    COLUMN_NAME = "name of a column"
    TABLE = "table"
    NOTE = "note"
    NOTES = "notes"
    PASSAGE = "passage"
    PASSAGES = "passages"
    PLACE = "place"
    PLACES = "places"
    VERSION = "version"
    VERSIONS = "versions"
    CHANGE = "change"
    COLUMNS = "columns"
    PART = "part"
    ITEM = "item"
    WORDS = "words"
    RUN = "run of words"


def phrases(text: str) -> tuple[Phrase, ...]:
    """The phrases of a text, parted by commas, as words."""
    return tuple(tuple(phrase.split()) for phrase in text.split(","))


FILLING = frozenset(
    phrases(
        """
        the, a, an, of, it, its, in, into, from, on, at, for, be, please, kindly, just, now, then,
        also, and, so, that, so that, this, there, here, all, whole, entire, again, really, let's,
        can, could, may, might, shall, should, must, will, would, ought, needs, need, wants, want,
        like, get, gets, go, goes, come, comes, let, make, made, put, set, give, turn, take,
        bring, has to, ought to, is to, is to be, are to be, i want, i'd like, would like, it so,
        so it, some, any, any more, anymore, any longer, by, too, as well, right, straight,
        my, our, your, with, stand, stands, first of all, better, be so kind, would be, could be,
        thing, one, to, have, has, can you, could you, would you, will you, can we, could we, can
        i, could i, may i, we want, i need, we need, i want to, we want to, i need to, we need to,
        i'd like to, i would like to, we'd like, we'd like to, let me, let us, give me, show me,
        for me, for us, do you think you could, i wish, would you
        mind, i think, i do, we do, me, us, i've got, i have got, we've got, we have got, got,
        those, these, them, their, all of, only, still, already, actually, after all, in there,
        in here, of here, a bit, a little, for now, of mine, of ours, somewhere, somehow, either,
        both
        """
    )
)
"""Phrases that ask for nothing by themselves."""
OF_THE_TABLE = frozenset(
    phrases(
        "table, the table, rows, the rows, columns, column, row, numbers, figures, names, amounts"
    )
)
"""Nor do these, of what stands in a table."""


def entries(text: str) -> Iterator[str]:
    """The lines of a text, each with those that go on from it."""
    lines = [line for line in text.splitlines() if line.strip()]
    starts = [n for n, line in enumerate(lines) if not line.startswith("  ")]
    for start, end in zip(starts, [*starts[1:], len(lines)], strict=True):
        yield " ".join(line.strip() for line in lines[start:end])


_shared: dict[str, str] = {}


def in_full(text: str) -> str:
    """Phrases with those that are kept under a name: "@delete, clear"; and "its" for "the" or
    "that" where a "~" says so: "last in ~ paragraph"."""
    parts = (part.strip() for part in text.split(","))
    full = ", ".join(_shared[part[1:]] if part[:1] == "@" else part for part in parts)
    each = (part.strip() for part in full.split(","))
    return ", ".join(
        part.replace("~", word) for part in each for word in (_WHOSE if "~" in part else ("",))
    )


_WHOSE = ("the", "its", "that", "this")


for _entry in entries(SHARED):
    _sign, _text = _entry.split(": ", 1)
    _shared[_sign] = in_full(_text)
SIGNS: dict[Thing, dict[str, tuple[Phrase, ...]]] = {}
PLAINLY: dict[Thing, dict[frozenset[str], str]] = {}
"""For each kind of thing: the phrases that raise a sign; and the plain way to say what is asked."""
_things: list[Thing] = []
for _entry in entries(OF_THINGS + OF_PARTS):
    if _entry.startswith("["):
        _things = [Thing(name) for name in _entry[1:-1].split(", ")]
    elif " = " in _entry:
        _signs, _plain = _entry.split(" = ")
        for _thing in _things:
            PLAINLY.setdefault(_thing, {})[frozenset(_signs.split()) - {"-"}] = _plain
    else:
        _sign, _text = _entry.split(": ", 1)
        for _thing in _things:
            SIGNS.setdefault(_thing, {})[_sign] = phrases(in_full(_text))


_AT_AN_END = phrases(
    "at the top, to the top, at the very top, at the bottom, to the bottom, at the very bottom,"
    " first, last, come first, come last, be first, be last, in first place, in last place"
)
TO_AN_END = frozenset(phrases("to the top, to the bottom, to the very top, to the very bottom"))
"""Said behind a row's whole name, they ask: "edie stone to the top"."""
LOOKS = frozenset("bold italic underlined struck highlighted shouted quoted bracketed".split())


def _of_a_bare_name(
    name: Thing, whole: Thing, left_out: set[str], told: Callable[[str, Phrase], bool]
) -> None:
    """What is asked of a row or column that is called by its words alone: only what plainly is."""
    SIGNS[name] = {
        sign: tuple(phrase for phrase in raising if told(sign, phrase))
        for sign, raising in SIGNS[whole].items()
        if sign not in left_out
    }
    PLAINLY[name] = {
        signs: plain
        for signs, plain in PLAINLY[whole].items()
        if signs <= SIGNS[name].keys() and signs != {"read"}
    }


for _thing in (Thing.ROW, Thing.COLUMN):
    # "A line under the wood row" is another row.
    SIGNS[_thing]["underlined"] = tuple(
        phrase for phrase in SIGNS[_thing]["underlined"] if any("underlin" in w for w in phrase)
    )
for _thing in (Thing.ROW, Thing.COLUMN, Thing.PART):
    for _colour in COLOURS:
        SIGNS[_thing][_colour] = phrases(
            f"{_colour}, in {_colour}, {_colour} letters, in {_colour} letters, colour {_colour},"
            f" {_colour} ink, in {_colour} ink, some {_colour}, some {_colour} on, {_colour} on"
        )
        PLAINLY[_thing][frozenset((_colour,))] = f"make {{}} {_colour}"
    SIGNS[_thing]["yellow"] += phrases("yellow marker, yellow marker on, a yellow marker on")
    for _asked in (("yellow",), ("yellow", "highlighted"), ("yellow", "select")):
        PLAINLY[_thing][frozenset(_asked)] = "highlight {} in yellow"

_of_a_bare_name(
    Thing.ROW_NAME,
    Thing.ROW,
    set("empty all select read".split()) | LOOKS | set(COLOURS),
    lambda sign, phrase: (
        sign in ("below", "above", "delete", "leaving", "twice")
        or sign in ("first", "last")
        and phrase in _AT_AN_END
        or not set(phrase).isdisjoint("row rows table others rest".split())
    ),
)
_of_a_bare_name(
    Thing.COLUMN_NAME,
    Thing.COLUMN,
    set("delete leaving empty all twice select left right first last".split()),
    lambda sign, phrase: (
        not sign.startswith("ranged")
        or not set(phrase).isdisjoint("aligned align flush ranged justified lined line".split())
    ),
)

SIGNS[Thing.WORDS] |= {
    look: tuple(phrase for phrase in SIGNS[Thing.RUN][look] if len(phrase) > 1) for look in LOOKS
}
PLAINLY[Thing.WORDS] |= {
    signs: plain for signs, plain in PLAINLY[Thing.RUN].items() if signs <= LOOKS
}

_OF_TWO = """
before: @before, @above, left of, to the left of, on the left of, so that it comes before, so it
  comes before
after: @after, @below, right of, to the right of, on the right of, so that it comes after
shifting: belongs, belong, belongs right, move, shift, place, put, be put, be moved, moved, drag,
  push, it, it comes, comes
swapping: are in the wrong order, in the wrong order, are the wrong way round, the wrong way
  round, are the wrong way about, the wrong way about, wrong way round, swap, swapped, between,
  trade places between, exchange, exchanged, switch, switched, trade, the other way round, the
  other way around, the other way about, change places, swap places, swap over, change over, over,
  round, around, reversed, change, in each other's place, trade places, turned round, turn round,
  interchange, reverse
joining: together, join, joined, into one, in one, merge, merged, combine, combined, one
  paragraph, into one paragraph, as one paragraph, one paragraph of, one sentence of, pull, run,
  as one, a single paragraph, into a single paragraph, no break between, no gap between, remove
  the break between, take out the break between, delete the break between, no space between, unite
"""
_two = {sign: in_full(text) for sign, _, text in (e.partition(": ") for e in entries(_OF_TWO))}
BESIDE: dict[Phrase, int] = {
    phrase: side for side, sign in ((-1, "before"), (1, "after")) for phrase in phrases(_two[sign])
}
"""Where one of two rows or columns goes: before the other (-1) or behind it (1)."""
SHIFTING = frozenset(phrases(_two["shifting"]))
SWAPPING = frozenset(phrases(_two["swapping"]))
"""Said of two, that each goes where the other is."""
JOINING = frozenset(phrases(_two["joining"]))
"""Said of two, that they become one."""

SAID: dict[Thing, dict[Phrase, tuple[str, ...]]] = {}
"""For each kind of thing, the signs that each phrase may raise."""
for _thing, _signed in SIGNS.items():
    for _sign, _told in _signed.items():
        for _phrase in dict.fromkeys(_told):
            _raised = SAID.setdefault(_thing, {})
            _raised[_phrase] = (*_raised.get(_phrase, ()), _sign)
COURTESY = frozenset(
    "please kindly the my a and here now there in then comes goes give me show let us see".split()
)
"""All that may stand round a name that asks for something by itself."""
AFTER_LEAVING = COURTESY | frozenset(
    "again too as well for me us of table page can could may any more anymore longer".split()
)
"""All that may stand behind a thing with what says that it leaves: "row two out of the table"."""
STAYING = frozenset("make made put set give bring turn stand stands show".split())
PARTICLES = frozenset("out off away".split())
"""After the first, the second take nothing away: "put the last sentence off"."""
BLANKS = frozenset("blank empty bare clear nothing".split())
"""With an article they are things: "the blank in row two"."""
TAKING = frozenset(
    "delete deleted remove removed erase erased rid strike cut dropped leave".split()
)
"""Of words that take away, those that are said of a text."""
EDGES = frozenset("topmost endmost opening closing".split())
ASKING = frozenset(
    "should must ought put bring take move have let please goes belongs needs want wants"
    " like".split()
)
"""Without one of these, words of the page with where they are tell: "at the very end nobody"
" came"."""
FIRST_SAID = frozenset("start begin open end finish close".split())
"""They ask as well, where they are said first: "start the letter with"."""
OF_THE_CURSOR = frozenset("cursor caret pointer insertion".split())
LONGEST = max(len(phrase) for said in SAID.values() for phrase in said)
"""Words of a phrase."""
