"""What is said again with a change: "gates open at ten", where they open at eleven.

People put right what stands there by saying it as it should be.  A letter may well say the same of
something else; so it is written, and the change is offered beside it.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from functools import lru_cache
from typing import NamedTuple

from nimble_lantern.core.document.model import Block, Document
from nimble_lantern.core.document.tables import Table, tables
from nimble_lantern.core.lexicon.closed import DETERMINERS, LITTLE, PREPOSITIONS, SUBJECT_PRONOUNS
from nimble_lantern.core.lexicon.inflections import inflections
from nimble_lantern.core.lexicon.sentences import VERBS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.alike import kind_of
from nimble_lantern.core.targets.tabled import singular
from nimble_lantern.core.targets.words import exact, index_of
from nimble_lantern.core.writing.cardinals import cardinal
from nimble_lantern.core.writing.spoken import bare, likeliest, plain

Phrase = tuple[str, ...]
_FEWEST, _MOST = 2, 12  # words
_MOST_CHANGED = 3
_FEWEST_SHARED = 3
"""Words that must stand there as they are said, before and behind the change."""
_MOST_CONTEXT = 4
_LONGEST_SENTENCE = 80
"""What goes on for longer, as where nobody says full stops, is not said over."""
_LONGEST_VALUE = 5
_LONGEST_THING = 4
_ASIDES = frozenset("now only still just instead please today will would".split())
"""Said round a change, and no part of it."""


class Restated(NamedTuple):
    """A change that may be meant: a wording that makes it, and the words it takes away."""

    words: Phrase
    old: Phrase


def restated(sitting: Sitting, said: Sequence[str]) -> Iterator[Restated]:
    """The changes that may be meant, the likeliest first; none for most sentences.

    `sitting`: with the paragraphs round the writing place alone.
    """
    words = _without_stop(tuple(said))
    if not _FEWEST <= len(words) <= _MOST:
        return
    document = sitting.document
    yield from _of_a_cell(document, words)
    yield from _to_say(document, words)
    forms = {form for word in words for form in (word, *singular((word,)))}
    sentences = list(_sentences(document, forms - LITTLE))
    for find in (_made_it, _instead_of, _another_value, _between, _with_more, _with_more_round):
        for sentence in sentences:
            for changed in find(sentence, words):
                if not _one_of_many(sentences, changed):
                    yield from _made(document, *changed)


def _to_say(document: Document, words: Phrase) -> Iterator[Restated]:
    """Tells what words should say: "the boathouse should say the village hall"."""
    for at in range(1, len(words) - 2):
        if words[at] in _OUGHT and words[at + 1] in _SAYING:
            yield from _made(document, (), words[:at], words[at + 2 :], ())


_OUGHT, _SAYING = frozenset(("should", "must")), frozenset(("say", "read"))


def _without_stop(words: Phrase) -> Phrase:
    stop = next((s for s in (("full", "stop"), ("period",)) if words[-len(s) :] == s), ())
    return words[: len(words) - len(stop)]


def _one_of_many(sentences: Sequence[Phrase], change: _Change) -> bool:
    """Whether it is one more of what begins or ends alike: "pack the kettle" in a list of them."""
    before, _, _, after = change
    if before and not after:
        return sum(s[: len(before)] == before for s in sentences) > 1
    return bool(after and not before) and sum(s[-len(after) :] == after for s in sentences) > 1


def _sentences(document: Document, telling: set[str]) -> Iterator[Phrase]:
    """The sentences outside tables that have one of some words, as they are most likely spoken."""
    for block in document.blocks:
        if block.cell is None and not index_of(block).vocabulary.isdisjoint(telling):
            yield from (said for said in _said(block) if not telling.isdisjoint(said))


def _said(block: Block) -> tuple[Phrase, ...]:
    """A block's sentences as they are most likely spoken, made once and kept with it."""
    kept: tuple[Phrase, ...] | None = block.__dict__.get("_said")
    if kept is None:
        pieces = ([bare(p) for p in block.text[a:z].split()] for a, z in block.sentences)
        some = (words for words in pieces if len(words) <= _LONGEST_SENTENCE)
        kept = tuple(tuple(w for p in words if p for w in likeliest(p)) for words in some)
        block.__dict__["_said"] = kept
    return kept


class _Change(NamedTuple):
    """Other words in the place of some, between words that stay."""

    before: Phrase
    old: Phrase
    new: Phrase
    after: Phrase


Changes = Iterator[_Change]


def _made(
    document: Document, before: Phrase, old: Phrase, new: Phrase, after: Phrase
) -> Iterator[Restated]:
    """A wording that tells the place: with as few of the words that stay as stand there once."""
    for more in range(_MOST_CONTEXT) if old != new else ():
        first, last = before[len(before) - more :], after[:more]
        gone = (*first, *old, *last)
        if not gone or len(exact(document, gone)) != 1:
            continue
        if not old and last and len(exact(document, last)) == 1:
            yield Restated(("insert", *new, "before", *last), ())
        elif "with" not in (*gone, *new):
            yield Restated(("replace", *gone, "with", *first, *new, *last), gone)
        return


def _between(there: Phrase, words: Phrase) -> Changes:
    """Stands there but for a few words of it: "bring a warm jumper", "parking is by the barn"."""
    found = list[tuple[int, _Change]]()
    short = len(words) <= _LONGEST_THING
    if len(set(words).intersection(there)) < _FEWEST_SHARED - short:
        return
    for p in range(len(there)):
        begun = _alike(there[p:], words)
        if p and not begun:
            continue
        for q in range(p + begun, len(there) + 1):
            ended = min(_alike(there[p:q][::-1], words[::-1]), len(words) - begun, q - p - begun)
            # Without words that stay on one side of it, the change begins or ends the sentence.
            if not begun and p or not ended and q < len(there):
                continue
            changed, gone = words[begun : len(words) - ended], there[p + begun : q - ended]
            before, after = words[:begun], words[len(words) - ended :]
            change = _Change(before, gone, changed, after)
            fewest = _FEWEST_SHARED - (short and len(gone) == 1)
            if _small(change) and len(before) + len(after) >= fewest:
                found.append((-len(before) - len(after), change))
    for _, change in sorted(found)[:1]:
        yield change


def _small(change: _Change) -> bool:
    """Whether what is changed is little, and of one kind with what it is changed to."""
    before, old, new, after = change
    if not {*before, *after} - LITTLE or not 0 < len(new) <= _MOST_CHANGED:
        return False
    if not old:
        # A word more: "a warm jumper", not "a jumper and some socks".
        told = set(new) - _DEGREES  # "until it is really dry"
        return bool(before and after) and not told & _NO_MORE and kind_of(new) in _ANY_KIND
    if _sort_of(old) != _sort_of(new) or not set(old) - LITTLE or not set(new) - LITTLE:
        return False
    if [plain(word) for word in old] == [plain(word) for word in new]:
        return False
    if before and after:
        most = max(len(old), len(new))
        return abs(len(old) - len(new)) <= 1 and (most == 1 or len(before) + len(after) > most)
    return len(old) == len(new) and (len(new) == 1 or kind_of(old) != "")


_ANY_KIND = ("", "colour")
_DEGREES = frozenset("really very quite rather fairly completely fully properly too so".split())
_NO_MORE = LITTLE | DETERMINERS | SUBJECT_PRONOUNS | VERBS


def _sort_of(words: Phrase) -> str:
    """What kind of thing words are; a name may be one that nobody knows as such."""
    kind = kind_of(words)
    return kind if kind != "name" else ""


def _alike(some: Phrase, others: Phrase) -> int:
    """How many words two phrases begin with alike."""
    pairs = zip(some, others, strict=False)
    return next((n for n, (a, b) in enumerate(pairs) if a != b), min(len(some), len(others)))


def _another_value(there: Phrase, words: Phrase) -> Changes:
    """Tells something of the same thing, and another number, day or name: "it opens at ten"."""
    for start, end in _values(words):
        told = set(words[:start] + words[end:]) - LITTLE - _ASIDES - SUBJECT_PRONOUNS
        if not told or not all(word in there or _inflected(word, there) for word in told):
            continue
        kind, new = kind_of(words[start:end]), words[start:end]
        same = [(a, z) for a, z in _values(there) if kind_of(there[a:z]) == kind]
        if len(same) > 1:
            # Of several numbers it is the one beside the same words: "fourteen of them are worn".
            beside = words[end : end + 1], words[max(0, start - 1) : start]
            same = [span for span in same if _stands_beside(there, *span, *beside)]
        alone = sum(kind_of(words[a:z]) == kind for a, z in _values(words)) == 1
        if alone and len(same) == 1:
            old, new = _of_one_measure(there[same[0][0] : same[0][1]], new)
            if old != new:
                yield _Change((), old, new, ())


def _stands_beside(there: Phrase, start: int, end: int, after: Phrase, before: Phrase) -> bool:
    """Whether one of these words stands right behind or before a part of the others."""
    behind = bool(after) and there[end : end + 1] == after
    return behind or bool(before) and there[max(0, start - 1) : start] == before


def _inflected(word: str, there: Phrase) -> bool:
    """Whether another form of a word stands there: "opens" where "gates open"."""
    return any(word in inflections(other) for other in there) or any(
        form in there for form in inflections(word)
    )


def _of_one_measure(old: Phrase, new: Phrase) -> tuple[Phrase, Phrase]:
    """Two values without what is counted, where only one has it; no words where it differs."""
    counts = cardinal(old, 0), cardinal(new, 0)
    if not all(counts):
        return old, new
    (_, a), (_, b) = counts[0] or (0, 0), counts[1] or (0, 0)
    if old[a:] and new[b:]:
        same = singular(old[a:]) == singular(new[b:])
        return (old, new) if same else ((), ())
    return old[:a], new[:b]


@lru_cache(maxsize=4096)
def _values(words: Phrase) -> list[tuple[int, int]]:
    """Where numbers, times, days, names and the like stand, each as long as it can be."""
    found, at = list[tuple[int, int]](), 0
    while at < len(words):
        ends = range(min(len(words), at + _LONGEST_VALUE), at, -1)
        # "At ten" is no longer a time than "ten".
        own = words[at] not in LITTLE
        end = next((e for e in ends if own and kind_of(words[at:e]) and _whole(words[at:e])), at)
        if end > at:
            found.append((at, end))
        at = max(at + 1, end)
    return found


def _whole(words: Phrase) -> bool:
    return words[-1] not in LITTLE | _ASIDES | VERBS | PREPOSITIONS


_MAKING_IT = tuple(
    tuple(way.split())
    for way in (
        "make it", "make that", "it should be", "it should say", "it must be", "it has to be",
        "let's say", "let's make it", "it ought to be", "have it say", "it is really", "say",
    )
)  # fmt: skip


def _made_it(there: Phrase, words: Phrase) -> Changes:
    """Says how it should be, with a word of it: "make it half past ten", where it says "ten"."""
    new = next((words[len(way) :] for way in _MAKING_IT if words[: len(way)] == way), ())
    if not 1 < len(new) <= _LONGEST_THING:
        return
    for old in (_end_of(new[::-1], there[::-1])[::-1], _end_of(new, there)):
        told = old and old[0] not in LITTLE | DETERMINERS and _times(there, old) == 1
        if told and not _alike_in(there, new):
            before = there[: there.index(old[0])][-1:]
            owned = new[0] in DETERMINERS and before and before[0] in DETERMINERS
            yield _Change((), (*before, *old) if owned else old, new, ())
            return


def _end_of(words: Phrase, there: Phrase) -> Phrase:
    """As many words from the first one on as stand there in a row."""
    sizes = range(len(words), 0, -1)
    return next((words[:size] for size in sizes if _alike_in(there, words[:size])), ())


def _instead_of(there: Phrase, words: Phrase) -> Changes:
    """Names what it is said instead of, at the end: "bring a coat instead of a hat", "it is in the
    hall not the shed"."""
    ways = ((i, way) for i in range(1, len(words)) for way in _INSTEAD_OF)
    at, way = next(((i, w) for i, w in ways if words[i : i + len(w)] == w), (0, ()))
    old = words[at + len(way) :]
    if at and old and len(old) <= _LONGEST_THING and _alike_in(there, old):
        new = _number_before(words, at) or words[max(0, at - len(old)) : at]
        if old[0] in DETERMINERS and new[:1] != old[:1] and old[1:]:
            new, old = new[1:] if new[:1] and new[0] in DETERMINERS else new, old
        long = len(new) == len(old) or kind_of(new) == kind_of(old) == "number"
        alike = long and (old[0] in DETERMINERS) == (new[0] in DETERMINERS)
        if alike and set(new) - LITTLE and set(old) - LITTLE:
            yield _Change((), old, new, ())


def _number_before(words: Phrase, end: int) -> Phrase:
    """All of a number that ends there: "twenty five" of "it was twenty five not twenty"."""
    for start in range(end):
        number = cardinal(words, start)
        if number and number[1] == end:
            return words[start:end]
    return ()


_INSTEAD_OF = (("instead", "of"), ("rather", "than"), ("and", "not"), ("not",))


def _alike_in(there: Phrase, part: Phrase) -> bool:
    return any(there[i : i + len(part)] == part for i in range(len(there) - len(part) + 1))


def _with_more(there: Phrase, words: Phrase) -> Changes:
    """A thing with a word more, and nothing said of it: "the old mill", where a mill stands."""
    if not 2 < len(words) <= _LONGEST_THING or words[0] not in DETERMINERS or words[-1] in LITTLE:
        return
    more = words[1:-1]
    if _alike_in(there, (words[0], words[-1])) and not set(more) & (LITTLE | DETERMINERS):
        yield _Change(words[:1], (), more, words[-1:])


def _times(there: Phrase, part: Phrase) -> int:
    return sum(there[i : i + len(part)] == part for i in range(len(there)))


def _with_more_round(there: Phrase, words: Phrase) -> Changes:
    """A thing with more said before or behind it: "lovely blue jumper", "big pan and lid"."""
    if not _FEWEST < len(words) <= _LONGEST_THING or set(words) & _TELLING:
        return
    stands, more = words[1:], words[:1]
    if (
        _alike_in(there, stands)
        and not set(more) & (LITTLE | DETERMINERS)
        and stands[0] not in LITTLE
    ):
        yield _Change((), stands, words, ())
    at = words.index("and") if "and" in words else 0
    if at > 1 and _alike_in(there, words[:at]) and words[0] not in LITTLE:
        yield _Change((), words[:at], words, ())


_TELLING = VERBS | SUBJECT_PRONOUNS
"""What says something of a thing: no thing alone."""


def _named(words: Phrase, part: Phrase) -> bool:
    return bool(part) and part[0] in words and _alike_in(words, part)


def _of_a_cell(document: Document, words: Phrase) -> Iterator[Restated]:
    """Tells what a cell should say, by its row and heading: "blue has twenty seats"."""
    for table in tables(document.blocks):
        if said := _crossing(document, table, words):
            heading, name, value, there = said
            if value != there:
                yield Restated(("put", *value, "under", *heading, "for", *name), there)


def _crossing(
    document: Document, table: Table, words: Phrase
) -> tuple[Phrase, Phrase, Phrase, Phrase] | None:
    """The heading, the row's name, the other words that tell something, and the cell's words."""

    def cell(row: int, column: int) -> Phrase:
        return tuple(w for said in _said(document.blocks[table.cell(row, column)]) for w in said)

    columns = [c for c in range(1, table.columns) if _named(words, cell(0, c))]
    rows = [r for r in range(1, table.rows) if _named(words, cell(r, 0))] if columns else []
    if len(rows) != 1 or len(columns) != 1:
        return None
    name, heading, there = cell(rows[0], 0), cell(0, columns[0]), cell(rows[0], columns[0])
    spent = {*name, *heading, "has", "needs", "have", *LITTLE, *_ASIDES}
    rest = [n for n, word in enumerate(words) if word not in spent]
    if not rest or rest[-1] - rest[0] >= _LONGEST_VALUE:
        return None
    value = words[rest[0] : rest[-1] + 1]
    # "February goes by quickly" says nothing of what is due by February.
    same = kind_of(value) == kind_of(there) if kind_of(there) else "is" in words[: rest[0]]
    if not same or set(value) & spent - {"and", "to", "of", "a"}:
        return None
    return heading, name, value, there
