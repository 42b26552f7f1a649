"""When a way to say something counts, by what its target is called."""

from __future__ import annotations

from nimble_lantern.core.grammar.catalogue import Parse
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.model import as_things, of_the_page


def names_a_part(sitting: Sitting, parse: Parse) -> bool:
    """Of the page, and of nothing in the world: "strike the last word", but "strike the bell"; "a
    copy of the last sentence", but "a copy of the lease"; "the first line is a heading"."""
    return of_the_page(parse.args.get("target"))


def names_no_thing(sitting: Sitting, parse: Parse) -> bool:
    """Not as things are called: "a small letter for visitors" is asked of the page, "a small letter
    for the board" is sent to it."""
    return not as_things(parse.args.get("target"))


def is_selected(sitting: Sitting, parse: Parse) -> bool:
    """Something is selected, and what may else be a sentence is said of it: "all in capitals"."""
    return sitting.selection is not None
