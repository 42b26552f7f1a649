"""Playing a script or a list of hearings on a desk, its journal included, without a page."""

from __future__ import annotations

import json
from collections.abc import Iterable, Iterator, Mapping, Sequence
from contextlib import contextmanager
from datetime import datetime
from functools import cache
from pathlib import Path
from typing import Any

from nimble_lantern.core.document.model import Document, Position
from nimble_lantern.core.errors import LanternError, WrongUse
from nimble_lantern.core.mending.word_book import WordBook, entry_of
from nimble_lantern.core.reading.hearing import Hearing, from_lines
from nimble_lantern.core.reviewing.passages import Passage, of_document
from nimble_lantern.formats import FORMATS, from_markdown, to_markdown, to_text
from nimble_lantern.formats.report import sitting_data, trail_data
from nimble_lantern.shell import LiveDesk
from nimble_lantern.store.database import in_memory, migrate
from nimble_lantern.store.journal import Journal
from nimble_lantern.store.lock import Lock
from nimble_lantern.store.opening import open_folder


@cache
def _new_database() -> bytes:
    """A database that is new and empty."""
    engine = in_memory()
    migrate(engine)
    raw = engine.raw_connection()
    made = bytes(raw.driver_connection.serialize())  # type: ignore[union-attr]
    raw.close()
    engine.dispose()
    return made


def throw_away_journal() -> Journal:
    """A journal in memory, as if on a new folder."""
    engine = in_memory()
    raw = engine.raw_connection()
    raw.driver_connection.deserialize(_new_database())  # type: ignore[union-attr]
    raw.close()
    return Journal(engine)


def desk_with(
    document: Document,
    settings: Mapping[str, str],
    caret: Position | None = None,
    others: Mapping[str, Document] | None = None,
    word_book: WordBook | None = None,
    passages: Sequence[Passage] = (),
    now: datetime | None = None,
) -> LiveDesk:
    """A desk of its own with a document, the caret at its end unless told otherwise.

    `others` stand on the shelf beside it.
    """
    journal = throw_away_journal()
    first = document.blocks[0]
    title = first.text if first.kind == "heading" else "Untitled"
    journal.add(title.strip() or "Untitled", document, caret)
    for name, other in (others or {}).items():
        journal.add(name, other)
    if word_book is not None:
        journal.begin()
        journal.save_word_book(word_book)
    if passages:
        journal.begin()
        journal.save_passages(passages)
    desk = LiveDesk(journal)
    if now is not None:
        desk.clock = lambda: now
    for name, value in settings.items():
        desk.set(name, value)
    return desk


@contextmanager
def folder_desk(
    folder: Path, document: Document | None, settings: Mapping[str, str]
) -> Iterator[LiveDesk]:
    """The desk of a folder, for as long as it is used; a document is put on it as a new one."""
    lock = Lock(folder)
    try:
        desk = LiveDesk(open_folder(folder), folder=folder)
        if document is not None:
            first = document.blocks[0]
            title = first.text if first.kind == "heading" else "Untitled"
            desk.put(title.strip() or "Untitled", document)
        for name, value in settings.items():
            desk.set(name, value)
        yield desk
    finally:
        lock.close()


def script_hearings(text: str) -> list[Hearing]:
    return list(from_lines(text.splitlines()))


def output(desk: LiveDesk, form: str, trail: bool) -> tuple[str, tuple[str, ...]]:
    """What the command line prints: the document in a format, or the trail; and what is lost."""
    if trail:
        rows = trail_data(desk.sitting)
        return "\n".join(json.dumps(row, ensure_ascii=False) for row in rows), ()
    if form == "json":
        return json.dumps(sitting_data(desk.sitting), ensure_ascii=False), ()
    write = FORMATS.named(form).write
    assert write is not None
    data, losses = write(desk.sitting.document)
    return data.decode(), losses


def setting_value(value: Any) -> str:
    """A setting as the cases give it: true and false stand for on and off."""
    if isinstance(value, bool):
        return "on" if value else "off"
    return str(value)


def run_case(case: Any) -> dict[str, Any]:
    """One case of a cases file on a fresh desk; an error is a sentence under "error"."""
    name = case.get("id") if isinstance(case, dict) else None
    try:
        desk = _played(case)
    except LanternError as error:
        return {"id": name, "error": str(error)}
    except Exception as error:
        # One case that the desk has a fault with must not take the others with it.
        why = f"The desk has a fault with this case ({type(error).__name__})."
        return {"id": name, "error": why}
    document = desk.sitting.document
    return {
        "id": name,
        "result": sitting_data(desk.sitting),
        "markdown": to_markdown(document),
        "text": to_text(document),
        "trail": trail_data(desk.sitting),
        "shelf": {title: to_markdown(d) for title, d in desk.documents()},
    }


def _played(case: Any) -> LiveDesk:
    if not isinstance(case, dict):
        raise WrongUse("A case is a JSON object with id, doc and say.")
    doc, settings, say = case.get("doc") or "", case.get("settings") or {}, case.get("say")
    shelf = case.get("shelf") or {}
    if not isinstance(doc, str) or not isinstance(settings, dict) or not isinstance(shelf, dict):
        raise WrongUse("In a case, doc is a string, settings and shelf are objects.")
    if not all(isinstance(text, str) for text in shelf.values()):
        raise WrongUse("In a case, each document of the shelf is a string.")
    if not isinstance(say, list) or not all(isinstance(line, str) for line in say):
        raise WrongUse("In a case, say is a list of strings.")
    values = {str(k): setting_value(v) for k, v in settings.items()}
    others = {str(title): from_markdown(text) for title, text in shelf.items()}
    book = _word_book(case.get("word_book") or [])
    desk = desk_with(
        from_markdown(doc), values, None, others, book, _passages(case.get("passages") or {}),
        _time(case.get("now")),
    )  # fmt: skip
    for hearing in from_lines(say):
        desk.hear(hearing)
    return desk


def _passages(rows: Any) -> list[Passage]:
    """The passages of a case: names, each with Markdown."""
    if not isinstance(rows, dict) or not all(isinstance(text, str) for text in rows.values()):
        raise WrongUse("In a case, passages is an object of names, each with Markdown.")
    return [of_document(str(name), from_markdown(text)) for name, text in rows.items()]


def _time(text: Any) -> datetime | None:
    if text is None:
        return None
    try:
        return datetime.fromisoformat(text)
    except (TypeError, ValueError) as error:
        raise WrongUse("In a case, now is a time such as 2026-03-14T10:30.") from error


def _word_book(rows: Any) -> WordBook:
    """The word book of a case: objects with "written" and perhaps "spoken"."""
    book = WordBook()
    for row in rows if isinstance(rows, list) else [None]:
        written, said = (
            (row.get("written"), row.get("spoken") or []) if isinstance(row, dict) else (None, None)
        )
        if not isinstance(written, str) or not isinstance(said, list):
            raise WrongUse("In a case, word_book is a list of objects with written and spoken.")
        book = book.added(entry_of(written, map(str, said), "A word"))
    return book


def run_cases(lines: Iterable[str]) -> Iterable[str]:
    """One JSON line of answer for each line of a cases file."""
    for number, line in enumerate(lines, 1):
        if not line.strip():
            continue
        try:
            case = json.loads(line)
        except ValueError as error:
            answer: dict[str, Any] = {"id": None, "error": f"Line {number} is not JSON: {error}."}
        except RecursionError:
            answer = {"id": None, "error": f"Line {number} is nested too deeply to be read."}
        else:
            answer = run_case(case)
        # What came in as half a sign cannot go out as text.
        yield json.dumps(answer, ensure_ascii=False).encode("utf-8", "replace").decode()
