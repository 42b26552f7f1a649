"""Starting the desk: database, sample world, engine, Waitress."""

from __future__ import annotations

import os
import socket
import threading
import time
import urllib.request
from collections.abc import Callable, Sequence
from pathlib import Path
from typing import Any

import click
from flask import Flask
from waitress import create_server

from nimble_lantern import folders
from nimble_lantern.core.errors import BadInput, LanternError
from nimble_lantern.demo import load_sample_world
from nimble_lantern.engines import LiveEngine, ears
from nimble_lantern.engines.heap import share_one_heap
from nimble_lantern.outside import Inbox
from nimble_lantern.prompter import scripts_in
from nimble_lantern.shell import LiveDesk
from nimble_lantern.store.lock import Lock, noted
from nimble_lantern.store.opening import open_folder
from nimble_lantern.voices import espeak, larger
from nimble_lantern.voices.speaker import Speaker, Voice
from nimble_lantern.voices.standin import StandIn
from nimble_lantern.web.app import create_app
from nimble_lantern.web.guard import MOST_BYTES, key_of
from nimble_lantern.window import Window

THREADS = 8
STARTING_SECONDS = 60.0
MOST_CONNECTIONS, IDLE_SECONDS = 1000, 30
"""Slow or silent connections hold no thread; so many of them may be open, each for so long."""


def builtin_engine() -> LiveEngine:
    from nimble_lantern.engines.builtin.recogniser import BuiltIn

    return BuiltIn()


def usual_voice() -> Voice | None:
    """The voice of this machine; None where the browser's own has to do."""
    if os.environ.get("LANTERN_VOICE") == "stand-in":
        return StandIn()
    plain = espeak.Espeak() if espeak.found() else None
    model = larger.found()
    return larger.Larger(model, plain) if model else plain


def data_folder(demo: bool) -> Path:
    """Where the database is kept; the sample world has one of its own."""
    base = folders.own()
    return base / "demo" if demo else base


def run(
    host: str,
    port: int,
    demo: bool,
    data: Path | None = None,
    model: Path | None = None,
    key: bool = False,
    closes: Callable[[bool], None] | None = None,
) -> None:
    """Serve until stopped.  BadInput if the port is taken or the desk cannot be opened."""
    share_one_heap()
    folder = data or data_folder(demo)
    lock = Lock(folder)
    try:
        journal = open_folder(folder, load_sample_world if demo else None)
        desk = LiveDesk(journal, tuple(scripts_in()) if demo else (), folder)
        desk.speaker = Speaker(usual_voice())
        desk.closes = closes
        inbox = Inbox(folder, desk.arrived)
        word = key_of(folder) if key else None
        app = create_app(desk, builtin_engine, model=model or ears.chosen(), host=host, key=word)
        server = _server(app, host, port)
        lock.note(f"http://{host}:{port}/")
        inbox.start()
        _serve(app, server, f"http://{host}:{port}/{f'?key={word}' if word else ''}")
    finally:
        lock.close()


def show(port: int, demo: bool, data: Path | None = None, more: Sequence[str] = ()) -> None:
    """The desk in a window of its own; it is served from here, if nothing serves it yet."""
    folder = data or data_folder(demo)
    address = served_at(folder)
    if address is not None:
        Window(address, folder, more).run()
        return
    window = Window(f"http://127.0.0.1:{port}/", folder, more)
    failed: list[LanternError] = []

    def serving() -> None:
        try:
            run("127.0.0.1", port, demo, folder, closes=window.close)
        except LanternError as error:
            failed.append(error)
            window.close()

    thread = threading.Thread(target=serving, daemon=True)
    thread.start()
    deadline = time.monotonic() + STARTING_SECONDS
    while served_at(folder) is None and not failed and time.monotonic() < deadline:
        time.sleep(0.1)
    if not failed:
        window.run()
    if failed:
        raise failed[0]


def served_at(folder: Path) -> str | None:
    """The address at which a folder's desk is served now; None if nothing answers there."""
    address = noted(folder)
    if not address:
        return None
    try:
        with urllib.request.urlopen(address + "streams", timeout=2):
            return address
    except (OSError, ValueError):
        return None


def _server(app: Flask, host: str, port: int) -> Any:
    try:
        return create_server(
            app,
            host=host,
            port=port,
            threads=THREADS,
            ident=None,
            max_request_body_size=MOST_BYTES,
            max_request_header_size=32_768,
            connection_limit=MOST_CONNECTIONS,
            channel_timeout=IDLE_SECONDS,
            cleanup_interval=5,
        )
    except (OSError, socket.gaierror, ValueError, UnicodeError) as error:
        why = getattr(error, "strerror", None) or "no machine has this name"
        raise BadInput(
            f"Nothing can be served on {host}:{port}: {why}; choose another --host or --port."
        ) from error


def _serve(app: Flask, server: Any, address: str) -> None:
    click.echo(f"Nimble Lantern is at {address}")
    threading.Thread(target=app.extensions["listener"].warm, daemon=True).start()
    try:
        server.run()
    except KeyboardInterrupt:
        click.echo("Stopped.")
    finally:
        app.extensions["listener"].close()
        server.close()
