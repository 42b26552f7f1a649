"""Words, signs and marks, wherever they stand; and the units that hold them."""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence
from dataclasses import replace
from itertools import islice, product

from nimble_lantern.core.document import units
from nimble_lantern.core.document.clauses import clause_with
from nimble_lantern.core.document.model import Document, Position, Range
from nimble_lantern.core.document.tables import table_at
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.lexicon.closed import AUXILIARIES, DETERMINERS, LITTLE
from nimble_lantern.core.lexicon.sentences import VERBS
from nimble_lantern.core.origins import written_with
from nimble_lantern.core.targets import words as spoken
from nimble_lantern.core.targets.finding import (
    Absent,
    Answer,
    Missing,
    View,
    all_within,
    find,
    finds,
    reference,
)
from nimble_lantern.core.targets.measures import names_all_of_a_sort, of_sort
from nimble_lantern.core.targets.model import (
    Adjoining,
    At,
    Each,
    Enclosed,
    Holding,
    Marked,
    Order,
    Places,
    Sign,
    Target,
    Unit,
    Units,
    Words,
)
from nimble_lantern.core.targets.tabled import (
    cell_of_two_names,
    cells_of_a_kind,
    row_under_a_heading,
)
from nimble_lantern.core.targets.telling import forms_there, holds_each, told_by
from nimble_lantern.core.writing.cardinals import in_words, ordinal_in_words

SURE = 90.0
_MOST_FORMS = 8
_CLOSE_BLOCKS = 20
_PAIRS = {
    "quotes": ('“‘"', '”’"'),
    "brackets": ("(", ")"),
    "square": ("[", "]"),
    "braces": ("{", "}"),
}


def _stands_itself(target: Words, view: View) -> bool:
    """ "The first aid box" is no first of several aid boxes where those words stand."""
    named = _NAMED_ORDERS.get(target.order) if target.order is not None else None
    if target.order is Order.NTH and target.n > 0:
        named = ordinal_in_words(target.n)
    if named is None or target.of is not None or target.called:
        return False
    return bool(spoken.exact(view.document, (named, *target.words)))


_NAMED_ORDERS = {Order.FIRST: "first", Order.LAST: "last", Order.NEXT: "next"}


def _only_heads(view: View, places: Sequence[Range]) -> bool:
    """Whether words stand nowhere but over a column: "all the minutes" are what is below."""
    cells = [view.document.blocks[r.start.block] for r in places]
    return all(block.cell is not None and block.cell.header for block in cells)


@finds(Words)
def _words(target: Words, view: View, near: bool) -> Answer:
    if target.words in _PRONOUNS and target.order is not None and not target.called:
        return Absent("Nothing was named that there are several of.")
    if _stands_itself(target, view):
        return Absent("Those words stand there as they were said.")
    scopes: Iterable[Range | None] = (None,)
    if target.of is not None:
        outer = find(target.of, view)
        if isinstance(outer, Refusal):
            return outer
        scopes = outer.ranges
    known = view.vocabulary
    if target.order is Order.EVERY and target.of is None and not target.called:
        there = spoken.exact(view.document, target.words)
        if _only_heads(view, there) and (cells := cells_of_a_kind(view, target.words)):
            return Places(cells, unit=Unit.COLUMN)
    if target.order in (Order.LAST, Order.PREVIOUS) and target.of is None:
        # Most often it is close by: no need then to find all the others.
        start = Position(max(0, view.caret.block - _CLOSE_BLOCKS), 0)
        here = Range(start, reference(view).start)
        close_by = spoken.places(view.document, target.words, here, known)
        if close_by:
            return Places(tuple(close_by[-1:]))
    every = target.order is Order.EVERY
    found = []
    if every and not spoken.exact(view.document, target.words):
        # "All the dates" are those, although it says "date" somewhere.
        found = [r for s in scopes for r in of_sort(view.document, ("the", *target.words), s)]
    found = found or [
        r
        for scope in scopes
        for r in spoken.places(view.document, target.words, scope, known, every)
    ]
    taken: str | None = None
    if not found and (scope := _past_the_salutation(target.of, view)) is not None:
        found = spoken.places(view.document, target.words, scope, known, every)
    if not found:
        told = every or target.order is not None  # "every price", "the second date"
        sort = ("the", *target.words) if told else target.words
        found = [r for scope in scopes for r in of_sort(view.document, sort, scope)]
    if not found and target.of is None and target.order is None:
        row = row_under_a_heading(view, target.words)
        if row is not None:
            return Places((row,), unit=Unit.ROW)
        cell = cell_of_two_names(view, target.words)
        if cell is not None:
            return Places((cell,), unit=Unit.CELL)
    if not found:
        # "The one" is no slip for an "on" that stands there.
        wanted = near and target.of is None and bool(set(target.words) - LITTLE - {"one", "ones"})
        close = spoken.near(view.document, target.words, view.caret) if wanted else []
        # Nor is "the note" one for a "not", whose loss would turn a sentence round.
        close = [c for c in close if not LITTLE.issuperset(c.text.lower().split())]
        unsure = close[1:2] and close[1].likeness >= SURE
        if not close or close[0].likeness < SURE or unsure or not _as_many(target.words, close[0]):
            return _missing(target.words, close, "this text" if target.of is None else "that part")
        taken = close[0].text
        found = spoken.places(view.document, taken.split()) or [close[0].range]
    if len(found) > 1 and target.of is None and target.order is None:
        found = _inside(view, found) or found
    picked = _one_of(target, found, view)
    if picked is None:
        return Refusal(f"“{' '.join(target.words)}” stands here {in_words(len(found))} times.")
    every = names_all_of_a_sort(target.words) and taken is None
    ask = len(picked) > 1 and target.order is None and not every
    return Places(tuple(picked), ask, near=taken, heard=" ".join(target.words))


def _inside(view: View, found: list[Range]) -> list[Range]:
    """The one place that lies in what is selected: there "ida" is that Ida."""
    held = view.selection if view.holds else None
    inside = [
        r for r in found if held and held.start <= r.start and r.end <= held.end and r != held
    ]
    return inside if len(inside) == 1 else []


def _as_many(words: tuple[str, ...], close: spoken.Near) -> bool:
    """Whether words that come close are as many, with no end of a sentence between them, or the
    same letters: "boat house" for a boathouse, and not "raffle from the rest" for "raffle. The
    rest"."""
    said = [w for i, w in enumerate(words) if i or w not in DETERMINERS]
    there = close.text.lower().split()
    there = [w for i, w in enumerate(there) if i or w not in DETERMINERS]
    ended = any(w.rstrip("”’)")[-1:] in (".", "!", "?") for w in there[:-1])
    alike = "".join(said) == "".join(c for w in there for c in w if c.isalnum())
    return not ended and (len(said) == len(there) or alike)


_PRONOUNS = (("one",), ("ones",))
"""With an order they are no words of the page: "the last one"."""


def _past_the_salutation(part: Target | None, view: View) -> Range | None:
    """The first paragraph as many count it, who take "Dear Harbour Board," for none."""
    if not isinstance(part, Units) or part.unit is not Unit.PARAGRAPH or part.of is not None:
        return None
    if part.order is not Order.NTH or part.count != 1:
        return None
    paragraphs = all_within(Unit.PARAGRAPH, view, view.document.whole)
    whole = [r for r in paragraphs if view.document.text(r).rstrip("”’)")[-1:] in (".", "!", "?")]
    return whole[part.n - 1] if 0 < part.n <= len(whole) else None


def _missing(words: tuple[str, ...], close: list[spoken.Near], place: str) -> Missing:
    what = f"I heard “{' '.join(words)}”."
    hint = f"Did you mean “{close[0].text}”?" if close else ""
    return Missing(what, f"No such words are in {place}.", hint, words, tuple(close))


def _one_of(target: Words, found: list[Range], view: View) -> list[Range] | None:
    here = reference(view)
    match target.order:
        case None | Order.EVERY:
            return found
        case Order.FIRST:
            return found[:1]
        case Order.LAST:
            return [r for r in found if r.start < view.caret][-1:] or found[-1:]
        case Order.PREVIOUS:
            return [r for r in found if r.end <= here.start][-1:] or None
        case Order.NEXT:
            return [r for r in found if r.start >= here.end][:1] or None
        case Order.NEAREST:
            return [min(found, key=lambda r: _distance(r, view.caret))]
    return found[target.n - 1 : target.n] or None


def _distance(r: Range, p: Position) -> tuple[int, int]:
    return abs(r.start.block - p.block), abs(r.start.offset - p.offset)


@finds(Enclosed)
def _enclosed(target: Enclosed, view: View, near: bool) -> Answer:
    openers, closers = _PAIRS[target.pair]
    found: list[Range] = []
    for b, block in enumerate(view.document.blocks):
        start: int | None = None
        for i, c in enumerate(block.text):
            if c in openers and start is None and (i == 0 or not block.text[i - 1].isalnum()):
                start = i + 1
            elif c in closers and start is not None and i >= start:
                after = block.text[i + 1 : i + 2]
                if c != "’" or not after.isalnum():
                    found.append(Range(Position(b, start), Position(b, i)))
                    start = None
    if not found:
        return Refusal(f"Nothing stands between {target.pair} here.")
    if target.order is Order.EVERY:
        return Places(tuple(found))
    if target.order is not None:
        one = found[-1:] if target.order is Order.LAST else found[target.n - 1 : target.n]
        return Places(tuple(one)) if one else Refusal(f"There are {in_words(len(found))} of them.")
    holding = [r for r in found if r.start <= view.caret <= r.end]
    return Places(tuple(holding or found), ask=len(holding or found) > 1)


@finds(Marked)
def _marked(target: Marked, view: View, near: bool) -> Answer:
    found = tuple(
        Range(Position(b, s.start), Position(b, s.end))
        for b, block in enumerate(view.document.blocks)
        for s in block.spans
        if s.mark == target.mark
    )
    if not found:
        return Refusal(f"Nothing here is {target.mark}.")
    return Places(found)


@finds(Sign)
def _sign(target: Sign, view: View, near: bool) -> Answer:
    """Marks are looked for as they are written; those of the caret's paragraph come first."""
    found = [
        Range(Position(b, i), Position(b, i + len(target.text)))
        for b, block in enumerate(view.document.blocks)
        for i in _indexes(block.text, target.text)
    ]
    if target.beside is not None:
        beside = find(target.beside, view)
        if isinstance(beside, Refusal):
            return beside
        found = [r for r in found if any(_touches(r, b, target.before) for b in beside.ranges)]
    if target.within is not None:
        part = find(target.within, view)
        if isinstance(part, Refusal):
            return part
        found = _held(found, part.ranges)
    if not found:
        return Refusal("There is no such mark there.")
    caret = view.caret
    match target.order:
        case Order.LAST if target.within is not None:
            found = found[-1:]
        case Order.LAST | Order.PREVIOUS:
            found = [r for r in found if r.end <= caret][-1:] or found[-1:]
        case Order.NEXT:
            found = [r for r in found if r.start >= caret][:1]
        case Order.FIRST | Order.NTH:
            found = found[target.n - 1 : target.n]
        case Order.EVERY:
            return Places(tuple(found))
        case None if len(just := _held(found, view.that)) == 1:
            found = just  # "take the full stop off again"
    if not found:
        return Refusal("There is no such mark there.")
    return Places(tuple(found), ask=len(found) > 1)


def _held(found: Iterable[Range], parts: Sequence[Range]) -> list[Range]:
    """Those of some places that lie in parts of the text."""
    return [r for r in found if any(p.start <= r.start and r.end <= p.end for p in parts)]


@finds(Adjoining)
def _adjoining(target: Adjoining, view: View, near: bool) -> Answer:
    """Words that nothing but a space, and perhaps a mark, parts from the others."""
    words, beside = find(target.words, view), find(target.beside, view)
    for answer in (words, beside):
        if isinstance(answer, Refusal):
            return answer
    assert isinstance(words, Places) and isinstance(beside, Places)
    found = [
        r
        for r in words.ranges
        if any(_meet(view.document, *((b, r) if target.after else (r, b))) for b in beside.ranges)
    ]
    if not found:
        return Refusal("Those words do not stand side by side.")
    return Places(tuple(found), ask=len(found) > 1)


def _meet(document: Document, first: Range, second: Range) -> bool:
    if first.end.block != second.start.block or first.end > second.start:
        return False
    between = document.text(Range(first.end, second.start))
    return not any(c.isalnum() for c in between)


def _indexes(text: str, sign: str) -> list[int]:
    return [i for i in range(len(text)) if text.startswith(sign, i)]


def _touches(mark: Range, words: Range, before: bool) -> bool:
    if mark.start.block != words.start.block:
        return False
    if before:
        return words.start.offset - 2 <= mark.end.offset <= words.start.offset
    inside = mark.end == words.end  # a sentence has its stop
    return inside or words.end.offset <= mark.start.offset <= words.end.offset + 1


@finds(Holding)
def _holding_words(target: Holding, view: View, near: bool) -> Answer:
    inner = find(target.words, view, near)
    if isinstance(inner, Refusal) and isinstance(target.words, Words) and target.at is None:
        inner = _in_another_form(target.words, view) or inner
    if isinstance(inner, Refusal) and (both := _holding_each(target, view)):
        return both
    if isinstance(inner, Refusal) and (told := _holding_what_tells(target, view)):
        return told
    if isinstance(inner, Refusal):
        return inner
    if target.unit is Unit.COLUMN:
        return _columns_with(inner.ranges, view)
    blocks = view.document.blocks
    in_table = any(blocks[r.start.block].cell for r in inner.ranges)
    if target.unit is Unit.LINE and target.at is None and not in_table:
        return _lines_said(inner.ranges, view)
    found = _holding(inner.ranges, target.unit, target.at, view)
    if not found and target.at is None and isinstance(target.words, Words):
        # "The table with the boats", of a table that is headed "Boat".
        other = _in_another_form(target.words, view)
        found = _holding(other.ranges, target.unit, None, view) if other else []
    if not found and target.unit is Unit.LINE and target.at is not None:
        # What begins in the middle of a row of print is called a line as well.
        found = _holding(inner.ranges, Unit.SENTENCE, target.at, view)
    if target.unit is Unit.SECTION and len(found) > 1:
        # "The roof section" is the one of that heading, whatever else speaks of a roof.
        heads = {r.start.block for r in inner.ranges}
        found = [u for u in found if u.start.block in heads] or found
    if target.bit and (section := _headed_so(target.words, view)):
        return section
    if target.bit:
        found = [_in_one_breath(view.document, r, inner.ranges) for r in found]
    if target.bit and len(found) == 1 and (last := _coordinate(view.document, found[0], inner)):
        return Places((last,))
    if target.bit and len(found) == 1:
        inside = [r for r in inner.ranges if found[0].start <= r.start and r.end <= found[0].end]
        if (clause := clause_with(view.document, found[0], inside)) is not None:
            return Places((clause,), clause=True)
    if not found:
        where = {None: "are in", At.START: "begin", At.END: "end"}[target.at]
        return Refusal(f"Those words {where} no {target.unit.value}.")
    return Places(tuple(found), ask=len(found) > 1, unit=target.unit)


@finds(Each)
def _each(target: Each, view: View, near: bool) -> Answer:
    found = find(target.of, view, near)
    return found if isinstance(found, Refusal) else replace(found, ask=False)


def _headed_so(words: Target, view: View) -> Places | None:
    """ "The music part", where one heading says so and no more."""
    said = tuple(w for w in words.words if w != "the") if isinstance(words, Words) else ()
    found = [
        r
        for r in units.blocks(view.document, Unit.SECTION.value, view.document.whole)
        if spoken.normal(view.document.blocks[r.start.block].text.split()) == said
    ]
    return Places((found[0],), unit=Unit.SECTION) if len(found) == 1 else None


def _holding_each(target: Holding, view: View) -> Places | None:
    """ "The sentence with cups and plates", where it says "cups, plates"."""
    if not isinstance(target.words, Words) or target.at is not None:
        return None
    words = target.words.words
    if words.count("and") != 1 or words[0] == "and" or words[-1] == "and":
        return None
    link = words.index("and")
    held: list[list[Range]] = []
    for said in (words[:link], words[link + 1 :]):
        found = find(replace(target.words, words=said), view)
        ranges = () if isinstance(found, Refusal) else found.ranges
        held.append(_holding(ranges, target.unit, None, view))
    both = tuple(r for r in held[0] if r in held[1])
    return Places(both, ask=len(both) > 1, unit=target.unit) if both else None


def _holding_what_tells(target: Holding, view: View) -> Places | None:
    """ "The sentence about nell having a key": every word of it that tells something is there."""
    if not isinstance(target.words, Words) or target.at is not None or target.unit not in _TOLD:
        return None
    document = view.document
    ranges, forms = told_by(document, view.vocabulary, target.words.words)
    around = _holding(ranges, target.unit, None, view)
    held = [(u, inside) for u in around if (inside := holds_each(document, u, forms))]
    if target.bit and len(held) == 1:
        clause = clause_with(document, *held[0])
        return Places((clause or held[0][0],), clause=clause is not None)
    found = tuple(u for u, _ in held)
    return Places(found, ask=len(found) > 1, unit=target.unit) if found else None


_TOLD = (Unit.SENTENCE, Unit.PARAGRAPH, Unit.LINE, Unit.ITEM, Unit.SECTION)


def _in_another_form(words: Words, view: View) -> Places | None:
    """ "The sentence about rain", where it rains: words of the page that are forms of those."""
    ways = [(w, *(f for f in forms_there(w, view.vocabulary) if f != w)) for w in words.words]
    for said in islice(product(*ways), _MOST_FORMS):
        if said != words.words:
            found = find(replace(words, words=said), view)
            if not isinstance(found, Refusal):
                return found
    return None


def _holding(ranges: Iterable[Range], unit: Unit, at: At | None, view: View) -> list[Range]:
    found: list[Range] = []
    for r in ranges:
        scope = Range(Position(r.start.block, 0), units.block_range(view.document, r.end.block).end)
        around = all_within(unit, view, scope)
        found += [u for u in around if _stands(view, r, u, at) and u not in found]
    return found


_AND = re.compile(r"\s+(?:and|or|but)\s+(?:\S+\s+){0,2}$")


def _coordinate(document: Document, bit: Range, inner: Places) -> Range | None:
    """ "Or in cash", at the end of what was said of paying: named by its last word."""
    text = document.text(bit).rstrip(".!?")
    end = bit.start.offset + len(text)
    ending = [r for r in inner.ranges if r.end == bit.end._replace(offset=end)]
    before = text[: ending[0].start.offset - bit.start.offset] if len(ending) == 1 else ""
    link = _AND.search(before) if ending and ending[0].start > bit.start else None
    tells = link and not (VERBS | AUXILIARIES).isdisjoint(link.group().lower().split())
    if (
        link is None
        or tells
        or bit.start.block != bit.end.block
        or not before[: link.start()].strip()
    ):
        return None
    start = bit.start._replace(offset=bit.start.offset + link.start())
    lead = len(link.group()) - len(link.group().lstrip())
    return Range(start._replace(offset=start.offset + lead), ending[0].end)


def _lines_said(ranges: Iterable[Range], view: View) -> Answer:
    """The lines that have some words: as they were broken by the speaker, and not by the page; of a
    paragraph that goes on over several rows of print, the sentences."""
    found: list[Range] = []
    unit: Unit | None = Unit.LINE
    for r in ranges:
        whole, text = units.block_range(view.document, r.start.block), ""
        text = view.document.blocks[r.start.block].text
        start = text.rfind("\n", 0, r.start.offset) + 1
        end = text.find("\n", r.end.offset)
        line = Range(
            Position(r.start.block, start), Position(r.start.block, len(text) if end < 0 else end)
        )
        rows = all_within(Unit.LINE, view, line)
        if len(rows) > 1 or line != whole and "\n" not in text:
            unit = Unit.SENTENCE
            found += [s for s in _holding((r,), Unit.SENTENCE, None, view) if s not in found]
        elif line not in found:
            found.append(line)
    return Places(tuple(found), ask=len(found) > 1, unit=unit)


def _in_one_breath(document: Document, unit: Range, inner: Sequence[Range]) -> Range:
    """What was said in one breath with some words of a sentence: a bit of it is no more."""
    for r in inner:
        said = written_with(document, r) if unit.start <= r.start and r.end <= unit.end else None
        if said is not None:
            start, end = max(unit.start, said.start), min(unit.end, said.end)
            lead = document.text(Range(start, end))
            skip = len(lead) - len(lead.lstrip())
            return Range(Position(start.block, start.offset + skip), end)
    return unit


def _columns_with(ranges: Iterable[Range], view: View) -> Answer:
    """The column in which some words stand: that of which they are the heading, or the only one."""
    blocks = view.document.blocks
    found = [(b, cell) for r in ranges if (cell := blocks[b := r.start.block].cell) is not None]
    headed = [(b, cell) for b, cell in found if cell.row == 0]
    held = {(c.table, c.column): table_at(blocks, b) for b, c in headed or found}
    if not held:
        return Refusal("Those words are in no column.")
    if len(held) > 1:
        return Refusal(
            f"Those words are in {in_words(len(held))} columns.", "", "Name one by its heading."
        )
    (((_, column), table),) = held.items()
    assert table is not None
    return Places(table.column(blocks, column), unit=Unit.COLUMN)


def _stands(view: View, r: Range, unit: Range, at: At | None) -> bool:
    """Whether a range stands in a unit, and where in it."""
    if not (unit.start <= r.start and r.end <= unit.end):
        return False
    if at is None:
        return True
    rest = Range(unit.start, r.start) if at is At.START else Range(r.end, unit.end)
    return not any(c.isalnum() for c in view.document.text(rest))
