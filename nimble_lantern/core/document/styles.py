"""Colours, fonts and sizes: the values that a document may hold, and others brought to them.

Values come in from files and go out into style attributes, so what is not of these forms is none.
"""

from __future__ import annotations

import re

from nimble_lantern.core.document.metrics import FAMILIES

COLOURS = ("red", "blue", "green", "orange", "purple", "brown", "grey", "pink", "teal")
SHADES = {
    "red": "#a3161a", "blue": "#14509e", "green": "#1c6324", "orange": "#994200",
    "purple": "#6b2a8c", "brown": "#6b4423", "grey": "#55606a", "pink": "#a3195b",
    "teal": "#0a5f63",
}  # fmt: skip
"""Colours by name, in shades that can be read on white paper (4.5:1 and more)."""
BASE_POINTS = 12.0
LEAST_POINTS, MOST_POINTS = 4.0, 400.0
_HEX = re.compile(r"#(?:[0-9a-f]{3}|[0-9a-f]{6})")
_RGB = re.compile(r"rgba?\((\d{1,3}),?\s*(\d{1,3}),?\s*(\d{1,3})\s*(?:[,/][\d.\s%]*)?\)")
_LENGTH = re.compile(r"(\d+(?:\.\d+)?|\.\d+)\s*(pt|px|em|rem|%|in|cm|mm|pc)?")
_POINTS = {
    "pt": 1.0, "px": 0.75, "em": BASE_POINTS, "rem": BASE_POINTS, "%": BASE_POINTS / 100,
    "in": 72.0, "cm": 72 / 2.54, "mm": 72 / 25.4, "pc": 12.0,
}  # fmt: skip
"""Points a unit has (CSS Values and Units 3, section 6); em and % of the base size."""


def colour(text: str) -> str | None:
    """One of COLOURS, or #rrggbb; None for what is neither that nor #rgb nor rgb(r, g, b)."""
    bare = text.strip().lower()
    bare = {"gray": "grey"}.get(bare, bare)
    if found := _RGB.fullmatch(bare):
        parts = [min(255, int(part)) for part in found.groups()]
        bare = "#" + "".join(f"{part:02x}" for part in parts)
    if _HEX.fullmatch(bare):
        return bare if len(bare) == 7 else "#" + "".join(c * 2 for c in bare[1:])
    return bare if bare in COLOURS else None


def shade_of(value: str) -> str:
    """A colour of a document as #rrggbb; black for what is none."""
    found = colour(value) or "#000000"
    return SHADES.get(found, found)


def size(text: str) -> str | None:
    """Points as a number, from a CSS length; None for what is none or out of all measure."""
    found = _LENGTH.fullmatch(text.strip().lower())
    if not found:
        return None
    points = round(float(found[1]) * _POINTS[found[2] or "pt"], 2)
    return f"{points:g}" if LEAST_POINTS <= points <= MOST_POINTS else None


def font(text: str) -> str | None:
    """The name of a shipped family, the first of those listed; None if it is not shipped."""
    for name in text.split(","):
        bare = name.strip().strip("'\"").casefold()
        for family in FAMILIES:
            if family.casefold() == bare:
                return family
    return None


STYLES = {"colour": colour, "size": size, "font": font}
