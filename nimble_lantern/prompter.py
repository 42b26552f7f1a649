"""The prompter: speaks a script to the desk as a person would, word by word, with its pauses."""

from __future__ import annotations

import threading
from pathlib import Path

from nimble_lantern.core.reading.hearing import Hearing, from_lines
from nimble_lantern.engines.mistakes import Mistakes
from nimble_lantern.shell import LiveDesk

DEMO = Path(__file__).parent / "demo"
SEED = 7
"""Of the prompter's mistakes: the same script is misheard in the same places."""
WORD_SECONDS = 0.16
REST_SECONDS = 1.1


def scripts_in(folder: Path = DEMO / "scripts") -> dict[str, Path]:
    """Name, as it is spoken, of every script in a folder."""
    return {p.stem.replace("-", " "): p for p in sorted(folder.glob("*.txt"))}


class ScriptPrompter:
    """Plays one script at a time in a thread of its own.

    `pace` multiplies every duration; at 0 it speaks without any pause.
    """

    def __init__(self, desk: LiveDesk, scripts: dict[str, Path], pace: float = 1.0) -> None:
        self._desk, self._scripts, self._pace = desk, scripts, pace
        self._stop = threading.Event()
        self._thread: threading.Thread | None = None
        self._name: str | None = None

    @property
    def playing(self) -> str | None:
        return self._name

    def play(self, name: str, mistakes: bool = False) -> None:
        """Begin a script, perhaps with some words misheard; one that plays already is stopped."""
        path = self._scripts.get(name)
        if path is None:
            return
        self.stop()
        self._stop = threading.Event()
        lines = path.read_text(encoding="utf-8").splitlines()
        self._name = name
        hearings = list(from_lines(lines))
        if mistakes:
            hearings = [*map(Mistakes(SEED).made_of, hearings)]
        args = (hearings, self._stop)
        self._thread = threading.Thread(target=self._speak, args=args, daemon=True)
        self._thread.start()

    def stop(self) -> None:
        self._stop.set()
        self._name = None

    def wait(self, seconds: float) -> bool:
        """Whether the script came to its end within so many seconds."""
        if self._thread:
            self._thread.join(seconds)
        return self._name is None

    def _speak(self, hearings: list[Hearing], stop: threading.Event) -> None:
        for hearing in hearings:
            if stop.wait((REST_SECONDS + hearing.pause) * self._pace):
                return
            words = hearing.hypotheses[0].words if hearing.hypotheses else ()
            for n in range(1, len(words) + 1) if self._pace else ():
                self._desk.whisper(" ".join(w.text for w in words[:n]))
                if stop.wait(WORD_SECONDS * self._pace):
                    return
            self._desk.hear(hearing)
        if not stop.is_set():
            self._name = None
            self._desk.changed()
