"""Opening a desk's folder: a whole database or none, brought up to date, mended where damaged."""

from __future__ import annotations

import os
import shutil
import sqlite3
from collections.abc import Callable
from contextlib import closing
from pathlib import Path

from alembic.util import CommandError
from sqlalchemy import Engine
from sqlalchemy.exc import DatabaseError

from nimble_lantern.core.errors import BadInput
from nimble_lantern.store.database import (
    PRIVATE_FILE,
    connect,
    damaged,
    migrate,
    newest_revision,
    private_folder,
    why,
)
from nimble_lantern.store.journal import Journal
from nimble_lantern.store.salvage import salvaged

FILE = "lantern.sqlite3"
_BESIDE = (".new", ".new-wal", ".new-shm", ".new-journal")
_TAKEN_ALONG = ("", "-wal", "-shm")
Fill = Callable[[Journal], None]


def open_folder(folder: Path, fill: Fill | None = None) -> Journal:
    """The journal of a folder; a new one is made, and filled, before it is moved into place.

    A file from before is copied beside itself before its tables are changed.  A damaged one is set
    aside untouched, and what can be read of it is put into a new one; the journal's `notice` says
    so.  BadInput in one sentence for what cannot be opened.
    """
    private_folder(folder)
    path = folder / FILE
    for ending in _BESIDE:
        path.with_name(path.name + ending).unlink(missing_ok=True)
    if not path.exists():
        _made(path, fill)
    elif path.stat().st_size == 0:
        raise BadInput(
            f"{path} is empty (0 bytes), so nothing of the desk is left in it; move it away to "
            "begin anew, or put a copy from before in its place."
        )
    try:
        return _opened(path)
    except (DatabaseError, sqlite3.DatabaseError) as error:
        if not damaged(error):
            raise BadInput(f"{path} cannot be opened: {why(error)}.") from error
    return _mended(path)


def _opened(path: Path) -> Journal:
    engine = connect(path)
    try:
        _up_to_date(engine, path)
        journal = Journal(engine)
        journal.begin()
    except CommandError as error:
        engine.dispose()
        raise BadInput(f"{path} cannot be opened: {why(error)}.") from error
    except BaseException:
        engine.dispose()
        raise
    return journal


def _made(path: Path, fill: Fill | None) -> None:
    """A database beside the place, whole, then moved into it in one step."""
    new = path.with_name(path.name + ".new")
    engine = connect(new)
    try:
        migrate(engine)
        journal = Journal(engine)
        if fill:
            fill(journal)
        journal.begin()
        _into_one_file(engine)
    except DatabaseError as error:
        raise BadInput(f"{path} cannot be made: {why(error)}.") from error
    finally:
        engine.dispose()
    _placed(new, path)


def _into_one_file(engine: Engine) -> None:
    """With nothing left in the write-ahead log, so that the file is all there is."""
    connection = engine.raw_connection()
    try:
        cursor = connection.cursor()
        cursor.execute("PRAGMA wal_checkpoint(TRUNCATE)")
        cursor.execute("PRAGMA journal_mode=DELETE")
    finally:
        connection.close()


def _placed(new: Path, path: Path) -> None:
    with new.open("rb") as file:
        os.fsync(file.fileno())
    new.chmod(PRIVATE_FILE)
    os.replace(new, path)
    folder = os.open(path.parent, os.O_RDONLY)
    try:
        os.fsync(folder)
    finally:
        os.close(folder)


def _up_to_date(engine: Engine, path: Path) -> None:
    with closing(sqlite3.connect(path)) as connection:
        found = connection.execute(
            "SELECT name FROM sqlite_master WHERE name = 'alembic_version'"
        ).fetchone()
        query = "SELECT version_num FROM alembic_version"
        row = connection.execute(query).fetchone() if found else None
        if row and row[0] == newest_revision():
            return
        if row:
            _copied(connection, path.with_name(f"{path.name}.before-{newest_revision()}"))
        elif connection.execute("SELECT count(*) FROM sqlite_master").fetchone()[0]:
            raise BadInput(
                f"{path} is no database of Nimble Lantern; name another folder with --data."
            )
    migrate(engine)


def _copied(connection: sqlite3.Connection, copy: Path) -> None:
    """SQLite's online backup; a copy that is there already is of the same state, or older."""
    if copy.exists():
        return
    new = copy.with_name(copy.name + ".new")
    new.unlink(missing_ok=True)
    with closing(sqlite3.connect(new)) as target:
        connection.backup(target)
    _placed(new, copy)


def _mended(path: Path) -> Journal:
    """Set the damaged file aside, and open a new one with what can be read of it."""
    n = 1
    while (aside := path.with_name(f"{path.name}.damaged-{n}")).exists():
        n += 1
    for ending in _TAKEN_ALONG:
        part = path.with_name(path.name + ending)
        if part.exists():
            shutil.copy2(part, aside.with_name(aside.name + ending))
    new = path.with_name(path.name + ".new")
    engine = connect(new)
    try:
        migrate(engine)
        report = salvaged(path, engine)
        Journal(engine).begin()
        _into_one_file(engine)
    finally:
        engine.dispose()
    for ending in _TAKEN_ALONG[1:]:
        path.with_name(path.name + ending).unlink(missing_ok=True)
    _placed(new, path)
    journal = _opened(path)
    journal.notice = f"The desk's file was damaged. {report} The file as it was is {aside.name}."
    return journal
