"""Bold, italic, underline and the other marks on characters."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import replace
from functools import partial
from typing import Any

from nimble_lantern.core.commands.wording import named, near
from nimble_lantern.core.document.edits import in_turn, remark
from nimble_lantern.core.document.model import Range, Span
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, command
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places

_FAMILIES: dict[str, tuple[str, str, str]] = {
    # name: (how it is said as a verb, how it might be said besides, how it is said of text)
    "bold": ("bold", "(bold face | boldface | embolden)", "bold [face]"),
    "italic": ("(italic | italicise | italicize)", "italics", "(italic | italics)"),
    "underline": ("underline", "(put | draw) a line under", "(underlined | underline)"),
    "strike": (
        "strike [through | out]",
        "(cross through | (put | draw) a line through)",
        "struck (out | through)",
    ),
    "highlight": ("highlight", "", "highlighted"),
    "subscript": ("subscript", "", "subscript"),
    "superscript": ("superscript", "", "superscript"),
}
CATALOGUE.table(
    "styled",
    {adjective: name for name, (*_, adjective) in _FAMILIES.items()} | {"plain": "plain"},
)


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


def _register(name: str, verb: str, besides: str, adjective: str) -> None:
    def on(sitting: Sitting, target: Places) -> Done:
        return _done(sitting, target, (name,), f"is {said_of(name)}")

    def off(sitting: Sitting, target: Places) -> Done:
        after = remarked(sitting, target.ranges, (), {name})
        where = named(sitting.document, target.ranges)
        return Done(after, f"{where} is not {said_of(name)} any more")

    def begin(sitting: Sitting) -> Done:
        typing = (*(t for t in sitting.typing if t[0] != name), (name, None))
        return Done(replace(sitting, typing=typing), f"{name} on")

    def end(sitting: Sitting) -> Done | Refusal:
        if (name, None) not in sitting.typing:
            return Refusal(f"{name.capitalize()} is not on.")
        typing = tuple(t for t in sitting.typing if t[0] != name)
        return Done(replace(sitting, typing=typing), f"{name} off")

    noun = f"({verb} | {adjective})" if verb != adjective else verb
    patterns: list[tuple[Callable[..., Any], str, tuple[str, ...], str, str]] = [
        (on, name, (
            f"{verb} {{target}}",
            f"(make | set | turn | change) {{target}} [into | to] {adjective}",
            f"(put | set | write) {{target}} (in | into) {adjective}",
            f"i want {{target}} (in {adjective} | {adjective}) [type]",
            f"{adjective} (for | on) {{target}}",
            *([f"{besides} {{target}}"] if besides else []),
            *(["strike {target} (through | out)"] if name == "strike" else []),
        ), f"{name} the last two words", f"Make a target {name}."),
        (off, f"no_{name}", (
            f"(no | not) {noun} (for | on | in) {{target}}",
            f"(take | remove) [the] {noun} (off | from) {{target}}",
            f"take {{target}} out of {adjective}",
            f"un{name} {{target}}",
            f"make {{target}} (not | no longer) {adjective}",
        ), f"take {name} off the last two words", f"Take {name} off a target."),
        (begin, f"{name}_on", (
            f"{noun} on",
            f"(turn | switch) on {noun}",
            f"(turn | switch) {noun} on",
            f"(start | begin) {noun}",
        ), f"{name} on", f"Write in {name} from here on, until you say “{name} off”."),
        (end, f"{name}_off", (
            f"{noun} off",
            f"(turn | switch) off {noun}",
            f"(turn | switch) {noun} off",
            f"(stop | end) {noun}",
            f"no more {noun}",
        ), f"{name} off", f"Stop writing in {name}."),
    ]  # fmt: skip
    for handler, called, ways, example, help_text in patterns:
        handler.__name__, handler.__doc__ = called, help_text
        command(*ways, example=example, group="format")(handler)


for _name, _ways in _FAMILIES.items():
    _register(_name, *_ways)


@command(
    "make {target} (plain | normal) [again]",
    "(put | set | turn) {target} back to (plain | normal)",
    "(plain | unformat) {target}",
    "(remove | clear | take off) [all] [the] (formatting | format) (from | of | off | on) {target}",
    "(no | clear) formatting (for | on) {target}",
    example="make that plain",
    group="format",
)
def plain(sitting: Sitting, target: Places) -> Done:
    """Take every mark off a target."""
    return _done(sitting, target, ("plain",), "is plain")


@command("(remove | clear) [all] [the] (formatting | format)", "no formatting",
         example="clear the formatting", group="format")  # fmt: skip
def plain_that(sitting: Sitting) -> Done | Refusal:
    """Take every mark off what is selected, or was just written."""
    ranges = (sitting.selection,) if sitting.selection else sitting.that
    if not ranges:
        return Refusal("Nothing is selected and nothing was just written.")
    return plain(sitting, Places(ranges))
