"""The first row of a table as one of headings, or as any other."""

from __future__ import annotations

from nimble_lantern.core.commands.table_here import (
    at_cell,
    here,
    of_table,
    there_is,
    written_in,
)
from nimble_lantern.core.commands.table_made import headings_in
from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.document.edits import Edit, Reformat
from nimble_lantern.core.document.tables import Table
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, command
from nimble_lantern.core.lexicon.closed import PREPOSITIONS
from nimble_lantern.core.lexicon.manners import HOW_MUCH, JUDGED
from nimble_lantern.core.state import Done, Sitting


@command(
    "(make | use | take) the (first | top) row [as | into] [(a | the)] (heading | header)"
    " [(row | one)]",
    "(give the table | add | turn on | with) [a | the] (heading | header) row",
    "(heading | header) row on",
    "the (first | top) row is (a | the) (heading | header) [row]",
    "[the] (first | top) row (<shall> be | is | are | as | for) [(a | the)] (headings | headers |"
    " heading | header) [row]",
    "(let | have | use | make | take) (the first row | the top row | row one) [be] [(as | for)]"
    " [(a | the)] (headings | headers | heading | header) [row]",
    "(show | make | turn) the (first | top) row [(as | into)] [the] (headings | headers)",
    heard=1,
    example="make the first row a heading row",
    group="format",
    when=there_is,
)
def heading_row(sitting: Sitting) -> Done | Refusal:
    """Let the table's first row stand for headings."""
    return _headed(sitting, True)


@command(
    "(no | without | turn off | <remove> | take off) [a | the] (heading | header) row",
    "(heading | header) row off",
    "make the (first | top) row (normal | ordinary | like the others | an ordinary row)",
    "the (first | top) row is (no | not a | not the | not) (heading | header | headings | headers)"
    " [row]",
    "[the] (first | top) row (normal | ordinary | like the (others | rest))",
    "(no | without) (headings | headers) (in | for) <the_table>",
    "(no | without) [a] (header | headings | headers)",
    "(i | we) (do not | don't) want the (first | top) row [to be] [(treated | used | seen | shown |"
    " formatted)] [as] (a | the) (heading | header | headings) [row]",
    "(take | get) the (heading | header) row (off | away)",
    "the (first | top) row <shall> be (normal | ordinary | like the (others | rest) | an ordinary"
    " row)",
    "the (first | top) row <should_not> be (a | the) (heading | header | headings) [row]",
    heard=1,
    example="no heading row",
    group="format",
    when=there_is,
)
def no_heading_row(sitting: Sitting) -> Done | Refusal:
    """Let the table's first row be one like the others."""
    return _headed(sitting, False)


def _headed(sitting: Sitting, header: bool) -> Done | Refusal:
    table = here(sitting)
    if isinstance(table, Refusal):
        return table
    steps = []
    for c in range(table.columns):
        form = sitting.document.blocks[table.cell(0, c)].format
        assert form.cell is not None
        new = form._replace(cell=form.cell._replace(header=header))
        steps.append(Reformat(table.cell(0, c), new))
    said = "the first row is a heading row" if header else "the first row is one like the others"
    return Done(sitting.edited(Edit(tuple(steps))), said)


def _as_many(sitting: Sitting, parse: Parse) -> bool:
    """ "The headings are day and time", of two columns; "the headings are too long" tells."""
    table = here(sitting)
    text = tuple(parse.args.get("text", ()))
    judged = not (HOW_MUCH | JUDGED | PREPOSITIONS).isdisjoint(text)
    as_many = not isinstance(table, Refusal) and len(headings_in(text)) == table.columns > 1
    return as_many and not judged


@command(
    "[the | my | our | its] [column] (headings | headers | columns) (are | <shall> be | say | read)"
    " [called] {text}",
    "(call | name) the columns {text}",
    "head (it | them | the table | the columns) [with] {text}",
    "(put | write | use | have) {text:words} (as | for | in) the ([column] headings | headers |"
    " (top | first | heading) row)",
    example="the headings are boat and crew",
    group="format",
    when=_as_many,
    heard=0,
)
@of_table
def head_with(sitting: Sitting, table: Table, text: tuple[str, ...]) -> Done | Refusal:
    """Write the headings of all columns of a table at once."""
    heads = headings_in(text)
    if len(heads) != table.columns:
        return Refusal(f"The table has {many(table.columns, 'column')}.", "", "Name each of them.")
    made = _headed(sitting, True)
    if isinstance(made, Refusal):
        return made
    after = made.sitting
    for column, head in enumerate(heads):
        after = written_in(after, table.cell(0, column), tuple(head.lower().split())).sitting
    if table.rows > 1 and sitting.writing_place.block < table.cell(1, 0):
        after = at_cell(after, table, 1, 0).sitting
    return Done(after, f"headings: {', '.join(map(quoted, heads))}")
