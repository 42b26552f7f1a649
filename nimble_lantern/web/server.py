"""Starting the desk: database, sample world, engine, Waitress."""

from __future__ import annotations

import socket
import threading
from pathlib import Path

import click
from platformdirs import user_data_path
from waitress import create_server

from nimble_lantern.core.errors import BadInput
from nimble_lantern.demo import load_sample_world
from nimble_lantern.engines import LiveEngine
from nimble_lantern.prompter import scripts_in
from nimble_lantern.shell import LiveDesk
from nimble_lantern.store.database import connect
from nimble_lantern.store.journal import open_journal
from nimble_lantern.web.app import create_app

FILE = "lantern.sqlite3"
THREADS = 8


def builtin_engine() -> LiveEngine:
    from nimble_lantern.engines.builtin.recogniser import BuiltIn

    return BuiltIn()


def data_folder(demo: bool) -> Path:
    """Where the database is kept; the sample world has one of its own."""
    base = user_data_path("nimble-lantern", appauthor=False)
    return base / "demo" if demo else base


def run(
    host: str, port: int, demo: bool, data: Path | None = None, model: Path | None = None
) -> None:
    """Serve until stopped.  BadInput if the port is taken or the database cannot be used."""
    folder = data or data_folder(demo)
    journal = open_journal(connect(folder / FILE))
    if demo and not journal.titles():
        load_sample_world(journal)
    desk = LiveDesk(journal, tuple(scripts_in()))
    app = create_app(desk, builtin_engine, model=model)
    if host in ("127.0.0.1", "localhost"):
        # A name that only pretends to be this machine is turned away.
        app.config["TRUSTED_HOSTS"] = ["127.0.0.1", "localhost"]
    try:
        server = create_server(app, host=host, port=port, threads=THREADS, ident=None)
    except (OSError, socket.gaierror) as error:
        raise BadInput(
            f"Nothing can be served on {host}:{port}: {error.strerror}; choose another --port."
        ) from error
    click.echo(f"Nimble Lantern is at http://{host}:{port}/")
    threading.Thread(target=app.extensions["listener"].warm, daemon=True).start()
    try:
        server.run()
    except KeyboardInterrupt:
        click.echo("Stopped.")
    finally:
        app.extensions["listener"].close()
        server.close()
