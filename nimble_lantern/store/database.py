"""The SQLite file: how it is connected to, what its errors mean, and its tables' migrations."""

from __future__ import annotations

import os
import sqlite3
from functools import cache, partial
from pathlib import Path
from typing import Any

from alembic import command
from alembic.config import Config
from alembic.script import ScriptDirectory
from alembic.util import CommandError
from sqlalchemy import Connection, Engine, create_engine, event
from sqlalchemy.exc import DBAPIError
from sqlalchemy.pool import StaticPool

from nimble_lantern.core.errors import BadInput

MIGRATIONS = Path(__file__).parent / "migrations"
BUSY_SECONDS = 2.0
"""How long a transaction waits for another program that has the file locked."""
PRIVATE_FILE, PRIVATE_FOLDER = 0o600, 0o700


def connect(path: Path) -> Engine:
    """An engine on the SQLite file at `path`, which is made if need be; BadInput if it cannot be.

    Every commit reaches the disk before it is answered (synchronous=FULL).  The file and its folder
    are for its owner's eyes only.
    """
    private_folder(path.parent)
    engine = create_engine(f"sqlite:///{path}", connect_args={"timeout": BUSY_SECONDS})
    pragmas = ("journal_mode=WAL", "synchronous=FULL", "foreign_keys=ON", "secure_delete=ON")

    @event.listens_for(engine, "connect")
    def _private(_: Any, __: Any) -> None:
        if path.is_file():
            os.chmod(path, PRIVATE_FILE)

    return _transactional(engine, pragmas)


def in_memory() -> Engine:
    """An engine on a database of its own that is gone with it.

    Statements are put into SQL once for all of them: that costs more than running them.
    """
    kind, statements = _memory()
    pool = StaticPool(partial(sqlite3.connect, ":memory:", check_same_thread=False))
    engine = Engine(pool, kind.dialect, kind.url, execution_options={"compiled_cache": statements})
    return _transactional(engine, ("foreign_keys=ON",))


@cache
def _memory() -> tuple[Engine, dict[Any, Any]]:
    """An engine whose dialect has seen a connection, and the statements compiled for it."""
    engine = create_engine("sqlite://", poolclass=StaticPool)
    with engine.connect():
        return engine, {}


def _transactional(engine: Engine, pragmas: tuple[str, ...]) -> Engine:
    """Transactions that hold changes of tables as well: the driver would commit before those."""

    @event.listens_for(engine, "connect")
    def _prepared(connection: Any, _: Any) -> None:
        connection.isolation_level = None
        for pragma in pragmas:
            connection.execute(f"PRAGMA {pragma}")

    @event.listens_for(engine, "begin")
    def _begin(connection: Connection) -> None:
        connection.exec_driver_sql("BEGIN")

    return engine


def private_folder(folder: Path) -> None:
    """Make a folder that only its owner may look into; BadInput if it cannot be made.

    A folder that is there already and holds other things is left as it is.
    """
    try:
        folder.mkdir(parents=True, exist_ok=True, mode=PRIVATE_FOLDER)
        ours = all(p.name.startswith("lantern.") for p in folder.iterdir())
        if ours and folder.stat().st_uid == os.getuid():
            folder.chmod(PRIVATE_FOLDER)
    except OSError as error:
        raise BadInput(
            f"The folder {folder} cannot be used: {error.strerror}; name another with --data."
        ) from error


def migrate(engine: Engine, revision: str = "head") -> None:
    """Bring the tables to a revision, up or down: all the steps, or none."""
    with engine.begin() as connection:
        config = _config()
        config.attributes["connection"] = connection
        if revision == "base" or revision.startswith("-"):
            command.downgrade(config, revision)
        else:
            command.upgrade(config, revision)


def newest_revision() -> str:
    return str(ScriptDirectory.from_config(_config()).get_current_head())


def _config() -> Config:
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    return config


def damaged(error: BaseException) -> bool:
    """Whether an error says that pages of the file cannot be read."""
    text = str(error)
    return "malformed" in text or "disk I/O error" in text


def why(error: DBAPIError | CommandError | sqlite3.Error) -> str:
    """What an error of the database means, in words that say what to do."""
    text = str(getattr(error, "orig", None) or error)
    for sign, words in _WHY.items():
        if sign in text:
            return words
    return "the database refused it"


_WHY = {
    "locked": "another program has the desk's file locked; close that program",
    "readonly": "the desk's file may not be written; give yourself the right to write it",
    "unable to open": "the desk's file cannot be opened; see that its folder may be written",
    "is full": "the disk is full; free some space",
    "No space left": "the disk is full; free some space",
    "disk I/O error": "the disk did not answer; see that it is still there and has room",
    "malformed": "a part of the desk's file cannot be read; start the desk again, and it is mended",
    "not a database": "it is no database of Nimble Lantern; name another folder with --data",
    "locate revision": "it was written by a newer Nimble Lantern; install that one",
}
