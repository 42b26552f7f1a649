"""What was learned of the speaker's voice: sums, from which no sound can be made again."""

from __future__ import annotations

from collections.abc import Callable

from sqlalchemy import Engine, delete
from sqlalchemy.exc import DBAPIError
from sqlalchemy.orm import Session

from nimble_lantern.core.errors import NotKept
from nimble_lantern.store.database import why
from nimble_lantern.store.models import VoiceRow

_ONLY = 1


class KeptVoice:
    """One speaker's, as an engine has it in bytes."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine

    def get(self) -> bytes:
        """What is kept; nothing if nothing was learned, or it cannot be read."""
        try:
            with Session(self._engine) as session:
                row = session.get(VoiceRow, _ONLY)
                return row.learned if row is not None else b""
        except DBAPIError:
            return b""

    def put(self, learned: bytes) -> None:
        """Keep this in the place of what was kept; NotKept if it could not be written."""
        self._write(lambda session: session.merge(VoiceRow(id=_ONLY, learned=learned)))

    def forget(self) -> None:
        """Keep nothing more of it; NotKept if that could not be written."""
        self._write(lambda session: session.execute(delete(VoiceRow)))

    def _write(self, change: Callable[[Session], object]) -> None:
        try:
            with Session(self._engine) as session, session.begin():
                change(session)
        except DBAPIError as error:
            raise NotKept(why(error)) from error
