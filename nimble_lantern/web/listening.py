"""One live stream of sound: chunks in, utterances out, none twice and none lost.

A page names its stream, and says of every chunk at which sample of the stream it begins.  The
answer says which sample is wanted next, and up to which one all is decided and on the disk: only
that may the page forget.  What was heard last is kept with the utterance, so that a server that
was started anew, or another page, goes on exactly there.
"""

from __future__ import annotations

import secrets
import sys
import threading
import time
import traceback
from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, replace
from functools import partial

from nimble_lantern.core.commands.wording import many
from nimble_lantern.core.errors import BadInput, LanternError
from nimble_lantern.core.kinds import Lamp, ReadAs
from nimble_lantern.core.mending import phones
from nimble_lantern.core.reading import intents
from nimble_lantern.core.reading.cued import Commands
from nimble_lantern.core.reading.decision import is_command
from nimble_lantern.core.reading.hearing import Hearing, Hypothesis
from nimble_lantern.engines import (
    Acquaintance,
    LearnsVoice,
    LiveEngine,
    Scene,
    Transcribed,
    Transcriber,
    ears,
)
from nimble_lantern.engines.browser import HARMLESS, Pairing, failure
from nimble_lantern.engines.builtin.cutter import PATIENCE, Cut, CutKind, Cutter
from nimble_lantern.engines.builtin.files import scene_of
from nimble_lantern.engines.cancelling import OwnVoice
from nimble_lantern.engines.habits import Habits
from nimble_lantern.engines.larger import LargerModel, with_larger
from nimble_lantern.engines.meter import Meter
from nimble_lantern.engines.pcm import RATE
from nimble_lantern.engines.teaching import Lessons
from nimble_lantern.shell import LiveDesk
from nimble_lantern.store.journal import SoundMark

SILENT_SECONDS = 3.0
"""A page that has sent nothing for so long, and waits for no answer, is gone."""
LISTENS = "…"
"""Shown from the first sound of speech until there are words."""
CUT_OFF = "its page was closed, or the connection lost, while it was said"
NOTHING = "nothing could be made out"
_CLICK_SECONDS = 1.2
"""Of sound with what is kept before it: what is shorter and has no words was a click or a cough."""
_OTHER_CLOCK = 120_000.0
"""Milliseconds: times of another page further away than this are of another clock."""


WITH_LARGER = ("best", "model")
"""Values of the setting with which a larger model is listened with."""
NO_MODEL = "There is no larger model on this machine; the built-in recogniser listens instead."


TOO_SLOW_MODEL = (
    "The larger model was too slow for that, and the built-in recogniser's words stand; “use the "
    "built in ears” does without it."
)


MOST_UNHEARD = 6
"""Utterances in a row of which nothing came, after which a voice that was learned is forgotten."""
STRANGE = "Little could be made out: what was learned of the voice is forgotten; say it again."


class Gap(Exception):
    """A chunk came too early; `expected` is the sample that should come next."""

    def __init__(self, expected: int) -> None:
        super().__init__(f"sample {expected} is missing")
        self.expected = expected


class UnknownStream(Exception):
    """The stream is not, or no longer, the one that is listened to."""


@dataclass(frozen=True, slots=True)
class Heard:
    """Which sample of a stream is wanted next, and before which nothing is needed any more."""

    wanted: int
    kept: int


class Listener:
    """Cuts the stream into utterances and lets the desk hear them.

    One page is listened to; another takes its place only when it is closed or gone.  The built-in
    engine hears every utterance; a larger model where there is one, or the browser's recogniser
    where the setting asks for it, has better words for dictation.
    """

    def __init__(
        self,
        desk: LiveDesk,
        engine: Callable[[], LiveEngine],
        larger: Transcriber | None = None,
        clock: Callable[[], float] = time.monotonic,
    ) -> None:
        self._desk, self._make, self._clock = desk, engine, clock
        self._larger = larger
        self._larger_hears = False  # what is being said, too
        self._to_tell = ""  # when the utterance is done
        self._fetching: threading.Thread | None = None
        self._engine: LiveEngine | None = None
        self._lock, self._making = threading.Lock(), threading.Lock()
        self._stream = ""
        self._wanted = self._kept = 0
        self._at = 0.0  # when the sample that is wanted next was spoken, by the page's clock
        self._last = 0.0  # when its last chunk came
        self._busy = 0  # chunks that are being worked through
        self._meter = Meter()
        self._own = OwnVoice()
        self._habits = Habits()
        self._habits.accustom(desk.learned_habits())
        self._pairing = Pairing(clock, self._is_command)
        self._patience = PATIENCE["normal"]
        self._cutter, self._base = self._new_cutter(), 0
        self._spoken: list[bytes] = []  # the sound of the utterance
        self._ended_at = self._pause = 0.0  # seconds since the cutter began
        self._goes_on = False
        self._spoilt = False  # something went wrong with the utterance: nothing more comes of it
        self._lessons, self._strange = Lessons(), False
        self._not_made_out = 0  # utterances in a row
        self._looks = False  # the page may allow something else than when it was last looked at
        desk.ears = self._microphone
        desk.fetches = self._fetches
        desk.strange = self._stranger
        if larger is not None:
            desk.listens_with(larger.name)

    @property
    def is_open(self) -> bool:
        """Whether some page's sound still comes in."""
        lately = self._clock() - self._last < SILENT_SECONDS
        return bool(self._stream) and (self._busy > 0 or lately)

    def open(self, stream: str, start: int, spoken_at: float) -> int | None:
        """Listen to a stream that has sound from sample `start` on, spoken at a time in ms.

        The sample wanted next, or None while another page is listened to.
        """
        if self.is_open and stream != self._stream:
            return None
        with self._lock:
            if self.is_open and stream != self._stream:
                return None
            return self._opened(stream, start, spoken_at)

    def _opened(self, stream: str, start: int, spoken_at: float) -> int:
        if stream == self._stream and start <= self._wanted:
            self._last = self._clock()
            return self._wanted
        mark = self._mark() or self._desk.heard_until()
        wanted, whole = start, False
        if mark and mark.stream == stream:
            wanted = max(start, mark.position)
        elif mark and abs(mark.time - spoken_at) < _OTHER_CLOCK:
            # Another page hears the same microphone: it goes on where the last one was.
            whole = spoken_at <= mark.time
            wanted = max(start, start + round((mark.time - spoken_at) * RATE / 1000))
        self._leave(whole)
        self._stream, self._wanted, self._kept = stream, wanted, wanted
        self._at = spoken_at + (wanted - start) * 1000 / RATE
        self._last = self._clock()
        self._cutter, self._base = self._new_cutter(), wanted
        self._own = OwnVoice()
        self._ended_at = 0.0
        return wanted

    def close_stream(self, stream: str) -> None:
        """Its page is closed: another may be listened to at once."""
        with self._lock:
            if stream == self._stream:
                self._last = -SILENT_SECONDS

    def _leave(self, again: bool) -> None:
        """What is being said is dropped if it is heard again, and else shown as unclear."""
        if not self._cutter.active:
            return
        engine = self._ready()
        if self._cutter.speaking and not again and not self._spoilt:
            self._end(engine, doubt=CUT_OFF)
        else:
            engine.drop()
            self._with_larger(lambda model: model.drop())
            self._desk.whisper("")

    def feed(self, stream: str, start: int, sound: bytes, spoken_at: float = 0.0) -> Heard:
        """Hear a chunk (16-bit mono at 16 kHz) that begins at sample `start` of a stream.

        What of it was heard already is taken for granted.  UnknownStream or Gap otherwise.
        """
        if stream != self._stream:
            raise UnknownStream
        with self._at_work(), self._lock:
            if stream != self._stream:
                raise UnknownStream
            self._last = self._clock()
            if start > self._wanted:
                raise Gap(self._wanted)
            fresh = sound[(self._wanted - start) * 2 : len(sound) // 2 * 2]
            self._wanted += len(fresh) // 2
            self._at = spoken_at + (self._wanted - start) * 1000 / RATE
            self._without_fault(self._look)
            rest = self._without_own(fresh)
            self._cutter.hurried = self._own.plays
            self._cutter.brief = self._desk.sitting.tray is not None
            for cut in self._cutter.feed(rest):
                self._without_fault(partial(self._heard, cut))
            self._without_fault(self._show_partial)
            self._without_fault(lambda: self._desk_hears(self._pairing.overdue()))
            self._with_patience()
            self._last = self._clock()
            if not self._desk.holding and not self._pairing.waits:
                self._kept = max(self._kept, self._decided)
            return Heard(self._wanted, self._kept)

    def _without_own(self, sound: bytes) -> bytes:
        """The sound without what the page plays meanwhile, as far as that is known here."""
        speaker = self._desk.speaker
        try:
            rest = self._own.out_of(sound, speaker.sounding() if speaker is not None else {})
        except Exception:  # a voice whose sound cannot be read: it is heard, and nothing is lost
            traceback.print_exc(file=sys.stderr)
            self._own, rest = OwnVoice(), sound
        return rest

    @contextmanager
    def _at_work(self) -> Iterator[None]:
        self._busy += 1
        try:
            yield
        finally:
            self._busy -= 1

    @property
    def _decided(self) -> int:
        return min(self._wanted, self._base + self._cutter.decided)

    def _mark(self) -> SoundMark | None:
        """Up to where the stream is decided: somebody who goes on after it begins there."""
        if not self._stream:
            return None
        at = self._at - (self._wanted - self._decided) * 1000 / RATE
        return SoundMark(self._stream, self._decided, at)

    def _without_fault(self, work: Callable[[], object]) -> None:
        """Whatever goes wrong with some sound is told, and listening goes on with the next."""
        try:
            work()
        except LanternError as error:
            self._give_up(str(error))
        except Exception:
            traceback.print_exc(file=sys.stderr)
            self._give_up("The desk has a fault with what was just said; say it again.")

    def _give_up(self, why: str) -> None:
        try:
            self._ready().drop()
        except Exception:
            traceback.print_exc(file=sys.stderr)
        self._with_larger(lambda model: model.drop())
        self._spoken, self._spoilt = [], True
        self._desk.whisper("")
        self._desk.say(why)

    def lost(self, seconds: float) -> None:
        """A page could not keep so much of what it heard."""
        self._desk.say(
            f"{many(max(1, round(seconds)), 'second')} of what you said could not be heard, as the "
            "desk was too far behind; say it again."
        )

    def browser_result(self, found: tuple[Hypothesis, ...], final: bool) -> None:
        """Words of the browser's recogniser, as they come and when they are final."""
        with self._lock:
            now = self._desk.sitting
            if now.lamp is not Lamp.LIT or now.settings.engine != "browser":
                return
            if final:
                self._desk_hears(self._pairing.result(found))
            elif found:
                self._pairing.interim()
                self._desk.whisper(found[0].text)

    def browser_failed(self, code: str) -> None:
        """The browser's recogniser cannot go on: back to the built-in engine, and say so."""
        with self._lock:
            if self._desk.sitting.settings.engine != "browser" or code in HARMLESS:
                return
            self._fall_back(failure(code))

    def warm(self) -> None:
        """Start the engines before anybody speaks; pages may come meanwhile."""
        intents.make_ready()
        phones.make_ready()
        self._ready()
        if self._larger is not None and self._desk.sitting.settings.engine in WITH_LARGER:
            self._larger.warm()

    def close(self) -> None:
        with self._lock:
            if self._engine is not None:
                self._engine.close()
                self._engine = None
            if self._larger is not None:
                self._larger.close()

    def _ready(self) -> LiveEngine:
        with self._making:
            if self._engine is None:
                self._engine = self._make()
                if (voice := self._voice) is not None:
                    voice.accustom(self._desk.learned_voice())
                self._engine.look(self._scene())
            return self._engine

    def _scene(self) -> Scene:
        with self._desk.lock:
            speaker = self._desk.speaker
            reading = speaker is not None and speaker.reading
            return replace(scene_of(self._desk.sitting), reading=reading)

    def _new_cutter(self) -> Cutter:
        self._patience = self._habits.patience(self._desk.sitting.settings.patience)
        return Cutter(self._patience, meter=self._meter.feed)

    def _microphone(self) -> str:
        report = self._meter.report()
        if report is None:
            return "Too little was heard yet; say a sentence, then ask."
        voice, advice = self._voice, report.advice() + self._habits.advice
        if voice is None or not voice.utterances:
            return advice
        known = many(voice.utterances, "utterance")
        better = "it is used to hear you" if voice.adapted else "not yet enough to hear you better"
        return f"{advice} Your voice is known from {known}: {better}."

    def _heard(self, cut: Cut) -> None:
        if self._spoilt and cut.kind is not CutKind.PERHAPS:
            return
        engine = self._ready()
        match cut.kind:
            case CutKind.PERHAPS:
                self._spoken, self._spoilt = [], False
                self._own.begins()
                self._pairing.began()
                now = self._desk.sitting
                larger = now.lamp is Lamp.LIT and now.settings.engine in WITH_LARGER
                scene = replace(self._scene(), beside=larger and self._larger is not None)
                engine.begin(scene)
                if larger:
                    self._begins(scene)
            case CutKind.SOUND:
                self._spoken.append(cut.sound)
                engine.sound(cut.sound)
                self._with_larger(lambda model: model.sound(cut.sound))
            case CutKind.BEGAN:
                self._pause, self._goes_on = max(0.0, cut.at - self._ended_at), cut.goes_on
                if self._desk.sitting.lamp is Lamp.LIT:
                    self._desk.whisper(LISTENS)
            case CutKind.NONE:
                self._nobody(engine)
            case CutKind.ENDED if self._own.is_left_over:
                self._nobody(engine)
                self._desk.whisper("")
            case CutKind.ENDED:
                self._ended_at = cut.at
                self._with_larger(lambda model: model.end())
                self._end(engine)

    def _nobody(self, engine: LiveEngine) -> None:
        self._pairing.dropped()
        engine.drop()
        self._with_larger(lambda model: model.drop())

    def _fetches(self, name: str) -> None:
        """Fetch a larger model in the background, then listen with it."""
        if self._fetching is not None and self._fetching.is_alive():
            self._desk.say("A larger model is being fetched already; go on writing meanwhile.")
            return
        self._fetching = threading.Thread(target=self._fetch, args=(name,), daemon=True)
        self._fetching.start()

    def _fetch(self, name: str) -> None:
        try:
            made = LargerModel(ears.get(name, self._desk.say))
            made.warm()
        except BadInput as error:
            self._desk.say(str(error))
            return
        with self._lock:
            self._larger = made
        self._desk.listens_with(made.name)
        self._desk.say(f"The larger model {made.name} listens from now on.")

    def _begins(self, scene: Scene) -> None:
        """Let the larger model hear what is being said, too."""
        self._larger_hears = self._larger is not None
        self._with_larger(lambda model: model.begin(scene))
        if self._larger is None and self._desk.sitting.settings.engine == "model":
            self._desk.set("engine", "best")
            self._to_tell = self._to_tell or NO_MODEL

    def _with_larger(self, work: Callable[[Transcriber], None]) -> None:
        """Where the larger model hears, do this with it; where it fails, it is left for good."""
        if self._larger is None or not self._larger_hears:
            return
        try:
            work(self._larger)
        except BadInput as error:
            self._larger_lost(str(error))
        except Exception as error:
            self._larger_lost(f"The larger model failed ({type(error).__name__}).")

    def _larger_lost(self, why: str) -> None:
        if self._larger is not None:
            self._larger.close()
        self._larger, self._larger_hears = None, False
        self._desk.listens_with("")
        self._to_tell = f"{why} The built-in recogniser listens instead."

    def _show_partial(self) -> None:
        """What is being said, as far as it is known: not before it is surely speech."""
        now = self._desk.sitting
        shown = now.lamp is Lamp.LIT and now.settings.engine != "browser"
        if not (self._cutter.speaking and shown):
            return
        better = self._larger.partial if self._larger is not None and self._larger_hears else ""
        if partial := better or self._ready().partial:
            self._desk.whisper(partial)

    def _end(self, engine: LiveEngine, doubt: str = "") -> None:
        try:
            hearing = engine.end()
        except BadInput as error:
            if not self._larger_hears:
                self._desk.whisper("")
                self._desk.say(str(error))
                return
            hearing = Hearing(())  # the larger model has its words
        self._take(replace(hearing, doubt=doubt or hearing.doubt, goes_on=self._goes_on))

    def _take(self, hearing: Hearing) -> None:
        self._taken(hearing)
        if self._to_tell:
            self._desk.say(self._to_tell)
            self._to_tell = ""

    def _taken(self, hearing: Hearing) -> None:
        sound = b"".join(self._spoken)
        hearing = replace(hearing, pause=self._pause, quieter=self._meter.quieter(sound))
        if self._larger_hears and self._desk.halted_by(hearing):
            self._with_larger(lambda model: model.drop())
            self._larger_hears = False
        if self._larger_hears:
            hearing = self._in_other_words(hearing)
        if not hearing.hypotheses and not hearing.commands:
            self._pairing.dropped()
            self._desk.whisper("")
            if self._desk.sitting.lamp is Lamp.LIT and len(sound) / 2 / RATE > _CLICK_SECONDS:
                self._desk_hears([replace(hearing, doubt=NOTHING)])
                self._unheard()
            self._looks = True
            return
        now = self._desk.sitting
        if now.settings.engine == "browser" and now.lamp is Lamp.LIT:
            self._desk_hears(self._pairing.heard(hearing))
            return
        before = self._desk.sitting.trail[-1:]
        hearing = replace(hearing, usual=self._habits.usual(hearing.source))
        self._desk_hears([hearing])
        last = self._desk.sitting.trail[-1:]
        if last == before:
            return  # it was the desk's own voice, or waits for the disk
        if last and last[0].read_as in (ReadAs.TEXT, ReadAs.COMMAND, ReadAs.BOTH):
            self._meter.accepted(sound)
        if not last or self._strange:
            return
        if last[0].read_as is ReadAs.UNCLEAR:
            self._unheard()
        else:
            self._not_made_out = 0
        lesson = self._lessons.after(last[0], hearing, sound)
        if lesson and self._desk.sitting.settings.learns_voice:
            self._habits.accepted(lesson.measured)
            if (voice := self._voice) is not None and any(lesson.sure):
                voice.accepted(lesson.sound, lesson.words, lesson.sure)

    @property
    def _voice(self) -> Acquaintance | None:
        """What the engine learns of the speaker's voice, if it can."""
        return self._engine.adaptation if isinstance(self._engine, LearnsVoice) else None

    def _unheard(self) -> None:
        """After many in a row that could not be made out, somebody else may be speaking."""
        self._not_made_out += 1
        voice = self._voice
        known = voice is not None and voice.adapted or self._habits.known
        if known and self._not_made_out >= MOST_UNHEARD:
            self._not_made_out = 0
            self._desk.forget_voice()
            self._to_tell = self._to_tell or STRANGE

    def _stranger(self) -> None:
        self._lessons.forget()
        self._strange = self._looks = True

    def _get_to_know(self, voice: Acquaintance | None) -> None:
        """Between utterances: keep what was learned, or know what is kept instead of it."""
        if self._strange:
            self._strange = False
            self._habits.accustom(self._desk.learned_habits())
            if voice is not None:
                voice.forget()
                voice.accustom(self._desk.learned_voice())
        if habits := self._habits.learned():
            self._desk.keep_habits(habits)
        if voice is not None and (learned := voice.learned()):
            self._desk.keep_voice(learned)

    def _in_other_words(self, hearing: Hearing) -> Hearing:
        """With the larger model's words for it, and how well the commands fit the sound."""
        marks = self._desk.sitting.settings.auto_punctuation
        ours = hearing.hypotheses[0] if hearing.hypotheses else Hypothesis(())
        found = [hearing]

        def heard(model: Transcriber) -> None:
            made = model.transcribe(marks, ours.words)
            if made.slow:
                self._to_tell = TOO_SLOW_MODEL
            found.append(self._both(hearing, made, model))

        self._with_larger(heard)
        self._larger_hears = False
        return found[-1]

    def _both(self, hearing: Hearing, made: Transcribed, model: Transcriber) -> Hearing:
        try:
            return with_larger(hearing, made, model, Commands(self._desk.sitting))
        except BadInput:
            raise
        except Exception:  # a fault of the desk's own is none of the model's
            traceback.print_exc(file=sys.stderr)
            return with_larger(hearing, made, model)

    def _fall_back(self, why: str) -> None:
        self._desk.set("engine", "best")
        self._desk_hears(self._pairing.flush())
        self._desk.say(why)

    def _is_command(self, hearing: Hearing) -> bool:
        with self._desk.lock:
            return is_command(self._desk.sitting, hearing)

    def _desk_hears(self, hearings: Sequence[Hearing]) -> None:
        if not hearings:
            return
        for n, hearing in enumerate(hearings, 1):
            # What still waits for the browser's words must be heard again after a restart.
            done = n == len(hearings) and not self._pairing.waits
            self._desk.hear(hearing, self._mark() if done else None)
        self._looks = True

    def _look(self) -> None:
        """Listen for what the page allows now, but never in the middle of an utterance.

        That takes a while, so it is done with the next sound: the page is told first what came of
        the last, and falls silent if it was to.
        """
        if self._looks and not self._cutter.active:
            self._looks = False
            self._ready().look(self._scene())
            self._get_to_know(self._voice)

    def _with_patience(self) -> None:
        """As long as the speaker wants it by now, from the next utterance on."""
        wanted = self._habits.patience(self._desk.sitting.settings.patience)
        if not self._cutter.active and wanted != self._patience:
            at = self._wanted - self._own.held
            self._cutter, self._base, self._ended_at = self._new_cutter(), at, 0.0


def new_stream() -> str:
    return secrets.token_hex(8)
