"""Words of the page that are said again with a word or two more, or with another number."""

from __future__ import annotations

from nimble_lantern.core.document.model import Document, Range
from nimble_lantern.core.grammar.catalogue import Parse
from nimble_lantern.core.lexicon.closed import LITTLE, PREPOSITIONS, SUBJECT_PRONOUNS
from nimble_lantern.core.lexicon.desk import PARTS
from nimble_lantern.core.lexicon.sentences import VERBS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.alike import kind_of
from nimble_lantern.core.targets.words import places
from nimble_lantern.core.writing.cardinals import cardinal
from nimble_lantern.core.writing.spoken import plain


def fuller(document: Document, text: tuple[str, ...]) -> Range | None:
    """The one place of the words of which some are said with a word or two more at an edge.

    "The old boat" for "the boat", or another number of the same: "three maps" for "two maps".
    """
    if len(text) > _LONGEST_FULLER or places(document, text):
        return None
    number = cardinal(text, 0)
    parts = [text[number[1] :]] if number and number[1] < len(text) else []
    if parts and (counted := _counted(document, parts[0])) is not None:
        return counted
    parts += [part for n in (1, 2) for part in (text[n:], text[:-n]) if part]
    for part in parts:
        if set(part) <= LITTLE or {part[0], part[-1]} & PREPOSITIONS:
            continue
        if found := places(document, part):
            return found[0] if len(found) == 1 else None
    return None


def _counted(document: Document, words: tuple[str, ...]) -> Range | None:
    """The only place of words behind a number, with it: "two boats" for "boats"."""
    found: list[Range] = []
    for r in places(document, words):
        left = document.blocks[r.start.block].text[: r.start.offset]
        last = left.rstrip().rpartition(" ")[2]
        if last.isdecimal() or cardinal((last.lower(),), 0):
            start = len(left.rstrip()) - len(last)
            found.append(Range(r.start._replace(offset=start), r.end))
    return found[0] if len(found) == 1 else None


_LONGEST_FULLER = 6


def plainly_fuller(sitting: Sitting, parse: Parse) -> bool:
    """ "It should say old boat", where one boat stands; "it should read thank you very much",
    where it says "thank you"."""
    text = tuple(parse.args.get("text", ()))
    if sitting.selection is not None or set(text) & PARTS:
        return False  # "it" is what is selected
    r = fuller(sitting.document, text)
    if r is None:
        return False
    there = set(map(plain, sitting.document.text(r).split()))
    return not (set(text) - there) & (VERBS | SUBJECT_PRONOUNS)


def of_another_number(sitting: Sitting, parse: Parse) -> bool:
    """ "It should be three maps", where two are; "it should be warm socks" may be a sentence."""
    text = tuple(parse.args.get("text", ()))
    if cardinal(text, 0) is None or not plainly_fuller(sitting, parse):
        return False
    r = fuller(sitting.document, text)
    assert r is not None
    first = sitting.document.text(r).split()[:1]
    before = sitting.document.blocks[r.start.block].text[: r.start.offset].split()[-1:]
    return any(kind_of((plain(word),)) == "number" for word in (*first, *before))
