"""Kills at random moments while lines and sound come in: what was acknowledged must all be there.

Lines are acknowledged by their answer, sound by what the page may forget.  After each kill the
database is read as a new server would, and compared with the same utterances worked through anew
from the first: document, caret, selection, question, what "that" is, undo and redo of everything.
Sound goes on after each kill as a page would go on, so that at the end every sentence was heard.
"""

from __future__ import annotations

import json
import random
import tempfile
import threading
import time
import urllib.error
import urllib.request
from collections.abc import Iterator
from dataclasses import dataclass, field, replace
from http.client import HTTPException
from pathlib import Path
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from bench._speech import spoken
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.reading.hearing import hearing_from_json
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.engines.pcm import RATE
from nimble_lantern.store.journal import Journal
from nimble_lantern.store.models import UtteranceRow
from nimble_lantern.store.opening import open_folder
from tests.server import Server

KILLS = 200
SEED = 3
_LONGEST = 2.5  # seconds that a server lives after it has answered once
_CHUNK = 3200  # bytes
_SENTENCES = ("please come to the meeting", "we would like to meet you on the island")
_LINES = (
    "boat {n} came in at noon full stop", "bold the last two words", "undo that",
    "select boat", "two", "cancel", "select the last word", "new paragraph", "redo that",
    "replace the last word with tide {n}", "underline boat", "all of them", "undo three",
    "go to the start", "the keepers write {n}", "go to the end", "delete the last word",
    "that was text", "long patience", "move the last sentence before the first sentence",
)  # fmt: skip


@dataclass
class _Page:
    """A page's stream of sound, over all the servers there are."""

    sound: bytes
    said: int
    kept: int = 0
    acknowledged: list[str] = field(default_factory=list)


def run() -> Iterator[Figure]:
    """One desk, one page, and so many servers."""
    rng = random.Random(SEED)
    said = [_SENTENCES[n % len(_SENTENCES)] for n in range(KILLS // 2)]
    page = _Page(b"".join(spoken(words, "awb") for words in said), len(said))
    whole = lines = 0
    began = time.monotonic()
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name)
        for _ in range(KILLS):
            lines += _lived(folder, page, rng)
            whole += _whole(folder, page)
        _ended(folder, page)
        heard = _heard(folder)
    yield Figure("faults_whole", whole, "kills", "kills", whole / KILLS)
    yield Figure("faults_lines_acknowledged", lines, "lines")
    yield Figure("faults_sentences_heard", heard, "sentences", "spoken", heard / page.said)
    yield Figure("faults_minutes", (time.monotonic() - began) / 60, "minutes")


def _lived(folder: Path, page: _Page, rng: random.Random) -> int:
    """A server's life, and how many lines it acknowledged."""
    server = Server(folder)
    timer = threading.Timer(rng.uniform(0.0, _LONGEST), server.kill)
    timer.start()
    listening = threading.Thread(target=_sounds, args=(server, page))
    listening.start()
    before = len(page.acknowledged)
    for n in range(10_000):
        line = rng.choice(_LINES).format(n=n)
        try:
            with _posted(server, "/lines", f"line={line.replace(' ', '+')}".encode()) as answer:
                if answer.status == 200:
                    page.acknowledged.append(line)
        except (urllib.error.URLError, HTTPException, OSError):
            break
        time.sleep(rng.uniform(0.0, 0.1))
    listening.join()
    timer.join()
    return len(page.acknowledged) - before


def _posted(server: Server, path: str, data: bytes, kind: str = "") -> Any:
    kind = kind or "application/x-www-form-urlencoded"
    request = urllib.request.Request(server.address + path, data, {"Content-Type": kind})
    return urllib.request.urlopen(request, timeout=30)


def _sounds(server: Server, page: _Page) -> None:
    """Sound as fast as it is taken, from where the last server had decided."""
    try:
        first = json.dumps({"stream": "page", "from": page.kept, "time": page.kept / 16}).encode()
        with _posted(server, "/streams", first, "application/json") as answer:
            at = json.load(answer)["next"]
        while at * 2 < len(page.sound):
            piece = page.sound[at * 2 : at * 2 + _CHUNK]
            url = f"/streams/page/{at}?time={at / 16}"
            with _posted(server, url, piece, "audio/L16") as found:
                at, page.kept = (int(found.headers[f"Lantern-{n}"]) for n in ("Next", "Kept"))
    except (urllib.error.URLError, HTTPException, OSError):
        return


def _ended(folder: Path, page: _Page) -> None:
    """The rest of the sound, on a server that is not killed."""
    server = Server(folder)
    try:
        page.sound += b"\0\0" * RATE * 2
        _sounds(server, page)
    finally:
        server.stop()


def _hearings(journal: Journal) -> list[dict[str, Any]]:
    with Session(journal._engine) as session:
        rows = session.scalars(select(UtteranceRow.hearing).order_by(UtteranceRow.number))
        return [json.loads(row) for row in rows]


def _whole(folder: Path, page: _Page) -> bool:
    """Whether every acknowledged line is there, and all is as if it had been said at once."""
    journal = open_folder(folder)
    try:
        kept = journal.begin()
        hearings = _hearings(journal)
        lines = [h for h in hearings if h["source"] == "prompter"]
        texts = [" ".join(w[0] for w in h["hypotheses"][0][1]) for h in lines]
        # One more may have been kept, whose answer did not get out.
        rest = iter(texts)
        there = all(line in rest for line in page.acknowledged)
        expected = Sitting(title=kept.title, page=kept.page, shelf=kept.shelf)
        for row in hearings:
            expected = advance(expected, Heard(hearing_from_json(row))).sitting
        return there and _same(kept, expected) and _same(*_undone(kept, expected))
    finally:
        journal._engine.dispose()


def _same(some: Sitting, other: Sitting) -> bool:
    names = ("document", "caret", "selection", "question", "that", "fresh", "wrote", "settings")
    return all(getattr(some, name) == getattr(other, name) for name in names)


def _undone(*sittings: Sitting) -> list[Sitting]:
    from nimble_lantern.core.reading.hearing import from_line

    found = []
    for sitting in sittings:
        for line in ("undo everything", "redo everything"):
            sitting = advance(sitting, Heard(from_line(line))).sitting
        found.append(replace(sitting, question=None))
    return found


def _heard(folder: Path) -> int:
    """How many sentences came in by sound, whatever was made of them."""
    journal = open_folder(folder)
    try:
        return sum(h["source"] == "built-in" for h in _hearings(journal))
    finally:
        journal._engine.dispose()
