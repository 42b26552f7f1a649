"""Where things are kept for all desks of a user."""

from __future__ import annotations

import os
from pathlib import Path

from platformdirs import user_data_path


def own() -> Path:
    """The application's folder in the user's data."""
    return user_data_path("nimble-lantern", appauthor=False)


def kept(name: str, variable: str) -> Path:
    """A folder of that name in it; the environment's variable names another place."""
    named = os.environ.get(variable)
    return Path(named) if named else own() / name
