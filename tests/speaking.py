"""Speech for tests: sentences spoken by flite's voices, joined with silences by sox."""

from __future__ import annotations

import struct
import subprocess
import tempfile
import wave
from collections.abc import Sequence
from pathlib import Path

VOICES = ("slt", "rms", "awb")


def speak(
    path: Path,
    lines: Sequence[str],
    voice: str = "slt",
    pause: float = 1.2,
    rate: int = 16_000,
    channels: int = 1,
) -> Path:
    """A 16-bit WAV of the lines, each after `pause` seconds of silence."""
    with tempfile.TemporaryDirectory() as folder:
        silence = Path(folder) / "silence.wav"
        _run("sox", "-D", "-n", "-r", "16000", "-c", "1", "-b", "16", silence, "trim", "0", pause)
        parts = [silence]
        for n, line in enumerate(lines):
            spoken = Path(folder) / f"{n}.wav"
            _run("flite", "-voice", voice, "-t", line, "-o", spoken)
            parts += [spoken, silence]
        _run("sox", "-D", *parts, "-r", rate, "-c", channels, "-b", "16", path)
    return path


def voiced(seconds: float) -> bytes:
    """Something that a voice detector takes for speech: a buzz with vowel-like strength."""
    period = [int(12000 * (0.9**n)) * (1 if n % 9 < 5 else -1) for n in range(128)]
    samples = [period[i % 128] for i in range(int(16000 * seconds))]
    return struct.pack(f"<{len(samples)}h", *samples)


def write(path: Path, sound: bytes) -> Path:
    """16-bit mono sound at 16 kHz as a WAV."""
    with wave.open(str(path), "wb") as file:
        file.setnchannels(1)
        file.setsampwidth(2)
        file.setframerate(16_000)
        file.writeframes(sound)
    return path


def _run(*args: object) -> None:
    subprocess.run([str(a) for a in args], check=True, capture_output=True)
