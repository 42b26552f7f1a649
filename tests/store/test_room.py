"""A command family, a named thing, an anchor kind and a format, each from one module, played."""

from __future__ import annotations

import json
import subprocess
import sys
import tempfile
import textwrap
import unittest
from pathlib import Path

ROOT = Path(__file__).resolve().parents[2]

BUOYS = '''
"""Buoys: an anchor kind, the things named by it, and the commands that deal with them."""

from nimble_lantern.core.document.edits import pin
from nimble_lantern.core.grammar.catalogue import CATALOGUE, command
from nimble_lantern.core.state import Done

BUOY = "buoy"


def names(sitting):
    return [anchor.data["name"] for anchor, _ in sitting.document.anchored(BUOY)]


CATALOGUE.names("buoy", of=names, spoken="the name of a buoy")


@command("moor a buoy at {target} called {words}",
         example="moor a buoy at the last word called petrel", group="moving")
def moor(sitting, target, words):
    """Moor a buoy at a target, to sail back to by its name."""
    edit = pin(sitting.document, BUOY, target.ranges[0], name=" ".join(words))
    return Done(sitting.edited(edit), "a buoy is moored")


@command("sail to [the] [buoy] {buoy}", example="sail to petrel", group="moving")
def sail(sitting, buoy):
    """Sail to where a buoy is moored."""
    found = next(w for a, w in sitting.document.anchored(BUOY) if a.data["name"] == buoy)
    return Done(sitting.placed(found.start), f"at {buoy}")
'''

SEMAPHORE = '''
"""A format that shouts every paragraph."""

from nimble_lantern.core.document.model import Block, Document
from nimble_lantern.formats import FORMATS
from nimble_lantern.formats.registry import FileFormat, Read, Written


def read(data):
    return Read(Document(tuple(Block(line) for line in data.decode().splitlines())))


def write(document):
    text = "\\n".join(block.text.upper() for block in document.blocks)
    return Written(text.encode(), ("Small letters are left out.",))


FORMATS.add(FileFormat("semaphore", (".semaphore",), "text/x-semaphore", read, write))
'''

PLAY = """
import json, sys
from pathlib import Path

import buoys
import semaphore_format
from click.testing import CliRunner
from nimble_lantern.cli import lantern
from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.reference import reference
from nimble_lantern.engines.builtin.files import scene_of
from nimble_lantern.engines.builtin.recogniser import grammar_for
from nimble_lantern.formats import from_markdown
from nimble_lantern.playing import folder_desk
from tests.core.grammar.test_catalogue import accepts

folder = Path(sys.argv[1])


def buoys_at(sitting):
    document = sitting.document
    return [(a.data["name"], document.text(w)) for a, w in document.anchored("buoy")]


told = {}
with folder_desk(folder / "desk", from_markdown("The boat came in before noon."), {}) as desk:
    told["before"] = accepts(grammar_for(scene_of(desk.sitting)), "sail to petrel")
    desk.hear(from_line("moor a buoy at boat called petrel"))
    told["moored"] = buoys_at(desk.sitting)
    told["heard"] = accepts(grammar_for(scene_of(desk.sitting)), "sail to petrel")
with folder_desk(folder / "desk", None, {}) as desk:
    told["journaled"] = buoys_at(desk.sitting)
    desk.hear(from_line("sail to petrel"))
    told["caret"] = desk.sitting.caret.offset
    desk.hear(from_line("delete before noon"))
    desk.hear(from_line("undo that"))
    desk.hear(from_line("undo that"))
    told["undone"] = buoys_at(desk.sitting)
    desk.hear(from_line("redo that"))
    told["redone"] = buoys_at(desk.sitting)
told["help"] = [e.example for _, entries in reference() for e in entries if "buoy" in e.name]
told["shown"] = [w for _, es in reference() for e in es if e.name == "buoys.sail" for w in e.ways]
(folder / "a.semaphore").write_text("THE BOAT\\nCAME")
(folder / "b.md").write_text("The ferry")
for a, b in (("a.semaphore", "a.txt"), ("b.md", "b.semaphore")):
    ran = CliRunner().invoke(lantern, ["convert", str(folder / a), str(folder / b)])
    told[b] = (folder / b).read_text().strip(), ran.stderr.strip()
print(json.dumps(told))
"""


class Room(unittest.TestCase):
    """In a process of its own, as the catalogue and the formats are the application's."""

    def test_what_is_new_is_told_to_nobody_else(self) -> None:
        with tempfile.TemporaryDirectory() as name:
            folder = Path(name)
            (folder / "buoys.py").write_text(BUOYS)
            (folder / "semaphore_format.py").write_text(SEMAPHORE)
            (folder / "play.py").write_text(textwrap.dedent(PLAY))
            ran = subprocess.run(
                [sys.executable, str(folder / "play.py"), name],
                env={"PYTHONPATH": f"{ROOT}:{name}", "PATH": ""},
                capture_output=True,
                text=True,
                check=False,
            )
        self.assertEqual(ran.returncode, 0, ran.stderr[-2000:])
        told = json.loads(ran.stdout)
        moored = [["petrel", "boat"]]
        self.assertFalse(told["before"])
        self.assertTrue(told["heard"])
        self.assertEqual(told["moored"], moored)
        self.assertEqual(told["journaled"], moored)
        self.assertEqual(told["caret"], len("The "))
        self.assertEqual(told["undone"], [])
        self.assertEqual(told["redone"], moored)
        self.assertIn("sail to petrel", told["help"])
        self.assertEqual(told["shown"], ["sail to the name of a buoy"])
        self.assertEqual(told["a.txt"][0], "THE BOAT\n\nCAME")
        self.assertEqual(told["b.semaphore"], ["THE FERRY", "Small letters are left out."])
