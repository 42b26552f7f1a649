"""Names of people that no list has, told by what stands before them.

After New Hart's Rules (Oxford University Press, 2014), 5.1 to 5.3.
"""

from __future__ import annotations

from collections.abc import Sequence

from rapidfuzz.distance import Levenshtein

from nimble_lantern.core.lexicon.closed import (
    ARTICLES_AND_OWNERS,
    AUXILIARIES,
    DETERMINERS,
    DULL,
    LITTLE,
    OF_DEGREE_AND_TIME,
    PREPOSITIONS,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.frequency import zipf
from nimble_lantern.core.lexicon.names import (
    ALSO_GIVEN,
    GIVEN,
    KIN_TITLES,
    KNOWN_NAMES,
    LONG_TITLES,
    PARENTS,
    PARTICLES,
    TITLES,
    WHOSE_NAME,
)
from nimble_lantern.core.lexicon.sentences import SAYING, VERBS
from nimble_lantern.core.writing.spelling import spelled

_COMMON, _LIKE_VERBS, _RARE = 5.2, 4.0, 3.3
"""On wordfreq's Zipf scale: commoner words are no surname behind "doctor" ("doctor said"), nor
commoner ones that look like a verb ("captain goes"); only a rare word is one behind a given name
("mary pell", and not "mary sang")."""
_VERBAL = ("s", "ed", "ing", "ly")
_RARE_PASTS = frozenset(
    "clung crept knelt shrank slew slunk smote sprang spun stank strode strove swam threw trod"
    " wept wove wrung".split()
)


def titled(words: Sequence[str], i: int, before: Sequence[str]) -> bool:
    """Whether the word at `i` is a title with a name behind it, and no trade: "doctor lane".

    `before`: the words before it; "our new doctor came" and "the captain said" name nobody.
    """
    word, after = words[i], words[i + 1] if i + 1 < len(words) else ""
    led = set(before[-2:]) & (DETERMINERS | ARTICLES_AND_OWNERS)
    if not after or led and not (word == "reverend" and led == {"the"}):
        return False
    if word in KIN_TITLES | PARENTS:
        return _is_called(word, after)
    if word == "saint":
        return after not in LITTLE | AUXILIARIES
    return word in LONG_TITLES and _may_be_a_surname(after)


def is_named(words: Sequence[str], i: int, before: Sequence[str]) -> bool:
    """Whether the word at `i` is somebody's name by the words before it."""
    word, last = words[i], before[-1] if before else ""
    if word == "will" and words[i + 1 : i + 2] and words[i + 1] in _OF_HIM:
        return last in _BEFORE_HIM or last[-1:] in ".?!"  # "will is coming"; "the will is read"
    while last in PARTICLES and len(before) > 1:  # "Mr de la Mare"
        before = before[:-1]
        last = before[-1]
    if last.rstrip(".") in TITLES:
        trade = bool(set(before[-2:-1]) & (DETERMINERS | ARTICLES_AND_OWNERS))
        return _may_be_a_surname(word) if trade else word not in LITTLE | PARTICLES
    if last in KIN_TITLES:
        return _is_called(last, word)
    if last in LONG_TITLES:
        return titled((last, word), 0, before[:-1])
    if before[-2:-1] and last == "is" and _asks_a_name(before):
        return _may_be_a_surname(word)
    if last in _MEETS and word in ALSO_GIVEN - AUXILIARIES - _STUFF:
        return not words[i + 1 :] or words[i + 1] in LITTLE | _PARTING | {"full", "again", "about"}
    if len(last) == 1 and last.isalpha() and {w.rstrip(".") for w in before[-3:-1]} & TITLES.keys():
        return _may_be_a_surname(word)  # "mrs p j hall"
    if last in GIVEN and before[-2:-1] and before[-2].rstrip(".") in LONG_TITLES | TITLES.keys():
        return _may_be_a_surname(word)
    rare = zipf(word) < _RARE and not _verbal(word) and word not in _RARE_PASTS
    return last in GIVEN and rare and _may_be_a_surname(word)


_BEFORE_HIM = frozenset("and but that if when because so as stop period comma mark".split()) | {""}
_OF_HIM = frozenset("is was has had does did can could would should might must says said".split())
_MEETS = frozenset(
    "saw met told asked thanked phoned rang visited invited telephoned married tell ask".split()
)
"""Before a name that is a thing as well, which would have an article: "i met rose"."""
_STUFF = frozenset(
    "art coral ginger jade opal pearl rosemary ruby summer june april may dawn hope joy faith holly"
    " ivy heather sky rich merry".split()
)
"""Names that need no article as things, either."""


def _is_called(title: str, word: str) -> bool:
    """ "My uncle Bob" is named, whatever else a bob is; "nurse will come" names nobody."""
    bare = word.removesuffix("'s")
    also = bare in ALSO_GIVEN and (bare not in AUXILIARIES or title in ("uncle", "aunt"))
    return also or bare in GIVEN or bare in KNOWN_NAMES


def is_address(before: Sequence[str]) -> bool:
    """Whether what a family calls its own is its name, by the words before: "I asked Mum".

    "My mum" and "a proud dad" are anybody's; so are both in "my mum and dad".
    """
    words = list(before)
    while words and words[-1] in PARENTS | {"and", "or"}:
        words.pop()
    return not words or words[-1] in _BEFORE_A_NAME | SAYING | VERBS


_BEFORE_A_NAME = LITTLE - ARTICLES_AND_OWNERS - DETERMINERS


def is_listed(words: Sequence[str], i: int) -> bool:
    """Whether the word at `i` is a surname in a list of full names: "nell ames comma tom hale"."""

    def ends_a_name(n: int) -> bool:
        return _is_full_name(words[n - 1], words[n]) and _closes_a_part(words, n + 1)

    if not 0 < i < len(words) or not ends_a_name(i):
        return False
    return any(ends_a_name(n) for n in range(1, len(words)) if n != i)


def _is_full_name(given: str, surname: str) -> bool:
    known = given in GIVEN or given in KNOWN_NAMES and zipf(surname) < _RARE
    return known and _may_be_a_surname(surname)


def _closes_a_part(words: Sequence[str], i: int) -> bool:
    after = words[i] if i < len(words) else ""
    return after in _PARTING or list(words[i : i + 2]) == ["full", "stop"]


_PARTING = PREPOSITIONS | AUXILIARIES | {"", "comma", "and", "semicolon", "period", "who"}


def a_full_name(words: Sequence[str]) -> bool:
    """Whether two words that stand alone are somebody's given name and surname."""
    return len(words) == 2 and _is_full_name(*words)


def _asks_a_name(before: Sequence[str]) -> bool:
    """ "Her name is", "the surname is"."""
    whose = before[-3] if len(before) > 2 else ""
    return before[-2] == "surname" or before[-2] == "name" and whose in WHOSE_NAME


def _verbal(word: str) -> bool:
    return word.endswith(_VERBAL) and not word.endswith("ss")


def _may_be_a_surname(word: str) -> bool:
    word = word.removesuffix("'s")
    if len(word) < _SHORTEST or not word.isalpha() or word in _NO_NAMES:
        return False
    return word in GIVEN or zipf(word) < (_LIKE_VERBS if _verbal(word) else _COMMON)


_SHORTEST = 3
_NO_NAMES = (
    LITTLE | DULL | SAYING | VERBS | OF_DEGREE_AND_TIME
    | frozenset("today tomorrow yesterday tonight here where why how please never anyone".split())
)  # fmt: skip


def respelled(words: Sequence[str], i: int) -> tuple[str, int] | None:
    """The word at `i` as it is spelled right behind it, and how many words that takes.

    "wynn spelled w y double n": only letters that make a like word; "kris spelled with a k" is
    prose.
    """
    for how in (("spelled",), ("spelt",), ("that's", "spelled"), ("that's", "spelt")):
        at = i + 1 + len(how)
        if tuple(words[i + 1 : at]) == how and at < len(words):
            letters, end = spelled(words, at)
            if len(letters) < _FEWEST or letters[0].lower() != words[i][:1]:
                return None
            alike = Levenshtein.normalized_similarity(letters.lower(), words[i])
            return (letters, end - i) if alike >= _ALIKE else None
    return None


_FEWEST, _ALIKE = 2, 0.4
"""Letters, and how like the word they must be."""


def may_sign(words: Sequence[str]) -> bool:
    """Whether words may be those of a name below a letter: "hedda brandt", "will marsh"; "will do"
    and "please write soon" are none."""
    first, *rest = words
    named = first not in _NO_NAME or first in ALSO_NAMES and bool(rest)
    return named and _NO_NAME.isdisjoint(rest)


_NO_NAME = (VERBS | SUBJECT_PRONOUNS | {"not"}) - GIVEN
ALSO_NAMES = ALSO_GIVEN | {"will"}
