"""What a table that is made has for headings, and where it is made."""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.commands.columns import OF_A_HEADING
from nimble_lantern.core.commands.when import names_a_block, stands_here
from nimble_lantern.core.document.edits import AddBlocks, Edit
from nimble_lantern.core.document.model import Block, Kind, Position
from nimble_lantern.core.document.tables import outside
from nimble_lantern.core.grammar.catalogue import Parse, Way, each, rule
from nimble_lantern.core.lexicon.closed import ARTICLES, AUXILIARIES, SUBJECT_PRONOUNS
from nimble_lantern.core.lexicon.desk import PARTS
from nimble_lantern.core.lexicon.sentences import VERBS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import Places, That

_MOST_HEADS, _LONGEST_HEAD, _A_PAIR = 12, 3, 2


def names_columns(sitting: Sitting, parse: Parse) -> bool:
    """ "A table with names and jobs", "of three columns stall amount and who": as many names as
    columns, or several short ones, and no sentence of a table that stands in a room."""
    names = tuple(parse.args.get("names", ()))
    return VERBS.isdisjoint(names) and names_headings(sitting, parse)


def names_headings(sitting: Sitting, parse: Parse) -> bool:
    """ "With the headings who and brings and when": called headings, they may be any words."""
    names = tuple(parse.args.get("names", ()))
    heads, columns = headings_in(names), parse.args.get("columns")
    plain = (AUXILIARIES | SUBJECT_PRONOUNS | PARTS).isdisjoint(names)
    short = all(len(head.split()) <= _LONGEST_HEAD for head in heads)
    several = 1 < len(heads) <= _MOST_HEADS and not set(ARTICLES) & set(names)
    return plain and short and (len(heads) == columns if columns else several)


def on_an_empty_line(sitting: Sitting, parse: Parse) -> bool:
    """Or below a heading, or a sentence that is over: a table is begun there."""
    place = sitting.writing_place
    block = sitting.document.blocks[place.block]
    left, right = block.text[: place.offset].rstrip(), block.text[place.offset :].strip()
    ended = not left or left[-1] in ".?!:" or block.kind is Kind.HEADING
    return not right and ended and block.cell is None


def _usual_columns(sitting: Sitting, parse: Parse) -> bool:
    """ "A table with name plot and prize" where one is begun; "a table with cups and plates" may be
    one with legs."""
    heads = [head.lower() for head in headings_in(tuple(parse.args.get("names", ())))]
    place = sitting.writing_place
    left = sitting.document.blocks[place.block].text[: place.offset].strip()
    # Below a heading, or where nothing is written, three names are columns.
    begun = not left or sitting.headed == place
    usual = any(head in OF_A_HEADING for head in heads) or begun and len(heads) > _A_PAIR
    return usual and on_an_empty_line(sitting, parse) and names_columns(sitting, parse)


@rule("what_for", "{words}", heard=False)
def _what_for(words: tuple[str, ...]) -> bool | None:
    """ "Make a table for the tea rota": said to nobody else, in a few words."""
    return len(words) <= _LONGEST_HEAD and (VERBS | SUBJECT_PRONOUNS).isdisjoint(words) or None


def under_a_block(sitting: Sitting, parse: Parse) -> bool:
    named = "names" not in parse.args or names_columns(sitting, parse)
    that = isinstance(parse.args.get("target"), That) and bool(sitting.that)
    return named and (that or names_a_block(sitting, parse) or stands_here(sitting, parse))


_MAKE = "(make | create | draw [up] | start | begin | set (up | out) | lay out) [me] [a] [new]"
"""Verbs of a page; "i'd like a table with flowers and candles" is asked of a host."""
MADE_OTHERWISE = (
    *each(
        on_an_empty_line,
        "[a] table (with | of) {columns:number} (columns | column)",
        f"{_MAKE} table for [(the | a | our | my)] {{what_for}}",
    ),
    *each(
        names_columns,
        "[<make_table>] [a] table [<placed_here>] <having> {columns:number} columns [(called |"
        " named | for | headed | being | with the headings)] {names:words}",
        f"{_MAKE} table [<placed_here>] (with | for | of | showing) {{names:words}}",
        "<make_table> {columns:number} column table [(for | with | of)] {names:words}",
        f"{_MAKE} table [<placed_here>] with {{names:words}} (at | across | along) the top",
    ),
    *each(
        names_headings,
        "<make_table> table [<placed_here>] with [the] [column] (headings | headers | heads)"
        " {names:words}",
        "[a] table with [the] (columns | [column] (headings | headers)) {names:words}",
        f"{_MAKE} table [<placed_here>] headed {{names:words}}",
    ),
    Way("[a] table (with | of) {names:words}", when=_usual_columns),
    *each(
        under_a_block,
        "<make_table> table {side:beside} {target}",
        "<make_table> table {side:beside} {target} (with | for | of | showing) [(columns | the"
        " columns)] [for] {names:words}",
        "{side:beside} {target} <make_table> table",
        "{side:beside} {target} <make_table> table (with | for | of | showing) [(columns | the"
        " columns)] [for] {names:words}",
    ),
)
"""A table asked for with the names of its columns, or beside a part of the page."""


def made_room(sitting: Sitting, target: Places, side: str) -> Sitting:
    """An empty paragraph before or after the one of a target, and the writing place in it."""
    block = (target.first.start if side == "before" else target.first.end).block
    at = outside(sitting.document.blocks, block + (side == "after"))
    after = sitting.edited(Edit((AddBlocks(at, (Block(),)),)))
    return after.placed(Position(at, 0))


def headings_in(names: Sequence[str]) -> list[str]:
    """Headings parted by "and" or "comma"; before a single "and", each word is one."""
    parts: list[list[str]] = [[]]
    for word in names:
        if word in ("and", "comma"):
            parts.append([])
        else:
            parts[-1].append(word)
    if "comma" not in names and len(parts) <= 2:
        parts = [[w] for w in parts[0]] + parts[1:]
    return [" ".join(p).capitalize() for p in parts if p]
