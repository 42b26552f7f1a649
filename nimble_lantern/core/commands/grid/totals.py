"""The total of a column: told, or written."""

from __future__ import annotations

from dataclasses import replace

from nimble_lantern.core.commands.columns import columns_of
from nimble_lantern.core.commands.grid.widths import one_column
from nimble_lantern.core.commands.table_here import (
    headed_by,
    heads_a_column,
    here,
    in_table,
    part_of,
    there_is,
)
from nimble_lantern.core.composing.tabling import (
    empty_cell,
    has_header,
    rebuilt,
    rows_of,
    total_text,
)
from nimble_lantern.core.document.model import Range
from nimble_lantern.core.document.tables import Table
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import Parse, Way, command, each
from nimble_lantern.core.state import Done, Sitting
from nimble_lantern.core.targets.model import Places, Unit


def _of_numbers(sitting: Sitting) -> list[list[Range]]:
    """The columns of the table here that hold numbers."""
    table = here(sitting)
    if isinstance(table, Refusal):
        return []
    held = columns_of(sitting.document, table)
    numbers = (c for c, column in enumerate(held) if "number" in column.kinds)
    columns = (list(table.column(sitting.document.blocks, c)) for c in numbers)
    # Plots that are called "One a" and "Two b" make no sum.
    return [c for c in columns if total_text([sitting.document.text(r) for r in c[1:]]) is not None]


def _sole(sitting: Sitting) -> list[Range] | None:
    """The only column that holds numbers, or the only one of several that holds money."""
    columns = _of_numbers(sitting)
    text = sitting.document.text
    priced = [c for c in columns if any(text(r).strip()[:1] in ("£", "$", "€") for r in c[1:])]
    found = priced if len(columns) > 1 else columns
    return found[0] if len(found) == 1 else None


def _one_of_numbers(sitting: Sitting, parse: Parse) -> bool:
    """ "Put a total at the bottom", where it can only be of one column."""
    return _sole(sitting) is not None


def _money_here(sitting: Sitting, parse: Parse) -> bool:
    """ "What did we take altogether", where one column holds money."""
    column = _sole(sitting)
    text = sitting.document.text
    return column is not None and any(text(r).strip()[:1] in ("£", "$", "€") for r in column[1:])


def _some_of_numbers(sitting: Sitting, parse: Parse) -> bool:
    return bool(_of_numbers(sitting))


def _one_here(sitting: Sitting, parse: Parse) -> bool:
    """ "Total at the bottom", said in such a table."""
    return in_table(sitting, parse) and _one_of_numbers(sitting, parse)


def _just_told(sitting: Sitting, parse: Parse) -> bool:
    """ "Put that at the bottom", of a total that was told."""
    told = bool(sitting.trail) and sitting.trail[-1].command == "grid.tell_total"
    return told and _one_of_numbers(sitting, parse)


def _summed(
    sitting: Sitting, target: Places | None, words: tuple[str, ...]
) -> tuple[Table, int, str] | Refusal:
    """The sum of a column, as it was named or by its heading."""
    part = part_of(sitting, target) if target is not None else headed_by(sitting, words)
    if isinstance(part, Refusal):
        return part
    table, unit, numbers = part.table, part.unit, part.numbers
    if unit is not Unit.COLUMN or len(numbers) != 1:
        return Refusal("A total is of one column.", "", "Say which: “the total of column two”.")
    rows = rows_of(sitting.document.blocks, table)
    body = rows[1:] if has_header(rows) else rows
    texts = [r[numbers[0]].text for r in body if r[0].text.strip().lower() != "total"]
    total = total_text(texts)
    if total is None:
        return Refusal("There are no numbers in that column.")
    return table, numbers[0], total


@command(
    Way(
        "(what is | tell me | give me) the (total | sum) (of | for | under | in) {target}",
        when=one_column,
    ),
    Way(
        "(what is | tell me | give me) the (total | sum) (of | for | under | in) [the] {words}",
        when=heads_a_column,
    ),
    Way("what (does | do) {target} (come to | add up to | make)", when=one_column),
    Way("how much is {target} [(altogether | in all | in total | together)]", when=one_column),
    Way(
        "(what (do | does) [the] {words} (come to | add up to | make) | how (many | much) [of the]"
        " {words} [(are there | is there | do we have | have we)]) [(altogether | in all | in total"
        " | together | all told)]",
        when=heads_a_column,
    ),
    Way(
        "(how much is | what does) (that | it | all | everything) (under | in) [the] {words}"
        " [column] [(come to | add up to)] [(altogether | in all | in total | together)]",
        when=heads_a_column,
    ),
    Way(
        "how (many | much) (is | are) (it | they | there | that) (under | in) [the] {words}"
        " [column] [(altogether | in all | in total | together | all told)]",
        when=heads_a_column,
    ),
    Way(
        "(what | how much) (is | was | has been | have (we | they | people)) {words}"
        " (altogether | in all | in total | all told | so far)",
        when=heads_a_column,
    ),
    Way(
        "(what | how much) (does | do) (it | they | this | that | these) (all (come to | add up to"
        " | make) | (come to | add up to | make) (altogether | in all | in total | all told))",
        when=_one_of_numbers,
    ),
    Way("(what is | what's | tell me | give me) the (total | sum)", when=_one_of_numbers),
    Way(
        "(how much | what) did (we | they) [all] (take | make | raise | earn | get | collect)"
        " [(altogether | in all | in total | all told)]",
        when=_money_here,
    ),
    Way(
        "how much is (it | that) (altogether | in all | in total | all told)", when=_one_of_numbers
    ),
    Way("[the] {words} [column] (total | sum)", when=heads_a_column),
    Way("[the] (total | sum) (of | for) [the] {words} [column]", when=heads_a_column),
    heard=0,
    example="what is the total of column two",
    group="format",
    shows=True,
    when=there_is,
)
def tell_total(
    sitting: Sitting, target: Places | None = None, words: tuple[str, ...] = ()
) -> Done | Refusal:
    """Tell the sum of the numbers in a column."""
    if target is None and not words:
        target = Places(tuple(_sole(sitting) or ()), unit=Unit.COLUMN)
    found = _summed(sitting, target, words)
    return found if isinstance(found, Refusal) else Done(sitting, f"together {found[2]}")


@command(
    Way(
        "(total [up] | add up | sum [up] | add the numbers (in | under | of)) {target}",
        when=one_column,
    ),
    Way("(total [up] | add up | add the numbers under) [the] {words}", when=heads_a_column),
    *each(
        heads_a_column,
        "(total | add | sum | count | tot) up [all] [of] [the] {words} [column] [and] (put | write)"
        " (it | that | the (total | sum | result)) [(in | there)] [(at the (bottom | end | foot)"
        " | below [it] | under it | underneath | in the last row)]",
        "(total | add | sum | count | tot) up [all] [of] [the] {words} [column] (at the (bottom"
        " | end | foot) | below [it] | under it | underneath | in the last row)",
        "(total | add | sum) [all] [the] {words} up [[and (put | write) it] (at the (bottom | end |"
        " foot) | below [it] | under it | underneath | in the last row)]",
    ),
    Way(
        "(<put> | <wish>) (the | a) (total | sum) of {target} [(below | under it"
        " | at the bottom | in the last row | at the end)]",
        when=one_column,
    ),
    Way(
        "(<put> | <wish>) (the | a) (total | sum) (under | below | for | in) {target}",
        when=one_column,
    ),
    *each(
        one_column,
        "(a | the) (total | sum) (under | below | at the (bottom | foot | end) of) {target}",
        "{target} (needs | wants | could do with | <shall> have) a (total | sum) [(under it | at"
        " the"
        " bottom | below [it])]",
    ),
    Way(
        "(<put> | <wish>) (the | a) (total | total row | row for the total | sum) [in]"
        " [(at the (bottom | end | foot) [of <the_table>] | in the last row | below | underneath"
        " | (below | under | underneath) <the_table>)]",
        when=_one_of_numbers,
    ),
    Way(
        "(<put> | <wish>) (the | a) (total | sum) of {target} (below | under |"
        " underneath | at the (bottom | end | foot) of) <the_table>",
        when=one_column,
    ),
    Way(
        "[and] [(the | a)] total (at the (bottom | end | foot) [of <the_table>] | in the last row |"
        " underneath)",
        when=_one_here,
    ),
    Way(
        "(put | write | add) (it | that | the answer) [(in | down)] [(at the (bottom | end | foot)"
        " | below [it] | under it | underneath | in the last row | in the table)]",
        when=_just_told,
    ),
    heard=0,
    example="put the total under column two",
    group="format",
    when=there_is,
)
def write_total(
    sitting: Sitting, target: Places | None = None, words: tuple[str, ...] = ()
) -> Done | Refusal:
    """Write the sum of a column into its last row, or into a row of its own below."""
    if target is None and not words:
        target = Places(tuple(_sole(sitting) or ()), unit=Unit.COLUMN)
    found = _summed(sitting, target, words)
    if isinstance(found, Refusal):
        return found
    table, column, total = found
    rows = rows_of(sitting.document.blocks, table)
    last = rows[-1]
    free = not last[column].text.strip() or last[0].text.strip().lower() == "total"
    if not free:
        rows.append([empty_cell(block) for block in last])
    row = len(rows) - 1
    rows[row][column] = replace(rows[row][column], text=total, spans=())
    if column and not rows[row][0].text.strip():
        rows[row][0] = replace(rows[row][0], text="Total")
    after = rebuilt(sitting, table, rows)
    return Done(after.about(()), f"the total is {total}")


@command(
    "(<put> | <wish>) [in] (the | a row (of | with | for) [the]) (totals | sums) [in] [(at the"
    " (bottom | end | foot) [of <the_table>] | in the last row | below | underneath)]",
    "(<put> | <wish>) [in] a (totals row | row for totals) [(at the (bottom | end | foot) [of"
    " <the_table>] | below | underneath)]",
    "(total | add up) (all [of] the | every | each | both [of the] | the) (columns | column)",
    "(total | add up) (everything | it all | <the_table>)",
    example="put the totals at the bottom",
    group="format",
    heard=0,
    when=_some_of_numbers,
)
def write_totals(sitting: Sitting) -> Done | Refusal:
    """Write the sum of every column of numbers into the last row, or into a row of its own."""
    after = sitting
    said: list[str] = []
    for n in range(len(_of_numbers(sitting))):
        columns = _of_numbers(after)
        done = write_total(after, Places(tuple(columns[n]), unit=Unit.COLUMN))
        if isinstance(done, Refusal):
            return done
        after, said = done.sitting, [*said, done.summary.rpartition(" ")[2]]
    return Done(after, f"the totals are {' and '.join(said)}")
