"""The command line: its contracts, and one plain line for whatever goes wrong."""

from __future__ import annotations

import json
import subprocess
import sys
import tempfile
import unittest
from pathlib import Path

from tests.speaking import speak


class CommandCase(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)

    def file(self, name: str, content: str | bytes) -> str:
        path = self.folder / name
        path.write_bytes(content.encode() if isinstance(content, str) else content)
        return str(path)

    def run_lantern(self, *args: str, stdin: str = "") -> subprocess.CompletedProcess[str]:
        command = [sys.executable, "-m", "nimble_lantern.cli", *args]
        return subprocess.run(command, input=stdin, capture_output=True, text=True, timeout=300)

    def printed(self, *args: str, stdin: str = "") -> str:
        done = self.run_lantern(*args, stdin=stdin)
        self.assertEqual((done.returncode, done.stderr), (0, ""))
        return done.stdout

    def assertFails(self, status: int, says: str, *args: str) -> None:
        done = self.run_lantern(*args)
        self.assertEqual(done.returncode, status, done.stderr)
        self.assertEqual(done.stdout, "")
        lines = done.stderr.splitlines()
        self.assertEqual(len(lines), 1, done.stderr)
        self.assertIn(says, lines[0])
        self.assertNotIn("Traceback", lines[0])


class Perform(CommandCase):
    def test_a_script_becomes_a_document(self) -> None:
        script = self.file(
            "s.txt", "# a comment\nthe tide is high full stop\n(pause 1.5)\nbold high\n"
        )
        self.assertEqual(self.printed("perform", script), "The tide is **high**.\n")
        text = self.printed("perform", "-", "--out", "text", stdin="the tide ... bold the tide")
        self.assertEqual(text, "The tide\n")

    def test_json_has_every_field(self) -> None:
        start = self.file("d.md", "# Rota\n\n- ida\n- *nell*\n")
        printed = self.printed(
            "perform", "-", "--start", start, "--out", "json", stdin="select ida"
        )
        data = json.loads(printed)
        self.assertEqual(set(data), {"title", "blocks", "caret", "selection", "choices", "mode"})
        self.assertEqual(
            data["blocks"][2],
            {
                "kind": "item", "level": 1, "list": "bulleted", "align": "left", "text": "nell",
                "spans": [{"start": 0, "end": 4, "mark": "italic", "value": None}],
            },
        )  # fmt: skip
        self.assertEqual(data["selection"]["text"], "ida")
        self.assertEqual((data["caret"], data["mode"]), ({"block": 2, "offset": 4}, "writing"))

    def test_the_trail_is_a_line_an_utterance(self) -> None:
        printed = self.printed("perform", "-", "--trail", stdin="the tide\nbold that\nundo that\n")
        rows = [json.loads(line) for line in printed.splitlines()]
        self.assertEqual([r["read_as"] for r in rows], ["text", "command", "command"])
        self.assertEqual([r["command"] for r in rows], [None, "marks.bold", "history.undo"])
        self.assertEqual([r["undone"] for r in rows], [False, True, False])
        self.assertEqual(
            set(rows[0]), {"number", "heard", "read_as", "command", "summary", "undone"}
        )

    def test_cases_each_get_a_line(self) -> None:
        cases = [
            {
                "id": "a",
                "doc": "The tide.",
                "settings": {"dialect": "american"},
                "say": ["bold tide"],
            },
            {"id": "b", "doc": "", "settings": {"auto_punctuation": False}, "say": ["harbour"]},
            {"id": "c", "say": "not a list"},
            {"id": "d", "doc": "", "settings": {"nothing": "on"}, "say": []},
        ]
        file = self.file("c.jsonl", "\n".join(map(json.dumps, cases)) + "\n\nnot json\n")
        rows = [json.loads(line) for line in self.printed("perform", "--cases", file).splitlines()]
        self.assertEqual([r["id"] for r in rows], ["a", "b", "c", "d", None])
        self.assertEqual(rows[0]["markdown"], "The **tide**.")
        self.assertEqual((rows[1]["text"], rows[1]["trail"][0]["read_as"]), ("Harbour", "text"))
        self.assertEqual(["error" in r for r in rows], [False, False, True, True, True])

    def test_bad_input_is_one_plain_line(self) -> None:
        empty = self.file("empty", "")
        latin = self.file("latin", "caf\xe9".encode("latin-1"))
        self.assertFails(1, "cannot be read", "perform", str(self.folder / "nowhere"))
        self.assertFails(1, "not UTF-8", "perform", latin)
        self.assertFails(1, "folder", "perform", str(self.folder))
        self.assertFails(1, "cannot be read", "perform", empty, "--start", "nowhere.md")
        self.assertFails(2, "no setting called", "perform", empty, "--set", "speed=9")
        self.assertFails(2, "can be on or off", "perform", empty, "--set", "auto_punctuation=9")
        self.assertFails(2, "NAME=VALUE", "perform", empty, "--set", "speed")
        self.assertFails(2, "script", "perform")
        self.assertFails(2, "--out", "perform", empty, "--out", "pdf")
        self.assertFails(2, "No such command", "fly")
        self.assertFails(2, "benchmark", "bench", "nothing")

    def test_empty_and_huge_scripts_are_played(self) -> None:
        self.assertEqual(self.printed("perform", self.file("empty", "")), "\n")
        words = "tide " * 100_000
        text = self.printed("perform", self.file("long", words), "--out", "text")
        self.assertEqual(len(text.split()), 100_000)


class Hear(CommandCase):
    def test_what_is_no_sound_is_one_plain_line(self) -> None:
        self.assertFails(1, "cannot be read", "hear", str(self.folder / "nowhere.wav"))
        self.assertFails(1, "WAV", "hear", self.file("letter.wav", "dear harbour board"))
        self.assertFails(1, "WAV", "hear", self.file("empty.wav", ""))
        riff = (
            b"RIFF\x24\0\0\0WAVEfmt \x10\0\0\0\3\0\1\0\x80\x3e\0\0\0\xfa\0\0\4\0\x20\0data\0\0\0\0"
        )
        self.assertFails(1, "PCM", "hear", self.file("float.wav", riff))

    def test_any_usual_wav_is_heard(self) -> None:
        wav = speak(self.folder / "s.wav", ["bold the harbour"], "awb", rate=44_100, channels=2)
        start = self.file("d.md", "We wrote to the harbour board.")
        printed = self.printed("hear", str(wav), "--start", start)
        self.assertEqual(printed, "We wrote to **the harbour** board.\n")

    def test_silence_writes_nothing(self) -> None:
        wav = speak(self.folder / "s.wav", [])
        self.assertEqual(self.printed("hear", str(wav), "--out", "text"), "\n")
