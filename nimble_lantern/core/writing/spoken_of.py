"""Names of marks that are spoken about: "the Victorian period", "a big question mark over it".

A mark's name is the head of a noun phrase where an article or the like leads to it over nothing
but adjectives, and where what follows needs a subject that is not there yet (Quirk, Greenbaum,
Leech and Svartvik, A Comprehensive Grammar of the English Language, 1985, 17.2).
"""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.lexicon.closed import (
    ARTICLES_AND_OWNERS,
    AUXILIARIES,
    DETERMINERS,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.prose import DESCRIBING, NOUNS_TOO
from nimble_lantern.core.writing.cardinals import NUMBER_WORDS

_MOST_BETWEEN = 2
"""Adjectives between an article and what it belongs to."""
_ARTICLES = ARTICLES_AND_OWNERS | DETERMINERS | {"no", "any", "some", "one", "such"}
_ONE = ("a", "an", "another", "every", "each")
_PARTING = ("dash", "colon", "slash", "hyphen")
"""They may stand behind a subject: "the stair dash was it mended dash is safe"."""
_SIGNED = _ARTICLES | set("it them here there both everything up off in for on before by".split())
_IS = frozenset("is was are were has had will would can could should must may might of".split())
_PLACED = frozenset("in during over for after before of at within throughout since".split())
_ENDED = frozenset("stop comma period colon semicolon mark".split())


def is_the_word(words: Sequence[str], i: int, size: int) -> bool:
    """Whether the mark's name at `i`, of `size` words, is spoken of and not to be written."""
    rest = words[i + size : i + size + 2]
    if size == 1 and _is_doubled(words, i):
        return True
    asks = set(rest[1:]) & (SUBJECT_PRONOUNS | DETERMINERS)
    if rest and words[:i] in (["no"], ("no",)) and rest[0] in _IS and not asks:
        return True  # "no comma is needed"
    if words[i] == "dash" and rest[:1] == ["it"] and (not i or rest[1:] == ["all"]):
        return True
    if words[i] == "and" and size > 1 and rest and rest[0] in _SIGNED:
        return True  # "open the document and sign it"
    if words[i] not in NOUNS_TOO or not rest:
        return False
    if not i:
        # "Hyphen is a funny word": there is nothing yet that it could end or join.
        return size == 1 and rest[0] in _IS and not asks
    alone = words[i] not in _PARTING and _is_a_subject(words, i, rest)
    return _is_described(words, i) or size == 1 and alone or _is_placed(words, i)


def _is_doubled(words: Sequence[str], i: int) -> bool:
    """ "Period by period"."""
    ahead = list(words[i : i + 3]) == [words[i], "by", words[i]]
    return ahead or i > 1 and list(words[i - 2 : i + 1]) == [words[i], "by", words[i]]


def _is_described(words: Sequence[str], i: int) -> bool:
    """ "A big question mark over the roof": an article leads to it over adjectives alone."""
    start = i
    while start and i - start < _MOST_BETWEEN and words[start - 1] in DESCRIBING:
        start -= 1
    return 0 < start < i and words[start - 1] in _ONE


def _is_a_subject(words: Sequence[str], i: int, rest: Sequence[str]) -> bool:
    """ "The settling period was long": before it nothing has a verb, behind it stands one."""
    start = max((k + 1 for k in range(i) if words[k] in _ENDED), default=0)
    said = words[start:i]
    led = said and said[0] in _ARTICLES and len(said) <= _MOST_BETWEEN + 1
    asks = set(rest[1:]) & (SUBJECT_PRONOUNS | DETERMINERS)
    return bool(led) and rest[0] in _IS and not asks and not set(said) & AUXILIARIES


def _is_placed(words: Sequence[str], i: int) -> bool:
    """ "In that period we lost two": what may stand alone, where a noun must follow."""
    told = words[i] == "period" and i > 1 and words[i - 1] in ("that", "this")
    return told and words[i - 2] in _PLACED


def told_of(words: Sequence[str], i: int, size: int) -> bool:
    """Whether a mark is only spoken about: "the word comma means a pause"; "the word full stop" at
    the end may close a sentence."""
    told = words[max(0, i - 2) : i] in (["the", "word"], ["the", "words"], ["a", "word"])
    given = words[max(0, i - 3) : max(0, i - 2)] in (["gave"], ["give"], ["kept"], ["keep"])
    return told and not given and i + size < len(words)


def closes(words: Sequence[str], i: int, size: int, previous: str) -> bool:
    """Whether a mark is meant although a word that takes a noun stands before its name.

    "Fifty pence each full stop", at the end; "i love the open single quote", where one is opened.
    """
    if size > 1 and words[i] in ("open", "close", "begin", "end"):
        return True
    if previous == "a" and words[i] == "hyphen" and len("".join(words[i + 1 : i + 2])) == 1:
        return True  # "the a hyphen z of boats"
    if previous == "a" and i > 1 and words[i - 2] in NUMBER_WORDS:
        return i + size == len(words)  # "number twenty three a full stop"
    return i + size == len(words) and previous in _ALSO_ALONE and i > 1


_ALSO_ALONE = frozenset(("each", "every", "another", "his", "her", "its", "their"))


def ends_a_clause(words: Sequence[str], i: int) -> bool:
    """Whether no noun phrase leads to a last "period": "the stair is dry period"."""
    return i > 3 and not set(words[max(0, i - 2) : i]) & (ARTICLES_AND_OWNERS | {"this", "that"})
