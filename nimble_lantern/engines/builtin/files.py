"""Sound files: any usual kind, brought to 16 kHz mono and cut into utterances."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace
from pathlib import Path
from typing import Protocol

import numpy as np
import soundfile
import soxr

from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.errors import BadInput
from nimble_lantern.core.kinds import Lamp
from nimble_lantern.core.reading.hearing import Hearing
from nimble_lantern.core.state import Sitting
from nimble_lantern.engines import Scene
from nimble_lantern.engines.builtin.cutter import PATIENCE, Cut, CutKind, Cutter
from nimble_lantern.engines.pcm import RATE, sound_of


class Hears(Protocol):
    """A desk that hearings are given to."""

    @property
    def sitting(self) -> Sitting: ...
    def hear(self, hearing: Hearing) -> object: ...


_BLOCK_FRAMES = 65_536
_MOST_CHANNELS = 8
_FULL = 32767
_LINES_IN_VIEW = 40


def pcm_of(path: Path) -> Iterator[bytes]:
    """The sound of a file as 16-bit mono at 16 kHz, block by block.

    Whatever libsndfile reads: WAV of any usual kind, FLAC, Ogg.  BadInput for what is no sound.
    """
    try:
        with path.open("rb"):
            pass
    except (OSError, ValueError) as error:
        why = getattr(error, "strerror", None) or "no file has such a name"
        raise BadInput(f"The sound file {path} cannot be read: {why}; check its name.") from error
    try:
        with soundfile.SoundFile(path) as file:
            yield from _converted(file)
    except (soundfile.SoundFileError, TypeError) as error:
        raise BadInput(
            f"{path} is no sound file that can be read to its end; save it as 16-bit WAV."
        ) from error


def _converted(file: soundfile.SoundFile) -> Iterator[bytes]:
    rate, channels = file.samplerate, file.channels
    if channels > _MOST_CHANNELS or not 4000 <= rate <= 192_000:
        raise BadInput(f"Sound of {channels} channels at {rate} Hz cannot be heard; use mono.")
    resampled = soxr.ResampleStream(rate, RATE, 1, dtype="float32")
    while True:
        block = file.read(_BLOCK_FRAMES, dtype="float32", always_2d=True)
        mono = np.nan_to_num(block.mean(axis=1), posinf=0.0, neginf=0.0)
        last = len(block) < _BLOCK_FRAMES
        yield sound_of(resampled.resample_chunk(mono, last=last) * _FULL)
        if last:
            return


@dataclass(frozen=True, slots=True)
class Spoken:
    """A stretch of speech: its sound, the seconds of silence before it, whether it was cut off."""

    sound: bytes
    pause: float
    goes_on: bool = False


def utterances(sound: Iterable[bytes]) -> Iterator[bytes]:
    """The stretches of speech in a stream."""
    for spoken in spoken_in(sound):
        yield spoken.sound


def spoken_in(
    sound: Iterable[bytes], patience: str = "normal", cutter: Cutter | None = None
) -> Iterator[Spoken]:
    """The stretches of speech in a stream, each as soon as it is over."""
    cutter = cutter or Cutter(PATIENCE[patience])
    kept: list[bytes] = []
    began = ended = 0.0
    goes_on = False
    for cut in _cuts(cutter, sound):
        if cut.kind in (CutKind.PERHAPS, CutKind.NONE):
            kept.clear()
        elif cut.kind is CutKind.BEGAN:
            began, goes_on = cut.at, cut.goes_on
        elif cut.kind is CutKind.SOUND:
            kept.append(cut.sound)
        else:
            yield Spoken(b"".join(kept), max(0.0, began - ended), goes_on)
            ended = cut.at
            kept.clear()
    if kept:
        yield Spoken(b"".join(kept), max(0.0, began - ended), goes_on)


def _cuts(cutter: Cutter, sound: Iterable[bytes]) -> Iterator[Cut]:
    for piece in sound:
        yield from cutter.feed(piece)
    yield from cutter.finish()


def scene_of(sitting: Sitting) -> Scene:
    """What stands round the writing place, the nearest first, and what can be opened."""
    here = sitting.writing_place.block
    blocks = sitting.document.blocks
    low, high = max(0, here - _LINES_IN_VIEW // 2), here + _LINES_IN_VIEW // 2
    near = sorted(range(low, min(high, len(blocks))), key=lambda b: abs(b - here))
    view = tuple(blocks[b].text for b in near if blocks[b].text.strip())
    resting, choosing = sitting.lamp is not Lamp.LIT, sitting.question is not None
    names = tuple((kind, tuple(named.of(sitting))) for kind, named in CATALOGUE.named.items())
    spelling = sitting.tray is not None
    wordings = tuple(wording.said for wording in sitting.learned)
    punctuated = sitting.settings.auto_punctuation
    return Scene(
        view, names, resting, choosing,
        spelling=spelling, punctuated=punctuated, wordings=wordings,
    )  # fmt: skip


def hear_file(path: Path, desk: Hears) -> None:
    """Let the built-in recogniser hear a file, utterance by utterance, on a desk.

    BadInput for what is no sound, or breaks off: what was heard before is on the desk then.
    """
    from nimble_lantern.engines.builtin.recogniser import BuiltIn

    engine: BuiltIn | None = None
    try:
        for spoken in spoken_in(pcm_of(path), desk.sitting.settings.patience):
            engine = engine or BuiltIn()
            hearing = engine.hear(spoken.sound, scene_of(desk.sitting))
            desk.hear(replace(hearing, pause=spoken.pause, goes_on=spoken.goes_on))
    finally:
        if engine is not None:
            engine.close()
