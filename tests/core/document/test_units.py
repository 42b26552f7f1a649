"""Words, sentences, paragraphs, lists, sections, and the tree of versions."""

from __future__ import annotations

import unittest

from hypothesis import given, settings

from nimble_lantern.core.document import history, units
from nimble_lantern.core.document.changes import changed
from nimble_lantern.core.document.edits import Edit, Splice
from nimble_lantern.core.document.history import History
from nimble_lantern.core.document.model import Block, Document, Piece, Position, Range
from nimble_lantern.formats import from_markdown
from tests.core.strategies import documents, edited


def words(text: str) -> list[str]:
    return [text[s:e] for s, e in Block(text).words]


def sentences(text: str) -> list[str]:
    return [text[s:e] for s, e in Block(text).sentences]


class Words(unittest.TestCase):
    def test_marks_at_the_edge_are_no_part_of_a_word(self) -> None:
        self.assertEqual(words("“Mind the step,” he said."), ["Mind", "the", "step", "he", "said"])

    def test_what_holds_together_is_one_word(self) -> None:
        text = "the keeper’s well-known 7:30 boat, 1,450 at £5.50 and 20% of a.m"
        self.assertEqual(
            words(text),
            ["the", "keeper’s", "well-known", "7:30", "boat", "1,450", "at", "£5.50", "and", "20%",
             "of", "a.m"],
        )  # fmt: skip

    def test_a_sign_alone_is_a_word(self) -> None:
        self.assertEqual(words("oil & bread"), ["oil", "&", "bread"])


class Sentences(unittest.TestCase):
    def test_stops_questions_and_exclamations_end_one(self) -> None:
        self.assertEqual(sentences("One. Two? Three! Four"), ["One.", "Two?", "Three!", "Four"])

    def test_abbreviations_initials_and_decimals_do_not(self) -> None:
        for text in (
            "Mr. Fenwick came.", "See Dr. Pell at 2.30 today.", "I. Marlowe wrote it.",
            "Bring a torch, e.g. a lantern.", "It is 3.14 exactly.",
        ):  # fmt: skip
            self.assertEqual(sentences(text), [text])

    def test_closing_quotes_belong_to_it(self) -> None:
        self.assertEqual(
            sentences("‘Is it late?’ he asked. Yes."), ["‘Is it late?’ he asked.", "Yes."]
        )

    def test_a_line_break_ends_one(self) -> None:
        self.assertEqual(sentences("Quay Lane\nSaltmarsh"), ["Quay Lane", "Saltmarsh"])


class Blocks(unittest.TestCase):
    page = from_markdown("# A\n\none\n\n- x\n- y\n\ntwo\n\n## B\n\nthree\n\n# C\n\nfour")

    def test_lists_and_sections(self) -> None:
        whole = self.page.whole
        lists = units.blocks(self.page, "list", whole)
        self.assertEqual([self.page.text(r) for r in lists], ["x\n\ny"])
        sections = units.blocks(self.page, "section", whole)
        self.assertEqual([r.start.block for r in sections], [0, 5, 7])
        self.assertEqual([r.end.block for r in sections], [6, 6, 8])

    def test_headings_are_no_paragraphs(self) -> None:
        found = units.blocks(self.page, "paragraph", self.page.whole)
        self.assertEqual([self.page.text(r) for r in found], ["one", "two", "three", "four"])

    def test_forward_and_backward_meet(self) -> None:
        ahead = list(units.forward(self.page, "word", Position(0, 0)))
        back = list(units.backward(self.page, "word", self.page.end))
        self.assertEqual(ahead, back[::-1])


class Changes(unittest.TestCase):
    @settings(max_examples=150, deadline=None)
    @given(edited())
    def test_only_what_differs_is_named(self, case: tuple[Document, Edit]) -> None:
        document, edit = case
        old, new = document.blocks, edit.apply(document).blocks
        start, old_end, new_end = changed(old, new)
        self.assertEqual((*old[:start], *new[start:new_end], *old[old_end:]), new)
        self.assertTrue(all(a is b for a, b in zip(old[:start], new[:start], strict=True)))

    def test_the_same_blocks_have_not_changed(self) -> None:
        blocks = (Block("a"), Block("b"))
        self.assertEqual(changed(blocks, blocks), (2, 2, 2))


class Versions(unittest.TestCase):
    def grown(self, texts: list[str]) -> tuple[History, Document]:
        tree, document = History(), Document()
        for number, text in enumerate(texts, 1):
            end = document.end
            edit = Edit((Splice(0, end.offset, end.offset, Piece(text)),))
            inverse = edit.inverse(document)
            document = edit.apply(document)
            tree = tree.commit(edit, inverse, number, end, document.end)
        return tree, document

    def test_undo_and_redo_walk_the_path(self) -> None:
        tree, document = self.grown(["a", "b", "c"])
        back = history.undo(tree, document, document.end, 2)
        self.assertEqual(back.document.blocks[0].text, "a")
        forth = history.redo(back.history, back.document, back.caret, 5)
        self.assertEqual((forth.document, len(forth.redone)), (document, 2))

    def test_a_walk_to_another_branch_goes_by_the_common_ancestor(self) -> None:
        tree, document = self.grown(["a", "b"])
        left = tree.head
        back = history.undo(tree, document, document.end, 1)
        edit = Edit((Splice(0, 1, 1, Piece("x")),))
        inverse = edit.inverse(back.document)
        branch = back.history.commit(edit, inverse, 3, back.caret, back.document.end)
        other = edit.apply(back.document)
        walk = history.go_to(branch, other, other.end, left)
        self.assertEqual(walk.document, document)
        self.assertEqual((len(walk.undone), len(walk.redone)), (1, 1))
        self.assertEqual(walk.edit.apply(other), document)

    def test_undo_beyond_the_first_stops_there(self) -> None:
        tree, document = self.grown(["a"])
        walk = history.undo(tree, document, document.end, 9)
        self.assertEqual((walk.document, walk.history.head), (Document(), None))


class Pieces(unittest.TestCase):
    @settings(max_examples=200, deadline=None)
    @given(documents)
    def test_a_range_s_text_is_that_of_its_pieces(self, document: Document) -> None:
        whole = document.whole
        pieces = [piece.text for piece, _ in document.pieces(whole)]
        self.assertEqual("\n\n".join(pieces), document.text(whole))
        self.assertEqual(document.count_words(whole), sum(len(b.words) for b in document.blocks))
        self.assertTrue(Range(document.end, document.end).empty)
