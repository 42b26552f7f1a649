"""Targets: what a command is about, from its words to ranges of the document."""
