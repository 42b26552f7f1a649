"""The laws of edits, over thousands of random documents and edits."""

from __future__ import annotations

import json
import unittest

from hypothesis import given, settings

from nimble_lantern.core.document.edits import (
    Edit,
    Pin,
    Side,
    Unpin,
    delete,
    edit_from_json,
    edit_to_json,
)
from nimble_lantern.core.document.model import (
    Block,
    Document,
    Position,
    Range,
    document_from_json,
    document_to_json,
    normal_spans,
)
from nimble_lantern.core.errors import EditError
from tests.core.strategies import documents, edited

MANY = settings(max_examples=300, deadline=None)


def positions(document: Document) -> list[Position]:
    return [
        Position(b, o)
        for b, block in enumerate(document.blocks)
        for o in range(len(block.text) + 1)
    ]


class EditLaws(unittest.TestCase):
    @MANY
    @given(edited())
    def test_the_inverse_takes_an_edit_back_exactly(self, case: tuple[Document, Edit]) -> None:
        document, edit = case
        after, back = edit.apply(document), edit.inverse(document)
        self.assertEqual(back.apply(after), document)
        self.assertEqual(back.inverse(after).apply(document), after)
        for block in after.blocks:
            self.assertEqual(block.spans, normal_spans(block.spans, len(block.text)))

    @MANY
    @given(edited())
    def test_positions_move_into_the_new_text_in_order_or_are_gone(
        self, case: tuple[Document, Edit]
    ) -> None:
        document, edit = case
        after = edit.apply(document)
        for side in Side:
            moved = [edit.moved(p, side) for p in positions(document)]
            kept = [m for m in moved if m is not None]
            self.assertTrue(all(after.contains(m) for m in kept), kept)
            self.assertEqual(kept, sorted(kept))

    @MANY
    @given(edited())
    def test_a_lost_position_settles_between_its_nearest_neighbours_that_are_left(
        self, case: tuple[Document, Edit]
    ) -> None:
        document, edit = case
        after = edit.apply(document)
        for side in Side:
            every = positions(document)
            moved = [edit.moved(p, side) for p in every]
            for n, p in enumerate(every):
                found = edit.settled(document, p, side)
                self.assertTrue(after.contains(found), (p, found))
                if moved[n] is not None:
                    self.assertEqual(found, moved[n])
                    continue
                before = [m for m in moved[:n] if m is not None]
                behind = [m for m in moved[n:] if m is not None]
                self.assertTrue(not before or before[-1] <= found, (p, found))
                self.assertTrue(not behind or found <= behind[0], (p, found))

    def test_the_caret_stays_where_a_stretch_over_paragraphs_was_deleted(self) -> None:
        document = Document(tuple(Block(t) for t in ("the tide", "is very", "high today", "now")))
        edit = delete(document, Range(Position(0, 3), Position(2, 4)))
        for lost in (Position(0, 5), Position(1, 2), Position(2, 1)):
            self.assertEqual(edit.settled(document, lost), Position(0, 3))

    @MANY
    @given(edited())
    def test_every_anchor_stands_in_the_text_or_nowhere(self, case: tuple[Document, Edit]) -> None:
        document, edit = case
        after = edit.apply(document)
        for block in after.blocks:
            self.assertEqual(block.points, tuple(sorted(block.points)))
            for point in block.points:
                self.assertTrue(0 <= point.offset <= len(block.text), point)
                self.assertIn(point.anchor, after.anchors)
        for number in after.anchors:
            where = after.where(number)
            if where is not None:
                self.assertTrue(after.contains(where.start) and after.contains(where.end))
                self.assertLessEqual(where.start, where.end)

    @MANY
    @given(edited())
    def test_an_anchor_moves_as_positions_do(self, case: tuple[Document, Edit]) -> None:
        """Where both ends of its range are left, it stands between them."""
        document, edit = case
        if any(isinstance(s, (Pin, Unpin)) for s in edit.steps):
            return
        after = edit.apply(document)
        for number in document.anchors:
            was, now = document.where(number), after.where(number)
            moved = edit.moved_range(was) if was is not None and not was.empty else None
            if moved is not None and not moved.empty:
                self.assertEqual(now, moved)

    @settings(max_examples=150, deadline=None)
    @given(edited())
    def test_an_edit_survives_the_store(self, case: tuple[Document, Edit]) -> None:
        _, edit = case
        self.assertEqual(edit_from_json(json.loads(json.dumps(edit_to_json(edit)))), edit)

    @settings(max_examples=150, deadline=None)
    @given(documents)
    def test_a_document_survives_the_store(self, document: Document) -> None:
        kept = json.loads(json.dumps(document_to_json(document)))
        self.assertEqual(document_from_json(kept), document)

    def test_an_edit_for_another_document_is_a_bug_and_raises(self) -> None:
        from nimble_lantern.core.document.edits import Join, Splice
        from nimble_lantern.core.document.model import Piece

        for step in (Splice(0, 3, 9, Piece("x")), Splice(4, 0, 0, Piece()), Join(0, 7)):
            with self.assertRaises(EditError):
                Edit((step,)).apply(Document())


if __name__ == "__main__":
    unittest.main()
