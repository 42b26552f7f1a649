"""The command line: its contracts, and one plain line for whatever goes wrong."""

from __future__ import annotations

import contextlib
import io
import json
import os
import subprocess
import sys
import tempfile
import unittest
from collections.abc import Sequence
from pathlib import Path
from typing import NoReturn
from unittest import mock

from nimble_lantern.cli import main
from nimble_lantern.engines.builtin.files import pcm_of
from nimble_lantern.engines.pcm import rms
from nimble_lantern.playing import run_case
from nimble_lantern.shell import LiveDesk
from tests.speaking import speak


def setUpModule() -> None:
    run_case({"id": "", "say": ["go to the end"]})


def _become(*argv: str, streams: Sequence[int]) -> NoReturn:
    status = 1
    try:
        for n, stream in enumerate(streams):
            os.dup2(stream, n)
        sys.stdin, sys.stdout, sys.stderr = (
            io.TextIOWrapper(io.FileIO(n, mode, closefd=False)) for n, mode in enumerate("rww")
        )
        sys.argv = list(argv)
        main()
    except SystemExit as done:
        status = done.code if isinstance(done.code, int) else 1
    finally:
        sys.stdout.flush()
        sys.stderr.flush()
        os._exit(status)


class CommandCase(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        # Run in this process, the command keeps what it writes for its owner's eyes.
        self.addCleanup(os.umask, os.umask(0o022))

    def file(self, name: str, content: str | bytes) -> str:
        path = self.folder / name
        path.write_bytes(content.encode() if isinstance(content, str) else content)
        return str(path)

    def run_lantern(self, *args: str, stdin: str = "") -> subprocess.CompletedProcess[str]:
        """Run a command in a copy of this process, which has the grammar made already."""
        with contextlib.ExitStack() as open_files:
            streams = [open_files.enter_context(tempfile.TemporaryFile()) for _ in range(3)]
            streams[0].write(stdin.encode())
            streams[0].seek(0)
            child = os.fork()
            if not child:
                _become("lantern", *args, streams=[file.fileno() for file in streams])
            status = os.waitstatus_to_exitcode(os.waitpid(child, 0)[1])
            said = []
            for file in streams[1:]:
                file.seek(0)
                said.append(file.read().decode())
        return subprocess.CompletedProcess(args, status, *said)

    def printed_alone(self, *args: str) -> str:
        """What a command prints in a new process, as at a shell."""
        command = [sys.executable, "-m", "nimble_lantern.cli", *args]
        done = subprocess.run(command, capture_output=True, text=True, timeout=300)
        self.assertEqual((done.returncode, done.stderr), (0, ""))
        return done.stdout

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


class Words(CommandCase):
    def test_the_word_book_goes_out_and_comes_in_as_text(self) -> None:
        data = str(self.folder / "desk")
        self.run_lantern("perform", "-", "--data", data, stdin="add ida marlowe to the word book")
        self.assertEqual(self.printed("words", "export", "-", "--data", data), "Ida Marlowe\n")
        file = self.file("words.txt", "Mara Tarrow = mora taro\nnever fairy\n")
        self.assertIn("3 words", self.printed("words", "import", file, "--data", data))
        spoken = "mora taro came"
        printed = self.printed("perform", "-", "--data", data, "--out", "text", stdin=spoken)
        self.assertEqual(printed, "Mara Tarrow came\n")

    def test_a_bad_file_changes_nothing_and_is_told_in_one_sentence(self) -> None:
        data = str(self.folder / "desk")
        self.run_lantern("perform", "-", "--data", data, stdin="add osric to the word book")
        for name, content in (("a.txt", b"ida\x00\n"), ("b.txt", b"\xff\xfe"), ("c.txt", b"= x")):
            bad = self.file(name, content)
            self.assertFails(1, "", "words", "import", bad, "--data", data)
        self.assertEqual(self.printed("words", "export", "-", "--data", data), "Osric\n")


class Perform(CommandCase):
    def test_a_script_becomes_a_document(self) -> None:
        script = self.file(
            "s.txt", "# a comment\nthe tide is high full stop\n(pause 1.5)\nbold high\n"
        )
        self.assertEqual(self.printed("perform", script), "The tide is **high**.\n")
        self.assertEqual(self.printed_alone("perform", script), "The tide is **high**.\n")
        done = self.run_lantern("perform", "-", "--out", "text", stdin="the tide ... bold the tide")
        self.assertEqual((done.returncode, done.stdout), (0, "The tide\n"))
        self.assertEqual(done.stderr, "Plain text has no bold: it is left out 1 time.\n")

    def test_a_case_may_have_a_word_book(self) -> None:
        book = [{"written": "Ida Marlowe", "spoken": ["eider marlow"]}]
        case = {"id": "a", "word_book": book, "say": ["eider marlow came", "spell a word", "b o"]}
        [line] = self.printed(
            "perform", "--cases", self.file("c.jsonl", json.dumps(case))
        ).splitlines()
        answer = json.loads(line)
        self.assertEqual(answer["text"], "Ida Marlowe came")
        self.assertEqual(answer["result"]["word_book"], ["Ida Marlowe"])
        self.assertEqual(answer["result"]["spelling"], "bo")
        self.assertEqual(answer["result"]["mode"], "spelling")

    def test_json_has_every_field(self) -> None:
        start = self.file("d.md", "# Rota\n\n- ida\n- *nell*\n")
        printed = self.printed(
            "perform", "-", "--start", start, "--out", "json", stdin="select ida"
        )
        data = json.loads(printed)
        keys = "title blocks caret selection choices mode view doubts places notes versions"
        more = "spelling aloud passages word_book"
        self.assertEqual(set(data), {*keys.split(), *more.split()})
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
            set(rows[0]),
            {"number", "heard", "read_as", "command", "summary", "undone", "effects"},
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

    def test_hostile_cases_are_each_answered(self) -> None:
        lines = [
            "[" * 100_000,
            json.dumps({"id": "deep", "doc": ">" * 5000 + " x", "say": ["undo"]}),
            '{"id": "half", "doc": "\\ud800", "say": ["the \\udfff tide"]}',
            json.dumps({"id": "size", "doc": '<span style="font-size: 14px">x</span>', "say": []}),
            json.dumps({"id": "shelf", "shelf": 3, "say": []}),
            json.dumps({"id": "on", "shelf": {"Rota": "# R"}, "say": ["open rota", "the tide"]}),
        ]
        printed = self.printed("perform", "--cases", self.file("c.jsonl", "\n".join(lines)))
        rows = [json.loads(line) for line in printed.splitlines()]
        self.assertEqual([r["id"] for r in rows], [None, "deep", "half", "size", "shelf", "on"])
        self.assertEqual(["error" in r for r in rows], [True, False, False, False, True, False])
        self.assertEqual(rows[5]["shelf"]["Rota"], "# R the tide")

    def test_the_desk_of_a_folder_is_used_with_its_journal(self) -> None:
        data = str(self.folder / "desk")
        script = self.file("s.txt", "the tide is high\nbold the tide\n")
        self.printed("perform", script, "--data", data)
        text = self.printed("perform", "-", "--data", data, stdin="undo that\nand the boat")
        self.assertEqual(text, "The tide is high and the boat\n")

    def test_a_fault_prints_nothing_of_the_document(self) -> None:
        err = io.StringIO()
        with (
            mock.patch(
                "nimble_lantern.playing.script_hearings", side_effect=ValueError("dear ida")
            ),
            mock.patch("sys.argv", ["lantern", "perform", self.file("s", "x")]),
            contextlib.redirect_stderr(err),
            self.assertRaises(SystemExit),
        ):
            main()
        self.assertNotIn("ida", err.getvalue())
        self.assertIn("ValueError", err.getvalue())

    def test_an_address_that_cannot_be_served_is_one_plain_line(self) -> None:
        data = str(self.folder / "desk")
        for port in ("-1", "0", "99999", "x"):
            self.assertFails(2, "--port", "serve", "--port", port, "--data", data)
        self.assertFails(1, "--host", "serve", "--host", "no.such.host", "--data", data)

    def test_files_are_converted_and_losses_told(self) -> None:
        source = self.file("a.md", "# Letter\n\nThe **tide**.")
        target = self.folder / "a.txt"
        done = self.run_lantern("convert", source, str(target))
        self.assertEqual((done.returncode, done.stdout), (0, ""))
        self.assertEqual(len(done.stderr.splitlines()), 2)
        self.assertEqual(target.read_text(), "Letter\n\nThe tide.")
        self.printed("convert", str(target), str(self.folder / "b.md"))
        self.assertFails(2, "known format", "convert", source, str(self.folder / "a.xyz"))
        self.assertFails(1, "cannot be read", "convert", "nowhere.md", str(target))
        self.assertFails(1, "cannot be written", "convert", source, "/nowhere/a.md")

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
        form = b"fmt \x10\0\0\0\1\0\1\0\x80\x3e\0\0\0\xfa\0\0\5\0\x28\0"
        riff = b"RIFF\xff\xff\xff\xffWAVE" + form + b"data\0\0\0\0"
        self.assertFails(1, "WAV", "hear", self.file("forty-bit.wav", riff))

    def test_what_was_heard_before_a_file_breaks_off_is_printed(self) -> None:
        from nimble_lantern.core.errors import BadInput
        from nimble_lantern.core.reading.hearing import from_line

        def breaks(path: Path, desk: LiveDesk) -> None:
            desk.hear(from_line("the tide"))
            raise BadInput("It breaks off.")

        out, err = io.StringIO(), io.StringIO()
        with (
            mock.patch("nimble_lantern.engines.builtin.files.hear_file", breaks),
            mock.patch("sys.argv", ["lantern", "hear", "x.wav"]),
            contextlib.redirect_stdout(out),
            contextlib.redirect_stderr(err),
            self.assertRaises(SystemExit) as caught,
        ):
            main()
        self.assertEqual((out.getvalue(), err.getvalue()), ("The tide\n", "It breaks off.\n"))
        self.assertEqual(caught.exception.code, 1)

    def test_wavs_of_every_kind_are_sound(self) -> None:
        wav = speak(self.folder / "s.wav", ["tide"], "awb")
        for name, kind in (
            ("24", ["-b", "24"]), ("32", ["-b", "32"]), ("8", ["-b", "8"]),
            ("float", ["-e", "float", "-b", "32"]), ("double", ["-e", "float", "-b", "64"]),
            ("ulaw", ["-e", "mu-law"]), ("six", ["-c", "6"]), ("low", ["-r", "8000"]),
        ):  # fmt: skip
            other = self.folder / f"{name}.wav"
            subprocess.run(["sox", str(wav), *kind, str(other)], check=True, capture_output=True)
            sound = b"".join(pcm_of(other))
            self.assertAlmostEqual(len(sound), len(b"".join(pcm_of(wav))), delta=3200, msg=name)
            self.assertGreater(rms(sound), 100, name)

    def test_any_usual_wav_is_heard(self) -> None:
        wav = speak(self.folder / "s.wav", ["bold the harbour"], "awb", rate=44_100, channels=2)
        start = self.file("d.md", "We wrote to the harbour board.")
        printed = self.printed_alone("hear", str(wav), "--start", start)
        self.assertEqual(printed, "We wrote to **the harbour** board.\n")

    def test_silence_writes_nothing(self) -> None:
        wav = speak(self.folder / "s.wav", [])
        self.assertEqual(self.printed("hear", str(wav), "--out", "text"), "\n")


class Keeping(CommandCase):
    def perform(self, data: Path, *lines: str) -> str:
        return self.run_lantern(
            "perform", "-", "--data", str(data), "--out", "text", stdin="\n".join(lines)
        ).stdout

    def test_backup_restore_and_check(self) -> None:
        data, copy = self.folder / "desk", self.folder / "copy.lantern"
        self.assertFails(1, "no desk", "check", "--data", str(data))
        self.perform(data, "the tide is high")
        self.assertIn("copied", self.printed("backup", str(copy), "--data", str(data)))
        self.perform(data, "undo that", "the tide is low")
        self.assertIn("whole", self.printed("check", "--data", str(data)))
        told = self.printed("restore", str(copy), "--data", str(data))
        self.assertIn("before-restore", told)
        self.assertEqual(self.perform(data, "and rising").strip(), "The tide is high and rising")
        self.assertIn("whole", self.printed("check", "--data", str(data)))

    def test_what_is_no_backup_changes_nothing(self) -> None:
        data = self.folder / "desk"
        self.perform(data, "the tide is high")
        for name, content in (("a", b""), ("b", b"SQLite format 3\0" + b"x" * 9000), ("c", b"hm")):
            file = self.file(name, content)
            self.assertFails(1, name, "restore", file, "--data", str(data))
        self.assertFails(1, "nowhere", "restore", "nowhere", "--data", str(data))
        self.assertEqual(self.perform(data, "and rising").strip(), "The tide is high and rising")

    def test_a_document_that_is_not_what_was_said_is_told(self) -> None:
        import sqlite3

        data = self.folder / "desk"
        self.perform(data, "the tide is high", "and rising")
        with sqlite3.connect(data / "lantern.sqlite3") as connection:
            connection.execute("UPDATE version SET edit = replace(edit, 'ris', 'fall')")
            connection.execute("INSERT INTO snapshot SELECT document_id, 2, blocks FROM snapshot")
        self.assertFails(1, "not what its journal says", "check", "--data", str(data))

    def test_files_go_out_and_passages_out_and_in(self) -> None:
        data = self.folder / "desk"
        self.perform(
            data, "the tide is high", "save this as a word document called tides", "print this",
            "select the tide", "keep this as words", "export my passages", "back everything up",
        )  # fmt: skip
        names = sorted(p.suffix for p in (data / "outbox").iterdir())
        self.assertEqual(names, [".docx", ".lantern", ".md"])
        self.assertIn(
            "# words\n\nThe tide", self.printed("passages", "export", "-", "--data", str(data))
        )
        file = self.file("more.md", "# sign off\n\nYours [name]\n\n# words\n\nOther\n")
        self.assertIn("2 passages", self.printed("passages", "import", file, "--data", str(data)))
        self.assertFails(1, "no passages", "passages", "import", self.file("x.md", "plain"),
                         "--data", str(data))  # fmt: skip

    def test_all_formats_are_converted_and_losses_told(self) -> None:
        start = self.file("in.md", "# The stair\n\n- *wet*\n\n| a | b |\n| --- | --- |\n| 1 | 2 |")
        last = start
        for suffix in ("docx", "odt", "html", "txt", "pdf"):
            out = str(self.folder / f"out.{suffix}")
            done = self.run_lantern("convert", last, out)
            self.assertEqual(done.returncode, 0, done.stderr)
            self.assertEqual(bool(done.stderr), suffix == "txt", done.stderr)
            last = out
        self.assertFails(1, "PDF", "convert", last, str(self.folder / "again.md"))
