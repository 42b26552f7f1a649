"""The print tray: what was printed, kept with its pages."""

from __future__ import annotations

import json
from dataclasses import dataclass
from datetime import datetime

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from nimble_lantern.core.document.model import Document, document_from_json, document_to_json
from nimble_lantern.store.models import PrintRow

MOST = 20
_NEWEST_FIRST = PrintRow.id.desc()


@dataclass(frozen=True, slots=True)
class Print:
    """A print in the tray; the time in UTC."""

    title: str
    copies: int
    pages: int
    printed_at: datetime
    text_size: str
    first: int
    document: Document
    pdf: bytes


def titles(session: Session) -> tuple[str, ...]:
    """What lies in the tray, the newest first."""
    return tuple(session.scalars(select(PrintRow.title).order_by(_NEWEST_FIRST)))


def listed(session: Session) -> list[Print]:
    """The prints in the tray, the newest first."""
    return [
        Print(r.title, r.copies, r.pages, r.printed_at, r.text_size, r.first,
              document_from_json(json.loads(r.blocks)), r.pdf)
        for r in session.scalars(select(PrintRow).order_by(_NEWEST_FIRST))
    ]  # fmt: skip


def added(session: Session, new: Print) -> None:
    """Put a print into the tray; the oldest of too many goes."""
    blocks = json.dumps(document_to_json(new.document), ensure_ascii=False)
    session.add(
        PrintRow(
            title=new.title,
            copies=new.copies,
            pages=new.pages,
            printed_at=new.printed_at,
            text_size=new.text_size,
            first=new.first,
            blocks=blocks,
            pdf=new.pdf,
        )
    )
    session.flush()
    _dropped(session, _numbers(session)[MOST:])


def dropped(session: Session, number: int) -> None:
    """Take a print out, counted from 1, the newest first; or all of them (0)."""
    numbers = _numbers(session)
    _dropped(session, numbers if not number else numbers[number - 1 : number])


def _numbers(session: Session) -> list[int]:
    return list(session.scalars(select(PrintRow.id).order_by(_NEWEST_FIRST)))


def _dropped(session: Session, numbers: list[int]) -> None:
    session.execute(delete(PrintRow).where(PrintRow.id.in_(numbers)))
