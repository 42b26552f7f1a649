"""Requests about things there are here, in whatever order: "lamp oil row delete", "note one done".

An utterance is the name of a row, a column, a note, a passage, a place, a version or a part of the
page, and words around it.  If every one of these asks for something or fills in, and what they ask
for together is one thing, it is put in the plain way, and then read as any other wording is.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise

from nimble_lantern.core.commands.note_here import called
from nimble_lantern.core.document.model import Document, Kind, Range
from nimble_lantern.core.document.tables import tables
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE
from nimble_lantern.core.lexicon.closed import (
    ARTICLES_AND_OWNERS,
    DETERMINERS,
    LITTLE,
    PREPOSITIONS,
)
from nimble_lantern.core.lexicon.desk import COUNTED, COUNTS, TRADE_NOUNS
from nimble_lantern.core.lexicon.housed import (
    AFTER_LEAVING,
    ASKING,
    BESIDE,
    BLANKS,
    COURTESY,
    EDGES,
    FILLING,
    FIRST_SAID,
    JOINING,
    LONGEST,
    OF_THE_CURSOR,
    OF_THE_TABLE,
    PARTICLES,
    PLAINLY,
    SAID,
    SHIFTING,
    SIGNS,
    STAYING,
    SWAPPING,
    TAKING,
    TO_AN_END,
    Phrase,
    Thing,
)
from nimble_lantern.core.lexicon.manners import TAILS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.alike import kind_of
from nimble_lantern.core.targets.model import (
    Beside,
    Order,
    Unit,
    Units,
    Words,
    of_a_grid,
    of_the_page,
    unit_named,
)
from nimble_lantern.core.targets.tabled import column_of, row_of, singular
from nimble_lantern.core.targets.words import LONG_RUN, exact, normal, told_by_words_there

_LONGEST = 14
"""Words of a request."""
_MOST_SAYINGS = 12
_NEVER_LAST = ARTICLES_AND_OWNERS | {"and", "into", "of", "to", "turn"}
"""Words in no order at all are no request: "two item delete the"."""
_NO_NOUN = PREPOSITIONS | frozenset(
    "the into turn make delete remove put take get give bring add insert convert".split()
)
_ONE_NAME = 3
"""Words of a row that is called by one: "the ida row"."""
_OWNED = frozenset("their its his her the this that".split())
_GRID = frozenset("row column".split())
_OF_ANY_TABLE = frozenset("row column topmost endmost".split())
_OF_A_ROW = frozenset("delete leaving twice".split())
_ENDS = frozenset("first last".split())
_IN_A_TABLE = frozenset("row rows table underneath below".split())
_STOPS = frozenset(".?!")
NOTES = frozenset("note notes comment comments remark remarks".split())
_SETTLED = frozenset("settled finished resolved done".split())
_PLURAL = {
    "notes": Thing.NOTES, "comments": Thing.NOTES, "remarks": Thing.NOTES, "margin": Thing.NOTES,
    "passages": Thing.PASSAGES, "places": Thing.PLACES, "markers": Thing.PLACES,
    "bookmarks": Thing.PLACES, "marks": Thing.PLACES, "spots": Thing.PLACES,
    "versions": Thing.VERSIONS, "drafts": Thing.VERSIONS,
}  # fmt: skip
NOUNS = {
    Thing.PASSAGE: ("passage",),
    Thing.PLACE: ("place", "marker", "bookmark", "mark", "spot"),
    Thing.VERSION: ("version", "draft", "copy"),
}
"""What things with names are called by."""
ANY = (("a",), ("an",), ("another",))
UNIT = {
    Thing.ROW: Unit.ROW, Thing.ROW_NAME: Unit.ROW,
    Thing.COLUMN: Unit.COLUMN, Thing.COLUMN_NAME: Unit.COLUMN,
}  # fmt: skip
_LEAVING = {w for phrase in SIGNS[Thing.PART]["leaving"] for w in phrase}
_BARE = {Thing.COLUMN: Thing.COLUMN_NAME, Thing.ROW: Thing.ROW_NAME}
WHOLE_OF = {bare: whole for whole, bare in _BARE.items()}
_OF_TWO = frozenset(("and", "with", "for")) | {phrase[-1] for phrase in BESIDE}
_TOLD_OF_TWO = (
    {w for phrases in (SWAPPING, JOINING, SHIFTING) for phrase in phrases for w in phrase} - LITTLE
) | set("row rows column columns paragraph paragraphs sentence sentences item items line".split())
_QUOTED = (Thing.RUN, Thing.ITEM, Thing.WORDS)
ANDS = (("and",), ("with",), ("and", "the"), ("with", "the"), ("for",))


@dataclass(frozen=True, slots=True)
class Named:
    """Where in an utterance a thing is named, and how the plain way calls it."""

    start: int
    end: int
    thing: Thing
    words: Phrase = ()
    here: bool = False
    """Whether it is the one the caret is in: nothing of that is taken away unasked."""


_OFTEN_ONE = (Unit.HEADING, Unit.LIST)
_Signs = dict[frozenset[str], int]
"""Signs that are raised together, and in how few phrases."""


class Around:
    """What the words before and behind each place ask for, of each kind of thing."""

    def __init__(self, words: Phrase) -> None:
        self.words = words
        self._kept: dict[Thing, tuple[list[_Signs], list[_Signs]]] = {}

    def of(self, thing: Thing) -> tuple[list[_Signs], list[_Signs]]:
        """For each place the signs that all words before it, and all from it on, may raise."""
        if thing not in self._kept:
            turned = _signs(self.words[::-1], thing, -1)
            self._kept[thing] = _signs(self.words, thing, 1), turned[::-1]
        return self._kept[thing]

    def says(self, at: Named) -> bool:
        before, behind = self.of(at.thing)
        return bool(before[at.start] and behind[at.end])

    def told_of(self, at: Named) -> dict[frozenset[str], int]:
        """The signs that may be raised round a thing, and at what cost."""
        before, behind = self.of(at.thing)
        said: dict[frozenset[str], int] = {}
        for left, few in before[at.start].items():
            for right, more in behind[at.end].items():
                if "leaving" in left:
                    continue  # "row two can go", and not "we can go to row two"
                signs = left | right
                if "leaving" in right:
                    if not leaves(self.words[: at.start], self.words[at.end :]):
                        continue
                    signs = signs - {"leaving"} | {"delete"}
                said[signs] = min(few + more, said.get(signs, few + more))
        return said


def housed(sitting: Sitting, words: Sequence[str]) -> Iterator[Phrase]:
    """The plain ways to say a request about a thing that there is here; the longest name first."""
    words = tuple(words)
    if not 2 <= len(words) <= _LONGEST or words[-1] in _NEVER_LAST or _misplaced(words):
        return
    if size := keeping(words):
        # "Clear row two but keep it": its words go, and no more.
        rest = words[:-size]
        inside = housed(sitting, rest)
        yield from (
            ("empty", *m[1:]) for m in inside if m[0] in ("delete", "empty") and m[1:2] == ("the",)
        )
        if rest[0] in _CLEARING:
            part = rest[1 + (rest[1:2] == ("out",)) :]
            told = not _GRID.isdisjoint(part) or not _GRID.isdisjoint(words[-size:])
            yield from (("empty", *part, *row) for row in ((), ("row",)) if told and part)
        return
    around = Around(words)
    made: dict[Phrase, None] = {}
    named = sorted(named_in(sitting, words, around), key=lambda n: n.start - n.end)
    for at in named:
        if at.end - at.start == len(words) or _is_a_count(words, at):
            continue
        said = around.told_of(at)
        for signs in sorted(said, key=lambda signs: (said[signs], sorted(signs))):
            plain = PLAINLY[at.thing].get(signs)
            taken = at.here and plain is not None and plain.startswith("delete")
            if plain is None or taken:
                continue
            if is_asked(at, signs, words[: at.start], words[at.end :]):
                made[tuple(plain.format(" ".join(at.words)).split())] = None
    for plain_words in (*_of_two(words, named), *_of_a_cell(sitting, words, named)):
        made[plain_words] = None
    yield from (m for m in made if m != words)


def _is_a_count(words: Phrase, at: Named) -> bool:
    """Whether it counts a part: "the second paragraph", where it says "the second Saturday"."""
    counts = set(at.words) <= COUNTS | {"the", "next", "previous"}
    part = "".join(words[at.end : at.end + 1])
    return at.thing is Thing.WORDS and counts and part in COUNTED | {"word", "heading"}


_CLEARING = frozenset("clear empty blank wipe".split())
_KEPT = "it,it there,them,them there,it in,the row,the column,it empty".split(",")
_KEEPING = tuple(
    tuple(f"but {verb} {what}".split()) for verb in ("keep", "leave") for what in _KEPT
)


def keeping(words: Phrase) -> int:
    """How many words at the end say that the thing itself stays: "but keep it"."""
    return next((len(tail) for tail in _KEEPING if words[-len(tail) :] == tail), 0)


def _misplaced(words: Phrase) -> bool:
    """Whether an article stands before what has none: "text table the turn into"."""
    told = [word for word in words if word not in _BETWEEN]
    return any(a == "the" and b in _NO_NOUN for a, b in pairwise(told))


_BETWEEN = frozenset(("only", "whole", "very", "just"))
"""What may stand between an article and its noun: "the only row"."""


def has_things(sitting: Sitting) -> bool:
    document = sitting.document
    held = sitting.passages or sitting.milestones or document.anchors
    return bool(held) or any(block.cell for block in document.blocks)


def is_asked(at: Named, signs: frozenset[str], left: Phrase, right: Phrase) -> bool:
    """Whether the words round a thing do ask, and are not only such as may."""
    outside = frozenset((*left, *right))
    if left[:1] in (("come",), ("comes",), ("goes",)):
        return False  # "we will come, underline the last word"
    if (
        at.thing is Thing.ROW_NAME
        and not signs.isdisjoint(_OF_A_ROW)
        and _IN_A_TABLE.isdisjoint(outside)
    ):
        return False  # what stands in a table may be spoken of: "delete march"
    if left[-1:] and left[-1] in COUNTS and at.words[0] in _GRID:
        return False  # "the last column to the right"
    in_order = at.thing is Thing.ROW_NAME and bool(signs) and signs <= _ENDS
    moved = not left and right in TO_AN_END and len(at.words) > _ONE_NAME
    if in_order and not moved and ASKING.isdisjoint(outside) and _IN_A_TABLE.isdisjoint(outside):
        return False
    if at.thing is Thing.TABLE and signs and signs <= _OF_ANY_TABLE and left[-1:] in ANY:
        return False  # "start a table with two columns and five rows"
    if at.thing is Thing.TABLE and "text" in signs and "into" in left[-2:]:
        return False  # "turn the text into the table"
    if "add" in signs and any(
        a in _OWNED and b in _GRID for a, b in (*pairwise(left), *pairwise(right))
    ):
        return False  # "let the fees stand on the right of their column"
    short = at.thing is Thing.RUN and len(at.words) < LONG_RUN
    takes = not signs.isdisjoint(("delete", "leaving", "not_wanted"))
    if short and takes and TAKING.isdisjoint(outside):
        return False  # a short sentence may be said again: "i don't want to thank you"
    if at.thing is Thing.RUN and signs and signs <= EDGES:
        return not (outside.isdisjoint(ASKING) and FIRST_SAID.isdisjoint(left[:1]))
    if "cursor" in signs and at.thing is Thing.WORDS and at.words[0] in DETERMINERS:
        return not outside.isdisjoint(OF_THE_CURSOR)
    if signs <= {"here"}:
        return outside <= COURTESY
    if "empty" in signs:
        thing = left[:1] in (("the",), ("a",)) and not BLANKS.isdisjoint(left)
        return not thing and outside.isdisjoint(("a", "an", "has", "have"))
    return True


def leaves(left: Phrase, right: Phrase) -> bool:
    """ "Row two out of the table, please", and not "out to the right" nor "put row two off"."""
    if not all(word in AFTER_LEAVING or word in _LEAVING for word in right):
        return False
    told = not (set(right) & _LEAVING <= PARTICLES | COURTESY)
    return told or STAYING.isdisjoint(left)


def _signs(words: Phrase, thing: Thing, way: int) -> list[_Signs]:
    """For each place the signs that all words before it may raise together; none if some of them
    say nothing.  With `way` -1 the words are turned round."""
    said, of_table = SAID[thing], thing in UNIT
    found: list[_Signs] = [{frozenset(): 0}]
    for end in range(1, len(words) + 1):
        here: _Signs = {}
        for start in range(max(0, end - LONGEST), end):
            if not found[start]:
                continue
            phrase = words[start:end][::way]
            raised = [frozenset((sign,)) for sign in said.get(phrase, ())]
            if phrase in FILLING or of_table and phrase in OF_THE_TABLE:
                raised.append(frozenset())
            for signs, few in found[start].items():
                for more in raised:
                    here[signs | more] = min(few + 1, here.get(signs | more, few + 1))
        best = sorted(here, key=lambda signs: (here[signs], sorted(signs)))[:_MOST_SAYINGS]
        found.append({signs: here[signs] for signs in best})
    return found


def _of_two(words: Phrase, named: Sequence[Named]) -> Iterator[Phrase]:
    """Two that are to stand beside each other, to change places, or to become one."""
    kinds = (*UNIT, Thing.PART, Thing.ITEM)
    for a in (n for n in named if n.thing in kinds):
        for b in (n for n in named if n.start >= a.end and n.thing in kinds):
            if UNIT.get(a.thing, a.thing) is not UNIT.get(b.thing, b.thing):
                continue
            left, middle, right = words[: a.start], words[a.end : b.start], words[b.end :]
            bare = not (_is_told_of(a) or _is_told_of(b))
            items = a.thing is b.thing is Thing.ITEM
            told = items or any(_tells(part, SHIFTING) for part in (left, middle))
            for phrase, side in BESIDE.items() if told or not bare else ():
                size = len(phrase)
                at = (i for i in range(len(middle)) if middle[i : i + size] == phrase)
                for i in at:
                    rest = (left, middle[:i], middle[i + size :], right)
                    if all(_says(part, SHIFTING) for part in rest):
                        yield ("move", *a.words, "before" if side < 0 else "after", *b.words)
            linked = middle in ANDS
            swapped = middle[-1:] == ("with",) and _tells(middle[:-1], SWAPPING)
            swapped = swapped and _says(middle[:-1], SWAPPING)
            if linked or swapped:
                for verb, phrases in (("swap", SWAPPING), ("join", JOINING)):
                    told = any(_tells(part, phrases) for part in (left, right))
                    told = told if linked else verb == "swap"
                    if told and _says(left, phrases) and _says(right, phrases):
                        yield (verb, *a.words, "and", *b.words)


def _of_a_cell(sitting: Sitting, words: Phrase, named: Sequence[Named]) -> Iterator[Phrase]:
    """What a cell is to say, after its row and column and nothing else: "wick price three"."""
    rows = [n for n in named if n.thing is Thing.ROW_NAME]
    columns = [n for n in named if n.thing is Thing.COLUMN_NAME]
    for row in rows:
        for column in columns:
            first, second = sorted((row, column), key=lambda n: n.start)
            between, text = words[first.end : second.start], _told(words[second.end :])
            beside = not between or first is column and between in _OF_THE_ROW
            new = 0 < len(text) <= _MOST_OF_A_CELL and text[0] not in LITTLE
            told = beside and new and words[: first.start] in ((), ("the",))
            if told and (kind_of(text) == "number" or not _holds_a_number(sitting, row, column)):
                yield ("set", *row.words[:-1], *column.words[1:-1], "to", *text)
    for row, column, text in _told_of_a_cell(words, named):
        yield ("set", *row.words[:-1], *column.words[1:-1], "to", *text)


def _told(text: Phrase) -> Phrase:
    """ "Wick price is three": without what only tells that it is so, if a number is told."""
    if text[-1:] == ("please",) or text[-1:] == ("now",) and kind_of(text[-2:-1]):
        text = text[:-1]
    if text[:2] in _WISHED_OF_CELLS:
        return text[2:]
    rest = next((text[n:] for n in (2, 1) if text[:n] in _TELLING_OF_CELLS), text)
    return rest if kind_of(rest) == "number" else text


_TELLING_OF_CELLS = (("is",), ("are",), ("is", "now"), ("are", "now"), ("now", "is"))
_WISHED_OF_CELLS = tuple(
    (aux, verb) for aux in ("should", "must", "shall") for verb in ("be", "say", "read", "have")
)


def _holds_a_number(sitting: Sitting, row: Named, column: Named) -> bool:
    """ "Rope left over" puts no word into a column of numbers."""
    blocks = sitting.document.blocks
    for table in tables(blocks):
        r, c = row_of(blocks, table, row.words[1:-1]), column_of(blocks, table, column.words[1:-1])
        if r is not None and c is not None:
            return kind_of(tuple(blocks[table.cell(r, c)].text.lower().split())) == "number"
    return True


def _told_of_a_cell(words: Phrase, named: Sequence[Named]) -> Iterator[tuple[Named, Named, Phrase]]:
    """ "January should be five tins"."""
    for row in (n for n in named if n.thing is Thing.ROW_NAME):
        for column in (n for n in named if n.thing is Thing.COLUMN_NAME):
            first, second = sorted((row, column), key=lambda n: n.start)
            parts = words[: first.start], words[first.end : second.start], words[second.end :]
            said = [w for part in parts for w in part]
            number = tuple(w for w in said if w not in _OF_CELLS)
            together = any(number and number == p[-len(number) :] for p in parts)
            if together and not _ASKED_OF_CELLS.isdisjoint(said) and kind_of(number) == "number":
                yield row, column, number


_OF_CELLS = LITTLE | frozenset(
    "should must has have had gets needs set put make change say says read reads show now".split()
)
_ASKED_OF_CELLS = frozenset("should must needs set put make change".split())
_OF_THE_ROW = (("for",), ("for", "the"), ("of",), ("of", "the"))
_MOST_OF_A_CELL = 2


def _is_told_of(named: Named) -> bool:
    """Whether a thing is called what it is: "row two", and not by words that stand there."""
    by_kind = named.thing in (Thing.ROW, Thing.COLUMN)
    return by_kind or named.thing is Thing.PART and not TRADE_NOUNS.isdisjoint(named.words)


def _says(words: Phrase, phrases: frozenset[Phrase]) -> bool:
    """Whether all of these words are such phrases, or ask for nothing."""
    reached = {0}
    for end in range(1, len(words) + 1):
        for start in range(max(0, end - LONGEST), end):
            phrase = words[start:end]
            if start in reached and (phrase in FILLING or phrase in phrases):
                reached.add(end)
    return len(words) in reached


def _tells(words: Phrase, phrases: frozenset[Phrase]) -> bool:
    return any(
        words[i:j] in phrases
        for i in range(len(words))
        for j in range(i + 1, min(len(words), i + LONGEST) + 1)
    )


def named_in(sitting: Sitting, words: Phrase, around: Around | None) -> Iterator[Named]:
    """Every thing that is named in an utterance; if it is known what may be said `around` one,
    with nothing round it but what may ask for it."""
    document = sitting.document
    yield from _on_the_page(sitting, words, around)
    if any(block.cell for block in document.blocks):
        yield from _of_tables(document, words)
    if not NOTES.isdisjoint(words):
        match = CATALOGUE.grammar.match(words)
        for i in range(len(words)):
            for reading in match.at("note", i):
                if isinstance(called(sitting, reading.value), Refusal):
                    continue
                yield Named(i, reading.end, Thing.NOTE, words[i : reading.end])
    for i, word in enumerate(words):
        if word in _PLURAL:
            settled = words[i - 1 : i] if i and words[i - 1] in _SETTLED else ()
            yield Named(i, i + 1, _PLURAL[word], (*settled, word))
    places = [str(a.data["name"]) for a in document.anchors.values() if a.kind == "place"]
    yield from _by_name(words, Thing.PASSAGE, [p.name for p in sitting.passages])
    yield from _by_name(words, Thing.PLACE, places)
    yield from _by_name(words, Thing.VERSION, [m.name for m in sitting.milestones])
    if sitting.compared is not None:
        for i, word in enumerate(words):
            if word in ("change", "difference", "one", "it", "that", "this"):
                start = i - (i > 0 and words[i - 1] in DETERMINERS)
                yield Named(start, i + 1, Thing.CHANGE)


def _on_the_page(sitting: Sitting, words: Phrase, around: Around | None) -> Iterator[Named]:
    """Rows, columns and parts of the page by the grammar; items, and words that stand there."""
    size, blocks = len(words), sitting.document.blocks
    items = any(block.kind is Kind.ITEM for block in blocks)
    grid = any(block.cell for block in blocks)
    told = not TRADE_NOUNS.isdisjoint(words)
    kinds = [Thing.RUN] + [
        thing
        for thing, there in (
            (Thing.PART, told), (Thing.ITEM, items), (Thing.WORDS, "paragraph" in words),
            (Thing.ROW, grid), (Thing.COLUMN, grid),
        )
        if there
    ]  # fmt: skip
    two = not _OF_TWO.isdisjoint(words) and (items or not _TOLD_OF_TWO.isdisjoint(words))
    match = CATALOGUE.grammar.match(words) if (told or grid) and kinds else None
    for i in range(size):
        ends = {
            j: [
                thing for thing in kinds if two or around is None or around.says(Named(i, j, thing))
            ]
            for j in range(i + 1, size + 1)
        }
        for reading in match.at("target", i) if match and any(ends.values()) else ():
            j, value = reading.end, reading.value
            if of_a_grid(value) and not isinstance(value, Words):
                thing = Thing.ROW if unit_named(value) is Unit.ROW else Thing.COLUMN
                # "Another row under paint" speaks of no row that stands there.
                new = isinstance(value, Beside) and words[i] not in DETERMINERS
                if words[j - 1] not in DETERMINERS and not new:
                    yield Named(i, j, thing, words[i:j])
            elif Thing.PART in ends[j] and _is_told(sitting.document, value, words[i:j]):
                here = isinstance(value, Units) and value.order is Order.THIS
                yield Named(i, j, Thing.PART, words[i:j], here)
        for j, things in ends.items():
            if Thing.ITEM in things and words[i] == "the" and words[j - 1] == "one":
                yield from _the_one(sitting.document, words[i + 1 : j - 1], i, j)
            if any(thing in _QUOTED and (thing is not Thing.RUN or j - i > 1) for thing in things):
                yield from _quoted(sitting.document, words, i, j)


def _is_told(document: Document, value: object, words: Phrase) -> bool:
    """Whether a part of the page is named as such; not "this paragraph", too little to go by."""
    here = isinstance(value, Units) and (value.order is Order.THIS or value.unit is Unit.DOCUMENT)
    only = isinstance(value, Units) and value.unit in _OFTEN_ONE and words[0] == "the"
    told = (only or not here) and not TRADE_NOUNS.isdisjoint(words)
    return told and of_the_page(value) and told_by_words_there(document, value)


def _quoted(document: Document, words: Phrase, i: int, j: int) -> Iterator[Named]:
    """Words of the page: an item of a list, a run of some, or a few that name where they stand."""
    quoted = words[i:j]
    if all(w in LITTLE for w in quoted) or words[i - 1 : i] in (("the",), ("a",)):
        return
    found = exact(document, quoted)
    if not found:
        return
    yield Named(i, j, Thing.WORDS, quoted)
    items = [r for r in found if document.blocks[r.start.block].kind is Kind.ITEM]
    if any(document.count_words(r) == len(document.blocks[r.start.block].words) for r in items):
        yield Named(i, j, Thing.ITEM, quoted)
    short = quoted not in TAILS and any(_is_a_sentence(document, r) for r in found)
    if len(quoted) >= LONG_RUN or short:
        yield Named(i, j, Thing.RUN, quoted)


def _the_one(document: Document, words: Phrase, i: int, j: int) -> Iterator[Named]:
    """ "The coastguard one": the one item that has such words."""
    if not words or all(w in LITTLE for w in words):
        return
    found = {r.start.block for r in exact(document, words)}
    if len(found) == 1 and document.blocks[found.pop()].kind is Kind.ITEM:
        yield Named(i, j, Thing.ITEM, ("the", "item", "about", *words))


def _is_a_sentence(document: Document, there: Range) -> bool:
    """Whether words are all of a sentence, but for its stop."""
    block = document.blocks[there.start.block]
    closed = block.text[there.end.offset : there.end.offset + 1]
    sentence = there.start.offset, there.end.offset + len(closed)
    return closed in _STOPS and sentence in block.sentences


def _by_name(words: Phrase, thing: Thing, names: Sequence[str]) -> Iterator[Named]:
    """Where a name stands, with what it is called by; a name of one word needs that."""
    nouns = NOUNS[thing]
    for name in names:
        said = normal(tuple(name.lower().split()))
        said = said[1:] if said[:1] in (("the",), ("my",)) and len(said) > 1 else said
        for i in range(len(words) - len(said) + 1):
            j = i + len(said)
            if normal(words[i:j]) != said:
                continue
            start = i
            if i > 1 and words[i - 1] in ("called", "named") and words[i - 2] in nouns:
                start = i - 2
            elif i and words[i - 1] in nouns:
                start = i - 1
            end = j + (j < len(words) and words[j] in nouns)
            if len(said) > 1 or end - start > len(said):
                yield Named(start, end, thing, said)


def _of_tables(document: Document, words: Phrase) -> Iterator[Named]:
    """The table, and rows and columns by the words of their headings alone."""
    for i, word in enumerate(words):
        if word == "table":
            yield Named(i, i + 1, Thing.TABLE)
        if word == "columns":
            yield Named(i, i + 1, Thing.COLUMNS)
    blocks = document.blocks
    for table in tables(blocks):
        heads = [blocks[table.cell(0, c)].text for c in range(table.columns)]
        kind = normal(tuple(heads[0].lower().split()))
        firsts = [blocks[table.cell(r, 0)].text for r in range(1, table.rows)]
        yield from _by_one_name(document, words, firsts)
        for thing, texts in ((Thing.COLUMN, heads), (Thing.ROW, firsts)):
            for text in texts:
                said = normal(tuple(text.lower().split()))
                for i in range(len(words) - len(said) + 1):
                    j = i + len(said)
                    if not said or singular(normal(words[i:j])) != singular(said):
                        continue
                    yield Named(i, j, _BARE[thing], ("the", *said, thing.value))
                    if thing is Thing.ROW and words[j : j + 1] in (("one",), kind):
                        yield Named(i, j + 1, thing, ("the", *said, thing.value))


def _by_one_name(document: Document, words: Phrase, firsts: Sequence[str]) -> Iterator[Named]:
    """A row by one of several names in its first cell: "edie", where there is one Edie Stone."""
    said = Counter(name for text in firsts for name in set(text.split()))
    for i, word in enumerate(words):
        bare = word.removesuffix("'s")
        for text in firsts:
            names = text.split()
            told = len(names) > 1 and all(name[:1].isupper() for name in names)
            one = next((name for name in names if name.lower() == bare), None)
            if one and told and said[one] == 1 and len(exact(document, (bare,))) == 1:
                beside = {w for j in (i - 1, i + 1) if 0 <= j < len(words) for w in (words[j],)}
                if beside.isdisjoint(name.lower() for name in names if name != one):
                    called = normal(tuple(text.lower().split()))
                    yield Named(i, i + 1, Thing.ROW_NAME, ("the", *called, "row"))
