"""What the engine costs beside two bare decodings of the same sound, and how soon it answers."""

from __future__ import annotations

import array
import os
import statistics
import time
from collections.abc import Iterator

from pocketsphinx import Decoder

from bench._speech import CHUNK, cut, every, sitting, spoken
from nimble_lantern.benchmarks import Figure
from nimble_lantern.engines import Scene
from nimble_lantern.engines.builtin.cutter import CutKind, Cutter
from nimble_lantern.engines.builtin.decoder import CommandDecoder, DictationDecoder
from nimble_lantern.engines.builtin.files import scene_of
from nimble_lantern.engines.builtin.quieting import Quieter
from nimble_lantern.engines.builtin.recogniser import BuiltIn, grammar_for
from nimble_lantern.engines.pcm import RATE

DOCUMENT = "1-letter-to-the-harbour-board"
UTTERANCES = 30
_SHORTEST, _LONGEST = 3.4, 4.6  # seconds
_LEARNING = 4  # in which the voice is learned: each is heard twice
_SILENT = 200  # of 32768
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
    searches = _searches(scene)
    engine = BuiltIn()
    bare = cost = 0.0
    try:
        engine.hear(sounds[0], scene)
        workers = [engine.dictation.process.pid, engine.command.process.pid]
        for sound in sounds:  # in turns, so that both meet the same machine
            began = time.process_time()
            for search in searches:
                _searched(search, sound)
            bare += time.process_time() - began
            before = sum(map(_cpu, workers)) + time.process_time()
            Quieter().feed(sound)  # as the cutter does, which has cut these already
            engine.hear(sound, scene)
            cost += sum(map(_cpu, workers)) + time.process_time() - before
        yield Figure("two_bare_decodings", bare / seconds, "CPU s for 1 s")
        yield Figure("engine", cost / seconds, "CPU s for 1 s", "two_bare_decodings", cost / bare)
        yield from _promptness(engine)
    finally:
        engine.close()


def _cpu(pid: int | None) -> float:
    """CPU seconds of a process (proc(5), utime and stime)."""
    with open(f"/proc/{pid}/stat", encoding="ascii") as file:
        fields = file.read().rpartition(")")[2].split()
    return (int(fields[11]) + int(fields[12])) / _TICK


def _searches(scene: Scene) -> list[Decoder]:
    """The same two searches with nothing done to their results: the best path only."""
    net = grammar_for(scene)
    commands = CommandDecoder()
    commands.grammar(net.arcs, net.start, net.final, net.weights)
    return [DictationDecoder().decoder, commands.decoder]


def _searched(search: Decoder, sound: bytes) -> None:
    search.start_utt()
    search.process_raw(sound, False, True)
    search.end_utt()
    search.hyp()


def _promptness(engine: BuiltIn) -> Iterator[Figure]:
    """Sound as it comes, in real time: when the first words show, when the hearing is there.

    Speech begins and ends where the synthesizer's sound does; the silence that the cutter waits
    for is in the time to the end.
    """
    scene = scene_of(sitting(DOCUMENT))
    firsts, ends, lengths = [], [], []
    timed = ((line, voice, _speech(line.words, voice)) for line, voice in every("sentences"))
    lines = [one for one in timed if _SHORTEST <= one[2][1] - one[2][0] <= _LONGEST]
    for n, (line, voice, speech) in enumerate(lines[:UTTERANCES]):
        sound = spoken(line.words, voice)
        first, end = _in_real_time(engine, scene, sound, speech)
        if n >= _LEARNING:
            firsts.append(first)
            ends.append(end)
            lengths.append(speech[1] - speech[0])
    yield Figure("promptness_utterance", statistics.median(lengths), "s at the median")
    yield Figure("first_words_after_speech_begins", statistics.median(firsts), "s at the median")
    yield Figure("hearing_after_speech_ends", statistics.median(ends), "s at the median")
    worst = sorted(ends)[int(len(ends) * 0.9)]
    yield Figure("hearing_after_speech_ends_nine_in_ten", worst, "s")


def _speech(words: str, voice: str) -> tuple[float, float]:
    """When the first and last sound above silence is, in seconds of `spoken`'s result."""
    samples = array.array("h", spoken(words, voice))
    loud = [n for n, sample in enumerate(samples) if abs(sample) > _SILENT]
    return loud[0] / RATE, loud[-1] / RATE


def _in_real_time(
    engine: BuiltIn, scene: Scene, sound: bytes, speech: tuple[float, float]
) -> tuple[float, float]:
    """(seconds from the begin of speech to the first words, from its end to the hearing)."""
    cutter = Cutter()
    began, first, speaking = time.monotonic(), 0.0, False
    for n in range(0, len(sound), CHUNK):
        due = began + min(n + CHUNK, len(sound)) / 2 / RATE
        time.sleep(max(0.0, due - time.monotonic()))
        for piece in cutter.feed(sound[n : n + CHUNK]):
            match piece.kind:
                case CutKind.PERHAPS:
                    engine.begin(scene)
                case CutKind.BEGAN:
                    speaking = True
                case CutKind.NONE:
                    engine.drop()
                case CutKind.SOUND:
                    engine.sound(piece.sound)
                case CutKind.ENDED:
                    engine.end()
                    return first - speech[0], time.monotonic() - began - speech[1]
        if speaking and not first and engine.partial:
            first = time.monotonic() - began
    engine.end()
    return first - speech[0], time.monotonic() - began - speech[1]
