"""How often words stand in the document, and how many parts of a kind it has."""

from __future__ import annotations

from nimble_lantern.core.commands.table_here import table_of
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.composing.tabling import has_header, rows_of
from nimble_lantern.core.document.tables import tables
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse, command, each
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.finding import all_within
from nimble_lantern.core.targets.model import Places, Unit, Words, of_the_page
from nimble_lantern.core.targets.resolve import resolve

CATALOGUE.table(
    "parts_counted",
    {
        "paragraphs": Unit.PARAGRAPH,
        "sentences": Unit.SENTENCE,
        "headings": Unit.HEADING,
        "(items | bullets | bullet points | points | things)": Unit.ITEM,
        "lists": Unit.LIST,
        "sections": Unit.SECTION,
        "rows": Unit.ROW,
        "columns": Unit.COLUMN,
        "tables": Unit.TABLE,
    },
    heard=False,
)


def _stands(sitting: Sitting, parse: Parse) -> bool:
    """ "How often do I say that" may be asked of somebody."""
    target = parse.args.get("target")
    return isinstance(target, Words) and isinstance(resolve(target, sitting), Places)


def _a_part(sitting: Sitting, parse: Parse) -> bool:
    return of_the_page(parse.args.get("target"))


@command(
    "how (many times | often) (does it | does this | do i | did i | have i) [already] (say | use"
    " | mention | write | said | used | mentioned | written | put) {target}",
    "how (many times | often) (is | does | has) {target} (in (here | it | this | the <writing>)"
    " | said | mentioned | come up | appear | stand (here | there) | been said)",
    "count [(how often | every | each | all the)] {target} (in (here | it | this | the <writing>)"
    " | for me)",
    example="how often do i say ferry",
    group="reading",
    when=_stands,
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
        _a_part,
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
    document = sitting.document
    if unit is Unit.COLUMN:
        if target is None and not (every := tables(document.blocks)):
            return Refusal("There is no table here.")
        table = every[0] if target is None else table_of(sitting, target)
        return table if isinstance(table, Refusal) else Done(sitting, many(table.columns, "column"))
    scopes = [document.whole] if target is None else target.ranges
    count = sum(len(all_within(unit, sitting, scope)) for scope in scopes)
    if unit is Unit.ROW and count:
        first = rows_of(document.blocks, tables(document.blocks)[0])
        if has_header(first):
            return Done(sitting, f"{many(count - 1, 'row')} below the headings")
    return Done(sitting, many(count, unit.value))
