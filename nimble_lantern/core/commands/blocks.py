"""Headings, quotations, lists, alignment: what a whole paragraph is."""

from __future__ import annotations

from dataclasses import replace
from typing import Unpack

from nimble_lantern.core.commands import frames
from nimble_lantern.core.commands.table_here import column_headed
from nimble_lantern.core.commands.when import (
    in_an_item,
    just_dictated,
    names_a_part,
    of_no_table,
    there_is_a_list,
)
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.composing.dictating import on_a_new_line
from nimble_lantern.core.composing.itemising import apart, as_items, below_a_heading, several_lines
from nimble_lantern.core.composing.reformatting import Changes, reformatted
from nimble_lantern.core.document import units
from nimble_lantern.core.document.model import Align, Bullets, Format, Kind, Position, Range
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, Way, command, each
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.finding import reference
from nimble_lantern.core.targets.measures import A_DATE
from nimble_lantern.core.targets.model import (
    Places,
    That,
    Unit,
    Units,
    Words,
    of_a_grid,
    of_the_page,
    unit_named,
)
from nimble_lantern.core.targets.words import exact

_PLAIN = "(normal | plain | ordinary | body | standard | regular | usual) (text | type | style)"
CATALOGUE.table("headinglevel", {"[level] one": 1, "[level] two": 2, "[level] three": 3})
CATALOGUE.table("nthlevel", {"(first | top)": 1, "second": 2, "third": 3})
_LESS = "(smaller | lower) than the [main] (title | heading)"
CATALOGUE.table("subheading", {"[a] (subheading | sub heading | smaller heading)": 2, _LESS: 2})


def _shape(form: Format) -> Changes:
    """What a format makes of a block, for `reformatted`."""
    return Changes(
        kind=form.kind, level=form.level, list=form.list, align=form.align, spacing=form.spacing
    )


def _become(
    sitting: Sitting, target: Places | None, what: str, **changes: Unpack[Changes]
) -> Done | Refusal:
    after, count = reformatted(sitting, target, **changes)
    if not count:
        return Refusal("A cell of a table stays one.", "", "Say it of a paragraph.")
    if count > 1:
        return Done(after, f"{many(count, 'paragraph')}: {what}")
    text = after.document.text(after.that[0]) if after.that else ""
    return Done(after, f"{quoted(text)} is {what}" if text else what)


def _whole(sitting: Sitting, parse: Parse) -> bool:
    """ "Tea at four should be a heading", where that is all of a line, or was just said."""
    target = parse.args.get("target")
    if isinstance(target, That) and sitting.that and sitting.trail:
        return sitting.trail[-1].read_as is ReadAs.TEXT
    if not isinstance(target, Words):
        return of_the_page(target)
    blocks = sitting.document.blocks
    return any(
        2 * (r.end.offset - r.start.offset) > len(blocks[r.start.block].text)
        for r in exact(sitting.document, target.words)
    )


def _says_which(sitting: Sitting, parse: Parse) -> bool:
    """ "Heading for the ferry" is more likely text; "heading two for the ferry" is none."""
    return not isinstance(parse.args.get("target"), Words) or "headinglevel" in parse.args


@command(
    "[start | begin | make] [a] heading [{headinglevel}]",
    "[start | begin | make] [a] level {headinglevel} heading",
    *frames.made(
        "[(a | the)] [(main | proper | big | top)] (heading | title | header | headline)",
        stated=False,
    ),
    *frames.made("[a] (heading | title | header) {headinglevel}"),
    *frames.made("[a] [level] {headinglevel} [level] heading"),
    *frames.made("[a] [level] {headinglevel:nthlevel} [level] heading"),
    *frames.made("{headinglevel:subheading}"),
    *(
        Way(way, when=_whole)
        for way in frames.told("[(a | the)] (heading | title | header | headline)")
    ),
    *frames.made_of("[a | the] (heading | title | header)"),
    *frames.made_of("[a] [level] {headinglevel} [level] heading"),
    *frames.made_of("[a] [level] {headinglevel:nthlevel} [level] heading"),
    *frames.made_of("{headinglevel:subheading}"),
    Way("{target} is a heading", when=_whole),
    Way("{target} as (a | the) [main] (heading | title | header)", when=_whole),
    Way("{target} is [a] {headinglevel:subheading}", when=names_a_part),
    Way("{target} is a level {headinglevel} heading", when=names_a_part),
    Way("{target} is a {headinglevel:nthlevel} level heading", when=names_a_part),
    "[start | begin | make] [a] {headinglevel:nthlevel} level heading [here]",
    "<make> from {target} a heading",
    Way("heading [{headinglevel}] for {target}", when=_says_which),
    Way("{target} [as] [a] heading [{headinglevel}]", when=names_a_part),
    "(apply | give) heading {headinglevel} to {target}",
    "give {target} [a] heading {headinglevel}",
    *frames.made("[a] level {headinglevel}", False),
    "{target} to level {headinglevel}",
    example="make the first paragraph a heading",
    group="format",
    here=True,
)
def heading(
    sitting: Sitting, target: Places | None = None, headinglevel: int = 1
) -> Done | Refusal:
    """Make a paragraph a heading, of level one unless you say two or three."""
    if target is not None and target.unit is Unit.SECTION:
        return Refusal("A section is a heading and what is below it; say which paragraph is meant.")
    if target is not None:
        sitting, target = apart(sitting, target)
    form = _shape(Format(Kind.HEADING, headinglevel))
    done = _become(sitting, target, f"heading {headinglevel}", **form)
    return _said_whole(done) if isinstance(done, Done) else done


def _said_whole(done: Done) -> Done:
    """What is said next stands below a heading that was made of what was just said."""
    after = done.sitting
    block = after.document.blocks[after.caret.block]
    ended = block.kind is Kind.HEADING and after.caret.offset == len(block.text) > 0
    return replace(done, sitting=replace(after, headed=after.caret)) if ended else done


def _of_a_block(sitting: Sitting, parse: Parse) -> bool:
    """ "Raise the heading"; the last letter is raised in another way."""
    target = parse.args.get("target")
    letters = isinstance(target, Units) and target.unit in (Unit.CHARACTER, Unit.WORD)
    return of_the_page(target) and not isinstance(target, Words) and not letters


CATALOGUE.table("relevel", {"(demote | lower)": 1, "(promote | raise)": -1})


@command(
    Way("{relevel} {target} [by] [(a | one)] [level]", when=_of_a_block),
    Way("make {target} a [level] smaller heading", when=names_a_part),
    example="demote the heading",
    group="format",
)
def relevel(sitting: Sitting, target: Places, relevel: int = 1) -> Done | Refusal:
    """Set a heading one level lower or higher."""
    form = sitting.document.blocks[target.first.start.block].format
    level = (form.level or 1) + relevel
    if form.kind is not Kind.HEADING:
        return Refusal("That is no heading.", "", "“Make it a heading” makes it one.")
    if not 1 <= level <= _LEVELS:
        return Refusal(f"There is no heading of level {level}.", "", "Levels go from one to three.")
    return heading(sitting, target, level)


_LEVELS = 3


def _of_paragraphs(sitting: Sitting, parse: Parse) -> bool:
    return names_a_part(sitting, parse) and not of_a_grid(parse.args.get("target"))


@command(
    f"[(write | set | put) in] {_PLAIN}",
    "(plain | ordinary | normal) paragraph",
    *frames.made(_PLAIN),
    *frames.made(
        "[(just | only)] (a | an) [(normal | plain | ordinary | simple)] paragraph", False
    ),
    *frames.made(
        "[(just | only)] [(a | an)] (normal | plain | ordinary | simple) (paragraph | paragraphs)"
    ),
    *frames.unmade(
        "(a heading | a list | a list item | an item | a quotation | a title | bullets)"
    ),
    *frames.taken(
        "(heading | bullet | bullets | bullet points | list | list formatting | numbering"
        " | numbers | heading style)"
    ),
    *frames.made("[(plain | normal | ordinary)] paragraphs", False),
    *frames.made("[(plain | normal | ordinary)] (sentences | prose)", False),
    "(plain | normal | ordinary) paragraphs",
    "unbullet {target}",
    Way(f"{{target}} is (just | only) [(a | an)] ({_PLAIN} | paragraph)", when=names_a_part),
    Way(f"{{target}} is {_PLAIN} [again]", when=names_a_part),
    Way(
        "{target} (is not | isn't | are not | aren't) [(a | an)] (heading | title | list | list"
        " item | bullet point | quotation | headings | items | bullet points)",
        when=_of_paragraphs,
    ),
    *frames.told("(just | only) (a | an) [(normal | plain | ordinary)] paragraph"),
    example="normal text",
    group="format",
    here=True,
    when=of_no_table,
)
def normal(sitting: Sitting, target: Places | None = None) -> Done | Refusal:
    """Make a heading, list item or quotation an ordinary paragraph again."""
    return _become(sitting, target, "normal text", **_shape(Format()))


@command(
    *frames.gone("(heading | title) [style | formatting | format]"),
    example="remove the heading style",
    group="format",
)
def no_heading(sitting: Sitting) -> Done | Refusal:
    """Make what is selected, was just done, or holds the writing place no heading any more."""
    return _undressed(sitting, Kind.HEADING, "heading")


@command(
    *frames.gone(
        "(bullets | bullet points | bullet | list [formatting | format | style] | numbers"
        " | numbering | numbered list | bulleted list)"
    ),
    "(no | not a | no more) list",
    "(turn | make | change | put) (the | this) list [back] (into | to) [(normal | plain)] (text"
    " | paragraphs)",
    "unbullet",
    Way(
        "(make | turn | change) (these | them | those) [all] [back] [into] [(plain | normal |"
        " ordinary)] (paragraphs | text)",
        when=in_an_item,
    ),
    example="remove the bullets",
    group="format",
)
def no_list(sitting: Sitting) -> Done | Refusal:
    """Make list items ordinary paragraphs: those selected, those here, or the only list's."""
    return _undressed(sitting, Kind.ITEM, "list item")


def _undressed(sitting: Sitting, kind: Kind, called: str) -> Done | Refusal:
    those = _those(sitting, kind, called)
    if isinstance(those, Refusal):
        return those
    return _become(sitting, those, "normal text", **_shape(Format()))


def _those(sitting: Sitting, kind: Kind, called: str) -> Places | Refusal:
    """Blocks of a kind: those spoken of, else those here, else all, if they stand together.

    Right after one item is said, "no bullets" is said of its list.
    """
    alone = kind is Kind.ITEM and just_dictated(sitting)
    ranges = (sitting.selection,) if sitting.selection else () if alone else sitting.that
    spoken_of = {b for r in ranges for b in range(r.start.block, r.end.block + 1)}
    here = _run_of(sitting, kind, sitting.caret.block)
    every = range(len(sitting.document.blocks))
    for blocks in (spoken_of, here, every):
        found = [b for b in sorted(blocks) if sitting.document.blocks[b].kind is kind]
        if found:
            break
    else:
        return Refusal(f"There is no {called} here.")
    if blocks is every and len(_run_of(sitting, kind, found[0])) < len(found):
        return Refusal(f"There are several to choose from; say which {called}s are meant.")
    return Places(
        tuple(
            Range(Position(b, 0), Position(b, len(sitting.document.blocks[b].text))) for b in found
        )
    )


def _run_of(sitting: Sitting, kind: Kind, block: int) -> range:
    """The blocks of a kind that stand together with one, none if it is of another."""
    blocks = sitting.document.blocks
    if blocks[block].kind is not kind:
        return range(0)
    first = last = block
    while first and blocks[first - 1].kind is kind:
        first -= 1
    while last + 1 < len(blocks) and blocks[last + 1].kind is kind:
        last += 1
    return range(first, last + 1)


@command(
    "[block] quotation",
    *frames.made("[a] ([block] quotation | [block] quote)", False),
    "[block] quotation for {target}",
    "quote style (for | on) {target}",
    "indent {target} as a (quotation | quote)",
    Way("{target} is [a] [block] quotation", when=names_a_part),
    Way("{target} as a [block] quotation", when=names_a_part),
    example="make the last paragraph a quotation",
    group="format",
    here=True,
)
def quotation(sitting: Sitting, target: Places | None = None) -> Done | Refusal:
    """Make a paragraph a quotation, set in from the edge."""
    return _become(sitting, target, "a quotation", **_shape(Format(Kind.QUOTATION)))


CATALOGUE.table(
    "listkind",
    {
        "(bulleted | bullet | bullets | bullet point | bullet points | unnumbered)": "bulleted",
        "(numbered | number | ordered)": "numbered",
    },
)
CATALOGUE.table(
    "onekind",
    {
        "(numbered | [a] numbered one | one with numbers | number)": "numbered",
        "(bulleted | [a] bulleted one | one with (bullets | dots) | a bullet [point])": "bulleted",
    },
)
CATALOGUE.table(
    "bulletpoints",
    {
        "(bullets | bullet points | points | dots)": "bulleted",
        "(numbers | one two three)": "numbered",
    },
)


def _empty_here(sitting: Sitting, parse: Parse) -> bool:
    """ "Bullets", where nothing is written yet: a list begins."""
    return not sitting.document.blocks[sitting.writing_place.block].text.strip()


def _for_a_list(sitting: Sitting, parse: Parse) -> bool:
    """ "Turn the table into a list" takes the table apart; behind a colon a list begins below."""
    target = parse.args.get("target")
    if target is None and set(parse.args) == {"listkind"}:
        place = sitting.writing_place
        text = sitting.document.blocks[place.block].text
        return place.offset < len(text) or not text.endswith(":") or bool(sitting.selection)
    if isinstance(target, That) and target.several and several_lines(sitting):
        return False  # "those" are more than the last
    return unit_named(target) is not Unit.TABLE


@command(
    "{listkind} list",
    Way("(<wish> | let me have) a [new] [{listkind}] list [here]", when=_empty_here),
    *frames.made("[a] {listkind} list"),
    *frames.made("a list"),
    *frames.made("{listkind:bulletpoints}"),
    *frames.made("{listkind} items"),
    *frames.made("[a] list with {listkind:bulletpoints}"),
    *frames.made_of("[a] [{listkind}] list"),
    "(break | split | cut | divide | part) {target} up into {points:bulletpoints}",
    "(break | split | cut | divide | part) {target} into {listkind:bulletpoints}",
    "(break | split | cut | divide | part) {target} [up] into ([a] list | [list] items)",
    "(break | split | cut | divide) up {target} into ([a] list | [list] items"
    " | {points:bulletpoints})",
    *frames.made_of("[a] list with {listkind:bulletpoints}"),
    *frames.made_of("{listkind:bulletpoints}"),
    "(put | add | set) {listkind:bulletpoints} (before | in front of | at the start of) {target}",
    Way("{listkind:bulletpoints} (before | in front of) {target}", when=names_a_part),
    Way(
        "(put | add | set) a bullet [point] (before | in front of | at the start of) {target}",
        when=names_a_part,
    ),
    Way("(bullets | bullet points)", when=_empty_here),
    *frames.given("{listkind:bulletpoints}"),
    Way("{target} [as] (a bullet | bullets | a bullet point)", when=names_a_part),
    "(bullet | itemise) {target}",
    *frames.made("{listkind:onekind}", False),
    example="make the last two paragraphs a list",
    group="format",
    when=_for_a_list,
    here=True,
    of_blocks=True,
)
def make_list(
    sitting: Sitting, target: Places | None = None, listkind: str = "bulleted", points: str = ""
) -> Done | Refusal:
    """Begin a list here, or make paragraphs its items; one that is broken up, its sentences."""
    listkind = points or listkind
    target = below_a_heading(sitting.document, target)
    if target is not None and A_DATE.fullmatch(sitting.document.text(target.first)):
        return Refusal("A date makes no list.", "", "Say the date as it is to stand.")
    sitting, target = as_items(sitting, target, reference(sitting), bool(points))
    form = _shape(Format(Kind.ITEM, 1, Bullets(listkind)))
    here = sitting.that or (units.block_range(sitting.document, sitting.caret.block),)
    if target is not None and sitting.selection is None and target.ranges == here:
        target = _whole_list(sitting, target)
    return _become(sitting, target, f"a {listkind} list", **form)


def _behind_a_paragraph(sitting: Sitting, parse: Parse) -> bool:
    """ "List", where a paragraph, a heading or nothing stands before the writing place."""
    place = sitting.writing_place
    block = sitting.document.blocks[place.block]
    ends = not block.text[place.offset :].strip()
    return ends and block.kind in (Kind.PARAGRAPH, Kind.HEADING) and sitting.selection is None


def _behind_a_colon(sitting: Sitting, parse: Parse) -> bool:
    """ "We need:" and then "bullet points", or right below a heading."""
    place = sitting.writing_place
    block = sitting.document.blocks[place.block]
    headed = sitting.headed == place or block.kind is Kind.HEADING or _below_a_heading(sitting)
    begins = block.text.endswith(":") or headed
    return begins and place.offset == len(block.text) and sitting.selection is None


def _below_a_heading(sitting: Sitting) -> bool:
    b = sitting.writing_place.block
    blocks = sitting.document.blocks
    return b > 0 and not blocks[b].text and blocks[b - 1].kind is Kind.HEADING


@command(
    "<begin> [a] [new] {listkind} list [here]",
    Way("{listkind:bulletpoints} [here]", when=_behind_a_colon),
    "[a] new {listkind} list [here]",
    "<begin> a [new] list [here]",
    Way("({listkind} list | list)", when=_behind_a_paragraph),
    example="start a list",
    group="format",
)
def begin_list(sitting: Sitting, listkind: str = "bulleted") -> Done | Refusal:
    """Begin a list: here where nothing is written yet, else below; or of what is selected."""
    at, block = sitting.writing_place, sitting.document.blocks[sitting.writing_place.block]
    prose = block.kind in (Kind.PARAGRAPH, Kind.HEADING)
    written = prose and block.text.strip() and at.offset == len(block.text)
    if sitting.selection is not None or not written:
        return make_list(sitting, None, listkind)
    below = on_a_new_line(sitting).sitting
    return make_list(replace(below, that=()), None, listkind)


def _whole_list(sitting: Sitting, target: Places) -> Places:
    """ "Make it a numbered list", said in a list, is said of all of it."""
    b = target.first.start.block
    run = _run_of(sitting, Kind.ITEM, b)
    if len(target.ranges) > 1 or not run:
        return target
    first, last = (units.block_range(sitting.document, n) for n in (run[0], run[-1]))
    return Places((Range(first.start, last.end),))


@command(
    "{listkind:bulletpoints} instead of (bullets | bullet points | numbers | dots)",
    "(change | switch) [from] (bullets | bullet points | numbers) to {listkind:bulletpoints}",
    "(change | switch) to {listkind:bulletpoints}",
    "(i'd rather have | i would rather have | i prefer) {listkind:bulletpoints} (than | to | not)"
    " [the] (bullets | bullet points | numbers | dots)",
    "(make | put | use | have) [it] {listkind:bulletpoints}"
    " (instead of | rather than | [and] not) [the] (bullets | bullet points | numbers | dots)",
    "(change | turn | switch | make | swap) (the | those | these)"
    " (bullets | bullet points | numbers | dots) (into | to | for) {listkind:bulletpoints}",
    "(the | those | these) (bullets | bullet points | numbers | dots) <shall> be"
    " {listkind:bulletpoints}",
    "{listkind:bulletpoints} (instead of the | rather than | [and] not | in place of) [the]"
    " (bullets | bullet points | numbers | dots)",
    *each(
        there_is_a_list,
        "(i'd | i would | we'd) (rather have | prefer) {listkind:bulletpoints} [instead]",
        "(i'd | i would | we'd) (rather have | prefer) [a] {listkind} list [instead]",
    ),
    example="numbers instead of bullets",
    group="format",
)
def list_instead(sitting: Sitting, listkind: str) -> Done | Refusal:
    """Make a list numbered, or bulleted: the one here, or the only one."""
    those = _those(sitting, Kind.ITEM, "list item")
    return those if isinstance(those, Refusal) else make_list(sitting, those, listkind)


@command("number {target}", "put numbers on {target}", example="number the last two paragraphs",
         group="format", here=True, of_blocks=True, when=_for_a_list)  # fmt: skip
def number_list(sitting: Sitting, target: Places) -> Done | Refusal:
    """Make paragraphs the items of a numbered list."""
    if target.unit is Unit.HEADING:
        return Refusal(
            "Headings have no numbers here.", "", "“Make the headings a list” makes items of them."
        )
    return make_list(sitting, target, "numbered")


CATALOGUE.table(
    "alignment",
    {
        "left": "left",
        "(centre | center | centred | centered | middle) [of the (page | line)]": "centre",
        "right": "right",
        "justified": "justified",
    },
)


CATALOGUE.table(
    "centred",
    {
        "(centred | centered | in the centre | in the middle)": "centre",
        "(to | into | in) the (middle | centre | center) [of the (page | line)]": "centre",
    },
)


def _not_mended(sitting: Sitting, parse: Parse) -> bool:
    """ "Put it right" is to be mended; "align it right" and "put the title right" look so."""
    spoken = isinstance(parse.args.get("target"), That) and parse.args.get("alignment") == "right"
    return not spoken or sitting.selection is not None or _just_aligned(sitting, parse)


def _just_aligned(sitting: Sitting, parse: Parse) -> bool:
    """ "No, left", where something was just set otherwise."""
    last = sitting.trail[-1] if sitting.trail else None
    return last is not None and last.command in ("blocks.align", "blocks.justify")


@command(
    "align {target} [over] [back] {alignment}",
    Way("(<make> | <shift>) {target} [over] [back] {alignment}", when=_not_mended),
    "(align | <make> | <shift>) {target} [over] [back] (to | on | at | in) the {alignment} [hand]"
    " [(side | edge | margin)]",
    "(centre | center) {target} [on the page]",
    "(align | aligned) [to the] {alignment}",
    "(align | <make> | <shift>) {target} [over] [back] {alignment} (hand | side | edge | margin)",
    "(align | <make> | <shift>) {target} [over] [back] {alignment} hand (side | edge | margin)",
    "{alignment} (align | justify) {target}",
    "(set | put | make) {target} (flush | ranged) {alignment}",
    "line {target} up [(to | on | at | in) the] {alignment}",
    "line up {target} [(to | on | at | in) the] {alignment}",
    "(make | let | have) {target} line up [(to | on | at | in) the] {alignment}",
    "align {target} to the {alignment} [(side | edge | margin)]",
    *frames.made("{alignment} (aligned | justified | align)"),
    "[<wish>] {target} (to | on | over to) the {alignment} [hand] [(side | edge)]",
    "{target} <shall> be [over] (on | to | at | in) the {alignment} [hand] [(side | edge)]",
    Way("(push | bring) {target} [over] (to | on) the {alignment} [hand] [side]", when=_whole),
    "{target} <shall> be [aligned] {alignment:centred}",
    "<make> {target} [to be] {alignment:centred}",
    "<wish> {target} {alignment:centred}",
    "apply {alignment} alignment to {target}",
    "{alignment} [hand] (side | edge | margin) for {target}",
    "give {target} {alignment} alignment",
    Way("{target} {alignment:centred}", when=names_a_part),
    heard=5,
    example="align the title right",
    group="format",
    here=True,
    of_blocks=True,
)
def align(
    sitting: Sitting, target: Places | None = None, alignment: str = "centre"
) -> Done | Refusal:
    """Set paragraphs left, centred or right; of a heading of a table, its column."""
    if target is not None:
        target = column_headed(sitting.document, target)
    return _become(sitting, target, f"set {alignment}", align=Align(alignment))


@command(
    "(no | not that | no not that | back | no back) [on | to] [the] {alignment} [aligned | again]"
    " [side]",
    "(on | to) the {alignment} [again | side]",
    "{alignment} (aligned | again | side)",
    example="no left",
    group="format",
    heard=0,
    when=_just_aligned,
)
def align_otherwise(sitting: Sitting, alignment: str) -> Done | Refusal:
    """Set what was just set left, centred or right in another of these ways."""
    return align(sitting, Places(sitting.that) if sitting.that else None, alignment)


@command("justify {target}", *frames.made("justified"),
         *frames.made("(straight | flush | even) (on | at | down) both (sides | edges | margins)"),
         "align {target} (on | at | to) both (sides | edges | margins)",
         example="justify the last paragraph",
         group="format", here=True, of_blocks=True)  # fmt: skip
def justify(sitting: Sitting, target: Places) -> Done | Refusal:
    """Set paragraphs straight at both edges."""
    return align(sitting, target, "justified")
