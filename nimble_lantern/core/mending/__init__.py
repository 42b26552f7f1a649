"""Putting right what was misheard, and knowing it the next time."""
