"""What the house keeps: documents away, passages, versions, prints; and old desks with it."""

from __future__ import annotations

import sqlite3
import tempfile
import unittest
from contextlib import closing
from datetime import datetime
from pathlib import Path

from nimble_lantern.core.commands.places import places_of
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.reviewing.notes import notes_of
from nimble_lantern.core.state import Sitting
from nimble_lantern.formats import from_markdown
from nimble_lantern.outside import Inbox, file_name, passages_of, passages_text
from nimble_lantern.shell import LiveDesk
from nimble_lantern.store.database import migrate
from nimble_lantern.store.opening import FILE, open_folder
from nimble_lantern.store.salvage import salvaged


class FolderCase(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)

    def opened(self) -> LiveDesk:
        return LiveDesk(open_folder(self.folder), folder=self.folder)

    def said(self, desk: LiveDesk, *lines: str) -> Sitting:
        for line in lines:
            desk.hear(from_line(line))
        return desk.sitting


class Restarting(FolderCase):
    def test_all_of_it_is_there_after_a_restart(self) -> None:
        before = self.said(
            self.opened(), "the tide is high full stop", "call this place here",
            "margin note on the tide ask ida", "call this version first", "keep this as words",
            "new document called rota", "ida keeps the lamp", "new document called boats",
            "put the rota away", "open untitled", "and it rises", "print this",
            "start lesson one", "the lamp is lit",
        )  # fmt: skip
        after = self.opened().sitting
        for name in ("title", "shelf", "away", "visited", "passages", "practising", "jobs", "uses"):
            self.assertEqual(getattr(after, name), getattr(before, name), name)
        again = self.said(self.opened(), "leave the lesson", "open untitled")
        self.assertEqual([m.name for m in again.milestones], ["first", "the last export"])
        self.assertEqual(len(notes_of(again.document)), 1)
        self.assertEqual(len(places_of(again.document)), 1)
        back = self.said(self.opened(), "bring back first")
        self.assertEqual(back.document.blocks[0].text, "The tide is high.")

    def test_a_desk_of_the_first_tables_opens_with_its_data(self) -> None:
        desk = self.opened()
        self.said(desk, "the tide is high", "new document called rota", "ida keeps the lamp")
        engine = desk._journal._engine
        for revision in ("0003", "0002", "0001"):
            from alembic import command

            from nimble_lantern.store import database

            with engine.begin() as connection:
                config = database._config()
                config.attributes["connection"] = connection
                command.downgrade(config, revision)
        engine.dispose()
        after = self.opened()
        self.assertEqual(after.sitting.document.blocks[0].text, "Ida keeps the lamp")
        found = self.said(after, "find the document about the tide")
        self.assertEqual([f.name for f in found.found], ["Untitled"])
        migrate(after._journal._engine)

    def test_what_is_forgotten_is_not_found_either(self) -> None:
        desk = self.opened()
        self.said(desk, "the secret password", "print this", "new document called rota",
                  "delete untitled for good", "yes")  # fmt: skip
        self.assertFalse(b"password" in (self.folder / FILE).read_bytes())
        self.assertEqual(self.said(desk, "find the document about the password").found, ())

    def test_what_was_salvaged_is_found(self) -> None:
        desk = self.opened()
        self.said(desk, "the tide is high", "print this")
        desk._journal._engine.dispose()
        damaged = self.folder / "damaged"
        damaged.write_bytes((self.folder / FILE).read_bytes())
        with (
            closing(sqlite3.connect(self.folder / FILE)) as source,
            closing(sqlite3.connect(damaged)) as copy,
        ):
            source.backup(copy)
        with tempfile.TemporaryDirectory() as other:
            fresh = open_folder(Path(other))
            fresh._engine.dispose()
            (Path(other) / FILE).unlink()
            engine = open_folder(Path(other))._engine
            with engine.begin() as connection:
                for table in ("desk", "snapshot", "document"):
                    connection.exec_driver_sql(f"DELETE FROM {table}")
            salvaged(damaged, engine)
            engine.dispose()
            found = LiveDesk(open_folder(Path(other)))
            self.said(found, "new document called x", "find the document about the tide")
            self.assertEqual(len(found.sitting.found), 1)


class Outside(FolderCase):
    def test_an_arrival_is_put_on_the_shelf_and_told(self) -> None:
        desk = self.opened()
        inbox = Inbox(self.folder, desk.arrived)
        (self.folder / "inbox").mkdir()
        (self.folder / "inbox" / "from ida.md").write_text("# Oil\n\nTwenty litres.")
        (self.folder / "inbox" / "broken.docx").write_bytes(b"PK\x03\x04")
        inbox.look()
        self.assertNotIn("from ida", desk.sitting.shelf)
        inbox.look()
        self.assertIn("from ida", desk.sitting.shelf)
        self.assertEqual(sorted(p.name for p in (self.folder / "inbox" / "taken").iterdir()),
                         ["broken.docx", "from ida.md"])  # fmt: skip
        self.assertIn("open from ida", desk.scene().notice)
        self.assertEqual(self.said(desk, "open from ida").document.blocks[0].text, "Oil")

    def test_names_lead_nowhere_else(self) -> None:
        names = {"../../etc/passwd": "etc passwd", "a\x00b": "a b", "...": "Untitled"}
        for name, safe in (*names.items(), ("x" * 300, "x" * 80)):
            self.assertEqual(file_name(name), safe)

    def test_passages_come_back_from_markdown(self) -> None:
        text = "# sign off\n\nYours,\n\n**Ida**\n\n# visit\n\nWe come on [day].\n"
        found = tuple(passages_of(from_markdown(text)))
        self.assertEqual([p.name for p in found], ["sign off", "visit"])
        self.assertEqual(tuple(passages_of(from_markdown(passages_text(found)))), found)

    def test_the_tray_keeps_what_was_printed(self) -> None:
        desk = self.opened()
        desk.clock = lambda: datetime(2026, 3, 14)
        self.said(desk, "the tide is high", "print two copies", "undo that", "print page one")
        self.assertEqual(desk.sitting.jobs, ("Untitled",))
        self.assertIn("nothing", self.said(desk, "print this").trail[-1].summary)
        [job] = desk.prints()
        self.assertEqual((job.copies, job.pages, job.pdf[:5]), (2, 1, b"%PDF-"))
        self.assertEqual(self.said(desk, "empty the print tray").jobs, ())
        self.assertEqual(desk.prints(), [])
