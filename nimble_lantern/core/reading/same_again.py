"""What was just done, asked for something else as well: "and saturday too", "the same for the
title"."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from nimble_lantern.core.grammar.catalogue import CATALOGUE
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.lexicon.housed import Phrase
from nimble_lantern.core.reading.addressing import barest
from nimble_lantern.core.reading.following import named_in
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import of_the_page
from nimble_lantern.core.targets.words import exact

_LONGEST = 12
_SAME = (("the", "same"), ("same",), ("ditto",), ("likewise",))
_TO = frozenset("for to with on in".split())
_DOING = frozenset((("do",), ("make",), ("do", "that"), ("do", "it"), ("do", "this")))
_TOO = (("too",), ("as", "well"), ("also",))


def same_again(sitting: Sitting, words: Sequence[str]) -> Iterator[Phrase]:
    """The last command in its words, of what is named now in the place of what it was about.

    A look may be asked for with a bare "too"; everything else as "the same".
    """
    if len(words) > _LONGEST:
        return
    for named, plainly in _named(tuple(words)):
        if not _names(sitting, named):
            continue
        for before, command in _last(sitting):
            if command.startswith("replacing.") and _a_part(named):
                continue  # words of the title are meant, and not all of it
            looks = CATALOGUE.commands[command].group == "format" or command.startswith("case.")
            if plainly or looks:
                yield from _of_another(before, command, named)


def _named(words: Phrase) -> Iterator[tuple[Phrase, bool]]:
    """What is named, and whether it is said that the same is to be done."""
    tail = next((t for t in _TOO if words[-len(t) :] == t), ())
    bare = words[words[:1] == ("and",) : len(words) - len(tail)]
    for lead in ((), *_DOING):
        rest = bare[len(lead) :] if bare[: len(lead)] == lead else ()
        said = next((s for s in _SAME if rest[: len(s)] == s), ())
        same = rest[len(said) :] if said or len(lead) > 1 else ()
        if same and same[0] in _TO:
            yield same[1:], True
    if bare and (tail or bare != words):
        yield bare, False
        if bare[0] in _TO - {"in", "with"} and len(bare) > 1:
            yield bare[1:], False  # "and for bella"


def _names(sitting: Sitting, words: Phrase) -> bool:
    if not words or LITTLE.issuperset(words):
        return False
    return bool(exact(sitting.document, words)) or _a_part(words)


def _a_part(words: Phrase) -> bool:
    return any(of_the_page(found.value) for found in CATALOGUE.grammar.parses("target", words))


def _last(sitting: Sitting) -> Iterator[tuple[Phrase, str]]:
    """The words of the last command that changed the text, past those that asked for it again."""
    for entry in reversed(sitting.trail):
        if entry.read_as is not ReadAs.COMMAND or entry.command is None or not entry.made:
            return
        if entry.command not in CATALOGUE.commands:
            return  # another edition called it otherwise
        said = tuple(entry.heard.split())
        yield said, entry.command
        if not any(_named(said)):
            return


def _of_another(before: Phrase, command: str, named: Phrase) -> Iterator[Phrase]:
    for words in dict.fromkeys((before, barest(before))):
        for start, end, _ in named_in(words, command):
            yield (*words[:start], *named, *words[end:])
        of_that = CATALOGUE.parses((*words, "that"))
        if any(p.command.name == command and not p.free for p in of_that):
            yield (*words, *named)  # "bold", of what was selected
