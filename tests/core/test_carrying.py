"""Margin notes and places go with the words that are moved."""

from __future__ import annotations

from nimble_lantern.core.reviewing.notes import notes_of
from tests.core.test_told_by_its_place import PACKING, SHED, TURNS
from tests.desk import DeskCase


class Carried(DeskCase):
    def note_stands_on(self, page: str, words: str, said: str) -> None:
        """A note on these words stands on them still, and is undone and done again with all."""
        with self.subTest(said):
            desk = self.desk(page)
            desk.hears(f"note on {words} is that right", *said.split(" / "))
            for _ in range(2):
                (note,) = notes_of(desk.document)
                self.assertEqual(desk.document.text(note.range).lower(), words)
                self.assertEqual(note.text, "Is that right")
                moved = desk.markdown
                desk.hears("undo that")
                (note,) = notes_of(desk.document)
                self.assertEqual(desk.document.text(note.range).lower(), words)
                desk.hears("redo that")
                self.assertEqual(desk.markdown, moved)

    def test_with_paragraphs_sentences_and_words(self) -> None:
        for said in (
            "move the third paragraph above the pump",
            "move the third paragraph to the end",
            "move the third paragraph up",
            "move the first sentence of the third paragraph above the pump",
            "move the first sentence of the third paragraph to the end of it",
            "move a hose before prices",
            "swap the second and third paragraphs",
            "swap the pump and a hose",
            "break the third paragraph up into bullets",
            "join the last two paragraphs",
        ):
            self.note_stands_on(SHED, "a hose", said)

    def test_with_items_and_cells(self) -> None:
        for said in ("move matches to the top", "swap matches and the tent", "sort the list"):
            self.note_stands_on(PACKING, "matches", said)
        for said in ("swap greta and tom", "move the wednesday row up", "sort the table by water"):
            self.note_stands_on(TURNS, "tom", said)
        for said in ("turn the table into text", "turn the table into a list"):
            self.note_stands_on(TURNS, "tom", said)

    def test_with_several_paragraphs(self) -> None:
        page = f"{PACKING}\n\n1. wash the pan\n2. dry the lamp\n\nThat is all."
        self.note_stands_on(page, "dry the lamp", "swap the two lists")
        self.note_stands_on(page, "matches", "swap the first list and the second list")

    def test_other_words_get_no_note(self) -> None:
        """Two paragraphs put into a cell are one there, and nothing of the next cell."""
        desk = self.desk(TURNS + "\n\nBring gloves.\n\nBring a hat.")
        desk.hears("note on hat is that right", "move the last two paragraphs after tom")
        self.assertIn("| Wednesday | Tom Bring gloves.", desk.markdown)
        self.assertNotIn("Greta", [desk.document.text(n.range) for n in notes_of(desk.document)])
        desk.hears("undo that")
        (note,) = notes_of(desk.document)
        self.assertEqual(desk.document.text(note.range), "hat")

    def test_paragraphs_of_which_the_first_is_a_word_longer(self) -> None:
        page = "Thanks.\n\nBring gloves.\n\nBring a hat."
        for where in ("to the top", "before thanks"):
            self.note_stands_on(page, "hat", f"move the last two paragraphs {where}")

    def test_a_place_goes_along(self) -> None:
        desk = self.desk(SHED)
        desk.hears("go to a hose", "call this place hose", "go to the top")
        desk.hears("move the third paragraph to the end", "go to hose", "rubber")
        self.assertIn("We agreed to buy rubber a hose.", desk.markdown)

    def test_what_reaches_further_stays(self) -> None:
        desk = self.desk(SHED)
        desk.hears("note on the third paragraph is that right")
        desk.hears("move the last sentence of the third paragraph to the end")
        (note,) = notes_of(desk.document)
        self.assertEqual(desk.document.text(note.range), "We agreed to buy a hose.")
