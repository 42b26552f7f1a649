"""What was learned of the speaker: sums and numbers, from which no sound can be made again."""

from __future__ import annotations

from collections.abc import Callable

from sqlalchemy import Engine, delete, update
from sqlalchemy.exc import DBAPIError
from sqlalchemy.orm import Session

from nimble_lantern.core.errors import NotKept
from nimble_lantern.store.database import why
from nimble_lantern.store.models import VoiceRow

VOICE, HABITS = (1, 2), (3, 4)
"""The rows of what is known of the voice, and of how it is used, and of what was forgotten."""


class KeptVoice:
    """One speaker's, as an engine has it in bytes."""

    def __init__(self, engine: Engine, rows: tuple[int, int] = VOICE) -> None:
        self._engine, (self._known, self._forgotten) = engine, rows

    def get(self) -> bytes:
        """What is kept; nothing if nothing was learned, or it cannot be read."""
        try:
            with Session(self._engine) as session:
                row = session.get(VoiceRow, self._known)
                return row.learned if row is not None else b""
        except DBAPIError:
            return b""

    def put(self, learned: bytes) -> None:
        """Keep this in the place of all that was kept; NotKept if it could not be written."""

        def change(session: Session) -> None:
            session.execute(delete(VoiceRow).where(VoiceRow.id == self._forgotten))
            session.merge(VoiceRow(id=self._known, learned=learned))

        self._write(change)

    def forget(self) -> None:
        """Know nothing of it, until it is brought back or another is learned; NotKept if that could
        not be written."""
        self._becomes(self._known, self._forgotten)

    def bring_back(self) -> None:
        """Know again what was forgotten; NotKept if that could not be written."""
        self._becomes(self._forgotten, self._known)

    def _becomes(self, old: int, new: int) -> None:
        def change(session: Session) -> None:
            if session.get(VoiceRow, old) is not None:
                session.execute(delete(VoiceRow).where(VoiceRow.id == new))
                session.execute(update(VoiceRow).where(VoiceRow.id == old).values(id=new))

        self._write(change)

    def _write(self, change: Callable[[Session], object]) -> None:
        try:
            with Session(self._engine) as session, session.begin():
                change(session)
        except DBAPIError as error:
            raise NotKept(why(error)) from error
