"""Things that are said one by one: the next item of a list, the next cell of a row.

Nobody who says what to buy wants to say "next item" between "bread" and "milk".  What goes on with
an item, or may, stays in it: "and jam", "for ida", and what comes behind "two" or "a".
"""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.composing.tabling import empty_cell, rebuilt, rows_of
from nimble_lantern.core.document import units
from nimble_lantern.core.document.breaths import breaths
from nimble_lantern.core.document.model import Kind, Position, Range
from nimble_lantern.core.document.tables import table_at
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.lexicon.closed import AUXILIARIES, LITTLE, PREPOSITIONS, SUBJECT_PRONOUNS
from nimble_lantern.core.lexicon.figures import MEASURES
from nimble_lantern.core.lexicon.sentences import CONTINUES, HANGING
from nimble_lantern.core.state import Entry, Sitting
from nimble_lantern.core.writing.cardinals import NUMBER_WORDS
from nimble_lantern.core.writing.lexer import mark_named

NEXT_ITEM = ("next", "item")
"""Said before words, they begin an item with them."""
_LONGEST_SAID, _LONGEST_NEXT = 5, 6
_CLOSED = ".?!:,;"
_TELLING = AUXILIARIES | SUBJECT_PRONOUNS - {"it"}
_OF_WRITING = frozenset("new next no caps capitals all literal spell numbered bullet".split())
"""They begin what is said of the writing, and not written."""
_MOST_MENDED = 4
_MENDING = ("replacing.", "mending.", "marks.", "case.", "faces.")
_UNDOING = "history."
_OF_TABLES = "tables."
_ROWS_TOLD = frozenset("row rows by line lines".split())
"""Of a table that was asked for without them, the rows are as many as are said."""


def begins_an_item(sitting: Sitting, words: Sequence[str]) -> bool:
    """Whether words are the next thing of a list whose last item was just said in one breath:
    "bread", "milk", "two dozen eggs"."""
    if _is_another_step(sitting, words):
        return True
    said = _just_said(sitting, Kind.ITEM)
    if not said or said[-1] in NUMBER_WORDS or said[-1].isdigit():
        return False
    return _is_another(said, words)


def _is_another_step(sitting: Sitting, words: Sequence[str]) -> bool:
    """Whether a sentence is the next step of a numbered list: "stir in the flour full stop", behind
    "Beat the eggs.", which was just said; "it must be smooth full stop" goes on."""
    place = sitting.writing_place
    block, (last, _) = sitting.document.blocks[place.block], _last_writing(sitting)
    if block.kind is not Kind.ITEM or block.format.list != "numbered":
        return False
    if last is None or last.read_as is not ReadAs.TEXT or sitting.selection is not None:
        return False
    ended = block.text.endswith(".") and place.offset == len(block.text)
    alone = len(sitting.that) == 1 and sitting.that[0].end == place
    stopped = any(tuple(words[-len(stop) :]) == stop for stop in _STOPS)
    begins = words[0] not in LITTLE | CONTINUES | PREPOSITIONS | _TELLING | SUBJECT_PRONOUNS
    return ended and alone and stopped and begins


_STOPS = (("full", "stop"), ("period",))


def next_cell_for(sitting: Sitting, words: Sequence[str]) -> Sitting:
    """The sitting as words find it that are said in a row: behind a cell that was just said in one
    breath, at the next one if that is empty.

    The cells of a row are filled so from its first one on; where somebody says "next" between them,
    what is said twice stays in one.
    """
    place, blocks = sitting.writing_place, sitting.document.blocks
    b, said = place.block, _just_said(sitting, None)
    table = table_at(blocks, b) if said else None
    if table is None or not _is_another(said, words, in_a_cell=True):
        return sitting
    if b != table.last and blocks[b + 1].text:
        return sitting
    counted = said[-1] in NUMBER_WORDS or said[-1].isdigit()
    if counted and words[0] in MEASURES:
        return sitting
    texts, command, heard = _run_of_texts(sitting)
    begun = (b - table.first - (texts - 1)) % table.columns == 0
    if not begun or not command.startswith(_OF_TABLES):
        return sitting
    if b != table.last:
        return sitting.placed(Position(b + 1, 0))
    if not _ROWS_TOLD.isdisjoint(heard.lower().split()):
        return sitting
    rows = rows_of(blocks, table)
    rows.append([empty_cell(block) for block in rows[-1]])
    return rebuilt(sitting, table, rows, at=(table.rows, 0))


def _just_said(sitting: Sitting, kind: Kind | None) -> list[str]:
    """The words of an item, or of a cell, that the last utterance said, at whose end the next one
    goes; none where it is over, or cannot be."""
    place = sitting.writing_place
    document, block = sitting.document, sitting.document.blocks[place.block]
    last, mended = _last_writing(sitting)
    here = block.kind is kind if kind is not None else block.cell is not None
    if not here or last is None or last.read_as is not ReadAs.TEXT:
        return []
    if sitting.selection is not None or not block.text or place.offset != len(block.text):
        return []
    whole = units.block_range(document, place.block)
    alone = _in_one_go(sitting, whole)
    words = block.text.lower().split()
    most = _LONGEST_SAID * max(1, len(breaths(document, place.block)))
    thing = len(words) <= most and _TELLING.isdisjoint(words)
    lettered = len(words) > 1 and words[-1] == "a" and words[-2] in NUMBER_WORDS  # "one a"
    over = block.text[-1] in _CLOSED and not _stopped_by_itself(sitting, last)
    over = over or words[-1] in HANGING and not lettered
    return words if (alone or mended) and thing and not over else []


def _in_one_go(sitting: Sitting, whole: Range) -> bool:
    """Whether a block was said in one breath just now, or in such as plainly go on with it: "and
    the key"; of one that was said word by word, nobody knows where it ends."""
    document = sitting.document
    said = breaths(document, whole.start.block)
    if not said or said[0].start != whole.start or tuple(sitting.that) != (said[-1],):
        return False
    firsts = (document.text(r).lower().split()[:1] for r in said[1:])
    return all(first and first[0] in CONTINUES | PREPOSITIONS for first in firsts)


def _stopped_by_itself(sitting: Sitting, last: Entry) -> bool:
    """Whether the mark at the end was put there by automatic punctuation: nobody said it."""
    heard = last.heard.lower().split()
    said = any(mark_named(tuple(heard[-n:])) for n in (1, 2))
    return sitting.settings.auto_punctuation and not said


def _is_another(said: Sequence[str], words: Sequence[str], in_a_cell: bool = False) -> bool:
    """Whether words are a thing of their own, and do not go on with what was said, as "the brass"
    does with "polish"."""
    several = len(words) > 1  # a cell may say "who", or "no"
    goes_on = words[0] in CONTINUES | PREPOSITIONS
    goes_on = goes_on or not in_a_cell and words[0] == "the" and len(said) == 1
    goes_on = goes_on if several else words[0] in HANGING
    marked = any(mark_named(tuple(words[:n])) for n in (1, 2))
    marked = marked or several and words[0] in _OF_WRITING
    thing = len(words) <= _LONGEST_NEXT and _TELLING.isdisjoint(words)
    return thing and not goes_on and not marked


def _last_writing(sitting: Sitting) -> tuple[Entry | None, bool]:
    """The last utterance that was no mending or look of what was just said, and whether there was
    one of those since: "two dozen eggs", "make that one dozen"."""
    undone = mended = 0
    for entry in reversed(sitting.trail[-_MOST_MENDED - 1 :]):
        if (entry.command or "").startswith(_UNDOING):
            undone += 1
        elif (entry.command or "").startswith(_MENDING):
            mended += 1
        elif entry.read_as is ReadAs.TEXT and undone > 0:
            undone, mended = undone - 1, mended + 1
        else:
            return entry, mended > 0
    return None, False


def _run_of_texts(sitting: Sitting) -> tuple[int, str, str]:
    """How many utterances were written since the last other command, its name, and how it was
    said."""
    texts = 0
    for entry in reversed(sitting.trail):
        name = entry.command or ""
        if entry.read_as is ReadAs.TEXT:
            texts += 1
        elif name.startswith(_UNDOING):
            texts -= 1
        elif not name.startswith(_MENDING):
            return texts, name, entry.heard
    return texts, "", ""
