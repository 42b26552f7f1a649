"""What the journal kept, read back when it is asked for, not before.

A desk with years of utterances opens as fast as a new one: of versions and of the trail only the
last are read, and the others when somebody walks there.
"""

from __future__ import annotations

import json
import sys
from collections.abc import Iterable, Iterator
from contextlib import contextmanager
from dataclasses import replace
from datetime import UTC, datetime
from functools import cached_property
from typing import Any

from sqlalchemy import Engine, func, select
from sqlalchemy.orm import Session

from nimble_lantern.core.document.edits import (
    Edit,
    edit_from_json,
)
from nimble_lantern.core.document.history import History, Version, go_to
from nimble_lantern.core.document.model import (
    Document,
    Position,
    document_from_json,
)
from nimble_lantern.core.effects import (
    effect_of,
)
from nimble_lantern.core.errors import LanternError
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.reading.hearing import Hearing, hearing_from_json
from nimble_lantern.core.settings import configured
from nimble_lantern.core.sitting import MOST_HEARINGS
from nimble_lantern.core.state import Entry, Settings, Sitting
from nimble_lantern.core.trail import Trail
from nimble_lantern.store import states
from nimble_lantern.store.models import (
    SettingRow,
    SnapshotRow,
    UtteranceRow,
    VersionRow,
)

_AT_ONCE = 64
"""Versions and lines of the trail that are read together."""


def _position(text: str) -> Position:
    return Position(*json.loads(text))


class StoredVersion(Version):
    """A version read back: its edits stay text, its parent unread, until somebody walks there."""

    def __init__(self, row: VersionRow, versions: StoredVersions) -> None:
        kept: dict[str, Any] = {
            "number": row.number,
            "_parent": (versions, row.parent),
            "utterance": row.utterance,
            "caret_before": _position(row.caret_before),
            "caret_after": _position(row.caret_after),
            "depth": row.depth,
            "_texts": (row.edit, row.inverse),
        }
        self.__dict__.update(kept)

    @cached_property
    def parent(self) -> Version | None:
        versions, number = self.__dict__["_parent"]
        found: Version | None = versions.get(number)
        return found

    @cached_property
    def edit(self) -> Edit:
        return edit_from_json(json.loads(self.__dict__["_texts"][0]))

    @cached_property
    def inverse(self) -> Edit:
        return edit_from_json(json.loads(self.__dict__["_texts"][1]))


class StoredVersions:
    """The versions of a document, read as they are asked for: each is one object."""

    def __init__(self, engine: Engine, document_id: int) -> None:
        self._engine, self._document_id = engine, document_id
        self._read: dict[int, StoredVersion] = {}
        self._within: Session | None = None

    @contextmanager
    def within(self, session: Session) -> Iterator[None]:
        """Read in a transaction that is open, and may have written what is asked for."""
        self._within = session
        try:
            yield
        finally:
            self._within = None

    def get(self, number: int) -> Version | None:
        """A version by its number, with some before it, as whoever walks goes on there."""
        if number and number not in self._read:
            if self._within is not None:
                self._fetch(self._within, number)
            else:
                with Session(self._engine) as session:
                    self._fetch(session, number)
        return self._read.get(number)

    def _fetch(self, session: Session, number: int) -> None:
        v = VersionRow
        some = select(v).where(
            v.document_id == self._document_id, v.number > number - _AT_ONCE, v.number <= number
        )
        for row in session.scalars(some):
            if row.number not in self._read:
                self._read[row.number] = StoredVersion(row, self)
            session.expunge(row)


def document_at(session: Session, document_id: int, head: Version | None) -> Document:
    """From the nearest copy on the way back, forward to the head."""
    query = select(SnapshotRow.version).where(SnapshotRow.document_id == document_id)
    copies = set(session.scalars(query))
    since: list[Version] = []
    version = head
    while version is not None and version.number not in copies:
        since.append(version)
        version = version.parent
    copy = session.get_one(SnapshotRow, (document_id, version.number if version else 0))
    document = document_from_json(json.loads(copy.blocks))
    for step in reversed(since):
        document = step.edit.apply(document)
    return document


def local(at: datetime) -> datetime:
    """A time of the tables, which hold UTC, where the desk stands."""
    return at.replace(tzinfo=UTC).astimezone().replace(tzinfo=None)


def _entries(
    session: Session, document_id: int, versions: StoredVersions, last: int, most: int | None = None
) -> list[Entry]:
    """The trail up to an utterance, oldest first; at `most` so many lines."""
    u = UtteranceRow
    columns = (u.number, u.heard, u.read_as, u.command, u.summary, u.version, u.made,
               u.document_id, u.effects, u.back, u.spoken_at, u.refused)  # fmt: skip
    lines = select(*columns).where(u.number <= last).order_by(u.number.desc()).limit(most)
    found: list[Entry] = []
    for row in session.execute(lines):
        number, heard, read_as, command, summary, version, made, page, effects, back, at, no = row
        held = versions.get(version) if page == document_id else None
        did = tuple(json.loads(effects)) if effects != "[]" else ()
        undo = tuple(effect_of(e) for e in json.loads(back)) if back != "[]" else ()
        read = ReadAs(read_as)
        found.append(
            Entry(number, heard, read, command, summary, held, made, page, did, undo, local(at), no)
        )
    return found[::-1]


def hearings(session: Session) -> Iterable[tuple[int, Hearing]]:
    """The last hearings, the oldest first."""
    u = UtteranceRow
    last = select(u.number, u.hearing).order_by(u.number.desc()).limit(MOST_HEARINGS)
    for number, kept in reversed(list(session.execute(last))):
        yield number, hearing_from_json(json.loads(kept))


def trail_of(
    engine: Engine, session: Session, document_id: int, versions: StoredVersions
) -> Trail[Entry]:
    """The last lines of the trail, and the way to those before them."""
    recent = _entries(session, document_id, versions, sys.maxsize, _AT_ONCE)
    first = recent[0].number if recent else 0
    before = select(func.count()).select_from(UtteranceRow).where(UtteranceRow.number < first)

    def older() -> list[Entry]:
        with Session(engine) as own, versions.within(own):
            return _entries(own, document_id, versions, first - 1)

    return Trail(recent, older, session.scalar(before) or 0)


def history_of(
    state: dict[str, Any], versions: StoredVersions, head: Version | None, count: int
) -> History:
    """Where a document stood in its tree of versions."""

    def named(field: str) -> tuple[Version, ...]:
        return tuple(v for n in state.get(field, ()) if (v := versions.get(n)))

    return History(head, named("ahead"), count, named("left"))


def previous_of(
    sitting: Sitting, row: dict[str, Any] | None, versions: StoredVersions
) -> Sitting | None:
    """How all stood before the last utterance; None if that was at another document."""
    if row is None or row["page"] != sitting.page:
        return None
    goal = versions.get(row["head"])
    if goal is None and row["head"]:
        return None
    walk = go_to(sitting.history, sitting.document, sitting.caret, goal)
    fields = states.restored(walk.document, row["state"]) | states.desk_fields(row["desk"])
    return replace(
        sitting,
        document=walk.document,
        history=history_of(row["state"], versions, goal, sitting.history.count),
        title=row["title"],
        trail=Trail(),
        question=states.question_of(row["question"], walk.document),
        **fields,
    )


def settings_of(session: Session) -> Settings:
    """How the desk is set."""
    settings = Settings()
    for row in session.scalars(select(SettingRow)):
        try:
            settings = configured(settings, row.name, row.value)
        except LanternError:
            # A later version's setting: kept in its row, unknown here.
            continue
    return settings
