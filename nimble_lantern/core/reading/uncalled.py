"""What is asked of a thing by a name that nothing has: "insert the passage sign off"."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace

from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Named, Names
from nimble_lantern.core.kinds import Judged
from nimble_lantern.core.lexicon.closed import AUXILIARIES, DETERMINERS, PREPOSITIONS, SPEAKERS
from nimble_lantern.core.reading.exactly import TEXT, Verdict
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.resolve import Missing

_CALLED = frozenset("called named".split())
_MOST_WORDS = 4
_MOST_TOLD = 4
_NO_NAME = (
    DETERMINERS
    | AUXILIARIES
    | SPEAKERS
    | set("that where who and again aloud loud now back".split())
)
"""Words that go on with a sentence: "the place where we met" is called nothing."""
_NOT_FIRST = _NO_NAME | PREPOSITIONS
_EVERYDAY = frozenset(("place",))
"""Nouns that letters have as well: "remove the place mats" asks for nothing where none is."""
_PLAIN = frozenset("add bring drop get give open put read show take throw".split())
_VERBS = frozenset(
    "add bring call change compare delete discard drop edit fetch forget get give go insert open"
    " paste preview put read remove rename restore say scrap show take throw unname use".split()
)


def of_nothing_there(
    sitting: Sitting, missed: Sequence[Verdict], words: Sequence[str]
) -> Verdict | None:
    """The answer to a request for a thing that is named with its noun; None if this is no such.

    Where names come close, which of them is meant is asked.
    """
    if not words or words[0] not in _VERBS:
        return None
    for verdict, named in _naming(missed):
        kind = CATALOGUE.named[named.kind]
        assert isinstance(verdict.refusal, Missing)
        none = not kind.of(sitting)
        nouns = frozenset(kind.nouns) - (_EVERYDAY if none else frozenset())
        if none and words[0] in _PLAIN and _CALLED.isdisjoint(words):
            continue  # "put the passage lights on"
        if not _is_named(kind, nouns, tuple(words), named.words):
            continue
        if verdict.refusal.names:
            return replace(verdict, kind=Judged.UNCLEAR)
        return replace(verdict, kind=Judged.REFUSED, refusal=_none_so(sitting, kind, named.words))
    return None


def _naming(missed: Sequence[Verdict]) -> Iterator[tuple[Verdict, Named]]:
    """What was missed for a name, with what was to have it; the shortest names first."""
    found = [
        (verdict, value)
        for verdict in missed
        if verdict is not TEXT and isinstance(verdict.refusal, Missing)
        if isinstance(value := (verdict.args or {}).get(verdict.slot), Named) and value.words
    ]
    yield from sorted(found, key=lambda pair: len(pair[1].words))


def _is_named(
    kind: Names, nouns: frozenset[str], words: tuple[str, ...], name: tuple[str, ...]
) -> bool:
    """Whether a name stands beside its noun, and goes on with no sentence."""
    if len(name) > _MOST_WORDS or name[0] in _NOT_FIRST or not _NO_NAME.isdisjoint(name):
        return False
    for i in range(1, len(words) - len(name) + 1):
        if words[i : i + len(name)] != name:
            continue
        before = words[i - 1]
        if before in _CALLED and i > 1 and words[i - 2] in kind.nouns:
            return True
        if before in nouns or not nouns.isdisjoint(words[i + len(name) :][:1]):
            return True
    return False


def _none_so(sitting: Sitting, kind: Names, name: tuple[str, ...]) -> Refusal:
    noun, there = kind.nouns[0], list(kind.of(sitting))
    what = f"No {noun} is called “{' '.join(name)}”."
    if not there:
        return Refusal(what, f"There is no {noun} here yet.")
    told = ", ".join(f"“{n}”" for n in there[:_MOST_TOLD])
    return Refusal(what, "", f"There {'is' if len(there) == 1 else 'are'} {told}.")
