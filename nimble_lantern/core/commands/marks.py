"""Bold, italic, underline and the other marks on characters."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import replace
from functools import partial
from typing import Any, NamedTuple

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.when import names_a_part
from nimble_lantern.core.commands.wording import many, named, near
from nimble_lantern.core.document.edits import in_turn, remark
from nimble_lantern.core.document.model import Range, Span
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, HEARD_PATTERNS, Parse, Way, command
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Marked, Places, Unit, Units, Words, of_the_page
from nimble_lantern.core.targets.resolve import resolve
from nimble_lantern.core.targets.words import exact, named_as_written
from nimble_lantern.core.writing.capitals import starts_sentence


class _Family(NamedTuple):
    """A mark as it is spoken of: as a verb, of text that has it, as a thing that text is given."""

    verb: str
    adjective: str
    noun: str
    besides: tuple[str | Way, ...] = ()


def _letters(sitting: Sitting, parse: Parse) -> bool:
    """ "Raise the last letter"; a heading, or a flag, is raised in another way."""
    target = parse.args.get("target")
    return isinstance(target, Units) and target.unit is Unit.CHARACTER


_FAMILIES = {
    "bold": _Family(
        "(bold | embolden | bolden | bold face | boldface)",
        "(bold [face | type | letters | print] | boldface | heavy type)",
        "(bold [face | type | letters | print] | boldface)",
        (
            "make {target} stand out [(more | better)]",
            Way("{target} <shall> stand out [(more | better)]", when=names_a_part),
        ),
    ),
    "italic": _Family(
        "(italic | italicise | italicize | italics)",
        "(italic [type | letters] | italics | italicised | italicized)",
        "(italic [type | letters] | italics)",
        ("(slant | slope) {target}",),
    ),
    "underline": _Family(
        "underline",
        "(underlined | underline)",
        "(underline | underlining)",
        (
            "underscore {target}",
            "(<put> | draw | run | rule) a line (under | underneath | below | beneath) {target}",
            "give {target} a line (under | underneath) [it | them]",
            Way("[a] line (under | underneath | below) {target}", when=names_a_part),
        ),
    ),
    "strike": _Family(
        "(strike (through | out) | cross through | strikethrough)",
        "(struck (out | through) | strikethrough | crossed (out | through))",
        "(strikethrough | strike through | strike out | strike)",
        (
            Way("strike {target}", when=names_a_part),
            "strike {target} (through | out)",
            "cross {target} through",
            "(<put> | draw | run) a line through {target}",
            Way("[a] line through {target}", when=names_a_part),
        ),
    ),
    "highlight": _Family(
        "highlight",
        "(highlighted | highlight)",
        "(highlight | highlighting | highlighter)",
        (
            Way(
                "(put | use | run) the (marker | felt tip) (on | over) {target}",
                when=names_a_part,
            ),
        ),
    ),
    "subscript": _Family(
        "subscript", "[a] subscript", "subscript", (Way("(lower | drop) {target}", when=_letters),)
    ),
    "superscript": _Family(
        "superscript",
        "[a] superscript",
        "superscript",
        (Way("(raise | lift) {target}", when=_letters),),
    ),
}
CATALOGUE.table(
    "styled",
    {family.adjective: name for name, family in _FAMILIES.items()} | {"plain": "plain"},
)


_SWITCHED_ALONE = {"bold": "bold", "italic": "(italic | italics)", "underline": "underline"}
"""What switches a mark on where something begins, and off again, without another word."""
_OPPOSITE = {"subscript": {"superscript"}, "superscript": {"subscript"}}
_ALL = {"bold", "italic", "underline", "strike", "highlight", "subscript", "superscript",
        "colour", "font", "size"}  # fmt: skip


def marked(sitting: Sitting, ranges: tuple[Range, ...], marks: tuple[str, ...]) -> Sitting:
    """Put marks on ranges; "plain" takes every mark off."""
    on = tuple(Span(0, 1, mark) for mark in marks if mark != "plain")
    off = set().union(*(_OPPOSITE.get(m, set()) for m in marks))
    if "plain" in marks:
        off |= _ALL
    return remarked(sitting, ranges, on, off)


def remarked(
    sitting: Sitting, ranges: Iterable[Range], on: tuple[Span, ...], off: set[str]
) -> Sitting:
    """Take marks off ranges and put others on them, all in one edit."""
    made = (partial(remark, r=r, spans_of=on, without=off) for r in ranges)
    return sitting.edited(in_turn(sitting.document, made)).about(ranges)


def _done(sitting: Sitting, target: Places, marks: tuple[str, ...], what: str) -> Done:
    after = marked(sitting, target.ranges, marks)
    return Done(after, f"{named(sitting.document, target.ranges)} {what}{near(target)}")


_PAST = {"underline": "underlined", "strike": "struck out", "highlight": "highlighted"}


def said_of(name: str) -> str:
    """How the trail names a mark on words: "underlined"."""
    return _PAST.get(name, name)


def _overlap(some: Iterable[Range], others: Iterable[Range]) -> bool:
    held = list(others)
    return any(r.start < o.end and o.start < r.end for r in some for o in held)


def _register(name: str, family: _Family) -> None:
    def on(sitting: Sitting, target: Places) -> Done:
        return _done(sitting, target, (name,), f"is {said_of(name)}")

    def off(sitting: Sitting, target: Places) -> Done:
        after = remarked(sitting, target.ranges, (), {name})
        where = named(sitting.document, target.ranges)
        return Done(after, f"{where} is not {said_of(name)} any more")

    def not_typing(sitting: Sitting, parse: Parse) -> bool:
        return (name, None) not in sitting.typing

    def begins_or_ends(sitting: Sitting, parse: Parse) -> bool:
        """ "Bold" alone, where a sentence begins, or while it is on; "she was bold" goes on."""
        at = sitting.writing_place
        left = sitting.document.blocks[at.block].text[: at.offset]
        free = sitting.selection is None and not sitting.holds
        return free and starts_sentence(left) or not not_typing(sitting, parse)

    def just_made(sitting: Sitting, parse: Parse) -> bool:
        """ "Not bold", where something was just made so."""
        return bool(sitting.trail) and sitting.trail[-1].command == f"marks.{name}"

    def off_that(sitting: Sitting) -> Done | Refusal:
        ranges = (sitting.selection,) if sitting.selection else sitting.that
        if not ranges:
            return Refusal("Nothing is selected and nothing was just written.")
        so = resolve(Marked(name), sitting)
        if isinstance(so, Places) and not _overlap(ranges, so.ranges):
            # What was just done is not so: it is said of what is, if that is one place.
            if len(so.ranges) > 1:
                count = many(len(so.ranges), "place")
                return Refusal(f"{count} are {said_of(name)}.", "", "Say which, or “everywhere”.")
            return off(sitting, so)
        return off(sitting, Places(ranges))

    def begin(sitting: Sitting) -> Done:
        typing = (*(t for t in sitting.typing if t[0] != name), (name, None))
        return Done(replace(sitting, typing=typing), f"{name} on")

    def end(sitting: Sitting) -> Done | Refusal:
        if (name, None) not in sitting.typing:
            return Refusal(f"{name.capitalize()} is not on.")
        typing = tuple(t for t in sitting.typing if t[0] != name)
        return Done(replace(sitting, typing=typing), f"{name} off")

    def switch(sitting: Sitting) -> Done | Refusal:
        return end(sitting) if (name, None) in sitting.typing else begin(sitting)

    switched = f"({family.noun} | {family.adjective})"
    patterns: list[tuple[Callable[..., Any], str, tuple[str | Way, ...], str, str]] = [
        (on, name, (
            f"{family.verb} {{target}}",
            *frames.made(family.adjective),
            f"make {family.adjective} {{target}}",
            *frames.given(family.noun),
            f"{family.adjective} (for | on) {{target}}",
            *family.besides,
        ), f"{name} the last two words", f"Make a target {name}."),
        (off, f"no_{name}", (
            *frames.taken(switched),
            *frames.unmade(family.adjective),
            f"un{name} {{target}}",
        ), f"take {name} off the last two words", f"Take {name} off a target."),
        (off_that, f"no_{name}_here", (
            *(Way(way, when=not_typing) for way in frames.gone(family.noun)[:2]),
            f"un{name} [(it | that | this | them)]",
            Way(f"not {family.adjective} [(after all | there)]", when=just_made),
        ), f"remove the {name}", f"Take {name} off what is selected, or was just done."),
        (begin, f"{name}_on", (
            f"{switched} on",
            f"(turn | switch | put) on {switched}",
            f"(turn | switch | put) {switched} on",
            f"(start | begin) {switched}",
            f"{switched} from (here | now) [on | onwards]",
            *frames.running_on(switched),
        ), f"{name} on", f"Write in {name} from here on, until you say “{name} off”."),
        (end, f"{name}_off", (
            f"{switched} off",
            f"(turn | switch | put) off {switched}",
            f"(turn | switch | put) {switched} off",
            f"(stop | end | finish) {switched}",
            f"no more {switched}",
            f"(stop | end | no more) writing [in] {switched}",
            f"no {switched} (now | from here | any more)",
            f"{switched} (is over | over | is finished)",
        ), f"{name} off", f"Stop writing in {name}."),
    ]  # fmt: skip
    if bare := _SWITCHED_ALONE.get(name):
        patterns.append((
            switch, f"switch_{name}", (Way(bare, when=begins_or_ends),), name,
            f"Write in {name} where something begins, and stop when it is said again.",
        ))  # fmt: skip
    for handler, called, ways, example, help_text in patterns:
        handler.__name__, handler.__doc__ = called, help_text
        alone, heard = handler is switch, 0 if handler is switch else HEARD_PATTERNS
        puts_on = name if handler is on else ""
        command(
            *ways, example=example, group="format", puts_on=puts_on, in_text=alone, alone=alone,
            heard=heard,
        )(handler)  # fmt: skip


for _name, _family in _FAMILIES.items():
    _register(_name, _family)


CATALOGUE.table(
    "ink", {name: name for name in ("yellow", "green", "pink", "orange", "blue", "red", "purple")}
)
_INK = "({ink} highlighted | highlighted [in] {ink} | marked in {ink})"
_PEN = "{ink} (highlight | highlighting | highlighter | background)"


def _of_letters(sitting: Sitting, parse: Parse) -> bool:
    """ "Yellow over low tide", and not "yellow over the boat"."""
    target = parse.args.get("target")
    return of_the_page(target) or named_as_written(sitting.document, target)


def _in_yellow(sitting: Sitting, parse: Parse) -> bool:
    """ "Mark low tide in yellow", as a highlighter does; letters have the other colours."""
    return parse.args.get("ink") == "yellow"


def _shaded(sitting: Sitting, parse: Parse) -> bool:
    """ "Colour the last row yellow", which is no colour of letters; a door is painted so."""
    return _in_yellow(sitting, parse) and of_the_page(parse.args.get("target"))


@command(
    "highlight {target} [(in | with)] {ink}",
    f"make {{target}} {_INK}",
    f"{{target}} {_INK}",
    "(put | use | draw) {ink} (over | across) {target}",
    Way("(put | use) {ink} on {target}", when=_in_yellow),
    "make {target} stand out in {ink}",
    "(go over | mark up) {target} (in | with) {ink}",
    "highlight in {ink} {target}",
    "use {ink} to (highlight | mark) {target}",
    *frames.given(_PEN),
    f"mark {{target}} (with | in) {_PEN}",
    Way("mark {target} [(in | with | as)] {ink}", when=_in_yellow),
    Way("{ink} (over | across | on | behind) {target}", when=_of_letters),
    Way("(colour | color | paint | shade | tint) {target} [in] {ink}", when=_shaded),
    example="highlight the last word in yellow",
    group="format",
)
def highlight_in(sitting: Sitting, target: Places, ink: str) -> Done | Refusal:
    """Highlight a target, in yellow."""
    if ink != "yellow":
        return Refusal("The highlighter is yellow.", "", f"“Make that {ink}” colours letters.")
    on = (Span(0, 1, "highlight", ink),)
    after = remarked(sitting, target.ranges, on, {"highlight"})
    return Done(after, f"{named(sitting.document, target.ranges)} is highlighted{near(target)}")


def _looks_otherwise(sitting: Sitting, parse: Parse) -> bool:
    """ "Eighteen pounds back to normal", where they are bold."""
    target = parse.args.get("target")
    if names_a_part(sitting, parse) or not isinstance(target, Words):
        return names_a_part(sitting, parse)
    return any(
        span.start < r.end.offset and span.end > r.start.offset
        for r in exact(sitting.document, target.words)
        for span in sitting.document.blocks[r.start.block].spans
    )


@command(
    "make {target} (plain | normal | regular | ordinary) [again]",
    "(put | set | turn) {target} back to (plain | normal)",
    "(plain | unformat) {target}",
    "(remove | clear | take off | delete | strip | get rid of) [all] [the] (formatting | format)"
    " (from | of | off | on) {target}",
    "take [all] [the] formatting off {target}",
    "<undress> [all] [the] formatting (from | of | off | on | in) (the | this) (page | document"
    " | letter | text)",
    "(strip | clear) (the | this) (page | document | letter | text) of [all] [its] formatting",
    "(no | clear) formatting (for | on) {target}",
    "(reset | undo) [all] [the] formatting (of | on | in | for) {target}",
    "reset {target} [to (plain | normal)]",
    "clear {target} of [all] [the] formatting",
    "set {target} plain",
    Way("{target} (back to normal | plain again)", when=_looks_otherwise),
    "[make (it | everything)] (plain text | no formatting) <everywhere>",
    example="make that plain",
    group="format",
)
def plain(sitting: Sitting, target: Places | None = None) -> Done:
    """Take every mark off a target, or off everything."""
    target = target or Places((sitting.document.whole,))
    return _done(sitting, target, ("plain",), "is plain")


@command("(remove | clear) [all] [the] (formatting | format)", "no formatting [at all]",
         "(delete | strip | get rid of | undo) [all] [the] (formatting | format)",
         "(take | strip | clear) [all] [the] (formatting | format) (off | away | out)",
         example="clear the formatting", group="format")  # fmt: skip
def plain_that(sitting: Sitting) -> Done | Refusal:
    """Take every mark off what is selected, or was just written."""
    ranges = (sitting.selection,) if sitting.selection else sitting.that
    if not ranges:
        return Refusal("Nothing is selected and nothing was just written.")
    return plain(sitting, Places(ranges))
