"""The controls of each view: their visible names, which are also what is said to them.

Pressing a control is as saying its words; pages draw controls from this list only, so that there
is none that cannot be spoken to.
"""

from __future__ import annotations

from dataclasses import dataclass

from nimble_lantern.core.practice.lessons import LESSONS
from nimble_lantern.core.state import Sitting, View


def numbered(sitting: Sitting) -> int:
    """How many rows of the view are done by saying their number."""
    match sitting.view:
        case View.SHELF:
            return len(sitting.shelf)
        case View.PRACTICE:
            return len(LESSONS)
        case View.PASSAGES:
            return len(sitting.passages)
        case View.VERSIONS:
            return len(sitting.milestones)
        case View.PRINT_TRAY:
            return len(sitting.jobs)
    return 0


def row_words(sitting: Sitting, number: int) -> tuple[str, ...]:
    """What a numbered row of the view stands for, in words."""
    verb = {
        View.SHELF: "open document number",
        View.PRACTICE: "start lesson",
        View.PASSAGES: "insert passage number",
        View.VERSIONS: "compare with version number",
        View.PRINT_TRAY: "show print number",
    }[sitting.view]
    return (*verb.split(), str(number))


@dataclass(frozen=True, slots=True)
class Control:
    """A control: its visible name, and the words that do the same; `on` while it is in effect."""

    name: str
    says: str
    on: bool = False


def controls(sitting: Sitting, playing: str | None = None) -> tuple[Control, ...]:
    """What can be pressed in a sitting; `playing` is the script that the prompter speaks."""
    if not sitting.scripts:
        return ()
    if playing is not None:
        return (Control("Stop the prompter", "stop the prompter", on=True),)
    return tuple(Control(f"Play “{script}”", f"play {script}") for script in sitting.scripts)
