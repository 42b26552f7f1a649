"""The live desk: one sitting, its journal, and the effects that a sitting asks for.

Whatever reaches the desk — sound, the prompter, a line from outside — comes in by `hear`, one
utterance at a time; it is on the disk before anybody is told of it.
"""

from __future__ import annotations

import threading
from collections.abc import Callable
from dataclasses import dataclass, replace
from typing import Protocol

from nimble_lantern.core.effects import (
    CheckMicrophone,
    Effect,
    NewDocument,
    OpenDocument,
    Prompt,
    Scroll,
    ShowCommands,
    ShowDesk,
    ShowSettings,
    ShowShelf,
)
from nimble_lantern.core.reading.hearing import Hearing
from nimble_lantern.core.sitting import Configured, Heard, Outcome, advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.store.journal import Journal, ShelfEntry

VIEWS = ("desk", "shelf", "settings", "commands")


class Prompter(Protocol):
    """Who speaks a script for a person."""

    def play(self, name: str, mistakes: bool = False) -> None: ...
    def stop(self) -> None: ...
    @property
    def playing(self) -> str | None: ...


@dataclass(frozen=True)
class Scene:
    """All that a page may show, taken at one moment."""

    revision: int
    sitting: Sitting
    partial: str
    view: str
    playing: str | None
    shelf: tuple[ShelfEntry, ...] = ()
    group: str = "revising"
    screens: int = 0  # scrolled away from where the writing is, in screens
    notice: str = ""  # what the desk has to say besides, until the next utterance


class LiveDesk:
    """The state that all pages share.  Safe to call from several threads."""

    def __init__(self, journal: Journal, scripts: tuple[str, ...] = ()) -> None:
        self.lock = threading.RLock()
        """Held while the sitting changes, and while it is drawn: its caches follow one text."""
        self._journal = journal
        self._sitting = replace(journal.begin(), scripts=scripts)
        self._partial, self._view, self._revision = "", "desk", 1
        self._group, self._screens = "revising", 0
        self._notice = ""
        self.prompter: Prompter | None = None
        self.ears: Callable[[], str] | None = None
        """Tells how the microphone sounds, in words."""

    @property
    def sitting(self) -> Sitting:
        return self._sitting

    @property
    def revision(self) -> int:
        return self._revision

    def scene(self) -> Scene:
        with self.lock:
            shelf = tuple(self._journal.shelf()) if self._view == "shelf" else ()
            playing = self.prompter.playing if self.prompter else None
            return Scene(
                self._revision,
                self._sitting,
                self._partial,
                self._view,
                playing,
                shelf,
                self._group,
                self._screens,
                self._notice,
            )

    def hear(self, hearing: Hearing) -> Outcome:
        """Work an utterance through: decide, keep, then do what it asks for."""
        with self.lock:
            before = self._sitting
            outcome = advance(before, Heard(hearing))
            kept = self._journal.record(before, outcome, hearing)
            self._sitting = replace(kept, scripts=before.scripts)
            self._partial = self._notice = ""
            self._revision += 1
            if not any(isinstance(e, Scroll) for e in outcome.effects):
                self._screens = 0
            for effect in outcome.effects:
                self._perform(effect)
            if outcome.entry and outcome.entry.read_as != "command" and outcome.edit:
                self._view = "desk"
            return outcome

    def set(self, name: str, value: str) -> None:
        """Change a setting from outside; WrongUse if there is none of that name or value."""
        with self.lock:
            self._sitting = advance(self._sitting, Configured(name, value)).sitting
            self._journal.save_setting(name, value)
            self._revision += 1

    def whisper(self, partial: str) -> None:
        """What is being heard just now, not yet an utterance."""
        with self.lock:
            if partial != self._partial:
                self._partial = partial
                self._revision += 1

    def show(self, view: str) -> None:
        with self.lock:
            self._view = view if view in VIEWS else "desk"
            self._revision += 1

    def say(self, notice: str) -> None:
        """Something to be told until the next utterance: one clear sentence."""
        with self.lock:
            self._notice = notice
            self._revision += 1

    def changed(self) -> None:
        """Something that pages show has changed elsewhere."""
        with self.lock:
            self._revision += 1

    def _perform(self, effect: Effect) -> None:
        match effect:
            case ShowShelf():
                self._view = "shelf"
            case ShowSettings():
                self._view = "settings"
            case ShowCommands(group):
                self._view, self._group = "commands", group
            case Scroll(screens):
                self._screens += screens
            case CheckMicrophone():
                self._notice = self.ears() if self.ears else "Nobody listens to a microphone here."
            case Prompt(name, mistakes) if self.prompter:
                if name is None:
                    self.prompter.stop()
                else:
                    self.prompter.play(name, mistakes)
            case ShowDesk() | NewDocument() | OpenDocument():
                self._view = "desk"
