"""Headings, quotations, lists, alignment: what a whole paragraph is."""

from __future__ import annotations

from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.document.edits import Edit, Reformat
from nimble_lantern.core.document.model import Bullets, Format, Kind, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, Words

CATALOGUE.table("headinglevel", {"[level] one": 1, "[level] two": 2, "[level] three": 3})


CATALOGUE.table("subheading", {"a (subheading | sub heading)": 2})


_OF_CELLS = frozenset(("align", "spacing"))


def reformatted(sitting: Sitting, target: Places | None, **changes: object) -> tuple[Sitting, int]:
    """The blocks that a target touches (else the caret's) with parts of their format changed.

    How many there were; a cell stays one, and is only aligned and spaced.
    """
    here = (Range(sitting.caret, sitting.caret),) if target is None else target.ranges
    touched = sorted({b for r in here for b in range(r.start.block, r.end.block + 1)})
    if not changes.keys() <= _OF_CELLS:
        touched = [b for b in touched if sitting.document.blocks[b].cell is None]
    steps = []
    for b in touched:
        block = sitting.document.blocks[b]
        if target is not None and not block.text and len(touched) > 1:
            continue
        form = block.format._replace(**changes)  # type: ignore[arg-type]
        if form != block.format:
            steps.append(Reformat(b, form))
    after = sitting.edited(Edit(tuple(steps)))
    whole = [
        Range(Position(b, 0), Position(b, len(after.document.blocks[b].text))) for b in touched
    ]
    return after.about(whole), len(touched)


def _shape(form: Format) -> dict[str, object]:
    """What a format makes of a block, for `reformatted`."""
    return form._asdict()


def _become(
    sitting: Sitting, target: Places | None, what: str, **changes: object
) -> Done | Refusal:
    after, count = reformatted(sitting, target, **changes)
    if not count:
        return Refusal("A cell of a table stays one.", "", "Say it of a paragraph.")
    if count > 1:
        return Done(after, f"{many(count, 'paragraph')}: {what}")
    text = after.document.text(after.that[0]) if after.that else ""
    return Done(after, f"{quoted(text)} is {what}" if text else what)


def _says_which(sitting: Sitting, parse: Parse) -> bool:
    """ "Heading for the ferry" is more likely text; "heading two for the ferry" is none."""
    return not isinstance(parse.args.get("target"), Words) or "headinglevel" in parse.args


@command(
    "heading [{headinglevel}]",
    "(make | turn) {target} [into] a (heading | title | header) [{headinglevel}]",
    "(make | turn) {target} [into] a level {headinglevel} heading",
    "(make | turn) {target} [into] {headinglevel:subheading}",
    "(make | turn) {target} [into] [a] heading {headinglevel}",
    Way("heading [{headinglevel}] for {target}", when=_says_which),
    "(set | format) {target} as a heading [{headinglevel}]",
    example="make the first paragraph a heading",
    group="format",
)
def heading(
    sitting: Sitting, target: Places | None = None, headinglevel: int = 1
) -> Done | Refusal:
    """Make a paragraph a heading, of level one unless you say two or three."""
    form = _shape(Format(Kind.HEADING, headinglevel))
    return _become(sitting, target, f"heading {headinglevel}", **form)


@command(
    "normal text",
    "(plain | ordinary) paragraph",
    "(make | turn) {target} [into] (normal text | a normal paragraph | a paragraph)",
    "(make | turn) {target} [into] (plain | ordinary) text",
    "(put | set) {target} back to normal text",
    "(no | not a) heading",
    example="normal text",
    group="format",
)
def normal(sitting: Sitting, target: Places | None = None) -> Done | Refusal:
    """Make a heading, list item or quotation an ordinary paragraph again."""
    return _become(sitting, target, "normal text", **_shape(Format()))


@command(
    "[block] quotation",
    "(make | turn) {target} [into] a (quotation | quote | block quotation | block quote)",
    "(set | format) {target} as a (quotation | quote | block quotation | block quote)",
    "[block] quotation for {target}",
    example="make the last paragraph a quotation",
    group="format",
)
def quotation(sitting: Sitting, target: Places | None = None) -> Done | Refusal:
    """Make a paragraph a quotation, set in from the edge."""
    return _become(sitting, target, "a quotation", **_shape(Format(Kind.QUOTATION)))


CATALOGUE.table(
    "listkind", {"(bulleted | bullet | bullets | unnumbered)": "bulleted", "numbered": "numbered"}
)


@command(
    "[start] [a] {listkind} list",
    "(make | turn) {target} [into] a {listkind} list",
    "(make | turn) {target} [into] a list",
    "(make | turn) {target} [into] (bullets | bullet points)",
    "(make | turn) {target} [into] {listkind} items",
    "(set | format) {target} as a [{listkind}] list",
    "make a [{listkind}] list (of | out of | from) {target}",
    "(bullet | put bullets on) {target}",
    example="make the last two paragraphs a list",
    group="format",
)
def make_list(
    sitting: Sitting, target: Places | None = None, listkind: str = "bulleted"
) -> Done | Refusal:
    """Begin a list here, or make paragraphs its items."""
    form = _shape(Format(Kind.ITEM, 1, Bullets(listkind)))
    return _become(sitting, target, f"a {listkind} list", **form)


@command("number {target}", "put numbers on {target}", example="number the last two paragraphs",
         group="format", of_blocks=True)  # fmt: skip
def number_list(sitting: Sitting, target: Places) -> Done | Refusal:
    """Make paragraphs the items of a numbered list."""
    return make_list(sitting, target, "numbered")


CATALOGUE.table(
    "alignment",
    {
        "left": "left",
        "(centre | center | centred | centered | middle)": "centre",
        "right": "right",
        "justified": "justified",
    },
)


@command(
    "(align | set | put | move) {target} [(to | on) the] {alignment} [(side | edge)]",
    "(centre | center) {target}",
    "(align | aligned) [to the] {alignment}",
    "{alignment} align {target}",
    example="align the title right",
    group="format",
    of_blocks=True,
)
def align(
    sitting: Sitting, target: Places | None = None, alignment: str = "centre"
) -> Done | Refusal:
    """Set paragraphs left, centred or right."""
    return _become(sitting, target, f"set {alignment}", align=alignment)


@command("justify {target}", "make {target} justified", example="justify the last paragraph",
         group="format", of_blocks=True)  # fmt: skip
def justify(sitting: Sitting, target: Places) -> Done | Refusal:
    """Set paragraphs straight at both edges."""
    return align(sitting, target, "justified")
