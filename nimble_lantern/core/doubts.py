"""Words that the recogniser was unsure of: an anchor each, as long as the word stands there.

A doubt goes when its word is changed or kept; it never reaches an exported text.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Sequence

from nimble_lantern.core.document.edits import Edit, pin, unpin
from nimble_lantern.core.document.model import Anchor, Document, Range
from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.reading.hearing import Hearing
from nimble_lantern.core.targets.words import places

DOUBT = "doubt"
_WRITTEN = ("script", "prompter")
"""Sources whose doubts somebody wrote down."""
_LEAST_SURE = {"script": 0.45, "prompter": 0.45, "model": 0.45}
_LEAST_SURE_ELSE = 0.1
"""The posterior under which a word is shown as doubted, for each engine on its own scale.

On 3,200 words of sentences in five synthetic voices that is one word in thirteen: of the built-in
engine's half are wrong (at 0.45 every third would be dotted), of the larger model's a quarter.
"""
Doubted = tuple[tuple[str, int], ...]
"""Words, each with how many times it was said before in the same utterance."""


def doubted(hearing: Hearing) -> Doubted:
    """The doubted words of a hearing; little ones only where a script says so."""
    said: Counter[str] = Counter()
    least = _LEAST_SURE.get(hearing.source, _LEAST_SURE_ELSE)
    found = []
    for word in hearing.hypotheses[0].words if hearing.hypotheses else ():
        telling = word.text not in LITTLE or hearing.source in _WRITTEN
        if word.confidence < least and telling:
            found.append((word.text, said[word.text]))
        said[word.text] += 1
    return tuple(found)


def marked(document: Document, r: Range, words: Doubted) -> Edit:
    """Pin a doubt on each of these words where they stand in a range."""
    edit, now = Edit(), document
    for word, before in words:
        found = places(now, (word,), r)
        if before < len(found):
            step = pin(now, DOUBT, found[before], word=now.text(found[before]))
            edit, now = edit.then(step), step.apply(now)
    return edit


def doubts(document: Document) -> list[tuple[Anchor, Range]]:
    """The doubts that still stand, in the order of the text."""
    found = [(a, r) for a, r in document.anchored(DOUBT) if document.text(r) == a.data.get("word")]
    return sorted(found, key=lambda pair: pair[1])


def kept(document: Document, ranges: Sequence[Range] | None = None) -> Edit:
    """Believe the doubted words in some ranges, or all of them."""
    return unpin(a for a, r in doubts(document) if ranges is None or _within(r, ranges))


def _within(r: Range, ranges: Iterable[Range]) -> bool:
    return any(other.start <= r.start and r.end <= other.end for other in ranges)
