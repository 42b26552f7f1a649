"""Going over a text again: passages to use, places, margin notes, and versions compared."""
