"""Which of an utterance's hypotheses was meant, after what was taught, forbidden and rejected."""

from __future__ import annotations

from nimble_lantern.core.document.model import Range
from nimble_lantern.core.mending.alternatives import rejected_at, rejecting
from nimble_lantern.core.mending.knowing import allowed, as_meant, spoken_words
from nimble_lantern.core.mending.lessons import Lessons, alike
from nimble_lantern.core.origins import utterance_at
from nimble_lantern.core.reading.hearing import Hearing
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.writing.spoken import plain

Said = tuple[str, ...]


def words_meant(sitting: Sitting, hearing: Hearing | None, words: Said) -> tuple[Said, Lessons]:
    """Dictated words as they were meant, and the lessons that say so."""
    if hearing is not None:
        words = allowed(sitting, hearing, words)
    return as_meant(sitting, words)


_MOST_MORE = 3
"""Words that may be said more in the place of what is corrected: more are the next sentence."""


def next_sentence(sitting: Sitting, words: Said) -> bool:
    """Whether words said while something is corrected leave it and go on with the letter.

    They are many; or nobody dictated what stands there, and they do not sound like it.
    """
    asked, r = sitting.question, sitting.selection
    if asked is None or not asked.corrects or r is None:
        return False
    stands = spoken_words(sitting.document.text(r))
    dictated = utterance_at(sitting.document, r.start) is not None
    many = len(words) > len(stands) + _MOST_MORE
    return many or not dictated and not alike(stands, words, corrected=True)


def said_again(sitting: Sitting, hearing: Hearing | None, r: Range, words: Said) -> Said:
    """Words said again in the place of a range; none where only what is wrong was heard again.

    Both hearings count: what stands there, or was rejected, is not what was meant this time.
    """
    stands = " ".join(spoken_words(sitting.document.text(r)))
    wrong = {plain(stands), *rejected_at(sitting.document, r)}
    if plain(" ".join(words)) not in wrong:
        return words
    others = hearing.hypotheses[1:] if hearing is not None else ()
    for other in others:
        if other.words and plain(other.text) not in wrong:
            return other.said
    return ()


def put_right(before: Sitting, r: Range, after: Sitting, now: Range, *others: str) -> Sitting:
    """After a correction: what stood at a range, and the others offered there, were not meant."""
    document = before.document
    wrong = {plain(" ".join(spoken_words(document.text(r)))), *rejected_at(document, r)}
    wrong |= {plain(other) for other in others}
    stands = plain(" ".join(spoken_words(after.document.text(now))))
    return after.edited(rejecting(after.document, now, wrong - {stands}))
