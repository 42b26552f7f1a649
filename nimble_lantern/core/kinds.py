"""Kinds that several parts of the core speak of; each is its own word in the journal."""

from __future__ import annotations

from enum import StrEnum


class ReadAs(StrEnum):
    """What an utterance was taken for, as the trail tells it."""

    TEXT = "text"
    COMMAND = "command"
    BOTH = "text+command"
    UNCLEAR = "unclear"  # nothing was done: it might have been a command
    IGNORED = "ignored"  # nothing was meant for the desk: it rests, or hears commands only


class Judged(StrEnum):
    """How a stretch of words is read where the document stands now."""

    TEXT = "text"
    COMMAND = "command"
    REFUSED = "refused"  # a command that cannot be done, and says why
    UNCLEAR = "unclear"  # almost a command: asked, not written


class Lamp(StrEnum):
    """Whether the desk listens: `LOW` hears only the words that wake it."""

    LIT = "lit"
    LOW = "low"
    OUT = "out"


class Attention(StrEnum):
    """What of it is taken: everything, commands only, or text only."""

    ALL = "all"
    COMMANDS = "commands"
    TEXT = "text"


class Capitals(StrEnum):
    """Capitals that were switched on and not yet off."""

    NONE = "none"
    TITLE = "title"
    UPPER = "upper"
    LOWER = "lower"
