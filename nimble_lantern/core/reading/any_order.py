"""Requests whose words all say something, in whatever order: "low tide wants quotes round it".

Patterns hold the usual word orders.  Here an utterance is a target of this page and what is said
around it; if every word of that is known to ask for something, and all of it together asks for one
thing, it is put in the usual order, and then read as any other wording is.  Only looks and
selections are asked for so: what takes or changes words has to be said in a known order.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise

from nimble_lantern.core.grammar.catalogue import CATALOGUE
from nimble_lantern.core.lexicon.asked import LONGEST, LOOKS, ROLES, Looks, Phrase, Role
from nimble_lantern.core.lexicon.closed import ARTICLES, DETERMINERS, LITTLE
from nimble_lantern.core.targets.model import (
    That,
    Unit,
    Units,
    Words,
    as_things,
    of_a_grid,
    of_the_page,
)
from nimble_lantern.core.writing.cardinals import cardinal

_LONGEST = 16
"""Words of a request."""
_MOST_READINGS, _MOST_WAYS = 12, 16
_TELLING = frozenset(w for phrase in LOOKS for w in phrase) | frozenset(
    w for phrase, roles in ROLES.items() for w in phrase if Role.SELECT in roles
)
"""No request without one of these."""


@dataclass(frozen=True, slots=True)
class _Said:
    """What one phrase says: a role, or a look."""

    role: Role | None = None
    kind: Looks | None = None
    look: Phrase = ()


_Saying = tuple[_Said, ...]


_ASKING = frozenset("put make give let want please".split())
_MENDED = frozenset("put make set it that this right now again please then".split())


def in_order(words: Sequence[str]) -> Iterator[tuple[str, ...]]:
    """A request in the usual word order, as often as it can be one; the longest target first."""
    words = tuple(words)
    if not 2 <= len(words) <= _LONGEST or _TELLING.isdisjoint(words):
        return
    if _MENDED.issuperset(words):
        return  # what is put right is mended, and not set right
    if any(a in ARTICLES and b in _ASKING for a, b in pairwise(words)):
        return  # "round brackets the put last two words" is in no order at all
    if ("line", "up") in pairwise(words):
        return  # "make the numbers line up" asks for no list
    size = len(words)
    before, behind = _before(words), _behind(words)
    match = CATALOGUE.grammar.match(words)
    spans = [(i, j) for i in range(size) for j in range(i + 1, size + 1) if before[i] and behind[j]]
    made: dict[tuple[str, ...], None] = {}
    for i, j in sorted(spans, key=lambda span: span[0] - span[1]):
        if len(made) >= _MOST_READINGS:
            break
        if (i, j) == (0, size) or words[i] in ("to", "and", "of") or words[j - 1] == "and":
            continue
        if words[i:j] in (("please",), ("not",), ("no",)):
            continue  # "in bold please" is no request about that word
        if i and (words[i - 1] in DETERMINERS or words[i - 1] == "not"):
            continue  # "a line under not included" takes none away
        for value in {f.value: None for f in match.at("target", i) if f.end == j}:
            if isinstance(value, Words) and not set(value.words) - LITTLE:
                continue
            for left in before[i]:
                for right in behind[j]:
                    asked = _asked(value, left, right)
                    if asked:
                        made[(*asked[0], *words[i:j], *asked[1])] = None
    yield from (m for m in made if m != words)


def _before(words: Phrase) -> list[list[_Saying]]:
    """For each place the ways in which all words before it say something; none if some do not."""
    found: list[list[_Saying]] = [[()]]
    for end in range(1, len(words) + 1):
        starts = [s for s in range(max(0, end - LONGEST), end) if found[s]]
        found.append(_shortest((*w, said) for s in starts for said in _said(words[s:end])
                               for w in found[s]))  # fmt: skip
    return found


def _behind(words: Phrase) -> list[list[_Saying]]:
    """The same for the words from each place on."""
    size = len(words)
    found: list[list[_Saying]] = [[] for _ in words] + [[()]]
    for start in range(size - 1, -1, -1):
        ends = [e for e in range(start + 1, min(size, start + LONGEST) + 1) if found[e]]
        found[start] = _shortest((said, *w) for e in ends for said in _said(words[start:e])
                                 for w in found[e])  # fmt: skip
    return found


def _shortest(ways: Iterable[_Saying]) -> list[_Saying]:
    """Of the fewest phrases, which are the longest; those that say the same but once."""
    found: dict[tuple[int, _Said | None, frozenset[_Said]], _Saying] = {}
    for way in ways:
        found.setdefault((len(way), way[0] if way else None, frozenset(way)), way)
    least = min((size for size, _, _ in found), default=0)
    return [way for (size, _, _), way in found.items() if size == least][:_MOST_WAYS]


def _said(phrase: Phrase) -> Iterator[_Said]:
    for role in ROLES.get(phrase, ()):
        yield _Said(role)
    if phrase in LOOKS:
        kind, look = LOOKS[phrase]
        yield _Said(None, kind, look)
    elif sized := _size(phrase):
        yield _Said(None, Looks.LETTERS, sized)


def _size(phrase: Phrase) -> Phrase:
    """ "Size eighteen" and "eighteen point", as a look."""
    if phrase[0] == "size":
        number = phrase[1:]
    elif phrase[-1] in ("point", "points", "pt"):
        number = phrase[:-1]
    else:
        return ()
    found = cardinal(number, 0) if number else None
    return ("size", *number) if found and found[1] == len(number) else ()


def _asked(target: object, left: _Saying, right: _Saying) -> tuple[Phrase, Phrase] | None:
    """What stands before and behind the target where all of it is one request."""
    said = (*left, *right)
    roles = {s.role for s in said} - {None, Role.JOINING}
    looks = tuple(dict.fromkeys(s.look for s in said if s.look))
    if looks:
        kinds = {s.kind for s in said if s.kind}
        if not roles <= {Role.MAKE, Role.WISH, Role.OFF, Role.ON}:
            return None
        if not _sure(target, left, right, roles, kinds):
            return None
        if of_a_grid(target) and not _NO_CELLS.isdisjoint(looks):
            return None  # "add up the numbers in the last column"
        if Looks.ROUND in kinds:
            once = len(looks) == 1 and Role.OFF not in roles
            return (("put", *looks[0], "round"), ()) if once else None
        if Role.OFF in roles:
            return (("make",), ("not", *looks[0])) if len(looks) == 1 else None
        joined = tuple(w for n, look in enumerate(looks) for w in (*("and",)[: n and 1], *look))
        return ("make",), joined
    if roles - {Role.MAKE, Role.WISH} == {Role.SELECT}:
        return (("select",), ()) if of_the_page(target) else None
    return None


_NO_CELLS = {tuple(f"a {kind}".split()) for kind in ("bulleted list", "numbered list")}


def _sure(
    target: object,
    left: _Saying,
    right: _Saying,
    roles: set[Role | None],
    kinds: set[Looks],
) -> bool:
    """Whether words with a look are words on a page: "the last line red", not "the red boat"."""
    if isinstance(target, Units) and target.unit is Unit.DOCUMENT and target.bare:
        # "The leaves were", and then "all red", is of no letter.
        return bool(roles & {Role.MAKE, Role.WISH})
    if of_the_page(target) or not roles:
        # Nothing but looks is said of it: of words, one look alone may be what they are.
        several = sum(bool(s.look) for s in (*left, *right)) > 1 and kinds == {Looks.LETTERS}
        return bool(roles) or isinstance(target, Units) or several
    first = left[0].role if left else None
    asked = first in (Role.MAKE, Role.OFF)
    if isinstance(target, That):
        return asked and bool(kinds - {Looks.COLOUR}) or Role.WISH not in roles
    if Looks.ROUND in kinds:
        # "The boat needs brackets", on its wall.
        return not as_things(target) and bool(roles & {Role.ON, Role.WISH})
    if Looks.BLOCK in kinds:
        # "Make a list of helpers" asks for another list than that of a page.
        return False
    if Looks.COLOUR in kinds:
        # "Danger zone in red" quotes the page, "the boat in red" may be a boat.
        quoted = not as_things(target) and Role.ON in roles
        return (asked or quoted) and Role.WISH not in roles
    return asked or bool(roles & {Role.WISH, Role.ON, Role.OFF})
