"""Said to the desk or to the letter's reader: courtesy, musing, and words that speak of the page.

Courtesy says nothing of what is asked ("could you please bold the ferry").  Musing may be asking,
and may be a sentence of the letter: "we should delete the last sentence" can only be said of a
page, "we should remove the boat" of a harbour.
"""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse
from nimble_lantern.core.lexicon.closed import CONTRACTIONS, LITTLE, SUBJECT_PRONOUNS
from nimble_lantern.core.lexicon.desk import (
    ASIDES,
    PLAIN_VERBS,
    SPOKEN_OF,
    TRADE_NOUNS,
    TRADE_VERBS,
)
from nimble_lantern.core.lexicon.manners import (
    ASKED_DOING,
    BEING,
    FILLERS,
    INSIDE,
    LEADS,
    MUSINGS,
    STATEMENTS,
    TAILS,
    WHOLE,
    WISHES,
)
from nimble_lantern.core.lexicon.meanings import MEANINGS
from nimble_lantern.core.targets.model import is_target, of_the_page
from nimble_lantern.core.writing.cardinals import cardinal

_QUALIFYING = frozenset("no not without with plus less only just all any every some more".split())
_MOST_ADDRESSED = 8
_BEFORE = tuple(sorted((*LEADS, *MUSINGS), key=lambda p: (-len(p), p)))
_LEADS = {first: tuple(p for p in _BEFORE if p[0] == first) for first, *_ in _BEFORE}
_TAILS = {last: tuple(p for p in TAILS if p[-1] == last) for *_, last in TAILS}
_MUSED, _STATED = frozenset(MUSINGS), frozenset(STATEMENTS)
_LOOKS = ("marks.", "case.")


_NOT_THERE = frozenset(
    "full comma question exclamation colon semicolon dash hyphen mark space gap break new bracket"
    " quote quotes paragraph line stop period apostrophe ellipsis slash".split()
)
"""After "no", what is not wanted: "no full stop after boat"."""


class Plainer(NamedTuple):
    """Words without what was said around them; `mused` if they may have been said to somebody else,
    `stated` if that makes a statement of them.

    `inside` if something was left out between them, which may have been words to be written.
    """

    words: tuple[str, ...]
    mused: bool = False
    inside: bool = False
    stated: bool = False

    def allows(self, parse: Parse) -> bool:
        """Whether a command may be done that was spoken so: nothing is written, moved or removed
        by what may be said of a thing of the world.

        A statement must be of parts of the page or of looks: "i will come back"
        and "we can find the lamp" are written.
        """
        traits = parse.command.traits
        writes = any(isinstance(value, tuple) for value in parse.args.values())
        told = not self.stated or parse.command.name.startswith(_LOOKS)
        if not self.mused or told and not (traits.destructive or traits.moves or writes):
            return True
        targets = [v for v in parse.args.values() if is_target(v)]
        return bool(targets) and all(of_the_page(t) for t in targets)


def plainer_than(words: tuple[str, ...]) -> tuple[Plainer, ...]:
    """The words without hesitation, without what comes after a request, then without what comes
    before: "no bullets please" is "no bullets" before it is "bullets"."""
    bare = _said_once(tuple(w for w in words if w not in FILLERS))
    tailed = _without_tails(bare)
    begun = _without_leads(tailed)
    inside = begun._replace(words=_without(begun.words, INSIDE), inside=True)
    whole = inside._replace(words=_without(inside.words, WHOLE))
    opened = whole._replace(words=_part_of(_in_full(whole.words)))
    found = {p.words: p for p in (opened, whole, inside, begun, Plainer(tailed), Plainer(bare))}
    return tuple(p for p in reversed(found.values()) if p.words and p.words != words)


def as_wished(words: tuple[str, ...]) -> tuple[Plainer, ...]:
    """A wish for how something should be, as one that says so, and one to see something.

    "Could monday be a blank", "i'd like monday to be a blank": "monday should be a blank"; "can i
    see my notes": "show me my notes".
    """
    words = _without_tails(tuple(w for w in words if w not in FILLERS))
    found = []
    for lead, to in WISHES:
        if words[: len(lead)] != lead:
            continue
        rest = words[len(lead) :]
        if to == ("show", "me"):
            found.append((*to, *rest))
            continue
        size = len(to)
        for i in range(1, len(rest) - size):
            if rest[i : i + size] == to and rest[i + size] in BEING:
                found.append((*rest[:i], "should", *rest[i + size :]))
    return tuple(Plainer(w) for w in found if w[0] not in SUBJECT_PRONOUNS - {"there"})


def in_parts(words: tuple[str, ...]) -> tuple[Plainer, ...]:
    """Parts of a page named in full where a part that was named before tells what they are.

    "The second paragraph should follow the third" goes on with "paragraph", and "begin paragraph
    two with its last sentence" with "the last sentence of paragraph two".
    """
    said = of_the_whole(_with_units(words))
    return () if said == words else (Plainer(said),)


def _with_units(words: tuple[str, ...]) -> tuple[str, ...]:
    units = [w.removesuffix("s") for w in words if w.removesuffix("s") in _UNITS]
    if len(set(units)) != 1:
        return words
    said: list[str] = []
    for i, word in enumerate(words):
        if word == "one" and words[i - 1] in _COUNTS and words[i - 2 : i - 1] == ("the",):
            said.append(units[0])
            continue
        said.append(word)
        counted = word in _COUNTS and words[i - 1] == "the"
        follows = words[i + 1] if i + 1 < len(words) else ""
        if counted and follows not in ("one", "and") and follows not in TRADE_NOUNS:
            said.append(units[0])
    return tuple(said)


def of_the_whole(words: tuple[str, ...]) -> tuple[str, ...]:
    """What is spoken of as "its" or "that paragraph", by the name it was called before."""
    for i, word in enumerate(words):
        unit = words[i + 1] if word == "that" and i + 1 < len(words) else ""
        named = _counted(words[:i], unit) if word == "its" or unit in _UNITS else None
        if named is None:
            continue
        if unit:
            return (*words[:i], *named, *words[i + 2 :])
        ends = range(i + 2, min(len(words), i + 4) + 1)
        end = next((j for j in ends if words[j - 1] in TRADE_NOUNS | _EDGES), None)
        if end is not None:
            return (*words[:i], "the", *words[i + 1 : end], "of", *named, *words[end:])
    return words


def _counted(words: tuple[str, ...], unit: str) -> tuple[str, ...] | None:
    """The part that was counted last: "the third paragraph", "paragraph three"."""
    for i in range(len(words) - 1, -1, -1):
        if words[i] not in _UNITS or unit and words[i] != unit:
            continue
        if i > 1 and words[i - 1] in _COUNTS and words[i - 2] == "the":
            return words[i - 2 : i + 1]
        if number := cardinal(words, i + 1):
            return words[i : number[1]]
    return None


_UNITS = frozenset("paragraph sentence line item row column".split())
_COUNTS = frozenset("first second third fourth fifth sixth seventh eighth ninth tenth last".split())
_EDGES = frozenset("end start beginning".split())


def _in_full(words: tuple[str, ...]) -> tuple[str, ...]:
    """ "What's new" is asked as "what is new"."""
    return tuple(full for w in words for full in CONTRACTIONS.get(w, (w,)))


def _part_of(words: tuple[str, ...]) -> tuple[str, ...]:
    """ "Paragraph two's first word" is asked for as "the first word of paragraph two"."""
    for i, word in enumerate(words):
        whole = word.removesuffix("'s")
        if whole == word or not (whole in TRADE_NOUNS or cardinal((whole,), 0)):
            continue
        last = TRADE_NOUNS | {"end", "start", "beginning"}
        ends = (j for j in range(i + 2, min(len(words), i + 5) + 1) if words[j - 1] in last)
        starts = (s for s in range(i + 1) if _names_a_part((*words[s:i], whole)))
        end, start = next(ends, None), next(starts, None)
        if end is not None and start is not None:
            part = ("the", *words[i + 1 : end], "of", *words[start:i], whole)
            return (*words[:start], *part, *words[end:])
    return words


def _said_once(words: tuple[str, ...]) -> tuple[str, ...]:
    """Without little words that were said twice while somebody thought: "the the last line"."""
    twice = (i for i in range(1, len(words)) if words[i] == words[i - 1] and words[i] in LITTLE)
    gone = set(twice)
    return tuple(w for i, w in enumerate(words) if i not in gone)


def _without(words: tuple[str, ...], phrases: Sequence[tuple[str, ...]]) -> tuple[str, ...]:
    """Without some phrases behind the first word, wherever they stand."""
    kept = list(words[:1])
    i = 1
    while i < len(words):
        said = next((p for p in phrases if words[i : i + len(p)] == p), ())
        kept += words[i : i + 1] if not said else ()
        i += len(said) or 1
    return tuple(kept)


def wordings(words: Sequence[str]) -> tuple[tuple[str, ...], ...]:
    """The words as they were said, and plainer."""
    return tuple(words), *(p.words for p in plainer_than(tuple(words)))


def barest(words: Sequence[str]) -> tuple[str, ...]:
    """The words without anything said around them."""
    return wordings(words)[-1]


def of_what_is_selected(words: Sequence[str]) -> bool:
    """Whether words said while something is selected may speak of it, or to the desk.

    After "select the hut", "the shed" is written over it; "the other one" and "bold and italic"
    are not.
    """
    if any(tuple(words[: len(aside)]) == aside for aside in ASIDES):
        return True
    bare = barest(words)
    if not bare or len(bare) > _MOST_ADDRESSED:
        return False
    if any(_names_a_part(bare[i:]) for i in range(1, len(bare) - 1)):
        return True
    trade = sum(w in TRADE_NOUNS or w in TRADE_VERBS for w in bare)
    of_it = any(w in SPOKEN_OF for w in bare)
    if cardinal(bare, 0) and bare[-1] in TRADE_NOUNS:
        # "Two more words", "three words further".
        return True
    if bare[0] in TRADE_VERBS or trade * 2 >= len(bare):
        return True
    if "selection" in bare:
        return True
    if trade and {words[0], bare[0]} & _QUALIFYING or of_it and "instead" in bare:
        # "No formatting at all", "the blue one instead of that".
        return True
    if bare[0] in PLAIN_VERBS or bare[0] in MEANINGS:
        return of_it or trade > 0
    if of_it and len(bare) <= 3:
        return True
    return len(bare) <= 4 and bare[-1] in ("one", "ones") or len(bare) == 1 and of_it


def _names_a_part(words: tuple[str, ...]) -> bool:
    """ "Include the next two words" ends with a part of the page."""
    return bool(set(words) & TRADE_NOUNS) and bool(CATALOGUE.grammar.parses("part", words))


def _without_leads(words: tuple[str, ...]) -> Plainer:
    """Without what comes before a request: "okay could you please delete it" is "delete it"."""
    mused = stated = False
    while words:
        leads = (lead for lead in _LEADS.get(words[0], ()) if words[: len(lead)] == lead)
        lead = next((lead for lead in leads if len(lead) < len(words)), None)
        if lead is None or lead == ("no",) and words[1] in _NOT_THERE:
            break
        mused, stated = mused or lead in _MUSED, stated or lead in _STATED
        words = words[len(lead) :]
        if lead[-1] == "mind" and words[0] in ASKED_DOING:
            words = (ASKED_DOING[words[0]], *words[1:])
    if words and words[0] in ASKED_DOING:
        # "Deleting the last sentence" can be said of a page, "adding salt" of anything.
        return Plainer((ASKED_DOING[words[0]], *words[1:]), True, stated=stated)
    if len(words) > 2 and words[0] == words[1]:
        # "Undo undo that."
        words = words[1:]
    return Plainer(words, mused, stated=stated)


def _without_tails(words: tuple[str, ...]) -> tuple[str, ...]:
    """Without what comes after a request: "delete it for me please" is "delete it"."""
    while words:
        tails = (tail for tail in _TAILS.get(words[-1], ()) if words[-len(tail) :] == tail)
        tail = next((tail for tail in tails if len(tail) < len(words)), None)
        if tail is None:
            break
        words = words[: -len(tail)]
    return words
