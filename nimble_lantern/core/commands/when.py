"""When a way to say something counts: by what its target is called, and by what was just done."""

from __future__ import annotations

from nimble_lantern.core.document.model import Kind, Range
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Command, Parse
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import (
    Holding,
    Places,
    Tabled,
    That,
    Unit,
    Units,
    Words,
    as_things,
    of_a_grid,
    of_the_page,
    unit_named,
)
from nimble_lantern.core.targets.ones import numbered_alone
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.targets.words import exact, places


def last_command(sitting: Sitting) -> Command | None:
    """The command that the last utterance was; None for text."""
    last = sitting.trail[-1].command if sitting.trail else None
    return CATALOGUE.commands.get(last or "")


def just_made(sitting: Sitting, parse: Parse) -> bool:
    """ "In its own paragraph", of what the last utterance wrote or changed."""
    return bool(sitting.that) and bool(sitting.trail) and bool(sitting.trail[-1].made)


def names_a_part(sitting: Sitting, parse: Parse) -> bool:
    """Of the page, and of nothing in the world: "strike the last word", but "strike the bell"; "a
    copy of the last sentence", but "a copy of the lease"; "the first line is a heading"."""
    return of_the_page(parse.args.get("target"))


def names_a_block(sitting: Sitting, parse: Parse) -> bool:
    """A part that a paragraph may stand above or below: "under the title", "above the table"; "put
    the date before monday" has words to write."""
    target = parse.args.get("target")
    table = isinstance(target, Units) and target.unit is Unit.TABLE
    return of_the_page(target) and (table or not of_a_grid(target))


def begins_a_line(sitting: Sitting, r: Range) -> bool:
    """Whether a range stands at the start of a paragraph, or behind a line break in it."""
    before = sitting.document.blocks[r.start.block].text[: r.start.offset]
    return not before or before.endswith("\n")


def beside_a_line(sitting: Sitting, parse: Parse) -> bool:
    """A part of the page, or words that one of its lines begins with: "above dear sir"."""
    if names_a_block(sitting, parse):
        return True
    target = parse.args.get("target")
    found = resolve(target, sitting) if isinstance(target, Words) else None
    return isinstance(found, Places) and all(begins_a_line(sitting, r) for r in found.ranges)


def begins_a_block(sitting: Sitting, parse: Parse) -> bool:
    """ "Above we agreed", where that begins the only paragraph in which it stands."""
    target = parse.args.get("target")
    if not isinstance(target, Words) or target.order is not None or target.of is not None:
        return False
    places = exact(sitting.document, target.words)
    return len(places) == 1 and places[0].start.offset == 0


def stands_here(sitting: Sitting, parse: Parse) -> bool:
    """Words of the page: "is Adler in here"; "is it in here" may be asked of somebody."""
    target = parse.args.get("target")
    return isinstance(target, Words) and isinstance(resolve(target, sitting), Places)


def stands_here_or_part(sitting: Sitting, parse: Parse) -> bool:
    """The same, or a part of the page: "heron should be plural"."""
    return stands_here(sitting, parse) or names_a_part(sitting, parse)


def names_no_thing(sitting: Sitting, parse: Parse) -> bool:
    """Not as things are called: "a small letter for visitors" is asked of the page, "a small letter
    for the board" is sent to it."""
    return not as_things(parse.args.get("target"))


def in_an_item(sitting: Sitting, parse: Parse) -> bool:
    """ "Sort them", "swap one and three", where the writing place is in a list."""
    here = sitting.document.blocks[sitting.writing_place.block]
    return here.kind is Kind.ITEM and sitting.selection is None


def numbers_items(sitting: Sitting, parse: Parse) -> bool:
    """The same, or the only list of the page has numbers: "swap one and three"."""
    return in_an_item(sitting, parse) or numbered_alone(sitting.document)


def is_selected(sitting: Sitting, parse: Parse) -> bool:
    """Something is selected, and what may else be a sentence is said of it: "all in capitals"."""
    return sitting.selection is not None or sitting.holds


def there_is_a_list(sitting: Sitting, parse: Parse) -> bool:
    return any(block.kind is Kind.ITEM for block in sitting.document.blocks)


def names_a_list(sitting: Sitting, parse: Parse) -> bool:
    """ "What's on the list"."""
    target = parse.args.get("target")
    return isinstance(target, Units) and target.unit is Unit.LIST


def is_found(sitting: Sitting, parse: Parse) -> bool:
    """ "Who is the cox of the otter", where a cell says it; "what we said about cleaning"."""
    return isinstance(resolve(parse.args["target"], sitting), Places)


def of_no_table(sitting: Sitting, parse: Parse) -> bool:
    """A table becomes text in its own way, and "the numbers under length" are what cells say."""
    target = parse.args.get("target")
    if isinstance(target, Words):
        found = resolve(target, sitting)
        blocks = sitting.document.blocks
        return not isinstance(found, Places) or blocks[found.first.start.block].cell is None
    return not isinstance(target, Tabled) and unit_named(target) is not Unit.TABLE


def just_dictated(sitting: Sitting) -> bool:
    """Whether the last utterance was written, and stands there: "that" is what it says."""
    last = sitting.trail[-1] if sitting.trail else None
    return last is not None and last.read_as is ReadAs.TEXT and bool(sitting.that)


def in_what_was_dictated(sitting: Sitting, parse: Parse) -> bool:
    """Words that stand once in what was just dictated: "scratch tuesday"; "scratch the paint" may
    be said of that thing."""
    target = parse.args.get("target")
    if not just_dictated(sitting) or not isinstance(target, Words) or len(sitting.that) != 1:
        return False
    if as_things(target):
        return False
    return len(places(sitting.document, target.words, sitting.that[0])) == 1


def after_a_command(sitting: Sitting, parse: Parse) -> bool:
    """ "Read it", of what is selected or right after something was done; it is no word then."""
    last = sitting.trail[-1:]
    return is_selected(sitting, parse) or bool(last) and last[0].read_as is ReadAs.COMMAND


def over(sitting: Sitting, parse: Parse) -> bool:
    """ "Let's hear it", where a sentence has ended or something was done."""
    place, written = sitting.writing_place, not sitting.document.whole.empty
    left = sitting.document.blocks[place.block].text[: place.offset].rstrip()
    begun = not sitting.trail or left[-1:] in (*".?!:", "")
    return written and (begun or after_a_command(sitting, parse))


def to_be_read(sitting: Sitting, parse: Parse) -> bool:
    """ "Read the last paragraph" is asked of the desk; "read the log" may be said in a letter."""
    target = parse.args.get("target")
    if isinstance(target, That):
        return sitting.selection is not None
    return isinstance(target, Words) or of_the_page(target)


def plainly_read(sitting: Sitting, parse: Parse) -> bool:
    target = parse.args.get("target")
    words = isinstance(target, Words) and not of_the_page(target)
    return to_be_read(sitting, parse) and not words


def of_prose(sitting: Sitting, parse: Parse) -> bool:
    """ "Say the last sentence" aloud; "say the word ferry" may be about to be followed by more."""
    return isinstance(parse.args.get("target"), Units | Holding) and plainly_read(sitting, parse)
