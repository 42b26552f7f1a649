"""Replacing words by other words."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands.wording import many, near, quoted
from nimble_lantern.core.composing.replacing import replace_many, replace_range, without_stop
from nimble_lantern.core.document.edits import Edit
from nimble_lantern.core.document.model import Range
from nimble_lantern.core.grammar.catalogue import command
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, Unit

_FEW = 20


@command(
    "replace {target} (with | by) {text}",
    "change {target} (to | into) {text}",
    "put {text:words} (instead of | in place of | for) {target}",
    "instead of {target} (write | put | say) {text}",
    "swap {target} for {text}",
    "substitute {text:words} for {target}",
    "turn {target} into {text}",
    "make {target} (read | say) {text}",
    "make {target} into {text}",
    "make it {text:words} instead of {target}",
    "correct {target} to {text}",
    "put {text:words} where {target} is",
    "(replace | change) {target} (with | by | to | into) the (word | words) {text}",
    example="replace the ferry with the boat",
    group="revising",
    destructive=True,
)
def replace_with(sitting: Sitting, target: Places, text: tuple[str, ...]) -> Done:
    """Put other words in the place of a target.  The writing place stays where it is."""
    old = sitting.document.text(target.first)
    ranges = target.ranges
    if target.unit is Unit.SENTENCE:
        ranges = tuple(without_stop(sitting.document, r, text) for r in ranges)
    after, written = _replaced(sitting, ranges, text)
    count = f" in {many(len(target.ranges), 'place')}" if len(target.ranges) > 1 else ""
    return Done(after, f"{quoted(old)} is now {quoted(written)}{count}{near(target)}")


@command(
    "replace {target} (with | by) {text:words} (everywhere | throughout | every time)",
    "change {target} to {text:words} (everywhere | throughout | every time)",
    "(everywhere | throughout) (replace | change) {target} (with | to | by) {text}",
    example="replace the ferry with the boat everywhere",
    group="revising",
    destructive=True,
    every_place=True,
)
def replace_everywhere(sitting: Sitting, target: Places, text: tuple[str, ...]) -> Done:
    """Put other words in every place where a target stands."""
    return replace_with(sitting, replace(target, ask=False), text)


def _replaced(
    sitting: Sitting, ranges: tuple[Range, ...], words: tuple[str, ...]
) -> tuple[Sitting, str]:
    """Replace from the last range to the first, so that those before keep their places."""
    if len(ranges) > _FEW:
        return replace_many(sitting, ranges, words)
    after, written = sitting, ""
    done: list[Range] = []
    for r in reversed(ranges):
        step = replace_range(after, r, words)
        edit = Edit(step.sitting.pending.steps[len(after.pending.steps) :])
        done = [m for d in done if (m := edit.moved_range(d))]
        done.append(step.range)
        after, written = step.sitting, step.text
    return after.about(sorted(done)), written
