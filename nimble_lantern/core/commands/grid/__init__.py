"""Rows and columns of a table: added, moved, sorted, summed, made wider, taken out."""

from nimble_lantern.core.commands.grid import (
    amid,
    asking,
    filling,
    heads,
    parts,
    sorting,
    spreading,
    swapping,
    totals,
    widths,
)

__all__ = [
    "amid",
    "asking",
    "filling",
    "spreading",
    "swapping",
    "parts",
    "heads",
    "sorting",
    "widths",
    "totals",
]
