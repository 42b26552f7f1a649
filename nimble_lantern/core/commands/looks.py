"""How words look, told in words: for somebody who cannot see it, or looks at another part."""

from __future__ import annotations

from collections.abc import Iterator

from nimble_lantern.core.commands.marks import said_of
from nimble_lantern.core.commands.wording import many, named, quoted
from nimble_lantern.core.document.layout import HEADING_SCALE, stretches
from nimble_lantern.core.document.metrics import DEFAULT_FAMILY
from nimble_lantern.core.document.model import Block, Kind, Position, Range, Span
from nimble_lantern.core.document.styles import BASE_POINTS, COLOURS
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, That, of_the_page
from nimble_lantern.core.targets.words import named_as_written

CATALOGUE.table(
    "asked_look",
    {
        "[(in | set in)] (bold | bold type)": "bold",
        "[(in | set in)] (italic | italics)": "italic",
        "underlined": "underline",
        "highlighted": "highlight",
        "(struck out | crossed out | struck through)": "strike",
        **{f"[(in | coloured)] {colour}": colour for colour in COLOURS},
    },
    heard=False,
)
_LETTERS = "(font | typeface | formatting | type size | font size | letter size)"


def _of_a_part(sitting: Sitting, parse: Parse) -> bool:
    """ "What size is the title"; "what size is the boat" asks about a thing."""
    return of_the_page(parse.args.get("target"))


def _standing(sitting: Sitting, parse: Parse) -> bool:
    """ "Which font is that in", and of words as they stand there."""
    target = parse.args.get("target")
    if isinstance(target, That):
        return bool(sitting.that or sitting.selection)
    return of_the_page(target) or named_as_written(sitting.document, target)


@command(
    *each(
        _standing,
        f"(what | which) {_LETTERS} (is | are) {{target}} [(in | set in | written in)]",
        f"(what is | what's | tell me) the {_LETTERS} of {{target}}",
        f"(what | which) {_LETTERS} (does | do | has | have) {{target}} [(have | use | got)]",
        "how (is | are) {target} formatted",
    ),
    *each(
        _of_a_part,
        "(what | which) (size | colour | color | style) (is | are) {target} [in]",
        "(what is | what's | tell me) the (size | colour | color | style) of {target}",
        "how (big | large | small) (is | are) {target}",
        "how (does | do) {target} look",
    ),
    f"(what | which) {_LETTERS} (is (it | this) | am i using | are we using) [(in | set in)]",
    example="what font is the title",
    group="reading",
    heard=0,
)
def tell(sitting: Sitting, target: Places | None = None) -> Done:
    """Tell the font, the size and the other looks of a part, or of what is written here."""
    held = target
    if held is None:
        block = sitting.document.blocks[sitting.writing_place.block]
        looks = _looks(block, max(0, sitting.writing_place.offset - 1), None)
        return Done(sitting, f"here it is {looks}")
    told = list(dict.fromkeys(_told(sitting, held)))
    where = named(sitting.document, held.ranges)
    return Done(sitting.about(held.ranges), f"{where}: {'; then '.join(told[:_MOST])}")


_MOST = 3
"""Looks that are told of a part that has several."""


def _told(sitting: Sitting, target: Places) -> Iterator[str]:
    for block, r, marks in stretches(sitting.document, target.ranges):
        if sitting.document.text(r).strip():
            yield _looks(block, r.start.offset, marks)


def _looks(block: Block, at: int, marks: tuple[Span, ...] | None) -> str:
    """The looks of a stretch in words; without marks, of the character at an offset."""
    if marks is None:
        marks = tuple(s for s in block.spans if s.start <= at < s.end)
    values = {s.mark: s.value for s in marks}
    scale = HEADING_SCALE.get(block.level or 1, 1.0) if block.kind is Kind.HEADING else 1.0
    size = float(values.get("size") or BASE_POINTS * scale)
    said = [str(values.get("font") or DEFAULT_FAMILY), f"{size:.0f} points"]
    bold = block.kind is Kind.HEADING or "bold" in values
    said += ["bold"] if bold else []
    said += [said_of(s.mark) for s in marks if s.mark not in ("bold", "font", "size", "colour")]
    said += [str(values["colour"])] if values.get("colour") else []
    if block.kind is Kind.HEADING:
        said.append(f"heading {block.level or 1}")
    if block.align != "left":
        said.append(f"set {block.align}")
    return ", ".join(dict.fromkeys(said))


@command(
    *each(_standing, "(is | are) {target} {look:asked_look}"),
    example="is the title underlined",
    group="reading",
    heard=0,
)
def whether(sitting: Sitting, target: Places, look: str) -> Done:
    """Tell whether a part has a look, or has it in part."""
    found = [
        look == "bold" and block.kind is Kind.HEADING or any(_has(span, look) for span in marks)
        for block, r, marks in stretches(sitting.document, target.ranges)
        if sitting.document.text(r).strip()
    ]
    where, how = named(sitting.document, target.ranges), said_of(look)
    if found and all(found):
        told = f"yes: {where} is {how}"
    else:
        told = f"in part: not all of {where} is {how}" if any(found) else f"no, not {how}: {where}"
    return Done(sitting.about(target.ranges), told)


def _has(span: Span, look: str) -> bool:
    return (span.mark, span.value) == ("colour", look) if look in COLOURS else span.mark == look


def _places(sitting: Sitting, look: str) -> list[Range]:
    """Where words have a look: a mark, or a colour."""
    return [
        Range(Position(b, s.start), Position(b, s.end))
        for b, block in enumerate(sitting.document.blocks)
        for s in block.spans
        if _has(s, look)
    ]


def _some_are(sitting: Sitting, parse: Parse) -> bool:
    """ "What is red", where something is; it may be asked in a letter."""
    return bool(_places(sitting, str(parse.args.get("look"))))


@command(
    "(what | which) (words | parts | bits) [of (it | this | the <writing>)] (is | are)"
    " {look:asked_look}",
    "(what | which) (words | parts | bits) (did i | have i) (make | made | put | set)"
    " {look:asked_look}",
    Way("(what | which) (is | are) {look:asked_look}", when=_some_are),
    "(find | show me) (what | the (words | parts | bits) that) (is | are) {look:asked_look}",
    example="which words are in italics",
    group="reading",
    heard=0,
)
def where(sitting: Sitting, look: str) -> Done | Refusal:
    """Tell which words have a look, and speak of them from then on."""
    found = _places(sitting, look)
    if not found:
        return Refusal(f"Nothing is {said_of(look)} here.")
    told = ", ".join(quoted(sitting.document.text(r)) for r in found[:_MOST])
    more = f" and {many(len(found) - _MOST, 'place')} more" if len(found) > _MOST else ""
    return Done(sitting.about(found), f"{said_of(look)}: {told}{more}")
