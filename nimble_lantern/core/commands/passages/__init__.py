"""Stored text: kept, called by its name, its blanks filled, listed, exported."""

from nimble_lantern.core.commands.passages import blanks, keeping, listing, moments, placed

__all__ = ["keeping", "blanks", "listing", "moments", "placed"]
