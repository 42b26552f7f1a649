"""Forms of English words: "rain" and "rains", "child" and "children"."""

from __future__ import annotations

from collections.abc import Iterator

from nimble_lantern.core.lexicon.plurals import PLURALS

_ODD = {
    **PLURALS, "pay": "paid", "meet": "met", "leave": "left",
    "buy": "bought", "bring": "brought", "sell": "sold", "go": "went", "come": "came",
    "write": "written", "take": "taken", "give": "given", "speak": "spoken", "choose": "chosen",
}  # fmt: skip
_TURNED = {form: word for word, form in _ODD.items()}
_LEAST = 3
_VOWELS = frozenset("aeiou")


def inflections(word: str) -> Iterator[str]:
    """Other forms that a word may have; not all of them are words."""
    yield from (form for form in (_ODD.get(word), _TURNED.get(word)) if form)
    if len(word) < _LEAST or not word.isalpha():
        return
    yield from (word + end for end in ("s", "es", "d", "ed", "ing", "er"))
    if word.endswith("y"):
        yield from (f"{word[:-1]}ies", f"{word[:-1]}ied")
    if word.endswith("e"):
        yield f"{word[:-1]}ing"
    if word[-1] not in _VOWELS and word[-2] in _VOWELS:
        yield from (f"{word}{word[-1]}ed", f"{word}{word[-1]}ing")
    for end in ("s", "es", "d", "ed", "ing"):
        stem = word.removesuffix(end)
        if stem != word and len(stem) >= _LEAST:
            yield stem
            if end == "ing":
                yield f"{stem}e"
            if end in ("ed", "ing") and stem[-1] == stem[-2]:
                yield stem[:-1]
    for end in ("ies", "ied"):
        if word.endswith(end) and len(word) > len(end) + 1:
            yield f"{word.removesuffix(end)}y"
