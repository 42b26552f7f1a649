"""Word errors on people's recordings: the built-in engine, its bare decoder, and both engines.

The recordings come from packages, are fetched once into `.bench/` and never shipped: readers and
players of cards (PocketSphinx's test data), a narrator (moonshine-voice's wheel) and the phrases,
letters and numbers of a telephone exchange (Debian's asterisk-core-sounds-en), which are 16 kHz
recordings of one person.
"""

from __future__ import annotations

import gzip
import re
import sys
from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass

from bench._bare import bare
from bench._fetched import EXCHANGE, EXCHANGE_TEXTS, debian, python, wideband
from bench._speech import Both, cut, errors, sitting
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Entry, Sitting
from nimble_lantern.engines import ears
from nimble_lantern.engines.builtin.files import pcm_of, scene_of

DOCUMENT = "1-letter-to-the-harbour-board"
READERS, NARRATOR = "pocketsphinx==5.1.1", "moonshine-voice==0.1.5"
_SETS = ("librivox/transcription", "cards/cards.transcription")
_LITERATURE = {
    "two_cities": "it was the best of times it was the worst of times it was the age of wisdom it "
    "was the age of foolishness it was the epoch of belief it was the epoch of incredulity it was "
    "the season of light it was the season of darkness it was the spring of hope it was the winter "
    "of despair we had everything before us we had nothing before us we were all going direct to "
    "heaven we were all going direct the other way in short the period was so far like the present "
    "period that some of its noisiest authorities insisted on its being received for good or for "
    "evil in the superlative degree of comparison only",
    "beckett": "ever tried ever failed no matter try again fail again fail better",
}
_FEWEST, _MOST = 4, 25
"""Words of a phrase of the exchange that is dictation; what is shorter is a short phrase."""


@dataclass(frozen=True, slots=True)
class Recording:
    """Somebody's words: 16-bit mono sound at 16 kHz."""

    source: str
    sound: bytes
    words: tuple[str, ...]


def run() -> Iterator[Figure]:
    both = Both(ears.chosen())
    try:
        yield from _dictated(both)
        yield from _short(both)
    finally:
        both.close()


def _dictated(both: Both) -> Iterator[Figure]:
    """Words wrong of what was read or spoken in sentences, an unrelated page in view."""
    tally, taken = dict[str, Counter[str]](), 0
    now = sitting(DOCUMENT)
    for one in (*readers(), *narrator(), *exchange(_FEWEST, _MOST)):
        heard = [both.hear(part, scene_of(now), now=now) for part in cut(one.sound)]
        alone, together = ([h.text for h in hearings] for hearings in zip(*heard, strict=True))
        wrong = Counter(
            said=len(one.words),
            bare=_wrong(one, bare(one.sound)),
            built_in=_wrong(one, " ".join(alone)),
            together=_wrong(one, " ".join(together)),
        )
        for name in (one.source, "all"):
            tally.setdefault(name, Counter()).update(wrong)
        taken += any(_is_command(advance(now, Heard(h)).entry) for _, h in heard)
    for name, counts in tally.items():
        said, base = counts["said"], f"people_{name}_words_wrong"
        unit, ratio = f"share of {said}", counts["built_in"] / max(1, counts["bare"])
        yield Figure(f"{base}_bare", counts["bare"] / said, unit)
        yield Figure(f"{base}_built_in", counts["built_in"] / said, unit, f"{base}_bare", ratio)
        yield Figure(base, counts["together"] / said, unit)
    yield Figure("people_taken_for_commands", taken, "utterances")


def _wrong(one: Recording, heard: str) -> int:
    return errors(list(one.words), plain(heard))


def _short(both: Both) -> Iterator[Figure]:
    """Short phrases, digits and letters that are taken for commands; none is one."""
    taken, destructive, total = 0, 0, 0
    now = sitting(DOCUMENT)
    for one in exchange(1, _FEWEST - 1):
        for part in cut(one.sound):
            done = advance(now, Heard(both.hear(part, scene_of(now), now=now)[1]))
            if _is_command(done.entry):
                taken += 1
                destructive += _letters(done.sitting) < _letters(now)
                print(f"done: {' '.join(one.words)}", file=sys.stderr)
        total += 1
    yield Figure("short_phrases_taken_for_commands", taken, f"of {total}")
    yield Figure("short_phrases_that_took_words_away", destructive, f"of {total}")


def _is_command(entry: Entry | None) -> bool:
    return entry is not None and entry.read_as in (ReadAs.COMMAND, ReadAs.BOTH)


def _letters(sitting: Sitting) -> int:
    return sum(len(block.text) for block in sitting.document.blocks)


def plain(text: str) -> list[str]:
    """Words without marks, as they are compared."""
    return re.sub(r"[^a-z' ]", " ", text.lower().replace("’", "'")).split()


def readers() -> Iterator[Recording]:
    """Ten utterances: a novel, and hands of cards."""
    goal = python(READERS, "--no-binary", ":all:")
    data = next(goal.glob("*/test/data"), None) if goal else None
    for name in _SETS if data else ():
        for row in (data / name).read_text(encoding="utf-8").splitlines() if data else ():
            if found := re.fullmatch(r"<s> (.*?)\s*</s> \((.*)\)", row.strip()):
                file = (data / name).parent / f"{found[2]}.wav"
                yield Recording("readers", b"".join(pcm_of(file)), tuple(found[1].split()))


def narrator() -> Iterator[Recording]:
    """A page of a novel, and six words of a play that everybody knows."""
    folder = python(NARRATOR)
    for name, text in _LITERATURE.items() if folder else ():
        for file in folder.glob(f"**/{name}.wav") if folder else ():
            yield Recording("narrator", b"".join(pcm_of(file)), tuple(text.split()))


def exchange(fewest: int, most: int) -> Iterator[Recording]:
    """Phrases of a telephone exchange of so many words, without figures and signs."""
    texts, sounds = debian(EXCHANGE_TEXTS), debian(EXCHANGE)
    if texts is None or sounds is None:
        return
    listed = next(texts.glob("**/core-sounds-en.txt.gz"))
    for row in gzip.decompress(listed.read_bytes()).decode("utf-8").splitlines():
        name, _, text = row.partition(": ")
        file = next(sounds.glob(f"**/{name}.g722"), None) if text and name[0] != ";" else None
        words = tuple(plain(text))
        if file and fewest <= len(words) <= most and not re.search(r"[0-9<>\[\]*#]", text):
            yield Recording("exchange", wideband(file), words)
