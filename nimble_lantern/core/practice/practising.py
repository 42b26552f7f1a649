"""A lesson that is being practised: which, how far, and how often the step was missed."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Practising:
    lesson: str
    step: int = 0
    failures: int = 0
    told: str = ""  # what came of the last try
