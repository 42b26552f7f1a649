"""Markdown in and out, and the other formats that are written."""

from __future__ import annotations

import re
import unittest
from html.parser import HTMLParser

from hypothesis import given, settings
from hypothesis import strategies as st

from nimble_lantern.core.document.model import Block, Document, Span, normal_spans
from nimble_lantern.core.errors import BadInput
from nimble_lantern.formats import from_markdown, read_markdown, to_html, to_markdown, to_text

INK = st.text(alphabet="abc DE.,*_[]()#<>&-1’“\\`~|!+", min_size=1, max_size=18)


def trimmed(text: str) -> str:
    return re.sub(r" +", " ", text).strip()


@st.composite
def plain_documents(draw: st.DrawFn) -> Document:
    """Documents that Markdown can hold: no spaces at edges, no empty blocks."""
    blocks = []
    for _ in range(draw(st.integers(1, 4))):
        text = trimmed(draw(INK)) or "x"
        form = draw(
            st.sampled_from(
                (
                    {},
                    {"kind": "heading", "level": 2},
                    {"kind": "item", "level": 1, "list": "bulleted"},
                    {"kind": "item", "level": 1, "list": "numbered"},
                )
            )
        )
        blocks.append(Block(text, (), **form))
    return Document(tuple(blocks))


class RoundTrip(unittest.TestCase):
    @settings(max_examples=400, deadline=None)
    @given(plain_documents())
    def test_what_was_written_is_read_back(self, document: Document) -> None:
        again = from_markdown(to_markdown(document))
        self.assertEqual([b.text for b in again.blocks], [b.text for b in document.blocks])
        self.assertEqual([b.format for b in again.blocks], [b.format for b in document.blocks])

    def test_marks_of_every_kind_come_back(self) -> None:
        text = "one two three"
        for mark, value in (
            ("bold", None), ("italic", None), ("strike", None), ("underline", None),
            ("subscript", None), ("superscript", None), ("highlight", None),
            ("colour", "red"), ("font", "Literata"), ("size", "20"),
            ("link", "https://example.org/a"),
        ):  # fmt: skip
            with self.subTest(mark=mark):
                spans = normal_spans([Span(4, 7, mark, value)], len(text))
                document = Document((Block(text, spans),))
                self.assertEqual(from_markdown(to_markdown(document)), document)

    def test_marks_that_overlap_are_nested(self) -> None:
        spans = (Span(0, 7, "bold"), Span(4, 13, "italic"))
        block = Block("one two three", spans)
        again = from_markdown(to_markdown(Document((block,)))).blocks[0]
        self.assertEqual(again.text, block.text)
        for offset, letter in enumerate(block.text):
            if letter != " ":
                marks = {s.mark for s in again.marks_at(offset)}
                self.assertEqual(marks, {s.mark for s in block.marks_at(offset)}, offset)

    def test_lists_headings_quotations_and_breaks(self) -> None:
        text = "# A\n\nb\\\nc\n\n> d\n\n- e\n   - f\n- g\n\n1. h\n2. i"
        self.assertEqual(to_markdown(from_markdown(text)), text)

    def test_breaks_at_the_edges_of_a_block_come_back(self) -> None:
        item = {"kind": "item", "level": 1, "list": "numbered"}
        blocks = (Block("a\n"), Block("\nb"), Block("c\n\nd\n\n"), Block("e\n", (), **item),
                  Block("f", (), **item), Block("g\n", (), kind="quotation"))  # fmt: skip
        again = from_markdown(to_markdown(Document(blocks)))
        self.assertEqual([b.text for b in again.blocks], [b.text for b in blocks])

    def test_a_table_keeps_its_cells(self) -> None:
        document = from_markdown("| a | b |\n| --- | --- |\n| 1 | 2 |")
        self.assertEqual([b.text for b in document.blocks], ["a", "b", "1", "2"])
        self.assertEqual(from_markdown(to_markdown(document)), document)

    def test_what_it_cannot_hold_stays_as_text(self) -> None:
        document = from_markdown("```\ncode\n```\n\n<div>kept</div>\n\n![alt](x.png)")
        self.assertEqual([b.text for b in document.blocks], ["code", "kept", "alt"])
        self.assertEqual(from_markdown("").blocks, (Block(),))


class Tags(HTMLParser):
    """Checks that every element is closed in its turn."""

    def __init__(self) -> None:
        super().__init__()
        self.open: list[str] = []
        self.text = ""
        self.seen: list[str] = []

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        self.seen.append(tag)
        if tag != "br":
            self.open.append(tag)

    def handle_endtag(self, tag: str) -> None:
        assert self.open and self.open.pop() == tag, tag

    def handle_data(self, data: str) -> None:
        self.text += data


class Html(unittest.TestCase):
    @settings(max_examples=200, deadline=None)
    @given(plain_documents())
    def test_it_is_well_formed_and_escapes_what_was_said(self, document: Document) -> None:
        tags = Tags()
        tags.feed(to_html(document))
        tags.close()
        self.assertEqual(tags.open, [])
        for block in document.blocks:
            self.assertIn(block.text.split()[0], tags.text)

    def test_elements_for_kinds_and_marks(self) -> None:
        page = from_markdown("# T\n\n> q\n\n- **a**\n   - *b*\n- c\n\n1. <u>d</u>")
        tags = Tags()
        tags.feed(to_html(page))
        for tag in ("h1", "blockquote", "ul", "ol", "li", "strong", "em", "u"):
            self.assertIn(tag, tags.seen)
        self.assertEqual(tags.open, [])

    def test_no_script_comes_through_a_link_or_a_style(self) -> None:
        document = Document((Block("x y", (Span(0, 1, "colour", '"><script>'),)),))
        self.assertNotIn("<script>", to_html(document))


class Text(unittest.TestCase):
    def test_blocks_are_parted_by_a_blank_line(self) -> None:
        self.assertEqual(to_text(from_markdown("# A\n\n- b\n- **c**")), "A\n\nb\n\nc")


class Bounded(unittest.TestCase):
    def spans(self, text: str) -> list[tuple[str, str | None]]:
        return [(s.mark, s.value) for b in from_markdown(text).blocks for s in b.spans]

    def losses(self, text: str) -> tuple[str, ...]:
        return read_markdown(text)[1]

    def test_sizes_and_colours_of_any_unit_are_brought_to_ours(self) -> None:
        for style, found in (
            ("font-size: 14px", ("size", "10.5")),
            ("font-size: 1.5em", ("size", "18")),
            ("font-size: 150%", ("size", "18")),
            ("font-size: 14pt", ("size", "14")),
            ("color: #ABC", ("colour", "#aabbcc")),
            ("color: rgb(1, 2, 300)", ("colour", "#0102ff")),
            ("color: gray", ("colour", "grey")),
            ("font-family: Nowhere, 'literata', serif", ("font", "Literata")),
        ):
            self.assertEqual(self.spans(f'<span style="{style}">x</span>'), [found], style)
            self.assertEqual(self.losses(f'<span style="{style}">x</span>'), ())

    def test_values_that_are_none_of_ours_are_left_out_and_told(self) -> None:
        for style in ("font-size: huge", "font-size: 9999px", "color: red; background: url(x)",
                      "color: mauve", "font-family: Nowhere"):  # fmt: skip
            text = f'a <span style="{style}">**b**</span> c'
            self.assertEqual(self.spans(text), [("bold", None)], style)
            self.assertEqual(len(self.losses(text)), 1, style)
            self.assertTrue(self.losses(text)[0].endswith("left out."))

    def test_items_past_the_deepest_level_are_kept_on_it_and_told(self) -> None:
        text = "".join(f"{'  ' * n}- item {n}\n" for n in range(60))
        document, losses = read_markdown(text)
        self.assertEqual([b.text for b in document.blocks], [f"item {n}" for n in range(60)])
        self.assertEqual(max(b.level or 0 for b in document.blocks), 9)
        self.assertEqual(losses, ("Items deeper than level 9 were put on that level.",))

    def test_ten_thousand_levels_of_quotation_keep_their_words(self) -> None:
        self.assertEqual(from_markdown(">" * 10_000 + " words").blocks[-1].text, "words")

    def test_what_is_too_large_or_has_too_many_parts_is_refused_in_a_sentence(self) -> None:
        for text in ("a " * 6_000_000, "- a\n" * 500_000, "|a" * 90_000, "*a **b " * 60_000):
            with self.assertRaises(BadInput) as caught:
                from_markdown(text)
            self.assertIn("make several of it", str(caught.exception))

    def test_signs_that_are_no_text_are_left_out_and_told(self) -> None:
        document, losses = read_markdown("the\x00 \ud800tide")
        self.assertEqual((document.blocks[0].text, len(losses)), ("the tide", 1))
