"""Versions with names: kept, compared, and brought back, whole or in part."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import datetime, time

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.history import version_after
from nimble_lantern.core.commands.naming import (
    called_whole,
    day_meant,
    given_name,
    owned,
    short,
    taken,
)
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.document import history
from nimble_lantern.core.document.edits import AddBlocks, DropBlocks, Edit, Splice
from nimble_lantern.core.document.history import Version
from nimble_lantern.core.document.model import Document, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each, rule
from nimble_lantern.core.reviewing.comparing import (
    Change,
    Compared,
    becoming,
    compare,
    count_words,
    taken_back,
)
from nimble_lantern.core.state import EXPORTED, Done, Milestone, Sitting, View
from nimble_lantern.core.targets.model import Places, Target, That, Unit, Units
from nimble_lantern.core.targets.names import look_up
from nimble_lantern.core.targets.resolve import resolve

MOST = 200


def _names(sitting: Sitting) -> Sequence[str]:
    return [m.name for m in sitting.milestones]


def _milestone(sitting: Sitting, name: str) -> Milestone:
    return next(m for m in sitting.milestones if m.name == name)


CATALOGUE.names("version", of=_names)
owned("version")


def document_of(sitting: Sitting, version: Version | None) -> Document:
    """The text of a version."""
    return history.go_to(sitting.history, sitting.document, sitting.caret, version).document


def with_milestone(sitting: Sitting, name: str) -> Sitting:
    """With the text as it is now kept under a name; an older version of that name gives way."""
    when = sitting.now.isoformat(timespec="minutes") if sitting.now else ""
    words = sitting.document.count_words(sitting.document.whole)
    new = Milestone(name, sitting.history.head, sitting.number, when, words)
    others = [m for m in sitting.milestones if m.name.casefold() != name.casefold()]
    return replace(sitting, milestones=(*others, new)[-MOST:])


@rule("draft_name", "{words} draft", heard=False)
def _draft(words: tuple[str, ...]) -> tuple[str, ...] | None:
    """ "Call this the first draft"."""
    return (*words, "draft") if words[0] not in _CALLED else None


@rule("draft_name", "{words} version", heard=False)
def _version(words: tuple[str, ...]) -> tuple[str, ...] | None:
    return words if words[0] not in _CALLED else None


_CALLED = frozenset("version draft state place spot passage document letter as".split())


@command(
    "(call | name | label) this (version | draft | state) [as] {text:words}",
    "(save | keep | store | remember | mark) this (version | draft | state) (as | and call it"
    " | under the name [of]) {text:words}",
    "(save | keep | make | store) a version (called | named | as) {text:words}",
    "(call | name | label | mark | save | keep) this [as] [the] {text:draft_name}",
    "(save | keep | store | remember | mark) [a copy of] (how it (is | stands) | the way it (is |"
    " stands) | what there is | (this | the present) state) [now] as [the] [version] {text:words}",
    "(this | that) version is (called | named) {text:words}",
    "(take | make | keep | save) (a snapshot | a picture) [of this] (called | named | as | and call"
    " it) {text:words}",
    "(keep | save | make | take) a copy of this [as it is] (called | named | as | and call it)"
    " [the] {text:draft_name}",
    "let this version be called {text:words}",
    "let this version be [the] {text:draft_name}",
    "this is [the] {text:draft_name} (remember | keep | save) it",
    "(keep | leave | save) (this | it | that) [just] as it (is | stands) [now] and (call | name) it"
    " {text:words}",
    "(save | keep | store | remember | mark) how (it | this | everything) (is | stands | looks)"
    " [now] (as | and call it) {text:words}",
    *frames.called("version"),
    "(keep | save | make | take | store) a (version | copy | snapshot) of (this | it | the"
    " (letter |"
    " text | document)) [as it is] [now] (as | called | named | under [the name] | and call it)"
    " {text:words}",
    "(call | name | label) the (present | current) (version | draft | state) {text:words}",
    "(call | name | label | mark | save | keep | store | remember) this as [the] version [called]"
    " {text:words}",
    "(save | keep | remember) (this | it | everything | the document | the letter | how it is now)"
    " as [the] version [called] {text:words}",
    "(remember | keep | save | store | hold) (it | this | everything | the (letter | text |"
    " document)) (like this | like that | as it is [now] | as it stands [now] | the way it is [now]"
    " | as it is at the moment) (as | under [the name] | and call it) [the] {text:words}",
    "(keep | save | store | hold on to) (it | this | the (letter | text | document)) (under [the"
    " name] | by the name [of]) {text:name_given}",
    "[this is] (my | our | the) {text:draft_name} (keep | save | remember | store) it",
    "(call | name | freeze) (how it is | it as it is | the way it is | how it stands) [now] [as]"
    " {text:words}",
    "freeze (it | this) (here | now | as it is) as {text:words}",
    "(i'm | i am) (calling | naming | saving | keeping) this (version [as] | as) {text:words}",
    "put this away as [the] version {text:words}",
    "(keep | save | make | take) a copy of (it | this | everything) (like this | like that | as it"
    " is [now]) [and] (called | named | as | call it) {text:words}",
    "(keep | save | store | remember) (how (it | this | everything) is | the way (it | this) is)"
    " [now] (under [the name] | by the name [of] | called | named) {text:words}",
    heard=1,
    example="call this version first draft",
    group="repair",
    when=short(6),
)
def call(sitting: Sitting, text: tuple[str, ...]) -> Done:
    """Keep the text as it is now under a name, to compare with and to come back to."""
    if len(text) > 1 and text[-1] == "version":
        text = text[:-1]
    if len(text) > 1 and text[0] == "version":
        text = text[1:]
    name = given_name(text)
    return Done(with_milestone(sitting, name), f"this version is called “{name}”")


@command(
    *frames.listed("[(named | older | old | earlier | other | kept | saved)] (versions | drafts)"),
    heard=1,
    example="show my versions",
    group="repair",
    shows=True,
)
def show(sitting: Sitting) -> Done | Refusal:
    """List the named versions: when each was kept, and how long it was."""
    named = [m.name for m in sitting.milestones if m.name != EXPORTED]
    if not named:
        return Refusal(
            "No version has a name here.", "", "“Call this version first draft” gives it one."
        )
    names = ", ".join(f"“{name}”" for name in named)
    after = replace(sitting, view=View.VERSIONS)
    return Done(after, f"{many(len(named), 'version')}: {names}")


@command(
    "(forget | remove | delete | unname) the (version | draft) [called] {version}",
    "(forget | unname) [the] version {version}",
    "<discard> the (version | draft) [called] {version}",
    *frames.unnamed("version", "(version | draft | state | copy)", "(versions | drafts)"),
    *each(called_whole("version", _names), *frames.unnamed_alone("version")),
    heard=1,
    example="forget the version first draft",
    group="repair",
)
def forget(sitting: Sitting, version: str) -> Done:
    """Take a version's name away; the trail still leads there."""
    kept = tuple(m for m in sitting.milestones if m.name != version)
    return Done(replace(sitting, milestones=kept), f"no version is called “{version}” any more")


@command(
    "(rename | call) the (version | draft) {version} [(to | as)] {text:words}",
    *frames.renamed("version", "(version | draft)"),
    *each(called_whole("version", _names), *frames.renamed_alone("version")),
    heard=1,
    example="rename the version first draft to spring letter",
    group="repair",
)
def rename(sitting: Sitting, version: str, text: tuple[str, ...]) -> Done | Refusal:
    """Give a version another name."""
    name = given_name(text)
    if refused := taken(name, (n for n in _names(sitting) if n != version), "version"):
        return refused
    kept = tuple(replace(m, name=name) if m.name == version else m for m in sitting.milestones)
    return Done(replace(sitting, milestones=kept), f"{quoted(version)} is called “{name}” now")


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
        "(what | show [me] what | tell me what | let me see what) [(is | has | was | had)] [been]"
        " (changed | different | new | altered | edited | added)": True,
        "(what | show [me] what | tell me what | let me see what) (i | we) [(have | had | 've)]"
        " (changed | done | altered | edited | written)": True,
        "what (have | did) (i | we) (change | changed | do | done | alter | altered | edit | edited"
        " | written)": True,
        "[(show [me] | what are | let me see | see)] [all] [(the | my)]"
        " (changes | differences | edits) [[(i | we) [have]] made]": True,
        "how (is (this | it) different | does (this | it) (differ | compare) | (this | it) (is"
        " different | differs | compares))": True,
        "how has (this | it) changed": True,
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
    "<what_changed> (since | from | to | against | with | compared (to | with)) [the] [version]"
    " {version} [version]",
    "(put | show) (this | it) (beside | next to | against) [the] [version] {version}",
    "(tell | show) me (how | where | what) (this | it) [(is | has)] (differs | different | changed)"
    " (from | since) [the] [version] {version}",
    "(anything | is anything | has anything) (new | different | changed) (since | from) [the]"
    " [version] {version}",
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
    base = document_of(sitting, _milestone(sitting, version).version)
    return looking(sitting, f"“{version}”", base)


CATALOGUE.table(
    "since_day",
    {
        "this morning": 0, "today": 0, "midnight": 0, "yesterday": 1, "last night": 1,
        "the day before yesterday": 2, "last week": 7, "a week ago": 7,
    },
)  # fmt: skip


@command(
    "(what | show [me] what) [(has | i have | i)] changed since [utterance] [number] {number}",
    "(what | show [me] what) [(has | i have)] changed",
    "(what did i change | what have i changed | what has been changed)",
    "(show | what are | let me see) [me] (the | my) changes",
    "<what_changed> since (the start | the beginning | i began | [utterance] [number] {number})",
    "<what_changed> since {ago:since_day}",
    "<what_changed> since [last] {day}",
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
    if not 0 <= index < len(looked.changes):
        return Refusal("No change is looked at.", "", "“Next change” goes to the first.")
    change = looked.changes[index]
    edit = taken_back(looked.compared.base, sitting.document, change)
    after = replace(sitting.edited(edit).about(()), compared=replace(looked.compared, at=index - 1))
    return Done(after, f"taken back: {said_of(change)}")


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
    "(hide | close) (that | this | it | the (changes | differences | comparison))",
    "[(go | get)] [me] back to [(the | my)] (normal [view] | writing | letter | text | page)",
    "(normal | ordinary | usual) view",
    "(that is all | i am done | done | that's all | i'm done)",
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
    when=_compares,
)
def stop(sitting: Sitting) -> Done:
    """Go on without the changes being shown."""
    return Done(replace(sitting.about(()), compared=None), "the changes are not shown any more")


@command(
    "(bring back | restore | return to | go back to | revert to | get back) [the] [(version |"
    " draft) [called]] {version}",
    "(bring | put | take) (it | everything | the (text | document | letter)) back to [the]"
    " [version] {version}",
    "make it [(like | as)] [it was in] [the] [version] {version} again",
    "<wish> it (like | as | how | the way) it was in [the] [version] {version} [again]",
    "i want [the] [version] {version} back",
    "(<wish> | bring back | get | bring | restore) {version:owned_version} (version | draft)"
    " [back]",
    "(drop | forget | scrap | undo | throw away | discard) [all] [(my | the | these)] changes and"
    " (return | go back | go) to [the] [version] {version}",
    "(put | bring | get | have) [the] [(version | draft)] {version} back",
    "use [the] [(version | draft)] {version} (again | instead)",
    "(i want | i'd like | i would like | give me | let me have | let's have | i need) [the]"
    " [(version | draft)] {version} (again | back | instead)",
    "[(go | back)] to [the] [(version | draft)] {version} [again]",
    "[go] back to (how | the way | what | as) it was in [the] [(version | draft)] {version}",
    "(start | begin | go on) (again | over) from [the] [(version | draft)] {version}",
    "(undo | throw away | drop | forget | scrap | take back) (everything | all | what) [that]"
    " [(i | we)] [(have | has)] [(did | done | changed | wrote | written)] since [the] [(version"
    " | draft)] {version}",
    "[the] (version | draft) {version} was better [take me back] [to it]",
    "[the] {version} was better take me back [to it]",
    Way("[the] {version} was better", when=called_whole("version", _names)),
    "(let's | let us | i will | i'll | we will | we'll) (go | stay) with [the] [(version | draft)]"
    " {version} [(after all | instead)]",
    "swap [it] back to [the] [(version | draft)] {version}",
    "take me back to [the] [version] {version} [version]",
    "i (liked | like | prefer | preferred) [the] {version} [better | more] (bring | get | take)"
    " (it | that) back",
    "(undo | go | take it) [everything] [all the way] back to [the] [(version | draft)] {version}",
    heard=1,
    example="bring back the version first draft",
    group="repair",
    destructive=True,
)
def bring_back(sitting: Sitting, version: str) -> Done | Refusal:
    """Make the text as it was in a named version; “undo that” brings back what it is now."""
    base = document_of(sitting, _milestone(sitting, version).version)
    edit = becoming(sitting.document, base)
    if not edit:
        return Done(sitting, f"the text is as in “{version}”")
    after = sitting.edited(edit).about(())
    return Done(after, f"the text is as in “{version}” again; “undo that” takes it back")


@dataclass(frozen=True, slots=True)
class OldPart:
    """A part of a text as it was in a version, not looked up yet."""

    target: Target


@rule("old_part", "{target}")
def _old_part(target: Target) -> OldPart:
    return OldPart(target)


_BLOCKS = (Unit.PARAGRAPH, Unit.HEADING, Unit.ITEM, Unit.LIST, Unit.SECTION, Unit.TABLE)


def _stood_there(sitting: Sitting, parse: Parse) -> bool:
    """Whether there is such a version, and such a part of it: "the difference from first draft"."""
    part, named = parse.args.get("old_part"), parse.args.get("version")
    name = look_up(named.words, _names(sitting)) if named else None
    if part is None or name is None or isinstance(part.target, That):
        return False
    base = document_of(sitting, _milestone(sitting, name).version)
    return not isinstance(_in_old(sitting, base, part), Refusal)


def _in_old(sitting: Sitting, base: Document, part: OldPart) -> Places | Refusal:
    then = replace(sitting, document=base, selection=None, that=(), caret=Position(0, 0))
    return resolve(part.target, then)


@command(
    "(bring back | restore | get [back] | take | fetch) {old_part} (from | of | out of | as [it"
    " was] in) [the] [version] {version} [(version | draft)]",
    "(bring | put | get) {old_part} back (from | as [it was] in) [the] [version] {version}"
    " [(version | draft)]",
    "(bring | put | get | <wish>) {old_part} (from | of | out of | as it was in) [the] [version]"
    " {version} back",
    "(<wish> | show me | give me) {old_part} (as it was in | the way it was in) [the] [version]"
    " {version}",
    "(bring back | restore) {old_part} (from | of) (the beginning | the start)",
    "use {old_part} (from | of | out of | as [it was] in) [the] [version] {version}",
    *each(
        _stood_there,
        "(put | set | make | turn | get | have | i want | i'd like) {old_part} [back] [to] (how"
        " | the"
        " way | what | as | like) it was in [the] [(version | draft)] {version} [again]",
        "{old_part} (as | how | the way | like) [it was] (in | from) [the] [(version | draft)]"
        " {version} [again]",
        "{old_part} <shall> be (as | how | the way | like) [it was] in [the] [(version | draft)]"
        " {version} [again]",
        "(bring | put | get | take | <wish>) {old_part} back (from | out of | to | as [it was]"
        " in) [the]"
        " [(version | draft)] {version}",
        "(i (liked | like | prefer | preferred | want)) {old_part} (from | as it was in | the"
        " way it was"
        " in) [the] [(version | draft)] {version}",
        "{old_part} [back] (from | out of) [the] [(version | draft)] {version} [back]",
        "[<wish>] {version:owned_version} {old_part} [back]",
        "for {old_part} (use | take) [the] [one] [(from | in)] [the] [(version | draft)] {version}",
        "(i want | i'd like | give me | let me have) {old_part} (from | out of | of) [the]"
        " [(version |"
        " draft)] {version} [(again | back)]",
        "undo [everything] (in | to | of) {old_part} (back to | since) [the] [(version | draft)]"
        " {version}",
    ),
    heard=0,
    example="bring back the first paragraph from first draft",
    group="repair",
)
def bring_back_part(
    sitting: Sitting, old_part: OldPart, version: str | None = None
) -> Done | Refusal:
    """Bring back a part of the text as it was in a named version."""
    kept = _milestone(sitting, version).version if version is not None else None
    base = document_of(sitting, kept)
    there = _in_old(sitting, base, old_part)
    if isinstance(there, Refusal):
        return there
    r = there.first
    if version is not None and r == base.whole:
        return bring_back(sitting, version)
    was = f"“{version}”" if version is not None else "the beginning"
    unit = old_part.target.unit if isinstance(old_part.target, Units) else None
    edit = _part(base, sitting.document, r, whole=unit in _BLOCKS)
    if not edit:
        return Done(sitting, f"{quoted(base.text(r))} is as in {was}")
    return Done(sitting.edited(edit), f"{quoted(base.text(r))} is back from {was}")


def _part(base: Document, now: Document, r: Range, whole: bool) -> Edit:
    """Put a part of an old text where it stood: over what it became, else in between."""
    first, last = r.start.block, r.end.block
    for change in compare(base, now):
        a = change.old.start.block
        if whole and first <= a <= last and not change.whole:
            b = change.new.start.block
            new = replace(base.blocks[a], points=())
            return Edit((AddBlocks(b, (new,)), DropBlocks(b + 1, 1)))
        if whole and change.whole and not change.came and first <= a <= last:
            b = _behind(base, now, a)
            blocks = tuple(replace(x, points=()) for x in base.blocks[first : last + 1])
            return Edit((AddBlocks(b, blocks),))
        if not whole and a == first and change.old.start <= r.end and r.start <= change.old.end:
            if change.whole and not change.came:
                b = _behind(base, now, a)
                return Edit((AddBlocks(b, (replace(base.blocks[a], points=()),)),))
            piece = base.blocks[a].piece(change.old.start.offset, change.old.end.offset)
            (b, start), (_, end) = change.new
            return Edit((Splice(b, start, end, piece),))
    return Edit()


def _behind(base: Document, now: Document, a: int) -> int:
    """Where a block that is gone stood: behind the last before it that is left."""
    texts = {block.text: b for b, block in enumerate(now.blocks)}
    for before in range(a - 1, -1, -1):
        if base.blocks[before].text in texts:
            return texts[base.blocks[before].text] + 1
    return 0
