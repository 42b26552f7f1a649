"""One live stream of sound: numbered chunks in, utterances out, none twice and none lost."""

from __future__ import annotations

import secrets
import threading
import time
from collections.abc import Callable, Sequence
from dataclasses import replace

from nimble_lantern.core.errors import BadInput
from nimble_lantern.core.reading.decision import is_command
from nimble_lantern.core.reading.hearing import Hearing, Hypothesis
from nimble_lantern.engines import LiveEngine, Transcriber
from nimble_lantern.engines.browser import HARMLESS, Pairing, failure
from nimble_lantern.engines.builtin.cutter import PATIENCE, Cut, Cutter
from nimble_lantern.engines.builtin.files import scene_of
from nimble_lantern.engines.larger import LargerModel
from nimble_lantern.engines.meter import Meter
from nimble_lantern.shell import LiveDesk

SILENT_SECONDS = 3.0
"""A page that has sent nothing for so long listens no more: another may take its place."""
LISTENS = "…"
"""Shown from the first sound of speech until there are words."""


class Gap(Exception):
    """A chunk came too early; `expected` is the number that should come next."""

    def __init__(self, expected: int) -> None:
        super().__init__(f"chunk {expected} is missing")
        self.expected = expected


class UnknownStream(Exception):
    """The stream is not, or no longer, the one that is listened to."""


class Listener:
    """Cuts the stream into utterances and lets the desk hear them.

    Only the stream opened last is heard, so that two pages cannot write everything twice.  The
    built-in engine hears every utterance; the browser's recogniser or a larger model, where the
    setting asks for one, may have better words for what is no command.
    """

    def __init__(
        self,
        desk: LiveDesk,
        engine: Callable[[], LiveEngine],
        larger: Transcriber | None = None,
        clock: Callable[[], float] = time.monotonic,
    ) -> None:
        self._desk, self._make, self._clock = desk, engine, clock
        self._larger = larger or LargerModel(None)
        self._engine: LiveEngine | None = None
        self._lock = threading.Lock()
        self._stream = ""
        self._expected = 0
        self._last = 0.0  # when its last chunk came
        self._meter = Meter()
        self._pairing = Pairing(clock, self._is_command)
        self._patience = ""
        self._cutter = self._new_cutter()
        self._spoken: list[bytes] = []  # the sound of the utterance
        self._ended_at = self._pause = 0.0  # seconds of the stream
        desk.ears = self._microphone

    @property
    def is_open(self) -> bool:
        """Whether some page's sound still comes in."""
        return bool(self._stream) and self._clock() - self._last < SILENT_SECONDS

    def open(self) -> str:
        """A new stream's name; the one before is no longer listened to."""
        with self._lock:
            engine = self._ready()
            if self._cutter.speaking:
                self._end(engine)
            elif self._cutter.active:
                engine.drop()
            self._stream, self._expected = secrets.token_hex(8), 0
            self._last = self._clock()
            self._cutter = self._new_cutter()
            self._ended_at = 0.0
            return self._stream

    def feed(self, stream: str, number: int, sound: bytes) -> int:
        """Hear chunk `number` (16-bit mono at 16 kHz); the number of the next one.

        A chunk that was heard already is taken for granted.  UnknownStream or Gap otherwise.
        """
        with self._lock:
            if stream != self._stream:
                raise UnknownStream
            self._last = self._clock()
            if number > self._expected:
                raise Gap(self._expected)
            if number == self._expected:
                self._expected += 1
                for cut in self._cutter.feed(sound[: len(sound) - len(sound) % 2]):
                    self._heard(cut)
                self._show_partial()
            self._desk_hears(self._pairing.overdue())
            return self._expected

    def browser_result(self, found: tuple[Hypothesis, ...], final: bool) -> None:
        """Words of the browser's recogniser, as they come and when they are final."""
        with self._lock:
            now = self._desk.sitting
            if now.lamp != "lit" or now.settings.engine != "browser":
                return
            if final:
                self._desk_hears(self._pairing.result(found, self._cutter.speaking))
            elif found:
                self._desk.whisper(found[0].text)

    def browser_failed(self, code: str) -> None:
        """The browser's recogniser cannot go on: back to the built-in engine, and say so."""
        with self._lock:
            if self._desk.sitting.settings.engine != "browser" or code in HARMLESS:
                return
            self._fall_back(failure(code))

    def warm(self) -> None:
        """Start the engine before anybody speaks."""
        with self._lock:
            self._ready()

    def close(self) -> None:
        with self._lock:
            if self._engine is not None:
                self._engine.close()
                self._engine = None

    def _ready(self) -> LiveEngine:
        if self._engine is None:
            self._engine = self._make()
            self._engine.look(scene_of(self._desk.sitting))
        return self._engine

    def _new_cutter(self) -> Cutter:
        self._patience = self._desk.sitting.settings.patience
        return Cutter(PATIENCE[self._patience], meter=self._meter.feed)

    def _microphone(self) -> str:
        report = self._meter.report()
        return report.advice() if report else "Too little was heard yet; say a sentence, then ask."

    def _heard(self, cut: Cut) -> None:
        engine = self._ready()
        lit = self._desk.sitting.lamp == "lit"
        match cut.kind:
            case "perhaps":
                self._spoken = []
                engine.begin(scene_of(self._desk.sitting))
            case "sound":
                self._spoken.append(cut.sound)
                engine.sound(cut.sound)
            case "began":
                self._pause = max(0.0, cut.at - self._ended_at)
                if lit:
                    self._desk.whisper(LISTENS)
            case "none":
                engine.drop()
            case "ended":
                self._ended_at = cut.at
                self._end(engine)

    def _show_partial(self) -> None:
        """What is being said, as far as it is known: not before it is surely speech."""
        now = self._desk.sitting
        shown = now.lamp == "lit" and now.settings.engine != "browser"
        if self._cutter.speaking and shown and (partial := self._ready().partial):
            self._desk.whisper(partial)

    def _end(self, engine: LiveEngine) -> None:
        try:
            hearing = engine.end()
        except BadInput as error:
            self._desk.whisper("")
            self._desk.say(str(error))
        else:
            self._take(hearing)

    def _take(self, hearing: Hearing) -> None:
        sound = b"".join(self._spoken)
        hearing = replace(hearing, pause=self._pause, quieter=self._meter.quieter(sound))
        if not hearing.hypotheses and not hearing.commands:
            self._desk.whisper("")
            self._look()
            return
        now = self._desk.sitting
        if now.settings.engine == "browser" and now.lamp == "lit":
            self._desk_hears(self._pairing.heard(hearing))
            return
        why = ""
        if now.settings.engine == "model" and now.lamp == "lit":
            hearing, why = self._in_other_words(hearing, sound)
        self._desk_hears([hearing])
        if why:
            self._fall_back(f"{why} The built-in recogniser listens instead.")
        last = self._desk.sitting.trail[-1:]
        if last and last[0].read_as in ("text", "command", "text+command"):
            self._meter.accepted(sound)

    def _in_other_words(self, hearing: Hearing, sound: bytes) -> tuple[Hearing, str]:
        """The larger model's words for what is no command; ours, and why, if it has none."""
        if not hearing.hypotheses or self._is_command(hearing):
            return hearing, ""
        try:
            found = self._larger.transcribe(sound)
        except BadInput as error:
            return hearing, str(error)
        except Exception as error:
            return hearing, f"The larger model failed ({error})."
        if not found:
            return hearing, ""
        ours = hearing.hypotheses[0]
        made = replace(hearing, hypotheses=found, tail=None, evidence=ours, source="model")
        return made, ""

    def _fall_back(self, why: str) -> None:
        self._desk.set("engine", "builtin")
        self._desk_hears(self._pairing.flush())
        self._desk.say(why)

    def _is_command(self, hearing: Hearing) -> bool:
        return is_command(self._desk.sitting, hearing)

    def _desk_hears(self, hearings: Sequence[Hearing]) -> None:
        if not hearings:
            return
        for hearing in hearings:
            self._desk.hear(hearing)
        self._look()

    def _look(self) -> None:
        """Listen for what the page allows now, but never in the middle of an utterance."""
        if self._cutter.active:
            return
        self._ready().look(scene_of(self._desk.sitting))
        if self._desk.sitting.settings.patience != self._patience:
            self._cutter = self._new_cutter()
