"""The trail by voice: what was said and done, how it was taken, and what was not understood."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.state import Done, Entry, Sitting, TrailView, View

A_SCREEN = 6
"""Lines of the trail that its page shows."""
CATALOGUE.table("older", {"(more | older | earlier | the rest)": 1, "(newer | later)": -1})


def lines_of(sitting: Sitting) -> list[Entry]:
    """What the page of the trail may show, the newest first."""
    return [e for e in reversed(sitting.trail) if not sitting.trail_view.missed or missed(e)]


def missed(entry: Entry) -> bool:
    """Whether an utterance was not done as it was meant, as far as the desk knows."""
    return entry.refused or entry.read_as is ReadAs.UNCLEAR


def _screens(sitting: Sitting) -> int:
    return max(1, -(-len(lines_of(sitting)) // A_SCREEN))


@command(
    *frames.opened("[all of] (the | my) [whole] trail"),
    "(show | read) me (everything | all) [that] i [have] (said | did | done)",
    "(show | open | see) [me] my history",
    "let me (see | look at | look through) what i [have] (said | done)",
    "show [me] what (i (said | have said | did | have done) | happened | you (did | heard))"
    " [(so far | today)]",
    "(what (have | did) i (done | do) | what did you (hear | do)) so far",
    "(show | see) [me] (more | the rest | all) of the trail",
    "(what have i said | what did i say) [(so far | today)]",
    "what happened so far",
    heard=1,
    example="show more of the trail",
    group="repair",
    shows=True,
)
def show(sitting: Sitting) -> Done:
    """Show more of the trail: what was said, how it was read, and what it did."""
    after = replace(sitting, view=View.TRAIL, trail_view=TrailView())
    return Done(after, f"the trail has {len(sitting.trail):,} lines")


def _shows_trail(sitting: Sitting, parse: Parse) -> bool:
    return sitting.view is View.TRAIL


@command(
    Way("[show] [me] {older} [lines]", when=_shows_trail),
    "(show | see) [me] {older} (lines | ones) of the trail",
    heard=1,
    example="show older lines of the trail",
    group="repair",
)
def older(sitting: Sitting, older: int) -> Done:
    """Look further back in the trail, or forward again."""
    now = sitting.trail_view
    last = _screens(sitting) - 1
    view = replace(now, screens=max(0, min(last, now.screens + older)))
    return Done(replace(sitting, view=View.TRAIL, trail_view=view), "further along the trail")


@command(
    "(show | list | see) [me] what [you] (was not understood | did not understand | didn't"
    " understand | was unclear | went wrong | failed)",
    "what did you not understand",
    "(show | see) [me] (only | just) what (was not understood | failed | went wrong)",
    heard=1,
    example="show what was not understood",
    group="repair",
)
def not_understood(sitting: Sitting) -> Done:
    """Show only what was not understood, or could not be done."""
    after = replace(sitting, view=View.TRAIL, trail_view=TrailView(missed=True))
    count = len(lines_of(after))
    return Done(after, f"{count} not understood, or not done" if count else "all was understood")


@command(
    "what did you do (at | in | for | with | after) [utterance] [number] {number}",
    "what (was | is) utterance [number] {number}",
    "what did i say (at | in) [utterance] [number] {number}",
    "(explain | tell me about | show [me]) utterance [number] {number}",
    "what did you (just do | do last | do just now)",
    "what did i just (do | change)",
    heard=1,
    example="what did you do at one",
    group="repair",
)
def explain(sitting: Sitting, number: int | None = None) -> Done | Refusal:
    """Tell what an utterance was taken for, and what it did."""
    if number is None:
        number = sitting.trail[-1].number if sitting.trail else 0
    found = next((e for e in reversed(sitting.trail) if e.number == number), None)
    if found is None:
        return Refusal(f"There is no utterance {number}.", "", "The trail shows the numbers.")
    how = found.read_as.value.replace("+", " and ")
    return Done(sitting, f"{number}: {quoted(found.heard)}, taken for {how}: {found.summary}")
