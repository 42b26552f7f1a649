"""Spoken words to written text."""
