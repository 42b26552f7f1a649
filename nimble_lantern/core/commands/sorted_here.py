"""By which column of a table a request sorts its rows."""

from __future__ import annotations

from nimble_lantern.core.commands.columns import OF_A_HEADING, columns_of
from nimble_lantern.core.commands.table_here import (
    column_named,
    heads_a_column,
    here,
    in_table,
    there_is,
)
from nimble_lantern.core.document.tables import Table
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.grammar.catalogue import CATALOGUE, Parse
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.targets.tabled import PRICES, singular

CATALOGUE.table(
    "outdoing",
    {
        said: (most, tuple(of.split()))
        for of, sides in {
            "length minutes hours days weeks duration": ("longest", "shortest"),
            "height": ("(tallest | highest)", "lowest"),
            "price fee cost amount": (
                "(dearest | most expensive | priciest)", "(cheapest | least expensive)"
            ),
            "weight": ("heaviest", "lightest"),
            "age": ("oldest", "youngest"),
            "size number": ("(biggest | largest)", "smallest"),
            "width": ("widest", "narrowest"),
            "depth": ("deepest", "shallowest"),
            "speed": ("(fastest | quickest)", "slowest"),
            "distance miles": ("farthest", "nearest"),
        }.items()
        for said, most in zip(sides, (True, False), strict=True)
    },
    heard=False,
)  # fmt: skip


_MONEY = "takings income raised money amount earned total sum"
for _verb, _past, _headings in (
    (
        "(take | make | raise | earn | collect)",
        "(took | made | raised | earned | collected)",
        _MONEY,
    ),
    ("(bring in | get)", "(brought in | got)", _MONEY),
    ("sell", "sold", "sold sales takings"),
    ("cost", "(cost | costs)", "cost price fee amount"),
    ("score", "scored", "score points marks"),
):
    # "What did the cakes take", "which stall took the most": under which heading it stands.
    CATALOGUE.table("gains", {_verb: tuple(_headings.split())}, heard=False)
    CATALOGUE.table("gained", {_past: tuple(_headings.split())}, heard=False)


def measured(sitting: Sitting, table: Table, of: tuple[str, ...]) -> str | None:
    """The heading under which stands what an adjective measures: "length" of "the longest"."""
    return next((name for name in of if column_named(sitting, table, (name,)) is not None), None)


def is_measured(sitting: Sitting, parse: Parse) -> bool:
    """ "Which boat is the longest", where a column is called length and another one boat."""
    table, kind = here(sitting), tuple(parse.args.get("kind", ()))
    if isinstance(table, Refusal) or measured(sitting, table, parse.args["by"][1]) is None:
        return False
    return kind in ((), ("one",)) or column_named(sitting, table, kind) is not None


CATALOGUE.rule("outdone", "{by:outdoing}", heard=False)(lambda by: (not by[0], by[1]))
"""The other way: "the longest last"."""


def sortable(sitting: Sitting, parse: Parse) -> bool:
    """Whether there is such a column; a short name that there is not is refused."""
    words = parse.args.get("words")
    if not there_is(sitting, parse) or words is None:
        return there_is(sitting, parse)
    table = here(sitting)
    named = not isinstance(table, Refusal) and sorted_by(sitting, table, words) is not None
    return named or len(words) == 1


def by_price(sitting: Sitting, parse: Parse) -> bool:
    table = here(sitting)
    return not isinstance(table, Refusal) and priced(sitting, table) is not None


def priced_rows(sitting: Sitting, parse: Parse) -> bool:
    """ "The dearest job first", where each row is a job."""
    table = here(sitting)
    words = tuple(parse.args.get("words", ()))
    rows = not isinstance(table, Refusal) and column_named(sitting, table, words) == 0
    return rows and by_price(sitting, parse)


def priced(sitting: Sitting, table: Table) -> int | None:
    """The one column whose heading is a price's: what "the cheapest" is told of."""
    heads = [sitting.document.blocks[table.cell(0, c)] for c in range(table.columns)]
    priced = [
        c
        for c, head in enumerate(heads)
        if any(singular((word,))[0] in PRICES for word in head.text.lower().split())
    ]
    return priced[0] if len(priced) == 1 else None


def in_its_table(sitting: Sitting, parse: Parse) -> bool:
    """ "By price", said in the table; elsewhere that may go on a sentence."""
    return in_table(sitting, parse) and heads_a_column(sitting, parse)


def sorted_by(sitting: Sitting, table: Table, words: tuple[str, ...]) -> int | None:
    """The column that is named, without what it is called besides: "item names"."""
    column = column_named(sitting, table, words)
    if column is None and len(words) > 1 and words[-1] in _CALLED_BESIDES:
        return column_named(sitting, table, words[:-1])
    return _of_its_kind(sitting, table, words) if column is None else column


def _of_its_kind(sitting: Sitting, table: Table, words: tuple[str, ...]) -> int | None:
    """The one column of dates, where nothing is called "date"."""
    kinds = OF_A_HEADING.get(words[-1].removesuffix("s"), frozenset()) if len(words) == 1 else ()
    columns = columns_of(sitting.document, table)
    found = [c for c, column in enumerate(columns) if not column.kinds.isdisjoint(kinds)]
    return found[0] if len(found) == 1 else None


_CALLED_BESIDES = frozenset("column name names number numbers figure figures value values".split())
