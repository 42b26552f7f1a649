"""What the page shows: the window of lines, its pieces, and the hints."""

from __future__ import annotations

import unittest
from dataclasses import replace
from itertools import pairwise

from hypothesis import given, settings
from hypothesis import strategies as st

from nimble_lantern.core.document.layout import LineIndex, PageStyle, edges, room
from nimble_lantern.core.document.metrics import FAMILIES, advances
from nimble_lantern.core.document.model import Block, Document, Position
from nimble_lantern.core.hints import hints
from nimble_lantern.core.reading.reader import judge
from nimble_lantern.core.showing import rows, scrolled, top_line
from nimble_lantern.core.state import View
from tests.core.strategies import documents
from tests.desk import DeskCase

STYLES = (PageStyle(), PageStyle(300.0, 28.0), PageStyle(700.0, 20.0, "Courier Prime"))


class Lines(unittest.TestCase):
    @settings(max_examples=300, deadline=None)
    @given(documents, st.sampled_from(STYLES))
    def test_lines_hold_all_of_the_text_and_none_is_too_wide(
        self, document: Document, style: PageStyle
    ) -> None:
        layout = LineIndex().layout(document, style)
        texts = ["" for _ in document.blocks]
        for _, parts in layout.rows(1, layout.count):
            for b, line in parts:
                block = document.blocks[b]
                text = block.text[line.start : line.end]
                texts[b] += text
                ends = edges(block, style)[line.start : line.end + 1]
                # A line is as wide as its column at most; no letter is broken, however narrow that.
                letter = max((b - a for a, b in pairwise(ends)), default=0.0)
                self.assertLessEqual(line.width, max(room(block, style), letter) + 0.01)
                self.assertGreaterEqual(line.height, style.size)
        self.assertEqual(texts, [b.text for b in document.blocks])

    @settings(max_examples=150, deadline=None)
    @given(documents)
    def test_every_position_stands_on_the_line_of_its_number(self, document: Document) -> None:
        layout = LineIndex().layout(document, PageStyle(120.0))
        highest = 0
        for b, block in enumerate(document.blocks):
            last = layout.before[b]
            for offset in range(len(block.text) + 1):
                number = layout.number(Position(b, offset))
                self.assertGreaterEqual(number, last)
                last = number
                self.assertIn(b, [part for part, _ in layout.parts(number)])
                line = layout.line(number)
                assert line is not None
                self.assertTrue(line.start.block <= b <= line.end.block)
            highest = max(highest, last)
        self.assertEqual(highest, layout.count)
        self.assertIsNone(layout.line(0))
        self.assertIsNone(layout.line(layout.count + 1))

    def test_a_word_too_long_for_the_column_is_cut(self) -> None:
        layout = LineIndex().layout(Document((Block("a" * 400),)), PageStyle(200.0))
        self.assertGreater(layout.count, 10)

    def test_every_shipped_family_has_its_own_widths(self) -> None:
        text = "The keeper lit the lamp."
        widths = {sum(advances(text, family)) for family in FAMILIES}
        self.assertEqual(len(widths), len(FAMILIES))
        self.assertGreater(sum(advances(text, "Literata", True)), sum(advances(text, "Literata")))
        self.assertEqual(advances("ŵ", "Literata") == [0.6], False)

    def test_edges_add_up(self) -> None:
        block = Block("one two")
        at = edges(block, PageStyle())
        self.assertEqual((at[0], len(at)), (0.0, 8))
        self.assertEqual(at, sorted(at))


class Window(DeskCase):
    LONG = "\n\n".join(f"Paragraph {n} is here." for n in range(1, 61))

    def test_the_caret_is_always_in_the_window(self) -> None:
        desk = self.desk(self.LONG)
        top = 1
        for said in ("go to the end", "go to paragraph thirty", "go to the start"):
            desk.hears(said)
            top = top_line(desk.sitting, top, 470.0)
            shown = rows(desk.sitting, top, 470.0)
            self.assertTrue(any(row.here for row in shown), said)
            self.assertLessEqual(sum(row.height for row in shown), 470.0)

    def test_the_window_stays_while_it_can(self) -> None:
        desk = self.desk(self.LONG)
        desk.hears("go to paragraph thirty")
        top = top_line(desk.sitting, 1, 470.0)
        desk.hears("go down one line")
        self.assertEqual(top_line(desk.sitting, top, 470.0), top)

    def test_a_far_selection_is_looked_at(self) -> None:
        desk = self.desk(self.LONG)
        desk.hears("select paragraph five")
        shown = rows(desk.sitting, top_line(desk.sitting, 50, 470.0), 470.0)
        self.assertIn(5, [row.number for row in shown])

    def test_scrolling_shows_other_lines(self) -> None:
        desk = self.desk(self.LONG)
        down = scrolled(desk.sitting, 1, 470.0, 2)
        self.assertGreater(down, 15)
        self.assertLess(scrolled(desk.sitting, down, 470.0, -2), 4)

    def test_selection_caret_and_pennants_cut_a_line(self) -> None:
        desk = self.desk("The old ferry and the old quay.")
        desk.hears("select ferry")
        pieces = rows(desk.sitting, 1, 470.0)[0].parts[0].segments
        chosen = [p for p in pieces if p.selected]
        self.assertEqual([p.text for p in chosen], ["ferry"])
        self.assertEqual(chosen[0].edges, ("start", "end"))
        desk.hears("cancel", "bold old")
        flags = [p for p in rows(desk.sitting, 1, 470.0)[0].parts[0].segments if p.pennants]
        self.assertEqual([(p.text, p.pennants) for p in flags], [("old", (1,)), ("old", (2,))])

    def test_items_have_their_signs(self) -> None:
        desk = self.desk("1. one\n2. two\n   - deep\n3. three")
        self.assertEqual(
            [r.parts[0].sign for r in rows(desk.sitting, 1, 470.0)], ["1.", "2.", "◦", "3."]
        )

    def test_a_caret_at_the_end_of_an_empty_page_is_drawn(self) -> None:
        desk = self.desk("")
        self.assertTrue(rows(desk.sitting, 1, 470.0)[0].parts[0].segments[0].caret)


class Hints(DeskCase):
    def test_each_hint_would_be_done_now(self) -> None:
        desk = self.desk("# Rota\n\nThe Harbour Board met. Ida Marlowe kept the lamp room.")
        for said in ("it rained", "bold on", "select the lamp room", "cancel", "undo that"):
            desk.hears(said)
            for hint in hints(desk.sitting):
                verdict = judge(desk.sitting, hint.split(), True)
                self.assertIn(verdict.kind, ("command", "refused"), hint)

    def test_they_fit_the_moment(self) -> None:
        desk = self.desk("The ferry and the ferry.")
        desk.hears("bold ferry")
        self.assertIn("choose two", hints(desk.sitting))
        desk.hears("cancel", "select the first ferry")
        self.assertIn("bold that", hints(desk.sitting))
        desk.hears("text only")
        self.assertEqual(hints(desk.sitting), ("commands again",))
        desk.hears("commands again", "stop listening")
        self.assertEqual(hints(desk.sitting), ("start listening",))

    def test_they_are_made_from_the_words_in_view(self) -> None:
        desk = self.desk("We wrote to the harbour office. Ida Marlowe agreed.")
        self.assertTrue(any("ida marlowe" in h for h in hints(desk.sitting)))

    def test_other_views_have_their_own(self) -> None:
        desk = self.desk()
        for view in ("shelf", "settings", "commands"):
            self.assertIn("back to the desk", hints(replace(desk.sitting, view=View(view))))


class LongCells(DeskCase):
    def test_each_stands_below_its_own_heading(self) -> None:
        words = "the old north jetty behind the long shed by the gate at the quay " * 2
        desk = self.desk(f"| Boat | Berth |\n|---|---|\n| Petrel | {words.strip()} |\n")
        shown = rows(desk.sitting, 1, 600)
        grid = [row for row in shown if row.kind == "cell"]
        self.assertGreater(len(grid), 2)
        for row in grid:
            self.assertEqual([part.block % 2 for part in row.parts], [0, 1])
        self.assertEqual("".join(s.text for s in grid[2].parts[0].segments), "")
