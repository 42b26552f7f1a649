"""Taking one change out of a document although others came after it."""

from __future__ import annotations

import unittest

from hypothesis import given, settings
from hypothesis import strategies as st

from nimble_lantern.core.document.edits import Edit, Splice
from nimble_lantern.core.document.history import History, Version
from nimble_lantern.core.document.model import Block, Document, Piece, Position
from nimble_lantern.core.document.taking_back import since, taken_back
from tests.core.strategies import documents, plain_documents, steps


def committed(history: History, document: Document, edit: Edit) -> tuple[History, Document]:
    here = Position(0, 0)
    made = history.commit(edit, edit.inverse(document), history.count + 1, here, here)
    return made, edit.apply(document)


def head(history: History) -> Version:
    assert history.head is not None
    return history.head


class Laws(unittest.TestCase):
    @settings(max_examples=300, deadline=None)
    @given(st.data())
    def test_the_newest_change_can_always_be_taken_back(self, data: st.DataObject) -> None:
        document = data.draw(documents)
        edit = Edit((data.draw(steps(document)),))
        history, after = committed(History(), document, edit)
        back = taken_back(after, head(history), [])
        assert back is not None
        self.assertEqual(back.apply(after), document)

    @settings(max_examples=300, deadline=None)
    @given(st.data())
    def test_a_change_elsewhere_afterwards_stays(self, data: st.DataObject) -> None:
        """One change in the first half, another in the second: without the first, the second."""
        first, second = data.draw(plain_documents), data.draw(plain_documents)
        mark = Block("between", kind="quotation")
        one = Edit((data.draw(steps(first, anchors=False)),))
        two = Edit((data.draw(steps(second, anchors=False)),))
        changed = one.apply(first)
        whole = Document((*first.blocks, mark, *second.blocks))
        history, after = committed(History(), whole, _put(first, changed, 0))
        made = head(history)
        at = len(changed.blocks) + 1
        history, after = committed(history, after, _put(second, two.apply(second), at))
        later = since(history, made)
        assert later is not None
        back = taken_back(after, made, later)
        assert back is not None
        expected = Document((*first.blocks, mark, *two.apply(second).blocks))
        self.assertEqual(back.apply(after), expected)


def _put(old: Document, new: Document, at: int) -> Edit:
    """An edit that puts the blocks of one document, `at` so many blocks, in another's place."""
    from nimble_lantern.core.document.edits import AddBlocks, DropBlocks

    return Edit((AddBlocks(at, new.blocks), DropBlocks(at + len(new.blocks), len(old.blocks))))


class Words(unittest.TestCase):
    def test_words_round_it_may_have_changed(self) -> None:
        document = Document((Block("the tide is high"),))
        history, now = committed(
            History(), document, Edit((Splice(0, 4, 8, Piece("boat")),))
        )  # the boat is high
        made = head(history)
        history, now = committed(history, now, Edit((Splice(0, 12, 16, Piece("late")),)))
        history, now = committed(history, now, Edit((Splice(0, 0, 0, Piece("and ")),)))
        back = taken_back(now, made, since(history, made) or [])
        assert back is not None
        self.assertEqual(back.apply(now).blocks[0].text, "and the tide is late")

    def test_words_of_it_must_not(self) -> None:
        document = Document((Block("the tide"),))
        history, now = committed(History(), document, Edit((Splice(0, 8, 8, Piece(" is in")),)))
        made = head(history)
        history, now = committed(history, now, Edit((Splice(0, 9, 11, Piece("was")),)))
        self.assertIsNone(taken_back(now, made, since(history, made) or []))
