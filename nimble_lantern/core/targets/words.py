"""Spoken words to written words: every place in a document where they stand."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass

from rapidfuzz import fuzz, process

from nimble_lantern.core.document.changes import changed
from nimble_lantern.core.document.model import Block, Document, Kind, Position, Range
from nimble_lantern.core.document.units import block_range, is_a_heading
from nimble_lantern.core.lexicon.closed import (
    ARTICLES,
    AUXILIARIES,
    DETERMINERS,
    LITTLE,
    PREPOSITIONS,
    SLIGHT,
)
from nimble_lantern.core.lexicon.names import MONTHS
from nimble_lantern.core.lexicon.plurals import is_plural, plural, singular
from nimble_lantern.core.targets.model import Holding, Words, as_things
from nimble_lantern.core.targets.sounds import phrase_key
from nimble_lantern.core.writing.cardinals import in_words
from nimble_lantern.core.writing.spoken import Forms, ordinal_forms, plain, spoken_forms

NEAR_REACH = 60
SPELLED_LEAST = 60.0
NEAR_LEAST = 78.0
_WORD_LEAST = 62.0


@dataclass(frozen=True, slots=True)
class BlockIndex:
    """A block's words as they may be spoken, all of their parts, and where forms begin."""

    forms: tuple[Forms, ...]
    starts: dict[str, tuple[int, ...]]
    vocabulary: frozenset[str]


def index_of(block: Block) -> BlockIndex:
    """The index of a block, made once and kept with it."""
    kept: BlockIndex | None = block.__dict__.get("_index")
    if kept is None:
        kept = block.__dict__["_index"] = _index(block)
    return kept


def _index(block: Block) -> BlockIndex:
    words = [block.text[s:e] for s, e in block.words]
    forms: list[Forms] = []
    starts: dict[str, list[int]] = {}
    for i, word in enumerate(words):
        own = spoken_forms(word)
        if (
            word[:1].isdigit()
            and i + 1 < len(words)
            and words[i + 1].lower() in MONTHS
            or word[:1].isdigit()
            and i
            and words[i - 1].lower() in MONTHS
        ):
            own = (*own, *ordinal_forms(word))
        forms.append(own)
        for first in {form[0] for form in own if form}:
            starts.setdefault(first, []).append(i)
    vocabulary = frozenset(w for own in forms for form in own for w in form)
    return BlockIndex(tuple(forms), {k: tuple(v) for k, v in starts.items()}, vocabulary)


class Vocabulary:
    """How many blocks hold each word, in its spoken forms; kept up as blocks come and go.

    A cache: its answers depend on the blocks alone.
    """

    def __init__(self) -> None:
        self._blocks: tuple[Block, ...] = ()
        self._counts: Counter[str] = Counter()

    def follow(self, blocks: tuple[Block, ...]) -> Vocabulary:
        if blocks is not self._blocks:
            start, old_end, new_end = changed(self._blocks, blocks)
            for block in self._blocks[start:old_end]:
                self._counts.subtract(index_of(block).vocabulary)
            for block in blocks[start:new_end]:
                self._counts.update(index_of(block).vocabulary)
            self._blocks = blocks
        return self

    def blocks_with(self, word: str) -> int:
        """In how many blocks a word stands."""
        return self._counts[word]

    def holds(self, query: Iterable[str]) -> bool:
        """Whether each of these words stands somewhere."""
        return all(self._counts[word] > 0 for word in query)


def a_whole_line(document: Document, words: tuple[str, ...]) -> bool:
    """Whether words are all that one paragraph or item says, as a name below a letter is."""
    found = exact(document, words)
    blocks = document.blocks
    return len(found) == 1 and all(
        blocks[r.start.block].cell is None
        and document.text(r) == blocks[r.start.block].text.rstrip(".,;:")
        for r in found
    )


def a_whole_heading(document: Document, words: tuple[str, ...]) -> bool:
    """Whether words are all that one heading says, with an article or without: "the notes"."""
    bare = words[1:] if len(words) > 1 and words[0] in ARTICLES else words
    headed = (r for r in exact(document, bare) if is_a_heading(document, r))
    return len(list(headed)) == 1


def item_called(document: Document, r: Range, heard: str) -> Range | None:
    """The one item that names a thing, "a pound of white fish", where what was heard, "the fish",
    stands as such only in an item that says what to do with it; None for others."""
    block, words = document.blocks[r.start.block], tuple(heard.split())
    bare = words[1:] if words[:1] and words[0] in ARTICLES else words
    if block.kind is not Kind.ITEM or block.text.rstrip()[-1:] not in (".", "!", "?") or not bare:
        return None
    items = (r for r in exact(document, bare) if document.blocks[r.start.block].kind is Kind.ITEM)
    ending = [
        r.start.block for r in items if r.end.offset == len(document.blocks[r.start.block].text)
    ]
    return block_range(document, ending[0]) if len(ending) == 1 else None


def a_whole_sentence(document: Document, words: Sequence[str]) -> bool:
    """Whether words, three at least, are all of a sentence that stands there, but for its mark."""
    if len(words) < _LEAST_OF_A_SENTENCE:
        return False
    for r in exact(document, tuple(words)):
        block = document.blocks[r.start.block]
        closed = block.text[r.end.offset : r.end.offset + 1] in (".", "?", "!")
        if (r.start.offset, r.end.offset + closed) in block.sentences:
            return True
    return False


_LEAST_OF_A_SENTENCE = 3


def normal(words: Sequence[str]) -> tuple[str, ...]:
    """A spoken phrase in the form in which words are compared; digits as words."""
    found: list[str] = []
    for word in words:
        if word == "cannot":
            found += ["can", "not"]
        elif word.isascii() and word.isdigit() and len(word) < 13:
            found += in_words(int(word)).replace("-", " ").split()
        else:
            found += plain(word).replace("-", " ").split()
    return tuple(found)


def _end(index: BlockIndex, i: int, query: tuple[str, ...], at: int) -> int | None:
    """Where a match of query[at:] that begins at word `i` ends."""
    while at < len(query):
        if i >= len(index.forms):
            return None
        forms = index.forms[i]
        if len(forms) > 1 or len(forms[0]) > 1:
            ends = (
                _end(index, i + 1, query, at + len(form))
                for form in forms
                if query[at : at + len(form)] == form
            )
            return next((e for e in ends if e is not None), None)
        if forms[0][0] != query[at]:
            return None
        i, at = i + 1, at + 1
    return i


def _in_block(block: Block, query: tuple[str, ...]) -> Iterator[tuple[int, int]]:
    index = index_of(block)
    for i in index.starts.get(query[0], ()):
        end = _end(index, i, query, 0)
        if end is not None:
            yield block.words[i][0], block.words[end - 1][1]


def exact(
    document: Document,
    words: Sequence[str],
    within: Range | None = None,
    vocabulary: Vocabulary | None = None,
) -> list[Range]:
    """Every place of these words in document order, their normal forms alike."""
    query = normal(words)
    if not query or vocabulary is not None and not vocabulary.holds(query):
        return []
    first, last = (within.start.block, within.end.block) if within else (0, None)
    blocks = document.blocks if last is None else document.blocks[first : last + 1]
    found, asked = [], frozenset(query)
    for b, block in enumerate(blocks, first):
        if asked <= index_of(block).vocabulary:
            for start, end in _in_block(block, query):
                found.append(Range(Position(b, start), Position(b, end)))
    if within:
        found = [r for r in found if within.start <= r.start and r.end <= within.end]
    return found


_FEW = 3


def apart_by_a_stop(document: Document, target: object) -> bool:
    """Whether few words only stand together over the end of a sentence: "the monday tea", of
    "on Monday. Tea is free", is not what is to be changed."""
    if not isinstance(target, Words) or len(target.words) > _FEW:
        return False
    found = places(document, target.words)
    return bool(found) and all(
        _over_a_stop(document.blocks[r.start.block], r.start.offset, r.end.offset) for r in found
    )


def _over_a_stop(block: Block, start: int, end: int) -> bool:
    """Whether a sentence begins between two places of a block."""
    return any(start < begins < end for begins, _ in block.sentences)


def places(
    document: Document,
    words: Sequence[str],
    within: Range | None = None,
    vocabulary: Vocabulary | None = None,
    either_number: bool = False,
) -> list[Range]:
    """As `exact`; without the leading article if need be.

    With `either_number`, "the lamps" finds lamp too.
    """
    for attempt in _attempts(tuple(words), either_number):
        found = exact(document, attempt, within, vocabulary)
        if found:
            return found
    return []


def named_as_written(document: Document, target: object) -> bool:
    """Whether a target is words as they stand there, and no thing is named: "lamp room", not "the
    rope", which may be said to somebody."""
    stands = isinstance(target, Words) and not as_things(target)
    return stands and isinstance(target, Words) and bool(exact(document, target.words))


LONG_RUN = 4
"""Words that stand on the page in a run are named, and not by chance, if they are so many."""


def a_long_run(document: Document, target: object) -> bool:
    """Whether so many words are named as they stand that it is not by chance."""
    long = isinstance(target, Words) and len(target.words) >= LONG_RUN
    return long and isinstance(target, Words) and bool(exact(document, target.words))


def told_by_words_there(document: Document, target: object) -> bool:
    """Whether the words by which a part is told apart all stand somewhere: "the rails sentence"."""
    named = target.words if isinstance(target, Holding) else target
    if not isinstance(named, Words):
        return True
    telling = [w for w in named.words if w not in LITTLE]
    return all(places(document, (w,), either_number=True) for w in telling or named.words)


def in_a_list(document: Document, target: object) -> bool:
    """Whether a target is words that stand in items of a list, and nowhere else."""
    if not isinstance(target, Words):
        return False
    if not any(block.kind is Kind.ITEM for block in document.blocks):
        return False
    found = places(document, target.words)
    return bool(found) and all(document.blocks[r.start.block].kind is Kind.ITEM for r in found)


def _attempts(words: tuple[str, ...], either_number: bool) -> Iterator[tuple[str, ...]]:
    yield from _without_lead(words)
    if either_number and len(words[-1]) > 3:
        yield from _without_lead((*words[:-1], other_number(words[-1])))


def other_number(noun: str) -> str:
    """The plural of a singular, and the other way round."""
    return singular(noun) if is_plural(noun) else plural(noun)


def _without_lead(words: tuple[str, ...]) -> Iterator[tuple[str, ...]]:
    yield words
    if len(words) > 1 and words[0] in DETERMINERS:
        yield words[1:]
    if words[:1] in (("word",), ("words",)) and len(words) > 1:
        yield words[1:]
    if words[:2] in (("the", "word"), ("the", "words")) and len(words) > 2:
        yield words[2:]


@dataclass(frozen=True, slots=True)
class Near:
    """Words that are almost those spoken; `likeness`, 0 to 100, by spelling and by sound."""

    range: Range
    text: str
    likeness: float


def _likeness(a: str, b: str) -> float:
    """By spelling and by sound, of the words that tell something."""
    shifted = abs(_slight_first(a) - _slight_first(b)) > 1  # "own from bring" is not "bring"
    a, b = _telling(a), _telling(b)
    whole = _WORD_LEAST if shifted else _alike(a, b)
    pairs = list(zip(a.split(), b.split(), strict=False))
    if len(a.split()) == len(b.split()) and any(_alike(x, y) < _WORD_LEAST for x, y in pairs):
        # One word that is quite another is no slip of the recogniser.
        return min(whole, _WORD_LEAST)
    return whole


def _alike(a: str, b: str) -> float:
    return (fuzz.ratio(a, b) + fuzz.ratio(phrase_key(a), phrase_key(b))) / 2


def _slight_first(phrase: str) -> int:
    """How many words come before the first that tells something."""
    words = phrase.split()
    return next((i for i, w in enumerate(words) if w not in SLIGHT), 0)


def _telling(phrase: str) -> str:
    return " ".join(w for w in phrase.split() if w not in SLIGHT) or phrase


def near(document: Document, words: Sequence[str], around: Position, most: int = 3) -> list[Near]:
    """The likeliest words within some sixty blocks of `around`, the best first."""
    query = normal(words)
    if not query or len(query) > 12:
        return []
    bare = query[1:] if len(query) > 1 and query[0] in DETERMINERS else query
    low, high = max(0, around.block - NEAR_REACH), around.block + NEAR_REACH
    spots: list[tuple[int, int, int]] = []
    phrases: list[str] = []
    for b in range(low, min(high, len(document.blocks) - 1) + 1):
        block = document.blocks[b]
        forms = [f[0] for f in index_of(block).forms]
        for size in {len(bare), max(1, len(bare) - 1), len(bare) + 1}:
            for i in range(len(forms) - size + 1):
                spots.append((b, i, i + size))
                phrases.append(" ".join(w for f in forms[i : i + size] for w in f))
    wanted = " ".join(bare)
    ranked = process.extract(
        wanted, phrases, scorer=fuzz.ratio, limit=most * 10, score_cutoff=SPELLED_LEAST
    )
    # Of "village hall with big letters" the "with" is not the "at" behind those words.
    last = wanted.rpartition(" ")[2]
    goes_on = last in PREPOSITIONS | AUXILIARIES  # "kitchen activity is"
    ranked = [row for row in ranked if not goes_on or row[0].endswith(last)]
    if wanted.startswith("to "):
        # "I don't want to thank you" goes on with a verb.
        ranked = [row for row in ranked if row[0].startswith("to ")]
    heard = [(phrase, _likeness(wanted, phrase), at) for phrase, _, at in ranked]
    heard = sorted((row for row in heard if row[1] >= NEAR_LEAST), key=lambda row: -row[1])
    found: dict[str, Near] = {}
    for phrase, likeness, at in heard:
        if phrase in found:
            continue
        b, i, j = spots[at]
        block = document.blocks[b]
        start, end = block.words[i][0], block.words[j - 1][1]
        r = Range(Position(b, start), Position(b, end))
        if j - i <= _FEW and _over_a_stop(block, start, end):
            continue
        if any(n.range.start <= r.end and r.start <= n.range.end for n in found.values()):
            continue
        found[phrase] = Near(r, block.text[start:end], likeness)
    return list(found.values())[:most]
