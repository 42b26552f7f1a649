"""Requests that are put right while they are said: "delete the first no the second sentence".

A repair has three parts (Levelt, 1983: Monitoring and self-repair in speech): what was wrong, an
editing term ("no", "wait", "I mean"), and what takes its place, often from a word on that was
said before.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import NamedTuple

from nimble_lantern.core.lexicon.desk import PLAIN_VERBS, TRADE_VERBS

_VERBS = PLAIN_VERBS | TRADE_VERBS
_SURE = tuple(
    tuple(term.split())
    for term in (
        "no wait, wait no, no no, no sorry, sorry no, no hang on, hang on no, no hold on,"
        " no i mean, no i meant, sorry i mean, sorry i meant, i mean, or rather, no rather,"
        " no actually, no make that, no make it, oh no, oops no, scratch that"
    ).split(", ")
)
"""Editing terms that are seldom anything else."""
_MAYBE = tuple((word,) for word in "no sorry wait rather well oops".split())
_LONGEST = 20
_FEW = 3


class Repair(NamedTuple):
    """A request put right; `surely` where its editing term, or the word that it goes back to, tells
    that it is one.  Elsewhere `first`, with what was wrong, must be a request of the same kind.

    `seam` is the editing term and the word behind it: where they stand on the page, they are its.
    """

    words: tuple[str, ...]
    seam: tuple[str, ...]
    surely: bool = True
    first: tuple[str, ...] = ()


def repairs(words: Sequence[str]) -> Iterator[Repair]:
    """The requests that words may be when what was said wrong is left out, the likeliest first."""
    words = tuple(words)
    if not words or words[0] not in _VERBS or len(words) > _LONGEST:
        return
    for i in range(len(words) - 1, 0, -1):
        term = next((t for t in (*_SURE, *_MAYBE) if words[i : i + len(t)] == t), ())
        if not term or i > 1 and words[i - 1 : i + len(term)] in _SURE:
            continue
        before, after = words[:i], words[i + len(term) :]
        if after:
            yield from _repairs(before, after, (*term, after[0]), term in _SURE)


def _repairs(
    before: tuple[str, ...], after: tuple[str, ...], seam: tuple[str, ...], sure: bool
) -> Iterator[Repair]:
    back = next((j for j in range(len(before) - 1, -1, -1) if before[j] == after[0]), None)
    if back is not None:
        yield Repair((*before[:back], *after), seam)
    if sure and after[0] in _VERBS:
        yield Repair(after, seam)
    # "Bold green no gate", "change tuesday no ten to eleven", "bold the title no wait italic".
    for size in range(1, min(_FEW, len(after), len(before) - 1) + 1):
        yield Repair((*before[:-size], *after), seam, sure, (*before, *after[size:]))
    if len(after) == 1:
        yield Repair((*after, *before[1:]), seam, sure, before)
