"""What was learned of the speaker's voice: sums, from which no sound can be made again."""

from __future__ import annotations

from collections.abc import Callable

from sqlalchemy import Engine, delete, update
from sqlalchemy.exc import DBAPIError
from sqlalchemy.orm import Session

from nimble_lantern.core.errors import NotKept
from nimble_lantern.store.database import why
from nimble_lantern.store.models import VoiceRow

_KNOWN, _FORGOTTEN = 1, 2


class KeptVoice:
    """One speaker's, as an engine has it in bytes."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine

    def get(self) -> bytes:
        """What is kept; nothing if nothing was learned, or it cannot be read."""
        try:
            with Session(self._engine) as session:
                row = session.get(VoiceRow, _KNOWN)
                return row.learned if row is not None else b""
        except DBAPIError:
            return b""

    def put(self, learned: bytes) -> None:
        """Keep this in the place of all that was kept; NotKept if it could not be written."""

        def change(session: Session) -> None:
            session.execute(delete(VoiceRow).where(VoiceRow.id == _FORGOTTEN))
            session.merge(VoiceRow(id=_KNOWN, learned=learned))

        self._write(change)

    def forget(self) -> None:
        """Know nothing of it, until it is brought back or another is learned; NotKept if that could
        not be written."""
        self._becomes(_KNOWN, _FORGOTTEN)

    def bring_back(self) -> None:
        """Know again what was forgotten; NotKept if that could not be written."""
        self._becomes(_FORGOTTEN, _KNOWN)

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
