"""Requests for words in the place of others, or beside them, in whatever order: "rusty is the wrong
word, crooked is right", "what is missing before tripped is badly".

Some words of such an utterance stand on the page, some are new, and all others are such as are said
round those.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from itertools import pairwise
from typing import NamedTuple

from nimble_lantern.core.commands import inserted, instead
from nimble_lantern.core.document.model import Kind
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse
from nimble_lantern.core.lexicon.closed import (
    ARTICLES,
    AUXILIARIES,
    DETERMINERS,
    LITTLE,
    PREPOSITIONS,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.desk import PLAIN_VERBS, TRADE_NOUNS, TRADE_VERBS
from nimble_lantern.core.lexicon.housed import Phrase
from nimble_lantern.core.lexicon.sentences import HANGING, VERBS
from nimble_lantern.core.lexicon.worded import JOBS, LONGEST, REPLACING, Job, Sure, Zone
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.alike import kind_of
from nimble_lantern.core.targets.model import of_the_page
from nimble_lantern.core.targets.words import (
    LONG_RUN,
    a_whole_sentence,
    exact,
    named_as_written,
    told_by_words_there,
)
from nimble_lantern.core.writing.cardinals import cardinal

_Span = tuple[int, int]
_LONGEST = 16
_VERBS = PLAIN_VERBS | TRADE_VERBS
"""Words of a request."""
_MOST_OLD, _MOST_NEW, _MOST_PART = 6, 5, 9
_OF_WORDS = frozenset("word words where".split())
_SHIFTING = frozenset(
    "move shift bring carry push drag belongs belong goes come stand moved placed".split()
)
_ACTING = frozenset("go stand sit wait stop start stay come get let do don't to".split())
"""First, they are no word that is put somewhere, but something to be done."""
_OF_TWO = frozenset(("where", "instead", "whereas"))
"""Among the new words they speak of others: "lunch where jacket is and jacket where lunch is"."""
_TO = frozenset("to with by into in up down".split())
_BEING = frozenset("is was are were isn't aren't sounds looks".split())
_LONGEST_REASON = 5
_INSTEAD = frozenset((("make", "it"), ("make", "that"), ("change", "to"), ("put", "in")))
_WRITING = frozenset("put write say use".split())
"""After a reason, they ask for what follows."""


class Asked(NamedTuple):
    """A request in the plain way, and how plainly it is one."""

    job: Job
    words: Phrase
    old: Phrase
    new: Phrase
    sure: Sure
    of_words: bool
    """Whether words or a place in a text are named: "the word", "where it says"."""
    thing: bool
    """Whether the old words are named as a thing is: "the ferry"."""
    shifted: bool
    """Whether a part is named as such, or is said to go somewhere."""


class _Round:
    """Which stretches of an utterance are nothing but what is said round the words that count, and
    how plainly they speak of a text; None where they are something else."""

    def __init__(self, words: Phrase, job: Job) -> None:
        self._size = len(words)
        self._said = {
            (i, j): said
            for i in range(self._size)
            for j in range(i + 1, min(self._size, i + LONGEST) + 1)
            if (said := job.said.get(words[i:j])) is not None
        }
        self._reached: dict[tuple[int, tuple[Zone, ...]], dict[int, Sure]] = {}

    def ending(self, start: int, end: int, *zones: Zone) -> Sure | None:
        """Of a stretch that ends in a phrase of the last zone, behind others of the zones."""
        return max(
            (
                sure & before
                for i in range(max(start, end - LONGEST), end)
                if (sure := self._in(i, end, zones[-1])) is not None
                if (before := self.any(start, i, *zones)) is not None
            ),
            default=None,
        )

    def beginning(self, start: int, end: int, zone: Zone) -> Sure | None:
        """Of a stretch that begins with a phrase of a zone; of an empty one as well."""
        if start == end:
            return Sure.PLAIN
        return max(
            (
                sure & behind
                for i in range(start + 1, min(end, start + LONGEST) + 1)
                if (sure := self._in(start, i, zone)) is not None
                if (behind := self.any(i, end, zone)) is not None
            ),
            default=None,
        )

    def begins(self, start: int, end: int, *zones: Zone) -> bool:
        """Whether a stretch begins with a phrase of a zone."""
        ends = range(start + 1, min(end, start + LONGEST) + 1)
        return any(self._in(start, i, zone) is not None for i in ends for zone in zones)

    def any(self, start: int, end: int, *zones: Zone) -> Sure | None:
        """Of a stretch of phrases of the zones, and of such as stand anywhere."""
        key = start, zones
        if key not in self._reached:
            reached = self._reached[key] = {start: Sure.PLAIN}
            allowed = {*zones, Zone.ROUND}
            for i in range(start, self._size):
                for j in range(i + 1, min(self._size, i + LONGEST) + 1) if i in reached else ():
                    said = self._said.get((i, j))
                    if said is not None and not allowed.isdisjoint(said[0]):
                        sure = reached[i] & said[1]
                        reached[j] = max(sure, reached.get(j, sure))
        return self._reached[key].get(end)

    def _in(self, start: int, end: int, zone: Zone) -> Sure | None:
        said = self._said.get((start, end))
        return said[1] if said is not None and zone in said[0] else None


_OF_OTHERS = frozenset((("word", "book"), ("not", "only")))
"""What is asked of the word book, and what tells of more than one: "not only to ida but to tom"."""


def worded(sitting: Sitting, words: Sequence[str]) -> list[Asked]:
    """What an utterance may ask of words of the page, the likeliest first."""
    words = tuple(words)
    if not 3 <= len(words) <= _LONGEST or not _OF_OTHERS.isdisjoint(pairwise(words)):
        return []
    stand, parts = _stand(sitting, words), _parts(sitting, words)
    of_words = not _OF_WORDS.isdisjoint(words)
    found: dict[Phrase, Asked] = {}
    for job in JOBS:
        around = _Round(words, job)
        for i, j in (*(stand if job.words else ()), *(parts if job.parts else ())):
            for k, m, sure in _new(around, words, (i, j), job):
                new, old = words[k:m], words[i:j]
                way = _plain_way(job, new, (k, m) in parts)
                if new == old or not _stands_at(sitting, job.side, new, old):
                    continue
                plain = tuple(way.format(old=" ".join(old), new=" ".join(new)).split())
                if plain and plain != words and plain not in found:
                    thing = not DETERMINERS.isdisjoint(words[max(0, i - 1) : i + 1])
                    shifted = not TRADE_NOUNS.isdisjoint(new) or not _SHIFTING.isdisjoint(words)
                    found[plain] = Asked(job, plain, old, new, sure, of_words, thing, shifted)
    return sorted(found.values(), key=lambda a: (-a.sure, len(a.new), -len(a.old)))


def _plain_way(job: Job, new: Phrase, part: bool) -> str:
    """How a request is said plainly; "" if so many new words, or such a part, make none."""
    if part and job.moving:
        paragraph = TRADE_NOUNS & set(new) == {"paragraph"} and not job.words
        return job.joining if paragraph else job.moving
    return job.plain if len(new) <= _MOST_NEW or not job.words else ""


def _stands_at(sitting: Sitting, side: int, words: Phrase, others: Phrase) -> bool:
    """Whether words stand directly before others on the page (-1), or behind them (1)."""
    beside = (*words, *others) if side < 0 else (*others, *words)
    return not side or bool(exact(sitting.document, beside))


def _stand(sitting: Sitting, words: Phrase) -> list[_Span]:
    """Where words are said that the page has as well."""
    found = []
    for i in range(len(words)):
        for j in range(i + 1, min(len(words), i + _MOST_OLD) + 1):
            if not exact(sitting.document, words[i:j]):
                break
            if any(w not in LITTLE for w in words[i:j]):
                found.append((i, j))
    return found


def _parts(sitting: Sitting, words: Phrase) -> frozenset[_Span]:
    """Where a part of the page is named: "the last sentence", an item, or many words of it."""
    found = set()
    if not TRADE_NOUNS.isdisjoint(words):
        match = CATALOGUE.grammar.match(words)
        for i in range(len(words)):
            for reading in match.at("target", i):
                said = words[i : reading.end]
                told = of_the_page(reading.value) and not TRADE_NOUNS.isdisjoint(said)
                if told and told_by_words_there(sitting.document, reading.value):
                    found.add((i, reading.end))
    blocks = sitting.document.blocks
    for i in range(len(words)):
        for j in range(i + 1, len(words) + 1):
            there = exact(sitting.document, words[i:j])
            if not there:
                break
            items = (blocks[r.start.block] for r in there)
            whole = any(
                b.kind is Kind.ITEM and len(b.words) == sitting.document.count_words(r)
                for b, r in zip(items, there, strict=True)
            )
            if whole or j - i >= LONG_RUN:
                found.add((i, j))
    return frozenset(found)


def _new(around: _Round, words: Phrase, old: _Span, job: Job) -> Iterator[tuple[int, int, Sure]]:
    """Where the new words may be, if those are the old ones, and how plainly it is said."""
    yield from _new_behind(around, words, old, job is not REPLACING)
    yield from _new_before(around, words, old, job is not REPLACING)


def _new_behind(
    around: _Round, words: Phrase, old: _Span, beside: bool
) -> Iterator[tuple[int, int, Sure]]:
    """ "Jetty should be pier", "before the tower put stone"."""
    (i, j), size = old, len(words)
    before = around.ending(0, i, Zone.OLD)
    if not beside:
        before = around.any(0, i, Zone.ASKING, Zone.OLD)
    # "Five to six" is a time; "from five to six" is none where a verb asks for it.
    asked = beside or around.ending(0, i, Zone.OLD, Zone.ASKING) is not None
    for k in range(j + 1, size) if before is not None else ():
        if not asked and _TO.issuperset(words[j:k]):
            continue
        between = around.ending(j, k, Zone.BEHIND_OLD, Zone.NEW)
        if between is None and not beside:
            between = _reasoned(around, words, j, k)
        # "Rusty is wrong, crooked is right": of two statements both are needed.
        wrong = None if beside else around.ending(j, k, Zone.BEHIND_OLD)
        for m in range(k + 1, min(size, k + _MOST_PART) + 1):
            told = wrong if between is None and m < size else between
            if not beside and words[k:m] in _ANSWERS:
                continue  # "old harbour is ready now put yes" is of its column
            behind = around.beginning(m, size, Zone.BEHIND_NEW) if told is not None else None
            if before is not None and told is not None and behind is not None:
                yield k, m, before & told & behind


def _reasoned(around: _Round, words: Phrase, start: int, end: int) -> Sure | None:
    """ "Nine is far too late, make it ten": what is said of the old words may be anything."""
    if words[start] not in _BEING:
        return None
    if words[end - 2 : end] not in _INSTEAD and words[end - 1] not in _WRITING:
        return None  # "Friday is a holiday, so it should be thursday" tells
    reasons = range(start + 2, min(end - 1, start + _LONGEST_REASON + 1) + 1)
    told = (around.ending(reason, end, Zone.NEW) for reason in reasons)
    return next((sure for sure in told if sure is not None), None)


def _new_before(
    around: _Round, words: Phrase, old: _Span, beside: bool
) -> Iterator[tuple[int, int, Sure]]:
    """ "Pier instead of jetty", "put stone before the tower"."""
    (i, j), size = old, len(words)
    behind = around.any(j, size, Zone.BEHIND_OLD)
    for m in range(1, i) if behind is not None else ():
        between = around.ending(m, i, Zone.BEHIND_NEW, Zone.OLD)
        if between is None or not around.begins(m, i, Zone.BEHIND_NEW, Zone.OLD):
            continue
        # "Very before dark" is no request, "very should come before dark" is.
        says_so = not beside or not AUXILIARIES.isdisjoint(words[m:i])
        says_so = says_so or m + 1 < i and around.begins(m, i, Zone.BEHIND_NEW)
        # "Have tea in before noon" begins with no new word.
        says_so = says_so and not around.begins(0, m, Zone.NEW)
        # "Drop in the other one under the title": what puts something there is none of it.
        says_so = says_so and words[0] not in _VERBS
        for k in range(max(0, m - _MOST_PART), m):
            before = around.ending(0, k, Zone.NEW) if k else Sure.PLAIN if says_so else None
            if before is not None and behind is not None:
                yield k, m, before & between & behind


def maybe_instead(sitting: Sitting, words: Sequence[str]) -> Iterator[Asked]:
    """Statements that may ask for other words: "visitors should be guests", "guests not visitors".

    A letter may well say the same, so they are written, and the replacement is offered beside them.
    """
    yield from _told_otherwise(sitting, tuple(words))
    for asked in worded(sitting, words):
        old, new = asked.old, asked.new
        # "The ferry should be late" speaks of a thing.
        thing = asked.thing or old[0] in SUBJECT_PRONOUNS
        few = len(new) <= len(old) + 2 and _NO_WORDS_INSTEAD.isdisjoint(new)
        if asked.job is REPLACING and not thing and few and not exact(sitting.document, new):
            yield asked


def _told_otherwise(sitting: Sitting, words: Phrase) -> Iterator[Asked]:
    """What stands on the page is not so: "the soup is five pounds not four", of one kind right
    before it; "osric is on the gate not gus", as many words that do not stand there."""
    for mark in _NOT:
        at = next((n for n in range(len(words)) if words[n : n + len(mark)] == mark), 0)
        old = _without_article(words[at + len(mark) :])
        if at < 2 or LITTLE.issuperset(old) or not exact(sitting.document, old):
            continue
        ends = (words[k:at] for k in range(max(0, at - _MOST_NEW), at))
        runs = (words[i : i + len(old)] for i in range(at - len(old) + 1))
        few = len(old) <= _MOST_INSTEAD and at <= _LONGEST_TOLD
        alike = [r for r in ends if _of_its_kind(r, old)]
        others = [r for r in runs if _may_be_new(sitting, r)] if few else []
        for new in (*alike, *(r for r in others if kind_of(r) == kind_of(old)), *others):
            plain = ("replace", *old, "with", *new)
            yield Asked(REPLACING, plain, old, new, Sure.DOUBTFUL, False, False, False)
            return


def _of_its_kind(new: Phrase, old: Phrase) -> bool:
    return bool(kind_of(old)) and kind_of(new) == kind_of(old) and new[0] not in LITTLE


def _without_article(words: Phrase) -> Phrase:
    return words[1:] if words[:1] and words[0] in ARTICLES else words


def _may_be_new(sitting: Sitting, words: Phrase) -> bool:
    dull = LITTLE | AUXILIARIES | PREPOSITIONS | VERBS | DETERMINERS | SUBJECT_PRONOUNS
    plain = dull.isdisjoint(words) and not any(w.endswith("ing") for w in words)
    return plain and not any(exact(sitting.document, (word,)) for word in words)


_ANSWERS = (("yes",), ("no",), ("any", "more"), ("any", "longer"))
_NOT = (("instead", "of"), ("rather", "than"), ("and", "not"), ("not",), ("no", "longer"))
_MOST_INSTEAD, _LONGEST_TOLD = 2, 9


_NO_WORDS_INSTEAD = (
    VERBS
    | SUBJECT_PRONOUNS
    | PREPOSITIONS
    | frozenset("than enough here there be been too".split())
)


_WISHING = frozenset("i i'd i'll i'm i've we we'd we'll we're we've".split())


def surely(sitting: Sitting, parse: Parse, asked: Asked) -> bool:
    """Whether a request put so is one, and is not said to somebody else."""
    if asked.job is REPLACING:
        return _surely_replaces(sitting, parse, asked)
    if asked.new and asked.new[0] in _WISHING:
        return False  # "i'd rather not have the last sentence in there"
    if asked.job.side:
        return asked.sure is not Sure.DOUBTFUL  # "jacket should follow warm" drops nothing
    if _of_two_rows(sitting, asked):
        return False  # "rope belongs under soap" is said of their rows
    if not parse.args.get("text"):
        return asked.shifted  # a part of the page is moved, or joined to another
    if len(asked.new) > 1 and asked.new[-1] in AUXILIARIES:
        return False  # "nell will come" is no "nell will" that is to come somewhere
    if asked.job.words:
        return _surely_inserts(sitting, parse, asked)
    if asked.new[-1] in ("first", "last") and a_whole_sentence(sitting.document, asked.new[:-1]):
        return False  # a sentence that stands there is to be moved
    begins = asked.sure is Sure.TOLD or asked.new[0] not in DETERMINERS | PREPOSITIONS | LITTLE
    return begins and inserted.plain_words(sitting, parse)


def _of_two_rows(sitting: Sitting, asked: Asked) -> bool:
    return all(_is_a_cell(sitting, words) for words in (asked.new, asked.old))


def _surely_replaces(sitting: Sitting, parse: Parse, asked: Asked) -> bool:
    """Words of one kind, or a few where it is told that words are spoken of."""
    there = parse.args.get("text") == asked.new and instead.words_there(sitting, parse)
    if not there or asked.sure is Sure.DOUBTFUL or not TRADE_NOUNS.isdisjoint(asked.new[:1]):
        return False  # "heading visits instead of patients"
    counted = _all_number(asked.old) and kind_of(asked.new) == "number"
    if asked.sure is not Sure.TOLD and counted and not _all_number(asked.new):
        return False  # "three people not two", where it is at two
    if (SUBJECT_PRONOUNS | _OF_TWO) & set(asked.new) or instead.a_way_to_be(asked.new):
        return False
    things = asked.thing and kind_of(asked.old) == "number" and not _all_number(asked.old)
    if things and asked.old[-1:] != asked.new[-1:]:
        return False  # "the two men should be one" is a wish of the letter's
    if instead.much_alike(sitting, parse):
        return True
    alike = kind_of(asked.new) == kind_of(asked.old)
    if asked.sure is Sure.PLAIN and alike and not asked.thing and _is_a_cell(sitting, asked.old):
        return len(asked.new) <= len(asked.old) + 1 and VERBS.isdisjoint(asked.new)
    few = len(asked.new) <= len(asked.old) + 2 and VERBS.isdisjoint(asked.new)
    if asked.of_words:
        return asked.sure is Sure.TOLD and few
    told = asked.sure is Sure.TOLD and not asked.thing
    return told and instead.plainly_there(sitting, parse)


def _is_a_cell(sitting: Sitting, words: Phrase) -> bool:
    """Whether words are all that a cell says, and stand nowhere else: "cord not rope"."""
    document = sitting.document
    found = exact(document, words)
    blocks = [document.blocks[r.start.block] for r in found]
    return len(found) == 1 and blocks[0].cell is not None and len(blocks[0].words) == len(words)


def _all_number(words: Phrase) -> bool:
    number = cardinal(words, 0)
    return number is not None and number[1] == len(words)


def _surely_inserts(sitting: Sitting, parse: Parse, asked: Asked) -> bool:
    """A word or two beside words that are no thing, or some if it is told that words are meant."""
    if parse.args.get("text") != asked.new or not inserted.plain_words(sitting, parse):
        return False
    if asked.new[-1] in HANGING or asked.new[0] in _ACTING or asked.sure is Sure.DOUBTFUL:
        return False
    if asked.sure is Sure.TOLD:
        return inserted.not_a_sentence(sitting, parse)
    target = parse.args.get("target")
    quoted = of_the_page(target) or named_as_written(sitting.document, target)
    return quoted and inserted.a_word_of_the_text(sitting, parse)
