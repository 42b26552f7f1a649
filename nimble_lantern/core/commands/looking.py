"""Looking: scrolling, the size of the text on the page, and what can be said."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands import frames
from nimble_lantern.core.effects import SaveSetting, Scroll
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, GROUPS, Parse, Way, command
from nimble_lantern.core.state import SETTING_CHOICES, Done, Sitting, View

CATALOGUE.table("way", {"(down | on | forward)": 1, "(up | back)": -1})
CATALOGUE.table("further", {"(next | following)": 1, "previous": -1}, heard=False)
CATALOGUE.table(
    "somewhat",
    {
        "(a bit | a little | a bit more | a little more | some | some more | further | more |"
        " again | slightly | once more | a page | a screen)": True
    },
)
CATALOGUE.table("group", {f"{title.lower()}": key for key, title in GROUPS.items()})


CATALOGUE.table(
    "beyond",
    {"(below | underneath)": 1, "above": -1},
    heard=False,
)


CATALOGUE.table(
    "unseen",
    {"(bottom | end | rest | last part)": 1, "(top | beginning | start | first part)": -1},
    heard=False,
)


def _has_scrolled(sitting: Sitting, parse: Parse) -> bool:
    """ "Back up", after looking further down."""
    last = sitting.trail[-1] if sitting.trail else None
    return last is not None and (last.command or "").startswith("looking.scroll")


_PAGES = 1_000
"""More than any text has."""
CATALOGUE.table(
    "outermost_way",
    {"(top | start | beginning)": -1, "(bottom | end)": 1},
    heard=False,
)


@command(
    "(scroll | page) {way} [a (bit | little)]",
    "(scroll | page) {way} [by] {number} [(pages | times | screens)]",
    "show [me] (more | the next page)",
    "(scroll | page) <somewhat> {way}",
    "(scroll | page | go | move) {way} (<somewhat> | one page | one screen)",
    "(scroll | go) to the {way:further} (page | screen)",
    "scroll <somewhat>",
    "{way:further} page",
    "(scroll | move) the (page | screen | text) {way} [<somewhat>]",
    "[further] {way} (a (page | screen)) [please]",
    "(show me | let me see) the {way:further} (bit | part | page | screen)",
    "(show me | let me see) (what is | what's) (further {way} | {way:beyond})",
    "i (can't | cannot | can not) see the {way:unseen} [of the <writing>]",
    Way("back {way}", when=_has_scrolled),
    "(show me | let me see) the [very] {far:outermost_way} [of (it | this | the <writing>)]",
    example="scroll down",
    group="moving",
    grows=True,
)
def scroll(sitting: Sitting, way: int = 1, number: int = 1, far: int = 0) -> Done:
    """Look further down or up, or at an end; the writing place stays where it is."""
    if far:
        where = "end" if far > 0 else "top"
        return Done(sitting, f"scrolled to the {where}", (Scroll(far * _PAGES),))
    return Done(sitting, f"scrolled {'down' if way > 0 else 'up'}", (Scroll(way * number),))


CATALOGUE.table("zoom", {"(in | larger)": 1, "(out | smaller)": -1})
CATALOGUE.table("magnified", {"(magnify | enlarge)": 1, "shrink": -1}, heard=False)
CATALOGUE.table("larger", {"(larger | bigger)": 1, "smaller": -1})
CATALOGUE.table(
    "unfit",
    {"(too small | hard to read | too tiny)": 1, "(too big | too large | too huge)": -1},
)


def _just_zoomed(sitting: Sitting, parse: Parse) -> bool:
    """ "A bit smaller than that", right after the text was shown larger."""
    last = sitting.trail[-1] if sitting.trail else None
    return last is not None and last.command == "looking.zoom"


@command(
    "zoom {zoom}",
    "zoom {zoom} [by] <somewhat>",
    "zoom <somewhat> {zoom}",
    "(make | show) (it | this | that | the (text | writing | words | letters)) [<somewhat>]"
    " {zoom:larger} on (the | my) (page | screen)",
    "[a] [<somewhat>] {zoom:larger} (view | zoom)",
    "[(make it | show it | everything)] [<somewhat>] {zoom:larger} on (the | my) screen",
    "[(it is | it's | everything is)] {zoom:unfit} (on | for) (the | my) screen",
    "(make | set) the (view | zoom) [<somewhat>] {zoom:larger}",
    "{zoom:magnified} (the | this) (page | screen | view)",
    "{zoom:magnified} (it | this | that | everything | the (text | letters)) on the (screen |"
    " page)",
    "i (can't | cannot | can hardly | can barely) (read | see) (the screen | (it | this | that |"
    " the (text | words | letters | writing)) on the screen)",
    "the (text | letters | writing | words | print | type) [on [the] (screen | page)] (is | are)"
    " [<somewhat>] {zoom:unfit}"
    " [(to read | for me | for my eyes | on the screen)]",
    "{zoom:larger} (text | letters | print) on the (page | screen)",
    "make the (text | letters | print) on the (page | screen) [a bit] {zoom:larger}",
    "(make | show) (the (page | screen) | everything [on the (page | screen)]) [a bit]"
    " {zoom:larger}",
    "(the | this) (page | screen | text on the (page | screen)) is [a bit] {zoom:unfit}",
    "(everything | it all | it) is [a bit] {zoom:unfit} on (the | my | this) (page | screen)",
    "<adopt> {zoom:larger} (text | letters | print) on the (page | screen)",
    "<wish> (the (page | screen) | everything on the (page | screen)) [a bit] {zoom:larger}",
    Way("[no] [<somewhat>] {zoom:larger} [(than that | still | again)]", when=_just_zoomed),
    example="zoom in",
    group="moving",
    grows=True,
)
def zoom(sitting: Sitting, zoom: int = 1) -> Done | Refusal:
    """Show the text larger or smaller on the page; the document stays as it is."""
    sizes = SETTING_CHOICES["text_size"]
    at = sizes.index(sitting.settings.text_size) + zoom
    if not 0 <= at < len(sizes):
        return Refusal(f"The text cannot be {'larger' if zoom > 0 else 'smaller'} than this.")
    settings = replace(sitting.settings, text_size=sizes[at])
    return Done(
        replace(sitting, settings=settings),
        f"the text is {sizes[at]} pixels high",
        (SaveSetting("text_size", sizes[at]),),
    )


@command(
    "what [else] can i (say | do) [(now | here)]",
    "(show | list) [me] [(all | the list of)] [the] commands",
    "show [me] [the] (list of commands | command list)",
    "[(show | list)] [me] [the] commands for {group}",
    "what can i say (about | for) {group}",
    "help [me]",
    "help please",
    "(help me | i need help) please",
    "(show | tell) me what (i can say | can be said | there is to say | i can do | to say)",
    *frames.opened("[(the | all the | all)] (commands | list of commands | command list)"),
    "what (commands | phrases) (are there | can i use | do you (know | have | understand))",
    "(i need | i'd like | give me | get me) [some] help",
    "[i am | i'm] (lost | stuck) [help]",
    example="what can i say",
    group="desk",
)
def show_commands(sitting: Sitting, group: str = "revising") -> Done:
    """Show what can be said, a group at a time; “scroll down” shows more."""
    there = replace(sitting, view=View.COMMANDS, group=group)
    return Done(there, f"what can be said: {GROUPS[group].lower()}")
