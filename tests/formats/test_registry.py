"""The registry of formats, and what each tells of what it cannot hold."""

from __future__ import annotations

import unittest
from pathlib import PurePath

from nimble_lantern.core.document.model import Align, Block, Document, Kind, Span
from nimble_lantern.core.errors import BadInput, WrongUse
from nimble_lantern.formats import FORMATS, FileFormat, Registry, from_markdown
from nimble_lantern.formats.text import from_text
from tests.desk import Driver

LETTER = Document(
    (
        Block("Letter", kind=Kind.HEADING, level=1),
        Block("to the board", (Span(0, 2, "bold"),), align=Align.RIGHT, spacing=2.0),
    )
)


class Formats(unittest.TestCase):
    def losses(self, name: str, document: Document = LETTER) -> tuple[str, ...]:
        write = FORMATS.named(name).write
        assert write is not None
        return write(document).losses

    def test_what_a_format_cannot_hold_is_told(self) -> None:
        self.assertEqual(
            self.losses("markdown"),
            (
                "Markdown cannot set paragraphs right: this is left out 1 time.",
                "Markdown has no wider spacing: it is left out 1 time.",
            ),
        )
        self.assertEqual(
            self.losses("text"),
            (
                "Plain text has no bold: it is left out 1 time.",
                "Plain text has no headings: their words are written 1 time.",
                "Plain text is not set right: this is left out 1 time.",
                "Plain text has no wider spacing: it is left out 1 time.",
            ),
        )
        self.assertEqual(self.losses("html"), ())

    def test_notes_and_column_widths_are_told_where_they_are_lost(self) -> None:
        desk = Driver("| Day | Who |\n| --- | --- |\n| Monday | Ida |\n\nTea at noon.")
        desk.hears("make the day column wider", "note on the last sentence check the time")
        for name, called in (("markdown", "Markdown"), ("text", "Plain text"), ("html", "HTML")):
            told = self.losses(name, desk.document)
            widths = f"{called} has no column widths: those of 1 table left out."
            self.assertEqual(widths in told, name != "html")
            self.assertIn(f"{called} has no margin notes: 1 left out.", told)
        for name in ("docx", "odt"):
            self.assertEqual(self.losses(name, desk.document), ())

    def test_nothing_is_told_where_nothing_is_lost(self) -> None:
        plain = from_markdown("The *tide*.\n\n- is\n- high")
        self.assertEqual(self.losses("markdown", plain), ())
        self.assertEqual(self.losses("text", Document((Block("The tide."),))), ())

    def test_spacing_and_alignment_are_in_html(self) -> None:
        write = FORMATS.named("html").write
        assert write is not None
        self.assertIn("text-align: right; line-height: 3.4", write(LETTER).data.decode())

    def test_a_file_s_suffix_tells_its_format(self) -> None:
        self.assertEqual(FORMATS.of(PurePath("a/b.MD")).name, "markdown")
        self.assertEqual(FORMATS.of(PurePath("b.htm")).name, "html")
        with self.assertRaisesRegex(WrongUse, r"can end in \.md"):
            FORMATS.of(PurePath("b.xyz"))

    def test_two_formats_cannot_have_a_name_or_suffix_in_common(self) -> None:
        registry = Registry((FileFormat("a", (".a",), "x/a"),))
        for other in (FileFormat("a", (".b",), "x/b"), FileFormat("b", (".a",), "x/b")):
            with self.assertRaises(ValueError):
                registry.add(other)

    def test_bytes_that_are_no_text_are_refused_in_a_sentence(self) -> None:
        for name in ("markdown", "text"):
            read = FORMATS.named(name).read
            assert read is not None
            with self.assertRaisesRegex(BadInput, "UTF-8"):
                read(b"caf\xe9")

    def test_text_is_read_as_paragraphs_with_their_line_breaks(self) -> None:
        document = from_text("Dear Ida,\r\n\r\n  the tide\nis\thigh\x00\n\n\n\nNell")
        self.assertEqual(
            [b.text for b in document.blocks], ["Dear Ida,", "  the tide\nis  high ", "Nell"]
        )
        self.assertEqual(from_text("").blocks, (Block(),))
