"""Lines that a letter gives to themselves: its greeting, its closing words, the name below them.

Somebody who dictates "dear sir or madam" and then what they have to say means two lines, and
nobody says that there is a new one.
"""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.document.model import Block, Kind
from nimble_lantern.core.lexicon.closed import (
    AUXILIARIES,
    DETERMINERS,
    LITTLE,
    PREPOSITIONS,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.names import GIVEN, KNOWN_NAMES
from nimble_lantern.core.lexicon.sentences import CLOSINGS, CONTINUES, TITLES, VERBS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.letter import foot, greeting
from nimble_lantern.core.writing.lexer import BREAKS, mark_named
from nimble_lantern.core.writing.persons import may_sign
from nimble_lantern.core.writing.punctuation import has_verb, names_a_paper

_GREETS = frozenset(("dear", "hello", "hi"))
_CALLED = (
    GIVEN
    | KNOWN_NAMES
    | TITLES
    | frozenset(
        "sirs madam all everyone everybody friends members neighbours neighbors colleagues"
        " customers parents aunt uncle mum dad mother father grandma grandpa granny editor".split()
    )
)
_LONGEST_GREETING, _LONGEST_NAME, _FEWEST_OF_A_BODY, _LONGEST_SIGN = 6, 3, 3, 3
_LONG_ENOUGH = 6
_POSTSCRIPT = frozenset(("ps", "pps"))
_JOINING, _LINKS = frozenset(("and", "or", "with")), frozenset(("and", "or", "but"))
_BEGINS = SUBJECT_PRONOUNS | DETERMINERS | {"please", "thank", "thanks"}
_NO_BODY = frozenset(CONTINUES) | PREPOSITIONS | frozenset(("and", "or"))


def _is_a_statement(words: tuple[str, ...]) -> bool:
    """ "Present were Ada and Tom"; "were read and agreed", "held on Friday" go on."""
    goes_on = words[0] in _NO_BODY | VERBS or words[0].endswith("ed") or words[0] == "held"
    return not goes_on and len(words) > 2 and has_verb(words)


def on_its_own_line(sitting: Sitting, words: Sequence[str]) -> bool:
    """Whether an utterance stands on a line of its own, below what the writing place ends."""
    place = sitting.writing_place
    block = sitting.document.blocks[place.block]
    ends = not block.text[place.offset :].strip() and bool(block.text.strip())
    if not ends or block.kind is not Kind.PARAGRAPH or block.cell or sitting.insertion is not None:
        return False
    words = tuple(words)
    if block.text.endswith("\n"):
        return False  # the speaker broke the line
    said = [words[:size] for size in range(1, _LONGEST_SIGN + 1)]
    if any(mark_named(first) or first in BREAKS for first in said):
        return False
    last = _last_line(block)
    if (
        place.block == 0
        and block.text[-1].isalnum()
        and names_a_paper(block.text.lower().split())
        and _is_a_statement(words)
    ):
        return True
    if _is_closing(last):
        return bool(place.block or "\n" in block.text) and _is_a_name(words)
    if _is_greeting(last):
        begins = len(words) >= _FEWEST_OF_A_BODY or words[0] in _BEGINS and len(words) > 1
        return begins and (words[0] not in _NO_BODY or _tells(words))
    if words[0] in _POSTSCRIPT and len(words) > 1 or words[:2] == ("p", "s"):
        return True
    signed = foot(sitting.document)
    if signed is not None and signed.end == place and not _is_closing(last):
        # Nobody is called "it was only two goals"; and below a whole name stands what somebody is.
        tells = not _is_a_name(words) and _tells(words, _FEWEST_OF_A_BODY)
        whole = len(last) > 1 and words[0] not in _JOINING
        return tells or whole
    if _is_closing(words):
        return words[0] == "yours" or last[-1][-1] in ".!?" or _ends_a_clause(last)
    greets = _is_greeting(words) and last[-1].lower() not in LITTLE | DETERMINERS
    return greets and last[-1][-1] != "," and greeting(sitting.document) is None


def _tells(words: tuple[str, ...], enough: int = _LONG_ENOUGH) -> bool:
    """ "With this letter i ask you for help" begins a text, though "of the harbour board" may be
    more of the greeting."""
    return len(words) >= enough and not _TELLING.isdisjoint(words)


_TELLING = (SUBJECT_PRONOUNS | AUXILIARIES | VERBS) - GIVEN


def _ends_a_clause(line: tuple[str, ...]) -> bool:
    """Whether a line can end there without a stop: "we hope to see you", and not "send him my"."""
    words = [word.lower() for word in line]
    ends = words[-1].isalpha() and words[-1] not in DETERMINERS | PREPOSITIONS | _LINKS
    given = not _GIVING.isdisjoint(words[-_AS_FAR_AS:])  # "i wish you", "they send you"
    return len(line) >= _FEWEST_OF_A_BODY and ends and not given


_GIVING = frozenset(
    "give gives gave given giving send sends sent sending wish wishes wished wishing pass bring"
    " brings pass passes add adds extend".split()
)
_AS_FAR_AS = 6


def _last_line(block: Block) -> tuple[str, ...]:
    return tuple(block.text.rstrip().rpartition("\n")[2].split()) or ("",)


def _bare(words: tuple[str, ...]) -> tuple[str, ...]:
    """Words without the comma behind them, as it is written or as it is said."""
    kept = words[:-1] if words[-1:] == ("comma",) else words
    return tuple(word.lower().rstrip(",") for word in kept)


def _is_closing(words: tuple[str, ...]) -> bool:
    return _bare(words) in CLOSINGS


def _is_greeting(words: tuple[str, ...]) -> bool:
    """ "Dear Mrs Adler" is all of a line; "dear to me" and "hello there" go on."""
    said = _bare(words)
    called = 1 < len(said) <= _LONGEST_GREETING and said[0] in _GREETS
    called = called and (said[1] in _CALLED or words[1][0].isupper())  # as it is written
    titled = said[1:2] and said[1] in TITLES  # "dear mrs drew"
    told = (SUBJECT_PRONOUNS | VERBS) & set(said[3 if titled else 2 :])
    return called and not told and words[-1][-1] not in ".!?"


def _is_a_name(words: tuple[str, ...]) -> bool:
    few = len(words) <= _LONGEST_NAME
    return few and LITTLE.isdisjoint(words) and may_sign(words)
