"""Where capitals go by themselves."""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence
from typing import Protocol

from nimble_lantern.core.document.changes import changed
from nimble_lantern.core.document.model import Block
from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.lexicon.frequency import zipf
from nimble_lantern.core.lexicon.names import (
    ABBREVIATIONS,
    DAYS,
    GIVEN,
    INITIALS,
    KNOWN_NAMES,
    MONTHS,
    PHRASES,
    PROPER,
    SMALL_IN_TITLES,
)
from nimble_lantern.core.lexicon.sentences import COMMON_OPENINGS

_COMMON = 5.2
"""On the Zipf scale: commoner words are seldom names, whatever their capital."""
_CLOSERS = "”’\"')]}"
_OPENERS = "“‘\"'([{"
ALWAYS = {
    **{word: word.capitalize() for word in sorted(KNOWN_NAMES | GIVEN | {*PROPER.split()})},
    **DAYS,
    **{month: name for month, name in MONTHS.items() if month not in ("may", "march", "august")},
    **{f"{day}s": f"{name}s" for day, name in DAYS.items()},
    **{name.lower(): name for name in INITIALS.split()},
    "august": "August",
    "i": "I", "i'm": "I’m", "i'll": "I’ll", "i've": "I’ve", "i'd": "I’d",
    "i’m": "I’m", "i’ll": "I’ll", "i’ve": "I’ve", "i’d": "I’d",
}  # fmt: skip


def starts_sentence(left: str) -> bool:
    """Whether a word written right after `left` begins a sentence."""
    text = left.rstrip(" ")
    if not text or text.endswith("\n"):
        return True
    bare = text.rstrip(_OPENERS + " ") if text[-1] in _OPENERS else text
    if not bare or bare.endswith("\n"):
        return True
    if bare != text and bare[-1] in ",:" and text[-1] in '“‘"':
        return True
    bare = bare.rstrip(_CLOSERS)
    if not bare or bare[-1] not in ".!?":
        return False
    if bare[-1] != "." or len(bare) < 2:
        return True
    last = bare.split()[-1].lstrip(_OPENERS)
    return last[:-1].lower() not in ABBREVIATIONS and not (len(last) == 2 and last[0].isupper())


def capitalised(word: str) -> str:
    """The first letter in capitals, the rest as it is."""
    for i, c in enumerate(word):
        if c.isalpha():
            return word[:i] + c.upper() + word[i + 1 :]
        if c.isdigit():
            break
    return word


def title_case(text: str) -> str:
    """Headline style: every word but small ones, the first and last always (Chicago 8.159)."""
    words = text.split(" ")
    last = len(words) - 1
    return " ".join(
        word if word.lower() in SMALL_IN_TITLES and 0 < i < last and word.islower() else
        word.lower() if word.lower() in SMALL_IN_TITLES and 0 < i < last else capitalised(word)
        for i, word in enumerate(words)
    )  # fmt: skip


class Names(Protocol):
    """What is known to be written with capitals, or in some other way of its own."""

    def match(self, words: Sequence[str], i: int) -> tuple[int, str] | None:
        """(how many words, as written) of the longest name that begins at `i`."""


class AsHeard:
    """Names as the engine writes them that heard them, and compounds such as "well-known", which
    are heard as two words; those of the document go before."""

    def __init__(self, names: Iterable[str]) -> None:
        self._written = {tuple(re.split("[- ]", as_said(name))): name for name in names}
        self._longest = max(map(len, self._written), default=0)

    def match(self, words: Sequence[str], i: int) -> tuple[int, str] | None:
        """(how many words, as written) of the longest that begins at `i`."""
        for size in range(min(self._longest, len(words) - i), 0, -1):
            if written := self._written.get(tuple(words[i : i + size])):
                return size, written
        return None


def as_said(name: str) -> str:
    """A written name in the letters of a recogniser."""
    return name.lower().replace("’", "'")


KNOWN = AsHeard(PHRASES)
"""Names of several words that everybody writes alike."""


class AsItStands:
    """One word that is written as it is, whatever it looks like."""

    def __init__(self, written: str) -> None:
        self._written = written

    def match(self, words: Sequence[str], i: int) -> tuple[int, str] | None:
        return (1, self._written) if words[i] == self._written else None


def names_in(block: Block) -> frozenset[tuple[str, ...]]:
    """The capitalised words and runs of words of a block, sentence starts left out."""
    kept: frozenset[tuple[str, ...]] | None = block.__dict__.get("_names")
    if kept is None:
        kept = frozenset(_names(block)) if block.kind != "heading" else frozenset()
        block.__dict__["_names"] = kept
    return kept


def _names(block: Block) -> Iterable[tuple[str, ...]]:
    starts = {start for start, _ in block.sentences}
    run: list[str] = []
    opened, end = False, -1
    for start, stop in (*block.words, (len(block.text) + 2, 0)):
        word = block.text[start:stop]
        joined = block.text[end:start] == " " if run else True
        upper = word[:1].isupper() and word not in ("I",) and not word.startswith(("I’", "I'"))
        if upper and joined:
            opened = opened or not run and (start in starts or _after_opener(block.text, start))
            run.append(word)
        else:
            yield from _run_names(run, opened)
            run = [word] if upper else []
            opened = upper and (start in starts or _after_opener(block.text, start))
        end = stop


def _after_opener(text: str, start: int) -> bool:
    return start > 0 and text[start - 1] in "“‘\"'("


def _opens(word: str) -> bool:
    """Whether a word's capital says nothing where it begins a sentence: "Tell Nell"."""
    return word in COMMON_OPENINGS or zipf(word) > _COMMON


_FULL_NAME, _RARE, _RAREST = 2, 4.0, 3.3
"""Words of a name such as "Nell Harker", and how rare on wordfreq's Zipf scale each must be to be a
name by itself as well: "harker" is, "baker" may be one who bakes.  Two that are rarest are a name
that nobody knows beforehand: "Osric Pell"."""


def _run_names(run: list[str], opened: bool) -> Iterable[tuple[str, ...]]:
    if opened:
        run = run[1:] if len(run) == 1 or _opens(run[0].lower()) else run
    if run and not (len(run) == 1 and run[0].istitle() and run[0].lower() in LITTLE):
        yield tuple(run)
    rarest = all(zipf(word.lower()) < _RAREST for word in run)
    if len(run) == _FULL_NAME and (run[0].lower() in GIVEN or rarest):
        yield from ((word,) for word in run if zipf(word.lower()) < _RARE)


class DocumentNames:
    """The names of a document, counted as its blocks come and go.

    A cache: its answers depend on the blocks alone, its cost on what changed since last asked.
    """

    def __init__(self) -> None:
        self._blocks: tuple[Block, ...] = ()
        self._counts: dict[tuple[str, ...], dict[tuple[str, ...], int]] = {}

    def follow(self, blocks: tuple[Block, ...]) -> DocumentNames:
        old = self._blocks
        if old is not blocks:
            start, old_end, new_end = changed(old, blocks)
            for block in old[start:old_end]:
                self._count(block, -1)
            for block in blocks[start:new_end]:
                self._count(block, 1)
            self._blocks = blocks
        return self

    def _count(self, block: Block, by: int) -> None:
        for name in names_in(block):
            key = tuple(word.lower().replace("’", "'") for word in name)
            forms = self._counts.setdefault(key, {})
            forms[name] = forms.get(name, 0) + by
            if forms[name] <= 0:
                del forms[name]
                if not forms:
                    del self._counts[key]

    @property
    def phrases(self) -> Iterable[tuple[str, ...]]:
        """The names as they are spoken, in small letters."""
        return self._counts.keys()

    def repeated(self, times: int) -> list[tuple[str, ...]]:
        """The names that stand at least so often, as they are spoken, the most frequent first."""
        counts = {name: sum(forms.values()) for name, forms in self._counts.items()}
        often = (name for name, count in counts.items() if count >= times)
        return sorted(often, key=lambda name: -counts[name])

    def match(self, words: Sequence[str], i: int) -> tuple[int, str] | None:
        for size in range(min(6, len(words) - i), 0, -1):
            forms = self._counts.get(tuple(words[i : i + size]))
            if forms:
                best = max(forms, key=lambda form: (forms[form], form))
                return size, " ".join(best)
        return None
