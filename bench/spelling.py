"""Words spelled letter by letter: how many are right at once, and with one repair.

Each letter is an utterance of its own, in three manners a voice, over the microphone's way: voice
detector, both engines, the desk.  Letters are heard once and the words are put together from them.
The repair is a number of the list, or one letter put right.  "cold" knows nothing of the voice's
letters; "warm" has learned from all words of the list before.  A person's letters are Debian's
recordings of one speaker, fetched once into `.bench/`; without them nobody is measured.
"""

from __future__ import annotations

import random
from collections import Counter
from collections.abc import Callable, Iterator, Sequence
from dataclasses import replace
from functools import cache
from string import ascii_lowercase

from rapidfuzz.distance import Levenshtein

from bench._fetched import EXCHANGE, debian, wideband
from bench._speech import HERE, VOICES, Both, cut, spoken
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.document.model import Document
from nimble_lantern.core.lexicon.spellings import ALPHABET
from nimble_lantern.core.mending.letters import Counted
from nimble_lantern.core.reading.hearing import Hearing, Might, from_line
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.engines import ears
from nimble_lantern.engines.builtin.files import scene_of
from nimble_lantern.engines.pcm import RATE
from nimble_lantern.playing import desk_with

RADIO = tuple(word for word in ALPHABET if word != "xray")  # the synthesizer reads "x-ray"
SAID = {
    "back one": "ferr", "start again": "", "make the third letter a y": "feyri",
    "delete the second letter": "frri", "undo that": "", "delete the last letter": "ferr",
    "insert an e after the second letter": "feerri", "take back the last two": "fer",
    "put a t before the first letter": "tferri", "change the last letter to m": "ferrm",
    "drop the third letter": "feri", "the second letter is an a": "farri",
    "make the first letter a v": "verri", "insert an s after the last letter": "ferris",
    "turn the fourth letter into an l": "ferli",
}  # fmt: skip
"""What is said of "ferri", spelled in one breath, and what it makes of it."""
MANNERS = ((), ("duration_stretch=0.9",), ("duration_stretch=1.2",))
PERSON = "person"
_BEFORE = "the harbour board will meet on tuesday to talk about the lease of the long shed"
"""What was said before: the engines know the voice."""
Key = tuple[str, str, int]
"""A voice, a word, and the number of the manner."""
Alone = dict[Key, tuple[Hearing, Hearing]]
"""By the built-in engine, and by both."""


@cache
def open_tray() -> Sitting:
    """A desk on which a word is spelled, and nothing is written."""
    sitting = desk_with(Document(), {}).sitting
    return advance(sitting, Heard(from_line("spell a word"))).sitting


def heard_alone(
    voice: str, words: Sequence[str], manners: int, say: Callable[[str, int], bytes], both: Both
) -> Alone:
    """What is heard of each word in each manner, said by itself while a word is spelled."""
    found: Alone = {}
    for n in range(manners):
        for word in words:
            sound = b"".join(cut(say(word, n), brief=True))
            # What the voice detector takes for nothing is not heard at all.
            nothing = Hearing(()), Hearing(())
            scene = scene_of(open_tray())
            found[voice, word, n] = both.hear(sound, scene, live=True) if sound else nothing
    return found


def everybody(both: Both) -> Alone:
    """Three voices say letters, the alphabet and more; a person says the letters."""
    found: Alone = {}
    at_rest = scene_of(desk_with(Document(), {}).sitting)
    for voice in VOICES:

        def say(word: str, n: int, voice: str = voice) -> bytes:
            return spoken(f"{word}." if word == "a" else word, voice, None, MANNERS[n])

        for part in 2 * cut(spoken(_BEFORE, voice)):
            both.hear(part, at_rest, live=True)
        words = (*ascii_lowercase, *RADIO, *SAID)
        found |= heard_alone(voice, words, len(MANNERS), say, both)
    if recordings := _recordings():
        for part in cut(b"".join(recordings.values())):
            both.hear(part, at_rest, live=True)
        found |= heard_alone(PERSON, ascii_lowercase, 1, lambda word, _: recordings[word], both)
    return found


def _recordings() -> dict[str, bytes]:
    """The letters of a person, with silence round each; none if they cannot be fetched."""
    goal = debian(EXCHANGE)
    if goal is None:
        return {}
    files = {file.stem: file for file in goal.glob("**/letters/?.g722")}
    quiet = b"\0\0" * RATE
    return {c: quiet + wideband(files[c]) + quiet for c in ascii_lowercase}


def spelled(hearings: Sequence[Hearing], known: Counted = ()) -> Sitting:
    """The desk after these hearings, one after another; `known` of the speaker's letters."""
    now = replace(open_tray(), letters_known=known)
    for hearing in hearings:
        if hearing.hypotheses or hearing.commands:
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
    both = Both(ears.chosen())
    try:
        heard = everybody(both)
    finally:
        both.close()
    yield from _letters(heard)
    yield from _words(heard)
    goals = {**{w: ALPHABET[w] for w in RADIO}, **SAID}
    for name, group in (("radio_alphabet", RADIO), ("said_of_the_letters", SAID)):
        keys = [key for key in heard if key[1] in group]
        right = sum(letters_after(heard[key][1], key[1] in SAID) == goals[key[1]] for key in keys)
        yield Figure(name, right / len(keys), f"share of {len(keys)}")


def _letters(heard: Alone) -> Iterator[Figure]:
    """Letters that are the likeliest by their sound, whatever word they are of."""
    for voice in (*VOICES, PERSON):
        keys = [key for key in heard if key[0] == voice and key[1] in ascii_lowercase]
        for n, name in enumerate(("built_in", "both")):
            right = sum(_likeliest(heard[key][n].letters) == key[1] for key in keys)
            if keys:
                yield Figure(f"letters_{voice}_{name}", right / len(keys), f"share of {len(keys)}")


def _likeliest(letters: Sequence[Might]) -> str:
    return "".join(might[0][0] for might in letters if might)


def _words(heard: Alone) -> Iterator[Figure]:
    for learns in (False, True):
        counts = spelled_all(heard, learns)
        for half in ("open", "held_out"):
            count = sum((c for (h, _), c in counts.items() if h == half), Counter[str]())
            whole, name = count.total(), f"{'warm' if learns else 'cold'}_{half}"
            right = whole - count["more"]
            yield Figure(f"spelled_at_once_{name}", count["at_once"] / whole, f"share of {whole}")
            yield Figure(f"spelled_within_one_repair_{name}", right / whole, f"share of {whole}")


def spelled_all(heard: Alone, learns: bool) -> dict[tuple[str, str], Counter[str]]:
    """By half and voice, how many words took what; each is put right before the next is said."""
    counts: dict[tuple[str, str], Counter[str]] = {}
    for voice in VOICES:
        rng = random.Random(voice)
        known: Counted = ()
        for n, word in enumerate(words()):
            takes = [heard[voice, c, rng.randrange(len(MANNERS))][1] for c in word]
            now = spelled(takes, known)
            half = "held_out" if n % 2 else "open"
            counts.setdefault((half, voice), Counter())[told(now, word)] += 1
            if learns and now.tray is not None:
                known = now.tray.teaches(known, word)
    return counts


def letters_after(hearing: Hearing, spelled_before: bool) -> str | None:
    """What is in the tray after a hearing; None if it is closed."""
    now = open_tray()
    if spelled_before:
        now = advance(now, Heard(from_line("f e r r i"))).sitting
    tray = advance(now, Heard(hearing)).sitting.tray
    return tray.letters.lower() if tray is not None else None
