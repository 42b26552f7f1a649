"""Opening the database: WAL, foreign keys, and the tables brought up to date by Alembic."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from alembic import command
from alembic.config import Config
from sqlalchemy import Engine, create_engine, event

from nimble_lantern.core.errors import BadInput

MIGRATIONS = Path(__file__).parent / "migrations"


def connect(path: Path) -> Engine:
    """An engine on the SQLite file at `path`, which is made if need be; BadInput if it cannot be.

    Every commit reaches the disk before it is answered (synchronous=FULL).
    """
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
    except OSError as error:
        raise BadInput(
            f"The folder {path.parent} cannot be made: {error.strerror}; name another with --data."
        ) from error
    engine = create_engine(f"sqlite:///{path}")

    @event.listens_for(engine, "connect")
    def _prepared(connection: Any, _: Any) -> None:
        for pragma in ("journal_mode=WAL", "synchronous=FULL", "foreign_keys=ON"):
            connection.execute(f"PRAGMA {pragma}")

    return engine


def migrate(engine: Engine, revision: str = "head") -> None:
    """Bring the tables to a revision, up or down."""
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    with engine.begin() as connection:
        config.attributes["connection"] = connection
        if revision == "base" or revision.startswith("-"):
            command.downgrade(config, revision)
        else:
            command.upgrade(config, revision)
