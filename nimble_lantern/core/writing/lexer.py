"""Spoken words to elements: words, marks, breaks, numbers, requests for capitals."""

from __future__ import annotations

import re
from collections.abc import Callable, Sequence
from dataclasses import dataclass, field, replace
from enum import StrEnum
from itertools import takewhile

from nimble_lantern.core.lexicon.closed import (
    ARTICLES_AND_OWNERS,
    AUXILIARIES,
    CONTRACTED,
    DETERMINERS,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.figures import MEASURES, MONTH_BEFORE
from nimble_lantern.core.lexicon.names import INITIALS, PARENTS, TITLES
from nimble_lantern.core.lexicon.prose import (
    FILE_ENDINGS,
    NOT_AFTER,
    NOT_BEFORE,
    NOT_CAPITAL_BEFORE,
    TOP_LEVEL,
)
from nimble_lantern.core.writing import codes, marks
from nimble_lantern.core.writing.addresses import address
from nimble_lantern.core.writing.capitals import ALWAYS, KNOWN, Names, capitalised
from nimble_lantern.core.writing.cardinals import ORDINAL_UNITS
from nimble_lantern.core.writing.forms import Around, Number
from nimble_lantern.core.writing.marks import MARKS, Mark, Spacing
from nimble_lantern.core.writing.numbers import clauses, number_at
from nimble_lantern.core.writing.persons import is_address, is_listed, is_named, respelled, titled
from nimble_lantern.core.writing.places import is_of_a_place
from nimble_lantern.core.writing.spelling import in_dialect, spelled
from nimble_lantern.core.writing.spoken_of import closes, ends_a_clause, is_the_word, told_of

BREAKS: dict[tuple[str, ...], str] = {
    ("new", "line"): "line",
    ("next", "line"): "line",
    ("line", "break"): "line",
    ("new", "paragraph"): "paragraph",
    ("next", "paragraph"): "paragraph",
    ("paragraph", "break"): "paragraph",
    ("next", "item"): "item",
    ("new", "item"): "item",
    ("bullet", "point"): "bulleted",
    ("next", "bullet"): "bulleted",
    ("new", "bullet"): "bulleted",
    ("numbered", "item"): "numbered",
    ("new", "numbered", "item"): "numbered",
    ("new", "heading"): "heading 1",
    ("heading", "one"): "heading 1",
    ("heading", "two"): "heading 2",
    ("heading", "three"): "heading 3",
    ("new", "heading", "one"): "heading 1",
    ("new", "heading", "two"): "heading 2",
    ("new", "heading", "three"): "heading 3",
    ("end", "list"): "end list",
    ("end", "of", "list"): "end list",
    ("end", "the", "list"): "end list",
}
_NOT_AFTER_BREAK = ARTICLES_AND_OWNERS | {"on", "which", "to", "this", "that", "in", "under"}
_ONE_OF_THEM = ORDINAL_UNITS.keys() | {"last", "final", "each", "every", "either", "no"}
CAPITALS: dict[tuple[str, ...], str] = {
    ("capital",): "next",
    ("cap",): "next",
    ("uppercase",): "upper next",
    ("upper", "case"): "upper next",
    ("all", "capitals"): "upper next",
    ("all", "caps"): "upper next",
    ("no", "capitals"): "lower next",
    ("no", "capital"): "lower next",
    ("no", "caps"): "lower next",
    ("lower", "case"): "lower next",
    ("lowercase",): "lower next",
    ("capitals", "on"): "title",
    ("caps", "on"): "title",
    ("capitals", "off"): "none",
    ("caps", "off"): "none",
    ("all", "capitals", "on"): "upper",
    ("all", "caps", "on"): "upper",
    ("all", "capitals", "off"): "none",
    ("all", "caps", "off"): "none",
    ("no", "capitals", "on"): "lower",
    ("no", "caps", "on"): "lower",
    ("no", "capitals", "off"): "none",
    ("no", "caps", "off"): "none",
    ("no", "more", "capitals"): "none",
    ("no", "more", "caps"): "none",
    ("title", "case"): "title rest",
    **{
        (turn, *what): kind
        for what, on in {
            ("all", "caps"): "upper",
            ("all", "capitals"): "upper",
            ("caps",): "title",
            ("capitals",): "title",
            ("title", "case"): "title",
        }.items()
        for turn, kind in {"start": on, "begin": on, "end": "none", "stop": "none"}.items()
    },
}
_FEW_TO_THE_END = 3
"""So many words up to the end, or a mark, are all meant by "all capitals"."""


class Kind(StrEnum):
    """What an element is to the writer."""

    WORD = "word"
    MARK = "mark"
    BREAK = "break"
    CAPITAL = "capital"  # how the next word, or all from here on, are written
    NOSPACE = "nospace"
    NUMBER = "number"


@dataclass(frozen=True, slots=True)
class Element:
    """One thing to write.

    `used` spoken words stand behind it.
    """

    kind: Kind
    text: str = ""
    used: int = 1
    spacing: Spacing = Spacing.SPACED
    number: Number | None = None
    fixed: bool = False  # written as it is, whatever stands before it
    spoken: tuple[str, ...] = ()

    def said(self, spoken: tuple[str, ...]) -> Element:
        """This element with the words that stand behind it."""
        return Element(
            self.kind, self.text, self.used, self.spacing, self.number, self.fixed, spoken
        )


@dataclass(frozen=True, slots=True)
class Manner:
    """How to write: dialect and number style, what is known, what stands before."""

    dialect: str = "british"
    numbers: str = "editor"
    names: tuple[Names, ...] = ()
    before: tuple[str, ...] = ()
    mask: Callable[[str], str] | None = field(default=None, compare=False)


def lex(words: Sequence[str], manner: Manner) -> list[Element]:
    """Elements in spoken order; every word stands behind exactly one of them."""
    found: list[Element] = []
    positions: list[int] = []
    listed, i = list(words), 0
    while i < len(listed):
        element = _element(listed, i, found, manner)
        spoken = tuple(listed[i : i + element.used])
        found.append(element.said(spoken))
        positions.append(i)
        i += element.used
    return _in_one_style(found, positions, listed)


def _in_one_style(found: list[Element], positions: list[int], words: list[str]) -> list[Element]:
    """Within a list or range, digits for all if for one."""
    numbers = [
        (positions[i], element.number, i)
        for i, element in enumerate(found)
        if element.kind is Kind.NUMBER and element.number
    ]
    for run in clauses([(p, n) for p, n, _ in numbers], words):
        group = [numbers[k] for k in run]
        if any(n.prefer_digits for _, n, _ in group):
            for _, number, index in group:
                found[index] = replace(found[index], number=replace(number, prefer_digits=True))
    for i, (one, link, other) in enumerate(zip(found, found[1:], found[2:], strict=False)):
        until = link.spoken in _TO_A_YEAR and one.number and _YEAR.fullmatch(one.number.digits)
        if until and other.number and other.number.digits == "2,000":
            year = replace(other.number, digits="2000", prefer_digits=True)
            found[i + 2] = replace(other, number=year)
        elif until and one.number and other.number and _YEAR.fullmatch(other.number.digits):
            # In digits both, though they open a sentence.
            found[i] = replace(one, number=replace(one.number, code=True))
    return found


_YEAR = re.compile(r"(?:1[5-9]|20)\d\d")
_TO_A_YEAR = (("and",), ("to",), ("until",), ("till",), ("or",))
""""Between nineteen ninety and two thousand"."""


def special(words: Sequence[str], i: int, manner: Manner) -> int:
    """How many words from `i` on would not be written as plain words; 0 if they would."""
    for table in (BREAKS, CAPITALS, MARKS):
        size = _longest(words, i, table)
        if size:
            return size
    if list(words[i : i + 2]) == ["no", "space"]:
        return 2
    number = number_at(words, i, Around(dialect=manner.dialect))
    return number.used if number else 0


def _longest(words: Sequence[str], i: int, table: dict[tuple[str, ...], object] | object) -> int:
    assert isinstance(table, dict)
    for size in range(min(marks.LONGEST, len(words) - i), 0, -1):
        if tuple(words[i : i + size]) in table:
            return size
    return 0


def _previous(words: list[str], i: int, manner: Manner) -> str:
    return words[i - 1] if i else (manner.before[-1] if manner.before else "")


def _element(words: list[str], i: int, found: list[Element], manner: Manner) -> Element:
    word = words[i]
    previous = _previous(words, i, manner)
    if found and found[-1].fixed and found[-1].kind is Kind.WORD and found[-1].used > 1:
        previous = found[-1].text  # the "a" that ends a postcode is no article
    if word == "literal" and i + 1 < len(words):
        size = special(words, i + 1, manner)
        named = _longest(words, i + 1, MARKS) or _longest(words, i + 1, BREAKS)
        if size and (named or previous not in ARTICLES_AND_OWNERS):
            plain = " ".join(_plain(w, manner) for w in words[i + 1 : i + 1 + size])
            return Element(Kind.WORD, plain, size + 1)
    joined = found and found[-1].kind is Kind.MARK and found[-1].text == "’"
    if joined and word in CONTRACTED and found[-1].spoken == ("apostrophe",):
        return Element(Kind.WORD, word, spacing=Spacing.CLOSE, fixed=True)
    for parse in (_address, _code, _respelled):
        if element := parse(words, i, previous, manner):
            return element
    if _in_a_file_name(words, i, found):
        return Element(Kind.WORD, word, fixed=True)
    if element := _second_quote(words, i, found, manner) or _second_dash(words, i, found, manner):
        return element
    for parse in (_break, _capital, _unquote, _mark, _dot, _spell, _name):
        if element := parse(words, i, previous, manner):
            return element
    if element := _number(words, i, manner, found):
        return element
    for parse in (_month, _letters, _street, _person, _parent, _no_name):
        if element := parse(words, i, previous, manner):
            return element
    return Element(Kind.WORD, _plain(word, manner))


def _in_a_file_name(words: list[str], i: int, found: list[Element]) -> bool:
    """Whether a word stands beside a mark that no prose has: "rota underscore june dot pdf"."""
    left = found[-1].spoken if found else ()
    if left == ("underscore",) or left == ("dot",) and words[i] in FILE_ENDINGS | TOP_LEVEL:
        return words[i].isalpha()
    return words[i + 1 : i + 2] == ["underscore"] and words[i].isalpha() and i + 2 < len(words)


def _address(words: list[str], i: int, previous: str, manner: Manner) -> Element | None:
    found = address(words, i, previous)
    return Element(Kind.WORD, found[0], found[1], fixed=True) if found else None


def _code(words: list[str], i: int, previous: str, manner: Manner) -> Element | None:
    found = codes.code(words, i, previous)
    return Element(Kind.WORD, found[0], found[1], fixed=True) if found else None


def _respelled(words: list[str], i: int, previous: str, manner: Manner) -> Element | None:
    found = respelled(words, i)
    if not found:
        return None
    named = is_named(words, i, (*manner.before, *words[max(0, i - _NAMED_BY) : i]))
    text = capitalised(found[0]) if named else found[0]
    return Element(Kind.WORD, text, found[1], fixed=any(c.isupper() for c in text))


_NAMED_BY = 3
"""Words before a name that may tell it: "her name is"."""


def _person(words: list[str], i: int, previous: str, manner: Manner) -> Element | None:
    before = (*manner.before, *words[max(0, i - _NAMED_BY) : i])
    if words[i] == "saint" and titled(words, i, before):
        return Element(Kind.WORD, "St." if manner.dialect == "american" else "St", fixed=True)
    if titled(words, i, before) or is_named(words, i, before) or is_listed(words, i):
        return Element(Kind.WORD, capitalised(_plain(words[i], manner)))
    return None


def _parent(words: list[str], i: int, previous: str, manner: Manner) -> Element | None:
    before = (*manner.before, *words[max(0, i - _NAMED_BY) : i])
    if words[i] in PARENTS and is_address(before):
        return Element(Kind.WORD, capitalised(words[i]))
    return None


def _no_name(words: list[str], i: int, previous: str, manner: Manner) -> Element | None:
    """ "Polish the brass", "the best china": words that are names as well."""
    after = words[i + 1] if i + 1 < len(words) else ""
    if words[i] == "polish" and (after in _POLISHED or previous in _POLISHES):
        return Element(Kind.WORD, words[i])
    if words[i] == "china" and previous in ARTICLES_AND_OWNERS | _KINDS_OF_CHINA:
        return Element(Kind.WORD, words[i])
    return None


_POLISHED = DETERMINERS | ARTICLES_AND_OWNERS | {"it", "them", "up", "off", "everything"}
_POLISHES = frozenset("shoe nail furniture floor metal silver brass wax spit".split())
_KINDS_OF_CHINA = frozenset("best bone fine old broken blue white good rose".split())


def _verse_goes_on(words: list[str], i: int, size: int) -> bool:
    """ "The tide comes in new line the tide goes out"; "in new line management" breaks nothing."""
    after = words[i + size] if i + size < len(words) else ""
    begins = after in DETERMINERS | SUBJECT_PRONOUNS | {"and", "but"}
    return words[i - 1 : i + 1] == ["in", "new"] and begins


def _break(words: list[str], i: int, previous: str, manner: Manner) -> Element | None:
    size = _longest(words, i, BREAKS)
    if not size or previous in _NOT_AFTER_BREAK and not _verse_goes_on(words, i, size):
        return None
    kind = BREAKS[tuple(words[i : i + size])]
    that_one = words[i] == "bullet" and previous in _ONE_OF_THEM
    if that_one or words[i + size : i + size + 1] == ["of"]:
        return None
    if kind.startswith("heading") and words[i] != "new" and not _at_break(words, i, manner):
        return None
    if words[i] in ("next", "line", "paragraph") and i and not _clause_ended(words, i):
        after = words[i + size] if i + size < len(words) else ""
        if words[i] == "line" or after in ("is", "was", "will", "on", "in", "and", "we"):
            return None
    return Element(Kind.BREAK, kind, size)


def _at_break(words: list[str], i: int, manner: Manner) -> bool:
    if i == 0:
        return not manner.before or _is_closed_off(words, manner)
    return tuple(words[max(0, i - 2) : i]) in BREAKS


def _is_closed_off(words: list[str], manner: Manner) -> bool:
    """Whether "heading two" begins one behind a sentence that is over; "heading two miles north"
    goes on."""
    after = words[2] if len(words) > 2 else ""
    over = manner.before[-1][-1:] in (".", "?", "!")
    return over and after not in MEASURES | AUXILIARIES | {"or", "to", "of", "and", "ways"}


def _clause_ended(words: list[str], i: int) -> bool:
    return words[i - 1] in ("stop", "period", "comma", "mark", "point", "colon")


def _capital(words: list[str], i: int, previous: str, manner: Manner) -> Element | None:
    if words[i : i + 2] == ["no", "space"] and i + 2 < len(words) and previous != "is":
        after = words[i + 2]
        return None if not i and after in _OF_ROOM else Element(Kind.NOSPACE, used=2)
    size = _longest(words, i, CAPITALS)
    if not size:
        return None
    after = words[i + size] if i + size < len(words) else ""
    kind = CAPITALS[tuple(words[i : i + size])]
    if words[i] in ("stop", "end") and words[i + size : i + size + 1] == ["off"]:
        return None  # "all caps on stop all caps off"
    alone = not {"cap", "capital"} & set(words[i + size :])
    if not i and alone and (kind == "next" and after in ARTICLES_AND_OWNERS or after == "are"):
        return None  # "cap the well", "all caps are on sale"
    if words[i] == "no" and any(tuple(words[j : j + 2]) in _ALL_CAPITALS for j in range(i - 1)):
        return Element(Kind.CAPITAL, "none", size)  # "all caps private no caps and confidential"
    if kind in ("next", "upper next", "lower next"):
        again = sum(w in ("capital", "cap") for w in words) > 1 or size > 1
        named = previous in ARTICLES_AND_OWNERS and after.upper() not in _INITIALS
        named = named or after in NOT_CAPITAL_BEFORE
        if not after or named and not again:
            return None
        lone = "in", "with", "working", "human", "raise", "venture", "is", "use"
        asked = again and kind == "next" or words[i : i + 2] == ["no", "caps"]
        if previous in lone and not asked:
            return None
    if kind == "title rest" and (not after or previous in ARTICLES_AND_OWNERS or previous == "in"):
        return None
    if kind == "upper next" and size > 1 and _to_the_end(words, i + size) <= _FEW_TO_THE_END:
        kind = "upper rest"
    if kind == "next" and len(after) == 1 and words[i + size + 1 : i + size + 2]:
        # "Capital h harbour" names the letter, and then the word that begins with it.
        size += words[i + size + 1].startswith(after)
    return Element(Kind.CAPITAL, kind, size)


_OF_ROOM = frozenset("before after between for left in at on here was is anywhere to".split())
""""No space for another chair": what the word may be said of."""
_ALL_CAPITALS = (("all", "caps"), ("all", "capitals"))
_INITIALS = frozenset(INITIALS.split())


def _to_the_end(words: list[str], i: int) -> int:
    """How many words come before the next mark or break, or the end."""
    for n, j in enumerate(range(i, len(words))):
        if _longest(words, j, MARKS) or _longest(words, j, BREAKS) or _longest(words, j, CAPITALS):
            return n
    return len(words) - i


def _mark(words: list[str], i: int, previous: str, manner: Manner) -> Element | None:
    size = _longest(words, i, MARKS)
    if not size:
        return None
    after = words[i + size] if i + size < len(words) else ""
    name = words[i]
    if told_of(words, i, size) or is_the_word(words, i, size):
        return None
    if previous in ARTICLES_AND_OWNERS and not closes(words, i, size, previous):
        return None
    if size == 1 and not (name == "period" and not after and ends_a_clause(words, i)):
        quoted = name == "quote" and previous in ("and", "or") and _is_closed(words, i)
        if after in NOT_BEFORE.get(name, ()) or previous in NOT_AFTER.get(name, ()) and not quoted:
            return None
        if name == "quote" and not after and "unquote" not in words:
            return None
    if after in ("key", "keys", "character", "characters") and name != "quote":
        return None
    text, spacing = MARKS[tuple(words[i : i + size])].written(manner.dialect)
    if text == "&" and len(previous) == len(after) == 1:
        return Element(Kind.MARK, text, size, Spacing.JOIN, fixed=True)  # "B&B"
    return Element(Kind.MARK, text, size, spacing)


def _unquote(words: list[str], i: int, previous: str, manner: Manner) -> Element | None:
    """ "Quote unquote soon" has one word in quotation marks."""
    if words[i : i + 2] != ["quote", "unquote"] or i + 2 >= len(words):
        return None
    marks_ = [MARKS[side, "quote"].written(manner.dialect)[0] for side in ("open", "close")]
    return Element(Kind.WORD, _plain(words[i + 2], manner).join(marks_), 3, fixed=True)


def _is_closed(words: list[str], i: int) -> bool:
    """Whether a quotation mark at `i` has its second one further on."""
    return "unquote" in words[i + 2 :] or "quote" in words[i + 2 :]


_QUOTES = {("quote",): "", ("single", "quote"): "single", ("double", "quote"): "double"}


def _second_quote(words: list[str], i: int, found: list[Element], manner: Manner) -> Element | None:
    """Said once more, the name of a quotation mark closes: "quote come in quote"."""
    name = next((q for q in _QUOTES if tuple(words[i : i + len(q)]) == q), None)
    if name is None:
        return None
    quotes = [e.spoken for e in found if e.kind is Kind.MARK and e.text in "‘“’”"]
    opened = bool(quotes) and quotes.count(name) % 2 == 1 and quotes[-1] == name
    noun = _previous(words, i, manner) in ARTICLES_AND_OWNERS
    if noun or not opened and name == ("quote",):
        return None
    side = "close" if opened else "open"
    text, spacing = MARKS[tuple(filter(None, (side, _QUOTES[name], "quote")))].written(
        manner.dialect
    )
    return Element(Kind.MARK, text, len(name), spacing)


def _second_dash(words: list[str], i: int, found: list[Element], manner: Manner) -> Element | None:
    """The dash that ends what one before it began: "he ran dash he really ran dash to the boat"."""
    if words[i] != "dash" or _previous(words, i, manner) in ARTICLES_AND_OWNERS:
        return None
    since = takewhile(lambda e: not (e.kind is Kind.MARK and e.text in _ENDS), reversed(found))
    dashes = [e for e in since if e.kind is Kind.MARK and e.spoken == ("dash",)]
    if len(dashes) % 2 == 0:
        return None
    text, spacing = MARKS["dash",].written(manner.dialect)
    return Element(Kind.MARK, text, 1, spacing)


_ENDS = frozenset(".?!")


def mark_named(words: Sequence[str]) -> Mark | None:
    """The mark whose name is exactly these words."""
    return MARKS.get(tuple(words))


def _dot(words: list[str], i: int, previous: str, manner: Manner) -> Element | None:
    """A dot before the end of a name: "saltmarsh dot org", "rota dot pdf"."""
    ends = words[i + 1 : i + 2] and words[i + 1] in FILE_ENDINGS | TOP_LEVEL
    if words[i] != "dot" or not i or previous in ARTICLES_AND_OWNERS:
        return None
    letters = list(takewhile(lambda word: len(word) == 1, words[i + 1 :]))
    if "".join(letters) in FILE_ENDINGS:
        # "Rota dot p d f"
        return Element(Kind.MARK, f".{''.join(letters)}", 1 + len(letters), Spacing.CLOSE)
    return Element(Kind.MARK, ".", 1, Spacing.JOIN, fixed=True) if ends else None


def _spell(words: list[str], i: int, previous: str, manner: Manner) -> Element | None:
    if words[i] not in ("spell", "spelt", "spelled") or previous in ("to", "can", "cannot"):
        return None
    text, end = spelled(words, i + 1)
    if not text or (end - i == 2 and words[i + 1] == "a"):
        return None
    if words[end : end + 2] in (["end", "spelling"], ["stop", "spelling"], ["spelling", "off"]):
        end += 2
    return Element(Kind.WORD, text, end - i, fixed=any(c.isupper() for c in text))


def _name(words: list[str], i: int, previous: str, manner: Manner) -> Element | None:
    best: tuple[int, str] | None = None
    for names in (*manner.names, KNOWN):
        match = names.match(words, i)
        if match and (best is None or match[0] > best[0]):
            best = match
    if best and (best[0] > 1 or words[i] not in ("i", "may", "will", "a")):
        return Element(Kind.WORD, best[1], best[0], fixed=True)
    return None


def _number(words: list[str], i: int, manner: Manner, found: list[Element]) -> Element | None:
    before = (*manner.before, *words[max(0, i - 2) : i])[-2:]
    if found and found[-1].kind is Kind.BREAK:
        before = ()  # "next item three" is no item number
    number = number_at(words, i, Around(before, manner.dialect, manner.numbers))
    if not number:
        return None
    after_sign = found and found[-1].kind is Kind.MARK and found[-1].text in marks.DIGITS_BESIDE
    if number.used == 1 and number.words == "one" and not number.prefer_digits and not after_sign:
        return None
    return Element(Kind.NUMBER, number.words, number.used, number=number)


def _letters(words: list[str], i: int, previous: str, manner: Manner) -> Element | None:
    j = i
    while j < len(words) and len(words[j].rstrip(".")) == 1 and words[j][0].isalpha():
        j += 1
    run = "".join(w[0] for w in words[i:j])
    if run[:2] in ("eg", "ie") and run[2:] in ("", "a"):
        return Element(Kind.WORD, f"{run[0]}.{run[1]}.", 2)
    if len(run) >= 2 and (len(run) > 2 or run in _OF_TWO or not set(run) & {"a", "i"}):
        if run == "www":
            return Element(Kind.WORD, run, j - i, fixed=True)
        return Element(Kind.WORD, run.upper(), j - i, fixed=True)
    beside = words[max(0, i - 1) : i], words[j : j + 1]
    if len(run) == 1 and run != "i" and ["hyphen"] in beside and _is_by_a_letter(words, i):
        return Element(Kind.WORD, run.upper(), fixed=True)
    if run == "e" and words[j : j + 1] in (["mail"], ["mails"], ["mailed"], ["mailing"]):
        return Element(Kind.WORD, f"e{words[j]}", 2)
    if run and run[0] not in "aio":
        return Element(Kind.WORD, run[0].upper(), fixed=True)
    return None


def _is_by_a_letter(words: list[str], i: int) -> bool:
    """Whether a hyphen joins a letter to another one: "a hyphen z"."""
    joined = [words[j + s] for s, j in ((1, i + 1), (-1, i - 1)) if 0 < j + s < len(words)]
    return any(len(w) == 1 for w in joined)


_OF_TWO = frozenset("id it iv iq ip ai".split())
"""Initials that begin or end with what is a word as well."""


def _month(words: list[str], i: int, previous: str, manner: Manner) -> Element | None:
    """ "may" and "march" where only the month fits."""
    word = words[i]
    after = words[i + 1] if i + 1 < len(words) else ""
    alone = previous == "for" and (not after or _longest(words, i + 1, MARKS) > 0)
    if word not in ("may", "march") or previous not in MONTH_BEFORE | {"of"} and not alone:
        return None
    if previous == "of" and word == "march" or after in ("be", "have", "not", "well"):
        return None
    return Element(Kind.WORD, word.capitalize())


def _street(words: list[str], i: int, previous: str, manner: Manner) -> Element | None:
    before = (*manner.before, *words[:i])[-1:]
    if is_of_a_place(words, i, before):
        return Element(Kind.WORD, capitalised(_plain(words[i], manner)))
    return None


_SURNAME = re.compile(r"(o['’](?!clock)|mc)([a-z]{3,}(?:'s)?)")
"""Irish and Scottish ones (New Hart's Rules, 2014, 5.1): O’Neill, McKay."""


def _plain(word: str, manner: Manner) -> str:
    """A word with its own capitals, apostrophe and dialect."""
    if manner.mask:
        word = manner.mask(word)
    if word in ALWAYS:
        return ALWAYS[word]
    if word == "i's":
        return "i’s"  # "dot the i's"
    owner, _, ending = word.partition("'")
    if ending == "s" and owner in ALWAYS:
        return f"{ALWAYS[owner]}’s"
    if word.endswith("s'") and (word[:-1] in ALWAYS or word[:-2] in ALWAYS):
        return f"{capitalised(word[:-1])}’"
    if surname := _SURNAME.fullmatch(word):
        return "".join(map(capitalised, surname.groups())).replace("'", "’")
    if word in TITLES:
        return TITLES[word] + ("." if manner.dialect == "american" else "")
    return in_dialect(word, manner.dialect).replace("'", "’")
