"""Pronunciations of words that are said to the desk, beside those of the dictionary (ARPAbet)."""

from __future__ import annotations

VARIANTS: dict[str, tuple[str, ...]] = {
    "bold": ("B EH L D", "B AO L D"),
    "redo": ("R IH D UW", "R EH D UW"),
    "italic": ("IH T AE L IH K", "AY T AE L IH K"),
    "cut": ("K AH D",),
    "four": ("F AO",),
    "last": ("L AA S T",),
    "paragraph": ("P AE R AH G R AA F",),
    "h": ("HH EY CH",),
    "w": ("D AH B AH Y UW",),
}
"""Other ways to say words of commands than the dictionary's, which are American."""
