"""What corrections teach: heard words, what was meant, and beside which words it was so.

A lesson puts the same mistake right by itself once it is trusted: at once for a name where the
heard words are unlikely; else beside the same telling word, or when it was taught often enough.
"""

from __future__ import annotations

from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass, replace

from rapidfuzz.distance import Levenshtein

from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.lexicon.frequency import zipf
from nimble_lantern.core.targets.sounds import phrase_key
from nimble_lantern.core.writing.spoken import plain

MOST_LESSONS = 1_000
LONGEST = 4
"""Words on either side of a lesson."""
_MOST_PLACES = 8
_UNLIKELY = 4.0
"""On wordfreq's Zipf scale: a heard word that is commoner is not put right at first sight."""
_OFTEN = 3
_TWICE = 2
_LEAST_ALIKE, _LEAST_CORRECTED = 0.5, 0.4
"""How like the sounds of two wordings have to be for one to be the other misheard; less is asked
where somebody says that it was."""
Said = tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Lesson:
    """`heard` was meant as `meant`; `beside` are the words before and after, each time.

    `taught` are the utterances that did it, `withdrawn` those of them that are undone; `named`
    where what was meant is a name.
    """

    heard: Said
    meant: Said
    beside: tuple[tuple[str, str], ...] = ()
    taught: tuple[int, ...] = ()
    named: bool = False
    withdrawn: tuple[int, ...] = ()

    @property
    def count(self) -> int:
        """How often it was taught."""
        return len(self.taught) - len(self.withdrawn)

    def __str__(self) -> str:
        return f"“{' '.join(self.heard)}” is “{' '.join(self.meant)}”"

    def trusted(self, before: str, after: str, stands: bool, known: bool = False) -> bool:
        """Whether it puts these words right between two others by itself.

        `stands`: the heard words are in the document, where nobody corrected them; `known`: what
        was meant is.
        """
        if not self.count:
            return False
        unlikely = min(zipf(w) for w in self.heard) < _UNLIKELY
        if self.named and unlikely and not stands:
            return True
        here = [(b == before and b not in LITTLE, a == after and a not in LITTLE)
                for b, a in self.beside]  # fmt: skip
        if any(left and before or right and after for left, right in here):
            return True
        if self.count >= _TWICE and (before, after) in self.beside:
            return True
        if self.count >= _TWICE and known and not stands:
            return True
        return self.count >= _OFTEN and not stands and (unlikely or self.named)


Lessons = tuple[Lesson, ...]


def alike(heard: Sequence[str], meant: Sequence[str], corrected: bool = False) -> bool:
    """Whether one may be the other misheard, by their sound."""
    keys = phrase_key(" ".join(heard)), phrase_key(" ".join(meant))
    sounds = Levenshtein.normalized_similarity(*keys)
    letters = Levenshtein.normalized_similarity("".join(heard), "".join(meant))
    return max(sounds, letters) > (_LEAST_CORRECTED if corrected else _LEAST_ALIKE)


def taught(
    known: Lessons,
    heard: Said,
    meant: Said,
    beside: tuple[str, str],
    named: bool = False,
    utterance: int = 0,
) -> Lessons:
    """The lessons after a correction by an utterance.  One that said the opposite goes."""
    key = _key(heard)
    if not heard or not meant or max(len(heard), len(meant)) > LONGEST or key == _key(meant):
        return known
    kept = [x for x in known if not (_key(x.heard) == _key(meant) and _key(x.meant) == key)]
    same = next((x for x in kept if _key(x.heard) == key and _key(x.meant) == _key(meant)), None)
    # What the same words were meant as before is doubtful now.
    kept = [x for x in kept if _key(x.heard) != key]
    new = same or Lesson(heard, meant)
    new = replace(
        new,
        beside=tuple(dict.fromkeys((*new.beside, beside)))[-_MOST_PLACES:],
        taught=tuple(dict.fromkeys((*new.taught, utterance)))[-_MOST_PLACES:],
        named=new.named or named,
    )
    return (*kept, new)[-MOST_LESSONS:]


def walked(known: Lessons, undone: Collection[int], redone: Collection[int]) -> Lessons:
    """The lessons after some utterances were undone and others brought back."""
    if not any(set(x.taught) & {*undone, *redone} for x in known):
        return known
    return tuple(
        replace(
            x,
            withdrawn=tuple(
                n for n in x.taught if n in undone or n in x.withdrawn and n not in redone
            ),
        )
        for x in known
    )


def forgotten(known: Lessons, gone: Sequence[Lesson]) -> Lessons:
    """Without some, and without what else the same words were taken for."""
    keys = {_key(lesson.heard) for lesson in gone}
    return tuple(x for x in known if _key(x.heard) not in keys)


def found(
    known: Lessons, words: Sequence[str], before: str, after: str = ""
) -> Iterator[tuple[int, Lesson, str, str]]:
    """(where, lesson, word before, word after) of what lessons say about words; longest first."""
    if not known:
        return
    by_key = {_key(lesson.heard): lesson for lesson in known if lesson.count}
    longest = max(map(len, by_key), default=0)
    i = 0
    while i < len(words):
        for size in range(min(longest, len(words) - i), 0, -1):
            lesson = by_key.get(_key(words[i : i + size]))
            if lesson is not None:
                left = words[i - 1] if i else before
                right = words[i + size] if i + size < len(words) else after
                yield i, lesson, left, right
                i += size - 1
                break
        i += 1


def _key(words: Sequence[str]) -> Said:
    return tuple(plain(w) for w in words)
