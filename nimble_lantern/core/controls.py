"""The controls of each view: their visible names, which are also what is said to them.

Pressing a control is as saying its words; pages draw controls from this list only, so that there
is none that cannot be spoken to.
"""

from __future__ import annotations

from dataclasses import dataclass

from nimble_lantern.core.state import Sitting


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
