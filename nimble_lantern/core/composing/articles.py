"""The article before words that a revision brought there: "a camera", and "an old camera"."""

from __future__ import annotations

import re
from dataclasses import replace

from nimble_lantern.core.composing.placing import Wrote
from nimble_lantern.core.document.edits import Edit, Splice
from nimble_lantern.core.document.model import Document, Piece, Position, Range
from nimble_lantern.core.mending.phones import VOWELS, phones
from nimble_lantern.core.writing.capitals import starts_sentence

_ARTICLE = re.compile(r"(?:^|(?<=[\s(“‘]))(an?|An?) $")
_WORD = re.compile(r"[“‘(]?(\w[\w’'-]*)")
_SAID_AS_VOWELS = frozenset("AEFHILMNORSX")
"""Letters whose names begin with a vowel: "an MP"."""
_ELEVEN_OR_EIGHTEEN = re.compile(r"1[18](?:,?\d{3})*(?![\d,])")
"""Or so many thousands: "an 11-year-old", "an 18,000", and "a 110"."""


def agreement(document: Document, at: Position) -> Edit:
    """ "A" or "an" right before a place, as the word asks for that stands behind it now.

    A word that the pronouncing dictionary does not have leaves the article as it is.
    """
    block = document.blocks[at.block]
    begin = len(block.text) - len(block.text[at.offset :].lstrip(" "))
    article, word = _ARTICLE.search(block.text[:begin]), _WORD.match(block.text, begin)
    if article is None or word is None:
        return Edit()
    start, end = article.start(1), article.end(1)
    if block.text[start].isupper() and not starts_sentence(block.text[:start]):
        return Edit()  # "plan A"
    vowel = _begins_with_a_vowel(word[1])
    wanted = block.text[start] + ("n" if vowel else "")
    if vowel is None or wanted == article[1]:
        return Edit()
    marks = ((s.mark, s.value) for s in block.marks_at(start))
    return Edit((Splice(at.block, start, end, Piece(wanted).marked(marks)),))


def _begins_with_a_vowel(word: str) -> bool | None:
    """Whether a word is said with a vowel first; None where nothing tells."""
    if word[0].isdigit():
        return word.startswith("8") or _ELEVEN_OR_EIGHTEEN.match(word) is not None
    if len(word) > 1 and word.isupper():
        return word[0] in _SAID_AS_VOWELS
    said = phones(re.split(r"[’'-]", word)[0].lower())
    return said[0] in VOWELS if said and len(word) > 1 else None


def in_agreement(wrote: Wrote) -> Wrote:
    """What was written, with the article before it as it asks for."""
    b, start = wrote.range.start
    edit = agreement(wrote.sitting.document, wrote.range.start)
    if not edit.steps:
        return wrote
    after = wrote.sitting.edited(edit)
    more = len(after.document.blocks[b].text) - len(wrote.sitting.document.blocks[b].text)
    end = wrote.range.end
    moved = end._replace(offset=end.offset + more) if end.block == b else end
    return replace(wrote, sitting=after, range=Range(Position(b, start + more), moved))
