"""Figures of one's own: how much was dictated, how much of it had to be put right."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands import frames
from nimble_lantern.core.grammar.catalogue import command
from nimble_lantern.core.state import Done, Sitting, View


@command(
    *frames.opened("my (figures | progress | statistics)"),
    "(show | open) [me] [the] (figures | progress | statistics)",
    "go to the figures",
    "how (am i doing | much did i (write | dictate | say) [today])",
    "how many words (did i | have i) (write | written | dictate | dictated | say | said) [today]",
    "how well do you (understand me | do)",
    "how many mistakes (do you | did you) make",
    example="show my figures",
    group="desk",
    shows=True,
)
def show_figures(sitting: Sitting) -> Done:
    """Show how much you dictated, how much was put right, and the words that were misheard most."""
    return Done(replace(sitting, view=View.FIGURES), "your figures")
