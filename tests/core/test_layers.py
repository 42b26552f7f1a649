"""Imports point inward: the core knows nothing of the web, the database or the engines."""

from __future__ import annotations

import ast
import unittest
from collections import Counter
from collections.abc import Iterator
from pathlib import Path

import nimble_lantern
from nimble_lantern.core.commands import CATALOGUE
from tests.__main__ import FOLDERS

ROOT = Path(nimble_lantern.__file__).parent
ALLOWED = {"nimble_lantern.core", "rapidfuzz", "fontTools", "wordfreq"}
STANDARD = frozenset(__import__("sys").stdlib_module_names)


def imports(path: Path) -> Iterator[str]:
    for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
        if isinstance(node, ast.Import):
            yield from (alias.name for alias in node.names)
        elif isinstance(node, ast.ImportFrom) and node.module:
            yield node.module


class Layers(unittest.TestCase):
    def test_the_core_imports_only_itself_and_pure_packages(self) -> None:
        for path in ROOT.glob("core/**/*.py"):
            for name in imports(path):
                top = name.split(".")[0]
                pure = top in STANDARD or any(
                    name == a or name.startswith(a + ".") for a in ALLOWED
                )
                self.assertTrue(pure, f"{path.relative_to(ROOT)} imports {name}")

    def test_formats_engines_and_store_do_not_know_the_web(self) -> None:
        for folder in ("formats", "engines", "store", "demo"):
            for path in ROOT.glob(f"{folder}/**/*.py"):
                for name in imports(path):
                    self.assertFalse(name.startswith("nimble_lantern.web"), f"{path}: {name}")

    def test_a_commands_name_stands_only_in_its_own_family(self) -> None:
        for path in ROOT.glob("**/*.py"):
            for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
                if isinstance(node, ast.Constant) and node.value in CATALOGUE.commands:
                    family = str(node.value).split(".")[0]
                    own = path.parent if path.parent.parent.name == "commands" else path
                    self.assertEqual(own.stem, family, f"{node.value} at line {node.lineno}")

    def test_the_core_has_no_clock_and_no_chance(self) -> None:
        for path in ROOT.glob("core/**/*.py"):
            banned = {"time", "random", "secrets", "os", "threading"}
            self.assertFalse(banned & set(imports(path)), path)
            # A time may be held; what time it is now comes in from outside.
            self.assertNotRegex(path.read_text(encoding="utf-8"), r"\b(now|today|utcnow)\(\)")


class Run(unittest.TestCase):
    def test_every_test_is_in_one_group_and_no_other(self) -> None:
        here = Path(__file__).parents[1]
        found: Counter[Path] = Counter()
        for name in FOLDERS:
            folder = here / name
            found.update(folder.rglob("test_*.py") if folder.is_dir() else here.glob(name))
        every = dict.fromkeys(here.rglob("test_*.py"), 1)
        self.assertEqual(dict(found), every)
