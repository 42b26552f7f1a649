"""Two versions compared, and walked through change by change."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import datetime, time

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.history import version_after
from nimble_lantern.core.commands.naming import (
    day_meant,
)
from nimble_lantern.core.commands.versions.kept import document_of, milestone
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.document.model import Document
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command
from nimble_lantern.core.reviewing.comparing import (
    Change,
    Compared,
    becoming,
    compare,
    count_words,
    taken_back,
)
from nimble_lantern.core.state import Done, Sitting, View


def _of_changes(compared: Compared, changes: Sequence[Change]) -> str:
    if not changes:
        return f"nothing has changed since {compared.since}"
    words = many(count_words(changes), "word")
    return f"{many(len(changes), 'change')} since {compared.since}, {words}: “next change”"


def looking(sitting: Sitting, since: str, base: Document) -> Done:
    """With the changes since a version shown on the page."""
    compared = Compared(since, base)
    changes = compare(base, sitting.document)
    after = replace(
        sitting.about(()), compared=compared if changes else None, view=View.DESK, question=None
    )
    return Done(after, _of_changes(compared, changes))


CATALOGUE.table(
    "what_changed",
    {
        "(what | what's | show [me] what | tell me what | let me see what)"
        " [(is | has | was | had)] [been]"
        " (changed | different | new | altered | edited | added)": True,
        "(what | show [me] what | tell me what | let me see what) (i | we) [(have | had | 've)]"
        " (changed | done | altered | edited | written)": True,
        "what (have | did) (i | we) (change | changed | do | done | alter | altered | edit | edited"
        " | written)": True,
        "[(show [me] | what are | let me see | see)] [all] [(the | my)]"
        " (changes | differences | edits) [[(i | we) [have]] made]": True,
        "how [much] (is (this | it) [now] different | does (this | it) [now] (differ | compare) |"
        " (this | it) (is different | differs | compares))": True,
        "(how has (this | it) changed | how much has changed)": True,
    },
    heard=False,
)


@command(
    "(check | hold | set | measure) (this | it | the (text | document | letter)) (against | beside"
    " | next to) [the] [version] {version}",
    "compare [(this | it | the (text | document | letter))] (with | to | against) [the] [version]"
    " {version}",
    "(what | show [me] what) [has] changed (since | from | after) [the] [version] {version}",
    "compare with version number {number}",
    "how was (it | this) in [the] [version] {version}",
    "what (was (it | this) like | did (it | this) (say | look like)) in [the] [version] {version}",
    "<what_changed> (since | after | from | to | against | with | compared (to | with)) [the | my]"
    " [version] {version} [version]",
    "(put | show) (this | it) (beside | next to | against) [the] [version] {version}",
    "(tell | show) me (how | where | what) (this | it) [(is | has)] (differs | different | changed)"
    " (from | since) [the] [version] {version}",
    "(anything | is anything | has anything) (new | different | changed) (since | from) [the]"
    " [version] {version}",
    "(what is | what's | show me what is | show me what's) different {version:since_kept}",
    "<what_changed> {version:since_kept}",
    heard=2,
    example="compare with first draft",
    group="repair",
    shows=True,
)
def compare_with(
    sitting: Sitting, version: str | None = None, number: int | None = None
) -> Done | Refusal:
    """Show what changed since a named version, word by word."""
    if version is None:
        n = number or 0
        if not 1 <= n <= len(sitting.milestones):
            return Refusal(f"There is no version {n}.")
        version = sitting.milestones[-n].name
    base = document_of(sitting, milestone(sitting, version).version)
    return looking(sitting, f"“{version}”", base)


CATALOGUE.table(
    "since_day",
    {
        "this morning": 0, "today": 0, "midnight": 0, "yesterday": 1, "last night": 1,
        "the day before yesterday": 2, "last week": 7, "a week ago": 7,
    },
)  # fmt: skip


def _none_compared(sitting: Sitting, parse: Parse) -> bool:
    """While versions are compared, "the last change" is one of those."""
    return not _compares(sitting, parse)


@command(
    "(what | show [me] what) [(has | i have | i)] changed since [utterance] [number] {number}",
    "(what | show [me] what) [(has | i have)] changed",
    "(what did i change | what have i changed | what has been changed)",
    Way("(take | walk | lead | run) me through [all] (the | my) changes", when=_none_compared),
    "(show | what are | let me see) [me] (the | my) changes",
    "<what_changed> since (the start | the beginning | i began | [utterance] [number] {number})",
    "<what_changed> since {ago:since_day}",
    "(what did i change | what have i changed | what [has] changed) {ago:since_day}",
    "<what_changed> since [last] {day}",
    "compare [(it | this | the <writing>)] with {ago:since_day}",
    "what did (it | this | the <writing>) look like {ago:since_day}",
    "compare [(it | this)] with how it (was | looked | stood) {ago:since_day}",
    "compare [(it | this)] with how it (was | looked | stood) [(last | on)] {day}",
    heard=1,
    example="show what changed since twelve",
    group="repair",
    shows=True,
)
def changed_since(
    sitting: Sitting,
    number: int | None = None,
    ago: int | None = None,
    day: int | None = None,
) -> Done | Refusal:
    """Show what changed since an utterance, a day, or the beginning."""
    if number is not None:
        if not 0 <= number < sitting.number:
            return Refusal(f"There is no utterance {number} yet.")
        base = document_of(sitting, version_after(sitting, number))
        return looking(sitting, f"utterance {number}", base)
    if ago is None and day is None:
        return looking(sitting, "the beginning", document_of(sitting, None))
    if sitting.now is None:
        return Refusal("The desk does not know what day it is.")
    start = datetime.combine(day_meant(sitting.now.date(), day, ago), time.min)
    version = None
    for entry in reversed(sitting.trail):
        if entry.page == sitting.page and entry.at is not None and entry.at < start:
            version = entry.version
            break
    said = "this morning" if start.date() == sitting.now.date() else start.strftime("%A")
    return looking(sitting, said, document_of(sitting, version))


def _compares(sitting: Sitting, parse: Parse) -> bool:
    return sitting.compared is not None


def _changes_are_seen(sitting: Sitting, parse: Parse) -> bool:
    """ "Close that", where no other page lies over the changes."""
    return _compares(sitting, parse) and sitting.view in (View.DESK, View.VERSIONS)


@dataclass(frozen=True, slots=True)
class _Looked:
    compared: Compared
    changes: tuple[Change, ...]


def _looked(sitting: Sitting) -> _Looked | Refusal:
    compared = sitting.compared
    if compared is None:
        return Refusal("Nothing is compared.", "", "“Compare with” and a version's name.")
    return _Looked(compared, compare(compared.base, sitting.document))


def _at(sitting: Sitting, looked: _Looked, index: int) -> Done:
    change = looked.changes[index]
    r = change.new
    after = replace(
        sitting.about([r]),
        compared=replace(looked.compared, at=index),
        selection=None if r.empty else r,
        fresh=False,
        question=None,
    )
    return Done(after, f"change {index + 1} of {len(looked.changes)}: {said_of(change)}")


def said_of(change: Change) -> str:
    """A change in words."""
    if change.looks:
        return f"{quoted(change.now)} looks different"
    if not change.was.strip():
        return f"{quoted(change.now)} is new"
    if not change.now.strip():
        return f"{quoted(change.was)} is gone"
    return f"{quoted(change.was)} is {quoted(change.now)} now"


@command(
    *frames.walked("(change | difference)"),
    "[(<go> | show [me] | read [me] | let me (see | hear))] [to] [the] {position} (change |"
    " difference)",
    "[<go>] [to] [the] change [number] {number}",
    Way(
        "(next | [and] the (next | following) one | on | and the next [one] | [and] the one after"
        " [(that | this)] | what else [(is there | [(is | has)] [been] changed | is different | did"
        " i change | have i changed)] | go on | [and] then | [and] what next)",
        when=_compares,
    ),
    "(take | walk | lead | run) me through [(all | each of)] (the | my | these) changes"
    " [one by one]",
    "[let's] (go | walk | run) through [(all | each of)] (the | my | these) changes [one by one]",
    Way("[and] <go> on to the {step} (one | change | difference)", when=_compares),
    heard=1,
    example="next change",
    group="repair",
    shows=True,
    when=_compares,
)
def walk(
    sitting: Sitting, step: int = 1, position: int | None = None, number: int | None = None
) -> Done | Refusal:
    """Walk through the changes, one after another."""
    looked = _looked(sitting)
    if isinstance(looked, Refusal):
        return looked
    if not looked.changes:
        return Refusal(f"Nothing is different from {looked.compared.since} any more.")
    n = number if number is not None else position
    if n is not None:
        if not 1 <= n <= len(looked.changes):
            return Refusal(f"There is no change {n}.")
        return _at(sitting, looked, n - 1)
    at = looked.compared.at
    first = 0 if step > 0 else len(looked.changes) - 1
    index = first if at < 0 else at + step
    if not 0 <= index < len(looked.changes):
        return Refusal("There are no more changes that way.")
    return _at(sitting, looked, index)


CATALOGUE.table("as_it_was", {"([to] (how | what | the way | as) it was [before])": True})


@command(
    "(take | put | turn | change | set) (this | that | the | it) [one] [change] back [(again |"
    " <as_it_was>)]",
    "(leave | have | keep | i want | i'd like | i would like | make) (this | that | it) [one]"
    " [change] [back] <as_it_was>",
    "(take back | undo | revert | reverse | reject | refuse | drop | scrap | throw out | discard)"
    " (this | that | the) (one | change)",
    "(no | not | without) (this | that) (one | change)",
    "(i don't | i do not | don't | do not) (want | like | need) (this | that | the) (one | change)"
    " [<any_more>]",
    "(this | that | the) change (can | should | must | has to) (go | come out | go back)",
    "(it | this) was (better | right) before",
    "that was better before",
    "(take back | undo | revert | reverse | reject | drop) [the] change [number] {number}",
    "(take back | undo | revert | reverse | reject | drop) the {number:position} change",
    "(take | put | turn) [the] change [number] {number} back",
    "(as | how) it was",
    heard=1,
    example="take this one back",
    group="repair",
    when=_compares,
)
def take_back(sitting: Sitting, number: int | None = None) -> Done | Refusal:
    """Make one change undone, and look at the next."""
    looked = _looked(sitting)
    if isinstance(looked, Refusal):
        return looked
    index = looked.compared.at if number is None else number - 1
    if number is None and len(looked.changes) == 1:
        index = 0  # "take that change back", where it is the only one
    if not 0 <= index < len(looked.changes):
        return Refusal("No change is looked at.", "", "“Next change” goes to the first.")
    change = looked.changes[index]
    edit = taken_back(looked.compared.base, sitting.document, change)
    after = replace(sitting.edited(edit).about(()), compared=replace(looked.compared, at=index - 1))
    return Done(after, f"taken back: {said_of(change)}")


_ALL_CHANGES = "(all [of] [(them | it | these | those)] | them all | [all]"
_ALL_CHANGES += " [of] (the | these | those | my) (changes | differences) | every change)"


@command(
    f"(take back | undo | revert | reverse | reject | refuse | drop | discard) {_ALL_CHANGES}",
    f"(take | put | turn | change) {_ALL_CHANGES} back [<as_it_was>]",
    "(reject | refuse | discard) (everything | the lot)",
    "(i don't | i do not | don't | do not) (want | like) any of (them | these | those | the"
    " changes) [<any_more>]",
    example="take all of them back",
    group="repair",
    heard=0,
    when=_compares,
)
def take_back_all(sitting: Sitting) -> Done | Refusal:
    """Make every change undone since the version that is compared with."""
    looked = _looked(sitting)
    if isinstance(looked, Refusal):
        return looked
    if not looked.changes:
        return Refusal(f"Nothing is different from {looked.compared.since} any more.")
    edit = becoming(sitting.document, looked.compared.base)
    after = replace(sitting.edited(edit).about(()), compared=None)
    count = many(len(looked.changes), "change")
    return Done(after, f"{count} taken back; “undo that” brings them again")


@command(
    "(keep | leave | accept) (this | that | the) [one] [change]",
    "(keep | leave) (this | that) (change | one) (in | as it is | that way | like that)",
    "(i like | i want | yes keep) (this | that) (change | one)",
    heard=1,
    example="keep this one",
    group="repair",
    when=_compares,
)
def keep(sitting: Sitting) -> Done | Refusal:
    """Leave a change as it is, and look at the next."""
    return walk(sitting)


@command(
    "(stop | end | finish | leave) (comparing | the comparison | looking at [the] changes)",
    "[(i'm | i am | we're | we are | i've | i have)] (done | finished | finish) (with | looking at"
    " | going through) [all] (the | my) changes",
    "(hide | close) (that | this | it | the (changes | differences | comparison))",
    "[(go | get)] [me] back to [(the | my)] (normal [view] | writing | letter | text | page)",
    "(normal | ordinary | usual) view",
    "(that is all | i am done | done | that's all | i'm done)",
    "(done | finished | i'm done) (comparing | with the comparison)",
    "(that's | that is) enough [(comparing | of that | of this | changes)]",
    "i've seen enough [of (this | that | these | the changes)]",
    "(that'll | that will) do [(for | of) the (changes | comparison)]",
    "(i | we) (do not | don't | no longer) (need | want) to see (the | any) (changes | differences)"
    " [<any_more>]",
    "(no more | enough [of]) [the] (comparing | changes | the comparison | looking)",
    "(go | get | take me | let me go | let's go | just) [back] [to] (just | only | the plain | the"
    " ordinary | the normal) [(the | my)] (writing | letter | text | page | view)",
    "back to (just | only) [(the | my)] (writing | letter | text | page)",
    "(switch | turn) (comparing | the comparison) off",
    "(stop | don't) (show | showing) [me] [the] (changes | differences)",
    heard=1,
    example="stop comparing",
    group="repair",
    when=_changes_are_seen,
)
def stop(sitting: Sitting) -> Done:
    """Go on without the changes being shown."""
    return Done(replace(sitting.about(()), compared=None), "the changes are not shown any more")


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
    changes = compare(document_of(sitting, head.parent), sitting.document)
    if not changes:
        return Refusal("The last change left nothing to see.")
    change = changes[-1]
    after = sitting.about([change.new]).placed(change.new.end)
    return Done(after, f"the last change: {said_of(change)}")
