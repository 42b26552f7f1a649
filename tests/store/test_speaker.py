"""What was learned of a voice, in the database."""

from __future__ import annotations

import unittest
from unittest import mock

from sqlalchemy import Engine
from sqlalchemy.exc import OperationalError

from nimble_lantern.core.errors import NotKept
from nimble_lantern.store.database import in_memory, migrate
from nimble_lantern.store.journal import open_journal
from nimble_lantern.store.speaker import KeptVoice


class Kept(unittest.TestCase):
    def setUp(self) -> None:
        self.engine: Engine = in_memory()
        migrate(self.engine)
        self.voice = KeptVoice(self.engine)

    def test_the_last_is_kept_until_it_is_forgotten(self) -> None:
        self.assertEqual(self.voice.get(), b"")
        self.voice.put(b"\0one")
        self.voice.put(b"\0two")
        self.assertEqual(KeptVoice(self.engine).get(), b"\0two")
        self.voice.forget()
        self.assertEqual(self.voice.get(), b"")
        self.voice.forget()
        self.voice.bring_back()
        self.assertEqual(self.voice.get(), b"\0two")

    def test_what_was_forgotten_is_gone_once_something_new_is_learned(self) -> None:
        self.voice.put(b"\0one")
        self.voice.forget()
        self.voice.put(b"\0two")
        self.voice.bring_back()
        self.assertEqual(self.voice.get(), b"\0two")

    def test_a_disk_that_fails_is_told_of_and_reads_as_nothing(self) -> None:
        broken = OperationalError("x", {}, Exception("database or disk is full"))
        with (
            mock.patch("sqlalchemy.orm.Session.merge", side_effect=broken),
            self.assertRaises(NotKept) as caught,
        ):
            self.voice.put(b"one")
        self.assertIn("full", str(caught.exception))
        with mock.patch("sqlalchemy.orm.Session.get", side_effect=broken):
            self.assertEqual(self.voice.get(), b"")

    def test_a_desk_of_before_learns_a_voice(self) -> None:
        migrate(self.engine, "0004")
        journal = open_journal(self.engine)
        journal.voice.put(b"one")
        self.assertEqual(journal.voice.get(), b"one")
