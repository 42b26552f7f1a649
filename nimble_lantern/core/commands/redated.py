"""The one date of a page, said to be another: "make it sunday the ninth"."""

from __future__ import annotations

from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.composing.redating import (
    dates_in,
    has_its_weekday,
    names_a_weekday,
    redated,
)
from nimble_lantern.core.composing.replacing import replace_range
from nimble_lantern.core.document.model import Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, command, rule
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.alike import kind_of


@rule("a_date", "{words}", heard=False)
def _a_date(words: tuple[str, ...]) -> tuple[str, ...] | None:
    """ "Sunday the ninth", "the ninth of may": a day of a month, or of the month there."""
    rest = words[1:] if names_a_weekday(words) else words
    on_a_day = rest != words and kind_of(rest) in ("place", "date")
    return words if on_a_day or kind_of(words) == "date" else None


def _where(sitting: Sitting, text: tuple[str, ...]) -> Range | None:
    """The one date of the page, or the one with a day of the week if such a day is said."""
    found = dates_in(sitting.document)
    if len(found) > 1 and names_a_weekday(text):
        found = [r for r in found if has_its_weekday(sitting.document, r)]
    return found[0] if len(found) == 1 else None


def _one_date(sitting: Sitting, parse: Parse) -> bool:
    text = tuple(parse.args["text"])
    r = _where(sitting, text) if sitting.selection is None else None
    return r is not None and redated(sitting, sitting.document.text(r), text) is not None


@command(
    "(make | have) (it | that) {text:a_date} [instead]",
    "(change | move) it to {text:a_date}",
    "(it | that) (should | ought to | must | has to) be {text:a_date}",
    "[it] (is not | isn't) {old:a_date} (it is | it's | but) {text:a_date}",
    example="move it to sunday the ninth",
    group="revising",
    heard=0,
    destructive=True,
    when=_one_date,
)
def redate(sitting: Sitting, text: tuple[str, ...], old: tuple[str, ...] = ()) -> Done | Refusal:
    """Put another date in the place of the only one, with what is not said of it as it was."""
    r = _where(sitting, text)
    was = sitting.document.text(r) if r is not None else ""
    date = redated(sitting, was, text)
    if r is None or date is None:
        return Refusal("There is no one date here.", "", "Name the one to change.")
    wrote = replace_range(sitting, r, (date,), exactly=True)
    return Done(wrote.sitting, f"{quoted(was)} is now {quoted(wrote.text)}")
