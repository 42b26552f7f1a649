"""One desk a folder: a lock that the system lets go of when the desk ends, however it ends."""

from __future__ import annotations

import fcntl
import json
import os
from pathlib import Path

from nimble_lantern.core.errors import BadInput
from nimble_lantern.store.database import private_folder

NAME = "lantern.open"


class Lock:
    """Held from when it is made until it is closed; BadInput if another desk holds it.

    `note` tells those who come later where the desk is.
    """

    def __init__(self, folder: Path) -> None:
        private_folder(folder)
        self._path = folder / NAME
        try:
            self._file = os.open(self._path, os.O_RDWR | os.O_CREAT, 0o600)
        except OSError as error:
            raise BadInput(
                f"The folder {folder} cannot be used: {error.strerror}; name another with --data."
            ) from error
        try:
            fcntl.flock(self._file, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except OSError as error:
            where, process = self._told()
            os.close(self._file)
            raise BadInput(
                f"A desk is open on {folder} already{where}: go on there, end it first{process}, "
                "or name another folder with --data."
            ) from error
        self.note("")

    def note(self, address: str) -> None:
        """Say where this desk can be reached."""
        text = json.dumps({"process": os.getpid(), "address": address}).encode()
        os.ftruncate(self._file, 0)
        os.pwrite(self._file, text, 0)

    def _told(self) -> tuple[str, str]:
        try:
            data = json.loads(os.pread(self._file, 4096, 0))
            where = f" at {data['address']}" if data["address"] else ""
            return where, f" (process {int(data['process'])})"
        except (ValueError, KeyError, TypeError):
            return "", ""

    def close(self) -> None:
        os.close(self._file)


def noted(folder: Path) -> str:
    """The address that the desk of a folder noted last, whether it is open or not; "" for none."""
    try:
        data = json.loads((folder / NAME).read_text(encoding="utf-8"))
        return str(data["address"])
    except (OSError, ValueError, KeyError, TypeError):
        return ""
