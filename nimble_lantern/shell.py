"""The live desk: one sitting, its journal, and the effects that a sitting asks for.

Whatever reaches the desk — sound, the prompter, a line from outside — comes in by `hear`, one
utterance at a time; it is on the disk before anybody is told of it.  What cannot be written waits
in memory, in order, and is tried again.
"""

from __future__ import annotations

import sys
import threading
import traceback
from collections import deque
from collections.abc import Callable, Iterable, Iterator
from contextlib import suppress
from dataclasses import dataclass, replace
from datetime import datetime
from pathlib import Path
from typing import Any, Protocol, assert_never

from nimble_lantern.core.commands.wording import many, quoted
from nimble_lantern.core.document.model import Document
from nimble_lantern.core.effects import (
    BackUp,
    CheckAll,
    CheckMicrophone,
    DropPrints,
    Effect,
    Export,
    ExportPassages,
    FetchEars,
    ForgetVoice,
    Kept,
    KnowVoice,
    Leave,
    Outside,
    PrintDocument,
    Prompt,
    ReadAloud,
    Say,
    SayAgain,
    Scroll,
)
from nimble_lantern.core.errors import LanternError, NotKept
from nimble_lantern.core.mending.word_book import WordBook
from nimble_lantern.core.reading.hearing import Hearing, from_line
from nimble_lantern.core.reading.said_over import OWN_VOICE, command_over, halts
from nimble_lantern.core.reference import screens_of
from nimble_lantern.core.reviewing.passages import Passage, with_passage
from nimble_lantern.core.showing import SHELF_A_SCREEN, book_screens, scrolled, shelf_screens
from nimble_lantern.core.sitting import Configured, Heard, Looked, Outcome, advance, faulty
from nimble_lantern.core.state import Sitting, View
from nimble_lantern.files import read_file
from nimble_lantern.outside import World
from nimble_lantern.store.figures import Day
from nimble_lantern.store.journal import Journal, SoundMark
from nimble_lantern.store.prints import Print
from nimble_lantern.store.shelf import ShelfEntry
from nimble_lantern.store.speaker import KeptVoice
from nimble_lantern.voices.speaker import Speaker

RETRY_SECONDS = 2.0
LEAST_LIKE_OWN = 55.0
"""Of 100: what is so like what is being read is the desk's own voice."""
UNSPOKEN = ("script", "prompter", "control")
"""Sources that nobody spoke for."""
MOST_HELD = 500
"""Utterances that wait in memory while the disk cannot be written."""


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
    playing: str | None
    shelf: tuple[ShelfEntry, ...] = ()
    top: int | None = None  # the first line shown, where the person looks away from the writing
    screens: int = 0  # of a list, further down
    notice: str = ""  # what the desk has to say besides, until the next utterance
    trouble: str = ""  # what is wrong, until it is right again
    days: tuple[Day, ...] = ()  # the person's own figures
    prints: tuple[Print, ...] = ()  # in the tray, the newest first
    voice: dict[str, Any] | None = None  # what the page is to speak


@dataclass(frozen=True, slots=True)
class Held:
    """An utterance that is not on the disk yet."""

    hearing: Hearing
    sound: SoundMark | None


class LiveDesk:
    """The state that all pages share.  Safe to call from several threads."""

    def __init__(
        self, journal: Journal, scripts: tuple[str, ...] = (), folder: Path | None = None
    ) -> None:
        self.lock = threading.RLock()
        """Held while the sitting changes, and while it is drawn: its caches follow one text."""
        self._journal = journal
        self._sitting = replace(journal.begin(), scripts=scripts)
        self._partial, self._revision = "", 1
        self._screens = 0
        self._top: int | None = None
        self.window = (1, 470.0)
        """The first line that a page showed last, and the height of its sheet in pixels."""
        self._notice = journal.notice
        self._held: deque[Held] = deque()
        self._why = ""
        self._retry: threading.Timer | None = None
        self.clock: Callable[[], datetime] = datetime.now
        self.world = World(folder, journal, self.say)
        self.speaker: Speaker | None = None
        """Who reads aloud."""
        self.closes: Callable[[bool], None] | None = None
        """Closes the desk's window, or opens it again."""
        self.prompter: Prompter | None = None
        self.ears: Callable[[], str] | None = None
        """Tells how the microphone sounds, in words."""
        self.fetches: Callable[[str], None] | None = None
        """Fetches a larger model by its name, in the background."""
        self.strange: Callable[[], None] | None = None
        """Tells who listens that another voice is known now, or none."""

    @property
    def sitting(self) -> Sitting:
        return self._sitting

    @property
    def revision(self) -> int:
        return self._revision

    @property
    def playing(self) -> str | None:
        """The script that the prompter speaks."""
        return self.prompter.playing if self.prompter else None

    @property
    def holding(self) -> int:
        """How many utterances are not on the disk yet."""
        return len(self._held)

    def heard_until(self) -> SoundMark | None:
        """Up to where a page's sound is in what is on the disk."""
        with self.lock:
            try:
                return self._journal.heard_until()
            except NotKept:
                return None

    def scene(self) -> Scene:
        with self.lock:
            view = self._sitting.view
            shelf = tuple(self._journal.shelf(self._names_shown())) if view is View.SHELF else ()
            prints = tuple(self._journal.prints()) if view is View.PRINT_TRAY else ()
            days = tuple(self._journal.days()) if view is View.FIGURES else ()
            return Scene(
                self._revision,
                self._sitting,
                self._partial,
                self.playing,
                shelf,
                self._top,
                self._screens,
                self._notice,
                self._trouble(),
                days,
                prints,
                self.speaker.playing() if self.speaker else None,
            )

    def _names_shown(self) -> tuple[str, ...]:
        """The documents of the screen that the shelf shows."""
        first = self._screens * SHELF_A_SCREEN
        return self._sitting.shelf[first : first + SHELF_A_SCREEN]

    def hear(self, hearing: Hearing, sound: SoundMark | None = None) -> Outcome | None:
        """Work an utterance through: decide, keep, then do what it asks for.

        None if it could not be written to the disk: then it waits, and so do all that come after,
        until it is; what it comes to is seen then.
        """
        with self.lock:
            self._partial = ""
            kept = self._without_own_voice(hearing)
            if kept is None:
                self._revision += 1
                return None
            hearing = kept
            if len(self._held) >= MOST_HELD:
                self._notice = f"{quoted(hearing.text)} is not kept: too much waits for the disk."
                self._revision += 1
                return None
            self._held.append(Held(hearing, sound))
            outcomes = self._kept()
            if self._held:
                self._revision += 1
                return None
            return outcomes[-1]

    def _without_own_voice(self, hearing: Hearing) -> Hearing | None:
        """A hearing without what the desk itself was saying; None if that was all of it."""
        if self.speaker is None or hearing.source in UNSPOKEN:
            return hearing
        heard = hearing.hypotheses[0].words if hearing.hypotheses else ()
        words = tuple(w.text for w in heard)
        left = self.speaker.left_of(words)
        spoken = heard or (hearing.commands[0].words if hearing.commands else ())
        if spoken and self.speaker.read_over(spoken[-1].end - spoken[0].start):
            return self._said_over_reading(hearing, words, left)
        if left is None:
            return None
        return (
            hearing
            if len(left) == len(words)
            else from_line(" ".join(left), hearing.pause, source=hearing.source)
        )

    def halted_by(self, hearing: Hearing) -> bool:
        """Whether a hearing ends the reading, so that nobody need find other words for it."""
        return self._sitting.aloud is not None and halts(hearing.commands)

    def _said_over_reading(
        self, hearing: Hearing, words: tuple[str, ...], left: tuple[str, ...] | None
    ) -> Hearing | None:
        """While a text is read nothing is written: what is no command is dropped or doubted."""
        assert self.speaker is not None
        said = command_over(self._sitting, words, left, self.speaker.lately().lower().split())
        if said is None and self.halted_by(hearing):
            said = ("stop",)
        if said is not None:
            return from_line(" ".join(said), hearing.pause, source=hearing.source)
        if not left or self.speaker.likeness(words) >= LEAST_LIKE_OWN:
            return None
        return replace(hearing, doubt=OWN_VOICE, commands=(), tail=None)

    def _kept(self) -> list[Outcome]:
        """Keep what waits, the first first, as far as the disk takes it."""
        found = []
        while self._held:
            try:
                found.append(self._worked_through(self._held[0]))
            except NotKept as error:
                self._why = str(error)
                self._revision += 1
                self._try_again()
                break
            except Exception:
                # Nothing that cannot be kept may hold up what comes after it.
                self._held.popleft()
                raise
            self._held.popleft()
        return found

    def _try_again(self) -> None:
        if self._retry is None or not self._retry.is_alive():
            self._retry = threading.Timer(RETRY_SECONDS, self.retry)
            self._retry.daemon = True
            self._retry.start()

    def retry(self) -> None:
        """Try once more to keep what waits."""
        with self.lock:
            self._retry = None
            self._kept()

    def _trouble(self) -> str:
        if not self._held:
            return ""
        first = quoted(self._held[0].hearing.text)
        more = f" and {many(len(self._held) - 1, 'more utterance')}" if len(self._held) > 1 else ""
        return f"{first}{more} could not be recorded: {self._why}. It is held and tried again."

    def _worked_through(self, held: Held) -> Outcome:
        before = self._sitting
        try:
            outcome = advance(before, Heard(held.hearing, self.clock()))
        except Exception:
            # A fault of the desk must not take the utterance, nor the desk, with it.
            traceback.print_exc(file=sys.stderr)
            outcome = faulty(before, held.hearing)
        try:
            kept = self._journal.record(before, outcome, held.hearing, held.sound)
        except LanternError:
            raise
        except Exception:
            traceback.print_exc(file=sys.stderr)
            outcome = faulty(before, held.hearing)
            kept = self._journal.record(before, outcome, held.hearing, held.sound)
        self._sitting = replace(kept, scripts=before.scripts, model=before.model)
        self._notice = ""
        self._revision += 1
        if not any(isinstance(e, Scroll) for e in outcome.effects):
            self._screens, self._top = 0, None
        for effect in outcome.effects:
            self._perform(effect)
        return outcome

    def set(self, name: str, value: str) -> None:
        """Change a setting from outside; WrongUse if there is none of that name or value."""
        with self.lock:
            changed = advance(self._sitting, Configured(name, value)).sitting
            self._journal.save_setting(name, value)
            self._sitting = changed
            self._revision += 1

    def put_word_book(self, book: WordBook) -> None:
        """Use another word book."""
        with self.lock:
            self._journal.save_word_book(book)
            self._sitting = replace(self._sitting, word_book=book)
            self._revision += 1

    def put_passages(self, found: Iterable[Passage]) -> None:
        """Add passages; one of the same name gives way."""
        with self.lock:
            passages = self._sitting.passages
            for passage in found:
                passages = with_passage(passages, passage)
            self._journal.save_passages(passages)
            self._sitting = replace(self._sitting, passages=passages)
            self._revision += 1

    def put(self, title: str, document: Document) -> str:
        """Put a document on the shelf and on the desk; the title that it got."""
        with self.lock:
            name = self._journal.add(title, document)
            self._sitting = self._journal.open(name)
            self._revision += 1
            return name

    def documents(self) -> Iterator[tuple[str, Document]]:
        """Every document on the shelf, with its title."""
        with self.lock:
            yield from self._journal.documents()

    def whisper(self, partial: str) -> None:
        """What is being heard just now, not yet an utterance."""
        with self.lock:
            if partial != self._partial:
                self._partial = partial
                self._revision += 1

    def show(self, view: View) -> None:
        """Show another view."""
        with self.lock:
            self._sitting = advance(self._sitting, Looked(view)).sitting
            self._screens, self._top = 0, None
            self._revision += 1

    def listens_with(self, model: str) -> None:
        """A larger model of this name listens, or none ("")."""
        with self.lock:
            self._sitting = replace(self._sitting, model=model)
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
        """Do what is not on the disk; what is, the journal did with the utterance."""
        if isinstance(effect, Kept):
            return
        match effect:
            case Scroll(screens):
                self._scroll(screens)
            case CheckMicrophone():
                self._notice = self.ears() if self.ears else "Nobody listens to a microphone here."
            case FetchEars(name):
                if self.fetches is None:
                    self._notice = "Nobody listens to a microphone here."
                else:
                    self.fetches(name)
            case ForgetVoice():
                self.forget_voice()
            case KnowVoice():
                self._of_the_voice(lambda kept: kept.bring_back())
            case Prompt(name, mistakes):
                self._prompt(name, mistakes)
            case SayAgain(words):
                self._held.insert(1, Held(from_line(" ".join(words)), None))
            case ReadAloud(sentences):
                self._read(sentences)
            case Say(text):
                if self.speaker is not None:
                    self.speaker.say(text)
            case Leave(again):
                self._leave(again)
            case (
                Export()
                | PrintDocument()
                | DropPrints()
                | BackUp()
                | CheckAll()
                | (ExportPassages())
            ):
                self._put_out(effect)
            case _:
                assert_never(effect)

    def learned_voice(self) -> bytes:
        """What was learned of the speaker's voice, as the engine kept it."""
        return self._journal.voice.get()

    def keep_voice(self, learned: bytes) -> None:
        """Keep what an engine learned; where the disk is full, the next time."""
        with suppress(NotKept):
            self._journal.voice.put(learned)

    def forget_voice(self) -> None:
        """Know nothing of what was learned, and let who listens know."""
        self._of_the_voice(lambda kept: kept.forget())

    def learned_habits(self) -> bytes:
        """How the speaker usually sounds, as who listens kept it."""
        return self._journal.habits.get()

    def keep_habits(self, learned: bytes) -> None:
        """Keep how the speaker usually sounds; where the disk is full, the next time."""
        with suppress(NotKept):
            self._journal.habits.put(learned)

    def _of_the_voice(self, change: Callable[[KeptVoice], None]) -> None:
        try:
            change(self._journal.voice)
            change(self._journal.habits)
        except NotKept as error:
            self._notice = f"What was learned of your voice is as it was: {error}."
            return
        if self.strange is not None:
            self.strange()

    def _put_out(self, effect: Outside) -> None:
        """Files and paper: what came of it is told."""
        told = self.world.do(effect, self._sitting)
        if told:
            self._notice = told
        self._sitting = replace(self._sitting, jobs=self._journal.jobs())

    def _read(self, sentences: tuple[tuple[str, int, int, int], ...]) -> None:
        if self.speaker is None:
            return
        if not sentences:
            self.speaker.hush()
            return
        aloud = self._sitting.aloud
        began = aloud.at if aloud is not None else 0
        pace = self._sitting.settings.reading_pace
        self.speaker.read([text for text, *_ in sentences], pace, began)

    def prints(self) -> list[Print]:
        """What lies in the print tray, the newest first."""
        with self.lock:
            return self._journal.prints()

    def begins(self, utterance: int, sentence: int, at: float) -> None:
        """Told by whoever reads aloud: when a sentence will begin, in seconds of its own clock."""
        if self.speaker is not None:
            self.speaker.begins(utterance, sentence, at)

    def spoken(self, utterance: int, sentence: int, word: int, done: bool = False) -> None:
        """Told by whoever reads aloud: which sentence of what was asked, and which word of it."""
        with self.lock:
            aloud = self._sitting.aloud
            if self.speaker is None or not self.speaker.is_about(utterance):
                return
            if aloud is None or self.speaker.answering:
                self.speaker.told(utterance, sentence, done)
                self._revision += done
                return
            at = self.speaker.began + sentence
            self.speaker.told(utterance, sentence, done)
            if done or at >= len(aloud.stretches):
                self._sitting = replace(self._sitting, aloud=None)
            else:
                self._sitting = replace(self._sitting, aloud=replace(aloud, at=at, word=word))
            self._revision += 1

    def _leave(self, again: bool) -> None:
        if self.closes is None:
            self._notice = "The window here is closed by hand only; everything is kept."
        else:
            self.closes(again)

    def arrived(self, path: Path) -> None:
        """A file was put into the inbox: it comes onto the shelf, with a sentence."""
        name = path.stem.strip() or "Untitled"
        try:
            read = read_file(path, "The file")
            with self.lock:
                title = self._journal.add(name, read.document)
                self._sitting = replace(self._sitting, shelf=self._journal.titles())
            said = " ".join((f"{quoted(title)} came into the inbox: “open {title.lower()}”.",
                             *read.losses))  # fmt: skip
        except LanternError as error:
            said = str(error)
        self.say(said)

    def _prompt(self, name: str | None, mistakes: bool) -> None:
        if self.prompter is not None and name is not None:
            self.prompter.play(name, mistakes)
        elif self.prompter is not None:
            self.prompter.stop()

    def _scroll(self, screens: int) -> None:
        """Look further down or up, no further than there is something to see."""
        if self._sitting.view is View.COMMANDS:
            last = screens_of(self._sitting.group) - 1
            self._screens = max(0, min(last, self._screens + screens))
        elif self._sitting.view is View.PRINT_TRAY:
            self._screens = max(0, min(200, self._screens + screens))
        elif self._sitting.view is View.SHELF:
            last = shelf_screens(self._sitting) - 1
            self._screens = max(0, min(last, self._screens + screens))
        elif self._sitting.view is View.WORD_BOOK:
            last = book_screens(self._sitting) - 1
            self._screens = max(0, min(last, self._screens + screens))
        else:
            top, room = self.window
            self._top = scrolled(self._sitting, self._top or top, room, screens)
