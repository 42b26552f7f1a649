"""Versions that get a name, and are listed by it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from itertools import count

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.naming import (
    called_whole,
    given_name,
    owned,
    short,
    taken,
)
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.document import history
from nimble_lantern.core.document.history import Version
from nimble_lantern.core.document.model import Document
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Named, Parse, Way, command, each, rule
from nimble_lantern.core.state import EXPORTED, Done, Milestone, Sitting, View
from nimble_lantern.core.writing.cardinals import in_words

MOST = 200


def version_names(sitting: Sitting) -> Sequence[str]:
    return [m.name for m in sitting.milestones]


def milestone(sitting: Sitting, name: str) -> Milestone:
    return next(m for m in sitting.milestones if m.name == name)


def _newest(sitting: Sitting) -> str | Refusal:
    names = [name for name in version_names(sitting) if name != EXPORTED]
    none = Refusal("No version was kept here.", "", "“Save a version” keeps one.")
    return names[-1] if names else none


CATALOGUE.names("version", of=version_names, newest=_newest, nouns=("version",))
owned("version")
_KEPT = "(i | we) [have] [just] (saved | kept | made | took)"


@rule(
    "version",
    "(that | (the | my) (last | latest | newest | most recent)) [(saved | kept)]"
    f" (version | draft | snapshot) [{_KEPT}]",
    f"(the | that) (version | draft | snapshot) {_KEPT}",
    heard=False,
)
def _the_newest() -> Named:
    """ "That version", "the last one": the one that was kept last, whatever it is called."""
    return Named("version", ())


_WHEN_KEPT = (
    "when (i | we) [last] (kept | saved | made | took) (a | the | that | my) (copy | version)"
)
CATALOGUE.rule("when_kept", _WHEN_KEPT, heard=False)(_the_newest)
CATALOGUE.rule(
    "since_kept",
    f"(between now and then | since then | since {_WHEN_KEPT.removeprefix('when ')})",
    heard=False,
)(_the_newest)
CATALOGUE.rule("owned_version", "(the | that | this) version", heard=False)(_the_newest)


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


def _versions_are_shown(sitting: Sitting, parse: Parse) -> bool:
    """ "Call this one better", said where the versions are listed."""
    return sitting.view is View.VERSIONS


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
    "(keep | save | take) a copy of this [as it is] (called | named | as | and call it)"
    " [the] {text:draft_name}",
    "let this version be called {text:words}",
    "(save | keep | store | remember | mark) this (version | draft | state) [and] (call | name) it"
    " {text:words}",
    Way("(call | name) (it | this [one] | that) {text:words}", when=_versions_are_shown),
    "(keep | save | store | remember | leave) (this | it | the <writing> | this (letter | document"
    " | page)) [just] [as it (is | stands)] [now] (as [the] [version] | under the name [of])"
    " [the] {text:draft_name}",
    "let this version be [the] {text:draft_name}",
    "(keep | save | store | remember) what i have [got] [(now | so far | here)] as [the] [version]"
    " {text:words}",
    "this is [the] {text:draft_name} (remember | keep | save) it",
    "(keep | leave | save) (this | it | that) [just] as it (is | stands) [now] [and]"
    " (call | name) it {text:words}",
    "(save | keep | store | remember | mark) how (it | this | everything) (is | stands | looks)"
    " [now] (as | and call it) {text:words}",
    *frames.called("version"),
    "(keep | save | make | take | store) a (version | snapshot) of (this | it | the (letter | text"
    " | document)) [as it is] [now] (as | called | named | under [the name] | and call it)"
    " {text:words}",
    "(keep | save | take | store) a copy of (this | it | the (letter | text | document)) [as it is]"
    " [now] (as | called | named | under [the name] | and call it) {text:words}",
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
    "(save | keep | store) (a | another | this | one more) [new] (version | draft | snapshot)"
    " [of (it | this | the <writing>)] [(here | now | as it is | just in case)]",
    "(make | take) (a | another | one more) [new] (version | snapshot) [of (it | this | the"
    " <writing>)] [(here | now | as it is | just in case)]",
    "(save | keep | store) (it | this | the <writing>) [as it is] [now] as a [new] version",
    "(keep | save | store) a copy of (it | this | the <writing>) (as it is | like this | as it is"
    " now | as it stands) [just in case]",
    "(keep | save | store) (it | this | everything) (like this | like that | as it is) [now] [(just"
    " in case | in case | for now)]",
    "(keep | save | store | make | take) a (copy | record | picture) of (how | the way) (it | this"
    " | the <writing> | everything) (is | looks | stands) [now] [just in case]",
    example="save a version",
    group="repair",
    heard=2,
)
def save(sitting: Sitting) -> Done:
    """Keep the text as it is now, under the next number, to come back to."""
    taken = {name.casefold() for name in version_names(sitting)}
    name = next(name for n in count(1) if (name := f"version {in_words(n)}") not in taken)
    return Done(with_milestone(sitting, name), f"this is “{name}” now")


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
    *each(called_whole("version", version_names), *frames.unnamed_alone("version")),
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
    *each(called_whole("version", version_names), *frames.renamed_alone("version")),
    heard=1,
    example="rename the version first draft to spring letter",
    group="repair",
)
def rename(sitting: Sitting, version: str, text: tuple[str, ...]) -> Done | Refusal:
    """Give a version another name."""
    name = given_name(text)
    if refused := taken(name, (n for n in version_names(sitting) if n != version), "version"):
        return refused
    kept = tuple(replace(m, name=name) if m.name == version else m for m in sitting.milestones)
    return Done(replace(sitting, milestones=kept), f"{quoted(version)} is called “{name}” now")
