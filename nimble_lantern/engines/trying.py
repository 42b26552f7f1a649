"""How good each ear is on this machine: a few seconds of synthetic speech, heard by each."""

from __future__ import annotations

import time
from collections.abc import Iterator, Sequence
from pathlib import Path

from rapidfuzz.distance import Levenshtein

from nimble_lantern.core.errors import BadInput
from nimble_lantern.engines import Scene, ears
from nimble_lantern.engines.builtin.files import pcm_of
from nimble_lantern.engines.builtin.recogniser import BuiltIn
from nimble_lantern.engines.pcm import RATE
from nimble_lantern.engines.whisper.model import Model
from nimble_lantern.engines.whisper.spoken import spoken

_SOUND = Path(__file__).parent.parent / "demo" / "sound" / "trial.flac"
_WORDS = (
    "the keepers met on sunday evening and agreed to mend the stair before winter comes"
).split()


def tried() -> Iterator[str]:
    """A line for each ear: how many words it has right, and how long it takes."""
    sound = b"".join(pcm_of(_SOUND))
    builtin = BuiltIn()
    try:
        begun = time.monotonic()
        builtin.hear(b"\0\0" * RATE, Scene())  # what it takes to start is not counted
        begun = time.monotonic()
        hearing = builtin.hear(sound, Scene())
        heard = [w.text for w in hearing.hypotheses[0].words] if hearing.hypotheses else []
        yield _line("built in", heard, time.monotonic() - begun, sound)
    finally:
        builtin.close()
    for name, folder in ears.there().items():
        try:
            model = Model(folder)
        except BadInput as error:
            yield f"{name}: {error}"
            continue
        begun = time.monotonic()
        found = model.heard(sound)
        took = time.monotonic() - begun
        words = spoken(found.readings[0].words) if found.readings else ()
        yield _line(name, [w.text for w in words], took, sound)
    if not ears.there():
        yield "There is no larger model here; “lantern ears get base” fetches one (150 megabytes)."


def _line(name: str, heard: Sequence[str], took: float, sound: bytes) -> str:
    wrong = Levenshtein.distance(heard, _WORDS)
    seconds = len(sound) / 2 / RATE
    return (
        f"{name}: {len(_WORDS) - wrong} of {len(_WORDS)} words right, "
        f"{took:.1f} seconds for {seconds:.1f} seconds of speech"
    )
