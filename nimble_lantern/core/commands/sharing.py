"""How the words that are said for a row of a table are shared out among its columns."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from nimble_lantern.core.commands.columns import LINKED, Column, Said, columns_of
from nimble_lantern.core.commands.table_here import here, row_named
from nimble_lantern.core.document.model import Document
from nimble_lantern.core.document.tables import Table
from nimble_lantern.core.errors import Refusal
from nimble_lantern.core.lexicon.closed import DETERMINERS
from nimble_lantern.core.state import Sitting
from nimble_lantern.core.writing.cardinals import cardinal

_MARKS = (("comma",), ("semicolon",), ("next", "cell"), ("next",), ("then",))
_LINKS = frozenset("and with in on at for is has gets takes".split())
_CLEARLY = 1.0
_FEW_COLUMNS = 2


def cells_said(document: Document, table: Table, words: Sequence[str]) -> tuple[Said, ...] | None:
    """What each cell of a new row is to say, from the first one on; None if that is not clear.

    Marks part the cells; else each column gets words, such as stand in it or are of its kind.
    """
    words = tuple(words)
    if len(parted := _parted(words)) > 1:
        return parted if len(parted) <= table.columns else None
    bare = tuple(w for w in words if w not in _LINKS)
    if len(bare) == 1:
        return (bare,)
    columns = columns_of(document, table)
    ways = _best_ways(words, columns)
    while not ways and len(columns) > _FEW_COLUMNS:
        # Too few words for all the columns: the last ones stay empty.
        columns = columns[:-1]
        ways = _best_ways(words, columns)
    if not ways or len(ways) > 1 and ways[0][0] - ways[1][0] < _CLEARLY:
        return None
    cells = ways[0][1]
    # "The" is no cell of "the tern".
    return None if any(map(DETERMINERS.issuperset, cells)) else cells


def shared_surely(
    document: Document, table: Table, words: Sequence[str], besides: int = 1, loosely: bool = False
) -> bool:
    """Whether words are all the cells of a row, and nobody would share them out otherwise: all
    columns but one, or `besides`, get what stands in them already or is of their kind; `loosely`
    a name that nobody knows is of the kind of others."""
    said = cells_said(document, table, words)
    if said is None or len(said) != table.columns or len(said) == 1:
        return False
    columns = zip(columns_of(document, table), said, strict=True)
    suit = (c.may_say(cell) if loosely else c.suits(cell) for c, cell in columns)
    return sum(suit) >= len(said) - besides


def fill_a_row(sitting: Sitting, text: Said, beside: Said) -> bool:
    """Whether words are plainly those of a row beside one that is called so: "after plants put jam
    osric ten thirty"."""
    table = here(sitting)
    if isinstance(table, Refusal) or row_named(sitting, table, beside) is None:
        return False
    return are_a_row(sitting.document, table, text)


def are_a_row(document: Document, table: Table, text: Said) -> bool:
    """Whether words are all the cells of a row; with a word for each, two of no known kind do."""
    a_word_each = len(text) == table.columns > _FEW_COLUMNS
    return shared_surely(document, table, text, 1 + a_word_each, loosely=True)


def _parted(words: Said) -> tuple[Said, ...]:
    """The words between marks, without an "and" that begins the last of a list."""
    found: list[list[str]] = [[]]
    i = 0
    while i < len(words):
        mark = next((m for m in _MARKS if words[i : i + len(m)] == m), None)
        if mark:
            found.append([])
        elif found[-1] or words[i] != "and":
            found[-1].append(words[i])
        i += len(mark) if mark else 1
    return tuple(tuple(part) for part in found if part)


_Way = tuple[float, tuple[Said, ...]]


def _inside_numbers(words: Said) -> frozenset[int]:
    """Where no cell may end, as a number goes on: "forty five" is one."""
    found: set[int] = set()
    i = 0
    while i < len(words):
        number = cardinal(words, i)
        end = number[1] if number else i + 1
        if end == i + 2 and _two_numbers(words[i], words[i + 1]):
            end = i + 1  # "eleven sixty" may be a year, or what two cells say
        found |= set(range(i + 1, end))
        i = end
    return frozenset(found)


def _two_numbers(one: str, other: str) -> bool:
    said = cardinal((one,), 0), cardinal((other,), 0)
    return all(number is not None and number[0] >= _LEAST_OF_A_YEAR for number in said)


_LEAST_OF_A_YEAR = 10


def _best_ways(words: Said, columns: Sequence[Column]) -> list[_Way]:
    """The two best ways to share all the words out among all the columns, the better one first.

    From the last column back: what the words from each place on are worth in the columns left.
    """
    inside = _inside_numbers(words)
    ways: dict[int, list[_Way]] = {len(words): [(0.0, ())]}
    for n, column in reversed(list(enumerate(columns))):
        ways = {
            start: _two_best(words, start, n > 0, column, ways)
            for start in range(len(words))
            if start not in inside
        }
    return ways.get(0, [])


def _two_best(
    words: Said, start: int, later: bool, column: Column, ways: Mapping[int, list[_Way]]
) -> list[_Way]:
    linked = later and words[start] in _LINKS
    first = start + linked
    found = []
    for end in range(first + 1, len(words) + 1):
        said = words[first:end]
        if said[0] not in _LINKS and said[-1] not in _LINKS:
            behind = words[end] if end < len(words) else ""
            worth = column.worth(said, behind) + (LINKED if linked else 0.0)
            found += [(worth + more, (said, *others)) for more, others in ways.get(end, [])]
    return sorted(found, key=lambda way: -way[0])[:2]
