"""How people name targets: one rule, shared by every verb."""

from __future__ import annotations

from typing import Any

from nimble_lantern.core.grammar.catalogue import CATALOGUE, rule
from nimble_lantern.core.lexicon.classes import CLASSES
from nimble_lantern.core.lexicon.closed import DETERMINERS
from nimble_lantern.core.targets.model import (
    At,
    Beside,
    Beyond,
    Both,
    CellAt,
    Enclosed,
    Holding,
    Marked,
    Order,
    Reach,
    Sign,
    Target,
    That,
    Through,
    Unit,
    Units,
    Words,
)

for _name, _class in CLASSES.items():
    CATALOGUE.table(_name, {_class.usual: True})
    if _class.others:
        CATALOGUE.table(_name, {_class.others: True}, heard=False)

CATALOGUE.table(
    "unit",
    {
        "(character | letter)": Unit.CHARACTER,
        "word": Unit.WORD,
        "sentence": Unit.SENTENCE,
        "line": Unit.LINE,
        "paragraph": Unit.PARAGRAPH,
        "heading": Unit.HEADING,
        "([list] item | bullet [point])": Unit.ITEM,
        "list": Unit.LIST,
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
        "(characters | letters)": Unit.CHARACTER,
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
    "back", {"(last | final | latest | closing)": Order.LAST, "previous": Order.PREVIOUS}
)
CATALOGUE.table("ahead", {"(next | following)": Order.NEXT, "(first | opening)": Order.FIRST})


@rule("order", "{way:back}", "{way:ahead}")
def _order(way: Order) -> Order:
    return way


@rule("counted", "{number} {units:unit}", heard=False)
@rule("counted", "{number} {units}")
def _counted(units: Unit, number: int) -> tuple[int, Unit]:
    return number, units


@rule("part", "the {units}", heard=False)
def _the_units(units: Unit) -> Units:
    return Units(units, Order.EVERY)


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


@rule("counted", "few {units}", heard=False)
def _few(units: Unit) -> tuple[int, Unit]:
    return 3, units


@rule("part", "[the] {order} {unit}")
@rule("part", "[the] very {order} {unit}", "[the] {unit} {order}", heard=False)
@rule("part", "(that | this | my) {order} {unit}", heard=False)
def _part(order: Order, unit: Unit) -> Units:
    return Units(unit, order)


@rule("part", "[the] {unit} before (this | that) [one]", heard=False)
def _before_this(unit: Unit) -> Units:
    return Units(unit, Order.PREVIOUS)


@rule("part", "[the] {unit} after (this | that) [one]", heard=False)
def _after_this(unit: Unit) -> Units:
    return Units(unit, Order.NEXT)


@rule("part", "[the] {order} {counted}")
@rule("part", "[the] very {order} {counted}", heard=False)
@rule("part", "(those | these | my) {order} {counted}", heard=False)
def _parts(order: Order, counted: tuple[int, Unit]) -> Units | None:
    count, unit = counted
    return Units(unit, order, count) if count > 0 else None


@rule("part", "[the] {position} {unit}")
@rule("part", "[the] (whole | very) {position} {unit}", heard=False)
def _nth(position: int, unit: Unit) -> Units:
    return Units(unit, Order.NTH, 1, position)


@rule(
    "part",
    "[the] {position} (from last | last) {unit}",
    "[the] {position} {unit} from the end",
    "[the] {position} to last {unit}",
    heard=False,
)
def _from_end(position: int, unit: Unit) -> Units:
    return Units(unit, Order.FROM_END, 1, position)


@rule("part", "the one before the last {unit}", "the {unit} before the last [one]", heard=False)
def _before_last(unit: Unit) -> Units:
    return Units(unit, Order.FROM_END, 1, 2)


@rule("part", "[the] last but one {unit}", "[the] (penultimate | next to last) {unit}", heard=False)
def _penultimate(unit: Unit) -> Units:
    return Units(unit, Order.FROM_END, 1, 2)


@rule("part", "[the] middle {unit}", heard=False)
def _middle(unit: Unit) -> Units:
    return Units(unit, Order.MIDDLE)


@rule("part", "{unit} [number] {number}")
def _numbered(unit: Unit, number: int) -> Units | None:
    return Units(unit, Order.NTH, 1, number) if unit is not Unit.DOCUMENT else None


@rule(
    "part",
    "{units} {a:number} (to | through | until) {b:number}",
    "{units:unit} {a:number} (to | through | until) {units:unit} {b:number}",
    "{units} {a:number} and {b:number}",
)
def _span_of_units(units: Unit, a: int, b: int) -> Units | None:
    return Units(units, Order.NTH, b - a + 1, a) if 0 < a < b else None


@rule("part", "[the] {a:position} (to | through) [the] {b:position} {unit}", heard=False)
def _ordinal_span(a: int, b: int, unit: Unit) -> Units | None:
    return Units(unit, Order.NTH, b - a + 1, a) if 0 < a < b else None


@rule("part", "[the] {a:position} and [the] {b:position} {unit}", heard=False)
@rule("part", "[the] {a:position} and [the] {b:position} {unit:units}", heard=False)
def _ordinal_pair(a: int, b: int, unit: Unit) -> Units | None:
    return Units(unit, Order.NTH, 2, a) if b == a + 1 else None


@rule("part", "(this | that | the current | the present) {unit}", "the whole {unit}")
def _this(unit: Unit) -> Units:
    return Units(unit, Order.THIS)


@rule("part", "(these | those) {units}", heard=False)
def _these(units: Unit) -> Units:
    return Units(units, Order.THIS)


@rule("part", "the [whole] {unit}", "[the] whole {unit}")
@rule("part", "(every bit of | all of) the {unit}", heard=False)
def _the(unit: Unit) -> Units | None:
    return Units(unit, Order.THIS) if unit not in (Unit.CHARACTER, Unit.WORD) else None


@rule("part", "{unit}", heard=False)
def _bare(unit: Unit) -> Units | None:
    """ "Go to start of paragraph" leaves the article out; "list" and "text" alone are words."""
    return Units(unit, Order.THIS) if unit in _SAID_BARE else None


_SAID_BARE = (Unit.PARAGRAPH, Unit.SENTENCE, Unit.LINE)


@rule("part", "[the] (header | heading | top) row", heard=False)
def _header_row() -> Units:
    return Units(Unit.ROW, Order.FIRST)


@rule("target", "where it (says | reads) {words}", heard=False)
def _where_it_says(words: tuple[str, ...]) -> Words:
    return Words(words)


@rule("part", "the [main] title")
def _title() -> Units:
    return Units(Unit.HEADING, Order.FIRST)


@rule("part", "(every | each | any) {unit}", "all [[of] the] {unit:units}", "both {unit:units}")
def _every(unit: Unit) -> Units:
    return Units(unit, Order.EVERY)


@rule("target", "(all | everything | every word) (of | in) {part}", heard=False)
@rule("target", "{part}", "{part:nested}", "{part:everything}", "{part:reach}")
def _target(part: Target) -> Target:
    return part


@rule("nested", "{part} (of | in | on | from) {of:scope}")
def _nested(part: Units, of: Target) -> Units | None:
    same = isinstance(of, Units) and of.unit is part.unit
    if same and part.unit not in (Unit.ITEM, Unit.LIST, Unit.SECTION):
        # A paragraph stands in no paragraph.
        return None
    return Units(part.unit, part.order, part.count, part.n, of)


@rule("scope", "{part}", "{part:nested}", "{part:everything}", "{part:context}")
def _scope(part: Target) -> Target:
    return part


@rule("everything", "everything", "all", "all of it", "it all", "the [whole] lot")
@rule("everything", "(the | this) (whole | entire) (document | text | thing | page | letter)")
@rule("everything", "all [of] (the | this) (document | text)", "(the | this) (document | text)")
def _everything() -> Units:
    return Units(Unit.DOCUMENT, Order.THIS)


@rule("context", "(that | this | it | those | these | them)", "[the] selection", "that bit")
@rule(
    "context",
    "(this | that) (one | word | phrase)",
    "(those | these) [(two | three)] (words | ones)",
)
@rule("context", "(all | both) of (them | these | those)", "the lot of them", "them (all | both)")
@rule("context", "what i [just] said", "the last thing i said", "(this | that) selection")
@rule("context", "what (is | i) selected", "the selected (text | words)", "that phrase")
def _that() -> That:
    return That()


@rule("target", "{part:context}", "[both] {part:enclosed}", "{part:marked}")
def _context(part: Target) -> Target:
    return part


@rule("reach", "[from here] [everything] (to | up to | until | till) the end [of the document]")
@rule("reach", "everything (after | below) (this | here)", "from here on", "the rest")
def _to_the_end() -> Reach:
    return Reach(Unit.DOCUMENT, True)


@rule("reach", "[from here] [back] [everything] (to | up to) the (start | beginning | top)")
@rule("reach", "everything (before | above) (this | here)", "from the (start | beginning) to here")
def _to_the_start() -> Reach:
    return Reach(Unit.DOCUMENT, False)


@rule("reach", "[from here] [everything] (to | up to | until) the end of (the | this) {unit}")
@rule("reach", "the rest of (the | this) {unit}", "from here to the {unit} end")
def _to_end_of(unit: Unit) -> Reach:
    return Reach(unit, True)


@rule("reach", "[from here] [back] [everything] (to | up to) the (start | beginning) of the {unit}")
@rule("reach", "[from here] back to the (start | beginning) of (this | that) {unit}")
def _to_start_of(unit: Unit) -> Reach:
    return Reach(unit, False)


@rule(
    "reach",
    "from here (to | up to | until) {goal:words}",
    "everything (to | up to) {goal:words}",
    heard=False,
)
def _to_words(goal: tuple[str, ...]) -> Reach:
    return Reach(None, True, Words(goal))


@rule(
    "target",
    "[everything] from {start:endpoint} (to | up to | until | till) [the] <finish> [of (the |"
    " this | that | its)] {unit}",
    "[everything] from {start:endpoint} (to | up to | until | till) [the] <finish>",
    "[everything] from {start:endpoint} (on | onwards | onward)",
    heard=False,
)
def _from_to_end(start: Any, unit: Unit = Unit.DOCUMENT) -> Reach:
    return Reach(unit, True, None, Words(start) if isinstance(start, tuple) else start)


CATALOGUE.table(
    "pair",
    {
        "(quotes | quotation marks | inverted commas)": "quotes",
        "([round] brackets | parentheses)": "brackets",
        "square brackets": "square",
        "(braces | curly brackets)": "braces",
    },
)


@rule(
    "enclosed",
    "[the] (text | words | bit | part | stuff | thing | contents) (between | inside | in | of"
    " | within) [the] {pair}",
    "everything (between | inside | in | within) [the] {pair}",
    "(between | inside | in) [the] {pair}",
    heard=False,
)
@rule(
    "enclosed", "(what is | what's | whatever is) (between | inside | in) [the] {pair}", heard=False
)
def _enclosed(pair: str) -> Enclosed:
    return Enclosed(pair)


@rule("enclosed", "the (parenthesis | bracketed (words | part | bit | text))", heard=False)
def _bracketed() -> Enclosed:
    return Enclosed("brackets")


@rule("enclosed", "the quoted (words | text | part)", "the quotation", heard=False)
def _quoted() -> Enclosed:
    return Enclosed("quotes")


CATALOGUE.table(
    "markname",
    {
        "bold": "bold",
        "(italic | italics)": "italic",
        "(underlined | underline)": "underline",
        "(struck out | strike)": "strike",
        "highlighted": "highlight",
    },
)


@rule(
    "marked",
    "everything [that is | in] {markname}",
    "(all [of] | every) [the] {markname} text",
    heard=False,
)
@rule(
    "marked",
    "the {markname} (text | word | words | part | parts)",
    "all [the] {markname} words",
    heard=False,
)
def _marked(markname: str) -> Marked:
    return Marked(markname)


@rule("endpoint", "{part}", "{part:nested}")
def _endpoint(part: Target) -> Target:
    return part


@rule("endpoint", "[the] {sign}", heard=False)
def _endpoint_sign(sign: str) -> Sign:
    return Sign(sign)


@rule("endpoint", "{words}")
def _endpoint_words(words: tuple[str, ...]) -> Words:
    return Words(words)


_STRETCH = (
    "[everything | all | the words | the text | the range | the stretch | the part | the bit]"
)


@rule("target", "[everything] from {a:endpoint} (to | up to | through | until) {b:endpoint}")
@rule(
    "target",
    f"{_STRETCH} from {{a:endpoint}} (to | up to | till | as far as) [and including]"
    f" {{b:endpoint}}",
    f"{_STRETCH} from {{a:endpoint}} (through | until) {{b:endpoint}}",
    heard=False,
)
@rule("target", "[everything | all] between {a:endpoint} and {b:endpoint}")
def _through(a: Any, b: Any) -> Through:
    first = Words(a) if isinstance(a, tuple) else a
    last = Words(b) if isinstance(b, tuple) else b
    return Through(first, last)


@rule("target", "{a:words} through {b:words}", heard=False)
@rule("target", "{a:words} to {b:words}", heard=False)
def _through_words(a: tuple[str, ...], b: tuple[str, ...]) -> Through:
    return Through(Words(a), Words(b), close=True)


_CONTEXT = frozenset("that this it those these them everything all here there".split())


_NO_WORDS = frozenset((w,) for w in "to of in on at for from by with and or".split())


@rule("target", "{words}")
def _words(words: tuple[str, ...]) -> Words | None:
    # "it" on its own is never the word, nor is a preposition: "the word it" is.
    return Words(words) if set(words) - _CONTEXT and words not in _NO_WORDS else None


@rule("target", "the (word | words | phrase) {words}")
@rule(
    "target",
    "[the] (word | words | phrase | string | bit | part | name | text) {words}",
    heard=False,
)
def _named_words(words: tuple[str, ...]) -> Words:
    return Words(words)


SIGNS = {
    "comma": ",",
    "(full stop | period)": ".",
    "semicolon": ";",
    "colon": ":",
    "question mark": "?",
    "exclamation mark": "!",
    "hyphen": "-",
    "dash": "–",
    "apostrophe": "’",
}
CATALOGUE.table("sign", SIGNS)
CATALOGUE.table("signs", {"commas": ",", "(full stops | periods)": ".", "dashes": "–"})


@rule("target", "[the] {sign}", heard=False)
def _sign(sign: str) -> Sign:
    return Sign(sign)


@rule("target", "[the] {order} {sign}", heard=False)
def _ordered_sign(order: Order, sign: str) -> Sign:
    return Sign(sign, order)


@rule("target", "[the] {position} {sign}", heard=False)
def _nth_sign(position: int, sign: str) -> Sign:
    return Sign(sign, Order.NTH, position)


@rule("target", "(every | each) {sign}", "all [of] [the] {sign:signs}", heard=False)
def _every_sign(sign: str) -> Sign:
    return Sign(sign, Order.EVERY)


@rule("target", "[the] {sign} (after | behind) {beside:endpoint}", heard=False)
def _sign_after(sign: str, beside: Any) -> Sign:
    return Sign(sign, None, 1, Words(beside) if isinstance(beside, tuple) else beside)


@rule("target", "[the] {sign} (before | in front of) {beside:endpoint}", heard=False)
def _sign_before(sign: str, beside: Any) -> Sign:
    return Sign(sign, None, 1, Words(beside) if isinstance(beside, tuple) else beside, True)


@rule("target", "{a:endpoint} and {b:endpoint}", "both {a:endpoint} and {b:endpoint}", heard=False)
def _both(a: Any, b: Any) -> Both:
    return Both(Words(a) if isinstance(a, tuple) else a, Words(b) if isinstance(b, tuple) else b)


_SAYING = (
    "(with | about | containing | (that | which) (says | has | contains | mentions) | mentioning"
    " | regarding | on | where it (says | has | mentions) | saying | having | of)"
)


@rule(
    "target",
    f"[(the | that | this | my)] [whole] {{unit}} {_SAYING} {{words}}",
    f"[the] [whole] {{unit}} {_SAYING} the (word | words) {{words}}",
    "[the] [whole] {unit} (with | that has) {words} in it",
    "[the] [whole] {unit} {words} is in",
    heard=False,
)
def _holding(unit: Unit, words: tuple[str, ...]) -> Holding:
    return Holding(unit, Words(words))


@rule(
    "target",
    "the (bit | part | one | place) (about | that says | with | that mentions | where it says)"
    " {words}",
    heard=False,
)
def _bit_about(words: tuple[str, ...]) -> Holding:
    return Holding(Unit.SENTENCE, Words(words))


@rule(
    "target",
    "[the] [whole] {unit} [(that | which)] (begins | starts) [with | by] [the (word | words)]"
    " {words}",
    "[the] [whole] {unit} (beginning | starting) [with | by] [the (word | words)] {words}",
    heard=False,
)
def _beginning_with(unit: Unit, words: tuple[str, ...]) -> Holding:
    return Holding(unit, Words(words), At.START)


@rule(
    "target",
    "[the] [whole] {unit} [(that | which)] (ends | finishes) [with | in | on] {words}",
    "[the] [whole] {unit} (ending | finishing) [with | in | on] {words}",
    heard=False,
)
def _ending_with(unit: Unit, words: tuple[str, ...]) -> Holding:
    return Holding(unit, Words(words), At.END)


@rule("named", "({unit:item} | {unit:headed}) [(called | named)] {words}", heard=False)
@rule("named", "[the] {words} ({unit:item} | {unit:headed} | {unit:said})", heard=False)
@rule("named", "the {unit:said} {words}", heard=False)
def _of_that_name(unit: Unit, words: tuple[str, ...]) -> Holding | None:
    # "Drop the board a line" names no line.
    return Holding(unit, Words(words)) if words[-1] not in DETERMINERS else None


CATALOGUE.table("item", {"([list] item | bullet [point])": Unit.ITEM})
CATALOGUE.table("said", {"sentence": Unit.SENTENCE, "paragraph": Unit.PARAGRAPH, "line": Unit.LINE})
CATALOGUE.table("headed", {"heading": Unit.HEADING, "section": Unit.SECTION})


@rule("target", "{part:named}", heard=False)
def _by_name(part: Target) -> Target:
    return part


@rule("target", "[the] {unit} (after | following) {beside:endpoint}", heard=False)
def _unit_after(unit: Unit, beside: Any) -> Beside:
    return Beside(unit, Words(beside) if isinstance(beside, tuple) else beside, True)


@rule("target", "[the] {unit} (before | preceding) {beside:endpoint}", heard=False)
def _unit_before(unit: Unit, beside: Any) -> Beside:
    return Beside(unit, Words(beside) if isinstance(beside, tuple) else beside, False)


@rule("target", "[the cell (in | at)] row {a:number} [and] column {b:number}")
@rule("target", "[the cell in] [the] {a:position} row [and] [the] {b:position} column", heard=False)
def _cell_at(a: int, b: int) -> CellAt:
    return CellAt(a, b)


@rule("target", "[the cell (in | at)] column {a:number} [and] row {b:number}", heard=False)
@rule("target", "[the cell in] [the] {a:position} column [and] [the] {b:position} row", heard=False)
def _cell_of_column(a: int, b: int) -> CellAt:
    return CellAt(b, a)


@rule("target", "everything (after | behind | below | from) {goal:endpoint}", heard=False)
def _after(goal: Any) -> Beyond:
    return Beyond(Words(goal) if isinstance(goal, tuple) else goal, True)


@rule("target", "everything (before | above) {goal:endpoint}", heard=False)
def _before(goal: Any) -> Beyond:
    return Beyond(Words(goal) if isinstance(goal, tuple) else goal, False)


CATALOGUE.table(
    "wordorder",
    {
        "[the] (last | final)": (Order.LAST, 1),
        "[the] first": (Order.FIRST, 1),
        "[the] (next | following)": (Order.NEXT, 1),
        "[the] previous": (Order.PREVIOUS, 1),
        "[the] (nearest | closest)": (Order.NEAREST, 1),
        "(every | each | all | all [of] the | both)": (Order.EVERY, 1),
    },
)
CATALOGUE.table(
    "wordorder",
    {"(every | each | all | all [of] [the] | any) <occurrence>": (Order.EVERY, 1)},
    heard=False,
)


@rule("target", "{wordorder} {words}", "{wordorder} (word | words) {words}")
def _ordered_words(wordorder: tuple[Order, int], words: tuple[str, ...]) -> Words | None:
    # "all the lamps" is every lamp, whatever stands before it.
    return Words(words, *wordorder) if words[0] != "the" else None


@rule("endpoint", "{wordorder} {words}", heard=False)
def _ordered_endpoint(wordorder: tuple[Order, int], words: tuple[str, ...]) -> Words:
    return Words(words, *wordorder)


@rule("endpoint", "[the] {position} {words}", heard=False)
def _nth_endpoint(position: int, words: tuple[str, ...]) -> Words:
    return Words(words, Order.NTH, position)


@rule("target", "[the] {position} {words}")
def _nth_words(position: int, words: tuple[str, ...]) -> Words:
    return Words(words, Order.NTH, position)


@rule(
    "target",
    "{words} (in | of | on) {of:scope}",
    "the (word | words) {words} in {of:scope}",
    heard=False,
)
def _words_within(words: tuple[str, ...], of: Target) -> Words:
    return Words(words, None, 1, of)


@rule("target", "{wordorder} {words} (in | of | on) {of:scope}", heard=False)
def _ordered_within(wordorder: tuple[Order, int], words: tuple[str, ...], of: Target) -> Words:
    return Words(words, *wordorder, of)


@rule("target", "{words} <everywhere>", heard=False)
def _everywhere(words: tuple[str, ...]) -> Words:
    return Words(words, Order.EVERY)
