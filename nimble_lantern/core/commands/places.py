"""Named places: they move with the text, and one can go there by name."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.naming import called_whole, given_name, owned, short, taken
from nimble_lantern.core.commands.wording import label_at, many, quoted
from nimble_lantern.core.document.edits import pin, unpin
from nimble_lantern.core.document.model import Anchor, Document, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.state import Done, Option, Question, Sitting
from nimble_lantern.core.targets.model import Places, Unit, Units
from nimble_lantern.core.targets.names import look_up
from nimble_lantern.core.writing.cardinals import cardinal, in_words

PLACE = "place"
MOST = 30
Standing = tuple[Anchor, Range]


def places_of(document: Document) -> list[Standing]:
    """The named places that still stand, in the order of the text."""
    if not any(a.kind == PLACE for a in document.anchors.values()):
        return []
    return sorted(document.anchored(PLACE), key=lambda pair: pair[1])


def _names(sitting: Sitting) -> Sequence[str]:
    return [str(anchor.data["name"]) for anchor, _ in places_of(sitting.document)]


def _named(sitting: Sitting, name: str) -> Standing:
    return next(p for p in places_of(sitting.document) if p[0].data["name"] == name)


CATALOGUE.names("place", of=_names, nouns=("place", "marker", "bookmark"))
owned("place")
_NOUN = "(place | marker | bookmark | spot)"


def _is_a_name(sitting: Sitting, parse: Parse) -> bool:
    """ "Mark this as rail", and not "as done", nor "as a heading"."""
    return _NO_NAMES.isdisjoint(parse.args.get("text", ()))


def _names_a_part(sitting: Sitting, parse: Parse) -> bool:
    target = parse.args.get("target")
    part = isinstance(target, Units) and target.unit not in _NO_PLACES
    return part and _is_a_name(sitting, parse)


def _names_no_title(sitting: Sitting, parse: Parse) -> bool:
    """ "Call the title harbour news" says what it is to say."""
    target = parse.args.get("target")
    titled = isinstance(target, Units) and target.unit is Unit.HEADING
    return not titled and _names_a_part(sitting, parse)


_NO_PLACES = (Unit.DOCUMENT, Unit.CHARACTER, Unit.COLUMN)
"""What is called so has another meaning: a column has a heading."""
_NO_NAMES = frozenset(
    "done settled finished read unread important urgent paid private bold italic red yellow green"
    " blue new old wrong right correct heading list item comment note resolved closed".split()
)


@command(
    "(call | name | label) this (place | spot | point | bit | position) [as] {text:words}",
    "mark this (place | spot | point | bit | position) [as] {text:words}",
    "this (place | spot | point) is (called | named) {text:words}",
    *frames.called("(place | spot | marker | bookmark)"),
    "(give | let) this (place | spot) [have] the name {text:words}",
    "(remember | keep | mark | save | note | store) ((this | the) (place | spot | point | position)"
    " | where (i am | we are) [now] | here) (as | under [the name] | and call it | by the name"
    " [of])"
    " {text:words}",
    "(<wish> | make | set | put | drop | leave | add | stick | pin) a (place | marker | bookmark |"
    " mark | place mark) [(here | in here)] (called | named | with the name | and call it)"
    " {text:words}",
    "(call | name) [the place (at | of | where)] {target} the place {text:words}",
    "(call | name | mark) {target} as [the] place {text:words}",
    "(put | set | make | drop | leave | add) a (place | marker | bookmark) (called | named)"
    " {text:words}"
    " (at | on | by | before) {target}",
    "(put | set | make | drop | leave | add) a (place | marker | bookmark) (at | on | by | before)"
    " {target} (called | named | and call it) {text:words}",
    *each(
        _names_a_part,
        "(mark | name | label | bookmark) {target} [as] {text:name_given}",
    ),
    Way("call {target} {text:name_given}", when=_names_no_title),
    "bookmark (this | here) [as] {text:words}",
    "(call | name) here {text:name_given}",
    "(let | <wish>) this [to] be [(the | a)] (place | marker) [(called | named)] {text:words}",
    "(i'll | i will | let me | we'll | let's | i'd like to | i want to) (call | name) this (place |"
    " spot | point | position) [as] {text:words}",
    "(let | <wish>) this (place | spot | point) [to] be (known as | called | named) {text:words}",
    Way("mark this as {text:name_given}", when=_is_a_name),
    "(i want to | i may | i might | i'll | i will | let me) come back (here | to this"
    " [place | spot]) [later] [(and | so)] (call | name) (it | this) {text:words}",
    heard=1,
    example="call this place budget",
    group="moving",
    when=short(5),
)
def call(sitting: Sitting, text: tuple[str, ...], target: Places | None = None) -> Done | Refusal:
    """Give the place where you are a name, to come back to; it moves with the text."""
    name = given_name(text)
    if any(not parse.free for parse in CATALOGUE.parses(("go", "to", *name.split()))):
        return Refusal(f"“Go to {name}” goes somewhere else.", "", "Give it another name.")
    at = _here(sitting) if target is None else target.first
    old = look_up((name,), _names(sitting))
    same = [a for a, _ in places_of(sitting.document) if str(a.data["name"]) == old]
    edit = unpin(same)
    now = edit.apply(sitting.document)
    edit = edit.then(pin(now, PLACE, Range(at.start, at.start), name=name))
    after = sitting.edited(edit)
    return Done(after, f"this place is called “{name}”")


def _here(sitting: Sitting) -> Range:
    if sitting.selection is not None:
        return sitting.selection
    return Range(sitting.writing_place, sitting.writing_place)


_MARKER = "marker"
_HERE = "(here | in here | at this (spot | place | point))"


@command(
    "(remember | mark | save | keep | note) (this | my) (spot | place | position) [here]"
    " [for later]",
    "(leave | put | drop | set | add | make | stick) a (marker | bookmark | mark | place mark)"
    f" {_HERE}",
    "bookmark this (spot | place | point)",
    "(i want to | i may | i might | i'll | i will | let me) come back (here | to this (spot"
    " | place | bit)) [later]",
    example="remember this spot",
    group="moving",
)
def mark(sitting: Sitting) -> Done | Refusal:
    """Mark the place where you are without a name, to come back to; it moves with the text."""
    names = (_MARKER, *(f"{_MARKER} {in_words(n)}" for n in range(2, MOST)))
    name = next((n for n in names if n not in _names(sitting)), _MARKER)
    at = _here(sitting)
    after = sitting.edited(pin(sitting.document, PLACE, Range(at.start, at.start), name=name))
    return Done(after, f"marked: “go to the {name}” comes back here")


def _marked(sitting: Sitting) -> list[str]:
    return [name for name in _names(sitting) if name.startswith(_MARKER)]


def _is_marked(sitting: Sitting, parse: Parse) -> bool:
    return bool(_marked(sitting))


@command(
    "<go> [back] to (that | the | my | the marked) (spot | mark | marker | bookmark)",
    "[go] back to (that | the | my) (marked (spot | place) | spot | mark | marker | bookmark)",
    "<go> [back] to where i (marked it | left (a | the) (mark | marker | bookmark))",
    example="back to that spot",
    group="moving",
    heard=0,
    when=_is_marked,
)
def to_mark(sitting: Sitting) -> Done:
    """Go to the place that was marked last without a name."""
    return go_to(sitting, max(_marked(sitting), key=_turn))


@command(
    "(forget | remove | delete | unmark) (that | the | my) (marked (spot | place) | mark | marker |"
    " bookmark)",
    "(take | clear) (that | the | my) (mark | marker | bookmark) (away | out | off)",
    example="forget the marker",
    group="moving",
    heard=0,
    when=_is_marked,
)
def forget_mark(sitting: Sitting) -> Done:
    """Take the last place away that was marked without a name; the text stays."""
    return forget(sitting, max(_marked(sitting), key=_turn))


def _turn(name: str) -> int:
    said = cardinal(name.split(), 1)
    return said[0] if said is not None else 1


def _is_a_place(sitting: Sitting, parse: Parse) -> bool:
    """Whether a place has just this name; words of the text alone are gone to as words."""
    named = parse.args.get("place")
    return named is not None and look_up(named.words, _names(sitting)) is not None


@command(
    Way("<go> [back] [to] [the] {place}", when=_is_a_place),
    "<go> [back] [to] the place [called | named | i called | marked] {place}",
    "(show | find) [me] the place [called] {place}",
    f"(<go> [back] [to] | [back] to | show [me] | find [me] | where is) [the] {{place}} {_NOUN}",
    f"[<go>] [back] to the {_NOUN} [(called | named | i called | marked)] {{place}}",
    Way("(back | over) to [the] {place}", when=_is_a_place),
    Way("(where did i put | show me | where is | where's) [the] {place}", when=_is_a_place),
    Way("(i want | i need | i'd like | i would like) to be at [the] {place}", when=_is_a_place),
    Way(
        "<go> [back] [to] where (i (said | put | marked | called it) | it is (called | marked)"
        " | i have [got]) [the] {place}",
        when=_is_a_place,
    ),
    "(write on | go on | continue | carry on) at [the place] {place}",
    heard=1,
    example="go to the place budget",
    group="moving",
    shows=True,
)
def go_to(sitting: Sitting, place: str) -> Done:
    """Go to a named place."""
    _, r = _named(sitting, place)
    after = replace(sitting.placed(r.start), question=None)
    return Done(after, f"at “{place}”: {label_at(sitting, r)}")


@command(
    "(forget | remove | delete | unname | drop) the (place | marker | bookmark) [called] {place}",
    "(forget | remove | unname) [the place] {place} as a place",
    *frames.unnamed("place", _NOUN, "(places | markers | bookmarks)"),
    *each(called_whole("place", _names), *frames.unnamed_alone("place")),
    *each(
        _is_a_place,
        "(unmark | unname) [the] {place}",
        "(take | remove | drop | delete | forget) the name {place} [(off | away | out)]",
        f"{{place}} is (not | no longer) a {_NOUN} [<any_more>]",
        f"[(i | we)] (do not | don't) (need | want) {{place}} [<any_more>] as a {_NOUN}",
    ),
    heard=1,
    example="forget the place budget",
    group="moving",
)
def forget(sitting: Sitting, place: str) -> Done:
    """Take a place's name away; the text stays."""
    anchor, _ = _named(sitting, place)
    return Done(sitting.edited(unpin([anchor])), f"no place is called “{place}” any more")


@command(
    "(rename | call) the place {place} [(to | as)] {text:words}",
    *frames.renamed("place", _NOUN),
    *each(called_whole("place", _names), *frames.renamed_alone("place")),
    heard=1,
    example="rename the place budget to costs",
    group="moving",
)
def rename(sitting: Sitting, place: str, text: tuple[str, ...]) -> Done | Refusal:
    """Give a named place another name."""
    anchor, r = _named(sitting, place)
    name = given_name(text)
    if refused := taken(name, (n for n in _names(sitting) if n != place), "place"):
        return refused
    edit = unpin([anchor])
    now = edit.apply(sitting.document)
    after = sitting.edited(edit.then(pin(now, PLACE, r, name=name)))
    return Done(after, f"{quoted(place)} is called “{name}” now")


def _there_are(sitting: Sitting, parse: Parse) -> bool:
    return bool(places_of(sitting.document))


@command(
    *frames.listed("[(named | marked)] (places | markers | bookmarks)"),
    "where (have i (put | set | left | dropped | made) | did i (put | set | leave | drop | make))"
    " [(the | my | any)] (places | markers | bookmarks | marks)",
    "(what | which) (places | spots | bits) (have i | did i) (marked | mark | named | name | called"
    " | call)",
    Way("where can i go [to]", when=_there_are),
    "number the places",
    heard=1,
    example="show my places",
    group="moving",
    shows=True,
)
def list_places(sitting: Sitting) -> Done | Refusal:
    """List the named places with their words, to go to by number."""
    found = places_of(sitting.document)
    if not found:
        return Refusal(
            "No place has a name here.", "", "“Call this place” and a name gives it one."
        )
    options = tuple(
        Option(f"{a.data['name']}: {label_at(sitting, r)}", (("place", str(a.data["name"])),), (r,))
        for a, r in found[:MOST]
    )
    asked = Question("places.go_to", {}, options, beside=True)
    said = ", ".join(f"“{a.data['name']}”" for a, _ in found[:MOST])
    after = replace(sitting, question=asked)
    return Done(after, f"{many(len(found), 'place')}: {said}")
