"""Speech for the benchmarks: sample sentences in three synthetic voices, clean and with noise.

Sound is made once and kept in `.bench/` of the clone; it is the same for every run.
"""

from __future__ import annotations

import array
import hashlib
import json
import random
import time
import wave
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cache
from pathlib import Path

from rapidfuzz.distance import Levenshtein

from bench._voices import made_by
from nimble_lantern.core.document.model import Document
from nimble_lantern.core.reading.cued import Commands
from nimble_lantern.core.reading.hearing import (
    Hearing,
    from_line,
    hearing_from_json,
    hearing_to_json,
)
from nimble_lantern.core.sitting import Heard as Said
from nimble_lantern.core.sitting import advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.demo import DOCUMENTS
from nimble_lantern.engines import Scene
from nimble_lantern.engines.builtin.cutter import Cutter
from nimble_lantern.engines.builtin.files import scene_of, spoken_in
from nimble_lantern.engines.builtin.recogniser import BuiltIn
from nimble_lantern.engines.larger import LargerModel, with_larger
from nimble_lantern.engines.pcm import RATE, mixed, rms, scaled
from nimble_lantern.formats import from_markdown
from nimble_lantern.playing import desk_with

HERE = Path(__file__).parent
KEPT = HERE.parent / ".bench"
VOICES = ("slt", "rms", "awb")
NOISY_DB = 20.0
CHUNK = 3200  # bytes, 0.1 s
_LEAD_SECONDS = 0.7
_TAIL_SECONDS = 0.9
_NOISE_SECONDS = 12


@dataclass(frozen=True, slots=True)
class Line:
    """Words to be spoken over a sample document; `held_out` ones are never calibrated with."""

    words: str
    document: str
    held_out: bool
    before: str = ""  # utterances said before it, parted by " / "


def lines(name: str) -> list[Line]:
    """The lines of speech/NAME.tsv; every second one is held out, and all of the fresh ones."""
    found: list[Line] = []
    document = ""
    for row in (HERE / "speech" / f"{name}.tsv").read_text(encoding="utf-8").splitlines():
        if row.startswith("## "):
            document = row[3:]
        elif row and not row.startswith("#"):
            words, _, before = row.partition("\t")
            held_out = name == "fresh" or len(found) % 2 == 1
            found.append(Line(words, document, held_out, before))
    return found


@cache
def sitting(document: str, before: str = "") -> Sitting:
    """A desk with a sample document, all others on the shelf, the writing place at its end."""
    if before:
        now = sitting(document)
        for said in before.split(" / "):
            now = advance(now, Said(from_line(said))).sitting
        return now
    made = desk_with(_document(document), {}).sitting
    names = sorted(p.stem for p in DOCUMENTS.glob("*.md"))
    shelf = tuple(n.split("-", 1)[1].replace("-", " ").capitalize() for n in names)
    return replace(made, shelf=shelf)


def _document(name: str) -> Document:
    return from_markdown((DOCUMENTS / f"{name}.md").read_text(encoding="utf-8"))


def spoken(
    words: str, voice: str, noise_db: float | None = None, manner: tuple[str, ...] = ()
) -> bytes:
    """16-bit mono sound at 16 kHz: silence, the words, silence; noise so far below the speech.

    `manner` has features of the synthesizer, as "duration_stretch=1.2".
    """
    clean = _said(words, voice, manner)
    quiet = b"\0\0" * round(_LEAD_SECONDS * RATE), b"\0\0" * round(_TAIL_SECONDS * RATE)
    whole = quiet[0] + clean + quiet[1]
    if noise_db is None:
        return whole
    level = rms(clean) / 10 ** (noise_db / 20)
    start = random.Random(f"{words}/{voice}").randrange(RATE) * 2
    bed = _noise() * (len(whole) // len(_noise()) + 2)
    noise = scaled(bed[start : start + len(whole)], level / rms(_noise()))
    return mixed(whole, noise)


def cut(sound: bytes, brief: bool = False) -> list[bytes]:
    """What the voice detector makes of it; `brief` as while letters are said."""
    cutter = Cutter()
    cutter.brief = brief
    return [part.sound for part in spoken_in(iter((sound,)), cutter=cutter)]


def _said(words: str, voice: str, manner: tuple[str, ...] = ()) -> bytes:
    KEPT.mkdir(exist_ok=True)
    name = "/".join((voice, words, *manner))
    key = hashlib.sha256(name.encode()).hexdigest()[:16]
    file = KEPT / f"{key}.wav"
    if not file.exists():
        new = file.with_suffix(".new.wav")
        made_by(voice, words, new, manner)
        new.replace(file)
    with wave.open(str(file), "rb") as opened:
        return opened.readframes(opened.getnframes())


@cache
def _noise() -> bytes:
    """White noise of a fixed seed."""
    rng = random.Random(20)
    return array.array(
        "h", (round(rng.gauss(0, 3000)) for _ in range(RATE * _NOISE_SECONDS))
    ).tobytes()


def errors(said: list[str], heard: list[str]) -> int:
    """Word errors: the least number of substitutions, insertions and deletions (Levenshtein)."""
    return Levenshtein.distance(said, heard)


@dataclass(frozen=True, slots=True)
class Heard:
    """What the engine made of a spoken line: a Hearing for each stretch of speech."""

    line: Line
    voice: str
    hearings: tuple[Hearing, ...]


def every(name: str) -> Iterator[tuple[Line, str]]:
    """Each line in each voice."""
    for line in lines(name):
        for voice in VOICES:
            yield line, voice


@cache
def heard(name: str, noise_db: float | None = None) -> tuple[Heard, ...]:
    """Every line of speech/NAME.tsv in every voice through the built-in engine.

    In noise, only those that are held out.  It takes a while, so it is kept in `.bench/` until a
    source that it depends on is changed.
    """
    wanted = [(line, v) for line, v in every(name) if line.held_out or noise_db is None]
    kept = KEPT / f"{name}-{noise_db}-{_sources(name)}.json"
    if kept.exists():
        rows = json.loads(kept.read_text(encoding="utf-8"))
        made = [tuple(hearing_from_json(h) for h in row) for row in rows]
        pairs = zip(wanted, made, strict=True)
        return tuple(Heard(line, voice, hearings) for (line, voice), hearings in pairs)
    engine, found = BuiltIn(), []
    try:
        for line, voice in wanted:
            scene = scene_of(sitting(line.document, line.before))
            sounds = cut(spoken(line.words, voice, noise_db))
            found.append(Heard(line, voice, tuple(engine.hear(s, scene) for s in sounds)))
    finally:
        engine.close()
    rows = [[hearing_to_json(h) for h in one.hearings] for one in found]
    KEPT.mkdir(exist_ok=True)
    kept.write_text(json.dumps(rows), encoding="utf-8")
    return tuple(found)


def heard_live(name: str) -> tuple[Heard, ...]:
    """The held-out lines of speech/NAME.tsv as they are heard at the desk: in one stream a voice.

    The engine knows nothing of the voice to begin with.
    """
    found = []
    for voice in VOICES:
        engine = BuiltIn()
        try:
            for line in (one for one in lines(name) if one.held_out):
                scene = scene_of(sitting(line.document, line.before))
                parts = cut(spoken(line.words, voice))
                found.append(Heard(line, voice, tuple(_live(engine, p, scene) for p in parts)))
        finally:
            engine.close()
    return tuple(found)


class Both:
    """Both engines over the same sound, as the desk uses them; without a folder the built-in one.

    `waited` has the seconds from the end of speech to the larger one's words.
    """

    def __init__(self, folder: Path | None) -> None:
        self.builtin = BuiltIn()
        self.larger = LargerModel(folder) if folder else None
        self.waited: list[float] = []

    def hear(
        self, sound: bytes, scene: Scene, live: bool = False, now: Sitting | None = None
    ) -> tuple[Hearing, Hearing]:
        """By the built-in engine alone, and by both; `live` as it comes in at the desk."""
        ours = _live(self.builtin, sound, scene) if live else self.builtin.hear(sound, scene)
        if self.larger is None:
            return ours, ours
        self.larger.begin(scene)
        self.larger.sound(sound)
        begun = time.monotonic()
        self.larger.end()
        words = ours.hypotheses[0].words if ours.hypotheses else ()
        desk = Commands(now) if now is not None else None
        both = with_larger(ours, self.larger.transcribe(False, words), self.larger, desk)
        self.waited.append(time.monotonic() - begun)
        return ours, both

    def close(self) -> None:
        self.builtin.close()
        if self.larger:
            self.larger.close()


def _live(engine: BuiltIn, sound: bytes, scene: Scene) -> Hearing:
    engine.begin(scene)
    for n in range(0, len(sound), CHUNK):
        engine.sound(sound[n : n + CHUNK])
    return engine.end()


def _sources(name: str) -> str:
    """A digest of all that decides what is heard; how it is read comes after."""
    package = HERE.parent / "nimble_lantern"
    parts = ("engines/builtin", "core/grammar", "core/targets", "core/commands", "core/writing")
    files = [p for part in parts for p in sorted((package / part).glob("**/*.py"))]
    files += [package / "core/reading/likely.py", HERE / "speech" / f"{name}.tsv"]
    files += sorted(DOCUMENTS.glob("*.md"))
    digest = hashlib.sha256()
    for file in files:
        digest.update(file.read_bytes())
    return digest.hexdigest()[:12]


def outcome(now: Sitting, hearings: Sequence[Hearing]) -> tuple[object, ...]:
    """What hearings come to, but for the words of the trail: equal means the same was done."""
    effects: list[object] = []
    entry = None
    for hearing in hearings:
        done = advance(now, Said(hearing))
        now, entry = done.sitting, done.entry
        effects += done.effects
    if entry is None:
        return ("nothing",)
    places = now.caret, now.selection, now.question and now.question.options
    ways = now.lamp, now.attention, now.settings, now.typing, now.clipboard, tuple(effects)
    return entry.read_as, entry.command, now.document, *places, *ways
