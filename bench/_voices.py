"""Voices of synthesizers that this machine has: which program speaks with which, and how.

Weights were fitted to three of flite's (`_speech.VOICES`), never to the others.
"""

from __future__ import annotations

import shutil
import subprocess
from pathlib import Path

from nimble_lantern.engines.pcm import RATE

FLITE = ("slt", "rms", "awb", "kal16", "kal")
FESTIVAL = {
    "ked": "ked_diphone",
    "kal-diphone": "kal_diphone",
    "slt-hts": "cmu_us_slt_arctic_hts",
}
"""Of Debian's festvox-kdlpc16k, festvox-kallpc16k and festvox-us-slt-hts."""
PICO = {"pico-us": "en-US", "pico-gb": "en-GB"}
"""Of Debian's libttspico-utils (in its section non-free)."""
MBROLA = {"us1": "mb-us1", "us2": "mb-us2", "us3": "mb-us3", "en1": "mb-en1"}
"""Diphones of people (Debian's mbrola-us1 and so on, in non-free), driven by espeak-ng."""
PROGRAMS = {"flite": FLITE, "text2wave": FESTIVAL, "pico2wave": PICO, "mbrola": MBROLA}


def there(voice: str) -> bool:
    """Whether this machine has the program that speaks with a voice."""
    return any(shutil.which(p) is not None for p, voices in PROGRAMS.items() if voice in voices)


def made_by(voice: str, words: str, file: Path, manner: tuple[str, ...] = ()) -> None:
    """Have a voice say words into a file: 16-bit mono at 16 kHz.

    `manner` has features of flite, as "duration_stretch=1.2".
    """
    raw = file.with_suffix(".raw.wav")
    if voice in FESTIVAL:
        call = ["text2wave", "-eval", f"(voice_{FESTIVAL[voice]})", "-o", str(raw)]
        subprocess.run(call, check=True, input=words, text=True)
    elif voice in PICO:
        subprocess.run(["pico2wave", "-l", PICO[voice], "-w", str(raw), words], check=True)
    elif voice in MBROLA:
        subprocess.run(["espeak-ng", "-v", MBROLA[voice], "-w", str(raw), words], check=True)
    else:
        features = [part for one in manner for part in ("--setf", one)]
        call = ["flite", "-voice", voice, *features, "-t", words, "-o", str(file)]
        subprocess.run(call, check=True)
        return
    subprocess.run(
        ["sox", str(raw), "-r", str(RATE), "-c", "1", "-b", "16", str(file), "norm", "-6"],
        check=True,
    )
    raw.unlink()
