"""Lessons that watch what the speaker does."""
