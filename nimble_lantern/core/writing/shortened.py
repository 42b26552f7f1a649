"""Numbers that are said without their "hundred" or their money: "page one ninety nine"."""

from __future__ import annotations

from collections.abc import Sequence

from nimble_lantern.core.lexicon.figures import LABELS, MEASURES
from nimble_lantern.core.writing.cardinals import DIGITS, UNITS, below_hundred, in_words
from nimble_lantern.core.writing.forms import Around, Number

_PRICED = frozenset(
    "cost costs costing pay pays paid paying charge charges charged price priced worth spend"
    " spent".split()
)
_WHOM = frozenset("me us you him her them it".split())
_FOR_NO_MORE = frozenset("only just for at".split())
_EACH = frozenset(("each", "apiece"))
_SOLD_BY = frozenset(
    "pair head piece kilo pound bag box ticket jar loaf dozen bottle cup mug plate slice bunch"
    " person child adult litre metre yard packet tin punnet copy seat".split()
)
_LEADS_ON = frozenset(
    "and or but for in at to with so which full comma period question exclamation".split()
)
_HOUR = 60


def shortened(words: list[str], i: int, around: Around) -> Number | None:
    """A price or a number over a hundred that has lost its middle.

    "It costs seven fifty" is money, "room one twenty" and "one ninety nine" are hundreds, and
    "at seven fifty" stays a time of the day.
    """
    head = UNITS.get(words[i])
    front = (head, i + 1) if head else below_hundred(words, i)
    if front is None or not front[0] or front[1] - i > 2:
        return None
    value, j = front
    rest = _second_half(words, j)
    if rest is None:
        return None
    small, end = rest
    spelled = " ".join(words[i:end])
    after = list(words[end : end + 3])
    if _is_a_price(after, small, around) and not set(after[:1]) & MEASURES:
        sign = "$" if around.dialect == "american" else "£"
        return Number(end - i, f"{sign}{value}.{small:02d}", spelled, True, code=True)
    labelled = around.last in LABELS
    if value > 9 or not labelled and (small < _HOUR or words[j] in DIGITS):
        return None
    whole = value * 100 + small
    return Number(end - i, str(whole), in_words(whole), True, code=labelled, cardinal=not labelled)


def _second_half(words: list[str], j: int) -> tuple[int, int] | None:
    """ "Fifty", "ninety nine", "oh five"."""
    if words[j : j + 1] in (["oh"], ["o"]) and words[j + 1 : j + 2]:
        figure = UNITS.get(words[j + 1], 0)
        return (figure, j + 2) if 0 < figure < 10 else None
    found = below_hundred(words, j)
    return found if found and found[0] >= 10 else None


def _is_a_price(after: Sequence[str], small: int, around: Around) -> bool:
    """Whether what stands beside a number is said of prices."""
    if after[:1] and after[0] in _EACH:
        return not after[1:] or after[1] in _LEADS_ON
    if after[:1] in (["a"], ["per"]) and after[1:2] and after[1] in _SOLD_BY:
        return True
    ends = not after or after[0] in _LEADS_ON | {"a", "each"}
    paid = around.before[-2:] if around.last in _WHOM else around.before[-1:]
    priced = not _PRICED.isdisjoint(paid)  # "it cost us nine ninety nine"
    return ends and (priced or around.last in _FOR_NO_MORE and small >= _HOUR)
