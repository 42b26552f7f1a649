"""A number in both its forms, and what its form depends on."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Number:
    """One number in both its forms; `used` words of the utterance were taken."""

    used: int
    digits: str
    words: str
    prefer_digits: bool
    cardinal: bool = False  # may take the style of the list it stands in
    code: bool = False  # a string of digits, never written in words


@dataclass(frozen=True, slots=True)
class Around:
    """What a number's form depends on: the words before, the dialect and the number style."""

    before: tuple[str, ...] = ()
    dialect: str = "british"
    style: str = "editor"  # or digits, words

    @property
    def last(self) -> str:
        return self.before[-1] if self.before else ""


def is_digits(word: str) -> bool:
    return word.isascii() and word.isdigit()
