"""The text below a heading, told by that heading alone: "read monday"."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands import aloud, deleting, inserting
from nimble_lantern.core.commands.inserted import plain_words
from nimble_lantern.core.commands.when import is_found
from nimble_lantern.core.document.model import Kind
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, command
from nimble_lantern.core.lexicon.closed import OWNERS
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, Unit


def _told(sitting: Sitting, parse: Parse) -> bool:
    """Words that are told; "put your name at the end of monday" tells none."""
    text = tuple(parse.args.get("text", ("your",)))
    return text[0] not in OWNERS and is_found(sitting, parse) and plain_words(sitting, parse)


@command(
    "read [me] [(out | aloud | back)] {target:under_it}",
    "what (have | did) (i | we) (said | say | written | write | put) (in | under | on)"
    " {target:under_it}",
    "how (does | did) {target:under_it} (start | begin | end | finish | go)",
    heard=0,
    example="read costs",
    group="reading",
    when=is_found,
)
def read(sitting: Sitting, target: Places) -> Done | Refusal:
    """Read aloud what stands below a heading."""
    return aloud.read(sitting, target)


@command(
    "how many (words | lines) (are there | are | do i have) (in | under | on) {target:under_it}",
    "how (long | many words) is {target:under_it}",
    "(count the words | word count) (in | of | for | under) {target:under_it}",
    heard=0,
    example="count the words in costs",
    group="reading",
    when=is_found,
)
def count(sitting: Sitting, target: Places) -> Done:
    """Count the words below a heading."""
    return aloud.count(sitting, target)


@command(
    "(at | to | on) {inner} of {target:under_it} (insert | put | add | write | say) {text}",
    "(insert | put | add | write | type) {text:words} (at | to | on) {inner} of {target:under_it}",
    "(insert | put | add | write) (at | to | on) {inner} of {target:under_it} {text}",
    heard=0,
    example="at the end of costs put ask the builder",
    group="revising",
    when=_told,
)
def insert(
    sitting: Sitting, text: tuple[str, ...], target: Places, inner: bool = False
) -> Done | Refusal:
    """Put words in at the start or the end of what stands below a heading.  A list gets an item."""
    b = (target.first.start if inner else target.first.end).block
    block, edge = sitting.document.blocks[b], Places((block_range(sitting.document, b),))
    if block.kind is Kind.ITEM:
        edge = replace(edge, unit=Unit.ITEM)
        put_in = inserting.insert_before if inner else inserting.insert_after
        return put_in(sitting, text, edge)
    if block.cell is not None:
        return Refusal("A table stands there.", "", "“Add a row” writes into it.")
    return inserting.insert_inside(sitting, text, replace(edge, unit=Unit.PARAGRAPH), inner)


@command(
    "(clear | empty | wipe) {target:under_it} [but (leave | keep) the heading]",
    heard=0,
    example="clear costs but keep the heading",
    group="revising",
    destructive=True,
    when=is_found,
)
def clear(sitting: Sitting, target: Places) -> Done:
    """Delete what stands below a heading; the heading stays."""
    return deleting.delete(sitting, target)
