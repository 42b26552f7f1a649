"""A part kept, and what stands round it deleted: "keep only the first sentence of this"."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands.when import names_a_part
from nimble_lantern.core.commands.wording import many, named, words_in
from nimble_lantern.core.composing.removing import remove
from nimble_lantern.core.document.model import Range
from nimble_lantern.core.document.units import block_range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, command, each
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.finding import all_within
from nimble_lantern.core.targets.model import Places, Unit

CATALOGUE.table("kept_end", {"first": 1, "last": -1}, heard=False)
CATALOGUE.table("kept_unit", {
    "(sentence | sentences)": Unit.SENTENCE, "(line | lines)": Unit.LINE,
    "(word | words)": Unit.WORD,
}, heard=False)  # fmt: skip
_KEEP = "(keep | leave | have) (only | just | nothing but)"
_CUT = "(cut | trim | shorten | reduce | shrink)"
_ALL = "(all | everything)"
_BUT = "(but | except | except for | apart from)"
_KEPT = "(the | its) {which:kept_end} [{number}] {unit:kept_unit}"


@command(
    *each(
        names_a_part,
        f"{_KEEP} {_KEPT} (of | in | from) {{target:part}}",
        f"{_CUT} {{target:part}} [down] to [(only | just)] {_KEPT}",
        # "Its first sentence" comes in full: that of what was named before.
        f"{_CUT} {{target:part}} [down] to [(only | just)] {_KEPT} of {{rest:part}}",
        f"<remove> {_ALL} (of | in | from) {{target:part}} {_BUT} {_KEPT}",
        f"<remove> {_ALL} {_BUT} {_KEPT} (of | in | from) {{target:part}}",
        f"in {{target:part}} (keep | leave) (only | just) {_KEPT}",
    ),
    example="keep only the first sentence of the last paragraph",
    group="revising",
    destructive=True,
    heard=0,
)
def keep_only(
    sitting: Sitting,
    target: Places,
    which: int,
    unit: Unit,
    number: int = 1,
    rest: Places | None = None,
) -> Done | Refusal:
    """Delete the words of a paragraph or an item but for its first or last sentences."""
    whole = target.first
    if rest is not None and rest.ranges != target.ranges:
        return Refusal("That is of another part.", "", "Name a part of what is cut down.")
    if len(target.ranges) != 1 or whole.start.block != whole.end.block:
        return Refusal("That is several paragraphs.", "", "Name the one to be cut down.")
    inside = all_within(unit, sitting, whole)
    if not 0 < number < len(inside):
        return Refusal(f"It has {many(len(inside), unit.value)}.", "", "Say how many stay.")
    some = inside[:number] if which > 0 else inside[-number:]
    kept = Range(some[0].start, some[-1].end)
    around = [Range(whole.start, kept.start), Range(kept.end, whole.end)]
    gone = [r for r in around if sitting.document.text(r).strip()]
    how_much = words_in(sitting, gone)
    after = remove(sitting, gone)
    at = block_range(after.document, kept.start.block)
    return Done(
        replace(after.about([at]), insertion=None),
        f"kept {named(sitting.document, [kept])}, and deleted {how_much}",
    )
