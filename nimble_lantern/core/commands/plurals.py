"""A noun in its other number: "make heron plural"."""

from __future__ import annotations

import re

from nimble_lantern.core.commands.replacing import replace_with
from nimble_lantern.core.commands.when import stands_here_or_part
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.document import units
from nimble_lantern.core.document.model import Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Way, command
from nimble_lantern.core.lexicon.plurals import is_plural, plural, singular
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places
from nimble_lantern.core.writing.capitals import capitalised

CATALOGUE.table(
    "number_form",
    {
        "[(a | the | in the | into the | into a)] plural": True,
        "[(a | the | in the | into the | into a)] singular": False,
    },
    heard=False,
)


@command(
    "(make | put | turn | set | have) {target} {many:number_form}",
    "<wish> {target} {many:number_form}",
    Way("{target} <shall> be {many:number_form}", when=stands_here_or_part),
    Way("{many:number_form} of {target}", when=stands_here_or_part),
    Way("{target} {many:number_form}", when=stands_here_or_part),
    heard=0,
    example="make the last word plural",
    group="revising",
)
def change(sitting: Sitting, target: Places, many: bool) -> Done | Refusal:
    """Put a noun, or the last word of a target, in the plural or the singular."""
    words = list(units.within(sitting.document, "word", target.first))
    if not words:
        return Refusal("There is no word there.")
    text = sitting.document.text(words[-1])
    noun = text.lower()
    if is_plural(noun) == many:
        return Done(sitting, f"{quoted(text)} is in the {'plural' if many else 'singular'} already")
    other = plural(noun) if many else singular(noun)
    new = capitalised(other) if text[:1].isupper() else other
    r = words[-1]
    left = sitting.document.blocks[r.start.block].text[: r.start.offset]
    article = _ONE.search(left) if many else None
    if article is not None:  # "a kettle" is "kettles"
        r = Range(r.start._replace(offset=article.start(1)), r.end)
        new = capitalised(new) if article[1][0].isupper() else new
    return replace_with(sitting, (new,), Places((r,)), exactly=True)


_ONE = re.compile(r"\b(an?) $", re.I)
