"""Dictated words, written at the writing place."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.composing.articles import in_agreement
from nimble_lantern.core.composing.beside import small_behind
from nimble_lantern.core.composing.closing import begins_behind, written_over
from nimble_lantern.core.composing.letters import on_its_own_line
from nimble_lantern.core.composing.placing import Wrote, manner_for, place_at, put
from nimble_lantern.core.composing.replacing import replace_range
from nimble_lantern.core.document.edits import (
    Edit,
    Splice,
)
from nimble_lantern.core.document.model import (
    Kind,
    Piece,
    Position,
)
from nimble_lantern.core.document.units import dated
from nimble_lantern.core.lexicon.closed import PREPOSITIONS, SUBJECT_PRONOUNS
from nimble_lantern.core.lexicon.sentences import CONTINUES, NEEDS_COMMA, SUBORDINATE
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.writing.capitals import starts_sentence
from nimble_lantern.core.writing.lexer import BREAKS, mark_named
from nimble_lantern.core.writing.punctuation import has_verb, is_a_retort
from nimble_lantern.core.writing.writer import write

LONG_PAUSE = 2.5
"""Seconds of silence after which a new utterance never goes on with the sentence before."""


def compose(
    sitting: Sitting, words: Sequence[str], pauses: frozenset[int] = frozenset(), pause: float = 0.0
) -> Wrote:
    """Write dictated words where they belong: over the fresh selection, else the writing place.

    `pauses` are the counts of words after which the speaker paused, `pause` the seconds before.
    """
    if sitting.selection and sitting.fresh and not sitting.selection.empty:
        return replace_range(sitting, sitting.selection, words)
    if _below_a_heading(sitting, words, pause) or on_its_own_line(sitting, words):
        words = (*_NEW, *words)
        marked = sitting.settings.auto_punctuation
        moved = frozenset(count + len(_NEW) for count in pauses)
        return _composed(sitting, words, moved if marked else None, continues=False, breaks=True)
    if sitting.settings.auto_punctuation and words and sitting.insertion is None:
        return _compose_marked(sitting, words, pauses, pause)
    return _composed(sitting, words, None, continues=False)


def on_a_new_line(sitting: Sitting, words: Sequence[str] = ()) -> Wrote:
    """Begin a paragraph, whatever the line before it ends with, and write words in it."""
    marked = sitting.settings.auto_punctuation and words
    pauses = frozenset[int]() if marked else None
    return _composed(sitting, (*_NEW, *words), pauses, continues=False, breaks=True)


def _below_a_heading(sitting: Sitting, words: Sequence[str], pause: float) -> bool:
    """Whether words begin what stands below a heading that was just said, or a date that was just
    put there, and are none of it.

    Marks belong to it, what breaks it says so itself, and "and" and its like go on with it.
    """
    if sitting.insertion is not None or sitting.headed != sitting.caret or not words:
        return False
    block = sitting.document.blocks[sitting.caret.block]
    apart = block.kind is Kind.HEADING or dated(block)
    ended = apart and not block.text[sitting.caret.offset :].strip()
    said = [tuple(words[:n]) for n in range(1, _LONGEST_SIGN + 1)]
    breaks = (BREAKS.get(words, "") for words in said)
    # Another heading is told as one only where something begins.
    signs = any(b and not b.startswith("heading") for b in breaks) or any(map(mark_named, said))
    return ended and not signs and not (words[0] in CONTINUES and pause < LONG_PAUSE)


_LEADING = frozenset(
    "however also then therefore meanwhile perhaps indeed still yet now today finally again"
    " sometimes usually often maybe please".split()
)
"""Before a sentence, they are the beginning of it."""
_LONGEST_SIGN, _NEW = 3, ("new", "paragraph")


def _compose_marked(
    sitting: Sitting, words: Sequence[str], pauses: frozenset[int], pause: float
) -> Wrote:
    """With automatic punctuation; a stop put too early is taken back when the sentence goes on."""
    block = sitting.document.blocks[sitting.caret.block]
    left = block.text[: sitting.caret.offset]
    open_end = not block.text[sitting.caret.offset :].strip()
    stopped = sitting.stopped == sitting.caret and left.endswith(".")
    goes_on = words[0] in CONTINUES and not is_a_retort(words)
    if stopped and goes_on and pause < LONG_PAUSE:
        end = Position(sitting.caret.block, len(left) - 1)
        mark = Piece("," if words[0] in NEEDS_COMMA else "")
        edit = Edit((Splice(end.block, end.offset, len(left), mark),))
        sitting = sitting.edited(edit)
        return _composed(sitting, words, pauses if open_end else None, continues=True)
    if stopped and pause < LONG_PAUSE and _half_said(left, words):
        # "Although it was late", and then the main clause.
        end = Position(sitting.caret.block, len(left) - 1)
        sitting = sitting.edited(Edit((Splice(end.block, end.offset, len(left), Piece(",")),)))
        return _composed(sitting, words, pauses if open_end else None, continues=True)
    going_on = bool(left.strip()) and not starts_sentence(left)
    return _composed(sitting, words, pauses if open_end else None, continues=going_on)


_LONGEST_PLACE = 6


def _half_said(left: str, words: Sequence[str]) -> bool:
    """Whether the last sentence is a clause that waits for its main one, which words can be."""
    said = re.split(r"[.!?]\s+|\n", left.rstrip("."))[-1].lower().split()
    waits = len(said) > 1 and said[0] in SUBORDINATE and not any("," in w for w in said)
    bare = [w for w in said if w != "may"]
    placed = said and said[0] in PREPOSITIONS and len(said) <= _LONGEST_PLACE and not has_verb(bare)
    if placed and words[0] in SUBJECT_PRONOUNS and has_verb(words[:4]):
        return True  # "on the first of may", and then "we open"
    return waits and words[0] not in SUBORDINATE and not mark_named(tuple(words[:2]))


def _composed(
    sitting: Sitting,
    words: Sequence[str],
    pauses: frozenset[int] | None,
    continues: bool,
    breaks: bool = False,
) -> Wrote:
    at = sitting.insertion if sitting.insertion is not None else sitting.caret
    place = replace(place_at(sitting.document, at), capitals=sitting.capitals, continues=continues)
    # A line that is broken off may end in "that", where "that new paragraph" would be its words.
    manner = manner_for(sitting, replace(place, left="") if breaks else place, words)
    written = write(words, place, manner, pauses)
    bare = sitting.edited(written_over(sitting.document, at, written))
    if place.left or words[0] in CONTINUES or words[0] in _LEADING or written.text.endswith(","):
        # At the start of a paragraph others may be a line of their own, as a date is.
        bare = bare.edited(small_behind(bare, at, written))
    wrote = put(replace(bare, selection=None, fresh=False), at, written, sitting.typing)
    wrote = in_agreement(wrote) if place.right.strip() else wrote
    ended = begins_behind(sitting, wrote.sitting, wrote.range.end)
    after = replace(ended, capitals=written.capitals, insertion=None)
    if pauses is not None:
        after = replace(after, stopped=after.caret)
    if sitting.insertion is None:
        block = after.document.blocks[after.caret.block]
        begun = place.left == "" or after.caret.block != at.block or sitting.headed == at
        heading = block.kind is Kind.HEADING and bool(block.text.strip()) and begun
        after = replace(after, wrote=after.caret, headed=after.caret if heading else None)
    return replace(wrote, sitting=after)
