"""The package's decoder as it comes: what is ours is measured against it."""

from __future__ import annotations

from functools import cache
from typing import Any

from nimble_lantern.engines.pcm import RATE


@cache
def _decoder() -> Any:
    from pocketsphinx import Decoder

    return Decoder(loglevel="FATAL", logfn=None, samprate=RATE)


def bare(sound: bytes) -> str:
    """A whole sound with nothing of ours: 16-bit mono at 16 kHz."""
    decoder = _decoder()
    decoder.start_utt()
    decoder.process_raw(sound, False, True)
    decoder.end_utt()
    found = decoder.hyp()
    return str(found.hypstr) if found else ""
