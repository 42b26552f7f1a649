from __future__ import annotations

import tempfile
import unittest
from datetime import datetime
from pathlib import Path

from sqlalchemy import func, inspect, select
from sqlalchemy.orm import Session

from nimble_lantern.core.document.model import Document
from nimble_lantern.core.errors import LanternError
from nimble_lantern.core.reading.hearing import from_line, hearing_from_json, hearing_to_json
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.formats import from_markdown, to_markdown
from nimble_lantern.store.database import connect, migrate
from nimble_lantern.store.journal import Journal, open_journal
from nimble_lantern.store.models import Base, SnapshotRow, UtteranceRow, VersionRow


class JournalCase(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.path = Path(folder.name) / "desk.sqlite3"
        self.journal = self.opened()
        self.sitting = self.journal.begin()

    def opened(self) -> Journal:
        self.engine = connect(self.path)
        self.addCleanup(self.engine.dispose)
        return open_journal(self.engine)

    def hears(self, *lines: str) -> Sitting:
        for line in lines:
            hearing = from_line(line)
            outcome = advance(self.sitting, Heard(hearing))
            self.sitting = self.journal.record(self.sitting, outcome, hearing)
        return self.sitting

    def restarted(self) -> Sitting:
        before, self.journal = self.sitting, self.opened()
        self.sitting = self.journal.begin()
        return before

    def count(self, table: type[Base]) -> int:
        with Session(self.engine) as session:
            return session.scalar(select(func.count()).select_from(table)) or 0


class Keeping(JournalCase):
    def test_everything_is_there_again_after_a_restart(self) -> None:
        self.hears("the tide is high full stop", "bold the tide", "new paragraph", "the boat")
        self.hears("select the boat", "bold on", "british spelling")
        before = self.restarted()
        for name in ("document", "caret", "selection", "that", "typing", "settings", "title"):
            self.assertEqual(getattr(self.sitting, name), getattr(before, name), name)

        def said(sitting: Sitting) -> list[object]:
            return [(e.number, e.heard, e.read_as, e.summary) for e in sitting.trail]

        self.assertEqual(said(self.sitting), said(before))

    def test_undo_and_redo_reach_back_over_a_restart(self) -> None:
        self.hears("one boat", "two boats", "three boats", "undo that")
        self.restarted()
        self.hears("redo that")
        self.assertEqual(to_markdown(self.sitting.document), "One boat two boats three boats")
        self.hears("undo everything")
        self.assertEqual(self.sitting.document, Document())
        self.restarted()
        self.hears("redo everything")
        self.assertEqual(to_markdown(self.sitting.document), "One boat two boats three boats")

    def test_text_undone_in_the_same_breath_can_still_be_redone(self) -> None:
        self.hears("the tide full stop", "the boat is late ... undo that")
        self.assertEqual(to_markdown(self.sitting.document), "The tide.")
        self.restarted()
        self.hears("redo that")
        self.assertEqual(to_markdown(self.sitting.document), "The tide. The boat is late")

    def test_a_branch_left_by_undo_is_reached_by_its_number(self) -> None:
        self.hears("the tide", "is high", "undo that", "is low")
        self.restarted()
        self.hears("undo to two")
        self.assertEqual(to_markdown(self.sitting.document), "The tide is high")

    def test_documents_keep_apart_what_belongs_to_them(self) -> None:
        self.hears("the tide", "new document called boats", "the barge")
        self.hears("open untitled", "is high", "undo to one")
        self.assertEqual(to_markdown(self.sitting.document), "The tide")
        self.restarted()
        self.assertEqual(self.sitting.title, "Untitled")
        self.hears("open boats", "undo that")
        self.assertEqual(self.sitting.document, Document())
        self.assertEqual([e.title for e in self.journal.shelf()], ["Boats", "Untitled"])

    def test_the_shelf_counts_words_and_shows_how_a_text_begins(self) -> None:
        self.journal.add("Rota", from_markdown("# Rota\n\nIda keeps the lamp."))
        self.restarted()
        self.hears("open rota", "on mondays full stop", "delete the last word")
        entry = next(e for e in self.journal.shelf() if e.title == "Rota")
        self.assertEqual((entry.words, entry.on_desk), (6, True))
        self.assertEqual(entry.opening, "Ida keeps the lamp. On.")

    def test_two_documents_of_one_name_get_a_number(self) -> None:
        self.assertEqual(self.journal.add("Untitled", Document()), "Untitled 2")

    def test_a_hearing_survives_as_data(self) -> None:
        hearing = from_line("the tide ... is high", pause=0.5)
        self.assertEqual(hearing_from_json(hearing_to_json(hearing)), hearing)


class Transactions(JournalCase):
    def test_an_utterance_is_one_transaction_or_nothing(self) -> None:
        self.hears("the tide")
        hearing = from_line("is high")
        outcome = advance(self.sitting, Heard(hearing))
        broken = Journal(self.engine, clock=self._stopped)
        with self.assertRaises(RuntimeError):
            broken.record(self.sitting, outcome, hearing)
        self.assertEqual((self.count(UtteranceRow), self.count(VersionRow)), (1, 1))
        self.restarted()
        self.assertEqual(to_markdown(self.sitting.document), "The tide")

    @staticmethod
    def _stopped() -> datetime:
        raise RuntimeError("the clock stopped")

    def test_a_second_server_cannot_overwrite_the_first(self) -> None:
        self.hears("the tide")
        stale = self.sitting
        self.hears("is high")
        hearing = from_line("is low")
        outcome = advance(stale, Heard(hearing))
        with self.assertRaises(LanternError):
            self.journal.record(stale, outcome, hearing)
        self.restarted()
        self.assertEqual(to_markdown(self.sitting.document), "The tide is high")


class Snapshots(JournalCase):
    def test_a_copy_is_made_when_the_edits_outweigh_it(self) -> None:
        for n in range(40):
            # Each with words of its own: what is said is compared with what stands there.
            cargo = " ".join(f"box{n}n{i} and" for i in range(150))
            self.hears(f"the ferry crew brought oil and bread for the winter {cargo} more")
            if n == 20:
                self.restarted()
        self.assertGreater(self.count(SnapshotRow), 1)
        self.assertLess(self.count(SnapshotRow), 10)
        before = self.restarted()
        self.assertEqual(self.sitting.document, before.document)
        self.hears("undo everything", "redo everything")
        self.assertEqual(self.sitting.document, before.document)


class Migrations(unittest.TestCase):
    def test_every_migration_has_a_way_back(self) -> None:
        with tempfile.TemporaryDirectory() as folder:
            engine = connect(Path(folder) / "desk.sqlite3")
            migrate(engine)
            self.assertGreaterEqual(
                set(inspect(engine).get_table_names()), set(Base.metadata.tables)
            )
            migrate(engine, "base")
            self.assertEqual(set(inspect(engine).get_table_names()), {"alembic_version"})
            migrate(engine)
            engine.dispose()

    def test_the_tables_are_those_of_the_models(self) -> None:
        from alembic.autogenerate import compare_metadata
        from alembic.migration import MigrationContext

        with tempfile.TemporaryDirectory() as folder:
            engine = connect(Path(folder) / "desk.sqlite3")
            migrate(engine)
            with engine.connect() as connection:
                context = MigrationContext.configure(connection)
                found = compare_metadata(context, Base.metadata)
                self.assertEqual([d for d in found if "document_text" not in str(d)], [])
            engine.dispose()
