"""How often words stand in the document, and how many parts of a kind it has."""

from __future__ import annotations

from nimble_lantern.core.commands import aloud
from nimble_lantern.core.commands.table_here import here, table_of
from nimble_lantern.core.commands.when import names_a_part, stands_here
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.composing.tabling import has_header, rows_of
from nimble_lantern.core.document.layout import LineIndex
from nimble_lantern.core.document.pages import PrintedLine, pages
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, command, each
from nimble_lantern.core.state import Done, Sitting, page_style
from nimble_lantern.core.targets.finding import all_within
from nimble_lantern.core.targets.letter import body
from nimble_lantern.core.targets.model import Places, Unit

CATALOGUE.table(
    "parts_counted",
    {
        "paragraphs": Unit.PARAGRAPH,
        "sentences": Unit.SENTENCE,
        "headings": Unit.HEADING,
        "(items | bullets | bullet points | points | things)": Unit.ITEM,
        "steps": Unit.STEP,
        "lists": Unit.LIST,
        "sections": Unit.SECTION,
        "rows": Unit.ROW,
        "columns": Unit.COLUMN,
        "tables": Unit.TABLE,
    },
    heard=False,
)


@command(
    "how (long | many words) is that",
    "how many words (does that have | are those | are in that)",
    heard=0,
    example="how many words is that",
    group="reading",
)
def words_of_it(sitting: Sitting) -> Done:
    """Count the words of what was just said or done, or of everything."""
    return aloud.count(sitting, Places(sitting.that) if sitting.that else None)


@command(
    "how (many times | often) (does it | does this | do i | did i | have i) [already] (say | use"
    " | mention | write | said | used | mentioned | written | put) {target}",
    "how (many times | often) (is | does | has) {target} (in (here | it | this | the <writing>)"
    " | said | mentioned | come up | appear | stand (here | there) | been said)",
    "(does | do | is | are | did) {target} [(come up | appear | occur | in (here | it | this | the"
    " <writing>) | there)] (twice | [any] more than once | too often | anywhere else | again"
    " anywhere)",
    "(do i | have i | did i) (say | use | mention | write | said | used | mentioned | written)"
    " {target} (twice | [any] more than once | too often | anywhere else)",
    "count [(how often | every | each | all the)] {target} (in (here | it | this | the <writing>)"
    " | for me)",
    example="how often do i say ferry",
    group="reading",
    when=stands_here,
    every_place=True,
    heard=1,
)
def often(sitting: Sitting, target: Places) -> Done:
    """Tell how often words stand in the document."""
    said = quoted(sitting.document.text(target.ranges[0]))
    count = len(target.ranges)
    times = _TIMES.get(count, f"{count} times")
    return Done(sitting.about(target.ranges), f"{said} stands here {times}")


_TIMES = {1: "once", 2: "twice"}


@command(
    "how many {unit:parts_counted} (are there | do i have | have i [got] | does it have | are we up"
    " to | is it) [<until_now>]",
    "how many {unit:parts_counted} (are there | are | do i have | have i [got] | are left)"
    " (in (it | this | here | the <writing>) | on (it | here | the page))",
    *each(
        names_a_part,
        "how many {unit:parts_counted} (are there | are | do i have | have i [got]) (in | on)"
        " {target}",
        "how many {unit:parts_counted} (has | does) {target} [(have | got)]",
        "(count | tell me the number of) [the] {unit:parts_counted} (in | of | on) {target}",
    ),
    "(count | tell me the number of) [the] {unit:parts_counted}",
    example="how many rows are there",
    group="reading",
    heard=1,
)
def parts(sitting: Sitting, unit: Unit, target: Places | None = None) -> Done | Refusal:
    """Tell how many paragraphs, items, rows or other parts there are, in all or in a part."""
    if unit in (Unit.ROW, Unit.COLUMN):
        table = here(sitting) if target is None else table_of(sitting, target)
        if isinstance(table, Refusal):
            return table
        if unit is Unit.COLUMN:
            return Done(sitting, many(table.columns, "column"))
        if has_header(rows_of(sitting.document.blocks, table)):
            return Done(sitting, f"{many(table.rows - 1, 'row')} below the headings")
        return Done(sitting, many(table.rows, "row"))
    scopes = [sitting.document.whole] if target is None else target.ranges
    found = [r for scope in scopes for r in all_within(unit, sitting, scope)]
    counted = body(sitting.document, found) if unit is Unit.PARAGRAPH else found
    return Done(sitting, many(len(counted), unit.value))


_WHOLE = "(it | this | that | the <writing>)"


@command(
    f"how many pages (is {_WHOLE} | are there | does {_WHOLE} have | has {_WHOLE} [got] | are we up"
    " to | will it be | will that be | do i have | have i [got]) [<until_now>]",
    f"(is {_WHOLE} [all] | will {_WHOLE} [all] (fit | go) | does {_WHOLE} [all] (fit | go)) on (one"
    " | a single) (page | sheet) [of paper]",
    f"does {_WHOLE} fit [on the page]",
    "how long is it in pages",
    "(which | what) page (am i on | is this | are we on)",
    "(count | tell me the number of) [the] pages",
    example="how many pages are there",
    group="reading",
    heard=1,
)
def sheets(sitting: Sitting) -> Done:
    """Tell how many pages the document is on as it prints, and which one you are on."""
    style = page_style(sitting.settings.text_size)
    printed = pages(LineIndex().layout(sitting.document, style))
    block = sitting.writing_place.block
    here = next((n for n, sheet in enumerate(printed, 1) if _holds(sheet, block)), len(printed))
    where = f"; this is page {here}" if len(printed) > 1 else ""
    return Done(sitting, f"{many(len(printed), 'page')} as it prints{where}")


def _holds(sheet: list[PrintedLine], block: int) -> bool:
    return any(b == block for line in sheet for b, _ in line.parts)
