"""What can be read of a damaged database, row by row, put into a whole one."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Iterator
from contextlib import closing
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

from sqlalchemy import Engine, delete, insert, select
from sqlalchemy.exc import SQLAlchemyError
from sqlalchemy.orm import Session

from nimble_lantern.core.document.edits import edit_from_json
from nimble_lantern.core.document.model import document_from_json
from nimble_lantern.store.models import (
    Base,
    DeskRow,
    DocumentRow,
    PrintRow,
    SettingRow,
    SnapshotRow,
    UtteranceRow,
    VersionRow,
)

_ONE_BY_ONE = 20_000
"""Rows that are tried one by one behind one that cannot be read; then the steps double."""
_LAST = 2**62
_TABLES: tuple[type[Base], ...] = (
    DocumentRow,
    SnapshotRow,
    VersionRow,
    UtteranceRow,
    SettingRow,
    PrintRow,
    DeskRow,
)


def salvaged(damaged: Path, engine: Engine) -> str:
    """Fill a new database with what is readable of a damaged one; what was saved, in words."""
    with closing(sqlite3.connect(damaged)) as source, Session(engine) as session, session.begin():
        session.connection().exec_driver_sql("PRAGMA defer_foreign_keys=ON")
        source.row_factory = sqlite3.Row
        source.text_factory = lambda raw: raw.decode("utf-8", "replace")
        for table in _TABLES:
            _filled(session, table, source)
        _adopted(session)
        documents = list(session.scalars(select(DocumentRow).order_by(DocumentRow.id)))
        shortened = [row.title for row in documents if _shortened(session, row)]
        _one_desk(session, documents)
        said = len(list(session.scalars(select(UtteranceRow.number))))
    cut = f" The last changes of {' and '.join(shortened)} are lost." if shortened else ""
    return f"{len(documents)} documents and {said} utterances could be read.{cut}"


def _filled(session: Session, table: type[Base], source: sqlite3.Connection) -> None:
    columns = {c.name: c.type.python_type for c in table.__table__.columns}
    for row in _rows(source, table.__tablename__):
        kept = {name: _typed(kind, row[name]) for name, kind in columns.items() if name in row}
        try:
            with session.begin_nested():
                session.execute(insert(table).values(**kept))
        except (SQLAlchemyError, ValueError, TypeError):
            continue


def _rows(source: sqlite3.Connection, table: str) -> Iterator[dict[str, Any]]:
    at, failed, step = -1, 0, 1
    while at < _LAST:
        try:
            query = f"SELECT rowid AS _row, * FROM {table} WHERE rowid > ? ORDER BY rowid LIMIT 1"
            row = source.execute(query, (at,)).fetchone()
        except sqlite3.DatabaseError:
            failed += 1
            step = step * 2 if failed > _ONE_BY_ONE else 1
            at += step
            continue
        if row is None:
            return
        at, step = row["_row"], 1
        yield dict(row)


def _typed(kind: type, value: Any) -> Any:
    return datetime.fromisoformat(value) if kind is datetime and isinstance(value, str) else value


def _adopted(session: Session) -> None:
    """Versions whose own parent is gone go too; text whose document is gone gets a new one."""
    known = {(d, n) for d, n in session.execute(select(VersionRow.document_id, VersionRow.number))}
    query = select(VersionRow).order_by(VersionRow.document_id, VersionRow.number)
    for row in list(session.scalars(query)):
        if row.parent and (row.document_id, row.parent) not in known:
            known.discard((row.document_id, row.number))
            session.delete(row)
    session.flush()
    there = set(session.scalars(select(DocumentRow.id)))
    for table in (SnapshotRow, VersionRow):
        for orphan in set(session.scalars(select(table.document_id))) - there:
            heads = select(VersionRow.number).where(VersionRow.document_id == orphan)
            head = max(session.scalars(heads), default=0)
            title = f"Recovered {orphan}"
            now = datetime.now(UTC).replace(tzinfo=None)
            session.add(
                DocumentRow(id=orphan, title=title, head=head, versions=head, state="{}",
                            opening="", words=0, unsaved=0, copied=0, changed_at=now)
            )  # fmt: skip
            there.add(orphan)
    session.execute(delete(UtteranceRow).where(UtteranceRow.document_id.not_in(there)))
    session.flush()


def _shortened(session: Session, row: DocumentRow) -> bool:
    """Put a document's head back to the last version that can be rebuilt; whether it had to be."""
    versions = {
        v.number: v
        for v in session.scalars(select(VersionRow).where(VersionRow.document_id == row.id))
    }
    copies = {
        c.version: c
        for c in session.scalars(select(SnapshotRow).where(SnapshotRow.document_id == row.id))
    }
    numbers = [row.head, *sorted(versions, reverse=True), 0]
    head = next((n for n in numbers if _rebuilds(n, versions, copies)), None)
    if head is None:
        blocks = json.dumps([{"text": ""}])
        session.merge(SnapshotRow(document_id=row.id, version=0, blocks=blocks))
    if head == row.head:
        return False
    row.head, row.state = head or 0, "{}"
    row.versions = max((row.versions, *versions))
    return True


def _rebuilds(head: int, versions: dict[int, VersionRow], copies: dict[int, SnapshotRow]) -> bool:
    """Whether the text of a version can be made from a copy and the changes since."""
    since: list[VersionRow] = []
    number = head
    while number not in copies:
        version = versions.get(number)
        if version is None:
            return False
        since.append(version)
        number = version.parent
    try:
        document = document_from_json(json.loads(copies[number].blocks))
        for version in reversed(since):
            document = edit_from_json(json.loads(version.edit)).apply(document)
            json.loads(version.inverse)
    except Exception:
        # Whatever stands in a damaged row: it is no version that can be used.
        return False
    return True


def _is_list(text: str) -> bool:
    try:
        return isinstance(json.loads(text), list)
    except ValueError:
        return False


def _one_desk(session: Session, documents: list[DocumentRow]) -> None:
    """A desk that stands on a document there is, if there is one."""
    for row in list(session.scalars(select(DeskRow))):
        if row.document_id not in {document.id for document in documents}:
            session.delete(row)
    most = max(session.scalars(select(UtteranceRow.number)), default=0)
    desk = session.get(DeskRow, 1)
    if desk is not None:
        try:
            state = json.loads(desk.state)
        except ValueError:
            state = {}
        desk.state = json.dumps({**state, "number": max(most, state.get("number", 0))})
        desk.question = desk.before = "null"
        for name in ("word_book", "lessons"):
            if not _is_list(getattr(desk, name)):
                setattr(desk, name, "[]")
    elif documents:
        state = json.dumps({"number": most})
        session.add(DeskRow(id=1, document_id=documents[0].id, state=state, clipboard="[]"))
