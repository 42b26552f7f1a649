"""An hour of speech in one stream: what is lost, and how the memory grows."""

from __future__ import annotations

import time
from collections.abc import Iterator

from bench._speech import every, sitting, spoken
from nimble_lantern.benchmarks import Figure
from nimble_lantern.engines.builtin.cutter import CutKind, Cutter
from nimble_lantern.engines.builtin.files import scene_of
from nimble_lantern.engines.builtin.recogniser import BuiltIn
from nimble_lantern.engines.pcm import RATE
from nimble_lantern.playing import desk_with

MINUTES = 60
_SETTLED = 5 * 60.0  # seconds of sound, after which growth counts


def run() -> Iterator[Figure]:
    """The sample sentences over and over, on a desk that is written on."""
    engine, cutter = BuiltIn(), Cutter()
    letter = sitting("1-letter-to-the-harbour-board").document
    desk = desk_with(letter, {})
    seconds, spoken_lines, heard, first = 0.0, 0, 0, 0.0
    began = time.monotonic()
    try:
        while seconds < MINUTES * 60:
            for line, voice in every("sentences"):
                sound = spoken(line.words, voice)
                spoken_lines += 1
                seconds += len(sound) / 2 / RATE
                for cut in cutter.feed(sound):
                    match cut.kind:
                        case CutKind.PERHAPS:
                            engine.begin(scene_of(desk.sitting))
                        case CutKind.SOUND:
                            engine.sound(cut.sound)
                        case CutKind.NONE:
                            engine.drop()
                        case CutKind.ENDED:
                            hearing = engine.end()
                            heard += bool(hearing.hypotheses)
                            if heard % 200 == 0:
                                # The page changes with every utterance, but stays a letter.
                                desk = desk_with(letter, {})
                            desk.hear(hearing)
                if first == 0.0 and seconds > _SETTLED:
                    first = _memory(engine)
                if seconds >= MINUTES * 60:
                    break
        yield Figure("stream", seconds / 60, "minutes")
        yield Figure("lines_spoken", spoken_lines, "utterances")
        yield Figure("lines_heard", heard, "utterances", "lines_spoken", heard / spoken_lines)
        yield Figure("engine_memory_growth", (_memory(engine) - first) / 1e6, "MB")
        yield Figure("stream_speed", (time.monotonic() - began) / seconds, "s for 1 s of sound")
    finally:
        engine.close()


def _memory(engine: BuiltIn) -> float:
    """Resident bytes of the decoders' processes."""
    total = 0.0
    for process in (engine.dictation.process, engine.command.process):
        with open(f"/proc/{process.pid}/statm", encoding="ascii") as file:
            total += int(file.read().split()[1]) * 4096
    return total
