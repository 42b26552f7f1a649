"""Which words of a text are of one kind with others: what "i meant tuesday" puts right.

A number mends a number, a day a day, a name a name; other words mend those that are as many and
begin alike, or sound alike.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import NamedTuple

from rapidfuzz import fuzz

from nimble_lantern.core.document.model import Document, Position, Range
from nimble_lantern.core.document.styles import COLOURS
from nimble_lantern.core.lexicon.closed import DETERMINERS, LITTLE
from nimble_lantern.core.lexicon.frequency import zipf
from nimble_lantern.core.lexicon.names import DAYS, GIVEN, KNOWN_NAMES, MONTHS, PROPER
from nimble_lantern.core.lexicon.sentences import TITLES
from nimble_lantern.core.targets.sounds import phrase_key
from nimble_lantern.core.targets.words import index_of
from nimble_lantern.core.writing.cardinals import cardinal, ordinal

_KINDS: dict[str, frozenset[str]] = {
    "day": frozenset(DAYS) | frozenset("today tomorrow yesterday tonight".split()),
    "days": frozenset(f"{day}s" for day in DAYS),
    "month": frozenset(MONTHS),
    "colour": frozenset(COLOURS),
    "hour": frozenset("morning noon midday afternoon evening night midnight dawn dusk".split()),
    "people": frozenset(PROPER.split()),
    "kin": frozenset(
        "mother father mum dad mummy daddy parents sister brother aunt auntie uncle cousin niece"
        " nephew wife husband son daughter grandmother grandfather granny gran grandad nan grandson"
        " granddaughter sisters brothers cousins sons daughters".split()
    ),
    "title": TITLES,
    "name": GIVEN | KNOWN_NAMES - frozenset((*PROPER.split(), *DAYS, *MONTHS)),
}
_TWELVE = frozenset(("noon", "midday", "midnight"))
_TWELVE_HOURS = 12
_OF_ANOTHER_LENGTH = 8.0
_LEAST_ALIKE, _AS_GOOD = 55.0, 8.0
_NAMES_ALIKE = 70.0
_FEW = 3
_COMMON = 4.2
"""Zipf frequency from which a word is no name; "may" is 6, "wilf" 2.5 (wordfreq's scale)."""


class Mend(NamedTuple):
    """Words of the text, and those that belong in their place."""

    range: Range
    words: tuple[str, ...]


def kind_of(words: Sequence[str]) -> str:
    """What kind of thing words name: number, place, day, month, colour, ...; "" for none."""
    bare = tuple(w for w in words if w not in DETERMINERS)
    if not bare:
        return ""
    if _clock(bare):
        return "clock"
    if _date(bare):
        return "date"
    place = ordinal(bare, 0)
    if place and place[1] == len(bare):
        return "place"  # "twenty first" is no twenty
    number, rest = _number(bare)
    if number and len(rest) <= 1:
        return "number"
    if len(bare) > 1:
        return ""
    return next((kind for kind, known in _KINDS.items() if bare[0].lower() in known), "")


_PAST_THE_HOUR = frozenset((("half", "past"), ("quarter", "past"), ("quarter", "to")))


def _clock(words: tuple[str, ...]) -> bool:
    """Whether words tell a time by the hour before or after it: "half past eight", "ten to two"."""
    if words[:2] in _PAST_THE_HOUR:
        return bool(_hour(words[2:]))
    minutes = cardinal(words, 0)
    if not minutes or words[minutes[1] : minutes[1] + 1] not in (("past",), ("to",)):
        return False
    return bool(_hour(words[minutes[1] + 1 :]))


def _hour(words: tuple[str, ...]) -> bool:
    hour = cardinal(words, 0) if words else None
    return hour is not None and hour[1] == len(words) and 0 < hour[0] <= _TWELVE_HOURS


def _date(words: tuple[str, ...]) -> bool:
    """Whether words tell a day of a month: "fourth of june", "june the fourth", "june four"."""
    bare = tuple(w for w in words if w not in ("of", "the"))
    if not bare:
        return False
    for i, month in ((-1, bare[-1]), (0, bare[0])):
        day = bare[:-1] if i else bare[1:]
        if month in MONTHS and day:
            found = ordinal(day, 0) or cardinal(day, 0)
            return found is not None and found[1] == len(day)
    return False


def of_one_kind(some: Sequence[str], others: Sequence[str]) -> bool:
    """Whether both are days, both are numbers ...; noon and half past two are hours like eleven, a
    date may be told by its day."""
    kinds = kind_of(some), kind_of(others)
    alike = bool(kinds[0]) and kinds[0] == kinds[1] or set(kinds) == {"day", "date"}
    return alike or _two_hours(some, others)


def _two_hours(some: Sequence[str], others: Sequence[str]) -> bool:
    for one, other in ((some, others), (others, some)):
        told = len(one) == 1 and one[0].lower() in _TWELVE or kind_of(one) == "clock"
        bare = tuple(w for w in other if w != "o'clock")
        if told and (_hour(bare) or bare[:1] and bare[0].lower() in _TWELVE):
            return True
    return False


def mends(document: Document, within: Range, words: Sequence[str]) -> list[Mend]:
    """What the words may put right in a range: one place if it is plain which, or several."""
    wanted = tuple(w.lower() for w in words)
    kind = kind_of(wanted)
    ranked: list[tuple[float, Mend]] = []
    sizes = _SIZES if kind in _OF_ANY_LENGTH else {1, 2, len(wanted)}
    if len(wanted) > _FEW and kind not in (*_OF_ANY_LENGTH, "number"):
        sizes = {len(wanted)}  # a number may be one word in figures
    dates: list[Range] = []
    for r, said in _windows(document, within, sizes):
        if said == wanted:
            continue
        if _date(said):
            dates.append(r)
        if kind == "place" and (other := _another_day(wanted, said)):
            ranked.append((_SURELY, Mend(r, other)))
        elif kind:
            if of_one_kind(wanted, said) and (whole := _measured(wanted, said)):
                counted = whole is wanted and kind == "number" and _number(said)[1] == ()
                less = counted or not _both_or_neither(wanted, said)
                ranked.append((_SURELY - less * _AS_GOOD, Mend(r, _as_there(whole, said))))
            continue
        if all(w in LITTLE for w in said):
            continue
        likeness = _likeness(wanted, said)
        if len(wanted) == 1 and _a_name(document.text(r)) and _rare(wanted[0]):
            likeness = max(likeness, _NAMES_ALIKE)
        if len(said) != len(wanted):
            # "Boat" mends "vote" before it mends "by vote".
            likeness -= _OF_ANOTHER_LENGTH
        if likeness >= _LEAST_ALIKE:
            ranked.append((likeness, Mend(r, wanted)))
    if kind == "number":
        # The day of a date is none: "five hundred pounds" mends "£400", and not "3 March".
        ranked = [row for row in ranked if not any(_holds(d, row[1].range) for d in dates)]
    best = max((likeness for likeness, _ in ranked), default=0.0)
    good = [mend for likeness, mend in ranked if best - likeness < _AS_GOOD]
    # A longer stretch that holds another says the same thing twice.
    return [m for m in good if not any(_holds(m.range, o.range) for o in good if o is not m)]


def _both_or_neither(wanted: Sequence[str], said: Sequence[str]) -> bool:
    """Whether both begin with an article or an owner: "my brother" mends "my sister", and not her
    alone."""
    return (wanted[0] in DETERMINERS) == (said[0] in DETERMINERS)


_SURELY = 100.0
_OF_ANY_LENGTH, _SIZES = ("date", "clock", "place"), {1, 2, 3, 4}
"""Said in full, they are written in fewer words: "the fourth of march" is "4 March"."""


def on_another_day(words: Sequence[str], said: Sequence[str]) -> tuple[str, ...]:
    """A day's ordinal in the place of a date, with the month of that: "the third" for "the second
    of november" is "third of november"; nothing for other words."""
    wanted = tuple(words)
    if kind_of(wanted) != "place":
        return ()
    whole = _another_day(wanted, tuple(w.lower() for w in said))
    return _as_there(whole, tuple(said)) if whole else ()


def _another_day(wanted: tuple[str, ...], said: tuple[str, ...]) -> tuple[str, ...]:
    """ "The fourth", of a date: that day of the same month."""
    if not _date(said):
        return ()
    return (*wanted, "of", said[-1] if said[-1] in MONTHS else said[0])


def _as_there(words: tuple[str, ...], said: tuple[str, ...]) -> tuple[str, ...]:
    """A date without an article where there is none: "on 3 March" becomes "on 4 March"."""
    article = _date(words) and words[0] in DETERMINERS and said[0] not in DETERMINERS
    return words[1:] if article else words


def _holds(outer: Range, inner: Range) -> bool:
    return outer.start <= inner.start and inner.end <= outer.end


def _number(words: tuple[str, ...]) -> tuple[tuple[str, ...], tuple[str, ...]]:
    found = cardinal(words, 0)
    end = found[1] if found else int(words[0].isdigit())
    if words[end : end + 1] in _POUNDS and (pence := cardinal(words, end + 1)):
        # "Three pounds fifty" is so many pounds.
        return (*words[:end], *words[end + 1 : pence[1]]), words[pence[1] :] or words[end : end + 1]
    return words[:end], words[end:]


_POUNDS = (("pounds",), ("pound",), ("euros",), ("dollars",))


def _measured(wanted: tuple[str, ...], said: tuple[str, ...]) -> tuple[str, ...] | None:
    """A number with what it counts: "seven" for "six pounds" is "seven pounds"."""
    if kind_of(wanted) != "number":
        return wanted
    rest = _number(tuple(w for w in said if w not in DETERMINERS))[1]
    own = _number(tuple(w for w in wanted if w not in DETERMINERS))[1]
    if own and rest and own != rest:
        return None
    return wanted if own else (*wanted, *rest)


def _likeness(wanted: tuple[str, ...], said: tuple[str, ...]) -> float:
    """0 to 100, by spelling and by sound; by the frame where all but one word are the same."""
    same = sum(a == b for a, b in zip(wanted, said, strict=False))
    if len(wanted) == len(said) and same and same == len(wanted) - 1:
        # "The hut" mends "the shed".
        return 60.0 + 10.0 * same
    a, b = " ".join(wanted), " ".join(said)
    return float(fuzz.ratio(a, b) + fuzz.ratio(phrase_key(a), phrase_key(b))) / 2


def _a_name(text: str) -> bool:
    return text[:1].isupper() and _rare(text.lower())


def _rare(word: str) -> bool:
    return zipf(word) < _COMMON


def _windows(
    document: Document, within: Range, sizes: set[int]
) -> Iterator[tuple[Range, tuple[str, ...]]]:
    """Runs of so many words, as they are spoken."""
    for b in range(within.start.block, within.end.block + 1):
        block = document.blocks[b]
        forms = index_of(block).forms
        for n in range(len(block.words)):
            for many in sorted(sizes):
                if n + many > len(block.words):
                    continue
                r = Range(Position(b, block.words[n][0]), Position(b, block.words[n + many - 1][1]))
                if within.start <= r.start and r.end <= within.end:
                    yield r, tuple(w for form in forms[n : n + many] for w in form[0])
