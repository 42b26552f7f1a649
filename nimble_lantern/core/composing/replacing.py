"""Words in place of others."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.composing.articles import in_agreement
from nimble_lantern.core.composing.placing import (
    Wrote,
    choices_at,
    manner_for,
    manner_of,
    place_at,
    put,
    said_now,
    trimmed,
)
from nimble_lantern.core.document.edits import (
    Edit,
    Splice,
    delete,
    insert,
)
from nimble_lantern.core.document.model import (
    Document,
    Format,
    Piece,
    Position,
    Range,
)
from nimble_lantern.core.lexicon.closed import ARTICLES, LITTLE
from nimble_lantern.core.lexicon.figures import MONEY
from nimble_lantern.core.lexicon.frequency import zipf
from nimble_lantern.core.lexicon.names import GIVEN, MONTHS
from nimble_lantern.core.lexicon.sentences import TITLES
from nimble_lantern.core.state import Marks, Sitting
from nimble_lantern.core.writing.capitals import AsHeard, AsItStands, capitalised, starts_sentence
from nimble_lantern.core.writing.cardinals import (
    TENS,
    UNITS,
    cardinal,
    in_words,
    ordinal,
    ordinal_suffix,
)
from nimble_lantern.core.writing.lexer import mark_named
from nimble_lantern.core.writing.persons import titled
from nimble_lantern.core.writing.spelling import behind_spelled, letter, spelled
from nimble_lantern.core.writing.spoken import plain
from nimble_lantern.core.writing.writer import Place, Written, write

AN_ARTICLE = re.compile(r"\b(?:the|an?) $", re.I)


STOPS = (("full", "stop"), ("period",), ("question", "mark"), ("exclamation", "mark"))


def without_stop(document: Document, r: Range, words: Sequence[str]) -> Range:
    """A sentence without its closing mark, which stays unless the new words bring their own."""
    closed = document.text(r)[-1:] in (".", "?", "!")
    if not closed or any(tuple(words[-len(stop) :]) == stop for stop in STOPS):
        return r
    return Range(r.start, r.end._replace(offset=r.end.offset - 1))


def bare_mark(words: Sequence[str]) -> Sequence[str]:
    """ "a comma" put in or in the place of something is the mark."""
    if len(words) > 1 and words[0] in ("a", "an", "the") and mark_named(words[1:]):
        return words[1:]
    return words


def _spelled_out(old: str, words: Sequence[str]) -> Sequence[str]:
    """Letters said one by one in place of a word are a word, with the capital that it had.

    "L e e k s", and "leeks spelled l e e k s"; "b b c" in place of capitals stays in capitals.
    """
    _, said = behind_spelled(words)
    text, end = spelled(said, 0)
    if len(text) < 2 or end != len(said) or not all(letter(w) for w in said):
        return words
    if old.isupper() and len(old) > 1:
        return words
    return (text.capitalize(),) if old[:1].isupper() else (text,)


def _bare_number(old: str, words: Sequence[str]) -> Sequence[str]:
    """ "The five should be a six": a number in the place of one."""
    if len(words) < 2 or words[0] not in ("a", "an"):
        return words
    said = cardinal(words, 1)
    before = tuple(old.lower().split())
    number = before and (old.replace(",", "").isdecimal() or cardinal(before, 0))
    return words[1:] if said and said[1] == len(words) and number else words


def _an_hour(old: str, words: Sequence[str]) -> str:
    """A bare hour in the place of a time has its minutes as well: 11:00 for 10:00."""
    said = cardinal(words, 0) if _TIME.fullmatch(old) else None
    whole = said is not None and said[1] == len(words) and 0 < said[0] <= _LAST_HOUR
    return f"{said[0]}:00" if said is not None and whole else ""


_TIME, _LAST_HOUR = re.compile(r"\d{1,2}:\d\d"), 24


_PAST, _OCLOCK = (("half", "past"), ("quarter", "past"), ("quarter", "to")), " o’clock"


def a_name(document: Document, r: Range) -> bool:
    """Whether a range is a name: by its capital inside a sentence, or those of all its words."""
    text = document.text(r)
    words = text.split(" ")
    left = document.blocks[r.start.block].text[: r.start.offset]
    rare = text.lower() in GIVEN or zipf(text.lower()) < _RARE
    told = len(words) > 1 or rare or not starts_sentence(left)
    return told and all(w.isalpha() and w[0].isupper() and not w.isupper() for w in words)


def rare_as_names(words: Sequence[str], size: int) -> bool:
    """Whether words are so rare that they are a name where they take a name's place of `size`.

    "Wren Castle" for "Nell Harker", but "old friends" and "the crew".
    """
    if len(words) not in (1, size) or not all(word.isalpha() for word in words):
        return False
    if len(words) == 1:
        return zipf(words[0]) < _RARE
    first = words[0] in GIVEN or zipf(words[0]) < _RARER
    return first and not words[-1].endswith("s") and not set(words) & LITTLE


def _as_names(words: Sequence[str], old: list[str]) -> bool:
    """Whether words are names where they take a name's place, or that name has another beside it:
    "Osric Bellamy" for "Osric"."""
    size = len(old)
    more = len(words) == size + 1 and [*words[:size]] == old and rare_as_names(words[size:], 1)
    return more or rare_as_names(words, size)


_RARE, _RARER = 4.0, 4.5
"""On wordfreq's Zipf scale: of one word, and of the first of several."""


def replace_range(
    sitting: Sitting,
    r: Range,
    words: Sequence[str],
    exactly: bool = False,
    said_again: bool = False,
) -> Wrote:
    """Words in place of a range, with the marks that all of it had.

    `exactly`: the one word is written as it stands, whatever the conventions say.  `said_again`:
    words beside the range may be said once more with the new ones, and then stand there once.
    """
    if not exactly and (hour := _an_hour(sitting.document.text(r), words)):
        words, exactly = (hour,), True
    if not exactly:
        words = _bare_number(sitting.document.text(r), words)
        words = _spelled_out(sitting.document.text(r), bare_mark(words))
    block = sitting.document.blocks[r.start.block]
    if tuple(words[:2]) in _PAST and block.text[r.end.offset :].startswith(_OCLOCK):
        r = Range(r.start, r.end._replace(offset=r.end.offset + len(_OCLOCK)))
    marks: Marks = ()
    if r.start.block == r.end.block and r.start < r.end:
        covering = (s for s in block.spans if s.start <= r.start.offset and s.end >= r.end.offset)
        marks = tuple((s.mark, s.value) for s in covering)
    place = place_at(sitting.document, r.start, r.end)
    if len(words) > 1 and words[0] in ARTICLES and (article := AN_ARTICLE.search(place.left)):
        # The new article takes the old one's place: "replace the last cat with a dog".
        start = r.start.offset - len(article[0])
        r = Range(Position(r.start.block, start), r.end)
        place = place_at(sitting.document, r.start, r.end)
    if said_again and r.start.block == r.end.block:
        r = _with_what_is_said_again(sitting.document, r, words)
        r = _with_its_number(sitting.document, r, words)
        place = place_at(sitting.document, r.start, r.end)
    old = sitting.document.text(r)
    if old[:1].islower():
        place = replace(place, continues=True)  # a small letter stays one: in a list, say
    manner = manner_for(sitting, place, words)
    if exactly:
        manner = replace(manner, names=(AsItStands(words[0]),))
    elif _ORDINAL.fullmatch(old) and (placed := ordinal(words, 0)) and placed[1] == len(words):
        words, exactly = (f"{placed[0]}{ordinal_suffix(placed[0])}",), True  # as the one there
        manner = replace(manner, names=(AsItStands(words[0]),))
    elif (day := _day_of_a_date(place, old, words)) is not None:
        words, exactly = (str(day),), True  # "21 June" for "14 June", of which a day was said
        manner = replace(manner, names=(AsItStands(words[0]),))
    elif _PRICE.fullmatch(old) and (said := cardinal(words, 0)) and said[1] == len(words):
        words = (*words, _MONEY[old[0]])  # "£2,600" for "£2,400", of which the number was said
    elif old.isdecimal() and (said := cardinal(words, 0)) and said[1] == len(words):
        manner = replace(manner, numbers="digits")  # as the one there
    elif _of_another_number(old, words):
        manner = replace(manner, numbers="words")  # "sixty chairs" for "forty chairs"
    elif (number := _in_words_as(old, words)) is not None:
        words, exactly = (in_words(number, sitting.settings.dialect),), True
        manner = replace(manner, names=(AsItStands(words[0]),))
    called = not exactly and words[0] not in TITLES and a_name(sitting.document, r)
    if called and _as_names(words, old.lower().split()):
        manner = replace(manner, names=(*manner.names, AsHeard(tuple(map(capitalised, words)))))
    if old[:1].isupper() and tuple(words) in _NAMED_BEHIND and not starts_sentence(place.left):
        manner = replace(manner, names=(*manner.names, AsHeard((capitalised(words[0]),))))
    if not exactly and old[:1].isupper() and _before_a_name(sitting.document, r, words):
        manner = replace(manner, names=(*manner.names, AsHeard((capitalised(words[0]),))))
    written = write(words, place, manner)
    if len(written.parts) == 1 and isinstance(written.parts[0], str) and not written.trim:
        return in_agreement(_swap(sitting, r, written, marks))
    bare = sitting.edited(delete(sitting.document, r))
    return put(replace(bare, selection=None, fresh=False), r.start, written, marks)


_NAMED_BEHIND = frozenset(
    (word,)
    for word in "street road lane avenue drive terrace square court quay house hall club".split()
)
"""Behind a name they are a part of it: "Shore Street"."""


def _in_words_as(old: str, words: Sequence[str]) -> int | None:
    """The number that goes into the place of one in words, and is told in words too: "fifty" for
    "forty"; None for others."""
    there = tuple(old.lower().replace("-", " ").split())
    said, number = cardinal(words, 0), cardinal(there, 0) if there and there[0].isalpha() else None
    if said is None or number is None or (said[1], number[1]) != (len(words), len(there)):
        return None
    return said[0] if number[0] > _ONE_DIGIT and _short_in_words(said[0]) else None


def _short_in_words(number: int) -> bool:
    """ "Fifty", "eleven thousand"; "fifty-one thousand two hundred" is better in digits."""
    return number < _HUNDRED or number % 1000 == 0 and number < _HUNDRED * 1000


def _day_of_a_date(place: Place, old: str, words: Sequence[str]) -> int | None:
    """The day that ordinal words tell, in the place of that of a date with its month."""
    bare = words[1:] if words[:1] in (("the",), ["the"]) else words
    said = ordinal(bare, 0) if old.isdecimal() and bare else None
    beside = (*place.left.split()[-1:], *place.right.split()[:1])
    dated = not MONTHS.keys().isdisjoint(w.strip(".,;").lower() for w in beside)
    return said[0] if said is not None and said[1] == len(bare) and dated else None


_PRICE = re.compile(r"[£$€][\d,.]+")
_MONEY = {"£": "pounds", "$": "dollars", "€": "euros"}
_ONE_DIGIT, _HUNDRED = 10, 100
_ORDINAL = re.compile(r"\d+(?:st|nd|rd|th)")


def but_what_is_counted(document: Document, r: Range, words: Sequence[str]) -> Range:
    """The number alone of "forty years", where another number takes its place: "fifty"."""
    text = document.text(r)
    there = tuple(plain(word) for word in text.split(" "))
    number, said = cardinal(there, 0), cardinal(words, 0)
    if said is None or said[1] != len(words) or r.start.block != r.end.block:
        return r
    end = number[1] if number else int(there[0].isdecimal())
    counted = there[end:]
    if not end or not counted or len(counted) > _FEW_COUNTED or not all(map(str.isalpha, counted)):
        return r
    if number and number[0] >= _HUNDRED > said[0] or set(counted) & LITTLE:
        return r
    size = len(" ".join(text.split(" ")[:end]))
    return Range(r.start, r.start._replace(offset=r.start.offset + size))


_FEW_COUNTED = 2


def _of_another_number(old: str, words: Sequence[str]) -> bool:
    """Whether words are those that stand there but for their number, told in words there."""
    there = tuple(plain(word) for word in old.replace("-", " ").split())
    was, is_now = _numbered(there), _numbered([plain(word) for word in words])
    if was is None or is_now is None or any(map(str.isdecimal, old)):
        return False
    priced = not MONEY.keys().isdisjoint(is_now[1][1][:1])  # "£30" for "twenty pounds"
    return was[1] == is_now[1] != ((), ()) and was[0] > _ONE_DIGIT and not priced


def _numbered(words: Sequence[str]) -> tuple[int, tuple[tuple[str, ...], tuple[str, ...]]] | None:
    """The one number in words that some words hold, and the words before and behind it."""
    i = next((i for i in range(len(words)) if cardinal(words, i)), None)
    said = cardinal(words, i) if i is not None else None
    if said is None:
        return None
    number, end = said
    behind = tuple(words[end:])
    alone = not any(cardinal(behind, k) for k in range(len(behind)))
    return (number, (tuple(words[:i]), behind)) if alone else None


def _before_a_name(document: Document, r: Range, words: Sequence[str]) -> bool:
    """Whether the one new word is a title there: "doctor" for "Mrs" before "Okafor"."""
    behind = document.blocks[r.end.block].text[r.end.offset :].split()[:1]
    named = bool(behind) and behind[0][0].isupper() and len(words) == 1
    return named and titled((words[0], plain(behind[0].rstrip(".,;:!?"))), 0, ())


def _with_what_is_said_again(document: Document, r: Range, words: Sequence[str]) -> Range:
    """A range with the words beside it that the new ones begin or end with.

    "42 people" with "50 people" for "42" has one "people".
    """
    (b, start), (_, end) = r
    text, spans = document.blocks[b].text, document.blocks[b].spans
    own = text[start:end].lower().split()

    def wider(first: int, last: int) -> Range:
        """The wider range, unless part of it looks otherwise."""
        edges = {edge for s in spans for edge in (s.start, s.end)}
        alike = not any(first < edge < last for edge in edges)
        return Range(Position(b, first), Position(b, last)) if alike else r

    first, last, left = start, end, len(words) - 1
    for size in range(left, 0, -1):
        before = re.search(r"\b" + r"\s+".join(map(re.escape, words[:size])) + r"\s+$",
                           text[:start], re.IGNORECASE)  # fmt: skip
        if before and own[:1] != [words[0]]:
            first, left = before.start(), left - size
            break
    for size in range(left, 0, -1):
        after = re.match(r"\s+" + r"\s+".join(map(re.escape, words[-size:])) + r"\b",
                         text[end:], re.IGNORECASE)  # fmt: skip
        if after and own[-1:] != [words[-1]]:
            last = end + after.end()
            break
    return wider(first, last) if (first, last) != (start, end) else r


def _with_its_number(document: Document, r: Range, words: Sequence[str]) -> Range:
    """A range with the number before it, where new words are the same with another number.

    "Two maps" with "three maps" for "maps" has one number.
    """
    own = document.text(r).lower().split()
    number = cardinal(words, 0)
    if number is None or not own or [w.lower() for w in words[number[1] :]] != own:
        return r
    left = document.blocks[r.start.block].text[: r.start.offset]
    before = _NUMBER_BEFORE.search(left)
    if before is None:
        return r
    return Range(Position(r.start.block, before.start()), r.end)


_NUMBER_BEFORE = re.compile(
    rf"\b(?:\d+|(?:(?:{'|'.join(TENS)})[- ])?(?:{'|'.join(UNITS)})|{'|'.join(TENS)}) $", re.I
)


def _swap(sitting: Sitting, r: Range, written: Written, marks: Marks) -> Wrote:
    """One text for one range: positions at its edges stay at its edges."""
    edit = Edit()
    text = written.text
    if r.start.block != r.end.block:
        edit = delete(sitting.document, r)
        edit = edit.then(insert(r.start, [(Piece(text).marked(marks), Format())]))
    else:
        b, start, end = r.start.block, r.start.offset, r.end.offset
        edit = Edit((Splice(b, start, end, Piece(text).marked(marks)),))
    end_at = Position(r.start.block, r.start.offset + len(text))
    at_caret = sitting.caret
    after = sitting.edited(edit)
    if at_caret == r.end and r.start.block != r.end.block:
        after = replace(after, caret=end_at)
    found = trimmed(after.document, Range(r.start, end_at))
    kept = choices_at(written, [(Piece(text), Format())], r.start, after.document)
    after = replace(said_now(after, found), choices=kept).about([found])
    return Wrote(after, after.document.text(found), found)


def replace_many(
    sitting: Sitting, ranges: Sequence[Range], words: Sequence[str]
) -> tuple[Sitting, str]:
    """The same words in place of many ranges, as one edit; each written as its place asks."""
    steps: list[Splice] = []
    kept: dict[tuple[str, str], str] = {}
    written = ""
    shifts: dict[int, int] = {}
    where: list[Range] = []
    manner = manner_of(sitting, "")
    for r in ranges:
        (b, start), (_, end) = r
        block = sitting.document.blocks[b]
        place = place_at(sitting.document, r.start, r.end)
        # Only the last few characters to the left decide spacing and capitals.
        key = (place.left[-12:], place.right)
        if key not in kept:
            kept[key] = write(words, place, manner).text
        written = kept[key]
        covering = (s for s in block.spans if s.start <= start and s.end >= end)
        piece = Piece(written).marked((s.mark, s.value) for s in covering)
        shift = shifts.get(b, 0)
        steps.append(Splice(b, start + shift, end + shift, piece))
        where.append(Range(Position(b, start + shift), Position(b, start + shift + len(written))))
        shifts[b] = shift + len(written) - (end - start)
    after = sitting.edited(Edit(tuple(steps)))
    return after.about(where), written
