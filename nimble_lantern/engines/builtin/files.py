"""Sound files: any usual WAV, brought to 16 kHz mono and cut into utterances."""

from __future__ import annotations

import audioop
import wave
from collections.abc import Iterator
from dataclasses import replace
from pathlib import Path

from nimble_lantern.core.errors import BadInput
from nimble_lantern.core.state import Sitting
from nimble_lantern.engines import Scene
from nimble_lantern.engines.builtin.cutter import PATIENCE, RATE, Cut, Cutter
from nimble_lantern.playing import Desk

_BLOCK_FRAMES = 65_536
_LINES_IN_VIEW = 40


def pcm_of(path: Path) -> Iterator[bytes]:
    """The sound of a WAV file as 16-bit mono at 16 kHz; BadInput for what is none."""
    try:
        with wave.open(str(path), "rb") as file:
            yield from _converted(file)
    except wave.Error as error:
        raise BadInput(
            f"{path} is not a WAV file with plain PCM sound ({error}); save it as 16-bit WAV."
        ) from error
    except EOFError as error:
        raise BadInput(f"{path} is no whole WAV file; record it again as 16-bit WAV.") from error
    except OSError as error:
        raise BadInput(
            f"The sound file {path} cannot be read: {error.strerror}; check its name."
        ) from error


def _converted(file: wave.Wave_read) -> Iterator[bytes]:
    width, channels, rate = file.getsampwidth(), file.getnchannels(), file.getframerate()
    if channels > 2 or not 4000 <= rate <= 192_000:
        raise BadInput(f"A WAV with {channels} channels at {rate} Hz cannot be heard; use mono.")
    state = None
    while sound := file.readframes(_BLOCK_FRAMES):
        sound = sound[: len(sound) - len(sound) % (width * channels)]
        if width == 1:
            sound = audioop.bias(sound, 1, -128)
        if width != 2:
            sound = audioop.lin2lin(sound, width, 2)
        if channels == 2:
            sound = audioop.tomono(sound, 2, 0.5, 0.5)
        if rate != RATE:
            # The weights are a gentle low-pass, which ratecv alone does not have.
            sound, state = audioop.ratecv(sound, 2, 1, rate, RATE, state, 2, 1)
        yield sound


def utterances(sound: Iterator[bytes]) -> Iterator[bytes]:
    """The stretches of speech in a stream."""
    for _, stretch in paused_utterances(sound):
        yield stretch


def paused_utterances(
    sound: Iterator[bytes], patience: str = "normal"
) -> Iterator[tuple[float, bytes]]:
    """The stretches of speech in a stream, each with the seconds of silence before it."""
    cutter = Cutter(PATIENCE[patience])
    kept: list[bytes] = []
    began = ended = 0.0

    def cuts() -> Iterator[Cut]:
        for piece in sound:
            yield from cutter.feed(piece)
        yield from cutter.finish()

    for cut in cuts():
        if cut.kind in ("perhaps", "none"):
            kept.clear()
        elif cut.kind == "began":
            began = cut.at
        elif cut.kind == "sound":
            kept.append(cut.sound)
        else:
            yield max(0.0, began - ended), b"".join(kept)
            ended = cut.at
            kept.clear()
    if kept:
        yield max(0.0, began - ended), b"".join(kept)


def scene_of(sitting: Sitting) -> Scene:
    """What stands round the writing place, the nearest first, and what can be opened."""
    here = sitting.writing_place.block
    blocks = sitting.document.blocks
    low, high = max(0, here - _LINES_IN_VIEW // 2), here + _LINES_IN_VIEW // 2
    near = sorted(range(low, min(high, len(blocks))), key=lambda b: abs(b - here))
    view = tuple(blocks[b].text for b in near if blocks[b].text.strip())
    resting, choosing = sitting.lamp != "lit", sitting.question is not None
    return Scene(view, sitting.shelf, sitting.scripts, resting, choosing)


def hear_file(path: Path, desk: Desk) -> None:
    """Let the built-in recogniser hear a file, utterance by utterance, on a desk."""
    from nimble_lantern.engines.builtin.recogniser import BuiltIn

    spoken = list(paused_utterances(pcm_of(path), desk.sitting.settings.patience))
    if not spoken:
        return
    engine = BuiltIn()
    try:
        for pause, sound in spoken:
            desk.hear(replace(engine.hear(sound, scene_of(desk.sitting)), pause=pause))
    finally:
        engine.close()
