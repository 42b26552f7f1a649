"""A speaker's own wordings: what was chosen for them stands for them from then on.

A wording is kept with a gap where the page's words stood: "shove the pointer behind the ferry",
taken as "go behind the ferry", makes "shove the pointer behind ..." mean "go behind ...".
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

GAP = "…"
MOST_LEARNED = 200


@dataclass(frozen=True, slots=True)
class Wording:
    """What is said, and what it is taken as; each with at most one gap."""

    said: tuple[str, ...]
    means: tuple[str, ...]

    def taken(self, words: Sequence[str]) -> tuple[str, ...] | None:
        """The words of the command that `words` stand for; None if they are not so worded."""
        words = tuple(words)
        if GAP not in self.said:
            return self.means if words == self.said else None
        at = self.said.index(GAP)
        lead, tail = self.said[:at], self.said[at + 1 :]
        end = len(words) - len(tail)
        if end <= at or words[:at] != lead or words[end:] != tail:
            return None
        gap = self.means.index(GAP)
        return (*self.means[:gap], *words[at:end], *self.means[gap + 1 :])

    def __str__(self) -> str:
        return f"“{' '.join(self.said)}” is “{' '.join(self.means)}”"


def wording(said: Sequence[str], means: Sequence[str], names: Sequence[str]) -> Wording:
    """What is learned when `means` was chosen for `said`; `names` are the page's words in both.

    Without a gap where those stand in only one of them.
    """
    gaps = [_gapped(tuple(words), tuple(names)) for words in (said, means)]
    if names and all(GAP in words for words in gaps) and len(gaps[0]) > 1:
        return Wording(*gaps)
    return Wording(tuple(said), tuple(means))


def taken_for(learned: Sequence[Wording], words: Sequence[str]) -> tuple[str, ...] | None:
    """The command that words stand for in a speaker's own wordings, the newest first."""
    for wording in reversed(learned):
        if (taken := wording.taken(words)) is not None:
            return taken
    return None


def _gapped(words: tuple[str, ...], names: tuple[str, ...]) -> tuple[str, ...]:
    size = len(names)
    for i in range(len(words) - size + 1):
        if size and words[i : i + size] == names:
            return (*words[:i], GAP, *words[i + size :])
    return words


def with_learned(known: tuple[Wording, ...], new: Wording) -> tuple[Wording, ...]:
    """The wordings with one more; the same one said before gives way."""
    return (*(w for w in known if w.said != new.said), new)[-MOST_LEARNED:]
