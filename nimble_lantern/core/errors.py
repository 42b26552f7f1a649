"""Everything that can go wrong, in one place.

LanternError                what, why and what to do, in one plain sentence
├── BadInput                a file or value from outside that cannot be used (exit status 1)
├── NotKept                 an utterance or setting that could not be written to the disk
├── VoiceError              a voice that cannot speak just now
└── WrongUse                a command line that cannot be meant (exit status 2)
EditError                   a bug: an edit applied to a document it was not made for
CatalogueError              a bug: a pattern that cannot be compiled, or stands there twice
Refusal                     not an error but a value: misheard words are normal traffic
"""

from __future__ import annotations

from dataclasses import dataclass


class LanternError(Exception):
    """One plain sentence for the person: what, why, what to do."""


class BadInput(LanternError):
    """Something from outside that cannot be used."""


class NotKept(LanternError):
    """What was to be kept is not on the disk; says why and what to do, without a stop."""


class VoiceError(LanternError):
    """A voice that cannot speak; the text is on the page all the same."""


class WrongUse(LanternError):
    """A call that cannot be meant."""


class EditError(Exception):
    """An edit met a document it was not made for."""


class CatalogueError(Exception):
    """The catalogue of commands contradicts itself."""


@dataclass(frozen=True, slots=True)
class Refusal:
    """What could not be done, why, and what to say instead; shown to the speaker."""

    what: str
    why: str = ""
    try_this: str = ""

    def __str__(self) -> str:
        return " ".join(part for part in (self.what, self.why, self.try_this) if part)
