"""Versions that nobody named: "save a version", "go back to that version"."""

from __future__ import annotations

from itertools import count

from nimble_lantern.core.commands.versions import comparing, kept, returning
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, command
from nimble_lantern.core.reviewing.comparing import compare
from nimble_lantern.core.state import EXPORTED, Done, Sitting
from nimble_lantern.core.writing.cardinals import in_words

CATALOGUE.table(
    "latest_version",
    {
        "(that | the (last | latest | newest | most recent) | my (last | latest)) [(saved | kept)]"
        " (version | draft | snapshot) [(i | we) [have] [just] (saved | kept | made | took)]": True,
        "(the | that) (version | draft | snapshot) (i | we) [have] [just] (saved | kept | made |"
        " took)": True,
    },
    heard=False,
)  # fmt: skip


@command(
    "(save | keep | store) (a | another | this | one more) [new] (version | draft | snapshot)"
    " [of (it | this | the <writing>)] [(here | now | as it is | just in case)]",
    "(make | take) (a | another | one more) [new] (version | snapshot) [of (it | this | the"
    " <writing>)] [(here | now | as it is | just in case)]",
    "(save | keep | store) (it | this | the <writing>) [as it is] [now] as a [new] version",
    "(keep | save | store) a copy of (it | this | the <writing>) (as it is | like this | as it is"
    " now | as it stands) [just in case]",
    example="save a version",
    group="repair",
    heard=2,
)
def save(sitting: Sitting) -> Done:
    """Keep the text as it is now, under the next number, to come back to."""
    taken = {m.name.casefold() for m in sitting.milestones}
    number = next(n for n in count(1) if f"version {in_words(n)}" not in taken)
    name = f"version {in_words(number)}"
    return Done(kept.with_milestone(sitting, name), f"this is “{name}” now")


@command(
    "(bring back | restore | return to | go back to | revert to | get back | take me back to)"
    " {latest:latest_version}",
    "(bring | put | get | have) {latest:latest_version} back",
    "(bring | put | take) (it | everything | the <writing>) back to {latest:latest_version}",
    example="go back to the last version",
    group="repair",
    destructive=True,
    heard=0,
)
def bring_back_latest(sitting: Sitting, latest: bool = True) -> Done | Refusal:
    """Make the text as it was in the version that was kept last."""
    name = _latest(sitting)
    return name if isinstance(name, Refusal) else returning.bring_back(sitting, name)


@command(
    "compare [(this | it | the <writing>)] (with | to | against) {latest:latest_version}",
    "<what_changed> (since | from | after | compared (to | with)) {latest:latest_version}",
    "(what | show [me] what) [has] changed (since | from | after) {latest:latest_version}",
    example="compare with the last version",
    group="repair",
    shows=True,
    heard=0,
)
def compare_latest(sitting: Sitting, latest: bool = True) -> Done | Refusal:
    """Show what changed since the version that was kept last, word by word."""
    name = _latest(sitting)
    return name if isinstance(name, Refusal) else comparing.compare_with(sitting, name)


def _latest(sitting: Sitting) -> str | Refusal:
    names = [m.name for m in sitting.milestones if m.name != EXPORTED]
    if not names:
        return Refusal("No version was kept here.", "", "“Save a version” keeps one.")
    return names[-1]


def _none_compared(sitting: Sitting, parse: Parse) -> bool:
    """While versions are compared, "the last change" is one of those."""
    return sitting.compared is None


@command(
    "[<go>] [back] to (the | my) (last | latest | most recent) (change | edit) [i made]",
    "(show me | show | let me see) (the | my) (last | latest | most recent) (change | edit"
    " | thing i (changed | did))",
    "[<go>] [back] to (what | where) i [(last | just)] changed [(something | it | last)]",
    "where (was | is) (the | my) (last | latest) (change | edit)",
    "where did i (last | just) change (something | anything | it)",
    "what did i [just] change (last | just now)",
    example="go to my last change",
    group="moving",
    when=_none_compared,
    heard=2,
)
def go_to_last_change(sitting: Sitting) -> Done | Refusal:
    """Go to what the last change to the text left, and say what it was."""
    head = sitting.history.head
    if head is None:
        return Refusal("Nothing was changed here yet.")
    changes = compare(kept.document_of(sitting, head.parent), sitting.document)
    if not changes:
        return Refusal("The last change left nothing to see.")
    change = changes[-1]
    after = sitting.about([change.new]).placed(change.new.end)
    return Done(after, f"the last change: {comparing.said_of(change)}")
