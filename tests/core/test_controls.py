"""Every control can be spoken to, and there is none besides."""

from __future__ import annotations

import re
import unittest
from dataclasses import replace
from pathlib import Path

import nimble_lantern
from nimble_lantern.core.controls import controls
from nimble_lantern.core.reading.reader import judge
from nimble_lantern.core.state import Sitting

TEMPLATES = Path(nimble_lantern.__file__).parent / "web" / "templates"
PRESSED = re.compile(r"<(a|button|select|input)\b[^>]*>")


class Controls(unittest.TestCase):
    def test_what_a_control_says_is_a_command(self) -> None:
        sitting = Sitting(scripts=("write a notice", "revise the letter"))
        for playing in (None, "write a notice"):
            found = controls(sitting, playing)
            self.assertTrue(found)
            for control in found:
                said = control.says.split()
                self.assertEqual(judge(sitting, said, True).kind, "command", control.name)
                spoken = re.sub(r"[“”]", "", control.name).lower()
                self.assertEqual(spoken, control.says, "its visible name is its spoken one")
        self.assertEqual(controls(replace(sitting, scripts=())), ())

    def test_templates_draw_no_control_that_is_not_of_the_list(self) -> None:
        for path in TEMPLATES.rglob("*.html"):
            for tag in PRESSED.finditer(path.read_text(encoding="utf-8")):
                self.assertIn("{{ control.name }}", tag[0], f"{path.name}: {tag[0]}")
