"""Targets by their words or marks of punctuation, or by what stands in or beside them."""

from __future__ import annotations

from typing import Any

from nimble_lantern.core.grammar.catalogue import CATALOGUE, rule
from nimble_lantern.core.lexicon.closed import DETERMINERS, PREPOSITIONS
from nimble_lantern.core.targets.alike import kind_of
from nimble_lantern.core.targets.model import (
    Adjoining,
    At,
    Beside,
    Beyond,
    Both,
    Holding,
    Order,
    Sign,
    Target,
    Under,
    Unit,
    Units,
    Words,
    of_a_grid,
    unit_named,
)

_CONTEXT = frozenset("that this it those these them everything all here there".split())


_NO_WORDS_FIRST = frozenset("of for to at in on by from with".split())
NO_WORDS = frozenset((w,) for w in "to of in on at for from by with and or".split())


@rule("target", "{words}")
def _words(words: tuple[str, ...]) -> Words | None:
    # "it" on its own is never the word, nor is a preposition: "the word it" is.
    return Words(words) if set(words) - _CONTEXT and words not in NO_WORDS else None


@rule("target", "the (time | date | day | number | price | amount | year) {words}", heard=False)
def _of_a_sort(words: tuple[str, ...]) -> Words | None:
    """ "The time half past seven"; "the price of the rope" is more than those words."""
    called = bool(kind_of(words))
    return Words(words, called=called) if words[0] not in _NO_WORDS_FIRST else None


@rule("called", "the (word | words | phrase) {words}", heard=False)
@rule("target", "the (word | words | phrase) {words}")
@rule(
    "target", "[(the | that | this)] [single] (word | words | phrase | string) {words}", heard=False
)
def _named_words(words: tuple[str, ...]) -> Words | None:
    # "The bit about the fence" is what is said of it, and not those words.
    return Words(words, called=True) if words[0] not in _ABOUT else None


@rule(
    "target",
    "[(the | that | this)] [single] (bit | part | name | text | figure | figures | term) {words}",
    heard=False,
)
def _words_for_a_thing(words: tuple[str, ...]) -> Words | None:
    """ "The name harker"; "the name of the boat" are not the words "of the boat"."""
    return _named_words(words) if words[0] not in _NO_WORDS_FIRST else None


@rule("target", "(the | those | these) {number} words {words}", heard=False)
def _so_many_words(number: int, words: tuple[str, ...]) -> Words | None:
    return Words(words, called=True) if number == len(words) else None


_ABOUT = frozenset(("about", "that", "which", "where", "saying"))
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
CATALOGUE.table(
    "sign",
    {"full point": ".", "semi colon": ";", "exclamation point": "!", "ellipsis": "…"},
    heard=False,
)
CATALOGUE.table("signs", {"commas": ",", "(full stops | periods)": ".", "dashes": "–"})


@rule("target", "[(the | that | this)] {sign}", heard=False)
def _sign(sign: str) -> Sign:
    return Sign(sign)


@rule("target", "[(the | that | this)] {order} {sign}", heard=False)
def _ordered_sign(order: Order, sign: str) -> Sign:
    return Sign(sign, order)


@rule("target", "[the] {position} {sign}", heard=False)
def _nth_sign(position: int, sign: str) -> Sign:
    return Sign(sign, Order.NTH, position)


@rule("target", "[(the | that | this)] {sign} (in | of) {within:part}", heard=False)
def _sign_in(sign: str, within: Target) -> Sign:
    return Sign(sign, within=within)


@rule("target", "[the] {order} {sign} (in | of) {within:part}", heard=False)
def _ordered_sign_in(order: Order, sign: str, within: Target) -> Sign:
    return Sign(sign, order, within=within)


@rule("target", "[the] {position} {sign} (in | of) {within:part}", heard=False)
def _nth_sign_in(position: int, sign: str, within: Target) -> Sign:
    return Sign(sign, Order.NTH, position, within=within)


@rule(
    "target",
    "(every | each) {sign} in {within:part}", "all [of] [the] {sign:signs} in {within:part}",
    "the {sign:signs} in {within:part}",
    heard=False,
)  # fmt: skip
def _every_sign_in(sign: str, within: Target) -> Sign:
    return Sign(sign, Order.EVERY, within=within)


@rule("target", "[the] {sign} (at | on) the [very] (end | bottom)", heard=False)
def _sign_at_the_end(sign: str) -> Sign:
    return Sign(sign, Order.LAST)


@rule(
    "target",
    "[(the | that | this)] {sign} (at | on) the [very] (end | bottom | close) of {beside:target}",
    heard=False,
)
def _sign_ending(sign: str, beside: Target) -> Sign:
    return Sign(sign, None, 1, beside)


@rule("target", "(every | each) {sign}", "all [of] [the] {sign:signs}", heard=False)
def _every_sign(sign: str) -> Sign:
    return Sign(sign, Order.EVERY)


@rule("target", "[(the | that | this)] {sign} (after | behind) {beside:endpoint}", heard=False)
def _sign_after(sign: str, beside: Any) -> Sign:
    return Sign(sign, None, 1, Words(beside) if isinstance(beside, tuple) else beside)


@rule(
    "target", "[(the | that | this)] {sign} (before | in front of) {beside:endpoint}", heard=False
)
def _sign_before(sign: str, beside: Any) -> Sign:
    return Sign(sign, None, 1, Words(beside) if isinstance(beside, tuple) else beside, True)


CATALOGUE.table(
    "adjoins",
    {"[(right | just)] (after | behind)": True, "[(right | just)] (before | in front of)": False},
    heard=False,
)


@rule(
    "mark_out",
    "[(the | that | this)] {sign} (out | away | off) {adjoins} {beside:endpoint}",
    heard=False,
)
def _mark_out(sign: str, adjoins: bool, beside: Any) -> Sign:
    """ "Take the comma out after weeks"."""
    return Sign(sign, None, 1, Words(beside) if isinstance(beside, tuple) else beside, not adjoins)


@rule(
    "mark_out",
    "[(the | that | this)] {sign} (off | from) [the [very] end of] {beside:endpoint}",
    heard=False,
)
def _mark_off(sign: str, beside: Any) -> Sign:
    """ "Take the full stop off shed"."""
    return Sign(sign, None, 1, Words(beside) if isinstance(beside, tuple) else beside)


@rule("adjoining", "{target}", heard=False)
def _adjoining_alone(target: Target) -> Adjoining | None:
    return target if isinstance(target, Adjoining) else None


@rule("a_mark", "{target}", heard=False)
def _a_mark_beside(target: Target) -> Sign | None:
    """A mark that is told by its place: it stands there, or nothing is named."""
    told = isinstance(target, Sign) and (target.beside or target.order or target.within)
    return target if told and isinstance(target, Sign) else None


@rule("a_mark", "[the | a] {sign} [right] at the [very] (end | bottom)", heard=False)
def _a_mark_at_the_end(sign: str) -> Sign:
    return Sign(sign, Order.LAST)


@rule(
    "target",
    "[the] (word | words | phrase) {words} {adjoins} [the (word | words | phrase)] {beside:words}",
    heard=False,
)
def _adjoining(words: tuple[str, ...], adjoins: bool, beside: tuple[str, ...]) -> Adjoining | None:
    """ "The word old before crane"."""
    if {words[-1], beside[-1]} & PREPOSITIONS:
        return None
    return Adjoining(Words(words, called=True), Words(beside), adjoins)


@rule("target", "{a:endpoint} and {b:endpoint}", "both {a:endpoint} and {b:endpoint}", heard=False)
def _both(a: Any, b: Any) -> Both:
    return Both(Words(a) if isinstance(a, tuple) else a, Words(b) if isinstance(b, tuple) else b)


@rule("target", "{a:endpoint} and {b:endpoint} and [also] {c:endpoint}", heard=False)
def _all_three(a: Any, b: Any, c: Any) -> Both:
    first, second, third = (Words(x) if isinstance(x, tuple) else x for x in (a, b, c))
    return Both(Both(first, second), third)


@rule("nthorder", "{order}")
def _by_order(order: Order) -> tuple[Order, int]:
    return order, 1


@rule("nthorder", "{position}")
def _by_position(position: int) -> tuple[Order, int]:
    return Order.NTH, position


@rule(
    "target",
    "[the] {a:nthorder} and [the] {b:nthorder} {unit}",
    "[the] {a:nthorder} and [the] {b:nthorder} {unit:units}",
    "[the] {a:nthorder} {unit} (and | and also | plus | as well as) [the] {b:nthorder} [one]",
    "[the] {a:nthorder} and [the] {b:nthorder} ({unit} | {unit:units}) (of | in) {of:part}",
    heard=False,
)
def _two_of_a_unit(
    a: tuple[Order, int], b: tuple[Order, int], unit: Unit, of: Target | None = None
) -> Both | None:
    """ "The first and the last item"."""
    if a == b or a[0] is b[0] is Order.NTH and b[1] == a[1] + 1:
        return None  # those that stand together are a run of two
    return Both(Units(unit, a[0], 1, a[1], of), Units(unit, b[0], 1, b[1], of))


@rule(
    "target",
    "{unit:units} {a:number} and {b:number}",
    "{unit} {a:number} and {b:number}",
    heard=False,
)
def _two_by_number(a: int, b: int, unit: Unit) -> Both | None:
    """ "Paragraphs two and four", and not what stands between them."""
    if not a > 0 or not b > 0 or a == b or b == a + 1:
        return None
    return Both(Units(unit, Order.NTH, 1, a), Units(unit, Order.NTH, 1, b))


@rule(
    "pair_of",
    "[the] {a:nthorder} {unit} (with | for) [the] {b:nthorder} [one | {unit}]",
    heard=False,
)
def _pair_of(a: tuple[Order, int], b: tuple[Order, int], unit: Unit) -> Both | None:
    """ "The first paragraph with the second", which are to change places."""
    return None if a == b else Both(Units(unit, a[0], 1, a[1]), Units(unit, b[0], 1, b[1]))


_SAYING = (
    "(with | about | containing | (that | which) is about"
    " | (that | which) (says | has | contains | mentions) | mentioning | regarding | on"
    " | where (it | i) (says | say | has | mentions | said | wrote) | saying | having | of"
    " | talking about | to do with"
    " | concerning | (that | which) (talks about | deals with))"
)


@rule(
    "described",
    f"[(the | that | this | my)] [whole] {{unit}} {_SAYING} {{words}}",
    f"[the] [whole] {{unit}} {_SAYING} the (word | words) {{words}}",
    "[the] [whole] {unit} (with | that has) {words} in it",
    "[the] [whole] {unit} {words} is in",
    "[the] [whole] {unit} (where | in which) {words} (is | are | gets | get) (mentioned | named |"
    " talked about)",
    "[the] [whole] {unit} (where | in which) (i | we | it) (mention | mentions | name | names |"
    " say | says | talk about | talks about | speak of | speaks of) {words}",
    "whichever {unit} (has | says | mentions | contains) {words} [in it]",
    heard=False,
)
def _holding(unit: Unit, words: tuple[str, ...]) -> Holding | None:
    # "The text about friday" is no part that has an end.
    return Holding(unit, Words(words)) if unit is not Unit.DOCUMENT else None


@rule("target", "the text of {words}", heard=False)
def _text_of(words: tuple[str, ...]) -> Words:
    return Words(words)


@rule(
    "described",
    "[the] [whole] {unit} (with | containing | (that | which) has) [(a | an | the)] {sign} [in it]",
    heard=False,
)
def _holding_a_sign(unit: Unit, sign: str) -> Holding:
    return Holding(unit, Sign(sign))


@rule(
    "described",
    "[the] [whole] {unit} [(that | which)] (ends | finishes) (with | in | on) [(a | an | the)]"
    " {sign}",
    "[the] [whole] {unit} (ending | finishing) (with | in | on) [(a | an | the)] {sign}",
    "[the] [whole] {unit} with [(a | an | the)] {sign} at the [very] end",
    heard=False,
)
def _ending_with_a_sign(unit: Unit, sign: str) -> Holding:
    return Holding(unit, Sign(sign), At.END)


@rule(
    "target",
    "(where | the (bit | part | place) where) (it | i) (says | reads | said | wrote) {words}",
    "the (bit | part | place) (that | which) (says | reads) {words}",
    heard=False,
)
def _where_it_says(words: tuple[str, ...]) -> Words:
    return Words(words, called=True)


@rule(
    "described",
    "(the | that | this) [whole | little] (bit | part | one | place) (about | with | on"
    " | to do with | regarding | concerning | (that | which) (mentions | is about) | where it says"
    " | where | mentioning) {words}",
    heard=False,
)
def _bit_about(words: tuple[str, ...]) -> Holding:
    return Holding(Unit.SENTENCE, Words(words), bit=True)


@rule(
    "described",
    "[the] [whole] {unit} [(that | which)] (begins | starts) [with | by] [the (word | words)]"
    " {words}",
    "[the] [whole] {unit} (beginning | starting) [with | by] [the (word | words)] {words}",
    heard=False,
)
def _beginning_with(unit: Unit, words: tuple[str, ...]) -> Holding:
    return Holding(unit, Words(words), At.START)


@rule(
    "described",
    "[the] [whole] {unit} [(that | which)] (ends | finishes) [with | in | on] {words}",
    "[the] [whole] {unit} (ending | finishing) [with | in | on] {words}",
    heard=False,
)
def _ending_with(unit: Unit, words: tuple[str, ...]) -> Holding:
    return Holding(unit, Words(words), At.END)


@rule(
    "described",
    "the {unit} (that | which) (starts | begins | opens) {of:scope}",
    "the {unit} {of:scope} (starts | begins | opens) with",
    heard=False,
)
def _opening(unit: Unit, of: Target) -> Units:
    return Units(unit, Order.FIRST, of=of)


@rule(
    "described",
    "the {unit} (that | which) (ends | finishes | closes) {of:scope}",
    "the {unit} {of:scope} (ends | finishes | closes) with",
    heard=False,
)
def _closing(unit: Unit, of: Target) -> Units:
    return Units(unit, Order.LAST, of=of)


@rule(
    "described",
    "the (point | entry) (about | with | that mentions | that says | on | saying) {words}",
    heard=False,
)
def _point_about(words: tuple[str, ...]) -> Holding:
    return Holding(Unit.ITEM, Words(words))


@rule("named", "[the] ({unit:item} | {unit:headed}) [(called | named)] {words}", heard=False)
@rule("named", "[the] {words} ({unit:item} | {unit:headed} | {unit:said})", heard=False)
@rule("named", "the {unit:said} {words}", heard=False)
def _of_that_name(unit: Unit, words: tuple[str, ...]) -> Holding | None:
    # "Drop the board a line" names no line.
    # "The first line" is one by its place, and not the line that says "first".
    placed = set(words) <= _BY_PLACE | DETERMINERS
    return None if placed or words[-1] in DETERMINERS else Holding(unit, Words(words))


_BY_PLACE = frozenset("first last second third fourth fifth next previous opening closing".split())


@rule("described", "the {words} question", heard=False)
def _question_about(words: tuple[str, ...]) -> Holding | None:
    """ "The price question": of a text that asks one."""
    return None if set(words) <= _BY_PLACE else Holding(Unit.QUESTION, Words(words))


CATALOGUE.table("item", {"([list] item | bullet [point])": Unit.ITEM})
CATALOGUE.table("said", {"sentence": Unit.SENTENCE, "paragraph": Unit.PARAGRAPH, "line": Unit.LINE})
CATALOGUE.table("headed", {"heading": Unit.HEADING, "section": Unit.SECTION})


@rule("target", "{part:named}", "{part:described}", heard=False)
def _by_name(part: Target) -> Target:
    return part


_THE_ONE = "the {nthorder} [one] [(in | of) {of:scope}]"


@rule("described", f"[the] {{unit}} (after | following) {_THE_ONE}", heard=False)
def _unit_after_one(unit: Unit, nthorder: tuple[Order, int], of: Target | None = None) -> Beside:
    """ "The paragraph after the first one"."""
    return Beside(unit, Units(unit, nthorder[0], 1, nthorder[1], of), True)


@rule("described", f"[the] {{unit}} (before | preceding) {_THE_ONE}", heard=False)
def _unit_before_one(unit: Unit, nthorder: tuple[Order, int], of: Target | None = None) -> Beside:
    return Beside(unit, Units(unit, nthorder[0], 1, nthorder[1], of), False)


CATALOGUE.table(
    "by_side",
    {
        "(after | following)": (True, False),
        "(below | under | beneath | underneath)": (True, True),
        "(before | preceding | in front of | ahead of)": (False, False),
        "above": (False, True),
    },
    heard=False,
)


@rule("described", "[the] {unit} {by_side} {beside:bound}", heard=False)
def _unit_by_side(unit: Unit, by_side: tuple[bool, bool], beside: Any) -> Beside | None:
    after, upright = by_side
    if unit is Unit.DOCUMENT or upright and unit is Unit.COLUMN:
        return None  # "the column under fee" is headed so
    return Beside(unit, Words(beside) if isinstance(beside, tuple) else beside, after, upright)


@rule(
    "described",
    "[the] {counted} [(right | just | immediately)] (after | following | behind) {beside:endpoint}",
    heard=False,
)
def _so_many_after(counted: tuple[int, Unit], beside: Any) -> Beside | None:
    """ "The two words after spoke"."""
    return _so_many(counted, beside, True)


@rule(
    "described",
    "[the] {counted} [(right | just | immediately)] (before | preceding | in front of)"
    " {beside:endpoint}",
    heard=False,
)
def _so_many_before(counted: tuple[int, Unit], beside: Any) -> Beside | None:
    return _so_many(counted, beside, False)


def _so_many(counted: tuple[int, Unit], beside: Any, after: bool) -> Beside | None:
    goal = Words(beside) if isinstance(beside, tuple) else beside
    return Beside(counted[1], goal, after, False, counted[0]) if counted[0] > 1 else None


CATALOGUE.table("sideways", {"column": Unit.COLUMN, "cell": Unit.CELL}, heard=False)
CATALOGUE.table(
    "hand",
    {"([to the] right of | next to | beside)": True, "[to the] left of": False},
    heard=False,
)


@rule("described", "[the] {unit:sideways} {hand} {beside:endpoint}", heard=False)
def _by_hand(unit: Unit, hand: bool, beside: Any) -> Beside:
    return Beside(unit, Words(beside) if isinstance(beside, tuple) else beside, hand)


@rule(
    "target",
    "everything (after | behind | from) {goal:bound}",
    "(everything | all | all that | everything that | [all] the text)"
    " [(comes | is | stands | goes)] (after | behind) {goal:bound}",
    "(everything | all) (that follows | following) {goal:bound}",
    heard=False,
)
def _after(goal: Any) -> Beyond:
    return Beyond(Words(goal) if isinstance(goal, tuple) else goal, True)


@rule(
    "target",
    "(everything | all | all [of] the text) (in | of) ({part:described} | {part:named} | {part})",
    heard=False,
)
def _all_in(part: Target) -> Target | None:
    """ "Everything in the costs section" is that section."""
    return None if of_a_grid(part) or unit_named(part) in (None, Unit.DOCUMENT) else part


_LYING = "(below | under | beneath | underneath)"


@rule(
    "target",
    f"(everything | all | [all] [of] the (text | paragraphs) | the (bit | part | rest))"
    f" [that] [(comes | is | stands | goes)] {_LYING} {{goal:bound}}",
    f"(what is | what's | what stands | what comes) {_LYING} {{goal:bound}}",
    heard=False,
)
def _lying_under(goal: Any) -> Under:
    """ "The text under the second heading": its section."""
    return Under(Words(goal) if isinstance(goal, tuple) else goal)


@rule(
    "target",
    "everything (before | above) {goal:bound}",
    "(everything | all | all that | everything that | [all] the text)"
    " [(comes | is | stands | goes)] (before | above) {goal:bound}",
    "(everything | all) that precedes {goal:bound}",
    "(everything | all | all the text) (up to | until | as far as) {goal:bound}",
    heard=False,
)
def _before(goal: Any) -> Beyond:
    return Beyond(Words(goal) if isinstance(goal, tuple) else goal, False)
