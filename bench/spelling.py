"""Words spelled letter by letter: how many are right at once, and with one repair.

Each letter is an utterance of its own, in three manners a voice, over the microphone's way: voice
detector, both engines, the desk.  Letters are heard once and the words are put together from them.
The repair is a number of the list, or one letter put right.
"""

from __future__ import annotations

import random
import string
from collections.abc import Iterator, Sequence
from functools import cache
from pathlib import Path

from rapidfuzz.distance import Levenshtein

from bench._speech import CHUNK, HERE, VOICES, cut, spoken
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.document.model import Document
from nimble_lantern.core.lexicon.spellings import ALPHABET
from nimble_lantern.core.reading.hearing import Hearing, from_line
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.engines import Scene, ears
from nimble_lantern.engines.builtin.files import scene_of
from nimble_lantern.engines.builtin.recogniser import BuiltIn
from nimble_lantern.engines.larger import LargerModel, with_larger
from nimble_lantern.playing import desk_with

RADIO = tuple(word for word in ALPHABET if word != "xray")  # the synthesizer reads "x-ray"
MANNERS = ((), ("duration_stretch=0.9",), ("duration_stretch=1.2",))
_BEFORE = "the harbour board will meet on tuesday to talk about the lease of the long shed"
"""What was said before: the engines know the voice."""


class Ears:
    """What listens at the desk, with the larger model where there is one."""

    def __init__(self, folder: Path | None) -> None:
        self.builtin = BuiltIn()
        self.larger = LargerModel(folder) if folder else None

    def hear(self, sound: bytes, scene: Scene) -> Hearing:
        """An utterance as it comes in live."""
        self.builtin.begin(scene)
        if self.larger:
            self.larger.begin(scene)
        for n in range(0, len(sound), CHUNK):
            self.builtin.sound(sound[n : n + CHUNK])
            if self.larger:
                self.larger.sound(sound[n : n + CHUNK])
        if self.larger:
            self.larger.end()
        ours = self.builtin.end()
        if not self.larger:
            return ours
        words = ours.hypotheses[0].words if ours.hypotheses else ()
        return with_larger(ours, self.larger.transcribe(False, words), self.larger)

    def close(self) -> None:
        self.builtin.close()
        if self.larger:
            self.larger.close()


SAID = {
    "back one": "ferr", "start again": "", "make the third letter a y": "feyri",
    "delete the second letter": "frri", "undo that": "", "delete the last letter": "ferr",
    "insert an e after the second letter": "feerri", "take back the last two": "fer",
}  # fmt: skip
"""What is said of "ferri", spelled in one breath, and what it makes of it."""


@cache
def open_tray() -> Sitting:
    """A desk on which a word is spelled, and nothing is written."""
    sitting = desk_with(Document(), {}).sitting
    return advance(sitting, Heard(from_line("spell a word"))).sitting


def heard_letters(words: Sequence[str], listening: Ears) -> dict[tuple[str, str, int], Hearing]:
    """What is heard of each word by voice and manner, said by itself while a word is spelled."""
    found: dict[tuple[str, str, int], Hearing] = {}
    scene = scene_of(open_tray())
    for voice in VOICES:
        for part in (p for _ in range(2) for p in cut(spoken(_BEFORE, voice))):
            listening.hear(part, scene_of(desk_with(Document(), {}).sitting))
        for n, manner in enumerate(MANNERS):
            for word in words:
                said = f"{word}." if word == "a" else word
                parts = cut(spoken(said, voice, None, manner), brief=True)
                # What the voice detector takes for nothing is not heard at all.
                heard = listening.hear(b"".join(parts), scene) if parts else Hearing(())
                found[voice, word, n] = heard
    return found


def spelled(hearings: Sequence[Hearing]) -> Sitting:
    """The desk after these hearings, one after another."""
    now = open_tray()
    for hearing in hearings:
        if not hearing.hypotheses:
            continue
        now = advance(now, Heard(hearing)).sitting
    return now


def words() -> list[str]:
    lines = (HERE / "speech" / "spelled.txt").read_text(encoding="utf-8").splitlines()
    return [line for line in lines if line and not line.startswith("#")]


def told(now: Sitting, word: str) -> str:
    """What it takes to have this word: nothing more, one repair, or more than that."""
    letters = now.tray.letters.lower() if now.tray is not None else ""
    if letters == word:
        return "at_once"
    offered = now.question.options if now.question is not None else ()
    if any(o.label.lower() == word for o in offered) or Levenshtein.distance(letters, word) == 1:
        return "one_repair"
    return "more"


def run() -> Iterator[Figure]:
    listening = Ears(ears.chosen())
    try:
        heard = heard_letters((*string.ascii_lowercase, *RADIO, *SAID), listening)
    finally:
        listening.close()
    rng = random.Random(7)
    for half, wanted in (("open", words()[::2]), ("held_out", words()[1::2])):
        count = {"at_once": 0, "one_repair": 0, "more": 0}
        for voice in VOICES:
            for word in wanted:
                takes = [heard[voice, c, rng.randrange(len(MANNERS))] for c in word]
                count[told(spelled(takes), word)] += 1
        whole = sum(count.values())
        for name in ("at_once", "one_repair"):
            yield Figure(f"spelled_{name}_{half}", count[name] / whole, f"share of {whole}")
        right = count["at_once"] + count["one_repair"]
        yield Figure(f"spelled_within_one_repair_{half}", right / whole, f"share of {whole}")
    goals = {**{w: ALPHABET[w] for w in RADIO}, **SAID}
    for name, group in (("radio_alphabet", RADIO), ("said_of_the_letters", SAID)):
        keys = [key for key in heard if key[1] in group]
        right = sum(letters_after(heard[key], key[1] in SAID) == goals[key[1]] for key in keys)
        yield Figure(name, right / len(keys), f"share of {len(keys)}")


def letters_after(hearing: Hearing, spelled_before: bool) -> str | None:
    """What is in the tray after a hearing; None if it is closed."""
    now = open_tray()
    if spelled_before:
        now = advance(now, Heard(from_line("f e r r i"))).sitting
    tray = advance(now, Heard(hearing)).sitting.tray
    return tray.letters.lower() if tray is not None else None
