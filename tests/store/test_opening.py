"""Opening a folder: whole or not at all, brought up to date, mended, and told in one sentence."""

from __future__ import annotations

import json
import os
import sqlite3
import stat
import subprocess
import sys
import tempfile
import unittest
from contextlib import closing
from pathlib import Path
from unittest import mock

from sqlalchemy.exc import OperationalError

from nimble_lantern.core.errors import BadInput, NotKept
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.demo import load_sample_world
from nimble_lantern.formats import to_markdown
from nimble_lantern.store import opening
from nimble_lantern.store.database import connect, migrate, newest_revision, why
from nimble_lantern.store.journal import Journal
from nimble_lantern.store.lock import Lock
from nimble_lantern.store.opening import FILE, open_folder

COMES_HERE = Path(__file__).parents[2]


class FolderCase(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name) / "desk"
        self.file = self.folder / FILE

    def opened(self, fill: opening.Fill | None = None) -> Journal:
        journal = open_folder(self.folder, fill)
        self.addCleanup(journal._engine.dispose)
        return journal

    def hears(self, journal: Journal, *lines: str) -> str:
        sitting = journal.begin()
        for line in lines:
            hearing = from_line(line)
            sitting = journal.record(sitting, advance(sitting, Heard(hearing)), hearing)
        return to_markdown(sitting.document)

    def assertRefuses(self, *words: str) -> None:
        with self.assertRaises(BadInput) as caught:
            self.opened()
        for word in words:
            self.assertIn(word, str(caught.exception))


class Whole(FolderCase):
    def test_a_first_start_that_is_broken_off_leaves_nothing_behind(self) -> None:
        def breaks(journal: Journal) -> None:
            load_sample_world(journal)
            raise KeyboardInterrupt

        with self.assertRaises(KeyboardInterrupt):
            self.opened(breaks)
        self.assertFalse(self.file.exists())
        self.assertEqual(len(self.opened(load_sample_world).titles()), 6)
        self.assertEqual([p.name for p in self.folder.iterdir() if ".new" in p.name], [])

    def test_a_second_start_does_not_load_the_sample_world_again(self) -> None:
        self.opened(load_sample_world)
        self.assertEqual(len(self.opened(load_sample_world).titles()), 6)

    def test_a_migration_that_fails_changes_nothing(self) -> None:
        self.older()
        before = self.tables()
        real = sqlite3.connect(self.file)
        real.close()
        with (
            mock.patch("alembic.op.create_table", side_effect=RuntimeError),
            self.assertRaises(RuntimeError),
        ):
            self.opened()
        self.assertEqual(self.tables(), before)
        self.assertEqual(self.hears(self.opened(), "and the boat"), "The tide and the boat")

    def older(self) -> None:
        """A desk of the first tables, with something on it."""
        journal = self.opened()
        self.hears(journal, "the tide")
        migrate(journal._engine, "-1")
        journal._engine.dispose()

    def tables(self) -> list[tuple[str, ...]]:
        with closing(sqlite3.connect(self.file)) as connection:
            return connection.execute("SELECT name, sql FROM sqlite_master").fetchall()

    def test_a_file_of_before_is_copied_and_brought_up_to_date(self) -> None:
        self.older()
        self.assertEqual(self.hears(self.opened(), "and the boat"), "The tide and the boat")
        [copy] = self.folder.glob(f"{FILE}.before-*")
        self.assertTrue(copy.name.endswith(newest_revision()))
        with closing(sqlite3.connect(copy)) as connection:
            said = connection.execute("SELECT heard FROM utterance").fetchall()
        self.assertEqual(said, [("the tide",)])


class Private(FolderCase):
    def test_folder_and_files_are_for_their_owner_only(self) -> None:
        self.hears(self.opened(), "the tide")
        self.assertEqual(stat.S_IMODE(self.folder.stat().st_mode), 0o700)
        for path in self.folder.iterdir():
            self.assertEqual(stat.S_IMODE(path.stat().st_mode) & 0o077, 0, path)

    def test_a_folder_that_holds_other_things_keeps_its_rights(self) -> None:
        self.folder.mkdir(mode=0o755)
        (self.folder / "holiday.txt").touch()
        self.opened()
        self.assertEqual(stat.S_IMODE(self.folder.stat().st_mode), 0o755)
        self.assertEqual(stat.S_IMODE(self.file.stat().st_mode), 0o600)


class Locked(FolderCase):
    def test_a_second_desk_is_told_where_the_first_is(self) -> None:
        lock = Lock(self.folder)
        lock.note("http://127.0.0.1:8377/")
        with self.assertRaises(BadInput) as caught:
            Lock(self.folder)
        for words in ("http://127.0.0.1:8377/", f"process {os.getpid()}", "--data"):
            self.assertIn(words, str(caught.exception))
        lock.close()
        Lock(self.folder).close()

    def test_a_lock_left_by_a_crash_is_no_obstacle(self) -> None:
        code = (
            "import os, sys; from pathlib import Path; from nimble_lantern.store.lock import Lock\n"
            "lock = Lock(Path(sys.argv[1])); lock.note('x'); os.kill(os.getpid(), 9)"
        )
        subprocess.run([sys.executable, "-c", code, str(self.folder)], check=False, cwd=COMES_HERE)
        self.assertTrue((self.folder / "lantern.open").exists())
        Lock(self.folder).close()


class Sentences(FolderCase):
    def test_an_empty_file_is_no_empty_desk(self) -> None:
        self.folder.mkdir()
        self.file.touch()
        self.assertRefuses("is empty", "move it away")

    def test_what_is_no_database_and_what_is_another(self) -> None:
        self.folder.mkdir()
        self.file.write_text("this is a letter, and no database at all; " * 40)
        self.assertRefuses("no database of Nimble Lantern", "--data")
        self.file.unlink()
        with closing(sqlite3.connect(self.file)) as connection:
            connection.execute("CREATE TABLE birds (name)")
        self.assertRefuses("no database of Nimble Lantern")

    def test_a_newer_version(self) -> None:
        self.opened()
        with closing(sqlite3.connect(self.file)) as connection:
            connection.execute("UPDATE alembic_version SET version_num = '9999'")
            connection.commit()
        self.assertRefuses("newer Nimble Lantern", "install")

    def test_one_that_another_program_has_locked(self) -> None:
        self.opened()._engine.dispose()
        with closing(sqlite3.connect(self.file, isolation_level=None)) as connection:
            connection.execute("PRAGMA journal_mode=DELETE")
            connection.execute("BEGIN EXCLUSIVE")
            self.assertRefuses("another program has", "close that program")

    def test_every_error_of_the_database_is_told_apart(self) -> None:
        told = set()
        for text in ("attempt to write a readonly database", "database is locked",
                     "unable to open database file", "database or disk is full",
                     "database disk image is malformed"):  # fmt: skip
            told.add(why(OperationalError("x", {}, sqlite3.OperationalError(text))))
        self.assertEqual(len(told), 5, told)

    def test_a_disk_that_is_full_is_told_and_the_sitting_stays(self) -> None:
        journal = self.opened()
        self.hears(journal, "the tide")
        before = journal.begin()
        with journal._engine.connect() as connection:
            connection.exec_driver_sql("PRAGMA max_page_count = 1")
            hearing = from_line("is high " * 400)
            outcome = advance(before, Heard(hearing))
        with self.assertRaises(NotKept) as caught:
            journal.record(before, outcome, hearing)
        self.assertIn("disk is full", str(caught.exception))


class Damaged(FolderCase):
    def damaged(self, begin: bytes) -> bytes:
        """A desk with a page overwritten in which these bytes stand."""
        journal = self.opened(load_sample_world)
        for n in range(60):
            self.hears(journal, f"boat {n} came in at noon and left again full stop")
        journal._engine.dispose()
        raw = bytearray(self.file.read_bytes())
        page = raw.index(begin) // 4096 * 4096
        raw[page : page + 4096] = os.urandom(4096)
        self.file.write_bytes(raw)
        for ending in ("-wal", "-shm"):
            self.file.with_name(FILE + ending).unlink(missing_ok=True)
        return bytes(raw)

    def test_what_can_be_read_is_opened_beside_an_untouched_copy(self) -> None:
        raw = self.damaged(b"boat 40 came in")
        journal = self.opened()
        self.assertIn("was damaged", journal.notice)
        self.assertIn("6 documents", journal.notice)
        [aside] = self.folder.glob(f"{FILE}.damaged-1")
        self.assertEqual(aside.read_bytes(), raw)
        self.assertEqual(len(journal.titles()), 6)
        text = self.hears(journal, "we go on")
        self.assertTrue(text.rstrip().lower().endswith("we go on"), text[-60:])
        self.assertEqual(self.opened().notice, "", "it is mended once")

    def test_a_lost_page_of_documents_loses_no_text(self) -> None:
        self.damaged(b"Ferry times")
        journal = self.opened()
        whole = " ".join(to_markdown(d) for _, d in journal.documents())
        for words in ("Ida Marlowe", "The ferry leaves the quay", "boat 12 came in".capitalize()):
            self.assertIn(words, whole)

    def test_nothing_but_noise_is_told(self) -> None:
        self.damaged(b"SQLite format 3")
        self.assertRefuses("no database of Nimble Lantern")


class Kept(FolderCase):
    def test_up_to_where_sound_was_heard_is_kept_with_the_utterance(self) -> None:
        from nimble_lantern.store.journal import SoundMark

        journal = self.opened()
        self.assertIsNone(journal.heard_until())
        hearing, before = from_line("the tide"), journal.begin()
        mark = SoundMark("a1", 48_000, 1.7e12)
        journal.record(before, advance(before, Heard(hearing)), hearing, mark)
        self.assertEqual(self.opened().heard_until(), mark)

    def test_a_question_survives_a_restart(self) -> None:
        journal = self.opened()
        self.hears(journal, "the tide and the tide", "bold the tide")
        asked = journal.begin().question
        assert asked is not None
        journal = self.opened()
        self.assertEqual(journal.begin().question, asked)
        self.assertIn("**the tide**", self.hears(journal, "two"))

    def test_a_question_about_words_that_come_close_survives_too(self) -> None:
        journal = self.opened()
        self.hears(journal, "the ferry leaves the quay", "replace the fairy with the boat")
        asked = journal.begin().question
        assert asked is not None
        self.assertEqual(self.opened().begin().question, asked)

    def test_every_utterance_can_be_turned_over_after_a_restart(self) -> None:
        self.hears(self.opened(), "the tide is high", "delete the last word")
        self.assertEqual(
            self.hears(self.opened(), "that was text"), "The tide is high delete the last word"
        )
        self.hears(self.opened(), "american spelling")
        self.hears(self.opened(), "that was text")
        self.assertEqual(self.opened().begin().settings.dialect, "british")

    def test_hearings_and_effects_are_plain_json(self) -> None:
        journal = self.opened()
        self.hears(journal, "long patience")
        with closing(sqlite3.connect(self.file)) as connection:
            effects, back = connection.execute("SELECT effects, back FROM utterance").fetchone()
        self.assertEqual(json.loads(effects), ["save_setting"])
        self.assertEqual(json.loads(back), [["save_setting", "patience", "normal"]])


class Connecting(FolderCase):
    def test_a_folder_that_cannot_be_made_is_named(self) -> None:
        self.folder.parent.joinpath("file").touch()
        with self.assertRaises(BadInput) as caught:
            connect(self.folder.parent / "file" / "x.sqlite3")
        self.assertIn("--data", str(caught.exception))
