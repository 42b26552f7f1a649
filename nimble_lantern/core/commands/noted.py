"""When something is said of margin notes, and when it is a sentence that speaks of notes."""

from __future__ import annotations

from itertools import pairwise

from nimble_lantern.core.commands.note_here import NoteNamed, called, is_one, one_is_here, there_are
from nimble_lantern.core.grammar.catalogue import Parse
from nimble_lantern.core.lexicon.closed import AUXILIARIES, DETERMINERS, DULL, PREPOSITIONS
from nimble_lantern.core.lexicon.desk import PARTS
from nimble_lantern.core.reviewing.notes import Note
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Words, of_the_page
from nimble_lantern.core.targets.words import named_as_written


def whole_words(sitting: Sitting, parse: Parse) -> bool:
    """Whether the words of a target are some: "the", "the last" and "the last sentence check" are
    the beginning of another."""
    target, text = parse.args.get("target"), parse.args.get("text", ())
    if not isinstance(target, Words):
        return True
    words = target.words
    if set(text[:1]) & PARTS or set(text) <= _COURTESY or text in _LEAVING:
        return False
    if text[:1] and text[0] in AUXILIARIES and is_said_of(sitting, target.words):
        return False
    if words[-1] in DETERMINERS | PREPOSITIONS | _ORDERS or set(words) <= DULL:
        return False
    ordered = any(a in _ORDERS and b in PARTS for a, b in pairwise(words))
    return target.called or not ordered and not set(words) <= PARTS | DULL | _ORDERS


def is_said_of(sitting: Sitting, words: tuple[str, ...]) -> bool:
    """Whether there is a note so called: then "the oil store note is settled" speaks of that."""
    return isinstance(called(sitting, NoteNamed(about=words)), Note)


def words_or_part(sitting: Sitting, parse: Parse) -> bool:
    """Whether words that are noted are several, as those of a page are; a part may be one."""
    target = parse.args.get("target")
    several = isinstance(target, Words) and sum(w not in DULL for w in target.words) > 1
    return whole_words(sitting, parse) and (several or of_the_page(target))


def several_there(sitting: Sitting, parse: Parse) -> bool:
    """Whether several words are noted that stand so on the page: "a note to nell harker ..."."""
    target = parse.args.get("target")
    there = isinstance(target, Words) and named_as_written(sitting.document, target)
    return there and words_or_part(sitting, parse)


def a_word_there(sitting: Sitting, parse: Parse) -> bool:
    """ "Put a note about linnet in which key"; "a note about the tent on the door" hangs there."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    there = isinstance(target, Words) and named_as_written(sitting.document, target)
    hangs = text[:1] and text[0] in PREPOSITIONS and text[1:2] not in (("which",), ("what",))
    return bool(there and not hangs) and whole_words(sitting, parse)


_LEAVING = (("out",), ("off",), ("away",), ("gone",), ("done",))
"""Behind a note they ask for something else: "the bell note out"."""
_COURTESY = frozenset("please thanks thank you".split())
_ORDERS = frozenset("last first next previous second third this that".split())


def tells_itself(sitting: Sitting, parse: Parse) -> bool:
    """ "Make a note here check the price", and not "leave a note here for nell"."""
    first = parse.args.get("text", ("",))[0]
    return first not in PREPOSITIONS and first not in ("if", "when", "and", "or", "that", "before")


def is_said(sitting: Sitting, parse: Parse) -> bool:
    return is_said_of(sitting, tuple(parse.args.get("text", ())))


def new_words(sitting: Sitting, parse: Parse) -> bool:
    """ "Change the note to a higher one" is of music, and tells no words of a note."""
    text = tuple(parse.args.get("text", ()))
    told = parse.args.get("note") != NoteNamed()
    return there_are(sitting, parse) and (told or text[-1:] not in (("one",), ("ones",)))


def answers_it(sitting: Sitting, parse: Parse) -> bool:
    """ "Answer the note she says yes"; "answer the note from the board" is of a letter."""
    note, text = parse.args.get("note"), tuple(parse.args.get("text", ()))
    bare = note is None or note == NoteNamed()
    return is_one(sitting, parse) and not (bare and text[:1] and text[0] in PREPOSITIONS)


def replies(sitting: Sitting, parse: Parse) -> bool:
    """ "Reply the club does", right after a note; "reply by friday" goes on with a letter."""
    text = tuple(parse.args.get("text", ()))
    return one_is_here(sitting, parse) and bool(text) and text[0] not in PREPOSITIONS


def of_what_is_selected(sitting: Sitting, parse: Parse) -> bool:
    """ "Note check this", while words are selected; "note on ..." says where."""
    text = tuple(parse.args.get("text", ()))
    goes_on = not text or text[0] in PREPOSITIONS or text[0] in ("that", "how", "what")
    return sitting.selection is not None and sitting.fresh and not goes_on
