"""Advance widths of the shipped fonts (OpenType hmtx and cmap tables), read with fontTools.

The page turns kerning and ligatures off, so a text is as wide as its advances added up.
"""

from __future__ import annotations

from functools import cache
from pathlib import Path

from fontTools.ttLib import TTFont

FONTS = Path(__file__).resolve().parents[2] / "fonts"
FAMILIES = {
    "Atkinson Hyperlegible": "atkinson-hyperlegible",
    "Literata": "literata",
    "Work Sans": "work-sans",
    "Courier Prime": "courier-prime",
}
DEFAULT_FAMILY = "Atkinson Hyperlegible"
_MISSING = 0.6


@cache
def _advances(slug: str, bold: bool, italic: bool) -> dict[str, float]:
    """Character -> advance in em, over the Latin and Latin Extended files of a face."""
    found: dict[str, float] = {}
    style = f"{700 if bold else 400}-{'italic' if italic else 'normal'}"
    for subset in ("latin-ext", "latin"):
        with TTFont(FONTS / f"{slug}-{subset}-{style}.woff", lazy=True) as font:
            em, widths = font["head"].unitsPerEm, font["hmtx"].metrics
            for code, glyph in font.getBestCmap().items():
                found[chr(code)] = widths[glyph][0] / em
    return found


def advances(text: str, family: str, bold: bool = False, italic: bool = False) -> list[float]:
    """The advance of each character in em; an unknown family counts as the default."""
    table = _advances(FAMILIES.get(family, FAMILIES[DEFAULT_FAMILY]), bold, italic)
    return [table.get(c, _MISSING) for c in text]
