"""The documents of the shelf: their names, what is found in them, copies."""

from __future__ import annotations

import json
import re
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, date, datetime, time, timedelta

from sqlalchemy import func, select, text
from sqlalchemy.orm import Session

from nimble_lantern.core.document.edits import edit_from_json
from nimble_lantern.core.document.model import Document, document_from_json
from nimble_lantern.core.practice.lessons import SHEET
from nimble_lantern.core.state import FoundDocument
from nimble_lantern.store.models import DocumentRow, SnapshotRow, UtteranceRow, VersionRow
from nimble_lantern.store.readback import StoredVersions, document_at

MOST_FOUND = 9
_BEFORE, _AFTER = "\u27e8", "\u27e9"
"""Round a word that was found; the page draws them."""
_LITTLE = frozenset(
    "the a an of to in on at and or for with about that this my is was it i me".split()
)


@dataclass(frozen=True, slots=True)
class ShelfEntry:
    """A document as the shelf shows it; the time in UTC, `changed` what was done to it last."""

    id: int
    title: str
    opening: str
    words: int
    changed_at: datetime
    on_desk: bool
    changed: str = ""


def titles(session: Session, away: bool = False) -> tuple[str, ...]:
    """The names of the documents on the shelf, the one changed last first; or of those away."""
    query = select(DocumentRow.title).where(DocumentRow.away == away, DocumentRow.title != SHEET)
    order = (DocumentRow.changed_at.desc(), DocumentRow.id.desc())
    return tuple(session.scalars(query.order_by(*order)))


def all_titles(session: Session) -> tuple[str, ...]:
    return tuple(session.scalars(select(DocumentRow.title)))


def entries(session: Session, names: Sequence[str], here: int) -> list[ShelfEntry]:
    """What the shelf shows of these documents, in this order."""
    rows = {
        r.title: r for r in session.scalars(select(DocumentRow).where(DocumentRow.title.in_(names)))
    }
    return [
        ShelfEntry(r.id, r.title, r.opening, r.words, r.changed_at, r.id == here, _last(session, r))
        for name in names
        if (r := rows.get(name)) is not None
    ]


def _last(session: Session, row: DocumentRow) -> str:
    """What the last utterance that changed a document did."""
    u = UtteranceRow
    query = select(u.summary).where(u.document_id == row.id, u.made, u.version == row.head)
    return session.scalar(query.order_by(u.number.desc()).limit(1)) or ""


def indexed(session: Session, row: DocumentRow, document: Document) -> None:
    """Keep the words of a document where searches find them."""
    body = "\n".join(block.text for block in document.blocks)
    session.execute(text("DELETE FROM document_text WHERE rowid = :id"), {"id": row.id})
    session.execute(
        text("INSERT INTO document_text(rowid, title, body) VALUES (:id, :title, :body)"),
        {"id": row.id, "title": row.title, "body": body},
    )


def unindexed(session: Session, document_id: int) -> None:
    session.execute(text("DELETE FROM document_text WHERE rowid = :id"), {"id": document_id})


def _completed(session: Session, engine: object) -> None:
    """Index what an older desk wrote, and what was recovered."""
    # FTS5 keeps the sizes of what it has in a table of its own: the texts need not be read.
    missing = text(
        "SELECT id FROM document WHERE id NOT IN (SELECT id FROM document_text_docsize) LIMIT 5000"
    )
    for (number,) in list(session.execute(missing)):
        row = session.get_one(DocumentRow, number)
        versions = StoredVersions(engine, number)  # type: ignore[arg-type]
        with versions.within(session):
            indexed(session, row, document_at(session, number, versions.get(row.head)))


def found(session: Session, engine: object, words: Sequence[str]) -> list[FoundDocument]:
    """The documents that have all of these words, else most of them; the likeliest first."""
    _completed(session, engine)
    telling = [w for w in words if w not in _LITTLE] or list(words)
    terms = [f'"{term}"' for w in telling for term in re.findall(r"\w+", w)]
    if not terms:
        return []
    for query in (f'"{" ".join(words)}"', " AND ".join(terms), " OR ".join(terms)):
        asked = {"query": query.replace("'", " ")}
        rows = list(session.execute(_FIND, asked))
        if rows:
            around = (session.scalar(_AROUND, {**asked, "id": number}) for number, _ in rows)
            return [
                FoundDocument(title, _around(snippet or ""))
                for (_, title), snippet in zip(rows, around, strict=True)
            ]
    return []


_FIND = text(
    "SELECT document.id, document.title"
    " FROM document_text JOIN document ON document.id = document_text.rowid"
    " WHERE document_text MATCH :query AND NOT document.away"
    f" ORDER BY bm25(document_text, 4.0, 1.0) LIMIT {MOST_FOUND}"
)
_AROUND = text(
    f"SELECT snippet(document_text, 1, '{_BEFORE}', '{_AFTER}', ' … ', 14)"
    " FROM document_text WHERE document_text MATCH :query AND rowid = :id"
)
"""The words round what was found: cut out for those that are shown, and not for all."""


def _around(snippet: str) -> str:
    return " ".join(snippet.replace(_BEFORE, "").replace(_AFTER, "").split())


def written_on(session: Session, day: date) -> list[FoundDocument]:
    """The documents in which something was changed on a day, where the desk stands."""
    start = datetime.combine(day, time.min).astimezone(UTC).replace(tzinfo=None)
    u = UtteranceRow
    during = (u.spoken_at >= start, u.spoken_at < start + timedelta(days=1), u.made)
    counts = (
        select(DocumentRow.title, DocumentRow.opening, func.count())
        .join(u, u.document_id == DocumentRow.id)
        .where(*during, DocumentRow.away.is_(False))
        .group_by(DocumentRow.id)
        .order_by(func.count().desc())
        .limit(MOST_FOUND)
    )
    return [FoundDocument(title, opening) for title, opening, _ in session.execute(counts)]


def text_of(session: Session, row: DocumentRow, engine: object) -> Document:
    """A document as it is now."""
    versions = StoredVersions(engine, row.id)  # type: ignore[arg-type]
    with versions.within(session):
        return document_at(session, row.id, versions.get(row.head))


def rebuilt(session: Session, row: DocumentRow) -> Document:
    """A document made from its first copy by all that was done to it since: for checking."""
    steps: dict[int, tuple[int, str]] = {
        number: (parent, edit)
        for number, parent, edit in session.execute(
            select(VersionRow.number, VersionRow.parent, VersionRow.edit).where(
                VersionRow.document_id == row.id
            )
        )
    }
    path: list[str] = []
    number = row.head
    first = set(
        session.scalars(select(SnapshotRow.version).where(SnapshotRow.document_id == row.id))
    )
    while number and number in steps:
        path.append(steps[number][1])
        number = steps[number][0]
    start = number if number in first else 0
    copy = session.get_one(SnapshotRow, (row.id, start))
    document = document_from_json(json.loads(copy.blocks))
    for edit in reversed(path):
        document = edit_from_json(json.loads(edit)).apply(document)
    return document
