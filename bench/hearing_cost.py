"""What the engine costs beside two bare decodings of the same sound, and how soon it answers."""

from __future__ import annotations

import os
import statistics
import time
from collections.abc import Iterator

from pocketsphinx import Decoder

from bench._speech import cut, every, sitting, spoken
from nimble_lantern.benchmarks import Figure
from nimble_lantern.engines.builtin.cutter import RATE
from nimble_lantern.engines.builtin.decoder import CommandDecoder, DictationDecoder
from nimble_lantern.engines.builtin.files import scene_of
from nimble_lantern.engines.builtin.recogniser import BuiltIn, grammar_for

DOCUMENT = "1-letter-to-the-harbour-board"
CHUNK = 6400  # bytes, 0.2 s
_TICK = os.sysconf("SC_CLK_TCK")


def run() -> Iterator[Figure]:
    """CPU seconds for a second of sound, the engine's processes and this one together."""
    scene = scene_of(sitting(DOCUMENT))
    sounds = [
        part
        for name in ("commands", "sentences")
        for line, voice in every(name)
        if line.document == DOCUMENT and not line.before
        for part in cut(spoken(line.words, voice))
    ][::7]
    seconds = sum(len(s) for s in sounds) / 2 / RATE
    bare = _bare(sounds, scene)
    engine = BuiltIn()
    try:
        engine.hear(sounds[0], scene)
        workers = [engine.dictation.process.pid, engine.command.process.pid]
        before = sum(map(_cpu, workers)) + time.process_time()
        for sound in sounds:
            engine.hear(sound, scene)
        cost = sum(map(_cpu, workers)) + time.process_time() - before
        yield Figure("two_bare_decodings", bare / seconds, "CPU s for 1 s")
        yield Figure("engine", cost / seconds, "CPU s for 1 s", "two_bare_decodings", cost / bare)
        yield from _promptness(engine, scene)
    finally:
        engine.close()


def _cpu(pid: int | None) -> float:
    """CPU seconds of a process (proc(5), utime and stime)."""
    with open(f"/proc/{pid}/stat", encoding="ascii") as file:
        fields = file.read().rpartition(")")[2].split()
    return (int(fields[11]) + int(fields[12])) / _TICK


def _bare(sounds: list[bytes], scene: object) -> float:
    """The same two searches with nothing done to their results: the best path only."""
    net = grammar_for(scene)  # type: ignore[arg-type]
    commands = CommandDecoder()
    commands.grammar(net.arcs, net.start, net.final, net.weights)
    searches: list[Decoder] = [DictationDecoder().decoder, commands.decoder]
    began = time.process_time()
    for search in searches:
        for sound in sounds:
            search.start_utt()
            search.process_raw(sound, False, True)
            search.end_utt()
            search.hyp()
    return time.process_time() - began


def _promptness(engine: BuiltIn, scene: object) -> Iterator[Figure]:
    """Sound as it comes, in real time: when the first words show, when the hearing is there."""
    firsts, ends = [], []
    lines = [(line, voice) for line, voice in every("sentences") if len(line.words.split()) > 10]
    for line, voice in lines[:24]:
        sound = cut(spoken(line.words, voice))[0]
        engine.begin(scene)  # type: ignore[arg-type]
        began, first = time.monotonic(), None
        for n in range(0, len(sound), CHUNK):
            due = began + (n + CHUNK) / 2 / RATE
            time.sleep(max(0.0, due - time.monotonic()))
            engine.sound(sound[n : n + CHUNK])
            if first is None and engine.partial:
                first = time.monotonic() - began
        over = time.monotonic()
        engine.end()
        ends.append(time.monotonic() - over)
        firsts.append(first if first is not None else len(sound) / 2 / RATE)
    yield Figure("first_words_after", statistics.median(firsts), "s of sound, with 0.24 s before")
    yield Figure("hearing_after_the_cut", statistics.median(ends), "s at the median")
