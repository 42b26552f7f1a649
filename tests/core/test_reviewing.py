"""Passages, places, margin notes and versions, by voice and under any edit."""

from __future__ import annotations

import unittest
from datetime import datetime

from hypothesis import example, given, settings
from hypothesis import strategies as st

from nimble_lantern.core.commands.places import places_of
from nimble_lantern.core.document.tables import kept_whole
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.reviewing.comparing import compare, taken_back
from nimble_lantern.core.reviewing.notes import notes_of
from nimble_lantern.core.reviewing.passages import blanks_in
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.formats import from_markdown, to_markdown
from tests.core.strategies import documents
from tests.desk import DeskCase

TEXT = (
    "The ferry leaves at noon. The stair is wet.\n\nThe board met on Monday and agreed the budget."
)
STORED = {
    "sign off": "With kind regards,\n\nIda Marlowe",
    "visit": "We come on [day] at [time], [weather: rain / shine] permitting. [tea? Tea is on us.]",
    "dated": "Saltmarsh, [today's date]",
}


class Passages(DeskCase):
    def test_blanks_are_filled_one_after_another(self) -> None:
        desk = self.desk("", passages=STORED)
        desk.hears("insert visit")
        self.assertPage(
            "We come on [[day]] at [time], [weather: rain / shine] permitting. [tea? Tea is on us.]"
        )
        desk.hears("tuesday", "next blank", "noon", "next")
        self.assertEqual([o.label for o in desk.sitting.question.options], ["rain", "shine"])  # type: ignore[union-attr]
        desk.hears("two", "leave it out")
        self.assertEqual(desk.markdown, "We come on Tuesday at noon, shine permitting.")
        desk.hears("undo everything")
        self.assertEqual(desk.markdown, "")

    def test_a_blank_left_out_takes_its_space(self) -> None:
        desk = self.desk("", passages={"visit": "We come on [day] by boat."})
        desk.hears("insert visit", "leave it out")
        self.assertEqual(desk.markdown, "We come on by boat.")

    def test_by_the_name_alone_only_where_it_is_unmistakable(self) -> None:
        desk = self.desk("Dear board,", passages=STORED)
        desk.hears("new paragraph", "sign off")
        self.assertIn("With kind regards", desk.markdown)
        self.assertRead("text", desk.hears("visit"))

    def test_made_changed_shown_and_removed_by_voice(self) -> None:
        desk = self.desk(TEXT)
        desk.hears("make monday a blank called day", "select the last paragraph",
                   "keep this as minutes", "go to the end", "new paragraph", "insert minutes",
                   "friday")  # fmt: skip
        self.assertIn("The board met on Friday", desk.markdown)
        self.assertIn("[day]", desk.hears("what does minutes say").summary)
        desk.hears("rename the passage minutes to board minutes", "back to the desk")
        self.assertEqual([p.name for p in desk.sitting.passages], ["board minutes"])
        desk.hears("remove the passage board minutes")
        self.assertEqual(desk.sitting.passages, ())
        desk.hears("undo that")
        self.assertEqual([p.name for p in desk.sitting.passages], ["board minutes"])

    def test_what_fills_itself(self) -> None:
        desk = self.desk("", passages=STORED, now=datetime(2026, 3, 14, 10, 30))
        desk.hears("insert dated")
        self.assertEqual(desk.markdown, "Saltmarsh, 14 March 2026")
        desk.hears("new paragraph", "insert the time")
        self.assertTrue(desk.markdown.endswith("10.30 am"))

    def test_what_is_no_blank(self) -> None:
        found = [b.name for b in blanks_in("[day] [x/y] [] [a: b] [pick: in / out] [tea? yes]")]
        self.assertEqual(found, ["day", "pick", "tea"])


class Places(DeskCase):
    def test_a_place_moves_with_the_text_and_comes_back_with_it(self) -> None:
        desk = self.desk(TEXT)
        desk.hears("go before agreed", "call this place budget", "go to the start", "hello",
                   "go to budget")  # fmt: skip
        self.assertIn("Monday and |agreed", desk.page)
        desk.hears("delete the last paragraph")
        self.assertEqual(places_of(desk.document), [])
        desk.hears("undo that", "go to the place budget")
        self.assertIn("Monday and |agreed", desk.page)
        self.assertEqual(len(desk.hears("show my places").summary.split("“")), 2)
        desk.hears("forget the place budget")
        self.assertEqual(places_of(desk.document), [])

    def test_words_of_the_text_are_gone_to_where_no_place_is_called_so(self) -> None:
        desk = self.desk(TEXT)
        self.assertRead("command", desk.hears("go to monday"), "moving.to")


class Notes(DeskCase):
    def test_made_walked_changed_answered_settled_and_removed(self) -> None:
        desk = self.desk(TEXT)
        desk.hears("note on the last sentence check with the ferry company",
                   "margin note on the stair colon it is thirty nine steps now")  # fmt: skip
        found = notes_of(desk.document)
        self.assertEqual([n.text for n in found],
                         ["It is 39 steps now", "Check with the ferry company"])  # fmt: skip
        self.assertEqual(desk.document.text(found[0].range), "The stair")
        desk.hears(
            "change note one to ask the warden", "answer note one she said yes", "settle note one"
        )
        first = notes_of(desk.document)[0]
        self.assertEqual((first.text, first.settled), ("Ask the warden\nShe said yes", True))
        self.assertIn("Check with", desk.hears("go to the start", "next note", "next note").summary)
        desk.hears("remove the settled notes")
        self.assertEqual(len(notes_of(desk.document)), 1)
        desk.hears("undo that", "undo that")
        self.assertFalse(notes_of(desk.document)[0].settled)
        self.assertEqual(desk.markdown, TEXT)

    def test_a_sentence_about_notes_is_text(self) -> None:
        for said in ("make a note of the time", "note that the boat is late", "take note"):
            with self.subTest(said):
                desk = self.desk(TEXT)
                self.assertRead("text", desk.hears(said))


class Versions(DeskCase):
    def test_named_compared_walked_and_taken_back(self) -> None:
        desk = self.desk(TEXT)
        desk.hears("call this version first draft", "replace monday with friday",
                   "delete the first sentence")  # fmt: skip
        self.assertIn("two changes", desk.hears("compare with first draft").summary)
        self.assertIn("is gone", desk.hears("next change").summary)
        self.assertIn("“Monday” is “Friday” now", desk.hears("next change").summary)
        desk.hears("take this one back")
        self.assertIn("Monday", desk.markdown)
        desk.hears("stop comparing", "bring back first draft")
        self.assertEqual(desk.markdown, TEXT)
        desk.hears("undo that")
        self.assertNotIn("The ferry", desk.markdown)

    def test_a_part_is_brought_back_from_a_version(self) -> None:
        desk = self.desk(TEXT)
        desk.hears("call this version first draft", "delete the first paragraph")
        desk.hears("bring back the first paragraph from first draft")
        self.assertEqual(desk.markdown, TEXT)

    def test_what_changed_since_an_utterance_and_a_day(self) -> None:
        desk = self.desk(TEXT, now=datetime(2026, 3, 14, 10, 30))
        desk.hears("new paragraph tea was served", "replace tea with lunch")
        self.assertIn("one change", desk.hears("show what changed since one").summary)
        self.assertIn("one change", desk.hears("what changed since yesterday").summary)


class Comparing(unittest.TestCase):
    @given(documents, documents)
    @settings(deadline=None, max_examples=60)
    def test_taking_every_change_back_leads_to_the_old_text(self, old, new) -> None:  # type: ignore[no-untyped-def]
        if any(b.cell for d in (old, new) for b in d.blocks):
            return
        now = new
        for _ in range(200):
            changes = compare(old, now)
            if not changes:
                break
            now = taken_back(old, now, changes[0]).apply(now)
        texts = [b.text for b in now.blocks if b.text.strip()]
        self.assertEqual(texts, [b.text for b in old.blocks if b.text.strip()])


SAID = (
    "make a table with two columns and two rows", "next", "next row", "end table", "add a column",
    "delete row two", "sort the table by the first column", "delete the table", "insert visit",
    "next blank", "leave it out", "two", "call this place a", "go to a", "forget the place a",
    "note on the first sentence look here", "settle note one", "remove note one", "next note",
    "call this version one", "compare with one", "next change", "take this one back",
    "bring back one", "hello there full stop", "new paragraph", "delete the last word",
    "undo that", "redo that", "bold the first word", "go to the start", "select the last sentence",
    "put a heading saying tea above the last paragraph", "date it", "add a row with tea comma ten",
    "gull in the next cell", "the same for the last sentence", "no i need that", "start a list",
    "next one a rope", "that's enough of the list", "put the last sentence on its own line",
)  # fmt: skip


class Mixed(unittest.TestCase):
    @example(["make a table with two columns and two rows", "undo that",
              "make a table with two columns and two rows", "redo that"])  # fmt: skip
    @example(["next", "undo that", "next", "redo that", "undo that"])
    @example(["make a table with two columns and two rows", "go to a", "two"])  # it listens no more
    @given(st.lists(st.sampled_from(SAID), min_size=1, max_size=14))
    @settings(deadline=None, max_examples=60)
    def test_any_mixture_keeps_the_invariants(self, said: list[str]) -> None:
        from tests.desk import Driver

        desk = Driver(TEXT, passages=STORED)
        begun = to_markdown(desk.document)
        for line in said:
            before = desk.sitting
            desk.hears(line)
            after = desk.sitting
            self.assertTrue(kept_whole(before.document, after.document), line)
            self.assertTrue(after.document.contains(after.caret), line)
            for r in (after.selection, *after.that):
                if r is not None:
                    self.assertTrue(after.document.contains(r.start), line)
                    self.assertTrue(after.document.contains(r.end), line)
            numbers = [n.number for n in notes_of(after.document)]
            self.assertEqual(numbers, list(range(1, len(numbers) + 1)))
        desk.hears("start listening", "cancel", "undo everything")
        self.assertEqual(to_markdown(desk.document), begun)

    def test_a_reading_of_words_never_needs_a_clock(self) -> None:
        sitting = advance(
            Sitting(document=from_markdown(TEXT)), Heard(from_line("insert the date"))
        )
        self.assertIsNone(sitting.sitting.now)
