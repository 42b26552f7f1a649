"""The journal: every utterance, with all it changed, in one transaction.

A version is a delta from its parent.  A full copy is made when the deltas since the last copy
outweigh it, so that opening a document costs at most about twice its size, however long its
history, and writing costs what changed.
"""

from __future__ import annotations

import json
from collections.abc import Callable, Iterable
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from functools import cached_property
from typing import Any

from sqlalchemy import Engine, select
from sqlalchemy.exc import DatabaseError, IntegrityError
from sqlalchemy.orm import Session
from sqlalchemy.orm.exc import StaleDataError

from nimble_lantern.core.document.changes import changed
from nimble_lantern.core.document.edits import Edit, edit_from_json, edit_to_json
from nimble_lantern.core.document.history import History, Version
from nimble_lantern.core.document.model import (
    Document,
    Position,
    block_from_json,
    block_to_json,
)
from nimble_lantern.core.effects import NameDocument, NewDocument, OpenDocument, SaveSetting
from nimble_lantern.core.errors import BadInput, LanternError
from nimble_lantern.core.reading.hearing import Hearing, hearing_to_json
from nimble_lantern.core.sitting import Outcome, configured
from nimble_lantern.core.state import Entry, Settings, Sitting
from nimble_lantern.store import states
from nimble_lantern.store.database import migrate
from nimble_lantern.store.models import (
    DeskRow,
    DocumentRow,
    SettingRow,
    SnapshotRow,
    UtteranceRow,
    VersionRow,
)

SMALL = 20_000
"""Characters of edits that are never worth a full copy."""
_OPENING = 110


def now() -> datetime:
    """The time of day in UTC, as the tables hold it."""
    return datetime.now(UTC).replace(tzinfo=None)


class StoredVersion(Version):
    """A version read back: its edits stay text until somebody walks over them."""

    def __init__(self, row: VersionRow, parent: Version | None) -> None:
        kept: dict[str, Any] = {
            "number": row.number,
            "parent": parent,
            "utterance": row.utterance,
            "caret_before": _position(row.caret_before),
            "caret_after": _position(row.caret_after),
            "depth": row.depth,
            "_texts": (row.edit, row.inverse),
        }
        self.__dict__.update(kept)

    @cached_property
    def edit(self) -> Edit:  # type: ignore[override]
        return edit_from_json(json.loads(self.__dict__["_texts"][0]))

    @cached_property
    def inverse(self) -> Edit:  # type: ignore[override]
        return edit_from_json(json.loads(self.__dict__["_texts"][1]))


@dataclass(frozen=True, slots=True)
class ShelfEntry:
    """A document as the shelf shows it; the time in UTC."""

    id: int
    title: str
    opening: str
    words: int
    changed_at: datetime
    on_desk: bool


class Journal:
    """All that is kept of a person's work, in one database."""

    def __init__(self, engine: Engine, clock: Callable[[], datetime] = now) -> None:
        self._engine, self._clock = engine, clock

    def begin(self) -> Sitting:
        """The sitting as it was left; on a new database, one with an empty document."""
        with Session(self._engine) as session, session.begin():
            desk = session.get(DeskRow, 1)
            if desk is None:
                first = session.scalar(select(DocumentRow).order_by(DocumentRow.id))
                first = first or self._added(session, "Untitled", Document())
                desk = DeskRow(id=1, document_id=first.id, state="{}", clipboard="[]")
                session.add(desk)
                session.flush()
            return self._sitting(session, desk)

    def record(self, before: Sitting, outcome: Outcome, hearing: Hearing) -> Sitting:
        """Keep an utterance and what it did; the sitting to go on with.

        When this returns, it is on the disk.  LanternError if another server wrote meanwhile.
        """
        try:
            with Session(self._engine) as session, session.begin():
                self._keep(session, before, outcome, hearing)
                return self._switched(session, outcome)
        except (StaleDataError, IntegrityError) as error:
            raise LanternError(
                "Another Nimble Lantern has changed this document; load the page again."
            ) from error

    def shelf(self) -> list[ShelfEntry]:
        """All documents, the one changed last first."""
        with Session(self._engine) as session:
            desk = session.get(DeskRow, 1)
            here = desk.document_id if desk else 0
            rows = session.scalars(select(DocumentRow).order_by(DocumentRow.changed_at.desc()))
            return [
                ShelfEntry(r.id, r.title, r.opening, r.words, r.changed_at, r.id == here)
                for r in rows
            ]

    def add(self, title: str, document: Document) -> str:
        """Put a document on the shelf; its title, which gets a number if it is taken."""
        with Session(self._engine) as session, session.begin():
            return self._added(session, title, document).title

    def save_setting(self, name: str, value: str) -> None:
        with Session(self._engine) as session, session.begin():
            session.merge(SettingRow(name=name, value=value))

    def titles(self) -> tuple[str, ...]:
        with Session(self._engine) as session:
            return self._titles(session)

    def _keep(self, session: Session, before: Sitting, outcome: Outcome, hearing: Hearing) -> None:
        after, entry = outcome.sitting, outcome.entry
        assert entry is not None
        row = session.get_one(DocumentRow, before.page)
        desk = session.get_one(DeskRow, 1)
        session.add(self._utterance(after, entry, hearing))
        head = after.history.head
        for version in outcome.versions:
            self._add_version(session, row, version)
        self._maybe_copy(session, row, outcome)
        if after.document is not before.document:
            row.words += _words_gained(before.document, after.document)
            row.opening = _opening(after.document)
            row.changed_at = self._clock()
        row.head = head.number if head else 0
        row.state = _dump(states.document_state(after))
        desk.state = _dump(states.desk_state(after))
        if after.clipboard is not before.clipboard:
            desk.clipboard = _dump(states.clipboard_rows(after))

    def _utterance(self, after: Sitting, entry: Entry, hearing: Hearing) -> UtteranceRow:
        return UtteranceRow(
            number=entry.number,
            document_id=after.page,
            spoken_at=self._clock(),
            hearing=_dump(hearing_to_json(hearing)),
            heard=entry.heard,
            read_as=entry.read_as,
            command=entry.command,
            summary=entry.summary,
            version=entry.version.number if entry.version else 0,
            made=entry.made,
        )

    @staticmethod
    def _add_version(session: Session, row: DocumentRow, version: Version) -> None:
        edit, inverse = _dump(edit_to_json(version.edit)), _dump(edit_to_json(version.inverse))
        session.add(
            VersionRow(
                document_id=row.id,
                number=version.number,
                parent=version.parent.number if version.parent else 0,
                utterance=version.utterance,
                edit=edit,
                inverse=inverse,
                caret_before=_dump(version.caret_before),
                caret_after=_dump(version.caret_after),
                depth=version.depth,
            )
        )
        row.versions = max(row.versions, version.number)
        row.unsaved += len(edit)

    @staticmethod
    def _maybe_copy(session: Session, row: DocumentRow, outcome: Outcome) -> None:
        """A full copy at the head, once the edits since the last outweigh it."""
        head = outcome.sitting.history.head
        if row.unsaved > SMALL + row.copied and head in outcome.versions:
            blocks = _blocks_text(outcome.sitting.document)
            session.add(SnapshotRow(document_id=row.id, version=head.number, blocks=blocks))
            row.unsaved, row.copied = 0, len(blocks)

    def _switched(self, session: Session, outcome: Outcome) -> Sitting:
        """The sitting after the effects that concern the shelf."""
        desk = session.get_one(DeskRow, 1)
        sitting = outcome.sitting
        for effect in outcome.effects:
            match effect:
                case SaveSetting(name, value):
                    session.merge(SettingRow(name=name, value=value))
                case NameDocument(name):
                    session.get_one(DocumentRow, desk.document_id).title = name
                    session.flush()
                    sitting = replace(sitting, title=name, shelf=self._titles(session))
                case NewDocument(name):
                    desk.document_id = self._added(session, name or "Untitled", Document()).id
                    sitting = self._sitting(session, desk)
                case OpenDocument(name):
                    found = session.scalar(select(DocumentRow).where(DocumentRow.title == name))
                    if found is not None and found.id != desk.document_id:
                        desk.document_id = found.id
                        sitting = self._sitting(session, desk)
        return sitting

    def _added(self, session: Session, title: str, document: Document) -> DocumentRow:
        taken = set(self._titles(session))
        free, n = title, 2
        while free in taken:
            free, n = f"{title} {n}", n + 1
        blocks = _blocks_text(document)
        row = DocumentRow(
            title=free,
            head=0,
            versions=0,
            state=_dump({"caret": list(document.end), "wrote": list(document.end)}),
            opening=_opening(document),
            words=sum(len(b.words) for b in document.blocks),
            unsaved=0,
            copied=len(blocks),
            changed_at=self._clock(),
        )
        session.add(row)
        session.flush()
        session.add(SnapshotRow(document_id=row.id, version=0, blocks=blocks))
        return row

    @staticmethod
    def _titles(session: Session) -> tuple[str, ...]:
        return tuple(session.scalars(select(DocumentRow.title).order_by(DocumentRow.id)))

    def _sitting(self, session: Session, desk: DeskRow) -> Sitting:
        """The sitting at the document on the desk."""
        row = session.get_one(DocumentRow, desk.document_id)
        versions = _versions(session, row.id)
        head = versions.get(row.head)
        document = _document(session, row.id, head)
        state = json.loads(row.state)
        ahead = tuple(v for n in state.get("ahead", ()) if (v := versions.get(n)))
        fields = states.restored(document, state) | states.desk_fields(json.loads(desk.state))
        return Sitting(
            document=document,
            history=History(head, ahead, row.versions),
            trail=tuple(_entries(session, row.id, versions)),
            clipboard=states.clipboard_of(json.loads(desk.clipboard)),
            settings=_settings(session),
            title=row.title,
            page=row.id,
            shelf=self._titles(session),
            **fields,
        )


def _dump(data: Any) -> str:
    return json.dumps(data, ensure_ascii=False, separators=(",", ":"))


def _position(text: str) -> Position:
    return Position(*json.loads(text))


def _blocks_text(document: Document) -> str:
    return _dump([block_to_json(b) for b in document.blocks])


def _opening(document: Document) -> str:
    """The first words of the text, headings left out."""
    body = (b.text for b in document.blocks[:12] if b.kind != "heading" and b.text.strip())
    text = " ".join(next(body, "").split())
    return text if len(text) <= _OPENING else text[:_OPENING].rsplit(" ", 1)[0] + " …"


def _words_gained(old: Document, new: Document) -> int:
    start, old_end, new_end = changed(old.blocks, new.blocks)
    went = sum(len(b.words) for b in old.blocks[start:old_end])
    return sum(len(b.words) for b in new.blocks[start:new_end]) - went


def _versions(session: Session, document_id: int) -> dict[int, Version]:
    query = select(VersionRow).where(VersionRow.document_id == document_id)
    found: dict[int, Version] = {}
    for row in session.scalars(query.order_by(VersionRow.number)):
        found[row.number] = StoredVersion(row, found.get(row.parent))
        session.expunge(row)
    return found


def _document(session: Session, document_id: int, head: Version | None) -> Document:
    """From the nearest copy on the way back, forward to the head."""
    query = select(SnapshotRow.version).where(SnapshotRow.document_id == document_id)
    copies = set(session.scalars(query))
    since: list[Version] = []
    version = head
    while version is not None and version.number not in copies:
        since.append(version)
        version = version.parent
    copy = session.get_one(SnapshotRow, (document_id, version.number if version else 0))
    document = Document(tuple(block_from_json(b) for b in json.loads(copy.blocks)))
    for step in reversed(since):
        document = step.edit.apply(document)
    return document


def _entries(session: Session, document_id: int, versions: dict[int, Version]) -> Iterable[Entry]:
    u = UtteranceRow
    columns = (u.number, u.heard, u.read_as, u.command, u.summary, u.version, u.made, u.document_id)
    for row in session.execute(select(*columns).order_by(u.number)):
        number, heard, read_as, command, summary, version, made, page = row
        held = versions.get(version) if page == document_id else None
        yield Entry(number, heard, read_as, command, summary, held, made, page)


def _settings(session: Session) -> Settings:
    settings = Settings()
    for row in session.scalars(select(SettingRow)):
        try:
            settings = configured(settings, row.name, row.value)
        except LanternError:
            # A later version's setting: kept in its row, unknown here.
            continue
    return settings


def open_journal(engine: Engine) -> Journal:
    """The journal of a migrated database; BadInput if the file is no database of ours."""
    try:
        migrate(engine)
    except DatabaseError as error:
        raise BadInput(
            f"{engine.url.database} is no database of Nimble Lantern; name another with --data."
        ) from error
    return Journal(engine)
