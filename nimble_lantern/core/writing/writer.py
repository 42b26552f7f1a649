"""Elements to written text: spacing, capitals, breaks."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace
from itertools import takewhile

from nimble_lantern.core.kinds import Capitals
from nimble_lantern.core.lexicon.closed import DETERMINERS, DULL, LITTLE, SPEAKERS
from nimble_lantern.core.lexicon.names import GIVEN, SMALL_IN_TITLES
from nimble_lantern.core.lexicon.sentences import CLOSINGS, SAYING, VERBS
from nimble_lantern.core.writing.capitals import capitalised, starts_sentence
from nimble_lantern.core.writing.forms import Number
from nimble_lantern.core.writing.lexer import Element, Kind, Manner, lex
from nimble_lantern.core.writing.marks import DIGITS_BESIDE, Spacing
from nimble_lantern.core.writing.persons import ALSO_NAMES, may_sign
from nimble_lantern.core.writing.punctuation import punctuated

_NO_SPACE_AFTER = "([{“‘£$€#@/\\_¿§¶~<"
_STOPS = frozenset((".", "?", "!"))
_BARE_LEFT = 240
_NO_SIGNATURE = (
    VERBS | DETERMINERS | DULL | frozenset("ps pps enc cc please everyone".split())
) - GIVEN
"""Below "kind regards" they begin no name: "your friend peter", "ps please come"."""
_LONGEST_NAME = 4
"""Words below "yours sincerely" that are still a name."""


@dataclass(frozen=True, slots=True)
class Choice:
    """A stretch of written text that could have been written otherwise.

    `part` and [start:end] say where; the forms are None where there is none of that kind.
    """

    part: int
    start: int
    end: int
    digits: str | None = None
    words: str | None = None
    sign: str | None = None


@dataclass(frozen=True, slots=True)
class Break:
    """A new block: paragraph, item, bulleted, numbered, heading 1-3 or end list."""

    kind: str


@dataclass(frozen=True, slots=True)
class Written:
    """Texts and breaks in turn; `trim` spaces are to go from the left of the caret."""

    parts: tuple[str | Break, ...]
    choices: tuple[Choice, ...] = ()
    capitals: Capitals = Capitals.NONE
    trim: int = 0

    @property
    def text(self) -> str:
        return "".join(p if isinstance(p, str) else "\n\n" for p in self.parts)


@dataclass(frozen=True, slots=True)
class Place:
    """What stands round the caret in its block, and what goes on from before."""

    left: str = ""
    right: str = ""
    kind: str = "paragraph"
    above: str = ""  # the block before
    capitals: Capitals = Capitals.NONE
    continues: bool = False  # a lower-case word goes on with the sentence
    joined: bool = False  # nothing comes between this and what stands left
    small: bool = False  # the items of the list here begin with small letters
    heading: str = ""  # of the column, in a cell below it


class _Writer:
    def __init__(self, place: Place, manner: Manner) -> None:
        self.place, self.manner = place, manner
        self.parts: list[str | Break] = []
        self.text = ""
        self.kind = place.kind
        self.choices: list[Choice] = []
        self.capitals = place.capitals
        self.next_capital = ""
        self.rest = Capitals.NONE  # up to the next mark
        self.nospace = place.joined
        self.trim = 0
        self.greeting = False
        self.named = True  # what is said may be a name
        self.following: Element | None = None
        self.worded = (-1, 0)  # where a number in words that opens a sentence ends
        self.asked = False  # in quotation marks that hold a question or an exclamation

    @property
    def left(self) -> str:
        return self.text if self.parts else self.place.left[-_BARE_LEFT:] + self.text

    def take(self, element: Element, following: Element | None) -> None:
        self.following = following
        match element.kind:
            case Kind.BREAK:
                self._break(element.text)
            case Kind.CAPITAL:
                if element.text in ("title", "upper", "lower", "none"):
                    self.capitals, self.rest = Capitals(element.text), Capitals.NONE
                elif element.text.endswith(" rest"):
                    self.rest = Capitals(element.text.removesuffix(" rest"))
                else:
                    self.next_capital = element.text.removesuffix(" next")
            case Kind.NOSPACE:
                self.nospace = True
            case Kind.NUMBER:
                self._number(element)
            case Kind.MARK:
                self.rest = Capitals.NONE
                self._mark(element)
            case _:
                self._word(element, following)

    def _break(self, kind: str) -> None:
        self.greeting = False
        if kind == "line":
            self.text += "\n"
            return
        self.parts += [self.text, Break(kind)]
        self.text = ""
        self.kind = "item" if kind in ("item", "bulleted", "numbered") else kind.split()[0]

    def _needs_space(self, spacing: Spacing) -> bool:
        left = self.left
        if self.nospace or not left or left[-1] in " \n\t":
            return False
        if spacing in (Spacing.CLOSE, Spacing.JOIN):
            return False
        last = left[-1]
        if last in "-—–":
            return last == "–" and left[-2:-1] == " "
        if last == '"':
            return left.count('"') % 2 == 0
        return last not in _NO_SPACE_AFTER

    def _put(self, text: str, spacing: Spacing) -> int:
        """Append; where the text begins in this part."""
        if spacing is Spacing.CLOSE and not self.text and not self.parts:
            left = self.place.left
            bare = left.rstrip(" ")
            if text in _STOPS and bare[-1:] in (",", ";"):
                bare = bare[:-1]  # said after all, the stop takes the place of the comma
            self.trim = len(left) - len(bare)
        if self._needs_space(spacing):
            self.text += " "
        self.nospace = False
        start = len(self.text)
        self.text += text
        return start

    def _mark(self, element: Element) -> None:
        if element.text in ",:!" and self.greeting:
            self.greeting = False
        if element.text == "." and _ABBREVIATED.search(self.left):
            return  # "open at 8 a.m.", whose stop ends the sentence, too
        sign = _inside(self.left, element.text) if len(element.spoken) > 1 else element.text
        start = self._put(sign, element.spacing)
        # A dot in an address joins what follows as well.
        self.nospace = element.fixed and element.spacing is Spacing.JOIN
        if not element.spoken:
            return
        name = " ".join(element.spoken)
        choice = Choice(len(self.parts), start, len(self.text), words=name, sign=sign)
        self.choices.append(choice)

    def _number(self, element: Element) -> None:
        number = element.number
        assert number is not None
        style, forced = self.manner.numbers, self.next_capital
        starts = self._starts(self.left)
        opening = starts and self.kind in ("paragraph", "quotation")
        opening = opening and not self.left.endswith("\n")
        beside = self.following if self.following and self.following.kind is Kind.MARK else None
        sign = self.left[-1:] in DIGITS_BESIDE or self.left.rstrip()[-1:] in tuple("+−=×÷±")
        sign = (
            bool(self.left.strip()) and sign or beside is not None and beside.text in DIGITS_BESIDE
        )
        code = number.code or sign
        digits = number.prefer_digits or style == "digits" or sign
        if style == "editor" and opening and number.digits[0].isdigit() and not code:
            explicit = element.spoken[0] in ("digit", "digits", "numeral")
            address = number.prefer_digits and not number.cardinal and element.used < 3
            digits = (
                explicit
                or address
                and number.words.replace("-", " ").isalpha()
                and (number.digits.isdigit() and len(number.digits) < 3)
            )
        if style == "words" or self._goes_on_in_words(number):
            digits = False
        text = number.digits if digits else number.words
        if not digits and (starts or forced):
            text = capitalised(text)
        self.next_capital = ""
        start = self._put(self._cased(text), Spacing.SPACED)
        if not digits and opening and number.cardinal:
            self.worded = len(self.parts), len(self.text)
        part, end = len(self.parts), len(self.text)
        self.choices.append(Choice(part, start, end, digits=number.digits, words=number.words))

    def _goes_on_in_words(self, number: Number) -> bool:
        """Whether the first number of a range opens the sentence, in words: "eight to ten"."""
        part, end = self.worded
        between = self.text[end:].split() if part == len(self.parts) else []
        linked = len(between) == 1 and between[0] in _LINKS
        return linked and number.cardinal and len(number.words.split()) == 1

    def _word(self, element: Element, following: Element | None) -> None:
        text = element.text
        left = self.left
        first = self._starts(left) and not self._goes_on(element, following)
        if text.startswith("www") or "@" in text:
            pass
        elif not element.fixed or element.used > 1:
            if first and self.capitals is not Capitals.LOWER:
                text = capitalised(text)
        elif first and text[:1].islower() and element.spacing is Spacing.SPACED:
            text = capitalised(text) if "." not in text and text != "www" else text
        if first and text == "Dear" and self._fresh(left):
            self.greeting = True
        elif self._names_somebody(element.text, left) or self.asked and left[-1:] in "‘“":
            text = capitalised(text)
        if self.next_capital == "next":
            text = capitalised(text)
        elif self.next_capital == "upper":
            text = text.upper()
        elif self.next_capital == "lower":
            text = text.lower()
        else:
            text = self._cased(text)
        self.next_capital = ""
        self._put(text, element.spacing)

    def _names_somebody(self, text: str, left: str) -> bool:
        """Whether a word stands in a greeting or a signature."""
        if self.greeting:
            return text.islower() and text not in ("or", "and", "all")
        return text not in LITTLE and self._signs(left)

    def _signs(self, left: str) -> bool:
        """Whether a name goes on that stands below the closing words of a letter."""
        line = left[left.rfind("\n") + 1 :]
        if not self.named or line.count(" ") >= _LONGEST_NAME:
            return False
        if not line.strip() or not line.replace(" ", "").isalpha():
            return False
        first = line.split()[0].lower()
        if first in _NO_SIGNATURE - ALSO_NAMES:
            return False
        above = left[: len(left) - len(line)].strip() or self._above()
        closing = above[above.rfind("\n") + 1 :].strip().rstrip(",").lower()
        words = tuple(closing.rpartition(". ")[2].split())  # it may stand behind a sentence
        return words in CLOSINGS

    def _above(self) -> str:
        """The text of the block before the one that is written."""
        breaks = [n for n, part in enumerate(self.parts) if isinstance(part, Break)]
        if not breaks:
            return self.place.above
        begun = self.parts[breaks[-2] + 1 : breaks[-1]] if len(breaks) > 1 else self.parts[:1]
        left = self.place.left if len(breaks) == 1 else ""
        return left + "".join(part for part in begun if isinstance(part, str))

    def _starts(self, left: str) -> bool:
        """Whether a sentence starts here, unless what is written goes on with one that was."""
        if self.place.small and self.kind in ("item", "cell") and not left.strip():
            return False
        return starts_sentence(left) and not (self.place.continues and not self.text)

    def _goes_on(self, element: Element, following: Element | None) -> bool:
        """Whether a word after a stop goes on with the sentence: in an address, "?” he asked"."""
        left = self.left
        if self.nospace and left[-1:] == ".":
            return True
        if left[-1:] not in tuple("’”\"'") or left[-2:-1] not in tuple("?!"):
            return False
        if element.text in _GOING_ON and self._quotes_within(left):
            return True
        asks = following is not None and following.text in SAYING
        name = element.text[:1].isupper()
        return element.text in SAYING or asks and (name or element.text.lower() in SPEAKERS)

    def _quotes_within(self, left: str) -> bool:
        """Whether what was just quoted stands within a sentence: "I said ‘Never!’ and left"."""
        opened = max(left.rfind("‘"), left.rfind("“"))
        before = left[:opened].rstrip() if opened > 0 else ""
        return bool(before) and before[-1] not in ".?!\n"

    def _fresh(self, left: str) -> bool:
        return not left.strip() or left.endswith("\n")

    def _cased(self, text: str) -> str:
        capitals = self.capitals if self.rest is Capitals.NONE else self.rest
        if capitals is Capitals.UPPER:
            return text.upper()
        if capitals is Capitals.LOWER:
            return text.lower()
        if capitals is Capitals.TITLE and text not in SMALL_IN_TITLES:
            return capitalised(text)
        return text

    def done(self) -> Written:
        right = self.place.right
        last = self.left[-1:]
        if right[:1].isalnum() or right[:1] in "“‘([£$€" and right:
            written = self.text or self.parts
            if written and last and last not in " \n-—" + _NO_SPACE_AFTER:
                self.text += " "
        parts = (*self.parts, self.text)
        kept = tuple(p for p in parts if p != "")
        choices = self.choices
        if len(kept) != len(parts):
            moved: dict[int, int] = {}
            for index, part in enumerate(parts):
                if part != "":
                    moved[index] = len(moved)
            choices = [replace(c, part=moved[c.part]) for c in choices if c.part in moved]
        return Written(kept, tuple(choices), self.capitals, self.trim)


_GOING_ON = frozenset("and but as while before when because then or".split())
_OTHER = {"‘": "“", "“": "‘"}
_CLOSING = {"‘": "’", "“": "”"}


_LINKS = frozenset("to and or by feet foot".split())
_ABBREVIATED = re.compile(r"\b(?:[^\W\d_]\.){2,}$")


def _inside(left: str, sign: str) -> str:
    """A quotation mark as it stands within others: single within double, double within single, and
    closed by its own (New Hart's Rules, 2014, 9.2.2)."""
    if sign not in "‘“’”":
        return sign
    opened: list[str] = []
    for i, c in enumerate(left):
        if c in _OTHER:
            opened.append(c)
        elif opened and c == _CLOSING[opened[-1]] and not left[i + 1 : i + 2].isalnum():
            opened.pop()
    if sign in _OTHER:
        return _OTHER[sign] if opened[-1:] == [sign] else sign
    return _CLOSING[opened[-1]] if opened else sign


def _is_asked(elements: Sequence[Element], index: int) -> bool:
    """Whether the word at `index` begins what somebody asks or calls out: "she asked ‘Why?’"."""
    before = [e.text for e in elements[max(0, index - 2) : index]]
    if len(before) < 2 or before[0] not in SAYING or before[1] not in _OTHER:
        return False
    said = takewhile(lambda e: e.text != _CLOSING[before[1]], elements[index:])
    return next((e.text for e in reversed(list(said))), "") in ("?", "!")


def write(
    words: Sequence[str], place: Place, manner: Manner, pauses: frozenset[int] | None = None
) -> Written:
    """The written form of spoken words at a place.  Pure: words, place and manner decide.

    With `pauses` (counts of words after which the speaker paused), marks are put in as well.
    """
    elements = lex(words, manner)
    if pauses is not None:
        elements = punctuated(elements, pauses, place.kind, place.continues)
    writer = _Writer(place, manner)
    broken = any(element.kind is Kind.BREAK for element in elements)
    writer.named = broken or not words or may_sign(words)
    for index, element in enumerate(elements):
        following = elements[index + 1] if index + 1 < len(elements) else None
        writer.asked = _is_asked(elements, index)
        writer.take(element, following)
    return writer.done()
