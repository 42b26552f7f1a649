"""Clauses: what a sentence is made of, between the words and marks that link them."""

from __future__ import annotations

import re
from collections.abc import Sequence

from nimble_lantern.core.document.model import Document, Position, Range

_LINK = re.compile(
    r"[,;]\s+(?:and|but|or|so|yet|because|although|though|while|which|who|where|if|when)\s+"
    r"|;\s+|\s+–\s+|\s+(?:but|because|although)\s+"
    r"|\s+(?:and|or|so)\s+(?=(?:i|we|you|he|she|it|they|there|nobody|everybody)\s"
    r"|(?:the|my|our|your|his|her|their|no)\s(?:\w+\s){1,2}"
    r"(?:is|are|was|were|has|have|had|will|would|can|could|may|must|should)\s)",
    re.IGNORECASE,
)
"""Quirk et al., A Comprehensive Grammar of the English Language (1985), 13.1 to 13.5 and 14.11; a
bare "and" links words as often, and clauses only before a subject with its verb."""
_SUBORDINATE = frozenset("because although though while which who where if when".split())
"""What hangs on the clause before does not stand without it."""
_STOPS = ".?!…"
_FEWEST = 2
"""Words of a clause, and clauses of a sentence that has a bit to it."""


def clause_with(document: Document, sentence: Range, inner: Sequence[Range]) -> Range | None:
    """The one clause of a sentence in which all of these ranges stand; None where it is all of it.

    Without its link and without the stop.
    """
    parts = _clauses(document, sentence)
    held = [part for part in parts if all(_within(r, part) for r in inner)]
    if len(parts) < _FEWEST or len(held) != 1 or not inner:
        return None
    behind = Range(held[0].end, parts[1].start)
    main = held[0] == parts[0] and _SUBORDINATE & set(document.text(behind).lower().split())
    between = [i for i in range(1, len(parts)) if _dash_between(document, *parts[i - 1 : i + 1])]
    broken = between == [1, 2] and held[0] != parts[1]  # "the lamp – a big one – stays lit"
    return None if main or broken else held[0]


def with_link(document: Document, clause: Range) -> Range:
    """A clause and what links it to the one before it, or else to the one behind."""
    text = document.blocks[clause.start.block].text
    b, start, end = clause.start.block, clause.start.offset, clause.end.offset
    links = [m.span() for m in _LINK.finditer(text)]
    before = next((a for a, z in links if z == start), None)
    behind = next((z for a, z in links if a == end), end)
    if before is not None and "–" in text[before:start] and "–" in text[end:behind]:
        return Range(Position(b, before), Position(b, behind - 1))  # both dashes go
    if before is not None:
        return Range(Position(b, before), clause.end)
    return Range(clause.start, Position(b, behind))


def _clauses(document: Document, sentence: Range) -> list[Range]:
    b, begins = sentence.start
    text = document.blocks[b].text[begins : sentence.end.offset]
    ends = len(text.rstrip().rstrip(_STOPS))
    links = [m.span() for m in _LINK.finditer(text) if m.end() < ends]
    starts = [0, *(z for _, z in links)]
    stops = [*(a for a, _ in links), ends]
    found = list(zip(starts, stops, strict=True))
    if any(len(text[a:z].split()) < _FEWEST for a, z in found):
        return [sentence]
    return [Range(Position(b, begins + a), Position(b, begins + z)) for a, z in found]


def _dash_between(document: Document, one: Range, other: Range) -> bool:
    return "–" in document.text(Range(one.end, other.start))


def _within(r: Range, part: Range) -> bool:
    return part.start <= r.start and r.end <= part.end
