"""Voices before and after the built-in engine got to know them, from what it heard itself.

Nobody tells it the words: it learns from its own hearings of lines that are not held out, as the
desk lets them stand, with all that it misheard.  Then held-out lines are heard.
"""

from __future__ import annotations

import os
import random
from collections.abc import Iterator

from bench import people
from bench._speech import Line, cut, errors, lines, outcome, sitting, spoken
from bench._voices import there
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.reading.hearing import Hearing, from_line
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.engines.builtin.files import scene_of
from nimble_lantern.engines.builtin.recogniser import BuiltIn
from nimble_lantern.engines.teaching import Lessons

VOICES = os.environ.get("LANTERN_VOICES", "kal16 pico-gb us1 ked").split()
"""None of them was ever fitted to."""
_TAUGHT, _ASKED = 40, 50  # lines of each kind


def run() -> Iterator[Figure]:
    for voice in VOICES:
        if there(voice):
            yield from _of_a_voice(voice)
    yield from _of_a_person()


def _of_a_voice(voice: str) -> Iterator[Figure]:
    engine = BuiltIn()
    try:
        before = _measured(engine, voice)
        known = _taught(engine, voice)
        yield Figure(f"{voice}_learned_from", known, "utterances")
        for (name, count), (_, old) in zip(
            _measured(engine, voice).items(), before.items(), strict=True
        ):
            yield Figure(f"{voice}_{name}_before", old, "share")
            ratio = count / old if old else None
            yield Figure(f"{voice}_{name}_after", count, "share", f"{voice}_{name}_before", ratio)
    finally:
        engine.close()


def _some(name: str, held_out: bool, most: int) -> list[Line]:
    return [line for line in lines(name) if line.held_out is held_out][:most]


def _page(line: Line) -> tuple[str, str]:
    """What is in view: for each, the engine makes a grammar."""
    return line.document, line.before


def _heard(engine: BuiltIn, line: Line, voice: str) -> list[tuple[bytes, Hearing]]:
    scene = scene_of(sitting(line.document, line.before))
    return [(sound, engine.hear(sound, scene)) for sound in cut(spoken(line.words, voice))]


def _measured(engine: BuiltIn, voice: str) -> dict[str, float]:
    """Shares: commands done as if they had been typed, words wrong, sentences not left as text."""
    asked, done = _some("commands", True, _ASKED), 0
    for line in sorted(asked, key=_page):
        now = sitting(line.document, line.before)
        hearings = [hearing for _, hearing in _heard(engine, line, voice)]
        done += outcome(now, hearings) == outcome(now, [from_line(line.words)])
    wrong = words = taken = 0
    said = _some("sentences", True, _ASKED)
    for line in said:
        hearings = [hearing for _, hearing in _heard(engine, line, voice)]
        found = " ".join(hearing.text for hearing in hearings).replace("...", "").split()
        words += len(line.words.split())
        wrong += errors(line.words.split(), found)
        taken += outcome(sitting(line.document), hearings)[0] not in (ReadAs.TEXT, "nothing")
    return {
        "commands_done": done / len(asked),
        "words_wrong": wrong / words,
        "sentences_not_text": taken / len(said),
    }


def _learns(
    engine: BuiltIn, lessons: Lessons, now: Sitting, sound: bytes, hearing: Hearing
) -> None:
    """What the utterance before teaches, now that this one was heard."""
    entry = advance(now, Heard(hearing)).entry
    if entry is not None and (lesson := lessons.after(entry, hearing, sound)):
        engine.adaptation.accepted(lesson.sound, lesson.words, lesson.sure)
        engine.adaptation.learned()


def _taught(engine: BuiltIn, voice: str) -> int:
    said = [*_some("commands", False, _TAUGHT), *_some("sentences", False, _TAUGHT)]
    lessons = Lessons()
    for line in sorted(said, key=_page):
        now = sitting(line.document, line.before)
        for sound, hearing in _heard(engine, line, voice):
            _learns(engine, lessons, now, sound, hearing)
    return engine.adaptation.utterances


def _of_a_person() -> Iterator[Figure]:
    """The phrases of one person, of an exchange: thirty to learn from, then the others."""
    said = list(people.exchange(4, 25))
    random.Random(3).shuffle(said)
    engine, now = BuiltIn(), sitting(people.DOCUMENT)
    scene, lessons = scene_of(now), Lessons()
    try:
        rates = []
        for taught in (said[:30], []):
            wrong = words = 0
            for one in said[30:]:
                wrong += errors(
                    list(one.words), engine.hear(one.sound, scene).text.replace("...", "").split()
                )
                words += len(one.words)
            rates.append(wrong / words)
            for one in taught:
                _learns(engine, lessons, now, one.sound, engine.hear(one.sound, scene))
        yield Figure("person_words_wrong_before", rates[0], "share")
        ratio = rates[1] / rates[0]
        yield Figure(
            "person_words_wrong_after", rates[1], "share", "person_words_wrong_before", ratio
        )
    finally:
        engine.close()
