"""Marks whose names are said, which the model has hardly ever heard.

It learned from films and talks, where nobody says "comma": without help it writes "come a",
"common", "Connor".  Told of a letter dictated so it hears most of them, and of readings that are
nearly as likely the one with more marks is meant.
"""

from __future__ import annotations

from nimble_lantern.core.writing.lexer import Kind, Manner, lex

DICTATED = (
    "Dear Mrs Hill comma new line The ferry from London is late comma and Tom was cold full stop Is"
    " the light on question mark New paragraph Please bring these colon oil comma rope comma and"
    " tea full stop Come soon comma please full stop"
)
"""How a letter sounds whose marks are said."""
MARK_IS_WORTH = 1.2
"""Log probability.  Of seven utterances in three voices whose marks were not heard, four had them
in another reading by less than that; in twenty sentences made to sound like marks ("it is common to
see them", "we'll stop there") in two voices none won by it."""


def marks_named(text: str) -> int:
    """How many marks and breaks would be written of a reading, behind its first word."""
    words = ["".join(c for c in w if c.isalnum()) for w in text.lower().split()]
    elements = lex([w for w in words if w], Manner())
    return sum(e.kind in (Kind.MARK, Kind.BREAK) for e in elements[1:])
