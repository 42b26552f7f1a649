"""Taking words out of the tables for good, when the speaker asks for it."""

from __future__ import annotations

import json
from datetime import UTC, datetime
from pathlib import Path

from sqlalchemy import ColumnElement, Engine, delete, func, select, update
from sqlalchemy.orm import Session

from nimble_lantern.store.models import (
    DeskRow,
    DocumentRow,
    PrintRow,
    SnapshotRow,
    UtteranceRow,
    VersionRow,
)
from nimble_lantern.store.shelf import unindexed

FORGOTTEN = "forgotten"


def drop_if_empty(session: Session, desk: DeskRow, title: str) -> None:
    """Take a document off the shelf into which nothing was ever written."""
    row = session.scalar(select(DocumentRow).where(DocumentRow.title == title))
    if row is not None and row.versions == 0 and row.id != desk.document_id:
        # What was said there stays in the trail, as said at the document on the desk.
        said = update(UtteranceRow).where(UtteranceRow.document_id == row.id)
        session.execute(said.values(document_id=desk.document_id, version=0, made=False))
        _rows_gone(session, row.id)


def delete_for_good(session: Session, desk: DeskRow, title: str) -> None:
    """Remove a document with its history and all that was said to it."""
    row = session.scalar(select(DocumentRow).where(DocumentRow.title == title))
    if row is None:
        return
    desk.question = desk.before = "null"
    session.execute(delete(PrintRow).where(PrintRow.title == title))
    other = session.scalar(
        select(DocumentRow.id)
        .where(DocumentRow.id != row.id)
        .order_by(DocumentRow.changed_at.desc())
    )
    if desk.document_id == row.id:
        if other is None:
            other = _empty(session)
        desk.document_id = other
    now = session.scalar(select(func.max(UtteranceRow.number))) or 0
    _scrubbed(session, (UtteranceRow.document_id == row.id) & (UtteranceRow.number != now))
    said = update(UtteranceRow).where(UtteranceRow.document_id == row.id)
    session.execute(said.values(document_id=desk.document_id, version=0, made=False))
    _rows_gone(session, row.id)


def _empty(session: Session) -> int:
    now = datetime.now(UTC).replace(tzinfo=None)
    row = DocumentRow(title="Untitled", state="{}", opening="", words=0, changed_at=now)
    session.add(row)
    session.flush()
    session.add(SnapshotRow(document_id=row.id, version=0, blocks='[{"text":""}]'))
    return row.id


def _rows_gone(session: Session, document_id: int) -> None:
    session.flush()
    for table in (VersionRow, SnapshotRow):
        session.execute(delete(table).where(table.document_id == document_id))
    unindexed(session, document_id)
    session.execute(delete(DocumentRow).where(DocumentRow.id == document_id))
    session.expire_all()


def forget_undone(session: Session, now: datetime) -> None:
    """Remove the versions that were undone before today, and the words that made them.

    `now` in UTC; the day begins at midnight where the desk stands.  An older version stays where
    one of today is made upon it.
    """
    here = now.replace(tzinfo=UTC).astimezone()
    today = here.replace(hour=0, minute=0, second=0, microsecond=0)
    midnight = today.astimezone(UTC).replace(tzinfo=None)
    last = select(func.max(UtteranceRow.number)).where(UtteranceRow.spoken_at < midnight)
    newest = session.scalar(last) or 0
    for row in list(session.scalars(select(DocumentRow))):
        _forget_in(session, row, newest)


def _forget_in(session: Session, row: DocumentRow, newest: int) -> None:
    columns = (VersionRow.number, VersionRow.parent, VersionRow.utterance)
    query = select(*columns).where(VersionRow.document_id == row.id).order_by(VersionRow.number)
    versions = {number: (parent, utterance) for number, parent, utterance in session.execute(query)}
    kept: set[int] = set()
    named = (m[1] for m in json.loads(row.state).get("milestones", ()))
    roots = [row.head, *named, *(n for n, (_, utterance) in versions.items() if utterance > newest)]
    for number in roots:
        while number and number not in kept:
            kept.add(number)
            number = versions[number][0]
    gone = set(versions) - kept
    if not gone:
        return
    words = {versions[n][1] for n in gone} - {versions[n][1] for n in kept}
    for table, column in ((VersionRow, VersionRow.number), (SnapshotRow, SnapshotRow.version)):
        session.execute(delete(table).where(table.document_id == row.id, column.in_(gone)))
    said = UtteranceRow.document_id == row.id
    session.execute(
        update(UtteranceRow).where(said, UtteranceRow.version.in_(gone)).values(version=row.head)
    )
    _scrubbed(session, said & UtteranceRow.number.in_(words))


def _scrubbed(session: Session, which: ColumnElement[bool]) -> None:
    """Leave the lines of the trail, without any words."""
    session.execute(
        update(UtteranceRow)
        .where(which)
        .values(hearing='{"hypotheses":[],"commands":[],"margin":null,"pause":0,"source":""}',
                heard="", summary=FORGOTTEN, effects="[]", back="[]", made=False)
    )  # fmt: skip


def wiped(engine: Engine) -> None:
    """Nothing of what was removed is left in the file, its log, or the copies beside it."""
    raw = engine.raw_connection()
    try:
        cursor = raw.cursor()
        cursor.execute("INSERT INTO document_text(document_text) VALUES ('optimize')")
        cursor.execute("VACUUM")
        cursor.execute("PRAGMA wal_checkpoint(TRUNCATE)")
    finally:
        raw.close()
    if engine.url.database:
        path = Path(engine.url.database)
        for copy in path.parent.glob(f"{path.name}.before-*"):
            copy.unlink(missing_ok=True)
