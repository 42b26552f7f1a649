"""What may be asked of a thing of the house in words of which some say nothing: to be offered.

Where every word is known, `housed` does it; here one or two may be left out, so that it is shown
with a number beside the text, and learned as a wording when it is taken.
"""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.lexicon.housed import PLAINLY, SAID, Phrase, Thing
from nimble_lantern.core.reading.housed import SKIPPED, Around, Named, has_things, named_in
from nimble_lantern.core.state import Sitting

_MOST_COST = 3 * SKIPPED
_LONGEST = 14
_MOST = 3
"""Words of an utterance, and wordings that are looked at."""
_THINGS = frozenset(Thing) - {Thing.PART, Thing.ITEM, Thing.WORDS, Thing.RUN, Thing.CHANGE}
"""What is asked of a part of the page has to be said in full: prose comes too near it."""

_TELLING = {w for thing in _THINGS for phrase in SAID[thing] for w in phrase} - LITTLE
"""Without one of these, nothing is asked."""


def nearly(sitting: Sitting, words: Sequence[str]) -> list[Phrase]:
    """The plain ways to say what may be asked, the likeliest first."""
    words = tuple(words)
    told = 2 <= len(words) <= _LONGEST and not _TELLING.isdisjoint(words)
    if not told or not has_things(sitting):
        return []
    around = Around(words, skipping=True)
    found: dict[Phrase, tuple[int, int]] = {}
    for at in named_in(sitting, words, around):
        if at.thing not in _THINGS or at.end - at.start == len(words):
            continue
        for signs, cost in around.told_of(at).items():
            plain = PLAINLY[around.kind(at.thing)].get(signs)
            if not signs or plain is None or cost > _MOST_COST:
                continue
            said = tuple(plain.format(" ".join(at.words)).split())
            rank = (cost - _told(at), at.start)
            found[said] = min(rank, found.get(said, rank))
    return sorted(found, key=lambda said: found[said])[:_MOST]


def _told(at: Named) -> int:
    """How much more likely a thing is meant that is called by more words."""
    return 2 * (at.end - at.start)
