"""Tables put together anew: rows and columns added, taken out, moved, sorted."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import replace
from datetime import date

from nimble_lantern.core.document.edits import AddBlocks, DropBlocks, Edit
from nimble_lantern.core.document.model import Block, Cell, Format, Kind, Position
from nimble_lantern.core.document.tables import Table, settled_shares
from nimble_lantern.core.lexicon.names import DAYS, MONTHS
from nimble_lantern.core.state import Sitting

Rows = list[list[Block]]
MOST_CELLS = 5_000


def rows_of(blocks: Sequence[Block], table: Table) -> Rows:
    """The cells of a table, row by row."""
    return [[blocks[table.cell(r, c)] for c in range(table.columns)] for r in range(table.rows)]


def empty_cell(like: Block | None = None) -> Block:
    form = Format(Kind.CELL, align=like.align, spacing=like.spacing) if like else Format(Kind.CELL)
    return Block().formatted(form)


def shares_of(row: Sequence[Block]) -> list[float]:
    return [block.cell.share if block.cell else 1 / len(row) for block in row]


def has_header(rows: Rows) -> bool:
    return bool(rows and rows[0] and (cell := rows[0][0].cell) and cell.header)


def blocks_of(rows: Rows, number: int, header: bool, shares: Sequence[float]) -> tuple[Block, ...]:
    """The blocks of a table with these cells; the shares of its columns add up to one."""
    parts = settled_shares(shares)
    return tuple(
        replace(block, kind=Kind.CELL, level=None, list=None,
                cell=Cell(number, r, c, header and r == 0, parts[c]))
        for r, row in enumerate(rows)
        for c, block in enumerate(row)
    )  # fmt: skip


def rebuilt(
    sitting: Sitting,
    table: Table,
    rows: Rows,
    header: bool | None = None,
    shares: Sequence[float] | None = None,
    at: tuple[int, int] | None = None,
) -> Sitting:
    """The sitting with a table's cells in another order, or others; `at` is where to write on.

    Without `at`, the writing place stays in its cell, if that is left.
    """
    old = sitting.document.blocks[table.first : table.last + 1]
    number = old[0].cell.table if old[0].cell else 1
    before = rows_of(sitting.document.blocks, table)
    heads = has_header(before) if header is None else header
    parts = shares_of(before[0]) if shares is None else shares
    new = blocks_of(rows, number, heads, parts)
    caret = sitting.caret
    edit = Edit((DropBlocks(table.first, len(old)), AddBlocks(table.first, new)))
    after = sitting.edited(edit)
    width = len(rows[0])
    if at is not None:
        b = table.first + at[0] * width + at[1]
        return after.placed(Position(b, len(after.document.blocks[b].text)))
    if table.first <= caret.block <= table.last:
        held = old[caret.block - table.first]
        flat = [block for row in rows for block in row]
        same = next((i for i, block in enumerate(flat) if block is held), 0)
        offset = min(caret.offset, len(flat[same].text))
        return after.placed(Position(table.first + same, offset))
    if caret.block > table.last:
        shift = len(new) - len(old)
        return after.placed(Position(caret.block + shift, caret.offset))
    return after.placed(caret)


_NUMBER = re.compile(r"[-−]?\d[\d,]*(?:\.\d+)?")
_MONTHS = {name.lower(): n for n, name in enumerate(MONTHS, 1)}
_DAYS = {name.lower(): n for n, name in enumerate(DAYS)}
_DATE = re.compile(r"(\d{1,2})(?:st|nd|rd|th)?\s+([A-Za-z]+)(?:\s+(\d{4}))?")
_DATE_US = re.compile(r"([A-Za-z]+)\s+(\d{1,2})(?:st|nd|rd|th)?(?:,?\s+(\d{4}))?")
_TIME = re.compile(r"(\d{1,2})[.:](\d{2})\s*([ap])\.?m?\.?", re.IGNORECASE)


def value_of(text: str) -> float | None:
    """The number that a cell holds, with its currency or unit left out; None if it holds none."""
    found = _NUMBER.search(text)
    if found is None or len(_NUMBER.findall(text)) > 1:
        return None
    return float(found[0].replace(",", "").replace("−", "-"))


def _date_of(text: str) -> tuple[int, int, int] | None:
    for pattern, day, month in ((_DATE, 1, 2), (_DATE_US, 2, 1)):
        found = pattern.search(text)
        if found and (number := _MONTHS.get(found[month].lower())):
            year = int(found[3]) if found[3] else 0
            return year, number, int(found[day])
    try:
        made = date.fromisoformat(text.strip())
    except ValueError:
        return None
    return made.year, made.month, made.day


def sort_key(texts: Sequence[str]) -> list[tuple[int, tuple[object, ...]]]:
    """What to sort the cells of a column by: dates, days, times, numbers or words; empty last."""
    said = [t for t in texts if t.strip()]
    kinds = (
        lambda t: _date_of(t),
        lambda t: (_DAYS[t.strip().lower()],) if t.strip().lower() in _DAYS else None,
        _clock,
        lambda t: None if (v := value_of(t)) is None else (v,),
    )
    for of in kinds:
        if said and all(of(t) is not None for t in said):
            return [(0, tuple(of(t) or ())) if t.strip() else (1, ()) for t in texts]
    return [(0, (t.casefold(),)) if t.strip() else (1, ()) for t in texts]


def _clock(text: str) -> tuple[int, int] | None:
    found = _TIME.fullmatch(text.strip())
    if found is None:
        return None
    hour = int(found[1]) % 12 + (12 if found[3].lower() == "p" else 0)
    return hour, int(found[2])


def total_text(texts: Sequence[str]) -> str | None:
    """The sum of what some cells hold, written as they are; None if none of them is a number, or
    they are days."""
    values = [(t, v) for t in texts if (v := value_of(t)) is not None]
    if not values or any(_date_of(t) for t, _ in values):
        return None
    total = sum(v for _, v in values)
    like = next((t for t, _ in values if not t.strip()[:1].isdigit()), values[0][0])
    decimals = max(len(m.partition(".")[2]) for t, _ in values for m in _NUMBER.findall(t))
    body = f"{total:,.{decimals}f}" if any("," in t for t, _ in values) or abs(total) >= 10_000 \
        else f"{total:.{decimals}f}"  # fmt: skip
    found = _NUMBER.search(like)
    assert found is not None
    return f"{like[: found.start()]}{body}{like[found.end() :]}".strip()
