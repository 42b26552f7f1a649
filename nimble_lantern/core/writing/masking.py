"""Masking of offensive words: the first letter stays, the rest become asterisks.

The list holds the words that Ofcom's research on offensive language (2021) found strong or
stronger, and their inflections; the rest is left to the writer.
"""

from __future__ import annotations

_STEMS = "fuck cunt shit wank bollock bastard bugger twat arsehole asshole piss prick"
_TAILS = ("", "s", "ed", "er", "ers", "ing", "y", "ty", "ting", "head", "heads", "es")
MASKED = frozenset(stem + tail for stem in _STEMS.split() for tail in _TAILS) | {
    "motherfucker",
    "motherfucking",
    "bullshit",
    "pricks",
}


def masked(word: str) -> str:
    """ "bugger" -> "b*****"; any other word as it is."""
    return word[0] + "*" * (len(word) - 1) if word.lower() in MASKED else word
