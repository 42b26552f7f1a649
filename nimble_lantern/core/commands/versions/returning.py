"""What stood in a version, brought back whole or in part."""

from __future__ import annotations

from dataclasses import dataclass, replace

from nimble_lantern.core.commands.naming import (
    called_whole,
)
from nimble_lantern.core.commands.versions.kept import document_of, milestone, version_names
from nimble_lantern.core.commands.wording import quoted
from nimble_lantern.core.document.edits import AddBlocks, DropBlocks, Edit, Splice
from nimble_lantern.core.document.model import Document, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command, each, rule
from nimble_lantern.core.reviewing.comparing import (
    becoming,
    compare,
)
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, Target, That, Unit, Units
from nimble_lantern.core.targets.names import look_up
from nimble_lantern.core.targets.resolve import resolve


@command(
    "undo [all] [the | my] changes since [the] [version] {version}",
    "(bring back | restore | return to | go back to | revert to | get back) [the] [(version |"
    " draft) [called]] {version}",
    "(bring | put | take) (it | everything | the (text | document | letter)) back to [the]"
    " [version] {version}",
    "(bring | put | set | take) (it | everything | the lot | all of it) back (as | how | to how"
    " | to the way | the way) it was (in | at | on) [the] [(version | draft)] {version}",
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
    "[go] back to (how | the way | what | as) it was (in | at | on) [the] [(version | draft)]"
    " {version}",
    "(start | begin | go on) (again | over) from [the] [(version | draft)] {version}",
    "(undo | throw away | drop | forget | scrap | take back) (everything | all | what) [that]"
    " [(i | we)] [(have | has)] [(did | done | changed | wrote | written)] since [the] [(version"
    " | draft)] {version}",
    "[the] (version | draft) {version} was better [take me back] [to it]",
    "(put | take | bring | get | go) [(it | this | everything)] back [to] (how | the way | as) it"
    " was {version:when_kept}",
    "[the] {version} was better take me back [to it]",
    Way("[the] {version} was better", when=called_whole("version", version_names)),
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
    base = document_of(sitting, milestone(sitting, version).version)
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
    name = look_up(named.words, version_names(sitting)) if named else None
    if part is None or name is None or isinstance(part.target, That):
        return False
    base = document_of(sitting, milestone(sitting, name).version)
    return not isinstance(_in_old(sitting, base, part), Refusal)


def _in_old(sitting: Sitting, base: Document, part: OldPart) -> Places | Refusal:
    then = replace(sitting, document=base, selection=None, that=(), caret=Position(0, 0))
    return resolve(part.target, then)


@command(
    "(bring back | put back | restore | get [back] | give me back | take | fetch) {old_part} (from"
    " | of | out of | as [it was] in) [the] [version] {version} [(version | draft)]",
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
    kept = milestone(sitting, version).version if version is not None else None
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
