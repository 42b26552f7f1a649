"""The laws of edits, over thousands of random documents and edits."""

from __future__ import annotations

import json
import unittest

from hypothesis import given, settings

from nimble_lantern.core.document.edits import Edit, Side, edit_from_json, edit_to_json
from nimble_lantern.core.document.model import (
    Document,
    Position,
    block_from_json,
    block_to_json,
    normal_spans,
)
from nimble_lantern.core.errors import EditError
from tests.core.strategies import documents, edited

MANY = settings(max_examples=1500, deadline=None)


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

    @settings(max_examples=150, deadline=None)
    @given(edited())
    def test_an_edit_survives_the_store(self, case: tuple[Document, Edit]) -> None:
        _, edit = case
        self.assertEqual(edit_from_json(json.loads(json.dumps(edit_to_json(edit)))), edit)

    @settings(max_examples=150, deadline=None)
    @given(documents)
    def test_a_block_survives_the_store(self, document: Document) -> None:
        for block in document.blocks:
            self.assertEqual(block_from_json(json.loads(json.dumps(block_to_json(block)))), block)

    def test_an_edit_for_another_document_is_a_bug_and_raises(self) -> None:
        from nimble_lantern.core.document.edits import Join, Splice
        from nimble_lantern.core.document.model import Piece

        for step in (Splice(0, 3, 9, Piece("x")), Splice(4, 0, 0, Piece()), Join(0, 7)):
            with self.assertRaises(EditError):
                Edit((step,)).apply(Document())


if __name__ == "__main__":
    unittest.main()
