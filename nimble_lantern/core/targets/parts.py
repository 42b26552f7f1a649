"""Parts of a text as people name them: by unit, order and count, or as what was just said."""

from __future__ import annotations

from typing import Any

from nimble_lantern.core.grammar.catalogue import CATALOGUE, rule
from nimble_lantern.core.lexicon.classes import CLASSES
from nimble_lantern.core.targets.model import (
    Order,
    Target,
    That,
    Under,
    Unit,
    Units,
    Words,
    of_a_grid,
    unit_named,
)

for _name, _class in CLASSES.items():
    CATALOGUE.table(_name, {_class.usual: True})
    if _class.others:
        CATALOGUE.table(_name, {_class.others: True}, heard=False)

CATALOGUE.table(
    "unit",
    {
        "(character | letter | digit)": Unit.CHARACTER,
        "word": Unit.WORD,
        "sentence": Unit.SENTENCE,
        "line": Unit.LINE,
        "paragraph": Unit.PARAGRAPH,
        "heading": Unit.HEADING,
        "([list] item | bullet [point])": Unit.ITEM,
        "[(bulleted | bullet | numbered)] list": Unit.LIST,
        "section": Unit.SECTION,
        "cell": Unit.CELL,
        "row": Unit.ROW,
        "column": Unit.COLUMN,
        "table": Unit.TABLE,
        "(document | text)": Unit.DOCUMENT,
    },
)
CATALOGUE.table(
    "units",
    {
        "(characters | letters | digits)": Unit.CHARACTER,
        "words": Unit.WORD,
        "sentences": Unit.SENTENCE,
        "lines": Unit.LINE,
        "paragraphs": Unit.PARAGRAPH,
        "headings": Unit.HEADING,
        "([list] items | bullets | bullet points)": Unit.ITEM,
        "sections": Unit.SECTION,
        "cells": Unit.CELL,
        "rows": Unit.ROW,
        "columns": Unit.COLUMN,
        "tables": Unit.TABLE,
    },
)
CATALOGUE.table(
    "unit",
    {"(para | verse | stanza)": Unit.PARAGRAPH, "question": Unit.QUESTION, "step": Unit.STEP},
    heard=False,
)
CATALOGUE.table("units", {"questions": Unit.QUESTION}, heard=False)
CATALOGUE.table(
    "units",
    {"(paras | verses | stanzas)": Unit.PARAGRAPH, "(points | entries)": Unit.ITEM},
    heard=False,
)


@rule(
    "part",
    "all [of] [the] text",
    "everything (here | there | on (the | this) page | in (the | this) (letter | document | text))",
    "the (letter | document | text) as a whole",
    heard=False,
)
@rule("part", "the whole (page | document text | letter text)", heard=False)
def _all_text() -> Units:
    return Units(Unit.DOCUMENT, Order.THIS)


@rule("whole_letter", "(the | this | my) [(whole | entire)] (letter | page)", heard=False)
@rule("all_of_it", "(it | this | that)", heard=False)
def _whole_letter() -> Units:
    return Units(Unit.DOCUMENT, Order.THIS)


@rule("part", "[the] {unit} [(right | just)] (at | on) the [very] (end | bottom)", heard=False)
def _at_the_end(unit: Unit) -> Units:
    return Units(unit, Order.FROM_END, 1, 1)


@rule(
    "part", "[the] {unit} [(right | just)] (at | on) the [very] (start | top | beginning)",
    heard=False,
)  # fmt: skip
def _at_the_start(unit: Unit) -> Units:
    return Units(unit, Order.FIRST)


@rule("part", "[the] {unit} on (the | my) [far] right", heard=False)
def _on_the_right(unit: Unit) -> Units:
    """ "The column on the right" is the outermost, and "the word on the right" the next one."""
    return Units(unit, Order.LAST if unit is Unit.COLUMN else Order.NEXT)


@rule("part", "[the] (right hand | rightmost | far right) {unit}", heard=False)
def _rightmost(unit: Unit) -> Units | None:
    return Units(unit, Order.LAST) if unit is Unit.COLUMN else None


@rule("part", "[the] (left hand | leftmost | far left) {unit}", heard=False)
def _leftmost(unit: Unit) -> Units | None:
    return Units(unit, Order.FIRST) if unit is Unit.COLUMN else None


@rule("part", "[the] {unit} on (the | my) [far] left", heard=False)
def _on_the_left(unit: Unit) -> Units:
    return Units(unit, Order.FIRST if unit is Unit.COLUMN else Order.LAST)


@rule("part", "[the] {counted} that (follow | come (after | next) | are next)", heard=False)
def _that_follow(counted: tuple[int, Unit]) -> Units:
    return Units(counted[1], Order.NEXT, counted[0])


@rule("part", "(every | each) step", "all [of] [the] steps", heard=False)
def _every_step() -> Units:
    return Units(Unit.STEP, Order.EVERY)


@rule("part", "steps {number} (to | through | until) {last:number}", heard=False)
def _steps(number: int, last: int) -> Units | None:
    return Units(Unit.STEP, Order.NTH, last - number + 1, number) if last > number else None


@rule("part", "[the] first {number} steps", heard=False)
def _first_steps(number: int) -> Units:
    return Units(Unit.STEP, Order.FIRST, number)


@rule("part", "[the] last {number} steps", heard=False)
def _last_steps(number: int) -> Units:
    return Units(Unit.STEP, Order.LAST, number)


@rule(
    "part",
    "number {number} (in | on | of) (the | this) list",
    "point [number] {number}",
    heard=False,
)
def _number_in_list(number: int) -> Units:
    return Units(Unit.ITEM, Order.NTH, 1, number)


CATALOGUE.table(
    "back", {"(last | final | latest | closing | bottom)": Order.LAST, "previous": Order.PREVIOUS}
)
CATALOGUE.table("back", {"(concluding | ending | end)": Order.LAST}, heard=False)
CATALOGUE.table("ahead", {"(beginning | initial)": Order.FIRST}, heard=False)
CATALOGUE.table("ahead", {"(next | following)": Order.NEXT, "(first | opening | top)": Order.FIRST})


@rule("order", "{way:back}", "{way:ahead}")
def _order(way: Order) -> Order:
    return way


@rule("counted_more", "{number} more {units}", heard=False)
@rule("counted_more", "{number} more {units:unit}", heard=False)
@rule("counted", "{number} more {units}", heard=False)
@rule("counted", "{number} {units:unit}", heard=False)
@rule("counted", "{number} {units}")
def _counted(units: Unit, number: int) -> tuple[int, Unit]:
    return number, units


@rule("part", "the {units}", heard=False)
def _the_units(units: Unit) -> Units:
    return Units(units, Order.EVERY, bare=True)


@rule("part", "(all | both) [of] [the | these | those] {counted}", heard=False)
def _all_counted(counted: tuple[int, Unit]) -> Units:
    return Units(counted[1], Order.EVERY)


@rule("part", "(the | those | these) {counted}", heard=False)
def _the_counted(counted: tuple[int, Unit]) -> Units | None:
    count, unit = counted
    return Units(unit, Order.LAST, count) if count > 1 else None


@rule("counted_back", "{counted}")
def _counted_back(counted: tuple[int, Unit]) -> Units | None:
    count, unit = counted
    return Units(unit, Order.LAST, count) if count > 0 else None


@rule(
    "part",
    "[the] {counted} [just] (before | behind | to the left of) (<caret> | here | me | this)",
    "[the] {counted} (back | backward | backwards | (to | on) (the | my) left)",
    heard=False,
)
def _counted_behind(counted: tuple[int, Unit]) -> Units | None:
    count, unit = counted
    return Units(unit, Order.LAST, count) if count > 0 else None


@rule(
    "part",
    "[the] {counted} (after | following | in front of | ahead of | to the right of)"
    " (<caret> | here | me)",
    "[the] {counted} (forward | forwards | ahead | (to | on) (the | my) right)",
    heard=False,
)
def _counted_ahead(counted: tuple[int, Unit]) -> Units | None:
    count, unit = counted
    return Units(unit, Order.NEXT, count) if count > 0 else None


@rule(
    "part",
    "[the] {unit} (before | behind | to the left of) (<caret> | here | me)",
    "[the] {unit} (before | to (the | my) left)",
    heard=False,
)
def _one_behind(unit: Unit) -> Units:
    return Units(unit, Order.LAST)


@rule(
    "part",
    "[the] {unit} (after | following | in front of | to the right of) (<caret> | here | me)",
    "[the] {unit} to (the | my) right",
    "[the] {unit} (that (comes | is | stands) next | ahead)",
    heard=False,
)
def _one_ahead(unit: Unit) -> Units:
    return Units(unit, Order.NEXT)


@rule(
    "part",
    "[the] {counted} (from | at) the (start | beginning | front | top) [of {of:scope}]",
    heard=False,
)
def _counted_first(counted: tuple[int, Unit], of: Target | None = None) -> Units | None:
    count, unit = counted
    return Units(unit, Order.FIRST, count, of=of) if count > 0 else None


@rule(
    "part", "[the] {counted} (from | at) the [very] (end | back | bottom) [of {of:scope}]",
    heard=False,
)  # fmt: skip
def _counted_last(counted: tuple[int, Unit], of: Target | None = None) -> Units | None:
    count, unit = counted
    return Units(unit, Order.LAST, count, of=of) if count > 0 else None


@rule("counted", "few {units}", heard=False)
def _few(units: Unit) -> tuple[int, Unit]:
    return 3, units


@rule("part", "[the] {order} {unit}")
@rule("part", "[the] very {order} {unit}", heard=False)
@rule("part", "(that | this | my) {order} {unit}", heard=False)
def _part(order: Order, unit: Unit) -> Units:
    return Units(unit, order)


@rule("part", "[the] {unit} {order}", heard=False)
def _part_behind(order: Order, unit: Unit) -> Units | None:
    """ "Paragraph last"; "the word top" is that word."""
    return Units(unit, order) if unit not in (Unit.WORD, Unit.CHARACTER) else None


@rule("part", "[the] {unit} (before (this | that) [one] | above)", heard=False)
def _before_this(unit: Unit) -> Units:
    return Units(unit, Order.PREVIOUS)


@rule("part", "[the] {unit} (after (this | that) [one] | below)", heard=False)
def _after_this(unit: Unit) -> Units:
    return Units(unit, Order.NEXT)


@rule(
    "part",
    "[the] {order} (point | entry | (one | thing | entry) (in | of | on) (the | this | my) list)",
    heard=False,
)
def _point(order: Order) -> Units:
    """ "The last point", "the first one in the list"."""
    return Units(Unit.ITEM, order)


@rule(
    "part",
    "[the] {position} (point | entry | (one | thing | entry) (in | of | on) (the | this | my)"
    " list)",
    heard=False,
)
def _nth_point(position: int) -> Units:
    return Units(Unit.ITEM, Order.NTH, 1, position)


@rule("counted_thing", "the {order} (thing | one)", heard=False)
def _a_last_thing(order: Order) -> Units:
    """ "The last thing", where a list is named beside it."""
    return Units(Unit.ITEM, order)


@rule("counted_thing", "the {position} (thing | one)", heard=False)
def _nth_thing(position: int) -> Units:
    return Units(Unit.ITEM, Order.NTH, 1, position)


@rule("part", "[the] {order} {counted}")
@rule("part", "[the] very {order} {counted}", heard=False)
@rule("part", "(those | these | my) {order} {counted}", heard=False)
def _parts(order: Order, counted: tuple[int, Unit]) -> Units | None:
    count, unit = counted
    return Units(unit, order, count) if count > 0 else None


@rule("part", "[the] {position} {unit}")
@rule("part", "(this | that) whole {position} {unit}", heard=False)
@rule("part", "[the] (whole | very) {position} {unit}", heard=False)
def _nth(position: int, unit: Unit) -> Units:
    return Units(unit, Order.NTH, 1, position)


@rule(
    "part",
    "[the] {position} (from last | last) {unit}",
    "[the] {position} {unit} (from | counting from) the [very] (end | bottom | foot | last)",
    "[the] {position} {unit} up [from the (end | bottom)]",
    "[the] {position} to last {unit}",
    heard=False,
)
def _from_end(position: int, unit: Unit) -> Units:
    return Units(unit, Order.FROM_END, 1, position)


@rule("part", "the one before the last {unit}", "the {unit} before the last [one]", heard=False)
def _before_last(unit: Unit) -> Units:
    return Units(unit, Order.FROM_END, 1, 2)


@rule("part", "[the] last {unit} but one", "[the] second last {unit}", heard=False)
@rule("part", "[the] last but one {unit}", "[the] (penultimate | next to last) {unit}", heard=False)
def _penultimate(unit: Unit) -> Units:
    return Units(unit, Order.FROM_END, 1, 2)


@rule("part", "[the] middle {unit} [of (text | prose)]", heard=False)
@rule("part", "[the] {unit} in the middle", heard=False)
def _middle(unit: Unit) -> Units:
    return Units(unit, Order.MIDDLE)


@rule("part", "{unit} [number] {number}")
def _numbered(unit: Unit, number: int) -> Units | None:
    return Units(unit, Order.NTH, 1, number) if unit is not Unit.DOCUMENT else None


@rule(
    "part",
    "{units} {a:number} (to | through | until) {b:number}",
    "{units:unit} {a:number} (to | through | until) {units:unit} {b:number}",
)
def _span_of_units(units: Unit, a: int, b: int) -> Units | None:
    return Units(units, Order.NTH, b - a + 1, a) if 0 < a < b else None


@rule("part", "{units} {a:number} and {b:number}", "{units:unit} {a:number} and {b:number}")
def _two_side_by_side(units: Unit, a: int, b: int) -> Units | None:
    return Units(units, Order.NTH, 2, a) if 0 < a == b - 1 else None


@rule("part", "[the] {a:position} (to | through) [the] {b:position} {unit}", heard=False)
def _ordinal_span(a: int, b: int, unit: Unit) -> Units | None:
    return Units(unit, Order.NTH, b - a + 1, a) if 0 < a < b else None


@rule("part", "[the] {a:position} and [the] {b:position} {unit}", heard=False)
@rule("part", "[the] {a:position} and [the] {b:position} {unit:units}", heard=False)
def _ordinal_pair(a: int, b: int, unit: Unit) -> Units | None:
    return Units(unit, Order.NTH, 2, a) if b == a + 1 else None


@rule("part", "(this | that | the current | the present) {unit}")
def _this(unit: Unit) -> Units:
    return Units(unit, Order.THIS)


@rule(
    "part",
    "[the] {unit} [that] (i am | i'm | we are | we're) (in | on | at)",
    "[the] {unit} where (i am | i'm | we are | we're | <caret> is)",
    "[the] {unit} (<caret> is in | with <caret> [in it])",
    "the {unit} (here | at <caret>)",
    heard=False,
)
def _where_i_am(unit: Unit) -> Units:
    return Units(unit, Order.THIS)


@rule("part", "(these | those) {units}", heard=False)
def _these(units: Unit) -> Units:
    return Units(units, Order.THIS)


@rule("part", "(this | that | my) whole {unit}", "all (of | in) this {unit}", heard=False)
@rule("part", "the (whole | all) of (this | that | the) {unit}", heard=False)
def _this_whole(unit: Unit) -> Units:
    return Units(unit, Order.THIS)


@rule("part", "both [the] {order} {units}", heard=False)
def _both_last(order: Order, units: Unit) -> Units:
    return Units(units, order, 2)


@rule("part", "[the] {number} {order} {units}", heard=False)
def _so_many_last(number: int, order: Order, units: Unit) -> Units | None:
    """ "The three last words"."""
    return Units(units, order, number) if number > 0 else None


@rule("part", "the {unit}")
def _the_one_here(unit: Unit) -> Units | None:
    """ "The paragraph"; "the text" may be what is selected."""
    named = unit not in (Unit.CHARACTER, Unit.WORD, Unit.DOCUMENT)
    return Units(unit, Order.THIS) if named else None


@rule("part", "[the] whole {unit}")
@rule("part", "(every bit of | all of | (the | this | my) (entire | complete | full)) {unit}",
      "(every bit of | all of) the {unit}", heard=False)  # fmt: skip
def _the(unit: Unit) -> Units | None:
    return Units(unit, Order.THIS) if unit not in (Unit.CHARACTER, Unit.WORD) else None


@rule("part", "{unit}", heard=False)
def _bare(unit: Unit) -> Units | None:
    """ "Go to start of paragraph" leaves the article out; "list" and "text" alone are words."""
    return Units(unit, Order.THIS) if unit in _SAID_BARE else None


_SAID_BARE = (Unit.PARAGRAPH, Unit.SENTENCE, Unit.LINE, Unit.HEADING)


@rule("part", "[the] (header | heading | top) row", heard=False)
def _header_row() -> Units:
    return Units(Unit.ROW, Order.FIRST)


@rule("part", "the [main] title")
@rule("part", "[this | my] [main] title", "[the] [main] title (at | on) [the] top",
       "[the | this | my] [main] headline", "[the | this | my] title line",
      "(the | my) main heading", heard=False)  # fmt: skip
def _title() -> Units:
    return Units(Unit.HEADING, Order.FIRST)


@rule("part", "(every | each | any) {unit}", "all [[of] the] {unit:units}", "both {unit:units}")
def _every(unit: Unit) -> Units:
    return Units(unit, Order.EVERY)


@rule("target", "(everything | every word | all the words) (of | in) {part}", heard=False)
def _everything_in(part: Target) -> Target | None:
    """ "Everything in the last row" is what it says, and no row."""
    return None if of_a_grid(part) else part


@rule("target", "all (of | in) {part}", heard=False)
@rule("target", "{part}", "{part:nested}", "{part:everything}", "{part:reach}")
def _target(part: Target) -> Target:
    return part


@rule("heading_part", "{target}", heard=False)
def _heading_part(target: Target) -> Target | None:
    return target if isinstance(target, Units) and target.unit is Unit.HEADING else None


@rule("nested", "{part} (of | in | on | from) {of:scope}")
@rule("nested", "{of:scope} {part}", heard=False)
def _nested(part: Units, of: Target) -> Target | None:
    same = isinstance(of, Units) and of.unit is part.unit
    if same and part.unit not in (Unit.ITEM, Unit.LIST, Unit.SECTION):
        # A paragraph stands in no paragraph.
        return None
    if part.unit is Unit.DOCUMENT:
        # "The text of the last paragraph" is that paragraph; the text in a row is no row.
        return None if of_a_grid(of) else of
    return Units(part.unit, part.order, part.count, part.n, of)


@rule("nested", "{part} (under | below | beneath | underneath) {goal:bound}", heard=False)
def _under_a_heading(part: Units, goal: Any) -> Target | None:
    """ "The first sentence under costs"; "the paragraph under it" is the one beside it."""
    if part.order is Order.THIS or part.unit in (Unit.DOCUMENT, Unit.COLUMN, Unit.ROW, Unit.CELL):
        return None
    if unit_named(goal) not in (None, Unit.HEADING):
        return None  # "copy the last sentence | below the table"
    of = Under(Words(goal) if isinstance(goal, tuple) else goal, within=True)
    return Units(part.unit, part.order, part.count, part.n, of)


@rule("scope", "{part:described}", "{part:named}", "{part:whole_letter}", heard=False)
@rule("scope", "{part}", "{part:nested}", "{part:everything}", "{part:context}")
def _scope(part: Target) -> Target:
    return part


@rule("everything", "everything", "the [whole] lot")
@rule("everything", "(the | this) (whole | entire) (document | text | thing | page | letter)")
@rule("everything", "all [of] (the | this) (document | text)", "(the | this) document")
def _everything() -> Units:
    return Units(Unit.DOCUMENT, Order.THIS)


@rule("everything", "all", "all of (it | this)", "it all", "(the | this) text")
def _all_of_it() -> Units:
    """Of what is selected, where something is."""
    return Units(Unit.DOCUMENT, Order.THIS, bare=True)


@rule("context", "(those | these | them)")
def _those() -> That:
    return That(several=True)


@rule("context", "(that | this | it)", "[the] selection", "that bit")
@rule("context", "(that | the) last bit [[that] i (said | wrote)]", heard=False)
@rule(
    "context",
    "(this | that) (one | word | phrase | name)",
    "(those | these) [(two | three)] (words | ones)",
)
@rule("context", "(all | both) of (them | these | those)", "the lot of them", "them (all | both)")
@rule("context", "what i [just] said [last]", "the last thing i said", "(this | that) selection")
@rule("context", "what (is | i) selected", "the selected (text | words)", "that phrase")
def _that() -> That:
    return That()


@rule("that_alone", "(it | that | this | them)", heard=False)
@rule("its", "(its | their)", heard=False)
def _spoken_of() -> That:
    return That()


@rule(
    "target",
    "the [last] {unit} [that] i [just] (said | wrote | dictated | spoke) [last]",
    "the {unit} [that] (i | we) just (said | wrote | dictated)",
    heard=False,
)
def _unit_said_last(unit: Unit) -> Units | None:
    ends = unit in (Unit.WORD, Unit.SENTENCE, Unit.LINE, Unit.PARAGRAPH)
    return Units(unit, Order.LAST, of=That()) if ends else None


@rule("said_last", "what i [just] said [last]", "the last (thing | words) i said", heard=False)
def _said_last() -> That:
    return That()


@rule("target", "{part:context}", "[both] {part:enclosed}", "{part:marked}")
def _context(part: Target) -> Target:
    return part
