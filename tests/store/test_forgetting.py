"""What is to be gone for good is gone: from the tables, the file, its log and its copies."""

from __future__ import annotations

import tempfile
from datetime import datetime, timedelta
from pathlib import Path

from nimble_lantern.formats import to_markdown
from nimble_lantern.shell import LiveDesk
from nimble_lantern.store.journal import now
from nimble_lantern.store.opening import FILE, open_folder
from tests.desk import DeskCase


class ForGood(DeskCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        journal = open_folder(self.folder)
        self.addCleanup(journal._engine.dispose)
        self.journal, self.day = journal, 0
        journal._clock = self.clock
        self.driver = self.desk()
        self.driver.desk = LiveDesk(journal)

    def clock(self) -> datetime:
        return now() + timedelta(days=self.day)

    def traces(self, word: str) -> list[str]:
        """The files of the folder in which a word stands."""
        return [p.name for p in self.folder.iterdir() if word.encode() in p.read_bytes()]

    def test_a_document_is_deleted_with_all_that_was_said_to_it(self) -> None:
        desk = self.driver
        desk.hears("new document called rota", "osric keeps the lamp", "undo that", "redo that")
        self.assertTrue(self.traces("osric"))
        (self.folder / f"{FILE}.before-0002").write_text("osric")
        asked = desk.hears("delete this document for good")
        self.assertIn("“yes” or “no”", asked.summary)
        self.assertEqual(desk.sitting.title, "Rota", "nothing is done before it is answered")
        desk.hears("yes")
        self.assertEqual(desk.sitting.title, "Untitled")
        self.assertEqual(self.traces("osric"), [])
        self.assertIn("deleted for good", desk.sitting.trail[-1].summary)
        desk.hears("undo everything", "the tide")
        self.assertEqual([t for t, _ in self.journal.documents()], ["Untitled"])

    def test_no_is_no(self) -> None:
        desk = self.driver
        desk.hears("the tide", "delete this document for good", "no")
        self.assertEqual(to_markdown(desk.document), "The tide")
        desk.hears("delete this document for good", "two")
        self.assertEqual(to_markdown(desk.document), "The tide")

    def test_another_document_is_deleted_by_its_name_and_the_last_one_leaves_an_empty_desk(
        self,
    ) -> None:
        desk = self.driver
        desk.hears("new document called rota", "delete the document untitled for good", "yes")
        self.assertEqual(desk.sitting.shelf, ("Rota",))
        desk.hears("osric", "delete rota for good", "yes")
        self.assertEqual((desk.sitting.shelf, to_markdown(desk.document)), (("Untitled",), ""))
        desk.hears("the tide")
        self.assertEqual(to_markdown(desk.document), "The tide")

    def test_what_was_undone_before_today_is_forgotten(self) -> None:
        desk = self.driver
        desk.hears("the tide", "osric was late", "undo that", "is high", "nell is early")
        self.day = 1
        desk.hears("undo that", "forget what was undone before today", "yes")
        self.assertEqual(self.traces("osric"), [])
        self.assertEqual(self.traces("nell"), [], "it was said yesterday, and undone")
        self.assertEqual(to_markdown(desk.document), "The tide is high")
        desk.hears("redo that")
        self.assertIn("nothing to bring back", desk.sitting.trail[-1].summary)
        desk.hears("undo everything")
        self.assertEqual(to_markdown(desk.document), "")
        desk.hears("redo everything")
        self.assertEqual(to_markdown(desk.document), "The tide is high")

    def test_what_was_undone_today_stays_in_reach(self) -> None:
        desk = self.driver
        desk.hears("the tide", "osric was late", "undo that")
        desk.hears("forget what was undone before today", "yes", "redo that")
        self.assertEqual(to_markdown(desk.document), "The tide osric was late")
