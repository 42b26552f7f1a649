"""Backups, and checking that what is kept is whole."""

from __future__ import annotations

import shutil
import sqlite3
from contextlib import closing
from pathlib import Path

from sqlalchemy import Engine, select
from sqlalchemy.orm import Session

from nimble_lantern.core.errors import BadInput, EditError
from nimble_lantern.store.models import DocumentRow
from nimble_lantern.store.shelf import rebuilt, text_of

_MAGIC = b"SQLite format 3\0"


def back_up(engine: Engine, path: Path) -> None:
    """Copy a database that is in use, by SQLite's own online backup; the copy is checked."""
    raw = engine.raw_connection()
    new = path.with_name(path.name + ".new")
    try:
        with closing(sqlite3.connect(new)) as copy:
            raw.driver_connection.backup(copy)  # type: ignore[union-attr]
            _whole(copy, path)
    except sqlite3.Error as error:
        new.unlink(missing_ok=True)
        raise BadInput(f"The backup could not be made ({error}); name another place.") from error
    except BadInput:
        new.unlink(missing_ok=True)
        raise
    finally:
        raw.close()
    new.replace(path)


def _whole(connection: sqlite3.Connection, path: Path) -> None:
    found = connection.execute("PRAGMA integrity_check").fetchone()
    if found is None or found[0] != "ok":
        raise BadInput(f"The copy {path.name} is not whole; make it once more.")


def restorable(path: Path) -> None:
    """BadInput in one sentence for a file that is no whole backup of a desk."""
    try:
        with path.open("rb") as file:
            begun = file.read(len(_MAGIC))
        if begun != _MAGIC:
            raise BadInput(f"{path} is no backup of a desk; name one made by “lantern backup”.")
        with closing(sqlite3.connect(f"file:{path}?mode=ro", uri=True)) as source:
            _whole(source, path)
            tables = {name for (name,) in source.execute("SELECT name FROM sqlite_master")}
    except OSError as error:
        raise BadInput(f"{path} cannot be read: {error.strerror}; check its name.") from error
    except sqlite3.Error as error:
        raise BadInput(f"{path} is damaged ({error}); name another backup.") from error
    if not {"document", "utterance", "desk"} <= tables:
        raise BadInput(f"{path} is no backup of a desk; name one made by “lantern backup”.")


def check(engine: Engine) -> list[str]:
    """The database's own check, and every document built anew from its journal and compared."""
    found: list[str] = []
    with Session(engine) as session:
        connection = session.connection()
        whole = connection.exec_driver_sql("PRAGMA integrity_check").scalar()
        if whole != "ok":
            found.append(f"The file is damaged: {whole}")
        for table, *_rest in connection.exec_driver_sql("PRAGMA foreign_key_check"):
            found.append(f"A row of {table} belongs to nothing.")
        for row in list(session.scalars(select(DocumentRow))):
            try:
                now, made = text_of(session, row, engine), rebuilt(session, row)
            except (EditError, ValueError, LookupError) as error:
                found.append(f"“{row.title}” cannot be built from what was said ({error}).")
                continue
            if now != made:
                found.append(f"“{row.title}” is not what its journal says.")
    return found


def put_back(backup: Path, path: Path) -> Path | None:
    """Put a backup in the place of a database that nobody has open; where that one is now."""
    kept: Path | None = None
    if path.exists():
        n = 1
        kept = path.with_name(f"{path.name}.before-restore-{n}")
        while kept.exists():
            n += 1
            kept = path.with_name(f"{path.name}.before-restore-{n}")
        with closing(sqlite3.connect(path)) as source, closing(sqlite3.connect(kept)) as copy:
            source.backup(copy)
    for ending in ("-wal", "-shm"):
        path.with_name(path.name + ending).unlink(missing_ok=True)
    new = path.with_name(path.name + ".restored")
    shutil.copyfile(backup, new)
    new.chmod(0o600)
    new.replace(path)
    return kept
