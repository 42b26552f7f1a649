"""Words by which of them is meant, or where: "the last ferry", "every lamp", "tea in the list"."""

from __future__ import annotations

from nimble_lantern.core.grammar.catalogue import CATALOGUE, rule
from nimble_lantern.core.targets.described import NO_WORDS
from nimble_lantern.core.targets.model import Order, Target, Unit, Words

_PARTS = frozenset((unit.value,) for unit in Unit) | {("text",), ("letter",), ("item",)}


CATALOGUE.table(
    "wordorder",
    {
        "[the] (last | final)": (Order.LAST, 1),
        "[the] first": (Order.FIRST, 1),
        "[the] (next | following)": (Order.NEXT, 1),
        "[the] previous": (Order.PREVIOUS, 1),
        "[the] (nearest | closest)": (Order.NEAREST, 1),
        "(every [single] | each | each and every | all | all [of] the | both)": (Order.EVERY, 1),
    },
)
CATALOGUE.table(
    "wordorder",
    {"(every | each | all | all [of] [the] | any) <occurrence>": (Order.EVERY, 1)},
    heard=False,
)


@rule("target", "{wordorder} {words}", "{wordorder} (word | words) {words}")
def _ordered_words(wordorder: tuple[Order, int], words: tuple[str, ...]) -> Words | None:
    # "all the lamps" is every lamp, whatever stands before it; "all of the list" is one list.
    part = words in _PARTS | NO_WORDS and wordorder[0] is Order.EVERY
    return Words(words, *wordorder) if words[0] != "the" and not part else None


@rule("endpoint", "{wordorder} {words}", heard=False)
def _ordered_endpoint(wordorder: tuple[Order, int], words: tuple[str, ...]) -> Words:
    return Words(words, *wordorder)


@rule("endpoint", "[the] {position} {words}", heard=False)
def _nth_endpoint(position: int, words: tuple[str, ...]) -> Words:
    return Words(words, Order.NTH, position)


@rule("target", "[the] {position} {words}")
def _nth_words(position: int, words: tuple[str, ...]) -> Words:
    return Words(words, Order.NTH, position)


@rule("target", "[the] {position} <occurrence> {words}", heard=False)
def _nth_occurrence(position: int, words: tuple[str, ...]) -> Words:
    return Words(words, Order.NTH, position, called=True)


@rule("target", "the (word | words) {words} in {of:scope}", heard=False)
def _named_within(words: tuple[str, ...], of: Target) -> Words:
    return Words(words, None, 1, of, called=True)


@rule("target", "{words} (in | of | on) {of:scope}", heard=False)
def _words_within(words: tuple[str, ...], of: Target) -> Words:
    return Words(words, None, 1, of)


@rule("target", "{words} (in | from) {of:words}", heard=False)
def _out_of_words(words: tuple[str, ...], of: tuple[str, ...]) -> Words | None:
    """ "Own from bring your own gloves": which of them, by the words round it."""
    held = any(of[i : i + len(words)] == words for i in range(len(of)))
    return Words(words, of=Words(of)) if held and len(of) > len(words) + 1 else None


@rule("target", "{wordorder} {words} (in | of | on) {of:scope}", heard=False)
def _ordered_within(wordorder: tuple[Order, int], words: tuple[str, ...], of: Target) -> Words:
    return Words(words, *wordorder, of)


@rule("target", "{words} <everywhere>", heard=False)
def _everywhere(words: tuple[str, ...]) -> Words:
    return Words(words, Order.EVERY)


@rule("target", "{words} <everywhere> (in | on) {of:scope}", heard=False)
def _everywhere_within(words: tuple[str, ...], of: Target) -> Words:
    return Words(words, Order.EVERY, 1, of)
