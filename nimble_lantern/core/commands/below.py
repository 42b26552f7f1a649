"""Words below a list or a table: no item and no cell takes them in."""

from __future__ import annotations

from nimble_lantern.core.commands import lists, tables
from nimble_lantern.core.commands.table_here import there_is
from nimble_lantern.core.commands.when import in_an_item, there_is_a_list
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.dictating import compose, on_a_new_line
from nimble_lantern.core.document.model import Kind, Position
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command
from nimble_lantern.core.lexicon.closed import DETERMINERS, OWNERS
from nimble_lantern.core.state import Done, Sitting

CATALOGUE.table("framed", {"(the | this) list": "list", "(the | this) table": "table"}, heard=False)
CATALOGUE.table(
    "below_it",
    {"(below | under | underneath | beneath) (that | it | this)": True},
    heard=False,
)


def _stands_there(sitting: Sitting, parse: Parse) -> bool:
    listed = parse.args.get("framed") == "list"
    if tuple(parse.args.get("text", ("",)))[0] in OWNERS:
        return False  # "write your name below the list" is asked of somebody else
    return (there_is_a_list if listed else there_is)(sitting, parse)


@command(
    "{there:below} {framed} (write | put | add | say | type) {text}",
    "(write | put | add | say | type) {there:below} {framed} {text}",
    "(write | put | add | say | type) {text:words} {there:below} {framed}",
    example="below the list write nell has the key",
    group="revising",
    when=_stands_there,
    heard=0,
)
def write(
    sitting: Sitting, text: tuple[str, ...], framed: str, there: bool = True
) -> Done | Refusal:
    """Begin a paragraph below a list or a table with these words, and go on there."""
    out = lists.end_list(sitting, there=True) if framed == "list" else tables.end(sitting)
    if isinstance(out, Refusal):
        return out
    wrote = compose(out.sitting, text)
    return Done(wrote.sitting, f"wrote {quoted(wrote.text)} below the {framed}")


def _new_words(sitting: Sitting, parse: Parse) -> bool:
    """ "Below that say Tom brings the drinks", behind something that was written or done."""
    text = tuple(parse.args.get("text", ()))
    written = bool(sitting.document.blocks[sitting.caret.block].text.strip())
    here = not sitting.that or sitting.that[-1].end.block == sitting.caret.block
    return written and here and text[0] not in OWNERS


def _few_words(sitting: Sitting, parse: Parse) -> bool:
    """ "Underneath put secretary"; "underneath put a layer of cream" is of a recipe."""
    text = tuple(parse.args.get("text", ()))
    return len(text) <= _FEW and text[0] not in DETERMINERS


_FEW = 3


@command(
    "[and] [then] {there:below_it} (write | put | add | say) {text}",
    Way("[and] [then] (underneath | beneath) (write | put) {text}", when=_few_words),
    Way(
        "(finish | end | stop | leave | close) the list and [then] (write | put | say) {text}",
        when=in_an_item,
    ),
    example="below that say nell has the key",
    group="revising",
    when=_new_words,
    heard=0,
)
def write_below(sitting: Sitting, text: tuple[str, ...], there: bool = True) -> Done:
    """Begin a paragraph with these words below the one, or the list, that is here."""
    block = sitting.document.blocks[sitting.caret.block]
    out = lists.end_list(sitting, there=True) if block.kind is Kind.ITEM else None
    if isinstance(out, Done):
        wrote = compose(out.sitting, text)
    else:
        end = Position(sitting.caret.block, len(block.text))
        wrote = on_a_new_line(sitting.placed(end), text)
    return Done(wrote.sitting, f"wrote {quoted(wrote.text.strip())} below")
