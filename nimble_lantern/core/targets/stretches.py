"""Stretches: to an edge, between a pair of marks, with a look, from one target to another."""

from __future__ import annotations

from typing import Any

from nimble_lantern.core.grammar.catalogue import CATALOGUE, rule
from nimble_lantern.core.lexicon.closed import LITTLE
from nimble_lantern.core.targets.model import (
    Beyond,
    Enclosed,
    Marked,
    Order,
    Reach,
    Sign,
    Target,
    Through,
    Unit,
    Units,
    Words,
)


@rule("reach", "[from here] [everything] (to | up to | until | till) the end [of the document]")
@rule("reach", "everything (after | below) (this | here)", "from here on", "the rest")
@rule("reach", "everything else", "what is left [of it]", "all the rest", heard=False)
def _to_the_end() -> Reach:
    return Reach(Unit.DOCUMENT, True)


@rule("reach", "[from here] [back] [everything] (to | up to) the (start | beginning | top)")
@rule("reach", "everything (before | above) (this | here)", "from the (start | beginning) to here")
def _to_the_start() -> Reach:
    return Reach(Unit.DOCUMENT, False)


@rule("reach", "[from here] [everything] (to | up to | until) the end of (the | this) {unit}")
@rule("reach", "the rest of (the | this) {unit}", "from here to the {unit} end")
@rule(
    "reach",
    "(everything | all [that is] | what is) (after | behind) (this | here | me) in (the | this)"
    " {unit}",
    "(everything | all) that is left (of | in) (the | this) {unit}",
    "what is left (of | in) (the | this) {unit}",
    "(the remainder | what remains) of (the | this) {unit}",
    "(what | all that | everything that) (comes | is | follows) [after] [next] in (the | this)"
    " {unit}",
    "everything (up to | to | until) the end of [the | this] {unit}",
    "the {unit} from here [(on | onwards)]",
    "[everything] [from here] [forward | on | right] (to | up to | until) the {unit} end",
    "everything from here (to | up to | until | on to) the end of [the | this] {unit}",
    "[on | forward | right] to the end of the {unit}",
    heard=False,
)
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


@rule(
    "target",
    "[everything] from the [very] (start | beginning | top) [<the_text>] (to | up to | until | till"
    " | through to) {goal:bound}",
    heard=False,
)
def _from_the_start(goal: Any) -> Through:
    """ "Everything from the top to keys"."""
    return Through(Units(Unit.WORD, Order.FIRST), Words(goal) if isinstance(goal, tuple) else goal)


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
    "what (it says | stands | i said) (between | inside | in) [the] {pair}",
    "(between | inside | in) [the] {pair}",
    heard=False,
)
@rule(
    "enclosed", "(what is | what's | whatever is) (between | inside | in) [the] {pair}", heard=False
)
def _enclosed(pair: str) -> Enclosed:
    return Enclosed(pair)


@rule("enclosed", "the (parenthesis | bracketed (words | part | bit | text | phrase))", heard=False)
def _bracketed() -> Enclosed:
    return Enclosed("brackets")


@rule("enclosed", "[the] {pair} and (what is | what's | everything) (in | inside | between) them",
      heard=False)  # fmt: skip
def _with_marks(pair: str) -> Enclosed:
    return Enclosed(pair)


_QUOTED = "(quotation | quote | quoted (words | text | part | bit | phrase))"


@rule(
    "enclosed",
    "(everything | all [the] (text | words)) (between | inside | in | within) [the] {pair}",
    heard=False,
)
def _all_enclosed(pair: str) -> Enclosed:
    return Enclosed(pair, Order.EVERY)


@rule(
    "enclosed",
    f"(every | each) {_QUOTED}",
    "(all [of] [the] | the) (quotations | quotes)",
    "(every | each) (text | word | bit | part) (between | inside | in | within) quotes",
    "all [of] [the] (speech | quoted (speech | words | text))",
    heard=False,
)
def _all_quoted() -> Enclosed:
    return Enclosed("quotes", Order.EVERY)


@rule("enclosed", f"the {{position}} {_QUOTED}", heard=False)
def _nth_quoted(position: int) -> Enclosed:
    return Enclosed("quotes", Order.NTH, position)


@rule("enclosed", f"the last {_QUOTED}", heard=False)
def _last_quoted() -> Enclosed:
    return Enclosed("quotes", Order.LAST)


@rule(
    "enclosed", "the quoted (words | text | part | bit | phrase)", "the quotation", heard=False
)  # fmt: skip
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


@rule("bound", "{part:described}", "{part:named}", "{part:called}", heard=False)
@rule("bound", "{part:endpoint}")
def _bound(part: Any) -> Any:
    """Where a stretch begins or ends: of two at once, a described part would take the other's
    words."""
    return part


@rule("endpoint", "[the] {sign}", heard=False)
def _endpoint_sign(sign: str) -> Sign:
    return Sign(sign)


@rule("endpoint", "[the] {nthorder} {sign}", heard=False)
def _endpoint_ordered_sign(nthorder: tuple[Order, int], sign: str) -> Sign:
    """ "Everything after the last comma"."""
    return Sign(sign, *nthorder)


@rule("endpoint", "{words}")
def _endpoint_words(words: tuple[str, ...]) -> Words:
    return Words(words)


_STRETCH = (
    "[everything | all | it all | all of it | [the] (words | text | range | stretch | part | bit |"
    " passage) [that (runs | goes | stretches | reaches)]]"
)


@rule("target", "[everything] from {a:bound} (to | up to | through | until) {b:bound}")
@rule(
    "target",
    f"{_STRETCH} from {{a:bound}} (to | up to | till | as far as | through to | right up to |"
    f" up until) [and including] {{b:bound}}",
    f"{_STRETCH} from {{a:bound}} (through | until) {{b:bound}}",
    "[everything] from {a:bound} (as far as | till | down to | right up to | all the way to)"
    " [and including] {b:bound}",
    "[everything | all] (starting | beginning) (at | from | with) {a:bound} [and] (ending |"
    " finishing | stopping | going on) (at | with | to) {b:bound}",
    "[everything | all] from {a:bound} (up to | through) and including {b:bound}",
    "[everything | all] (starting | beginning) (at | from | with) {a:bound} (to | up to | until"
    " | through) {b:bound}",
    "all [of] the text between {a:bound} and {b:bound}",
    heard=False,
)
@rule(
    "target",
    "[everything | all] between {a:bound} and {b:bound} including (those | them | both)",
    heard=False,
)
@rule("target", "[everything | all] between {a:bound} and {b:bound}")
def _through(a: Any, b: Any) -> Through:
    first = Words(a) if isinstance(a, tuple) else a
    last = Words(b) if isinstance(b, tuple) else b
    return Through(first, last)


@rule("target", "{a:words} (through | through to | all the way to) {b:words}", heard=False)
@rule("target", "{a:words} (to | until | till | up to | down to) {b:words}", heard=False)
def _through_words(a: tuple[str, ...], b: tuple[str, ...]) -> Through | None:
    if not set(a) - LITTLE or not set(b) - LITTLE:
        return None  # "the ladder to the" left
    return Through(Words(a), Words(b), close=True)


_REST = "(everything | all | the rest)"


@rule(
    "target",
    f"{_REST} (after | behind | from) ({{words}} | the {{sign}}) (in | of) {{of:scope}}",
    f"{_REST} (in | of) {{of:scope}} (after | behind | from) ({{words}} | the {{sign}})",
    heard=False,
)
def _after_in(of: Target, words: tuple[str, ...] = (), sign: str = "") -> Beyond:
    """ "Everything after dry in the second paragraph"."""
    return Beyond(Sign(sign, within=of) if sign else Words(words, of=of), True, of)


@rule(
    "target",
    "(everything | all) before ({words} | the {sign}) (in | of) {of:scope}",
    "(everything | all) (in | of) {of:scope} before ({words} | the {sign})",
    heard=False,
)
def _before_in(of: Target, words: tuple[str, ...] = (), sign: str = "") -> Beyond:
    return Beyond(Sign(sign, within=of) if sign else Words(words, of=of), False, of)


@rule("cut_short", "{of:scope} [off] (after | at | behind) [the word] {words}", heard=False)
def _cut_short(words: tuple[str, ...], of: Target) -> Beyond | None:
    """ "End the second paragraph at dry": what comes after that is no more.

    "Close the letter after the builders" says nothing of what stands behind them.
    """
    if isinstance(of, Units) and of.unit is Unit.DOCUMENT:
        return None
    return Beyond(Words(words, of=of), True, of)
