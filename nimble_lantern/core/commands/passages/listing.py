"""The passages there are: shown, renamed, removed, exported."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.naming import called_whole, given_name, taken
from nimble_lantern.core.commands.passage_here import (
    exists,
    exists_any,
    passage_names,
)
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.effects import ExportPassages
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Way, command, each
from nimble_lantern.core.reviewing.passages import (
    named,
)
from nimble_lantern.core.state import Done, Sitting, View


@command(
    *frames.listed("[stored] passages"),
    *frames.listed("(saved | stored | kept) (bits | pieces | texts | phrases) [of text]"),
    "(what | which) (passages | texts | bits of text | pieces [of text]) (have i | did i | do i"
    " have) [(stored | kept | saved | got | store | keep | save)]",
    "(list | show [me] | tell me | read [me]) (everything | all | what) [that] (i've | i have)"
    " (stored | kept | saved)",
    "(show | list | read) [me] (the | my) (texts | bits | pieces | words) [that] i [have] (stored"
    " | kept | saved)",
    "open [my | the] passages",
    Way("what can i (insert | put in)", when=exists_any),
    heard=1,
    example="show my passages",
    group="writing",
    shows=True,
)
def show(sitting: Sitting) -> Done:
    """Show the passages; a number or a name writes one."""
    count = many(len(sitting.passages), "passage")
    return Done(replace(sitting, view=View.PASSAGES), f"there {_are(sitting)} {count}")


def _are(sitting: Sitting) -> str:
    return "is" if len(sitting.passages) == 1 else "are"


@command(
    "(show | preview | read | see | hear | look at) [me] [(the | my)] (passage {passage}"
    " | {passage} passage)",
    "what does [the] [passage] {passage} say",
    "what is in [the] passage {passage}",
    Way("(what is | what's) in [(the | my)] {passage}", when=exists),
    Way(
        "(show | tell | read) [me] what [(the | my)] [passage] {passage} [passage] (says | is | has"
        " in it)",
        when=exists,
    ),
    Way(
        "(let me (see | hear) | show me | read [me] | tell me | preview | how does) [(the | my)]"
        " {passage} [passage] [(go | read | sound)]",
        when=exists,
    ),
    Way(
        "what (have i got | did i (put | write | keep | store)) (in | as | for) [(the | my)]"
        " {passage} [passage]",
        when=exists,
    ),
    heard=1,
    example="show the passage sign off",
    group="writing",
    shows=True,
)
def preview(sitting: Sitting, passage: str) -> Done:
    """Tell what a passage says, without writing it."""
    text = named(sitting.passages, passage).text
    return Done(replace(sitting, view=View.PASSAGES), f"{quoted(passage)}: {quoted(text)}")


@command(
    "(<remove> | <discard> | forget) [the] passage [called] {passage}",
    *frames.unnamed("passage", "passage", "passages"),
    *each(called_whole("passage", passage_names), *frames.unnamed_alone("passage")),
    heard=1,
    example="remove the passage sign off",
    group="writing",
)
def remove(sitting: Sitting, passage: str) -> Done:
    """Take a passage away; what was written with it stays."""
    kept = tuple(p for p in sitting.passages if p.name != passage)
    return Done(replace(sitting, passages=kept), f"the passage {quoted(passage)} is gone")


@command(
    "(rename | call) the passage {passage} [(to | as)] {text:words}",
    *frames.renamed("passage", "passage"),
    *each(called_whole("passage", passage_names), *frames.renamed_alone("passage")),
    heard=1,
    example="rename the passage sign off to farewell",
    group="writing",
)
def rename(sitting: Sitting, passage: str, text: tuple[str, ...]) -> Done | Refusal:
    """Give a passage another name."""
    name = given_name(text)
    others = (p.name for p in sitting.passages if p.name != passage)
    if refused := taken(name, others, "passage"):
        return refused
    kept = tuple(replace(p, name=name) if p.name == passage else p for p in sitting.passages)
    return Done(replace(sitting, passages=kept), f"{quoted(passage)} is called {quoted(name)} now")


@command(
    "(export | save) [all] [(my | the)] passages [(as | to) (markdown | a file)]",
    "(write | put | send | get | save) [(all | all of)] (my | the) passages (to | in | into | as) a"
    " file",
    "[all] [(my | the)] passages (to | into | as) (a file | markdown)",
    heard=1,
    example="export my passages",
    group="writing",
)
def export(sitting: Sitting) -> Done | Refusal:
    """Put all passages into a file of the outbox."""
    if not sitting.passages:
        return Refusal("There are no passages.")
    count = many(len(sitting.passages), "passage")
    return Done(sitting, f"{count} put into the outbox", (ExportPassages(),))
