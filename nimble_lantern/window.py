"""The desk's own window: a browser that shows nothing else, with the microphone granted.

Nobody is there to click: so the permission stands in the profile before the browser starts, sound
may play without a gesture, and a window that dies is opened again.
"""

from __future__ import annotations

import json
import shutil
import subprocess
import threading
import time
from collections.abc import Sequence
from pathlib import Path

from nimble_lantern.core.errors import BadInput

BROWSERS = ("chromium", "chromium-browser", "google-chrome-stable", "google-chrome", "chrome")
MOST_DEATHS = 5
"""Times that a window is opened again within `_SHORT` seconds of the time before."""
_SHORT = 20.0
_GRANTED = 1


def browser() -> str:
    """The browser's program; BadInput if there is none."""
    for name in BROWSERS:
        if (found := shutil.which(name)) is not None:
            return found
    raise BadInput(
        "No Chromium or Chrome is installed here; install Debian’s package chromium, or open the"
        " address that “lantern serve” prints in another browser."
    )


def prepared(folder: Path, origin: str) -> Path:
    """A profile in which the microphone is granted to an origin, and nothing asks anything."""
    profile = folder / "window"
    preferences = profile / "Default" / "Preferences"
    preferences.parent.mkdir(parents=True, exist_ok=True)
    try:
        kept = json.loads(preferences.read_text(encoding="utf-8"))
    except (OSError, ValueError):
        kept = {}
    grants = (
        kept.setdefault("profile", {})
        .setdefault("content_settings", {})
        .setdefault("exceptions", {})
    )
    for what in ("media_stream_mic", "sound"):
        grants.setdefault(what, {})[f"{origin},*"] = {"setting": _GRANTED}
    # What was on the screen when the machine went down is not asked about.
    kept["profile"]["exit_type"] = "Normal"
    preferences.write_text(json.dumps(kept), encoding="utf-8")
    return profile


def command(program: str, address: str, profile: Path, more: Sequence[str] = ()) -> list[str]:
    return [
        program,
        f"--app={address}",
        f"--user-data-dir={profile}",
        "--no-first-run",
        "--no-default-browser-check",
        "--autoplay-policy=no-user-gesture-required",
        "--disable-session-crashed-bubble",
        "--start-maximized",
        *more,
    ]


class Window:
    """The browser's process, started again when it dies or when that is asked for."""

    def __init__(self, address: str, folder: Path, more: Sequence[str] = ()) -> None:
        self._program = browser()
        self._address, self._folder, self._more = address, folder, tuple(more)
        self._process: subprocess.Popen[bytes] | None = None
        self._again = self._over = False
        self._lock = threading.Lock()

    def run(self) -> None:
        """Show the window until it is closed, by voice or by hand."""
        deaths: list[float] = []
        while not self._over:
            self._again = False
            profile = prepared(self._folder, self._address.rstrip("/"))
            with self._lock:
                self._process = subprocess.Popen(
                    command(self._program, self._address, profile, self._more),
                    stdout=subprocess.DEVNULL,
                    stderr=subprocess.DEVNULL,
                )
            status = self._process.wait()
            if self._again or self._over:
                continue
            if status == 0:
                return
            deaths = [t for t in deaths if time.monotonic() - t < _SHORT] + [time.monotonic()]
            if len(deaths) >= MOST_DEATHS:
                raise BadInput(
                    f"The browser ends as soon as it is started (status {status}); see that"
                    f" {self._program} runs by itself."
                )

    def close(self, again: bool = False) -> None:
        """End the window; `again` opens it anew."""
        with self._lock:
            self._again, self._over = again, not again
            if self._process is not None and self._process.poll() is None:
                self._process.terminate()
