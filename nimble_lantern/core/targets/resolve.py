"""Targets to ranges.  What cannot be found is a Refusal; what was misheard is a Missing.

Importing this module brings the finders of all kinds of targets.
"""

from __future__ import annotations

from nimble_lantern.core.targets import (
    cells,
    counted,
    excepting,
    letter,
    ones,
    reaching,
    standing,
    tabled,
)
from nimble_lantern.core.targets.finding import Absent, Answer, Missing, View
from nimble_lantern.core.targets.finding import find as resolve
from nimble_lantern.core.targets.model import Holding, Order, Places, Unit, Units, Words

__all__ = [
    "Absent",
    "Missing",
    "cells",
    "counted",
    "excepting",
    "letter",
    "nth_like",
    "one_like",
    "ones",
    "reaching",
    "resolve",
    "standing",
    "tabled",
]


def nth_like(places: Places, position: int, view: View) -> Answer:
    """ "The second", said beside another part: the second of the same kind."""
    return resolve(Units(places.unit or Unit.PARAGRAPH, Order.NTH, 1, position), view)


def one_like(places: Places, words: tuple[str, ...], view: View) -> Answer:
    """ "The concert one", said beside a section: the section that is called so, or says so."""
    return resolve(Holding(places.unit or Unit.PARAGRAPH, Words(words)), view)
