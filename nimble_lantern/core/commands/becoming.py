"""When a part of the page is said to become other words, and when something is said of it."""

from __future__ import annotations

from rapidfuzz import fuzz

from nimble_lantern.core.commands.instead import (
    a_look,
    a_way_to_be,
    becomes,
    by_letters,
    in_a_cell,
    of_its_sort,
    words_there,
)
from nimble_lantern.core.document.model import Kind
from nimble_lantern.core.document.units import is_a_heading
from nimble_lantern.core.grammar.catalogue import Parse
from nimble_lantern.core.lexicon.closed import (
    AUXILIARIES,
    DETERMINERS,
    LITTLE,
    PREPOSITIONS,
    SUBJECT_PRONOUNS,
)
from nimble_lantern.core.lexicon.desk import PARTS, TRADE_NOUNS
from nimble_lantern.core.lexicon.manners import JUDGED
from nimble_lantern.core.lexicon.sentences import CLOSINGS, VERBS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.alike import of_one_kind
from nimble_lantern.core.targets.model import (
    Beside,
    Holding,
    One,
    Order,
    Places,
    Unit,
    Units,
    Words,
    as_things,
    of_the_page,
    unit_named,
)
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.targets.words import exact, normal, places

_FEW_WORDS = 3


def nearly_the_same(sitting: Sitting, parse: Parse) -> bool:
    """ "Dear mr okafor to dear mrs okafor", of words that stand there once."""
    target, new = parse.args.get("target"), tuple(parse.args.get("text", ()))
    old = target.words if isinstance(target, Words) else ()
    same = sum(a == b for a, b in zip(old, new, strict=False))
    alike = len(old) == len(new) > _FEW_ALIKE and same * 2 >= len(old)
    return alike and len(places(sitting.document, old)) == 1


_FEW_ALIKE = 2
_LINKS = ("with", "by", "to", "into", "for")


def keeps_its_link(sitting: Sitting, parse: Parse) -> bool:
    """Whether the word between the old words and the new ones is no part of either: "replace stand
    by with wait", where "stand by" stands, has no "with wait" in it."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    if not isinstance(target, Words) or len(text) < _FEW_ALIKE or text[0] not in _LINKS:
        return True
    return not any(exact(sitting.document, (*target.words, link)) for link in _LINKS)


def of_a_part(sitting: Sitting, parse: Parse) -> bool:
    """ "The last sentence should be we waited": of a part that is less than all of the text."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    whole = isinstance(target, Units) and target.unit is Unit.DOCUMENT
    clause = bool(set(text) & (VERBS | SUBJECT_PRONOUNS)) or len(text) > _FEW_WORDS
    if of_a_told_line(sitting, parse):
        return False
    told = isinstance(target, One) or isinstance(target, Units) and target.order is not Order.THIS
    return told and not whole and clause and not set(text[:1]) & SAID_OF_IT


def of_a_part_or_sort(sitting: Sitting, parse: Parse) -> bool:
    """The same, or what is called by its sort: "the date should be the tenth"."""
    return of_its_sort(sitting, parse) or of_a_part(sitting, parse)


def within_a_told_part(sitting: Sitting, parse: Parse) -> bool:
    """ "Pocket should be coat in the last line": nobody tells of things by their line."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    if not isinstance(target, Words) or not of_the_page(target.of):
        return False
    if as_things(target) and text[:1] and text[0] not in DETERMINERS:
        return False  # "in the first paragraph the sea should be calm"
    few = 0 < len(text) <= max(len(target.words), _FEW_WORDS)
    tells = len(text) > 1 and set(text) & (VERBS | SUBJECT_PRONOUNS)
    return few and not tells and not set(text) & PARTS


def of_a_told_sentence(sitting: Sitting, parse: Parse) -> bool:
    """ "Make the second sentence I could not put it down": who does what is told."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    sentence = isinstance(target, Units) and target.unit in (Unit.SENTENCE, Unit.PARAGRAPH)
    tells = text[0] in SUBJECT_PRONOUNS - {"it"}
    return sentence and tells and of_a_part(sitting, parse)


def of_a_line(sitting: Sitting, parse: Parse) -> bool:
    """ "Make item two brown rice", "make the heading jobs for june"; "make item two bold"."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    unit = _unit(sitting, target)
    here = isinstance(target, Units) and target.order is Order.THIS and unit is not Unit.HEADING
    if isinstance(target, Units) and target.order is Order.EVERY:
        return False  # "make the headings match"
    return not here and _of_a_line(unit, text) and not set(text) & PARTS


def of_a_told_line(sitting: Sitting, parse: Parse) -> bool:
    """ "Item two should be order logs"; "item two should be shorter" is thought of it."""
    target = parse.args.get("target")
    told = isinstance(target, Units | One) and target.order is not Order.THIS
    return told and of_a_line(sitting, parse)


def of_a_whole_item(sitting: Sitting, parse: Parse) -> bool:
    """ "A piano should be an organ", where an item of a list says "a piano"."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    if not isinstance(target, Words) or not 0 < len(text) <= _FEW_WORDS:
        return False
    found = exact(sitting.document, target.words)
    if len(found) != 1:
        return False
    block = sitting.document.blocks[found[0].start.block]
    whole = sitting.document.text(found[0]) == block.text.rstrip(".,;")
    whole = whole and block.kind is Kind.ITEM
    return whole and _of_a_line(Unit.ITEM, text) and not {*text} & VERBS


def of_a_heading(sitting: Sitting, parse: Parse) -> bool:
    """ "Rename the title to setting sail"."""
    target = parse.args.get("target")
    if isinstance(target, Words):
        # "Rename money to accounts", where a heading says no more than that.
        found = exact(sitting.document, target.words)
        return len(found) == 1 and is_a_heading(sitting.document, found[0])
    named = isinstance(target, Holding) and target.unit is Unit.HEADING
    return named or _unit(sitting, target) is Unit.HEADING


def _unit(sitting: Sitting, target: object) -> Unit | None:
    if isinstance(target, One):
        found = resolve(target, sitting)
        return found.unit if isinstance(found, Places) else None
    return target.unit if isinstance(target, Units) else None


def _of_a_line(unit: Unit | None, text: tuple[str, ...]) -> bool:
    """What an item, a heading or a cell says may be a word or two: "item two should be rice"."""
    if unit not in (Unit.ITEM, Unit.HEADING, Unit.CELL) or not text:
        return False
    how = text[0] in JUDGED or _a_look_of_it(text) or len(text) == 1 and text[0].endswith(_HOW_IT)
    return not how and not a_way_to_be_said(text)


def _a_look_of_it(text: tuple[str, ...]) -> bool:
    """ "Bigger and green", of which a part alone is a look."""
    parts = (tuple(part.split()) for part in " ".join(text).split(" and "))
    ends = text[-1:] != text and a_look(text[-2:])  # "urgent in red"
    return ends or any(part and a_look(part) for part in parts) or not TRADE_NOUNS.isdisjoint(text)


_HOW_IT = ("er", "ed", "ing")
SAID_OF_IT = frozenset("about of for in on at to not kept left sent read written".split())
"""After "should be", they say something of a sentence and are none."""


def of_a_told_part(sitting: Sitting, parse: Parse) -> bool:
    """ "Good news instead of the last two words": no sentence speaks of such a part."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    told = isinstance(target, Holding) or isinstance(target, Units) and target.order != Order.THIS
    few = len(text) <= _FEW_WORDS and not set(text) & (VERBS | SUBJECT_PRONOUNS | PARTS)
    return told and few and not becomes(target, text)


def of_words_told(sitting: Sitting, parse: Parse) -> bool:
    """ "The last word should be hut", "the first two should be to": words for words.

    "The last word should be longer" is thought of it.
    """
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    unit = target.unit if isinstance(target, Units | Beside) else None
    ordered = isinstance(target, Words) and (target.order is not None or target.called)
    told = unit is Unit.WORD and not (isinstance(target, Units) and target.order is Order.THIS)
    judged = text[:1] and (text[0] in JUDGED or text[0].endswith(("er", "ed", "ing")))
    if not (told or ordered) or not 0 < len(text) <= _FEW_WORDS or judged:
        return False
    return not a_way_to_be_said(text)


def a_way_to_be_said(text: tuple[str, ...]) -> bool:
    """ "Bold", "at the top"; "our" and "the" are words."""
    return len(text) > 1 and a_way_to_be(text) or a_look(text) or text[-1] in _HOW


_HOW = frozenset("gone out last first away here there right wrong better different".split())


def one_not_another(sitting: Sitting, parse: Parse) -> bool:
    """ "Say red not blue"; "say it is not blue" and "put it on not off" deny."""
    new = tuple(parse.args.get("text", ()))
    denies = not new or new[-1] in AUXILIARIES | PREPOSITIONS
    begins = new[:1] and new[0] in SUBJECT_PRONOUNS | PREPOSITIONS
    return not denies and not begins and words_there(sitting, parse)


def for_a_reason(sitting: Sitting, parse: Parse) -> bool:
    """ "Ida can't come so put Ruth instead", of a list or a table: one name for another, one day
    for another; a letter may well tell somebody so."""
    target, why, text = (parse.args.get(slot, ()) for slot in ("target", "why", "text"))
    if not isinstance(target, Words) or not why or why[0] not in AUXILIARIES | VERBS:
        return False
    told = len(why) <= _LONGEST_REASON and not SUBJECT_PRONOUNS.intersection(text)
    there = exact(sitting.document, target.words)
    blocks = sitting.document.blocks
    listed = all(blocks[r.start.block].kind in (Kind.CELL, Kind.ITEM) for r in there)
    return told and of_one_kind(target.words, text) and bool(there) and listed


_LONGEST_REASON = 6


def spelt(sitting: Sitting, parse: Parse) -> bool:
    """ "Matilda is spelt mathilda", or by its letters: another spelling looks nearly the same."""
    if by_letters(sitting, parse):
        return True
    target, text = parse.args.get("target"), parse.args.get("text", ())
    if not isinstance(target, Words) or len(target.words) != len(text):
        return False
    pairs = zip(target.words, text, strict=True)
    return target.words != text and all(fuzz.ratio(a, b) >= _SPELT_ALIKE for a, b in pairs)


_SPELT_ALIKE = 60.0


def not_the_old_one(sitting: Sitting, parse: Parse) -> bool:
    """ "The first word should be they not we", where it is "we"."""
    target, old = parse.args.get("target"), tuple(parse.args.get("was", ()))
    found = resolve(target, sitting) if target and of_the_page(target) else None
    if not isinstance(found, Places) or len(found.ranges) != 1:
        return False
    said = normal(sitting.document.text(found.first).split())
    return normal(old) == tuple(word.strip(".,;:!?") for word in said)


def of_a_told_heading(sitting: Sitting, parse: Parse) -> bool:
    """ "The concert heading should be christmas concert"; "should be bold" tells a look."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    heading = isinstance(target, Holding) and target.unit is Unit.HEADING
    return heading and bool(text) and not a_look(text) and not becomes(target, text)


def closes_a_letter(sitting: Sitting, parse: Parse) -> bool:
    """ "Finish with kind regards", of a letter that is closed otherwise."""
    text = tuple(parse.args.get("text", ()))
    found = resolve(parse.args["target"], sitting)
    return text in CLOSINGS and isinstance(found, Places)


def of_a_closing(sitting: Sitting, parse: Parse) -> bool:
    """ "Make yours sincerely kind regards"."""
    target, text = parse.args.get("target"), tuple(parse.args.get("text", ()))
    return isinstance(target, Words) and {target.words, text} <= set(CLOSINGS)


def told_of_a_cell(sitting: Sitting, parse: Parse) -> bool:
    """ "Ada is the cox of swift", in a table; a clause of more words tells of something else."""
    text = tuple(parse.args.get("text", ()))
    few = 0 < len(text) <= _A_NAME and not set(text) & (VERBS | SUBJECT_PRONOUNS | LITTLE)
    return few and in_a_cell(sitting, parse)


_A_NAME = 2


def names_a_heading(sitting: Sitting, parse: Parse) -> bool:
    """ "Rename the crew heading to people", which keeps its section."""
    return unit_named(parse.args.get("target")) is Unit.HEADING
