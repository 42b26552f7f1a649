"""Nimble Lantern: a writing desk for people who write by voice alone."""

__version__ = "0.1.0"
