"""Colour, font and size of words, and of what is written next."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.marks import marked, remarked, said_of
from nimble_lantern.core.commands.when import just_made, names_a_part
from nimble_lantern.core.commands.wording import named, near
from nimble_lantern.core.document.layout import HEADING_SCALE, stretches
from nimble_lantern.core.document.model import Document, Range, Span
from nimble_lantern.core.document.styles import BASE_POINTS, COLOURS
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, rule
from nimble_lantern.core.state import Done, Option, Question, Sitting
from nimble_lantern.core.targets.alike import kind_of
from nimble_lantern.core.targets.model import Places, That, Words
from nimble_lantern.core.targets.resolve import resolve

SIZES = (10, 11, 12, 14, 16, 18, 20, 24, 28, 32, 36, 48, 60, 72)
CATALOGUE.table(
    "colour",
    {name: name for name in COLOURS if name != "grey"}
    | {"(grey | gray)": "grey", "(black | the usual colour | the usual color)": "black"},
)
_FAMILIES = {
    "(atkinson [hyperlegible] | easy reading)": "Atkinson Hyperlegible",
    "(literata | serif)": "Literata",
    "(work sans | sans serif)": "Work Sans",
    "(courier [prime] | typewriter)": "Courier Prime",
}
CATALOGUE.table("family", _FAMILIES)
CATALOGUE.table(
    "larger",
    {
        "(larger | bigger | big | large | up a size | a size up)": 1,
        "(smaller | less big | small | down a size | a size down)": -1,
        "much (larger | bigger)": 3,
    },
)


CATALOGUE.table(
    "ill_sized",
    {"too (big | large | huge)": -1, "too (small | tiny | little)": 1},
    heard=False,
)
CATALOGUE.table("resizing", {"increase": 1, "(decrease | reduce | shrink)": -1})


def faced(sitting: Sitting, ranges: tuple[Range, ...], mark: str, value: str | None) -> Sitting:
    """Ranges with one colour, font or size instead of another; none for no value."""
    on = (Span(0, 1, mark, value),) if value is not None else ()
    return remarked(sitting, ranges, on, {mark})


def _no_colour_word(sitting: Sitting, parse: Parse) -> bool:
    """ "Change the hut to red" colours it; "change blue to grey" is about the words."""
    target = parse.args.get("target")
    return not isinstance(target, Words) or kind_of(target.words) != "colour"


def _of_a_part(adjective: str) -> tuple[Way, ...]:
    ways = (f"{{target}} [<into>] {adjective}", *frames.told(adjective))
    return tuple(Way(way, when=names_a_part) for way in ways)


@command(
    *(
        Way(way, when=_no_colour_word)
        for way in frames.made("[the] [colour | color] {colour} [colour | color]", False)
    ),
    *frames.made("{colour} (letters | type | ink | print)", False),
    "(colour | color) {target} [in] {colour}",
    "{colour} for {target}",
    "(change | set | make) the (colour | color) of {target} [to] {colour}",
    "<make> {target} in {colour} (letters | type | ink | print)",
    "{colour} (letters | type | ink | print) for {target}",
    "use {colour} (for | on) {target}",
    Way("put {colour} on {target}", when=names_a_part),
    "{colour} text for {target}",
    "give {target} the (colour | color) {colour}",
    Way("give {target} a {colour} (colour | color | tint)", when=names_a_part),
    *_of_a_part("[the] [colour | color] {colour} [colour | color]"),
    example="make the last sentence blue",
    group="format",
    puts_on="colour",
)
def colour(sitting: Sitting, target: Places, colour: str) -> Done:
    """Give words a colour; black is the usual one."""
    value = None if colour == "black" else colour
    after = faced(sitting, target.ranges, "colour", value)
    return Done(after, f"{named(sitting.document, target.ranges)} is {colour}")


@command(
    *frames.taken("(colour | color)"),
    example="take the colour off the last sentence",
    group="format",
)
def no_colour(sitting: Sitting, target: Places) -> Done:
    """Take the colour off words."""
    return colour(sitting, target, "black")


@command(
    *frames.made("[the] [font] {family} [(font | type | face)]"),
    "(use | take) {family} (for | on) {target}",
    "(change | set | make) [the] (font | typeface) (of | for | in | on) {target} [to] {family}",
    "apply [the font] {family} to {target}",
    "{family} for {target}",
    example="set the last sentence in courier",
    group="format",
)
def font(sitting: Sitting, target: Places, family: str) -> Done:
    """Set words in another font: Atkinson, Literata, Work Sans or Courier."""
    after = faced(sitting, target.ranges, "font", family)
    return Done(after, f"{named(sitting.document, target.ranges)} is in {family}")


_FONTS = "(font | typeface | lettering)"


@command(
    "(what | which) (fonts | typefaces) (are there | are here | do you have | have you got | can i"
    " (use | have | choose [from]) | have (i | we) got)",
    "(list | show [me]) [all] (the | your) (fonts | typefaces)",
    f"(change | choose | pick | set) (the | a | another | my) {_FONTS} [(of | for | in)"
    " {target}]",
    f"(use | try | <wish> | give me | put it in) (another | a different | a (nicer | better |"
    f" plainer | clearer | prettier)) {_FONTS} [(of | for | on | in) {{target}}]",
    example="change the font",
    group="format",
    heard=0,
)
def which_font(sitting: Sitting, target: Places | None = None) -> Done:
    """Show the fonts that there are; a number sets what is selected, or all of it, in one."""
    held = sitting.selection if sitting.selection and sitting.fresh else sitting.document.whole
    options = tuple(Option(name, (("family", name),)) for name in _FAMILIES.values())
    about = target or Places((held,))
    question = Question("faces.font", {"target": about}, options, beside=True)
    return Done(replace(sitting, question=question), "there are four fonts: say a number")


def _sized(points: int) -> Refusal | None:
    if SIZES[0] <= points <= SIZES[-1]:
        return None
    return Refusal(f"There is no size {points}.", "", f"Say {SIZES[0]} to {SIZES[-1]} points.")


@command(
    *frames.made("[at] (size {number} | {number} (point | points) | {number} point size)", False),
    "(change | set | make) [the] size (of | for) {target} [to] {number} [(point | points)]",
    "size {number} for {target}",
    "(change | set | make) the (font | text | type | letter) size (of | for) {target} [to]"
    " {number} [(point | points)]",
    "[(use | set)] [the] [font] size [to] {number} [point | points] (for | on) {target}",
    "set {target} to {number} (point | points)",
    "{number} (point | points) for {target}",
    "(change | set | make) the size [of it] [to] {number} [(point | points)]",
    *_of_a_part(
        "[at] [(a | the)] (size {number} | {number} (point | points) | {number} point size)"
    ),
    example="make the title thirty six points",
    group="format",
)
def size(sitting: Sitting, target: Places | None = None, number: int = 12) -> Done | Refusal:
    """Set words in a size, from 10 to 72 points."""
    held = target or resolve(That(), sitting)
    if isinstance(held, Refusal):
        return held
    if refusal := _sized(number):
        return refusal
    after = faced(sitting, held.ranges, "size", str(number))
    return Done(after, f"{named(sitting.document, held.ranges)} is {number} points")


def _of_words_here(sitting: Sitting, parse: Parse) -> bool:
    """ "One size down", of what is selected or was just made."""
    return sitting.selection is not None or just_made(sitting, parse)


CATALOGUE.table(
    "sizes",
    {
        f"({words}) (size | sizes | step | steps) {way}": sign * steps
        for steps, words in ((1, "a | one"), (2, "two"), (3, "three"))
        for way, sign in (("(up | bigger | larger)", 1), ("(down | smaller)", -1))
    },
)


@command(
    *frames.made("[(a bit | a little | a size | a step)] {larger}", False),
    "(make | set | put) {target} {larger:sizes}",
    Way("{larger:sizes}", when=_of_words_here),
    Way("{target} {larger:sizes}", when=names_a_part),
    "(<make> | <wish>) {target} in [a] {larger} (letters | type | print | size | font)",
    "use [a] {larger} (letters | type | print | size | font) (for | on) {target}",
    "give {target} [a] {larger} (letters | type | print | size | font)",
    "{resizing} the size of {target}",
    "<make> the (letters | type | print | font | words | text) (of | in) {target} [(a bit |"
    " a little)] {larger}",
    "(enlarge | magnify | blow up) {target}",
    "blow {target} up",
    Way("{larger} {target}", when=names_a_part),
    "make {target} (one | a) size {larger}",
    Way("{resizing} {target}", when=names_a_part),
    "{larger} (letters | type | print) for {target}",
    *_of_a_part("[(a bit | a little | a size | a step)] {larger}"),
    Way("{target} in [a] {larger} (letters | type | print | size | font)", when=names_a_part),
    Way(
        "{target} (is | are | looks | look) [(much | far | a bit | a little)] {larger:ill_sized}",
        when=names_a_part,
    ),
    example="make the last sentence larger",
    group="format",
    grows=True,
    puts_on="size",
)
def resize(
    sitting: Sitting, target: Places | None = None, larger: int = 1, resizing: int | None = None
) -> Done | Refusal:
    """Set words a step larger or smaller than they are."""
    held = target or resolve(That(), sitting)
    if isinstance(held, Refusal):
        return held
    larger = larger if resizing is None else resizing
    ranges = _side_by_side(sitting.document, held.ranges)
    after, sizes = sitting, dict[int, list[Range]]()
    for r, now in _sized_stretches(sitting.document, ranges):
        nearest = min(range(len(SIZES)), key=lambda i: abs(SIZES[i] - now))
        points = SIZES[max(0, min(len(SIZES) - 1, nearest + larger))]
        sizes.setdefault(points, []).append(r)
    for points, held_so in sizes.items():
        after = faced(after, tuple(held_so), "size", str(points))
    after = after.about(ranges)
    how = f"{next(iter(sizes))} points" if len(sizes) == 1 else _STEPPED[larger > 0]
    return Done(after, f"{named(sitting.document, ranges)} is {how}")


_STEPPED = {True: "larger, each part from the size it had", False: "smaller, each part likewise"}


def _side_by_side(document: Document, ranges: tuple[Range, ...]) -> tuple[Range, ...]:
    """Ranges joined where nothing stands between them but a space: letters are words again."""
    joined: list[Range] = []
    for r in sorted(ranges):
        last = joined[-1] if joined else None
        if last is not None and last.end.block == r.start.block and last.end <= r.start:
            between = document.blocks[r.start.block].text[last.end.offset : r.start.offset]
            if len(ranges) > _SEVERAL and not between.strip():
                joined[-1] = Range(last.start, r.end)
                continue
        joined.append(r)
    return tuple(joined)


_SEVERAL = 8
"""Places, of which those side by side are told as one."""


def _sized_stretches(
    document: Document, ranges: tuple[Range, ...]
) -> Iterator[tuple[Range, float]]:
    """The stretches of ranges that are of one size, with that size in points."""
    for block, r, marks in stretches(document, ranges):
        scale = HEADING_SCALE.get(block.level or 1, 1.0) if block.kind == "heading" else 1.0
        sizes = [float(s.value) for s in marks if s.mark == "size" and s.value]
        yield r, sizes[-1] if sizes else BASE_POINTS * scale


@command(
    "make {target} the (usual | normal) size",
    "(usual | normal) size for {target}",
    "take the size off {target}",
    example="make the last sentence the usual size",
    group="format",
)
def usual_size(sitting: Sitting, target: Places) -> Done:
    """Give words the size that their paragraph has."""
    after = faced(sitting, target.ranges, "size", None)
    return Done(after, f"{named(sitting.document, target.ranges)} is of the usual size")


def _typing(sitting: Sitting, mark: str, value: str | None) -> Sitting:
    kept = tuple(t for t in sitting.typing if t[0] != mark)
    return replace(sitting, typing=kept if value is None else (*kept, (mark, value)))


@command(
    "(write | type) in [the] {family} [(font | type)]",
    "{family} on",
    "font {family}",
    "switch to {family}",
    *frames.running_on("{family} [(font | type | letters)]"),
    example="write in courier",
    group="format",
)
def typing_font(sitting: Sitting, family: str) -> Done:
    """Write in another font from here on, until you say “font off”."""
    return Done(_typing(sitting, "font", family), f"writing in {family}")


@command("(write | type) in {colour}", "{colour} on", "(colour | color) {colour}",
         *frames.running_on("{colour} [(letters | colour | color)]"),
         "(switch | change) to {colour}",
         example="write in blue", group="format")  # fmt: skip
def typing_colour(sitting: Sitting, colour: str) -> Done:
    """Write in a colour from here on, until you say “colour off”."""
    value = None if colour == "black" else colour
    return Done(_typing(sitting, "colour", value), f"writing in {colour}")


@command("(write | type) in {number} (point | points)", "(write | type) in size {number}",
         "size {number} [on]", *frames.running_on("size {number}"),
         *frames.running_on("{number} (point | points)"),
         example="size sixteen", group="format")  # fmt: skip
def typing_size(sitting: Sitting, number: int) -> Done | Refusal:
    """Write in a size from here on, until you say “size off”."""
    if refusal := _sized(number):
        return refusal
    return Done(_typing(sitting, "size", str(number)), f"writing in {number} points")


CATALOGUE.table("facet", {"(font | type)": "font", "(colour | color)": "colour", "size": "size"})


@command("{facet} off", "(usual | normal) {facet}", "no more {facet}", example="colour off",
         group="format")  # fmt: skip
def typing_off(sitting: Sitting, facet: str) -> Done:
    """Write in the usual font, colour or size again."""
    return Done(_typing(sitting, facet, None), f"the usual {facet}")


Look = tuple[str, str | None]


@rule("look", "{styled}")
def _look_marked(styled: str) -> Look:
    return styled, None


CATALOGUE.table(
    "lookverb",
    {
        "(bold | embolden)": "bold",
        "(italicise | italicize)": "italic",
        "underline": "underline",
        "highlight": "highlight",
        "(strike through | cross out)": "strike",
    },
)


@rule("lookdone", "{lookverb}")
def _look_done(lookverb: str) -> Look:
    return lookverb, None


@rule("look", "{colour}")
def _look_coloured(colour: str) -> Look:
    return "colour", colour


@command(
    "<make> {target} [both] [<into>] {a:look} and [<into>] {b:look}",
    "<make> {target} {a:look} {b:look} and {c:look}",
    "[both] {a:look} and {b:look} {target}",
    "<wish> {target} [both] [<into>] {a:look} and [<into>] {b:look}",
    "apply [both] {a:look} and {b:look} to {target}",
    "{a:lookdone} and {b:lookdone} {target}",
    Way("[both] {a:look} and {b:look} (for | on) {target}", when=names_a_part),
    "{a:lookdone} {target} and <make> it [<into>] {b:look}",
    "{a:lookdone} {target} and {b:lookdone} it [(too | as well)]",
    "{target} [both] [<into>] {a:look} and {b:look}",
    example="make the last sentence bold and italic",
    group="format",
    heard=1,
)
def several(sitting: Sitting, target: Places, a: Look, b: Look, c: Look | None = None) -> Done:
    """Put several marks or a colour on a target at once."""
    after, said = sitting, []
    for mark, value in (look for look in (a, b, c) if look):
        if mark == "colour":
            after = faced(after, target.ranges, mark, None if value == "black" else value)
        else:
            after = marked(after, target.ranges, (mark,))
        said.append(value or said_of(mark))
    where = named(sitting.document, target.ranges)
    return Done(after, f"{where} is {' and '.join(said)}{near(target)}")
